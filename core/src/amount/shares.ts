/**
 * Share of live growth removed, by what was measured. Dead wood stands in none of these sums: leave it
 * out of what is passed in.
 */
import { clampShare, type Metres, type Millimetres, type Share } from "../units/index.ts";

/**
 * Conducting section of a stem, mm². Foliage is proportional to it (pipe model, Shinozaki et al. 1964);
 * in a thick old stem only an outer ring conducts.
 * @param sapwoodMm thickness of the conducting ring; Infinity for young wood
 */
export function conductingSection(diameterMm: Millimetres, sapwoodMm: Millimetres): number {
  const r = diameterMm / 2;
  const heart = Math.max(0, r - sapwoodMm);
  return Math.PI * (r * r - heart * heart);
}

const total = (diametersMm: readonly Millimetres[], sapwoodMm: Millimetres): number =>
  diametersMm.reduce((sum, d) => sum + conductingSection(d, sapwoodMm), 0);

/**
 * Σd² removed ÷ Σd² live, or the conducting ring's section where stems are thick.
 * @returns 0 when nothing was live. // => shareByDiameters([30], [30, 30], Infinity) is 1/3
 */
export function shareByDiameters(
  removedMm: readonly Millimetres[],
  keptMm: readonly Millimetres[],
  sapwoodMm: Millimetres = Infinity,
): Share {
  const gone = total(removedMm, sapwoodMm);
  const all = gone + total(keptMm, sapwoodMm);
  return all === 0 ? 0 : gone / all;
}

/** Live stems removed ÷ live stems before; every stem counted alike, so it is a rough measure. // => shareByCount(3, 10) is 0.3 */
export const shareByCount = (removed: number, live: number): Share => (live <= 0 ? 0 : clampShare(removed / live));

/** The outline a habit is taken for when only a height is known. */
export type Outline = "dome" | "cone" | "column" | "vase";

/**
 * Volume above relative height z (0 ground, 1 top) of an outline, as a share of the whole. Exact:
 * dome – ellipsoid standing on the ground; cone – point up; column – prism; vase – cone point down.
 * // => volumeAbove("dome", 2/3) is 7/27
 */
export function volumeAbove(outline: Outline, z: number): Share {
  const t = 1 - clampShare(z);
  switch (outline) {
    case "dome":
      return t * t * (3 - 2 * t);
    case "cone":
      return t ** 3;
    case "column":
      return t;
    case "vase":
      return 1 - (1 - t) ** 3;
  }
}

const HALVINGS = 40;
/** The relative height above which a share of an outline lies: the other way round of volumeAbove. // => heightAtShare("dome", 7/27) is 2/3 */
export function heightAtShare(outline: Outline, share: Share): Share {
  let [low, high] = [0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    if (volumeAbove(outline, mid) > share) low = mid;
    else high = mid;
  }
  return high;
}

/**
 * Share taken by slicing the top off at a height, by the outline of the habit. An estimate: the product says so.
 * @returns 0 when the plant is not shorter afterwards
 */
export function shareByHeight(beforeM: Metres, afterM: Metres, outline: Outline): Share {
  return beforeM <= 0 || afterM >= beforeM ? 0 : volumeAbove(outline, Math.max(0, afterM) / beforeM);
}

/** Share of a stem's leaves gone when it is headed at relative height z: (1 − z)^k above a leafless foot. // => headedShare(0.5, 2, 0.25) is 0.444… */
export const headedShare = (z: number, exponent: number, bareFoot: Share): Share =>
  z <= bareFoot ? 1 : ((1 - clampShare(z)) / (1 - bareFoot)) ** exponent;

/** Within one visit shares multiply, because each cut is taken of what the last one left. // => together([0.5, 0.5]) is 0.75 */
export const together = (shares: readonly Share[]): Share => 1 - shares.reduce((left, s) => left * (1 - s), 1);

/** Height that goes when a share of the height is taken. // => heightOff(0.45, 1/3) is 0.15 */
export const heightOff = (heightM: Metres, share: Share): Metres => heightM * share;
