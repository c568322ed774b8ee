/** Where stems stand and run: a drawing in three dimensions from thickness, length, lean and side. */
import type { Taxon } from "../catalogue/index.ts";
import type { SideBranch, Stem } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";

/** A point in metres: x along the bed, y behind it, z up. */
export interface Point3 {
  readonly x: Metres;
  readonly y: Metres;
  readonly z: Metres;
}

/** How much a habit's stems arch: 0 straight, 1 the tip hangs level; ours, by eye. */
const ARCH_OF_HABIT: Readonly<Record<Taxon["habit"], Share>> = {
  dome: 0.25,
  mound: 0.2,
  upright: 0.05,
  vase: 0.2,
  fountain: 0.6,
  cone: 0,
  column: 0,
  climber: 0.15,
  tuft: 0.3,
  tree: 0.1,
};
export const archOf = (taxon: Pick<Taxon, "habit">): Share => ARCH_OF_HABIT[taxon.habit];

const RAD = Math.PI / 180;
/** Side branches stand off their stem by so much, degrees. */
const BRANCH_ANGLE_DEG = 45;
/** Bases of one clump stand in a ring, and stems of one base round its middle, m. */
const CLUMP_RING_M = 0.25;
const BASE_RADIUS_M = 0.06;

function footOf(s: Pick<Stem, "base" | "turnDeg">): Point3 {
  const clump = s.base === 0 ? 0 : CLUMP_RING_M;
  const [a, b] = [s.turnDeg * RAD, s.base * 137.5 * RAD];
  return {
    x: BASE_RADIUS_M * Math.cos(a) + clump * Math.cos(b),
    y: BASE_RADIUS_M * Math.sin(a) + clump * Math.sin(b),
    z: 0,
  };
}

/** The point at a part of a stem's length: 0 at the ground, 1 at the tip. */
export function alongStem(s: Stem, at: Share, taxon: Pick<Taxon, "habit">): Point3 {
  const arch = archOf(taxon);
  const foot = footOf(s);
  const [lean, turn] = [s.leanDeg * RAD, s.turnDeg * RAD];
  // A straight run out, and up along an arch that ends at the stem's own height.
  const out = s.lengthM * Math.sin(lean) * at ** (1 + arch);
  const up = s.lengthM * Math.cos(lean) * at * (1 + arch * (1 - at));
  return { x: foot.x + out * Math.cos(turn), y: foot.y + out * Math.sin(turn), z: up };
}

/** Where a side branch ends. */
export function branchTip(s: Stem, b: SideBranch, taxon: Pick<Taxon, "habit">): Point3 {
  const from = alongStem(s, b.at, taxon);
  const [out, up] = [
    b.lengthM * Math.sin(BRANCH_ANGLE_DEG * RAD),
    b.lengthM * Math.cos(BRANCH_ANGLE_DEG * RAD) * (1 - archOf(taxon)),
  ];
  return { x: from.x + out * Math.cos(b.turnDeg * RAD), y: from.y + out * Math.sin(b.turnDeg * RAD), z: from.z + up };
}

/** Seen from a side of the walk round it: 0 the front of the bed, 90 its right. Depth grows away from the eye. */
export function seenFrom(
  p: Point3,
  viewDeg: number,
): { readonly x: Metres; readonly z: Metres; readonly depth: Metres } {
  const v = viewDeg * RAD;
  return { x: p.x * Math.cos(v) + p.y * Math.sin(v), z: p.z, depth: p.y * Math.cos(v) - p.x * Math.sin(v) };
}

/** Distance from the plant's middle axis. */
export const radiusOf = (p: Point3): Metres => Math.hypot(p.x, p.y);

/** The part of a stem's length at which it passes a height; 1 when it stays below. */
export function partAtHeight(s: Stem, heightM: Metres, taxon: Pick<Taxon, "habit">): Share {
  if (alongStem(s, 1, taxon).z <= heightM) return 1;
  let [low, high] = [0, 1];
  for (let i = 0; i < 30; i++) {
    const mid = (low + high) / 2;
    if (alongStem(s, mid, taxon).z < heightM) low = mid;
    else high = mid;
  }
  return low;
}

/** Length of a stem that reaches a height. */
export const lengthForHeight = (heightM: Metres, leanDeg: number): Metres => heightM / Math.cos(leanDeg * RAD);
