/**
 * Calendar dates without time zones, as ISO text "YYYY-MM-DD" (sorts, compares and travels as it is),
 * and day numbers for arithmetic. Proleptic Gregorian calendar.
 */
declare const plain: unique symbol;
/** "YYYY-MM-DD", always a day that exists. */
export type PlainDate = string & { readonly [plain]: "date" };
/** Whole days since 1970-01-01. */
export type DayNumber = number;

const ISO = /^(\d{4})-(\d{2})-(\d{2})$/;
const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

/** By the Gregorian calendar. // => true for 2000 and 2024, false for 1900 */
export const isLeapYear = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/** Days in a month (1–12). // => daysInMonth(2024, 2) is 29 */
export const daysInMonth = (year: number, month: number): number =>
  month === 2 && isLeapYear(year) ? 29 : (MONTH_DAYS[month - 1] ?? 0);

const two = (n: number): string => (n < 10 ? `0${n}` : String(n));
const four = (n: number): string => (n > 999 ? String(n) : String(n).padStart(4, "0"));

/** Builds a date; a day past the end of the month is held at its last day. // => makeDate(2025, 2, 29) is "2025-02-28" */
export function makeDate(year: number, month: number, day: number): PlainDate {
  const held = Math.min(day, daysInMonth(year, month));
  return `${four(year)}-${two(month)}-${two(held)}` as PlainDate;
}

/** Reads "YYYY-MM-DD"; null when it is not a day that exists. // => parseDate("2025-02-29") is null */
export function parseDate(text: string): PlainDate | null {
  const m = ISO.exec(text);
  if (!m) return null;
  const [year, month, day] = [Number(m[1]), Number(m[2]), Number(m[3])];
  if (month < 1 || month > 12 || day < 1 || day > daysInMonth(year, month)) return null;
  return text as PlainDate;
}

/** A literal date known to be right; throws on a slip, for data and tests. */
export function date(text: string): PlainDate {
  const d = parseDate(text);
  if (d === null) throw new Error(`not a calendar date: ${text}`);
  return d;
}

export interface DateParts {
  readonly year: number;
  readonly month: number;
  readonly day: number;
}
/** Two digits of a date's text as a number; dates are taken apart thousands of times for every drag of the day. */
const pair = (d: string, at: number): number => d.charCodeAt(at) * 10 + d.charCodeAt(at + 1) - 528;
/** Year, month 1 to 12 and day 1 to 31 of a date. */
export const partsOf = (d: PlainDate): DateParts => ({
  year: pair(d, 0) * 100 + pair(d, 2),
  month: pair(d, 5),
  day: pair(d, 8),
});

/** Days since 1970-01-01 of a day that exists (after H. Hinnant's days-from-civil). // => dayNumberOf(1970, 1, 2) is 1 */
export function dayNumberOf(year: number, month: number, day: number): DayNumber {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yoe = y - era * 400;
  const doy = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return era * 146097 + yoe * 365 + Math.floor(yoe / 4) - Math.floor(yoe / 100) + doy - 719468;
}

/** Days since 1970-01-01. // => toDayNumber("1970-01-02") is 1 */
export const toDayNumber = (d: PlainDate): DayNumber =>
  dayNumberOf(pair(d, 0) * 100 + pair(d, 2), pair(d, 5), pair(d, 8));

/** A garden's dates lie within a few years, and each step of a dragged day asks for hundreds of them. */
const BUILT = new Map<DayNumber, PlainDate>();

/** The inverse of toDayNumber; a broken day is floored. */
export function fromDayNumber(n: DayNumber): PlainDate {
  const day = Math.floor(n);
  let built = BUILT.get(day);
  if (built === undefined) BUILT.set(day, (built = buildDate(day)));
  return built;
}

function buildDate(n: DayNumber): PlainDate {
  const z = n + 719468;
  const era = Math.floor(z / 146097);
  const doe = z - era * 146097;
  const yoe = Math.floor((doe - Math.floor(doe / 1460) + Math.floor(doe / 36524) - Math.floor(doe / 146096)) / 365);
  const doy = doe - (365 * yoe + Math.floor(yoe / 4) - Math.floor(yoe / 100));
  const mp = Math.floor((5 * doy + 2) / 153);
  const month = mp < 10 ? mp + 3 : mp - 9;
  return makeDate(yoe + era * 400 + (month <= 2 ? 1 : 0), month, doy - Math.floor((153 * mp + 2) / 5) + 1);
}

/** So many days later; earlier when negative. */
export const addDays = (d: PlainDate, days: number): PlainDate => fromDayNumber(toDayNumber(d) + days);
/** Days from a to b, negative when b is earlier. */
export const daysBetween = (a: PlainDate, b: PlainDate): number => toDayNumber(b) - toDayNumber(a);
/** Place of a date in its calendar year, 1 January 0. // => dayOfYear("2024-03-01") is 60 */
export const dayOfYear = (d: PlainDate): number => daysBetween(makeDate(partsOf(d).year, 1, 1), d);
/** Same calendar day n years on; 29 February becomes the 28th. // => addYears("2024-02-29", 1) is "2025-02-28" */
export function addYears(d: PlainDate, years: number): PlainDate {
  const p = partsOf(d);
  return makeDate(p.year + years, p.month, p.day);
}

/** The day that stands for a year of which no more is known: its middle, or the latest day there may be. // => aboutYear(2014, today) is 2014-06-30 */
export function aboutYear(year: number, latest: PlainDate): PlainDate {
  const middle = makeDate(year, 6, 30);
  return middle > latest && partsOf(latest).year === year ? latest : middle;
}

/** A day of every year, "MM-DD"; 29 February is not one. */
export type MonthDay = string & { readonly [plain]: "month-day" };
/** Reads "MM-DD"; null when no such day exists every year. */
export function parseMonthDay(text: string): MonthDay | null {
  return /^\d{2}-\d{2}$/.test(text) && parseDate(`2025-${text}`) !== null ? (text as MonthDay) : null;
}
/** Reads a day of every year, "MM-DD". @throws when there is no such day */
export function monthDay(text: string): MonthDay {
  const m = parseMonthDay(text);
  if (m === null) throw new Error(`not a day of the year: ${text}`);
  return m;
}

/** 0 is Sunday. // => weekdayOf(date("2026-11-29")) is 0 */
export const weekdayOf = (on: PlainDate): number => (((toDayNumber(on) + 4) % 7) + 7) % 7;

/** How many of some days in order lie on or before a day. // => daysUpTo([date("2026-01-02"), date("2026-03-01")], date("2026-02-01")) is 1 */
export function daysUpTo(inOrder: readonly PlainDate[], on: PlainDate): number {
  let [low, high] = [0, inOrder.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (inOrder[mid]! <= on) low = mid + 1;
    else high = mid;
  }
  return low;
}
