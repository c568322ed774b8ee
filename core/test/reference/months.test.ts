/** From twelve monthly means to a year: acceptance lines of the outside checks, computed by independent least squares. */
import { describe, expect, test } from "@jest/globals";
import {
  checkPlaceClimate,
  climateFromDays,
  climateOf,
  expectedByAverage,
  frostDates,
  monthMeans,
  singleSine,
  yearFromMonths,
  zoneMinimumC,
  zoneOf,
  type Climate,
} from "@wren/core";
import { PLACE, PLACES } from "../support.ts";
import { table } from "./files.ts";
import { daysAt, mean, STATIONS, weatherAt, YEARS } from "./records.ts";

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"] as const;
const rms = (xs: readonly number[]): number => Math.sqrt(mean(xs.map((x) => x * x)));
const worst = (xs: readonly number[]): number => Math.max(...xs.map(Math.abs));
/** What is left of twelve means when the curve through them is averaged over each twelfth of the year again. */
function left(means: readonly number[]): number[] {
  const year = yearFromMonths(means, "north");
  const at = (t: number): number => year[Math.floor(((t % 365) + 365) % 365)]!;
  return means.map((m, k) => mean(Array.from({ length: 400 }, (_, i) => at(((k + (i + 0.5) / 400) * 365) / 12))) - m);
}

describe("two harmonics through twelve means", () => {
  test("Seattle's hourly normals (NOAA 1981–2010): daily means within 0.30 °C rms, 0.75 at worst", () => {
    const days = new Map<string, number[]>();
    for (const r of table("seattle-hourly-normals-1981-2010.csv")) {
      const day = r["month_day_hour"]!.slice(0, 5);
      days.set(day, [...(days.get(day) ?? []), Number(r["temp_c"])]);
    }
    const daily = [...days].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, xs]) => mean(xs));
    expect(daily).toHaveLength(365);
    const off = yearFromMonths(monthMeans(daily, "north"), "north").map((x, d) => x - daily[d]!);
    expect(rms([...off])).toBeLessThanOrEqual(0.3);
    expect(worst([...off])).toBeLessThanOrEqual(0.75);
  });

  test.each([
    ["France, 30 cities", "france-30-cities-monthly-mean-C.csv", MONTHS, 0.3, 0.7],
    [
      "Colorado minima, 68 stations",
      "colorado-stations-monthly-normals-C-1961-1990.csv",
      MONTHS.map((m) => `tmin_${m}`),
      0.95,
      1.7,
    ],
    [
      "Colorado maxima, 68 stations",
      "colorado-stations-monthly-normals-C-1961-1990.csv",
      MONTHS.map((m) => `tmax_${m}`),
      0.95,
      1.7,
    ],
  ] as const)("%s: every curve within its line", (_, file, columns, most, mostMax) => {
    const all = table(file).map((r) => left(columns.map((c) => Number(r[c]))));
    expect(all.length).toBeGreaterThanOrEqual(30);
    expect(Math.max(...all.map(rms))).toBeLessThanOrEqual(most);
    expect(Math.max(...all.map(worst))).toBeLessThanOrEqual(mostMax);
  });

  test("Nottingham 1920–39: the mean of twenty years within 0.30 °C rms, 0.70 at worst", () => {
    const rows = table("nottingham-monthly-mean-F-1920-1939.csv");
    const means = MONTHS.map((m) => (mean(rows.map((r) => Number(r[m]))) - 32) / 1.8);
    expect(rms(left(means))).toBeLessThanOrEqual(0.3);
    expect(worst(left(means))).toBeLessThanOrEqual(0.7);
  });

  test("a pure harmonic comes back whole, to the uneven months; its height is not flattened by the averaging (factor 1.0115)", () => {
    const year = Array.from({ length: 365 }, (_, d) => 11 - 8 * Math.cos((2 * Math.PI * (d - 20)) / 365));
    const back = yearFromMonths(monthMeans(year, "north"), "north");
    expect(worst([...back].map((x, d) => x - year[d]!))).toBeLessThan(0.25);
    expect(Math.max(...back) - Math.min(...back)).toBeGreaterThan(15.95);
  });
});

const PLACE_OF = {
  Seattle: { latitudeDeg: 47.6, zone: "9a", lastFrost: null, firstFrost: null },
  "New York": { latitudeDeg: 40.7, zone: "7b", lastFrost: null, firstFrost: null },
} as const;

