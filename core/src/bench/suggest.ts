/**
 * A proposal: the passes of the task in order, each taking what puts most right with what is left of the
 * account. What had to stay for the cap is said too. Every cut can be put back or changed afterwards.
 */
import { cutHeightFor, suckersToKeep } from "../amount/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { Stem, StemCut } from "../model/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import { regimeOf } from "../price/index.ts";
import { partAtHeight } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { cutAbove } from "./blade.ts";
import { amountsOf } from "./amounts.ts";
import { leafWeight } from "./effects.ts";
import { passesOffered, type Pass } from "../craft/index.ts";
import { oldestFirst, pastUpkeep, stemsOf } from "./passes.ts";
import { BENCH_LIMITS, isRefusal, waiting, type Remark } from "./remarks.ts";
import { bestSubset } from "./subset.ts";
import { tryOut, type TryQuestion } from "./tryOut.ts";

export const SUGGEST_ASSUMPTIONS = {
  /** A framework where no height is wanted: of the present height, but never under the least stub (panicle kinds: 30–60 cm). */
  frameworkM: 0.45,
  /** Reduced for wind: to half. */
  windKeeps: 0.5,
  /** Tips: of a year's growth. */
  tipOfGrowth: 0.3,
  /** Candles: about a half, while soft. */
  candle: 0.5,
  /** Outline: of the present height and width, where none is wanted. */
  outlineKeeps: 0.9,
  /** A lifted skirt clears so much. */
  liftM: 0.4,
} as const;

export interface PassSuggestion {
  readonly pass: Pass;
  readonly cuts: readonly StemCut[];
  /** What the plant, its kind or somebody's safety refuses of this pass. */
  readonly refused: readonly Remark[];
  /** Stems that wanted to go in this pass and stay because the cap, or the third by count, is reached. */
  readonly stays: readonly string[];
}

/** A proposed set of cuts, pass by pass. */
export interface Suggestion {
  readonly cuts: readonly StemCut[];
  readonly passes: readonly PassSuggestion[];
  /** Why nothing alive may go, or nothing at all; null when the plant's state keeps nothing back. */
  readonly waits: Remark | null;
  /** Stems over the thumb are more than half: a renewal over three years, not upkeep. */
  readonly pastUpkeep: boolean;
  /** The height that was aimed at, and the one this year's share allows; null when no height was cut. */
  readonly heightM: { readonly aimed: Metres; readonly reached: Metres } | null;
}

export type SuggestQuestion = Omit<TryQuestion, "cuts">;

interface Setting {
  readonly model: GardenModel;
  readonly q: SuggestQuestion;
  readonly on: PlainDate;
  /** Live growth that may still go; Infinity in a cutback and by count in a renewal. */
  readonly budget: Share;
  readonly thirdByCount: number | null;
}

const remove = (s: Stem): StemCut => ({ cut: "remove", stemId: s.id });

/** Ends of shoots that may flower: the stem's own and its side branches'. */
const shootEnds = (s: Stem): number => 1 + s.branches.length;
/** Less than any difference in thickness or in the number of faults. */
const FLOWERS_BREAK_TIES = 0.01;

/** Stems of a pass that go: the most worth for what is left, exactly. Dead and torn wood always go. */
function removals(pass: Pass, set: Setting, left: Share, all: number, gone: ReadonlySet<string>): readonly Stem[] {
  const { stems, plant } = set.q;
  // Of a pair whose one stem went before, the other crosses nothing.
  const wanted = stemsOf(
    pass,
    stems.filter((s) => !gone.has(s.id)),
  );
  if (pass === "dead" || pass === "hazard") return wanted;
  const { sapwoodMm } = set.model.taxonOf(plant);
  const cost = (s: Stem): Share => (all === 0 ? 0 : leafWeight(s, sapwoodMm) / all);
  if (pass === "suckers") {
    const surplus = wanted.slice(0, Math.max(0, wanted.length - suckersToKeep(wanted.length)[1]));
    // The weakest first, as far as the account goes.
    let spent = 0;
    return surplus.filter((s) => (spent += cost(s)) <= left + 1e-9);
  }
  if (pass === "oldest" && set.thirdByCount !== null) {
    const live = stems.filter((s) => s.state === "live").toSorted(oldestFirst);
    return live.filter((s) => !gone.has(s.id)).slice(0, Math.max(0, set.thirdByCount - countLive(gone, stems)));
  }
  const ends = stems.reduce((n, s) => n + shootEnds(s), 0);
  const items = wanted.map((s) => ({
    // Old stems count by their thickness, faults alike; of equals the one that carries fewer flowering ends goes.
    value: (pass === "oldest" ? s.diameterMm : 1) - (FLOWERS_BREAK_TIES * shootEnds(s)) / ends,
    cost: cost(s),
  }));
  return bestSubset(items, left).map((i) => wanted[i]!);
}

