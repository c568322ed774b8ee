/** From observed years to a place: monthly means with their spread, zone and frost dates. */
import {
  addDays,
  hemisphereOf,
  makeDate,
  seasonDate,
  seasonPoint,
  YEAR_DAYS,
  type MonthDay,
  type PlainDate,
} from "../calendar/index.ts";
import { yearFromMonths, zoneOf, type MonthlyClimate, type Zone } from "../climate/index.ts";
import type { WeatherYear } from "../model/index.ts";
import { quantile } from "../phenology/index.ts";

/** Monthly normals counted from observed days, °C. */
export interface ObservedClimate {
  readonly monthly: MonthlyClimate;
  readonly zone: Zone;
  /** Median dates; null when fewer than half of the years have a frost on that side. */
  readonly lastFrost: MonthDay | null;
  readonly firstFrost: MonthDay | null;
  readonly years: number;
}

/** A calendar year with fewer days tells nothing of its coldest night. */
const FULL_YEAR_DAYS = 340;
/** A month needs so many days, over all years, for a mean. */
const LEAST_DAYS = 20;

interface Day {
  readonly on: PlainDate;
  readonly lo: number;
  readonly hi: number;
}

function daysOf(weather: readonly WeatherYear[]): Day[] {
  return weather.flatMap((w) =>
    w.tminC.flatMap((lo, i): Day[] => {
      const hi = w.tmaxC[i] ?? null;
      return lo === null || hi === null ? [] : [{ on: dayIn(w.year, i), lo, hi }];
    }),
  );
}
const dayIn = (year: number, i: number): PlainDate => addDays(makeDate(year, 1, 1), i);

const mean = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0) / xs.length;

/** Spread by calendar month of what is left over the smooth year. */
function spreads(
  days: readonly Day[],
  value: (d: Day) => number,
  months: readonly number[],
  latitudeDeg: number,
): number[] {
  const h = hemisphereOf(latitudeDeg);
  const curve = yearFromMonths(months, h);
  const sums = Array.from({ length: 12 }, () => [0, 0] as [number, number]);
  for (const d of days) {
    const left = value(d) - curve[seasonPoint(d.on, h).seasonDay]!;
    const m = sums[Number(d.on.slice(5, 7)) - 1]!;
    m[0] += left * left;
    m[1]++;
  }
  return sums.map(([sum, n]) => Math.round(Math.sqrt(sum / Math.max(1, n)) * 100) / 100);
}

/** Median day, over the years, of the last frost before and the first after midsummer. */
function frostsOf(days: readonly Day[], latitudeDeg: number): Pick<ObservedClimate, "lastFrost" | "firstFrost"> {
  const h = hemisphereOf(latitudeDeg);
  const byYear = new Map<number, { last: number | null; first: number | null; seen: number }>();
  for (const d of days) {
    const { seasonYear, seasonDay } = seasonPoint(d.on, h);
    const y = byYear.get(seasonYear) ?? { last: null, first: null, seen: 0 };
    byYear.set(seasonYear, y);
    y.seen++;
    if (d.lo > 0) continue;
    if (seasonDay < YEAR_DAYS / 2) y.last = Math.max(y.last ?? 0, seasonDay);
    else y.first = Math.min(y.first ?? YEAR_DAYS, seasonDay);
  }
  const full = [...byYear.values()].filter((y) => y.seen >= FULL_YEAR_DAYS);
  const median = (side: "last" | "first"): MonthDay | null => {
    const met = full.flatMap((y) => (y[side] === null ? [] : [y[side]])).sort((a, b) => a - b);
    if (met.length * 2 < full.length || met.length === 0) return null;
    const md = seasonDate(2025, Math.round(quantile(met, 0.5)), h).slice(5);
    return (md === "02-29" ? "02-28" : md) as MonthDay;
  };
  const [lastFrost, firstFrost] = [median("last"), median("first")];
  return lastFrost === null || firstFrost === null ? { lastFrost: null, firstFrost: null } : { lastFrost, firstFrost };
}

/**
 * Works a place out of its observed years.
 * @returns null when a month has too few days, or no calendar year is nearly whole
 */
export function climateFromDays(weather: readonly WeatherYear[], latitudeDeg: number): ObservedClimate | null {
  const days = daysOf(weather);
  const months = Array.from({ length: 12 }, (_, m) => days.filter((d) => Number(d.on.slice(5, 7)) === m + 1));
  const full = weather.filter((w) => w.tminC.filter((t) => t !== null).length >= FULL_YEAR_DAYS);
  if (full.length === 0 || months.some((m) => m.length < LEAST_DAYS)) return null;
  const means = (value: (d: Day) => number): number[] => months.map((m) => Math.round(mean(m.map(value)) * 100) / 100);
  const [tminC, tmaxC] = [means((d) => d.lo), means((d) => d.hi)];
  const middle = tminC.map((t, i) => (t + tmaxC[i]!) / 2);
  return {
    monthly: {
      tminC,
      tmaxC,
      sdMinC: spreads(days, (d) => d.lo, tminC, latitudeDeg),
      sdMeanC: spreads(days, (d) => (d.lo + d.hi) / 2, middle, latitudeDeg),
    },
    zone: zoneOf(mean(full.map((w) => Math.min(...w.tminC.filter((t) => t !== null))))),
    ...frostsOf(days, latitudeDeg),
    years: full.length,
  };
}
