/**
 * A proposal: the passes of the task in order, each taking what puts most right with what is left of the
 * account. What had to stay for the cap is said too. Every cut can be put back or changed afterwards.
 */
import type { PlainDate } from "../calendar/index.ts";
import type { Pass, StemCut } from "../model/index.ts";
import { aimOn, heightOf, reductionOn, type GardenModel } from "../garden/index.ts";
import { regimeOf } from "../price/index.ts";
import { ARCHITECTURE_TABLE, buildOf, shootEnds } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { passesOffered } from "../craft/index.ts";
import { fittingHeads } from "./heights.ts";
import {
  costOf,
  IN_ORDER,
  oldestFirst,
  pastUpkeep,
  wantedIn,
  workplaceOf,
  worthOf,
  type WantedCut,
  type Workplace,
} from "./passes.ts";
import { isRefusal, waiting, type Remark } from "./remarks.ts";
import { EPSILON, isLive, LEAST_OFF_M, tried, wantedOf, type Setting, type SuggestQuestion } from "./setting.ts";
import { bestSubset } from "./subset.ts";
import { treeForm, type TreeForm } from "./treeForm.ts";
import { renewalThird, tryOut } from "./tryOut.ts";
import { lowestM, wholePlant } from "./whole.ts";

export interface PassSuggestion {
  readonly pass: Pass;
  readonly cuts: readonly StemCut[];
  /** What the plant, its kind or somebody's safety refuses of this pass. */
  readonly refused: readonly Remark[];
  /** Stems that wanted to go in this pass and stay because the cap, or the third by count, is reached. */
  readonly stays: readonly string[];
}

/** Why a wish gets no cut. */
export type Unanswered =
  | "no-line"
  | "behind-line"
  | "line-undrawn"
  | "at-height"
  | "leader-stays"
  | "nothing-inside"
  | "nothing-weak"
  | "no-tree"
  | "is-tree"
  | "as-it-grows"
  | "nothing-needed";

/** A proposed set of cuts, pass by pass. */
export interface Suggestion {
  readonly cuts: readonly StemCut[];
  readonly passes: readonly PassSuggestion[];
  /** Why nothing alive may go, or nothing at all; null when the plant's state keeps nothing back. */
  readonly waits: Remark | null;
  /** Stems over the thumb are more than half: a renewal over three years, not upkeep. */
  readonly pastUpkeep: boolean;
  /** The height that was aimed at, and the one this year's share allows, with the years to the aim; null when no height was cut. */
  readonly heightM: { readonly aimed: Metres; readonly reached: Metres; readonly years: number | null } | null;
  /** What was wished for and asks for no cut, and why. */
  readonly unanswered: readonly Unanswered[];
}

/** So many cuts of one pass are chosen among exactly; of more the first that fit are taken. */
const MOST_CHOSEN = 60;

/** The cuts of a pass that fit: in their order, or the most worth for what is left, exactly. Dead and torn wood always goes. */
function chosen(pass: Pass, wanted: readonly WantedCut[], w: Workplace, set: Setting, left: Share, gone: Gone) {
  if (pass === "dead" || pass === "hazard") return wanted;
  if (pass === "oldest" && set.thirdByCount !== null) {
    const live = w.stems.filter(isLive).toSorted(oldestFirst);
    const most = Math.max(0, set.thirdByCount - gone.live);
    const byId = new Map(wanted.map((x) => [x.stem.id, x]));
    return live
      .slice(0, most)
      .map((s): WantedCut => byId.get(s.id) ?? { cut: { cut: "remove", stemId: s.id }, stem: s, worth: 1 });
  }
  // However much may go, a rose is not left without its stronger half.
  if (pass === "oldest" && set.budget === Infinity) return wanted.slice(0, renewalThird(w.stems.filter(isLive).length));
  const costs = wanted.map((x) => costOf(x, w));
  if (IN_ORDER.has(pass) || wanted.length > MOST_CHOSEN) {
    let spent = 0;
    // What alone is more than may go is passed over; else the order holds, and ends where the account does.
    const fit: WantedCut[] = [];
    for (const [i, x] of wanted.entries()) {
      if (costs[i]! > left + EPSILON) continue;
      if (spent + costs[i]! > left + EPSILON) break;
      spent += costs[i]!;
      fit.push(x);
    }
    return fit;
  }
  const ends = w.drawn.reduce((n, s) => n + shootEnds(s), 0);
  const items = wanted.map((x, i) => ({ value: worthOf(x, ends), cost: costs[i]! }));
  return bestSubset(items, left).map((i) => wanted[i]!);
}

