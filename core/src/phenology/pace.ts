/**
 * How far a year runs ahead of the usual one or behind it. Three voices: the year's own weather, what the gardener
 * saw and wrote down, and the gardener's word, which overrides the rest. What was seen at single plants is shrunk:
 * a part belongs to the place in every year, a part to the one year, a part to the plant in every year.
 */
import type { Taxon } from "../catalogue/index.ts";
import {
  dayOfYear,
  partsOf,
  seasonDate,
  seasonPoint,
  YEAR_DAYS,
  type Hemisphere,
  type PlainDate,
} from "../calendar/index.ts";
import { ahead, clockOfYear, type Climate, type DaysOfYear, type SeasonClock } from "../climate/index.ts";
import type { Garden, Observation, Plant } from "../model/index.ts";
import {
  LEARNING_PRIORS,
  partsFrom,
  sifted,
  type Normal,
  type Parts,
  type Stranger,
  type Told,
} from "../learning/index.ts";
import { grouped, type Days } from "../units/index.ts";
import { madeByWarmth, plantYear, type DisplayYear, type PlantYear } from "./plantYear.ts";
import { credible } from "./seenYear.ts";

/** Standard deviations, days. Ours: the clock's is what the published index leaves open, the others from memory of phenology networks. */
export const PACE_ASSUMPTIONS = {
  /** What is left of one entry when place, year and plant are known. */
  note: 5,
  /** A plant against its kind: what nurseries sell under one name flowers three weeks apart. */
  plant: 10,
  /** A place against what its clock says: the clock's own doubt, held between these. */
  place: [3, 6],
  /** A year against the usual one, when its weather is not known. */
  year: 9,
  /** A year against what the clock makes of its weather. */
  yearOfKnownWeather: 4,
  /** A year is said to run ahead or behind from so many days on. */
  worthSaying: 2,
} as const;

/** A first leaf or flower that was written down, against its expected day. */
export interface PaceNote {
  readonly plantId: string;
  readonly seasonYear: number;
  readonly on: PlainDate;
  /** Days before its expected day (after: negative). */
  readonly aheadDays: Days;
  /** The entry it is from, and whether the gardener vouched for it. */
  readonly id: string;
  readonly sure: boolean;
}

/** How far a season runs ahead of a usual one, with what says so. */
export interface Pace {
  readonly seasonYear: number;
  /** Days ahead of the usual year; behind when negative. */
  readonly days: Days;
  /** Where it comes from; "usual" when nothing is known of the year. */
  readonly from: "usual" | "gardener" | "weather" | "notes" | "weather-and-notes";
  /** What each voice says, days ahead; null where it is silent. */
  readonly byWeather: Days | null;
  readonly byNotes: Days | null;
  /** What was found to hold at this place in every year. */
  readonly ofPlace: Days;
  readonly notes: readonly PaceNote[];
  /** Days of the year that are known, and whether any of them come from the simulated station. */
  readonly daysKnown: number;
  readonly simulated: boolean;
}

/** The observed days of a hemisphere's year, by season day; null when none is known. 29 February is left out. */
export function observedDays(weather: Garden["weather"], climate: Climate, seasonYear: number): DaysOfYear | null {
  const byYear = new Map(weather.map((w) => [w.year, w]));
  const [a, b] = [byYear.get(seasonYear), byYear.get(seasonYear + 1)];
  if (!a && (climate.hemisphere === "north" || !b)) return null;
  const at = (list: "tminC" | "tmaxC", day: number): number | null => {
    const on = seasonDate(seasonYear, day, climate.hemisphere);
    return byYear.get(partsOf(on).year)?.[list][dayOfYear(on)] ?? null;
  };
  const list = (name: "tminC" | "tmaxC"): (number | null)[] =>
    Array.from({ length: YEAR_DAYS }, (_, day) => at(name, day));
  return { tminC: list("tminC"), tmaxC: list("tmaxC") };
}

/** Displays whose day the warmth of the year makes: a fixed or an autumn one says nothing of its pace. */
const tells = (d: DisplayYear): boolean => d.display.weight >= 0.5 && madeByWarmth(d.display.opens, d.opens.day);

/** Days before the forecast on which an entry says that a stage came, the nearest of the stages it may mean; null when it says nothing of the year. */
function leadOf(o: Observation, taxon: Taxon, y: PlantYear, h: Hemisphere): Days | null {
  const day = seasonPoint(o.on, h).seasonDay;
  const nearest = (leads: readonly Days[]): Days | null =>
    leads.length === 0 ? null : leads.reduce((a, b) => (Math.abs(b) < Math.abs(a) ? b : a));
  const shown = y.displays.filter(tells);
  switch (o.kind) {
    case "first-leaf":
      return madeByWarmth(taxon.year.wakes, y.wakes.day) ? y.wakes.day - day : null;
    case "first-flower":
      return nearest(shown.map((d) => (d.opens.day % YEAR_DAYS) - day));
    case "in-flower": {
      // Inside its expected days it may have been out for one day or for twenty.
      const lead = nearest(
        shown.map((d) => (day < d.opens.day ? d.opens.day - day : day > d.ends.day ? d.ends.day - day : 0)),
      );
      return lead === 0 ? null : lead;
    }
    default:
      return null;
  }
}

