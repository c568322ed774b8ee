/** The run of open days that holds or follows a day, with the range of its edges. */
import {
  addDays,
  daysBetween,
  seasonScanner,
  seasonStart,
  YEAR_DAYS,
  yearDay,
  type PlainDate,
} from "../calendar/index.ts";
import { VERDICTS } from "../model/index.ts";
import { giveOrTake } from "../phenology/index.ts";
import type { Days } from "../units/index.ts";
import type { Question } from "./question.ts";
import type { Finding } from "./reasons.ts";

/** Eight years of ten have the edge between these days. */
export type EdgeRange = readonly [from: PlainDate, to: PlainDate];

export interface Window {
  /** null: it has been open for a year and more. */
  readonly opens: PlainDate | null;
  /** null: no end within a year. */
  readonly closes: PlainDate | null;
  /** Days left when it is open today, else null. */
  readonly daysLeft: Days | null;
  /** 80 % ranges of the edges; null where an edge is a fixed day or there is none. */
  readonly opensRange: EdgeRange | null;
  readonly closesRange: EdgeRange | null;
  /** Half of the wider of the two. */
  readonly spreadDays: Days;
  /** True when even these days cost a display: they are the ones that cost least. */
  readonly costs: boolean;
}

/** The last day on which a dated finding still blocks; null for one that waits for something to be seen or never ends. */
function blockedUntil(found: readonly Finding[], on: PlainDate): PlainDate | null | undefined {
  let until: PlainDate | undefined;
  for (const f of found) {
    if (f.verdict === "ask-a-pro" || f.verdict === "never") return null;
    if (f.opening?.by === "seen" && f.opening.expected === null) return null;
    // What waits to be seen is forecast for its expected day; past that, for tomorrow at the earliest.
    const seenOn = f.opening?.by === "seen" ? f.opening.expected : null;
    const next = addDays(on, 1);
    const forecast = seenOn === null ? undefined : seenOn > next ? seenOn : next;
    if (forecast !== undefined && (until === undefined || forecast > until)) until = forecast;
    if (f.opening?.by === "day" && (until === undefined || f.opening.on > until)) until = f.opening.on;
  }
  return until;
}

/** Without years of weather to count from, an edge is good to about so many days. */
const PRIOR_SPREAD_DAYS: Days = 12;
/** How far from an edge its range is looked for. */
const REACH_DAYS = 60;

/** The edge of a usual year that is nearest to a season day; the day itself when there is none near. */
function usualEdge(open: Uint8Array, day: number, opening: boolean): number {
  const isEdge = (d: number): boolean =>
    opening
      ? open[yearDay(d)] === 1 && open[yearDay(d - 1)] === 0
      : open[yearDay(d)] === 1 && open[yearDay(d + 1)] === 0;
  for (let i = 0; i < REACH_DAYS; i++) for (const d of [day - i, day + i]) if (isEdge(d)) return d;
  return day;
}

/** Days before and after an edge between which eight years of ten have theirs, read off the share of years that are open. */
function spreadOfEdge(open: ArrayLike<number>, edge: number, opening: boolean): readonly [Days, Days] {
  const inward = opening ? 1 : -1;
  const share = (i: number): number => open[yearDay(edge + i * inward)]!;
  let most = 0;
  for (let i = 0; i <= REACH_DAYS; i++) most = Math.max(most, share(i));
  let out = 0;
  while (out < REACH_DAYS && share(-out - 1) >= 0.1 * most) out++;
  let into = 0;
  while (into < REACH_DAYS && share(into) < 0.9 * most) into++;
  return opening ? [out, into] : [into, out];
}

/** The 80 % range of an edge that the year's course makes. */
function edgeRange(q: Question, seasonDay: number, on: PlainDate, opening: boolean): EdgeRange {
  const years = q.model.daysShown(q.taxon, q.task)?.open;
  const [early, late] = years
    ? spreadOfEdge(years, usualEdge(q.usual.open, seasonDay, opening), opening)
    : [PRIOR_SPREAD_DAYS, PRIOR_SPREAD_DAYS];
  return [addDays(on, 0 - early), addDays(on, late)];
}

