/** The web application's one look at the clock. */
import { makeDate, type PlainDate } from "@wren/core";

export function today(): PlainDate {
  const now = new Date();
  return makeDate(now.getFullYear(), now.getMonth() + 1, now.getDate());
}

/** Milliseconds since the epoch, for ordering changes only. */
export const stamp = (): number => Date.now();

/** The moment, where a file has to carry one. */
export const now = (): Date => new Date();
