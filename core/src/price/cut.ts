/** A cut on the cycles of a plant: where the days of a year stand in them, and how deep into its wood the cut goes. */
import type { Taxon } from "../catalogue/index.ts";
import { turnsBy, YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import type { Task } from "../model/index.ts";
import type { PlantYear } from "../phenology/index.ts";
import { clampShare, type Share } from "../units/index.ts";
import type { PricedCut } from "./displays.ts";

/** Days of the year that stand in one cycle of the plant: on day t it is day t + ahead of the cycle that began with waking. */
interface CycleRun {
  readonly from: number;
  readonly to: number;
  readonly ahead: number;
}

/** A cut that is priced, and the cycles its year runs through. */
export interface Cut extends PricedCut {
  readonly runs: readonly CycleRun[];
}

/** The year begins in the cycle that the last waking opened, and goes over into the next. */
export function cycleRuns(y: PlantYear): readonly CycleRun[] {
  const ahead = -YEAR_DAYS * turnsBy(-y.wakes.day);
  const edge = Math.min(YEAR_DAYS, Math.ceil(y.wakes.day + YEAR_DAYS - ahead));
  return [
    { from: 0, to: edge, ahead },
    { from: edge, to: YEAR_DAYS, ahead: ahead - YEAR_DAYS },
  ];
}

/** Writes a value on the days whose day of the cycle lies between two (both counted). */
export function fillCycle(
  out: Float32Array | Uint8Array,
  runs: readonly CycleRun[],
  first: SeasonDay,
  last: SeasonDay,
  value: number,
): void {
  for (const r of runs) {
    const from = Math.max(r.from, Math.ceil(first - r.ahead));
    const to = Math.min(r.to, Math.floor(last - r.ahead) + 1);
    if (from < to) out.fill(value, from, to);
  }
}

/** How far a task cuts into the bare wood of an evergreen, whose answer is slow to come and bared to the frost. */
export const intoBareEvergreen = (t: Taxon, task: Task): Share =>
  t.leaf === "evergreen" && t.group !== "subshrub" ? (INTO_WOOD[task] ?? 0) : 0;
/** How far a task throws the spring flush of a kind away that keeps its leaves, or loses nothing else in leaf. */
export const throwsFlush = (t: Taxon, task: Task): Share =>
  t.inLeafCost === 0 ? (INTO_WOOD[task] ?? 0) : intoBareEvergreen(t, task);
const INTO_WOOD: Readonly<Partial<Record<Task, Share>>> = { "hard-cutback": 1, renovate: 0.6 };

/** Between the end of growth and dormancy ever fewer cuts are answered. */
export function answered(y: PlantYear, u: SeasonDay): Share {
  if (u <= y.stops.day) return 1;
  const asleep = clampShare((u - y.stops.day) / Math.max(1, y.dormant.day - y.stops.day));
  return 1 - asleep;
}
