/** A question set up: everything that the findings, the account and the answer need to know, worked out once. */
import {
  balanceOn,
  capFor,
  fitsOn,
  standingOn,
  type Balance,
  type LedgerEntry,
  type Standing,
} from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import {
  addDays,
  daysBetween,
  nextSeasonDate,
  seasonDate,
  turnsBy,
  YEAR_DAYS,
  type PlainDate,
} from "../calendar/index.ts";
import { isGrafted, LIMITS, TASK_TABLE, type Plant, type Task } from "../model/index.ts";
import { showsGrowth } from "../phenology/index.ts";
import type { Days, Share } from "../units/index.ts";
import { cutAnswered, isUsualExtent, regimeOf, type CutExtent, type CutPlan, type KindYear } from "../price/index.ts";
import { accepted } from "./goals.ts";
import type { GardenModel, Schooling } from "../garden/index.ts";

/** One question, with what every finding needs of the answer. */
export interface Question {
  readonly model: GardenModel;
  readonly plant: Plant;
  readonly taxon: Taxon;
  readonly task: Task;
  readonly on: PlainDate;
  readonly day: number;
  /** The kind's year as this season runs, and as a usual one does (for what lies past its end). */
  readonly kind: KindYear;
  readonly usual: KindYear;
  readonly schooling: Schooling;
  readonly standing: Standing;
  /** Entries that count towards today's cap: those before the last cutback opened a new base are gone. */
  readonly entries: readonly LedgerEntry[];
  readonly balance: Balance;
}

/** The last cutback on or before a day; it opens a new base. */
export function lastCutback(entries: readonly LedgerEntry[], on: PlainDate): LedgerEntry | null {
  let last: LedgerEntry | null = null;
  for (const e of entries)
    if (e.regime === "cutback" && e.on <= on && e.share > 0 && (last === null || e.on > last.on)) last = e;
  return last;
}

/** A cut is answered by buds that need so long to shoot. */
const ANSWER_DAYS: Days = 14;

/**
 * The next start of dormancy that ends a season which a cut on a day began, for this kind at this place. A cut after
 * growth has stopped, or some days before it, is answered in the season to come.
 */
export function nextDormancy(model: GardenModel, taxon: Taxon, on: PlainDate): PlainDate {
  const year = model.yearOf(taxon);
  const stops = nextSeasonDate(year.stops.day, addDays(on, ANSWER_DAYS), model.climate.hemisphere);
  return addDays(stops, Math.round(year.dormant.day) - Math.round(year.stops.day));
}

/** A grass or perennial starts from the ground each year: its age limits nothing, its dead tops come off all the same. */
const standingFor = (taxon: Taxon, s: Standing): Standing =>
  taxon.leaf === "herbaceous" && (s === "first-season" || s === "second-season") ? "healthy" : s;

/**
 * Sets a question up.
 * @param cut how far a particular cut goes; null for the task's usual one
 * @param taxon the kind it is taken for; another than its own while that is uncertain
 */
export function ask(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  task: Task,
  cut: CutExtent | null = null,
  taxon: Taxon = model.taxonOf(plant),
): Question {
  const all = model.ledgerOf(plant.id);
  const base = lastCutback(all, on);
  const entries = base ? all.filter((e) => e.on > base.on) : all;
  const h = model.climate.hemisphere;
  const seen = model.observationsOf(plant.id);
  const standing = standingFor(taxon, standingOn(plant, seen, model.yearOf(taxon), h, on));
  const schooling = model.schooling(plant, taxon);
  const cap = capFor(standing, schooling.cap);
  const extent = cut !== null && isUsualExtent(task, cut) ? null : cut;
  const reach = extent?.reach ?? (task === "renovate" ? schooling.renewReach : null);
  // Suckers from below a graft are none of the plant: they cost it no more than dead wood.
  const priced = isBelowGraft(plant, task) ? "dead-only" : task;
  const more: Partial<CutPlan> = {
    depth: extent?.depth ?? null,
    reach,
    frameShiftC: schooling.frameShiftC,
    accepts: accepted(taxon, plant.goal.kind),
    firstStage: schooling.firstStage === task,
    knows: priced === task ? (task === "dead-only" ? known(model, plant, on) : "nothing") : "told",
  };
  const point = model.season(on);
  return {
    model,
    plant,
    taxon,
    task,
    on,
    day: point.seasonDay,
    kind: model.kindsFor(plant, taxon, on).kindYear(taxon, priced, more),
    usual: model.kindYear(taxon, priced, more),
    schooling,
    standing,
    entries,
    balance: balanceOn(entries, on, cap),
  };
}

