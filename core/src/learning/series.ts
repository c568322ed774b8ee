/** A steady gain read off measures that err: each step of a series is seen through the errors of both its ends. */
import type { Normal } from "./additive.ts";

/** From one measure to the next of a series. */
export interface Step {
  /** So much was gained. */
  readonly gain: number;
  /** Over so many seasons; none within one winter. */
  readonly seasons: number;
  /** Standard deviations of the measures at its two ends. */
  readonly ends: readonly [number, number];
  /** Its first measure is the last one of the step before it: their errors are one. */
  readonly joins: boolean;
}

/** Measures of one winter tell of no growth. */
const LEAST_PRECISION = 1e-9;

/**
 * The gain a season that steps tell, by generalised least squares: what a season differs from the next, and errors of
 * measure that two steps share with opposite signs (Aitken 1935).
 * @param seasonSd how far one season's gain lies from the usual, of the same unit
 * @returns null without a step, or where none of them lasted
 */
export function gainTold(steps: readonly Step[], seasonSd: number): Normal | null {
  if (steps.length === 0) return null;
  // Steps come one after another, so the covariance has one band beside its diagonal: solved in one sweep (Thomas).
  const n = steps.length;
  const diag = steps.map((s) => seasonSd ** 2 * s.seasons + s.ends[0] ** 2 + s.ends[1] ** 2);
  const off = steps.map((s) => (s.joins ? 0 - s.ends[0] ** 2 : 0));
  const solve = (b: readonly number[]): number[] => {
    const d = [...diag];
    const x = [...b];
    for (let i = 1; i < n; i++) {
      const m = off[i]! / d[i - 1]!;
      d[i] = d[i]! - m * off[i]!;
      x[i] = x[i]! - m * x[i - 1]!;
    }
    for (let i = n - 1; i >= 0; i--) x[i] = (x[i]! - (i + 1 < n ? off[i + 1]! * x[i + 1]! : 0)) / d[i]!;
    return x;
  };
  const seasons = steps.map((s) => s.seasons);
  const weights = solve(seasons);
  const precision = weights.reduce((sum, w, i) => sum + w * seasons[i]!, 0);
  if (precision < LEAST_PRECISION) return null;
  const told = weights.reduce((sum, w, i) => sum + w * steps[i]!.gain, 0);
  return { mean: told / precision, sd: 1 / Math.sqrt(precision) };
}
