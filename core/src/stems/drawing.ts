/**
 * From what is said of a plant to axes that can be drawn, counted and corrected: each architecture is laid into the
 * plant's own outline. Nothing here is chance: the same words give the same drawing.
 */
import { MOST, type SideBranch, type SideShoot, type Stem } from "../model/index.ts";
import type { Metres, Millimetres, Share } from "../units/index.ts";
import { bodyOf, type Architecture, type Build } from "./architecture.ts";
import { THICKNESS_TABLE, THICKNESSES } from "./classes.ts";
import { branchRun, radiusOf } from "./layout.ts";
import { halfAt, outsideM, toSurface, type Body } from "./outline.ts";
import type { Sketch } from "./sketch.ts";
import { apart, meeting } from "./rubbing.ts";
import { NO_EXTRAS } from "./sketch.ts";
import { stemCount, type Tally } from "./tally.ts";

/** What words leave open (ours, by eye): a drawing to be corrected, and it says so. */
export const DRAWING_ASSUMPTIONS = {
  /** A stem as thin as nothing reaches this part of the way to the outline; the thickest reach all of it. */
  thinReach: 0.62,
  /** Side branches on a stem over a pencil, from the lowest place up. */
  branchesAt: [0.4, 0.6, 0.78],
  /** What is green to the ground carries lower ones too, and they lie flatter. */
  lowBranchesAt: [0.12, 0.26, 0.42, 0.6, 0.78],
  branchDiameter: 0.45,
  branchLength: 0.38,
  /** Shoots on a branch, from where to where along it. */
  shootsAt: [0.45, 0.75],
  /** Of a weeping head they hang, to the ends of the branches. */
  hangingAt: [0.35, 0.6, 0.8, 0.98],
  /** And end so far over the ground, m. */
  hangsToM: 0.5,
  shootDiameter: 0.5,
  shootLength: 0.5,
  /** What follows turns by the angle at which leaves follow each other, so that no two stand in line. */
  turnDeg: 137.5,
  /** A trunk is so thick for its height, mm a metre, and no more than this. */
  trunkMmPerM: 26,
  trunkMostMm: 280,
  /** Tiers stand so far apart, and so many branches are in one. */
  tierM: 0.32,
  leastTiers: 7,
  perTier: 5,
  /** Rise of a tier's branches, lowest and highest, degrees. */
  tierRiseDeg: [2, 40],
  /** Branches of a crown without a word for it; arms of a fan. */
  crownBranches: 9,
  arms: 5,
  /** Side shoots on an arm, so far apart and so long. */
  spurM: 0.22,
  spurLengthM: 0.3,
  /** Layers: how far their stems lie over, least and most, degrees from upright. */
  layersDeg: [45, 85],
  layersRiseDeg: 3,
  /** Years of a cane by its thickness: thick ones are the oldest. */
  caneYears: { thick: 5, middling: 3, thin: 1 },
} as const;
const A = DRAWING_ASSUMPTIONS;

/** A stem of which only its thickness and length are known: alive, upright, nothing against it. */
export const plainStem = (id: string, diameterMm: Millimetres, lengthM: Metres): Stem => ({
  id,
  diameterMm,
  lengthM,
  ageYears: null,
  state: "live",
  leafed: 1,
  faults: [],
  crosses: null,
  base: 0,
  turnDeg: 0,
  leanDeg: 0,
  leafFrom: null,
  deadFrom: null,
  branches: [],
});
/** A side branch of which no more is known. */
export const plainBranch = (at: Share, diameterMm: Millimetres, lengthM: Metres): SideBranch => ({
  at,
  diameterMm,
  lengthM,
  turnDeg: 0,
  riseDeg: 45,
  dead: false,
  leafFrom: null,
  shoots: [],
});

const cm = (m: Metres): Metres => Math.max(0.01, Math.round(m * 100) / 100);
const deg = (d: number): number => Math.round(((d % 360) + 360) % 360);
const part = (x: Share): Share => Math.round(x * 1000) / 1000;
const thick = (mm: Millimetres): Millimetres => Math.max(2, Math.round(mm));

/** Canes are told apart by age and blades by nothing: both are thinner than stems of the same word. */
const THINNER: Partial<Record<Architecture, Share>> = { canes: 0.6, tuft: 0.25 };
/** Thicknesses spread evenly over a class's usual range, thickest first. */
function thicknessesOf(tally: Tally, architecture: Architecture): readonly Millimetres[] {
  const times = THINNER[architecture] ?? 1;
  return THICKNESSES.flatMap((t) => {
    const [low, high] = THICKNESS_TABLE[t].usualMm;
    const n = tally[t];
    return Array.from({ length: n }, (_, i) =>
      thick(times * (n === 1 ? (low + high) / 2 : high - ((high - low) * i) / (n - 1))),
    );
  });
}

