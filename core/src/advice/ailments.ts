/** Sap and disease that make the season of a cut matter beyond flowers and frost. */
import { YEAR_DAYS, type PlainDate, type SeasonDay } from "../calendar/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import type { Celsius, Days, DegreeDays } from "../units/index.ts";
import { TASK_TABLE } from "../model/index.ts";
import { inCycle } from "../phenology/index.ts";
import { isLive, stageDate, type Question } from "./question.ts";
import { finding, NOTHING, type Finding } from "./reasons.ts";

/** Common practice, the numbers from memory. */
const AILMENT_DAYS = {
  /** Sap rises so long before waking, and stands still when the leaves are out so long after it. */
  sapBefore: 60,
  /** In a vine it runs from when the soil warms, some weeks before its buds break. */
  vineSapBefore: 35,
  sapAfter: 20,
  /** An evergreen laurel is rarely taken: from so long before it wakes its wounds close in time. */
  laurelBefore: 35,
  /** Its spores fly from September on, in the hemisphere's own year. */
  silverLeafFrom: 243,
} as const satisfies Record<string, Days>;
/** Leaves are out only with so much warmth since waking, too: a cool spring draws them out slowly, °C·day. */
const LEAVES_OUT_WARMTH: DegreeDays = 45;
/** Where the coldest month is milder than this, winters are wet and open and silver leaf travels in them; hard frost stops it, °C. */
const WET_WINTER_C: Celsius = 1;

/** Is it so on a day of the year, by the season's own count? */
type OnDay = (day: SeasonDay) => boolean;

/** Days after waking from which sap stands still and wounds dry: the leaves are out. */
function leavesOutAfter({ kind, model }: Question): Days {
  const wakes = kind.year.wakes.day;
  return Math.max(AILMENT_DAYS.sapAfter, model.climate.dayWithWarmth(wakes, LEAVES_OUT_WARMTH) - wakes);
}

/** While its sap runs. */
function sapRuns(q: Question): OnDay {
  const { kind, taxon } = q;
  const { year } = kind;
  const after = leavesOutAfter(q);
  const before = RUNS_FOR_WEEKS.has(taxon.habit) ? AILMENT_DAYS.vineSapBefore : AILMENT_DAYS.sapBefore;
  return (day) => {
    const u = inCycle(year, day);
    return u >= year.wakes.day + YEAR_DAYS - before || u < year.wakes.day + after;
  };
}
/** While spores of silver leaf fly and wounds stay wet; never where winters are hard. */
function sporesFly(q: Question): OnDay {
  const { climate } = q.model;
  const coldest = Math.max(0, Math.round(climate.coldestDay));
  if ((climate.tminC[coldest]! + climate.tmaxC[coldest]!) / 2 < WET_WINTER_C) return () => false;
  const { year } = q.kind;
  const after = woundsCloseAfter(q);
  const from = Math.max(year.stops.day, AILMENT_DAYS.silverLeafFrom);
  return (day) => {
    const u = inCycle(year, day);
    return (u >= from && u < year.wakes.day + YEAR_DAYS + after) || u < year.wakes.day + after;
  };
}
/** Days after waking from which spores find no way in. */
const woundsCloseAfter = (q: Question): Days =>
  q.taxon.leaf === "evergreen" ? -AILMENT_DAYS.laurelBefore : leavesOutAfter(q);

/** Does a cut of the task wait for an ailment on a day? null: it never does. */
export function ailingDays(q: Question): OnDay | null {
  if (!isLive(q.task) || TASK_TABLE[q.task].usualShare === 0) return null;
  const { ailments, habit } = q.taxon;
  if (ailments.includes("silver-leaf")) return sporesFly(q);
  return ailments.includes("bleeds") && RUNS_FOR_WEEKS.has(habit) ? sapRuns(q) : null;
}

/** The next day on which sap stands still, or wounds close: so many days after waking. */
function closesOn(q: Question, after: Days): PlainDate {
  const { year } = q.kind;
  const out = year.wakes.day + after;
  return stageDate(q, out + (inCycle(year, q.day) >= out ? YEAR_DAYS : 0));
}

function bleeding(q: Question): readonly Finding[] {
  if (!sapRuns(q)(q.day)) return NOTHING;
  const until = closesOn(q, leavesOutAfter(q));
  const waits = RUNS_FOR_WEEKS.has(q.taxon.habit);
  return [finding(waits ? "wait" : "fine", "bleeds", { until }, "practice", waits ? { by: "day", on: until } : null)];
}
/** A tree drips for days and is little the worse; a vine's thin wood runs for weeks (common practice). */
const RUNS_FOR_WEEKS: ReadonlySet<Taxon["habit"]> = new Set(["climber"]);

function silverLeaf(q: Question): readonly Finding[] {
  if (!sporesFly(q)(q.day)) return NOTHING;
  const until = closesOn(q, woundsCloseAfter(q));
  return [finding("wait", "silver-leaf", { until }, "practice", { by: "day", on: until })];
}

/** It enters by open flowers and soft shoots. */
function fireBlight(q: Question): readonly Finding[] {
  const { year } = q.kind;
  const u = inCycle(year, q.day);
  return u >= year.wakes.day && u < year.hardens.day ? [finding("fine", "fire-blight", {}, "practice")] : NOTHING;
}

/** What the kind is prone to, on this day. */
export function ailmentFindings(q: Question): readonly Finding[] {
  if (!isLive(q.task) || TASK_TABLE[q.task].usualShare === 0) return NOTHING;
  const { ailments } = q.taxon;
  return [
    ...(ailments.includes("bleeds") ? bleeding(q) : NOTHING),
    ...(ailments.includes("fire-blight") ? fireBlight(q) : NOTHING),
    ...(ailments.includes("silver-leaf") ? silverLeaf(q) : NOTHING),
  ];
}
