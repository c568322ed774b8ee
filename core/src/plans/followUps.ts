/** What follows from what was done: the next steps of every chain that a plant's visits have started. */
import { addDays, daysBetween, nextSeasonDate, type PlainDate } from "../calendar/index.ts";
import type { Plant, Task, Visit, Watched } from "../model/index.ts";
import { giveOrTake, growthDone, type PlantYear } from "../phenology/index.ts";
import { plantsYear, type GardenModel } from "../garden/index.ts";
import type { Days } from "../units/index.ts";
import { CHAINS, type Chain, type ChainId, type Due } from "./chains.ts";

/** A step that follows from a visit, with its days. */
export interface FollowUp {
  readonly id: string;
  readonly plantId: string;
  readonly chain: ChainId;
  readonly task: Task | null;
  /** What opens it when seen; null once it was seen, or when the date does. */
  readonly watched: Watched | null;
  readonly from: PlainDate;
  readonly until: PlainDate;
  /** The day of the visit that it follows. */
  readonly since: PlainDate;
  readonly state: "coming" | "due" | "overdue";
}

/** A step is dropped so long after its last day, except a trial: that is judged. */
const LET_GO_DAYS: Days = 60;
/** Once what was waited for is seen, the task has so many days. */
const AFTER_SEEN_DAYS: Days = 21;
/** A step may be done a little before it is due. */
const EARLY_DAYS: Days = 30;

type Span = readonly [from: PlainDate, until: PlainDate];

/** The first day of a stage after a date. */
const nextStage = (model: GardenModel, day: number, after: PlainDate): PlainDate =>
  nextSeasonDate(day, after, model.climate.hemisphere);

/** Day of the cycle by which shoots have a length, at the kind's usual growth. */
function dayOfLength(year: PlantYear, growthM: number, lengthM: number): number {
  let day = year.wakes.day;
  while (day < year.stops.day && growthDone(year, day) * growthM < lengthM) day++;
  return day;
}

function spanOf(model: GardenModel, plant: Plant, visit: Visit, due: Due, asOf: PlainDate): Span | null {
  const taxon = model.taxonOf(plant);
  const year = plantsYear(model, plant, asOf);
  const around = (on: PlainDate, from: Days, to: Days): Span => [addDays(on, from), addDays(on, to)];
  switch (due.by) {
    case "days":
      return around(visit.on, due.from, due.to);
    case "stage":
      // A stage whose days are still running when the visit falls is the one that is meant.
      return around(
        nextStage(model, year[due.stage].day, addDays(visit.on, due.after ?? 0 - Math.max(0, due.to))),
        due.from,
        due.to,
      );
    case "bloom": {
      const main = year.displays.find((d) => d.display.weight >= 0.5);
      return main ? around(nextStage(model, main.opens.day, visit.on), due.from, due.to) : null;
    }
    case "shoots": {
      // Cut before or just after waking, its shoots come with this season's growth.
      const wakes = nextStage(model, year.wakes.day, addDays(visit.on, -45));
      const length = dayOfLength(year, taxon.growthM[1], due.lengthM) - year.wakes.day;
      const half = Math.round(giveOrTake(year.wakes));
      const late = addDays(wakes, Math.round(model.climate.warmestDay - year.wakes.day) + 20);
      return [addDays(wakes, Math.round(length) - half), late];
    }
    case "deadline":
      return visit.trialUntil && [nextStage(model, year.wakes.day, visit.on), visit.trialUntil];
  }
}

/** Trims are twice a year only by the school that says so. */
const bySchool = (model: GardenModel, plant: Plant, chain: Chain): boolean =>
  chain.id !== "second-trim" || model.schooling(plant, model.taxonOf(plant)).trims === 2;

/** The plants that were its rooted branches. */
export const youngOf = (model: GardenModel, plant: Plant): readonly Plant[] =>
  model.garden.plants.filter((p) => p.parentId === plant.id);

/** @param past the plant's visits up to the day */
function stepOf(
  model: GardenModel,
  plant: Plant,
  past: readonly Visit[],
  chain: Chain,
  on: PlainDate,
): FollowUp | null {
  const taxon = model.taxonOf(plant);
  const starts = past.filter((v) => (chain.after === "any" || chain.after.includes(v.task)) && chain.when(v, taxon));
  const visit = starts.at(-1);
  if (!visit || !bySchool(model, plant, chain)) return null;
  // What was begun for years says its own next step.
  if (chain.id === "next-third" && model.garden.programmes.some((p) => p.plantId === plant.id && p.on <= on))
    return null;
  const inARow = starts.filter((v) => daysBetween(v.on, visit.on) < chain.times * 500).length;
  const repeats = chain.task !== null && chain.after !== "any" && chain.after.includes(chain.task);
  if (repeats && chain.times > 1 && inARow >= chain.times) return null;
  // The second of two trims in a season does not ask for a third.
  if (chain.id === "second-trim" && starts.some((v) => v !== visit && daysBetween(v.on, visit.on) < 150)) return null;
  const span = spanOf(model, plant, visit, chain.due, on);
  if (!span) return null;
  const [from, until] = span;
  const done = past.some(
    (v) => v !== visit && v.on > visit.on && chain.doneBy.includes(v.task) && daysBetween(v.on, from) <= EARLY_DAYS,
  );
  const seen = model.observationsOf(plant.id).filter((o) => o.on > visit.on && o.on <= on);
  const found = chain.watched === null ? undefined : seen.find((o) => o.kind === chain.watched);
  const lifted = chain.id === "layers-lift" && youngOf(model, plant).some((p) => (p.plantedOn ?? "") >= visit.on);
  const judged = chain.id === "trial" && seen.some((o) => o.kind === "regrowth-clean" || o.kind === "regrowth-poor");
  if (done || judged || lifted || (chain.id !== "trial" && on > addDays(until, LET_GO_DAYS))) return null;
  const base = { id: `${chain.id}-${visit.id}`, plantId: plant.id, chain: chain.id, task: chain.task, since: visit.on };
  if (found && chain.task !== null) {
    const last = addDays(found.on, AFTER_SEEN_DAYS);
    return { ...base, watched: null, from: found.on, until: last, state: on > last ? "overdue" : "due" };
  }
  const state = on < from ? "coming" : on > until ? "overdue" : "due";
  return { ...base, watched: chain.watched, from, until, state };
}

/** The next steps of a plant, soonest first; empty when nothing follows. */
export function followUpsOf(model: GardenModel, plant: Plant, on: PlainDate): readonly FollowUp[] {
  const past = model.visitsOf(plant.id).filter((v) => v.on <= on);
  // Every step follows a visit; most plants of a garden have none of late, and a list asks them all.
  if (past.length === 0) return [];
  return CHAINS.flatMap((c) => stepOf(model, plant, past, c, on) ?? []).sort((a, b) =>
    a.from < b.from ? -1 : a.from > b.from ? 1 : 0,
  );
}

/** The next steps of the whole garden. */
export const allFollowUps = (model: GardenModel, on: PlainDate): readonly FollowUp[] =>
  model.garden.plants.flatMap((p) => followUpsOf(model, p, on));
