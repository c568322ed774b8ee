/** Where the blade goes, in one sentence: a kind's own for its yearly care, else the task's. */
import type { Taxon } from "../catalogue/index.ts";
import type { Task } from "../model/index.ts";

/** How the wood of a kind answers decides what the blade looks for. */
type Sort = "woody" | "needles" | "herbaceous";
/** Conifers show no buds on their wood: a cut goes back to what is green. */
export const isNeedled = (t: Taxon): boolean => t.group === "conifer" || t.headOnlyWhileSoft;
const sortOf = (t: Taxon): Sort => (t.leaf === "herbaceous" ? "herbaceous" : isNeedled(t) ? "needles" : "woody");

type Line = string | Readonly<Record<Sort, string>>;

/** Common practice. */
export const BLADE_LINES: Readonly<Record<Task, Line>> = {
  "dead-only": {
    woody:
      "Back to live wood: just above a live bud or side branch, or at the base; a dead branch just outside its swollen collar.",
    needles:
      "A dead branch where it leaves the live one, just outside its swollen collar; brown needles alone do not make it dead.",
    herbaceous: "Last year's growth a hand's breadth above the ground, before the new blades or shoots are that tall.",
  },
  deadhead: {
    woody: "The spent head only, just above the first good pair of buds or leaves below it.",
    needles: "The spent head only, just above the first green below it.",
    herbaceous: "The spent stalk above the next bud or leaf, or at its base when no bud is left on it.",
  },
  tip: "The soft end of each shoot, just above a leaf or a pair of buds.",
  shape: {
    woody:
      "About 6 mm above a pair of live buds that points the way you want, or back to a side branch a third as thick.",
    needles: "Back to a side branch inside the green, so that the cut is hidden; never past the last needles.",
    herbaceous: "Through the leafy growth, above live buds; never across a tuft in growth.",
  },
  thin: "Whole stems at the ground, whole branches just outside the collar where they start; leave no stub.",
  renovate: "The oldest stems at the ground, or just above a strong young shoot low on them.",
  "hard-cutback": {
    woody:
      "All stems to a low frame, above live buds where you can see them, else a hand's breadth above the old knuckles.",
    needles: "Not below the last green needles.",
    herbaceous: "Last year's growth a hand's breadth above the ground, before the new blades or shoots are that tall.",
  },
  "reduce-for-wind": "The tallest stems at about half their height, above any live bud; the real cut puts it right.",
  shear: {
    woody: "Along the line, inside this year's growth, the foot a little wider than the top; never past the leaves.",
    needles: "Along the line, inside this year's growth, the foot a little wider than the top; never past the needles.",
    herbaceous: "Spent flowers with a little of the leafy growth; always leave green below the blade.",
  },
  candle: "Through the soft candle by about half, with finger and thumb; never through needles.",
  lift: "The lowest branches, one by one, each just outside its collar at the trunk.",
  "thin-suckers": "At their origin on root or stock, under the soil; a stub comes again.",
  leave: "Nowhere.",
};

/** Where the blade goes for a task on a kind. */
export function bladeLine(taxon: Taxon, task: Task): string {
  if (task === taxon.routineTask) return taxon.blade;
  const line = BLADE_LINES[task];
  return typeof line === "string" ? line : line[sortOf(taxon)];
}
