/** A spot on the map made into what the place form holds: the climate of the towns around it, and what a town says of itself. */
import { climateNear, nearestTown, townLabel, type Locality, type Near, type Position, type Town } from "@wren/core";
import { dayInField, type PlaceInput } from "./placeForm.ts";

/** Where the garden lies, as long as the form is open; only what follows from it is kept. */
export interface Spot extends Position {
  /** The town that was named, of the table or not; null where a position was given. */
  readonly named: Locality | null;
}

const tenth = (n: number): number => Math.round(n * 10) / 10;
/** Within so many metres of height a town's own frost dates and zone hold. */
const SAME_HEIGHT_M = 120;

export function nearOf(towns: readonly Town[], spot: Spot): Near {
  const nearest = nearestTown(towns, spot)!;
  const c = climateNear(towns, spot);
  return {
    town: townLabel(spot.named ?? nearest.town),
    km: Math.round(nearest.km),
    altitudeM: Math.round(spot.altitudeM),
    tminC: c.tminC.map(tenth),
    tmaxC: c.tmaxC.map(tenth),
    doubt: Math.round(c.doubt * 1000) / 1000,
  };
}

/** What the form takes over from a spot. A town's zone and frost dates are its own: elsewhere they are left open. */
export function fromSpot(towns: readonly Town[], spot: Spot): Partial<PlaceInput> {
  const town = towns.find((t) => t === spot.named);
  const own = town && Math.abs(spot.altitudeM - town.altitudeM) <= SAME_HEIGHT_M ? town : null;
  return {
    latitudeDeg: String(tenth(spot.latitudeDeg)),
    near: nearOf(towns, spot),
    zone: own?.zone ?? "",
    lastFrost: dayInField(own?.lastFrost ?? null),
    firstFrost: dayInField(own?.firstFrost ?? null),
    noFrost: own !== null && own.lastFrost === null,
  };
}