/** Shoots to both sides of a branch. */
const shootsOn = (
  b: { diameterMm: number; lengthM: Metres; turnDeg: number; riseDeg: number },
  hangM: Metres | null = null,
): SideShoot[] =>
  (hangM === null ? A.shootsAt : A.hangingAt).map((at, i) => ({
    at,
    diameterMm: thick(b.diameterMm * A.shootDiameter),
    lengthM: cm(hangM === null ? b.lengthM * A.shootLength * (1.3 - at) : hangM * (0.8 + 0.2 * at)),
    turnDeg: deg(b.turnDeg + (i % 2 === 0 ? 40 : -40)),
    riseDeg: hangM !== null ? -82 : Math.max(-90, Math.min(90, Math.round(b.riseDeg + 15))),
    dead: false,
  }));

/** Branches of a stem that leans, spread round it; none on what is thin or short. */
function branchesOf(
  diameterMm: Millimetres,
  lengthM: Metres,
  turnDeg: number,
  leanDeg: number,
  low: boolean,
): SideBranch[] {
  if (!low && (diameterMm < THICKNESS_TABLE.middling.fromMm || lengthM < 0.4)) return [];
  return (low ? A.lowBranchesAt : A.branchesAt).map((at, i): SideBranch => {
    const b = {
      diameterMm: thick(diameterMm * A.branchDiameter * (1 - at / 3)),
      lengthM: cm(lengthM * A.branchLength * (low ? 1.5 - at : 1.2 - at)),
      turnDeg: deg(turnDeg + (i % 2 === 0 ? 55 : -65) + i * 12),
      riseDeg: Math.round(Math.max(low ? 4 : 10, (low ? 20 + 50 * at : 62) - leanDeg / (low ? 2 : 1))),
    };
    return { ...plainBranch(at, b.diameterMm, b.lengthM), ...b, shoots: shootsOn(b) };
  });
}

/** A branch no longer than the outline has room for. */
function within(s: Stem, b: SideBranch, body: Body): SideBranch {
  let part = 1;
  const out = (): boolean => {
    const [, tip] = branchRun(s, { ...b, lengthM: b.lengthM * part }, { bend: 0 });
    return tip.z > body.heightM || radiusOf(tip) > 1.02 * outsideM(body, tip.z);
  };
  while (part > LEAST_PART && out()) part -= 0.08;
  if (part === 1) return b;
  const shorter = (x: Metres): Metres => cm(Math.max(0.03, x * part));
  return { ...b, lengthM: shorter(b.lengthM), shoots: b.shoots.map((x) => ({ ...x, lengthM: shorter(x.lengthM) })) };
}
const LEAST_PART: Share = 0.15;

/** Which way stems lean, innermost first: to a golden angle each, the outermost to the outline's edge. */
function spread(n: number, most: number, least = 0): readonly (readonly [leanDeg: number, turnDeg: number])[] {
  return Array.from({ length: n }, (_, i) => [
    Math.round(least + (most - least) * Math.sqrt((i + 0.5) / n)),
    deg(i * A.turnDeg),
  ]);
}

/** The angle from upright at which the outline is widest seen from the foot. */
function widestDeg(body: Body): number {
  let best = 0;
  for (let d = 0; d <= 80; d++) if (toSurface(body, 0, 90 - d) > 0.5 * body.heightM || d === 0) best = d;
  return Math.min(best, (Math.atan2(body.widthM * 0.46, body.heightM * 0.55) * 180) / Math.PI);
}

/** Stems from the base, laid into the outline; thick ones inside and high, thin ones lower. */
function clump(
  sizes: readonly Millimetres[],
  body: Body,
  leans: ReturnType<typeof spread>,
  branching: "none" | "high" | "low",
): Stem[] {
  const thickest = Math.max(...sizes);
  return sizes.map((diameterMm, i): Stem => {
    const [leanDeg, turnDeg] = leans[i]!;
    const reach = A.thinReach + (1 - A.thinReach) * Math.sqrt(diameterMm / thickest);
    const lengthM = cm(Math.max(0.05, toSurface(body, 0, 90 - leanDeg) * reach));
    const stem = { ...plainStem(`s${i + 1}`, diameterMm, lengthM), turnDeg, leanDeg };
    return {
      ...stem,
      branches:
        branching === "none"
          ? []
          : branchesOf(diameterMm, lengthM, turnDeg, leanDeg, branching === "low").map((b) => within(stem, b, body)),
    };
  });
}

