/**
 * The answer: may this task be done at this plant on this day, why, what it costs, until when, and what
 * else may be done today. Web and command line both call adviseOn; there is no second road to an answer.
 */
import type { CutHeight, Standing } from "../amount/index.ts";
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
import {
  minutesFor,
  wildlifeCost,
  wildlifeInSeason,
  windOn,
  type WorkMinutes,
  type WildlifeCost,
} from "../jobsite/index.ts";
import { regimeOf, type CutExtent, type YearOfPrices } from "../price/index.ts";
import { aimOn, type GardenModel, candidatesOf, likelyTaxa } from "../garden/index.ts";
import { frostRiskOn } from "./dayPrices.ts";
import { findingsFor, remarks } from "./findings.ts";
import { signFor } from "./inDoubt.ts";
import { alternatives, type Alternative } from "./instead.ts";
import { bestRun, windowFor, type BestRun, type Window } from "./window.ts";
import { taskForGoal } from "./goals.ts";
import { ask, freesUpOn, isLive, type Question } from "./question.ts";
import { reason, type Finding, type Opening, type Reason, type ReasonCode } from "./reasons.ts";

/** What a cut takes of a display. */
export interface BloomLoss {
  readonly display: string;
  readonly opens: PlainDate;
  /** Share of that display. */
  readonly loss: Share;
  readonly delayDays: Days;
  /** Main display 1, stray flowers 0.1. */
  readonly weight: Share;
}

/** The answer for a plant, a day and a task. */
export interface Advice {
  readonly plantId: string;
  readonly taxonId: string;
  readonly on: PlainDate;
  readonly task: Task;
  readonly regime: Regime;
  readonly verdict: Verdict;
  /** Ranked: what argues for the verdict first. */
  readonly reasons: readonly Reason[];
  /** The first of them, which a line has room for; the others need not be looked for. */
  readonly reason: Reason;
  readonly window: Window | null;
  /** What tells better than the date that the window opens, where the place is known too roughly; else null. */
  readonly sign: Extract<Opening, { by: "seen" }>["what"] | null;
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

/** Harmless, but not what anybody would call the day for it. */
const NOT_BEST: ReadonlySet<ReasonCode> = new Set([
  "large-leaved",
  "natural-shape",
  "drought-half",
  "cap-scarce",
  "look-first",
  "bleeds",
  "dead-maybe",
]);

/** The day's verdict from the year of the kind, unless something about the plant is stronger. */
function verdictOf(q: Question, found: readonly Finding[]): Verdict {
  // "fine" findings are remarks on a good day; they must not turn "best" down.
  let least = q.kind.verdicts[q.day]!;
  for (const { verdict, reason: r } of found)
    if ((verdict !== "fine" && verdict !== "best") || NOT_BEST.has(r.code)) least = Math.min(least, rank(verdict));
  return VERDICTS[least]!;
}

/** What a year of prices says of each coming display on a day. */
function lossesOn(prices: YearOfPrices, model: GardenModel, on: PlainDate): readonly BloomLoss[] {
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
function lossRangeOn(q: Question, extent: CutExtent | null): readonly [Share, Share] | null {
  const shown = q.model.daysShown(q.taxon, q.task);
  if (!shown || extent !== null || !TASK_TABLE[q.task].live) return null;
  if (q.kind.prices.displays.some((d) => d.accepted)) return null;
  // Years of weather know nothing of buds that were seen dead.
  if (q.kind.year.displays.some((d) => d.lostCycle !== null)) return null;
  const ahead = Math.round(q.usual.year.wakes.day - q.kind.year.wakes.day);
  const day = yearDay(q.day + ahead);
  const now = q.kind.prices.worstLoss[q.day]!;
  return [Math.min(now, shown.leastLoss[day]!), Math.max(now, shown.mostLoss[day]!)];
}

/** What of the account is left. */
const OF_THE_ACCOUNT: ReadonlySet<ReasonCode> = new Set(["cap-left", "cap-scarce"]);

function rankedReasons(found: readonly Finding[], verdict: Verdict, extra: readonly Reason[]): readonly Reason[] {
  const go = VERDICT_TABLE[verdict].go;
  // On a good day what makes it good comes first, and what is left of the account last.
  const weight = (f: Finding): number =>
    go && OF_THE_ACCOUNT.has(f.reason.code)
      ? VERDICTS.length
      : go
        ? -rank(f.verdict)
        : f.verdict === verdict
          ? -1
          : rank(f.verdict);
  const sorted = found.map((f, i) => ({ f, i })).sort((a, b) => weight(a.f) - weight(b.f) || a.i - b.i);
  // A refusal is not followed by what would make the day good; what comes off first is said all the same.
  const good = (f: Finding): boolean =>
    (f.verdict === "best" || f.verdict === "fine") && f.reason.code !== "danger-first";
  const kept = sorted.filter(({ f }) => go || verdict === "no-need" || !good(f));
  return [...(kept.length > 0 ? kept : sorted).map(({ f }) => f.reason), ...extra];
}

/** A question for each likely kind with what was found, the strictest answer first. */
function asked(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  task: Task,
  extent: CutExtent | null,
): readonly Asked[] {
  const all = likelyTaxa(model, plant).map((taxon) => askedOf(ask(model, plant, on, task, extent, taxon)));
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
function askedOf(q: Question): Asked {
  const found = findingsFor(q);
  return { q, found, verdict: verdictOf(q, found) };
}
interface Asked {
  readonly q: Question;
  readonly found: readonly Finding[];
  readonly verdict: Verdict;
}
const worstOn = (q: Question): number => q.kind.prices.worstLoss[q.day]!;

/** Days on which two kinds are both open; the masks of kinds are kept, so the same two meet again on every day asked about. */
const MET = new WeakMap<Uint8Array, WeakMap<Uint8Array, Uint8Array>>();
function openForBoth(a: Uint8Array, b: Uint8Array): Uint8Array {
  let met = MET.get(a);
  if (!met) MET.set(a, (met = new WeakMap()));
  let both = met.get(b);
  if (!both) met.set(b, (both = a.map((x, day) => x & b[day]!)));
  return both;
}
/** Days on which every one of several kinds is open. */
const openForAll = (masks: readonly Uint8Array[]): Uint8Array => masks.reduce(openForBoth);

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
            share: Math.max(0, ...candidatesOf(all[0]!.q.model, plant).map((c) => c.share)),
            strictest: all[0]!.q.taxon.common[0]!,
          },
          "practice",
        ),
      ];

