/** A garden opened for questions: its climate, its kinds' years and its plants' accounts, each worked out once. */
import { schoolOption, type Catalogue, type SchoolOption, type Taxon } from "../catalogue/index.ts";
import { dayOfYear, daysUpTo, partsOf, seasonPoint, type PlainDate, type SeasonPoint } from "../calendar/index.ts";
import { ahead, type Climate } from "../climate/index.ts";
import {
  heightOnDay,
  type HeightRecords,
  seasonsEndHeight,
  shareOfVisit,
  type GrowthTaught,
  type HeightEstimate,
  type LedgerEntry,
  type Measured,
} from "../amount/index.ts";
import type { Garden, Observation, Plant, Stand, Stem, Task, Visit } from "../model/index.ts";
import { seenYear, yearClocks, type DatesTaught, type Pace, type PlantYear } from "../phenology/index.ts";
import { standingSection } from "../sections/index.ts";
import type { Metres } from "../units/index.ts";
import { shownKey, type DaysShown } from "../price/index.ts";
import { grouped, type Celsius, type Days } from "../units/index.ts";
import { clockName, kindCache, yearName, type KindCache, type Kinds } from "./kinds.ts";
import { ownKind } from "./ownKind.ts";
import { remembered, rememberedPair } from "./remembered.ts";
import { schoolingOf, type Schooling } from "./schooling.ts";
import {
  asValue,
  depthOfPlant,
  growthOfGarden,
  leafDepth,
  stageLesson,
  stageOfPlant,
  taughtKind,
  withStages,
  type LookLesson,
  type Lore,
  type OwnStage,
  type StageLesson,
} from "./taught.ts";

/** What is known of a day's weather; null for what was not observed. */
export interface DayWeather {
  readonly tminC: Celsius | null;
  readonly tmaxC: Celsius | null;
  readonly rainMm: number | null;
  readonly simulated: boolean;
}

/** A garden opened to be asked. */
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
  /** Its stems as they were last drawn up to a day; null: never drawn. */
  readonly stemsOn: (plantId: string, on: PlainDate) => readonly Stem[] | null;
  readonly observationsOf: (plantId: string) => readonly Observation[];
  readonly ledgerOf: (plantId: string) => readonly LedgerEntry[];
  readonly season: (on: PlainDate) => SeasonPoint;
  /** What the garden's own record taught, used or not. */
  readonly taught: Taught;
}

/** What a garden's own record taught of its plants; each part is worked out when it is asked for. */
export interface Taught {
  /** Names of lessons that are set aside: the catalogue's value holds. */
  readonly aside: ReadonlySet<string>;
  readonly growth: () => GrowthTaught;
  readonly dates: DatesTaught;
  readonly stage: (plant: Plant, stage: OwnStage) => StageLesson | null;
  /** Whole days that its own stages are moved by, and that it runs ahead of its kind: as they are used. */
  readonly late: (plant: Plant) => Readonly<Record<OwnStage, Days>>;
  readonly lead: (plant: Plant) => Days;
  readonly depth: (plant: Plant) => LookLesson | null;
  /** The kind as the plant grows by what somebody said of it, without what was learnt. */
  readonly kindBefore: (plant: Plant) => Taxon;
}

const ON_TIME: Readonly<Record<OwnStage, Days>> = { hardens: 0, dormant: 0 };

/** Remembers what is true of a plant as long as it and its garden stay the same. */
export const perPlant = <T>(make: (model: GardenModel, plant: Plant) => T): ((model: GardenModel, plant: Plant) => T) =>
  rememberedPair(make);

/**
 * Opens a checked garden. A cache of the same place may be handed over to save the climate's fit.
 * @param lore what this very garden was found to teach when it was opened before; see loreOf()
 */
