/**
 * Trims of a year: on which days one, two or three cuts keep a hedge best, each year alike. A day's price is that of the
 * cut; between cuts a hedge stands out of line by what has grown since, over what the gardener lets pass.
 */
import { YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import type { Metres } from "../units/index.ts";

/** Ours: what a day costs on which the hedge stands a metre over its tolerance, in units of a year's flowers. */
export const SHAGGY_COST_PER_M_DAY = 0.03;
/** How far out of line is still fine, m: a formal hedge, an easy one. */
export const TOLERANCES_M = { formal: 0.03, easy: 0.1 } as const;
/** Trims nearer to each other than this are one. */
export const LEAST_APART_DAYS = 28;

/** What the days of a year are worth to a hedge. */
export interface TrimYear {
  /** Price of a trim on each season day. */
  readonly harm: ArrayLike<number>;
  /** 1 where one may be made. */
  readonly open: ArrayLike<number>;
  /** What a trimmed face has grown since the turn of the season's year by each day, m; the last entry is the year's whole. */
  readonly grownM: ArrayLike<number>;
  readonly toleranceM: Metres;
}
/** Days of a year's trims and what they amount to. */
export interface TrimPlan {
  readonly days: readonly SeasonDay[];
  /** Price of the cuts, and of standing out of line; the planner makes their sum least. */
  readonly harm: number;
  readonly shaggy: number;
  /** How far out it stands at the worst, m, and on how many days beyond its tolerance. */
  readonly worstM: Metres;
  readonly daysOver: number;
}

/** Growth on a face by a day since it was trimmed, m; a day before that is of the next turn. */
export function sinceTrim(y: Pick<TrimYear, "grownM">, trimmed: SeasonDay, day: SeasonDay): Metres {
  const all = y.grownM[YEAR_DAYS - 1]!;
  const at = y.grownM[day]! - y.grownM[trimmed]!;
  return day >= trimmed ? at : all + at;
}

/** Metre-days beyond the tolerance from each trim to each day after it, up to a year on: over[a][n] of n days. */
function overdue(y: TrimYear, trimmed: SeasonDay): Float64Array {
  const out = new Float64Array(YEAR_DAYS + 1);
  for (let n = 1; n <= YEAR_DAYS; n++) {
    const day = (trimmed + n - 1) % YEAR_DAYS;
    out[n] = out[n - 1]! + Math.max(0, sinceTrim(y, trimmed, day) - y.toleranceM);
  }
  return out;
}

/** What a set of days amounts to, whoever chose them. @param days in order */
export function trimsOn(y: TrimYear, days: readonly SeasonDay[]): TrimPlan {
  let [shaggy, worstM, daysOver] = [0, 0, 0];
  for (let day = 0; day < YEAR_DAYS; day++) {
    const last = days.findLast((d) => d <= day) ?? days.at(-1)!;
    const out = sinceTrim(y, last, day);
    worstM = Math.max(worstM, out);
    if (out > y.toleranceM + 1e-9) daysOver++;
    shaggy += Math.max(0, out - y.toleranceM) * SHAGGY_COST_PER_M_DAY;
  }
  return { days, harm: days.reduce((s, d) => s + y.harm[d]!, 0), shaggy, worstM, daysOver };
}

/**
 * The days of so many trims that cost least in all, the same every year: exact, by the best last day before each day.
 * @returns null where the open days do not hold so many
 */
export function planTrims(y: TrimYear, count: number): TrimPlan | null {
  const open = Array.from({ length: YEAR_DAYS }, (_, d) => d).filter((d) => y.open[d] === 1);
  const over = new Map(open.map((d) => [d, overdue(y, d)]));
  const between = (a: SeasonDay, b: SeasonDay): number => over.get(a)![b - a]! * SHAGGY_COST_PER_M_DAY;
  let best: { readonly cost: number; readonly days: readonly SeasonDay[] } | null = null;
  for (const first of open) {
    // The least cost of the trims up to each day, and by which days.
    let layer = new Map([[first, { cost: y.harm[first]!, days: [first] }]]);
    for (let k = 1; k < count; k++) {
      const next: typeof layer = new Map();
      for (const day of open) {
        let least: { cost: number; days: number[] } | null = null;
        for (const [before, way] of layer) {
          if (day - before < LEAST_APART_DAYS) continue;
          const cost = way.cost + between(before, day) + y.harm[day]!;
          if (least === null || cost < least.cost) least = { cost, days: [...way.days, day] };
        }
        if (least !== null) next.set(day, least);
      }
      layer = next;
    }
    for (const [last, way] of layer) {
      const turn = first + YEAR_DAYS - last;
      if (count > 1 && turn < LEAST_APART_DAYS) continue;
      const cost = way.cost + between(last, first + YEAR_DAYS);
      if (best === null || cost < best.cost - 1e-12) best = { cost, days: way.days };
    }
  }
  return best && trimsOn(y, best.days);
}
