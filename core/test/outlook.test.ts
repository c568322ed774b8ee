import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  CATALOGUE,
  date,
  demoGarden,
  fewestYears,
  holdableFrom,
  kindsThatFit,
  openGarden,
  outlook,
  readTally,
  renewals,
  stemsFromTally,
  volumeAbove,
  type Outline,
  type ReductionQuestion,
} from "../src/index.ts";
import "./seed.ts";

const q = (more: Partial<ReductionQuestion>): ReductionQuestion => ({
  heightM: 3,
  wantedM: 1.8,
  growthM: [0.2, 0.3, 0.4],
  cap: 1 / 3,
  outline: "column",
  floorM: 0,
  ...more,
});

/** Fewest years by trying every cut on a grid: a year may cut to any height that takes no more than the cap. */
function bruteYears(x: ReductionQuestion, gridM = 0.02): number | null {
  const aim = Math.max(x.floorM, x.wantedM - x.growthM[1]);
  let heights = [x.heightM];
  for (let year = 1; year <= 8; year++) {
    const next: number[] = [];
    for (const h of heights)
      for (let cut = Math.ceil((h - 1e-9) / gridM) * gridM; cut >= aim - 1e-9; cut -= gridM) {
        if (cut < h && volumeAbove(x.outline, cut / h) > x.cap + 1e-9) break;
        if (cut <= aim + gridM) return year;
        next.push(Math.min(cut, h) + x.growthM[1]);
      }
    // Only the lowest heights matter: whatever is possible from above is possible from below.
    heights = next.sort((a, b) => a - b).slice(0, 3);
    if (heights.length === 0) return null;
  }
  return null;
}

describe("down to a height in the fewest years", () => {
  // work.md: stand at 135 cm with 60 of growth → cut to 75.
  test("cuts to the wanted height less a season's growth", () => {
    const r = fewestYears(q({ heightM: 1.35, wantedM: 1.35, growthM: [0.4, 0.6, 0.8], cap: 0.5 }));
    expect(r.steps).toHaveLength(1);
    expect(r.steps[0]!.cutM).toBeCloseTo(0.75);
    expect(r.steps[0]!.afterM[1]).toBeCloseTo(1.35);
    expect(r.reached).toBe(true);
  });

  test.each<[string, Partial<ReductionQuestion>, boolean, number]>([
    ["half again too tall, slow", {}, true, 3],
    ["twice too tall", { heightM: 4 }, true, 4],
    ["under a quarter", { cap: 0.25 }, true, 4],
    ["grows more than may go", { growthM: [0.8, 0.9, 1], wantedM: 1.2 }, false, 7],
    ["a cone loses little with its tip", { outline: "cone", wantedM: 2.4 }, true, 1],
  ])("%s", (_, more, reached, years) => {
    const r = fewestYears(q(more));
    expect([r.reached, r.steps.length]).toEqual([reached, years]);
    for (const s of r.steps) expect(s.share).toBeLessThanOrEqual(q(more).cap + 1e-6);
    if (!reached) expect(r.holdableM).toBeGreaterThan(q(more).wantedM);
  });

  test("brute force finds no faster way", () => {
    const outline = fc.constantFrom<Outline>("column", "dome", "cone", "vase");
    fc.assert(
      fc.property(
        outline,
        fc.integer({ min: 120, max: 400 }),
        fc.integer({ min: 60, max: 240 }),
        fc.integer({ min: 10, max: 60 }),
        fc.constantFrom(0.25, 1 / 3, 0.5),
        (shape, height, wanted, growth, cap) => {
          const x = q({
            outline: shape,
            heightM: height / 100,
            wantedM: Math.min(height, wanted) / 100,
            growthM: [growth / 200, growth / 100, growth / 80],
            cap,
          });
          const r = fewestYears(x);
          const brute = bruteYears(x);
          if (r.reached && brute !== null) expect(Math.abs(r.steps.length - brute)).toBeLessThanOrEqual(1);
          if (r.reached) expect(brute ?? 0).toBeLessThanOrEqual(r.steps.length);
          if (!r.reached && brute !== null) expect(brute).toBeGreaterThanOrEqual(r.steps.length);
        },
      ),
      { numRuns: 60 },
    );
  });

  test("what can be held: its yearly cut takes just the cap; with more growth it is higher", () => {
    for (const outline of ["column", "dome", "cone", "vase"] as const) {
      const h = holdableFrom(0.5, 1 / 3, outline, 0);
      expect(volumeAbove(outline, (h - 0.5) / h)).toBeCloseTo(1 / 3, 4);
      expect(holdableFrom(0.6, 1 / 3, outline, 0)).toBeGreaterThan(h);
      expect(holdableFrom(0.5, 1 / 3, outline, 9)).toBeCloseTo(9.5);
    }
    expect(holdableFrom(0.5, 0, "dome", 0)).toBe(Infinity);
  });
});

