/**
 * What a set of cuts does to each stem: how much of its leaf goes, how many of its shoot ends, what is left
 * standing. Leaf is proportional to conducting section (pipe model), along a stem by the kind's profile, and a side
 * branch carries as much of its stem's leaf as its own section is of the stem's.
 */
import { conductingSection, headedShare, together } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import type { SideBranch, Stem, StemCut } from "../model/index.ts";
import { partAtHeight, REACH_STEPS, reachOf, type Reached } from "../stems/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";

export type StemKind = Pick<Taxon, "habit" | "profile" | "sapwoodMm" | "growthM">;

/** What a set of cuts does to one stem. */
export interface StemEffect {
  readonly stem: Stem;
  /** Part of its length that stays: 0 when it goes at the base. */
  readonly kept: Share;
  /** Side branches that go, by their number; those above the kept part are among them. */
  readonly branchesGone: ReadonlySet<number>;
  /** Part of each side branch that stays: 1 when it is whole, less where shears or tipping took its end, 0 when it goes. */
  readonly branchParts: readonly Share[];
  /** Thinned to this side branch, which takes over. */
  readonly leader: number | null;
  /** Share of its leaf that goes. */
  readonly leafGone: Share;
  /** Share of its shoot ends that go. */
  readonly endsGone: Share;
  /** Left by shears or tipping: its ends are cut, the stem itself is not shortened to a place. */
  readonly endsCut: boolean;
}

/** Leaf a live stem carries, in the units of its conducting section; dead ones carry none. */
export const leafWeight = (s: Stem, sapwoodMm: number): number =>
  s.state === "dead" ? 0 : conductingSection(s.diameterMm, sapwoodMm) * s.leafed;

const sum = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0);

/** Share of its stem's leaf on a side branch: its section against the stem's, or against all branches' where those are more. */
export const branchShare = (s: Stem, b: SideBranch): Share =>
  b.diameterMm ** 2 / Math.max(s.diameterMm ** 2, sum(s.branches.map((x) => x.diameterMm ** 2)));

const above = (s: Stem, at: Share): number[] => s.branches.flatMap((b, i) => (b.at > at ? [i] : []));

interface Whole {
  readonly kept: Share;
  readonly gone: Set<number>;
  readonly leader: number | null;
}
/** What the cuts made at this stem alone leave of it: the lowest of them counts. */
function ownCuts(s: Stem, cuts: readonly StemCut[]): Whole {
  let kept: Share = 1;
  let leader: number | null = null;
  const gone = new Set<number>();
  for (const c of cuts) {
    if (!("stemId" in c) || c.stemId !== s.id) continue;
    const branch = "branch" in c ? s.branches[c.branch] : undefined;
    if (c.cut === "remove") kept = 0;
    else if (c.cut === "head" && c.keptM / s.lengthM < kept) {
      kept = c.keptM / s.lengthM;
      leader = null;
    } else if (c.cut === "to-branch" && branch && branch.at < kept) {
      kept = branch.at;
      leader = c.branch;
    } else if (c.cut === "branch-off" && branch) gone.add(c.branch);
  }
  if (leader !== null && gone.has(leader)) leader = null;
  for (const i of above(s, kept)) if (i !== leader) gone.add(i);
  if (kept === 0) s.branches.forEach((_, i) => gone.add(i));
  return { kept, gone, leader: kept === 0 ? null : leader };
}

/** Leaf that goes with the cuts at the stem itself. */
function ownLeafGone(s: Stem, kind: StemKind, { kept, gone, leader }: Whole): Share {
  if (kept === 0) return 1;
  const { exponent, bareFoot } = kind.profile;
  const shares = s.branches.map((b) => branchShare(s, b));
  const saved = leader === null ? 0 : shares[leader]!;
  const staying = sum(s.branches.map((b, i) => (b.at <= kept && !gone.has(i) ? shares[i]! : 0)));
  const top = kept >= 1 ? 0 : headedShare(kept, exponent, bareFoot) - saved;
  const off = sum([...gone].filter((i) => s.branches[i]!.at <= kept).map((i) => shares[i]!));
  // What stays below a heading cut keeps its leaf, however bare the profile says the foot is.
  return clampShare(
    Math.min(Math.max(0, top) + off, 1 - Math.min(1, leader === null ? staying : Math.max(saved, staying))),
  );
}

