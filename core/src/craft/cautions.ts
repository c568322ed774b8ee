/** Where the work can hurt someone, or carry disease, the usual caution; local codes, labels and licensed arborists come first. */
import { invasiveIn, REGIONS, type Taxon } from "../catalogue/index.ts";
import { nearestWireM, REACH_LIMITS } from "../jobsite/index.ts";
import type { Plant, Task } from "../model/index.ts";
import type { Metres } from "../units/index.ts";
import { toolsFor } from "./tools.ts";

export type CautionCode =
  | "eyes-hands"
  | "both-hands"
  | "thorns"
  | "irritant-sap"
  | "toxic-clippings"
  | "sharp-leaf-edges"
  | "reach"
  | "power-line"
  | "nests"
  | "disinfect"
  | "laboratory"
  | Taxon["ailments"][number]
  | "invasive";

/** Common practice. */
export const CAUTION_TEXTS: Readonly<Record<CautionCode, string>> = {
  "eyes-hands": "Eye protection and gloves, always.",
  "both-hands":
    "A powered trimmer: both hands on it, the cable over the shoulder, switched off before you clear it, never from a ladder.",
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
  invasive: "It stands on invasive lists: local law says whether you may plant, move or spread it. Bin its seed heads.",
  disinfect:
    "Disinfect blades before you start and between suspect plants: 70 % alcohol, or 1 part household bleach to 9 of water, made fresh, rinsed and oiled after. Never mix cleaners: bleach with anything else can give off poisonous gas.",
  laboratory:
    "Blight, wilt or something you cannot name: before it is all cut out, take a fresh piece in a closed bag to the extension office or a plant laboratory. What may be done, and what must be reported, is local law.",
};

/** The caution as it is said of a kind: where it is invasive the parts of the world are named. */
export function cautionText(code: CautionCode, taxon: Taxon): string {
  const where = code === "invasive" ? invasiveIn(taxon.id).map((r) => REGIONS[r]) : [];
  return where.length === 0 ? CAUTION_TEXTS[code] : `${CAUTION_TEXTS[code]} It is listed in ${where.join(", ")}.`;
}

/** What is to be minded at a kind whatever is done. */
export const cautionsOfKind = (taxon: Taxon): readonly CautionCode[] => [
  ...taxon.hazards,
  // Gloves to the elbow and eye protection are said of thorns already.
  ...(taxon.hazards.includes("thorns") ? [] : (["eyes-hands"] as const)),
  ...taxon.ailments,
  ...(invasiveIn(taxon.id).length > 0 ? (["invasive"] as const) : []),
];

/** The cautions that a task on a plant asks for, the gravest first; empty when nothing is cut. @param heightM the plant's height */
export function cautionsFor(plant: Plant, taxon: Taxon, task: Task, heightM: Metres): readonly CautionCode[] {
  if (task === "leave") return [];
  const out: CautionCode[] = [];
  if (nearestWireM(plant) !== null) out.push("power-line");
  if (heightM > REACH_LIMITS.shoulderM) out.push("reach");
  out.push(...cautionsOfKind(taxon));
  if (toolsFor(plant, taxon, task).includes("hedge shears")) out.push("both-hands");
  if (taxon.leaf === "evergreen" || heightM > 1) out.push("nests");
  const sick = plant.health?.disease === true;
  if (plant.condition !== "healthy" || sick) out.push("disinfect");
  if (sick) out.push("laboratory");
  return out;
}
