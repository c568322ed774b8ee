/**
 * Frost odds in closed form. A night's minimum is its normal plus a residual that follows the night
 * before (AR(1)); the chance that a run of nights stays above a limit is taken as a chain of pairs,
 * P(all above) = P(first above) · Π P(next above | this above), each pair from the bivariate normal.
 * Nights taken as independent would put the median last frost 4–5 days too late; the chain is within a
 * day and a half of simulation.
 */
import { YEAR_DAYS, yearDay, type SeasonDay } from "../calendar/index.ts";
import type { Celsius, Share } from "../units/index.ts";
import { bothAbove, cumulative } from "./normal.ts";

/** Daily normals of the minimum, as the frost odds need them; arrays of 365. */
export interface NightNormals {
  readonly tminC: Float64Array;
  readonly sdMinC: Float64Array;
  /** Correlation of one night's residual with the next, 0 to below 1. */
  readonly lag1: number;
}

export interface FrostOdds {
  readonly limitC: Celsius;
  /** Chance that at least one night from a to b (both counted, b − a below 365) falls to the limit. */
  readonly between: (a: SeasonDay, b: SeasonDay) => Share;
  /** Chance that the single night of this day does. */
  readonly onNight: (day: SeasonDay) => Share;
}

const FLOOR = 1e-300;
/** Log of a chance that no double tells from none beside 1. */
const SURE = -40;
const wrap = (day: number): number => yearDay(Math.round(day));
/** Spreads under the normal at which a night is not expected in a million years. */
const NEVER = -5.5;

/** Builds the odds for one limit; costs 365 bivariate integrals once, then constant time a question. */
export function frostOdds(n: NightNormals, limitC: Celsius): FrostOdds {
  const h = n.tminC.map((t, i) => (limitC - t) / n.sdMinC[i]!);
  const above = h.map((x) => Math.max(FLOOR, cumulative(-x)));
  const stay = h.map((_, i) => {
    const next = (i + 1) % YEAR_DAYS;
    // Nights so far above the limit never fall to it: half of a year need not be integrated.
    if (h[i]! < NEVER && h[next]! < NEVER) return 0;
    return Math.log(Math.max(FLOOR, Math.min(1, bothAbove(h[i]!, h[next]!, n.lag1) / above[i]!)));
  });
  // Running log-odds of staying above, night after night over two years, so that spans may cross New Year.
  const run = new Float64Array(2 * YEAR_DAYS + 1);
  for (let i = 0; i < 2 * YEAR_DAYS; i++) run[i + 1] = run[i]! + stay[i % YEAR_DAYS]!;
  return {
    limitC,
    onNight: (day) => 1 - above[wrap(day)]!,
    between(a, b) {
      if (b < a) return 0;
      const first = Math.round(a);
      const from = yearDay(first);
      const to = from + Math.min(YEAR_DAYS - 1, Math.round(b) - first);
      const stays = run[to]! - run[from]!;
      return stays < SURE ? 1 : 1 - above[from]! * Math.exp(stays);
    },
  };
}

/** Share p of years has its last frost after the day returned (0.5: the median date); null when fewer years have one at all. */
export function lastFrostDay(
  odds: FrostOdds,
  coldestDay: SeasonDay,
  warmestDay: SeasonDay,
  p: Share,
): SeasonDay | null {
  if (odds.between(coldestDay, warmestDay) < p) return null;
  let day = Math.round(warmestDay);
  while (day > coldestDay && odds.between(day, warmestDay) <= p) day--;
  // Interpolate between the night that is over p and the next that is not.
  const over = odds.between(day, warmestDay);
  const under = odds.between(day + 1, warmestDay);
  return day - 1 + (over === under ? 0 : (over - p) / (over - under));
}

/** Share p of years has its first frost on or before the day returned; null when fewer years have one at all. */
export function firstFrostDay(
  odds: FrostOdds,
  warmestDay: SeasonDay,
  nextColdestDay: SeasonDay,
  p: Share,
): SeasonDay | null {
  if (odds.between(warmestDay, nextColdestDay) < p) return null;
  let day = Math.round(warmestDay);
  while (day < nextColdestDay && odds.between(warmestDay, day) < p) day++;
  const over = odds.between(warmestDay, day);
  const under = odds.between(warmestDay, day - 1);
  return day - (over === under ? 0 : (over - p) / (over - under));
}
