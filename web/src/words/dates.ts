/** Dates as they are said. */
import { MONTH_NAMES, partsOf, weekdayOf, type PlainDate } from "@wren/core";
import { today } from "../data/clock.ts";

/**
 * Dates in English, whatever language the browser's own dates are in: they stand in English sentences. Nineteen words
 * are all that takes; the browser's formatter would take longer to make than all first answers, and a package for dates
 * would be a twentieth of the first screen's script.
 */
const FULL_DAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];
const WIDTHS = { long: Infinity, short: 3, narrow: 1 };
const MONTH_FIRST = typeof navigator !== "undefined" && /^en-(US|CA|PH)\b/.test(navigator.language);

/** Month 1–12 by name, by its first three letters, or by one. */
export const monthText = (month: number, width: keyof typeof WIDTHS): string =>
  MONTH_NAMES[month - 1]!.slice(0, WIDTHS[width]);

const dayAndMonth = (day: number, month: string): string => (MONTH_FIRST ? `${month} ${day}` : `${day} ${month}`);
const withYear = (d: PlainDate, width: keyof typeof WIDTHS): string => {
  const { year, month, day } = partsOf(d);
  return `${dayAndMonth(day, monthText(month, width))}${MONTH_FIRST ? "," : ""} ${year}`;
};

/** Said before, by date: writing a date out is slow, and a drag of the day writes the same few hundred again and again. */
const said = new Map<string, string>();
/** A date without its year while it is this year's. */
export function dateText(d: PlainDate | string): string {
  const plain = d as PlainDate;
  const isNear = partsOf(plain).year === partsOf(today()).year;
  const key = isNear ? d : `${d}!`;
  let text = said.get(key);
  if (text === undefined) {
    const { month, day } = partsOf(plain);
    text = isNear ? dayAndMonth(day, monthText(month, "long")) : withYear(plain, "short");
    said.set(key, text);
  }
  return text;
}
/** // => fullWeekday(date("2026-11-29")) is "Sunday" */
export const fullWeekday = (d: PlainDate): string => FULL_DAYS[weekdayOf(d)]!;
/** The days of a week by name, Sunday first. */
export const WEEKDAYS: readonly string[] = FULL_DAYS;
export function fullDate(d: PlainDate): string {
  return `${FULL_DAYS[weekdayOf(d)]!.slice(0, 3)}${MONTH_FIRST ? "," : ""} ${withYear(d, "long")}`;
}
