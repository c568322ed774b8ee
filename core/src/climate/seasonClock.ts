/**
 * What tells a plant the time of its year: the spring index's two dates, the warmth gained since, and the
 * cooling of autumn. A climate is one (expected weather); a year's own weather makes another.
 */
import { turnsBy, YEAR_DAYS, yearDay, type SeasonDay } from "../calendar/index.ts";
import type { Celsius, Days, DegreeDays } from "../units/index.ts";
import { BASE_C, growthWarmth, singleSine } from "./degreeDays.ts";
import { EVENT_GDH, GDH_BASE_F, springFrom, type DayWarmth, type SpringIndex } from "./springIndex.ts";

/** One standard deviation of a clock's own dates, from what is not known of the place's months. */
export interface ClockDoubt {
  readonly spring: Days;
  readonly autumn: Days;
}

export interface SeasonClock {
  readonly doubt: ClockDoubt;
  /** The early hand of the season clock: first leaf and lilac bloom. */
  readonly spring: SpringIndex;
  readonly warmestDay: SeasonDay;
  /** Warmth (growthWarmth, in the degree-days of an Ohio summer) gained before a season day, counted from the start of year 0; negative days give negative warmth. */
  readonly warmthAt: (day: SeasonDay) => DegreeDays;
  /** First day by which so much warmth has been gained since `from`; Infinity when a whole year does not give it. */
  readonly dayWithWarmth: (from: SeasonDay, degreeDays: DegreeDays) => SeasonDay;
  /** Mean of a day; of a year's own weather, over the three weeks around it. */
  readonly meanC: (day: SeasonDay) => Celsius;
}

/** Warmth at lilac bloom (D. A. Herms 2004, 234 °F·day from the turn of the year, base 50 °F; from memory). */
const LILAC_WARMTH: DegreeDays = 130;
/** First leaf runs about this far ahead of bloom. */
const LEAF_BEFORE_BLOOM_DAYS = 30;

/** Where winter is too mild to hold spring back, short days and rest not yet slept out do: earlier than this each day counts so much. */
const MILD = { fromDay: 100, part: 0.55 } as const;

/**
 * The two dates of spring. The index alone runs one to five weeks early where winters are mild and spring is slow
 * (lilac in late March at a maritime place where it flowers in the second half of April), degree-days by the Ohio
 * figure as much too late there; inland they agree within a week. Lilac flowers about half way between, and nowhere
 * as early as either says in a warm winter (common knowledge of its dates from the Pacific coast to Ohio, England
 * and Rome); first leaf is moved by half as much.
 */
export function springOf(
  index: SpringIndex | null,
  ohioPerDay: ArrayLike<DegreeDays>,
  warmestDay: SeasonDay,
): SpringIndex {
  let [warm, gained] = [0, 0];
  while (warm < warmestDay && gained < LILAC_WARMTH) gained += ohioPerDay[warm++] ?? 0;
  const half = index === null ? warm : (warm + index.bloom) / 2;
  const bloom = half < MILD.fromDay ? MILD.fromDay - MILD.part * (MILD.fromDay - half) : half;
  return index === null
    ? { leaf: bloom - LEAF_BEFORE_BLOOM_DAYS, bloom }
    : { leaf: index.leaf + (bloom - index.bloom) / 2, bloom };
}

const wrap = (day: number): number => yearDay(Math.floor(day));

type Warmth = Pick<SeasonClock, "warmthAt" | "dayWithWarmth">;

/** Running warmth of a year that repeats. */
export function warmthOf(perDay: ArrayLike<number>): Warmth {
  const sum = new Float64Array(YEAR_DAYS + 1);
  for (let d = 0; d < YEAR_DAYS; d++) sum[d + 1] = sum[d]! + perDay[d]!;
  const year = sum[YEAR_DAYS]!;
  // Which day a share of the year's warmth falls on, to start the search next to its end.
  const steps = 512;
  const stepsPerDegreeDay = year > 0 ? steps / year : 0;
  const hint = new Uint16Array(steps + 1);
  for (let i = 0, d = 0; i <= steps; i++) {
    while (d < YEAR_DAYS - 1 && sum[d + 1]! < (i / steps) * year) d++;
    hint[i] = d;
  }
  const warmthAt = (day: number): number => {
    const turns = turnsBy(day);
    const d = day - turns * YEAR_DAYS;
    const whole = Math.floor(d);
    return turns * year + sum[whole]! + (d - whole) * (sum[whole + 1]! - sum[whole]!);
  };
  const dayWithWarmth = (from: number, degreeDays: number): number => {
    if (degreeDays <= 0) return from;
    if (degreeDays > year) return Infinity;
    const target = warmthAt(from) + degreeDays;
    const turns = target >= 0 && target < year ? 0 : Math.floor(target / year);
    const rest = target - turns * year;
    let d = hint[Math.floor(rest * stepsPerDegreeDay)]!;
    while (d < YEAR_DAYS - 1 && sum[d + 1]! < rest) d++;
    const step = sum[d + 1]! - sum[d]!;
    return Math.max(from, turns * YEAR_DAYS + d + (step > 0 ? (rest - sum[d]!) / step : 0));
  };
  return { warmthAt, dayWithWarmth };
}

