/** The command line's one look at the clock: today by local time. */
import { makeDate, type PlainDate } from "@wren/core";

export function today(): PlainDate {
  const now = new Date();
  return makeDate(now.getFullYear(), now.getMonth() + 1, now.getDate());
}
