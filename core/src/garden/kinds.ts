/** The years of kinds at a place, by its usual clock, by that of one year, or as one plant was seen to have it; each worked out once. */
import type { Taxon } from "../catalogue/index.ts";
import { YEAR_DAYS } from "../calendar/index.ts";
import { climateOf, type Climate, type PlaceClimateInput, type SeasonClock } from "../climate/index.ts";
import type { Task } from "../model/index.ts";
import { plantYear, type PlantYear } from "../phenology/index.ts";
import { kindYearOf, usualPlan, type CutPlan, type KindYear, type YearsShown } from "../price/index.ts";
import type { Share } from "../units/index.ts";
import { remembered, rememberedPair } from "./remembered.ts";

/** The kinds' years by one clock: the place's usual one, or a single year's. */
export interface Kinds {
  /** The place's climate, its clock replaced by that of the year. */
  readonly climate: Climate;
  readonly yearOf: (t: Taxon) => PlantYear;
  /** Prices of a task on a kind; for a cut of a given depth when it is not the task's usual one. */
  readonly kindYear: (t: Taxon, task: Task, more?: More) => KindYear;
}

/** Years of kinds depend on the place only, so they outlive an edit of the plants. */
export interface KindCache extends Kinds {
  readonly shown: YearsShown | null;
  /** The same kinds by the clock of one year; remembered by a name of that clock. */
  readonly by: (name: string, clock: SeasonClock) => Kinds;
  /** A kind by one plant's own year; remembered by a name of that year. */
  readonly own: (name: string, base: Kinds, year: PlantYear) => Kinds;
}

/** Tried cuts are priced in steps, so that a slider or a drag does not price a year for each of its places. */
const STEPS = 50;
const stepped = (part: Share | null): Share | null => (part === null ? null : Math.round(part * STEPS) / STEPS);

type More = Partial<Omit<CutPlan, "task">>;
const planned = (task: Task, more: More): CutPlan => ({
  ...usualPlan(task),
  ...more,
  ...(more.depth == null ? {} : { depth: stepped(more.depth), reach: stepped(more.reach ?? null) }),
});
const isUsual = (p: CutPlan): boolean =>
  p.depth === null &&
  p.reach === null &&
  p.frameShiftC === 0 &&
  p.accepts === "nothing" &&
  !p.firstStage &&
  p.knows === "nothing";

const planName = (t: Taxon, plan: CutPlan): string =>
  [t.id, plan.task, plan.depth, plan.reach, plan.frameShiftC, plan.accepts, plan.firstStage, plan.knows].join("|");

/** @param priced the same kinds without ranges: their prices are taken over */
function kindsBy(climate: Climate, shown: YearsShown | null, priced: Kinds | null): Kinds {
  const yearOf = remembered(
    (t: Taxon) => t.id,
    (t) => plantYear(t, climate, shown?.ranges[t.id] ?? null),
  );
  const made = (t: Taxon, plan: CutPlan): KindYear => {
    const year = yearOf(t);
    return priced ? { ...priced.kindYear(t, plan.task, plan), year } : kindYearOf(t, climate, plan, year);
  };
  const usual = rememberedPair((t: Taxon, task: Task) => made(t, usualPlan(task)));
  const special = remembered(
    (k: { t: Taxon; plan: CutPlan }) => planName(k.t, k.plan),
    ({ t, plan }) => made(t, plan),
  );
  return {
    climate,
    yearOf,
    kindYear: (t, task, more = {}) => {
      const plan = planned(task, more);
      return isUsual(plan) ? usual(t, task) : special({ t, plan });
    },
  };
}

/** A kind's prices in the year that one plant was seen to have. */
function ownKinds(base: Kinds, year: PlantYear): Kinds {
  const priced = remembered(
    (k: { t: Taxon; plan: CutPlan }) => planName(k.t, k.plan),
    ({ t, plan }) => kindYearOf(t, base.climate, plan, year),
  );
  return {
    climate: base.climate,
    yearOf: () => year,
    kindYear: (t, task, more = {}) => priced({ t, plan: planned(task, more) }),
  };
}
/** Keeps what it makes by a name. */
function kept(): KindCache["own"] {
  const known = new Map<string, Kinds>();
  return (name, base, year) => {
    let kinds = known.get(name);
    if (!kinds) known.set(name, (kinds = ownKinds(base, year)));
    return kinds;
  };
}

/** The part of a model that a change of plants or records leaves alone. */
export function kindCache(garden: { readonly place: PlaceClimateInput }): KindCache {
  const climate = climateOf(garden.place);
  const clocks = new Map<string, Kinds>();
  return {
    ...kindsBy(climate, null, null),
    shown: null,
    own: kept(),
    by(name, clock) {
      let kinds = clocks.get(name);
      if (!kinds) clocks.set(name, (kinds = kindsBy({ ...climate, ...clock }, null, null)));
      return kinds;
    },
  };
}

/** The same kinds with the ranges that years of weather have shown; what was priced stays priced. */
export function withYears(base: KindCache, shown: YearsShown): KindCache {
  const clocks = new Map<string, Kinds>();
  return {
    ...kindsBy(base.climate, shown, base),
    shown,
    own: kept(),
    by(name, clock) {
      let kinds = clocks.get(name);
      if (!kinds) {
        const plain = base.by(name, clock);
        clocks.set(name, (kinds = kindsBy(plain.climate, shown, plain)));
      }
      return kinds;
    },
  };
}

/** Two clocks of the same spring and the same warmth tell the same year. */
export const clockName = (seasonYear: number, c: SeasonClock): string =>
  [seasonYear, c.spring.leaf.toFixed(1), c.spring.bloom.toFixed(1), c.warmthAt(YEAR_DAYS).toFixed(1)].join("|");

/** Two years of a kind with the same stages and the same sightings are priced alike. */
export const yearName = (y: PlantYear): string =>
  JSON.stringify([
    [y.wakes, y.hardens, y.stops, y.dormant].map((s) => s.day),
    y.displays.map((d) => [d.display.name, d.opens.day, d.ends.day, d.budsBegin?.day, d.lostCycle]),
    y.seen,
  ]);