interface Said {
  readonly sketch: Sketch;
  readonly body: Body;
  readonly build: Build;
  readonly evenly: readonly Millimetres[];
}

const trunkMm = (body: Body, n: number): Millimetres =>
  thick(Math.min(A.trunkMostMm, (body.heightM * A.trunkMmPerM) / Math.sqrt(n)));

/** Leaf begins so far out from the axis, as a part of a branch. */
const leafFromOf = ({ greenM }: Sketch, lengthM: Metres): Share | null =>
  greenM === null ? null : part(Math.min(0.9, greenM / lengthM));

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
function trunks({ sketch, body, build, evenly }: Said): Stem[] {
  const n = Math.min(6, Math.max(1, sketch.mains ?? Math.max(1, evenly.length)));
  const weeping = build.outline === "weeping";
  const foot = sketch.bareM ?? body.heightM * (weeping ? 0.8 : Math.max(0.3, crownFrom(body)));
  const leaders = Math.min(5, sketch.leaders ?? 1);
  const count = Math.min(MOST.branches, Math.max(1, sketch.branches ?? A.crownBranches)) + (leaders > 1 ? leaders : 0);
  return Array.from({ length: n }, (_, t): Stem => {
    const leanDeg = n === 1 ? 0 : 12;
    const lengthM = cm(body.heightM * (weeping ? 0.94 : leaders > 1 ? 0.62 : 0.9));
    const from = Math.min(0.9, foot / lengthM);
    const branches = Array.from({ length: count }, (_unused, i): SideBranch => {
      const leads = leaders > 1 && i < leaders;
      const at = leads ? part(Math.min(0.98, from + 0.1 + 0.02 * i)) : part(from + ((0.97 - from) * (i + 0.5)) / count);
      const riseDeg = leads
        ? 72
        : weeping
          ? 10 - 15 * (i % 3)
          : Math.round(15 + 50 * ((at - from) / Math.max(0.05, 1 - from)));
      const far = toSurface(body, at * lengthM, riseDeg);
      const b = {
        diameterMm: thick(trunkMm(body, n) * (leads ? 0.5 : 0.34) * (1 - at / 3)),
        lengthM: cm(Math.max(0.1, far * (n === 1 ? 0.97 : 0.85))),
        turnDeg: leads ? deg((360 * i) / leaders + 20) : deg(t * 60 + i * A.turnDeg),
        riseDeg,
      };
      return {
        ...plainBranch(at, b.diameterMm, b.lengthM),
        ...b,
        leafFrom: leafFromOf(sketch, b.lengthM),
        shoots: shootsOn(b, weeping ? at * lengthM - A.hangsToM : null),
      };
    });
    const trunk: Stem = {
      ...plainStem(`s${t + 1}`, trunkMm(body, n), lengthM),
      turnDeg: deg((360 * t) / n),
      leanDeg,
      // Nothing grows on the trunk below its crown.
      leafFrom: part(from),
      branches: withDead(branches, sketch.deadInside),
    };
    // On one trunk "two crossing" can only be branches.
    const crossing = t === 0 ? sketch.crossing + (n === 1 ? sketch.tally.crossing : 0) : 0;
    const firm = leaders > 1 ? leaders : 0;
    const free = { ...trunk, branches: apart(trunk, firm, build) };
    return { ...free, branches: withCrossing(free, Math.ceil(crossing / 2), firm, build) };
  });
}
const crownFrom = (body: Body): Share => (toSurface(body, 0, 60) > 0 && body.outline !== "standard" ? 0.3 : 0.54);

