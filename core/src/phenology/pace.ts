/**
 * How far a year runs ahead of the usual one or behind it. Three voices: the year's own weather, flowers the
 * gardener wrote down, and the gardener's word, which overrides the rest. Notes of single plants are shrunk:
 * a part belongs to the place in every year, a part to the one year, the rest to the plant.
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
  type SeasonDay,
} from "../calendar/index.ts";
import { ahead, clockOfYear, type Climate, type DaysOfYear, type SeasonClock } from "../climate/index.ts";
import type { Garden, Observation, Plant } from "../model/index.ts";
import type { Days } from "../units/index.ts";
import { plantYear, type DisplayYear, type PlantYear } from "./plantYear.ts";

/** Standard deviations, days. Ours: the clock's is what the published index leaves open, the others from memory of phenology networks. */
export const PACE_ASSUMPTIONS = {
  /** One plant's first flower against its kind's expected day. */
  note: 7,
  /** A place against what its zone and frost dates (or months) say. */
  place: 8,
  /** A year against the usual one, when its weather is not known. */
  year: 9,
  /** A year against what the clock makes of its weather. */
  yearOfKnownWeather: 4,
  /** A flower so far from its day is another flush, or another plant. */
  most: 45,
  /** A year is said to run ahead or behind from so many days on. */
  worthSaying: 2,
} as const;

/** A flower that was written down, against its expected day. */
export interface PaceNote {
  readonly plantId: string;
  readonly seasonYear: number;
  readonly on: PlainDate;
  /** Days before its expected day (after: negative). */
  readonly aheadDays: Days;
}

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
const tells = (d: DisplayYear): boolean =>
  d.display.weight >= 0.5 && (d.display.opens.rule === "spring" || d.display.opens.rule === "warmth");

function notesOf(
  garden: Pick<Garden, "observations" | "plants">,
  taxonOf: (p: Plant) => Taxon,
  climate: Climate,
  clockFor: (seasonYear: number) => SeasonClock,
): PaceNote[] {
  const plants = new Map(garden.plants.map((p) => [p.id, p]));
  return garden.observations.flatMap((o): PaceNote[] => {
    const plant = plants.get(o.plantId);
    if (o.kind !== "first-flower" || plant?.identity !== null) return [];
    const { seasonYear, seasonDay } = seasonPoint(o.on, climate.hemisphere);
    const shown = plantYear(taxonOf(plant), clockFor(seasonYear)).displays.filter(tells);
    const offsets = shown.map((d) => (d.opens.day % YEAR_DAYS) - seasonDay);
    const nearest = offsets.sort((a, b) => Math.abs(a) - Math.abs(b))[0];
    return nearest === undefined || Math.abs(nearest) > PACE_ASSUMPTIONS.most
      ? []
      : [{ plantId: o.plantId, seasonYear, on: o.on, aheadDays: nearest }];
  });
}

const mean = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0) / xs.length;

/** What the notes of all years say of the place, each year counting by how sure it is. */
function placeEffect(byYear: ReadonlyMap<number, readonly PaceNote[]>, known: (year: number) => boolean): Days {
  const a = PACE_ASSUMPTIONS;
  let [sum, weight] = [0, 1 / a.place ** 2];
  for (const [year, notes] of byYear) {
    const variance = a.note ** 2 / notes.length + (known(year) ? a.yearOfKnownWeather : a.year) ** 2;
    sum += mean(notes.map((n) => n.aheadDays)) / variance;
    weight += 1 / variance;
  }
  return sum / weight;
}

export interface YearClock {
  readonly pace: Pace;
  /** The climate's own clock when nothing is known of the year. */
  readonly clock: SeasonClock;
}

/** Opens the years of a garden: what each runs like, and the clock its plants follow. */
export function yearClocks(
  garden: Pick<Garden, "observations" | "plants" | "weather" | "seasons">,
  taxonOf: (p: Plant) => Taxon,
  climate: Climate,
): (seasonYear: number) => YearClock {
  const observed = new Map<number, { days: DaysOfYear; clock: SeasonClock } | null>();
  const weatherOf = (year: number): { days: DaysOfYear; clock: SeasonClock } | null => {
    let w = observed.get(year);
    if (w === undefined) {
      const days = observedDays(garden.weather, climate, year);
      observed.set(year, (w = days && { days, clock: clockOfYear(days, climate.expected) }));
    }
    return w;
  };
  const notes = notesOf(garden, taxonOf, climate, (y) => weatherOf(y)?.clock ?? climate);
  const byYear = new Map<number, PaceNote[]>();
  for (const n of notes) byYear.set(n.seasonYear, [...(byYear.get(n.seasonYear) ?? []), n]);
  const ofPlace = placeEffect(byYear, (y) => weatherOf(y) !== null);
  const said = new Map(garden.seasons.map((s) => [s.seasonYear, s.paceDays]));
  return (seasonYear) => {
    const a = PACE_ASSUMPTIONS;
    const weather = weatherOf(seasonYear);
    const own = byYear.get(seasonYear) ?? [];
    const yearSd = weather ? a.yearOfKnownWeather : a.year;
    const ofYear =
      own.length === 0
        ? 0
        : (mean(own.map((n) => n.aheadDays)) - ofPlace) * (yearSd ** 2 / (yearSd ** 2 + a.note ** 2 / own.length));
    const byWeather = weather ? climate.spring.bloom - weather.clock.spring.bloom : null;
    const byNotes = notes.length > 0 ? ofPlace + ofYear : null;
    const word = said.get(seasonYear);
    const worked = ahead(weather?.clock ?? climate, byNotes ?? 0);
    const clock = word === undefined ? (weather || byNotes !== null ? worked : climate) : ahead(climate, word);
    return {
      clock,
      pace: {
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
      },
    };
  };
}

/** A plant that is looked at and still in flower will be so for some days more. */
const STILL_DAYS = 3;

/**
 * How far a plant's own flowers of this season put it ahead of its kind's expected days (0 when none was written
 * down): the last flower counts before the first, and a look that found it still in flower before neither.
 * @param lateWaker its school waits for growth to show
 */
export function plantShift(
  year: PlantYear,
  observations: readonly Observation[],
  h: Hemisphere,
  on: PlainDate,
  lateWaker: boolean,
): Days {
  const main = year.displays.find(tells);
  const { seasonYear } = seasonPoint(on, h);
  const own = observations.filter((o) => o.on <= on && seasonPoint(o.on, h).seasonYear === seasonYear);
  const dayOf = (o: Observation): SeasonDay => seasonPoint(o.on, h).seasonDay;
  const woke = lateWaker ? own.find((o) => o.kind === "growth-seen") : undefined;
  const near = (days: Days): Days => (Math.abs(days) <= PACE_ASSUMPTIONS.most ? Math.round(days) : 0);
  // Where growth is waited for, the day it was first seen is the day the plant woke, when that is later than expected.
  const late = woke ? Math.min(0, near(year.wakes.day - dayOf(woke))) : 0;
  if (!main) return late;
  const over = own.findLast((o) => o.kind === "last-flower");
  if (over) return near(main.ends.day - dayOf(over));
  const first = own.findLast((o) => o.kind === "first-flower");
  const shift = first ? near(main.opens.day - dayOf(first)) : late;
  const still = own.findLast((o) => o.kind === "not-yet" && o.lookedFor === "last-flower");
  return still ? Math.min(shift, near(main.ends.day - dayOf(still) - STILL_DAYS)) : shift;
}
