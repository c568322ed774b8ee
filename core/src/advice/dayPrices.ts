/** What the prices of the day say: frost, wood that does not break, work done twice, flowers; and what makes a day good. */
import { seasonDate, turnsBy, YEAR_DAYS } from "../calendar/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { heatOdds } from "../climate/index.ts";
import { LIMITS, TASK_TABLE, type Verdict } from "../model/index.ts";
import { inCycle, type DisplayYear } from "../phenology/index.ts";
import {
  baresToSun,
  deadheaded,
  isTender,
  overLimit,
  PRICE_ASSUMPTIONS,
  shootsHard,
  throwsFlush,
  type LimitName,
} from "../price/index.ts";
import type { Share } from "../units/index.ts";
import { goalLabel } from "./goals.ts";
import { isHard, isLive, nextAnswer, nextWaking, stageDate, type Question } from "./question.ts";
import { finding, NOTHING, type Finding, type LeafyCut } from "./reasons.ts";

/** What a limit calls the day; what opens again soon is not past. */
function over({ kind, day }: Question, name: LimitName): Verdict | null {
  const verdict = overLimit(name, kind, day);
  return verdict === "too-late" && kind.soon[day] === 1 ? "wait" : verdict;
}

/** Was this season's growth written down as out, and is it not hard yet? */
function growthIsOut(q: Question): boolean {
  const { year } = q.kind;
  const u = inCycle(year, q.day);
  return year.seen?.growthFrom != null && u >= year.seen.growthFrom && u < year.hardens.day;
}

/** Chance that frost takes the growth of the year that is out on a day of its cycle, cut or not. */
const takenByFrost = ({ model, taxon, kind }: Question, u: number): Share =>
  model.climate.frost(taxon.frost.growthKillC).between(u, kind.year.hardens.day);

/** Chance of harm by frost: of what grows already, where growth was seen to be out; else of what the cut wakes and bares. */
export function frostRiskOn(q: Question): Share {
  const { prices, year } = q.kind;
  if (!growthIsOut(q) || !q.taxon.frost.wakesWhenCut || !TASK_TABLE[q.task].wakes) return prices.frostRisk[q.day]!;
  return Math.max(takenByFrost(q, inCycle(year, q.day)), prices.frostRisk[q.day]!);
}
/** More likely than not frost takes what is out: a tender plant, a hard cut or shears wait until that is past. */
const LIKELY: Share = 0.5;

export function growthOutFindings(q: Question): readonly Finding[] {
  if (!growthIsOut(q)) return NOTHING;
  const risk = frostRiskOn(q);
  if (risk <= 0.05 || q.kind.prices.growthFrost[q.day]! > 0.05) return NOTHING;
  if (risk <= LIKELY || !(isTender(q.taxon) || baresToSun(q.task)))
    return [finding("fine", "growth-in-frost", { risk }, "place")];
  let last = inCycle(q.kind.year, q.day);
  while (takenByFrost(q, last + 1) > LIKELY) last++;
  return [finding("wait", "growth-in-frost", { risk }, "place", { by: "day", on: stageDate(q, last) })];
}

export function frostFindings(q: Question): readonly Finding[] {
  const { prices, year } = q.kind;
  const late = prices.lateSide[q.day] === 1;
  const verdict = over(q, "frost") ?? "fine";
  const out: Finding[] = [];
  const growth = prices.growthFrost[q.day]!;
  const frame = prices.frameFrost[q.day]!;
  if (growth > 0.05)
    out.push(
      late && inCycle(year, q.day) < year.dormant.day
        ? finding(verdict, verdict === "wait" ? "until-asleep" : "late-growth", { risk: growth }, "late-cuts")
        : finding(verdict, "spring-frost", { risk: growth }, "place"),
    );
  const scorch = prices.scorch[q.day]!;
  if (scorch > 0.05) out.push(finding(verdict, "scorch", { risk: scorch }, "practice"));
  if (frame > 0.05) {
    out.push(
      q.task === "deadhead"
        ? finding(verdict, "heads-shelter", { risk: frame, until: nextWaking(q) }, "practice")
        : finding(verdict, "bared-frame", { risk: frame }, "practice"),
    );
  }
  return out;
}

