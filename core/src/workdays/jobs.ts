/** Jobs: what is due within some days, each once, with its minutes, its pieces and what has to come before it. */
import { addDays, type PlainDate } from "../calendar/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import { hedgeStands, hedgeTo, leftToTrimM, wantedSection } from "../hedges/index.ts";
import { minutesFor } from "../jobsite/index.ts";
import type { Plant, Task } from "../model/index.ts";
import type { Days } from "../units/index.ts";
import { HEAVY_TASKS, LEFT_UNDONE, WORKDAY_ASSUMPTIONS } from "./assumptions.ts";
import type { Job, JobMinutes } from "./job.ts";
import { leastAfter } from "./jobPrice.ts";
import { allDue, type Due, type DueKind } from "./due.ts";

/** Of two dues for the same task at a plant the one that was meant most counts. */
const RANK: readonly DueKind[] = ["planned", "years", "next-step", "trim", "window", "look-for"];
/** Something planned may be done so long before and after its day, while its window lets it. */
const AROUND_PLAN: Days = 21;
/** What is late may still be done for so long. */
const LATE: Days = 60;

/** The order at a plant: what is dead first, stems before ends, tops before the foot. */
const FIRST: readonly Task[] = [
  "dead-only",
  "renovate",
  "hard-cutback",
  "thin",
  "reduce-for-wind",
  "shape",
  "shear",
  "candle",
  "tip",
  "deadhead",
  "lift",
  "thin-suckers",
];
/** Where a task stands in the order at a plant; looks come last. */
export const taskRank = (task: Task | null): number => (task === null ? FIRST.length : FIRST.indexOf(task));

/** What opens when it is seen is a look until then. */
const waitsToBeSeen = (due: Due): boolean =>
  due.kind === "look-for" || (due.followUp?.watched ?? null) !== null || due.step?.due.by === "seen";

/** The days of a due; a planned one may move about its day unless it was fixed there. */
function daysOf(due: Due, on: PlainDate): readonly [PlainDate, PlainDate] {
  if (due.plan?.fixed === true && due.plan.on >= on) return [due.plan.on, due.plan.on];
  const around = due.kind === "planned" || due.kind === "years" ? AROUND_PLAN : 0;
  const from = addDays(due.from, 0 - around);
  const until = due.late ? addDays(on, LATE) : addDays(due.until, around);
  return [from < on ? on : from, until];
}

function minutesOf(model: GardenModel, plant: Plant, task: Task | null, on: PlainDate): JobMinutes {
  const hedge = model.garden.hedges.find((h) => h.plantId === plant.id);
  if (task === null) {
    const [low, usual, high] = WORKDAY_ASSUMPTIONS.lookMinutes;
    return { low, usual, high, from: "look" };
  }
  const stands = hedge && hedgeStands(model, hedge, on);
  if (stands?.task !== task) return minutesFor(model, plant, task, on);
  const left = (leftToTrimM(stands) ?? stands.lengthM) / stands.lengthM;
  const { trimMinutes, ownMinutes } = hedgeTo(model, stands, wantedSection(stands));
  const [low, high] = [trimMinutes[0] * left, trimMinutes[1] * left];
  return { low, usual: Math.sqrt(low * high), high, from: ownMinutes ? "log" : "hedge" };
}

/** A hedge and long work may be left and gone on with another day. */
function piecesOf(minutes: JobMinutes): number {
  const a = WORKDAY_ASSUMPTIONS;
  return minutes.usual <= a.pieceMinutes * 1.5 ? 1 : Math.ceil(minutes.usual / a.pieceMinutes);
}

/**
 * The jobs of a garden whose days meet those from a day on.
 * @param days how many days are looked at, the first among them
 */
export function jobsOf(model: GardenModel, on: PlainDate, days: Days): readonly Job[] {
  const last = addDays(on, days - 1);
  const best = new Map<string, { readonly due: Due; readonly span: readonly [PlainDate, PlainDate] }>();
  for (const due of allDue(model, on)) {
    const span = daysOf(due, on);
    if (due.task === "leave" || span[0] > last || span[1] < on) continue;
    // A look is no cut: it stands beside the task it waits for. Next year's step of the same programme is another job.
    const key = waitsToBeSeen(due) ? due.uid : `${due.plantId} ${due.task ?? due.uid}`;
    const met = best.get(key);
    if (!met || RANK.indexOf(due.kind) < RANK.indexOf(met.due.kind)) best.set(key, { due, span });
  }
  const rows = [...best.values()].map(({ due, span }): Omit<Job, "after"> => {
    const task = waitsToBeSeen(due) ? null : due.task;
    const minutes = minutesOf(model, model.plant(due.plantId), task, on);
    return {
      id: due.uid,
      due,
      plantId: due.plantId,
      task,
      minutes,
      pieces: piecesOf(minutes),
      heavy: task !== null && HEAVY_TASKS.has(task),
      from: span[0],
      until: span[1],
      undone: LEFT_UNDONE[due.kind],
    };
  });
  const priced = rows.map((r): Omit<Job, "after"> => {
    if (r.until <= last) return r;
    // What may wait is done on a later day at that day's price; where later days are closed or dearer, waiting is no way out.
    const later = leastAfter(model, { ...r, after: [] }, last);
    return {
      ...r,
      undone: later === null ? r.undone : Math.min(r.undone, r.undone * WORKDAY_ASSUMPTIONS.mayWait + later),
    };
  });
  return priced.map((r) => ({
    ...r,
    after: rows
      .filter((x) => x.plantId === r.plantId && x !== r && r.task !== null && taskRank(x.task) < taskRank(r.task))
      .map((x) => x.id),
  }));
}

/** How tall a job's plant stands, for what has to be reached. */
export const jobHeightM = (model: GardenModel, job: Job, on: PlainDate): number =>
  heightOf(model, model.plant(job.plantId), on).heightM;
