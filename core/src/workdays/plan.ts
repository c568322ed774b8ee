/** The plan of work: jobs given their half-days, what is left undone and what would make it fit, what was moved and why. */
import { addDays, daysBetween, type PlainDate } from "../calendar/index.ts";
import type { Catalogue } from "../catalogue/index.ts";
import { openGarden, type GardenModel } from "../garden/index.ts";
import { HALVES, type Garden, type Half } from "../model/index.ts";
import type { Reason } from "../advice/index.ts";
import type { Days, Minutes } from "../units/index.ts";
import { WORKDAY_ASSUMPTIONS } from "./assumptions.ts";
import type { InHalf } from "./dayRun.ts";
import { costOf, minutesAt, type Arrangement, type FitProblem } from "./fit.ts";
import { halfDayOf, halfDaysOf, type Closed, type HalfDay } from "./halfDays.ts";
import { jobPrice, whyClosed } from "./jobPrice.ts";
import type { Job } from "./job.ts";
import { jobsOf } from "./jobs.ts";
import { problemOf } from "./problem.ts";

/** What a plan of work is asked for. */
export interface WorkPlanAsked {
  readonly garden: Garden;
  readonly on: PlainDate;
  readonly days: Days;
  /** Minutes there are right now, on this half of the day, from this minute of it on. */
  readonly now: { readonly half: Half; readonly minutes: Minutes; readonly startMin: Minutes } | null;
}
/** Jobs and half-days with the problem that they make. */
export interface WorkPlanParts {
  readonly on: PlainDate;
  /** The last day that is looked at. */
  readonly until: PlainDate;
  readonly jobs: readonly Job[];
  readonly halves: readonly HalfDay[];
  readonly problem: FitProblem;
}
/** A plan of work. */
export interface WorkPlan extends WorkPlanParts {
  readonly arrangement: Arrangement;
  /** How much better an arrangement could still be, as a share; 0: none is. */
  readonly gap: number;
  /** What the best arrangement comes to with nothing fixed by hand; null: nothing is. */
  readonly freeTotal: number | null;
}

const byTime = (a: HalfDay, b: HalfDay): number =>
  daysBetween(b.on, a.on) || HALVES.indexOf(a.half) - HALVES.indexOf(b.half);

/** The half-days that a plan is made for; those of right now among them. */
export function halvesFor(model: GardenModel, { on, days, now }: Omit<WorkPlanAsked, "garden">): readonly HalfDay[] {
  const usual = halfDaysOf(model, on, days);
  if (now === null) return usual;
  const today = halfDayOf(model, on, now.half, { minutes: now.minutes, helpers: 0 });
  // Who has time now has looked out of the window.
  const { minutes, startMin } = now;
  const open: HalfDay = {
    ...today,
    minutes,
    handsMinutes: minutes,
    startMin,
    endMin: startMin + minutes,
    closed: null,
  };
  return [open, ...usual.filter((h) => h.id !== open.id)].toSorted(byTime);
}

/** Opens the garden and writes down what is to be fitted. */
export function workPlanParts(asked: WorkPlanAsked, catalogue: Catalogue): WorkPlanParts {
  const model = openGarden(asked.garden, catalogue);
  const { on } = asked;
  const halves = halvesFor(model, asked);
  const jobs = jobsOf(model, on, asked.days);
  return { on, until: addDays(on, asked.days - 1), jobs, halves, problem: problemOf(model, jobs, halves) };
}

/** The same problem with nothing fixed by hand; null where nothing is. */
export const freed = (p: FitProblem): FitProblem | null =>
  p.jobs.some((j) => j.fixed !== null) ? { ...p, jobs: p.jobs.map((j) => ({ ...j, fixed: null })) } : null;
/** How much more a plan costs than it would with nothing fixed by hand; 0 where nothing is. */
export const costOfFixing = (plan: WorkPlan): number =>
  plan.freeTotal === null ? 0 : Math.max(0, costOf(plan.problem, plan.arrangement).total - plan.freeTotal);

/** The jobs of a half-day in a plan. */
export const inHalf = (plan: WorkPlan, half: number): readonly InHalf[] =>
  plan.jobs.flatMap((job, i) => {
    const pieces = plan.arrangement[i]![half] ?? 0;
    return pieces > 0 ? [{ job, pieces, minutes: minutesAt(plan.problem.jobs[i]!, pieces) }] : [];
  });

/** What would let a job fit that is left undone. */
export type WouldFit =
  /** So many minutes more on a half-day. */
  | { readonly by: "minutes"; readonly half: HalfDay; readonly more: Minutes; readonly gain: number }
  /** It is open only after the last day that is looked at: it waits, and nothing is lost. */
  | { readonly by: "later"; readonly on: PlainDate }
  /** A half-day on that day: none of those there are lies in its days. */
  | { readonly by: "day"; readonly on: PlainDate; readonly minutes: Minutes }
  /** Nothing: every day is closed for it. */
  | { readonly by: "nothing"; readonly reason: Reason | null };
/** A job of which something is left undone. */
export interface LeftUndone {
  readonly job: Job;
  /** Pieces that are left, of its pieces. */
  readonly pieces: number;
  readonly cost: number;
  readonly fits: WouldFit;
}