/** Weeks in which hardly an afternoon is cool enough for what shears or a hard cut bare. */
export function heatFindings(q: Question): readonly Finding[] {
  const waits = over(q, "heat");
  if (waits === null) return NOTHING;
  const limitC = PRICE_ASSUMPTIONS.burnsC;
  return [finding(waits, "hot-weeks", { odds: heatOdds(q.model.climate, limitC, q.day), limitC }, "practice")];
}

export function woodFindings(q: Question): readonly Finding[] {
  const { prices, year } = q.kind;
  const u = inCycle(year, q.day);
  const stub = over(q, "regrowth");
  if (stub) return [finding(stub, shootsHard(year, q.day) ? "shoots-hard" : "shoots-not-out", {}, "evergreen-pruning")];
  const again = over(q, "redo");
  if (again) {
    const hardens = stageDate(q, u >= year.dormant.day ? year.hardens.day + YEAR_DAYS : year.hardens.day);
    // Asleep, all of it is to come, however the price of a winter's trim is reckoned.
    const toCome = u >= year.dormant.day ? 1 : prices.redo[q.day]!;
    return [finding(again, "before-flush", { hardens, toCome }, "evergreen-pruning")];
  }
  return NOTHING;
}

/** What a day is that nothing closes, as far as flowers and harm go. */
const goodDay = (q: Question): "best" | "fine" => (q.kind.open[q.day] && !q.kind.neverFree ? "best" : "fine");

const lossVerdict = (loss: Share, weight: number): "costs-flowers" | "fine" =>
  loss * weight > LIMITS.flowerLoss ? "costs-flowers" : "fine";

export function displayFindings(q: Question): readonly Finding[] {
  const out: Finding[] = [];
  const h = q.model.climate.hemisphere;
  const p = q.model.season(q.on);
  for (const d of q.kind.prices.displays) {
    const loss = d.loss[q.day]!;
    const next = d.nextLoss[q.day]!;
    const delay = Math.round(d.delayDays[q.day]!);
    if (loss <= 0.02 && next <= 0.02 && delay < 3) continue;
    const display = d.name;
    const source = q.taxon.sources[0]!;
    if (d.accepted) {
      const lost = Math.max(loss, next);
      // Where it is most of them, that is what the day is answered with: nothing else can be said of its flowers.
      const verdict = lossVerdict(lost, d.weight) === "fine" ? "fine" : goodDay(q);
      if (lost > 0.02)
        out.push(
          finding(verdict, "loss-accepted", { display, loss: lost, goal: goalLabel(q.plant.goal.kind) }, source),
        );
      continue;
    }
    if (loss > 0.02) {
      const opens = seasonDate(p.seasonYear, d.opens[q.day]!, h);
      if (lossVerdict(loss, d.weight) === "fine") out.push(finding("fine", "small-loss", { display, loss }, source));
      else if (opens <= q.on) out.push(finding("costs-flowers", "costs-open-display", { display, loss }, source));
      else out.push(finding("costs-flowers", "costs-display", { display, loss, opens }, source));
    }
    if (delay >= 3) out.push(finding(lossVerdict(loss, d.weight), "delays-display", { display, days: delay }, source));
    if (next > 0.02)
      out.push(finding(lossVerdict(next, d.weight), "costs-next-display", { display, loss: next }, source));
  }
  return out;
}

/** For so long after bloom that it is over is worth saying. */
const AFTER_BLOOM_DAYS = 60;

/** Is the display that would come next, or be on, one whose buds were seen killed? */
function lostNow(q: Question, d: DisplayYear): boolean {
  return d.lostCycle !== null && d.lostCycle === Math.ceil((q.day - d.ends.day) / YEAR_DAYS);
}

/** Are the flowers over, and the buds of the next not begun? */
function betweenBloomAndBuds({ ends, budsBegin }: DisplayYear, u: number): boolean {
  if (!budsBegin) return false;
  const turn = (days: number): number => days - YEAR_DAYS * turnsBy(days);
  const gap = turn(budsBegin.day - ends.day);
  return gap < LONGEST_GAP_DAYS && turn(u - ends.day) < gap;
}
/** Buds that begin later than this after bloom began before it. */
const LONGEST_GAP_DAYS = 300;

/** What the day's price says of a display, by its name. */
const lossOf = (q: Question, display: string): Share =>
  q.kind.prices.displays.find((d) => d.name === display)?.loss[q.day] ?? 0;