function notesOf(
  garden: Pick<Garden, "observations" | "plants">,
  taxonOf: (p: Plant) => Taxon,
  climate: Climate,
  clockFor: (seasonYear: number) => SeasonClock,
): PaceNote[] {
  const plants = new Map(garden.plants.map((p) => [p.id, p]));
  // A kind's year is worked out once, however often it was looked at.
  const years = new Map<string, PlantYear>();
  const yearIn = (taxon: Taxon, seasonYear: number): PlantYear => {
    const key = `${taxon.id} ${seasonYear}`;
    let y = years.get(key);
    if (!y) years.set(key, (y = plantYear(taxon, clockFor(seasonYear))));
    return y;
  };
  const last = garden.observations.reduce((y, o) => Math.max(y, partsOf(o.on).year), 0);
  return garden.observations.flatMap((o): PaceNote[] => {
    if (!SPEAKS.has(o.kind) || partsOf(o.on).year < last - LEARNING_PRIORS.newest.seasons) return [];
    const plant = plants.get(o.plantId);
    if (plant?.identity !== null) return [];
    const { seasonYear } = seasonPoint(o.on, climate.hemisphere);
    const taxon = taxonOf(plant);
    const lead = leadOf(o, taxon, yearIn(taxon, seasonYear), climate.hemisphere);
    return lead === null ? [] : [{ plantId: o.plantId, seasonYear, on: o.on, aheadDays: lead, id: o.id, sure: o.sure }];
  });
}
const SPEAKS: ReadonlySet<Observation["kind"]> = new Set(["first-leaf", "first-flower", "in-flower"]);

/** Names of the parts of a lead. */
const PLACE = "place";
const yearPart = (seasonYear: number): string => `year ${seasonYear}`;

/** What one plant told in one year: the mean of its entries. */
export interface DateTold extends Told {
  readonly plantId: string;
  readonly seasonYear: number;
  readonly notes: readonly PaceNote[];
}

/** Entries as numbers that are sums of place, year and plant. Entries of one plant in one year count as one. */
function datesTold(notes: readonly PaceNote[]): readonly DateTold[] {
  return [...grouped(notes, (n) => `${n.seasonYear}|${n.plantId}`).values()].map((own) => {
    const { plantId, seasonYear } = own[0]!;
    return {
      plantId,
      seasonYear,
      notes: own,
      value: own.reduce((sum, n) => sum + n.aheadDays, 0) / own.length,
      sd: PACE_ASSUMPTIONS.note,
      shared: [PLACE, yearPart(seasonYear)],
      own: plantId,
    };
  });
}

/** A season's own clock, fitted to what was seen and measured. */
export interface YearClock {
  readonly pace: Pace;
  /** The climate's own clock when nothing is known of the year. */
  readonly clock: SeasonClock;
}

/** The years of a garden, and how far single plants run ahead in every one of them. */
export interface YearClocks {
  readonly in: (seasonYear: number) => YearClock;
  /** Days that a plant runs ahead of its kind, from all years in which it was looked at. */
  readonly ofPlant: (plantId: string) => Days;
  /** The same with their doubt, and what they rest on, whether they are used or not. */
  readonly told: () => DatesTaught;
}
/** What was seen of dates, in every year of the garden. */
export interface DatesTaught {
  readonly place: Normal;
  /** Standard deviation of the place's part before anything was seen. */
  readonly placeDoubt: Days;
  readonly plant: (plantId: string) => Normal;
  readonly used: readonly DateTold[];
  /** Entries that fit nothing else that was seen: used for their own plant's year, and for nothing beyond. */
  readonly strangers: readonly Stranger<DateTold>[];
}
/** Names under which what was learnt of dates is set aside. */
export const DATES_OF_PLACE = "dates:place";
export const datesOfPlant = (plantId: string): string => `dates:${plantId}`;

/** What the dates of a garden were found to tell, so that it need not be worked out again of the same garden. */
export interface DatesKnown {
  /** Seasons that were asked for. */
  readonly paces: readonly Pace[];
  /** Days that plants run ahead of their kinds; those that run with them are not named. */
  readonly leads: Readonly<Record<string, Days>>;
}

