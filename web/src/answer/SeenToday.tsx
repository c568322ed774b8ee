/** One press for what is seen at the plant: it moves its dates, or opens what waited for it. */
import { looksOn, type Advice, type Look, type Observation, type Plant } from "@wren/core";
import { today } from "../data/clock.ts";
import { useDay } from "../state/day.tsx";
import { seenDay } from "../state/edits.ts";
import { useGarden } from "../state/garden.tsx";
import { useSeen } from "../state/useSeen.ts";

interface Press {
  readonly label: string;
  readonly seen: Pick<Observation, "kind" | "where" | "lookedFor">;
}
const seen = (kind: Observation["kind"], where: Observation["where"] = null): Press["seen"] => ({
  kind,
  where,
  lookedFor: null,
});
const PRESSES: Readonly<Record<Look, readonly Press[]>> = {
  "growth-seen": [
    { label: "Growth at the base", seen: seen("growth-seen", "base") },
    { label: "Growth on old stems", seen: seen("growth-seen", "old-stems") },
  ],
  "first-flower": [{ label: "First flowers", seen: seen("first-flower") }],
  "last-flower": [
    { label: "Bloom is over", seen: seen("last-flower") },
    { label: "Still in flower", seen: { kind: "not-yet", where: null, lookedFor: "last-flower" } },
  ],
  "berries-gone": [{ label: "Berries are gone", seen: seen("berries-gone") }],
  "foot-dense": [{ label: "The foot is dense", seen: seen("foot-dense") }],
};

export function SeenToday({ plant, advice }: { readonly plant: Plant; readonly advice: Advice }) {
  const { model } = useGarden();
  const write = useSeen();
  const { on } = useDay();
  const looks = looksOn(model, plant, on, advice.task, advice.opening);
  if (looks.length === 0) return null;
  const day = seenDay(plant, on, today());
  const note = (p: Press): Promise<boolean> =>
    write(`${plant.label}: ${p.label.toLowerCase()}`, { plantId: plant.id, on: day, ...p.seen });
  return (
    <div role="group" aria-label="Seen today" className="answer-part">
      <h3 className="strong">What do you see?</h3>
      <div className="presses">
        {looks
          .flatMap((l) => PRESSES[l])
          .map((p) => (
            <button key={p.label} type="button" className="press" onClick={() => void note(p)}>
              {p.label}
            </button>
          ))}
      </div>
    </div>
  );
}
