/** A simulated station: days that the place's climate could have had, always the same ones. Never mistaken for observed weather. */
import { addDays, daysBetween, makeDate, partsOf, seasonPoint, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import { seeded, weatherYears, type Climate, type WeatherYears } from "../climate/index.ts";
import type { WeatherYear } from "../model/index.ts";
import { inYears } from "./readWeather.ts";

/** Share of days with rain, and its mean on those days, mm: about a temperate year's, from memory. */
const WET = 0.3;
const RAIN_MM = 6;
/** The station also says what it expects of the days just ahead. */
export const OUTLOOK_DAYS = 7;

/** The same place has the same weather, another place another. */
const seedOf = (c: Climate, seasonYear: number): number =>
  Math.round(c.place.latitudeDeg * 1000) * 31 + Math.round(c.tminC[0]! * 100) * 17 + seasonYear;

/** Days of the calendar year of a date, from its first day to some days past the date. */
export function simulatedDays(c: Climate, to: PlainDate): WeatherYear[] {
  const from = makeDate(partsOf(to).year, 1, 1);
  const years = new Map<number, WeatherYears>();
  const n = daysBetween(from, to) + OUTLOOK_DAYS + 1;
  return inYears(
    Array.from({ length: n }, (_, i) => {
      const on = addDays(from, i);
      const { seasonYear, seasonDay } = seasonPoint(on, c.hemisphere);
      let y = years.get(seasonYear);
      if (!y) years.set(seasonYear, (y = weatherYears(c, seedOf(c, seasonYear), 1)));
      const random = seeded(seedOf(c, seasonYear) * YEAR_DAYS + seasonDay);
      const wet = random() < WET;
      return {
        on,
        lo: y.tminC[seasonDay]!,
        hi: y.tmaxC[seasonDay]!,
        rain: wet ? -RAIN_MM * Math.log(1 - random()) : 0,
      };
    }),
    "simulated",
  );
}
