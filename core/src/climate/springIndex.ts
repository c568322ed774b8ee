/**
 * The early hand of the season clock: first leaf and first bloom of the extended spring index (lilac and
 * two honeysuckles), taken over the expected weather of a place instead of one year's.
 * Degree-days from a fixed date run weeks late in a cool maritime spring; this index does not.
 * Sources: M. D. Schwartz, R. Ahas & A. Aasa (2006), Global Change Biology 12: 343–351; T. R. Ault,
 * R. Zurita-Milla & M. D. Schwartz (2015), Computers & Geosciences 83: 46–53 (coefficients from memory).
 */
import { YEAR_DAYS, yearDay, type SeasonDay } from "../calendar/index.ts";
import { singleSine } from "./degreeDays.ts";
import { cumulative, expectation } from "./normal.ts";

interface IndexPlant {
  /** Days since the start of the year, synoptic events, warmth of days 0–2 before, warmth of days 5–7 before. */
  readonly leaf: readonly [number, number, number, number];
  /** Days since first leaf, warmth since first leaf. */
  readonly bloom: readonly [number, number];
}
const PLANTS: readonly IndexPlant[] = [
  { leaf: [3.306, 13.878, 0.201, 0.153], bloom: [-23.934, 0.116] },
  { leaf: [4.266, 20.899, 0, 0.248], bloom: [-24.825, 0.127] },
  { leaf: [2.802, 21.433, 0.266, 0], bloom: [-11.368, 0.096] },
];
const REACHED = 999.5;
/** Three days' growing degree hours that make a synoptic event, °F·h. */
export const EVENT_GDH = 637;
/** Base of the growing degree hours, °F. */
export const GDH_BASE_F = 31;
/** Spread of a three-day mean against one day's, for a day-to-day correlation near 0.6. */
const THREE_DAY_SPREAD = 0.82;
/**
 * A real spring crosses the mark on a warm spell, before the expected score does: this many standard
 * deviations of the three-day warmth are added. Our assumption; with it the expectation gives the mean index of
 * eight station years of NOAA daily data (two places) within 6 days.
 */
const WARM_SPELL_SDS = 0.7;

export interface SpringIndex {
  readonly leaf: SeasonDay;
  readonly bloom: SeasonDay;
}

/** Warmth of the days of a year as the index counts it. */
export interface DayWarmth {
  /** Expected growing degree hours, °F·h. */
  readonly gdh: Float64Array;
  /** Spread of a three-day sum of them. */
  readonly spread3: Float64Array;
  /** Chance that three such days make a synoptic event. */
  readonly event: Float64Array;
}

export interface IndexNormals {
  readonly tminC: ArrayLike<number>;
  readonly tmaxC: ArrayLike<number>;
  readonly sdMeanC: ArrayLike<number>;
}

/** Warmth of a day, three of which make an event, in degree-days. */
const EVENT_DAY = EVENT_GDH / 72;
const NEWTON_STEPS = 12;

/**
 * By how much a day of that minimum and maximum must be warmer for three of them to make an event, °F. Where the whole
 * day lies over the base it is a difference; else Newton's steps from there, by the part of the day over the base.
 */
function eventShift(lo: number, hi: number): number {
  const mean = (lo + hi) / 2;
  let shift = EVENT_DAY + GDH_BASE_F - mean;
  for (let i = 0; i < NEWTON_STEPS && lo + shift < GDH_BASE_F; i++) {
    const off = singleSine(lo + shift, hi + shift, GDH_BASE_F) - EVENT_DAY;
    const over = 0.5 - Math.asin((GDH_BASE_F - mean - shift) / ((hi - lo) / 2)) / Math.PI;
    const step = off / over;
    shift -= step;
    if (Math.abs(step) < 1e-4) break;
  }
  return shift;
}

/** Expected warmth of each day. */
export function dayWarmth(n: IndexNormals): DayWarmth {
  const f = (c: number): number => (c * 9) / 5 + 32;
  const gdh = new Float64Array(YEAR_DAYS);
  const spread3 = new Float64Array(YEAR_DAYS);
  const event = new Float64Array(YEAR_DAYS);
  for (let d = 0; d < YEAR_DAYS; d++) {
    const [lo, hi, sd] = [f(n.tminC[d]!), f(n.tmaxC[d]!), (n.sdMeanC[d]! * 9) / 5];
    const hours = (shift: number): number => 24 * singleSine(lo + shift, hi + shift, GDH_BASE_F);
    gdh[d] = expectation((z) => hours(sd * z));
    const sd3 = sd * THREE_DAY_SPREAD;
    spread3[d] = (3 * (hours(sd3) - hours(-sd3))) / 2;
    event[d] = cumulative(-eventShift(lo, hi) / sd3);
  }
  return { gdh, spread3, event };
}

const at = (a: Float64Array, day: number): number => a[yearDay(day)]!;

function leafDay(p: IndexPlant, w: DayWarmth): number | null {
  let events = 0;
  for (let d = 0; d < YEAR_DAYS * 0.8; d++) {
    events += at(w.event, d);
    const recent = at(w.gdh, d) + at(w.gdh, d - 1) + at(w.gdh, d - 2) + WARM_SPELL_SDS * at(w.spread3, d);
    const before = at(w.gdh, d - 5) + at(w.gdh, d - 6) + at(w.gdh, d - 7) + WARM_SPELL_SDS * at(w.spread3, d - 6);
    const [c0, c1, c2, c3] = p.leaf;
    if (c0 * d + c1 * events + c2 * recent + c3 * before >= REACHED) return d;
  }
  return null;
}

function bloomDay(p: IndexPlant, w: DayWarmth, leaf: number): number | null {
  let hours = 0;
  for (let d = leaf; d < YEAR_DAYS; d++) {
    hours += at(w.gdh, d);
    if (p.bloom[0] * (d - leaf) + p.bloom[1] * hours >= REACHED) return d;
  }
  return null;
}

/** Expected first leaf and first bloom of a place; null where the year is too cold to reach them. Good to about ±2 weeks. */
export const springIndex = (n: IndexNormals): SpringIndex | null => springFrom(dayWarmth(n));

/** First leaf and first bloom from the warmth of a year's days, expected or observed. */
export function springFrom(w: DayWarmth): SpringIndex | null {
  const mean = (xs: number[]): number => xs.reduce((a, b) => a + b, 0) / xs.length;
  const leaves: number[] = [];
  const blooms: number[] = [];
  for (const p of PLANTS) {
    const leaf = leafDay(p, w);
    const bloom = leaf === null ? null : bloomDay(p, w, leaf);
    if (leaf === null || bloom === null) return null;
    leaves.push(leaf);
    blooms.push(bloom);
  }
  return { leaf: mean(leaves), bloom: mean(blooms) };
}
