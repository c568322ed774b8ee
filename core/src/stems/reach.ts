/** Where a stem, its branches and their shoots stand, worked out once: every try at the bench asks again. */
import type { Stem } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { alongStem, branchRun, radiusOf, shootRun, type Bent, type Point3, type Run } from "./layout.ts";

/** A point by its height and its distance from the plant's middle axis. */
export interface Reached {
  readonly heightM: Metres;
  readonly radiusM: Metres;
}
export interface BranchReach {
  readonly run: Run;
  readonly shoots: readonly Run[];
}
export interface StemReach {
  /** At even parts of its length from the ground to the tip, REACH_STEPS + 1 of them. */
  readonly along: readonly Point3[];
  readonly branches: readonly BranchReach[];
}
export const REACH_STEPS = 24;

/** By stem, and by what bends it. */
const KNOWN = new WeakMap<Stem, { readonly bend: Share; readonly reach: StemReach }>();

export function reachOf(s: Stem, build: Bent): StemReach {
  const known = KNOWN.get(s);
  if (known?.bend === build.bend) return known.reach;
  const reach: StemReach = {
    along: Array.from({ length: REACH_STEPS + 1 }, (_, i) => alongStem(s, i / REACH_STEPS, build)),
    branches: s.branches.map((b) => {
      const run = branchRun(s, b, build);
      return { run, shoots: b.shoots.map((x) => shootRun(run, x)) };
    }),
  };
  KNOWN.set(s, { bend: build.bend, reach });
  return reach;
}

/** What is left of a stem: part of its length, of each of its branches, of each of their shoots. */
export interface Left {
  readonly kept: Share;
  readonly branchParts: readonly Share[];
  readonly shootParts: readonly (readonly Share[])[];
}

/** The highest and the widest of what is left of a stem. */
export function reachLeft(s: Stem, { kept, branchParts, shootParts }: Left, build: Bent): Reached {
  if (kept === 0) return { heightM: 0, radiusM: 0 };
  const { along, branches } = reachOf(s, build);
  let [heightM, radiusM] = [0, 0];
  const meet = (p: Point3): void => {
    if (p.z > heightM) heightM = p.z;
    const r = radiusOf(p);
    if (r > radiusM) radiusM = r;
  };
  const part = ([a, b]: Run, at: Share): void =>
    meet(at === 1 ? b : { x: a.x + at * (b.x - a.x), y: a.y + at * (b.y - a.y), z: a.z + at * (b.z - a.z) });
  if (kept < 1) meet(alongStem(s, kept, build));
  for (let i = 0; i <= kept * REACH_STEPS; i++) meet(along[i]!);
  for (let i = 0; i < branches.length; i++) {
    const at = branchParts[i]!;
    if (at === 0) continue;
    const { run, shoots } = branches[i]!;
    part(run, at);
    for (let j = 0; j < shoots.length; j++) if (shootParts[i]![j]! > 0) part(shoots[j]!, shootParts[i]![j]!);
  }
  return { heightM, radiusM };
}
