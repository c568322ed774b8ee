/** The others of a row: what is done at one plant is done, or planned, at those that are named, each decided by itself. */
import {
  pairOf,
  planCut,
  reasonText,
  rowOf,
  type GardenModel,
  type Plant,
  type PlainDate,
  type Share,
  type Task,
} from "@wren/core";
import { useMemo } from "react";
import { useGarden } from "../state/garden.tsx";
import { useVoice } from "../state/voice.ts";
import { Chips } from "../ui/Chips.tsx";

/** A pair is kept alike: its other one is named from the start. */
export const pairFirst = (model: GardenModel, plant: Plant, on: PlainDate): ReadonlySet<string> => {
  const other = pairOf(rowOf(model, plant, on), plant.id);
  return new Set(other ? [other.plant.id] : []);
};

/** Those of the others at whom it may be planned as well: what is refused at one is not planned there. */
export const mayAlike = (
  model: GardenModel,
  ids: ReadonlySet<string>,
  on: PlainDate,
  cut: { readonly task: Task; readonly share: Share },
): readonly string[] => [...ids].filter((id) => planCut(model, id, on, cut).accepted);

interface Props {
  readonly plant: Plant;
  readonly on: PlainDate;
  readonly task: Task;
  /** Of live growth, that goes at the plant itself. */
  readonly share: Share;
  readonly label: string;
  readonly chosen: ReadonlySet<string>;
  readonly onChosen: (ids: ReadonlySet<string>) => void;
}

export function Alike({ plant, on, task, share, label, chosen, onChosen }: Props) {
  const { model } = useGarden();
  const say = useVoice();
  const others = useMemo(() => rowOf(model, plant, on).filter((r) => r.plant.id !== plant.id), [model, plant, on]);
  // What cannot be planned at one of them is said beside its name; it is not planned there, and may be booked all the same.
  const answers = useMemo(
    () => others.map((r) => ({ ...r, answer: planCut(model, r.plant.id, on, { task, share }) })),
    [model, others, on, task, share],
  );
  if (answers.length === 0) return null;
  const all = answers.every((a) => chosen.has(a.plant.id));
  const toggled = (id: string): ReadonlySet<string> => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    return next;
  };
  const over = answers.filter((a) => chosen.has(a.plant.id) && !a.answer.accepted);
  return (
    <>
      <Chips
        label={label}
        options={[
          ...answers.map((a) => ({
            value: a.plant.id,
            label: `${a.plant.label}, ${say.length(a.heightM)}`,
          })),
          ...(answers.length > 2 ? [{ value: "all", label: all ? "None of them" : "All of them" }] : []),
        ]}
        chosen={(v) => chosen.has(v)}
        onPress={(v) =>
          onChosen(v === "all" ? (all ? new Set<string>() : new Set(answers.map((a) => a.plant.id))) : toggled(v))
        }
      />
      {over.map((a) => (
        <p key={a.plant.id} className="small alarm" role="status">
          {a.plant.label}: {reasonText(a.answer.reasons[0]!, say)}
        </p>
      ))}
    </>
  );
}
