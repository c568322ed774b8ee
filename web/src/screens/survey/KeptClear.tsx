/** Lines the plant is to stay behind, side by side: a path, a wall, a neighbour, a passage, ground won back. */
import { BOUNDS, KEPT_CLEAR, PLANT_SIDES, type Line, type Plant, type Side } from "@wren/core";
import { Chips, OneOf } from "../../ui/Chips.tsx";
import { KEPT_LABELS, SIDE_LABELS } from "../../words/labels.ts";
import { LengthInput } from "./LengthInput.tsx";

export function KeptClear({ plant, onPlant }: { readonly plant: Plant; readonly onPlant: (p: Plant) => void }) {
  const { lines } = plant.goal;
  const put = (next: readonly Line[]): void => onPlant({ ...plant, goal: { ...plant.goal, lines: [...next] } });
  const toggle = (side: Side): void => {
    const without = lines.filter((l) => l.side !== side);
    const distanceM = Math.round((plant.widthM / 2) * 100) / 100;
    put(
      without.length < lines.length ? without : [...lines, { side, what: "path", called: "", distanceM, upToM: null }],
    );
  };
  const set = (side: Side, more: Partial<Line>): void =>
    put(lines.map((l) => (l.side === side ? { ...l, ...more } : l)));
  return (
    <>
      <LengthInput
        label="Wanted width"
        value={plant.goal.widthM}
        bounds={BOUNDS.widthM}
        hint="Leave empty where its width is its own affair."
        onChange={(widthM) => onPlant({ ...plant, goal: { ...plant.goal, widthM } })}
      />
      <Chips
        label="To be kept clear, seen from the front of the bed"
        options={PLANT_SIDES.map((s) => ({ value: s, label: SIDE_LABELS[s] }))}
        chosen={(s) => lines.some((l) => l.side === s)}
        onPress={toggle}
      />
      {lines.map((l) => (
        <div key={l.side} role="group" aria-label={`${SIDE_LABELS[l.side]}: what is kept clear`}>
          <OneOf
            label={`${SIDE_LABELS[l.side]}: what for`}
            value={l.what}
            options={KEPT_CLEAR.map((w) => ({ value: w, label: KEPT_LABELS[w] }))}
            onChange={(what) => set(l.side, { what })}
          />
          <LengthInput
            label={`${SIDE_LABELS[l.side]}: so far from its middle`}
            value={l.distanceM}
            bounds={BOUNDS.distanceM}
            required
            onChange={(distanceM) => distanceM !== null && set(l.side, { distanceM })}
          />
          <LengthInput
            label={`${SIDE_LABELS[l.side]}: up to a height`}
            value={l.upToM}
            bounds={BOUNDS.heightM}
            hint="Leave empty for all the way up."
            onChange={(upToM) => set(l.side, { upToM })}
          />
        </div>
      ))}
    </>
  );
}
