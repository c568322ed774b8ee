/**
 * A table of daily weather into calendar years of days. What can be recognised is (headings, Fahrenheit, tenths of a
 * degree, minimum and maximum the wrong way round, the order of day and month); what cannot is refused by line, and
 * then nothing is taken. Missing days are gaps, not errors.
 */
import {
  addDays,
  dayOfYear,
  daysBetween,
  daysInMonth,
  isLeapYear,
  makeDate,
  partsOf,
  type PlainDate,
} from "../calendar/index.ts";
import { BOUNDS, MOST, type WeatherYear } from "../model/index.ts";
import { fahrenheit, ok, refused, type Issue, type Result } from "../units/index.ts";

/** What may be wrong with a weather file. */
export type WeatherIssueCode =
  | "weather-empty"
  | "weather-columns"
  | "weather-day"
  | "weather-day-order"
  | "weather-number"
  | "weather-span"
  | "weather-rain"
  | "weather-years"
  | "weather-reversed"
  | "weather-twice"
  | "weather-future"
  | "weather-long"
  | "weather-none";
export type WeatherIssue = Issue<WeatherIssueCode>;

type Column = "date" | "tmin" | "tmax" | "rain";
/** Words that head a column; the first that fits is taken. */
const HEADINGS: Readonly<Record<Column, RegExp>> = {
  date: /^(date|day|datum|time|valid)/i,
  tmin: /min|low|^tn\b/i,
  tmax: /max|high|^tx\b/i,
  rain: /prec|prcp|rain|^rr\b/i,
};
const MISSING = /^(|na|n\/a|nan|null|none|m|-|–|\.|-99(99)?(\.9+|\.0+)?)$/i;
const MOST_LINES = 120_000;
const MOST_ISSUES = 200;
/** A maximum past this cannot be °C, and past that not °F either: then it is tenths of °C. */
const NOT_CELSIUS = 56;
const NOT_FAHRENHEIT = 135;
/** A year whose mean lies above this is no year in °C. */
const MEAN_NOT_CELSIUS = 36;
/** So many of the days the wrong way round, and it is the columns that are. */
const SWAPPED_FROM = 0.8;

export type WeatherUnit = "C" | "F" | "tenths";

/** A weather file, read. */
export interface WeatherTable {
  readonly years: readonly WeatherYear[];
  readonly days: number;
  readonly from: PlainDate;
  readonly to: PlainDate;
  /** Days between the first and the last that have no temperature. */
  readonly gaps: number;
  readonly unit: WeatherUnit;
  readonly unitFrom: "heading" | "values";
  readonly swapped: boolean;
}

interface Line {
  readonly line: number;
  readonly cells: readonly string[];
}

const issue = (code: WeatherIssueCode, line: number, values: WeatherIssue["values"] = {}): WeatherIssue => ({
  code,
  path: [line],
  values,
});
const shown = (text: string): string => (text.length > 30 ? `${text.slice(0, 30)}…` : text);

type Columns = Readonly<Record<Exclude<Column, "rain">, number> & { rain: number }>;

const looksLikeDay = (text: string): boolean => /^\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}|^\d{8}$/.test(text.trim());

/** Columns by their headings; without headings day, minimum, maximum and rain in that order. */
function columnsOf(head: readonly string[]): Columns | null {
  if (head.some(looksLikeDay)) {
    const date = head.findIndex(looksLikeDay);
    return head.length > date + 2
      ? { date, tmin: date + 1, tmax: date + 2, rain: head.length > date + 3 ? date + 3 : -1 }
      : null;
  }
  const find = (c: Column): number => head.findIndex((h) => HEADINGS[c].test(h.trim()));
  const found = { date: find("date"), tmin: find("tmin"), tmax: find("tmax"), rain: find("rain") };
  return found.date < 0 || found.tmin < 0 || found.tmax < 0 ? null : found;
}

/** Is the day or the month first? null when every line can be read both ways. */
function dayFirst(texts: readonly string[]): boolean | null {
  for (const t of texts) {
    const m = /^(\d{1,2})[-/.](\d{1,2})[-/.]\d{4}/.exec(t.trim());
    if (m && Number(m[1]) > 12) return true;
    if (m && Number(m[2]) > 12) return false;
  }
  return null;
}

type Day = PlainDate | "unclear" | null;

