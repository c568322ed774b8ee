/** How high and how far out a stem and its side branches stand, worked out once: every try at the bench asks again. */
import type { Taxon } from "../catalogue/index.ts";
import type { Stem } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { alongStem, branchTip, radiusOf, type Point3 } from "./layout.ts";

/** A point by its height and its distance from the plant's middle axis. */
export interface Reached {
  readonly heightM: Metres;
  readonly radiusM: Metres;
}
export interface StemReach {
  /** At even parts of its length from the ground to the tip, REACH_STEPS + 1 of them. */
  readonly along: readonly Reached[];
  /** Of each side branch: where it leaves the stem, and its tip. */
  readonly branches: readonly (readonly [from: Reached, to: Reached])[];
}
export const REACH_STEPS = 24;

const reached = (p: Point3): Reached => ({ heightM: p.z, radiusM: radiusOf(p) });

/** By stem, and by the habit that bends it. */
const KNOWN = new WeakMap<Stem, { readonly habit: Taxon["habit"]; readonly reach: StemReach }>();

export function reachOf(s: Stem, taxon: Pick<Taxon, "habit">): StemReach {
  const known = KNOWN.get(s);
  if (known?.habit === taxon.habit) return known.reach;
  const reach: StemReach = {
    along: Array.from({ length: REACH_STEPS + 1 }, (_, i) => reached(alongStem(s, i / REACH_STEPS, taxon))),
    branches: s.branches.map((b) => [reached(alongStem(s, b.at, taxon)), reached(branchTip(s, b, taxon))]),
  };
  KNOWN.set(s, { habit: taxon.habit, reach });
  return reach;
}

/** The highest and the widest of what is left of a stem when a part of its length and of each of its side branches stays. */
export function reachLeft(s: Stem, kept: Share, branchParts: readonly Share[], taxon: Pick<Taxon, "habit">): Reached {
  if (kept === 0) return { heightM: 0, radiusM: 0 };
  const { along, branches } = reachOf(s, taxon);
  let { heightM, radiusM } = kept === 1 ? along[REACH_STEPS]! : reached(alongStem(s, kept, taxon));
  const meet = (p: Reached): void => {
    heightM = Math.max(heightM, p.heightM);
    radiusM = Math.max(radiusM, p.radiusM);
  };
  for (let i = 0; i <= kept * REACH_STEPS; i++) meet(along[i]!);
  branches.forEach(([from, to], i) => {
    const part = branchParts[i]!;
    if (part === 1) meet(to);
    else if (part > 0)
      meet({
        heightM: from.heightM + part * (to.heightM - from.heightM),
        radiusM: from.radiusM + part * (to.radiusM - from.radiusM),
      });
  });
  return { heightM, radiusM };
}
