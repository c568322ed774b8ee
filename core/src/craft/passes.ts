/** The passes of the work in their order: one table, read by the answer, the kind's page and the bench. */
import { STANDING_TABLE, type Standing } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { TASK_TABLE, type GoalKind, type Task } from "../model/index.ts";
import { GOAL_TABLE } from "../advice/index.ts";

export const PASSES = [
  "dead",
  "hazard",
  "intruders",
  "low",
  "ties",
  "old-heads",
  "oldest",
  "suckers",
  "crossing",
  "weak",
  "wrong-way",
  "young-canes",
  "lift",
  "height",
  "ends",
] as const;
/** One of the passes. */
export type Pass = (typeof PASSES)[number];

export interface PassRow {
  readonly title: string;
  readonly why: string;
}
/** Common practice, in the words of the work at the plant. */
export const PASS_ROWS: Readonly<Record<Pass, PassRow>> = {
  dead: { title: "Dead wood", why: "It does not count, and taking it first shows what is alive." },
  hazard: { title: "Torn and diseased", why: "Back to a clean edge; booked apart, never refused for the cap." },
  intruders: { title: "Intruders", why: "Seedlings, ivy, a neighbour's suckers: they are none of the plant." },
  low: { title: "On the ground", why: "Leaf disease splashes up from what lies on the ground." },
  ties: { title: "Ties and wire", why: "See what holds it and what rubs before anything is shortened." },
  "old-heads": { title: "Last year's growth", why: "All of it, to the ground: the new comes from below." },
  oldest: { title: "The oldest, at the base", why: "Young stems carry the better flowers and refill the foot." },
  suckers: { title: "Too many young shoots", why: "Five to nine strong ones are enough; the rest only crowd." },
  crossing: { title: "Crossing and rubbing", why: "The worse of each pair: bark that rubs is a way in for disease." },
  weak: { title: "Weak shoots", why: "They shade the others and carry little." },
  "wrong-way": { title: "Growing the wrong way", why: "Into the path, into the middle or straight up." },
  "young-canes": {
    title: "Young canes",
    why: "Back to the darker main stem they grow from, except those that fill a gap; the main stems stay.",
  },
  lift: { title: "The skirt", why: "Clear below, from the bottom up." },
  height: { title: "Height", why: "To where one season's growth brings it back to the wanted height." },
  ends: { title: "Ends of shoots", why: "The outline last; step back and look from every side." },
};

const CLEAN: readonly Pass[] = ["dead", "hazard", "intruders", "low"];
/** After the clean-up, by the way a kind is worked. */
const BY_WAY: Readonly<Record<Taxon["passes"], readonly Pass[]>> = {
  shaping: ["crossing", "weak", "wrong-way", "height"],
  cutback: ["height", "weak", "crossing"],
  renewal: ["oldest", "crossing", "height"],
  framework: ["ties", "weak", "crossing", "young-canes", "height"],
};
/** Tasks that have passes of their own. */
const BY_TASK: Partial<Record<Task, readonly Pass[]>> = {
  leave: [],
  "dead-only": ["dead", "hazard"],
  deadhead: ["ends"],
  tip: ["dead", "ends"],
  candle: ["dead", "ends"],
  shear: ["dead", "ends"],
  lift: ["dead", "low", "lift"],
  thin: [...CLEAN, "oldest", "crossing", "weak", "wrong-way"],
  renovate: [...CLEAN, "oldest"],
  "hard-cutback": [...CLEAN, "height", "weak"],
  "reduce-for-wind": ["dead", "height"],
  "thin-suckers": ["dead", "suckers"],
};
/** Grasses and perennials have no wood to sort. */
const HERBACEOUS: Partial<Record<Task, readonly Pass[]>> = {
  "dead-only": ["old-heads"],
  "hard-cutback": ["old-heads"],
  shape: ["dead", "ends"],
};

/** The passes of a task on a kind, in order; a goal may ask for another order than the kind's own. */
export const passOrder = (taxon: Taxon, task: Task, goal: GoalKind = "routine"): readonly Pass[] =>
  (taxon.leaf === "herbaceous" ? HERBACEOUS[task] : undefined) ??
  BY_TASK[task] ?? [...CLEAN, ...BY_WAY[GOAL_TABLE[goal].passes ?? taxon.passes]];

/** The passes that the state of a plant leaves of them: dead wood only where live cuts wait, nothing where that waits too. */
export function passesOffered(taxon: Taxon, task: Task, goal: GoalKind, standing: Standing): readonly Pass[] {
  const row = STANDING_TABLE[standing];
  if (row.deadWood === "wait") return [];
  const order = passOrder(taxon, task, goal);
  return row.liveCuts === "wait" && TASK_TABLE[task].live ? order.filter((p) => p === "dead") : order;
}
