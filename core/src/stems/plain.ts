/** What every drawing is made of: its assumptions, a stem and a branch of which no more is known, shoots. */
import type { SideBranch, SideShoot, Stem } from "../model/index.ts";
import type { Metres, Millimetres, Share } from "../units/index.ts";
import type { Build } from "./architecture.ts";
import type { Body } from "./outline.ts";
import type { Sketch } from "./sketch.ts";

/** What words leave open (ours, by eye): a drawing to be corrected, and it says so. */
export const DRAWING_ASSUMPTIONS = {
  /** A stem as thin as nothing reaches this part of the way to the outline; the thickest reach all of it. */
  thinReach: 0.62,
  /** Side branches on a stem over a pencil, from the lowest place up. */
  branchesAt: [0.4, 0.6, 0.78],
  /** What is green to the ground carries lower ones too, and they lie flatter. */
  lowBranchesAt: [0.12, 0.26, 0.42, 0.6, 0.78],
  /** In a shell they stand all along it, and end where the shears went. */
  shellBranchesAt: [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9],
  shellLength: 1.5,
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
  /** A pollard's head is at this part of its height, and its rods are so thick beside its trunk. */
  knuckles: 0.45,
  rodDiameter: 0.3,
  /** Tiers stand so far apart, and so many branches are in one. */
  tierM: 0.32,
  leastTiers: 7,
  perTier: 5,
  /** Rise of a tier's branches, lowest and highest, degrees. */
  tierRiseDeg: [2, 40],
  /** A column's stand steeply. */
  columnRiseDeg: [6, 55],
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

export const cm = (m: Metres): Metres => Math.max(0.01, Math.round(m * 100) / 100);
export const deg = (d: number): number => Math.round(((d % 360) + 360) % 360);
export const part = (x: Share): Share => Math.round(x * 1000) / 1000;
export const thick = (mm: Millimetres): Millimetres => Math.max(2, Math.round(mm));

/** Shoots to both sides of a branch. */
export const shootsOn = (
  b: { diameterMm: number; lengthM: Metres; turnDeg: number; riseDeg: number },
  hangM: Metres | null = null,
): SideShoot[] =>
  (hangM === null ? DRAWING_ASSUMPTIONS.shootsAt : DRAWING_ASSUMPTIONS.hangingAt).map((at, i) => ({
    at,
    diameterMm: thick(b.diameterMm * DRAWING_ASSUMPTIONS.shootDiameter),
    lengthM: cm(hangM === null ? b.lengthM * DRAWING_ASSUMPTIONS.shootLength * (1.3 - at) : hangM * (0.8 + 0.2 * at)),
    turnDeg: deg(b.turnDeg + (i % 2 === 0 ? 40 : -40)),
    riseDeg: hangM !== null ? -82 : Math.max(-90, Math.min(90, Math.round(b.riseDeg + 15))),
    dead: false,
  }));

/** What is drawn from. */
export interface Said {
  readonly sketch: Sketch;
  readonly body: Body;
  readonly build: Build;
  readonly evenly: readonly Millimetres[];
}

/** However far out the green is said to begin, so much of the longest branch has it. */
const LEAST_GREEN: Share = 0.1;
/**
 * Leaf begins so far out from the axis, as a part of a branch. Needles last so many years, so green is equally deep on
 * all of a plant's branches: said of the longest, the shorter ones of its top are green all along.
 */
export function leafFromOf({ greenM, deepM }: Sketch, lengthM: Metres, longestM: Metres): Share | null {
  if (greenM === null && deepM === null) return null;
  const deep = deepM ?? Math.max(LEAST_GREEN * longestM, longestM - greenM!);
  return part(Math.min(1 - LEAST_GREEN, Math.max(0, 1 - deep / lengthM)));
}
export const longestOf = (all: readonly { readonly lengthM: Metres }[]): Metres =>
  Math.max(0, ...all.map((b) => b.lengthM));

/** Where the green of each branch begins, of all that are drawn. */
export function greened(stems: readonly Stem[], sketch: Sketch): Stem[] {
  const longestM = longestOf(stems.flatMap((s) => s.branches));
  return stems.map((s) => ({
    ...s,
    branches: s.branches.map((b) => ({ ...b, leafFrom: leafFromOf(sketch, b.lengthM, longestM) })),
  }));
}
