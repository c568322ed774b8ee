/** What the record taught: each lesson beside the catalogue's value, what it rests on, and a switch between the two. */
import { Box, Button, Typography } from "@mui/material";
import {
  LESSON_LABELS,
  lessonsOf,
  lessonText,
  rangeText,
  strangeText,
  TASK_TABLE,
  woodOddsText,
  type Lesson,
  type Plant,
  type StrangeRecord,
} from "@wren/core";
import { useMemo, useState } from "react";
import { today } from "../../data/clock.ts";
import { RangeBars } from "../../drawing/RangeBars.tsx";
import { withLesson, withRow } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { Section } from "../../ui/Section.tsx";
import { dateText } from "../../words/dates.ts";
import { OBSERVATION_LABELS } from "../../words/labels.ts";

/** A record in a few words, by its id. */
function useRecordName(): (id: string) => string {
  const { garden } = useGarden();
  return useMemo(() => {
    const known = new Map<string, string>([
      ...garden.visits.map((v): [string, string] => [v.id, `${TASK_TABLE[v.task].label}, ${dateText(v.on)}`]),
      ...garden.observations.map((o): [string, string] => [o.id, `${OBSERVATION_LABELS[o.kind]}, ${dateText(o.on)}`]),
    ]);
    return (id) => known.get(id) ?? "a record that is gone";
  }, [garden]);
}

function Strange({ strange: s }: { readonly strange: StrangeRecord }) {
  const { model, garden, change } = useGarden();
  const say = useVoice();
  const plant = model.plant(s.plantId);
  const visit = garden.visits.find((v) => v.id === s.recordId);
  const seen = garden.observations.find((o) => o.id === s.recordId);
  const sure = (): void => {
    if (visit)
      void change("It is right: used from now on", (g) => withRow(g, "visits", visit, (v) => ({ ...v, sure: true })));
    else if (seen)
      void change("It is right: used from now on", (g) =>
        withRow(g, "observations", seen, (o) => ({ ...o, sure: true })),
      );
  };
  return (
    <Box
      component="li"
      sx={{
        borderBottom: "1px solid var(--line)",
        py: 1,
        display: "flex",
        flexWrap: "wrap",
        gap: 1,
        alignItems: "center",
      }}
    >
      <Box sx={{ flex: "1 1 18rem", minWidth: 0 }}>
        <Typography sx={{ fontWeight: 700 }}>
          <DayLink to={`/plant/${plant.id}`} style={{ color: "inherit" }}>
            {plant.label}
          </DayLink>
          , {dateText(s.on)}
        </Typography>
        <Typography>{strangeText(s, say)}</Typography>
      </Box>
      {(visit ?? seen) && (
        <Button variant="outlined" onClick={sure} aria-label={`It is right: ${plant.label}, ${dateText(s.on)}`}>
          It is right
        </Button>
      )}
      {visit ? (
        <Button
          component={DayLink}
          to={`/plant/${plant.id}/record/${visit.task}`}
          more={{ visit: visit.id }}
          variant="outlined"
        >
          Correct it
        </Button>
      ) : (
        <Button
          component={DayLink}
          to={seen ? "/record" : `/plant/${plant.id}`}
          {...(seen ? { more: { plant: plant.id, find: s.on } } : {})}
          variant="outlined"
        >
          Correct it
        </Button>
      )}
    </Box>
  );
}

