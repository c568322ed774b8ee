/** The same answers by slow and obvious roads, which share nothing with the fast ones but the question. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  addDays,
  balanceOn,
  climateOf,
  date,
  daysInMonth,
  fitsOn,
  frostOdds,
  isLeapYear,
  lastFrostDay,
  makeDate,
  monthDay,
  partsOf,
  toDayNumber,
  type LedgerEntry,
  type PlainDate,
  dayLengthH,
} from "@wren/core";

describe("the ledger, day by day", () => {
  /** The day a visit stops counting: walk on from it one day at a time until its calendar date comes round. */
  function walkedOut(visit: PlainDate): PlainDate {
    const v = partsOf(visit);
    const dayOfMonth = v.month === 2 && v.day === 29 ? 28 : v.day;
    for (let d = addDays(visit, 1); ; d = addDays(d, 1)) {
      const p = partsOf(d);
      if (p.month === v.month && p.day === dayOfMonth && p.year > v.year) return d;
    }
  }

  const day = fc.integer({ min: toDayNumber(date("2023-06-01")), max: toDayNumber(date("2025-12-31")) });
  const visits = fc.array(fc.record({ n: day, share: fc.integer({ min: 1, max: 30 }) }), { maxLength: 5 });
  test("the sum, and the first day on which a cut fits, agree with walking the calendar", () => {
    fc.assert(
      fc.property(visits, day, (cuts, n) => {
        const entries = cuts.map((c, i): LedgerEntry => ({
          visitId: `v${i}`,
          on: addDays(date("1970-01-01"), c.n),
          regime: "upkeep",
          share: c.share / 100,
          hazardShare: 0,
        }));
        const on = addDays(date("1970-01-01"), n);
        const counted = entries.filter((e) => e.on <= on).map((e) => ({ share: e.share, until: walkedOut(e.on) }));
        const slow = (at: PlainDate): number => counted.reduce((sum, e) => sum + (at < e.until ? e.share : 0), 0);
        expect(balanceOn(entries, on, 1 / 3).taken).toBeCloseTo(slow(on), 9);
        let first = on;
        while (slow(first) + 0.2 > 1 / 3 + 1e-9) first = addDays(first, 1);
        expect(fitsOn(entries, on, 1 / 3, 0.2)).toBe(first);
      }),
      { numRuns: 60 },
    );
  });
});

describe("frost odds, by carrying the whole distribution of nights", () => {
  /**
   * Chance of no frost after a day for nights that follow each other as AR(1): the density of the residual is
   * carried from night to night on a grid, and what falls below the limit is taken out. Exact up to the grid.
   */
  function exactLastFrost(tmin: (d: number) => number, sd: number, rho: number, last: number): (p: number) => number {
    const n = 240;
    const z = Array.from({ length: n }, (_, i) => -6 + (12 * (i + 0.5)) / n);
    const dz = 12 / n;
    const s = Math.sqrt(1 - rho * rho);
    const gauss = (x: number): number => Math.exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI);
    const step = z.map((from) => z.map((to) => (gauss((to - rho * from) / s) / s) * dz));
    let safe = z.map(() => 1);
    const later: number[] = [];
    for (let d = last; d >= 1; d--) {
      later[d] = 1 - z.reduce((sum, x, i) => sum + safe[i]! * gauss(x) * dz, 0);
      const tonight = z.map((x, i) => (x > -tmin(d) / sd ? safe[i]! : 0));
      safe = step.map((row) => row.reduce((sum, w, j) => sum + w * tonight[j]!, 0));
    }
    return (p) => {
      const d = later.findIndex((x, i) => i > 0 && x > p && (later[i + 1] ?? 0) <= p);
      return d + (later[d]! - p) / (later[d]! - later[d + 1]!);
    };
  }

  test.each([
    [6, 12, 20, 4.5],
    [8, 11, 22, 4],
  ])("mean %d, swing %d, coldest day %d, spread %d", (mean, swing, coldest, sd) => {
    const tmin = (d: number): number => mean - swing * Math.cos((2 * Math.PI * (d - coldest)) / 365);
    const exact = exactLastFrost(tmin, sd, 0.69, 199);
    const odds = frostOdds(
      {
        tminC: Float64Array.from({ length: 365 }, (_, i) => tmin(i + 1)),
        sdMinC: Float64Array.from({ length: 365 }, () => sd),
        lag1: 0.69,
      },
      0,
    );
    for (const p of [0.9, 0.5, 0.1]) expect(Math.abs(lastFrostDay(odds, 0, 198, p)! + 1 - exact(p))).toBeLessThan(2.6);
    expect(Math.abs(lastFrostDay(odds, 0, 198, 0.5)! + 1 - exact(0.5))).toBeLessThan(1.5);
  });
});

test("a place and its mirror have the same climate half a year apart", () => {
  // The same season days: 10 May and 2 October in the north, 7 November and 1 April in the south.
  const north = climateOf({ latitudeDeg: 44, zone: "5a", lastFrost: monthDay("05-10"), firstFrost: monthDay("10-02") });
  const south = climateOf({
    latitudeDeg: -44,
    zone: "5a",
    lastFrost: monthDay("11-07"),
    firstFrost: monthDay("04-01"),
  });
  for (let d = 0; d < 365; d += 11) {
    expect(Math.abs(north.tminC[d]! - south.tminC[d]!)).toBeLessThan(0.01);
    expect(Math.abs(dayLengthH(44, d, "north") - dayLengthH(-44, d, "south"))).toBeLessThan(0.3);
  }
  expect(Math.abs(north.spring.bloom - south.spring.bloom)).toBeLessThan(0.1);
  expect(Math.abs(north.warmthAt(365) - south.warmthAt(365)) / north.warmthAt(365)).toBeLessThan(0.001);
});

test("dates, counted by hand", () => {
  let d = date("1999-12-30");
  for (let i = 0; i < 3000; i++) {
    const { year, month, day } = partsOf(d);
    const monthEnds = day === daysInMonth(year, month);
    const next = !monthEnds
      ? makeDate(year, month, day + 1)
      : month === 12
        ? makeDate(year + 1, 1, 1)
        : makeDate(year, month + 1, 1);
    expect(addDays(d, 1)).toBe(next);
    d = next;
  }
  expect([1900, 2000, 2023, 2024, 2100].map(isLeapYear)).toEqual([false, true, false, true, false]);
});
