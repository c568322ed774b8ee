/** What is taken outside: the list, for this plant or for others of its row as well, planned or booked. */
import type { CutLine, PlainDate, Plant, Task, TryResult } from "@wren/core";
import { useState } from "react";
import { Alike, mayAlike, pairFirst } from "../../answer/Alike.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Section } from "../../ui/Section.tsx";
import { CutList } from "./CutList.tsx";

interface Props {
  readonly plant: Plant;
  readonly task: Task;
  readonly on: PlainDate;
  readonly lines: readonly CutLine[];
  /** A proposal stands: where it has no cut, it says why beside the drawing. */
  readonly proposed: boolean;
  readonly result: TryResult;
  readonly nameOf: (id: string) => string;
  readonly ticked: ReadonlySet<number>;
  readonly onTicked: (numbers: ReadonlySet<number>) => void;
  /** @param also ids of the others of its row that it is meant for */
  readonly onPlan: (also: readonly string[]) => void;
  readonly onDone: (also: readonly string[]) => void;
}

const bookText = (ticked: number): string =>
  ticked === 0
    ? "It was carried out"
    : ticked === 1
      ? "Book the one that is ticked"
      : `Book the ${ticked} that are ticked`;

export function ToCarry({ plant, task, on, lines, proposed, result, nameOf, ticked, onTicked, onPlan, onDone }: Props) {
  const { model } = useGarden();
  const say = useVoice();
  const [also, setAlso] = useState(() => pairFirst(model, plant, on));
  return (
    <Section title="The list to carry">
      {lines.length === 0 ? (
        <p>
          {proposed
            ? "Suggest finds nothing to cut, and says why beside the drawing. Press a stem to cut it all the same."
            : "Nothing is cut yet. Press Suggest, or press a stem and say what is to happen to it."}
        </p>
      ) : (
        <>
          <CutList lines={lines} nameOf={nameOf} done={ticked} onDone={onTicked} />
          <div className="no-print">
            <Alike
              plant={plant}
              on={on}
              task={task}
              share={result.share}
              label="The same at the others of its row?"
              chosen={also}
              onChosen={setAlso}
            />
          </div>
          <div className="no-print presses">
            <button
              type="button"
              className="press press-main"
              disabled={!result.accepted}
              onClick={() => onPlan(mayAlike(model, also, on, { task, share: result.share }))}
            >
              Plan it for {say.date(on)}
            </button>
            <button type="button" className="press" onClick={() => onDone([...also])}>
              {bookText(ticked.size)}
            </button>
          </div>
          {!result.accepted && (
            <p className="quiet small">It cannot be planned as it is; what was done can be recorded all the same.</p>
          )}
        </>
      )}
    </Section>
  );
}
