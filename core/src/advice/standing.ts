/** What a plant's age, its condition, its records and its account forbid or ask for, each with what ends it. */
import { growthSeenSince, leavesOn, seasonsFinished, STANDING_TABLE, waitsForGrowth } from "../amount/index.ts";
import { addDays, seasonDate, YEAR_DAYS, yearDay, type PlainDate } from "../calendar/index.ts";
import { LIMITS } from "../model/index.ts";
import { giveOrTake, inCycle } from "../phenology/index.ts";
import { overLimit, regimeOf } from "../price/index.ts";
import { wildlifeInSeason } from "../jobsite/index.ts";
import {
  capped,
  deadTold,
  freesUpOn,
  usualShare,
  isBelowGraft,
  isHard,
  isLive,
  lastCutback,
  nextDormancy,
  nextWaking,
  stageDate,
  takesMany,
  type Question,
} from "./question.ts";
import { finding, NOTHING, type Finding, type Opening } from "./reasons.ts";

const seen = (
  what: Extract<Opening, { by: "seen" }>["what"],
  expected: PlainDate | null = null,
  latest: PlainDate | null = null,
): Opening => ({ by: "seen", what, expected, latest });

function standingFindings(q: Question): readonly Finding[] {
  const row = STANDING_TABLE[q.standing];
  // After a freeze the old heads are shelter and what looks dead may not be: neither comes off.
  const dead = (q.task === "dead-only" || q.task === "deadhead") && row.deadWood === "wait";
  const takesLive = isLive(q.task) && !isBelowGraft(q.plant, q.task);
  const live = takesLive && row.liveCuts === "wait";
  const hard = (isHard(q.task) && row.hardCut === "wait") || (q.task === "shear" && row.shears === "wait");
  if (!dead && !live && !hard) {
    if (!takesLive) return NOTHING;
    if (q.standing === "second-season") return [finding("fine", "second-season", { cap: q.balance.cap }, row.source)];
    if (q.standing === "past-maturity") return [finding("fine", "past-maturity", { cap: q.balance.cap }, row.source)];
    if (q.standing === "drought") return [finding("fine", "drought-half", { cap: q.balance.cap }, row.source)];
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
  if (q.standing === "past-maturity")
    return q.task === "renovate" ? NOTHING : [finding("wait", "past-maturity-hard", {}, row.source, seen("survey"))];
  return [finding("wait", "drought", {}, row.source, seen("survey"))];
}

/** From when on what is dead can be told: leaves take their time after the first of them. */
function toldFrom(q: Question): PlainDate {
  const { untold } = q.kind.prices;
  let days = 0;
  while (days < YEAR_DAYS && untold[yearDay(q.day + days)]! > LIMITS.untold) days++;
  return addDays(q.on, days);
}

/** What is dead can be told by leaves, or by a scratch; a plant that sleeps keeps it to itself. */
function deadOrAsleep(q: Question): readonly Finding[] {
  if (q.task !== "dead-only") return NOTHING;
  const told = deadTold(q);
  if (told === "base") return [finding("best", "dead-tops-off", {}, "practice")];
  const expected = toldFrom(q);
  if (told === "none")
    return [finding("wait", "dead-not-told", { expected: null }, "practice", seen("growth", expected))];
  const verdict = overLimit("untold", q.kind, q.day);
  if (verdict) return [finding(verdict, "dead-not-told", { expected }, "practice")];
  return q.kind.prices.untold[q.day]! > 0 ? [finding("fine", "dead-maybe", {}, "practice")] : NOTHING;
}

/** The school that cuts a weak whip low in its first winter. */
const buildsBase = (q: Question): boolean =>
  q.schooling.buildsBase && inCycle(q.kind.year, q.day) >= q.kind.year.dormant.day;

/** First day on which a plant has finished n growing seasons. */
function endOfSeason(q: Question, n: number): PlainDate {
  const { year } = q.kind;
  const h = q.model.climate.hemisphere;
  const p = q.model.season(q.on);
  for (let turn = -1; turn < n + 2; turn++)
    for (const stage of [year.stops, year.dormant]) {
      const d = seasonDate(p.seasonYear, stage.day + 1 + turn * YEAR_DAYS, h);
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
  if (taken === 0) return NOTHING;
  const usual = usualShare(q);
  const on = left < usual ? freesUpOn(q) : null;
  return on === null
    ? [finding("fine", "cap-left", { left, cap }, "shrub-third")]
    : [finding("fine", "cap-scarce", { left, usual, freesUpOn: on }, "shrub-third")];
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
  const { stops } = q.kind.year;
  const before = inCycle(q.kind.year, q.day) >= stops.day && q.day > climate.warmestDay;
  if (!isHard(q.task) || !hardCutWaitsFor(q, "midwinter") || !before) return NOTHING;
  const p = q.model.season(q.on);
  const until = seasonDate(p.seasonYear + 1, Math.max(0, climate.coldestDay), climate.hemisphere);
  return [finding("wait", "after-midwinter", { until }, "practice", { by: "day", on: until })];
}

/** Berries, hips and seed heads that the gardener keeps: the cut waits until they are gone. */
function keptHeads(q: Question): readonly Finding[] {
  const school = q.schooling.options.some((o) => o.changes.keepsHeads === true);
  if (!(q.plant.goal.kind === "keep-heads" || school) || !takesMany(q.task)) return NOTHING;
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

/** A skirt is lifted by steps, one in twelve months. */
function liftedLately(q: Question): readonly Finding[] {
  if (q.task !== "lift") return NOTHING;
  const last = q.model.visitsOf(q.plant.id).findLast((v) => v.task === "lift" && v.on <= q.on);
  if (last && leavesOn(last.on) > q.on) {
    const until = leavesOn(last.on);
    return [finding("wait", "lifted-lately", { on: last.on, until }, "practice", { by: "day", on: until })];
  }
  return NOTHING;
}

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

/** In the order in which equals are told. */
export const STANDING_MATTERS: readonly ((q: Question) => readonly Finding[])[] = [
  standingFindings,
  recentCuts,
  account,
  deadOrAsleep,
  liftedLately,
  waitsForGrowthToShow,
  waitsForMidwinter,
  keptHeads,
  trimmedEnough,
];
