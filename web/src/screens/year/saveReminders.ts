/** The calendar file, made when it is asked for: its generator is fetched only then. */
import { remindersOf, type GardenModel, type PlainDate } from "@wren/core";
import { now } from "../../data/clock.ts";
import { download } from "../../data/download.ts";
import { voiceFor } from "../../state/voice.ts";

/** Resolves to what is in the way, or null when the file was handed out. An empty calendar is not valid, so none is written. */
export async function saveReminders(model: GardenModel, on: PlainDate): Promise<string | null> {
  const reminders = remindersOf(model, on);
  if (reminders.length === 0) return "There is nothing to be reminded of in the coming year.";
  const { calendarFile } = await import("../../data/calendarFile.ts");
  download(
    `reminders-${on}.ics`,
    calendarFile(reminders, model, voiceFor(model.garden.rules.units), on, now()),
    "text/calendar",
  );
  return null;
}
