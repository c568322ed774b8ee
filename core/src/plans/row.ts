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

/** The other one of a plant's pair: the gardener says that they are one; two of a kind side by side need not be. */
export const pairOf = (row: readonly InRow[], plantId: string): InRow | null => {
  const own = row.find((r) => r.plant.id === plantId);
  return (
    row.find(
      (r) => r.plant.id !== plantId && (own?.plant.pairedWith === r.plant.id || r.plant.pairedWith === plantId),
    ) ?? null
  );
};

/** Height at which a pair is even: the lower one's, as nothing can be put on; null where there is none, or none is to be seen. */
export function pairEvenedAt(row: readonly InRow[], plantId: string): Metres | null {
  const own = row.find((r) => r.plant.id === plantId);
  const other = pairOf(row, plantId);
  if (!own || !other || Math.abs(own.heightM - other.heightM) < SEEN_M) return null;
  return Math.min(own.heightM, other.heightM);
}
