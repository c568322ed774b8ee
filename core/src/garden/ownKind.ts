/** A kind as one plant of it grows: dwarf or vigorous, or as tall and as fast as somebody measured. */
import type { Taxon } from "../catalogue/index.ts";
import type { Plant, Vigour } from "../model/index.ts";

/** Height and growth beside the kind's usual ones: our estimate of what nurseries mean by the words. */
export const VIGOUR_FACTOR: Readonly<Record<Vigour, number>> = { dwarf: 0.4, compact: 0.65, usual: 1, vigorous: 1.35 };
/** How far a height somebody gives may be off, as parts of it. */
const ABOUT = [0.85, 1.15] as const;

const times = <T extends readonly number[]>(xs: T, factor: number): T => xs.map((x) => x * factor) as unknown as T;

/**
 * The kind with the plant's own height and growth in place of the kind's. The same object when nothing differs.
 * Widths go with the heights; growth that was not given goes with them too.
 */
export function ownKind(plant: Pick<Plant, "vigour" | "ownSize">, taxon: Taxon): Taxon {
  const { heightM, growthM } = plant.ownSize;
  const vigour = VIGOUR_FACTOR[plant.vigour];
  if (vigour === 1 && heightM === null && growthM === null) return taxon;
  const usual = (taxon.matureHeightM[0] + taxon.matureHeightM[1]) / 2;
  const size = heightM === null ? vigour : heightM / usual;
  const growth = growthM === null ? size : growthM / taxon.growthM[1];
  return {
    ...taxon,
    matureHeightM: heightM === null ? times(taxon.matureHeightM, size) : [heightM * ABOUT[0], heightM * ABOUT[1]],
    matureWidthM: times(taxon.matureWidthM, size),
    growthM: times(taxon.growthM, growth),
  };
}
