import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  addDays,
  addYears,
  date,
  dayOfYear,
  daysBetween,
  fromDayNumber,
  makeDate,
  monthStart,
  parseDate,
  seasonDate,
  seasonPoint,
  seasonScanner,
  toDayNumber,
  turnsBy,
  YEAR_DAYS,
  yearDay,
  type Hemisphere,
  type PlainDate,
} from "@wren/core";
import "./seed.ts";

const numbers = fc.integer({ min: toDayNumber(date("1901-01-01")), max: toDayNumber(date("2199-12-31")) });
const dates = numbers.map(fromDayNumber);
const hemispheres = fc.constantFrom<Hemisphere>("north", "south");

describe("dates without clocks", () => {
  test("any day, whole or not, is some whole years and a day of one year", () => {
    const days = fc.integer({ min: -2_000_000, max: 2_000_000 }).map((n) => n / 997);
    fc.assert(
      fc.property(days, (day) => {
        expect(turnsBy(day) - Math.floor(day / YEAR_DAYS)).toBeCloseTo(0, 12);
        expect(yearDay(day)).toBeGreaterThanOrEqual(0);
        expect(yearDay(day)).toBeLessThan(YEAR_DAYS);
        const apart = Math.abs(day - YEAR_DAYS * turnsBy(day) - yearDay(day));
        expect(Math.min(apart, YEAR_DAYS - apart)).toBeLessThan(1e-9);
      }),
    );
    expect([-1, -1e-17, 0, 364, 365, 730].map(yearDay)).toEqual([364, 0, 0, 364, 0, 0]);
  });

  test("a day's number and its date say the same, and agree with the clock of the machine", () => {
    fc.assert(
      fc.property(numbers, (n) => {
        const d = fromDayNumber(n);
        expect(toDayNumber(d)).toBe(n);
        expect(parseDate(d)).toBe(d);
        expect(d).toBe(new Date(n * 86_400_000).toISOString().slice(0, 10));
      }),
    );
  });

  test("adding days counts them, one after the other sorts as text", () => {
    fc.assert(
      fc.property(dates, fc.integer({ min: -900, max: 900 }), (d, n) => {
        expect(daysBetween(d, addDays(d, n))).toBe(n);
        expect(d < addDays(d, n)).toBe(n > 0);
      }),
    );
  });

  test.each([
    ["2024-02-29", 1, "2025-02-28"],
    ["2023-02-28", 1, "2024-02-28"],
    ["2024-12-31", -4, "2020-12-31"],
  ])("%s and %i years is %s", (from, years, to) => expect(addYears(date(from), years)).toBe(to));

  test.each([
    ["2025-07-01", 6, "2026-01-01"],
    ["2025-11-30", 3, "2026-02-01"],
    ["2025-03-15", -3, "2024-12-01"],
  ])("from the month of %s, %i months on, a month starts on %s", (from, months, to) =>
    expect(monthStart(date(from), months)).toBe(to),
  );

  test.each(["2025-02-29", "2025-13-01", "2025-00-10", "25-01-01", "2025-1-1", "yesterday", ""])(
    "“%s” is no date",
    (text) => {
      expect(parseDate(text)).toBeNull();
      expect(() => date(text)).toThrow(/not a calendar date/);
    },
  );

  test("a day past the end of its month is held at the end", () => {
    expect([makeDate(2025, 2, 31), makeDate(2024, 2, 31), makeDate(2025, 4, 31)]).toEqual([
      "2025-02-28",
      "2024-02-29",
      "2025-04-30",
    ]);
    expect([dayOfYear(date("2024-03-01")), dayOfYear(date("2025-03-01"))]).toEqual([60, 59]);
  });
});

describe("the hemisphere's year", () => {
  const leapDayLost = (d: PlainDate, h: Hemisphere): boolean =>
    daysBetween(seasonDate(seasonPoint(d, h).seasonYear, 0, h), d) >= YEAR_DAYS;

  test("where a date stands leads back to it; only the last day of a leap year shares its place", () => {
    fc.assert(
      fc.property(dates, hemispheres, (d, h) => {
        const { seasonYear, seasonDay } = seasonPoint(d, h);
        expect(seasonDay).toBeGreaterThanOrEqual(0);
        expect(seasonDay).toBeLessThan(YEAR_DAYS);
        expect(seasonDate(seasonYear, seasonDay, h)).toBe(leapDayLost(d, h) ? addDays(d, -1) : d);
      }),
    );
  });

  test("the south's year is the north's, half a year on", () => {
    expect(seasonPoint(date("2026-07-01"), "south")).toEqual({ seasonYear: 2026, seasonDay: 0 });
    expect(seasonPoint(date("2026-06-30"), "south")).toEqual({ seasonYear: 2025, seasonDay: 364 });
    expect(seasonPoint(date("2026-01-01"), "north")).toEqual({ seasonYear: 2026, seasonDay: 0 });
  });

  test("scanning by offsets stands where the date of each offset stands, whoever was scanned before", () => {
    fc.assert(
      fc.property(dates, dates, hemispheres, fc.integer({ min: -700, max: 1400 }), (d, other, h, offset) => {
        const scan = seasonScanner(d, h);
        const place = scan(offset);
        seasonScanner(other, h)(offset);
        seasonScanner(d, h === "north" ? "south" : "north")(offset);
        expect(place).toBe(seasonPoint(addDays(d, offset), h).seasonDay);
        expect(seasonScanner(d, h)(offset)).toBe(place);
      }),
    );
  });

  test("days of any cycle fall on one of the year", () => {
    fc.assert(
      fc.property(fc.integer({ min: -2000, max: 2000 }), (n) => {
        expect(yearDay(n)).toBe(yearDay(n + YEAR_DAYS));
        expect(yearDay(n) >= 0 && yearDay(n) < YEAR_DAYS).toBe(true);
      }),
    );
  });
});
