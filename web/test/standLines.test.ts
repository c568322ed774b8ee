/** The drawing of a stand: what stays and what goes of each stem, in few lines. */
import { describe, expect, test } from "@jest/globals";
import {
  amountsOf,
  CATALOGUE,
  demoGarden,
  date,
  NO_STEMS,
  plainStem,
  stemsFromTally,
  type Stem,
  type StemCut,
  buildOf,
  plainBranch,
  stemsAfter,
} from "@wren/core";
import { NUMBER_R, numberSpots } from "../src/drawing/cutNumbers.geometry.ts";
import { goneLines, standLines, stemsDrawn, viewOf } from "../src/drawing/stand.geometry.ts";

const lilac = buildOf(CATALOGUE.byId("syringa-vulgaris")!);
const view = viewOf({ width: 400, height: 400, foot: 20 }, 2.5, 2, 0);
const drawn = stemsDrawn(lilac, view);
const stem = (id: string, diameterMm: number, more: Partial<Stem> = {}): Stem => ({
  ...plainStem(id, diameterMm, 2),
  leanDeg: 10,
  branches: [
    { ...plainBranch(0.4, 8, 0.5), turnDeg: 90 },
    { ...plainBranch(0.7, 6, 0.4), turnDeg: 200 },
  ],
  ...more,
});
const stems = [
  stem("a", 20),
  stem("b", 20, { turnDeg: 120 }),
  stem("c", 35, { turnDeg: 240 }),
  stem("d", 12, { state: "dead" }),
  stem("e", 12, { state: "diseased" }),
];
const effects = (cuts: readonly StemCut[]) => amountsOf(stems, cuts, lilac).effects;
/** Length of all runs of a path, px. */
function lengthOf(d: string): number {
  let sum = 0;
  for (const run of d.split("M").slice(1)) {
    const points = run.split("L").map((p) => p.split(" ").map(Number) as [number, number]);
    for (let i = 1; i < points.length; i++)
      sum += Math.hypot(points[i]![0] - points[i - 1]![0], points[i]![1] - points[i - 1]![1]);
  }
  return sum;
}
const total = (cuts: readonly StemCut[]) => {
  const kept = standLines(effects(cuts), drawn, view, null).reduce((n, l) => n + lengthOf(l.d), 0);
  const gone = goneLines(effects(cuts), drawn);
  return { kept, gone: lengthOf(gone.stems) + lengthOf(gone.branches) };
};

