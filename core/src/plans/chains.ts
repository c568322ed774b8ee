/**
 * Jobs whose next step follows from the last: by a date worked out or by something seen. One row per chain;
 * common practice of the trade. What is due of them is worked out from the records, so nothing is stored twice.
 */
import type { Taxon } from "../catalogue/index.ts";
import type { Task, Visit, Watched } from "../model/index.ts";
import { misfit } from "../price/index.ts";
import type { Days, Metres } from "../units/index.ts";

/** When a step is due. */
export type Due =
  /** So many days after the visit. */
  | { readonly by: "days"; readonly from: Days; readonly to: Days }
  /** About the next such stage after the visit. */
  | {
      readonly by: "stage";
      readonly stage: "wakes" | "hardens" | "dormant";
      readonly from: Days;
      readonly to: Days;
      /** A stage sooner after the visit is not the one; left out: one whose days still run is. */
      readonly after?: Days;
    }
  /** About the next opening of its main display. */
  | { readonly by: "bloom"; readonly from: Days; readonly to: Days }
  /** When new shoots have a length, and not past midsummer. */
  | { readonly by: "shoots"; readonly lengthM: Metres }
  /** Until the visit's own deadline, from the next waking on. */
  | { readonly by: "deadline" };

export const CHAIN_IDS = [
  "real-prune",
  "thin-suckers",
  "deadhead-flush",
  "candle-check",
  "lift-again",
  "trial",
  "fallen-leaves",
  "evergreen-debris",
  "next-third",
  "rotation",
  "second-trim",
  "leader-out",
  "stranger-look",
  "layers-lift",
] as const;
/** One of the chains of work. */
export type ChainId = (typeof CHAIN_IDS)[number];

export interface Chain {
  readonly id: ChainId;
  /** Tasks that start it. */
  readonly after: readonly Task[] | "any";
  /** What else must hold of the visit and the kind. */
  readonly when: (v: Visit, t: Taxon) => boolean;
  /** The task that comes next; null when it is only a look. */
  readonly task: Task | null;
  /** What opens the step when it is seen; null: the date does. */
  readonly watched: Watched | null;
  readonly due: Due;
  /** A visit with one of these tasks settles it. */
  readonly doneBy: readonly Task[];
  /** So many such steps in a row, then the chain is at its end. */
  readonly times: number;
}

const always = (): boolean => true;
/** Shoots thinned when they are 20–30 cm long: weak ones show by then. */
const SUCKER_LENGTH_M = 0.25;

export const CHAINS: readonly Chain[] = [
  {
    id: "real-prune",
    after: ["reduce-for-wind"],
    when: always,
    task: "hard-cutback",
    watched: null,
    due: { by: "stage", stage: "wakes", from: -30, to: 20 },
    doneBy: ["hard-cutback", "shape"],
    times: 1,
  },
  {
    id: "thin-suckers",
    after: ["hard-cutback"],
    when: (_, t) => misfit(t, "thin-suckers") === null,
    task: "thin-suckers",
    watched: "suckers-up",
    due: { by: "shoots", lengthM: SUCKER_LENGTH_M },
    doneBy: ["thin-suckers"],
    times: 1,
  },
  {
    id: "deadhead-flush",
    after: ["shape", "hard-cutback"],
    when: (_, t) => t.group === "rose" && t.floweringWood === "new",
    task: "deadhead",
    watched: null,
    due: { by: "bloom", from: 20, to: 90 },
    doneBy: ["deadhead"],
    times: 1,
  },
  {
    id: "candle-check",
    after: ["candle"],
    when: always,
    task: null,
    watched: null,
    due: { by: "days", from: 40, to: 60 },
    doneBy: [],
    times: 1,
  },
  {
    id: "lift-again",
    after: ["lift"],
    when: always,
    task: "lift",
    watched: null,
    due: { by: "days", from: 365, to: 450 },
    doneBy: ["lift"],
    times: 1,
  },
  {
    id: "trial",
    after: "any",
    when: (v) => v.trialUntil !== null,
    task: null,
    watched: "regrowth-clean",
    due: { by: "deadline" },
    doneBy: [],
    times: 1,
  },
  {
    id: "fallen-leaves",
    after: "any",
    when: (v, t) => v.hazardShare > 0 && t.leaf !== "evergreen" && t.leaf !== "herbaceous",
    task: null,
    watched: null,
    due: { by: "stage", stage: "dormant", from: -40, to: 20 },
    doneBy: [],
    times: 1,
  },
  {
    id: "evergreen-debris",
    after: "any",
    when: (v, t) => v.hazardShare > 0 && (t.leaf === "evergreen" || t.leaf === "semi-evergreen"),
    task: null,
    watched: null,
    due: { by: "days", from: 0, to: 14 },
    doneBy: [],
    times: 1,
  },
  {
    id: "next-third",
    after: ["renovate"],
    when: always,
    task: "renovate",
    watched: null,
    due: { by: "days", from: 366, to: 460 },
    doneBy: ["renovate"],
    times: 3,
  },
  {
    id: "rotation",
    after: ["thin"],
    when: always,
    task: "thin",
    watched: null,
    due: { by: "days", from: 3 * 365, to: 5 * 365 },
    doneBy: ["thin", "renovate", "hard-cutback"],
    times: 1,
  },
  {
    id: "second-trim",
    after: ["shear"],
    when: (_, t) => t.schools.includes("trims"),
    task: "shear",
    watched: null,
    due: { by: "days", from: 45, to: 75 },
    doneBy: ["shear"],
    times: 1,
  },
  {
    // The leader that stays has taken over in a year; then the other goes in one cut that heals.
    id: "leader-out",
    after: "any",
    when: (v) => v.begun.includes("leader-halved"),
    task: "shape",
    watched: null,
    due: { by: "days", from: 330, to: 420 },
    doneBy: ["shape", "thin", "renovate"],
    times: 1,
  },
  {
    id: "stranger-look",
    after: "any",
    when: (v) => v.begun.includes("stranger-cut"),
    task: null,
    watched: null,
    due: { by: "days", from: 35, to: 56 },
    doneBy: [],
    times: 1,
  },
  {
    // Cut from its parent it makes roots of its own for a season; then it is moved at rest.
    id: "layers-lift",
    after: "any",
    when: (v) => v.begun.includes("layers-severed"),
    task: null,
    watched: null,
    due: { by: "stage", stage: "dormant", from: 0, to: 100, after: 90 },
    doneBy: [],
    times: 1,
  },
];
