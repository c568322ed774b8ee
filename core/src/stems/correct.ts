/** A drawing made like the plant it is of: a tip is put where it truly stands. */
import { BOUNDS, type SideBranch, type Stem } from "../model/index.ts";
import type { Metres } from "../units/index.ts";
import { alongStem, baseMiddle, STEM_RING_M, type Bent, type Point3 } from "./layout.ts";

const DEG = 180 / Math.PI;
/** No stem and no branch is drawn shorter, m. */
const SHORTEST_M: Metres = 0.02;
/** Leaning less than this, a stem is meant to stand upright, degrees. */
const UPRIGHT_DEG = 2;
const whole = (n: number): number => Math.round(n);
const millimetres = (m: Metres): Metres => Math.round(m * 1000) / 1000;
const turn = (dx: number, dy: number): number => (whole(Math.atan2(dy, dx) * DEG) + 360) % 360;
const long = (m: Metres): Metres => millimetres(Math.min(BOUNDS.lengthM.to, Math.max(SHORTEST_M, m)));

/**
 * A stem with its tip where it truly is: as long, as far over and to the side that this takes, to a degree.
 * @param tip metres from the middle of the plant; below the ground it lies on it
 */
export function stemToTip(s: Stem, tip: Point3): Stem {
  const middle = baseMiddle(s);
  const [dx, dy] = [tip.x - middle.x, tip.y - middle.y];
  const away = Math.hypot(dx, dy);
  const up = Math.max(SHORTEST_M, tip.z);
  const out = Math.max(0, away - STEM_RING_M);
  const leanDeg = whole(Math.atan2(out, up) * DEG);
  if (leanDeg < UPRIGHT_DEG) return { ...s, leanDeg: s.leanDeg === 0 ? 0 : UPRIGHT_DEG, lengthM: long(up) };
  return {
    ...s,
    leanDeg: Math.min(leanDeg, BOUNDS.leanDeg.to),
    turnDeg: turn(dx, dy),
    lengthM: long(Math.hypot(out, up)),
  };
}

/** The same for the tip of one of its branches, which goes on leaving the stem where it did; its shoots go with it. */
export function branchToTip(s: Stem, index: number, tip: Point3, build: Bent): Stem {
  const old = s.branches[index];
  if (!old) return s;
  const from = alongStem(s, old.at, build);
  const [dx, dy, dz] = [tip.x - from.x, tip.y - from.y, Math.max(0, tip.z) - from.z];
  const lengthM = long(Math.hypot(dx, dy, dz));
  const branch: SideBranch = {
    ...old,
    lengthM,
    riseDeg: whole(Math.atan2(dz, Math.hypot(dx, dy)) * DEG),
    turnDeg: turn(dx, dy),
    shoots: old.shoots.map((x) => ({ ...x, lengthM: long((x.lengthM * lengthM) / old.lengthM) })),
  };
  return { ...s, branches: s.branches.map((b, i) => (i === index ? branch : b)) };
}
