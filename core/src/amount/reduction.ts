/**
 * A plant brought down to a height in the fewest years under its cap, with the growth in between; and whether it can
 * be held there afterwards.
 */
import type { Metres, Share } from "../units/index.ts";
import { cutBelow } from "./cutHeight.ts";
import { lowestTop, takenAbove, type Measured } from "./cutShare.ts";

/** A plant to be brought down, the height it should stand at, and what may go in a year. */
export interface ReductionQuestion {
  readonly heightM: Metres;
  /** Height it should stand at when growth ends. */
  readonly wantedM: Metres;
  /** Yearly growth: slow, usual, strong. */
  readonly growthM: readonly [Metres, Metres, Metres];
  /** Part of it still to come in the season of the cut. */
  readonly toCome: Share;
  /** Live growth that may go in a year, and what it is measured by. */
  readonly cap: Share;
  readonly measured: Measured;
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

/** Least height at which a year's growth is no more than the cap takes, and the cut stays at or above the floor. */
export function holdableFrom(m: Measured, growthM: Metres, cap: Share, floorM: Metres): Metres {
  if (cap <= 0) return Infinity;
  let [low, high] = [growthM, TALLEST_M];
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    if (takenAbove(m, mid, mid - growthM).share > cap + EPSILON) low = mid;
    else high = mid;
  }
  return Math.max(high, floorM + growthM);
}
const TALLEST_M: Metres = 40;
const HALVINGS = 40;

/** Plans the years. An aim below what can be held is brought as low as it can be, and that is said. */
export function fewestYears(q: ReductionQuestion): Reduction {
  const [slow, usual, strong] = q.growthM;
  const holdCutM = Math.max(q.floorM, cutBelow(q.wantedM, usual * q.toCome));
  // What grew since the stems were drawn fills the outline.
  const grown: Measured = { ...q.measured, stems: null };
  const holdableM = holdableFrom(grown, usual, q.cap, q.floorM);
  const steps: ReductionStep[] = [];
  let beforeM = q.heightM;
  let reached = false;
  while (!reached && steps.length < MOST_YEARS) {
    const m = steps.length === 0 ? q.measured : grown;
    const cutM = Math.min(beforeM, Math.max(holdCutM, lowestTop(m, beforeM, q.cap)));
    const after = (growthM: Metres): Metres => cutM + growthM * q.toCome;
    const { share } = takenAbove(m, beforeM, cutM);
    steps.push({ beforeM, cutM, share, afterM: [after(slow), after(usual), after(strong)] });
    reached = cutM <= holdCutM + 1e-6;
    // Growth makes up for what may go: more years bring it no lower.
    if (!reached && cutM + usual >= beforeM - 0.01) break;
    beforeM = cutM + usual;
  }
  return { steps, reached, holdCutM, holdShare: takenAbove(grown, holdCutM + usual, holdCutM).share, holdableM };
}
