/** What an entry far from its forecast may mean, and what each answer would move. It is kept already: nothing has to be said. */
import { Box, Button, Dialog, DialogContent, DialogTitle, Typography } from "@mui/material";
import { isMoved, TASK_TABLE, taskForGoal, type Garden, type Moved } from "@wren/core";
import { useEffect, type ReactNode } from "react";
import { withPace, withRow } from "../state/edits.ts";
import { askAbout, type FarSeen } from "../state/farSeen.ts";
import { useGarden } from "../state/garden.tsx";
import { useNotices } from "../state/notices.tsx";
import { useVoice } from "../state/voice.ts";
import { paceText } from "../strip/paceText.ts";
import { DayLink } from "../ui/DayLink.tsx";
import { OBSERVATION_LABELS } from "../words/labels.ts";

const close = (): void => askAbout(null);

function Meaning({
  title,
  children,
  press,
  onPress,
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly press: string;
  readonly onPress: () => void;
}) {
  return (
    <Box
      component="li"
      sx={{
        display: "flex",
        flexWrap: "wrap",
        columnGap: 2,
        rowGap: 0.5,
        alignItems: "center",
        borderTop: "1px solid var(--line)",
        py: 1,
      }}
    >
      <Box sx={{ flex: "1 1 16rem" }}>
        <Typography sx={{ fontWeight: 700 }}>{title}</Typography>
        <Typography>{children}</Typography>
      </Box>
      <Button variant="outlined" onClick={onPress} aria-label={`${press}: ${title}`}>
        {press}
      </Button>
    </Box>
  );
}

export default function FarSeenDialog({ seen, meanings: m }: FarSeen) {
  const { model, change } = useGarden();
  const say = useVoice();
  const { close: hush } = useNotices();
  // What was written down is said here again, with a way to take it back.
  useEffect(hush, [hush]);
  const plant = model.garden.plants.find((p) => p.id === seen.plantId);
  if (!plant) return null;
  const { seasonYear } = model.season(seen.on);
  const what = OBSERVATION_LABELS[seen.kind].toLowerCase();
  const task = TASK_TABLE[taskForGoal(model, plant)].label.toLowerCase();
  const day = (on: Moved["to"]): string => (on === null ? "on no day that can be told" : say.date(on));
  const opens = (w: Moved): string =>
    isMoved(w)
      ? `its next cut (${task}) opens ${day(w.to)} instead of ${day(w.from)}`
      : `its next cut (${task}) opens ${day(w.to)}, as before`;
  const name = (id: string): string => model.catalogue.byId(id)?.common[0] ?? id;
  const keep = async (label: string, edit: (g: Garden) => Garden): Promise<void> => {
    if (await change(`${plant.label}: ${label}`, edit)) close();
  };
  const far =
    m.aheadDays > 0 ? `${say.days(m.aheadDays)} before that` : `${say.days(Math.abs(m.aheadDays))} after that`;
  return (
    <Dialog open onClose={close} fullWidth maxWidth="sm" aria-labelledby="far-title">
      <DialogTitle id="far-title">
        {plant.label}: {what} on {say.date(seen.on)}
      </DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>
          It is written down as you saw it. {m.display ? `Its ${m.display} were` : "It was"} expected about{" "}
          {say.date(m.expected)}, give or take {say.days(m.spreadDays)}; this is {far}. What else may it mean?
        </Typography>
        <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
          <Meaning title="This plant, this year" press="Leave it so" onPress={close}>
            Only its own dates move: {opens(m.plant)}.
          </Meaning>
          {m.garden && (
            <Meaning
              title="The whole garden runs so this year"
              press="Say so"
              onPress={() => void keep("the whole garden runs so", (g) => withPace(g, seasonYear, m.garden!.thenDays))}
            >
              Every date that spring makes moves: {paceText(m.garden.thenDays, say.days)}, now{" "}
              {paceText(m.garden.nowDays, say.days)}; {opens(m.garden.window)}.
            </Meaning>
          )}
          {m.kinds.map((k) => (
            <Meaning
              key={k.taxonId}
              title={`It is another kind: ${name(k.taxonId)}`}
              press="It is that"
              onPress={() =>
                void keep(`is ${name(k.taxonId)}`, (g) =>
                  withRow(g, "plants", plant, (now) => ({ ...now, taxonId: k.taxonId })),
                )
              }
            >
              That would be expected about {say.date(k.expected)}; {opens(k.window)}.
            </Meaning>
          ))}
          <Meaning
            title="A slip"
            press="Take it back"
            onPress={() =>
              void keep("entry taken back", (g) => ({
                ...g,
                observations: g.observations.filter((o) => o.id !== seen.id),
              }))
            }
          >
            The entry goes and nothing moves.
          </Meaning>
        </Box>
        <Button component={DayLink} to="/which" onClick={close}>
          Find out which it is
        </Button>
      </DialogContent>
    </Dialog>
  );
}
