/** Solids and shells against exact volumes (docs: published formulas of geometry) and against independent quadrature. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  betweenShare,
  shearShare,
  shellShare,
  sliceShare,
  volumeByQuadrature,
  volumeOf,
  type Solid,
  leafStanding,
  OUTLINES,
  type OutlineName,
} from "@wren/core";
import "../seed.ts";

const ball = (r: number): Solid => ({ solid: "ellipsoid", heightM: 2 * r, widthM: 2 * r, depthM: 2 * r });
const egg = (heightM: number, widthM: number): Solid => ({ solid: "ellipsoid", heightM, widthM, depthM: widthM });
const cone: Solid = { solid: "cone", heightM: 2, widthM: 1.2 };
const paraboloid: Solid = { solid: "paraboloid", heightM: 1.5, widthM: 1 };
const box = (topM: number): Solid => ({ solid: "wall", lengthM: 5, footM: 0.9, topM, heightM: 1.8 });

describe("shares of exact bodies", () => {
  // checks.md 6 (envelopes), computed there by formula and by 2^21 quasi-random points.
  test.each<[string, number, number]>([
    ["1 all three axes by a third", betweenShare(egg(3, 3), egg(2, 2)), 19 / 27],
    ["2 height alone by a third", betweenShare(egg(3, 3), egg(2, 3)), 1 / 3],
    ["3 both widths by a tenth", betweenShare(egg(1, 1), egg(1, 0.9)), 0.19],
    ["4 sphere, 10 cm shell off", shearShare(ball(0.6), 0.1), 0.421296],
    ["5 sphere, top quarter", sliceShare(ball(0.6), 0.9), 5 / 32],
    ["6 sphere, top third", sliceShare(ball(0.6), 0.8), 7 / 27],
    ["7 cone headed at half", sliceShare(cone, 1), 1 / 8],
    ["8 cone headed at three quarters", sliceShare(cone, 1.5), 1 / 64],
    ["10 paraboloid headed at two thirds", sliceShare(paraboloid, 1), 1 / 9],
    ["11 box battered to 0.6 m", betweenShare(box(0.9), box(0.6)), 1 / 6],
    ["12 box, 5 cm off faces and top", shearShare(box(0.9), 0.05), 0.135802],
    ["12 the same, of a 20 cm shell", shellShare(box(0.9), 0.05, 0.2), 0.268293],
    ["15 sphere with a 20 cm shell, 5 cm off", shellShare(ball(0.6), 0.05, 0.2), 0.32648],
    ["sphere, 2.5 cm off", shearShare(ball(0.6), 0.025), 0.119864],
    ["sphere with a 15 cm shell, 10 cm off", shellShare(ball(0.6), 0.1, 0.15), 0.728729],
    ["sphere with a 30 cm shell, 2.5 cm off", shellShare(ball(0.6), 0.025, 0.3), 0.136987],
    ["ellipsoid, axes 10 cm shorter", shearShare({ solid: "ellipsoid", widthM: 1, depthM: 1, heightM: 2 }, 0.1), 0.424],
  ])("%s", (_, got, expected) => {
    expect(got).toBeCloseTo(expected, 5);
  });

  test("a sphere of 60 cm and its cap", () => {
    expect(volumeOf(ball(0.6))).toBeCloseTo(0.904779, 6);
    expect(sliceShare(ball(0.6), 1) * volumeOf(ball(0.6))).toBeCloseTo(0.067021, 6);
  });
});

const size = fc.double({ min: 0.2, max: 4, noNaN: true });
const solids: fc.Arbitrary<Solid> = fc.oneof(
  fc.record({ solid: fc.constant("ellipsoid" as const), heightM: size, widthM: size, depthM: size }),
  fc.record({
    solid: fc.constantFrom("half-ellipsoid" as const, "cone" as const, "paraboloid" as const),
    heightM: size,
    widthM: size,
  }),
  fc.record({ solid: fc.constant("frustum" as const), heightM: size, footM: size, topM: size }),
  fc.record({ solid: fc.constant("wall" as const), heightM: size, footM: size, topM: size, lengthM: size }),
);

test("formula and quadrature agree on every solid, and slices grow with the cut", () => {
  fc.assert(
    fc.property(
      solids,
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (s, a, b) => {
        expect(volumeByQuadrature(s) / volumeOf(s)).toBeCloseTo(1, 9);
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        expect(sliceShare(s, low * s.heightM)).toBeGreaterThanOrEqual(sliceShare(s, high * s.heightM) - 1e-9);
        expect(sliceShare(s, 0)).toBeCloseTo(1, 9);
      },
    ),
  );
});

test("shearing takes more of a shell than of the whole, never more than all, and more the deeper it goes", () => {
  const off = fc.double({ min: 0.01, max: 0.4, noNaN: true });
  fc.assert(
    fc.property(solids, off, off, (s, one, two) => {
      const [shallow, deep] = [Math.min(one, two), Math.max(one, two)];
      const [whole, shell] = [shearShare(s, shallow), shellShare(s, shallow, deep)];
      expect(shell).toBeGreaterThanOrEqual(whole - 1e-9);
      expect(shell).toBeLessThanOrEqual(1);
      expect(shearShare(s, deep)).toBeGreaterThanOrEqual(whole - 1e-9);
    }),
  );
});

/** Volume of an outline over a relative height as a pile of frusta, each by its exact formula (r = 1, h = 1). */
function pile(rows: (typeof OUTLINES)["dome"], from: number): number {
  let sum = 0;
  for (let i = 1; i < rows.length; i++) {
    const [z0, r0] = rows[i - 1]!;
    const [z1, r1] = rows[i]!;
    if (z1 <= from) continue;
    const z = Math.max(z0, from);
    const r = r0 + ((r1 - r0) * (z - z0)) / (z1 - z0);
    sum += (Math.PI / 3) * (z1 - z) * (r * r + r * r1 + r1 * r1);
  }
  return sum;
}
test("leafy throughout, an outline's leaf over a height is its volume there; in a shell it is that of two piles of frusta", () => {
  for (const [name, rows] of Object.entries(OUTLINES)) {
    if (name === "fan" || name === "climber") continue;
    const body = { outline: name as OutlineName, heightM: 1, widthM: 2, shellM: Infinity, bareFoot: 0 };
    for (const z of [0, 0.35, 0.5, 2 / 3, 0.8])
      expect(Math.abs(leafStanding(body, z) - pile(rows, z) / pile(rows, 0))).toBeLessThan(0.012);
    // A skin of 1 mm is its surface: the mantle between two heights.
    const mantle = (from: number): number =>
      rows.slice(1).reduce((n, [z1, r1], i) => {
        const [z0, r0] = rows[i]!;
        if (z1 <= from) return n;
        const z = Math.max(z0, from);
        const r = r0 + ((r1 - r0) * (z - z0)) / (z1 - z0);
        return n + (r + r1) * (z1 - z);
      }, 0);
    const skin = { ...body, shellM: 0.001 };
    for (const z of [0.35, 0.5, 0.8])
      expect(Math.abs(leafStanding(skin, z) - mantle(z) / mantle(0))).toBeLessThan(0.03);
  }
});
