/**
 * The words used everywhere: tasks, regimes, verdicts. One table each; docs/words.md is written from it.
 * What a task does to a plant is stated here as numbers, so that nothing downstream asks "is it a shear?".
 */
import type { Share } from "../units/index.ts";

export const REGIMES = ["upkeep", "renewal", "cutback", "framework"] as const;
/** The kind of account a cut is booked to. */
export type Regime = (typeof REGIMES)[number];

/** What may be done at a plant. */
export const TASKS = [
  "dead-only",
  "deadhead",
  "tip",
  "shape",
  "thin",
  "renovate",
  "hard-cutback",
  "reduce-for-wind",
  "shear",
  "candle",
  "lift",
  "thin-suckers",
  "leave",
] as const;
/** One of the tasks. */
export type Task = (typeof TASKS)[number];

export type CutKind = "thinning" | "heading" | "shearing" | "removal-at-base" | "none";

export interface TaskRow {
  readonly label: string;
  readonly cuts: readonly CutKind[];
  /** The regime unless the kind of plant says otherwise. */
  readonly regime: Regime;
  /** Share of shoots whose tips go. */
  readonly reach: Share;
  /** Share of the length of those shoots that goes; a given share of live growth replaces it. */
  readonly depth: Share;
  /** Live growth it usually takes, where nothing better is known. */
  readonly usualShare: Share;
  /** Does it take live growth that is measured and counted? Spent flowers and dead wood are not. */
  readonly live: boolean;
  /** Does it wake buds, and is the framework left without its top in winter? */
  readonly wakes: boolean;
  readonly exposure: Share;
}

const row = (
  label: string,
  cuts: readonly CutKind[],
  regime: Regime,
  n: readonly [reach: number, depth: number, usualShare: number, exposure: number],
  flags: Pick<TaskRow, "live" | "wakes">,
): TaskRow => ({ label, cuts, regime, reach: n[0], depth: n[1], usualShare: n[2], exposure: n[3], ...flags });

const WAKES = { live: true, wakes: true };
/** Taken out at its origin: nothing is woken. */
const QUIET = { live: true, wakes: false };
const STILL = { live: false, wakes: false };

/** Common practice; reach, depth and usual share are our assumptions, from memory of that practice. */
export const TASK_TABLE: Readonly<Record<Task, TaskRow>> = {
  "dead-only": row("Dead wood only", ["removal-at-base", "thinning"], "upkeep", [0, 0, 0, 0], STILL),
  deadhead: row("Deadhead", ["heading"], "upkeep", [0, 0, 0.02, 0], STILL),
  tip: row("Tip", ["heading"], "upkeep", [1, 0.1, 0.08, 0.1], WAKES),
  shape: row("Shape", ["thinning", "heading"], "upkeep", [1, 0.33, 0.25, 0.5], WAKES),
  thin: row("Thin", ["thinning"], "upkeep", [0.2, 1, 0.2, 0.2], QUIET),
  renovate: row("Renovate", ["removal-at-base"], "renewal", [0.33, 1, 0.33, 0.3], WAKES),
  "hard-cutback": row("Hard cutback", ["heading", "removal-at-base"], "renewal", [1, 1, 0.8, 1], WAKES),
  "reduce-for-wind": row("Reduce for wind", ["heading"], "upkeep", [1, 0.5, 0.4, 0.7], WAKES),
  shear: row("Shear", ["shearing"], "upkeep", [1, 0.2, 0.2, 0.2], WAKES),
  candle: row("Shorten candles", ["heading"], "upkeep", [1, 0.1, 0.1, 0], WAKES),
  // The lowest branches stand in the shade of the others, and suckers are young: they carry few of its flowers.
  lift: row("Lift the skirt", ["thinning", "removal-at-base"], "upkeep", [0.08, 1, 0.1, 0], QUIET),
  "thin-suckers": row("Thin suckers", ["removal-at-base"], "upkeep", [0.05, 1, 0.1, 0], QUIET),
  leave: row("Leave it", ["none"], "upkeep", [0, 0, 0, 0], STILL),
};

/** Strongest first: when several hold, the first one is the verdict. */
export const VERDICTS = ["ask-a-pro", "never", "wait", "too-late", "costs-flowers", "no-need", "fine", "best"] as const;
/** One of the verdicts. */
export type Verdict = (typeof VERDICTS)[number];

export interface VerdictRow {
  /** The word beside the mark. */
  readonly word: string;
  readonly meaning: string;
  /** May the task be started on such a day? */
  readonly go: boolean;
}

/** Word and meaning of every verdict, and whether the work may start. */
export const VERDICT_TABLE: Readonly<Record<Verdict, VerdictRow>> = {
  "ask-a-pro": {
    word: "Call a professional",
    meaning: "someone could get hurt, or the law decides",
    go: false,
  },
  never: { word: "Never", meaning: "wrong for this kind of plant in any season", go: false },
  wait: { word: "Wait", meaning: "not now; it says what opens it", go: false },
  "too-late": {
    word: "Past",
    meaning: "this year's window has closed; it says when the next opens",
    go: false,
  },
  "costs-flowers": {
    word: "Costs flowers",
    meaning: "safe for the plant, but takes more than a tenth of a coming display",
    go: false,
  },
  "no-need": { word: "Leave be", meaning: "the goal is met, nothing to gain", go: false },
  fine: { word: "Fine", meaning: "no material harm", go: true },
  best: { word: "Now", meaning: "inside the best window", go: true },
};

/** The limits the verdicts use; numbers are data. Common practice unless a row says otherwise. */
export const LIMITS = {
  /** A weighted loss of a coming display above this is "costs flowers". */
  flowerLoss: 0.1,
  /** Chance of frost on woken growth or exposed frame above this is "wait" or "too late". */
  frostRisk: 0.25,
  /** Chance that the cut wood does not break again. */
  regrowthRisk: 0.5,
  /** Share of the season's extension still to come above which a trimmed outline has to be done again. */
  redo: 0.5,
  /** How far dead wood may be mistaken for live: past this it waits for growth. */
  untold: 0.6,
  /** How sure the heat of the season may be to burn what shears or a hard cut bare. */
  heat: 0.75,
  /** What a hard cut in full leaf may cost the plant's reserves; above it waits until the plant sleeps. */
  reserves: 0.2,
  /** What a hard cut may lose by standing open until growth answers it. */
  standsOpen: 0.15,
  /** How far above the year's least harm still counts as best. */
  bestMargin: 0.04,
  /** A stem at least this thick is a professional's, mm (common practice: over about 10 cm). */
  proStemMm: 100,
  /** Nearer to a power line than this, m (ANSI Z133: 10 ft for the unqualified; from memory). */
  powerLineM: 3,
  /** A candidate less likely than this no longer holds the advice back. */
  doubt: 0.05,
  /** A kind whose least mature height is more than so many times the wanted one is fought every year. */
  outgrows: 1.5,
  /** Below this there is nothing left worth starting on. */
  leastUsefulShare: 0.02,
} as const;

/** The passes of the work at a plant, in the order in which they are known. */
export const PASSES = [
  "dead",
  "hazard",
  "intruders",
  "low",
  "off-path",
  "frame",
  "rods",
  "ties",
  "leaders",
  "upright",
  "old-heads",
  "oldest",
  "suckers",
  "crossing",
  "weak",
  "wrong-way",
  "inside",
  "side-shoots",
  "young-canes",
  "lift",
  "height",
  "ends",
] as const;
/** One of the passes. */
export type Pass = (typeof PASSES)[number];
