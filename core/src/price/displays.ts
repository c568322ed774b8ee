/**
 * What a cut costs each display of a kind, for every day of the year. A year is worked in runs of days that look
 * forward to the same bloom, and in them only the days on which something changes are worked out one by one: three
 * hundred years of it are asked for at a time.
 */
import type { Display, Taxon } from "../catalogue/index.ts";
import { turnsBy, YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import { growthFor, type Climate, type FrostOdds } from "../climate/index.ts";
import { TASK_TABLE, type Task } from "../model/index.ts";
import { isFlowers, type DisplayYear, type PlantYear } from "../phenology/index.ts";
import { clampShare, type Days, type DegreeDays, type Share } from "../units/index.ts";
import { LEAST_CHANCE, PRICE_ASSUMPTIONS } from "./assumptions.ts";
import type { Sheet } from "./sheet.ts";

export interface DisplayPrices {
  readonly name: string;
  readonly weight: Share;
  /** Given up knowingly: its loss is told, and no limit. */
  readonly accepted: boolean;
  /** Season day (may lie past 364) on which the coming display opens, as seen from each day. */
  readonly opens: Float64Array;
  readonly loss: Float32Array;
  readonly delayDays: Float32Array;
  /** Loss of the display after that one (buds may begin before this year's flowers are over). */
  readonly nextLoss: Float32Array;
}

/** How a task is carried out, as far as it changes prices. */
export interface CutPlan {
  readonly task: Task;
  /** Share of the length of the shoots that goes; the task's usual one when null. */
  readonly depth: Share | null;
  /** Share of the shoots that it reaches; the task's usual one when null (a renewal by sides takes half). */
  readonly reach: Share | null;
  /** The framework is damaged at a limit shifted by so much: negative when tops or stubs are kept, °C. */
  readonly frameShiftC: number;
  /** What the gardener gives up knowingly: nothing, the flowers, or everything it shows. */
  readonly accepts: Accepts;
  /** A first cut that the main one puts right: what it wakes and bares comes off anyway. */
  readonly firstStage: boolean;
  /** Of dead wood: whether somebody looked and told it from live, or waters what would else rest through summer. */
  readonly knows: "nothing" | "watered" | "told";
}
export type Accepts = "nothing" | "flowers" | "all";
/** A task as it is usually done. */
export const usualPlan = (task: Task): CutPlan => ({
  task,
  depth: null,
  reach: null,
  frameShiftC: 0,
  accepts: "nothing",
  firstStage: false,
  knows: "nothing",
});

/** Days past waking in which a hard cut takes only tops that winter killed, and leaves the new growth at the base. */
export const deadTopsDays = (taxon: Taxon, task: Task): Days =>
  task === "hard-cutback" && taxon.frost.frameLoss >= PRICE_ASSUMPTIONS.killedToBase ? PRICE_ASSUMPTIONS.topsDays : 0;

/** A cut that is priced: of what, in which year, where, and the sheet its prices are written on. */
export interface PricedCut {
  readonly taxon: Taxon;
  readonly year: PlantYear;
  readonly climate: Climate;
  readonly plan: CutPlan;
  readonly sheet: Sheet;
}

/** Whole days from a to below b, within a span of them: from `Math.ceil` of both. */
const within = (day: number, from: number, to: number): number => Math.min(to, Math.max(from, Math.ceil(day)));
/** The first whole day after a moment, within a span of days. */
const after = (day: SeasonDay, from: number, to: number): number => within(Math.floor(day) + 1, from, to);

/** Days of the year from which the same bloom is open or comes next. */
interface BloomRun {
  readonly from: number;
  readonly to: number;
  /** The cycle that bloom belongs to, and its days. */
  readonly cycle: number;
  readonly opens: SeasonDay;
  readonly ends: SeasonDay;
}

function bloomRuns(d: DisplayYear): readonly BloomRun[] {
  const runs: BloomRun[] = [];
  let cycle = Math.ceil(-d.ends.day / YEAR_DAYS + 1e-9);
  for (let from = 0; from < YEAR_DAYS; cycle++) {
    const [opens, ends] = [d.opens.day + cycle * YEAR_DAYS, d.ends.day + cycle * YEAR_DAYS];
    const to = within(ends, from, YEAR_DAYS);
    if (to > from) runs.push({ from, to, cycle, opens, ends });
    from = to;
  }
  return runs;
}

/** Cuts that leave this part of a shoot leave its spurs; shears cannot choose. */
const SPURS_FROM: Share = 0.75;
const leavesSpurs = ({ task, depth }: CutPlan): boolean =>
  task !== "shear" && (depth ?? TASK_TABLE[task].depth) < SPURS_FROM;

/** Share of a display's buds that stand in what the cut takes. */
const budsTaken = (plan: CutPlan, atTips: Share, onSpurs = false): Share => {
  const row = TASK_TABLE[plan.task];
  if (onSpurs && leavesSpurs(plan)) return 0;
  return (plan.reach ?? row.reach) * (atTips + (1 - atTips) * (plan.depth ?? row.depth));
};

/** What an old-wood display loses, of what the cut takes: all that is made of its buds, and more when stems are too young. */
interface OldWoodCut {
  readonly taken: Share;
  readonly least: Share;
}

/**
 * Whole years between a display on old wood and the making of its buds. What opens with the warmth of spring or summer
 * stood ready when the plant woke, however late a cool place lets it open; what opens in autumn or winter was made in
 * the same season, and so is coloured leaf.
 */
function budsTurn({ display, opens, budsBegin, budsSet }: DisplayYear, wakes: SeasonDay): number {
  const sameSeason = display.opens.rule === "cooling" || display.opens.rule === "season" || !isFlowers(display.name);
  return sameSeason ? turnsBy(opens.day - budsBegin!.day) : turnsBy(Math.min(opens.day, wakes) - budsSet!.day);
}

/** Loss of the display of a cycle on days before it opens: what is made of its buds by then goes with the cut. */
function lossOfBuds(
  d: DisplayYear,
  c: Climate,
  cut: OldWoodCut,
  turn: number,
  cycle: number,
  from: number,
  to: number,
  out: Float32Array,
): void {
  out.fill(cut.least, from, to);
  if (!d.budsBegin || !d.budsSet) return;
  const begin = d.budsBegin.day + YEAR_DAYS * (cycle + turn);
  const set = begin + Math.max(7, d.budsSet.day - d.budsBegin.day);
  const making = after(begin, from, to);
  const made = within(set, making, to);
  // Time left to regrow and set buds shrinks with the warmth that is left.
  const warmthAtBegin = c.warmthAt(begin);
  const whole = c.warmthAt(set) - warmthAtBegin;
  for (let t = making; t < made; t++) {
    const share = whole > 1 ? (c.warmthAt(t) - warmthAtBegin) / whole : (t - begin) / (set - begin);
    // What is cut early in their making is made again on the shoots that follow: little of it is lost at first.
    out[t] = Math.max(cut.taken * clampShare(share) ** PRICE_ASSUMPTIONS.budsMadeAgain, cut.least);
  }
  out.fill(Math.max(cut.taken, cut.least), made, to);
}

function oldWoodPrices(d: DisplayYear, { climate: c, plan, year }: PricedCut, out: DisplayPrices): void {
  const taken = budsTaken(plan, d.display.atTips, d.display.onSpurs);
  const cut = { taken, least: plan.task === "hard-cutback" ? PRICE_ASSUMPTIONS.youngStemsFlowerless * taken : 0 };
  const turn = d.budsBegin && d.budsSet ? budsTurn(d, year.wakes.day) : 0;
  for (const { from, to, cycle, opens, ends } of bloomRuns(d)) {
    out.opens.fill(opens, from, to);
    if (cycle === d.lostCycle) {
      // Its buds are dead: what a cut can still take are those of the display after it.
      lossOfBuds(d, c, cut, turn, cycle + 1, from, to, out.nextLoss);
      continue;
    }
    const open = within(opens, from, to);
    lossOfBuds(d, c, cut, turn, cycle, from, open, out.loss);
    for (let t = open; t < to; t++) out.loss[t] = taken * clampShare((ends - t) / (ends - opens));
    if (open < to) lossOfBuds(d, c, cut, turn, cycle + 1, open, to, out.nextLoss);
  }
}

/** Points at which a display is looked at for frost. */
const FROST_POINTS = 5;

/** Part of a display, spread evenly from a to b, that opens before frost ends it. */
function beforeFrost(c: Climate, odds: FrostOdds, a: SeasonDay, b: SeasonDay): Share {
  const turn = c.warmestDay + YEAR_DAYS * turnsBy(a - c.coldestDay);
  const from = Math.max(turn, a - YEAR_DAYS / 2);
  const point = (i: number): SeasonDay => a + ((b - a) * (i + 0.5)) / FROST_POINTS;
  // The last point is the one most in danger: where it is in none, all of it opens.
  const last = point(FROST_POINTS - 1);
  const lastKilled = last <= turn ? 0 : odds.between(from, last);
  if (lastKilled < LEAST_CHANCE) return 1;
  let sum = 0;
  for (let i = 0; i < FROST_POINTS - 1; i++) {
    const day = point(i);
    sum += day <= turn ? 1 : 1 - odds.between(from, day);
  }
  return (sum + 1 - lastKilled) / FROST_POINTS;
}

/** Coloured stems: the display begins with leaf fall, and what counts is the length grown by then. */
const shownWhenAsleep = (d: DisplayYear): boolean => d.display.opens.rule === "cooling" && d.display.on === "new";

/** One cycle of a display on new wood: what does not change from day to day. */
interface NewWoodCycle {
  readonly opens: SeasonDay;
  readonly ends: SeasonDay;
  readonly wakes: SeasonDay;
  readonly asleep: SeasonDay;
  readonly warmthAtWaking: number;
  /** Warmth from bud break to bloom. */
  readonly whole: DegreeDays;
  /** Part that frost leaves of it in any case. */
  readonly usual: Share;
}

/** Warmth from waking to bloom; where flowers wait for shorter days, what they would have needed without. Fruit takes it all to ripen. */
function warmthNeeded({ opens, fruit }: Display, year: PlantYear, c: Climate): DegreeDays {
  return opens.rule === "warmth" && opens.notBefore !== undefined && fruit !== true
    ? growthFor(opens.degreeDays) + c.warmthAt(c.spring.bloom) - c.warmthAt(year.wakes.day)
    : Infinity;
}

function newWoodCycle(r: BloomRun, year: PlantYear, c: Climate, odds: FrostOdds, needed: DegreeDays): NewWoodCycle {
  const { opens, ends } = r;
  const wakes = year.wakes.day + YEAR_DAYS * turnsBy(opens - year.wakes.day);
  const warmthAtWaking = c.warmthAt(wakes);
  return {
    opens,
    ends,
    wakes,
    asleep: year.dormant.day + wakes - year.wakes.day,
    warmthAtWaking,
    whole: Math.min(c.warmthAt(opens) - warmthAtWaking, needed),
    usual: Math.max(0.05, beforeFrost(c, odds, opens, ends)),
  };
}

/** What a cut does to a display on new wood: what it takes, how much of the way to bloom is to be grown again. */
interface NewWoodCut {
  readonly taken: Share;
  readonly again: Share;
  readonly odds: FrostOdds;
  readonly topsDays: Days;
  /** What was stored and goes with the cut, of all that growth so far has used. */
  readonly reserves: Share;
  /** What of a flush is still worth seeing when its first weeks are over. */
  readonly flushLeft: Share;
}

/** Asters are pinched until about the fourth of July: common practice, and photoperiod of the genus (Schwabe 1985, from memory). */
const DAYS_SHORTEN: SeasonDay = 184;

/** Flowers need the warmth from bud break to bloom again from the day of the cut; what then falls after frost is lost. */
function newWoodOn(
  d: DisplayYear,
  x: NewWoodCycle,
  c: Climate,
  cut: NewWoodCut,
  day: SeasonDay,
  out: DisplayPrices,
): void {
  const a = PRICE_ASSUMPTIONS;
  const { taken } = cut;
  if (day < x.wakes + cut.topsDays && day < x.opens) return;
  if (d.display.flushes === true) {
    const from = Math.max(day, x.opens);
    const next = Math.min(x.ends, Math.max(from, c.dayWithWarmth(day, x.whole * cut.again)));
    const over = day > x.opens + a.firstFlushDays ? cut.flushLeft : 1;
    out.loss[day] = (over * taken * (next - from)) / (x.ends - x.opens);
    out.delayDays[day] = next - from;
    return;
  }
  // The last weeks of coloured stems, among the swelling buds, or of blades that winter has broken, are nobody's reason to wait.
  const shownTo = shownWhenAsleep(d) || d.display.ends.rule === "spring" ? x.ends - a.fadingDays : x.ends;
  const left = clampShare((shownTo - day) / (shownTo - x.opens));
  if (day >= x.opens && (shownWhenAsleep(d) || d.display.spent === "not-done")) {
    out.loss[day] = taken * left;
    return;
  }
  if (shownWhenAsleep(d)) {
    out.loss[day] = taken * clampShare(1 - (c.warmthAt(x.opens) - c.warmthAt(day)) / x.whole);
    return;
  }
  // What growth so far has used of what was stored, and goes with the cut.
  const used = (): Share => cut.reserves * clampShare((c.warmthAt(day) - x.warmthAtWaking) / Math.max(1, x.whole));
  const branches = Math.min(x.opens - a.branchDays, DAYS_SHORTEN + YEAR_DAYS * turnsBy(x.opens));
  if (d.display.shortDays === true && day < branches) {
    out.loss[day] = taken * used();
    return;
  }
  const again = c.dayWithWarmth(day, x.whole * cut.again);
  if (again > x.asleep) {
    out.loss[day] = taken * left;
    return;
  }
  const late = Math.max(x.opens, again);
  const kept = late === x.opens ? 1 : beforeFrost(c, cut.odds, late, x.ends + late - x.opens) / x.usual;
  if (day < x.opens) {
    out.loss[day] = taken * clampShare(1 - (1 - used()) * kept);
    out.delayDays[day] = late - x.opens;
    return;
  }
  // In bloom: what is open goes; part of the rest comes back later.
  out.loss[day] = taken * left * clampShare(1 - (1 - a.reservesSpent) * kept);
  out.delayDays[day] = late - day;
}

function newWoodPrices(d: DisplayYear, q: PricedCut, out: DisplayPrices): void {
  const { climate: c, plan } = q;
  const again = plan.task === "hard-cutback" ? 1 : PRICE_ASSUMPTIONS.headedRegrowth;
  const cut = {
    taken: budsTaken(plan, 1),
    again,
    odds: c.frost(q.taxon.frost.growthKillC),
    topsDays: deadTopsDays(q.taxon, plan.task),
    // Soft ends hold next to nothing: what is pinched branches, and each branch flowers; so does what waits for shorter
    // days, headed before they come (common practice).
    reserves:
      plan.task === "tip" || (d.display.shortDays === true && plan.task !== "hard-cutback")
        ? 0
        : PRICE_ASSUMPTIONS.reservesSpent,
    flushLeft: q.taxon.leaf === "herbaceous" ? PRICE_ASSUMPTIONS.flushLeft : 1,
  };
  const needed = warmthNeeded(d.display, q.year, c);
  for (const run of bloomRuns(d)) {
    out.opens.fill(run.opens, run.from, run.to);
    if (cut.taken === 0) continue;
    const x = newWoodCycle(run, q.year, c, cut.odds, needed);
    for (let t = after(x.wakes, run.from, run.to); t < run.to; t++) newWoodOn(d, x, c, cut, t, out);
  }
}

/** Rows of a sheet that a display takes. */
export const DISPLAY_ROWS = 5;

/** Prices of a cut for one display, day by day. */
export function displayPrices(d: DisplayYear, q: PricedCut): DisplayPrices {
  const out = {
    name: d.display.name,
    weight: d.display.weight,
    accepted: q.plan.accepts === "all" || (q.plan.accepts === "flowers" && isFlowers(d.display.name)),
    opens: q.sheet.doubles(),
    loss: q.sheet.singles(),
    delayDays: q.sheet.singles(),
    nextLoss: q.sheet.singles(),
  };
  if (d.display.on === "new") newWoodPrices(d, q, out);
  else oldWoodPrices(d, q, out);
  return out;
}
