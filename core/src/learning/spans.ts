/** A day that was never seen itself: each year tells only that it lay before one look or after another. */
import type { Normal } from "./additive.ts";

/** It lay between two days; either may be open. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Steps of the grid, and how far it reaches in doubts. */
const GRID = { step: 0.5, sds: 5 } as const;

/** Chance that a normal lies below a value, in standard deviations; Abramowitz & Stegun 26.2.17, error under 1e-7. */
function below(x: number): number {
  if (x === Infinity) return 1;
  if (x === -Infinity) return 0;
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const tail =
    (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return x > 0 ? 1 - tail : tail;
}

/**
 * How far a plant's own day lies from the forecast, from spans of single years, summed over a grid.
 * @param spans days from the forecast, one a year
 * @param doubt standard deviation before anything was seen; yearSd: from one year to the next
 */
export function leadFromSpans(spans: readonly Span[], doubt: number, yearSd: number): Normal {
  const reach = GRID.sds * doubt;
  let [sum, first, second] = [0, 0, 0];
  for (let x = 0 - reach; x <= reach; x += GRID.step) {
    let w = Math.exp(-((x / doubt) ** 2) / 2);
    for (const s of spans) w *= Math.max(1e-12, below((s.to - x) / yearSd) - below((s.from - x) / yearSd));
    sum += w;
    first += w * x;
    second += w * x * x;
  }
  const mean = first / sum;
  return { mean, sd: Math.sqrt(Math.max(0, second / sum - mean * mean)) };
}
