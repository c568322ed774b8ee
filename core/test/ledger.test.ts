import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  addDays,
  addYears,
  balanceOn,
  date,
  fitsOn,
  fromDayNumber,
  leavesOn,
  toDayNumber,
  type LedgerEntry,
} from "@wren/core";

const entry = (on: string, share: number, regime: LedgerEntry["regime"] = "upkeep"): LedgerEntry => ({
  visitId: `v-${on}`,
  on: date(on),
  regime,
  share,
  hazardShare: 0,
});
const THIRD = 1 / 3;

describe("the twelve-month ledger (common practice: a third in twelve months)", () => {
  const year = [entry("2025-03-10", 0.2), entry("2025-07-02", 0.12)];
  test.each([
    ["after both", "2025-07-02", 0.32, 0.013333],
    ["the day before March leaves", "2026-03-09", 0.32, 0.013333],
    ["on the same date a year later March has left", "2026-03-10", 0.12, 0.213333],
    ["July leaves in turn", "2026-07-02", 0, 0.333333],
    ["before either", "2025-03-09", 0, 0.333333],
  ])("%s", (_, on, taken, left) => {
    const b = balanceOn(year, date(on), THIRD);
    expect(b.taken).toBeCloseTo(taken, 9);
    expect(b.left).toBeCloseTo(left, 5);
    expect(b.over).toBe(0);
  });

  test("over the cap: nothing left, never negative, and the date that clears it", () => {
    const cuts = [entry("2025-06-10", THIRD), entry("2025-06-20", 0.2)];
    const b = balanceOn(cuts, date("2025-06-20"), THIRD);
    expect(b).toMatchObject({ left: 0 });
    expect(b.over).toBeCloseTo(0.2);
    expect(b.withoutRegrowth).toBeCloseTo(1 - (2 / 3) * 0.8);
    expect(fitsOn(cuts, date("2025-06-20"), THIRD, 0)).toBe("2026-06-10");
    expect(fitsOn(cuts, date("2025-06-20"), THIRD, 0.2)).toBe("2026-06-20");
    expect(fitsOn(cuts, date("2025-06-20"), THIRD, 0.5)).toBeNull();
  });

  test("29 February counts as the 28th", () => {
    expect(leavesOn(date("2024-02-29"))).toBe("2025-02-28");
    expect(balanceOn([entry("2023-02-28", 0.1)], date("2024-02-29"), THIRD).taken).toBe(0);
  });

  test("properties: order does not matter, left and over never both, each visit counts one year", () => {
    const day = fc.integer({ min: toDayNumber(date("2022-01-01")), max: toDayNumber(date("2026-12-31")) });
    const cut = fc.record({ n: day, share: fc.double({ min: 0, max: 0.6, noNaN: true }) });
    fc.assert(
      fc.property(fc.array(cut, { maxLength: 8 }), day, (cuts, n) => {
        const entries = cuts.map((c) => entry(fromDayNumber(c.n), c.share));
        const on = fromDayNumber(n);
        const b = balanceOn(entries, on, THIRD);
        expect(balanceOn(entries.toReversed(), on, THIRD).taken).toBeCloseTo(b.taken, 9);
        expect(Math.min(b.left, b.over)).toBe(0);
        expect(b.left).toBeGreaterThanOrEqual(0);
        const fits = fitsOn(entries, on, THIRD, 0.1);
        const known = entries.filter((e) => e.on <= on);
        expect(balanceOn(known, fits!, THIRD).taken + 0.1).toBeLessThanOrEqual(THIRD + 1e-6);
      }),
    );
  });
});

test("calendar: day numbers round-trip, years step over leap days", () => {
  fc.assert(
    fc.property(fc.integer({ min: -200_000, max: 200_000 }), (n) => {
      expect(toDayNumber(fromDayNumber(n))).toBe(n);
    }),
  );
  expect(addYears(date("2024-02-29"), 1)).toBe("2025-02-28");
  expect(addDays(date("2024-02-28"), 2)).toBe("2024-03-01");
});