function nothingSpent(t: Taxon): Finding {
  if (deadheaded(t)) return finding("no-need", "nothing-spent", {}, "practice");
  const fruit = t.displays.find((d) => d.fruit === true)?.name ?? null;
  return finding("no-need", "not-deadheaded", { fruit }, "practice");
}

/** What makes a day good for what flowers on shoots of the year. */
function onNewWood(q: Question, fresh: DisplayYear, u: number, verdict: "best" | "fine"): readonly Finding[] {
  const { year } = q.kind;
  const display = fresh.display.name;
  if (u >= year.dormant.day || u < year.wakes.day + 14) {
    const out = growthIsOut(q) || u < year.dormant.day;
    if (out) return [finding(verdict, "growth-just-out", { display }, "shrub-calendar")];
    // Asleep, what is lost is this year's that still stands, and the loss is told.
    return lossOf(q, display) > 0.02 ? NOTHING : [finding(verdict, "before-growth", { display }, "shrub-calendar")];
  }
  const past = [u, u + YEAR_DAYS].some((d) => d >= fresh.ends.day && d < fresh.ends.day + AFTER_BLOOM_DAYS);
  return past ? [finding(verdict, "after-bloom", { display }, q.taxon.sources[0]!)] : NOTHING;
}

/** What goes with the leaves: a flush that was made, old stems that were best taken after bloom or asleep, all of it. */
function leafyCut({ taxon, task }: Question, onOldWood: boolean): LeafyCut {
  if (throwsFlush(taxon, task) > 0) return "flush";
  if (task !== "renovate") return "all";
  return onOldWood ? "after-bloom" : "old-stems";
}

/** Why a good day is good, in the words of what makes it so. */
export function goodFindings(q: Question): readonly Finding[] {
  const { prices, year } = q.kind;
  const u = inCycle(year, q.day);
  if (q.task === "dead-only")
    return prices.untold[q.day]! > 0 ? NOTHING : [finding("best", "dead-any-day", {}, "practice")];
  if (q.task === "deadhead")
    return prices.spent[q.day] ? [finding("best", "spent-flowers", {}, "practice")] : [nothingSpent(q.taxon)];
  if (!isLive(q.task)) return NOTHING;
  const verdict = goodDay(q);
  const good: Finding[] = [];
  const free = over(q, "flowers") === null;
  const old = year.displays.find((d) => d.display.on === "old" && d.display.weight >= 0.5);
  const fresh = year.displays.find((d) => d.display.on === "new");
  const kept = (d: DisplayYear): boolean => lossVerdict(lossOf(q, d.display.name), d.display.weight) === "fine";
  if (q.taxon.headOnlyWhileSoft) good.push(finding(verdict, "shoots-soft", {}, "evergreen-pruning"));
  else if (q.taxon.outline)
    good.push(
      u >= year.hardens.day && u < year.dormant.day
        ? finding(verdict, "flush-hardened", {}, "evergreen-pruning")
        : finding(verdict, "flush-to-come", { allYear: !year.sleeps }, "practice"),
    );
  else if (free && old && lostNow(q, old))
    good.push(finding(verdict, "buds-were-killed", { display: old.display.name }, "record"));
  else if (free && old && betweenBloomAndBuds(old, u))
    good.push(finding(verdict, "buds-not-begun", { display: old.display.name }, "shrub-calendar"));
  else if (free && old && kept(old))
    good.push(
      finding(verdict, old.display.onSpurs ? "buds-on-spurs" : "few-buds", { display: old.display.name }, "practice"),
    );
  else if (free && fresh && kept(fresh)) good.push(...onNewWood(q, fresh, u, verdict));
  if (prices.reserves[q.day]! > 0.05) {
    const waits = free && over(q, "frost") === null ? over(q, "reserves") : null;
    if (waits !== null || isHard(q.task))
      good.push(finding(waits ?? "fine", "in-full-leaf", { cut: leafyCut(q, old !== undefined) }, "practice"));
  }
  if (prices.standsOpen[q.day]! > LIMITS.bestMargin)
    good.push(finding(over(q, "standsOpen") ?? "fine", "stands-open", { answers: nextAnswer(q) }, "practice"));
  return good;
}
