/** What the gardener says of a place, as facts about its months; what it comes to together; and what does not go together. */
import { hemisphereOf, monthDayToSeasonDay, YEAR_DAYS, type MonthDay, type SeasonDay } from "../calendar/index.ts";
import type { FrostDays, FrostRule } from "./learnedShape.ts";
import { LEARNED } from "./learned.ts";
import {
  given,
  givenAbove,
  MEANS,
  MONTHS,
  nightOn,
  normalAtLatitude,
  normalNear,
  oneMean,
  riseOn,
  sumOf,
  WINTER_NIGHTS,
  type Fact,
  type MonthsNormal,
} from "./seasonMonths.ts";
import type { Celsius } from "../units/index.ts";
import type { PlaceClimateInput } from "./place.ts";
import { zoneMinimumC } from "./zones.ts";

/** How far what is said may be off, °C. */
export const FACT_DOUBT = {
  /** The mean night on a frost date, by the rule learned: dates are good to about four days. */
  frostC: 0.8,
  /** A mean of a month that somebody looked up. */
  monthC: 0.5,
  /** Coldest mean minimum under which half of the winters freeze, and how sharply (52 towns without frost). */
  noFrostC: 5.6,
  noFrostSdC: 0.5,
} as const;

export const FACT_KINDS = [
  "zone",
  "coldest-night",
  "last-frost",
  "first-frost",
  "no-frost",
  "afternoons",
  "nights",
] as const;
/** One of the facts a place may be known by. */
export type FactKind = (typeof FACT_KINDS)[number];

interface Said extends Fact {
  readonly kind: FactKind;
  /** The sum lies above the value instead of at it. */
  readonly above?: boolean;
}

/** The last frost before, the first after midsummer. */
export const frostDay = (d: MonthDay, side: "last" | "first", latitudeDeg: number): SeasonDay => {
  const day = monthDayToSeasonDay(d, hemisphereOf(latitudeDeg));
  if (side === "last") return day > YEAR_DAYS / 2 ? day - YEAR_DAYS : day;
  return day < YEAR_DAYS / 2 ? day + YEAR_DAYS : day;
};

function frostFact(kind: "last-frost" | "first-frost", rule: FrostRule, day: SeasonDay, latitudeDeg: number): Said {
  const rise = riseOn(day);
  return {
    kind,
    weights: nightOn(day).map((w, i) => w - rule.ofRise * rise[i]!),
    valueC: rule.at + rule.ofLatitude * (Math.abs(latitudeDeg) - LEARNED.frost.fromLatitude),
    sdC: FACT_DOUBT.frostC,
  };
}

const most = (x: Float64Array, from: number, way: 1 | -1): number => {
  let best = from;
  for (let i = from; i < from + MONTHS; i++) if (way * x[i]! > way * x[best]!) best = i;
  return best;
};

/** The facts of a place that name a day or a zone; those of the extreme months need to know which they are. */
function plainFacts(p: PlaceClimateInput): Said[] {
  const out: Said[] = [];
  const winter = (kind: "zone" | "coldest-night", c: number): Said => ({
    kind,
    weights: WINTER_NIGHTS,
    valueC: (c - LEARNED.zone.at) / LEARNED.zone.ofWinter,
    sdC: LEARNED.zone.sdC / LEARNED.zone.ofWinter,
  });
  if (p.coldestNightC != null) out.push(winter("coldest-night", p.coldestNightC));
  else if (p.zone !== null) out.push(winter("zone", zoneMinimumC(p.zone)));
  if (p.lastFrost !== null)
    out.push(frostFact("last-frost", LEARNED.frost.last, frostDay(p.lastFrost, "last", p.latitudeDeg), p.latitudeDeg));
  if (p.firstFrost !== null)
    out.push(
      frostFact("first-frost", LEARNED.frost.first, frostDay(p.firstFrost, "first", p.latitudeDeg), p.latitudeDeg),
    );
  return out;
}

function monthFacts(p: PlaceClimateInput, sofar: MonthsNormal): Said[] {
  const out: Said[] = [];
  const of = (kind: FactKind, month: number, valueC: number): Said => ({
    kind,
    weights: oneMean(month),
    valueC,
    sdC: FACT_DOUBT.monthC,
  });
  if (p.warmestC != null) out.push(of("afternoons", most(sofar.mean, MONTHS, 1), p.warmestC));
  if (p.nightsC != null) out.push(of("nights", most(sofar.mean, 0, -1), p.nightsC));
  if (p.noFrost === true)
    out.push({
      kind: "no-frost",
      weights: oneMean(most(sofar.mean, 0, -1)),
      valueC: FACT_DOUBT.noFrostC,
      sdC: FACT_DOUBT.noFrostSdC,
      above: true,
    });
  return out;
}