/** A day as written; "unclear" when day and month cannot be told apart. */
function readDay(text: string, first: boolean | null): Day {
  const t = text.trim();
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ].*)?$/.exec(t) ?? /^(\d{4})(\d{2})(\d{2})$/.exec(t);
  const other = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4})(?:[T ].*)?$/.exec(t);
  if (!iso && !other) return null;
  if (!iso && first === null) return "unclear";
  const [y, m, d] = iso
    ? [Number(iso[1]), Number(iso[2]), Number(iso[3])]
    : first === true
      ? [Number(other![3]), Number(other![2]), Number(other![1])]
      : [Number(other![3]), Number(other![1]), Number(other![2])];
  const real = m >= 1 && m <= 12 && d >= 1 && d <= daysInMonth(y, m) && y >= BOUNDS.year.from && y <= BOUNDS.year.to;
  return real ? makeDate(y, m, d) : null;
}

type Reading = number | null | "text";
/** A longer cell is no number. */
const LONGEST_NUMBER = 40;
const readNumber = (text: string | undefined): Reading => {
  const t = (text ?? "").trim();
  if (t.length > LONGEST_NUMBER) return "text";
  if (MISSING.test(t)) return null;
  const n = Number(t.replace(/,(?=\d+$)/, ".").replace(/\s*°?[CF]$/i, ""));
  return Number.isFinite(n) ? n : "text";
};

interface Read {
  readonly line: number;
  readonly on: PlainDate;
  readonly lo: number | null;
  readonly hi: number | null;
  readonly rain: number | null;
}

function readLines(lines: readonly Line[], c: Columns): { rows: Read[]; issues: WeatherIssue[] } {
  const first = dayFirst(lines.map((l) => l.cells[c.date] ?? ""));
  const rows: Read[] = [];
  const issues: WeatherIssue[] = [];
  for (const { line, cells } of lines) {
    const day = readDay(cells[c.date] ?? "", first);
    const read = [c.tmin, c.tmax, c.rain].map((i) => (i < 0 ? null : readNumber(cells[i])));
    const bad = [c.tmin, c.tmax, c.rain].find((_, i) => read[i] === "text");
    if (day === null) issues.push(issue("weather-day", line, { got: shown(cells[c.date] ?? "") }));
    else if (day === "unclear") issues.push(issue("weather-day-order", line, { got: shown(cells[c.date] ?? "") }));
    else if (bad !== undefined) issues.push(issue("weather-number", line, { got: shown(cells[bad] ?? "") }));
    else {
      const [lo, hi, rain] = read as (number | null)[];
      rows.push({ line, on: day, lo: lo ?? null, hi: hi ?? null, rain: rain ?? null });
    }
  }
  return { rows, issues };
}

/** Which unit the numbers are in: what the heading says, else what they can be. */
function unitOf(
  head: readonly string[],
  c: Columns,
  rows: readonly Read[],
): { unit: WeatherUnit; from: "heading" | "values" } {
  const heading = `${head[c.tmin] ?? ""} ${head[c.tmax] ?? ""}`;
  if (/°\s*F|deg_?f|\(f\)|_f\b|fahrenheit/i.test(heading)) return { unit: "F", from: "heading" };
  if (/°\s*C|deg_?c|\(c\)|_c\b|celsius/i.test(heading)) return { unit: "C", from: "heading" };
  const values = rows.flatMap((r) => [r.lo, r.hi].filter((x) => x !== null));
  const most = values.reduce((a, b) => Math.max(a, b), -Infinity);
  const mean = values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
  if (most > NOT_FAHRENHEIT) return { unit: "tenths", from: "values" };
  return { unit: most > NOT_CELSIUS || mean > MEAN_NOT_CELSIUS ? "F" : "C", from: "values" };
}

const TO_CELSIUS: Readonly<Record<WeatherUnit, (x: number) => number>> = {
  C: (x) => x,
  F: fahrenheit,
  tenths: (x) => x / 10,
};
const round = (x: number): number => Math.round(x * 10) / 10;

