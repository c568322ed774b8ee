/** A hedge by the numbers of a quick entry: of a plant there is, or of a new one. */
import type { Taxon } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { UNSURVEYED_PLANT, wish, type Hedge, type Plant } from "../model/index.ts";
import type { Degrees, Metres } from "../units/index.ts";
import { hedgeFrom } from "./hedge.ts";

/** A plant is set down in its bed no further along and no wider than this, m. */
const BED_M = { along: 200, wide: 60 } as const;

/** The numbers of a quick entry. */
export interface QuickHedge {
  readonly lengthM: Metres;
  readonly heightM: Metres;
  readonly footM: Metres;
  readonly topM: Metres;
  /** Which way its front looks, from north over east. */
  readonly facesDeg: Degrees;
  /** How far the ground rises from one end to the other. */
  readonly riseM: Metres;
}

/** A hedge of a plant by these numbers. */
export function quickHedge(
  plant: Plant,
  taxon: Pick<Taxon, "outline">,
  id: string,
  on: PlainDate,
  m: QuickHedge,
): Hedge {
  const sizes = { heightM: m.heightM, footM: m.footM, topM: m.topM };
  return {
    ...hedgeFrom(plant, taxon, id, on, m.facesDeg),
    posts: [
      { alongM: 0, groundM: 0, ...sizes },
      { alongM: m.lengthM, groundM: m.riseM, heightM: null, footM: null, topM: null },
    ],
  };
}

/** A plant for a hedge that is not in the garden yet. */
export const hedgePlant = (id: string, bedId: string, taxon: Taxon, on: PlainDate, m: QuickHedge): Plant => ({
  ...UNSURVEYED_PLANT,
  id,
  bedId,
  taxonId: taxon.id,
  label: `${taxon.common[0]!} hedge`,
  alongM: Math.min(BED_M.along, m.lengthM / 2),
  heightM: m.heightM,
  heightOn: on,
  widthM: Math.min(BED_M.wide, m.lengthM),
  plantedOn: null,
  condition: "healthy",
  conditionOn: on,
  form: "clipped",
  goal: wish("outline"),
  powerLineM: null,
  thickestStemMm: null,
  note: "",
});
