/** Plants whose main axes are the plant itself: a crown on trunks, a leader with tiers, a fan on a wall. */
import { MOST, type SideBranch, type Stem } from "../model/index.ts";
import type { Millimetres, Share } from "../units/index.ts";
import type { Build } from "./architecture.ts";
import { toSurface, type Body } from "./outline.ts";
import {
  cm,
  deg,
  DRAWING_ASSUMPTIONS as A,
  part,
  plainBranch,
  plainStem,
  shootsOn,
  thick,
  type Said,
} from "./plain.ts";
import { apart, meeting } from "./rubbing.ts";

const trunkMm = (body: Body, n: number): Millimetres =>
  thick(Math.min(A.trunkMostMm, (body.heightM * A.trunkMmPerM) / Math.sqrt(n)));

/** What is counted of the whole plant, shared out to its trunks. */
const ofTrunk = (count: number, t: number, n: number): number => Math.floor((count + t) / n);

/** Dead inside: the lowest branches first, which are the darkest. */
function withDead(branches: readonly SideBranch[], n: number): SideBranch[] {
  const dead = new Set(branches.toSorted((a, b) => a.at - b.at).slice(0, n));
  return branches.map((b) => (dead.has(b) ? { ...b, dead: true } : b));
}

/** Pairs of branches that cross, from the middle of the crown on: the upper one of each lies over the lower. */
function withCrossing(trunk: Stem, pairs: number, leaders: number, build: Build): SideBranch[] {
  const out = [...trunk.branches];
  const live = out.map((b, i) => ({ b, i })).filter(({ b, i }) => i >= leaders && !b.dead);
  const first = Math.max(0, Math.floor(live.length / 2) - pairs);
  for (let k = 0; k < pairs; k++) {
    const [low, high] = [live[first + 2 * k], live[first + 2 * k + 1]];
    if (low && high) out[high.i] = meeting(trunk, high.b, low.b, build);
  }
  return out;
}

/** A crown on a trunk or on several: leaders rise, the other branches fill the crown out to its outline. */
export function trunks({ sketch, body, build, evenly }: Said): Stem[] {
  const n = Math.min(6, Math.max(1, sketch.mains ?? Math.max(1, evenly.length)));
  const weeping = build.outline === "weeping";
  const pollard = build.outline === "pollard";
  const foot = sketch.bareM ?? body.heightM * (weeping ? 0.8 : pollard ? A.knuckles : Math.max(0.3, crownFrom(body)));
  const leaders = Math.min(5, sketch.leaders ?? 1);
  // Counted at the plant, branches and dead ones are those of all its trunks.
  const each = sketch.branches === null ? A.crownBranches : Math.ceil(sketch.branches / n);
  const count = Math.min(MOST.branches, Math.max(1, each)) + (leaders > 1 ? leaders : 0);
  return Array.from({ length: n }, (_, t): Stem => {
    const leanDeg = n === 1 ? 0 : 12;
    const lengthM = cm(
      pollard ? Math.min(foot, 0.9 * body.heightM) : body.heightM * (weeping ? 0.94 : leaders > 1 ? 0.62 : 0.9),
    );
    const from = pollard ? 0.92 : Math.min(0.9, foot / lengthM);
    const branches = Array.from({ length: count }, (_unused, i): SideBranch => {
      const leads = leaders > 1 && i < leaders;
      const at = leads ? part(Math.min(0.98, from + 0.1 + 0.02 * i)) : part(from + ((0.97 - from) * (i + 0.5)) / count);
      const riseDeg = leads
        ? 72
        : weeping
          ? 10 - 15 * (i % 3)
          : pollard
            ? 40 + ((i * 17) % 46)
            : Math.round(15 + 50 * ((at - from) / Math.max(0.05, 1 - from)));
      const far = toSurface(body, at * lengthM, riseDeg);
      const b = {
        diameterMm: thick(trunkMm(body, n) * (leads ? 0.5 : pollard ? A.rodDiameter : 0.34) * (1 - at / 3)),
        lengthM: cm(Math.max(0.1, far * (n === 1 ? 0.97 : 0.85))),
        turnDeg: leads ? deg((360 * i) / leaders + 20) : deg(t * 60 + i * A.turnDeg),
        riseDeg,
      };
      return {
        ...plainBranch(at, b.diameterMm, b.lengthM),
        ...b,
        shoots: shootsOn(b, weeping ? at * lengthM - A.hangsToM : null),
      };
    });
    const trunk: Stem = {
      ...plainStem(`s${t + 1}`, trunkMm(body, n), lengthM),
      turnDeg: deg((360 * t) / n),
      leanDeg,
      // Nothing grows on the trunk below its crown.
      leafFrom: part(from),
      branches: withDead(branches, ofTrunk(sketch.deadInside, t, n)),
    };
    // Of what stands on trunks "two crossing" can only be branches.
    const crossing = t === 0 ? sketch.crossing + sketch.tally.crossing : 0;
    const firm = leaders > 1 ? leaders : 0;
    const free = { ...trunk, branches: apart(trunk, firm, build) };
    return { ...free, branches: withCrossing(free, Math.ceil(crossing / 2), firm, build) };
  });
}
const crownFrom = (body: Body): Share => (toSurface(body, 0, 60) > 0 && body.outline !== "standard" ? 0.3 : 0.54);

