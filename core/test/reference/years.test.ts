/** Synthetic years and real ones: frost dates, the two-hand clock on daily records, ranges on years held back. */
import { describe, expect, test } from "@jest/globals";
import {
  CATALOGUE,
  climateFromDays,
  climateOf,
  frostDates,
  giveOrTake,
  monthDay,
  monthDayToSeasonDay,
  plantYear,
  quantile,
  stageRanges,
  stagesOf,
  syntheticClocks,
  weatherYears,
  YEAR_DAYS,
  type Climate,
} from "@wren/core";
import { PLACE, PLACES, someKinds } from "../support.ts";
import { clocksAt, daysAt, mean, sd, STATIONS, weatherAt, YEARS, type Station } from "./records.ts";

/** Last frost before and first frost after midsummer of each synthetic year; null where there is none. */
function frosts(c: Climate, seed: number, count: number): { last: (number | null)[]; first: (number | null)[] } {
  const w = weatherYears(c, seed, count);
  const last: (number | null)[] = [];
  const first: (number | null)[] = [];
  const [cold, warm] = [Math.round(c.coldestDay), Math.round(c.warmestDay)];
  for (let y = 1; y < count - 1; y++) {
    const frosty = (d: number): boolean => w.tminC[y * YEAR_DAYS + d]! <= 0;
    const days = (from: number, to: number): number[] => Array.from({ length: to - from }, (_, i) => from + i);
    last.push(days(cold, warm).findLast(frosty) ?? null);
    first.push(days(warm, YEAR_DAYS + cold).find(frosty) ?? null);
  }
  return { last, first };
}
const median = (xs: readonly (number | null)[], none: number): number =>
  quantile(
    xs.map((x) => x ?? none).sort((a, b) => a - b),
    0.5,
  );

describe("synthetic years", () => {
  test("the same seed gives the same years, another seed others; no maximum below its minimum", () => {
    const c = climateOf(PLACE);
    const [a, b, other] = [weatherYears(c, 5, 3), weatherYears(c, 5, 3), weatherYears(c, 6, 3)];
    expect(a.tminC).toEqual(b.tminC);
    expect(a.tminC).not.toEqual(other.tminC);
    expect(a.tmaxC.every((hi, i) => hi > a.tminC[i]!)).toBe(true);
  });

  test.each(PLACES.filter((p) => p.lastFrost !== null).map((p) => [p.name, p] as const))(
    "%s: median frost dates of 1500 years are the entered ones to 2 days",
    (_, place) => {
      const c = climateOf(place);
      const { last, first } = frosts(c, 3, 1500);
      expect(Math.abs(median(last, -99) - monthDayToSeasonDay(place.lastFrost!, c.hemisphere))).toBeLessThanOrEqual(2);
      expect(Math.abs(median(first, 999) - monthDayToSeasonDay(place.firstFrost!, c.hemisphere))).toBeLessThanOrEqual(
        2,
      );
    },
  );

  // Zone and median frost dates of the two stations' own four years (NOAA daily); season days are one less than days of the year.
  test.each([
    ["Seattle", "9a", 47.6, "03-04", "11-17", [79, 63, 40, 63], [315, 325, 316, 327]],
    ["New York", "7b", 40.7, "04-01", "11-14", [87, 94, 106, 88], [311, 316, 319, 328]],
  ] as const)(
    "%s: the frost dates observed 2012–15 lie inside the 95 %% bands",
    (_, zone, lat, last, first, seenLast, seenFirst) => {
      const c = climateOf({ latitudeDeg: lat, zone, lastFrost: monthDay(last), firstFrost: monthDay(first) });
      const years = frosts(c, 11, 1000);
      const band = (xs: readonly (number | null)[], none: number): [number, number] => {
        const sorted = xs.map((x) => x ?? none).sort((a, b) => a - b);
        return [quantile(sorted, 0.025), quantile(sorted, 0.975)];
      };
      for (const [seen, [lo, hi]] of [
        [seenLast, band(years.last, -99)],
        [seenFirst, band(years.first, 999)],
      ] as const)
        for (const day of seen)
          expect(day - 1 >= lo && day - 1 <= hi ? "inside" : `${day} outside ${lo}–${hi}`).toBe("inside");
    },
  );

  test("months differ from year to year as much as the stations' do (NOAA daily: 0.25–0.27 of the daily variance)", () => {
    const c = climateOf(PLACE);
    const n = 300;
    const w = weatherYears(c, 2, n);
    const share = mean(
      Array.from({ length: 12 }, (_, m) => {
        const months = Array.from({ length: n }, (_unused, y) =>
          mean(
            Array.from({ length: 30 }, (_day, i) => {
              const d = m * 30 + i;
              return (w.tminC[y * YEAR_DAYS + d]! - c.tminC[d]!) / c.sdMinC[d]!;
            }),
          ),
        );
        return sd(months) ** 2;
      }),
    );
    expect(share).toBeGreaterThan(0.2);
    expect(share).toBeLessThan(0.3);
  });
});

