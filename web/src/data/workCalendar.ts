/** The half-days of a plan as a calendar file: one event each, with its jobs. */
import {
  daysBetween,
  inHalf,
  namedJobText,
  partsOf,
  type GardenModel,
  type PlainDate,
  type WorkPlan,
} from "@wren/core";
import { clean, EPOCH, nameText } from "./calendarFile.ts";
import ical, { type ICalCalendarMethod } from "ical-generator";

/** Clock time without a zone: it is the gardener's own. */
function at(on: PlainDate, minute: number): Date {
  const { year, month, day } = partsOf(on);
  return new Date(year, month - 1, day, 0, Math.round(minute / 5) * 5);
}

/** @param today day of the export; later exports carry a higher sequence */
export function workCalendar(model: GardenModel, plan: WorkPlan, today: PlainDate, now: Date): string {
  const calendar = ical({
    name: nameText(model.garden.name),
    prodId: { company: "Wren Song", product: "work days", language: "EN" },
  });
  calendar.method(null as unknown as ICalCalendarMethod);
  plan.halves.forEach((half, h) => {
    const jobs = inHalf(plan, h);
    if (jobs.length === 0) return;
    const minutes = jobs.reduce((s, j) => s + j.minutes, 0);
    calendar.createEvent({
      id: `${model.garden.id}-${half.id}@wren-song`,
      sequence: Math.max(0, daysBetween(EPOCH, today)),
      stamp: now,
      floating: true,
      start: at(half.on, half.startMin),
      end: at(half.on, half.startMin + minutes),
      summary: `Garden: ${jobs.length} ${jobs.length === 1 ? "job" : "jobs"}`,
      description: clean(jobs.map((j) => namedJobText(model, j.job)).join("\n")),
    });
  });
  return `${calendar.toString().replace(/(\r\n)+$/, "")}\r\n`;
}
