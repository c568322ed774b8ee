/** How long a task takes: from the gardener's own log, else by size. */
import type { PlainDate } from "../calendar/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import type { Plant, Task } from "../model/index.ts";

/** WorkMinutes for a square metre of the plant's outline seen from the front, and for setting up and clearing away. From memory of practice. */
const MINUTES_PER_M2: Readonly<Record<Task, number>> = {
  "dead-only": 2.5,
  deadhead: 8,
  tip: 5,
  shape: 6,
  thin: 5,
  renovate: 7,
  "hard-cutback": 5,
  "reduce-for-wind": 3,
  shear: 3,
  candle: 12,
  lift: 3,
  "thin-suckers": 4,
  leave: 0,
};
const SET_UP_MINUTES = 5;
/**
 * How minutes differ from those by size, as standard deviations of their logarithm (ours): between gardeners, between
 * jobs of one gardener, and from one time to the next. Without any log eight jobs of ten take 0.6 to 1.7 times as long.
 */
export const MINUTES_DOUBT = { hands: 0.3, job: 0.2, again: 0.2 } as const;
/** Half of eight in ten, in standard deviations. */
const HALF_RANGE_SDS = 1.2816;

/** Minutes that work takes: low, usual, high, and where they are from. */
export interface WorkMinutes {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
  /** From the gardener's own log of this plant, by size at the pace of all that was logged, or by size alone. */
  readonly from: "log" | "pace" | "size";
}

/** A gardener's pace beside the usual one: logarithm of the ratio, its variance, and how many logged visits tell of it. */
interface WorkPace {
  readonly mean: number;
  readonly variance: number;
  readonly visits: number;
}

/** Minutes at the plant by its size, without setting up. */
const bySize = (model: GardenModel, plant: Plant, task: Task, on: PlainDate): number =>
  MINUTES_PER_M2[task] * heightOf(model, plant, on).heightM * plant.widthM;

const PACES = new WeakMap<GardenModel, Map<PlainDate, WorkPace>>();
/** The gardener's pace by every visit that was timed up to a day; hedges are timed by their faces. */
function paceOn(model: GardenModel, on: PlainDate): WorkPace {
  let known = PACES.get(model);
  if (!known) PACES.set(model, (known = new Map<PlainDate, WorkPace>()));
  const met = known.get(on);
  if (met) return met;
  const hedged = new Set(model.garden.hedges.map((h) => h.plantId));
  const logs = model.garden.visits.flatMap((v) => {
    if (v.minutes === null || v.minutes <= SET_UP_MINUTES || v.on > on || hedged.has(v.plantId)) return [];
    const work = bySize(model, model.plant(v.plantId), v.task, v.on);
    return work > 0 ? [Math.log((v.minutes - SET_UP_MINUTES) / work)] : [];
  });
  const { hands, job, again } = MINUTES_DOUBT;
  const each = job ** 2 + again ** 2;
  const weight = logs.length / each + 1 / hands ** 2;
  const pace = { mean: logs.reduce((s, x) => s + x, 0) / each / weight, variance: 1 / weight, visits: logs.length };
  known.set(on, pace);
  return pace;
}

/** How long a task takes at a plant: what was logged for it, else by the size of its outline at the gardener's pace. */
export function minutesFor(model: GardenModel, plant: Plant, task: Task, on: PlainDate): WorkMinutes {
  const logged = model
    .visitsOf(plant.id)
    .flatMap((v) => (v.task === task && v.minutes !== null && v.minutes > 0 && v.on <= on ? [v.minutes] : []))
    .sort((a, b) => a - b);
  if (logged.length > 0) {
    const usual = logged[Math.floor(logged.length / 2)]!;
    return { low: Math.min(logged[0]!, usual * 0.8), usual, high: Math.max(logged.at(-1)!, usual * 1.25), from: "log" };
  }
  if (task === "leave") return { low: 0, usual: 0, high: 0, from: "size" };
  const pace = paceOn(model, on);
  const work = bySize(model, plant, task, on) * Math.exp(pace.mean);
  const { job, again } = MINUTES_DOUBT;
  const times = Math.exp(HALF_RANGE_SDS * Math.sqrt(pace.variance + job ** 2 + again ** 2));
  return {
    low: SET_UP_MINUTES + work / times,
    usual: SET_UP_MINUTES + work,
    high: SET_UP_MINUTES + work * times,
    from: pace.visits > 0 ? "pace" : "size",
  };
}
