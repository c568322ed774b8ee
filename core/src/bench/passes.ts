/** The passes of the work in their order, and which stems each one is about. */
import { STANDING_TABLE, type Standing } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { TASK_TABLE, type GoalKind, type Stem, type Task } from "../model/index.ts";
import { GOAL_TABLE } from "../advice/index.ts";
import { THUMB_MM } from "../stems/index.ts";

export const PASSES = [
  "dead",
  "hazard",
  "low",
  "oldest",
  "suckers",
  "crossing",
  "weak",
  "wrong-way",
  "lift",
  "height",
  "ends",
] as const;
export type Pass = (typeof PASSES)[number];

export interface PassRow {
  readonly title: string;
  readonly why: string;
}
/** Common practice, in the words of the work at the plant. */
export const PASS_ROWS: Readonly<Record<Pass, PassRow>> = {
  dead: { title: "Dead wood", why: "It does not count, and taking it first shows what is alive." },
  hazard: { title: "Torn and diseased", why: "Back to a clean edge; booked apart, never refused for the cap." },
  low: { title: "On the ground", why: "Leaf disease splashes up from what lies on the ground." },
  oldest: { title: "The oldest, at the base", why: "Young stems carry the better flowers and refill the foot." },
  suckers: { title: "Too many young shoots", why: "Five to nine strong ones are enough; the rest only crowd." },
  crossing: { title: "Crossing and rubbing", why: "The worse of each pair: bark that rubs is a way in for disease." },
  weak: { title: "Weak shoots", why: "They shade the others and carry little." },
  "wrong-way": { title: "Growing the wrong way", why: "Into the path, into the middle or straight up." },
  lift: { title: "The skirt", why: "Clear below, from the bottom up." },
  height: { title: "Height", why: "To where one season's growth brings it back to the wanted height." },
  ends: { title: "Ends of shoots", why: "The outline last; step back and look from every side." },
};

const CLEAN: readonly Pass[] = ["dead", "hazard", "low"];
/** After the clean-up, by the way a kind is worked. */
const BY_WAY: Readonly<Record<Taxon["passes"], readonly Pass[]>> = {
  shaping: ["crossing", "weak", "wrong-way", "height"],
  cutback: ["height", "weak", "crossing"],
  renewal: ["oldest", "crossing", "height"],
  framework: ["weak", "crossing", "height"],
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

/** The passes of a task on a kind, in order. */
export const passOrder = (taxon: Taxon, task: Task, goal: GoalKind): readonly Pass[] =>
  BY_TASK[task] ?? [...CLEAN, ...BY_WAY[GOAL_TABLE[goal].passes ?? taxon.passes]];

/** The passes that the state of a plant leaves of them: dead wood only where live cuts wait, nothing where that waits too. */
export function passesOffered(taxon: Taxon, task: Task, goal: GoalKind, standing: Standing): readonly Pass[] {
  const row = STANDING_TABLE[standing];
  if (row.deadWood === "wait") return [];
  const order = passOrder(taxon, task, goal);
  return row.liveCuts === "wait" && TASK_TABLE[task].live ? order.filter((p) => p === "dead") : order;
}

/** How bad a stem is: of a crossing pair the worse goes. */
function badness(s: Stem): number {
  return s.faults.length * 10 + (s.state === "live" ? 0 : 100) - s.diameterMm / 100 - s.leafed;
}

/** The worse stem of each crossing pair; a stem that crosses several goes once and frees them all. */
export function worseOfPairs(stems: readonly Stem[]): readonly Stem[] {
  const byId = new Map(stems.map((s) => [s.id, s]));
  const gone = new Set<string>();
  for (const s of stems) {
    const other = s.crosses === null ? undefined : byId.get(s.crosses);
    if (!other || s.state === "dead" || other.state === "dead" || gone.has(s.id) || gone.has(other.id)) continue;
    gone.add((badness(s) >= badness(other) ? s : other).id);
  }
  return stems.filter((s) => gone.has(s.id));
}

const OVER_HALF = 0.5;
/** More than half of the stems over the thumb: past upkeep, the thumb rule gives way to renewal by thirds. */
export function pastUpkeep(stems: readonly Stem[]): boolean {
  const live = stems.filter((s) => s.state !== "dead");
  return live.filter((s) => s.diameterMm > THUMB_MM).length > live.length * OVER_HALF;
}

/** Stems that a pass is about; passes over the whole plant are about none. */
export function stemsOf(pass: Pass, stems: readonly Stem[]): readonly Stem[] {
  const live = stems.filter((s) => s.state === "live");
  const fault = (f: Stem["faults"][number]) => live.filter((s) => s.faults.includes(f));
  switch (pass) {
    case "dead":
      return stems.filter((s) => s.state === "dead");
    case "hazard":
      return stems.filter((s) => s.state === "damaged" || s.state === "diseased");
    case "low":
      return fault("low");
    case "weak":
      return fault("weak");
    case "wrong-way":
      return fault("wrong-way");
    case "crossing":
      return worseOfPairs(live);
    case "oldest":
      return live.filter((s) => s.diameterMm > THUMB_MM).toSorted(oldestFirst);
    case "suckers":
      return live.toSorted((a, b) => a.diameterMm - b.diameterMm);
    default:
      return [];
  }
}

/** By age where it is known, else by thickness. */
export const oldestFirst = (a: Stem, b: Stem): number =>
  (b.ageYears ?? -1) - (a.ageYears ?? -1) || b.diameterMm - a.diameterMm || (a.id < b.id ? -1 : 1);
