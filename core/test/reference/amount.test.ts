import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  conductingSection,
  cutBelow,
  cutHeightFor,
  heightOff,
  inches,
  shareByCount,
  shareByDiameters,
  shareOfCut,
  shareOfVisit,
  suckersToKeep,
  together,
  CATALOGUE,
  takenAbove,
  type Measured,
} from "@wren/core";

const measuredAs = (id: string, widthM: number): Measured => ({
  taxon: CATALOGUE.byId(id)!,
  plant: { form: null, widthM },
  stems: null,
});

const LILAC = measuredAs("syringa-vulgaris", 2);

describe("a level cut, by where the leaf is", () => {
  // Exact geometry of a shell: of a sphere's surface a third lies over its top third (Archimedes), of its volume 7/27;
  // of a cone's mantle a ninth lies over two thirds of its height, of its volume 1/27; of an upright wall a third.
  test.each([
    ["a ball leafy in a shell", "viburnum-tinus", 1.5, 1.5, 7 / 27 - 0.09, 1 / 3 + 0.02],
    ["a cone with a green skin", "juniperus-virginiana", 4, 1.6, 1 / 27, 1 / 9 + 0.02],
    ["a column", "thuja-occidentalis", 4, 1.2, 0.28, 0.37],
    // Guides say of vase-shaped shrubs that most of the leaf is in the crown (common practice): more than a third goes.
    ["a vase", "cornus-alba", 1.8, 2, 0.4, 0.7],
    ["a crown on a trunk", "acer-palmatum", 3, 3, 0.33, 0.6],
  ])("%s loses so much with its top third", (_, id, h, w, low, high) => {
    const { share, reach, depth } = takenAbove(measuredAs(id, w), h, (2 / 3) * h);
    expect(share).toBeGreaterThan(low);
    expect(share).toBeLessThan(high);
    expect(reach).toBeGreaterThanOrEqual(share);
    expect(reach * depth).toBeCloseTo(share, 9);
  });
  test("nothing over the top, all at the ground, ever more in between", () => {
    for (const t of CATALOGUE.taxa.filter((_, i) => i % 9 === 0)) {
      const m = measuredAs(t.id, t.matureWidthM[0]);
      const h = t.matureHeightM[0];
      const shares = Array.from({ length: 21 }, (_, i) => takenAbove(m, h, (h * i) / 20).share);
      expect(shares[0]).toBeCloseTo(1, 9);
      expect(shares.at(-1)).toBe(0);
      expect(shares.every((s, i) => i === 0 || s <= shares[i - 1]! + 1e-12)).toBe(true);
    }
  });
});

describe("stems (Shinozaki et al. 1964)", () => {
  const twelve = [32, 28, 25, 20, 18, 16, 15, 12, 10, 9, 8, 6];
  // Computed for an invented twelve-stem shrub, exponent 2.
  test.each([
    ["thickest 3 of 12", twelve.slice(0, 3), twelve.slice(3), 0.598819],
    ["thickest 4", twelve.slice(0, 4), twelve.slice(4), 0.697268],
    ["thinnest 4", twelve.slice(8), twelve.slice(0, 8), 0.069161],
  ])("%s", (_, out, kept, exact) => expect(shareByDiameters(out, kept)).toBeCloseTo(exact, 5));

  test("three of ten stems can be over half of the live area", () => {
    const [out, kept] = [
      [40, 38, 36],
      [20, 20, 18, 18, 16, 16, 14],
    ];
    expect(shareByCount(3, 10)).toBeCloseTo(0.3);
    expect(shareByDiameters(out, kept)).toBeGreaterThan(0.5);
  });

  // Conducting ring of 10 mm: cm² 3.142, 6.283, 9.425, 15.708 for 2, 3, 4, 6 cm.
  test.each([
    [20, 314.16],
    [30, 628.32],
    [40, 942.48],
    [60, 1570.8],
  ])("a %d mm stem conducts over %d mm²", (d, mm2) => expect(conductingSection(d, 10)).toBeCloseTo(mm2, 0));
});

describe("the trade's own numbers (invented examples of common practice)", () => {
  test.each([
    ["45 cm by a third: 15 off", heightOff(0.45, 1 / 3), 0.15],
    ["27 in by a third: 9 off", heightOff(inches(27), 1 / 3), inches(9)],
    ["stand at 135 cm with 60 of growth: cut to 75", cutBelow(1.35, 0.6), 0.75],
    ["clear a 42 in rail by 6 with 30 of growth: cut to 18", cutBelow(inches(48), inches(30)), inches(18)],
  ])("%s", (_, got, expected) => expect(got).toBeCloseTo(expected, 9));
  test("of 26 basal shoots keep 5 to 9", () => expect(suckersToKeep(26)).toEqual([5, 9]));

  test("cut height respects its guards", () => {
    const growth = [0.4, 0.6, 0.9] as [number, number, number];
    expect(cutHeightFor(1.35, growth, 0.3).cutAtM).toBeCloseTo(0.75);
    expect(cutHeightFor(1.35, growth, 0.3).guards).toEqual([]);
    expect(cutHeightFor(0.8, growth, 0.3)).toMatchObject({ cutAtM: 0.3, guards: ["stub-too-low"] });
    expect(cutHeightFor(0.5, growth, 0.3)).toMatchObject({ guards: ["cannot-hold", "stub-too-low"] });
    // A year's growth from the ground reaches it: nothing is left to cut back to.
    expect(cutHeightFor(0.6, growth, null).guards).toEqual(["cannot-hold"]);
    expect(cutHeightFor(1.2, growth, null, 0.7)).toMatchObject({ cutAtM: 0.7, guards: ["green-line"] });
    expect(cutHeightFor(1.35, growth, 0.3).holdableFromM).toBeCloseTo(0.9);
  });
});

describe("a visit's share", () => {
  test("half of a plant that was dead counts 0: dead stems stand in no sum", () => {
    expect(shareOfVisit({ cuts: [] }, LILAC)).toBe(0);
    expect(shareOfCut({ by: "stems", removedCount: 0, liveCount: 5 }, LILAC)).toBe(0);
  });
  test("cuts of one visit multiply what is left", () => {
    const half = { by: "share", share: 0.5 } as const;
    expect(shareOfVisit({ cuts: [half, half] }, LILAC)).toBeCloseTo(0.75);
  });

  const share = fc.double({ min: 0, max: 1, noNaN: true });
  test("shares stay within 0 and 1 and rise with what is taken", () => {
    fc.assert(
      fc.property(fc.array(share, { maxLength: 6 }), share, (cuts, more) => {
        const all = together(cuts);
        expect(all).toBeGreaterThanOrEqual(-1e-12);
        expect(together([...cuts, more])).toBeGreaterThanOrEqual(all - 1e-12);
        expect(together([...cuts, more])).toBeLessThanOrEqual(1);
      }),
    );
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 5, noNaN: true }), share, share, (h, a, b) => {
        const [low, high] = [Math.min(a, b) * h, Math.max(a, b) * h];
        const taken = (afterM: number): number => shareOfCut({ by: "height", beforeM: h, afterM }, LILAC);
        expect(taken(low)).toBeGreaterThanOrEqual(taken(high) - 1e-12);
      }),
    );
  });
});