/** The first open day of the run that holds or follows offset 0; null when a year has none. */
function runStart(
  isOpen: (offset: number) => boolean,
  inSeason: (offset: number) => boolean,
  openToday: boolean,
  from: number,
): number | null {
  if (openToday) {
    let start = 0;
    while (start > -YEAR_DAYS && inSeason(start - 1)) start--;
    return start;
  }
  const last = from + YEAR_DAYS + 2;
  for (let start = from; start < last; start++) if (isOpen(start)) return start;
  return null;
}

/** Finds the run of open days that holds or follows a day. */
export function windowFor(q: Question, found: readonly Finding[], openToday: boolean): Window | null {
  const until = blockedUntil(found, q.on);
  if (until === null || q.task === "leave") return null;
  const h = q.model.climate.hemisphere;
  const seasonDay = seasonScanner(q.on, h);
  // What lies past the end of this season follows a usual year.
  const ahead = daysBetween(q.on, seasonStart(q.model.season(q.on).seasonYear + 1, h));
  const freeFrom = until === undefined ? -Infinity : daysBetween(q.on, until);
  const inSeason = (offset: number): boolean => (offset < ahead ? q.kind : q.usual).open[seasonDay(offset)] === 1;
  const isOpen = (offset: number): boolean => offset >= freeFrom && inSeason(offset);
  const from = Math.max(1, Number.isFinite(freeFrom) ? freeFrom : 1);
  const start = runStart(isOpen, inSeason, openToday || (q.kind.neverFree && isOpen(0)), from);
  if (start === null) return null;
  let end = Math.max(0, start);
  const last = end + YEAR_DAYS;
  while (end < last && isOpen(end + 1)) end++;
  const [endless, old] = [end >= last, start <= -YEAR_DAYS];
  const opens = addDays(q.on, start);
  const closes = addDays(q.on, end);
  const range = (offset: number, on: PlainDate, opening: boolean): EdgeRange =>
    edgeRange(q, seasonDay(offset), on, opening);
  const seenFirst = old || (start === freeFrom && start > 0);
  return {
    opens: old ? null : opens,
    closes: endless ? null : closes,
    daysLeft: start <= 0 && isOpen(0) && !endless ? end : null,
    costs: q.kind.neverFree,
    // A list sorts by the edges and shows none of their ranges.
    get opensRange() {
      return seenFirst ? seenRange(q, found, opens) : range(start, opens, true);
    },
    get closesRange() {
      return endless ? null : range(end, closes, false);
    },
    get spreadDays() {
      return Math.max(halfOf(this.opensRange), halfOf(this.closesRange));
    },
  };
}

const halfOf = (r: EdgeRange | null): Days => (r ? Math.round(daysBetween(r[0], r[1]) / 2) : 0);

/** A forecast of growth has the range of its stage; a day of the account has none. */
function seenRange(q: Question, found: readonly Finding[], opens: PlainDate): EdgeRange | null {
  if (!found.some((f) => f.opening?.by === "seen" && f.opening.what === "growth")) return null;
  const half = Math.round(giveOrTake(q.kind.year.wakes));
  return [addDays(opens, 0 - half), addDays(opens, half)];
}

const BEST = VERDICTS.indexOf("best");

export interface BestRun {
  readonly opens: PlainDate;
  readonly closes: PlainDate | null;
}

/** The run of best days that holds or follows a day, within the window found. */
export function bestRun(q: Question, window: Window | null): BestRun | null {
  if (window === null || q.kind.neverFree) return null;
  const seasonDay = seasonScanner(q.on, q.model.climate.hemisphere);
  const isBest = (offset: number): boolean => q.kind.verdicts[seasonDay(offset)] === BEST;
  let start = Math.max(0, window.opens === null ? 0 : daysBetween(q.on, window.opens));
  const until = start + YEAR_DAYS;
  while (start < until && !isBest(start)) start++;
  if (start === until) return null;
  let end = start;
  while (end < until && isBest(end + 1)) end++;
  return { opens: addDays(q.on, start), closes: end === until ? null : addDays(q.on, end) };
}