/** Names of the likely kinds, likeliest first. */
function likelyNames(plant: Plant, all: readonly Asked[]): readonly string[] {
  const known = candidatesOf(all[0]!.q.model, plant);
  const share = (id: string): number => known.find((c) => c.taxonId === id)?.share ?? 1;
  return all
    .map(({ q }) => q.taxon)
    .toSorted((a, b) => share(b.id) - share(a.id))
    .map((t) => t.common[0]!);
}

/** A window that opens so near to a stage is opened by it. */
const SIGN_DAYS: Days = 12;

/** The answer to a question that was asked; what a list of many answers does not show is worked out when it is read. */
class Answer implements Advice {
  readonly plantId: string;
  readonly taxonId: string;
  readonly on: PlainDate;
  readonly task: Task;
  readonly regime: Regime;
  readonly verdict: Verdict;
  readonly opening: Opening | null;
  readonly standing: Standing;
  readonly #all: readonly Asked[];
  readonly #extent: CutExtent | null;
  #reasons: readonly Reason[] | undefined;
  #window: Window | null | undefined;
  #best: BestRun | null | undefined;
  #losses: readonly BloomLoss[] | undefined;
  #instead: readonly Alternative[] | undefined;

  constructor(all: readonly Asked[], extent: CutExtent | null) {
    const { q, found, verdict } = all[0]!;
    this.#all = all;
    this.#extent = extent;
    this.plantId = q.plant.id;
    this.taxonId = q.taxon.id;
    this.on = q.on;
    this.task = q.task;
    this.regime = regimeOf(q.taxon, q.task);
    this.verdict = verdict;
    this.opening = found.find((f) => f.verdict === verdict && f.opening)?.opening ?? null;
    this.standing = q.standing;
  }