describe("a stand in lines", () => {
  const whole = total([]);

  test.each<[string, readonly StemCut[]]>([
    ["nothing", []],
    ["one out", [{ cut: "remove", stemId: "c" }]],
    ["one shortened", [{ cut: "head", stemId: "a", keptM: 1.1 }]],
    ["back to a branch", [{ cut: "to-branch", stemId: "b", branch: 0 }]],
    ["a branch off", [{ cut: "branch-off", stemId: "b", branch: 1 }]],
    ["sheared", [{ cut: "shear", heightM: 1.3, widthM: 1.2 }]],
    ["tipped", [{ cut: "tips", offM: 0.2 }]],
    ["lifted", [{ cut: "lift", clearM: 0.9 }]],
  ])("%s: what stays and what goes are together the whole of it", (_, cuts) => {
    const { kept, gone } = total(cuts);
    // Coordinates are written to a tenth of a pixel.
    expect(Math.abs(kept + gone - whole.kept)).toBeLessThan(whole.kept * 0.01);
    expect(gone > 0).toBe(cuts.length > 0);
  });

  test("stems of one look and width share a line; the chosen one has its own, drawn last", () => {
    const lines = standLines(effects([]), drawn, view, "b");
    const looks = lines.map((l) => l.look);
    expect(looks).toEqual(
      looks.toSorted(
        (a, b) => ["dead", "live", "alarm", "chosen"].indexOf(a) - ["dead", "live", "alarm", "chosen"].indexOf(b),
      ),
    );
    expect(looks.at(-1)).toBe("chosen");
    expect(new Set(lines.map((l) => l.key)).size).toBe(lines.length);
    expect(lines.length).toBeLessThanOrEqual(2 * stems.length);
    const alike = standLines(effects([]).slice(0, 2), drawn, view, null);
    expect(alike.filter((l) => l.look === "live")).toHaveLength(2);
  });

  test("where young bark shows, stems of up to two years are bright, older and thicker ones are not", () => {
    const young = [plainStem("y", 20, 1), plainStem("thin", 9, 1), plainStem("o", 9, 1), plainStem("t", 25, 1)];
    const ages = [2, null, 3, null].map((ageYears, i) => ({ ...young[i]!, ageYears }));
    const of = amountsOf(ages, [], lilac).effects;
    const bright = (on: boolean) =>
      of.filter((e) => standLines([e], stemsDrawn(lilac, view), view, null, on).some((l) => l.look === "coloured"));
    expect(bright(true).map((e) => e.stem.id)).toEqual(["y", "thin"]);
    expect(bright(false)).toEqual([]);
  });

  test("nothing is drawn above the shears' line", () => {
    const heightM = 1.2;
    const top = 380 - heightM * view.scale;
    for (const l of standLines(effects([{ cut: "shear", heightM, widthM: 3 }]), drawn, view, null))
      for (const y of l.d.match(/-?[\d.]+ (-?[\d.]+)/g)!.map((p) => Number(p.split(" ")[1])))
        expect(y).toBeGreaterThanOrEqual(top - 0.6);
  });

  test("carried out, sheared side branches are as long as the part that stayed", () => {
    const cuts: readonly StemCut[] = [{ cut: "shear", heightM: 0.95, widthM: 3 }];
    const after = stemsAfter(stems, cuts, lilac);
    const shorter = after.flatMap((s) => s.branches.map((b) => b.lengthM));
    expect(Math.max(...shorter)).toBeLessThan(0.5);
    expect(Math.min(...shorter)).toBeGreaterThan(0.1);
    // Measured again, what is left is as high as the try said.
    const { before } = amountsOf(after, [], lilac);
    expect(before.heightM).toBeCloseTo(amountsOf(stems, cuts, lilac).after.heightM, 1);
  });
});

describe("the numbers of cuts", () => {
  const spirea = demoGarden(date("2026-11-25")).plants.find((p) => p.id === "spirea-gate")!;
  const kind = buildOf(CATALOGUE.byId("spiraea-japonica")!);
  const fourteen = stemsFromTally({ ...NO_STEMS, thick: 3, middling: 6, thin: 5, dead: 1, weak: 2 }, spirea, kind);
  const phone = viewOf({ width: 400, height: 430, foot: 24 }, 1.2, 1.2, 0);
  const lineOf = (cut: StemCut, i: number) => ({ no: i + 1, cut, stem: fourteen[i]! });
  const cutTo = (keptM: number): readonly StemCut[] =>
    fourteen.map((s): StemCut => ({ cut: "head", stemId: s.id, keptM }));

  test.each<[string, readonly StemCut[]]>([
    ["all out at the ground", fourteen.map((s) => ({ cut: "remove", stemId: s.id }))],
    ["all back to stubs", cutTo(0.1)],
    ["all shortened a little", cutTo(0.7)],
  ])("%s: none lies over another, all on the sheet", (_, cuts) => {
    const { effects: all } = amountsOf(fourteen, cuts, kind);
    const spots = [...numberSpots(all, cuts.map(lineOf), kind, phone)];
    expect(spots).toHaveLength(14);
    for (const [i, [id, a]] of spots.entries()) {
      expect(Math.min(a.x, a.y, 400 - a.x, 430 - a.y)).toBeGreaterThanOrEqual(NUMBER_R);
      for (const [other, b] of spots.slice(i + 1))
        if (Math.hypot(a.x - b.x, a.y - b.y) < 2 * NUMBER_R) throw new Error(`${id} lies over ${other}`);
    }
  });

  test("only what is cut has one", () => {
    const cuts: readonly StemCut[] = [{ cut: "remove", stemId: fourteen[0]!.id }];
    const { effects: all } = amountsOf(fourteen, cuts, kind);
    expect([...numberSpots(all, cuts.map(lineOf), kind, phone).keys()]).toEqual([1]);
    const top: StemCut = { cut: "top", heightM: 0.3 };
    expect(numberSpots(all, [{ no: 1, cut: top, stem: null }], kind, phone).size).toBe(0);
  });
});
