/**
 * From what is known of a place to daily normals. The months come first (facts.ts): the towns around or the latitude,
 * narrowed by what was said. Their smooth year gives the mean night and day; the spread from day to day follows the
 * yearly swing, and is stretched or drawn in over spring and over autumn so that the frost odds give the frost dates
 * that were said as their medians.
 */
import { hemisphereOf, YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import type { Celsius } from "../units/index.ts";
import { frostDay, monthsKnown, type MonthsKnown } from "./facts.ts";
import { firstFrostDay, frostOdds, lastFrostDay, type NightNormals } from "./frost.ts";
import { yearFromMonths } from "./months.ts";
import type { Site } from "../model/index.ts";
import type { MonthlyClimate, PlaceClimateInput } from "./place.ts";
import { inCalendar, MEANS, MONTHS, sumOf, WINTER_NIGHTS, type MonthsNormal } from "./seasonMonths.ts";
import { LEARNED } from "./learned.ts";
import { zoneFloorC, zoneMinimumC } from "./zones.ts";

/**
 * Correlation that the frost odds count a night's residual to follow the one before with. Nights seen correlate
 * 0.67–0.72 (four years of NOAA daily data of two stations), but their slow part lasts for weeks, which a chain of
 * pairs does not know; with this the chain's median frost dates are those of the synthetic years within two days.
 */
const LAG1 = 0.79;

export interface NightFit extends NightNormals {
  readonly amplitudeC: number;
  readonly coldestDay: SeasonDay;
  /** Spread before it was fitted to frost dates; the days' spread goes with it. */
  readonly plainSdC: Float64Array;
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

const cosine = (day: number, peak: number): number => Math.cos((2 * Math.PI * (day - peak)) / YEAR_DAYS);
const yearArray = (f: (day: number) => number): Float64Array =>
  Float64Array.from({ length: YEAR_DAYS }, (_, d) => f(d));

function plainSpread(amplitudeC: number, coldestDay: SeasonDay): Float64Array {
  const { mean, swing } = spreadOf(amplitudeC);
  return yearArray((d) => Math.max(LEAST_SD_C, mean + swing * cosine(d, coldestDay)));
}

/**
 * Nights that bring frost are clear and calm, and fall further below the mean than a bell of the plain spread says;
 * less so in spring where winters are mild. With this much the towns of the table get their own frost dates at the
 * median from their months alone.
 */
const USUAL_STRETCH = { spring: 1.43, autumn: 1.37, springMild: 0.065, autumnMild: 0.015 } as const;
const usualStretch = (coldestC: Celsius): Stretch => {
  const mild = Math.max(0, coldestC);
  const u = USUAL_STRETCH;
  return {
    spring: Math.max(STRETCH[0], u.spring - u.springMild * mild),
    autumn: Math.max(STRETCH[0], u.autumn - u.autumnMild * mild),
  };
};
const STRETCH = [0.55, 3.2] as const;

interface Stretch {
  readonly spring: number;
  readonly autumn: number;
}
/** Half of the year takes one stretch, the other half the other, easing over at the solstices. */
function stretched(sd: Float64Array, coldestDay: SeasonDay, s: Stretch): Float64Array {
  return sd.map((x, d) => {
    const spring = (1 + Math.sin((2 * Math.PI * (d - coldestDay)) / YEAR_DAYS)) / 2;
    return x * (s.spring * spring + s.autumn * (1 - spring));
  });
}

/** A root by secants kept between what was found too low and too high, a step at a time: the two halves of a year go side by side. */
class Root {
  x: number;
  done = false;
  #low: number = STRETCH[0];
  #high: number = STRETCH[1];
  #before: readonly [x: number, off: number] | null = null;
  #steps = 0;
  constructor(start: number) {
    this.x = start;
  }
  /** @param off how far a rising function lies over its target at x */
  take(off: number): void {
    const atEnd = off > 0 ? this.x <= STRETCH[0] : this.x >= STRETCH[1];
    this.done = Math.abs(off) < SETTLED_DAYS || atEnd;
    if (this.done) return;
    if (off > 0) this.#high = this.x;
    else this.#low = this.x;
    const slope = this.#before ? (off - this.#before[1]) / (this.x - this.#before[0]) : DAYS_OF_STRETCH;
    this.#before = [this.x, off];
    const next = this.x - off / (slope > 1 ? slope : DAYS_OF_STRETCH);
    // Where a median jumps, secants go astray: from the fifth step on the way between is halved.
    if (++this.#steps > SECANTS) {
      this.x = (this.#low + this.#high) / 2;
      return;
    }
    // A step past what is known to be too far goes half way to it; past what may be asked, to that end.
    const [low, high] = [this.#low, this.#high];
    const held = Math.min(STRETCH[1], Math.max(STRETCH[0], next));
    this.x = held > low && held < high ? held : held === low || held === high ? held : (low + high) / 2;
  }
}
/** About how many days a stretch of one moves a median frost date. */
const DAYS_OF_STRETCH = 25;
const SECANTS = 4;
const SETTLED_DAYS = 0.2;
const MOST_STEPS = 9;

/** Stretches the spread until the medians of the frost odds are the dates that were said. */
function toFrostDates(
  tminC: Float64Array,
  plain: Float64Array,
  coldestDay: SeasonDay,
  warmestDay: SeasonDay,
  last: SeasonDay | null,
  first: SeasonDay | null,
): Stretch {
  const usual = usualStretch(Math.min(...tminC));
  let now = usual;
  // Each half eases over into the other: what one was held between may be stale once the other has moved, so it is asked again.
  for (let pass = 0; pass < PASSES; pass++) {
    const [spring, autumn] = [new Root(now.spring), new Root(now.autumn)];
    spring.done = last === null;
    autumn.done = first === null;
    for (let i = 0; i < MOST_STEPS && !(spring.done && autumn.done); i++) {
      now = { spring: spring.x, autumn: autumn.x };
      const odds = frostOdds({ tminC, sdMinC: stretched(plain, coldestDay, now), lag1: LAG1 }, 0);
      if (last !== null) spring.take((lastFrostDay(odds, coldestDay, warmestDay, 0.5) ?? coldestDay - 30) - last);
      if (first !== null)
        autumn.take(
          first - (firstFrostDay(odds, warmestDay, coldestDay + YEAR_DAYS, 0.5) ?? coldestDay + YEAR_DAYS + 30),
        );
    }
    if (spring.done && autumn.done) return now;
  }
  return now;
}
const PASSES = 3;

/** Draws the spread in until most years are free of frost. */
function freeOfFrost(tminC: Float64Array, plain: Float64Array, coldestDay: SeasonDay): Stretch {
  let low: number = STRETCH[0];
  const usual = usualStretch(Math.min(...tminC));
  let high = Math.max(usual.spring, usual.autumn);
  const frosty = (s: number): boolean =>
    frostOdds({ tminC, sdMinC: stretched(plain, coldestDay, { spring: s, autumn: s }), lag1: LAG1 }, 0).between(
      coldestDay - YEAR_DAYS / 2,
      coldestDay + YEAR_DAYS / 2 - 1,
    ) >= 0.5;
  if (!frosty(high)) return usual;
  for (let i = 0; i < 7; i++) {
    const mid = (low + high) / 2;
    if (frosty(mid)) high = mid;
    else low = mid;
  }
  return { spring: low, autumn: low };
}

/** Day of the least value, in the half year around the turn of the hemisphere's year. */
function coldestOf(year: Float64Array): SeasonDay {
  const day = year.indexOf(Math.min(...year));
  return day > YEAR_DAYS * 0.7 ? day - YEAR_DAYS : day;
}

/** Warmest day of the year that follows a coldest one. */
function warmestOf(coldestDay: SeasonDay, tmaxC: Float64Array): SeasonDay {
  const day = tmaxC.indexOf(Math.max(...tmaxC));
  // A second summer in a monsoon climate may lie anywhere; the middle of the year still parts the frosts.
  return Math.abs(day - coldestDay - YEAR_DAYS / 2) < 60 ? day : coldestDay + YEAR_DAYS / 2;
}

/** A year of spreads through twelve of them; harmonics may not pull it under a floor. */
const spreadYear = (months: readonly number[], p: PlaceClimateInput): Float64Array =>
  yearFromMonths(months, hemisphereOf(p.latitudeDeg)).map((x) => Math.max(LEAST_SD_C, x));

/** What a garden's own stand changes of the nights and days around it, °C; common experience, good to a degree. */
const SITE_C: Readonly<Record<Site, readonly [night: number, day: number]>> = {
  usual: [0, 0],
  hollow: [-1.5, 0],
  wall: [1, 0.7],
  hilltop: [0.6, -0.8],
};

export interface PlaceNormals {
  readonly night: NightFit;
  readonly tmaxC: Float64Array;
  /** Day-to-day spread of the daily mean. */
  readonly sdMeanC: Float64Array;
  readonly warmestDay: SeasonDay;
  /** What is left unknown of the months. */
  readonly known: MonthsKnown;
  /** Coldest night of a usual winter. */
  readonly coldestNightC: Celsius;
}

/** Somebody's own thirty years are known to a third of a degree. */
const OWN_MONTHS_VARIANCE = 0.1;
const ownMonths = (m: MonthlyClimate, p: PlaceClimateInput): MonthsNormal => {
  const h = hemisphereOf(p.latitudeDeg);
  const cov = new Float64Array(MEANS * MEANS);
  for (let i = 0; i < MEANS; i++) cov[i * MEANS + i] = OWN_MONTHS_VARIANCE;
  // Calendar and season order are each other's inverse: half a year on is half a year back.
  return { mean: Float64Array.from([...inCalendar(m.tminC, h), ...inCalendar(m.tmaxC, h)]), cov };
};

/** Daily normals of a checked place. Deterministic; some milliseconds. */
export function normalsOf(p: PlaceClimateInput): PlaceNormals {
  const h = hemisphereOf(p.latitudeDeg);
  const own = p.monthly ?? null;
  const known = own ? { ...ownMonths(own, p), odd: [] } : monthsKnown(p);
  const year = (from: number): Float64Array => yearFromMonths(inCalendar(known.mean.slice(from, from + MONTHS), h), h);
  const plainNights = year(0);
  const plainDays = year(MONTHS).map((x, d) => Math.max(x, plainNights[d]! + 0.5));
  const coldestDay = coldestOf(plainNights);
  const warmestDay = warmestOf(coldestDay, plainDays);
  const [least, most] = [Math.min(...plainNights), Math.max(...plainNights)];
  const amplitudeC = (most - least) / 2;
  const plainSdC = plainSpread(amplitudeC, coldestDay);
  const day = (side: "last" | "first"): SeasonDay | null => {
    const said = side === "last" ? p.lastFrost : p.firstFrost;
    return own || said === null ? null : frostDay(said, side, p.latitudeDeg);
  };
  const stretch =
    !own && p.noFrost === true
      ? freeOfFrost(plainNights, plainSdC, coldestDay)
      : toFrostDates(plainNights, plainSdC, coldestDay, warmestDay, day("last"), day("first"));
  const sdMinC = own?.sdMinC ? spreadYear(own.sdMinC, p) : stretched(plainSdC, coldestDay, stretch);
  const [atNight, byDay] = SITE_C[p.site ?? "usual"];
  const night: NightFit = {
    tminC: plainNights.map((t) => t + atNight),
    sdMinC,
    plainSdC: own?.sdMinC ? sdMinC : plainSdC,
    lag1: LAG1,
    amplitudeC,
    coldestDay,
  };
  const tmaxC = plainDays.map((t, d) => Math.max(t + byDay, night.tminC[d]! + 0.5));
  const sdMeanC = own?.sdMeanC ? spreadYear(own.sdMeanC, p) : spreadOfMeans(night);
  return { night, tmaxC, sdMeanC, warmestDay, known, coldestNightC: coldestNight(known, p) + atNight };
}

/** From the winter's nights; a zone that was said holds it within its own limits, so that the two never disagree. */
function coldestNight(known: MonthsNormal, p: PlaceClimateInput): Celsius {
  if (p.coldestNightC != null) return p.coldestNightC;
  const { at, ofWinter } = LEARNED.zone;
  const worked = at + ofWinter * sumOf(known, WINTER_NIGHTS).mean;
  if (p.zone === null) return worked;
  const floor = zoneFloorC(p.zone);
  return Math.min(2 * zoneMinimumC(p.zone) - floor - WITHIN_C, Math.max(floor, worked));
}
/** A value on a zone's upper limit would be the next zone's. */
const WITHIN_C = 0.01;

/** Spread of daily means, as a prior by the yearly swing (NOAA daily 2012–15 for the two ends; the line between from memory). */
function spreadOfMeans(n: NightFit): Float64Array {
  const inland = Math.min(10, Math.max(-4, n.amplitudeC - 6));
  const sdMax = (d: number): number => 3.5 + 0.09 * inland + (-0.3 + 0.2 * inland) * cosine(d, n.coldestDay);
  // Minimum and maximum move together with correlation near 0.65, so the mean's sd is 0.91 of their average.
  return yearArray((d) => (0.91 * (n.plainSdC[d]! + sdMax(d))) / 2);
}
