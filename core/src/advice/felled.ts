/** Cuts that would fell a plant as it is grown: asked by the answer, and by the wish before it offers a task. */
import type { Taxon } from "../catalogue/index.ts";
import { onTrunk } from "../jobsite/index.ts";
import { isGrafted, type Plant, type Task } from "../model/index.ts";

/** Cuts that take a grafted head. */
const HEADS: ReadonlySet<Task> = new Set(["hard-cutback", "renovate", "reduce-for-wind"]);
/** Cuts that take the top off a trunk, or a leader out of a conifer. */
const TOPS: ReadonlySet<Task> = new Set(["hard-cutback", "reduce-for-wind"]);

/** A conifer keeps its leader, also where it would come again from bare wood, unless hedges are made of its kind. */
export const keepsLeader = (t: Taxon): boolean =>
  t.group === "conifer" && (t.regrowthFromLeaflessWood === "no" || !t.outline);

/** Shears top a bare crown all round, leader and all; evergreen heads are clipped, at a price in looks. */
const shearsCrown = (t: Taxon, task: Task): boolean =>
  task === "shear" && t.habit === "tree" && t.leaf === "deciduous" && !t.outline;

/** Why a task may not be done to a plant that is grown so; null: its form allows it. Common practice. */
export function felledBy(plant: Plant, taxon: Taxon, task: Task): "head-not-felled" | "topping" | null {
  if (isGrafted(plant) && HEADS.has(task)) return "head-not-felled";
  const led = plant.form === "trunk" || (keepsLeader(taxon) && onTrunk(plant, taxon));
  // A conifer with a leader has no oldest stems to take at the base but the one it stands on.
  const falls = TOPS.has(task) || (task === "renovate" && keepsLeader(taxon)) || shearsCrown(taxon, task);
  return falls && led ? "topping" : null;
}
