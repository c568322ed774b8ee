/** The daily records of Seattle and New York 2012–15 (NOAA) as the core takes weather. */
import {
  dayOfYear,
  partsOf,
  date,
  type WeatherYear,
  type YearClock,
  yearClocks,
  type Climate,
  UNSAID_RULES,
} from "@wren/core";
import { table } from "./files.ts";

export const STATIONS = ["Seattle", "New York"] as const;
export type Station = (typeof STATIONS)[number];
export const YEARS = [2012, 2013, 2014, 2015] as const;

export interface RecordDay {
  readonly year: number;
  readonly month: number;
  readonly lo: number;
  readonly hi: number;
  readonly day: number;
}

export const daysAt = (place: Station): RecordDay[] =>
  table("daily-seattle-newyork-2012-2015.csv")
    .filter((r) => r["location"] === place)
    .map((r) => {
      const on = date(r["date"]!);
      const p = partsOf(on);
      return {
        year: p.year,
        month: p.month,
        day: dayOfYear(on),
        lo: Number(r["tmin_c"]),
        hi: Number(r["tmax_c"]),
      };
    });

export const weatherAt = (place: Station): WeatherYear[] =>
  YEARS.map((year) => {
    const days = daysAt(place).filter((d) => d.year === year);
    return {
      id: `weather-${year}`,
      year,
      source: "own",
      tminC: days.map((d) => d.lo),
      tmaxC: days.map((d) => d.hi),
      rainMm: days.map(() => null),
    };
  });

/** The clocks of the station's four years. */
export function clocksAt(place: Station, climate: Climate): readonly YearClock[] {
  const of = yearClocks(
    { weather: weatherAt(place), observations: [], plants: [], seasons: [], rules: UNSAID_RULES },
    () => {
      throw new Error("no plants here");
    },
    climate,
  );
  return YEARS.map(of.in);
}

export const mean = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0) / xs.length;
export const sd = (xs: readonly number[]): number => Math.sqrt(mean(xs.map((x) => (x - mean(xs)) ** 2)));
