/**
 * Everything that speaks for or against a task at a plant on a day, each as a finding: a verdict, a reason,
 * and what ends it. The strongest finding is the verdict. Each function looks at one matter.
 */
import { growthSeenSince, leavesOn, seasonsFinished, STANDING_TABLE, waitsForGrowth } from "../amount/index.ts";
import { addDays, seasonDate, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import { ZONES } from "../climate/index.ts";
import { LIMITS, TASK_TABLE } from "../model/index.ts";
import { giveOrTake, heightOnDay, inCycle, seasonsEndHeight, type DisplayYear } from "../phenology/index.ts";
import type { Share } from "../units/index.ts";
import { wildlifeInSeason, windOn, WIND_ASSUMPTIONS } from "./costs.ts";
import { dayOfFindings, dayOfRemarks } from "./dayOf.ts";
import { regimeOf } from "./gardenModel.ts";
import { inDoubtFindings } from "./inDoubt.ts";
import { capped, freesUpOn, isHard, isLive, lastCutback, nextDormancy, stageDate, type Question } from "./question.ts";
import { finding, reason, type Finding, type Opening, type Reason } from "./reasons.ts";
import { misfit } from "./tasks.ts";

/** A matter that says nothing of a question. */
const NOTHING: readonly Finding[] = [];

function danger({ plant, task }: Question): readonly Finding[] {
  const out: Finding[] = [];
  if (task === "leave") return out;
  if (plant.powerLineM !== null && plant.powerLineM < LIMITS.powerLineM)
    out.push(finding("ask-a-pro", "power-line", { distanceM: plant.powerLineM, limitM: LIMITS.powerLineM }, "z133"));
  if (isLive(task) && (plant.stance === "leaning" || plant.stance === "split"))
    out.push(finding("ask-a-pro", "leaning-trunk", { split: plant.stance === "split" }, "practice"));
  if (isLive(task) && plant.thickestStemMm !== null && plant.thickestStemMm > LIMITS.proStemMm)
    out.push(
      finding("ask-a-pro", "thick-stem", { diameterMm: plant.thickestStemMm, limitMm: LIMITS.proStemMm }, "practice"),
    );
  return out;
}

function wrongForKind({ taxon, task }: Question): readonly Finding[] {
  const name = taxon.common[0]!;
  const why = taxon.never[task];
  if (why !== undefined) return [finding("never", why, { taxon: name }, taxon.sources[0]!)];
  const odd = misfit(taxon, task);
  if (odd) return [finding("never", odd, { taxon: name }, taxon.sources[0]!)];
  if (isHard(task) && taxon.regrowthFromLeaflessWood === "no")
    return [finding("never", "old-wood-stays-bare", { taxon: name }, taxon.sources[0]!)];
  if (isHard(task) && !taxon.regimes.some((r) => r === "cutback" || r === "renewal"))
    return [finding("never", "no-such-regime", { taxon: name, task: TASK_TABLE[task].label }, taxon.sources[0]!)];
  return NOTHING;
}

const seen = (
  what: Extract<Opening, { by: "seen" }>["what"],
  expected: PlainDate | null = null,
  latest: PlainDate | null = null,
): Opening => ({ by: "seen", what, expected, latest });

const nextWaking = (q: Question): PlainDate => {
  const date = stageDate(q, q.kind.year.wakes.day);
  return date >= q.on ? date : addDays(date, YEAR_DAYS);
};

function standingFindings(q: Question): readonly Finding[] {
  const row = STANDING_TABLE[q.standing];
  // After a freeze the old heads are shelter and what looks dead may not be: neither comes off.
  const dead = (q.task === "dead-only" || q.task === "deadhead") && row.deadWood === "wait";
  const live = isLive(q.task) && row.liveCuts === "wait";
  const hard = isHard(q.task) && row.hardCut === "wait";
  if (!dead && !live && !hard) {
    if (!isLive(q.task)) return NOTHING;
    if (q.standing === "second-season") return [finding("fine", "second-season", { cap: q.balance.cap }, row.source)];
    if (q.standing === "past-maturity") return [finding("fine", "past-maturity", { cap: q.balance.cap }, row.source)];
    return NOTHING;
  }
  if (waitsForGrowth(q.standing))
    return [finding("wait", q.standing, {}, row.source, seen("growth", null, nextWaking(q)))];
  if (q.standing === "unchecked") return [finding("wait", "unchecked", {}, row.source, seen("survey"))];
  if (q.standing === "first-season" && hard && buildsBase(q)) return [finding("fine", "builds-base", {}, "practice")];
  if (q.standing === "first-season") {
    // A hard cut also waits for the second season to end: then it is established.
    const until = endOfSeason(q, hard ? 2 : 1);
    return [finding("wait", "first-season", { until }, row.source, { by: "day", on: until })];
  }
  if (q.standing === "second-season") {
    const until = endOfSeason(q, 2);
    return [finding("wait", "not-established", {}, row.source, { by: "day", on: until })];
  }
  return [finding("wait", "drought", {}, row.source, seen("survey"))];
}

/** The school that cuts a weak whip low in its first winter. */
const buildsBase = (q: Question): boolean =>
  q.schooling.buildsBase && inCycle(q.kind.year, q.day) >= q.kind.year.dormant.day;

/** First day on which a plant has finished n growing seasons. */
function endOfSeason(q: Question, n: number): PlainDate {
  const { year } = q.kind;
  const h = q.model.climate.hemisphere;
  const p = q.model.season(q.on);
  for (let turn = -1; turn < n + 2; turn++) {
    const d = seasonDate(p.seasonYear, year.stops.day + 1 + turn * YEAR_DAYS, h);
    if (d > q.on && (seasonsFinished(q.plant, year, h, d) ?? n) >= n) return d;
  }
  return addDays(q.on, YEAR_DAYS * n);
}

/** A cutback opens a new base: until the next dormancy only dead wood and deadheads. A renewal goes alone that year. */
function recentCuts(q: Question): readonly Finding[] {
  if (!isLive(q.task) || q.task === "thin-suckers") return NOTHING;
  const all = q.model.ledgerOf(q.plant.id);
  if (all.length === 0) return NOTHING;
  const base = lastCutback(all, q.on);
  const out: Finding[] = [];
  if (base) {
    const until = nextDormancy(q.model, q.taxon, base.on);
    if (until > q.on)
      out.push(finding("wait", "after-cutback", { on: base.on, until }, "practice", { by: "day", on: until }));
  }
  const renewal = q.entries.find((e) => e.regime === "renewal" && e.share > 0 && e.on <= q.on && leavesOn(e.on) > q.on);
  if (renewal && !base) {
    const until = leavesOn(renewal.on);
    out.push(finding("wait", "after-renewal", { on: renewal.on, until }, "shrub-renewal", { by: "day", on: until }));
  } else if (regimeOf(q.taxon, q.task) === "renewal" && q.balance.taken > LIMITS.leastUsefulShare) {
    const until = q.balance.counting.map((e) => leavesOn(e.on)).reduce((a, b) => (b > a ? b : a));
    out.push(finding("wait", "renewal-after-cuts", { until }, "shrub-renewal", { by: "day", on: until }));
  }
  return out;
}

function account(q: Question): readonly Finding[] {
  if (!capped(q) || q.balance.cap === 0 || q.task === "thin-suckers" || regimeOf(q.taxon, q.task) === "renewal")
    return NOTHING;
  const { taken, cap, left } = q.balance;
  if (left < LIMITS.leastUsefulShare) {
    const on = freesUpOn(q) ?? q.on;
    return [finding("wait", "cap-reached", { taken, cap, freesUpOn: on }, "shrub-third", { by: "day", on })];
  }
  return taken > 0 ? [finding("fine", "cap-left", { left, cap }, "shrub-third")] : NOTHING;
}

/** Growth seen so long after rest began is the new season's, where rest is long. */
const LAST_SEASONS_GROWTH_DAYS = 60;
/** How long past its expected day growth may still come. */
const LATEST_GROWTH_DAYS = 60;

const hardCutWaitsFor = (q: Question, what: "growth" | "midwinter"): boolean =>
  q.schooling.hardCutWaitsFor.includes(what);

/** A date is only the forecast of what is to be seen: until growth is written down a hard cut waits, also past that date. */
function waitsForGrowthToShow(q: Question): readonly Finding[] {
  if (!isHard(q.task) || !hardCutWaitsFor(q, "growth")) return NOTHING;
  const { year } = q.kind;
  const u = inCycle(year, q.day);
  // Once the season's growth is done the next spring's is what it waits for.
  const done = u >= year.stops.day;
  const rest = stageDate(q, year.dormant.day - (done ? 0 : YEAR_DAYS));
  // What grew before the middle of its rest was the season's before.
  const quiet = year.wakes.day + YEAR_DAYS - year.dormant.day;
  const since = addDays(rest, Math.round(Math.min(LAST_SEASONS_GROWTH_DAYS, quiet / 2)));
  if (growthSeenSince(q.plant, q.model.observationsOf(q.plant.id), since, q.on)) return NOTHING;
  const expected = stageDate(q, year.wakes.day + (done ? YEAR_DAYS : 0));
  const latest = addDays(expected, LATEST_GROWTH_DAYS);
  const opening = seen("growth", expected, latest);
  if (q.on > latest) return [finding("wait", "growth-never", { expected }, "practice", seen("survey"))];
  if (q.on > expected) return [finding("wait", "growth-overdue", { expected, latest }, "practice", opening)];
  const spreadDays = giveOrTake(year.wakes);
  return [finding("wait", "growth-shows", { expected, spreadDays }, "practice", opening)];
}

/** Past midwinter there is nothing left to shelter and the birds have had the seed. */
function waitsForMidwinter(q: Question): readonly Finding[] {
  const { climate } = q.model;
  const { dormant } = q.kind.year;
  const before = inCycle(q.kind.year, q.day) >= dormant.day && q.day > climate.warmestDay;
  if (!isHard(q.task) || !hardCutWaitsFor(q, "midwinter") || !before) return NOTHING;
  const p = q.model.season(q.on);
  const until = seasonDate(p.seasonYear + 1, Math.max(0, climate.coldestDay), climate.hemisphere);
  return [finding("wait", "after-midwinter", { until }, "practice", { by: "day", on: until })];
}

/** Berries, hips and seed heads that the gardener keeps: the cut waits until they are gone. */
function keptHeads(q: Question): readonly Finding[] {
  const school = q.schooling.options.some((o) => o.changes.keepsHeads === true);
  if (!(q.plant.goal.kind === "keep-heads" || school) || !TASK_TABLE[q.task].live) return NOTHING;
  const uses = wildlifeInSeason(q.taxon, q.kind.year, q.model.climate, q.day);
  if (!uses.includes("berries") && !uses.includes("seed")) return NOTHING;
  const began = addDays(q.on, -SAME_SEASON_DAYS);
  const gone = q.model
    .observationsOf(q.plant.id)
    .some((o) => o.kind === "berries-gone" && o.on <= q.on && o.on > began);
  const until = nextWaking(q);
  return gone ? NOTHING : [finding("wait", "berries-kept", { until }, "practice", seen("berries-gone", until, until))];
}
/** Berries gone within so many days are this season's. */
const SAME_SEASON_DAYS = 150;

/** The trims of this season are done. */
function trimmedEnough(q: Question): readonly Finding[] {
  if (q.task !== "shear" || !q.taxon.schools.includes("trims")) return NOTHING;
  const most = q.schooling.trims;
  const visits = q.model.visitsOf(q.plant.id);
  if (visits.length === 0) return NOTHING;
  const since = stageDate(q, q.kind.year.wakes.day);
  const trims = visits.filter((v) => v.task === "shear" && v.on >= since && v.on < q.on);
  return trims.length < most
    ? NOTHING
    : [finding("no-need", "trimmed-enough", { times: trims.length, on: trims.at(-1)!.on }, "practice")];
}

/** A cut against wind gains nothing on a plant that wind does not reach. */
function calm(q: Question): readonly Finding[] {
  if (q.task !== "reduce-for-wind") return NOTHING;
  const risk = windOn(q.model, q.plant, q.on, true);
  return risk < WIND_ASSUMPTIONS.calm ? [finding("no-need", "wind-calm", { risk }, "assumption")] : NOTHING;
}

function goalMet(q: Question): readonly Finding[] {
  const { plant, taxon } = q;
  if (q.task === "leave") return [finding("no-need", "goal-leave", {}, "practice")];
  if (!isLive(q.task) || plant.goal.heightM === null || plant.goal.kind === "smaller") return NOTHING;
  const h = q.model.climate.hemisphere;
  const records = { visits: q.model.visitsOf(plant.id), observations: q.model.observationsOf(plant.id) };
  const today = heightOnDay(plant, taxon, q.kind.year, h, records, q.on);
  const end = seasonsEndHeight(today, taxon, q.kind.year, h, q.on);
  const values = { heightM: today.heightM, endM: end[1], wantedM: plant.goal.heightM };
  return end[1] <= plant.goal.heightM ? [finding("no-need", "goal-met", values, "record")] : NOTHING;
}

/** Was this season's growth written down as out, and is it not hard yet? */
function growthIsOut(q: Question): boolean {
  const { year } = q.kind;
  const u = inCycle(year, q.day);
  return year.seen?.growthFrom != null && u >= year.seen.growthFrom && u < year.hardens.day;
}

/** Chance of harm by frost: of what grows already, where growth was seen to be out; else of what the cut wakes and bares. */
export function frostRiskOn(q: Question): Share {
  const { prices, year } = q.kind;
  if (!growthIsOut(q) || !q.taxon.frost.wakesWhenCut || !TASK_TABLE[q.task].wakes) return prices.frostRisk[q.day]!;
  const out = q.model.climate.frost(q.taxon.frost.growthKillC).between(inCycle(year, q.day), year.hardens.day);
  return Math.max(out, prices.frostRisk[q.day]!);
}
/** More likely than not frost takes what is out: a hard cut or shears wait until that is past. */
const LIKELY: Share = 0.5;

function growthOutFindings(q: Question): readonly Finding[] {
  if (!growthIsOut(q)) return NOTHING;
  const risk = frostRiskOn(q);
  if (risk <= 0.05 || q.kind.prices.growthFrost[q.day]! > 0.05) return NOTHING;
  const waits = risk > LIKELY && (isHard(q.task) || q.task === "shear");
  return [finding(waits ? "wait" : "fine", "growth-in-frost", { risk }, "place")];
}

function frostFindings(q: Question): readonly Finding[] {
  const { prices, year } = q.kind;
  const late = prices.lateSide[q.day] === 1;
  const verdict = prices.frostRisk[q.day]! <= LIMITS.frostRisk ? "fine" : late ? "too-late" : "wait";
  const out: Finding[] = [];
  const growth = prices.growthFrost[q.day]!;
  const frame = prices.frameFrost[q.day]!;
  if (growth > 0.05)
    out.push(
      late && inCycle(year, q.day) < year.dormant.day
        ? finding(verdict, "late-growth", { risk: growth }, "late-cuts")
        : finding(verdict, "spring-frost", { risk: growth }, "place"),
    );
  if (frame > 0.05) {
    const code = q.task === "deadhead" ? "heads-shelter" : "bared-frame";
    out.push(finding(verdict, code, { risk: frame }, "practice"));
  }
  return out;
}

function woodFindings(q: Question): readonly Finding[] {
  const { prices, year } = q.kind;
  const u = inCycle(year, q.day);
  if (prices.regrowthRisk[q.day]! > LIMITS.regrowthRisk)
    return u > year.hardens.day && u < year.dormant.day
      ? [finding("too-late", "shoots-hard", {}, "evergreen-pruning")]
      : [finding("wait", "shoots-not-out", {}, "evergreen-pruning")];
  if (prices.redo[q.day]! > LIMITS.redo) {
    const hardens = stageDate(q, u >= year.dormant.day ? year.hardens.day + YEAR_DAYS : year.hardens.day);
    return [finding("wait", "before-flush", { hardens, toCome: prices.redo[q.day]! }, "evergreen-pruning")];
  }
  return NOTHING;
}

const lossVerdict = (loss: Share, weight: number): "costs-flowers" | "fine" =>
  loss * weight > LIMITS.flowerLoss ? "costs-flowers" : "fine";

function displayFindings(q: Question): readonly Finding[] {
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

/** Why a good day is good, in the words of what makes it so. */
function goodFindings(q: Question): readonly Finding[] {
  const { prices, year } = q.kind;
  const u = inCycle(year, q.day);
  if (q.task === "dead-only") return [finding("best", "dead-any-day", {}, "practice")];
  if (q.task === "deadhead")
    return prices.spent[q.day]
      ? [finding("best", "spent-flowers", {}, "practice")]
      : [finding("no-need", "nothing-spent", {}, "practice")];
  if (!isLive(q.task)) return NOTHING;
  const verdict = q.kind.open[q.day] && !q.kind.neverFree ? "best" : "fine";
  const out: Finding[] = [];
  const free = prices.worstLoss[q.day]! <= LIMITS.flowerLoss;
  const old = year.displays.find((d) => d.display.on === "old" && d.display.weight >= 0.5);
  const fresh = year.displays.find((d) => d.display.on === "new");
  if (q.taxon.headOnlyWhileSoft) out.push(finding(verdict, "shoots-soft", {}, "evergreen-pruning"));
  else if (q.taxon.outline) out.push(finding(verdict, "flush-hardened", {}, "evergreen-pruning"));
  else if (free && old && lostNow(q, old))
    out.push(finding(verdict, "buds-were-killed", { display: old.display.name }, "record"));
  else if (free && old) out.push(finding(verdict, "buds-not-begun", { display: old.display.name }, "shrub-calendar"));
  else if (free && fresh && (u >= year.dormant.day || u < year.wakes.day + 14))
    out.push(
      finding(
        verdict,
        growthIsOut(q) ? "growth-just-out" : "before-growth",
        { display: fresh.display.name },
        "shrub-calendar",
      ),
    );
  else if (
    free &&
    fresh &&
    [u, u + YEAR_DAYS].some((d) => d >= fresh.ends.day && d < fresh.ends.day + AFTER_BLOOM_DAYS)
  )
    out.push(finding(verdict, "after-bloom", { display: fresh.display.name }, q.taxon.sources[0]!));
  if (isHard(q.task) && prices.reserves[q.day]! > 0.05) {
    const calm = prices.frostRisk[q.day]! <= LIMITS.frostRisk;
    const waits = free && calm && prices.reserves[q.day]! > LIMITS.reserves;
    out.push(finding(waits ? "wait" : "fine", "in-full-leaf", {}, "practice"));
  }
  return out;
}

/** Every matter looked at, in the order in which equals are told. */
const MATTERS: readonly ((q: Question) => readonly Finding[])[] = [
  danger,
  wrongForKind,
  standingFindings,
  recentCuts,
  account,
  waitsForGrowthToShow,
  waitsForMidwinter,
  keptHeads,
  trimmedEnough,
  calm,
  dayOfFindings,
  frostFindings,
  growthOutFindings,
  woodFindings,
  displayFindings,
  inDoubtFindings,
  goalMet,
  goodFindings,
];

/** Everything found, matter by matter; an empty answer would be a bug, so "no harm" closes the list. */
export function findingsFor(q: Question): readonly Finding[] {
  const all: Finding[] = [];
  for (const matter of MATTERS) for (const f of matter(q)) all.push(f);
  return all.length > 0 ? all : [finding("fine", "no-harm", {}, "practice")];
}

/** Facts that change no verdict but belong in the answer. */
export function remarks(q: Question): readonly Reason[] {
  const out: Reason[] = [];
  const { zone } = q.model.climate;
  if (ZONES.indexOf(zone) < ZONES.indexOf(q.taxon.coldestZone))
    out.push(reason("not-hardy", { zone, coldestZone: q.taxon.coldestZone }, "zones"));
  for (const d of q.kind.year.displays)
    if (d.placed) out.push(reason("placed-late", { display: d.display.name }, "bloom-order"));
  for (const display of q.kind.year.tooCoolFor) out.push(reason("too-cool-for", { display }, "bloom-order"));
  const grown = q.model
    .observationsOf(q.plant.id)
    .findLast((o) => o.kind === "growth-seen" && o.on <= q.on && o.on >= (q.plant.conditionOn ?? o.on));
  if (grown && q.standing === "healthy" && waitsForGrowth(q.plant.condition))
    out.push(reason("cut-back-to", { where: grown.where ?? "unsaid" }, "practice"));
  if (q.plant.support !== null && q.plant.support !== "sound" && isLive(q.task))
    out.push(reason("tie-first", { support: q.plant.support }, "practice"));
  const sparse =
    q.plant.health?.sparseFoot === true && (q.plant.goal.kind === "fuller" || q.plant.goal.kind === "renew");
  const dense = q.model.observationsOf(q.plant.id).some((o) => o.kind === "foot-dense" && o.on <= q.on);
  if (sparse && !dense && isLive(q.task)) out.push(reason("foot-first", {}, "practice"));
  const resting = inCycle(q.kind.year, q.day) >= q.kind.year.stops.day;
  if (!q.kind.year.sleeps && q.taxon.leaf !== "evergreen" && resting && isLive(q.task))
    out.push(reason("never-asleep", { quietFrom: stageDate(q, q.kind.year.dormant.day) }, "practice"));
  out.push(...dayOfRemarks(q));
  if (q.balance.over > 0)
    out.push(reason("cap-over", { over: q.balance.over, freesUpOn: freesUpOn(q) ?? q.on }, "shrub-third"));
  return out;
}