/** Days of a job are looked through for one that is open, so far apart. */
const EVERY: Days = 3;
const MOST_LOOKS = 30;

/** The least dear day of a job's days on which it is open, from today on. */
function openDay(model: GardenModel, job: Job, on: PlainDate): PlainDate | null {
  let best: { readonly on: PlainDate; readonly harm: number } | null = null;
  for (let i = 0, day = job.from; day <= job.until && i < MOST_LOOKS; i++, day = addDays(day, EVERY)) {
    if (day < on) continue;
    const { harm } = jobPrice(model, job, day);
    if (harm !== null && (best === null || harm < best.harm - 1e-6)) best = { on: day, harm };
  }
  return best?.on ?? null;
}

function wouldFit(model: GardenModel, plan: WorkPlan, i: number): WouldFit {
  const { problem: p, halves } = plan;
  const [job, fit] = [plan.jobs[i]!, p.jobs[i]!];
  const used = costOf(p, plan.arrangement).minutes;
  const needs = minutesAt(fit, 1);
  const short = halves.flatMap((half, h) => {
    const cost = fit.cost[h];
    // A day that costs more than leaving it is no help.
    return cost == null || cost > fit.undone + 1e-9
      ? []
      : [{ half, more: Math.max(0, used[h]! + needs - p.minutes[h]!), gain: fit.undone - cost }];
  });
  if (short.length > 0) {
    const least = short.reduce((a, b) => (b.more < a.more ? b : a));
    return { by: "minutes", ...least };
  }
  const day = openDay(model, job, plan.on);
  if (day !== null && day > plan.until) return { by: "later", on: day };
  if (day !== null) return { by: "day", on: day, minutes: job.minutes.usual };
  return { by: "nothing", reason: whyClosed(model, job, job.from < plan.on ? plan.on : job.from) };
}

/** What a plan leaves undone, the dearest first. */
export const leftUndone = (model: GardenModel, plan: WorkPlan): readonly LeftUndone[] =>
  plan.jobs
    .flatMap((job, i): LeftUndone[] => {
      const left = job.pieces - plan.arrangement[i]!.reduce((s, n) => s + n, 0);
      if (left <= 0) return [];
      return [{ job, pieces: left, cost: (job.undone * left) / job.pieces, fits: wouldFit(model, plan, i) }];
    })
    .toSorted((a, b) => b.cost - a.cost);

/** A kept job that lies on another half-day now, or on none, and why. */
export interface MovedJob {
  readonly job: Job;
  readonly from: { readonly on: PlainDate; readonly half: Half };
  readonly to: HalfDay | null;
  readonly why:
    | { readonly by: "weather"; readonly closed: Closed }
    | { readonly by: "answer"; readonly reason: Reason | null }
    | { readonly by: "no-time" }
    /** The other day costs so much less in all. */
    | { readonly by: "price"; readonly saves: number };
}

/** What the day itself closes is told before what gave way to it. */
const TOLD: readonly MovedJob["why"]["by"][] = ["weather", "answer", "price", "no-time"];
/** What a plan moves of the jobs that were kept on a half-day, with what changed. */
export const movedJobs = (model: GardenModel, plan: WorkPlan): readonly MovedJob[] =>
  plan.jobs
    .flatMap((job, i): MovedJob[] => {
      const kept = job.due.plan;
      if (kept?.half == null || kept.fixed || kept.on < plan.on) return [];
      const was = plan.halves.findIndex((h) => h.on === kept.on && h.half === kept.half);
      const at = plan.arrangement[i]!.findIndex((n) => n > 0);
      if (at === was && at >= 0) return [];
      const base = { job, from: { on: kept.on, half: kept.half }, to: at < 0 ? null : plan.halves[at]! };
      const half = plan.halves[was];
      if (half?.closed) return [{ ...base, why: { by: "weather", closed: half.closed } }];
      if (jobPrice(model, job, kept.on).harm === null)
        return [{ ...base, why: { by: "answer", reason: whyClosed(model, job, kept.on) } }];
      if (!half) return [{ ...base, why: { by: "no-time" } }];
      const fit = plan.problem.jobs[i]!;
      const saves = (fit.cost[was] ?? fit.undone) - (at < 0 ? fit.undone : fit.cost[at]!);
      return [{ ...base, why: saves > WORKDAY_ASSUMPTIONS.stepPrice ? { by: "price", saves } : { by: "no-time" } }];
    })
    .toSorted((a, b) => TOLD.indexOf(a.why.by) - TOLD.indexOf(b.why.by));

/** The plan with a job put on another half-day by hand, before anything else is fitted anew: its price is there at once. */
export function withMoved(
  plan: WorkPlan,
  jobId: string,
  half: number,
): { readonly plan: WorkPlan; readonly dearer: number } {
  const i = plan.jobs.findIndex((j) => j.id === jobId);
  const { pieces } = plan.jobs[i]!;
  const arrangement = plan.arrangement.map((row, k) => (k === i ? row.map((_, h) => (h === half ? pieces : 0)) : row));
  const price = (a: Arrangement): number => costOf(plan.problem, a).total;
  return { plan: { ...plan, arrangement }, dearer: price(arrangement) - price(plan.arrangement) };
}
