/** What could hurt somebody: it comes before everything else. */
import { LIMITS } from "../model/index.ts";
import { isLive, type Question } from "./question.ts";
import { finding, type Finding } from "./reasons.ts";

/** Findings of danger at the plant itself. */
export function danger({ plant, task }: Question): readonly Finding[] {
  const out: Finding[] = [];
  if (task === "leave") return out;
  if (plant.powerLineM !== null && plant.powerLineM < LIMITS.powerLineM)
    out.push(finding("ask-a-pro", "power-line", { distanceM: plant.powerLineM, limitM: LIMITS.powerLineM }, "z133"));
  if (isLive(task) && (plant.stance === "leaning" || plant.stance === "split"))
    out.push(finding("ask-a-pro", "leaning-trunk", { split: plant.stance === "split" }, "practice"));
  if (isLive(task) && plant.thickestStemMm !== null && plant.thickestStemMm > LIMITS.proStemMm)
    out.push(
      finding("ask-a-pro", "thick-stem", { diameterMm: plant.thickestStemMm, limitMm: LIMITS.proStemMm }, "practice"),
    );
  return out;
}
