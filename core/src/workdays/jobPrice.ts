/** What a job costs on a day: the day's harm beside that of its best day, with its parts; or why it is closed. */
import { adviseOn, kindYearFor, verdictFor, type Reason } from "../advice/index.ts";
import { addDays, YEAR_DAYS, type PlainDate, type SeasonDay } from "../calendar/index.ts";
import type { GardenModel } from "../garden/index.ts";
import { hedgeStands, hedgeTrims, trimsOn, type HedgeTrims } from "../hedges/index.ts";
import { VERDICT_TABLE, type Task } from "../model/index.ts";
import { harmPartsOn, type HarmPart, type KindYear } from "../price/index.ts";
import type { Days } from "../units/index.ts";
import type { Job } from "./job.ts";

/** The price of a job on a day, in years' flowers. */
export interface JobPrice {
  /** What the day costs over the best day of the year; null: it is closed for the job. */
  readonly harm: number | null;
  /** Of that: flowers, frost and so on, as they stand on the day; out of line: a hedge trimmed on another day than its own. */
  readonly parts: Readonly<Record<HarmPart | "unavoidable" | "outOfLine", number>>;
}

const NONE = {
  flowers: 0,
  frost: 0,
  regrowth: 0,
  again: 0,
  reserves: 0,
  standsOpen: 0,
  heat: 0,
  untold: 0,
  unavoidable: 0,
  outOfLine: 0,
};
/** A day on which the job may not be done. */
export const CLOSED: JobPrice = { harm: null, parts: NONE };

/** The harm of the year's best day: no day is better, so nobody is charged for it. */
function leastOf({ prices, open }: KindYear): number {
  let least = Infinity;
  for (let d = 0; d < YEAR_DAYS; d++) if (open[d] === 1 && prices.harm[d]! < least) least = prices.harm[d]!;
  return Number.isFinite(least) ? least : 0;
}

/** A hedge's trims, looked up once for its job. */
const TRIMS = new WeakMap<Job, HedgeTrims>();
/** What it costs a hedge to be trimmed on a day in place of the nearest of its own days. */
function outOfLine(model: GardenModel, job: Job, on: PlainDate, day: SeasonDay): number {
  const hedge = model.garden.hedges.find((h) => h.plantId === job.plantId)!;
  let trims = TRIMS.get(job);
  if (!trims) TRIMS.set(job, (trims = hedgeTrims(model, hedgeStands(model, hedge, on), on)));
  const plan = trims.plans[trims.count - 1] ?? trims.plans[0];
  if (!plan) return 0;
  const far = (d: SeasonDay): number => Math.min(Math.abs(d - day), YEAR_DAYS - Math.abs(d - day));
  const own = plan.days.reduce((a, b) => (far(b) < far(a) ? b : a));
  const moved = trimsOn(
    trims.year,
    plan.days.map((d) => (d === own ? day : d)).toSorted((a, b) => a - b),
  );
  return Math.max(0, moved.shaggy - plan.shaggy);
}

const mayGo = (model: GardenModel, plantId: string, task: Task, on: PlainDate, meant: boolean): boolean => {
  const verdict = verdictFor(model, plantId, on, task);
  // What costs flowers is priced, not forbidden; what has no need by the wish may have been planned all the same.
  return VERDICT_TABLE[verdict].go || verdict === "costs-flowers" || (verdict === "no-need" && meant);
};

/** The price of a job on a day. */
export function jobPrice(model: GardenModel, job: Job, on: PlainDate): JobPrice {
  if (job.task === null) return { harm: 0, parts: NONE };
  const meant = job.due.kind !== "window";
  if (!mayGo(model, job.plantId, job.task, on, meant)) return CLOSED;
  const kind = kindYearFor(model, model.plant(job.plantId), on, job.task);
  const day = model.season(on).seasonDay;
  const parts = {
    ...harmPartsOn(kind.prices, day),
    unavoidable: -Math.min(leastOf(kind), kind.prices.harm[day]!),
    outOfLine: job.due.kind === "trim" ? outOfLine(model, job, on, day) : 0,
  };
  const harm = Object.values(parts).reduce((s, x) => s + x, 0);
  return { harm: Math.max(0, harm), parts };
}

/** Days after the last half-day are looked through so far apart, and no more than so many of them. */
const EVERY: Days = 3;
const MOST_LOOKS = 25;
/** The least that a job costs on its days after a day; null where none of them is open. */
export function leastAfter(model: GardenModel, job: Job, last: PlainDate): number | null {
  let least: number | null = null;
  for (let i = 0, day = addDays(last, 1); day <= job.until && i < MOST_LOOKS; i++, day = addDays(day, EVERY)) {
    const { harm } = jobPrice(model, job, day);
    if (harm !== null && (least === null || harm < least)) least = harm;
  }
  return least;
}

/** Why a job is closed on a day, in the answer's own words. */
export const whyClosed = (model: GardenModel, job: Job, on: PlainDate): Reason | null =>
  job.task === null ? null : adviseOn(model, job.plantId, on, job.task).reason;