/** Opens the years of a garden: what each runs like, and the clock its plants follow. */
export function yearClocks(
  garden: Pick<Garden, "observations" | "plants" | "weather" | "seasons" | "rules">,
  taxonOf: (p: Plant) => Taxon,
  climate: Climate,
  known: DatesKnown | null = null,
): YearClocks {
  const aside = new Set(garden.rules.setAside);
  const observed = new Map<number, { days: DaysOfYear; clock: SeasonClock } | null>();
  const weatherOf = (year: number): { days: DaysOfYear; clock: SeasonClock } | null => {
    let w = observed.get(year);
    if (w === undefined) {
      const days = observedDays(garden.weather, climate, year);
      observed.set(year, (w = days && { days, clock: clockOfYear(days, climate.expected) }));
    }
    return w;
  };
  const said = new Map(garden.seasons.map((s) => [s.seasonYear, s.paceDays]));
  let worked: DatesWorked | null = null;
  const dates = (): DatesWorked => (worked ??= datesWorked(garden, taxonOf, climate, weatherOf));
  const paceOf = (seasonYear: number): Pace => {
    const met = known?.paces.find((p) => p.seasonYear === seasonYear);
    if (met) return met;
    const { notes, yearSds, parts, byYear } = dates();
    const ofPlace = aside.has(DATES_OF_PLACE) ? 0 : parts.shared(PLACE).mean;
    const weather = weatherOf(seasonYear);
    const own = byYear.get(seasonYear) ?? [];
    const byWeather = weather ? climate.spring.bloom - weather.clock.spring.bloom : null;
    const byNotes =
      notes.length > 0
        ? ofPlace + (yearSds.has(yearPart(seasonYear)) ? parts.shared(yearPart(seasonYear)).mean : 0)
        : null;
    const word = said.get(seasonYear);
    return {
      seasonYear,
      days: word ?? (byWeather ?? 0) + (byNotes ?? 0),
      from:
        word !== undefined
          ? "gardener"
          : weather
            ? byNotes === null
              ? "weather"
              : "weather-and-notes"
            : byNotes === null
              ? "usual"
              : "notes",
      byWeather,
      byNotes,
      ofPlace,
      notes: own,
      simulated:
        weather !== null &&
        garden.weather.some((w) => w.source === "simulated" && (w.year === seasonYear || w.year === seasonYear + 1)),
      daysKnown: weather ? Array.from(weather.days.tmaxC).filter((t) => t !== null).length : 0,
    };
  };
  const clockOf = (seasonYear: number): YearClock => {
    const pace = paceOf(seasonYear);
    const weather = weatherOf(seasonYear);
    const word = said.get(seasonYear);
    const runs = ahead(weather?.clock ?? climate, pace.byNotes ?? 0);
    const clock = word === undefined ? (weather || pace.byNotes !== null ? runs : climate) : ahead(climate, word);
    return { clock, pace };
  };
  return {
    in: clockOf,
    ofPlant: (id) => (known ? (known.leads[id] ?? 0) : aside.has(datesOfPlant(id)) ? 0 : dates().told.plant(id).mean),
    told: () => dates().told,
  };
}

interface DatesWorked {
  readonly notes: readonly PaceNote[];
  readonly byYear: ReadonlyMap<number, readonly PaceNote[]>;
  readonly yearSds: ReadonlyMap<string, Days>;
  readonly parts: Parts;
  readonly told: DatesTaught;
}
/** Place, years and plants apart, from all that was seen. */
function datesWorked(
  garden: Pick<Garden, "observations" | "plants">,
  taxonOf: (p: Plant) => Taxon,
  climate: Climate,
  weatherOf: (seasonYear: number) => { readonly clock: SeasonClock } | null,
): DatesWorked {
  const a = PACE_ASSUMPTIONS;
  const notes = notesOf(garden, taxonOf, climate, (y) => weatherOf(y)?.clock ?? climate);
  const [least, most] = a.place;
  const yearSds = new Map(
    [...new Set(notes.map((n) => n.seasonYear))].map((y) => [
      yearPart(y),
      weatherOf(y) ? a.yearOfKnownWeather : a.year,
    ]),
  );
  const placeSd = Math.min(most, Math.max(least, climate.doubt.spring));
  const doubts = { shared: (n: string) => (n === PLACE ? placeSd : (yearSds.get(n) ?? a.year)), own: () => a.plant };
  const sorted = sifted(datesTold(notes), doubts, (t) => t.notes.some((n) => n.sure));
  // Of those that stay, one that lies far off counts for little: it more likely tells of something else.
  const parts = partsFrom(
    sorted.used.map((t) => ({
      ...t,
      value: t.notes.reduce((sum, n) => sum + credible(n.aheadDays), 0) / t.notes.length,
    })),
    doubts,
  );
  const told = {
    place: parts.shared(PLACE),
    placeDoubt: placeSd,
    plant: (id: string): Normal => parts.own(id),
    used: sorted.used,
    strangers: sorted.strangers,
  };
  return { notes, byYear: grouped(notes, (n) => n.seasonYear), yearSds, parts, told };
}
