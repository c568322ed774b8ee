/** What a calendar should remind of: the next windows, what is planned, what waits to be seen. Dates only; texts and files are made outside. */
import { addDays, daysBetween, partsOf, type PlainDate } from "../calendar/index.ts";
import { VERDICT_TABLE, type Task } from "../model/index.ts";
import { allFollowUps, type FollowUp } from "../plans/index.ts";
import { programmePlans, stepDay, type ProgrammeStep } from "../outlook/index.ts";
import { adviseOn, type Advice, type Reason } from "../advice/index.ts";
import type { GardenModel } from "../garden/index.ts";
import type { Days } from "../units/index.ts";

/** An all-day event for a calendar. */
export interface Reminder {
  /** The same reminder keeps its id from one export to the next, also when its dates move. */
  readonly uid: string;
  readonly kind: "window" | "planned" | "look-for" | "next-step" | "years";
  readonly plantId: string;
  /** null: a look, or something that is no cut. */
  readonly task: Task | null;
  readonly from: PlainDate;
  /** Last day, itself included. */
  readonly until: PlainDate;
  readonly alarmDaysBefore: Days;
  readonly reason: Reason | null;
  readonly followUp: FollowUp | null;
  /** Of what was begun for years. */
  readonly step: ProgrammeStep | null;
}

/** A window that stays open longer than this is no reminder. */
const LONGEST: Days = 150;
/** A look is worth so many days when only its expected day is known. */
const LOOK: Days = 14;

const uid = (model: GardenModel, ...parts: readonly string[]): string => [model.garden.id, ...parts].join("-");

/** The window that is open or opens next, while it has an end. */
function windowReminder(model: GardenModel, a: Advice): readonly Reminder[] {
  if (!a.window?.closes || !a.window.opens || a.task === "leave") return [];
  const from = a.window.opens < a.on ? a.on : a.window.opens;
  const { closes } = a.window;
  if (closes < from || daysBetween(from, closes) > LONGEST || a.verdict === "ask-a-pro" || a.verdict === "never")
    return [];
  // The year a window closes in names it: its opening may lie before New Year.
  const year = String(partsOf(closes).year);
  const reason = VERDICT_TABLE[a.verdict].go ? a.reasons[0]! : null;
  return [
    {
      uid: uid(model, a.plantId, a.task, year),
      kind: "window",
      plantId: a.plantId,
      task: a.task,
      from,
      until: closes,
      alarmDaysBefore: 3,
      reason,
      followUp: null,
      step: null,
    },
  ];
}

/** What waits to be seen, about the day it is expected. */
function lookReminder(model: GardenModel, a: Advice): readonly Reminder[] {
  const [first] = a.reasons;
  if (a.verdict !== "wait" || !first) return [];
  const year = String(partsOf(a.on).year);
  const at = (from: PlainDate, until: PlainDate): readonly Reminder[] => [
    {
      uid: uid(model, a.plantId, "look", year),
      kind: "look-for",
      plantId: a.plantId,
      task: a.task,
      from: from < a.on ? a.on : from,
      until,
      alarmDaysBefore: 0,
      reason: first,
      followUp: null,
      step: null,
    },
  ];
  if (a.opening?.by !== "seen") return [];
  const { expected } = a.opening;
  if (expected !== null && expected > a.on) {
    const spread = a.window?.spreadDays ?? LOOK;
    return at(addDays(expected, 0 - spread), addDays(expected, spread));
  }
  return at(a.on, a.opening.latest ?? addDays(a.on, LOOK));
}

/** Everything worth a reminder in the year after a day, by day; empty when there is nothing. */
export function remindersOf(model: GardenModel, on: PlainDate): readonly Reminder[] {
  const planned = model.garden.plans
    .filter((p) => p.on >= on)
    .map((p): Reminder => ({
      uid: uid(model, "plan", p.id),
      kind: "planned",
      plantId: p.plantId,
      task: p.task,
      from: p.on,
      until: p.on,
      alarmDaysBefore: 1,
      reason: null,
      followUp: null,
      step: null,
    }));
  const steps = allFollowUps(model, on)
    .filter((f) => f.until >= on)
    .map((f): Reminder => ({
      uid: uid(model, f.plantId, f.id),
      kind: "next-step",
      plantId: f.plantId,
      task: f.task,
      from: f.from < on ? on : f.from,
      until: f.until,
      alarmDaysBefore: 0,
      reason: null,
      followUp: f,
      step: null,
    }));
  const years = programmePlans(model, on).flatMap((p) =>
    p.steps.map((step): Reminder => {
      const day = stepDay(step);
      return {
        uid: uid(model, "years", step.id),
        kind: "years",
        plantId: step.plantId,
        task: step.task,
        from: day < on ? on : day,
        until: addDays(day < on ? on : day, step.due.by === "seen" ? LOOK : 0),
        alarmDaysBefore: step.due.by === "seen" ? 0 : 1,
        reason: null,
        followUp: null,
        step,
      };
    }),
  );
  const coming = model.garden.plants.flatMap((p) => {
    const a = adviseOn(model, p.id, on);
    return [...windowReminder(model, a), ...lookReminder(model, a)];
  });
  const year = addDays(on, 365);
  return [...planned, ...steps, ...years, ...coming]
    .filter((r) => r.from <= year)
    .sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : a.uid < b.uid ? -1 : 1));
}
