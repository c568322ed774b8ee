/**
 * The answer: may this task be done at this plant on this day, why, what it costs, until when, and what
 * else may be done today. Web and command line both call adviseOn; there is no second road to an answer.
 */
import { cutHeightFor, type Balance, type CutHeight, type Standing } from "../amount/index.ts";
import { seasonDate, YEAR_DAYS, yearDay, type PlainDate } from "../calendar/index.ts";
import {
  TASK_TABLE,
  VERDICT_TABLE,
  VERDICTS,
  type Plant,
  type Regime,
  type Task,
  type Verdict,
} from "../model/index.ts";
import type { Days, Share } from "../units/index.ts";
import type { Pace } from "../phenology/index.ts";
import { minutesFor, wildlifeCost, wildlifeInSeason, windOn, type WorkMinutes, type WildlifeCost } from "./costs.ts";
import { findingsFor, remarks } from "./findings.ts";
import { regimeOf, type GardenModel } from "./gardenModel.ts";
import { alternatives, type Alternative } from "./instead.ts";
import { bestRun, windowFor, type BestRun, type Window } from "./window.ts";
import { taskForGoal } from "./goals.ts";
import { likelyTaxa } from "./likely.ts";
import { worstLoss } from "./kind.ts";
import type { YearOfPrices } from "./season.ts";
import { ask, freesUpOn, isLive, type Question } from "./question.ts";
import { reason, type Finding, type Opening, type Reason } from "./reasons.ts";

export interface BloomLoss {
  readonly display: string;
  readonly opens: PlainDate;
  /** Share of that display. */
  readonly loss: Share;
  readonly delayDays: Days;
  /** Main display 1, stray flowers 0.1. */
  readonly weight: Share;
}

export interface Advice {
  readonly plantId: string;
  readonly taxonId: string;
  readonly on: PlainDate;
  readonly task: Task;
  readonly regime: Regime;
  readonly verdict: Verdict;
  /** Ranked: what argues for the verdict first. */
  readonly reasons: readonly Reason[];
  readonly window: Window | null;
  /** The run of best days that holds or follows the day; null when there is none within a year. */
  readonly best: BestRun | null;
  /** What ends a wait, when it is not the window. */
  readonly opening: Opening | null;
  readonly bloomLoss: readonly BloomLoss[];
  /** Loss of the display that is hit hardest, weighted: eight years of ten lie between; null until years of weather were worked through. */
  readonly lossRange: readonly [Share, Share] | null;
  readonly frostRisk: Share | null;
  readonly regrowthRisk: Share;
  /** 0 to 1, our estimate: what leaving it uncut through the winter ahead risks in wind. */
  readonly windRisk: Share;
  /** What of its worth to wildlife the task takes on that day. */
  readonly wildlifeCost: readonly WildlifeCost[];
  readonly minutes: WorkMinutes;
  /** How far this season runs ahead. */
  readonly pace: Pace;
  readonly standing: Standing;
  /** Plain sum of the last twelve months, and the cap with its rest; cap null in a cutback. */
  readonly takenLast12Months: number;
  readonly hazardLast12Months: number;
  readonly withoutRegrowth: Share;
  readonly cap: Share | null;
  readonly left: Share | null;
  readonly over: number;
  readonly freesUpOn: PlainDate | null;
  readonly todayInstead: readonly Alternative[];
  readonly cutHeight: CutHeight | null;
  /** The kinds it may be, likeliest first; one when that is settled. The answer is the safest over them. */
  readonly likely: readonly string[];
}

const rank = (v: Verdict): number => VERDICTS.indexOf(v);

const strongest = (fs: readonly Finding[]): Verdict =>
  fs.reduce<Verdict>((v, f) => (rank(f.verdict) < rank(v) ? f.verdict : v), "best");

/** The day's verdict from the year of the kind, unless something about the plant is stronger. */
function verdictOf(q: Question, found: readonly Finding[]): Verdict {
  const priced = VERDICTS[q.kind.verdicts[q.day]!]!;
  // "fine" findings are remarks on a good day; they must not turn "best" down.
  const blocking = found.filter((f) => f.verdict !== "fine" && f.verdict !== "best");
  const strongestBlock = strongest(blocking);
  return rank(priced) < rank(strongestBlock) ? priced : strongestBlock;
}