interface WholeCut {
  readonly leaf: Share;
  readonly ends: Share;
  readonly kept?: Share;
  /** Part of each side branch that stays. */
  readonly parts?: readonly Share[];
}
/** A cut over the whole plant as it meets one stem: leaf and ends that go of what is left. */
function wholeCut(s: Stem, kind: StemKind, cut: StemCut, own: Whole): WholeCut {
  const left = s.branches.map((_, i) => i).filter((i) => !own.gone.has(i));
  const ends = 1 + left.length;
  const { exponent, bareFoot } = kind.profile;
  const branchLeaf = left.map((i) => branchShare(s, s.branches[i]!));
  switch (cut.cut) {
    case "tips": {
      const main = headedShare(Math.max(0, 1 - cut.offM / s.lengthM), exponent, bareFoot);
      const off = s.branches.map((b) => clampShare(cut.offM / b.lengthM));
      const sides = left.map((i, j) => branchLeaf[j]! * off[i]!);
      // Of the leaf that is left: what a branch took with it is nobody's any more.
      const axis = Math.max(0, 1 - sum(s.branches.map((b) => branchShare(s, b))));
      const whole = axis + sum(branchLeaf);
      const leaf = whole > 0 ? clampShare((axis * main + sum(sides)) / whole) : 0;
      return { leaf, ends: 1, parts: off.map((x) => 1 - x) };
    }
    case "candles":
      return {
        leaf: cut.share * headedShare(Math.max(0, 1 - kind.growthM[1] / s.lengthM), exponent, bareFoot),
        ends: 0,
      };
    case "shear": {
      const out = outside(s, kind, cut.heightM, cut.widthM / 2);
      const main = out.kept >= own.kept ? 0 : headedShare(out.kept, exponent, bareFoot);
      const sides = left.map((i, j) => (s.branches[i]!.at > out.kept ? 0 : branchLeaf[j]! * out.branches[i]!));
      const cutEnds = (out.kept < own.kept ? 1 : 0) + left.filter((i) => out.branches[i]! > 0).length;
      const parts = out.branches.map((x) => 1 - x);
      return { leaf: clampShare(main + sum(sides)), ends: cutEnds / ends, kept: out.kept, parts };
    }
    case "lift": {
      const low = left.filter((i) => reachOf(s, kind).branches[i]![0].heightM < cut.clearM);
      if (s.branches.length === 0) {
        const at = partAtHeight(s, cut.clearM, kind);
        return { leaf: 1 - headedShare(at, exponent, bareFoot), ends: 0 };
      }
      return { leaf: clampShare(sum(low.map((i) => branchShare(s, s.branches[i]!)))), ends: low.length / ends };
    }
    default:
      return { leaf: 0, ends: 0 };
  }
}

/** Shears and tipping leave a stump of every stem, however low they go. */
const LEAST_STUMP: Share = 0.02;

/** Where a stem leaves an outline of a height and half width, and how much of each side branch stands outside. */
function outside(s: Stem, kind: StemKind, heightM: Metres, halfM: Metres): { kept: Share; branches: Share[] } {
  const { along, branches } = reachOf(s, kind);
  const out = along.findIndex((p, i) => i > 0 && (p.heightM > heightM || p.radiusM > halfM));
  const crossed = (a: Metres, b: Metres, limit: Metres): Share => (b > limit ? clampShare((limit - a) / (b - a)) : 1);
  // Between two points a stem runs straight.
  const into = ([a, b]: readonly Reached[]): Share =>
    Math.min(crossed(a!.heightM, b!.heightM, heightM), crossed(a!.radiusM, b!.radiusM, halfM));
  const past = ([from, to]: (typeof branches)[number]): Share =>
    clampShare(
      Math.max(
        to.heightM > heightM ? (to.heightM - heightM) / Math.max(1e-6, to.heightM - from.heightM) : 0,
        to.radiusM > halfM ? (to.radiusM - halfM) / Math.max(1e-6, to.radiusM - from.radiusM) : 0,
      ),
    );
  const kept = out < 0 ? 1 : Math.max(LEAST_STUMP, (out - 1 + into(along.slice(out - 1, out + 1))) / REACH_STEPS);
  return { kept, branches: branches.map(past) };
}

/** What the cuts do to one stem. */
export function effectOn(s: Stem, cuts: readonly StemCut[], kind: StemKind): StemEffect {
  const own = ownCuts(s, cuts);
  const leaves = [ownLeafGone(s, kind, own)];
  const allEnds = 1 + s.branches.length;
  const ownEnds = own.kept === 0 ? 1 : (own.gone.size + (own.kept < 1 && own.leader === null ? 1 : 0)) / allEnds;
  const ends = [clampShare(ownEnds)];
  let { kept } = own;
  const gone = new Set(own.gone);
  let endsCut = false;
  const parts = s.branches.map(() => 1);
  for (const c of own.kept === 0 ? [] : cuts) {
    if ("stemId" in c || c.cut === "dead-heads") continue;
    const { leaf, ends: cutEnds, kept: keeps = 1, parts: stay = [] } = wholeCut(s, kind, c, own);
    stay.forEach((part, i) => (parts[i] = Math.min(parts[i]!, part)));
    leaves.push(leaf);
    ends.push(cutEnds);
    if (cutEnds > 0) endsCut = true;
    if (c.cut === "tips") kept = Math.min(kept, Math.max(LEAST_STUMP, 1 - c.offM / s.lengthM));
    kept = Math.min(kept, keeps);
    if (c.cut === "lift")
      reachOf(s, kind).branches.forEach(([from], i) => {
        if (from.heightM < c.clearM) gone.add(i);
      });
  }
  for (const i of above(s, kept)) if (i !== own.leader) gone.add(i);
  return {
    stem: s,
    kept,
    branchesGone: gone,
    branchParts: parts.map((part, i) => (gone.has(i) ? 0 : part)),
    leader: own.leader,
    leafGone: together(leaves),
    endsGone: together(ends),
    endsCut,
  };
}

/** A stem's thickness at a part of its length, of that at its foot: it tapers evenly to a third. */
export const partLeft = (at: Share): number => 1 - (2 / 3) * at;
