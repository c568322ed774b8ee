/**
 * The twenty-four monthly means of a place as one distribution: mean daily minima of the hemisphere's twelve months
 * (January first in the north, July first in the south), then the maxima. What is known of a place narrows it; the
 * width that is left is the doubt of everything that follows from it.
 */
import { hemisphereOf, type Hemisphere, type SeasonDay } from "../calendar/index.ts";
import type { Celsius } from "../units/index.ts";
import type { Spread } from "./learnedShape.ts";
import { LEARNED } from "./learned.ts";
import { dot } from "./matrix.ts";
import { dayWeights } from "./months.ts";
import { cumulative, density } from "./normal.ts";

export const MONTHS = 12;
export const MEANS = 24;

/** A normal distribution of the twenty-four means, °C; the covariance row by row. */
export interface MonthsNormal {
  readonly mean: Float64Array;
  readonly cov: Float64Array;
}

const covOf = ({ parts, rest }: Spread, times: number): Float64Array => {
  const out = new Float64Array(MEANS * MEANS);
  for (let i = 0; i < MEANS; i++)
    for (let j = 0; j < MEANS; j++) {
      let s = i === j ? rest[i]! : 0;
      for (const p of parts) s += p[i]! * p[j]!;
      out[i * MEANS + j] = s * times;
    }
  return out;
};

/** Powers of the latitude, 0 at the equator and 1 at a pole; the same on both sides of it. */
export const latitudePowers = (latitudeDeg: number): readonly number[] => {
  const l = Math.abs(latitudeDeg) / 90;
  return [1, l, l * l, l ** 3];
};

const meanOf = (coefficients: readonly (readonly number[])[], x: readonly number[]): Float64Array =>
  Float64Array.from({ length: MEANS }, (_, m) => x.reduce((s, v, i) => s + v * coefficients[i]![m]!, 0));

/** What a latitude alone says: the towns of the table, as they change from the equator to the poles. */
export const normalAtLatitude = (latitudeDeg: number): MonthsNormal => ({
  mean: meanOf(LEARNED.latitude.mean, latitudePowers(latitudeDeg)),
  cov: covOf(LEARNED.latitude.spread, 1),
});

/** The slow part of the towns' field, that nearness does not enter: latitude and height above the sea. */
export const fieldMean = (latitudeDeg: number, altitudeM: number): Float64Array =>
  meanOf(LEARNED.field.mean, [...latitudePowers(latitudeDeg), altitudeM / 1000]);

/** Calendar months of the hemisphere's year, January or July first. */
export const inSeason = (calendar: readonly number[], h: Hemisphere): number[] =>
  Array.from({ length: MONTHS }, (_, k) => calendar[(k + (h === "north" ? 0 : 6)) % MONTHS]!);
export const inCalendar = (season: ArrayLike<number>, h: Hemisphere): number[] =>
  Array.from({ length: MONTHS }, (_, k) => season[(k + (h === "north" ? 0 : 6)) % MONTHS]!);

/** What the towns around say of a place: the means in calendar order, and how much of the field's spread is left. */
export interface NearClimate {
  readonly tminC: readonly number[];
  readonly tmaxC: readonly number[];
  /** 0 (known) to 1 (as wide as the field itself) and a little more. */
  readonly doubt: number;
}

export function normalNear(near: NearClimate, latitudeDeg: number): MonthsNormal {
  const h = hemisphereOf(latitudeDeg);
  return {
    mean: Float64Array.from([...inSeason(near.tminC, h), ...inSeason(near.tmaxC, h)]),
    cov: covOf(LEARNED.field.spread, Math.max(LEAST_DOUBT, near.doubt)),
  };
}
/** Even of a town of the table its own thirty years are known to half a degree only. */
const LEAST_DOUBT = 0.02;

/** Something said of the means: a weighted sum of them has a value, give or take. */
export interface Fact {
  readonly weights: ArrayLike<number>;
  readonly valueC: Celsius;
  readonly sdC: number;
}

const times = (cov: Float64Array, w: ArrayLike<number>): Float64Array =>
  Float64Array.from({ length: MEANS }, (_, i) => {
    let s = 0;
    for (let j = 0; j < MEANS; j++) if (w[j] !== 0) s += cov[i * MEANS + j]! * w[j]!;
    return s;
  });

/** Mean and spread of a weighted sum. */
export function sumOf(n: MonthsNormal, w: ArrayLike<number>): { readonly mean: Celsius; readonly sd: number } {
  return { mean: dot(w, n.mean), sd: Math.sqrt(Math.max(0, dot(w, times(n.cov, w)))) };
}

/** Moves the whole to a new mean and variance of one weighted sum; exact where that sum is all that was learned. */
function moved(n: MonthsNormal, w: ArrayLike<number>, meanC: Celsius, variance: number): MonthsNormal {
  const g = times(n.cov, w);
  const had = dot(w, g);
  if (had <= 0) return n;
  const step = (meanC - dot(w, n.mean)) / had;
  const shrink = (had - variance) / (had * had);
  const cov = n.cov.slice();
  for (let i = 0; i < MEANS; i++)
    for (let j = 0; j < MEANS; j++) cov[i * MEANS + j] = cov[i * MEANS + j]! - shrink * g[i]! * g[j]!;
  return { mean: n.mean.map((m, i) => m + step * g[i]!), cov };
}

/** The means, given a fact. A fact never widens what is left. */
export function given(n: MonthsNormal, f: Fact): MonthsNormal {
  const { mean, sd } = sumOf(n, f.weights);
  const part = sd ** 2 / (sd ** 2 + f.sdC ** 2);
  return moved(n, f.weights, mean + part * (f.valueC - mean), sd ** 2 * (1 - part));
}

/** The means, given that a weighted sum lies above a limit that is itself known only so far (probit); moments exact. */
export function givenAbove(n: MonthsNormal, f: Fact): MonthsNormal {
  const { mean, sd } = sumOf(n, f.weights);
  const wide = Math.sqrt(sd ** 2 + f.sdC ** 2);
  const z = (mean - f.valueC) / wide;
  const ratio = density(z) / Math.max(1e-12, cumulative(z));
  return moved(n, f.weights, mean + (sd ** 2 / wide) * ratio, sd ** 2 * (1 - (sd / wide) ** 2 * ratio * (z + ratio)));
}

const only = (f: (i: number) => number): Float64Array => Float64Array.from({ length: MEANS }, (_, i) => f(i));
/** Minima of the three months about the turn of the hemisphere's year: what a zone is about. */
export const WINTER_NIGHTS = only((i) => (i === 11 || i === 0 || i === 1 ? 1 / 3 : 0));
/** The field that is one month's mean: 24 parts, all 0 but that month's. @param m month of the season, 0 to 11 */
export const oneMean = (m: number): Float64Array => only((i) => (i === m ? 1 : 0));

/** The minimum's smooth year on a season day, and its rise in a day, as sums of the months. */
export const nightOn = (day: SeasonDay): Float64Array => {
  const w = dayWeights(day);
  return only((i) => (i < MONTHS ? w[i]! : 0));
};
export const riseOn = (day: SeasonDay): Float64Array => {
  const [a, b] = [dayWeights(day - 1), dayWeights(day + 1)];
  return only((i) => (i < MONTHS ? (b[i]! - a[i]!) / 2 : 0));
};

/** How likeness fades with distance. */
export const FIELD = LEARNED.field;