describe("hold, let go, renew, move or replace", () => {
  const garden = demoGarden(date("2026-11-25"));
  const model = openGarden(garden, CATALOGUE);
  test.each(["lilac-corner", "panicle-seat", "yew-hedge", "arborvitae-bins", "rhododendron-steps"])("%s", (id) => {
    const plant = garden.plants.find((p) => p.id === id)!;
    const taxon = model.taxonOf(plant);
    const o = outlook(model, plant, date("2026-11-25"), plant.heightM * 0.8);
    const by = new Map(o.ways.map((w) => [w.way, w]));
    const [hold, free] = [by.get("hold")!, by.get("let-go")!];
    expect(free.heightM[1]).toBeGreaterThanOrEqual(hold.heightM[1]);
    expect(free.minutesPerYear[1]).toBeLessThan(hold.minutesPerYear[1]);
    expect(hold.overCap).toBe(o.cap !== null && hold.shareEach! > o.cap + 1e-6);
    expect(by.has("renew")).toBe(taxon.regimes.includes("renewal") && taxon.never.renovate === undefined);
    for (const w of o.ways) {
      expect(w.minutesPerYear[0]).toBeLessThanOrEqual(w.minutesPerYear[1]);
      expect(w.flowersPerYear[0]).toBeLessThanOrEqual(w.flowersPerYear[1]);
    }
  });

  test("a kind that fits never grows past the wanted height, and is hardy in the zone", () => {
    const lilac = CATALOGUE.byId("syringa-vulgaris")!;
    const kinds = kindsThatFit(CATALOGUE, lilac, 1.5, "6b");
    expect(kinds.length).toBeGreaterThan(0);
    for (const k of kinds)
      expect([k.matureHeightM[1] <= 1.5, k.coldestZone <= "6b", k.floweringWood, k.leaf]).toEqual([
        true,
        true,
        "old",
        "deciduous",
      ]);
  });
});

describe("an old shrub renewed", () => {
  const garden = demoGarden(date("2026-11-25"));
  const plant = garden.plants.find((p) => p.id === "lilac-corner")!;
  const lilac = CATALOGUE.byId(plant.taxonId)!;
  const stemsOf = (text: string) => {
    const t = readTally(text);
    if (!t.ok) throw new Error("not read");
    return stemsFromTally(t.value, plant, lilac);
  };
  test.each([3, 8, 11, 14, 40])("%i stems: never over a third by count, oldest first, each stem once", (n) => {
    const stems = stemsOf(`${n} stems: ${Math.floor(n / 2)} thick`);
    for (const r of renewals(stems, lilac)) {
      const ids = r.years.flatMap((y) => y.stems.map((s) => s.id));
      expect(new Set(ids).size).toBe(ids.length);
      if (r.way !== "thirds") {
        expect(ids).toHaveLength(n);
        continue;
      }
      expect(r.years).toHaveLength(3);
      for (const y of r.years) expect(y.stems.length).toBeLessThanOrEqual(n / 3);
      const sizes = r.years.flatMap((y) => y.stems.map((s) => s.diameterMm));
      expect(sizes).toEqual(sizes.toSorted((a, b) => b - a));
      // checks.md, finding 5: the oldest third holds more than a third of the leaf.
      expect(r.years[0]!.areaShare).toBeGreaterThan(r.years[0]!.countShare);
    }
  });
  test("sides are as even as they can be; a conifer is not renewed; dead stems are nobody's third", () => {
    const [, sides] = renewals(stemsOf("14 stems"), lilac);
    expect(sides!.years.map((y) => y.stems.length).sort()).toEqual([7, 7]);
    expect(renewals(stemsOf("14 stems"), CATALOGUE.byId("thuja-occidentalis")!)).toEqual([]);
    expect(renewals(stemsOf("6 stems, 4 dead"), lilac).map((r) => r.way)).not.toContain("thirds");
  });
});