function checkedRows(rows: readonly Read[], today: PlainDate): WeatherIssue[] {
  const met = new Map<PlainDate, Read>();
  return rows.flatMap((r): WeatherIssue[] => {
    const before = met.get(r.on);
    met.set(r.on, r);
    if (before && (before.lo !== r.lo || before.hi !== r.hi))
      return [issue("weather-twice", r.line, { day: r.on, line: before.line })];
    if (r.on > today) return [issue("weather-future", r.line, { day: r.on, today })];
    const out = [r.lo, r.hi].find((x) => x !== null && (x < BOUNDS.dayC.from || x > BOUNDS.dayC.to));
    if (out !== undefined && out !== null) return [issue("weather-span", r.line, { got: round(out), ...BOUNDS.dayC })];
    if (r.rain !== null && r.rain > BOUNDS.rainMm.to)
      return [issue("weather-rain", r.line, { got: round(r.rain), ...BOUNDS.rainMm })];
    return r.lo !== null && r.hi !== null && r.lo > r.hi
      ? [issue("weather-reversed", r.line, { minC: round(r.lo), maxC: round(r.hi) })]
      : [];
  });
}

/** Days laid into their calendar years. */
export function inYears(rows: readonly Omit<Read, "line">[], source: WeatherYear["source"]): WeatherYear[] {
  const years = new Map<number, { lo: (number | null)[]; hi: (number | null)[]; rain: (number | null)[] }>();
  for (const r of rows) {
    const { year } = partsOf(r.on);
    let y = years.get(year);
    if (!y) {
      const none = (): null[] => Array.from({ length: isLeapYear(year) ? 366 : 365 }, () => null);
      years.set(year, (y = { lo: none(), hi: none(), rain: none() }));
    }
    const i = dayOfYear(r.on);
    y.lo[i] = r.lo === null ? null : round(r.lo);
    y.hi[i] = r.hi === null ? null : round(r.hi);
    y.rain[i] = r.rain === null ? null : round(Math.max(0, r.rain));
  }
  return [...years]
    .sort(([a], [b]) => a - b)
    .map(([year, y]) => ({ id: `weather-${year}`, year, source, tminC: y.lo, tmaxC: y.hi, rainMm: y.rain }));
}

/**
 * Reads a table of daily weather.
 * @param table lines of cells as a CSV reader gives them; headings may be missing
 * @param today days later than this are refused
 */
export function readWeather(
  table: readonly (readonly string[])[],
  today: PlainDate,
): Result<WeatherTable, WeatherIssueCode> {
  const lines = table
    .map((cells, i): Line => ({ line: i + 1, cells }))
    .filter((l) => l.cells.some((c) => c.trim() !== ""));
  const [head] = lines;
  if (!head) return refused([issue("weather-empty", 0)]);
  if (lines.length > MOST_LINES) return refused([issue("weather-long", 0, { lines: lines.length, most: MOST_LINES })]);
  const columns = columnsOf(head.cells);
  if (!columns) return refused([issue("weather-columns", head.line, { got: shown(head.cells.join(", ")) })]);
  const headed = !head.cells.some(looksLikeDay);
  const { rows, issues } = readLines(headed ? lines.slice(1) : lines, columns);
  const { unit, from: unitFrom } = unitOf(headed ? head.cells : [], columns, rows);
  const celsius = rows.map((r): Read => ({
    ...r,
    lo: r.lo === null ? null : TO_CELSIUS[unit](r.lo),
    hi: r.hi === null ? null : TO_CELSIUS[unit](r.hi),
  }));
  const both = celsius.filter((r) => r.lo !== null && r.hi !== null);
  const swapped = both.length > 0 && both.filter((r) => r.lo! > r.hi!).length > SWAPPED_FROM * both.length;
  const upright = swapped ? celsius.map((r): Read => ({ ...r, lo: r.hi, hi: r.lo })) : celsius;
  const all = [...issues, ...checkedRows(upright, today)].sort((a, b) => Number(a.path[0]) - Number(b.path[0]));
  if (all.length > 0) return refused(all.slice(0, MOST_ISSUES));
  const known = upright.filter((r) => r.lo !== null && r.hi !== null);
  if (known.length === 0) return refused([issue("weather-none", 0)]);
  const years = inYears(upright, "own");
  if (years.length > MOST.weather)
    return refused([issue("weather-years", 0, { years: years.length, most: MOST.weather })]);
  const days = known.map((r) => r.on).sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  const [from, to] = [days[0]!, days.at(-1)!];
  return ok({
    years,
    days: new Set(days).size,
    from,
    to,
    gaps: daysBetween(from, addDays(to, 1)) - new Set(days).size,
    unit,
    unitFrom,
    swapped,
  });
}
