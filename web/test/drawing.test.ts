import { describe, expect, test } from "@jest/globals";
import { CATALOGUE, HABITS, climateOf, date, monthDay, plantYear, VERDICTS } from "@wren/core";
import { nickPath, onCircle, ringPath, shareAngle, wedgePath } from "../src/drawing/ring.geometry.ts";
import { crownPath, flowerSpots, lookOn } from "../src/drawing/plant.geometry.ts";
import { dateAt, monthTicks, stripCurves, stripX } from "../src/drawing/strip.geometry.ts";
import { ridges, verdictRuns } from "../src/drawing/yearRibbon.geometry.ts";
import { draggedTo, rungsTo } from "../src/screens/garden/elevation.geometry.ts";

const numbers = (path: string): number[] => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
const climate = climateOf({
  latitudeDeg: 41,
  zone: "6b",
  lastFrost: monthDay("04-22"),
  firstFrost: monthDay("10-18"),
});

describe("the sawn end", () => {
  test.each([
    [1 / 4, 90],
    [1 / 3, 120],
    [1 / 2, 180],
    [1, 360],
    [1.4, 360],
  ])("a share of %d stands at %d°", (share, degrees) =>
    expect((shareAngle(share) * 180) / Math.PI).toBeCloseTo(degrees),
  );

  test("a quarter lies to the right; the nick's point lies inside its mouth", () => {
    expect(onCircle(10, shareAngle(0.25))).toMatchObject({ x: 10 });
    const [lx, ly, tx, ty] = numbers(nickPath(100, 20, 1 / 3)) as [number, number, number, number];
    expect(Math.hypot(tx, ty)).toBeCloseTo(80, 0);
    expect(Math.hypot(lx, ly)).toBeCloseTo(100, 0);
  });

  test("nothing taken draws no wedge; a wedge stays between its radii", () => {
    expect(wedgePath(60, 90, 0.2, 0.2, 0.02, 1)).toBe("");
    const ns = numbers(wedgePath(60, 90, 0, 1 / 3, 0.02, 1));
    for (let i = 0; i < ns.length; i += 2) {
      const r = Math.hypot(ns[i]!, ns[i + 1]!);
      expect(r).toBeGreaterThan(57);
      expect(r).toBeLessThan(93);
    }
    expect(ringPath(50, 0.03, 4)).toBe(ringPath(50, 0.03, 4));
  });
});

describe("the strip of the year", () => {
  test("a place on the strip and its day belong together, in both hemispheres", () => {
    const south = climateOf({
      latitudeDeg: -41,
      zone: "6b",
      lastFrost: monthDay("10-22"),
      firstFrost: monthDay("04-18"),
    });
    expect(dateAt(0, date("2026-06-10"), climate)).toBe("2026-01-01");
    expect(dateAt(1, date("2026-06-10"), climate)).toBe("2026-12-31");
    expect(dateAt(0, date("2026-06-10"), south)).toBe("2025-07-01");
    expect(monthTicks(date("2026-06-10"), south).map((t) => t.date.slice(0, 7))).toContain("2026-01");
    expect(monthTicks(date("2026-06-10"), climate)[5]).toMatchObject({ date: "2026-06-01", day: 151 });
  });

  test("warmth rises from the foot to the top", () => {
    const ys = numbers(stripCurves(climate, { width: 100, height: 50 }).warmth).filter((_, i) => i % 2 === 1);
    expect(ys[0]).toBeCloseTo(50, 0);
    expect(Math.min(...ys)).toBeCloseTo(4, 0);
    expect(stripX(100)(364)).toBe(100);
  });
});

describe("a plant drawn", () => {
  test.each([...HABITS])("a %s fits its measures and has no NaN, whatever the seed", (habit) => {
    const size = { widthPx: 80, heightPx: 120 };
    for (const seed of ["a", "lilac-corner", "x".repeat(40)]) {
      const path = crownPath(habit, size, seed);
      expect(path).not.toContain("NaN");
      expect(Math.max(...numbers(path).map(Math.abs))).toBeLessThan(135);
    }
    for (const [x, y] of flowerSpots(habit, size, habit, 12)) {
      expect(Math.abs(x)).toBeLessThan(48);
      expect(y).toBeLessThan(0);
      expect(y).toBeGreaterThan(-121);
    }
  });

  test("bare in winter, in leaf in summer, in flower in its time", () => {
    const lilac = CATALOGUE.byId("syringa-vulgaris")!;
    const year = plantYear(lilac, climate);
    expect(lookOn(lilac, year, 20)).toMatchObject({ leaf: 0, showing: null });
    expect(lookOn(lilac, year, 200).leaf).toBe(1);
    expect(lookOn(lilac, year, Math.round(year.displays[0]!.opens.day + 8)).showing).toBe("spring flowers");
  });
});

test("runs of verdicts cover the year without gaps; ridges wrap over its end", () => {
  const v = Uint8Array.from({ length: 365 }, (_, d) => (d < 100 ? 2 : d < 150 ? 7 : 4));
  const runs = verdictRuns({ verdicts: v });
  expect(runs.map((r) => [r.from, r.to, r.verdict])).toEqual([
    [0, 100, VERDICTS[2]],
    [100, 150, VERDICTS[7]],
    [150, 365, VERDICTS[4]],
  ]);
  const dogwood = plantYear(CATALOGUE.byId("cornus-sericea")!, climate);
  expect(ridges(dogwood, (d) => d, 70, 10)).toHaveLength(2);
});

test.each([
  [2, 80, 2.8 + 0.2],
  [2, -400, 0],
  [7, 900, 8],
])("dragged from %d m by %d px it stands inside its bed", (from, px, at) =>
  expect(draggedTo(from, px, 80, 8)).toBeCloseTo(at),
);

// A foot is 0.3048 m by definition.
test("lines across a bed stand at whole metres, or at every third foot", () => {
  expect(rungsTo(2.9, "metric")).toEqual([
    { atM: 1, label: "1 m" },
    { atM: 2, label: "2 m" },
  ]);
  expect(rungsTo(1.9, "imperial").map((r) => [r.atM.toFixed(3), r.label])).toEqual([
    ["0.914", "3 ft"],
    ["1.829", "6 ft"],
  ]);
});