/** What went already: stems at the base, and of these the live ones. */
interface Gone {
  readonly stems: Set<string>;
  live: number;
}

/** By its width it stands over a line, whether a stem is drawn there or not. */
const overByWidth = ({ q, aim }: Setting): boolean =>
  aim.lines.some(({ cutAtM }) => q.plant.widthM / 2 > cutAtM + OVER_M);
/** A width is not measured more closely, m. */
const OVER_M: Metres = 0.1;

/** What was wished for and got no cut of its own, and why. */
function unanswered(
  set: Setting,
  passes: readonly PassSuggestion[],
  size: { heightM: Metres },
  tree: TreeForm | null,
): readonly Unanswered[] {
  const { goal } = set.q.plant;
  const { leads } = ARCHITECTURE_TABLE[set.build.architecture];
  const did = (p: Pass): boolean =>
    passes.some((x) => x.pass === p && x.cuts.length + x.stays.length + x.refused.length > 0);
  const out: Unanswered[] = [];
  const wantsLine = goal.kind === "off-path" || goal.kind === "ground" || goal.lines.length > 0;
  if (wantsLine && goal.lines.length === 0) out.push("no-line");
  else if (wantsLine && !did("off-path")) out.push(overByWidth(set) ? "line-undrawn" : "behind-line");
  if (goal.kind === "open" && !did("inside")) out.push("nothing-inside");
  if ((goal.kind === "upright" || goal.kind === "large-flowers") && !did("weak") && !did("height"))
    out.push("nothing-weak");
  const aimed = set.aim.height && set.aim.by === "wish" ? set.aim.height.cutAtM * set.scale : null;
  const led = leads && !set.model.taxonOf(set.q.plant).outline;
  if (aimed !== null && ((!did("height") && !did("ends")) || led))
    out.push(size.heightM <= aimed ? "at-height" : "leader-stays");
  if (goal.kind === "tree-form" && !did("frame") && !did("lift")) out.push(tree === null ? "no-tree" : "is-tree");
  if (out.length === 0 && !passes.some((p) => p.cuts.length + p.stays.length + p.refused.length > 0))
    out.push(leads ? "as-it-grows" : "nothing-needed");
  return out;
}

