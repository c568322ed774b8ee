/** How long a task takes: from the gardener's own log, else by size. */
import { addDays, type PlainDate } from "../calendar/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import {
  EIGHTY_SDS as HALF_RANGE_SDS,
  LEARNING_PRIORS,
  sifted,
  type Normal,
  type Sifted,
  type Told,
} from "../learning/index.ts";
import type { Plant, Task, Visit } from "../model/index.ts";

/** Minutes for a square metre of the plant's outline seen from the front, and for setting up and clearing away. From memory of practice. */
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
 * jobs of one gardener, and from one time to the next. Without any log eight jobs of ten take 0.57 to 1.74 times as long.
 */
export const MINUTES_DOUBT = { hands: 0.25, job: 0.25, again: 0.25 } as const;
/** Minutes that work takes: low, usual, high, and where they are from. */
export interface WorkMinutes {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
  /** From the gardener's own log of this job, by size at the pace of all that was logged, or by size alone. */
  readonly from: "log" | "pace" | "size";
}

/** A visit that was timed, as the logarithm of its minutes over those by size. */
export interface TimeTold extends Told {
  readonly visitId: string;
  readonly plantId: string;
  readonly task: Task;
  readonly by: string;
  readonly on: PlainDate;
  readonly minutes: number;
  /** Minutes by size alone, setting up included. */
  readonly bySize: number;
  readonly sure: boolean;
}
/** What was learnt of minutes up to a day: of a pair of hands, and of a job. */
export interface MinutesTaught extends Sifted<TimeTold> {
  readonly hands: (by: string) => Normal;
  readonly job: (plantId: string, task: Task) => Normal;
}
/** Names under which what was learnt of minutes is set aside. */
export const minutesOfHands = (by: string): string => `minutes:hands:${by}`;
export const minutesOfJob = (plantId: string, task: Task): string => `minutes:${plantId}:${task}`;

/** Minutes of a task by the size of the plant, setting up and clearing away included. */
const bySize = (model: GardenModel, plant: Plant, task: Task, on: PlainDate): number =>
  SET_UP_MINUTES + MINUTES_PER_M2[task] * heightOf(model, plant, on).heightM * plant.widthM;

const handsPart = (by: string): string => `hands ${by}`;
/** A hedge is as long as it is, whatever its outline: its log tells of itself, and nothing of the hands. */
const isHedge = (model: GardenModel, plantId: string): boolean =>
  model.garden.hedges.some((h) => h.plantId === plantId);
const jobPart = (plantId: string, task: Task): string => `${plantId} ${task}`;

const TAUGHT = new WeakMap<GardenModel, Map<number, MinutesTaught>>();
/** What every visit that was timed up to a day tells of minutes. */
export function minutesTaught(model: GardenModel, on: PlainDate): MinutesTaught {
  const timed = timedVisits(model);
  // Between two visits nothing changes.
  let count = 0;
  while (count < timed.length && timed[count]!.on <= on) count++;
  let known = TAUGHT.get(model);
  if (!known) TAUGHT.set(model, (known = new Map<number, MinutesTaught>()));
  const met = known.get(count);
  if (met) return met;
  const told = timed.slice(0, count).map((v): TimeTold => {
    // As it stood before the cut: what was left of it was not the work.
    const usual = bySize(model, model.plant(v.plantId), v.task, addDays(v.on, -1));
    return {
      visitId: v.id,
      plantId: v.plantId,
      task: v.task,
      by: v.by,
      on: v.on,
      minutes: v.minutes!,
      bySize: usual,
      sure: v.sure,
      value: Math.log(v.minutes! / usual),
      sd: MINUTES_DOUBT.again,
      shared: isHedge(model, v.plantId) ? [] : [handsPart(v.by)],
      own: jobPart(v.plantId, v.task),
    };
  });
  const { hands, job } = MINUTES_DOUBT;
  const alone = new Set(told.filter((t) => t.shared.length === 0).map((t) => t.own));
  const own = (name: string): number => (alone.has(name) ? Math.hypot(hands, job) : job);
  const all = sifted(told, { shared: () => hands, own }, (t) => t.sure);
  const taught: MinutesTaught = {
    ...all,
    hands: (by) => all.parts.shared(handsPart(by)),
    job: (plantId, task) => all.parts.own(jobPart(plantId, task)),
  };
  known.set(count, taught);
  return taught;
}

const TIMED = new WeakMap<GardenModel, readonly Visit[]>();
function timedVisits(model: GardenModel): readonly Visit[] {
  let timed = TIMED.get(model);
  if (!timed) {
    timed = model.garden.visits
      .filter((v) => v.minutes !== null && v.minutes > 0 && v.task !== "leave")
      .toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
      .slice(0 - LEARNING_PRIORS.newest.visits);
    TIMED.set(model, timed);
  }
  return timed;
}

/**
 * How long a task takes at a plant, in the gardener's own hands: by the size of its outline, at the pace of all that was
 * logged, and as this very job was found to go.
 */
export function minutesFor(model: GardenModel, plant: Plant, task: Task, on: PlainDate): WorkMinutes {
  if (task === "leave") return { low: 0, usual: 0, high: 0, from: "size" };
  const { aside } = model.taught;
  const taught = minutesTaught(model, on);
  const { hands, job, again } = MINUTES_DOUBT;
  const jobAside = aside.has(minutesOfJob(plant.id, task));
  const handsAside = aside.has(minutesOfHands(""));
  const own = !jobAside && taught.used.some((t) => t.plantId === plant.id && t.task === task);
  const shared = own && isHedge(model, plant.id) ? [] : [handsPart("")];
  // A part that is set aside is as little known as before anything was logged.
  const byHands: Normal = handsAside ? { mean: 0, sd: hands } : taught.hands("");
  const byJob: Normal = jobAside ? { mean: 0, sd: job } : taught.job(plant.id, task);
  const known: Normal =
    shared.length === 0 || !(jobAside || handsAside)
      ? taught.parts.sum(shared, jobPart(plant.id, task))
      : { mean: byHands.mean + byJob.mean, sd: Math.hypot(byHands.sd, byJob.sd) };
  const usual = bySize(model, plant, task, on) * Math.exp(known.mean);
  const times = Math.exp(HALF_RANGE_SDS * Math.hypot(known.sd, again));
  return {
    low: usual / times,
    usual,
    high: usual * times,
    from: own ? "log" : taught.used.length > 0 && !handsAside ? "pace" : "size",
  };
}
