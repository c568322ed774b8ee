/** A next step of something that was done: what to do or look for, and one press for what was seen. */
import { Box, Button, Typography } from "@mui/material";
import { CHAIN_TEXTS, followUpText, WATCHED_LABELS, type FollowUp, type Observation } from "@wren/core";
import { Link } from "react-router";
import { today } from "../data/clock.ts";
import { useDay, useLinkTo } from "../state/day.tsx";
import { seenDay, withSeen } from "../state/edits.ts";
import { useGarden } from "../state/garden.tsx";
import { newId } from "../state/ids.ts";
import { useVoice } from "../state/voice.ts";

type Seen = Pick<Observation, "kind" | "lookedFor">;

/** What may be pressed: seen or not yet; a trial is judged one way or the other. */
function presses(f: FollowUp): readonly (readonly [label: string, seen: Seen])[] {
  if (f.watched === null) return [];
  const yes = [WATCHED_LABELS[f.watched], { kind: f.watched, lookedFor: null }] as const;
  return f.chain === "trial"
    ? [yes, ["Poor or none", { kind: "regrowth-poor", lookedFor: null }]]
    : [yes, ["Not yet", { kind: "not-yet", lookedFor: f.watched }]];
}

interface Props {
  readonly step: FollowUp;
  /** Names the plant, in lists of more than one. */
  readonly named?: boolean;
}

export function FollowUpRow({ step, named = false }: Props) {
  const { model, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const linkTo = useLinkTo();
  const plant = model.plant(step.plantId);
  const { label } = plant;
  const seenAt = { plantId: plant.id, on: seenDay(plant, on, today()), where: null };
  const { title } = CHAIN_TEXTS[step.chain];
  return (
    <Box component="li" sx={{ borderBottom: "1px solid var(--line)", py: 1, pl: 1 }}>
      <Typography component="span" sx={{ fontWeight: 700, display: "block" }}>
        {named ? `${label}: ${title.toLowerCase()}` : title}
        {step.state === "overdue" && (
          <Box component="span" sx={{ color: "var(--alarm)", ml: 1 }}>
            past its time
          </Box>
        )}
      </Typography>
      <Typography component="span" sx={{ display: "block" }}>
        {followUpText(step, say)}
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 0.5 }}>
        {presses(step).map(([text, seen]) => (
          <Button
            key={text}
            variant="outlined"
            onClick={() =>
              void change(`${label}: ${text.toLowerCase()}`, (g) => withSeen(g, { id: newId(), ...seenAt, ...seen }))
            }
          >
            {text}
          </Button>
        ))}
        {step.task !== null && step.watched === null && step.state !== "coming" && (
          <Button component={Link} to={linkTo(`/plant/${step.plantId}/record/${step.task}`)} variant="outlined">
            Start
          </Button>
        )}
        {named && (
          <Button component={Link} to={linkTo(`/plant/${step.plantId}`)}>
            The plant
          </Button>
        )}
      </Box>
    </Box>
  );
}