const countLive = (gone: ReadonlySet<string>, stems: readonly Stem[]): number =>
  stems.filter((s) => gone.has(s.id) && s.state === "live").length;

/** The height a task aims its cut at; null where it has none. */
function aimedHeight({ model, q, on }: Setting): Metres | null {
  const a = SUGGEST_ASSUMPTIONS;
  const taxon = model.taxonOf(q.plant);
  const now = heightOf(model, q.plant, on).heightM;
  const stub = taxon.leastStubM ?? taxon.profile.bareFoot * now;
  if (q.task === "reduce-for-wind") return Math.max(stub, now * a.windKeeps);
  if (q.task === "hard-cutback") return Math.max(stub, 0.05);
  const wanted = q.plant.goal.heightM;
  if (wanted !== null) return cutHeightFor(wanted, taxon.growthM, taxon.leastStubM).cutAtM;
  return taxon.passes === "cutback" ? Math.max(stub, a.frameworkM) : null;
}

const headsAt = (stems: readonly Stem[], heightM: Metres, set: Setting): StemCut[] => {
  const taxon = set.model.taxonOf(set.q.plant);
  return stems.flatMap((s): StemCut[] => {
    const part = partAtHeight(s, heightM, taxon);
    if (part >= 1) return [];
    const least = (taxon.leastStubM ?? 0) > 0 ? partAtHeight(s, taxon.leastStubM!, taxon) * s.lengthM : 0;
    return [cutAbove(s, Math.max(0.01, part * s.lengthM), least + 1e-3)];
  });
};

const SEARCH_STEPS = 14;
/** The lowest height at or above the aim whose cuts fit with what was cut before. */
function fittingHeads(set: Setting, before: readonly StemCut[], standing: readonly Stem[], aimM: Metres, topM: Metres) {
  const share = (h: Metres): Share => tried(set, [...before, ...headsAt(standing, h, set)]);
  if (share(aimM) <= set.budget + 1e-9) return { cuts: headsAt(standing, aimM, set), reachedM: aimM };
  let [low, high] = [aimM, topM];
  for (let i = 0; i < SEARCH_STEPS; i++) {
    const mid = (low + high) / 2;
    if (share(mid) <= set.budget + 1e-9) high = mid;
    else low = mid;
  }
  return { cuts: headsAt(standing, high, set), reachedM: high };
}

const tried = (set: Setting, cuts: readonly StemCut[]): Share =>
  amountsOf(set.q.stems, cuts, set.model.taxonOf(set.q.plant)).share;

/** Cuts over the whole plant for the tasks that end in them, drawn back until they fit. */
function wholePlant(
  pass: Pass,
  set: Setting,
  before: readonly StemCut[],
  size: { heightM: Metres; widthM: Metres },
): StemCut[] {
  const a = SUGGEST_ASSUMPTIONS;
  const taxon = set.model.taxonOf(set.q.plant);
  const { task, plant } = set.q;
  const scaled = (make: (t: number) => StemCut): StemCut[] => {
    for (let tenths = 10; tenths > 0; tenths--) {
      const cut = make(tenths / 10);
      if (tried(set, [...before, cut]) <= set.budget + 1e-9) return [cut];
    }
    return [];
  };
  if (pass === "lift") {
    const clearM = Math.min(a.liftM, (1 - BENCH_LIMITS.crownShare) * size.heightM);
    return scaled((t) => ({ cut: "lift", clearM: clearM * t }));
  }
  if (task === "deadhead") return [{ cut: "dead-heads" }];
  if (task === "candle") return scaled((t) => ({ cut: "candles", share: a.candle * t }));
  if (task === "tip")
    return scaled((t) => ({ cut: "tips", offM: Math.max(0.01, taxon.growthM[1] * a.tipOfGrowth * t) }));
  const wanted = plant.goal.heightM ?? size.heightM * a.outlineKeeps;
  return scaled((t) => ({
    cut: "shear",
    heightM: size.heightM - Math.max(0, size.heightM - wanted) * t,
    widthM: size.widthM * (1 - (1 - a.outlineKeeps) * t),
  }));
}

