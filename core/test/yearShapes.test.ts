/** The price of a cut drawn over the year: its shape for each way of flowering, and what holds for every kind and task. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  bySeason,
  CATALOGUE,
  cheapestDay,
  climateOf,
  date,
  FOUR_SEASONS,
  kindRows,
  kindYearOf,
  monthDay,
  monthDayToSeasonDay,
  openYearOf,
  plantYear,
  quantile,
  seasonPoint,
  syntheticClocks,
  TASKS,
  VERDICT_TABLE,
  VERDICTS,
  type CutPlan,
  type Task,
  usualPlan,
} from "@wren/core";
import { Sheet } from "../src/price/sheet.ts";
import { modelOf, PLACE, PLACES, plantOf, someKinds } from "./support.ts";

const plan = (task: Task, more: Partial<CutPlan> = {}): CutPlan => ({ ...usualPlan(task), ...more });
const c = climateOf(PLACE);
const yearOf = (id: string, task: Task, more: Partial<CutPlan> = {}) =>
  kindYearOf(CATALOGUE.byId(id)!, c, plan(task, more));
const day = (md: string): number => monthDayToSeasonDay(monthDay(md), "north");
const lossOn = (id: string, task: Task, md: string, display = 0): number =>
  yearOf(id, task).prices.displays[display]!.loss[day(md)]!;

describe("shapes of a year, zone 6b (common practice; the order of the calendar in VCE 430-462)", () => {
  // kind, task, day, loss of its first display between
  test.each<[string, Task, string, number, number]>([
    ["syringa-vulgaris", "shape", "01-15", 0.7, 1],
    ["syringa-vulgaris", "shape", "04-20", 0.7, 1],
    ["syringa-vulgaris", "shape", "06-10", 0, 0.05],
    ["syringa-vulgaris", "shape", "07-25", 0.3, 0.9],
    ["syringa-vulgaris", "shape", "10-15", 0.7, 1],
    ["syringa-vulgaris", "shape", "12-20", 0.7, 1],
    ["hydrangea-paniculata", "shape", "12-01", 0, 0.001],
    ["hydrangea-paniculata", "shape", "03-15", 0, 0.001],
    ["hydrangea-paniculata", "shape", "06-20", 0.15, 0.7],
    ["hydrangea-paniculata", "shape", "07-25", 0.3, 1],
    ["hydrangea-paniculata", "shape", "11-10", 0, 0.01],
  ])("%s, %s on %s costs %d to %d", (id, task, md, from, to) => {
    const loss = lossOn(id, task, md);
    expect(loss).toBeGreaterThanOrEqual(from);
    expect(loss).toBeLessThanOrEqual(to);
  });

  test("a lilac's loss rises from bloom end to autumn and then stands at the share of tips until bloom", () => {
    const { loss } = yearOf("syringa-vulgaris", "shape").prices.displays[0]!;
    const [from, autumn] = [day("06-20"), day("11-01")];
    for (let d = from; d < autumn; d++) expect(loss[d + 1]!).toBeGreaterThanOrEqual(loss[d]! - 1e-6);
    for (let d = autumn; d < 365; d++) expect(loss[d]!).toBeCloseTo(loss[autumn]!, 3);
    for (let d = 0; d < day("04-20"); d++) expect(loss[d]!).toBeCloseTo(loss[autumn]!, 3);
  });

  test("a panicle's grows with its shoots and is high until bloom is over", () => {
    const { loss, delayDays } = yearOf("hydrangea-paniculata", "hard-cutback").prices.displays[0]!;
    const [wakes, opens] = [day("05-01"), day("07-05")];
    for (let d = wakes; d < opens; d++) expect(loss[d + 1]!).toBeGreaterThanOrEqual(loss[d]! - 1e-3);
    expect(delayDays[opens - 1]!).toBeGreaterThan(20);
  });

  test("a reblooming bigleaf by flush: a hard cut in spring takes the first and not the second", () => {
    const { displays } = yearOf("hydrangea-macrophylla-reblooming", "hard-cutback").prices;
    const [old, fresh] = [
      displays.findIndex((_, i) => CATALOGUE.byId("hydrangea-macrophylla-reblooming")!.displays[i]!.on === "old"),
      displays.findIndex((_, i) => CATALOGUE.byId("hydrangea-macrophylla-reblooming")!.displays[i]!.on === "new"),
    ];
    const on = day("04-10");
    expect(displays[old]!.loss[on]!).toBeGreaterThan(0.8);
    expect(displays[fresh]!.loss[on]!).toBeLessThan(0.3);
  });

  test("a juniper into leafless wood on no day of the year; dead wood that was told from live free on every day of any kind", () => {
    const m = modelOf([plantOf("juniperus-chinensis")]);
    const hard = bySeason(m, m.plant("juniperus-chinensis"), date("2026-01-10"), "hard-cutback");
    expect(hard.map((s) => s.verdict)).toEqual(FOUR_SEASONS.map(() => "never"));
    for (const t of someKinds(2, 30)) {
      const k = kindYearOf(t, c, plan("dead-only", { knows: "told" }));
      expect([...k.verdicts].every((v) => VERDICTS[v] === "best")).toBe(true);
      expect(k.prices.harm.every((x) => x === 0)).toBe(true);
    }
  });

  test("the cheapest day is no dearer than any of the four seasons' own", () => {
    const m = modelOf([plantOf("syringa-vulgaris"), plantOf("rosa-repeat"), plantOf("buxus-sempervirens")]);
    for (const p of m.garden.plants) {
      const best = cheapestDay(m, p, date("2026-02-01"), "shape");
      const seasons = bySeason(m, p, date("2026-02-01"), "shape");
      expect(best.bloomLoss).toBeLessThanOrEqual(Math.min(...seasons.map((s) => s.bloomLoss)) + 0.05);
      expect(best.on >= "2026-02-01" && best.on < "2027-02-02").toBe(true);
    }
  });
});

describe("for every kind and task", () => {
  const climates = PLACES.map((p) => climateOf(p));
  const cases = fc.record({
    taxon: fc.constantFrom(...someKinds(4, 6)),
    task: fc.constantFrom(...TASKS),
    place: fc.nat({ max: climates.length - 1 }),
    depth: fc.double({ min: 0.05, max: 0.9, noNaN: true }),
    day: fc.nat({ max: 364 }),
  });

  test("every price is a share, every delay a number of days, and a deeper cut is never cheaper in flowers", () => {
    fc.assert(
      fc.property(cases, ({ taxon, task, place, depth, day: d }) => {
        const climate = climates[place]!;
        const [less, more] = [depth, depth + 0.1].map(
          (x) => kindYearOf(taxon, climate, plan(task, { depth: x })).prices,
        );
        for (const p of [less!, more!])
          for (const x of [
            p.frostRisk[d]!,
            p.growthFrost[d]!,
            p.frameFrost[d]!,
            p.regrowthRisk[d]!,
            p.redo[d]!,
            p.reserves[d]!,
            ...p.displays.flatMap((s) => [s.loss[d]!, s.nextLoss[d]!]),
          ]) {
            expect(x).toBeGreaterThanOrEqual(0);
            expect(x).toBeLessThanOrEqual(1);
          }
        for (const s of less!.displays) expect(s.delayDays[d]!).toBeGreaterThanOrEqual(0);
        expect(more!.worstLoss[d]!).toBeGreaterThanOrEqual(less!.worstLoss[d]! - 1e-6);
      }),
      { numRuns: 120 },
    );
  });

  test("half a year's shift of hemisphere shifts the answers: the same verdict within three days of the same season day", () => {
    const south = climateOf({
      ...PLACE,
      latitudeDeg: -PLACE.latitudeDeg,
      lastFrost: monthDay("10-21"),
      firstFrost: monthDay("04-19"),
    });
    fc.assert(
      fc.property(cases, ({ taxon, task, day: d }) => {
        const [n, s] = [c, south].map((x) => kindYearOf(taxon, x, plan(task)));
        const near = Array.from({ length: 9 }, (_, i) => s!.verdicts[(d + i - 4 + 365) % 365]!);
        expect(near).toContain(n!.verdicts[d]!);
      }),
      { numRuns: 80 },
    );
  });

  test("a year early by so many days has every spring date so many days earlier, and prices follow", () => {
    fc.assert(
      fc.property(fc.constantFrom(...someKinds(1, 12)), fc.integer({ min: -25, max: 25 }), (taxon, ahead) => {
        const early = { ...c, spring: { leaf: c.spring.leaf - ahead, bloom: c.spring.bloom - ahead } };
        const [a, b] = [plantYear(taxon, c), plantYear(taxon, early)];
        if (taxon.year.wakes.rule === "spring") expect(a.wakes.day - b.wakes.day).toBeCloseTo(ahead, 6);
        for (const [i, d] of taxon.displays.entries())
          if (d.opens.rule === "spring" && a.displays[i] && b.displays[i])
            expect(a.displays[i].opens.day - b.displays[i].opens.day).toBeCloseTo(ahead, 6);
      }),
      { numRuns: 60 },
    );
  });
});

describe("hundreds of years of one kind, each on the same sheet", () => {
  const years = syntheticClocks(c, 7, 4).map((clock) => ({ ...c, ...clock }));

  test("give the open days and losses that each year gives on a sheet of its own", () => {
    for (const taxon of someKinds(3, 17))
      for (const task of TASKS) {
        const sheet = new Sheet(kindRows(taxon.displays.length));
        for (const climate of years) {
          const year = plantYear(taxon, climate);
          const own = kindYearOf(taxon, climate, plan(task), year);
          const shared = openYearOf(taxon, climate, plan(task), year, sheet.wipe());
          expect(shared.open).toEqual(own.open);
          // Frost is asked for last and only where nothing else closes the day: the verdicts, which ask it first, agree.
          const goes = Uint8Array.from(own.verdicts, (v) => (VERDICT_TABLE[VERDICTS[v]!].go ? 1 : 0));
          if (!own.neverFree) expect(own.open).toEqual(goes);
          else expect(goes).not.toContain(1);
          expect(shared.prices.worstLoss).toEqual(own.prices.worstLoss);
          expect(shared.neverFree).toBe(own.neverFree);
        }
      }
  });

  test("a sheet that is wiped is blank to its end, and can be written over", () => {
    const sheet = new Sheet(5);
    const write = () => [sheet.singles(), sheet.bytes(), sheet.doubles(), sheet.bytes()];
    for (const row of write()) row.fill(7);
    sheet.wipe();
    for (const row of write()) expect(row.every((x) => x === 0)).toBe(true);
  });

  test("a sheet that is full says so", () => {
    const sheet = new Sheet(1);
    sheet.bytes();
    expect(() => sheet.singles()).toThrow(RangeError);
  });
});

test("the worst loss of a day is that of the display hit hardest, its weight counted", () => {
  for (const taxon of someKinds(5, 23)) {
    const { displays, worstLoss } = kindYearOf(taxon, c, plan("shape")).prices;
    for (let d = 0; d < 365; d += 3)
      expect(worstLoss[d]).toBeCloseTo(
        Math.max(0, ...displays.map((x) => x.weight * Math.max(x.loss[d]!, x.nextLoss[d]!))),
        12,
      );
  }
});

test.each([-10, -2, 0])("frost odds to the next warmest day, %d °C, are those between the two days", (limitC) => {
  const odds = c.frost(limitC);
  for (let day = 0; day < 365; day += 7) {
    const warmest = c.warmestDay + (day > c.warmestDay ? 365 : 0);
    expect(odds.untilWarmest(day)).toBeCloseTo(odds.between(day, warmest), 12);
    expect(odds.untilWarmest(day + 365)).toBe(odds.untilWarmest(day));
  }
});

test.each([
  [[1, 2, 3], 0.5, 2],
  [[0, 10], 0.1, 1],
  [[5], 0.9, 5],
  [[1, 1, 1, 9], 0.9, 6.6],
])("quantile of %j at %d is %d", (xs, p, expected) => expect(quantile(xs, p)).toBeCloseTo(expected, 6));

test("a date's season day is what the year's arrays are read at", () => {
  expect(seasonPoint(date("2026-06-10"), "north").seasonDay).toBe(day("06-10"));
});
