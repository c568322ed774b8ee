/**
 * The price of one task on one kind of plant for every day of the year: what it costs in displays, what
 * frost may do to what it wakes or bares, whether the wood breaks again, whether it has to be done twice.
 * This is the only place where a date turns into a price; verdicts read these numbers and nothing else.
 * Arrays run over season days 0–364, so a strip of the year can be scrubbed without recomputing.
 */
import type { Taxon } from "../catalogue/index.ts";
import { YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import { heatOdds, isColder, type Climate } from "../climate/index.ts";
import { LIMITS, TASK_TABLE, type Task } from "../model/index.ts";
import { coolingDay, growthDone, inCycle, isFlowers, type PlantYear } from "../phenology/index.ts";
import { clampShare, type Share } from "../units/index.ts";
import { PRICE_ASSUMPTIONS } from "./assumptions.ts";
import { answered, cycleRuns, fillCycle, throwsFlush, type Cut } from "./cut.ts";
import { frostOf, winterBegins, type Frost } from "./frost.ts";
import { harmOf } from "./harm.ts";
import { DISPLAY_ROWS, deadTopsDays, displayPrices, type CutPlan, type DisplayPrices } from "./displays.ts";
import { Sheet } from "./sheet.ts";
import { baresFrame, baresToSun, deadheaded } from "./tasks.ts";

/** Tasks that shorten the shoot itself, also where buds and branches stand along it to cut to. */
const SOFT_ONLY: ReadonlySet<Task> = new Set(["candle", "tip"]);

/** Kinds whose shoots may be headed only while soft stay a stub when cut later. */
function regrowthRisk({ taxon, year: y, plan, runs, sheet }: Cut): Float32Array {
  const out = sheet.singles();
  if (!TASK_TABLE[plan.task].wakes || !taxon.headOnlyWhileSoft) return out;
  if (taxon.sideBuds && !SOFT_ONLY.has(plan.task)) return out;
  out.fill(0.9);
  fillCycle(out, runs, y.wakes.day + 10, y.hardens.day, 0);
  return out;
}

/** How much of a new flush has to be cut again: all of it along an outline, some of it where single shoots were taken; a renewal is not done twice. */
const DONE_AGAIN: Readonly<Partial<Record<Task, Share>>> = {
  shear: 1,
  tip: 1,
  "reduce-for-wind": 1,
  candle: 1,
  shape: 0.25,
};

/** Does a cut before the flush have to be done again, so that it waits for its end? */
export const wouldBeRedone = (t: Taxon, task: Task): boolean => t.outline && (DONE_AGAIN[task] ?? 0) > LIMITS.redo;

/**
 * Extension still to come after a cut to an outline. While the plant sleeps all of it is, and yet hedges have always been
 * trimmed then (common practice): the flush hides the cuts, the summer's trim follows, and it counts as no more than may be.
 */
function redo({ taxon, year: y, climate: c, plan, runs, sheet }: Cut): Float32Array {
  const out = sheet.singles();
  const a = PRICE_ASSUMPTIONS;
  const again = DONE_AGAIN[plan.task] ?? 0;
  if (!taxon.outline || again === 0) return out;
  // An evergreen is left alone while frost may still meet what a trim bares.
  const odds = taxon.leaf === "evergreen" ? c.frost(a.scorchC) : null;
  const asleep = (u: SeasonDay): Share =>
    odds && odds.between(u, u + a.scorchDays) > LIMITS.frostRisk ? 1 : LIMITS.redo;
  for (const { from, to, ahead } of runs)
    for (let t = from; t < to; t++) {
      const u = t + ahead;
      // What never sleeps flushes again and again, and is trimmed when it is shaggy.
      const toCome = y.sleeps ? 1 - growthDone(y, u) : Math.min(LIMITS.redo, 1 - growthDone(y, u));
      out[t] = again * (u >= y.dormant.day || u <= y.wakes.day ? asleep(u) : toCome);
    }
  return out;
}

/**
 * What a cut costs in full leaf, past the first weeks of waking, when a hard cut is still answered from the roots. An
 * evergreen keeps no less in its wood for it, but the flush it has made goes, and what answers has less of the season.
 */
function reserves({ taxon, year: y, plan, runs, sheet }: Cut): Float32Array {
  const a = PRICE_ASSUMPTIONS;
  const out = sheet.singles();
  const row = TASK_TABLE[plan.task];
  const keepsLeaves = throwsFlush(taxon, plan.task);
  const soonest = keepsLeaves > 0 ? a.flushMadeDays : a.justWakingDays;
  const first = y.wakes.day + Math.max(soonest, deadTopsDays(taxon, plan.task));
  // A perennial that flowers in flushes is cut down after the first: it draws less on what lies in its roots.
  const comesAgain = taxon.leaf === "herbaceous" && taxon.displays.some((d) => d.flushes === true) ? 0.5 : 1;
  const inLeaf = plan.task === "renovate" ? a.renewedInLeaf : taxon.inLeafCost * row.exposure ** 3;
  const whole = keepsLeaves > 0 ? keepsLeaves * a.flushThrownAway : comesAgain * inLeaf;
  if (whole === 0) return out;
  fillCycle(out, runs, Math.floor(first) + 1, y.stops.day, whole);
  // Young leaves have paid little back yet, and little has gone into them: the price grows with them.
  if (keepsLeaves === 0)
    for (const { from, to, ahead } of runs)
      for (let t = Math.max(from, Math.floor(first - ahead) + 1); t < to && t + ahead < first + a.fullLeafDays; t++)
        out[t] = (whole * (t + ahead - first)) / a.fullLeafDays;
  // Leaves that have done their work are worth ever less to it.
  for (const { from, to, ahead } of runs)
    for (let t = Math.max(from, Math.floor(y.stops.day - ahead) + 1); t < to && t + ahead < y.dormant.day; t++)
      out[t] = whole * Math.min(1, a.leavesWorkOn * answered(y, t + ahead));
  return out;
}

/**
 * Until when the wounds of winter stand open. Shoots seen before spring's first leaves were drawn out by a mild week, and
 * answer no hard cut; what wakes late is otherwise cut as winter ends, with the others.
 */
export function cutAnswered(y: PlantYear, c: Climate, task: Task): SeasonDay {
  if (!baresFrame(task)) return Math.min(y.wakes.day, c.spring.leaf);
  return y.seen?.growthFrom == null ? y.wakes.day : Math.max(y.wakes.day, c.spring.leaf);
}

/** What a cut loses by standing open for long until growth answers it: it dries and freezes back. */
function standsOpen({ taxon, year: y, climate: c, plan, runs, sheet }: Cut): Float32Array {
  const a = PRICE_ASSUMPTIONS;
  const out = sheet.singles();
  const hard = baresFrame(plan.task);
  // What would bleed by late winter is cut before it; what sleeps through a dry summer is cut in it.
  const early =
    taxon.ailments.includes("bleeds") ||
    taxon.restsInDrought === true ||
    inCycle(y, Math.floor(c.coldestDay)) < y.stops.day;
  // An outline is trimmed in autumn all the same.
  const opens = hard || (OPENS_WOOD.has(plan.task) && !shapesOutline(taxon, plan.task) && !early);
  // What sheds its leaves rests also where no winter puts it to sleep.
  const rests = y.sleeps || (!hard && taxon.leaf === "deciduous");
  if (taxon.leaf === "herbaceous" || !rests || !opens) return out;
  const answers = cutAnswered(y, c, plan.task);
  // Low grey leaves, and what winter takes back by half, are cut hard when growth begins (RHS, groups 6 and 10); with
  // long stubs left, or as the rains begin, also before.
  const halfTaken = taxon.frost.frameLoss >= a.halfTaken && plan.frameShiftC === 0 && !early;
  const low = taxon.group === "subshrub" || halfTaken;
  const [days, most] = !hard
    ? [a.woundsOpenDays, a.woundsOpenMost]
    : low
      ? [a.lowStandsOpenDays, a.lowStandsOpenMost]
      : [a.standsOpenDays, a.standsOpenMost];
  for (const { from, to, ahead } of runs)
    for (let t = from; t < to; t++) {
      const u = t + ahead;
      const next = u < y.stops.day ? answers : answers + YEAR_DAYS;
      out[t] = most * clampShare((next - u) / days - 1);
    }
  return out;
}
/** What is cut to an outline is shaped by trims. */
const shapesOutline = (t: Taxon, task: Task): boolean => t.outline && task === "shape";
/** Tasks whose wounds close with the growth of spring. */
const OPENS_WOOD: ReadonlySet<Task> = new Set(["shape", "thin", "renovate"]);

/** How sure the season's heat is to burn what is bared: half while afternoons pass the first limit, whole past the second. */
function heat({ taxon, climate: c, plan, sheet }: Cut): Float32Array {
  const { hotC, burnsC } = PRICE_ASSUMPTIONS;
  const out = sheet.singles();
  const { live, exposure } = TASK_TABLE[plan.task];
  if (!live || exposure === 0) return out;
  const share = shapesOutline(taxon, plan.task) || baresToSun(plan.task) ? 1 : PRICE_ASSUMPTIONS.heatWhereThinned;
  for (let t = 0; t < YEAR_DAYS; t++) out[t] = (share * (heatOdds(c, hotC, t) + heatOdds(c, burnsC, t))) / 2;
  return out;
}

/** Leaves come down before the wood sleeps; where no winter brings sleep, some weeks before the coldest day. */
const leavesFall = (c: Climate): SeasonDay => Math.min(coolingDay(c, PRICE_ASSUMPTIONS.leavesFallC), winterBegins(c));

/**
 * How far dead wood cannot be told from live: 1 while a plant that dies back or wakes late sleeps, or one of dry country
 * rests; a half while a hardy one is bare, or one in a mild winter, when only the surely dead may go.
 */
function untold({ taxon, year: y, climate: c, plan, runs, sheet }: Cut): Float32Array {
  const a = PRICE_ASSUMPTIONS;
  const out = sheet.singles();
  if (plan.task !== "dead-only" || plan.knows === "told" || taxon.leaf === "herbaceous") return out;
  const sheds = taxon.leaf === "deciduous" && taxon.restsInDrought !== true;
  // Where winters are harder than it bears, what they left of it shows in spring, leaves or none.
  const outOfZone = isColder(c.zone, taxon.coldestZone);
  if (sheds || (y.sleeps && taxon.leaf !== "evergreen")) {
    const late = y.wakes.day > c.spring.leaf + a.wakesLateDays;
    const asleep = y.sleeps && (late || taxon.frost.frameLoss >= a.diesBack) ? 1 : 0.5;
    fillCycle(out, runs, y.wakes.day, y.wakes.day + a.leavesTellDays, asleep);
    if (sheds) fillCycle(out, runs, Math.min(y.dormant.day, leavesFall(c)), Infinity, 0.5);
    fillCycle(out, runs, y.dormant.day, Infinity, asleep);
  }
  if (outOfZone) {
    fillCycle(out, runs, y.wakes.day, y.wakes.day + a.leavesTellDays, 1);
    fillCycle(out, runs, y.dormant.day, Infinity, 1);
  }
  if (taxon.restsInDrought === true && plan.knows !== "watered") {
    out.fill(1, Math.max(0, Math.floor(c.warmestDay) - a.restsBeforeDays), Math.floor(c.warmestDay) + a.restsAfterDays);
    // What flowers on shoots of the year is awake, and shows what is dead.
    for (const d of y.displays)
      if (d.display.on === "new" && isFlowers(d.display.name)) fillCycle(out, runs, d.opens.day, d.ends.day, 0);
  }
  return out;
}

/** 1 where a display has something spent to take off; a display's flowers may stand into the next cycle. */
function spent({ taxon, year: y, runs, sheet }: Cut): Uint8Array {
  const a = PRICE_ASSUMPTIONS;
  const out = sheet.bytes();
  if (!deadheaded(taxon)) return out;
  for (const d of y.displays) {
    if (d.display.spent === "not-done") continue;
    const from = d.opens.day + Math.min(a.spentAfterDays, a.spentFrom * (d.ends.day - d.opens.day));
    const until = d.display.spent === "weeks" ? d.ends.day + a.spentDays : y.wakes.day + YEAR_DAYS + a.headsUntilDays;
    fillCycle(out, runs, from, until, 1);
    fillCycle(out, runs, from - YEAR_DAYS, until - YEAR_DAYS, 1);
  }
  return out;
}

/** 1 where frost comes at the end of the season: growing, and past the warmest day, but not in the depth of winter yet. */
function lateSide({ year: y, climate: c, runs, sheet }: Cut): Uint8Array {
  const out = sheet.bytes();
  for (const warmest of [c.warmestDay - YEAR_DAYS, c.warmestDay])
    out.fill(1, Math.max(0, Math.floor(warmest) + 1), Math.max(0, Math.ceil(warmest + PRICE_ASSUMPTIONS.lateDays)));
  fillCycle(out, runs, y.dormant.day, Infinity, 0);
  return out;
}

function worstLoss(displays: readonly DisplayPrices[], { sheet }: Cut): Float64Array {
  const worst = sheet.doubles();
  for (const { weight, loss, nextLoss, accepted } of displays) {
    if (accepted) continue;
    for (let t = 0; t < YEAR_DAYS; t++) {
      const now = weight * loss[t]!;
      const next = weight * nextLoss[t]!;
      const worse = now > next ? now : next;
      if (worse > worst[t]!) worst[t] = worse;
    }
  }
  return worst;
}

/** Rows of a sheet that a year of prices takes beside those of its displays, with all that may be asked of it later. */
const YEAR_ROWS = 19;
export const sheetRows = (displays: number): number => YEAR_ROWS + displays * DISPLAY_ROWS;

/** What a task on a kind costs on each of the 365 days. What not every question needs is worked out when asked for. */
export class YearOfPrices {
  readonly task: Task;
  readonly displays: readonly DisplayPrices[];
  readonly regrowthRisk: Float32Array;
  /** Share of the season's extension still to come, for plants cut to an outline. */
  readonly redo: Float32Array;
  /** What a cut in full leaf costs the plant's reserves. */
  readonly reserves: Float32Array;
  /** What a cut loses until growth answers it. */
  readonly standsOpen: Float32Array;
  /** How sure the season's heat is to burn what is bared. */
  readonly heat: Float32Array;
  /** Of dead wood: how far it cannot be told from live. */
  readonly untold: Float32Array;
  /** Weighted loss of the display that is hit hardest. */
  readonly worstLoss: Float64Array;
  readonly #cut: Cut;
  #frost: Frost | null = null;
  #late: Uint8Array | null = null;
  #spent: Uint8Array | null = null;
  #harm: Float32Array | null = null;

  constructor(cut: Cut) {
    const { task } = cut.plan;
    this.#cut = cut;
    this.task = task;
    this.displays = TASK_TABLE[task].reach === 0 ? [] : cut.year.displays.map((d) => displayPrices(d, cut));
    this.regrowthRisk = regrowthRisk(cut);
    this.redo = redo(cut);
    this.reserves = reserves(cut);
    this.standsOpen = standsOpen(cut);
    this.heat = heat(cut);
    this.untold = untold(cut);
    this.worstLoss = worstLoss(this.displays, cut);
  }

  #frosts(): Frost {
    return (this.#frost ??= frostOf(this.#cut));
  }
  /** Chance that woken growth meets a killing frost before it is hard. */
  get growthFrost(): Float32Array {
    return this.#frosts().growth;
  }
  /** Chance that the bared framework is damaged, times how much of it goes. */
  get frameFrost(): Float32Array {
    return this.#frosts().frame;
  }
  /** Chance that leaves a trim has bared are scorched. */
  get scorch(): Float32Array {
    return this.#frosts().scorch;
  }
  get frostRisk(): Float32Array {
    return this.#frosts().risk;
  }
  /** 1 where the frost risk comes from the end of the season, 0 where spring will end it. */
  get lateSide(): Uint8Array {
    return (this.#late ??= lateSide(this.#cut));
  }
  /** 1 where there are spent flowers to take off. */
  get spent(): Uint8Array {
    return (this.#spent ??= spent(this.#cut));
  }
  /** Frost risk on the marked days alone, which are all that hundreds of years are asked for; 0 on the others. A sheet has room for one such question. */
  frostRiskOn(marked: Uint8Array): Float32Array {
    return frostOf(this.#cut, marked).risk;
  }
  /** Everything above in one number, for finding the best days. */
  get harm(): Float32Array {
    return (this.#harm ??= harmOf(this, this.#cut.sheet.singles()));
  }
}

/** Prices a task on a kind for all 365 days. Some hundredths of a millisecond; cache by kind, climate and plan. */
export function yearOfPrices(
  taxon: Taxon,
  year: PlantYear,
  climate: Climate,
  plan: CutPlan,
  sheet = new Sheet(sheetRows(year.displays.length)),
): YearOfPrices {
  return new YearOfPrices({ taxon, year, climate, plan, sheet, runs: cycleRuns(year) });
}
