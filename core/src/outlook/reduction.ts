/**
 * A plant brought down to a height in the fewest years under its cap, with the growth in between; and whether it can
 * be held there afterwards.
 */
import { cutHeightFor, volumeAbove, type Outline } from "../amount/index.ts";
import type { Metres, Share } from "../units/index.ts";

/** A plant to be brought down, the height it should stand at, and what may go in a year. */
export interface ReductionQuestion {
  readonly heightM: Metres;
  /** Height it should stand at when growth ends. */
  readonly wantedM: Metres;
  /** Yearly growth: slow, usual, strong. */
  readonly growthM: readonly [Metres, Metres, Metres];
  /** Live growth that may go in a year; what is taken is measured by the outline of its habit. */
  readonly cap: Share;
  readonly outline: Outline;
  /** Lowest height that still breaks, or the lowest green. */
  readonly floorM: Metres;
}

export interface ReductionStep {
  readonly beforeM: Metres;
  readonly cutM: Metres;
  readonly share: Share;
  /** Height when that season's growth ends: slow, usual, strong. */
  readonly afterM: readonly [Metres, Metres, Metres];
}

export interface Reduction {
  readonly steps: readonly ReductionStep[];
  /** The last step cuts to where one season's growth brings it to the wanted height. */
  readonly reached: boolean;
  /** Cut height that then holds it, and the share that takes each year. */
  readonly holdCutM: Metres;
  readonly holdShare: Share;
  /** Least height at which it can be held under this cap. */
  readonly holdableM: Metres;
}

/** No reduction worth planning takes longer. */
const MOST_YEARS = 12;
const EPSILON = 1e-9;
const BISECTIONS = 50;

/** Lowest cut that takes no more than the cap of what stands. // => lowestCut(1, 0.5, "column") is 0.5 */
export function lowestCut(heightM: Metres, cap: Share, outline: Outline): Metres {
  let [low, high] = [0, 1];
  for (let i = 0; i < BISECTIONS; i++) {
    const mid = (low + high) / 2;
    if (volumeAbove(outline, mid) <= cap + EPSILON) high = mid;
    else low = mid;
  }
  return high * heightM;
}

/** Least height at which a year's growth is no more than the cap takes, and the cut stays at or above the floor. */
export function holdableFrom(growthM: Metres, cap: Share, outline: Outline, floorM: Metres): Metres {
  if (cap <= 0) return Infinity;
  // A cut to (1 − g/H) of H takes no more than the cap from this H on.
  const byCap = growthM / (1 - lowestCut(1, cap, outline));
  return Math.max(byCap, floorM + growthM);
}

/** Plans the years. An aim below what can be held is brought as low as it can be, and that is said. */
export function fewestYears(q: ReductionQuestion): Reduction {
  const [slow, usual, strong] = q.growthM;
  const holdCutM = Math.max(q.floorM, cutHeightFor(q.wantedM, [slow, usual, strong], null).cutAtM);
  const holdableM = holdableFrom(usual, q.cap, q.outline, q.floorM);
  const share = (before: Metres, cut: Metres): Share => (cut >= before ? 0 : volumeAbove(q.outline, cut / before));
  const steps: ReductionStep[] = [];
  let beforeM = q.heightM;
  let reached = false;
  while (!reached && steps.length < MOST_YEARS) {
    const cutM = Math.min(beforeM, Math.max(holdCutM, lowestCut(beforeM, q.cap, q.outline)));
    steps.push({ beforeM, cutM, share: share(beforeM, cutM), afterM: [cutM + slow, cutM + usual, cutM + strong] });
    reached = cutM <= holdCutM + 1e-6;
    // Growth makes up for what may go: more years bring it no lower.
    if (!reached && cutM + usual >= beforeM - 0.01) break;
    beforeM = cutM + usual;
  }
  return { steps, reached, holdCutM, holdShare: share(holdCutM + usual, holdCutM), holdableM };
}
