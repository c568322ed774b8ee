/** What frost may do to what a cut wakes, bares or lays open, for every day of the year. */
import type { Taxon } from "../catalogue/index.ts";
import { turnsBy, YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import type { Climate } from "../climate/index.ts";
import { TASK_TABLE, type Task } from "../model/index.ts";
import type { DegreeDays, Share } from "../units/index.ts";
import { LEAST_CHANCE, PRICE_ASSUMPTIONS } from "./assumptions.ts";
import { answered, intoBareEvergreen, type Cut } from "./cut.ts";
import { baresFrame } from "./tasks.ts";

/**
 * Days passed over at once where not even what the last of them starts meets frost: chances below the least one are
 * none. What starts later is hard later, so the span from the first day's shoots to the last day's holds them all.
 */
const LEAP_DAYS = 7;

/** Does winter take the frame of a kind where it is usual, so that it is left alone until frost is past? */
export const isTender = (t: Taxon): boolean => t.frost.frameKillC > PRICE_ASSUMPTIONS.hardyFrameC;

/** Where no winter brings sleep: some weeks before midwinter leaves are down, and nothing that is cut grows much. */
export const winterBegins = (c: Climate): SeasonDay => c.coldestDay + YEAR_DAYS - PRICE_ASSUMPTIONS.bareBeforeDays;

/** The day by which shoots that a cut on day u of the cycle starts are hard. */
function hardBy(c: Climate, harden: DegreeDays, u: SeasonDay): SeasonDay {
  return Math.min(
    u + PRICE_ASSUMPTIONS.hardenDaysMost,
    Math.max(u + PRICE_ASSUMPTIONS.hardenDaysLeast, c.dayWithWarmth(u, harden)),
  );
}

/**
 * Chance that growth woken by a cut is killed before it is hard, day by day. An easily woken plant answers in its
 * sleep too, and in spring; a hardy plant's own flush meets the same spring frosts, cut or not: only autumn's are
 * the cut's doing. So does a flush that was seen to be out: only frosts after it is hard are.
 */
function growthFrost({ taxon, year: y, climate: c, plan, runs, sheet }: Cut, asked: Uint8Array): Float32Array {
  const a = PRICE_ASSUMPTIONS;
  const out = sheet.singles();
  const { wakesWhenCut, growthKillC } = taxon.frost;
  // Whole shoots taken wake little; what is tender answers that too, and is left alone until frost is past.
  const wholeShoots = plan.task === "renovate" || (plan.task === "thin" && isTender(taxon));
  if (!(TASK_TABLE[plan.task].wakes || wholeShoots) || plan.firstStage) return out;
  const odds = c.frost(growthKillC);
  const flushWarmth = c.warmthAt(y.hardens.day) - c.warmthAt(y.wakes.day);
  const harden = Math.min(a.hardenDegreeDays, Math.max(60, flushWarmth));
  const grownFrom = y.seen?.growthFrom ?? Infinity;
  const woken = wholeShoots ? a.wholeShootsWake : 1;
  // What a night of frost takes whole is not cut hard until frost is past, whenever its shoots would come.
  const leftAlone = taxon.frost.frameKillC >= a.frostTenderC && baresFrame(plan.task);
  const wakes = leftAlone ? 0 : a.wakeDays;
  // Where no winter brings sleep, a cut of its short days is answered as one of a mild winter is.
  const rests = wakesWhenCut ? Math.min(y.dormant.day, winterBegins(c)) : y.dormant.day;
  const latent = Math.round(a.latentBudDays * intoBareEvergreen(taxon, plan.task));
  for (const { from, to, ahead } of runs)
    for (let t = from; t < to; t++) {
      if (asked[t] === 0) continue;
      const u = t + ahead;
      if (u >= rests) {
        if (!wakesWhenCut) break;
        out[t] = odds.untilWarmest(u + wakes);
        continue;
      }
      const midsummer = c.warmestDay + YEAR_DAYS * turnsBy(u - c.coldestDay);
      const isOut = u >= grownFrom && u < y.hardens.day;
      const ownDoing = !wakesWhenCut ? midsummer : isOut ? y.hardens.day : -Infinity;
      const grows = leftAlone ? u : Math.max(u + latent + a.sproutDays, ownDoing);
      const hard = hardBy(c, harden, u + latent);
      const answers = answered(y, u);
      const answer = hard > grows ? odds.between(grows, hard) * answers * woken : 0;
      // What does not answer any more sleeps on, and wakes at the next warm spell if it is of that kind.
      const chance = wakesWhenCut && answers < 1 ? answer + (1 - answers) * odds.untilWarmest(u + wakes) : answer;
      out[t] = chance;
      const last = u + LEAP_DAYS;
      if (chance < LEAST_CHANCE && last < rests && odds.between(grows, hardBy(c, harden, last + latent)) < LEAST_CHANCE)
        t += LEAP_DAYS;
    }
  return out;
}

/** How much of its frame a cut leaves bare. A low shrub is all base: old stems taken there bare it like a shaping. */
function bared(t: Taxon, task: Task): Share {
  const { exposure } = TASK_TABLE[task];
  return t.group === "subshrub" && task === "renovate" ? Math.max(exposure, TASK_TABLE.shape.exposure) : exposure;
}

/** Chance that what the cut bares is damaged by the cold still to come, times how much of it goes. */
function frameFrost({ taxon, year: y, climate: c, plan, runs, sheet }: Cut, asked: Uint8Array): Float32Array {
  const { frameKillC, frameLoss, headsShelterC } = taxon.frost;
  const heads = plan.task === "deadhead";
  const limitC = heads ? headsShelterC : frameKillC + plan.frameShiftC;
  const exposed = heads ? PRICE_ASSUMPTIONS.shelterLoss : bared(taxon, plan.task) * frameLoss;
  const out = sheet.singles();
  // A first cut that leaves part of the frame is judged by what stays: the rest comes off in any case.
  const comesOff = plan.firstStage && !baresFrame(plan.task);
  if (limitC === null || exposed === 0 || comesOff) return out;
  const odds = c.frost(limitC);
  // What grows on into winter does not grow it a new frame before the cold.
  const grown = Math.min(y.stops.day, winterBegins(c));
  for (const { from, to, ahead } of runs)
    for (let t = from; t < to; t++) {
      const u = t + ahead;
      // In summer no cold is near; shoots that are out early shelter no frame.
      if (asked[t] === 0 || (u < grown && (heads || u > c.warmestDay))) continue;
      out[t] = exposed * (heads ? odds.between(u, y.wakes.day + YEAR_DAYS) : odds.untilWarmest(u));
    }
  return out;
}

/**
 * Chance that frost scorches the inner leaves a trim has just bared: evergreens are not clipped in the frost's weeks,
 * nor cut hard in those of hard frost.
 */
function scorched({ taxon, year: y, climate: c, plan, runs, sheet }: Cut, asked: Uint8Array): Float32Array {
  const a = PRICE_ASSUMPTIONS;
  const out = sheet.singles();
  const hard = intoBareEvergreen(taxon, plan.task);
  const small = taxon.group === "subshrub";
  // A low mound is shaped by going over it.
  const opens = BARES_LEAVES.has(plan.task) || (small && plan.task === "shape");
  const trim = clippedOver(taxon) && taxon.leaf === "evergreen" && opens;
  if (hard === 0 && !trim) return out;
  const odds = c.frost(hard > 0 ? a.bitesC : a.scorchC);
  const winterEnds = c.warmestDay + YEAR_DAYS / 2 + a.winterEndsDays;
  for (const { from, to, ahead } of runs)
    for (let t = from; t < to; t++) {
      const u = t + ahead;
      // Heaths, heathers and grey leaves are small and hard: sheared as winter ends they come to no harm.
      const late = u > y.hardens.day && (!small || u < winterEnds);
      const early = !small && u < y.wakes.day + (hard > 0 ? 0 : a.justWakingDays);
      if (asked[t] === 1 && (late || early))
        out[t] = a.scorchLoss * (hard > 0 ? hard * odds.untilWarmest(u) : odds.between(u, u + a.scorchDays));
    }
  return out;
}
/** Hedges and clipped shapes, and the low evergreens that are sheared after bloom. */
const clippedOver = (t: Taxon): boolean => t.outline || t.group === "subshrub";
/** Trims along the outline lay open leaves that have never seen sun or frost. */
const BARES_LEAVES: ReadonlySet<Task> = new Set(["shear", "tip"]);

/** Chances of harm by frost, day by day. */
export interface Frost {
  readonly growth: Float32Array;
  readonly frame: Float32Array;
  readonly scorch: Float32Array;
  readonly risk: Float32Array;
}
const EVERY_DAY: Uint8Array = new Uint8Array(YEAR_DAYS).fill(1);

/** @param asked 1 for the days that are worked out; the others stay 0 */
export function frostOf(cut: Cut, asked = EVERY_DAY): Frost {
  const a = PRICE_ASSUMPTIONS;
  const [growth, frame, scorch] = [growthFrost(cut, asked), frameFrost(cut, asked), scorched(cut, asked)];
  const risk = cut.sheet.singles();
  const nipped = isTender(cut.taxon) ? 1 : a.nippedInSpring;
  const late = Math.floor(cut.climate.warmestDay) + 1;
  // Nipped in spring, or asleep, a plant with a hardy frame only shoots again; in autumn it loses what should ripen.
  for (const { from, to, ahead } of cut.runs)
    for (let t = from; t < to; t++) {
      const hurt = t < late ? nipped : 1 - (1 - answered(cut.year, t + ahead)) * (1 - nipped);
      risk[t] = 1 - (1 - hurt * growth[t]!) * (1 - frame[t]!) * (1 - scorch[t]!);
    }
  return { growth, frame, scorch, risk };
}
