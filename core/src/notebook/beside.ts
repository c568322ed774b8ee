/** What was expected beside what happened: each record is asked of the garden as it was known the day before. */
import { heightOf, measuredOn, openGarden, plantsYear, type GardenModel } from "../garden/index.ts";
import { shareOfVisit } from "../amount/index.ts";
import { daysBetween, seasonDate, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import { minutesFor } from "../jobsite/index.ts";
import { TASK_TABLE, type Garden, type Observation, type Plant, type Task, type Visit } from "../model/index.ts";
import { isFlowers, type DisplayYear, type Stage } from "../phenology/index.ts";
import type { Days } from "../units/index.ts";

/** What of a record can be held against what was expected. */
export const COMPARED = ["day", "share", "minutes", "height", "bloom", "leaf", "over"] as const;
export type ComparedWhat = (typeof COMPARED)[number];

/** One quantity of one record: expected low, usual and high, and what it was. Days are counted from the expected one. */
export interface Compared {
  readonly what: ComparedWhat;
  readonly plantId: string;
  readonly recordId: string;
  readonly task: Task | null;
  readonly on: PlainDate;
  /** For days: 0 is the day that was meant or expected. */
  readonly expected: readonly [low: number, usual: number, high: number];
  readonly expectedOn: PlainDate | null;
  readonly was: number;
  /** Inside the range; null where a range was not given. */
  readonly held: boolean | null;
}

/** How often the ranges of eight in ten held. */
export interface Held {
  readonly what: ComparedWhat;
  readonly held: number;
  readonly of: number;
}

/** The garden as it was known before a day: what was recorded on it or later is not there. */
export function gardenBefore(g: Garden, day: PlainDate): Garden {
  const before = <T extends { readonly on: PlainDate }>(rows: readonly T[]): T[] => rows.filter((r) => r.on < day);
  return {
    ...g,
    visits: before(g.visits),
    observations: before(g.observations),
    stands: before(g.stands),
    // A height that was measured later is not known yet: the first one that was known stands in its place.
    plants: g.plants.map((p) => (p.heightOn < day ? p : earlier(g, p, day))),
  };
}
/** A plant with the newest height that was read before a day; as it is where none was. */
function earlier(g: Garden, plant: Plant, day: PlainDate): Plant {
  const read = g.observations.findLast((o) => o.plantId === plant.id && o.heightM !== null && o.on < day);
  return read ? { ...plant, heightM: read.heightM!, heightOn: read.on } : plant;
}

const SHARE_RANGE = [0.5, 1.5] as const;
/** A plan is met within so many days (common practice: the weekend before or after). */
const PLAN_DAYS: Days = 7;

const held = (was: number, [low, , high]: Compared["expected"]): boolean => was >= low && was <= high;

function ofVisit(before: GardenModel, plant: Plant, v: Visit, model: GardenModel): Compared[] {
  const row = { plantId: plant.id, recordId: v.id, task: v.task, on: v.on };
  const out: Compared[] = [];
  if (v.planned) {
    const was = daysBetween(v.planned.on, v.on);
    const expected = [0 - PLAN_DAYS, 0, PLAN_DAYS] as const;
    out.push({ ...row, what: "day", expected, expectedOn: v.planned.on, was, held: held(was, expected) });
  }
  const { usualShare, live } = TASK_TABLE[v.task];
  if (live && v.cuts.length > 0 && usualShare > 0) {
    const was = shareOfVisit(v, measuredOn(model, plant, v.on));
    // What was taken the times before at this very plant, else what the task usually takes.
    const earlier = before
      .visitsOf(plant.id)
      .filter((x) => x.task === v.task && x.cuts.length > 0)
      .map((x) => shareOfVisit(x, measuredOn(before, plant, x.on)));
    const usual = earlier.length > 0 ? earlier.reduce((n, x) => n + x, 0) / earlier.length : usualShare;
    const expected = [usual * SHARE_RANGE[0], usual, Math.min(1, usual * SHARE_RANGE[1])] as const;
    // How much is taken is chosen: no range of eight in ten.
    out.push({ ...row, what: "share", expected, expectedOn: null, was, held: null });
  }
  const hedged = model.garden.hedges.some((h) => h.plantId === plant.id);
  if (v.minutes !== null && v.minutes > 0 && !hedged && v.task !== "leave") {
    const m = minutesFor(before, plant, v.task, v.on);
    const expected = [m.low, m.usual, m.high] as const;
    out.push({ ...row, what: "minutes", expected, expectedOn: null, was: v.minutes, held: held(v.minutes, expected) });
  }
  for (const c of v.cuts) if (c.by === "height") out.push(...ofHeight(before, plant, row, c.beforeM));
  return out;
}

function ofHeight(
  before: GardenModel,
  plant: Plant,
  row: Pick<Compared, "plantId" | "recordId" | "task" | "on">,
  readM: number,
): Compared[] {
  const known = before.plant(plant.id);
  // Without an earlier measure nothing was expected.
  if (known.heightOn >= row.on) return [];
  const h = heightOf(before, known, row.on);
  // Measured a short while ago it is the same height read twice.
  if (h.seasons < LEAST_SEASONS) return [];
  const expected = [h.rangeM[0], h.heightM, h.rangeM[1]] as const;
  return [{ ...row, what: "height", expected, expectedOn: null, was: readM, held: held(readM, expected) }];
}
const LEAST_SEASONS = 0.3;

/** Standard spread of a stage as its own range has it, from the day that was expected. */
function ofDay(
  row: Pick<Compared, "plantId" | "recordId" | "task" | "on">,
  what: ComparedWhat,
  stage: Stage,
  seen: number,
  at: PlainDate,
): Compared {
  const expected = [stage.earliest - stage.day, 0, stage.latest - stage.day] as const;
  const turn = Math.round((seen - stage.day) / YEAR_DAYS) * YEAR_DAYS;
  const was = Math.round(seen - stage.day - turn);
  return { ...row, what, expected, expectedOn: at, was, held: held(was, expected) };
}

function ofSeen(before: GardenModel, plant: Plant, o: Observation): Compared[] {
  const row = { plantId: plant.id, recordId: o.id, task: null, on: o.on };
  if (o.kind === "height" && o.heightM !== null) return ofHeight(before, plant, row, o.heightM);
  if (o.kind !== "first-flower" && o.kind !== "last-flower" && o.kind !== "first-leaf") return [];
  if (plant.identity !== null) return [];
  // What was expected while the year was young: its own earlier entries have pinned nothing yet.
  const { seasonYear, seasonDay } = before.season(o.on);
  const year = plantsYear(before, before.plant(plant.id), o.on);
  const h = before.climate.hemisphere;
  const dated = (s: Stage): PlainDate => seasonDate(seasonYear, Math.round(s.day) % YEAR_DAYS, h);
  if (o.kind === "first-leaf") return [ofDay(row, "leaf", year.wakes, seasonDay, dated(year.wakes))];
  const edge = (d: DisplayYear): Stage => (o.kind === "first-flower" ? d.opens : d.ends);
  const off = (s: Stage): number => Math.abs(((seasonDay - s.day + YEAR_DAYS * 1.5) % YEAR_DAYS) - YEAR_DAYS / 2);
  const shown = year.displays.filter((d) => isFlowers(d.display.name) && d.display.weight >= 0.3).map(edge);
  const stage = shown.reduce<Stage | null>((a, b) => (a && off(a) <= off(b) ? a : b), null);
  return stage ? [ofDay(row, o.kind === "first-flower" ? "bloom" : "over", stage, seasonDay, dated(stage))] : [];
}

const BEFORE = new WeakMap<GardenModel, Map<PlainDate, GardenModel>>();
/** The garden opened as it was known before a day. */
function modelBefore(model: GardenModel, day: PlainDate): GardenModel {
  let known = BEFORE.get(model);
  if (!known) BEFORE.set(model, (known = new Map<PlainDate, GardenModel>()));
  let m = known.get(day);
  if (!m) known.set(day, (m = openGarden(gardenBefore(model.garden, day), model.catalogue, model.cache)));
  return m;
}

/** A visit or an observation. */
export type Recorded = { readonly visit: Visit } | { readonly seen: Observation };

/** What was expected of one record, and what it was; empty where nothing could be expected. */
export function besideOf(model: GardenModel, record: Recorded): readonly Compared[] {
  const row = "visit" in record ? record.visit : record.seen;
  const plant = model.plant(row.plantId);
  const before = modelBefore(model, row.on);
  return "visit" in record ? ofVisit(before, plant, record.visit, model) : ofSeen(before, plant, record.seen);
}

/** Of many comparisons, how often the ranges held; only of those that had one. */
export function heldOf(all: readonly Compared[]): readonly Held[] {
  return COMPARED.flatMap((what) => {
    const told = all.filter((b) => b.what === what && b.held !== null);
    return told.length === 0 ? [] : [{ what, held: told.filter((b) => b.held).length, of: told.length }];
  });
}
