/**
 * Everything that speaks for or against a task at a plant on a day, each as a finding: a verdict, a reason,
 * and what ends it. The strongest finding is the verdict. Each function looks at one matter.
 */
import { waitsForGrowth } from "../amount/index.ts";
import { daysBetween } from "../calendar/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { isColder } from "../climate/index.ts";
import type { Days } from "../units/index.ts";
import { TASK_TABLE, type Plant } from "../model/index.ts";
import { heightOf, seasonsEndOf } from "../garden/index.ts";
import { inCycle } from "../phenology/index.ts";
import { LOOKS_ONLY, refusalOf } from "../price/index.ts";
import { windOn, WIND_ASSUMPTIONS } from "../jobsite/index.ts";
import { buildOf, rubbingOf } from "../stems/index.ts";
import { ailmentFindings } from "./ailments.ts";
import { danger } from "./danger.ts";
import { dayOfFindings, dayOfRemarks } from "./dayOf.ts";
import {
  displayFindings,
  frostFindings,
  goodFindings,
  growthOutFindings,
  heatFindings,
  woodFindings,
} from "./dayPrices.ts";
import { felledBy, keepsLeader } from "./felled.ts";
import { inDoubtFindings } from "./inDoubt.ts";
import { freesUpOn, isBelowGraft, isHard, isLive, stageDate, type Question } from "./question.ts";
import { finding, NOTHING, reason, type Finding, type Reason } from "./reasons.ts";
import { STANDING_MATTERS } from "./standing.ts";

/** What the way a plant is grown forbids, or allows. */
function byForm({ plant, taxon, task, on }: Question): readonly Finding[] {
  const name = taxon.common[0]!;
  if (isBelowGraft(plant, task)) return [finding("best", "below-graft", {}, "practice")];
  const felled = felledBy(plant, taxon, task);
  if (felled === "head-not-felled") return [finding("never", felled, {}, "practice")];
  // What broke off is cut back to sound wood, and a pollard is cut to its own knuckles.
  const broken = plant.dangers.some((d) => d.what === "broken-limb" && d.on <= on);
  if (felled === "topping" && !broken)
    return [finding("never", felled, { taxon: name, conifer: keepsLeader(taxon) }, "practice")];
  return NOTHING;
}

/** Shears make a shell of twigs of what is grown for its own shape; low mounds, climbers and outlines bear them. */
const standsFree = (t: Taxon): boolean =>
  !t.outline &&
  t.routineTask !== "shear" &&
  t.group !== "subshrub" &&
  t.leaf !== "herbaceous" &&
  !BEARS_SHEARS.has(t.habit);
const BEARS_SHEARS: ReadonlySet<Taxon["habit"]> = new Set(["mound", "tuft", "climber"]);

function wrongForKind({ plant, taxon, task }: Question): readonly Finding[] {
  const name = taxon.common[0]!;
  if (isBelowGraft(plant, task)) return NOTHING;
  const refused = refusalOf(taxon, task);
  if (refused) return [finding("never", refused, { taxon: name }, taxon.sources[0]!)];
  if (taxon.never[task] === LOOKS_ONLY) return [finding("fine", LOOKS_ONLY, { taxon: name }, taxon.sources[0]!)];
  if (task === "shear" && standsFree(taxon)) return [finding("fine", "natural-shape", { taxon: name }, "practice")];
  if (isHard(task) && taxon.regrowthFromLeaflessWood === "no")
    return [finding("never", "old-wood-stays-bare", { taxon: name }, taxon.sources[0]!)];
  if (isHard(task) && !taxon.regimes.some((r) => r === "cutback" || r === "renewal"))
    return [finding("never", "no-such-regime", { taxon: name, task: TASK_TABLE[task].label }, taxon.sources[0]!)];
  return NOTHING;
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
  const { heightM } = heightOf(q.model, plant, q.on, taxon);
  const [, endM] = seasonsEndOf(q.model, plant, q.on, taxon);
  const values = { heightM, endM, wantedM: plant.goal.heightM };
  return endM <= plant.goal.heightM ? [finding("no-need", "goal-met", values, "record")] : NOTHING;
}

/** A look at its health holds for the year. */
const LOOKED_DAYS: Days = 365;
/** Wishes that ask for nothing but a plant in good order. */
const CONTENT: ReadonlySet<Plant["goal"]["kind"]> = new Set(["routine", "natural"]);

/** A kind that keeps its own shape, looked at and found in order, needs no cut: said with what was looked at. */
function wellFormed({ model, plant, taxon, task, on }: Question): readonly Finding[] {
  const { health } = plant;
  if ((task !== "shape" && task !== "thin") || !keepsItsShape(taxon) || !CONTENT.has(plant.goal.kind)) return NOTHING;
  if (health === null || health.on > on || daysBetween(health.on, on) > LOOKED_DAYS) return NOTHING;
  const sound = health.growth !== "none" && health.scratch !== "brown" && !health.disease && !health.sparseFoot;
  const free = plant.stance === "upright" && plant.touches.length === 0 && plant.dangers.length === 0;
  const stems = model.garden.stands.filter((s) => s.plantId === plant.id && s.on <= on).at(-1)?.stems ?? [];
  const build = buildOf(taxon, plant.form);
  const good = stems.every(
    (s) => s.state === "live" && s.crosses === null && s.faults.length === 0 && rubbingOf(s, build).length === 0,
  );
  return sound && free && good && health.deadShare === 0
    ? [finding("no-need", "well-formed", { on: health.on, stems: stems.length }, "practice")]
    : NOTHING;
}
/** Not a hedge, not rebuilt or renewed by habit: its branches stand where they should by themselves. */
const keepsItsShape = (t: Taxon): boolean =>
  t.passes === "shaping" && !t.outline && t.floweringWood !== "new" && !t.regimes.includes("cutback");

/** Every matter looked at, in the order in which equals are told. */
const MATTERS: readonly ((q: Question) => readonly Finding[])[] = [
  danger,
  byForm,
  wrongForKind,
  ...STANDING_MATTERS,
  calm,
  dayOfFindings,
  frostFindings,
  growthOutFindings,
  heatFindings,
  woodFindings,
  displayFindings,
  ailmentFindings,
  inDoubtFindings,
  goalMet,
  wellFormed,
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
  if (isColder(zone, q.taxon.coldestZone))
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
  // Where bare wood does not answer, there is nothing to wait for.
  if (sparse && !dense && isLive(q.task) && q.taxon.regrowthFromLeaflessWood !== "no")
    out.push(reason("foot-first", {}, "practice"));
  const resting = inCycle(q.kind.year, q.day) >= q.kind.year.stops.day;
  if (!q.kind.year.sleeps && q.taxon.leaf !== "evergreen" && resting && isLive(q.task))
    out.push(reason("never-asleep", { quietFrom: stageDate(q, q.kind.year.dormant.day) }, "practice"));
  out.push(...dayOfRemarks(q));
  if (q.balance.over > 0)
    out.push(reason("cap-over", { over: q.balance.over, freesUpOn: freesUpOn(q) ?? q.on }, "shrub-third"));
  return out;
}
