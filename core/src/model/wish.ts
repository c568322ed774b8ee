/** A wish said in short. */
import type { Goal } from "./plant.ts";
import type { GoalKind } from "./plantWords.ts";

/** A wish of a kind and perhaps a height, with nothing else said. */
export const wish = (kind: GoalKind, heightM: number | null = null): Goal => ({
  kind,
  heightM,
  widthM: null,
  lines: [],
});
