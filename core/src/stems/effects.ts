/** What a set of cuts does to each stem: what is left of it, how much of its leaf goes, how many of its shoot ends. */
import type { Stem, StemCut } from "../model/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";
import type { Build } from "./architecture.ts";
import { partAtHeight, type Point3, type Run } from "./layout.ts";
import { leafLeft, leafOf, outBy, upTo, type StandLeaf, type StemLeaf } from "./leaf.ts";
import { REACH_STEPS, reachOf, type Left } from "./reach.ts";

/** What a set of cuts does to one stem. */
export interface StemEffect extends Left {
  readonly stem: Stem;
  /** Part of its length that stays: 0 when it goes at the base. */
  readonly kept: Share;
  /** Side branches that go, by their number; those above the kept part are among them. */
  readonly branchesGone: ReadonlySet<number>;
  /** Its axis is bare up to this part of its length: a lifted skirt. */
  readonly clearedTo: Share;
  /** Thinned to this side branch, which takes over. */
  readonly leader: number | null;
  /** Share of its leaf that goes. */
  readonly leafGone: Share;
  /** Share of its shoot ends that go. */
  readonly endsGone: Share;
  /** Left by shears or tipping: its ends are cut, the stem itself is not shortened to a place. */
  readonly endsCut: boolean;
}

/** Of equal heights a branch stays with the stem that is cut at it. */
const AT_EPSILON = 1e-6;
/** Shears and tipping leave a stump of every stem, however low they go. */
const LEAST_STUMP: Share = 0.02;

/** What is left of a stem while cuts are read, one after the other: each can only take. */
interface Standing {
  kept: Share;
  from: Share;
  leader: number | null;
  endsCut: boolean;
  readonly parts: Share[];
  readonly shoots: Share[][];
  /** Part of the young growth that goes besides. */
  young: Share;
}

const whole = (s: Stem): Standing => ({
  kept: 1,
  from: 0,
  leader: null,
  endsCut: false,
  parts: s.branches.map(() => 1),
  shoots: s.branches.map((b) => b.shoots.map(() => 1)),
  young: 0,
});

const least = (xs: Share[], i: number, part: Share): void => {
  if (i < xs.length) xs[i] = Math.min(xs[i]!, part);
};

/** Cuts made at this stem alone: the lowest of them counts. */
function atStem(s: Stem, cuts: readonly StemCut[], left: Standing): void {
  for (const c of cuts) {
    if (!("stemId" in c) || c.stemId !== s.id) continue;
    const branch = "branch" in c ? s.branches[c.branch] : undefined;
    if (c.cut === "remove") left.kept = 0;
    else if (c.cut === "head") {
      if (c.keptM / s.lengthM < left.kept) {
        left.kept = c.keptM / s.lengthM;
        left.leader = null;
      }
    } else if (!branch) continue;
    else if (c.cut === "to-branch") {
      if (branch.at < left.kept) {
        left.kept = branch.at;
        left.leader = c.branch;
      }
    } else if (c.cut === "branch-off") least(left.parts, c.branch, 0);
    else if (c.cut === "branch-back") least(left.parts, c.branch, clampShare(c.keptM / branch.lengthM));
    else least(left.shoots[c.branch]!, c.shoot, 0);
  }
}

const tip = (left: Standing, s: Stem, offM: Metres): void => {
  const stays = (lengthM: Metres): Share => Math.max(LEAST_STUMP, 1 - offM / lengthM);
  left.endsCut = true;
  left.kept = Math.min(left.kept, stays(s.lengthM));
  s.branches.forEach((b, i) => {
    least(left.parts, i, clampShare(1 - offM / b.lengthM));
    b.shoots.forEach((x, j) => least(left.shoots[i]!, j, clampShare(1 - offM / x.lengthM)));
  });
};

