/** Dates as they are said. */
import { partsOf, type PlainDate } from "@wren/core";
import { format } from "date-fns/format";
import { today } from "../data/clock.ts";

/**
 * Dates in English, whatever language the browser's own dates are in: they stand in English sentences. The browser's
 * formatter would take longer to make than all first answers.
 */
const MONTH_FIRST = typeof navigator !== "undefined" && /^en-(US|CA|PH)\b/.test(navigator.language);
const [NEAR, FAR, FULL] = MONTH_FIRST
  ? ["MMMM d", "MMM d, yyyy", "EEE, MMMM d, yyyy"]
  : ["d MMMM", "d MMM yyyy", "EEE d MMMM yyyy"];

/** Noon: no clock is set forward over it. */
const at = (d: PlainDate): Date => {
  const { year, month, day } = partsOf(d);
  return new Date(year, month - 1, day, 12);
};

/** Month 1–12 by name, by its first three letters, or by one. */
export const monthText = (month: number, width: "long" | "short" | "narrow"): string =>
  format(new Date(2025, month - 1, 15), { long: "MMMM", short: "MMM", narrow: "MMMMM" }[width]);

/** Said before, by date: writing a date out is slow, and a drag of the day writes the same few hundred again and again. */
const said = new Map<string, string>();
/** A date without its year while it is this year's. */
export function dateText(d: PlainDate | string): string {
  const plain = d as PlainDate;
  const isNear = partsOf(plain).year === partsOf(today()).year;
  const key = isNear ? d : `${d}!`;
  let text = said.get(key);
  if (text === undefined) said.set(key, (text = format(at(plain), isNear ? NEAR : FAR)));
  return text;
}
export const fullDate = (d: PlainDate): string => format(at(d), FULL);
