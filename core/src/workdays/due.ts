/**
 * What is due: one shape for what was planned, what follows from earlier cuts, what was begun for years, the trims of
 * hedges, windows, and what waits to be seen. Today, the year, reminders and work days all read it.
 */
import { adviseOn, type Advice, type Reason } from "../advice/index.ts";
import { addDays, daysBetween, partsOf, type PlainDate } from "../calendar/index.ts";
import type { GardenModel } from "../garden/index.ts";
import { hedgeStands, hedgeTrims, nextTrims } from "../hedges/index.ts";
import { VERDICT_TABLE, type PlannedCut, type Task } from "../model/index.ts";
import { nextProgrammeSteps, programmePlans, stepDay, type ProgrammeStep } from "../outlook/index.ts";
import { allFollowUps, type FollowUp } from "../plans/index.ts";
import type { Days } from "../units/index.ts";

/** Where what is due comes from. */
export type DueKind = "planned" | "next-step" | "years" | "trim" | "window" | "look-for";

/** Something due at a plant, with its days. */
export interface Due {
  /** The same from one day to the next, also when its dates move. */
  readonly uid: string;
  readonly kind: DueKind;
  readonly plantId: string;
  /** null: a look, or something that is no cut. */
  readonly task: Task | null;
  readonly from: PlainDate;
  /** Last day, itself included. */
  readonly until: PlainDate;
  /** Its days have gone by. */
  readonly late: boolean;
  readonly reason: Reason | null;
  readonly plan: PlannedCut | null;
  readonly followUp: FollowUp | null;
  /** Of what was begun for years. */
  readonly step: ProgrammeStep | null;
}

/** A window that stays open longer than this is no date. */
const LONGEST: Days = 150;
/** A look is worth so many days when only its expected day is known. */
const LOOK: Days = 14;
/** A trim may be made so long before and after its day. */
const AROUND_TRIM: Days = 14;

const BARE = { reason: null, plan: null, followUp: null, step: null, late: false } as const;
const uid = (model: GardenModel, ...parts: readonly string[]): string => [model.garden.id, ...parts].join("-");
const later = (a: PlainDate, b: PlainDate): PlainDate => (a > b ? a : b);

const planned = (model: GardenModel, on: PlainDate): readonly Due[] =>
  model.garden.plans.map((plan) => ({
    ...BARE,
    uid: uid(model, "plan", plan.id),
    kind: "planned",
    plantId: plan.plantId,
    task: plan.task,
    from: plan.on,
    until: plan.on,
    late: plan.on < on,
    plan,
  }));

const followUps = (model: GardenModel, on: PlainDate): readonly Due[] =>
  allFollowUps(model, on).map((followUp) => ({
    ...BARE,
    uid: uid(model, followUp.plantId, followUp.id),
    kind: "next-step",
    plantId: followUp.plantId,
    task: followUp.task,
    from: later(followUp.from, on),
    until: followUp.until,
    late: followUp.state === "overdue",
    followUp,
  }));

const years = (model: GardenModel, on: PlainDate): readonly Due[] =>
  programmePlans(model, on).flatMap((p) =>
    p.steps.map((step): Due => {
      const day = later(stepDay(step), on);
      return {
        ...BARE,
        uid: uid(model, "years", step.id),
        kind: "years",
        plantId: step.plantId,
        task: step.task,
        from: day,
        until: addDays(day, step.due.by === "seen" ? LOOK : 0),
        late: step.overdue,
        step,
      };
    }),
  );

/** The window that is open or opens next, while it has an end. */
function windowDue(model: GardenModel, a: Advice): readonly Due[] {
  if (!a.window?.closes || !a.window.opens || a.task === "leave") return [];
  const from = later(a.window.opens, a.on);
  const { closes } = a.window;
  if (closes < from || daysBetween(from, closes) > LONGEST || a.verdict === "ask-a-pro" || a.verdict === "never")
    return [];
  // The year a window closes in names it: its opening may lie before New Year.
  const year = String(partsOf(closes).year);
  const reason = VERDICT_TABLE[a.verdict].go ? a.reasons[0]! : null;
  const id = uid(model, a.plantId, a.task, year);
  return [{ ...BARE, uid: id, kind: "window", plantId: a.plantId, task: a.task, from, until: closes, reason }];
}

/** What waits to be seen, about the day it is expected. */
function lookDue(model: GardenModel, a: Advice): readonly Due[] {
  const [first] = a.reasons;
  if (a.verdict !== "wait" || !first || a.opening?.by !== "seen") return [];
  const id = uid(model, a.plantId, "look", String(partsOf(a.on).year));
  const at = (from: PlainDate, until: PlainDate): readonly Due[] => [
    {
      ...BARE,
      uid: id,
      kind: "look-for",
      plantId: a.plantId,
      task: a.task,
      from: later(from, a.on),
      until,
      reason: first,
    },
  ];
  const { expected } = a.opening;
  if (expected !== null && expected > a.on) {
    const spread = a.window?.spreadDays ?? LOOK;
    return at(addDays(expected, 0 - spread), addDays(expected, spread));
  }
  return at(a.on, a.opening.latest ?? addDays(a.on, LOOK));
}

/** What was planned, what follows, what was begun: told by the records, without a question to a single plant. */
export const stepsDue = (model: GardenModel, on: PlainDate): readonly Due[] => [
  ...planned(model, on),
  ...followUps(model, on),
  ...years(model, on),
];

/** What follows from earlier cuts and what was begun for years, as far as its day is near or past. */
export function dueNow(model: GardenModel, on: PlainDate): readonly Due[] {
  const begun = new Set(nextProgrammeSteps(model, on).map((s) => s.id));
  return [...followUps(model, on), ...years(model, on)].filter((d) =>
    d.step === null ? d.followUp!.state !== "coming" : begun.has(d.step.id),
  );
}

/** Windows of the plants' own tasks, and what waits to be seen. */
export const windowsDue = (model: GardenModel, on: PlainDate): readonly Due[] =>
  model.garden.plants.flatMap((p) => {
    const a = adviseOn(model, p.id, on);
    return [...windowDue(model, a), ...lookDue(model, a)];
  });

/** The next trims of the hedges, about their days. */
export const trimsDue = (model: GardenModel, on: PlainDate): readonly Due[] =>
  model.garden.hedges.flatMap((hedge) => {
    const stands = hedgeStands(model, hedge, on);
    return nextTrims(model, hedgeTrims(model, stands, on), on).map((day, i): Due => ({
      ...BARE,
      uid: uid(model, hedge.plantId, "trim", String(partsOf(day).year), String(i + 1)),
      kind: "trim",
      plantId: hedge.plantId,
      task: stands.task,
      from: later(addDays(day, 0 - AROUND_TRIM), on),
      until: addDays(day, AROUND_TRIM),
    }));
  });

const byDay = (a: Due, b: Due): number => (a.from < b.from ? -1 : a.from > b.from ? 1 : a.uid < b.uid ? -1 : 1);

/** Everything due from a day on, by day. A hedge's trims stand for the window that they lie in. */
export function allDue(model: GardenModel, on: PlainDate): readonly Due[] {
  const trims = trimsDue(model, on);
  const trimmed = new Set(trims.map((d) => `${d.plantId} ${d.task}`));
  const windows = windowsDue(model, on).filter((d) => d.kind !== "window" || !trimmed.has(`${d.plantId} ${d.task}`));
  return [...stepsDue(model, on), ...trims, ...windows].toSorted(byDay);
}
