/** Jobs and half-days as the numbers that the fitting works on. */
import { daysBetween } from "../calendar/index.ts";
import type { GardenModel } from "../garden/index.ts";
import type { Minutes } from "../units/index.ts";
import { WORKDAY_ASSUMPTIONS } from "./assumptions.ts";
import type { FitProblem } from "./fit.ts";
import type { HalfDay } from "./halfDays.ts";
import { CLOSED, jobPrice, type JobPrice } from "./jobPrice.ts";
import type { Job } from "./job.ts";

/** What a job costs in a half-day: the price of the day, and a little for a day that may be lost, or is another than was kept. */
export interface JobCost extends JobPrice {
  readonly putOff: number;
  /** It was kept for another half-day. */
  readonly moved: number;
  /** All of it; null: closed. */
  readonly total: number | null;
}

/** The cost of a job in a half-day. */
export function jobCost(model: GardenModel, job: Job, half: Pick<HalfDay, "on" | "half" | "lostOdds">): JobCost {
  const a = WORKDAY_ASSUMPTIONS;
  const inDays = half.on >= job.from && half.on <= job.until;
  const price = inDays ? jobPrice(model, job, half.on) : CLOSED;
  // A look is taken in any weather.
  const putOff = job.task === null ? 0 : half.lostOdds * a.putOff;
  const kept = job.due.plan;
  const moved = kept !== null && kept.half !== null && (kept.on !== half.on || kept.half !== half.half) ? a.moved : 0;
  return { ...price, putOff, moved, total: price.harm === null ? null : price.harm + putOff + moved };
}

/** Nobody knows minutes to the minute: they are fitted in steps. */
const toStep = (m: Minutes): Minutes =>
  Math.max(1, Math.ceil(m / WORKDAY_ASSUMPTIONS.stepMinutes)) * WORKDAY_ASSUMPTIONS.stepMinutes;

/** Nor a price to the thousandth: of what differs by less, either will do. @param pieces each of which has its part */
const toPrice = (x: number, pieces: number): number => {
  const step = WORKDAY_ASSUMPTIONS.stepPrice * pieces;
  return Math.round(x / step) * step;
};

/** The half-day a plan was fixed to; null: none, or one that is not among them. */
function fixedAt(job: Job, halves: readonly HalfDay[]): number | null {
  const plan = job.due.plan;
  if (plan?.fixed !== true) return null;
  const at = halves.findIndex((h) => h.on === plan.on && (plan.half === null || h.half === plan.half));
  return at < 0 ? null : at;
}

/** Half-days after each other without a night's rest and a day between them. */
const follow = (a: HalfDay, b: HalfDay): boolean =>
  daysBetween(a.on, b.on) === 0 || (daysBetween(a.on, b.on) === 1 && a.half === "afternoon" && b.half === "morning");

/** The problem that jobs and half-days make. */
export function problemOf(model: GardenModel, jobs: readonly Job[], halves: readonly HalfDay[]): FitProblem {
  const at = new Map(jobs.map((j, i) => [j.id, i]));
  const { stepMinutes } = WORKDAY_ASSUMPTIONS;
  const { easy } = model.garden.rules.time;
  return {
    jobs: jobs.map((j) => ({
      pieces: j.pieces,
      pieceMinutes: toStep(j.minutes.usual / j.pieces),
      setUpMinutes: j.pieces > 1 ? WORKDAY_ASSUMPTIONS.setUpMinutes : 0,
      cost: halves.map((h) => {
        const total = h.closed ? null : jobCost(model, j, h).total;
        return total === null ? null : toPrice(total, j.pieces);
      }),
      undone: toPrice(j.undone, j.pieces),
      heavy: j.heavy,
      after: j.after.map((id) => at.get(id)!),
      fixed: fixedAt(j, halves),
    })),
    minutes: halves.map((h) => Math.floor(h.handsMinutes / stepMinutes) * stepMinutes),
    pairs: easy
      ? halves.flatMap((h, i) => (halves[i + 1] && follow(h, halves[i + 1]!) ? [[i, i + 1] as const] : []))
      : [],
    heavyFrom: WORKDAY_ASSUMPTIONS.heavyMinutes,
  };
}
