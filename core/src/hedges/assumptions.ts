/** Ours, from common practice. */
export const HEDGE_ASSUMPTIONS = {
  /** Of an uncut leader's growth, what a clipped face grows in a year. */
  clippedGrowth: 0.5,
  /** Least lean that is worth setting out, about 1 in 10 (checks.md 5.8: figures run from 1:10 to 1:4). */
  usualBatterDeg: 5.7,
  /** Sky of the lower third beside the top's that keeps a foot dense. */
  wantedLight: 0.55,
  leastTopM: 0.3,
  /** Minutes for a square metre of face: by hand, with a powered trimmer; a third either way. */
  minutesPerM2: { hand: 4, powered: 1.5 },
  hands: [0.67, 1.5],
  /** One trim that was timed tells the next to so much either way; more of them to so much beyond the least and the most. */
  oneTimed: 0.25,
  moreTimed: 0.1,
  /** A barrow holds so much, heaped. */
  barrowM3: 0.1,
} as const;