/** Where a straight run leaves an outline: the part that stays inside. */
function inside([a, b]: Run, out: (p: Point3) => Metres): Share {
  if (out(a) > TOUCHES_M) return 0;
  if (out(b) <= TOUCHES_M) return 1;
  let [low, high] = [0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    const p = { x: a.x + mid * (b.x - a.x), y: a.y + mid * (b.y - a.y), z: a.z + mid * (b.z - a.z) };
    if (out(p) > TOUCHES_M) high = mid;
    else low = mid;
  }
  return low;
}
const HALVINGS = 12;
/** Shears leave what sticks out by no more. */
const TOUCHES_M: Metres = 0.001;

function shear(left: Standing, s: Stem, build: Build, out: (p: Point3) => Metres): void {
  const { along, branches } = reachOf(s, build);
  let kept: Share = 1;
  for (let i = 0; i < REACH_STEPS && kept === 1; i++) {
    const part = inside([along[i]!, along[i + 1]!], out);
    if (part < 1) kept = Math.max(LEAST_STUMP, (i + part) / REACH_STEPS);
  }
  if (kept < left.kept) {
    left.kept = kept;
    left.leader = null;
    left.endsCut = true;
  }
  branches.forEach(({ run, shoots }, i) => {
    const part = inside(run, out);
    if (part < left.parts[i]!) left.endsCut = true;
    least(left.parts, i, part);
    shoots.forEach((r, j) => {
      const of = inside(r, out);
      if (of < left.shoots[i]![j]!) left.endsCut = true;
      least(left.shoots[i]!, j, of);
    });
  });
}

/** Everything above a height, level. */
function top(left: Standing, s: Stem, build: Build, heightM: Metres): void {
  const out = (p: Point3): Metres => p.z - heightM;
  const kept = Math.max(LEAST_STUMP, partAtHeight(s, heightM, build));
  if (kept < left.kept) {
    left.kept = kept;
    left.leader = null;
    left.endsCut = true;
  }
  reachOf(s, build).branches.forEach(({ run, shoots }, i) => {
    least(left.parts, i, inside(run, out));
    shoots.forEach((r, j) => least(left.shoots[i]!, j, inside(r, out)));
  });
}

/** The skirt: what starts below goes, what hangs below is shortened to there, the axis is bare up to there. */
function lift(left: Standing, s: Stem, build: Build, clearM: Metres): void {
  left.from = Math.max(left.from, partAtHeight(s, clearM, build));
  const above = ([a, b]: Run): Share =>
    a.z < clearM ? 0 : b.z >= clearM ? 1 : clampShare((a.z - clearM) / Math.max(1e-6, a.z - b.z));
  reachOf(s, build).branches.forEach(({ run, shoots }, i) => {
    least(left.parts, i, above(run));
    shoots.forEach((r, j) => least(left.shoots[i]!, j, above(r)));
  });
}

/** Share of the leaf on this year's length of every axis that is still there. */
function youngLeaf(s: Stem, leaf: StemLeaf, left: Standing, growthM: Metres): Share {
  const end = (sums: Float64Array, lengthM: Metres, kept: Share): Share =>
    Math.max(0, upTo(sums, kept) - upTo(sums, Math.min(kept, clampShare(1 - growthM / lengthM))));
  return s.branches.reduce(
    (n, b, i) => {
      const part = left.parts[i]!;
      if (part <= 0) return n;
      const shoots = b.shoots.reduce(
        (m, x, j) =>
          m + (x.at <= part ? leaf.branches[i]!.shoots[j]! * left.shoots[i]![j]! * clampShare(growthM / x.lengthM) : 0),
        0,
      );
      return n + end(leaf.branches[i]!.own, b.lengthM, part) + shoots;
    },
    end(leaf.axis, s.lengthM, left.kept),
  );
}