export function openGarden(
  garden: Garden,
  catalogue: Catalogue,
  cache: KindCache = kindCache(garden),
  lore: Lore | null = null,
): GardenModel {
  const plants = new Map(garden.plants.map((p) => [p.id, p]));
  const visits = grouped(garden.visits, (v) => v.plantId);
  const observations = grouped(garden.observations, (o) => o.plantId);
  const plant = (id: string): Plant => {
    const p = plants.get(id);
    if (!p) throw new Error(`no plant ${id} in this garden`);
    return p;
  };
  const asGrown = rememberedPair(ownKind);
  const kindBefore = (p: Plant): Taxon => {
    const t = catalogue.byId(p.taxonId);
    if (!t) throw new Error(`no taxon ${p.taxonId} in this catalogue`);
    return asGrown(p, t);
  };
  const aside = new Set(garden.rules.setAside);
  const stands = grouped(garden.stands, (s) => s.plantId);
  const stemsOn = (id: string, on: PlainDate): readonly Stem[] | null =>
    (stands.get(id) ?? []).filter((s) => s.on <= on).reduce<Stand | null>((a, b) => (a && a.on > b.on ? a : b), null)
      ?.stems ?? null;
  const visitsOf = (id: string): readonly Visit[] => visits.get(id) ?? [];
  const observationsOf = (id: string): readonly Observation[] => observations.get(id) ?? [];
  let grown: GrowthTaught | null = null;
  const growth = (): GrowthTaught =>
    (grown ??= growthOfGarden(
      garden.plants.flatMap((p) => {
        if (!visits.has(p.id) && !observations.has(p.id)) return [];
        const taxon = kindBefore(p);
        const stems = (on: PlainDate) => stemsOn(p.id, on);
        return [
          {
            plant: p,
            taxon,
            year: cache.yearOf(taxon),
            visits: visitsOf(p.id),
            observations: observationsOf(p.id),
            stemsOn: stems,
          },
        ];
      }),
      cache.climate.hemisphere,
      aside,
    ));
  const depth = (p: Plant): LookLesson | null => leafDepth(p, kindBefore(p), observationsOf(p.id));
  const asTaught = rememberedPair((p: Plant, t: Taxon) => {
    const green = aside.has(depthOfPlant(p.id)) ? null : depth(p);
    const growthM = lore ? (lore.growthM[p.id] ?? t.growthM) : growth().growthM(p.id, t);
    return taughtKind(t, growthM, green && asValue(green));
  });
  const taxonOf = (p: Plant): Taxon => asTaught(p, kindBefore(p));
  const years = yearClocks(garden, kindBefore, cache.climate, lore?.dates);
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
  const ledKinds = (p: Plant, seasonYear: number): Kinds & { readonly name: string } => {
    const lead = Math.round(years.ofPlant(p.id));
    const year = kindsIn(seasonYear);
    const clock = lead === 0 ? year.climate : ahead(year.climate, lead);
    const name = clockName(seasonYear, clock);
    return { ...(lead === 0 ? year : cache.by(name, clock)), name };
  };
  const stage = (p: Plant, which: OwnStage): StageLesson | null => {
    const t = taxonOf(p);
    const forecast = (seasonYear: number): PlantYear => ledKinds(p, seasonYear).yearOf(t);
    return stageLesson(p, which, observationsOf(p.id), forecast, cache.climate.hemisphere);
  };
  const stagesOf = remembered(
    (p: Plant) => p.id,
    (p): Readonly<Record<OwnStage, Days>> => {
      if (lore) return lore.late[p.id] ?? ON_TIME;
      const late = (which: OwnStage): Days =>
        aside.has(stageOfPlant(which, p.id)) ? 0 : Math.round(stage(p, which)?.late.mean ?? 0);
      return { hardens: late("hardens"), dormant: late("dormant") };
    },
  );
  const seenKinds = remembered(
    (k: { p: Plant; t: Taxon; on: PlainDate; known: number }) =>
      `${k.p.id}|${k.t.id}|${season(k.on).seasonYear}|${k.known}`,
    ({ p, t, on }): Kinds => {
      const { seasonYear } = season(on);
      const kinds = ledKinds(p, seasonYear);
      const { name } = kinds;
      const forecast = kinds.yearOf(t);
      const usual = withStages(forecast, stagesOf(p));
      const waits = schooling(p, t).hardCutWaitsFor.includes("growth");
      const ground = { taxon: t, clock: kinds.climate };
      const own = seenYear(usual, ground, observations.get(p.id) ?? [], on, cache.climate.hemisphere, waits);
      return own === forecast ? kinds : cache.own(`${name}|${t.id}|${yearName(own)}`, kinds, own);
    },
  );
  const daysSeen = remembered(
    (p: Plant) => p.id,
    (p) =>
      observationsOf(p.id)
        .map((o) => o.on)
        .sort(),
  );
  const kindsFor = (p: Plant, t: Taxon, on: PlainDate): Kinds => {
    const days = daysSeen(p);
    if (days.length === 0) return kindsIn(season(on).seasonYear);
    // Between two entries nothing changes: a day that is dragged meets the same year again.
    return seenKinds({ p, t, on, known: daysUpTo(days, on) });
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
  const ledgerOf = remembered(
    (id: string) => id,
    (id): readonly LedgerEntry[] => {
      const p = plant(id);
      const taxon = taxonOf(p);
      return visitsOf(id).map((v) => ({
        visitId: v.id,
        on: v.on,
        regime: v.regime,
        share: shareOfVisit(v, { taxon, plant: p, stems: stemsOn(id, v.on) }),
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
    stemsOn,
    observationsOf,
    taught: {
      aside,
      growth,
      get dates() {
        return years.told();
      },
      stage,
      late: stagesOf,
      lead: (p) => years.ofPlant(p.id),
      depth,
      kindBefore,
    },
    ledgerOf,
    season,
  };
}

/** A plant's own year as far as it was seen up to a day. */
export function plantsYear(model: GardenModel, plant: Plant, on: PlainDate): PlantYear {
  const taxon = model.taxonOf(plant);
  return model.kindsFor(plant, taxon, on).yearOf(taxon);
}

/** What a cut on a day is measured by: the plant's kind, form and width, its stems as they were last drawn, its section as a hedge. */
export const measuredOn = (
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  taxon: Taxon = model.taxonOf(plant),
): Measured => {
  const hedge = model.garden.hedges.find((h) => h.plantId === plant.id);
  return {
    taxon,
    plant,
    stems: model.stemsOn(plant.id, on),
    section: hedge ? standingSection(hedge, taxon, plant.heightM) : null,
  };
};

const heightRecords = perPlant((model, plant): HeightRecords => ({
  visits: model.visitsOf(plant.id),
  observations: model.observationsOf(plant.id),
  stemsOn: (day) => model.stemsOn(plant.id, day),
}));

/** A plant's height on a day, from its measures, its cuts and its own year. @param taxon the kind it is taken for */
export function heightOf(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  taxon: Taxon = model.taxonOf(plant),
): HeightEstimate {
  const year = model.kindsFor(plant, taxon, on).yearOf(taxon);
  return heightOnDay(plant, taxon, year, model.climate.hemisphere, heightRecords(model, plant), on);
}

/** How tall it stands when this season's growth has stopped: slow, usual and strong. */
export function seasonsEndOf(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  taxon: Taxon = model.taxonOf(plant),
): readonly [Metres, Metres, Metres] {
  const year = model.kindsFor(plant, taxon, on).yearOf(taxon);
  return seasonsEndHeight(heightOf(model, plant, on, taxon), taxon, year, model.climate.hemisphere, on);
}