describe("the two-hand clock on real years", () => {
  // Coastal New York: forsythia from late March to mid-April, lilac at the turn of April to May. Seattle: forsythia
  // from late February to mid-March, lilac in the second half of April (common knowledge).
  const WINDOWS: Readonly<Record<Station, readonly (readonly [string, string, string])[]>> = {
    Seattle: [
      ["forsythia-intermedia", "02-22", "03-15"],
      ["syringa-vulgaris", "04-15", "04-30"],
    ],
    "New York": [
      ["forsythia-intermedia", "03-25", "04-15"],
      ["syringa-vulgaris", "04-25", "05-08"],
    ],
  };
  const climateAt = (place: Station): Climate => {
    const lat = place === "Seattle" ? 47.6 : 40.7;
    const found = climateFromDays(weatherAt(place), lat)!;
    return climateOf({ latitudeDeg: lat, zone: found.zone, lastFrost: null, firstFrost: null, monthly: found.monthly });
  };
  /** Days by which a day misses a window; 0 inside it. */
  const miss = (day: number, from: string, to: string): number =>
    Math.max(0, monthDayToSeasonDay(monthDay(from), "north") - day, day - monthDayToSeasonDay(monthDay(to), "north"));

  const rows = STATIONS.flatMap((place) => WINDOWS[place].map(([id, from, to]) => ({ place, id, from, to })));
  test.each(rows)("$place, $id, usually $from to $to: the four-year mean within 14 days", ({ place, id, from, to }) => {
    const c = climateAt(place);
    const opens = clocksAt(place, c).map(({ clock }) => plantYear(CATALOGUE.byId(id)!, clock).displays[0]!.opens.day);
    const day = mean(opens);
    process.stdout.write(
      `  ${place} ${id}: mean season day ${day.toFixed(1)}, years ${opens.map((o) => o.toFixed(0)).join(", ")}; window ${from} to ${to}\n`,
    );
    expect(miss(day, from, to)).toBeLessThanOrEqual(14);
  });

  test("one base for both places does not: 234 °F·day from 1 January by averaging puts Seattle's lilac weeks late (Herms 2004)", () => {
    const late = (place: Station, dd: number): number =>
      mean(
        YEARS.map((y) => {
          let sum = 0;
          return daysAt(place)
            .filter((d) => d.year === y)
            .find((d) => (sum += Math.max(0, ((d.lo + d.hi) / 2) * 1.8 - 18)) >= dd)!.day;
        }),
      );
    expect(miss(late("New York", 234), "04-25", "05-08")).toBeLessThanOrEqual(14);
    expect(miss(late("Seattle", 234), "04-15", "04-30")).toBeGreaterThan(14);
    expect(miss(late("Seattle", 86), "02-22", "03-15")).toBeGreaterThan(14);
  });

  test("ranks the years as they were: New York 2012 far ahead, Seattle 2015 first and 2012 last (NOAA daily)", () => {
    const paces = (place: Station): number[] => clocksAt(place, climateAt(place)).map(({ pace }) => pace.days);
    const ny = paces("New York");
    expect(ny[0]! - mean(ny.slice(1))).toBeGreaterThan(14);
    const seattle = paces("Seattle");
    expect(seattle.indexOf(Math.max(...seattle))).toBe(3);
    expect(seattle.indexOf(Math.min(...seattle))).toBe(0);
  });
});

describe("ranges", () => {
  test("of synthetic years held back, 75–88 % fall inside the 80 % ranges, and the ranges are narrow", () => {
    let [inside, all, width, stages] = [0, 0, 0, 0];
    for (const place of PLACES.filter((p) => ["Test plot", "coast", "inland", "south"].includes(p.name))) {
      // The years' own spread; what is not known of the place comes on top.
      const c = { ...climateOf(place), doubt: { spring: 0, autumn: 0 } };
      const [known, heldBack] = [syntheticClocks(c, 1, 300), syntheticClocks(c, 2, 200)];
      for (const taxon of someKinds(5, 60)) {
        const ranges = stageRanges(
          taxon,
          c,
          known.map((k) => plantYear(taxon, k)),
        );
        const year = plantYear(taxon, c, ranges);
        const moving = stagesOf(year).filter(([, s]) => giveOrTake(s) > 1);
        for (const [name, s] of moving) {
          width += 2 * giveOrTake(s);
          stages++;
          for (const k of heldBack) {
            const day = stagesOf(plantYear(taxon, k)).find(([n]) => n === name)?.[1].day;
            if (day === undefined || !Number.isFinite(day)) continue;
            all++;
            if (day >= s.earliest - 0.5 && day <= s.latest + 0.5) inside++;
          }
        }
      }
    }
    process.stdout.write(
      `  80 % ranges: ${((100 * inside) / all).toFixed(1)} % of held-back stages inside, mean width ${(width / stages).toFixed(1)} days\n`,
    );
    expect(inside / all).toBeGreaterThan(0.75);
    expect(inside / all).toBeLessThan(0.88);
    expect(width / stages).toBeLessThan(30);
  });

  test("the middle of the years is the expected day, within three days in spring", () => {
    for (const place of PLACES.filter((p) => ["Test plot", "coast", "inland"].includes(p.name))) {
      const c = climateOf(place);
      const blooms = syntheticClocks(c, 4, 300)
        .map((k) => k.spring.bloom)
        .sort((a, b) => a - b);
      expect(Math.abs(quantile(blooms, 0.5) - c.spring.bloom)).toBeLessThan(3);
      expect(frostDates(c, 0, 0.5).last).not.toBeNull();
    }
  });
});
