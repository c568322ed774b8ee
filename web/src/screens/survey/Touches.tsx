/** What stands near the plant or touches it, and how far a power line is. */
import { BOUNDS, TOUCHED, type Plant } from "@wren/core";
import { Chips, OneOf } from "../../ui/Chips.tsx";
import { Section } from "../../ui/Section.tsx";
import { KEPT_LABELS } from "../../words/labels.ts";
import { LengthInput } from "./LengthInput.tsx";

const TOUCH_DISTANCES = [
  { value: "0", label: "touches" },
  { value: "0.3", label: "a foot away" },
  { value: "1", label: "a step away" },
] as const;
export function Touches({ plant, onPlant }: { readonly plant: Plant; readonly onPlant: (p: Plant) => void }) {
  const toggle = (what: (typeof TOUCHED)[number]): void => {
    const without = plant.touches.filter((t) => t.what !== what);
    onPlant({
      ...plant,
      touches: without.length < plant.touches.length ? without : [...plant.touches, { what, distanceM: 0 }],
    });
  };
  const setDistance = (what: string, distanceM: number): void =>
    onPlant({ ...plant, touches: plant.touches.map((t) => (t.what === what ? { ...t, distanceM } : t)) });
  return (
    <Section title="What is near it?">
      <Chips
        label="Near or touching"
        options={TOUCHED.map((t) => ({ value: t, label: KEPT_LABELS[t] }))}
        chosen={(t) => plant.touches.some((x) => x.what === t)}
        onPress={toggle}
      />
      {plant.touches.map((t) => (
        <OneOf
          key={t.what}
          label={KEPT_LABELS[t.what]}
          value={TOUCH_DISTANCES.find((d) => Number(d.value) === t.distanceM)?.value ?? null}
          options={TOUCH_DISTANCES}
          onChange={(d) => setDistance(t.what, Number(d))}
        />
      ))}
      <LengthInput
        label="Nearest power line"
        value={plant.powerLineM}
        bounds={BOUNDS.powerLineM}
        hint="Leave empty if none is near. Within 3 m it is not yours to cut."
        onChange={(powerLineM) => onPlant({ ...plant, powerLineM })}
      />
    </Section>
  );
}