/** On a grafted head what shoots from below it is the stock's. */
export const isBelowGraft = (plant: Plant, task: Task): boolean => task === "thin-suckers" && isGrafted(plant);

/** What was seen of growth holds so long. */
const LOOK_HOLDS_DAYS: Days = 120;

/**
 * Whether somebody told dead wood from live, by the last look: "dead" when it was told, "base" when it grows from there
 * only, "none" when no growth was found, null when nobody looked lately.
 */
export function deadTold({
  model,
  plant,
  on,
}: Pick<Question, "model" | "plant" | "on">): "dead" | "base" | "none" | null {
  const lately = (day: PlainDate): boolean => day <= on && daysBetween(day, on) < LOOK_HOLDS_DAYS;
  const looked = plant.health !== null && lately(plant.health.on) ? plant.health : null;
  const seen = model
    .observationsOf(plant.id)
    .findLast((o) => lately(o.on) && (showsGrowth(o) || (o.kind === "not-yet" && o.lookedFor === "growth-seen")));
  // What was looked at last counts.
  if (seen && (!looked || seen.on >= looked.on))
    return seen.kind === "not-yet" ? "none" : seen.where === "base" ? "base" : "dead";
  if (!looked) return null;
  if (looked.growth === "from-base") return "base";
  if (looked.scratch === "brown" || looked.scratch === "tips-brown") return "dead";
  return looked.growth === "none" ? "none" : looked.growth === "not-looked" ? null : "dead";
}

/** What is known of a plant's dead wood. */
function known(model: GardenModel, plant: Plant, on: PlainDate): CutPlan["knows"] {
  const told = deadTold({ model, plant, on });
  if (told === "dead" || told === "base") return "told";
  const water = model.garden.beds.find((b) => b.id === plant.bedId)?.water;
  return water === "hand" || water === "irrigation" ? "watered" : "nothing";
}

/** Does the task take live growth? */
export const isLive = (task: Task): boolean => TASK_TABLE[task].live;
/** Does it reach more of its shoots than few? Suckers and the lowest branches carry hardly anything that is looked at. */
export const takesMany = (task: Task): boolean => isLive(task) && TASK_TABLE[task].reach > LIMITS.flowerLoss;
export const isHard = (task: Task): boolean => task === "hard-cutback" || task === "renovate";
/** Grasses and perennials are not counted in shares of a woody crown. */
export const capped = (q: Question): boolean => isLive(q.task) && regimeOf(q.taxon, q.task) !== "cutback";

/** When a stage of this season's (or the coming) cycle falls. */
export function stageDate(q: Question, day: number): PlainDate {
  const p = q.model.season(q.on);
  const turns = turnsBy(p.seasonDay - q.kind.year.wakes.day);
  return seasonDate(p.seasonYear, day + turns * YEAR_DAYS, q.model.climate.hemisphere);
}
/** When a stage of the year comes next, the day itself included. */
function nextStage(q: Question, day: number): PlainDate {
  const date = stageDate(q, day);
  return date >= q.on ? date : addDays(date, YEAR_DAYS);
}
/** When growth next starts. */
export const nextWaking = (q: Question): PlainDate => nextStage(q, q.kind.year.wakes.day);
/** When growth next answers the cut: not before it wakes. */
export const nextAnswer = (q: Question): PlainDate =>
  nextStage(q, Math.max(q.kind.year.wakes.day, cutAnswered(q.kind.year, q.model.climate, q.task)));
/** What the task would usually take, held to the cap: below it there is no use in starting. */
export const usualShare = (q: Question): Share => Math.min(q.balance.cap, TASK_TABLE[q.task].usualShare);

/** First day on which the task's usual share fits; null when it fits today, or never while nothing live may go. */
export function freesUpOn(q: Question): PlainDate | null {
  if (usualShare(q) === 0) return null;
  const d = fitsOn(q.entries, q.on, q.balance.cap, usualShare(q));
  return d === q.on ? null : d;
}

/** The kind's year as a plant's own season, schools and records make it. */
export const kindYearFor = (model: GardenModel, plant: Plant, on: PlainDate, task: Task): KindYear =>
  ask(model, plant, on, task).kind;
