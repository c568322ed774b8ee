/**
 * The limits that keep a day closed, as one table: which price, how much of it at most, and what a day past it is
 * called. The year's open days, the verdict of a day and the reason that is told are all read from here.
 */
import { YEAR_DAYS } from "../calendar/index.ts";
import { LIMITS, type Verdict } from "../model/index.ts";
import { inCycle, type PlantYear } from "../phenology/index.ts";
import type { Days } from "../units/index.ts";
import type { YearOfPrices } from "./season.ts";

export interface DayLimit {
  /** The price of each day. */
  readonly of: (p: YearOfPrices) => ArrayLike<number>;
  /** Past this the day is closed. */
  readonly most: number;
  /** What a day past it is called. */
  readonly verdict: (p: YearOfPrices, y: PlantYear, day: number) => Verdict;
}

/** Have this season's shoots hardened, and does the plant not yet sleep? */
export const shootsHard = (y: PlantYear, day: number): boolean => {
  const u = inCycle(y, day);
  return u > y.hardens.day && u < y.dormant.day;
};

/** The strongest first: a day past several is called by the first of them. */
export const DAY_LIMIT_TABLE = {
  /** Shelter that is taken is given back by spring; growth that a late cut wakes is lost for the year. */
  frost: {
    of: (p) => p.frostRisk,
    most: LIMITS.frostRisk,
    verdict: (p, _, day) => (p.lateSide[day] === 1 && p.frameFrost[day]! <= LIMITS.frostRisk ? "too-late" : "wait"),
  },
  regrowth: {
    of: (p) => p.regrowthRisk,
    most: LIMITS.regrowthRisk,
    verdict: (_, y, day) => (shootsHard(y, day) ? "too-late" : "wait"),
  },
  untold: { of: (p) => p.untold, most: LIMITS.untold, verdict: () => "wait" },
  redo: { of: (p) => p.redo, most: LIMITS.redo, verdict: () => "wait" },
  heat: { of: (p) => p.heat, most: LIMITS.heat, verdict: () => "wait" },
  flowers: { of: (p) => p.worstLoss, most: LIMITS.flowerLoss, verdict: () => "costs-flowers" },
  reserves: { of: (p) => p.reserves, most: LIMITS.reserves, verdict: () => "wait" },
  standsOpen: { of: (p) => p.standsOpen, most: LIMITS.standsOpen, verdict: () => "wait" },
} as const satisfies Readonly<Record<string, DayLimit>>;
export type LimitName = keyof typeof DAY_LIMIT_TABLE;
const NAMES = Object.keys(DAY_LIMIT_TABLE) as readonly LimitName[];
const ROW_OF = Object.fromEntries(NAMES.map((name, i) => [name, i + 1])) as Readonly<Record<LimitName, number>>;
/** All but the flowers', which harm nobody. */
const HARMS = NAMES.filter((name) => name !== "flowers");

/** No edge of a season is known to the week: fewer days than this are not told apart from those around them. */
export const FEW_DAYS: Days = 7;
/** A price further past its limit than this keeps a day closed, be it the only one. */
const SLIGHTLY = 1.2;

/** A year's prices, and the limit of harm that closes each day. */
export interface PricedYear {
  readonly prices: YearOfPrices;
  readonly year: PlantYear;
  readonly closedBy: Uint8Array;
}

/** The runs of days, around the year, on which a mark is or is not: [first day, days, marked]; none when all are alike. */
export function* runsOf(marks: Uint8Array): Generator<readonly [number, Days, boolean]> {
  let last = YEAR_DAYS - 1;
  while (last > 0 && marks[last]! > 0 === marks[last - 1]! > 0) last--;
  if (last === 0) return;
  // The run that begins last goes on into the new year.
  let from = last - YEAR_DAYS;
  let marked = marks[last]! > 0;
  for (let d = 0; d <= last; d++) {
    if (marks[d]! > 0 === marked) continue;
    yield [(from + YEAR_DAYS) % YEAR_DAYS, d - from, marked];
    [from, marked] = [d, !marked];
  }
}

/** Marks days past a limit with its row, where no row before it did. */
function markPast(name: LimitName, prices: ArrayLike<number>, out: Uint8Array): void {
  const { most } = DAY_LIMIT_TABLE[name];
  const row = ROW_OF[name];
  for (let d = 0; d < YEAR_DAYS; d++) if (prices[d]! > most && (out[d] === 0 || out[d]! > row)) out[d] = row;
}

/**
 * The limit of harm that closes each day, as its row; 0 where none does. Days too few to plan by are settled by those
 * around them: some days between two that wait are no opening, they wait for what comes after; some that pass a limit
 * slightly, between days that keep it, are no closing. Flowers are no harm, and are counted day by day.
 * @param frostOf chance of harm by frost by day, the dearest to work out: told which days all other limits close
 */
export function closedByHarm(
  p: YearOfPrices,
  out: Uint8Array,
  frostOf: (closed: Uint8Array) => ArrayLike<number> = () => p.frostRisk,
): Uint8Array {
  out.fill(0);
  const prices = (name: LimitName): ArrayLike<number> => DAY_LIMIT_TABLE[name].of(p);
  for (const name of HARMS) if (name !== "frost") markPast(name, prices(name), out);
  const frost = frostOf(out);
  markPast("frost", frost, out);
  const fill = (from: number, days: Days, row: number): void => {
    for (let d = from; d < from + days; d++) out[d % YEAR_DAYS] = row;
  };
  for (const [from, days, closed] of [...runsOf(out)])
    if (!closed && days < FEW_DAYS) fill(from, days, out[(from + days) % YEAR_DAYS]!);
  const far = (day: number): boolean =>
    HARMS.some((name) => (name === "frost" ? frost : prices(name))[day]! > DAY_LIMIT_TABLE[name].most * SLIGHTLY);
  const anyFar = (from: number, days: Days): boolean => {
    for (let d = from; d < from + days; d++) if (far(d % YEAR_DAYS)) return true;
    return false;
  };
  for (const [from, days, closed] of [...runsOf(out)])
    if (closed && days < FEW_DAYS && !anyFar(from, days)) fill(from, days, 0);
  return out;
}

/** Is a day past a limit? Of harm only where the day is closed by one. */
function isOver({ prices, closedBy }: PricedYear, name: LimitName, day: number): boolean {
  const limit: DayLimit = DAY_LIMIT_TABLE[name];
  const past = limit.of(prices)[day]! > limit.most;
  return name === "flowers" ? past : closedBy[day]! > 0 && (past || closedBy[day] === ROW_OF[name]);
}

/** What a limit calls a day; null while the day keeps it. */
export const overLimit = (name: LimitName, k: PricedYear, day: number): Verdict | null =>
  isOver(k, name, day) ? DAY_LIMIT_TABLE[name].verdict(k.prices, k.year, day) : null;

/** What the day's prices call it; "best" is settled afterwards against the year's least harm. */
export function pricedVerdict(k: PricedYear, day: number): Verdict {
  for (const name of NAMES) {
    const verdict = overLimit(name, k, day);
    if (verdict !== null) return verdict;
  }
  return "fine";
}
