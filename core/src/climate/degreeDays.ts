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
