/**
 * The limits that keep a day closed, as one table: which price, how much of it at most, and what a day past it is
 * called. The year's open days, the verdict of a day and the reason that is told are all read from here.
 */
import { LIMITS, type Verdict } from "../model/index.ts";
import { inCycle, type PlantYear } from "../phenology/index.ts";
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
  flowers: { of: (p) => p.worstLoss, most: LIMITS.flowerLoss, verdict: () => "costs-flowers" },
  reserves: { of: (p) => p.reserves, most: LIMITS.reserves, verdict: () => "wait" },
} as const satisfies Readonly<Record<string, DayLimit>>;
export type LimitName = keyof typeof DAY_LIMIT_TABLE;
const ROWS: readonly DayLimit[] = Object.values(DAY_LIMIT_TABLE);
/** All but frost's, which is the dearest to work out. */
export const LIMITS_BUT_FROST: readonly DayLimit[] = ROWS.filter((r) => r !== DAY_LIMIT_TABLE.frost);

/** What a limit calls a day; null while the day keeps it. */
export const overLimit = (name: LimitName, p: YearOfPrices, y: PlantYear, day: number): Verdict | null => {
  const row: DayLimit = DAY_LIMIT_TABLE[name];
  return row.of(p)[day]! > row.most ? row.verdict(p, y, day) : null;
};

/** What the day's prices call it; "best" is settled afterwards against the year's least harm. */
export function pricedVerdict(y: PlantYear, p: YearOfPrices, day: number): Verdict {
  for (const row of ROWS) if (row.of(p)[day]! > row.most) return row.verdict(p, y, day);
  return "fine";
}