/** Half of the days that a year's own mean is taken over: one cold day in August is not autumn. */
const SMOOTH_DAYS = 10;

/** Days of one year's weather, as many as are known; null where a day is missing. */
export interface DaysOfYear {
  readonly tminC: ArrayLike<number | null>;
  readonly tmaxC: ArrayLike<number | null>;
}

/** Expected weather to stand in for the days that are not known. */
export interface Expected {
  readonly warmth: DayWarmth;
  readonly warmthPerDay: ArrayLike<number>;
  /** Degree-days base 10 °C, as the Ohio figures are counted. */
  readonly ohioPerDay: ArrayLike<number>;
  readonly doubt: ClockDoubt;
  readonly meanC: (day: SeasonDay) => Celsius;
  readonly warmestDay: SeasonDay;
}

function smoothed(mean: Float64Array): (day: SeasonDay) => Celsius {
  const run = new Float64Array(YEAR_DAYS);
  for (let d = 0; d < YEAR_DAYS; d++) {
    let sum = 0;
    for (let i = -SMOOTH_DAYS; i <= SMOOTH_DAYS; i++) sum += mean[wrap(d + i)]!;
    run[d] = sum / (2 * SMOOTH_DAYS + 1);
  }
  return (day) => run[wrap(day)]!;
}

/**
 * The clock of one year: its own days where they are known, expected weather for the others (also for the
 * days still to come).
 */
export function clockOfYear(days: DaysOfYear, expected: Expected): SeasonClock {
  const perDay = new Float64Array(YEAR_DAYS);
  const ohio = new Float64Array(YEAR_DAYS);
  const mean = new Float64Array(YEAR_DAYS);
  const w = {
    gdh: Float64Array.from(expected.warmth.gdh),
    spread3: Float64Array.from(expected.warmth.spread3),
    event: Float64Array.from(expected.warmth.event),
  };
  for (let d = 0; d < YEAR_DAYS; d++) {
    const lo = days.tminC[d] ?? null;
    const hi = days.tmaxC[d] ?? null;
    if (lo === null || hi === null) {
      perDay[d] = expected.warmthPerDay[d]!;
      ohio[d] = expected.ohioPerDay[d]!;
      mean[d] = expected.meanC(d);
      continue;
    }
    perDay[d] = growthWarmth(lo, hi);
    ohio[d] = singleSine(lo, hi, BASE_C);
    mean[d] = (lo + hi) / 2;
    setObserved(w, d, lo, hi);
  }
  const warmth = warmthOf(perDay);
  return {
    doubt: expected.doubt,
    spring: springOf(springFrom(w), ohio, expected.warmestDay),
    warmestDay: expected.warmestDay,
    ...warmth,
    meanC: smoothed(mean),
  };
}

const fahrenheitOf = (c: number): number => (c * 9) / 5 + 32;

/** A day that was observed has no spread, and its synoptic event either happened or not. */
function setObserved(
  w: { gdh: Float64Array; spread3: Float64Array; event: Float64Array },
  d: number,
  lo: number,
  hi: number,
): void {
  const gdh = 24 * singleSine(fahrenheitOf(lo), fahrenheitOf(hi), GDH_BASE_F);
  w.gdh[d] = gdh;
  w.spread3[d] = 0;
  w.event[d] = gdh + w.gdh[wrap(d - 1)]! + w.gdh[wrap(d - 2)]! >= EVENT_GDH ? 1 : 0;
}

/** A clock whose year runs so many days ahead of another's (behind when negative); cooling keeps its dates. */
export const ahead = (clock: SeasonClock, days: number): SeasonClock => ({
  doubt: clock.doubt,
  warmestDay: clock.warmestDay,
  warmthAt: clock.warmthAt,
  dayWithWarmth: clock.dayWithWarmth,
  meanC: clock.meanC,
  spring: { leaf: clock.spring.leaf - days, bloom: clock.spring.bloom - days },
});