const withFact = (n: MonthsNormal, f: Said): MonthsNormal => (f.above ? givenAbove(n, f) : given(n, f));

/** How far a fact lies from what is expected without it, in standard deviations of the two together. */
function surprise(n: MonthsNormal, f: Said): number {
  const { mean, sd } = sumOf(n, f.weights);
  const z = (f.valueC - mean) / Math.hypot(sd, f.sdC);
  return f.above ? Math.max(0, z) : Math.abs(z);
}

/** Two things said that do not go together; `place` stands for the town or the latitude. */
export interface Contradiction {
  readonly one: FactKind;
  readonly other: FactKind | "place";
}
/** So many standard deviations off, one of the two is more likely a slip than the truth: two things said, or one and the place. */
const ODD_SDS = { pair: 2.2, place: 2.6 } as const;

function contradictions(prior: MonthsNormal, facts: readonly Said[]): Contradiction[] {
  const without = (...left: readonly Said[]): MonthsNormal =>
    facts.filter((f) => !left.includes(f)).reduce(withFact, prior);
  const odd = facts
    .map((fact) => ({ fact, z: surprise(without(fact), fact) }))
    .filter((x) => x.z > ODD_SDS.pair)
    .sort((a, b) => b.z - a.z)[0];
  if (!odd) return [];
  const other = facts
    .filter((f) => f !== odd.fact)
    .map((fact) => ({ fact, z: surprise(without(odd.fact, fact), odd.fact) }))
    .sort((a, b) => a.z - b.z)[0];
  // Where taking the other back helps little, it is the place itself that the fact does not go with.
  if (other && other.z < 0.75 * odd.z) return [{ one: odd.fact.kind, other: other.fact.kind }];
  return odd.z > ODD_SDS.place ? [{ one: odd.fact.kind, other: "place" }] : [];
}

/** No town's frost dates lie so many standard deviations from its zone, or their middle from the others' (towns: 3.14). */
const ODD_DATES_SDS = 3.5;

/** Frost dates that the months could just about be bent to, and no town has; the oddest pair first. */
function oddDates(p: PlaceClimateInput): Contradiction[] {
  const { usual } = LEARNED.frost;
  const last = p.lastFrost && frostDay(p.lastFrost, "last", p.latitudeDeg);
  const first = p.firstFrost && frostDay(p.firstFrost, "first", p.latitudeDeg);
  const cold: FactKind = p.coldestNightC == null ? "zone" : "coldest-night";
  const nightC = p.coldestNightC ?? (p.zone && zoneMinimumC(p.zone));
  const pair = (one: FactKind, other: FactKind, rule: FrostDays, night: Celsius | null, day: SeasonDay | null) =>
    night === null || day === null
      ? []
      : [{ one, other, z: Math.abs(day - rule.at - rule.ofNight * night) / rule.sdDays }];
  return [
    ...pair(cold, "last-frost", usual.last, nightC, last),
    ...pair(cold, "first-frost", usual.first, nightC, first),
    ...pair("last-frost", "first-frost", usual.middle, 0, last === null || first === null ? null : (last + first) / 2),
  ]
    .filter((x) => x.z > ODD_DATES_SDS)
    .sort((a, b) => b.z - a.z)
    .slice(0, 1)
    .map(({ one, other }) => ({ one, other }));
}

export interface MonthsKnown extends MonthsNormal {
  readonly odd: readonly Contradiction[];
}

/** The twenty-four means of a place from the towns near it, or its latitude, and everything said of it. */
export function monthsKnown(p: PlaceClimateInput): MonthsKnown {
  const prior = p.near ? normalNear(p.near, p.latitudeDeg) : normalAtLatitude(p.latitudeDeg);
  const plain = plainFacts(p);
  const sofar = plain.reduce(withFact, prior);
  const facts = [...plain, ...monthFacts(p, sofar)];
  const known = facts.slice(plain.length).reduce(withFact, sofar);
  let odd: readonly Contradiction[] | null = null;
  return {
    mean: ordered(known.mean),
    cov: known.cov,
    // Asked for where the place is looked at, and not with every answer.
    get odd() {
      if (odd) return odd;
      const found = contradictions(prior, facts);
      return (odd = found.length > 0 ? found : oddDates(p));
    },
  };
}

/** Least daily range of a month, °C: where little is known the two means may come out too close. */
const LEAST_RANGE_C = 2;
function ordered(mean: Float64Array): Float64Array {
  const out = mean.slice();
  for (let i = 0; i < MEANS - MONTHS; i++) out[MONTHS + i] = Math.max(out[MONTHS + i]!, out[i]! + LEAST_RANGE_C);
  return out;
}