/** Proposes a set of cuts for a task at a plant on a day. */
export function suggest(model: GardenModel, q: SuggestQuestion, on: PlainDate): Suggestion {
  const taxon = model.taxonOf(q.plant);
  const clean = tryOut(model, { ...q, cuts: [] }, on);
  const { advice } = clean;
  const waits = waiting(advice.standing);
  const set: Setting = {
    model,
    q,
    on,
    budget: clean.cap === null ? Infinity : Math.max(0, clean.cap - advice.takenLast12Months),
    thirdByCount: clean.stemsMayGo,
  };
  const all = q.stems.reduce((sum, s) => sum + leafWeight(s, taxon.sapwoodMm), 0);
  const gone = new Set<string>();
  const cuts: StemCut[] = [];
  let heightM: Suggestion["heightM"] = null;
  const passes = passesOffered(taxon, q.task, q.plant.goal.kind, advice.standing).map((pass): PassSuggestion => {
    const used = tried(set, cuts);
    const wanted = stemsOf(
      pass,
      q.stems.filter((s) => !gone.has(s.id)),
    );
    let mine: StemCut[] = [];
    let stays: readonly string[] = [];
    if (pass === "height") {
      const aimed = aimedHeight(set);
      const standing = q.stems.filter((s) => s.state === "live" && !gone.has(s.id));
      if (aimed !== null && aimed < clean.before.heightM) {
        const found = fittingHeads(set, cuts, standing, aimed, clean.before.heightM);
        mine = found.cuts;
        heightM = { aimed, reached: found.reachedM };
      }
    } else if (pass === "ends" || pass === "lift") mine = wholePlant(pass, set, cuts, clean.before);
    else {
      const go = removals(pass, set, set.budget - used, all, gone);
      mine = go.map(remove);
      for (const s of go) gone.add(s.id);
      stays = wanted.filter((s) => !gone.has(s.id)).map((s) => s.id);
    }
    const { fit, refused } = allowed(set, mine);
    for (const c of mine) if (!fit.includes(c) && c.cut === "remove") gone.delete(c.stemId);
    // What goes at the base need not be shortened first.
    const going = new Set(fit.flatMap((c) => (c.cut === "remove" ? [c.stemId] : [])));
    cuts.splice(0, cuts.length, ...cuts.filter((c) => !("stemId" in c && going.has(c.stemId))), ...fit);
    if (pass === "height" && fit.length === 0) heightM = null;
    const turnedDown = new Set(refused.map((r) => r.stemId));
    return { pass, cuts: fit, refused, stays: stays.filter((id) => !turnedDown.has(id)) };
  });
  return {
    cuts,
    passes: passes.filter((p) => p.cuts.length + p.stays.length + p.refused.length > 0),
    waits,
    pastUpkeep: waits === null && regimeOf(taxon, q.task) === "upkeep" && pastUpkeep(q.stems),
    heightM,
  };
}

/** The cuts without those that are refused, and the refusals, one of a sort. */
function allowed(set: Setting, cuts: readonly StemCut[]): { fit: StemCut[]; refused: readonly Remark[] } {
  const { remarks } = tryOut(set.model, { ...set.q, cuts }, set.on);
  const refusals = remarks.filter(isRefusal);
  const stems = new Set(refusals.map((r) => r.stemId));
  // A refusal of live cuts, or of the whole outline, holds for what goes over the whole plant.
  const whole = refusals.some((r) => r.stemId === null || r.code === "live-waits");
  const fit = cuts.filter((c) => ("stemId" in c ? !stems.has(c.stemId) : !whole || c.cut === "dead-heads"));
  const sorts = new Set<string>();
  const refused = refusals.filter((r) => !sorts.has(r.code) && sorts.add(r.code));
  return { fit, refused };
}
