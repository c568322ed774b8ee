/** The garden's reminders as a calendar, for the archive; null where nothing is due. */
import { remindersOf, type GardenModel, type Voice } from "@wren/core";
import { calendarFile } from "../../data/calendarFile.ts";
import { now, today } from "../../data/clock.ts";

export function calendarOf(model: GardenModel, say: Voice): string | null {
  const reminders = remindersOf(model, today());
  return reminders.length === 0 ? null : calendarFile(reminders, model, say, today(), now());
}
