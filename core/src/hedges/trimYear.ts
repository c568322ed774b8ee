/** A clipped plant's year of trims: what each day costs and whether it is open, and the plans side by side. */
import { kindYearFor } from "../advice/index.ts";
import { addDays, monthDayToSeasonDay, seasonDate, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { plantsYear, type GardenModel } from "../garden/index.ts";
import { VERDICT_TABLE, VERDICTS, type Hedge, type Plant, type Task } from "../model/index.ts";
import { growthDone } from "../phenology/index.ts";
import { misfit } from "../price/index.ts";
import type { Metres } from "../units/index.ts";
import { HEDGE_ASSUMPTIONS } from "./assumptions.ts";
import { planTrims, TOLERANCES_M, type TrimPlan, type TrimYear } from "./trims.ts";

/** What flowers on this year's shoots, over and over, is cut to shape at rest instead. */
const SHORN: ReadonlySet<Taxon["floweringWood"]> = new Set(["old", "foliage"]);
/** A clipped hedge is shorn, but where shears slice large leaves it is cut shoot by shoot. */
export const trimTask = (t: Taxon): Task =>
  misfit(t, "shear") === null && t.never.shear === undefined && (t.outline || SHORN.has(t.floweringWood))
    ? "shear"
    : "shape";

/** The trims of a clipped plant's year. */
export interface HedgeTrims {
  readonly toleranceM: Metres;
  readonly year: TrimYear;
  /** One, two and three trims a year; null where the open days do not hold so many. */
  readonly plans: readonly (TrimPlan | null)[];
  /** How many are advised, or chosen. */
  readonly count: number;
}

/** What trims of a clipped plant go by. */
type TrimRules = Pick<Hedge, "birds" | "formal" | "toleranceM" | "trims">;
/** The days of a year for trims of a clipped plant: prices of the cut, days that are open, growth of a clipped face. */
export function trimYearOf(model: GardenModel, plant: Plant, hedge: TrimRules, on: PlainDate): TrimYear {
  const taxon = model.taxonOf(plant);
  const kind = kindYearFor(model, plant, on, trimTask(taxon));
  const year = plantsYear(model, plant, on);
  const growthM = taxon.growthM[1] * HEDGE_ASSUMPTIONS.clippedGrowth;
  const days = Array.from({ length: YEAR_DAYS }, (_, d) => d);
  const { hemisphere } = model.climate;
  const [from, to] = hedge.birds
    ? [monthDayToSeasonDay(hedge.birds.from, hemisphere), monthDayToSeasonDay(hedge.birds.to, hemisphere)]
    : [1, 0];
  const nesting = (d: number): boolean =>
    hedge.birds !== null && (from <= to ? d >= from && d <= to : d >= from || d <= to);
  const go = days.map((d) => VERDICT_TABLE[VERDICTS[kind.verdicts[d]!]!].go || kind.open[d] === 1);
  return {
    harm: kind.prices.harm,
    open: days.map((d) => (go[d] && !nesting(d) ? 1 : 0)),
    grownM: days.map((d) => growthM * growthDone(year, d)),
    toleranceM: hedge.toleranceM ?? (hedge.formal ? TOLERANCES_M.formal : TOLERANCES_M.easy),
  };
}

/** What one more trim a year must save to be worth its work, in the planner's own cost; ours. */
const WORTH_A_TRIM = 0.12;

/** Nothing was said: formal, no nests told, as many trims as are advised. */
const UNSAID_TRIMS: TrimRules = { birds: null, formal: true, toleranceM: null, trims: null };
/** One, two and three trims of a clipped plant's year side by side. */
export function trimsOf(model: GardenModel, plant: Plant, on: PlainDate, rules: TrimRules = UNSAID_TRIMS): HedgeTrims {
  const year = trimYearOf(model, plant, rules, on);
  const plans = [1, 2, 3].map((n) => planTrims(year, n));
  const cost = (i: number): number => {
    const t = plans[i];
    return t ? t.harm + t.shaggy + WORTH_A_TRIM * (i + 1) : Infinity;
  };
  const best = plans.reduce((b, _, i) => (cost(i) < cost(b) ? i : b), 0);
  return { toleranceM: year.toleranceM, year, plans, count: rules.trims ?? best + 1 };
}
/** A day that has just gone by is still to be trimmed on: so many days back it is that day's. */
const JUST_GONE_DAYS = 7;
/** The days of a trim plan that come next, as dates from a day on. */
export function trimDates(model: GardenModel, plan: TrimPlan, on: PlainDate): readonly PlainDate[] {
  const { seasonYear } = model.season(on);
  return plan.days
    .map((d) => {
      const day = seasonDate(seasonYear, d, model.climate.hemisphere);
      if (day >= on) return day;
      return day < addDays(on, -JUST_GONE_DAYS) ? seasonDate(seasonYear + 1, d, model.climate.hemisphere) : on;
    })
    .toSorted();
}

/** The days of the trims that are advised, or chosen, the next first; none where no day is open. */
export function nextTrims(model: GardenModel, trims: HedgeTrims, on: PlainDate): readonly PlainDate[] {
  const plan = trims.plans[trims.count - 1] ?? trims.plans[0];
  return plan ? trimDates(model, plan, on) : [];
}
