/** Plants of one kind side by side: a row is still decided plant by plant, a pair is evened. */
import { heightOf, type GardenModel } from "../garden/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { Plant } from "../model/index.ts";
import type { Metres } from "../units/index.ts";

/** A plant of a row with its height. */
export interface InRow {
  readonly plant: Plant;
  readonly heightM: Metres;
}

/** The plants of the same kind in the same bed with their heights on a day, along the bed; the plant itself among them. */
export function rowOf(model: GardenModel, plant: Plant, on: PlainDate): readonly InRow[] {
  return model.garden.plants
    .filter((p) => p.bedId === plant.bedId && p.taxonId === plant.taxonId)
    .map((p) => ({ plant: p, heightM: heightOf(model, p, on).heightM }))
    .sort((a, b) => a.plant.alongM - b.plant.alongM);
}

/** Differences smaller than this are not seen in a pair, metres (common practice: a hand's width). */
const SEEN_M: Metres = 0.1;

/** Height at which a pair is even: the lower one's, as nothing can be put on; null unless they are two and differ. */
export function pairEvenedAt(row: readonly InRow[]): Metres | null {
  const [a, b] = row;
  if (row.length !== 2 || !a || !b || Math.abs(a.heightM - b.heightM) < SEEN_M) return null;
  return Math.min(a.heightM, b.heightM);
}
