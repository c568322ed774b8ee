/** What stands round the half-days: how to begin, what was moved and why, what is left undone and what would make it fit. */
import { Box, Typography } from "@mui/material";
import {
  leftUndone,
  movedJobs,
  movedText,
  namedJobText,
  priceText,
  TASK_TABLE,
  wouldFitText,
  type GardenModel,
  type WorkPlan,
} from "@wren/core";
import { useMemo, useState } from "react";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { Section } from "../../ui/Section.tsx";
import { withWeekHalf } from "./planEdits.ts";

/** Work that was begun and not finished: it goes on at the same pass. */
export function UnderWay() {
  const { garden, model } = useGarden();
  if (garden.works.length === 0) return null;
  return (
    <Section title="Under way" aside={<p className="numeral count">{garden.works.length}</p>}>
      <div className="presses">
        {garden.works.map((w) => (
          <DayLink key={w.id} to={`/at/${w.plantId}`} more={{ task: w.task }} className="press">
            Go on: {model.plant(w.plantId).label}, {TASK_TABLE[w.task].label.toLowerCase()}
          </DayLink>
        ))}
      </div>
    </Section>
  );
}

/** Nobody said when there is time: two ways to begin. */
export function NoTime() {
  const { change } = useGarden();
  return (
    <Section title="When is there time?">
      <Typography sx={{ mb: 1 }}>
        Say on which half-days you garden. What is due is then fitted to them, and what does not fit is named with what
        it costs.
      </Typography>
      <div className="presses">
        <button
          type="button"
          className="press press-main"
          onClick={() => void change("Saturday mornings, two hours", (g) => withWeekHalf(g, 6, "morning", 120))}
        >
          Saturday mornings, two hours
        </button>
        <button
          type="button"
          className="press"
          onClick={() =>
            void change("An hour on weekday afternoons", (g) =>
              [1, 2, 3, 4, 5].reduce((sofar, d) => withWeekHalf(sofar, d, "afternoon", 60), g),
            )
          }
        >
          An hour on weekday afternoons
        </button>
      </div>
    </Section>
  );
}

export function MovedPart({ model, plan }: { readonly model: GardenModel; readonly plan: WorkPlan }) {
  const say = useVoice();
  const moved = useMemo(() => movedJobs(model, plan), [model, plan]);
  if (moved.length === 0) return null;
  return (
    <Section title="What was moved, and why" aside={<p className="numeral count">{moved.length}</p>}>
      <ul className="bare">
        {moved.map((m) => (
          <li key={m.job.id}>
            <strong>{namedJobText(model, m.job)}</strong>. {movedText(m, say)}
          </li>
        ))}
      </ul>
    </Section>
  );
}

export function LeftPart({ model, plan }: { readonly model: GardenModel; readonly plan: WorkPlan }) {
  const say = useVoice();
  const undone = useMemo(() => leftUndone(model, plan), [model, plan]);
  const left = undone.filter((l) => l.fits.by !== "later");
  const later = undone.filter((l) => l.fits.by === "later");
  const comes = later.length > 0 && (
    <p style={{ marginTop: 8 }}>
      Later, after these days:{" "}
      {later
        .map((l) => `${namedJobText(model, l.job)}${l.fits.by === "later" ? ` (about ${say.date(l.fits.on)})` : ""}`)
        .join("; ")}
      .
    </p>
  );
  const [all, setAll] = useState(false);
  if (left.length === 0)
    return plan.jobs.length > 0 ? (
      <Section title="Left undone">
        <p>Nothing: all that may be done in these days fits.</p>
        {comes}
      </Section>
    ) : null;
  return (
    <Section title="Left undone" aside={<p className="numeral count">{left.length}</p>}>
      <ul className="bare">
        {left.slice(0, all ? undefined : 8).map((l) => (
          <Box component="li" key={l.job.id} sx={{ borderBottom: "1px solid var(--line)", py: 0.75 }}>
            <strong>{namedJobText(model, l.job)}</strong>, {Math.round(l.job.minutes.usual)} min: costs{" "}
            <strong>{priceText(l.cost)}</strong>. {wouldFitText(l.fits, say)}
          </Box>
        ))}
      </ul>
      {left.length > 8 && !all && (
        <button type="button" className="press press-plain" onClick={() => setAll(true)}>
          Show all {left.length}
        </button>
      )}
      {comes}
    </Section>
  );
}