/** Branches above what is kept go with it; one that stands at the cut stays. */
function settled(s: Stem, left: Standing): ReadonlySet<number> {
  const gone = new Set<number>();
  s.branches.forEach((b, i) => {
    if (left.kept === 0 || b.at > left.kept + AT_EPSILON) left.parts[i] = 0;
    if (left.parts[i] === 0) gone.add(i);
    b.shoots.forEach((x, j) => {
      if (x.at > left.parts[i]! + AT_EPSILON || left.parts[i] === 0) left.shoots[i]![j] = 0;
    });
  });
  if (left.leader !== null && gone.has(left.leader)) left.leader = null;
  return gone;
}

/** Sums of places are off by less than a leaf. */
const snapped = (x: number): Share => (x < 1e-9 ? 0 : clampShare(x));

/** What the cuts do to the stem at a place of a stand. */
export function effectAt(
  s: Stem,
  cuts: readonly StemCut[],
  build: Build,
  stand: StandLeaf,
  leaf: StemLeaf,
): StemEffect {
  const left = whole(s);
  atStem(s, cuts, left);
  if (left.kept > 0)
    for (const c of cuts) {
      if (c.cut === "tips") tip(left, s, c.offM);
      else if (c.cut === "shear") shear(left, s, build, (p) => outBy(stand, p, c.heightM, c.widthM));
      else if (c.cut === "top") top(left, s, build, c.heightM);
      else if (c.cut === "lift") lift(left, s, build, c.clearM);
      else if (c.cut === "candles") left.young = Math.max(left.young, c.share);
    }
  const branchesGone = settled(s, left);
  const stays: Left = { kept: left.kept, branchParts: left.parts, shootParts: left.shoots };
  const had = leaf.weight > 0 ? 1 : 0;
  const there = leafLeft(leaf, s, stays, left.from);
  const young = left.young > 0 ? left.young * youngLeaf(s, leaf, left, build.growthM[1]) : 0;
  let [ends, gone] = [1, left.kept < 1 && left.leader === null ? 1 : 0];
  s.branches.forEach((b, i) => {
    ends += 1 + b.shoots.length;
    if (left.parts[i]! < 1) gone++;
    for (const part of left.shoots[i]!) if (part < 1) gone++;
  });
  return {
    stem: s,
    ...stays,
    branchesGone,
    clearedTo: left.from,
    leader: left.kept === 0 ? null : left.leader,
    leafGone: had === 0 ? (left.kept === 0 ? 1 : 0) : snapped(1 - Math.max(0, there - young)),
    endsGone: left.kept === 0 ? 1 : gone / ends,
    endsCut: left.endsCut,
  };
}

/** What the cuts do to every stem of a stand. */
export function effectsOn(stems: readonly Stem[], cuts: readonly StemCut[], build: Build): readonly StemEffect[] {
  const leaf = leafOf(stems, build);
  return stems.map((s, i) => effectAt(s, cuts, build, leaf, leaf.stems[i]!));
}

/** How much of the leaf goes, and how many of the shoots are reached. */
export function leafTaken(
  stems: readonly Stem[],
  cuts: readonly StemCut[],
  build: Build,
): { readonly share: Share; readonly reach: Share } {
  const leaf = leafOf(stems, build);
  if (leaf.weight === 0) return { share: 0, reach: 0 };
  let [gone, ends] = [0, 0];
  effectsOn(stems, cuts, build).forEach((e, i) => {
    gone += leaf.stems[i]!.weight * e.leafGone;
    ends += leaf.stems[i]!.weight * e.endsGone;
  });
  return { share: clampShare(gone / leaf.weight), reach: clampShare(Math.max(gone, ends) / leaf.weight) };
}

/** Shoot ends of a stem: its own, its branches' and theirs. */
export const shootEnds = (s: Stem): number => s.branches.reduce((n, b) => n + 1 + b.shoots.length, 1);

/** A stem's thickness at a part of its length, of that at its foot: it tapers evenly to a third. */
export const partLeft = (at: Share): number => 1 - (2 / 3) * at;
