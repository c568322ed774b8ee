/** Plants of one kind side by side: a row is still decided plant by plant, a pair is evened. */
import { heightOf, type GardenModel } from "../garden/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { Cut, Plant, Visit } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";

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

/**
 * The same work at another plant of the row. A height is cut to from its own; stems that were counted or measured on the
 * one are a share of the other. What was dead, torn, begun or seen at the one stays with it; minutes are those of one plant.
 * @param share of live growth that the visit took at its own plant
 */
export function visitAlike(visit: Visit, share: Share, other: InRow, id: string): Visit {
  const cuts = visit.cuts.flatMap((c): Cut[] => {
    if (c.by !== "height") return [];
    return [{ by: "height", beforeM: other.heightM, afterM: Math.min(c.afterM, other.heightM) }];
  });
  const own = cuts.length > 0 || share <= 0 ? cuts : [{ by: "share" as const, share }];
  return {
    ...visit,
    id,
    plantId: other.plant.id,
    cuts: own,
    hazardShare: 0,
    deadStemsCount: 0,
    trialUntil: null,
    begun: [],
    sure: false,
    planned: null,
  };
}