/** A leader with tiers of branches to the outline, level below and steeper above. */
export function tiered({ sketch, body }: Said): Stem[] {
  const n = Math.min(4, Math.max(1, sketch.mains ?? 1));
  const each = Math.max(1, Math.min(20, sketch.tiers ?? Math.max(A.leastTiers, Math.round(body.heightM / A.tierM))));
  const leaders = Math.max(1, Math.min(4, sketch.leaders ?? 1));
  const perTier = Math.max(3, Math.min(A.perTier, Math.floor((MOST.branches - leaders) / each)));
  const foot = (sketch.bareM ?? 0.04 * body.heightM) / body.heightM;
  const columnar = body.outline === "column";
  return Array.from({ length: n }, (_, t): Stem => {
    const lengthM = cm(body.heightM);
    const branches = Array.from({ length: each * perTier }, (_unused, i): SideBranch => {
      const tier = Math.floor(i / perTier);
      // Said in tiers they are whorls; else, and in a column, branches stand all along it.
      const along = tier + (sketch.tiers === null || columnar ? (i % perTier) / perTier : 0);
      const at = part(Math.min(0.96, foot + ((0.97 - foot) * along) / each));
      const [low, high] = columnar ? A.columnRiseDeg : A.tierRiseDeg;
      const riseDeg = Math.round(low + (high - low) * at);
      const b = {
        diameterMm: thick(trunkMm(body, n) * 0.22 * (1.1 - at)),
        lengthM: cm(Math.max(0.06, toSurface(body, at * lengthM, riseDeg) - (n === 1 ? 0 : 0.06 * lengthM * at))),
        turnDeg: deg((360 * (i % perTier)) / perTier + tier * 36),
        riseDeg,
      };
      return {
        ...plainBranch(at, b.diameterMm, b.lengthM),
        ...b,
        shoots: shootsOn(b),
      };
    });
    // A second leader rises beside the first, from below the top.
    const rivals = Array.from({ length: leaders - 1 }, (_unused, i): SideBranch => {
      const at = part(0.55 + 0.05 * i);
      const b = {
        diameterMm: thick(trunkMm(body, n) * 0.45),
        lengthM: cm(0.42 * lengthM),
        turnDeg: deg(10 + 170 * i),
        riseDeg: 78,
      };
      return { ...plainBranch(at, b.diameterMm, b.lengthM), ...b, shoots: shootsOn(b) };
    });
    return {
      ...plainStem(`s${t + 1}`, trunkMm(body, n), lengthM),
      turnDeg: deg((360 * t) / n),
      leanDeg: n === 1 ? 0 : 3,
      branches: withDead([...branches, ...rivals], ofTrunk(sketch.deadInside, t, n)),
    };
  });
}

/** Towards whoever stands before the wall. */
const OFF_WALL_DEG = 270;
/** Arms in one plane, spread like a fan, with side shoots along them. */
export function fan({ sketch, body, evenly }: Said): Stem[] {
  const n = Math.max(1, Math.min(12, sketch.mains ?? (evenly.length || A.arms)));
  let offWall = sketch.offWall;
  return Array.from({ length: n }, (_, i): Stem => {
    const across = n === 1 ? 0 : (2 * i) / (n - 1) - 1;
    const leanDeg = Math.round(
      Math.abs(across) * Math.min(65, (Math.atan2(body.widthM / 2, body.heightM * 0.6) * 180) / Math.PI),
    );
    const lengthM = cm(Math.max(0.2, toSurface(body, 0, 90 - leanDeg) * 0.96));
    const turnDeg = across < 0 ? 180 : 0;
    const diameterMm = evenly[i] ?? thick(14 + 6 * (1 - Math.abs(across)));
    const spurs = Math.min(MOST.branches, Math.max(2, Math.round((lengthM * 0.8) / A.spurM)));
    // One arm's share of those that stand off the wall, among its other side shoots.
    const own = Math.min(spurs, Math.ceil(offWall / (n - i)));
    offWall -= own;
    const branches = Array.from({ length: spurs }, (_unused, k): SideBranch => {
      const off = Math.floor(((k + 1) * own) / spurs) > Math.floor((k * own) / spurs);
      return {
        ...plainBranch(
          part(0.18 + (0.8 * (k + 0.5)) / spurs),
          thick(diameterMm * 0.3),
          cm(sketch.shootM ?? A.spurLengthM),
        ),
        turnDeg: off ? OFF_WALL_DEG : k % 2 === 0 ? 0 : 180,
        riseDeg: off ? 25 : 50,
        dead: k < sketch.deadInside && i === 0,
      };
    });
    return { ...plainStem(`s${i + 1}`, diameterMm, lengthM), turnDeg, leanDeg, branches };
  });
}
