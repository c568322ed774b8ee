/** One press for what is seen at the plant, on any day: it moves its dates, or opens what waited for it. */
import { looksOn, type Look, type Observation, type Opening, type Plant, type Task } from "@wren/core";
import { today } from "../data/clock.ts";
import { useDay } from "../state/day.tsx";
import { seenDay } from "../state/edits.ts";
import { useGarden } from "../state/garden.tsx";
import { useSeen } from "../state/useSeen.ts";
import { useVoice } from "../state/voice.ts";

interface Press {
  readonly label: string;
  readonly seen: Pick<Observation, "kind" | "where" | "lookedFor">;
}
const seen = (kind: Observation["kind"], where: Observation["where"] = null): Press["seen"] => ({
  kind,
  where,
  lookedFor: null,
});
const one = (label: string, kind: Look): readonly Press[] => [{ label, seen: seen(kind) }];
const PRESSES: Readonly<Record<Look, readonly Press[]>> = {
  "growth-seen": [
    { label: "Growth at the base", seen: seen("growth-seen", "base") },
    { label: "Growth on old stems", seen: seen("growth-seen", "old-stems") },
  ],
  "first-leaf": one("First leaves", "first-leaf"),
  "candles-out": one("Candles are out", "candles-out"),
  "flush-hardened": one("New shoots are hard", "flush-hardened"),
  "leaf-fall": one("Leaves have fallen", "leaf-fall"),
  "first-flower": one("First flowers", "first-flower"),
  "in-flower": one("In flower", "in-flower"),
  "last-flower": [
    { label: "Bloom is over", seen: seen("last-flower") },
    { label: "Still in flower", seen: { kind: "not-yet", where: null, lookedFor: "last-flower" } },
  ],
  "buds-killed": one("Frost killed its buds", "buds-killed"),
  "berries-ripe": one("Berries are ripe", "berries-ripe"),
  "berries-gone": one("Berries are gone", "berries-gone"),
  "nest-empty": one("The young have flown", "nest-empty"),
  "foot-dense": one("The foot is dense", "foot-dense"),
};

interface Props {
  readonly plant: Plant;
  readonly task: Task;
  readonly opening: Opening | null;
  readonly onSeen?: () => void;
}

export function SeenToday({ plant, task, opening, onSeen }: Props) {
  const { model } = useGarden();
  const write = useSeen();
  const say = useVoice();
  const { on } = useDay();
  // Nobody sees a day to come: while one is chosen, what is asked is what stands there now.
  const day = seenDay(plant, on, today());
  const looks = looksOn(model, plant, day, task, day === on ? opening : null);
  if (looks.length === 0) return null;
  const note = async (p: Press): Promise<void> => {
    if (await write(`${plant.label}: ${p.label.toLowerCase()}`, { plantId: plant.id, on: day, ...p.seen })) onSeen?.();
  };
  const due = looks.filter((l) => l.due).flatMap((l) => PRESSES[l.look]);
  const other = looks.filter((l) => !l.due).flatMap((l) => PRESSES[l.look].filter((p) => p.seen.kind !== "not-yet"));
  const presses = (list: readonly Press[], quiet: boolean) =>
    list.map((p) => (
      <button
        key={p.label}
        type="button"
        className={quiet ? "press press-plain" : "press"}
        onClick={() => void note(p)}
      >
        {p.label}
      </button>
    ));
  return (
    <div role="group" aria-label="Seen today" className="answer-part">
      <h3 className="strong">What do you see{day === today() ? " today" : ` on ${say.date(day)}`}?</h3>
      <div className="presses">{presses(due, false)}</div>
      {other.length > 0 && (
        <div className="presses seen-other">
          <span className="quiet small">{due.length > 0 ? "Or, out of its time:" : "Out of its time:"}</span>
          {presses(other, true)}
        </div>
      )}
    </div>
  );
}
