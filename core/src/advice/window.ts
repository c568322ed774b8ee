/** The run of open days that holds or follows a day, with the range of its edges. */
import {
  addDays,
  daysBetween,
  seasonScanner,
  seasonStart,
  YEAR_DAYS,
  yearDay,
  type PlainDate,
  type SeasonDay,
} from "../calendar/index.ts";
import { VERDICTS } from "../model/index.ts";
import { doubtAt, giveOrTake, HALF_RANGE_SDS } from "../phenology/index.ts";
import type { Days } from "../units/index.ts";
import { ailingDays } from "./ailments.ts";
import { freesUpOn, type Question } from "./question.ts";
import type { Finding, ReasonCode } from "./reasons.ts";

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
  for (const { verdict, opening } of found) {
    if (verdict === "ask-a-pro" || verdict === "never") return null;
    if (opening === null) continue;
    const ends = opening.by === "day" ? opening.on : opening.expected;
    if (ends === null) return null;
    // What waits to be seen is forecast for its expected day; past that, for tomorrow at the earliest.
    const next = opening.by === "seen" ? addDays(on, 1) : ends;
    const forecast = ends > next ? ends : next;
    if (until === undefined || forecast > until) until = forecast;
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
  const years = q.kind.prices.displays.some((d) => d.accepted) ? null : q.model.daysShown(q.taxon, q.task)?.open;
  const [early, late] = years
    ? spreadOfEdge(years, usualEdge(q.usual.open, seasonDay, opening), opening)
    : [PRIOR_SPREAD_DAYS, PRIOR_SPREAD_DAYS];
  // An edge that no year moves is the calendar's: no doubt about the place moves it either.
  const doubt = early + late === 0 ? 0 : HALF_RANGE_SDS * doubtAt(q.model.climate, seasonDay);
  const wide = (days: Days): Days => Math.round(Math.hypot(days, doubt));
  return [addDays(on, 0 - wide(early)), addDays(on, wide(late))];
}

/** The open days around a day: this season's by its own clock, what lies past its end by a usual year. */
class OpenDays {
  readonly #q: Question;
  readonly #ahead: Days;
  readonly #freeFrom: Days;
  readonly #ails: ((day: SeasonDay) => boolean) | null;
  readonly seasonDay: (offset: Days) => SeasonDay;

  /** @param freeFrom the first offset on which nothing at the plant itself blocks */
  constructor(q: Question, freeFrom: Days) {
    const h = q.model.climate.hemisphere;
    this.#q = q;
    this.#ahead = daysBetween(q.on, seasonStart(q.model.season(q.on).seasonYear + 1, h));
    this.#freeFrom = freeFrom;
    this.#ails = ailingDays(q);
    this.seasonDay = seasonScanner(q.on, h);
  }
  inSeason(offset: Days): boolean {
    const day = this.seasonDay(offset);
    return (offset < this.#ahead ? this.#q.kind : this.#q.usual).open[day] === 1 && this.#ails?.(day) !== true;
  }
  at(offset: Days): boolean {
    return offset >= this.#freeFrom && this.inSeason(offset);
  }
  /** The first open day of the run that holds or follows offset 0; null when a year has none. */
  runStart(openToday: boolean): Days | null {
    if (openToday) {
      let start = 0;
      while (start > -YEAR_DAYS && this.inSeason(start - 1)) start--;
      return start;
    }
    const from = Math.max(1, Number.isFinite(this.#freeFrom) ? this.#freeFrom : 1);
    const last = from + YEAR_DAYS + 2;
    for (let start = from; start < last; start++) if (this.at(start)) return start;
    return null;
  }
  runEnd(start: Days): Days {
    let end = Math.max(0, start);
    const last = end + YEAR_DAYS;
    while (end < last && this.at(end + 1)) end++;
    return end;
  }
}

/** A run of open days; the ranges of its edges are worked out when they are read: a list sorts by the edges alone. */
class Run implements Window {
  readonly opens: PlainDate | null;
  readonly closes: PlainDate | null;
  readonly daysLeft: Days | null;
  readonly costs: boolean;
  readonly #q: Question;
  readonly #days: OpenDays;
  readonly #found: readonly Finding[];
  readonly #start: Days;
  readonly #end: Days;
  /** True when the plant's own wait, and not the year, makes the opening edge. */
  readonly #waited: boolean;

  constructor(q: Question, found: readonly Finding[], days: OpenDays, start: Days, freeFrom: Days) {
    this.#q = q;
    this.#days = days;
    this.#found = found;
    this.#start = start;
    this.#end = days.runEnd(start);
    this.#waited = start === freeFrom && start > 0;
    const endless = this.#end >= Math.max(0, start) + YEAR_DAYS;
    this.opens = start <= -YEAR_DAYS ? null : addDays(q.on, start);
    this.closes = endless ? null : addDays(q.on, this.#end);
    this.daysLeft = start <= 0 && days.at(0) && !endless ? this.#end : null;
    this.costs = q.kind.neverFree;
  }
  #range(offset: Days, on: PlainDate, opening: boolean): EdgeRange {
    return edgeRange(this.#q, this.#days.seasonDay(offset), on, opening);
  }
  get opensRange() {
    if (this.opens === null || this.#waited)
      return seenRange(this.#q, this.#found, this.opens ?? addDays(this.#q.on, this.#start));
    return this.#range(this.#start, this.opens, true);
  }
  get closesRange() {
    return this.closes && this.#range(this.#end, this.closes, false);
  }
  get spreadDays() {
    return Math.max(halfOf(this.opensRange), halfOf(this.closesRange));
  }
}

/** Finds the run of open days that holds or follows a day. */
export function windowFor(q: Question, found: readonly Finding[], openToday: boolean): Window | null {
  const until = blockedUntil(found, q.on);
  if (until === null || q.task === "leave") return null;
  const freeFrom = until === undefined ? -Infinity : daysBetween(q.on, until);
  const days = new OpenDays(q, freeFrom);
  const start = days.runStart(openToday || (q.kind.neverFree && days.at(0)));
  return start === null ? null : new Run(q, found, days, start, freeFrom);
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

/** Matters of kind and task: no day is the best for what is a matter of looks. */
const NEVER_BEST: ReadonlySet<ReasonCode> = new Set(["large-leaved", "natural-shape"]);

/** The run of best days that holds or follows a day, within the window found; not before what usually goes fits again. */
export function bestRun(q: Question, window: Window | null, found: readonly Finding[]): BestRun | null {
  if (window === null || q.kind.neverFree || found.some((f) => NEVER_BEST.has(f.reason.code))) return null;
  const scarce = found.some((f) => f.reason.code === "cap-scarce");
  const fits = scarce ? daysBetween(q.on, freesUpOn(q) ?? q.on) : 0;
  const seasonDay = seasonScanner(q.on, q.model.climate.hemisphere);
  const isBest = (offset: number): boolean => q.kind.verdicts[seasonDay(offset)] === BEST;
  let start = Math.max(fits, window.opens === null ? 0 : daysBetween(q.on, window.opens));
  const until = start + YEAR_DAYS;
  while (start < until && !isBest(start)) start++;
  if (start === until) return null;
  let end = start;
  while (end < until && isBest(end + 1)) end++;
  return { opens: addDays(q.on, start), closes: end === until ? null : addDays(q.on, end) };
}
