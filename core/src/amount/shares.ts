/**
 * Share of live growth removed, by what was measured. Dead wood stands in none of these sums: leave it
 * out of what is passed in.
 */
import { conductingSection } from "../stems/index.ts";
import { clampShare, type Metres, type Millimetres, type Share } from "../units/index.ts";

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

/** Within one visit shares multiply, because each cut is taken of what the last one left. // => together([0.5, 0.5]) is 0.75 */
export const together = (shares: readonly Share[]): Share => 1 - shares.reduce((left, s) => left * (1 - s), 1);

/** Height that goes when a share of the height is taken. // => heightOff(0.45, 1/3) is 0.15 */
export const heightOff = (heightM: Metres, share: Share): Metres => heightM * share;