function OneLesson({ lesson: l }: { readonly lesson: Lesson }) {
  const { change } = useGarden();
  const say = useVoice();
  const nameOf = useRecordName();
  const [open, setOpen] = useState(false);
  const catalogue = l.about === "wood" ? woodOddsText(l.catalogue, say) : rangeText(l.about, l.catalogue, say);
  const mine = l.about === "wood" ? woodOddsText(l.mine, say) : rangeText(l.about, l.mine, say);
  const set = (used: boolean): void => {
    if (used !== l.used)
      void change(used ? "Your record is used" : "The catalogue’s value is used", (g) => withLesson(g, l.id, used));
  };
  const title =
    l.about === "job" && l.task !== null
      ? `${LESSON_LABELS.job}: ${TASK_TABLE[l.task].label.toLowerCase()}`
      : LESSON_LABELS[l.about];
  const choice = (used: boolean, label: string) => (
    <Button
      size="small"
      variant={l.used === used ? "contained" : "outlined"}
      aria-pressed={l.used === used}
      aria-label={`${title}: ${label}`}
      onClick={() => set(used)}
    >
      {label}
    </Button>
  );
  return (
    <Box
      component="li"
      sx={{
        borderBottom: "1px solid var(--line)",
        py: 1.25,
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,5fr) 230px minmax(0,3fr)" },
        columnGap: 2,
        rowGap: 0.75,
        alignItems: "center",
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 700 }}>{lessonText(l, say)}</Typography>
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {title}. Yours: {mine}. The catalogue’s: {catalogue}.{" "}
          <button type="button" className="why" aria-expanded={open} onClick={() => setOpen(!open)}>
            Why? {l.records.length} {l.records.length === 1 ? "record" : "records"}
          </button>
        </Typography>
        {open && (
          <Typography variant="body2">
            Eight in ten lie within the range. It begins at the catalogue’s value, and each record draws it on by as
            much as a record of its kind is worth. It rests on: {l.records.map(nameOf).join("; ")}.
          </Typography>
        )}
      </Box>
      {l.about === "wood" ? (
        <span />
      ) : (
        <RangeBars before={l.catalogue} now={l.mine} label={`The catalogue’s ${catalogue}; yours ${mine}`} />
      )}
      <Box sx={{ display: "flex", gap: 0.75, flexWrap: "wrap" }}>
        {choice(true, "Mine")}
        {choice(false, "The catalogue’s")}
      </Box>
    </Box>
  );
}

const FIRST = 40;
export function TaughtPart({ plant }: { readonly plant: Plant | null }) {
  const { model, garden } = useGarden();
  const [all, setAll] = useState(false);
  const told = useMemo(() => lessonsOf(model, today()), [model]);
  const lessons = told.lessons.filter((l) => plant === null || l.plantId === plant.id);
  const strangers = told.strangers.filter((s) => plant === null || s.plantId === plant.id);
  const ofGarden = lessons.filter((l) => l.plantId === null);
  const ofPlants = garden.plants
    .map((p) => ({ plant: p, own: lessons.filter((l) => l.plantId === p.id) }))
    .filter((x) => x.own.length > 0);
  if (lessons.length === 0 && strangers.length === 0)
    return (
      <Typography sx={{ maxWidth: "62ch" }}>
        Nothing yet. A height every autumn teaches how fast it grows here, the day of its first flowers how early it is,
        minutes at a visit how long you take. Each is used as soon as it says anything, and as far as it does.
      </Typography>
    );
  const list = (own: readonly Lesson[]) => (
    <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
      {own.map((l) => (
        <OneLesson key={l.id} lesson={l} />
      ))}
    </Box>
  );
  return (
    <>
      {strangers.length > 0 && (
        <Section title="Is this right?">
          <Typography sx={{ maxWidth: "62ch" }}>
            These do not go with the rest, and are not used until you say so.
          </Typography>
          <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
            {strangers.map((s) => (
              <Strange key={`${s.about} ${s.plantId} ${s.recordId ?? ""} ${s.on}`} strange={s} />
            ))}
          </Box>
        </Section>
      )}
      {ofGarden.length > 0 && <Section title="Of the garden, and of you">{list(ofGarden)}</Section>}
      {(all ? ofPlants : ofPlants.slice(0, FIRST)).map(({ plant: p, own }) => (
        <Section key={p.id} title={p.label}>
          {list(own)}
        </Section>
      ))}
      {!all && ofPlants.length > FIRST && (
        <Button onClick={() => setAll(true)}>Show all {ofPlants.length} plants</Button>
      )}
    </>
  );
}
