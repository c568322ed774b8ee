/** A place's climate as the rest of the core asks it: normals, warmth gained, frost odds, day length. */
import { hemisphereOf, YEAR_DAYS, yearDay, type Hemisphere, type SeasonDay } from "../calendar/index.ts";
import type { Celsius, Days, Share } from "../units/index.ts";
import { BASE_C, expectedDegreeDays, expectedGrowthWarmth } from "./degreeDays.ts";
import type { Contradiction } from "./facts.ts";
import { normalsOf } from "./fit.ts";
import { firstFrostDay, frostOdds, lastFrostDay, type FrostOdds } from "./frost.ts";
import type { PlaceClimateInput } from "./place.ts";
import { springOf, warmthOf, type ClockDoubt, type Expected, type SeasonClock } from "./seasonClock.ts";
import { dayWarmth, springFrom } from "./springIndex.ts";
import { dayWeights } from "./months.ts";
import { sumOf, type MonthsNormal } from "./seasonMonths.ts";
import { zoneOf, type Zone } from "./zones.ts";

/** Arrays are indexed by season day, 0 to 364, and repeat every year. */
export interface Climate extends SeasonClock {
  readonly place: PlaceClimateInput;
  readonly hemisphere: Hemisphere;
  readonly tminC: Float64Array;
  readonly tmaxC: Float64Array;
  readonly sdMinC: Float64Array;
  readonly sdMeanC: Float64Array;
  readonly coldestDay: SeasonDay;
  /** Coldest night of a usual winter, and the half-zone it belongs to. */
  readonly coldestNightC: Celsius;
  readonly zone: Zone;
  /** Things said of the place that do not go together. */
  readonly odd: readonly Contradiction[];
  /** What is left unknown of the twenty-four monthly means. */
  readonly known: MonthsNormal;
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

/** Chance that an afternoon passes a limit, from normals: a logistic that is close to the normal's. @param day 0 to 364 */
export const heatOdds = (c: Pick<Climate, "tmaxC" | "sdMeanC">, limitC: Celsius, day: SeasonDay): Share =>
  1 / (1 + Math.exp((1.7 * (limitC - c.tmaxC[day]!)) / Math.max(1, c.sdMeanC[day]!)));

const wrap = (day: number): number => yearDay(Math.floor(day));

/** Days over which the mean tells the date of a spring or an autumn stage, and the slowest change that still tells one, °C a day. */
const TELLING_DAYS = 60;
const LEAST_SLOPE_C = 0.06;

/** How far a degree of doubt about the months moves the dates that follow from them: doubt over slope. */
function doubtAt(known: MonthsNormal, meanC: (d: SeasonDay) => Celsius, day: SeasonDay): Days {
  const steps = [0, 1, 2, 3].map((i) => day - TELLING_DAYS + (i + 0.5) * (TELLING_DAYS / 4));
  const days = steps.map(dayWeights);
  const weights = Float64Array.from(
    { length: 24 },
    (_, m) => days.reduce((s, w) => s + w[m % 12]!, 0) / (2 * days.length),
  );
  const slope = Math.abs(meanC(day) - meanC(day - TELLING_DAYS)) / TELLING_DAYS;
  return sumOf(known, weights).sd / Math.max(LEAST_SLOPE_C, slope);
}

/** Builds the climate of a checked place; throws only on input that checkPlaceClimate would refuse. */
export function climateOf(place: PlaceClimateInput): Climate {
  const hemisphere = hemisphereOf(place.latitudeDeg);
  const { night, ...day } = normalsOf(place);
  const perDay = night.tminC.map((t, d) => expectedGrowthWarmth(t, day.tmaxC[d]!, day.sdMeanC[d]!));
  const ohioPerDay = night.tminC.map((t, d) => expectedDegreeDays(t, day.tmaxC[d]!, day.sdMeanC[d]!, BASE_C));
  const warmth = warmthOf(perDay);
  const { warmestDay } = day;
  const index = dayWarmth({ tminC: night.tminC, tmaxC: day.tmaxC, sdMeanC: day.sdMeanC });
  const meanC = (d: SeasonDay): Celsius => (night.tminC[wrap(d)]! + day.tmaxC[wrap(d)]!) / 2;
  const spring = springOf(springFrom(index), ohioPerDay, warmestDay);
  const doubt: ClockDoubt = {
    spring: doubtAt(day.known, meanC, spring.bloom),
    autumn: doubtAt(day.known, meanC, warmestDay + 110),
  };
  const oddsByLimit = new Map<number, SeasonFrost>();
  return {
    place,
    hemisphere,
    tminC: night.tminC,
    tmaxC: day.tmaxC,
    sdMinC: night.sdMinC,
    sdMeanC: day.sdMeanC,
    coldestDay: night.coldestDay,
    warmestDay,
    spring,
    coldestNightC: day.coldestNightC,
    zone: zoneOf(day.coldestNightC),
    get odd() {
      return day.known.odd;
    },
    known: day.known,
    doubt,
    ...warmth,
    frost(limitC) {
      let odds = oddsByLimit.get(limitC);
      if (!odds) oddsByLimit.set(limitC, (odds = seasonFrost(frostOdds(night, limitC), warmestDay)));
      return odds;
    },
    meanC,
    expected: { warmth: index, warmthPerDay: perDay, ohioPerDay, meanC, warmestDay, doubt },
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
