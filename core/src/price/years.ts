/**
 * Years of weather worked through for the kinds of a garden: how far each stage strays from its expected day, in
 * which share of the years each day is open for a task, and between what its price lies. It takes seconds, so it goes step by step: the caller
 * says when to go on, sees how far it is, and may stop.
 */
import type { Catalogue, Taxon } from "../catalogue/index.ts";
import { YEAR_DAYS } from "../calendar/index.ts";
import { climateOf, type Climate, type PlaceClimateInput } from "../climate/index.ts";
import type { Task } from "../model/index.ts";
import {
  plantYear,
  quantile,
  stageRanges,
  syntheticClocks,
  TAILS,
  type PlantYear,
  type StageRanges,
} from "../phenology/index.ts";
import type { Share } from "../units/index.ts";
import { usualPlan } from "./displays.ts";
import { kindRows, openYearOf } from "./kind.ts";
import { Sheet } from "./sheet.ts";

/** What years of weather show of a task on a kind, season day by season day. */
export interface DaysShown {
  /** Share of the years in which the day is open. */
  readonly open: ArrayLike<number>;
  /** Loss of the display that is hit hardest: eight years of ten lie between. */
  readonly leastLoss: ArrayLike<number>;
  readonly mostLoss: ArrayLike<number>;
}

/** What years of weather have shown of kinds: worked out apart, because it takes seconds. */
export interface YearsShown {
  readonly years: number;
  readonly ranges: Readonly<Partial<Record<string, StageRanges>>>;
  /** By kind and task ("kind|task"), for each season day. */
  readonly days: Readonly<Partial<Record<string, DaysShown>>>;
}
export const shownKey = (taxonId: string, task: Task): string => `${taxonId}|${task}`;

export interface KindAsked {
  readonly taxonId: string;
  readonly tasks: readonly Task[];
}
/** Plain data, so that it can be handed to another thread. */
export interface YearsAsked {
  readonly place: PlaceClimateInput;
  readonly kinds: readonly KindAsked[];
  readonly years: number;
  readonly seed: number;
}
/** Enough for ranges that a second set of years agrees with to a day or two. */
export const YEARS_COUNT = 300;
export const YEARS_SEED = 1;

/** Both tails of numbers, which are put in order. On most days nearly all years cost the same, and the rest does not matter. */
function tailsOf(xs: Float32Array): readonly [least: number, most: number] {
  let [low, high, lows, highs] = [Infinity, -Infinity, 0, 0];
  for (const x of xs) {
    if (x < low) [low, lows] = [x, 0];
    if (x > high) [high, highs] = [x, 0];
    if (x === low) lows++;
    if (x === high) highs++;
  }
  const enough = TAILS[1] * (xs.length - 1) + 2;
  if (lows >= enough) return [low, low];
  if (highs >= enough) return [high, high];
  xs.sort();
  return [quantile(xs, TAILS[0]), quantile(xs, TAILS[1])];
}

/** A year's weather, and what a kind makes of it. */
interface KindInYear {
  readonly climate: Climate;
  readonly year: PlantYear;
}

/** Works a task through the years: in which share of them each day is open, and between what its price lies. */
function daysOf(taxon: Taxon, task: Task, years: readonly KindInYear[]): DaysShown {
  const plan = usualPlan(task);
  const open = new Uint32Array(YEAR_DAYS);
  const losses = new Float32Array(YEAR_DAYS * years.length);
  // One sheet for all years: each is read and done with before the next is written.
  const sheet = new Sheet(kindRows(taxon.displays.length));
  years.forEach((y, i) => {
    const k = openYearOf(taxon, y.climate, plan, y.year, sheet.wipe());
    const { worstLoss } = k.prices;
    for (let d = 0; d < YEAR_DAYS; d++) {
      open[d] = open[d]! + k.open[d]!;
      losses[i * YEAR_DAYS + d] = worstLoss[d]!;
    }
  });
  const [leastLoss, mostLoss] = [new Float32Array(YEAR_DAYS), new Float32Array(YEAR_DAYS)];
  const onDay = new Float32Array(years.length);
  for (let d = 0; d < YEAR_DAYS; d++) {
    for (let i = 0; i < years.length; i++) onDay[i] = losses[i * YEAR_DAYS + d]!;
    [leastLoss[d], mostLoss[d]] = tailsOf(onDay);
  }
  return { open: Float32Array.from(open, (n) => n / years.length), leastLoss, mostLoss };
}

/** Works through the years; yields the share of the work done, returns what they show. */
export function* workYears(asked: YearsAsked, catalogue: Catalogue): Generator<Share, YearsShown> {
  const climate = climateOf(asked.place);
  const climates = syntheticClocks(climate, asked.seed, asked.years).map((clock): Climate => ({
    ...climate,
    ...clock,
  }));
  const ranges: Record<string, StageRanges> = {};
  const days: Record<string, DaysShown> = {};
  const total = asked.kinds.reduce((n, k) => n + 1 + k.tasks.length, 1);
  let done = 1;
  yield done / total;
  for (const k of asked.kinds) {
    const taxon = catalogue.byId(k.taxonId);
    if (!taxon) continue;
    const years = climates.map((c): KindInYear => ({ climate: c, year: plantYear(taxon, c) }));
    ranges[k.taxonId] = stageRanges(
      taxon,
      climate,
      years.map((y) => y.year),
    );
    yield ++done / total;
    for (const task of k.tasks) {
      days[shownKey(k.taxonId, task)] = daysOf(taxon, task, years);
      yield ++done / total;
    }
  }
  return { years: asked.years, ranges, days };
}

/** All of it at once, for where nobody waits at a screen. */
export function yearsShown(asked: YearsAsked, catalogue: Catalogue): YearsShown {
  const work = workYears(asked, catalogue);
  let step = work.next();
  while (step.done !== true) step = work.next();
  return step.value;
}
