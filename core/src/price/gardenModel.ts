/** A garden opened for questions: its climate, its kinds' years and its plants' accounts, each worked out once. */
import { schoolOption, type Catalogue, type SchoolOption, type Taxon } from "../catalogue/index.ts";
import { dayOfYear, partsOf, seasonPoint, YEAR_DAYS, type PlainDate, type SeasonPoint } from "../calendar/index.ts";
import { ahead, climateOf, type Climate, type PlaceClimateInput, type SeasonClock } from "../climate/index.ts";
import { shareOfVisit, type LedgerEntry } from "../amount/index.ts";
import type { Garden, Observation, Plant, Regime, Task, Visit } from "../model/index.ts";
import { TASK_TABLE } from "../model/index.ts";
import {
  heightOnDay,
  plantYear,
  seenYear,
  yearClocks,
  type HeightEstimate,
  type Pace,
  type PlantYear,
  type StageRanges,
} from "../phenology/index.ts";
import { grouped, type Celsius, type Share } from "../units/index.ts";
import type { CutPlan } from "./displays.ts";
import { kindYearOf, type KindYear } from "./kind.ts";

/** What is known of a day's weather; null for what was not observed. */
export interface DayWeather {
  readonly tminC: Celsius | null;
  readonly tmaxC: Celsius | null;
  readonly rainMm: number | null;
  readonly simulated: boolean;
}

/** The kinds' years by one clock: the place's usual one, or a single year's. */
export interface Kinds {
  /** The place's climate, its clock replaced by that of the year. */
  readonly climate: Climate;
  readonly yearOf: (t: Taxon) => PlantYear;
  /** Prices of a task on a kind; for a cut of a given depth when it is not the task's usual one. */
  readonly kindYear: (t: Taxon, task: Task, more?: Partial<Omit<CutPlan, "task">>) => KindYear;
}

export interface GardenModel {
  /** What it was opened with; hand it over to open a changed garden of the same place. */
  readonly cache: KindCache;
  readonly garden: Garden;
  readonly catalogue: Catalogue;
  /** The usual climate of the place. */
  readonly climate: Climate;
  /** Throws on an id that the garden does not hold; a checked garden holds every id it names. */
  readonly plant: (id: string) => Plant;
  readonly taxonOf: (plant: Plant) => Taxon;
  /** In a usual year. */
  readonly yearOf: (taxon: Taxon) => PlantYear;
  readonly kindYear: Kinds["kindYear"];
  /** In the hemisphere's year that began in a calendar year, as far as that is known. */
  readonly kindsIn: (seasonYear: number) => Kinds;
  /** The same for one plant: what was seen of it, in this season and in others, tells its dates better than the year does. */
  readonly kindsFor: (plant: Plant, taxon: Taxon, on: PlainDate) => Kinds;
  readonly pace: (seasonYear: number) => Pace;
  /** A day's weather; null when it is not known. */
  readonly weatherOn: (on: PlainDate) => DayWeather | null;
  /** What years of weather show of a task on a kind; null until they were worked through. */
  readonly daysShown: (taxon: Taxon, task: Task) => DaysShown | null;
  /** The option that holds for a plant: its own, the garden's, or the default of the place. */
  readonly school: (id: string, plant?: Plant) => SchoolOption;
  /** What the schools that hold for a plant of a kind change, all of them together. */
  readonly schooling: (plant: Plant, taxon: Taxon) => Schooling;
  readonly visitsOf: (plantId: string) => readonly Visit[];
  readonly observationsOf: (plantId: string) => readonly Observation[];
  readonly ledgerOf: (plantId: string) => readonly LedgerEntry[];
  readonly season: (on: PlainDate) => SeasonPoint;
}

/** Remembers what a pure function said for a key. */
function remembered<A, T>(key: (a: A) => string | number, make: (a: A) => T): (a: A) => T {
  const known = new Map<string | number, T>();
  return (a) => {
    const k = key(a);
    let value = known.get(k);
    if (value === undefined) known.set(k, (value = make(a)));
    return value;
  };
}

/** The same for a pair of things that stay the same objects. */
function rememberedPair<A extends object, B, T>(make: (a: A, b: B) => T): (a: A, b: B) => T {
  const known = new WeakMap<A, Map<B, T>>();
  return (a, b) => {
    let of = known.get(a);
    if (!of) known.set(a, (of = new Map<B, T>()));
    let value = of.get(b);
    if (value === undefined) of.set(b, (value = make(a, b)));
    return value;
  };
}

/** Remembers what is true of a plant as long as it and its garden stay the same. */
export const perPlant = <T>(make: (model: GardenModel, plant: Plant) => T): ((model: GardenModel, plant: Plant) => T) =>
  rememberedPair(make);

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

