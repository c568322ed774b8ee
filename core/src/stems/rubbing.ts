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

/** Pairs of live branches of a stem that rub on each other, by their places in its list. */
export function rubbingOf(stem: Stem, build: Bent): readonly (readonly [number, number])[] {
  const out: (readonly [number, number])[] = [];
  const runs = stem.branches.map((b) => (b.dead ? null : branchRun(stem, b, build)));
  runs.forEach((a, i) => {
    for (let j = i + 1; a !== null && j < runs.length; j++) {
      const b = runs[j];
      if (!b) continue;
      const half = ((stem.branches[i]!.diameterMm + stem.branches[j]!.diameterMm) / 2) * MM;
      if (nearestOf(a, b).m <= half + NEAR_M) out.push([i, j]);
    }
  });
  return out;
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
