/** Warmth above a base, by the single-sine method, and what to expect of it before the weather is known. */
import type { Celsius, DegreeDays } from "../units/index.ts";
import { cumulative, density, expectation } from "./normal.ts";

/** The base all catalogue thresholds are counted with: 50 °F. */
export const BASE_C: Celsius = 10;

/**
 * Degree-days of one day from its minimum and maximum, the day's course taken as a sine.
 * Works in any one temperature scale. Source: G. L. Baskerville & P. Emin (1969), Ecology 50: 514–517.
 * // => singleSine(40, 60, 50) is 10/π
 */
export function singleSine(tmin: number, tmax: number, base: number): DegreeDays {
  if (tmax <= base) return 0;
  const mean = (tmin + tmax) / 2;
  if (tmin >= base) return mean - base;
  const swing = (tmax - tmin) / 2;
  const theta = Math.asin((base - mean) / swing);
  return ((mean - base) * (Math.PI / 2 - theta) + swing * Math.cos(theta)) / Math.PI;
}

/**
 * Warmth as growth answers to it: counted from 5 °C, no more of it above 24 °C, and scaled so that May to September
 * in Ohio, where the catalogue's figures come from (base 10 °C), give the same sum. Counted from 10 °C a cool maritime
 * summer gives half of what its plants show: roses a month late in southern England, and half of the hardy kinds of
 * Scotland never in flower. Base and ceiling: the usual range for woody plants (from memory).
 */
const GROWTH = { baseC: 5, topC: 24, scale: 0.69 } as const;
export const growthWarmth = (tmin: Celsius, tmax: Celsius): DegreeDays =>
  GROWTH.scale * (singleSine(tmin, tmax, GROWTH.baseC) - singleSine(tmin, tmax, GROWTH.topC));
/** Degree-days above the base of growth that a day brings on average. @param sdC spread of single days about their normal */
export const expectedGrowthWarmth = (tmin: Celsius, tmax: Celsius, sdC: number): DegreeDays =>
  expectation((z) => growthWarmth(tmin + sdC * z, tmax + sdC * z));

/**
 * What an Ohio summer gives of growth warmth while it gives so many degree-days from lilac bloom on (base 10 °C; mean
 * months of two Ohio towns of the table; a test works it out again). With it the catalogue's figures keep their dates
 * where they come from, and are counted as growth elsewhere.
 */
export const OHIO_GROWTH: readonly (readonly [degreeDays: DegreeDays, warmth: DegreeDays])[] = [
  [0, 0],
  [50, 62],
  [100, 120],
  [150, 174],
  [200, 226],
  [300, 324],
  [400, 417],
  [500, 506],
  [600, 593],
  [800, 763],
  [1000, 930],
  [1200, 1099],
  [1400, 1276],
  [1600, 1470],
  [1800, 1707],
];
/** The same from first leaf on, when an Ohio spring gives more of growth than of degree-days. */
export const OHIO_GROWTH_FROM_LEAF: typeof OHIO_GROWTH = [
  [0, 0],
  [50, 81],
  [100, 149],
  [200, 263],
  [400, 465],
  [800, 815],
];
/** Growth warmth that stands for degree-days of the catalogue; beyond the table one for one. */
export function growthFor(degreeDays: DegreeDays, from: "leaf" | "bloom" = "bloom"): DegreeDays {
  const rows = from === "bloom" ? OHIO_GROWTH : OHIO_GROWTH_FROM_LEAF;
  const i = rows.findIndex(([d]) => d >= degreeDays);
  if (i === 0) return 0;
  if (i < 0) {
    const [d, g] = rows.at(-1)!;
    return g + degreeDays - d;
  }
  const [[a, x], [b, y]] = [rows[i - 1]!, rows[i]!];
  return x + ((y - x) * (degreeDays - a)) / (b - a);
}

/**
 * Expected degree-days of a day whose minimum and maximum shift together with standard deviation sdC.
 * A smooth average day hides the warm ones; this does not. Idea: H. C. S. Thom (1954), Monthly Weather
 * Review 82: 1–6.
 */
export const expectedDegreeDays = (tmin: Celsius, tmax: Celsius, sdC: number, base: Celsius): DegreeDays =>
  expectation((z) => singleSine(tmin + sdC * z, tmax + sdC * z, base));

/**
 * The same for thresholds that were counted by plain averaging: a normal daily mean with its spread, in
 * closed form. Any one temperature scale. Source: Thom (1954), as above.
 * // => expectedByAverage(50, 7, 50) is about 2.79
 */
export function expectedByAverage(mean: number, sd: number, base: number): DegreeDays {
  const z = (mean - base) / sd;
  return sd * density(z) + (mean - base) * cumulative(z);
}
