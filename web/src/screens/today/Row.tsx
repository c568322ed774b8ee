/** One plant in Today's list: a drawing to scale, the answer in a sentence, its price, and one press to start. */
import type { Observation, Task } from "@wren/core";
import { memo, useCallback } from "react";
import { today } from "../../data/clock.ts";
import { PlantThumb } from "../../drawing/PlantShape.tsx";
import { useDay } from "../../state/day.tsx";
import { seenDay, standing } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { useSeen } from "../../state/useSeen.ts";
import { VerdictMark } from "../../ui/VerdictMark.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import type { RowView, WaitsFor } from "./rowView.ts";
import type { Sight } from "./sight.ts";

const THUMB = { box: 60, scale: 22 } as const;

interface Press {
  readonly label: string;
  readonly kind: Observation["kind"];
  readonly where: Observation["where"];
}
/** What may be pressed at a plant that waits for something to be seen. */
const PRESSES: Readonly<Record<Exclude<WaitsFor, null | "survey">, readonly Press[]>> = {
  growth: [
    { label: "Growth at the base", kind: "growth-seen", where: "base" },
    { label: "Growth on old stems", kind: "growth-seen", where: "old-stems" },
    { label: "Not yet", kind: "not-yet", where: null },
  ],
  berries: [
    { label: "They are gone", kind: "berries-gone", where: null },
    { label: "Not yet", kind: "not-yet", where: null },
  ],
  "bloom-over": [
    { label: "Bloom is over", kind: "last-flower", where: null },
    { label: "Not yet", kind: "not-yet", where: null },
  ],
  "flush-hard": [
    { label: "New shoots are hard", kind: "flush-hardened", where: null },
    { label: "Not yet", kind: "not-yet", where: null },
  ],
  candles: [
    { label: "Candles are out", kind: "candles-out", where: null },
    { label: "Not yet", kind: "not-yet", where: null },
  ],
  fledged: [
    { label: "The young have flown", kind: "nest-empty", where: null },
    { label: "Not yet", kind: "not-yet", where: null },
  ],
  flowers: [
    { label: "Flowers on short side shoots", kind: "first-flower", where: "side-shoots" },
    { label: "Flowers at ends of new shoots", kind: "first-flower", where: "new-shoot-ends" },
    { label: "Not yet", kind: "not-yet", where: null },
  ],
};

const LOOKED_FOR: Readonly<Record<Exclude<WaitsFor, null | "survey">, Observation["lookedFor"]>> = {
  growth: "growth-seen",
  berries: "berries-gone",
  "bloom-over": "last-flower",
  "flush-hard": "flush-hardened",
  candles: "candles-out",
  fledged: "nest-empty",
  flowers: null,
};

/** One press: seen and where, or not yet. Flowers on a shrub nobody could name say what it is. */
function Seen({ plantId, waitsFor }: { readonly plantId: string; readonly waitsFor: WaitsFor }) {
  const { change, model } = useGarden();
  const write = useSeen();
  const { on } = useDay();
  // Nobody sees a day to come.
  if (waitsFor === null || on > today()) return null;
  const plant = model.plant(plantId);
  const { label } = plant;
  const day = seenDay(plant, on, today());
  if (waitsFor === "survey")
    return (
      <div className="presses">
        <DayLink to={`/plant/${plantId}/survey`} className="press">
          Check its health
        </DayLink>
        <button
          type="button"
          className="press"
          onClick={() =>
            void change(`${label} checked: healthy`, (g) => ({
              ...standing(g, plantId),
              plants: g.plants.map((p) => (p.id === plantId ? { ...p, condition: "healthy", conditionOn: day } : p)),
            }))
          }
        >
          Checked: it is healthy
        </button>
      </div>
    );
  const note = ({ label: what, kind, where }: Press) => {
    const lookedFor = kind === "not-yet" ? LOOKED_FOR[waitsFor] : null;
    return write(`${label}: ${what.toLowerCase()}`, { plantId, on: day, kind, where, lookedFor });
  };
  return (
    <div className="presses">
      {PRESSES[waitsFor].map((p) => (
        <button key={p.label} type="button" className="press" onClick={() => void note(p)}>
          {p.label}
        </button>
      ))}
    </div>
  );
}

interface StartProps {
  readonly plantId: string;
  readonly task: Task;
  readonly label: string;
  readonly also: readonly string[];
}
function Start({ plantId, task, label, also }: StartProps) {
  return (
    <DayLink
      className="press row-start"
      to={`/plant/${plantId}/record/${task}`}
      state={{ also }}
      aria-label={`Start at ${label}`}
    >
      Start
    </DayLink>
  );
}

interface Props extends RowView {
  readonly chosen: boolean;
  readonly onChoose: (id: string) => void;
  /** Lays a folded row out. */
  readonly onApart: (id: string) => void;
  readonly sight: Sight;
}

/** Plain elements and classes: a hundred of these are drawn anew at every step of the day. */
export const Row = memo(function Row({ chosen, onChoose, onApart, sight, ...v }: Props) {
  const also = v.also === "" ? [] : v.also.split(" ");
  const lookFor = v.waitsFor !== null;
  const stands = useCallback((row: HTMLLIElement) => sight.add(v.plantId, row), [sight, v.plantId]);
  return (
    <li ref={stands} className={`row${chosen ? " row-chosen" : ""}${lookFor ? " row-look" : ""}`}>
      <button
        type="button"
        className="row-main"
        onClick={() => onChoose(v.plantId)}
        aria-current={chosen ? "true" : undefined}
      >
        <PlantThumb
          form={v.form}
          taxon={v.taxon}
          leaf={v.leaf}
          showing={v.showing}
          fullness={v.fullness}
          seed={v.plantId}
          widthM={v.widthM}
          heightM={v.heightM}
          {...THUMB}
        />
        <span className="row-text">
          <span className="row-head">
            <span className="row-label">
              {v.label}
              {also.length > 0 && <span className="row-also"> and {also.length} like it</span>}
            </span>
            <span className="row-verdict">
              <VerdictMark verdict={v.verdict} size={18} word />
              <span className="row-when">{v.when}</span>
            </span>
          </span>
          <span className="row-line">{v.sentence}</span>
          {v.price && <span className="row-price">{v.price}</span>}
        </span>
      </button>
      {lookFor && (
        <div className="row-seen">
          <Seen plantId={v.plantId} waitsFor={v.waitsFor} />
        </div>
      )}
      {(v.group === "ready" || also.length > 0) && (
        <div className="row-press">
          {v.group === "ready" && <Start plantId={v.plantId} task={v.task} label={v.label} also={also} />}
          {also.length > 0 && (
            <button
              type="button"
              className="press press-plain press-small"
              aria-label={`Each of the ${also.length + 1} by itself`}
              onClick={() => onApart(v.plantId)}
            >
              Each
            </button>
          )}
        </div>
      )}
    </li>
  );
});
