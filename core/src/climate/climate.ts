/** A place's climate as the rest of the core asks it: normals, warmth gained, frost odds, day length. */
import { hemisphereOf, YEAR_DAYS, yearDay, type Hemisphere, type SeasonDay } from "../calendar/index.ts";
import type { Celsius, Share } from "../units/index.ts";
import { BASE_C, expectedDegreeDays } from "./degreeDays.ts";
import { dayNormalsOf, fitNights } from "./fit.ts";
import { firstFrostDay, frostOdds, lastFrostDay, type FrostOdds } from "./frost.ts";
import type { PlaceClimateInput } from "./place.ts";
import { springByWarmth, warmthOf, type Expected, type SeasonClock } from "./seasonClock.ts";
import { dayWarmth, springFrom } from "./springIndex.ts";
import { dayLengthH } from "./sun.ts";

/** Arrays are indexed by season day, 0 to 364, and repeat every year. */
export interface Climate extends SeasonClock {
  readonly place: PlaceClimateInput;
  readonly hemisphere: Hemisphere;
  readonly tminC: Float64Array;
  readonly tmaxC: Float64Array;
  readonly sdMinC: Float64Array;
  readonly sdMeanC: Float64Array;
  readonly dayLengthH: Float64Array;
  readonly coldestDay: SeasonDay;
  /** Zone's yearly minimum minus the fitted one; not 0 when zone and frost dates (or months) do not go together. */
  readonly zoneGapC: number;
  /** Frost odds for a limit; computed once for each. */
  readonly frost: (limitC: Celsius) => SeasonFrost;
  /** What stands in for days of a year that are not known. */
  readonly expected: Expected;
}

/** Frost odds that know the season: cold is over when the warmest day has come. */
export interface SeasonFrost extends FrostOdds {
  /** Chance that a night from a whole day to the next warmest one falls to the limit. */
  readonly untilWarmest: (day: SeasonDay) => Share;
}

/** The first warmest day that does not come before a day. */
const nextWarmest = (warmestDay: SeasonDay, day: SeasonDay): SeasonDay =>
  warmestDay + YEAR_DAYS * Math.ceil((day - warmestDay) / YEAR_DAYS);

/** Asked for every day of hundreds of years, so each day's answer is kept. */
function seasonFrost(odds: FrostOdds, warmestDay: SeasonDay): SeasonFrost {
  const kept = Float64Array.from({ length: YEAR_DAYS }, (_, d) => odds.between(d, nextWarmest(warmestDay, d)));
  return { ...odds, untilWarmest: (day) => kept[yearDay(day)]! };
}

const wrap = (day: number): number => yearDay(Math.floor(day));

/** Warmest day of the year that follows a coldest one. */
function warmestOf(coldestDay: SeasonDay, p: PlaceClimateInput, tmaxC: Float64Array): SeasonDay {
  if (!p.monthly) return coldestDay + YEAR_DAYS / 2;
  const day = tmaxC.indexOf(Math.max(...tmaxC));
  // A second summer in a monsoon climate may lie anywhere; the middle of the year still parts the frosts.
  return Math.abs(day - coldestDay - YEAR_DAYS / 2) < 60 ? day : coldestDay + YEAR_DAYS / 2;
}

/** Builds the climate of a checked place; throws only on input that checkPlaceClimate would refuse. */
export function climateOf(place: PlaceClimateInput): Climate {
  const hemisphere = hemisphereOf(place.latitudeDeg);
  const night = fitNights(place);
  const day = dayNormalsOf(night, place);
  const perDay = night.tminC.map((t, d) => expectedDegreeDays(t, day.tmaxC[d]!, day.sdMeanC[d]!, BASE_C));
  const warmth = warmthOf(perDay);
  const warmestDay = warmestOf(night.coldestDay, place, day.tmaxC);
  const index = dayWarmth({ tminC: night.tminC, tmaxC: day.tmaxC, sdMeanC: day.sdMeanC });
  const meanC = (d: SeasonDay): Celsius => (night.tminC[wrap(d)]! + day.tmaxC[wrap(d)]!) / 2;
  const oddsByLimit = new Map<number, SeasonFrost>();
  return {
    place,
    hemisphere,
    tminC: night.tminC,
    tmaxC: day.tmaxC,
    sdMinC: night.sdMinC,
    sdMeanC: day.sdMeanC,
    dayLengthH: Float64Array.from({ length: YEAR_DAYS }, (_, d) => dayLengthH(place.latitudeDeg, d, hemisphere)),
    coldestDay: night.coldestDay,
    warmestDay,
    spring: springFrom(index) ?? springByWarmth(warmth.dayWithWarmth, warmestDay),
    zoneGapC: night.zoneGapC,
    ...warmth,
    frost(limitC) {
      let odds = oddsByLimit.get(limitC);
      if (!odds) oddsByLimit.set(limitC, (odds = seasonFrost(frostOdds(night, limitC), warmestDay)));
      return odds;
    },
    meanC,
    expected: { warmth: index, warmthPerDay: perDay, meanC, warmestDay },
  };
}

/** Dates before which (autumn) or after which (spring) frost comes in a share of years; null when too few years have one. */
export interface FrostDates {
  readonly last: SeasonDay | null;
  readonly first: SeasonDay | null;
}
/** p = 0.5 gives the medians; p = 0.1 the late spring frost of one year in ten and the early autumn one. */
export function frostDates(c: Climate, limitC: Celsius, p: number): FrostDates {
  const odds = c.frost(limitC);
  return {
    last: lastFrostDay(odds, c.coldestDay, c.warmestDay, p),
    first: firstFrostDay(odds, c.warmestDay, c.coldestDay + YEAR_DAYS, p),
  };
}
