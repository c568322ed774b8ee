/** What a calendar should remind of: what is due in the year to come. Dates only; texts and files are made outside. */
import { addDays, type PlainDate } from "../calendar/index.ts";
import type { GardenModel } from "../garden/index.ts";
import type { Days } from "../units/index.ts";
import { allDue, type Due } from "../workdays/index.ts";

/** An all-day event for a calendar. */
export interface Reminder extends Due {
  readonly alarmDaysBefore: Days;
}

/** So long before its day one is told of it; what has to be seen has no day. */
const alarm = (d: Due): Days => {
  switch (d.kind) {
    case "window":
    case "trim":
      return 3;
    case "planned":
      return 1;
    case "years":
      return d.step?.due.by === "seen" ? 0 : 1;
    default:
      return 0;
  }
};

/** Everything worth a reminder in the year after a day, by day; empty when there is nothing. */
export function remindersOf(model: GardenModel, on: PlainDate): readonly Reminder[] {
  const year = addDays(on, 365);
  return allDue(model, on)
    .filter((d) => d.until >= on && d.from <= year)
    .map((d) => ({ ...d, alarmDaysBefore: alarm(d) }));
}
