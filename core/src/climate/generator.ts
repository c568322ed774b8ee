/**
 * Synthetic years of weather: normals plus residuals with a spread that changes over the year. A residual has a
 * fast part that follows the day before and a slow one that lasts for weeks: with the fast part alone months
 * would differ too little from year to year (0.17 of the daily variance; 0.25–0.27 in eight station years of
 * NOAA daily data, which also gave the two parts). Minimum and maximum share part of their innovations. Seeded,
 * so the same place and seed give the same years everywhere. After C. W. Richardson (1981), Water Resources
 * Research 17: 182–190.
 */
import { YEAR_DAYS } from "../calendar/index.ts";
import type { Climate } from "./climate.ts";

/** A stream of numbers in [0, 1). */
export type Random = () => number;

/** A small seeded stream, the same on every machine (mulberry32, public domain; from memory). */
export function seeded(seed: number): Random {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Standard normal numbers from uniform ones, in pairs (Box & Muller 1958). */
function normalStream(random: Random): Random {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const z = spare;
      spare = null;
      return z;
    }
    const r = Math.sqrt(-2 * Math.log(1 - random()));
    const angle = 2 * Math.PI * random();
    spare = r * Math.sin(angle);
    return r * Math.cos(angle);
  };
}

/** Correlation of a day's minimum residual with its maximum's (0.6–0.7 at two stations, NOAA daily 2012–15). */
const TOGETHER = 0.65;
/** Correlation of each part with the day before, and the slow part's share of the variance. */
const FAST = 0.65;
const SLOW = 0.975;
const SLOW_SHARE = 0.12;

/** A residual of unit variance for each day: the sum of the fast and the slow part. */
function residuals(normal: Random): () => readonly [low: number, high: number] {
  const part = (rho: number, sd: number): (() => readonly [number, number]) => {
    const fresh = Math.sqrt(1 - rho ** 2);
    const apart = Math.sqrt(1 - TOGETHER ** 2);
    let low = normal();
    let high = TOGETHER * low + apart * normal();
    return () => {
      const a = normal();
      low = rho * low + fresh * a;
      high = rho * high + fresh * (TOGETHER * a + apart * normal());
      return [sd * low, sd * high];
    };
  };
  const fast = part(FAST, Math.sqrt(1 - SLOW_SHARE));
  const slow = part(SLOW, Math.sqrt(SLOW_SHARE));
  return () => {
    const [a, b] = [fast(), slow()];
    return [a[0] + b[0], a[1] + b[1]];
  };
}

/** Least daily range, °C: maxima never fall below their own minima. */
const LEAST_RANGE_C = 0.5;

/** Years laid end to end: day d of year y is at y · 365 + d. */
export interface WeatherYears {
  readonly count: number;
  readonly tminC: Float32Array;
  readonly tmaxC: Float32Array;
}

/** Spread of the maximum that gives the daily mean its spread, minimum and maximum being so far together. */
function sdMaxOf(sdMin: number, sdMean: number): number {
  const rest = 4 * sdMean ** 2 - sdMin ** 2 * (1 - TOGETHER ** 2);
  return Math.max(0.5, Math.sqrt(Math.max(0, rest)) - TOGETHER * sdMin);
}

/**
 * Generates years in one unbroken run, so that a winter crosses New Year as a real one does.
 * @param count number of years, at least 1
 */
export function weatherYears(c: Climate, seed: number, count: number): WeatherYears {
  const next = residuals(normalStream(seeded(seed)));
  const n = count * YEAR_DAYS;
  const tminC = new Float32Array(n);
  const tmaxC = new Float32Array(n);
  const sdMax = c.sdMinC.map((sd, d) => sdMaxOf(sd, c.sdMeanC[d]!));
  for (let i = 0; i < n; i++) {
    const d = i % YEAR_DAYS;
    const [low, high] = next();
    const lo = c.tminC[d]! + c.sdMinC[d]! * low;
    tminC[i] = lo;
    tmaxC[i] = Math.max(lo + LEAST_RANGE_C, c.tmaxC[d]! + sdMax[d]! * high);
  }
  return { count, tminC, tmaxC };
}