  get #q(): Question {
    return this.#all[0]!.q;
  }
  get #capped(): boolean {
    return this.regime !== "cutback";
  }
  get reasons() {
    const { q, found, verdict } = this.#all[0]!;
    return (this.#reasons ??= [...rankedReasons(found, verdict, remarks(q)), ...doubt(q.plant, this.#all)]);
  }
  get reason() {
    const { found, verdict } = this.#all[0]!;
    return this.#reasons?.[0] ?? rankedReasons(found, verdict, [])[0]!;
  }
  get window() {
    const { q, found, verdict } = this.#all[0]!;
    if (this.#window !== undefined) return this.#window;
    const openToday = VERDICT_TABLE[verdict].go || (verdict === "no-need" && q.kind.open[q.day] === 1);
    return (this.#window = windowFor(q, found, openToday));
  }
  get sign() {
    const opens = this.window?.opens;
    return opens ? signFor(this.#q, this.#q.model.season(opens).seasonDay, SIGN_DAYS) : null;
  }
  get best() {
    return this.#best === undefined ? (this.#best = bestRun(this.#q, this.window, this.#all[0]!.found)) : this.#best;
  }
  get bloomLoss() {
    const q = this.#q;
    return (this.#losses ??= lossesOn(q.kind.prices, q.model, q.on));
  }
  get lossRange() {
    return lossRangeOn(this.#q, this.#extent);
  }
  get frostRisk() {
    return frostRiskOn(this.#q);
  }
  get regrowthRisk() {
    return this.#q.kind.prices.regrowthRisk[this.#q.day]!;
  }
  get windRisk() {
    return windOn(this.#q.model, this.#q.plant, this.on, true);
  }
  get wildlifeCost() {
    const { taxon, kind, model, day } = this.#q;
    return wildlifeCost(wildlifeInSeason(taxon, kind.year, model.climate, day), this.task);
  }
  get minutes() {
    return minutesFor(this.#q.model, this.#q.plant, this.task, this.on);
  }
  get pace() {
    const { model } = this.#q;
    return model.pace(model.season(this.on).seasonYear);
  }
  get takenLast12Months() {
    return this.#q.balance.taken;
  }
  get hazardLast12Months() {
    return this.#q.balance.hazard;
  }
  get withoutRegrowth() {
    return this.#q.balance.withoutRegrowth;
  }
  get cap() {
    return this.#capped ? this.#q.balance.cap : null;
  }
  get left() {
    return this.#capped ? this.#q.balance.left : null;
  }
  get over() {
    return this.#capped ? this.#q.balance.over : 0;
  }
  get freesUpOn() {
    return this.#capped && isLive(this.task) ? freesUpOn(this.#q) : null;
  }
  get todayInstead() {
    if (VERDICT_TABLE[this.verdict].go) return [];
    return (this.#instead ??= alternatives(this.#q, (t) => verdictFor(this.#q.model, this.plantId, this.on, t)));
  }
  get cutHeight() {
    const { plant } = this.#q;
    return plant.goal.heightM === null ? null : aimOn(this.#q.model, plant, this.on, null).height;
  }
  get likely() {
    return likelyTaxa(this.#q.model, this.#q.plant).map((t) => t.id);
  }
}

/**
 * The full answer for one plant, day and task. While its kind is uncertain: the strictest of the answers for
 * the likely kinds, open only when all of them are.
 * @param task the task asked about; null for the one the plant's goal asks for
 * @param extent how far a particular cut goes; null for the task's usual one
 * @throws on a plant id the garden does not hold
 */
export function adviseOn(
  model: GardenModel,
  plantId: string,
  on: PlainDate,
  task: Task | null = null,
  extent: CutExtent | null = null,
): Advice {
  const plant = model.plant(plantId);
  return new Answer(asked(model, plant, on, task ?? taskForGoal(model, plant), extent), extent);
}

/** Answers for the whole garden on a day, or for its first so many plants, each for the task its goal asks for. */
export const adviseAll = (model: GardenModel, on: PlainDate, first = Infinity): readonly Advice[] =>
  model.garden.plants.slice(0, first).map((p) => adviseOn(model, p.id, on));
