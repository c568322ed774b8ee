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
import { grouped, type Days } from "../units/index.ts";
import { plantYear, type DisplayYear, type PlantYear } from "./plantYear.ts";
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
const tells = (d: DisplayYear): boolean =>
  d.display.weight >= 0.5 && (d.display.opens.rule === "spring" || d.display.opens.rule === "warmth");

/** Days before the forecast on which an entry says that a stage came, the nearest of the stages it may mean; null when it says nothing of the year. */
function leadOf(o: Observation, taxon: Taxon, y: PlantYear, h: Hemisphere): Days | null {
  const day = seasonPoint(o.on, h).seasonDay;
  const nearest = (leads: readonly Days[]): Days | null =>
    leads.length === 0 ? null : leads.reduce((a, b) => (Math.abs(b) < Math.abs(a) ? b : a));
  const shown = y.displays.filter(tells);
  switch (o.kind) {
    case "first-leaf":
      return taxon.year.wakes.rule === "spring" || taxon.year.wakes.rule === "warmth" ? y.wakes.day - day : null;
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
  return garden.observations.flatMap((o): PaceNote[] => {
    const plant = plants.get(o.plantId);
    if (plant?.identity !== null || !SPEAKS.has(o.kind)) return [];
    const { seasonYear } = seasonPoint(o.on, climate.hemisphere);
    const taxon = taxonOf(plant);
    const lead = leadOf(o, taxon, plantYear(taxon, clockFor(seasonYear)), climate.hemisphere);
    return lead === null ? [] : [{ plantId: o.plantId, seasonYear, on: o.on, aheadDays: lead }];
  });
}
const SPEAKS: ReadonlySet<Observation["kind"]> = new Set(["first-leaf", "first-flower", "in-flower"]);

/** What runs ahead of the forecast in every year, in one year, and at one plant in every year. */
interface Leads {
  readonly ofPlace: Days;
  readonly ofYear: ReadonlyMap<number, Days>;
  readonly ofPlant: ReadonlyMap<string, Days>;
}

/** Rounds of the relaxation, at most, and the change that ends it, days. */
const ROUNDS = { most: 400, still: 1e-4 } as const;

/**
 * The likeliest leads of place, years and plants together: each entry is their sum and an error, each of them normal
 * around nothing. Solved by relaxation, one after another against what the others leave (a positive definite system,
 * so it settles). Entries of one plant in one year count as one.
 */
function leadsOf(notes: readonly PaceNote[], placeSd: Days, yearSdOf: (seasonYear: number) => Days): Leads {
  const sums = new Map<string, { plant: string; year: number; sum: number; count: number }>();
  for (const n of notes) {
    const key = `${n.seasonYear}|${n.plantId}`;
    const s = sums.get(key) ?? { plant: n.plantId, year: n.seasonYear, sum: 0, count: 0 };
    sums.set(key, { ...s, sum: s.sum + credible(n.aheadDays), count: s.count + 1 });
  }
  const data = [...sums.values()].map(({ plant, year, sum, count }) => ({ plant, year, lead: sum / count }));
  const [ofYear, ofPlant] = [new Map<number, Days>(), new Map<string, Days>()];
  let ofPlace = 0;
  const noise = 1 / PACE_ASSUMPTIONS.note ** 2;
  const shrunk = (left: readonly Days[], sd: Days): Days =>
    (noise * left.reduce((a, b) => a + b, 0)) / (noise * left.length + 1 / sd ** 2);
  for (let round = 0, moved = Infinity; round < ROUNDS.most && moved > ROUNDS.still; round++) {
    const was = [ofPlace, ...ofYear.values(), ...ofPlant.values()];
    const y = (d: { year: number }): Days => ofYear.get(d.year) ?? 0;
    const p = (d: { plant: string }): Days => ofPlant.get(d.plant) ?? 0;
    ofPlace = shrunk(
      data.map((d) => d.lead - y(d) - p(d)),
      placeSd,
    );
    for (const [year, own] of grouped(data, (d) => d.year))
      ofYear.set(
        year,
        shrunk(
          own.map((d) => d.lead - ofPlace - p(d)),
          yearSdOf(year),
        ),
      );
    for (const [plant, own] of grouped(data, (d) => d.plant))
      ofPlant.set(
        plant,
        shrunk(
          own.map((d) => d.lead - ofPlace - y(d)),
          PACE_ASSUMPTIONS.plant,
        ),
      );
    const now = [ofPlace, ...ofYear.values(), ...ofPlant.values()];
    moved = round === 0 ? Infinity : Math.max(...now.map((x, i) => Math.abs(x - was[i]!)));
  }
  return { ofPlace, ofYear, ofPlant };
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
}

/** Opens the years of a garden: what each runs like, and the clock its plants follow. */
export function yearClocks(
  garden: Pick<Garden, "observations" | "plants" | "weather" | "seasons">,
  taxonOf: (p: Plant) => Taxon,
  climate: Climate,
): YearClocks {
  const a = PACE_ASSUMPTIONS;
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
  const [least, most] = a.place;
  const leads = leadsOf(notes, Math.min(most, Math.max(least, climate.doubt.spring)), (y) =>
    weatherOf(y) ? a.yearOfKnownWeather : a.year,
  );
  const byYear = grouped(notes, (n) => n.seasonYear);
  const said = new Map(garden.seasons.map((s) => [s.seasonYear, s.paceDays]));
  const clockOf = (seasonYear: number): YearClock => {
    const weather = weatherOf(seasonYear);
    const own = byYear.get(seasonYear) ?? [];
    const byWeather = weather ? climate.spring.bloom - weather.clock.spring.bloom : null;
    const byNotes = notes.length > 0 ? leads.ofPlace + (leads.ofYear.get(seasonYear) ?? 0) : null;
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
        ofPlace: leads.ofPlace,
        notes: own,
        simulated:
          weather !== null &&
          garden.weather.some((w) => w.source === "simulated" && (w.year === seasonYear || w.year === seasonYear + 1)),
        daysKnown: weather ? Array.from(weather.days.tmaxC).filter((t) => t !== null).length : 0,
      },
    };
  };
  return { in: clockOf, ofPlant: (id) => leads.ofPlant.get(id) ?? 0 };
}