/** What a year of prices says of each coming display on a day. */
export function lossesOn(prices: YearOfPrices, model: GardenModel, on: PlainDate): readonly BloomLoss[] {
  const { seasonYear, seasonDay } = model.season(on);
  const h = model.climate.hemisphere;
  return prices.displays.flatMap((d) => {
    const opens = d.opens[seasonDay]!;
    const entry = (cycle: number, loss: number, delayDays: number): BloomLoss => ({
      display: d.name,
      opens: seasonDate(seasonYear, opens + cycle * YEAR_DAYS, h),
      loss,
      delayDays: Math.round(delayDays),
      weight: d.weight,
    });
    const coming = entry(0, d.loss[seasonDay]!, d.delayDays[seasonDay]!);
    const next = d.nextLoss[seasonDay]!;
    return next > 0 ? [coming, entry(1, next, 0)] : [coming];
  });
}

/** The range of the price over years of weather, read at the day of a usual year that stands where this year's does. */
function lossRangeOn(q: Question, depth: Share | null): readonly [Share, Share] | null {
  const shown = q.model.daysShown(q.taxon, q.task);
  if (!shown || depth !== null || !TASK_TABLE[q.task].live) return null;
  const ahead = Math.round(q.usual.year.wakes.day - q.kind.year.wakes.day);
  const day = yearDay(q.day + ahead);
  const now = worstLoss(q.kind.prices, q.day);
  return [Math.min(now, shown.leastLoss[day]!), Math.max(now, shown.mostLoss[day]!)];
}

function rankedReasons(found: readonly Finding[], verdict: Verdict, extra: readonly Reason[]): readonly Reason[] {
  const go = VERDICT_TABLE[verdict].go;
  // On a good day what makes it good comes first, and what is left of the account last.
  const weight = (f: Finding): number =>
    go && f.reason.code === "cap-left"
      ? VERDICTS.length
      : go
        ? -rank(f.verdict)
        : f.verdict === verdict
          ? -1
          : rank(f.verdict);
  const sorted = found.map((f, i) => ({ f, i })).sort((a, b) => weight(a.f) - weight(b.f) || a.i - b.i);
  // A refusal is not followed by what would make the day good.
  const kept = sorted.filter(({ f }) => go || verdict === "no-need" || (f.verdict !== "best" && f.verdict !== "fine"));
  return [...(kept.length > 0 ? kept : sorted).map(({ f }) => f.reason), ...extra];
}

/** A question for each likely kind with what was found, the strictest answer first. */
function asked(model: GardenModel, plant: Plant, on: PlainDate, task: Task, depth: Share | null): readonly Asked[] {
  const all = likelyTaxa(model, plant).map((taxon): Asked => {
    const q = ask(model, plant, on, task, depth, taxon);
    const found = findingsFor(q);
    return { q, found, verdict: verdictOf(q, found) };
  });
  if (all.length === 1) return all;
  const neverFree = all.some(({ q }) => q.kind.neverFree);
  const open = openForAll(all.map(({ q }) => q.kind.open));
  const usual = openForAll(all.map(({ q }) => q.usual.open));
  return all
    .map(({ q, ...rest }) => ({
      ...rest,
      q: { ...q, kind: { ...q.kind, open, neverFree }, usual: { ...q.usual, open: usual, neverFree } },
    }))
    .sort((a, b) => rank(a.verdict) - rank(b.verdict) || worstOn(b.q) - worstOn(a.q));
}
interface Asked {
  readonly q: Question;
  readonly found: readonly Finding[];
  readonly verdict: Verdict;
}
const worstOn = (q: Question): number => worstLoss(q.kind.prices, q.day);

/** Days on which every one of several kinds is open. */
const openForAll = (masks: readonly Uint8Array[]): Uint8Array =>
  masks.reduce((all, mask) => all.map((x, day) => x & mask[day]!), new Uint8Array(YEAR_DAYS).fill(1));

