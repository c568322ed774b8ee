/** What was done and seen at a plant, newest first. */
import { Box, IconButton, Typography } from "@mui/material";
import { TASK_TABLE, type Observation, type Plant, type Visit } from "@wren/core";
import { Pencil, Trash2 } from "lucide-react";
import { today } from "../../data/clock.ts";
import { withCorrected } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { dateText } from "../../words/dates.ts";
import { OBSERVATION_LABELS } from "../../words/labels.ts";
import { seenText, visitText } from "../../words/recordTexts.ts";

type Entry = { readonly kind: "visit"; readonly row: Visit } | { readonly kind: "seen"; readonly row: Observation };

export function History({ plant }: { readonly plant: Plant }) {
  const { model, change } = useGarden();
  const say = useVoice();
  const entries = [
    ...model.visitsOf(plant.id).map((row): Entry => ({ kind: "visit", row })),
    ...model.observationsOf(plant.id).map((row): Entry => ({ kind: "seen", row })),
  ].toSorted((a, b) => (a.row.on < b.row.on ? 1 : a.row.on > b.row.on ? -1 : 0));
  const remove = ({ kind, row }: Entry) =>
    change(kind === "visit" ? "Visit removed" : "Observation removed", (g) =>
      kind === "visit"
        ? withCorrected(g, "visits", row, null, { id: newId(), on: today() })
        : withCorrected(g, "observations", row, null, { id: newId(), on: today() }),
    );
  if (entries.length === 0) return <Typography sx={{ color: "text.secondary" }}>Nothing recorded yet.</Typography>;
  return (
    <>
      <Typography sx={{ mb: 0.5 }}>
        <DayLink to="/record" more={{ plant: plant.id }}>
          All of it in the notebook
        </DayLink>
        {" · "}
        <DayLink to="/record" more={{ plant: plant.id, part: "taught" }}>
          what it taught
        </DayLink>
      </Typography>
      <Box component="ol" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {entries.map((e) => (
          <Box
            component="li"
            key={e.row.id}
            sx={{
              display: "flex",
              gap: 1,
              borderBottom: "1px solid var(--line)",
              py: 0.5,
              alignItems: "center",
            }}
          >
            <Typography className="numeral" sx={{ width: 118, flex: "none", fontWeight: 600 }}>
              {dateText(e.row.on)}
            </Typography>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography sx={{ fontWeight: 600 }}>
                {e.kind === "visit" ? TASK_TABLE[e.row.task].label : OBSERVATION_LABELS[e.row.kind]}
              </Typography>
              <Typography variant="body2" sx={{ color: "text.secondary" }}>
                {e.kind === "visit" ? visitText(model, e.row, say) : seenText(e.row, say)}
              </Typography>
            </Box>
            {e.kind === "visit" && (
              <IconButton
                component={DayLink}
                to={`/plant/${plant.id}/record/${e.row.task}`}
                more={{ visit: e.row.id }}
                aria-label={`Change the visit of ${dateText(e.row.on)}`}
              >
                <Pencil size={16} />
              </IconButton>
            )}
            <IconButton aria-label={`Remove the entry of ${dateText(e.row.on)}`} onClick={() => void remove(e)}>
              <Trash2 size={16} />
            </IconButton>
          </Box>
        ))}
      </Box>
    </>
  );
}
