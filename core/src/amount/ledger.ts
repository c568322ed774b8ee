/**
 * The twelve-month ledger. A visit counts from its day until the same calendar date a year later; between
 * visits shares add up, each of the live plant as it stood then. That is the safe side: it assumes the
 * plant filled out in between.
 */
import { addYears, makeDate, partsOf, type PlainDate } from "../calendar/index.ts";
import type { Regime } from "../model/index.ts";
import type { Share } from "../units/index.ts";

/** A share of live growth that was taken on a day. */
export interface LedgerEntry {
  readonly visitId: string;
  readonly on: PlainDate;
  readonly regime: Regime;
  /** Healthy live growth. */
  readonly share: Share;
  /** Diseased, torn or hazardous live wood, shown apart. */
  readonly hazardShare: Share;
}

export interface Balance {
  /** Sum that counts on the day; may pass 1 when much was recorded. */
  readonly taken: number;
  readonly cap: Share;
  /** Never negative. */
  readonly left: Share;
  /** How far taken is past the cap. */
  readonly over: number;
  readonly hazard: number;
  /** Share of the first crown gone if nothing grew back: shares multiplied. */
  readonly withoutRegrowth: Share;
  readonly counting: readonly LedgerEntry[];
}

/** 29 February counts as the 28th. */
const held = (d: PlainDate): PlainDate => {
  const { year, month, day } = partsOf(d);
  return month === 2 && day === 29 ? makeDate(year, 2, 28) : d;
};

/** The day on which a visit no longer counts. // => leavesOn("2025-03-10") is "2026-03-10" */
export const leavesOn = (on: PlainDate): PlainDate => addYears(held(on), 1);

const counts = (e: LedgerEntry, on: PlainDate): boolean => e.on <= on && leavesOn(e.on) > on;

/** Room for rounding of shares that come from counts and thirds. */
const EPSILON = 1e-9;
const snapped = (x: number): number => (x < EPSILON ? 0 : x);

/** Where the account stands on a day. Entries may come in any order; later ones than the day are not seen. */
export function balanceOn(entries: readonly LedgerEntry[], on: PlainDate, cap: Share): Balance {
  const counting = entries.length === 0 ? entries : entries.filter((e) => counts(e, on));
  let [taken, hazard, left] = [0, 0, 1];
  for (const e of counting) {
    taken += e.share;
    hazard += e.hazardShare;
    left *= 1 - e.share;
  }
  return {
    taken,
    cap,
    left: snapped(cap - taken),
    over: snapped(taken - cap),
    hazard,
    withoutRegrowth: 1 - left,
    counting,
  };
}

/**
 * First day, from `on`, on which so much may be taken without passing the cap, if nothing more is cut.
 * @returns `on` itself when it fits today; null when it is more than the cap and never fits
 */
export function fitsOn(entries: readonly LedgerEntry[], on: PlainDate, cap: Share, wanted: Share): PlainDate | null {
  if (wanted > cap + EPSILON) return null;
  // Asked about a day in the past, what was recorded later is not known yet.
  const known = entries.filter((e) => e.on <= on);
  const days = [on, ...known.filter((e) => counts(e, on)).map((e) => leavesOn(e.on))].sort();
  return days.find((d) => balanceOn(known, d, cap).taken + wanted <= cap + EPSILON) ?? null;
}
