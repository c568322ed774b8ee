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
/** Hands differ by this much. */
const HANDS = [0.6, 1.7] as const;

/** Minutes that work takes: low, usual, high, and where they are from. */
export interface WorkMinutes {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
  /** From the gardener's own log of this plant, or by size and task. */
  readonly from: "log" | "size";
}

/** How long a task takes at a plant: what was logged for it, else by the size of its outline. */
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
  const area = heightOf(model, plant, on).heightM * plant.widthM;
  const work = MINUTES_PER_M2[task] * area;
  return {
    low: SET_UP_MINUTES + HANDS[0] * work,
    usual: SET_UP_MINUTES + work,
    high: SET_UP_MINUTES + HANDS[1] * work,
    from: "size",
  };
}
