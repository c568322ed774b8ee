/** What the work is done with, by the thickness of what is cut. */
import type { Taxon } from "../catalogue/index.ts";
import type { Plant, Task } from "../model/index.ts";
import type { Millimetres } from "../units/index.ts";

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

/** How thick a stem a task usually meets where nobody measured one, mm; old stems and skirts are thicker than ends. Ours. */
const USUAL_MM: Readonly<Partial<Record<Task, Millimetres>>> = {
  "dead-only": 25,
  thin: 30,
  renovate: 45,
  "hard-cutback": 25,
  lift: 35,
  "reduce-for-wind": 20,
};
const USUAL_END_MM: Millimetres = 15;

/** How thick a stem a task meets at a plant, mm: measured, else as usual for the task. */
export const thickestMet = (plant: Pick<Plant, "thickestStemMm">, task: Task): Millimetres =>
  ENDS_ONLY.has(task) || task === "shear" || task === "candle"
    ? USUAL_END_MM
    : (plant.thickestStemMm ?? USUAL_MM[task] ?? USUAL_END_MM);

/** Tasks that only meet the ends of shoots, however thick the plant's stems are. */
const ENDS_ONLY: ReadonlySet<Task> = new Set(["deadhead", "tip"]);

/** The kit for a task on a plant, the finest first. */
export function toolsFor(plant: Pick<Plant, "thickestStemMm">, taxon: Taxon, task: Task): readonly string[] {
  if (task === "leave") return [];
  if (task === "candle") return ["finger and thumb", "secateurs"];
  if (task === "shear") return ["hedge shears", "secateurs"];
  if (taxon.leaf === "herbaceous") return ["shears", "secateurs"];
  if (ENDS_ONLY.has(task)) return ["secateurs"];
  const thick = thickestMet(plant, task);
  return TOOLS.filter((_, i) => i === 0 || TOOLS[i - 1]!.upToMm < thick).map((t) => t.name);
}
