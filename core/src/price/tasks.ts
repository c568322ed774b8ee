/** What a kind must be for a task to make sense on it at all; a catalogue row may rule out more. */
import type { NeverReason, Taxon } from "../catalogue/index.ts";
import { TASK_TABLE, TASKS, type Regime, type Task } from "../model/index.ts";

/** Why a task makes no sense for a kind. */
export type MisfitCode = "no-candles" | "no-skirt" | "no-suckers" | "too-low-for-wind" | "grass-all-or-nothing";

interface Need {
  readonly fits: (t: Taxon) => boolean;
  readonly otherwise: MisfitCode;
}
const woody = (t: Taxon): boolean => t.leaf !== "herbaceous";
/** Lower than this no wind gets hold of a plant, and there is no skirt to lift, m. */
const LOW_M = { wind: 1.2, skirt: 0.8 } as const;

const NEEDS: Partial<Record<Task, Need>> = {
  // A perennial that is pinched branches.
  tip: { fits: (t) => woody(t) || t.group === "perennial", otherwise: "grass-all-or-nothing" },
  thin: { fits: woody, otherwise: "grass-all-or-nothing" },
  // Perennials may be sheared over; a grass cut in growth shows its stump for the year.
  shear: { fits: (t) => t.group !== "grass", otherwise: "grass-all-or-nothing" },
  candle: { fits: (t) => t.headOnlyWhileSoft, otherwise: "no-candles" },
  lift: { fits: (t) => woody(t) && t.habit !== "tuft" && t.matureHeightM[1] > LOW_M.skirt, otherwise: "no-skirt" },
  "thin-suckers": {
    // A grafted tree suckers from its rootstock; needle trees, low grey leaves and what never breaks from bare wood do not.
    fits: (t) =>
      woody(t) &&
      t.group !== "conifer" &&
      t.group !== "subshrub" &&
      (t.regrowthFromLeaflessWood !== "no" || t.habit === "tree"),
    otherwise: "no-suckers",
  },
  "reduce-for-wind": {
    fits: (t) => woody(t) && t.matureHeightM[1] > LOW_M.wind && t.regrowthFromLeaflessWood !== "no",
    otherwise: "too-low-for-wind",
  },
};

/** null when the task makes sense for the kind. */
export function misfit(taxon: Taxon, task: Task): MisfitCode | null {
  const need = NEEDS[task];
  return need && !need.fits(taxon) ? need.otherwise : null;
}

/** What stands in a kind's row as wrong but is a matter of looks: a price, said, and no refusal. */
export const LOOKS_ONLY = "large-leaved";

/** Why a task is never right for a kind; null when it may be. */
export function refusalOf(taxon: Taxon, task: Task): NeverReason | MisfitCode | null {
  const why = taxon.never[task];
  return why !== undefined && why !== LOOKS_ONLY ? why : misfit(taxon, task);
}

/** Does nothing speak against a task on a kind, not even looks? */
export const isAdvisable = (taxon: Taxon, task: Task): boolean =>
  taxon.never[task] === undefined && misfit(taxon, task) === null;

/** Does it bare the whole frame? */
export const baresFrame = (task: Task): boolean => TASK_TABLE[task].exposure >= 1;

/** Tasks that bare to the sun what has stood in shade. */
export const baresToSun = (task: Task): boolean => task === "shear" || task === "hard-cutback" || task === "renovate";

/** Does a kind sucker by nature, so that taking them out is offered without being asked for? */
export const suckers = (t: Taxon): boolean =>
  t.regrowthFromLeaflessWood === "yes" && t.regimes.some((r) => r !== "upkeep");

/** Are spent flowers of a kind taken off? Not where they are many and small, nor where fruit follows them. */
export const deadheaded = (t: Taxon): boolean =>
  t.displays.some((d) => d.spent !== "not-done") && !t.displays.some((d) => d.fruit === true);

/** Tasks worth asking about for a kind; those its row rules out stay, because the reason is worth reading. */
export const tasksFor = (taxon: Taxon): readonly Task[] => TASKS.filter((t) => misfit(taxon, t) === null);

/** The regime a task is booked to on a kind: a hard cut is a cutback where the kind rebuilds each year, else a renewal. */
export function regimeOf(taxon: Taxon, task: Task): Regime {
  if (task === "hard-cutback") return taxon.regimes.includes("cutback") ? "cutback" : "renewal";
  // A grass or perennial is only ever cut back.
  if (TASK_TABLE[task].regime === "upkeep" && TASK_TABLE[task].wakes && !taxon.regimes.includes("upkeep"))
    return "cutback";
  return TASK_TABLE[task].regime;
}
