/** What winter wind may do to a plant: our own estimate, from its height, habit, age and stand. */
import type { Taxon } from "../catalogue/index.ts";
import { daysBetween, type PlainDate } from "../calendar/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import type { Bed, Plant } from "../model/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";

/** How much wind a place in the garden gets; where nobody has looked, a little less than "some". */
const EXPOSURE: Readonly<Record<NonNullable<Bed["wind"]> | "unsaid", Share>> = {
  sheltered: 0.15,
  some: 0.45,
  exposed: 1,
  unsaid: 0.35,
};
/** How a habit catches wind and holds in the ground. */
const HOLD: Readonly<Record<Taxon["habit"], Share>> = {
  vase: 1,
  fountain: 0.9,
  upright: 0.5,
  climber: 0.8,
  tree: 0.8,
  column: 0.7,
  cone: 0.7,
  dome: 0.6,
  mound: 0.2,
  tuft: 0,
};
/** What the estimate of wind rests on; ours. */
export const WIND_ASSUMPTIONS = {
  /** Below this height wind does nothing, and over so much more it has its full grip, m. */
  fromM: 1,
  overM: 2.5,
  /** A plant in its first three years is not rooted in yet. */
  youngFactor: 1.2,
  youngDays: 3 * 365,
  /** In leaf and growing it is storms of winter that do the harm, not these. */
  summerFactor: 0.3,
  /** From here on leaving a tall plant through winter is worth a word. */
  worthSaying: 0.3,
  /** Under this a cut against wind gains nothing. */
  calm: 0.15,
} as const;

/** Chance-like grade, 0 to 1, that winter wind rocks or breaks a plant of a height: our estimate, for comparing. */
export function windRisk(
  taxon: Taxon,
  plant: Plant,
  bed: Bed | undefined,
  heightM: Metres,
  on: PlainDate,
  asleep: boolean,
): Share {
  const a = WIND_ASSUMPTIONS;
  const lever = clampShare((heightM - a.fromM) / a.overM);
  const young = plant.plantedOn !== null && daysBetween(plant.plantedOn, on) < a.youngDays ? a.youngFactor : 1;
  const season = asleep ? 1 : a.summerFactor;
  return clampShare(lever * EXPOSURE[bed?.wind ?? "unsaid"] * HOLD[taxon.habit] * young * season);
}

/** Wind on a plant of the garden as it stands on a day; `asleep` asks about the winter ahead. */
export function windOn(model: GardenModel, plant: Plant, on: PlainDate, asleep: boolean): Share {
  const bed = model.garden.beds.find((b) => b.id === plant.bedId);
  return windRisk(model.taxonOf(plant), plant, bed, heightOf(model, plant, on).heightM, on, asleep);
}
