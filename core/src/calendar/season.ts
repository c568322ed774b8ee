/**
 * The hemisphere's year. It starts at midwinter's calendar turn: 1 January in the north, 1 July in the
 * south, so that one set of rules serves both. A season day is 0 on that first day and may run past 364
 * or below 0, because a plant's cycle does not stop at New Year.
 */
import {
  dayNumberOf,
  fromDayNumber,
  makeDate,
  partsOf,
  toDayNumber,
  type DayNumber,
  type MonthDay,
  type PlainDate,
} from "./plainDate.ts";

/** Which half of the earth: the southern year begins in July. */
export type Hemisphere = "north" | "south";
/** Days since the start of the hemisphere's year; may lie outside 0–364. */
export type SeasonDay = number;
/** Days of a season year; the last day of a leap year shares the one before it. */
export const YEAR_DAYS = 365;

/**
 * Whole years that a day lies after day 0 (before: negative). Asked for days by the million, nearly all of them in the
 * year or the one after, so these go without a division. // => turnsBy(-1) is -1
 */
export function turnsBy(day: SeasonDay): number {
  if (day >= 0 && day < 2 * YEAR_DAYS) return day < YEAR_DAYS ? 0 : 1;
  return Math.floor(day / YEAR_DAYS);
}

/** The season day 0–364 that a day of any cycle falls on. // => yearDay(-1) is 364 */
export function yearDay(day: SeasonDay): SeasonDay {
  const d = day - YEAR_DAYS * turnsBy(day);
  // A day that lies before the year by less than can be told comes out as the next year's first.
  return d < YEAR_DAYS ? d : 0;
}

export const hemisphereOf = (latitudeDeg: number): Hemisphere => (latitudeDeg < 0 ? "south" : "north");

const startMonth = (h: Hemisphere): number => (h === "north" ? 1 : 7);
const startNumber = (seasonYear: number, h: Hemisphere): DayNumber => dayNumberOf(seasonYear, startMonth(h), 1);

/** The first day of the hemisphere's year labelled by the calendar year it starts in. */
export const seasonStart = (seasonYear: number, h: Hemisphere): PlainDate => makeDate(seasonYear, startMonth(h), 1);

export interface SeasonPoint {
  readonly seasonYear: number;
  /** 0 to 364; the last day of a leap year shares 364. */
  readonly seasonDay: SeasonDay;
}

/** Where a date stands in the hemisphere's year. // => seasonPoint("2025-07-01", "south") is { seasonYear: 2025, seasonDay: 0 } */
export function seasonPoint(d: PlainDate, h: Hemisphere): SeasonPoint {
  let point = POINTS[h].get(d);
  if (point === undefined) POINTS[h].set(d, (point = pointOf(d, h)));
  return point;
}
/** Every plant asks where the same few days stand. */
const POINTS: Readonly<Record<Hemisphere, Map<PlainDate, SeasonPoint>>> = { north: new Map(), south: new Map() };

function pointOf(d: PlainDate, h: Hemisphere): SeasonPoint {
  const { year, month } = partsOf(d);
  const seasonYear = month >= startMonth(h) ? year : year - 1;
  const day = toDayNumber(d) - startNumber(seasonYear, h);
  return { seasonYear, seasonDay: Math.min(day, YEAR_DAYS - 1) };
}

/** The date of a season day of a year; days outside 0–364 reach into the neighbouring years. */
export function seasonDate(seasonYear: number, day: SeasonDay, h: Hemisphere): PlainDate {
  const whole = Math.round(day);
  const years = turnsBy(whole);
  return fromDayNumber(startNumber(seasonYear + years, h) + whole - years * YEAR_DAYS);
}

/** The first time after a date that a season day comes round. */
export function nextSeasonDate(day: SeasonDay, after: PlainDate, h: Hemisphere): PlainDate {
  const p = seasonPoint(after, h);
  const turns = turnsBy(p.seasonDay - day) + 1;
  return seasonDate(p.seasonYear, day + turns * YEAR_DAYS, h);
}

/** Season day of a month and day in an ordinary year. */
export function monthDayToSeasonDay(md: MonthDay, h: Hemisphere): SeasonDay {
  const month = Number(md.slice(0, 2));
  const year = h === "south" && month < 7 ? 2026 : 2025;
  return seasonPoint(makeDate(year, month, Number(md.slice(3))), h).seasonDay;
}

/** Years a scanner can look back and ahead. */
const SCAN_YEARS: readonly [back: number, ahead: number] = [-2, 4];

/**
 * Season days counted off from a date, for scanning year by year without building dates.
 * @returns a function from an offset in days (within about −700 to 1400) to its season day 0–364
 */
export function seasonScanner(from: PlainDate, h: Hemisphere): SeasonScanner {
  if (newest?.from !== from || newest.h !== h) newest = { from, h, scan: scanFrom(from, h) };
  return newest.scan;
}
type SeasonScanner = (offset: number) => SeasonDay;
/** A whole garden is asked about the same day. */
let newest: { readonly from: PlainDate; readonly h: Hemisphere; readonly scan: SeasonScanner } | null = null;

function scanFrom(from: PlainDate, h: Hemisphere): SeasonScanner {
  const base = toDayNumber(from);
  const { seasonYear } = seasonPoint(from, h);
  const starts: number[] = [];
  for (let k = SCAN_YEARS[0]; k <= SCAN_YEARS[1]; k++) starts.push(startNumber(seasonYear + k, h));
  return (offset) => {
    const n = base + offset;
    let i = starts.length - 1;
    while (i > 0 && starts[i]! > n) i--;
    return Math.min(YEAR_DAYS - 1, Math.max(0, n - starts[i]!));
  };
}

/** The first day of the month a number of months after a date's month. // => monthStart("2025-07-01", 6) is "2026-01-01" */
export function monthStart(from: PlainDate, months: number): PlainDate {
  const { year, month } = partsOf(from);
  const index = year * 12 + (month - 1) + months;
  return makeDate(Math.floor(index / 12), (index % 12) + 1, 1);
}
