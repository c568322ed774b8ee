/**
 * From what a gardener knows (hardiness zone, two frost dates, latitude) to daily normals.
 *
 * Minimum: mean level M, amplitude A and coldest day are chosen so that the frost odds give the frost
 * dates as their medians and the coldest mean minimum lies COLD_SDS winter standard deviations above the
 * zone's yearly minimum. Both frost dates come from one symmetric curve, so the middle of the frost-free
 * season fixes the phase and its length fixes A; M follows from the zone. When the dates cannot be met
 * inside the allowed amplitudes, the dates are kept and the zone gives way (zoneGapC says by how much).
 */
import { monthDayToSeasonDay, hemisphereOf, YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import type { Celsius } from "../units/index.ts";
import { firstFrostDay, frostOdds, lastFrostDay, type NightNormals } from "./frost.ts";
import { yearFromMonths } from "./months.ts";
import type { MonthlyClimate, PlaceClimateInput } from "./place.ts";
import { zoneMinimumC } from "./zones.ts";

/** Coldest mean minimum ≈ yearly minimum + this many winter sd (2.3 at a maritime, 2.1 at a continental station, four years of NOAA daily data). */
const COLD_SDS = 2.2;
/**
 * Correlation that the frost odds count a night's residual to follow the one before with. Nights seen correlate
 * 0.67–0.72 (same stations), but their slow part lasts for weeks, which a chain of pairs does not know; with this
 * the chain's median frost dates are those of the synthetic years within two days from zone 4 to zone 9.
 */
const LAG1 = 0.79;
/** Amplitude of the mean minimum that the search may use, °C. */
const AMPLITUDE_C = [1.5, 24] as const;
/** Coldest day of mean minimum for a place without frost dates: late January in the hemisphere's year (same data: days 25–30). */
const COLDEST_DAY_PRIOR: SeasonDay = 26;

export interface NightFit extends NightNormals {
  readonly meanC: Celsius;
  readonly amplitudeC: number;
  readonly coldestDay: SeasonDay;
  /** Zone's yearly minimum minus the one this curve implies; 0 when both could be met. */
  readonly zoneGapC: number;
}

/**
 * Day-to-day spread of the minimum: mean and winter-to-summer swing grow with the yearly amplitude.
 * Line through two stations (amplitude 6.0: 2.6 ± 0.75; 12.1: 3.55 ± 1.37 °C; NOAA daily 2012–15).
 */
const spreadOf = (amplitudeC: number): { mean: number; swing: number } => {
  const over = Math.min(10, Math.max(-4, amplitudeC - 5.96));
  return { mean: 2.6 + 0.154 * over, swing: 0.75 + 0.1 * over };
};
/** No season is steadier than this from day to day, °C. */
const LEAST_SD_C = 0.8;
const winterSd = (a: number): number => spreadOf(a).mean + spreadOf(a).swing;

const cosine = (day: number, peak: number): number => Math.cos((2 * Math.PI * (day - peak)) / YEAR_DAYS);
const yearArray = (f: (day: number) => number): Float64Array =>
  Float64Array.from({ length: YEAR_DAYS }, (_, d) => f(d));

function nights(meanC: number, amplitudeC: number, coldestDay: SeasonDay): NightNormals {
  const { mean, swing } = spreadOf(amplitudeC);
  return {
    tminC: yearArray((d) => meanC - amplitudeC * cosine(d, coldestDay)),
    sdMinC: yearArray((d) => Math.max(LEAST_SD_C, mean + swing * cosine(d, coldestDay))),
    lag1: LAG1,
  };
}

/** Median frost-free days of a curve; 365 when frost is expected in fewer than half of the years. */
function frostFreeDays(meanC: number, amplitudeC: number): number {
  const odds = frostOdds(nights(meanC, amplitudeC, 0), 0);
  const last = lastFrostDay(odds, 0, YEAR_DAYS / 2, 0.5);
  const first = firstFrostDay(odds, YEAR_DAYS / 2, YEAR_DAYS, 0.5);
  return last === null || first === null ? YEAR_DAYS : first - last;
}

/** An amplitude is settled to a ten-thousandth of a degree; halving alone would be there after so many steps. */
const SETTLED_C = 1e-4;
const MOST_STEPS = 18;

/**
 * Root of a rising function between two ends, by false position with the stale end's weight halved (Illinois): a third
 * of the steps that halving takes, each of which prices a year of nights. Holds at the end nearer to the target when
 * the root lies outside.
 */
function solveRising(f: (x: number) => number, target: number, lo: number, hi: number): number {
  let below = f(lo) - target;
  if (below >= 0) return lo;
  let above = f(hi) - target;
  if (above < 0) return hi;
  let stale = 0;
  for (let i = 0; i < MOST_STEPS && hi - lo > SETTLED_C; i++) {
    const x = above === below ? (lo + hi) / 2 : (lo * above - hi * below) / (above - below);
    const at = f(x) - target;
    if (Math.abs(at) < SETTLED_C) return x;
    if (at < 0) {
      [lo, below] = [x, at];
      if (stale < 0) above /= 2;
      stale = -1;
    } else {
      [hi, above] = [x, at];
      if (stale > 0) below /= 2;
      stale = 1;
    }
  }
  return (lo + hi) / 2;
}

/** Amplitude prior by latitude for a place without frost dates: small in the tropics (from memory). */
const amplitudePrior = (latitudeDeg: number): number => Math.min(12, 1.5 + 0.2 * Math.abs(latitudeDeg));

function fitWithoutFrost(p: PlaceClimateInput): NightFit {
  const amplitudeC = amplitudePrior(p.latitudeDeg);
  const coldest = zoneMinimumC(p.zone) + COLD_SDS * winterSd(amplitudeC);
  const meanC = coldest + amplitudeC;
  return {
    ...nights(meanC, amplitudeC, COLDEST_DAY_PRIOR),
    meanC,
    amplitudeC,
    coldestDay: COLDEST_DAY_PRIOR,
    zoneGapC: 0,
  };
}

function fitWithFrost(p: PlaceClimateInput, last: SeasonDay, first: SeasonDay): NightFit {
  const zoneC = zoneMinimumC(p.zone);
  const levelFor = (a: number): number => zoneC + COLD_SDS * winterSd(a) + a;
  const target = first - last;
  const amplitudeC = solveRising((a) => frostFreeDays(levelFor(a), a), target, ...AMPLITUDE_C);
  let meanC = levelFor(amplitudeC);
  if (Math.abs(frostFreeDays(meanC, amplitudeC) - target) > 1)
    meanC = solveRising((m) => frostFreeDays(m, amplitudeC), target, meanC - 25, meanC + 25);
  const coldestDay = (last + first) / 2 - YEAR_DAYS / 2;
  return {
    ...nights(meanC, amplitudeC, coldestDay),
    meanC,
    amplitudeC,
    coldestDay,
    zoneGapC: levelFor(amplitudeC) - meanC,
  };
}

/** Day of the least value, in the half year around the turn of the hemisphere's year. */
function coldestOf(year: Float64Array): SeasonDay {
  const day = year.indexOf(Math.min(...year));
  return day > YEAR_DAYS * 0.7 ? day - YEAR_DAYS : day;
}

/** A year of spreads through twelve of them; harmonics may not pull it under a floor. */
const spreadYear = (months: readonly number[], p: PlaceClimateInput): Float64Array =>
  yearFromMonths(months, hemisphereOf(p.latitudeDeg)).map((x) => Math.max(LEAST_SD_C, x));

/** The nights as the place's own months tell them; the spread is counted or, where it was not, a prior. */
function fitToMonths(p: PlaceClimateInput, m: MonthlyClimate): NightFit {
  const tminC = yearFromMonths(m.tminC, hemisphereOf(p.latitudeDeg));
  const [least, most] = [Math.min(...tminC), Math.max(...tminC)];
  const amplitudeC = (most - least) / 2;
  const coldestDay = coldestOf(tminC);
  const prior = nights((most + least) / 2, amplitudeC, coldestDay).sdMinC;
  const sdMinC = m.sdMinC ? spreadYear(m.sdMinC, p) : prior;
  const winter = sdMinC[(Math.round(coldestDay) + YEAR_DAYS) % YEAR_DAYS]!;
  return {
    tminC,
    sdMinC,
    lag1: LAG1,
    meanC: (most + least) / 2,
    amplitudeC,
    coldestDay,
    zoneGapC: zoneMinimumC(p.zone) - (least - COLD_SDS * winter),
  };
}

/** Fits the nights of a checked place. Deterministic; about a hundredth of a second. */
export function fitNights(p: PlaceClimateInput): NightFit {
  const h = hemisphereOf(p.latitudeDeg);
  if (p.monthly) return fitToMonths(p, p.monthly);
  return p.lastFrost === null || p.firstFrost === null
    ? fitWithoutFrost(p)
    : fitWithFrost(p, monthDayToSeasonDay(p.lastFrost, h), monthDayToSeasonDay(p.firstFrost, h));
}

export interface DayNormals {
  readonly tmaxC: Float64Array;
  /** Day-to-day spread of the daily mean. */
  readonly sdMeanC: Float64Array;
}

/** What the place's months say of its maxima, and of the spread where it was counted. */
export function dayNormalsOf(night: NightFit, p: PlaceClimateInput): DayNormals {
  const prior = dayNormals(night, p.latitudeDeg);
  if (!p.monthly) return prior;
  const tmaxC = yearFromMonths(p.monthly.tmaxC, hemisphereOf(p.latitudeDeg)).map((hi, d) =>
    Math.max(hi, night.tminC[d]! + 0.5),
  );
  return { tmaxC, sdMeanC: p.monthly.sdMeanC ? spreadYear(p.monthly.sdMeanC, p) : prior.sdMeanC };
}

/**
 * Maxima and the spread of daily means, as priors: the daily range grows with the yearly amplitude
 * (inland) and shrinks towards the poles; maxima run a few days ahead of minima (NOAA daily 2012–15 for
 * the two ends; the line between from memory). Observed means replace this where the user has them.
 */
function dayNormals(nightFit: NightFit, latitudeDeg: number): DayNormals {
  const inland = Math.min(10, Math.max(-4, nightFit.amplitudeC - 6));
  const poleward = Math.max(0, Math.abs(latitudeDeg) - 45) * 0.1;
  const range = Math.max(6, 9 + 0.25 * inland - poleward);
  const warmest = nightFit.coldestDay + YEAR_DAYS / 2 - 5;
  const swing = 1.6;
  const sdMax = (d: number): number => 3.5 + 0.09 * inland + (-0.3 + 0.2 * inland) * cosine(d, nightFit.coldestDay);
  return {
    tmaxC: yearArray((d) => nightFit.tminC[d]! + range + swing * cosine(d, warmest - 20)),
    // Minimum and maximum move together with correlation near 0.65, so the mean's sd is 0.91 of their average.
    sdMeanC: yearArray((d) => (0.91 * (nightFit.sdMinC[d]! + sdMax(d))) / 2),
  };
}
