import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  conductingSection,
  cutBelow,
  cutHeightFor,
  headedShare,
  heightOff,
  inches,
  shareByCount,
  shareByDiameters,
  shareByHeight,
  shareOfCut,
  shareOfVisit,
  suckersToKeep,
  together,
  volumeAbove,
  type Outline,
} from "@wren/core";

const lilacLike = { habit: "upright", sapwoodMm: 12 } as const;

describe("outlines", () => {
  // Exact geometry, checked elsewhere with 2^21 quasi-random points.
  test.each([
    ["sphere, top quarter sliced", volumeAbove("dome", 3 / 4), 5 / 32],
    ["sphere, top third sliced", volumeAbove("dome", 2 / 3), 7 / 27],
    ["cone headed at half", volumeAbove("cone", 1 / 2), 1 / 8],
    ["cone headed at three quarters", volumeAbove("cone", 3 / 4), 1 / 64],
    ["stem headed at half, k = 2, a quarter bare", headedShare(0.5, 2, 0.25), 0.444444],
    ["stem headed at a third, k = 3", headedShare(1 / 3, 3, 0), 0.296296],
  ])("%s", (_, got, exact) => expect(got).toBeCloseTo(exact, 5));

  const radius: Record<Outline, (z: number) => number> = {
    dome: (z) => Math.sqrt(Math.max(0, 1 - (2 * z - 1) ** 2)),
    cone: (z) => 1 - z,
    column: () => 1,
    vase: (z) => z,
  };
  test.each(["dome", "cone", "column", "vase"] as const)("%s by formula equals quadrature", (o) => {
    const slice = (a: number, b: number): number => {
      let v = 0;
      for (let i = 0; i < 20_000; i++) v += radius[o](a + ((b - a) * (i + 0.5)) / 20_000) ** 2 * (b - a);
      return v;
    };
    for (const z of [0.1, 0.5, 2 / 3, 0.93]) expect(volumeAbove(o, z)).toBeCloseTo(slice(z, 1) / slice(0, 1), 5);
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
    expect(shareOfVisit({ cuts: [] }, lilacLike)).toBe(0);
    expect(shareOfCut({ by: "stems", removedCount: 0, liveCount: 5 }, lilacLike)).toBe(0);
  });
  test("cuts of one visit multiply what is left", () => {
    const half = { by: "share", share: 0.5 } as const;
    expect(shareOfVisit({ cuts: [half, half] }, lilacLike)).toBeCloseTo(0.75);
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
        expect(shareByHeight(h, low, "vase")).toBeGreaterThanOrEqual(shareByHeight(h, high, "vase") - 1e-12);
      }),
    );
  });
});