/** Proposes a set of cuts for a task at a plant on a day. */
export function suggest(model: GardenModel, q: SuggestQuestion, on: PlainDate): Suggestion {
  const taxon = model.taxonOf(q.plant);
  const build = buildOf(taxon, q.plant.form);
  const clean = tryOut(model, { ...q, cuts: [] }, on);
  const { advice } = clean;
  const waits = waiting(advice.standing);
  const nowM = heightOf(model, q.plant, on).heightM;
  const set: Setting = {
    model,
    q,
    on,
    build,
    aim: aimOn(model, q.plant, on, q.task, wantedOf(q)),
    scale: nowM > 0 && clean.before.heightM > 0 ? clean.before.heightM / nowM : 1,
    budget: clean.cap === null ? Infinity : Math.max(0, clean.cap - advice.takenLast12Months),
    thirdByCount: clean.stemsMayGo,
  };
  const gone: Gone = { stems: new Set(), live: 0 };
  const cuts: StemCut[] = [];
  let heightM: Suggestion["heightM"] = null;
  const whole = workplaceOf(q.plant, taxon, q.stems, set.aim, advice.standing);
  const place = (): Workplace => ({ ...whole, stems: q.stems.filter((s) => !gone.stems.has(s.id)) });
  const offered = passesOffered(taxon, q.task, q.plant, advice.standing);
  // The first of the years in which it becomes a small tree.
  const tree =
    q.plant.goal.kind === "tree-form" && offered.includes("frame")
      ? treeForm(q.stems, taxon, {
          heightM: clean.before.heightM,
          cap: set.budget,
          clearM: Math.max(0, lowestM(set)),
          aimM: null,
        })
      : null;
  const passes = offered.map((pass): PassSuggestion => {
    const w = place();
    const wanted = wantedIn(pass, w).filter((x) => !cuts.some((c) => sameCut(c, x.cut)));
    let mine: StemCut[] = [];
    if (pass === "height") {
      const aimed = set.aim.height === null ? null : set.aim.height.cutAtM * set.scale;
      const standing = w.stems.filter((s) => s.state === "live");
      if (
        aimed !== null &&
        aimed < clean.before.heightM - LEAST_OFF_M &&
        !ARCHITECTURE_TABLE[build.architecture].leads
      ) {
        const found = fittingHeads(set, cuts, standing, aimed, clean.before.heightM);
        mine = found.cuts;
        heightM = {
          aimed: aimed / set.scale,
          reached: found.reachedM / set.scale,
          years: yearsTo(set, clean.cap, found.reachedM > aimed + LEAST_OFF_M),
        };
      }
    } else if (pass === "frame")
      mine = (tree?.years[0]?.out ?? []).map((s): StemCut => ({ cut: "remove", stemId: s.id }));
    else if (pass === "lift" && offered.includes("frame"))
      mine = (tree?.years.slice(0, 1) ?? [])
        .filter((y) => y.clearM > tree!.clearM + LEAST_OFF_M)
        .map((y): StemCut => ({ cut: "lift", clearM: y.clearM }));
    else if (pass === "ends" || pass === "lift" || pass === "old-heads")
      mine = wholePlant(pass, set, cuts, clean.before);
    else mine = chosen(pass, wanted, w, set, set.budget - tried(set, cuts), gone).map((x) => x.cut);
    const { fit, refused } = allowed(
      set,
      mine.map((c): StemCut => ({ ...c, pass })),
    );
    for (const c of fit)
      if (c.cut === "remove") {
        gone.stems.add(c.stemId);
        if (q.stems.find((s) => s.id === c.stemId)?.state === "live") gone.live++;
      }
    // What goes at the base need not be shortened first.
    const going = new Set(fit.flatMap((c) => (c.cut === "remove" ? [c.stemId] : [])));
    cuts.splice(0, cuts.length, ...cuts.filter((c) => !("stemId" in c && going.has(c.stemId))), ...fit);
    if (pass === "height" && fit.length === 0) heightM = null;
    const turnedDown = new Set(refused.map((r) => r.stemId));
    const stays = [...new Set(wanted.filter((x) => !fit.some((c) => sameCut(c, x.cut))).map((x) => x.stem.id))];
    return { pass, cuts: fit, refused, stays: stays.filter((id) => !turnedDown.has(id) && !going.has(id)) };
  });
  return {
    cuts,
    passes: passes.filter((p) => p.cuts.length + p.stays.length + p.refused.length > 0),
    waits,
    pastUpkeep:
      waits === null &&
      regimeOf(taxon, q.task) === "upkeep" &&
      offered.includes("oldest") &&
      !ARCHITECTURE_TABLE[build.architecture].keepsMains &&
      pastUpkeep(q.stems),
    heightM,
    unanswered: waits === null ? unanswered(set, passes, clean.before, tree) : [],
  };
}

/** The same wood off at the same place, whatever it is done for. */
const sameCut = (a: StemCut, b: StemCut): boolean =>
  JSON.stringify({ ...a, pass: null }) === JSON.stringify({ ...b, pass: null });

/**
 * In how many years' cuts the aim is reached under the cap; null where it is not, or no wish is aimed at.
 * @param rests this year's cut stops short of it, whatever the outline by itself would allow
 */
function yearsTo({ model, q, on, aim }: Setting, cap: Share | null, rests: boolean): number | null {
  const wantedM = wantedOf(q);
  if (wantedM === null || aim.by !== "wish") return null;
  const { reached, steps } = reductionOn(model, q.plant, on, wantedM, cap);
  return reached ? Math.max(rests ? 2 : 1, steps.length) : null;
}

/** The cuts without those that are refused, and the refusals, one of a sort. */
function allowed(set: Setting, cuts: readonly StemCut[]): { fit: StemCut[]; refused: readonly Remark[] } {
  const { remarks } = tryOut(set.model, { ...set.q, cuts }, set.on);
  const refusals = remarks.filter(isRefusal);
  const stems = new Set(refusals.filter((r) => r.cut === undefined).map((r) => r.stemId));
  // A refusal of live cuts, or of the whole outline, holds for what goes over the whole plant.
  const whole = refusals.some((r) => r.stemId === null || r.code === "live-waits");
  const single = refusals.flatMap((r) => r.cut ?? []);
  const fit = cuts.filter((c) =>
    "stemId" in c ? !stems.has(c.stemId) && !single.some((x) => sameCut(x, c)) : !whole || c.cut === "dead-heads",
  );
  const sorts = new Set<string>();
  const refused = refusals.filter((r) => !sorts.has(r.code) && sorts.add(r.code));
  return { fit, refused };
}