/** Only the verdict, for scanning many plants and days. */
export const verdictFor = (model: GardenModel, plantId: string, on: PlainDate, task: Task): Verdict =>
  asked(model, model.plant(plantId), on, task, null)[0]!.verdict;

const doubt = (plant: Plant, all: readonly Asked[]): readonly Reason[] =>
  all.length === 1
    ? []
    : [
        reason(
          "not-certain",
          {
            candidates: likelyNames(plant, all).join(", "),
            share: Math.max(...(plant.identity?.candidates.map((c) => c.share) ?? [0])),
            strictest: all[0]!.q.taxon.common[0]!,
          },
          "practice",
        ),
      ];

/** Names of the likely kinds, likeliest first. */
function likelyNames(plant: Plant, all: readonly Asked[]): readonly string[] {
  const share = (id: string): number => plant.identity?.candidates.find((c) => c.taxonId === id)?.share ?? 1;
  return all
    .map(({ q }) => q.taxon)
    .toSorted((a, b) => share(b.id) - share(a.id))
    .map((t) => t.common[0]!);
}

/**
 * The full answer for one plant, day and task. While its kind is uncertain: the strictest of the answers for
 * the likely kinds, open only when all of them are.
 * @param task the task asked about; null for the one the plant's goal asks for
 * @param depth share that a particular cut takes; null for the task's usual one
 * @throws on a plant id the garden does not hold
 */
export function adviseOn(
  model: GardenModel,
  plantId: string,
  on: PlainDate,
  task: Task | null = null,
  depth: Share | null = null,
): Advice {
  const plant = model.plant(plantId);
  const all = asked(model, plant, on, task ?? taskForGoal(model, plant), depth);
  const { q, found, verdict } = all[0]!;
  const regime = regimeOf(q.taxon, q.task);
  const openings = found.filter((f) => f.verdict === verdict && f.opening).map((f) => f.opening!);
  const balance: Balance = q.balance;
  const uncapped = regime === "cutback";
  const openToday = VERDICT_TABLE[verdict].go || (verdict === "no-need" && q.kind.open[q.day] === 1);
  const window = windowFor(q, found, openToday);
  let instead: readonly Alternative[] | null = null;
  return {
    plantId,
    taxonId: q.taxon.id,
    on,
    task: q.task,
    regime,
    verdict,
    reasons: [...rankedReasons(found, verdict, remarks(q)), ...doubt(plant, all)],
    window,
    best: bestRun(q, window),
    opening: openings[0] ?? null,
    bloomLoss: lossesOn(q.kind.prices, q.model, q.on),
    lossRange: lossRangeOn(q, depth),
    frostRisk: q.kind.prices.frostRisk[q.day]!,
    regrowthRisk: q.kind.prices.regrowthRisk[q.day]!,
    windRisk: windOn(model, plant, on, true),
    wildlifeCost: wildlifeCost(wildlifeInSeason(q.taxon, q.kind.year, model.climate, q.day), q.task),
    minutes: minutesFor(model, plant, q.task, on),
    pace: model.pace(model.season(on).seasonYear),
    standing: q.standing,
    takenLast12Months: balance.taken,
    hazardLast12Months: balance.hazard,
    withoutRegrowth: balance.withoutRegrowth,
    cap: uncapped ? null : balance.cap,
    left: uncapped ? null : balance.left,
    over: uncapped ? 0 : balance.over,
    freesUpOn: uncapped || !isLive(q.task) ? null : freesUpOn(q),
    // A list shows many answers and opens few: the other ways are worked out when they are asked for.
    get todayInstead() {
      return VERDICT_TABLE[verdict].go ? [] : (instead ??= alternatives(q, (t) => verdictFor(model, plantId, on, t)));
    },
    cutHeight:
      plant.goal.heightM === null ? null : cutHeightFor(plant.goal.heightM, q.taxon.growthM, q.taxon.leastStubM),
    likely: likelyTaxa(model, plant).map((t) => t.id),
  };
}

/** Answers for the whole garden on a day, each for the task its goal asks for. */
export const adviseAll = (model: GardenModel, on: PlainDate): readonly Advice[] =>
  model.garden.plants.map((p) => adviseOn(model, p.id, on));
