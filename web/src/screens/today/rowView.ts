/** What a row of Today shows, as plain values: a row whose values stay the same is not drawn again while the day is dragged. */
import {
  heightOf,
  plantsYear,
  UNKNOWN_TAXON,
  VERDICT_TABLE,
  type Advice,
  type GardenModel,
  type Task,
  type Taxon,
  type Verdict,
  type Voice,
  type Plant,
} from "@wren/core";
import { flowersText, growthText, sentenceOf, whenText } from "../../answer/sentences.ts";
import { lookOn, type PlantLook } from "../../drawing/plant.geometry.ts";
import type { GroupId } from "./groups.ts";

export interface RowView extends PlantLook {
  readonly plantId: string;
  readonly taxon: Taxon;
  readonly label: string;
  readonly task: Task;
  readonly verdict: Verdict;
  readonly when: string;
  readonly sentence: string;
  /** Flowers and growth; empty where there is nothing to weigh. */
  readonly price: string;
  readonly group: GroupId;
  readonly waitsFor: WaitsFor;
  readonly form: Plant["form"];
  readonly widthM: number;
  readonly heightM: number;
  /** Ids of the plants of its row that it stands for, one space between; empty where it stands for itself. */
  readonly also: string;
}

/** What is to be seen at a plant: new growth, its flowers while nobody can name it, or its health. */
export type WaitsFor =
  "growth" | "flowers" | "berries" | "bloom-over" | "flush-hard" | "candles" | "fledged" | "survey" | null;

const WAITS = {
  growth: "growth",
  survey: "survey",
  fledged: "fledged",
  "berries-gone": "berries",
  "bloom-over": "bloom-over",
  "flush-hard": "flush-hard",
  candles: "candles",
} as const;

function waitsFor(a: Advice, group: GroupId, model: GardenModel): WaitsFor {
  const plant = model.plant(a.plantId);
  if (group === "look-for" && a.opening?.by === "seen") return WAITS[a.opening.what];
  if (plant.taxonId !== UNKNOWN_TAXON || plant.identity === null) return null;
  const inLeaf = model.season(a.on).seasonDay;
  const year = model.yearOf(model.taxonOf(plant));
  return inLeaf >= model.climate.spring.leaf && inLeaf < year.dormant.day ? "flowers" : null;
}

/** Height in steps of the drawing, so that a day's growth does not redraw it. */
const HEIGHT_STEP_M = 0.1;
const WIDEST_M = 3;

export function rowView(
  a: Advice,
  group: GroupId,
  model: GardenModel,
  say: Voice,
  also: readonly string[] = [],
): RowView {
  const plant = model.plant(a.plantId);
  const taxon = model.taxonOf(plant);
  const year = plantsYear(model, plant, a.on);
  const { heightM } = heightOf(model, plant, a.on);
  const weighs = VERDICT_TABLE[a.verdict].go || a.verdict === "costs-flowers";
  return {
    ...lookOn(taxon, year, model.season(a.on).seasonDay),
    plantId: a.plantId,
    taxon,
    label: plant.label,
    task: a.task,
    verdict: a.verdict,
    when: whenText(a, say),
    sentence: sentenceOf(a, say),
    price: weighs ? [flowersText(a, say), a.cap === null ? "" : growthText(a, say)].filter(Boolean).join(" · ") : "",
    group,
    waitsFor: waitsFor(a, group, model),
    form: plant.form,
    also: also.join(" "),
    widthM: Math.min(plant.widthM, WIDEST_M),
    heightM: Math.max(HEIGHT_STEP_M, Math.round(heightM / HEIGHT_STEP_M) * HEIGHT_STEP_M),
  };
}
