/** Branches of one trunk that meet: found from the drawing itself, as one finds them at the plant. */
import type { SideBranch, Stem } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { between, branchRun, type Bent, type Point3, type Run } from "./layout.ts";

/** Bark that stands as near as this rubs in a wind (ours). */
const NEAR_M: Metres = 0.015;
/** Two branches that leave the trunk side by side do not rub there. */
const FROM: Share = 0.12;
const MM = 0.001;

const less = (a: Point3, b: Point3): Point3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
const times = (a: Point3, b: Point3): number => a.x * b.x + a.y * b.y + a.z * b.z;
const clamp = (x: number): Share => Math.min(1, Math.max(FROM, x));

/**
 * Where two straight runs come nearest, as parts of each, beyond their first stretch, and how near (Ericson, Real-Time
 * Collision Detection, 5.1.9, from memory).
 */
export function nearestOf(a: Run, b: Run): { readonly onA: Share; readonly onB: Share; readonly m: Metres } {
  const [u, v, w] = [less(a[1], a[0]), less(b[1], b[0]), less(a[0], b[0])];
  const [uu, uv, vv, uw, vw] = [times(u, u), times(u, v), times(v, v), times(u, w), times(v, w)];
  const det = uu * vv - uv * uv;
  // Held to the branch, the nearest of one moves that of the other: once there and back is enough for straight runs.
  let onA = clamp(det > 1e-12 ? (uv * vw - vv * uw) / det : 0.5);
  const onB = clamp(vv > 0 ? (uv * onA + vw) / vv : 0.5);
  onA = clamp(uu > 0 ? (uv * onB - uw) / uu : 0.5);
  const gap = less(between(a, onA), between(b, onB));
  return { onA, onB, m: Math.sqrt(times(gap, gap)) };
}

/** A branch where it runs. */
interface Placed {
  readonly branch: SideBranch;
  readonly run: Run;
}
function rub(a: Placed, b: Placed): boolean {
  const half = ((a.branch.diameterMm + b.branch.diameterMm) / 2) * MM;
  const { onA, onB, m } = nearestOf(a.run, b.run);
  // Nearest where they leave the trunk they part from there on.
  return m <= half + NEAR_M && onA > FROM && onB > FROM;
}

/** Pairs of live branches of a stem that rub on each other, by their places in its list. */
export function rubbingOf(stem: Stem, build: Bent): readonly (readonly [number, number])[] {
  const placed = stem.branches.map((branch) => ({ branch, run: branchRun(stem, branch, build) }));
  return placed.flatMap((a, i) =>
    a.branch.dead
      ? []
      : placed.slice(i + 1).flatMap((b, k) => (!b.branch.dead && rub(a, b) ? [[i, i + 1 + k] as const] : [])),
  );
}

const TURN_DEG = 17;
const MOST_TURNS = 20;
/** Branches of a drawing turned aside until none rubs on one before it; the first ones stand as they are. */
export function apart(stem: Stem, firm: number, build: Bent): SideBranch[] {
  const out: Placed[] = [];
  const turned = (branch: SideBranch, by: number): Placed => {
    const b = { ...branch, turnDeg: (branch.turnDeg + by + 360) % 360 };
    return { branch: b, run: branchRun(stem, b, build) };
  };
  for (const [i, branch] of stem.branches.entries()) {
    let b = turned(branch, 0);
    for (let k = 1; i >= firm && k <= MOST_TURNS && out.some((o) => rub(o, b)); k++)
      b = turned(branch, TURN_DEG * Math.ceil(k / 2) * (k % 2 === 0 ? 1 : -1));
    out.push(b);
  }
  return out.map((p) => p.branch);
}

const RAD = Math.PI / 180;
/** A branch turned so that it meets another, and grown a bit beyond it. */
export function meeting(stem: Stem, b: SideBranch, other: SideBranch, build: Bent): SideBranch {
  const [from] = branchRun(stem, b, build);
  const at = between(branchRun(stem, other, build), MEETS_AT);
  const way = less(at, from);
  const far = Math.sqrt(times(way, way));
  return {
    ...b,
    turnDeg: Math.round((Math.atan2(way.y, way.x) / RAD + 360) % 360),
    riseDeg: Math.round(Math.asin(Math.max(-1, Math.min(1, way.z / Math.max(0.01, far)))) / RAD),
    lengthM: Math.max(0.05, Math.round(far * BEYOND * 100) / 100),
  };
}
const MEETS_AT: Share = 0.55;
const BEYOND = 1.25;