/** A leader with tiers of branches to the outline, level below and steeper above. */
function tiered({ sketch, body }: Said): Stem[] {
  const n = Math.min(4, Math.max(1, sketch.mains ?? 1));
  const each = Math.max(1, Math.min(20, sketch.tiers ?? Math.max(A.leastTiers, Math.round(body.heightM / A.tierM))));
  const leaders = Math.max(1, Math.min(4, sketch.leaders ?? 1));
  const perTier = Math.max(3, Math.min(A.perTier, Math.floor((MOST.branches - leaders) / each)));
  const foot = (sketch.bareM ?? 0.04 * body.heightM) / body.heightM;
  return Array.from({ length: n }, (_, t): Stem => {
    const lengthM = cm(body.heightM);
    const branches = Array.from({ length: each * perTier }, (_unused, i): SideBranch => {
      const tier = Math.floor(i / perTier);
      // Said in tiers they are whorls; else branches stand all along it.
      const along = tier + (sketch.tiers === null ? (i % perTier) / perTier : 0);
      const at = part(Math.min(0.96, foot + ((0.97 - foot) * along) / each));
      const [low, high] = A.tierRiseDeg;
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
        leafFrom: leafFromOf(sketch, b.lengthM),
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
      branches: withDead([...branches, ...rivals], sketch.deadInside),
    };
  });
}

/** Towards whoever stands before the wall. */
const OFF_WALL_DEG = 270;
/** Arms in one plane, spread like a fan, with side shoots along them. */
function fan({ sketch, body, evenly }: Said): Stem[] {
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

/** What is wide at the foot is green to the ground there, and so has low branches. */
const branchingOf = ({ architecture, outline }: Build): "none" | "high" | "low" =>
  architecture === "tuft" ? "none" : halfAt(outline, LOW_AT) > WIDE ? "low" : "high";
const LOW_AT: Share = 0.15;
const WIDE: Share = 0.6;

function fromBase({ sketch, body, build, evenly }: Said): Stem[] {
  const stems = clump(evenly, body, spread(evenly.length, widestDeg(body)), branchingOf(build));
  return stems.map((s) => ({
    ...s,
    branches: s.branches.map((b) => ({ ...b, leafFrom: leafFromOf(sketch, b.lengthM) })),
  }));
}

function canes(said: Said): Stem[] {
  const { tally } = said.sketch;
  const age = [
    ...Array.from({ length: tally.thick }, () => A.caneYears.thick),
    ...Array.from({ length: tally.middling }, () => A.caneYears.middling),
    ...Array.from({ length: tally.thin }, () => A.caneYears.thin),
  ];
  return fromBase(said).map((s, i) => ({ ...s, ageYears: age[i] ?? null }));
}

function layered({ sketch, body, evenly }: Said): Stem[] {
  const [least, most] = A.layersDeg;
  const leans = [...spread(evenly.length, most, least)];
  // The thickest make its height; every third of the others lies lowest.
  const mixed = evenly.map((_, i) => (i % 3 === 1 ? leans.pop()! : leans.shift()!));
  return clump(evenly, body, mixed, "low").map((s) => ({
    ...s,
    leafFrom: leafFromOf(sketch, s.lengthM),
    branches: s.branches.map((b) => ({ ...b, riseDeg: A.layersRiseDeg })),
  }));
}

const DRAWERS: Readonly<Record<Architecture, (said: Said) => Stem[]>> = {
  stems: fromBase,
  shell: fromBase,
  tuft: fromBase,
  canes,
  layers: layered,
  trunk: trunks,
  tiers: tiered,
  wall: fan,
};

/** Axes of a plant of a size from what was said of it: a drawing to correct, and it says so. */
export function stemsFromSketch(
  sketch: Sketch,
  plant: { readonly heightM: Metres; readonly widthM: Metres },
  build: Build,
): Stem[] {
  const body = bodyOf(build, plant.heightM, plant.widthM);
  const drawn = DRAWERS[build.architecture]({
    sketch,
    body,
    build,
    evenly: thicknessesOf(sketch.tally, build.architecture),
  });
  return marked(drawn.slice(0, MOST.stems), sketch.tally);
}

/** Stems of a plain count. */
export const stemsFromTally = (
  tally: Tally,
  plant: { readonly heightM: Metres; readonly widthM: Metres },
  build: Build,
): Stem[] => stemsFromSketch({ ...NO_EXTRAS, tally, mains: stemCount(tally) || null }, plant, build);

/** The marks of a tally put on stems: dead, weak and low from the thin end, crossing pairs from the middle. */
function marked(stems: readonly Stem[], tally: Tally): Stem[] {
  const out = stems.map((s) => ({ ...s }));
  const n = out.length;
  for (let i = 0; i < Math.min(tally.dead, n); i++) out[n - 1 - i]!.state = "dead";
  const live = out.filter((s) => s.state !== "dead");
  const thinFirst = live.toReversed();
  for (const s of thinFirst.slice(0, tally.weak)) s.faults = [...s.faults, "weak"];
  for (const s of thinFirst.slice(tally.weak, tally.weak + tally.low)) s.faults = [...s.faults, "low"];
  const from = Math.max(0, Math.floor((live.length - tally.crossing) / 2));
  const crossing = live.slice(from, from + tally.crossing);
  crossing.forEach((s, i) => {
    const other = crossing[i ^ 1] ?? live.find((x) => x !== s);
    s.crosses = other?.id ?? null;
  });
  return out;
}
