/** Labels of what the core names by code, and of what is kept. */
import type { Condition, Cut, Form, KEPT_CLEAR, Observation, Regime, Side, Vigour } from "@wren/core";
import type { Snapshot } from "../data/db.ts";

export const CONDITION_LABELS: Readonly<Record<Condition, string>> = {
  healthy: "Healthy",
  stressed: "Under stress",
  frosted: "Just frosted",
  dieback: "Much dieback",
  drought: "In drought, not watered",
  "past-maturity": "Past its prime, weak",
  unchecked: "Not checked yet",
};

export const FORM_LABELS: Readonly<Record<Form, string>> = {
  "many-stems": "Many stems from the ground",
  trunk: "One or few trunks",
  standard: "Grafted head on a stem",
  weeping: "Weeping, grafted on a stem",
  trained: "Trained on a wall or wires",
  clipped: "Clipped to an outline",
  pollard: "Pollard or stool",
};
export const VIGOUR_LABELS: Readonly<Record<Vigour, string>> = {
  dwarf: "Dwarf",
  compact: "Compact",
  usual: "As its kind usually is",
  vigorous: "Vigorous",
};

export const REGIME_LABELS: Readonly<Record<Regime, string>> = {
  upkeep: "upkeep: a share of the live growth",
  renewal: "renewal: old stems out at the base",
  cutback: "cutback: rebuilt from a low frame each year",
  framework: "framework: the old frame stays",
};

export const MEASURE_LABELS: Readonly<Record<Cut["by"], string>> = {
  height: "By height",
  stems: "By counting stems",
  diameters: "By stem thickness",
  share: "By eye",
};

export const OBSERVATION_LABELS: Readonly<Record<Observation["kind"], string>> = {
  "growth-seen": "New growth seen",
  "not-yet": "Looked: not yet",
  "first-leaf": "First leaves",
  "candles-out": "Candles out",
  "flush-hardened": "New shoots hard",
  "leaf-fall": "Leaves fallen",
  "first-flower": "First flower",
  "in-flower": "In flower",
  "last-flower": "Flowers over",
  "buds-killed": "Buds killed by frost",
  "berries-ripe": "Berries or heads ripe",
  height: "Height measured",
  "suckers-up": "New shoots 20–30 cm tall",
  "berries-gone": "Berries or heads gone",
  "foot-dense": "Foot dense again",
  "nest-empty": "Young birds flown",
  "nest-seen": "Birds nest in it",
  "no-flower": "Did not flower this year",
  "frost-damage": "Frost has hurt it",
  "scratch-green": "Scratched: green",
  "scratch-brown": "Scratched: brown",
  "disease-seen": "Disease seen",
  "shoots-counted": "Shoots counted at the cuts",
  "leaf-depth": "How far in the green reaches",
  "regrowth-clean": "Clean regrowth",
  "regrowth-poor": "Poor regrowth",
};

const WHY: Readonly<Record<Snapshot["why"], string>> = {
  day: "",
  replaced: ", before another took its place",
  kept: ", kept by you",
  shared: ", as it was exported or imported",
};
/** What a snapshot holds, and from when. */
export const snapshotText = (s: Pick<Snapshot, "at" | "name" | "plants" | "why">): string =>
  `${new Intl.DateTimeFormat(undefined, { dateStyle: "full", timeStyle: "short" }).format(s.at)}: ${s.name}, ${s.plants} ${s.plants === 1 ? "plant" : "plants"}${WHY[s.why]}`;

/** What a plant may stand against, or be kept clear of. */
export const KEPT_LABELS: Readonly<Record<(typeof KEPT_CLEAR)[number], string>> = {
  path: "Path",
  fence: "Fence",
  wall: "Wall",
  window: "Window",
  plant: "Another plant",
  wire: "Wire",
  roof: "Roof or gutter",
  mower: "The mower’s way",
  passage: "A passage",
  ground: "Ground below it",
};
export const SIDE_LABELS: Readonly<Record<Side, string>> = {
  front: "In front",
  back: "Behind",
  left: "On the left",
  right: "On the right",
};
