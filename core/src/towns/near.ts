/**
 * The climate of a place from the towns around it: latitude and height first, then what the nearest towns are off by,
 * fading with distance (universal kriging with an exponential correlation; the same weights for all months).
 */
import {
  fieldMean,
  FIELD,
  inCalendar,
  matrix,
  cholesky,
  solveWith,
  type NearClimate,
  type Zone,
} from "../climate/index.ts";
import { hemisphereOf } from "../calendar/index.ts";
import type { Celsius, Metres } from "../units/index.ts";
import { kilometres, meansOf, type Town } from "./table.ts";

/** A point on the earth, degrees, and its height in metres. */
export interface Position {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly altitudeM: Metres;
}

/** So many towns tell all that the others could add. */
const NEAREST = 40;
const residuals = new WeakMap<Town, Float64Array>();
/** What a town is off from its latitude and height. */
function residualOf(t: Town): Float64Array {
  let r = residuals.get(t);
  if (!r) {
    const mean = fieldMean(t.latitudeDeg, t.altitudeM);
    residuals.set(t, (r = meansOf(t).map((x, i) => x - mean[i]!)));
  }
  return r;
}

/**
 * @param towns the table; a town left out of it says nothing
 * @returns the twenty-four means in calendar order (°C) and how much of the field's spread is left, 0 to a little over 1
 */
export function climateNear(towns: readonly Town[], at: Position): NearClimate {
  const near = towns
    .map((town) => ({ town, km: kilometres(town, at) }))
    .sort((a, b) => a.km - b.km)
    .slice(0, NEAREST);
  const { lengthKm, nugget } = FIELD;
  const like = (km: number): number => Math.exp(-km / lengthKm);
  const k = near.map((n) => like(n.km));
  const between = matrix(near.length, near.length, (i, j) =>
    i === j ? 1 + nugget : like(kilometres(near[i]!.town, near[j]!.town)),
  );
  const weights = near.length > 0 ? solveWith(cholesky(between), k) : [];
  const means = fieldMean(at.latitudeDeg, at.altitudeM);
  let told = 0;
  near.forEach(({ town }, i) => {
    const w = weights[i]!;
    told += w * k[i]!;
    residualOf(town).forEach((r, m) => (means[m] = means[m]! + w * r));
  });
  const h = hemisphereOf(at.latitudeDeg);
  return {
    tminC: inCalendar(means.slice(0, 12), h),
    tmaxC: inCalendar(means.slice(12), h),
    doubt: Math.max(0, 1 - told) + nugget,
  };
}

/** Towns of the table as far from the equator as a place, give or take so many degrees. */
const ALIKE_DEG = 4;
/** Two whose warmest afternoons differ by less tell the same summer, °C. */
const APART_C = 2.5;

/** A town, and its warmest afternoons: the largest of its twelve mean maxima, °C. */
export interface TownAlike {
  readonly town: Town;
  readonly warmestC: Celsius;
}

/**
 * What a latitude and a zone leave open, by example: of the towns that share both, the one with the coolest summer, the
 * middle one and the hottest. Fewer where they are alike; none where no town shares them.
 */
export function townsAlike(towns: readonly Town[], latitudeDeg: number, zone: Zone): readonly TownAlike[] {
  const alike = towns
    .filter((t) => t.zone === zone && Math.abs(Math.abs(t.latitudeDeg) - Math.abs(latitudeDeg)) <= ALIKE_DEG)
    .map((town): TownAlike => ({ town, warmestC: Math.max(...town.tmaxC) }))
    .toSorted((a, b) => a.warmestC - b.warmestC);
  const [coolest, middle, hottest] = [alike[0], alike[Math.floor(alike.length / 2)], alike.at(-1)];
  if (!coolest || !hottest || hottest.warmestC - coolest.warmestC < APART_C) return [];
  const between =
    middle && middle.warmestC - coolest.warmestC >= APART_C && hottest.warmestC - middle.warmestC >= APART_C;
  return between ? [coolest, middle, hottest] : [coolest, hottest];
}
