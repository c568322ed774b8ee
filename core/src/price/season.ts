/**
 * The price of one task on one kind of plant for every day of the year: what it costs in displays, what
 * frost may do to what it wakes or bares, whether the wood breaks again, whether it has to be done twice.
 * This is the only place where a date turns into a price; verdicts read these numbers and nothing else.
 * Arrays run over season days 0–364, so a strip of the year can be scrubbed without recomputing.
 */
import type { Taxon } from "../catalogue/index.ts";
import { YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import type { Climate, FrostOdds } from "../climate/index.ts";
import { TASK_TABLE, type Task } from "../model/index.ts";
import { growthDone, inCycle, type DisplayYear, type PlantYear } from "../phenology/index.ts";
import { clampShare, type DegreeDays, type Share } from "../units/index.ts";

/** Assumptions of the price, in one table (ours, from memory of practice; no published constants exist). */
export const PRICE_ASSUMPTIONS = {
  /** Flowers a new-wood plant loses for the growth thrown away: this share of what it had grown towards bloom. */
  reservesSpent: 0.5,
  /** Share of the way to bloom that a headed (not cut back) plant has to grow again. */
  headedRegrowth: 0.75,
  /** Loss of the next old-wood display after a hard cut right after bloom: new stems are too young. */
  youngStemsFlowerless: 0.9,
  /** Days from a cut to new shoots, and least days until these are hard. */
  sproutDays: 10,
  hardenDaysLeast: 42,
  /** Warmth new shoots need to harden, when the flush's own figure is not smaller, °C·day. */
  hardenDegreeDays: 300,
  /** A plant counts as just waking for so long. */
  justWakingDays: 20,
  /** Weeks before new growth in which even an evergreen place is quiet, days. */
  quietDays: 45,
  /** Days of cold-season warmth after which an easily woken plant answers a cut. */
  wakeDays: 7,
  /** Loss that a display's buds suffer when their shelter of old heads is gone. */
  shelterLoss: 0.6,
  /** Weight of a day of delay against a lost display, and its ceiling. */
  delayWeightPerDay: 1 / 120,
  delayWeightMost: 0.3,
  redoWeight: 0.3,
  /** Spent flowers may be taken off this many days after bloom where they do not stay on. */
  spentDays: 45,
  /** Part of bloom after which there is something spent. */
  spentFrom: 0.4,
} as const;

export interface DisplayPrices {
  readonly name: string;
  readonly weight: Share;
  /** Season day (may lie past 364) on which the coming display opens, as seen from each day. */
  readonly opens: Float64Array;
  readonly loss: Float32Array;
  readonly delayDays: Float32Array;
  /** Loss of the display after that one (buds may begin before this year's flowers are over). */
  readonly nextLoss: Float32Array;
}

export interface YearOfPrices {
  readonly task: Task;
  readonly displays: readonly DisplayPrices[];
  /** Chance that woken growth meets a killing frost before it is hard. */
  readonly growthFrost: Float32Array;
  /** Chance that the bared framework is damaged, times how much of it goes. */
  readonly frameFrost: Float32Array;
  readonly frostRisk: Float32Array;
  /** 1 where the frost risk comes from the end of the season, 0 where spring will end it. */
  readonly lateSide: Uint8Array;
  readonly regrowthRisk: Float32Array;
  /** Share of the season's extension still to come, for plants cut to an outline. */
  readonly redo: Float32Array;
  /** What a cut in full leaf costs the plant's reserves. */
  readonly reserves: Float32Array;
  /** 1 where there are spent flowers to take off. */
  readonly spent: Uint8Array;
  /** Everything above in one number, for finding the best days. */
  readonly harm: Float32Array;
}

export interface CutPlan {
  readonly task: Task;
  /** Share of the length of the shoots that goes; the task's usual one when null. */
  readonly depth: Share | null;
  /** Share of the shoots that it reaches; the task's usual one when null (a renewal by sides takes half). */
  readonly reach: Share | null;
  /** The framework is damaged at a limit shifted by so much: negative when tops or stubs are kept, °C. */
  readonly frameShiftC: number;
}

const days = (): Float32Array => new Float32Array(YEAR_DAYS);

/** Share of a display's buds that stand in what the cut takes. */
const budsTaken = (plan: CutPlan, atTips: Share): Share => {
  const row = TASK_TABLE[plan.task];
  return (plan.reach ?? row.reach) * (atTips + (1 - atTips) * (plan.depth ?? row.depth));
};

/** The cycle of a display that is open or comes next on a day: 0, −1, 1. */
function comingCycle(d: DisplayYear, day: SeasonDay): number {
  return Math.ceil((day - d.ends.day) / YEAR_DAYS + 1e-9);
}

/** How far the buds of the display opening in a cycle have come by a day, 0–1. */
function budsMade(d: DisplayYear, c: Climate, cycle: number, day: SeasonDay): Share {
  if (!d.budsBegin || !d.budsSet) return 0;
  const opens = d.opens.day + cycle * YEAR_DAYS;
  const turns = Math.floor((opens - d.budsBegin.day) / YEAR_DAYS);
  const begin = d.budsBegin.day + turns * YEAR_DAYS;
  const set = begin + Math.max(7, d.budsSet.day - d.budsBegin.day);
  if (day <= begin) return 0;
  // Time left to regrow and set buds shrinks with the warmth that is left.
  const whole = c.warmthAt(set) - c.warmthAt(begin);
  const byWarmth = whole > 1 ? (c.warmthAt(day) - c.warmthAt(begin)) / whole : (day - begin) / (set - begin);
  return clampShare(byWarmth);
}

function oldWoodLoss(d: DisplayYear, c: Climate, plan: CutPlan, cycle: number, day: SeasonDay): Share {
  const taken = budsTaken(plan, d.display.atTips);
  const [opens, ends] = [d.opens.day + cycle * YEAR_DAYS, d.ends.day + cycle * YEAR_DAYS];
  if (day >= opens) return taken * clampShare((ends - day) / (ends - opens));
  const made = budsMade(d, c, cycle, day);
  const hard = plan.task === "hard-cutback" ? PRICE_ASSUMPTIONS.youngStemsFlowerless : 0;
  return Math.max(taken * made, hard * taken);
}

/** Points at which a display is looked at for frost. */
const FROST_POINTS = 5;

/** Part of a display, spread evenly from a to b, that opens before frost ends it. */
function beforeFrost(c: Climate, killC: number, a: SeasonDay, b: SeasonDay): Share {
  const odds = c.frost(killC);
  const turn = c.warmestDay + YEAR_DAYS * Math.floor((a - c.coldestDay) / YEAR_DAYS);
  const from = Math.max(turn, a - YEAR_DAYS / 2);
  let sum = 0;
  for (let i = 0; i < FROST_POINTS; i++) {
    const day = a + ((b - a) * (i + 0.5)) / FROST_POINTS;
    sum += day <= turn ? 1 : 1 - odds.between(from, day);
  }
  return sum / FROST_POINTS;
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
  readonly whole: number;
  /** Part that frost leaves of it in any case. */
  readonly usual: Share;
}

function newWoodCycle(d: DisplayYear, taxon: Taxon, year: PlantYear, c: Climate, cycle: number): NewWoodCycle {
  const [opens, ends] = [d.opens.day + cycle * YEAR_DAYS, d.ends.day + cycle * YEAR_DAYS];
  const wakes = year.wakes.day + YEAR_DAYS * Math.floor((opens - year.wakes.day) / YEAR_DAYS);
  const warmthAtWaking = c.warmthAt(wakes);
  return {
    opens,
    ends,
    wakes,
    asleep: year.dormant.day + wakes - year.wakes.day,
    warmthAtWaking,
    whole: c.warmthAt(opens) - warmthAtWaking,
    usual: Math.max(0.05, beforeFrost(c, taxon.frost.growthKillC, opens, ends)),
  };
}

/** Flowers need the warmth from bud break to bloom again from the day of the cut; what then falls after frost is lost. */
function newWoodOn(
  d: DisplayYear,
  x: NewWoodCycle,
  c: Climate,
  cut: { readonly taken: Share; readonly again: Share; readonly killC: number },
  day: SeasonDay,
  out: { loss: number; delayDays: number },
): void {
  const a = PRICE_ASSUMPTIONS;
  const { taken } = cut;
  out.loss = 0;
  out.delayDays = 0;
  if (taken === 0 || day <= x.wakes) return;
  const left = clampShare((x.ends - day) / (x.ends - x.opens));
  if (day >= x.opens && (shownWhenAsleep(d) || d.display.spent === "not-done")) {
    out.loss = taken * left;
    return;
  }
  if (shownWhenAsleep(d)) {
    out.loss = taken * clampShare(1 - (c.warmthAt(x.opens) - c.warmthAt(day)) / x.whole);
    return;
  }
  const again = c.dayWithWarmth(day, x.whole * cut.again);
  if (again > x.asleep) {
    out.loss = taken * left;
    return;
  }
  const late = Math.max(x.opens, again);
  const kept = late === x.opens ? 1 : beforeFrost(c, cut.killC, late, x.ends + late - x.opens) / x.usual;
  if (day < x.opens) {
    const spent = clampShare((c.warmthAt(day) - x.warmthAtWaking) / Math.max(1, x.whole));
    out.loss = taken * clampShare(1 - (1 - a.reservesSpent * spent) * kept);
    out.delayDays = late - x.opens;
    return;
  }
  // In bloom: what is open goes; part of the rest comes back later.
  out.loss = taken * left * clampShare(1 - (1 - a.reservesSpent) * kept);
  out.delayDays = late - day;
}

function newWoodPrices(
  d: DisplayYear,
  taxon: Taxon,
  year: PlantYear,
  c: Climate,
  plan: CutPlan,
  out: DisplayPrices,
): void {
  const again = plan.task === "hard-cutback" ? 1 : PRICE_ASSUMPTIONS.headedRegrowth;
  const cut = { taken: budsTaken(plan, 1), again, killC: taxon.frost.growthKillC };
  const on = { loss: 0, delayDays: 0 };
  let [known, x] = [NaN, newWoodCycle(d, taxon, year, c, 0)];
  for (let t = 0; t < YEAR_DAYS; t++) {
    const cycle = comingCycle(d, t);
    if (cycle !== known) [known, x] = [cycle, newWoodCycle(d, taxon, year, c, cycle)];
    newWoodOn(d, x, c, cut, t, on);
    out.opens[t] = x.opens;
    out.loss[t] = on.loss;
    out.delayDays[t] = on.delayDays;
  }
}

function displayPrices(d: DisplayYear, taxon: Taxon, year: PlantYear, c: Climate, plan: CutPlan): DisplayPrices {
  const { name, weight } = d.display;
  const out = { name, weight, opens: new Float64Array(YEAR_DAYS), loss: days(), delayDays: days(), nextLoss: days() };
  if (d.display.on === "new") {
    newWoodPrices(d, taxon, year, c, plan, out);
    return out;
  }
  for (let t = 0; t < YEAR_DAYS; t++) {
    const cycle = comingCycle(d, t);
    out.opens[t] = d.opens.day + cycle * YEAR_DAYS;
    out.loss[t] = oldWoodLoss(d, c, plan, cycle, t);
    out.nextLoss[t] = t >= out.opens[t]! ? oldWoodLoss(d, c, plan, cycle + 1, t) : 0;
  }
  return out;
}

/** The warmest day that ends the cold season a day stands in or before. */
const nextWarmest = (c: Climate, day: SeasonDay): SeasonDay => {
  const turns = Math.ceil((day - c.warmestDay) / YEAR_DAYS);
  return c.warmestDay + turns * YEAR_DAYS;
};

/** Chance that growth woken by a cut on day u of the cycle is killed before it is hard. */
function growthFrostOn(
  taxon: Taxon,
  y: PlantYear,
  c: Climate,
  odds: FrostOdds,
  harden: DegreeDays,
  u: SeasonDay,
): Share {
  const a = PRICE_ASSUMPTIONS;
  if (u >= y.dormant.day)
    return taxon.frost.wakesWhenCut ? odds.between(u + a.wakeDays, nextWarmest(c, u + a.wakeDays)) : 0;
  const byWarmth = c.dayWithWarmth(u, harden);
  const hard = Math.min(u + 200, Math.max(u + a.hardenDaysLeast, byWarmth));
  const midsummer = c.warmestDay + YEAR_DAYS * Math.floor((u - c.coldestDay) / YEAR_DAYS);
  // A hardy plant's own flush meets the same spring frosts, cut or not; only autumn's are the cut's doing.
  const from = taxon.frost.wakesWhenCut ? u + a.sproutDays : Math.max(u + a.sproutDays, midsummer);
  const met = hard > from ? odds.between(from, hard) : 0;
  // Between the end of growth and dormancy ever fewer cuts are answered; the last weeks fall off fast.
  const asleep = clampShare((u - y.stops.day) / Math.max(1, y.dormant.day - y.stops.day));
  return met * (1 - asleep * asleep);
}

/** Chance that what the cut bares is damaged by the cold still to come, times how much of it goes. */
function frameFrostOn(taxon: Taxon, y: PlantYear, c: Climate, plan: CutPlan, u: SeasonDay): Share {
  const { frameKillC, frameLoss, headsShelterC } = taxon.frost;
  if (plan.task === "deadhead") {
    if (headsShelterC === null || u < y.stops.day) return 0;
    return PRICE_ASSUMPTIONS.shelterLoss * c.frost(headsShelterC).between(u, y.wakes.day + YEAR_DAYS);
  }
  const exposed = TASK_TABLE[plan.task].exposure * frameLoss;
  if (exposed === 0 || u < y.stops.day) return 0;
  return exposed * c.frost(frameKillC + plan.frameShiftC).between(u, nextWarmest(c, u));
}

/** Kinds whose shoots may be headed only while soft stay a stub when cut later. */
function regrowthRiskOn(taxon: Taxon, y: PlantYear, plan: CutPlan, u: SeasonDay): Share {
  if (!TASK_TABLE[plan.task].wakes || !taxon.headOnlyWhileSoft) return 0;
  const soft = u >= y.wakes.day + 10 && u <= y.hardens.day;
  return soft ? 0 : 0.9;
}

/**
 * In leaf and past the first weeks of waking, when a hard cut is still answered from the roots. Where winter is
 * too mild for sleep, the quiet weeks before the new growth stand for it.
 */
const inFullLeaf = (y: PlantYear, u: SeasonDay): boolean =>
  u > y.wakes.day + PRICE_ASSUMPTIONS.justWakingDays &&
  u < Math.min(y.dormant.day, y.wakes.day + YEAR_DAYS - PRICE_ASSUMPTIONS.quietDays);

function spentOn(y: PlantYear, u: SeasonDay): boolean {
  const a = PRICE_ASSUMPTIONS;
  return y.displays.some((d) => {
    if (d.display.spent === "not-done") return false;
    const from = d.opens.day + a.spentFrom * (d.ends.day - d.opens.day);
    const until = d.display.spent === "weeks" ? d.ends.day + a.spentDays : y.wakes.day + YEAR_DAYS + 14;
    return (u >= from && u <= until) || (u + YEAR_DAYS >= from && u + YEAR_DAYS <= until);
  });
}

function harmOf(p: Omit<YearOfPrices, "harm">): Float32Array {
  const a = PRICE_ASSUMPTIONS;
  const harm = days();
  for (let t = 0; t < YEAR_DAYS; t++)
    harm[t] = p.reserves[t]! + p.frostRisk[t]! + p.regrowthRisk[t]! + a.redoWeight * p.redo[t]!;
  for (const d of p.displays)
    for (let t = 0; t < YEAR_DAYS; t++) {
      const delay = Math.min(a.delayWeightMost, d.delayDays[t]! * a.delayWeightPerDay);
      harm[t] = harm[t]! + d.weight * (d.loss[t]! + d.nextLoss[t]! + delay);
    }
  return harm;
}

/** Prices a task on a kind for all 365 days. About a millisecond; cache by kind, climate and plan. */
export function yearOfPrices(taxon: Taxon, year: PlantYear, c: Climate, plan: CutPlan): YearOfPrices {
  const row = TASK_TABLE[plan.task];
  const p = {
    task: plan.task,
    displays: row.reach === 0 ? [] : year.displays.map((d) => displayPrices(d, taxon, year, c, plan)),
    growthFrost: days(),
    frameFrost: days(),
    frostRisk: days(),
    lateSide: new Uint8Array(YEAR_DAYS),
    regrowthRisk: days(),
    redo: days(),
    reserves: days(),
    spent: new Uint8Array(YEAR_DAYS),
  };
  const odds = c.frost(taxon.frost.growthKillC);
  const flushWarmth = c.warmthAt(year.hardens.day) - c.warmthAt(year.wakes.day);
  const harden = Math.min(PRICE_ASSUMPTIONS.hardenDegreeDays, Math.max(60, flushWarmth));
  for (let t = 0; t < YEAR_DAYS; t++) {
    const u = inCycle(year, t);
    p.growthFrost[t] = row.wakes ? growthFrostOn(taxon, year, c, odds, harden, u) : 0;
    p.frameFrost[t] = frameFrostOn(taxon, year, c, plan, u);
    p.frostRisk[t] = 1 - (1 - p.growthFrost[t]!) * (1 - p.frameFrost[t]!);
    p.lateSide[t] = u < year.dormant.day && nextWarmest(c, t) - t > YEAR_DAYS / 2 ? 1 : 0;
    p.regrowthRisk[t] = regrowthRiskOn(taxon, year, plan, u);
    p.redo[t] = taxon.outline && row.wakes ? 1 - growthDone(year, u) : 0;
    if (taxon.outline && row.wakes && u >= year.dormant.day) p.redo[t] = 1;
    p.reserves[t] = inFullLeaf(year, u) ? taxon.inLeafCost * row.exposure ** 3 : 0;
    p.spent[t] = spentOn(year, u) ? 1 : 0;
  }
  return { ...p, harm: harmOf(p) };
}
