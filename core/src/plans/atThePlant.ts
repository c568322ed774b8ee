/** What to do at the plant: passes in order, tools by thickness, cautions that apply. Tables of common practice. */
import type { Taxon } from "../catalogue/index.ts";
import type { GoalKind, Plant, Task } from "../model/index.ts";
import { GOAL_TABLE } from "../advice/index.ts";
import type { Metres, Millimetres } from "../units/index.ts";

/** Clean-up comes first on every plant. */
const CLEAN_UP = [
  "Dead, damaged and torn wood, back to a clean edge at a bud; then diseased wood, blades wiped between cuts.",
  "Intruders: seedlings, ivy, a neighbour's suckers.",
  "Stems that lie on the ground: leaf disease splashes up from there.",
] as const;

/** After the clean-up, by the way a kind is worked. */
export const PASS_TABLE: Readonly<Record<Taxon["passes"], readonly string[]>> = {
  shaping: [
    "Crossing and rubbing stems, the worse of each pair.",
    "Weak shoots, and those that grow into the path, into the middle or straight up.",
    "The outline last. Step back and look from every side.",
  ],
  cutback: [
    "Height first.",
    "Weak stems out at the base; strong ones may stay higher.",
    "Crossing stems. Step back and look from every side.",
  ],
  renewal: [
    "The oldest stems at the base, a third of them at most.",
    "Crossing and rubbing stems.",
    "Height last. Step back and look from every side.",
  ],
  framework: [
    "Old main stems stay. Check ties and what rubs on the wire before you shorten anything.",
    "Young canes off to a darker main stem, except those wanted to fill a gap.",
    "What hangs into the path. Step back and look from every side.",
  ],
};

/** Which of the passes a task has. */
const PASSES_OF_TASK: Partial<Record<Task, "clean-up" | "all" | "none">> = {
  "dead-only": "clean-up",
  deadhead: "none",
  leave: "none",
};

/** The passes of a task in order; a goal may ask for another order than the kind's own. */
export function passesFor(taxon: Taxon, task: Task, goal: GoalKind = "routine"): readonly string[] {
  const which = PASSES_OF_TASK[task] ?? "all";
  if (which === "none") return [];
  return which === "clean-up" ? CLEAN_UP : [...CLEAN_UP, ...PASS_TABLE[GOAL_TABLE[goal].passes ?? taxon.passes]];
}

interface Tool {
  readonly name: string;
  readonly upToMm: Millimetres;
}
/** Virginia Cooperative Extension 430-455 (from memory); ends vary between guides. */
const TOOLS: readonly Tool[] = [
  { name: "secateurs", upToMm: 19 },
  { name: "loppers", upToMm: 40 },
  { name: "pruning saw", upToMm: Infinity },
];
/** Smallest tool that takes a stem. // => toolFor(25) is "loppers" */
export const toolFor = (diameterMm: Millimetres): string => TOOLS.find((t) => diameterMm <= t.upToMm)!.name;

export function toolsFor(plant: Plant, task: Task): readonly string[] {
  if (task === "leave") return [];
  if (task === "shear") return ["hedge shears", "secateurs"];
  const thick = plant.thickestStemMm ?? 15;
  return TOOLS.filter((_, i) => i === 0 || TOOLS[i - 1]!.upToMm < thick).map((t) => t.name);
}

export type CautionCode =
  | "eyes-hands"
  | "thorns"
  | "irritant-sap"
  | "toxic-clippings"
  | "sharp-leaf-edges"
  | "reach"
  | "power-line"
  | "nests"
  | "disinfect"
  | Taxon["ailments"][number]
  | "invasive";

/** Where the work can hurt someone, the usual caution; local codes, labels and licensed arborists come first. */
export const CAUTION_TEXTS: Readonly<Record<CautionCode, string>> = {
  "eyes-hands": "Eye protection and gloves, always.",
  thorns: "Thorns: leather gloves to the elbow, and eye protection.",
  "irritant-sap": "Its sap or leaves may irritate skin: gloves and long sleeves.",
  "toxic-clippings": "Its clippings are poisonous: keep them from children and animals.",
  "sharp-leaf-edges": "Leaf edges cut skin: gloves and sleeves.",
  reach:
    "Nothing above shoulder height from the ground. On a slope use a three-legged ladder, one hand free; what needs climbing or a saw overhead is a licensed arborist's.",
  "power-line":
    "A power line is near. Within 3 m call the line's owner or a licensed arborist; local codes come first.",
  nests: "Check for nests before you cut. In many places disturbing one is an offence: local law decides.",
  bleeds: "Its sap runs when it is cut in late winter: it looks bad and does little harm; cut in summer or midwinter.",
  "silver-leaf": "Silver leaf and canker enter winter cuts: cut in dry summer weather.",
  "fire-blight": "Fire blight: cut 20–30 cm below what you see of it, in dry weather, blades wiped each time.",
  invasive:
    "It stands on the invasive list of some regions: local law says whether you may plant, move or spread it. Bin its seed heads.",
  disinfect:
    "Disinfect blades before you start and between suspect plants: 70 % alcohol, or 1 part household bleach to 9 of water, rinsed and oiled after.",
};

const SHOULDER_M: Metres = 1.5;

export function cautionsFor(plant: Plant, taxon: Taxon, task: Task, heightM: Metres): readonly CautionCode[] {
  if (task === "leave") return [];
  const out: CautionCode[] = [];
  if (plant.powerLineM !== null) out.push("power-line");
  if (heightM > SHOULDER_M) out.push("reach");
  out.push(...taxon.hazards);
  if (!taxon.hazards.includes("thorns")) out.push("eyes-hands");
  out.push(...taxon.ailments);
  if (taxon.invasive) out.push("invasive");
  if (taxon.leaf === "evergreen" || heightM > 1) out.push("nests");
  if (plant.condition !== "healthy" || plant.health?.disease === true) out.push("disinfect");
  return out;
}
