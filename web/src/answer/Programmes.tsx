/** What was begun at a plant for years: its next steps, worked out from what was recorded since. */
import {
  programmePlans,
  PROGRAMME_TEXTS,
  stemsText,
  stepDueText,
  stepText,
  WATCHED_LABELS,
  type Plant,
  type ProgrammePlan,
  type ProgrammeStep,
  type Stem,
} from "@wren/core";
import { useMemo } from "react";
import { today } from "../data/clock.ts";
import { useDay } from "../state/day.tsx";
import { seenDay } from "../state/edits.ts";
import { useGarden } from "../state/garden.tsx";
import { useSeen } from "../state/useSeen.ts";
import { useVoice } from "../state/voice.ts";
import { DayLink } from "../ui/DayLink.tsx";
import { Section } from "../ui/Section.tsx";
import { Table } from "../ui/Table.tsx";

/** The steps still to come, each with when and what. */
export function StepsTable({
  plan,
  names,
}: {
  readonly plan: ProgrammePlan;
  readonly names?: (stems: readonly Stem[]) => string;
}) {
  const say = useVoice();
  return (
    <Table
      head={["Step", "When", "What", "Of the leaf that stands"]}
      rows={plan.steps.map((s, i) => ({
        key: s.id,
        cells: [
          String(plan.doneCount + i + 1),
          <span key="when" className={s.overdue ? "alarm" : undefined}>
            {stepDueText(s, say)}
          </span>,
          stepText(s, say, names ?? stemsText(say)),
          s.share === null ? "none" : say.percent(s.share),
        ],
      }))}
    />
  );
}

/** One press: what the step waits for was seen, or not yet. */
function Seen({ step }: { readonly step: ProgrammeStep }) {
  const { model } = useGarden();
  const write = useSeen();
  const { on } = useDay();
  if (step.due.by !== "seen") return null;
  const plant = model.plant(step.plantId);
  const { what } = step.due;
  const note = (kind: typeof what | "not-yet", label: string) =>
    write(`${plant.label}: ${label.toLowerCase()}`, {
      plantId: plant.id,
      on: seenDay(plant, on, today()),
      kind,
      where: kind === "growth-seen" ? "old-stems" : null,
      lookedFor: kind === "not-yet" ? what : null,
    });
  return (
    <>
      <button type="button" className="press" onClick={() => void note(what, WATCHED_LABELS[what])}>
        {WATCHED_LABELS[what]}
      </button>
      <button type="button" className="press" onClick={() => void note("not-yet", "Not yet")}>
        Not yet
      </button>
    </>
  );
}

/** A step that is due, in a list of what comes next. */
export function ProgrammeRow({ step }: { readonly step: ProgrammeStep }) {
  const { model } = useGarden();
  const say = useVoice();
  const { label } = model.plant(step.plantId);
  return (
    <li className="follow-up">
      <p className="strong">
        {label}: {PROGRAMME_TEXTS[step.way].title.toLowerCase()}
        {step.overdue && <span className="alarm"> past its day</span>}
      </p>
      <p>
        {stepText(step, say, stemsText(say))}: {stepDueText(step, say)}.
      </p>
      <div className="presses">
        <Seen step={step} />
        {step.due.by === "day" && step.what.do !== "look" && (
          <DayLink to={`/plant/${step.plantId}/bench`} className="press">
            At the bench
          </DayLink>
        )}
        <DayLink to={`/plant/${step.plantId}`} className="press press-plain">
          The plant
        </DayLink>
      </div>
    </li>
  );
}

/** The plant's own: every step, and the way to end it. */
export function Programmes({ plant }: { readonly plant: Plant }) {
  const { model, change } = useGarden();
  const { on } = useDay();
  const plans = useMemo(() => programmePlans(model, on, plant.id), [model, on, plant.id]);
  return plans.map((plan) => {
    const { way, id } = plan.programme;
    const text = PROGRAMME_TEXTS[way];
    const next = plan.steps[0];
    return (
      <Section
        key={id}
        title="Over the years"
        aside={
          <button
            type="button"
            className="press press-plain"
            onClick={() =>
              void change(`${plant.label}: ${text.title.toLowerCase()} ended`, (g) => ({
                ...g,
                programmes: g.programmes.filter((p) => p.id !== id),
              }))
            }
          >
            End it
          </button>
        }
      >
        <p className="strong">
          {text.title}
          <span className="light"> · {plan.doneCount === 0 ? "no step recorded yet" : `${plan.doneCount} done`}</span>
        </p>
        <p className="spaced">{text.note}</p>
        {plan.needsStems ? (
          <DayLink to={`/plant/${plant.id}/bench`} className="press">
            Count its stems first
          </DayLink>
        ) : next ? (
          <>
            <StepsTable plan={plan} />
            <div className="presses">
              <Seen step={next} />
            </div>
            {!plan.reached && <p className="small">It is not reached under this cap; these are the steps there are.</p>}
          </>
        ) : (
          <p>All of it is done: end it, or begin again at the bench.</p>
        )}
        <p className="quiet small">
          Worked out anew from what you record: a cut that took more or less, a height measured, a year missed.
        </p>
      </Section>
    );
  });
}