/** Years of kinds depend on the place only, so they outlive an edit of the plants. */
export interface KindCache extends Kinds {
  readonly shown: YearsShown | null;
  /** The same kinds by the clock of one year; remembered by a name of that clock. */
  readonly by: (name: string, clock: SeasonClock) => Kinds;
  /** A kind by one plant's own year; remembered by a name of that year. */
  readonly own: (name: string, base: Kinds, year: PlantYear) => Kinds;
}

/** Depths of tried cuts are priced in steps, so that a slider does not price a year for each of its places. */
const DEPTH_STEP = 0.05;
const stepped = (depth: Share | null): Share | null =>
  depth === null ? null : Math.round(depth / DEPTH_STEP) * DEPTH_STEP;

const planName = (t: Taxon, plan: CutPlan): string =>
  `${t.id}|${plan.task}|${plan.depth ?? ""}|${plan.reach ?? ""}|${plan.frameShiftC}`;

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
  const usual = rememberedPair((t: Taxon, task: Task) => made(t, { task, depth: null, reach: null, frameShiftC: 0 }));
  const special = remembered(
    (k: { t: Taxon; plan: CutPlan }) => planName(k.t, k.plan),
    ({ t, plan }) => made(t, plan),
  );
  return {
    climate,
    yearOf,
    kindYear: (t, task, { depth = null, reach = null, frameShiftC = 0 } = {}) =>
      depth === null && reach === null && frameShiftC === 0
        ? usual(t, task)
        : special({ t, plan: { task, depth: stepped(depth), reach, frameShiftC } }),
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
    kindYear: (t, task, { depth = null, reach = null, frameShiftC = 0 } = {}) =>
      priced({ t, plan: { task, depth: stepped(depth), reach, frameShiftC } }),
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
const clockName = (seasonYear: number, c: SeasonClock): string =>
  [seasonYear, c.spring.leaf.toFixed(1), c.spring.bloom.toFixed(1), c.warmthAt(YEAR_DAYS).toFixed(1)].join("|");

/** Two years of a kind with the same stages and the same sightings are priced alike. */
const yearName = (y: PlantYear): string =>
  JSON.stringify([
    [y.wakes, y.hardens, y.stops, y.dormant].map((s) => s.day),
    y.displays.map((d) => [d.display.name, d.opens.day, d.ends.day, d.budsBegin?.day, d.lostCycle]),
    y.seen,
  ]);

/** The schools of a plant put together. */
export interface Schooling {
  readonly options: readonly SchoolOption[];
  readonly cap: Share;
  readonly frameShiftC: Celsius;
  readonly renewReach: Share | null;
  readonly trims: 1 | 2;
  readonly buildsBase: boolean;
  readonly hardCutWaitsFor: readonly ("growth" | "midwinter")[];
}
/** The cap where no school says otherwise (common practice). */
const USUAL_CAP: Share = 1 / 3;

function schoolingOf(options: readonly SchoolOption[]): Schooling {
  const changes = options.map((o) => o.changes);
  return {
    options,
    cap: changes.find((c) => c.cap !== undefined)?.cap ?? USUAL_CAP,
    frameShiftC: changes.reduce((sum, c) => sum + (c.frameShiftC ?? 0), 0),
    renewReach: changes.find((c) => c.renewReach !== undefined)?.renewReach ?? null,
    trims: changes.find((c) => c.trims !== undefined)?.trims ?? 1,
    buildsBase: changes.some((c) => c.buildsBase === true),
    hardCutWaitsFor: changes.flatMap((c) => c.hardCutWaitsFor ?? []),
  };
}

/** Opens a checked garden. A cache of the same place may be handed over to save the climate's fit. */
export function openGarden(garden: Garden, catalogue: Catalogue, cache: KindCache = kindCache(garden)): GardenModel {
  const plants = new Map(garden.plants.map((p) => [p.id, p]));
  const visits = grouped(garden.visits, (v) => v.plantId);
  const observations = grouped(garden.observations, (o) => o.plantId);
  const plant = (id: string): Plant => {
    const p = plants.get(id);
    if (!p) throw new Error(`no plant ${id} in this garden`);
    return p;
  };
  const taxonOf = (p: Plant): Taxon => {
    const t = catalogue.byId(p.taxonId);
    if (!t) throw new Error(`no taxon ${p.taxonId} in this catalogue`);
    return t;
  };
  const years = yearClocks(garden, taxonOf, cache.climate);
  const yearClock = remembered((y: number) => y, years.in);
  const kindsIn = remembered(
    (y: number) => y,
    (seasonYear): Kinds => {
      const { clock } = yearClock(seasonYear);
      return clock === cache.climate ? cache : cache.by(clockName(seasonYear, clock), clock);
    },
  );
  const minimumC = cache.climate.coldestNightC;
  const schooling = rememberedPair((p: Plant, t: Taxon) =>
    schoolingOf(t.schools.map((s) => schoolOption(s, { ...garden.rules.schools, ...p.schools }, minimumC))),
  );
  const season = (on: PlainDate): SeasonPoint => seasonPoint(on, cache.climate.hemisphere);
  const seenKinds = remembered(
    (k: { p: Plant; t: Taxon; on: PlainDate; known: number }) =>
      `${k.p.id}|${k.t.id}|${season(k.on).seasonYear}|${k.known}`,
    ({ p, t, on }): Kinds => {
      const { seasonYear } = season(on);
      const lead = Math.round(years.ofPlant(p.id));
      const year = kindsIn(seasonYear);
      const clock = lead === 0 ? year.climate : ahead(year.climate, lead);
      const name = clockName(seasonYear, clock);
      const kinds = lead === 0 ? year : cache.by(name, clock);
      const usual = kinds.yearOf(t);
      const waits = schooling(p, t).hardCutWaitsFor.includes("growth");
      const ground = { taxon: t, clock: kinds.climate };
      const own = seenYear(usual, ground, observations.get(p.id) ?? [], on, cache.climate.hemisphere, waits);
      return own === usual ? kinds : cache.own(`${name}|${t.id}|${yearName(own)}`, kinds, own);
    },
  );
  const kindsFor = (p: Plant, t: Taxon, on: PlainDate): Kinds => {
    const seen = observations.get(p.id);
    if (!seen) return kindsIn(season(on).seasonYear);
    // Between two entries nothing changes: a day that is dragged meets the same year again.
    let known = 0;
    for (const o of seen) if (o.on <= on) known++;
    return seenKinds({ p, t, on, known });
  };
  const weather = new Map(garden.weather.map((w) => [w.year, w]));
  const weatherOn = (on: PlainDate): DayWeather | null => {
    if (weather.size === 0) return null;
    const row = weather.get(partsOf(on).year);
    const i = dayOfYear(on);
    const known = { tminC: row?.tminC[i] ?? null, tmaxC: row?.tmaxC[i] ?? null, rainMm: row?.rainMm[i] ?? null };
    return row && Object.values(known).some((x) => x !== null)
      ? { ...known, simulated: row.source === "simulated" }
      : null;
  };
  const visitsOf = (id: string): readonly Visit[] => visits.get(id) ?? [];
  const ledgerOf = remembered(
    (id: string) => id,
    (id): readonly LedgerEntry[] => {
      const taxon = taxonOf(plant(id));
      return visitsOf(id).map((v) => ({
        visitId: v.id,
        on: v.on,
        regime: v.regime,
        share: shareOfVisit(v, taxon),
        hazardShare: v.hazardShare,
      }));
    },
  );
  return {
    cache,
    garden,
    catalogue,
    climate: cache.climate,
    plant,
    taxonOf,
    yearOf: cache.yearOf,
    kindYear: cache.kindYear,
    kindsIn,
    kindsFor,
    weatherOn,
    pace: (seasonYear) => yearClock(seasonYear).pace,
    daysShown: (t, task) => cache.shown?.days[shownKey(t.id, task)] ?? null,
    schooling,
    school: (id, p) => schoolOption(id, p ? { ...garden.rules.schools, ...p.schools } : garden.rules.schools, minimumC),
    visitsOf,
    observationsOf: (id) => observations.get(id) ?? [],
    ledgerOf,
    season,
  };
}

/** The regime a task is booked to on a kind: a hard cut is a cutback where the kind rebuilds each year, else a renewal. */
export function regimeOf(taxon: Taxon, task: Task): Regime {
  if (task === "hard-cutback") return taxon.regimes.includes("cutback") ? "cutback" : "renewal";
  // A grass or perennial is only ever cut back.
  if (TASK_TABLE[task].regime === "upkeep" && TASK_TABLE[task].wakes && !taxon.regimes.includes("upkeep"))
    return "cutback";
  return TASK_TABLE[task].regime;
}

/** A plant's own year as far as it was seen up to a day. */
export function plantsYear(model: GardenModel, plant: Plant, on: PlainDate): PlantYear {
  const taxon = model.taxonOf(plant);
  return model.kindsFor(plant, taxon, on).yearOf(taxon);
}

/** A plant's height on a day, from its measures and records. */
export function heightOf(model: GardenModel, plant: Plant, on: PlainDate): HeightEstimate {
  const taxon = model.taxonOf(plant);
  const records = { visits: model.visitsOf(plant.id), observations: model.observationsOf(plant.id) };
  return heightOnDay(plant, taxon, model.yearOf(taxon), model.climate.hemisphere, records, on);
}
