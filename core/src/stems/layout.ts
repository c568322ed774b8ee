/** Where stems stand and run: a drawing in three dimensions from thickness, length, lean and side. */
import type { SideBranch, SideShoot, Stem } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";
import type { Build } from "./architecture.ts";

/** A point in metres: x along the bed, y behind it, z up. */
export interface Point3 {
  readonly x: Metres;
  readonly y: Metres;
  readonly z: Metres;
}
/** Straight from one point to another. */
export type Run = readonly [from: Point3, to: Point3];
/** How much an axis bows. */
export type Bent = Pick<Build, "bend">;

const RAD = Math.PI / 180;
/** Bases of one clump stand in a ring, and stems of one base round its middle, m. */
const CLUMP_RING_M = 0.25;
export const STEM_RING_M: Metres = 0.06;

/** The middle of the base that a stem rises from. */
export function baseMiddle(s: Pick<Stem, "base">): Point3 {
  const [ring, a] = [s.base === 0 ? 0 : CLUMP_RING_M, s.base * 137.5 * RAD];
  return { x: ring * Math.cos(a), y: ring * Math.sin(a), z: 0 };
}
function footOf(s: Pick<Stem, "base" | "turnDeg" | "leanDeg">): Point3 {
  const [middle, a] = [baseMiddle(s), s.turnDeg * RAD];
  // What stands upright is a trunk, and stands in the middle.
  const off = s.leanDeg === 0 ? 0 : STEM_RING_M;
  return { x: off * Math.cos(a) + middle.x, y: off * Math.sin(a) + middle.y, z: 0 };
}

/** The point at a part of a stem's length: 0 at the ground, 1 at the tip. */
export function alongStem(s: Stem, at: Share, { bend }: Bent): Point3 {
  const foot = footOf(s);
  const [lean, turn] = [s.leanDeg * RAD, s.turnDeg * RAD];
  // A straight run out, and up along an arch that ends at the stem's own height.
  const out = s.lengthM * Math.sin(lean) * at ** (1 + bend);
  const up = s.lengthM * Math.cos(lean) * at * (1 + bend * (1 - at));
  return { x: foot.x + out * Math.cos(turn), y: foot.y + out * Math.sin(turn), z: up };
}

function off(from: Point3, b: Pick<SideShoot, "lengthM" | "riseDeg" | "turnDeg">): Point3 {
  const [out, up] = [b.lengthM * Math.cos(b.riseDeg * RAD), b.lengthM * Math.sin(b.riseDeg * RAD)];
  // What hangs lies on the ground at the lowest.
  return {
    x: from.x + out * Math.cos(b.turnDeg * RAD),
    y: from.y + out * Math.sin(b.turnDeg * RAD),
    z: Math.max(0, from.z + up),
  };
}

/** A side branch, from its stem to its tip. */
export function branchRun(s: Stem, b: SideBranch, build: Bent): Run {
  const from = alongStem(s, b.at, build);
  return [from, off(from, b)];
}

/** The point at a part of a straight run. */
export const between = ([a, b]: Run, at: Share): Point3 => ({
  x: a.x + at * (b.x - a.x),
  y: a.y + at * (b.y - a.y),
  z: a.z + at * (b.z - a.z),
});

/** A shoot, from its branch to its tip. */
export function shootRun(branch: Run, shoot: SideShoot): Run {
  const from = between(branch, shoot.at);
  return [from, off(from, shoot)];
}

/** How far to the side a shoot may point and still stand off its wall, or into it. */
const OFF_WALL_SPREAD_DEG = 40;
/** A shoot that points away from the wall its plant is trained on, or into it: it cannot be tied in. */
export const standsOffWall = ({ turnDeg }: Pick<SideShoot, "turnDeg">): boolean =>
  Math.abs((turnDeg % 180) - 90) <= OFF_WALL_SPREAD_DEG;

/** Seen from a side of the walk round it: 0 the front of the bed, 90 its right. Depth grows away from the eye. */
export function seenFrom(
  p: Point3,
  viewDeg: number,
): { readonly x: Metres; readonly z: Metres; readonly depth: Metres } {
  const v = viewDeg * RAD;
  return { x: p.x * Math.cos(v) + p.y * Math.sin(v), z: p.z, depth: p.y * Math.cos(v) - p.x * Math.sin(v) };
}

/** The point that is seen so from a side: the other way round. */
export function pointFrom(
  { x, z, depth }: { readonly x: Metres; readonly z: Metres; readonly depth: Metres },
  viewDeg: number,
): Point3 {
  const v = viewDeg * RAD;
  return { x: x * Math.cos(v) - depth * Math.sin(v), y: x * Math.sin(v) + depth * Math.cos(v), z };
}

/** Distance from the plant's middle axis. */
export const radiusOf = (p: Point3): Metres => Math.hypot(p.x, p.y);

/** The part of a stem's length at which it passes a height; 1 when it stays below. */
export function partAtHeight(s: Stem, heightM: Metres, build: Bent): Share {
  if (alongStem(s, 1, build).z <= heightM) return 1;
  let [low, high] = [0, 1];
  for (let i = 0; i < 30; i++) {
    const mid = (low + high) / 2;
    if (alongStem(s, mid, build).z < heightM) low = mid;
    else high = mid;
  }
  return low;
}
