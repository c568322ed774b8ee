/** Sizes by what stands beside the plant, for a walk without a tape. */
import type { Metres } from "../units/index.ts";

export interface Gauge {
  readonly id: string;
  readonly label: string;
  readonly heightM: Metres;
}

/** Against a grown person and a house door; ±10 % is as good as an eye gets (common practice). */
export const GAUGES: readonly Gauge[] = [
  { id: "ankle", label: "Ankle", heightM: 0.15 },
  { id: "knee", label: "Knee", heightM: 0.5 },
  { id: "hip", label: "Hip", heightM: 0.95 },
  { id: "chest", label: "Chest", heightM: 1.3 },
  { id: "head", label: "Head", heightM: 1.7 },
  { id: "door", label: "Top of a door", heightM: 2.1 },
  { id: "reach", label: "Arm's reach", heightM: 2.3 },
  { id: "door-half", label: "A door and a half", heightM: 3.1 },
  { id: "eaves", label: "Eaves of one floor", heightM: 4 },
];
