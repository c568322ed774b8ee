/** Reminders as a calendar file (RFC 5545): all-day events with alarms, by a standard generator. */
import {
  addDays,
  CHAIN_TEXTS,
  daysBetween,
  followUpText,
  PROGRAMME_TEXTS,
  reasonText,
  stemsText,
  stepDueText,
  stepText,
  TASK_TABLE,
  type GardenModel,
  type PlainDate,
  type Reminder,
  type Voice,
} from "@wren/core";
import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventTransparency } from "ical-generator";

/** Dates without a time: the generator reads the day of an all-day event in UTC, wherever the browser stands. */
const utcMidnight = (d: PlainDate): Date => new Date(`${d}T00:00:00Z`);
/** Later exports carry a higher number, counted from here. */
export const EPOCH = "2020-01-01" as PlainDate;
const DAY_S = 86_400;
/** Alarms ring at eight in the morning. */
const EIGHT_S = 8 * 3600;

/** Characters that a calendar may not carry; a line break is told by the generator. */
// eslint-disable-next-line no-control-regex
const CONTROL = /[\u0000-\u0008\u000b-\u001f\u007f]/g;
/** A text as a calendar may carry it. */
export const clean = (text: string): string => text.replace(/\r\n?/g, "\n").replace(CONTROL, "");
/** The generator writes a calendar's name as it is given: here it is made one line of TEXT (RFC 5545, 3.3.11). */
export const nameText = (name: string): string =>
  clean(name)
    .replace(/\s+/g, " ")
    .replace(/[\\;,]/g, "\\$&");

const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);

function textsOf(
  r: Reminder,
  model: GardenModel,
  say: Voice,
): { readonly summary: string; readonly description: string } {
  const { label } = model.plant(r.plantId);
  const task = r.task === null ? "" : TASK_TABLE[r.task].label;
  const because = r.reason === null ? "" : ` ${reasonText(r.reason, say)}`;
  switch (r.kind) {
    case "years":
      return {
        summary: r.step ? `${label}: ${PROGRAMME_TEXTS[r.step.way].title.toLowerCase()}` : label,
        description: r.step ? `${stepText(r.step, say, stemsText(say))}. ${capital(stepDueText(r.step, say))}.` : "",
      };
    case "planned":
      return { summary: `${task}: ${label}`, description: `Planned.${because}` };
    case "window":
      return {
        summary: `${label}: ${task.toLowerCase()} may be done`,
        description: `Open until ${say.date(r.until)}, give or take.${because}`,
      };
    case "trim":
      return {
        summary: `${label}: trim`,
        description: `Its day lies between ${say.date(r.from)} and ${say.date(r.until)}.`,
      };
    case "look-for":
      return { summary: `Look at ${label}`, description: because.trim() };
    case "next-step":
      return {
        summary: r.followUp ? `${label}: ${CHAIN_TEXTS[r.followUp.chain].title.toLowerCase()}` : label,
        description: r.followUp ? followUpText(r.followUp, say) : "",
      };
  }
}

/**
 * The calendar file's text. Ids stay the same from export to export, so that importing again moves events
 * instead of doubling them.
 * @param on day of the export; later exports carry a higher sequence
 */
export function calendarFile(
  reminders: readonly Reminder[],
  model: GardenModel,
  say: Voice,
  on: PlainDate,
  now: Date,
): string {
  const calendar = ical({
    name: nameText(model.garden.name),
    prodId: { company: "Wren Song", product: "reminders", language: "EN" },
  });
  calendar.method(null as unknown as ICalCalendarMethod);
  for (const r of reminders) {
    const texts = textsOf(r, model, say);
    const [summary, description] = [clean(texts.summary), clean(texts.description)];
    const event = calendar.createEvent({
      id: `${r.uid}@wren-song`,
      sequence: Math.max(0, daysBetween(EPOCH, on)),
      stamp: now,
      allDay: true,
      start: utcMidnight(r.from),
      // The end of an all-day event is the day after its last.
      end: utcMidnight(addDays(r.until, 1)),
      summary,
      description,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
    event.createAlarm({
      type: ICalAlarmType.display,
      triggerBefore: r.alarmDaysBefore * DAY_S - EIGHT_S,
      description: summary,
    });
  }
  // Every line ends so, the last one too.
  return `${calendar.toString().replace(/(\r\n)+$/, "")}\r\n`;
}
