/** The passes of the work in their order: one table, read by the answer, the kind's page and the bench. */
import { STANDING_TABLE, type Standing } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { TASK_TABLE, type Form, type GoalKind, type Pass, type Task } from "../model/index.ts";
import { buildOf, type Architecture } from "../stems/index.ts";
import { GOAL_TABLE } from "../advice/index.ts";

export interface PassRow {
  readonly title: string;
  readonly why: string;
  /** Its cuts on one stem are one line of the list: nobody ticks a wall shoot by shoot. */
  readonly together?: true;
}
/** Common practice, in the words of the work at the plant. */
export const PASS_ROWS: Readonly<Record<Pass, PassRow>> = {
  dead: { title: "Dead wood", why: "It does not count, and taking it first shows what is alive." },
  hazard: { title: "Torn and diseased", why: "Back to a clean edge; booked apart, never refused for the cap." },
  intruders: { title: "Intruders", why: "Seedlings, ivy, a neighbour's suckers: they are none of the plant." },
  low: { title: "On the ground", why: "Leaf disease splashes up from what lies on the ground." },
  "off-path": {
    title: "Over the line",
    why: "The outermost first, each back to a branch further in: nothing shows that it was cut.",
  },
  frame: {
    title: "To few stems",
    why: "The best three or four stay as trunks, strong, upright and well apart; of the others the worst first.",
  },
  rods: { title: "The rods", why: "Each off at the head it grows from, none into the head itself.", together: true },
  leaders: {
    title: "One leader",
    why: "The weaker of two that compete; a strong one is halved this year and goes the next.",
  },
  upright: { title: "Straight up", why: "Shoots that stand up out of the layers: off at the branch that lies." },
  inside: { title: "Inside", why: "Branches in the shade of the others: light comes in, and nobody sees where from." },
  "side-shoots": {
    title: "Side shoots",
    why: "Each back to two or three buds of the frame: they flower close to the wall.",
    together: true,
  },
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
/** The same by how a plant is built, where that decides; null: by the way its kind is worked. */
const BY_BUILD: Readonly<Record<Architecture, readonly Pass[] | null>> = {
  stems: null,
  tuft: null,
  canes: ["oldest", "crossing", "weak", "height"],
  trunk: ["crossing", "inside", "height"],
  tiers: ["leaders", "ends"],
  wall: ["ties", "weak", "side-shoots", "height"],
  layers: ["upright", "crossing", "height"],
  shell: ["crossing", "weak", "height"],
};
/** Thinning by how a plant is built: of what is carried by a trunk or an arm only branches go. */
const THINNED: Readonly<Record<Architecture, readonly Pass[]>> = {
  stems: ["oldest", "crossing", "weak", "wrong-way"],
  tuft: [],
  canes: ["oldest", "crossing", "weak"],
  trunk: ["crossing", "inside"],
  tiers: ["leaders", "inside"],
  wall: ["ties", "weak", "inside"],
  layers: ["upright", "crossing", "inside"],
  shell: ["crossing", "weak", "inside"],
};
/** Cut back hard: of canes the oldest go altogether; a frame keeps its arms. */
const CUT_BACK: Readonly<Record<Architecture, readonly Pass[]>> = {
  stems: ["height", "weak"],
  tuft: ["height", "weak"],
  canes: ["oldest", "height", "weak"],
  trunk: ["height", "weak"],
  tiers: ["height", "weak"],
  wall: ["height", "weak"],
  layers: ["height", "weak"],
  shell: ["height", "weak"],
};
const POLLARDED: readonly Pass[] = ["rods"];
/** What a wish puts first, and what it adds at the end of the sorting. */
const BY_GOAL: Partial<Record<GoalKind, { readonly first?: readonly Pass[]; readonly more?: readonly Pass[] }>> = {
  upright: { first: ["weak"] },
  "large-flowers": { first: ["weak"] },
  open: { more: ["inside"] },
  // The trunks are chosen first, then they are cleared from below, by steps.
  "tree-form": { first: ["frame"], more: ["lift"] },
  "off-path": { first: ["off-path"] },
  ground: { first: ["off-path"] },
};
/** Tasks that have passes of their own. */
const BY_TASK: Partial<Record<Task, readonly Pass[]>> = {
  leave: [],
  "dead-only": ["dead", "hazard"],
  deadhead: ["dead", "hazard", "ends"],
  tip: ["dead", "ends"],
  candle: ["dead", "ends"],
  shear: ["dead", "ends"],
  lift: ["dead", "low", "lift"],
  renovate: [...CLEAN, "oldest"],
  "reduce-for-wind": ["dead", "height"],
  "thin-suckers": ["dead", "suckers"],
};
/** Grasses and perennials have no wood to sort. */
const HERBACEOUS: Partial<Record<Task, readonly Pass[]>> = {
  "dead-only": ["old-heads"],
  "hard-cutback": ["old-heads"],
  shape: ["dead", "ends"],
};

/** What of a plant decides on its passes. */
export interface Worked {
  readonly goal: { readonly kind: GoalKind; readonly lines: readonly unknown[] };
  readonly form: Form | null;
}
/** A plant as its kind is usually grown and worked. */
export const USUALLY_WORKED: Worked = { goal: { kind: "routine", lines: [] }, form: null };

const once = (passes: readonly Pass[]): readonly Pass[] => passes.filter((p, i) => passes.indexOf(p) === i);

/** The passes of a task on a kind, in order; a wish, or how the plant is built, may ask for another order than the kind's own. */
export function passOrder(taxon: Taxon, task: Task, { goal, form }: Worked = USUALLY_WORKED): readonly Pass[] {
  const own = (taxon.leaf === "herbaceous" ? HERBACEOUS[task] : undefined) ?? BY_TASK[task];
  if (own) return own;
  const { architecture } = buildOf(taxon, form);
  const wish = BY_GOAL[goal.kind] ?? {};
  if (task === "hard-cutback")
    return once([...CLEAN, ...(wish.first ?? []), ...(form === "pollard" ? POLLARDED : CUT_BACK[architecture])]);
  const way = GOAL_TABLE[goal.kind].passes;
  const usual = task === "thin" ? THINNED[architecture] : (BY_BUILD[architecture] ?? BY_WAY[way ?? taxon.passes]);
  const sorted: readonly Pass[] =
    task === "thin" && taxon.regrowthFromLeaflessWood === "no"
      ? usual.map((p) => (p === "oldest" ? "inside" : p))
      : usual;
  const lines: readonly Pass[] = goal.lines.length > 0 ? ["off-path"] : [];
  // What a wish adds comes before the outline, which is last; a cutback begins with its height.
  const end = sorted.at(-1);
  const cut = end === "height" || end === "ends" ? sorted.length - 1 : sorted.length;
  return once([
    ...CLEAN,
    ...lines,
    ...(wish.first ?? []),
    ...sorted.slice(0, cut),
    ...(wish.more ?? []),
    ...sorted.slice(cut),
  ]);
}

/** The passes that the state of a plant leaves of them: dead wood only where live cuts wait, nothing where that waits too. */
export function passesOffered(taxon: Taxon, task: Task, worked: Worked, standing: Standing): readonly Pass[] {
  const row = STANDING_TABLE[standing];
  if (row.deadWood === "wait") return [];
  const order = passOrder(taxon, task, worked);
  return row.liveCuts === "wait" && TASK_TABLE[task].live ? order.filter((p) => p === "dead") : order;
}
