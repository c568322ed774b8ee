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
  /** Log of the chance that the next night stays above the limit when this one did. */
  readonly staysAfter: (day: SeasonDay) => number;
}

const FLOOR = 1e-300;
/** Log of a chance that no double tells from none beside 1. */
const SURE = -40;
const wrap = (day: number): number => yearDay(Math.round(day));
/** Spreads under the normal at which a night is not expected in a million years. */
const NEVER = -5.5;

/** Builds the odds for one limit: a night is integrated when it is first asked about, a span sums all of them once. */
export function frostOdds(n: NightNormals, limitC: Celsius): FrostOdds {
  const h = n.tminC.map((t, i) => (limitC - t) / n.sdMinC[i]!);
  const above = h.map((x) => Math.max(FLOOR, cumulative(-x)));
  const known = new Float64Array(YEAR_DAYS).fill(NaN);
  const stay = (i: number): number => {
    if (Number.isNaN(known[i]!)) {
      const next = (i + 1) % YEAR_DAYS;
      // Nights so far above the limit never fall to it: half of a year need not be integrated.
      known[i] =
        h[i]! < NEVER && h[next]! < NEVER
          ? 0
          : Math.log(Math.max(FLOOR, Math.min(1, bothAbove(h[i]!, h[next]!, n.lag1) / above[i]!)));
    }
    return known[i]!;
  };
  let summed: Float64Array | null = null;
  // Running log-odds of staying above, night after night over two years, so that spans may cross New Year.
  const sums = (): Float64Array => {
    const out = new Float64Array(2 * YEAR_DAYS + 1);
    for (let i = 0; i < 2 * YEAR_DAYS; i++) out[i + 1] = out[i]! + stay(i % YEAR_DAYS);
    return out;
  };
  return {
    limitC,
    onNight: (day) => 1 - above[wrap(day)]!,
    staysAfter: (day) => stay(wrap(day)),
    between(a, b) {
      if (b < a) return 0;
      const run = (summed ??= sums());
      const first = Math.round(a);
      const from = yearDay(first);
      const to = from + Math.min(YEAR_DAYS - 1, Math.round(b) - first);
      const stays = run[to]! - run[from]!;
      return stays < SURE ? 1 : 1 - above[from]! * Math.exp(stays);
    },
  };
}

/** Chance of a frost on a way of nights, from its first night and the log of staying above after it. */
const onWay = (odds: FrostOdds, first: SeasonDay, log: number): Share =>
  log < SURE ? 1 : 1 - (1 - odds.onNight(first)) * Math.exp(log);

/** Share p of years has its last frost after the day returned (0.5: the median date); null when fewer years have one at all. */
export function lastFrostDay(
  odds: FrostOdds,
  coldestDay: SeasonDay,
  warmestDay: SeasonDay,
  p: Share,
): SeasonDay | null {
  let day = Math.round(warmestDay);
  let [log, over, under] = [0, onWay(odds, day, 0), 0];
  // Back from the warmest night: only those walked over are integrated.
  while (day > coldestDay && over <= p) {
    log += odds.staysAfter(--day);
    [under, over] = [over, onWay(odds, day, log)];
  }
  if (over < p || day < Math.round(coldestDay)) return null;
  // Interpolate between the night that is over p and the next that is not.
  return day - 1 + (over === under ? 0 : (over - p) / (over - under));
}

/** Share p of years has its first frost on or before the day returned; null when fewer years have one at all. */
export function firstFrostDay(
  odds: FrostOdds,
  warmestDay: SeasonDay,
  nextColdestDay: SeasonDay,
  p: Share,
): SeasonDay | null {
  const first = Math.round(warmestDay);
  let day = first;
  let [log, over, under] = [0, onWay(odds, first, 0), 0];
  while (day < nextColdestDay && over < p) {
    log += odds.staysAfter(day++);
    [under, over] = [over, onWay(odds, first, log)];
  }
  if (over < p || day > Math.round(nextColdestDay)) return null;
  return day - (over === under ? 0 : (over - p) / (over - under));
}
