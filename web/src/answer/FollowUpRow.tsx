/** A next step of something that was done: what to do or look for, and one press for what was seen. */
import { CHAIN_TEXTS, followUpText, WATCHED_LABELS, type FollowUp, type Observation } from "@wren/core";
import { today } from "../data/clock.ts";
import { useDay } from "../state/day.tsx";
import { seenDay, withYoung } from "../state/edits.ts";
import { useGarden } from "../state/garden.tsx";
import { newId } from "../state/ids.ts";
import { useSeen } from "../state/useSeen.ts";
import { DayLink } from "../ui/DayLink.tsx";
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

/** So many rooted branches may be lifted at once. */
const LIFTED = [1, 2, 3] as const;

interface Props {
  readonly step: FollowUp;
  /** Names the plant, in lists of more than one. */
  readonly named?: boolean;
}

export function FollowUpRow({ step, named = false }: Props) {
  const { model, change } = useGarden();
  const write = useSeen();
  const { on } = useDay();
  const say = useVoice();
  const plant = model.plant(step.plantId);
  const { label } = plant;
  const seenAt = { plantId: plant.id, on: seenDay(plant, on, today()), where: null };
  const { title } = CHAIN_TEXTS[step.chain];
  // Nobody sees a day to come.
  const seeable = on <= today();
  return (
    <li className="follow-up">
      <p className="strong">
        {named ? `${label}: ${title.toLowerCase()}` : title}
        {step.state === "overdue" && <span className="alarm"> past its time</span>}
      </p>
      <p>{followUpText(step, say)}</p>
      <div className="presses">
        {(seeable ? presses(step) : []).map(([text, seen]) => (
          <button
            key={text}
            type="button"
            className="press"
            onClick={() => void write(`${label}: ${text.toLowerCase()}`, { ...seenAt, ...seen })}
          >
            {text}
          </button>
        ))}
        {seeable &&
          step.chain === "layers-lift" &&
          step.state !== "coming" &&
          LIFTED.map((n) => (
            <button
              key={n}
              type="button"
              className="press"
              onClick={() =>
                void change(`${label}: ${n === 1 ? "a rooted branch" : `${n} rooted branches`} lifted`, (g) =>
                  withYoung(g, plant, seenAt.on, Array.from({ length: n }, newId)),
                )
              }
            >
              {n === 1 ? "One lifted: add it" : `${n} lifted: add them`}
            </button>
          ))}
        {step.task !== null && step.watched === null && step.state !== "coming" && (
          <DayLink to={`/plant/${step.plantId}/record/${step.task}`} className="press">
            Start
          </DayLink>
        )}
        {named && (
          <DayLink to={`/plant/${step.plantId}`} className="press press-plain">
            The plant
          </DayLink>
        )}
      </div>
    </li>
  );
}