describe("expected degree-days from months and spread, against four real years (base 50 °F; NOAA daily)", () => {
  // Month ends 31 March, 30 April, 31 May, 30 June, 30 September, 31 December.
  const ENDS = [90, 120, 151, 181, 273, 365];
  const within = (got: number, real: number): string =>
    Math.abs(got - real) <= Math.max(10, 0.155 * real) ? "within" : `${got.toFixed(1)} for ${real.toFixed(1)} °F·day`;
  test.each(STATIONS)(
    "%s: within the larger of 10 °F·day and 15.5 %% at every checkpoint, both ways of counting",
    (place) => {
      const { monthly } = climateFromDays(weatherAt(place), PLACE_OF[place].latitudeDeg)!;
      const c = climateOf({ ...PLACE_OF[place], monthly });
      const f = (x: number): number => x * 1.8 + 32;
      const ohioUntil = (k: Climate, d: number): number =>
        Array.from(k.expected.ohioPerDay)
          .slice(0, d)
          .reduce((a, b) => a + b, 0);
      for (const end of ENDS) {
        const real = (count: (lo: number, hi: number) => number): number =>
          mean(
            YEARS.map((y) =>
              daysAt(place)
                .filter((d) => d.year === y && d.day < end + (y % 4 === 0 && end > 59 ? 1 : 0))
                .reduce((n, d) => n + count(f(d.lo), f(d.hi)), 0),
            ),
          );
        expect(
          within(
            ohioUntil(c, end) * 1.8,
            real((lo, hi) => singleSine(lo, hi, 50)),
          ),
        ).toBe("within");
        let averaged = 0;
        for (let d = 0; d < end; d++)
          averaged += expectedByAverage(f((c.tminC[d]! + c.tmaxC[d]!) / 2), c.sdMeanC[d]! * 1.8, 50);
        expect(
          within(
            averaged,
            real((lo, hi) => Math.max(0, (lo + hi) / 2 - 50)),
          ),
        ).toBe("within");
      }
    },
  );

  // Thom (1954) in closed form, computed values.
  test.each([
    [40, 7, 50, 0.240948],
    [50, 4, 50, 1.595769],
    [8, 3.5, 10, 0.618259],
    [10, 3.5, 10, 1.396298],
  ])("a normal day of mean %d, sd %d over %d gives %d", (mu, s, base, expected) =>
    expect(expectedByAverage(mu, s, base)).toBeCloseTo(expected, 5),
  );
});

describe("a place from its own months or days", () => {
  test.each(STATIONS)("%s: four observed years give its zone and about its frost dates", (place) => {
    const found = climateFromDays(weatherAt(place), PLACE_OF[place].latitudeDeg)!;
    expect(found.zone).toBe(PLACE_OF[place].zone);
    expect(found.years).toBe(4);
    const c = climateOf({ ...PLACE_OF[place], monthly: found.monthly });
    // Medians of the four years: 63 / 320.5 and 91 / 317.5 (NOAA daily); four years tell a median to about a week and a half.
    const [last, first] = place === "Seattle" ? [63, 320.5] : [91, 317.5];
    const back = frostDates(c, 0, 0.5);
    expect(Math.abs(back.last! - last)).toBeLessThan(12);
    expect(Math.abs(back.first! - first)).toBeLessThan(12);
    expect(Math.abs(c.coldestNightC - zoneMinimumC(found.zone))).toBeLessThan(4);
  });

  test("the months worked out for a place give the place again; half a year's shift gives the south", () => {
    for (const place of PLACES.filter((p) => p.lastFrost !== null)) {
      const c = climateOf(place);
      const months = { tminC: monthMeans(c.tminC, c.hemisphere), tmaxC: monthMeans(c.tmaxC, c.hemisphere) };
      const sds = { sdMinC: monthMeans(c.sdMinC, c.hemisphere), sdMeanC: monthMeans(c.sdMeanC, c.hemisphere) };
      const again = climateOf({ ...place, monthly: { ...months, ...sds } });
      expect(Math.abs(again.spring.bloom - c.spring.bloom)).toBeLessThan(2);
      expect(Math.abs(frostDates(again, 0, 0.5).last! - frostDates(c, 0, 0.5).last!)).toBeLessThan(2);
      const turn = (xs: number[]): number[] => [...xs.slice(6), ...xs.slice(0, 6)];
      const mirrored = climateOf({
        ...place,
        latitudeDeg: -place.latitudeDeg,
        monthly: {
          tminC: turn(months.tminC),
          tmaxC: turn(months.tmaxC),
          sdMinC: turn(sds.sdMinC),
          sdMeanC: turn(sds.sdMeanC),
        },
      });
      expect(Math.abs(mirrored.spring.bloom - again.spring.bloom)).toBeLessThan(5);
    }
  });

  const northern = {
    tminC: [-3, -2, 1, 7, 12, 17, 20, 20, 16, 10, 4, -1],
    tmaxC: [4, 6, 10, 17, 22, 27, 30, 29, 25, 18, 12, 6],
  };
  const flat = (x: number): number[] => Array.from({ length: 12 }, () => x);
  test.each([
    ["eleven months", { tminC: flat(4).slice(1), tmaxC: flat(9) }, "months-twelve"],
    ["a maximum below its minimum", { tminC: flat(9), tmaxC: flat(4) }, "months-order"],
    ["Fahrenheit", { tminC: flat(44), tmaxC: flat(61) }, "months-range"],
    ["the other hemisphere's months", { ...northern }, "months-hemisphere"],
  ])("refuses %s", (_, m, code) => {
    const r = checkPlaceClimate({
      ...PLACE,
      latitudeDeg: code === "months-hemisphere" ? -40 : 40,
      monthly: { ...m, sdMinC: null, sdMeanC: null },
    });
    expect(r.ok ? [] : [...new Set(r.issues.map((i) => i.code))]).toEqual([code]);
  });

  test("frost-free and summer-dry: months of a mild coast need no frost dates and give no NaN", () => {
    const m = {
      tminC: [12, 12, 13, 14, 16, 18, 20, 20, 19, 17, 15, 13],
      tmaxC: [19, 19, 20, 21, 23, 26, 29, 29, 28, 25, 22, 20],
    };
    const c = climateOf({
      latitudeDeg: 28,
      zone: zoneOf(6),
      lastFrost: null,
      firstFrost: null,
      monthly: { ...m, sdMinC: null, sdMeanC: null },
    });
    expect(frostDates(c, 0, 0.5)).toEqual({ last: null, first: null });
    expect([...c.tminC, ...c.tmaxC, c.warmthAt(365), c.spring.leaf, c.spring.bloom].every(Number.isFinite)).toBe(true);
  });
});
