/**
 * A proposal: the passes of the task in order, each taking what puts most right with what is left of the
 * account. What had to stay for the cap is said too. Every cut can be put back or changed afterwards.
 */
import type { PlainDate } from "../calendar/index.ts";
import type { GoalKind, SideShoot, Stem, StemCut } from "../model/index.ts";
import { aimOn, heightOf, reductionOn, type Aim, type GardenModel } from "../garden/index.ts";
import { regimeOf } from "../price/index.ts";
import {
  ARCHITECTURE_TABLE,
  branchRun,
  buildOf,
  leafOf,
  partAtHeight,
  shootEnds,
  shootRun,
  type Build,
} from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { BLADE, bladePlace } from "./blade.ts";
import { amountsOf } from "./amounts.ts";
import { passesOffered, type Pass } from "../craft/index.ts";
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
import { BENCH_LIMITS, isRefusal, waiting, type Remark } from "./remarks.ts";
import { bestSubset } from "./subset.ts";
import { treeForm, type TreeForm } from "./treeForm.ts";
import { renewalThird, tryOut, type TryQuestion } from "./tryOut.ts";

export const SUGGEST_ASSUMPTIONS = {
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

export interface SuggestQuestion extends Omit<TryQuestion, "cuts"> {
  /** A height it is to stand at instead of the one that was wished for. */
  readonly wantedM?: Metres | null;
}

const wantedOf = (q: SuggestQuestion): Metres | null => q.wantedM ?? q.plant.goal.heightM;

interface Setting {
  readonly model: GardenModel;
  readonly q: SuggestQuestion;
  readonly on: PlainDate;
  readonly build: Build;
  readonly aim: Aim;
  /** Heights of the drawing, of those of the plant. */
  readonly scale: number;
  /** Live growth that may still go; Infinity in a cutback and by count in a renewal. */
  readonly budget: Share;
  readonly thirdByCount: number | null;
}

const EPSILON = 1e-9;
const isLive = (s: Stem): boolean => s.state === "live";
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

/** A branch that takes over reaches at least so far up to the height. */
const NEARLY: Share = 0.8;

/** A branch back to where it passes a height, and what of its shoots stands over it; nothing where all of it is below. */
function branchTo(s: Stem, i: number, heightM: Metres, build: Build): StemCut[] {
  const b = s.branches[i]!;
  const run = branchRun(s, b, build);
  const [from, to] = run;
  if (b.dead) return [];
  if (from.z >= heightM) return [{ cut: "branch-off", stemId: s.id, branch: i }];
  const over = (x: SideShoot): boolean => shootRun(run, x)[1].z > heightM + TOUCHES_M;
  const shoots = (part: Share): StemCut[] =>
    b.shoots.flatMap((x, shoot): StemCut[] =>
      !x.dead && x.at <= part && over(x) ? [{ cut: "shoot-off", stemId: s.id, branch: i, shoot }] : [],
    );
  if (to.z <= heightM + TOUCHES_M) return shoots(1);
  const crossing = (heightM - from.z) / (to.z - from.z);
  // Back to a shoot that ends below, at a length of its own, rather than to a line.
  const shoot = b.shoots.filter((x) => !x.dead && x.at < crossing && !over(x)).toSorted((x, y) => y.at - x.at)[0];
  const keptM = Math.round((shoot?.at ?? crossing) * b.lengthM * 1000) / 1000;
  return keptM > LEAST_KEPT_M
    ? [{ cut: "branch-back", stemId: s.id, branch: i, keptM }, ...shoots(keptM / b.lengthM)]
    : [{ cut: "branch-off", stemId: s.id, branch: i }];
}
const TOUCHES_M: Metres = 0.03;
const LEAST_KEPT_M: Metres = 0.05;

/** Every stem that stands higher, back to a branch that ends there, or to a bud, and what still stands over it. */
const stemsTo = (stems: readonly Stem[], heightM: Metres, { build }: Setting, leastM: Metres | null): StemCut[] =>
  stems.flatMap((s): StemCut[] => {
    const part = partAtHeight(s, heightM, build);
    const overs = (kept: Share): StemCut[] =>
      s.branches.flatMap((b, i) => (b.at <= kept + 1e-6 ? branchTo(s, i, heightM, build) : []));
    if (part >= 1) return overs(1);
    const least = (leastM ?? 0) > 0 ? partAtHeight(s, leastM!, build) : 0;
    const takesOver = s.branches
      .map((b, i) => ({ b, i, tipM: branchRun(s, b, build)[1].z }))
      .filter(({ b, tipM }) => !b.dead && b.at < part && b.at > least && tipM <= heightM + TOUCHES_M)
      .filter(({ b, tipM }) => tipM >= NEARLY * heightM && b.diameterMm >= s.diameterMm * BLADE.leastLeader)
      .toSorted((x, y) => y.b.at - x.b.at)[0];
    if (takesOver) return [{ cut: "to-branch", stemId: s.id, branch: takesOver.i }, ...overs(takesOver.b.at)];
    const keptM = bladePlace({ ...s, branches: [] }, Math.max(0.01, part * s.lengthM), least * s.lengthM + 1e-3).keptM;
    return [{ cut: "head", stemId: s.id, keptM }, ...overs(keptM / s.lengthM)];
  });

/** A crown let down: each branch to a shoot below, at its own length, and the axis to a fork. */
const crownTo = (stems: readonly Stem[], heightM: Metres, { build }: Setting): StemCut[] =>
  stems.flatMap((s): StemCut[] => {
    const out: StemCut[] = [];
    let kept = 1;
    if (partAtHeight(s, heightM, build) < 1) {
      const part = partAtHeight(s, heightM, build);
      const fork = s.branches
        .map((b, i) => ({ b, i }))
        .filter(({ b }) => !b.dead && b.at <= part)
        .toSorted((x, y) => y.b.at - x.b.at)[0];
      if (fork) {
        out.push({ cut: "to-branch", stemId: s.id, branch: fork.i });
        kept = fork.b.at;
      }
    }
    s.branches.forEach((b, i) => {
      if (b.at <= kept + 1e-6) out.push(...branchTo(s, i, heightM, build));
    });
    return out;
  });

/** Low stubs of many stems are cut level, of what is cut down every year up to the waist: nobody goes from bud to bud. */
const LEVEL = { toM: 0.25, cutDownToM: 1.1, fromStems: 10 } as const;

const headsAt = (stems: readonly Stem[], heightM: Metres, set: Setting): StemCut[] => {
  const { build, q, model } = set;
  const level = (m: Metres): StemCut[] => [{ cut: "top", heightM: Math.max(0.02, Math.round(m * 1000) / 1000) }];
  if (build.architecture === "trunk") return crownTo(stems, heightM, set);
  if (build.architecture === "shell") {
    const { body } = leafOf(q.stems, build);
    return level(build.greenOnly ? Math.max(heightM, body.heightM - GREEN_DEPTH * body.shellM) : heightM);
  }
  const { passes, leastStubM } = model.taxonOf(q.plant);
  const levelTo = passes === "cutback" ? LEVEL.cutDownToM : LEVEL.toM;
  if (heightM <= levelTo && stems.length >= LEVEL.fromStems) return level(heightM);
  return stemsTo(stems, heightM, set, leastStubM);
};
/** Where nothing grows back, no deeper into the green than this part of it. */
const GREEN_DEPTH: Share = 0.9;

const SEARCH_STEPS = 14;
/** The lowest height at or above the aim whose cuts fit with what was cut before. */
function fittingHeads(set: Setting, before: readonly StemCut[], standing: readonly Stem[], aimM: Metres, topM: Metres) {
  const share = (h: Metres): Share => tried(set, [...before, ...headsAt(standing, h, set)]);
  if (share(aimM) <= set.budget + EPSILON) return { cuts: headsAt(standing, aimM, set), reachedM: aimM };
  let [low, high] = [aimM, topM];
  for (let i = 0; i < SEARCH_STEPS; i++) {
    const mid = (low + high) / 2;
    if (share(mid) <= set.budget + EPSILON) high = mid;
    else low = mid;
  }
  return { cuts: headsAt(standing, high, set), reachedM: high };
}

const tried = (set: Setting, cuts: readonly StemCut[]): Share => amountsOf(set.q.stems, cuts, set.build).share;

/** What is too much is drawn back in so many steps. */
const DRAWN_BACK = 50;
/** Cuts over the whole plant for the tasks that end in them, drawn back until they fit. */
function wholePlant(
  pass: Pass,
  set: Setting,
  before: readonly StemCut[],
  size: { heightM: Metres; widthM: Metres },
): StemCut[] {
  const a = SUGGEST_ASSUMPTIONS;
  const taxon = set.model.taxonOf(set.q.plant);
  const { task } = set.q;
  const scaled = (make: (t: number) => StemCut): StemCut[] => {
    const fits = (n: number): boolean => tried(set, [...before, make(n / DRAWN_BACK)]) <= set.budget + EPSILON;
    // A deeper cut never takes less: the deepest that fits is found by halving.
    let [most, tooMuch] = [0, DRAWN_BACK + 1];
    if (fits(DRAWN_BACK)) most = DRAWN_BACK;
    else
      while (tooMuch - most > 1) {
        const mid = Math.floor((most + tooMuch) / 2);
        if (fits(mid)) most = mid;
        else tooMuch = mid;
      }
    return most === 0 ? [] : [make(most / DRAWN_BACK)];
  };
  if (pass === "lift") {
    // From where it is clear already; what weeps comes down again by the summer's growth.
    const fromM = lowestM(set);
    const hangs = set.build.outline === "weeping" ? taxon.growthM[1] * set.aim.toCome : 0;
    const clearM = Math.min(fromM + a.liftM + hangs, (1 - BENCH_LIMITS.crownShare) * size.heightM);
    return clearM <= fromM ? [] : scaled((t) => ({ cut: "lift", clearM: fromM + (clearM - fromM) * t }));
  }
  if (pass === "old-heads") return [{ cut: "top", heightM: Math.max(LEAST_TOP_M, set.aim.height?.cutAtM ?? 0) }];
  if (task === "deadhead") return [{ cut: "dead-heads" }];
  if (task === "candle") return scaled((t) => ({ cut: "candles", share: a.candle * t }));
  if (task === "tip")
    return scaled((t) => ({ cut: "tips", offM: Math.max(0.01, taxon.growthM[1] * a.tipOfGrowth * t) }));
  const { height, widthM } = set.aim;
  const wished = wantedOf(set.q) !== null || widthM !== null;
  const { leads } = ARCHITECTURE_TABLE[set.build.architecture];
  // What has a leader grows as it will where nobody wants an outline of it.
  if (leads && task === "shape" && !wished && !OUTLINED.has(set.q.plant.goal.kind)) return [];
  // Without a wish a leader is left its height; where no hedge is made of the kind, with one too.
  const free = wished || leads ? 1 : a.outlineKeeps;
  const lowers = height !== null && set.aim.by === "wish" && (!leads || taxon.outline);
  const toM = lowers ? height.cutAtM * set.scale : size.heightM * free;
  const wideM = widthM === null ? (wished ? size.widthM : size.widthM * a.outlineKeeps) : widthM * set.scale;
  // Where only green may be cut, the outline stays within it.
  const green = set.build.greenOnly ? GREEN_DEPTH * leafOf(set.q.stems, set.build).body.shellM : Infinity;
  const offM = Math.min(green, Math.max(0, size.heightM - toM));
  const sideM = Math.min(2 * green, Math.max(0, size.widthM - wideM));
  if (offM < LEAST_OFF_M && sideM < LEAST_OFF_M) return [];
  return scaled((t) => ({ cut: "shear", heightM: size.heightM - offM * t, widthM: size.widthM - sideM * t }));
}
/** Where the lowest live branch, or what hangs of it, is, m. */
const lowestM = ({ q, build }: Setting): Metres =>
  Math.min(
    ...q.stems
      .filter((s) => s.state === "live")
      .flatMap((s) =>
        s.branches.length === 0
          ? [0]
          : s.branches.flatMap((b) => {
              const run = branchRun(s, b, build);
              return b.dead ? [] : [...run, ...b.shoots.map((x) => shootRun(run, x)[1])].map((p) => p.z);
            }),
      ),
  );
/** A tuft is left so much over the ground at the least, m. */
const LEAST_TOP_M: Metres = 0.05;

/** Wishes that ask for an outline where no size is said. */
const OUTLINED: ReadonlySet<GoalKind> = new Set<GoalKind>([
  "outline",
  "fuller",
  "screen",
  "wider",
  "smaller",
  "keep-size",
]);

/** Nobody takes the shears for less, m. */
const LEAST_OFF_M: Metres = 0.01;

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
        heightM = { aimed: aimed / set.scale, reached: found.reachedM / set.scale, years: yearsTo(set, clean.cap) };
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
    const { fit, refused } = allowed(set, mine);
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

const sameCut = (a: StemCut, b: StemCut): boolean => JSON.stringify(a) === JSON.stringify(b);

/** In how many years' cuts the aim is reached under the cap; null where it is not, or no wish is aimed at. */
function yearsTo({ model, q, on, aim }: Setting, cap: Share | null): number | null {
  const wantedM = wantedOf(q);
  if (wantedM === null || aim.by !== "wish") return null;
  const { reached, steps } = reductionOn(model, q.plant, on, wantedM, cap);
  return reached ? steps.length : null;
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
