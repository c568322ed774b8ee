/**
 * Where on drawn stems the leaf is. Each stem carries leaf as its conducting section says (pipe model, Shinozaki et al.
 * 1964), a branch its part of that; along them it sits in the shell of the outline, and at each height there is as much
 * of it as the outline has there. So stems, branches, outline and height measure one distribution, and every leaf
 * belongs to one place: what a cut takes is the sum of the places it takes.
 */
import type { Stem } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { bodyOf, type Build } from "./architecture.ts";
import { conductingSection } from "./classes.ts";
import { radiusOf, type Point3, type Run } from "./layout.ts";
import { leafStanding, outsideM, type Body } from "./outline.ts";
import { REACH_STEPS, reachLeft, reachOf, type Left, type Reached } from "./reach.ts";

export const LEAF_ASSUMPTIONS = {
  /** An axis keeps so much for itself, of its section, however much its branches carry. */
  own: 0.15,
  /** In the dark inside there is so little left, of the leaf on as much wood outside. */
  inside: 0.02,
  /** Leaf thins out inwards over so much of the shell's depth. */
  fades: 0.5,
} as const;

/** Leaf up to even parts of an axis, from its foot, as shares of the stem's own leaf. */
type Sums = Float64Array;
export interface BranchLeaf {
  readonly own: Sums;
  /** Of each shoot. */
  readonly shoots: readonly Share[];
  readonly all: Share;
}
/** One stem's leaf by its places; the shares sum to 1, or to 0 where nothing lives. */
export interface StemLeaf {
  readonly axis: Sums;
  readonly branches: readonly BranchLeaf[];
  /** In the units of its conducting section; what stems are weighed by. */
  readonly weight: number;
}
/** The leaf of a stand. */
export interface StandLeaf {
  readonly stems: readonly StemLeaf[];
  readonly weight: number;
  /** The outline that its live stems fill. */
  readonly body: Body;
  /** How far out it stands to each side, at even heights from the ground to the top, BINS + 1 of them. */
  readonly widest: readonly Float64Array[];
  /** The least of these at each height. */
  readonly narrowest: Float64Array;
}

/** Leaf a live stem carries, in the units of its conducting section; dead ones carry none. */
export const leafWeight = (s: Pick<Stem, "state" | "diameterMm" | "leafed">, sapwoodMm: number): number =>
  s.state === "dead" ? 0 : conductingSection(s.diameterMm, sapwoodMm) * s.leafed;

const BRANCH_STEPS = 6;
const BINS = 24;
const ROUNDS = 14;
/** No place gets more or less than so many times what its shade says, whatever the outline wants. */
const MOST_TIMES = 12;

/** A place that leaf may sit in. */
interface Place {
  leaf: number;
  readonly first: number;
  readonly bin: number;
}

/** How much leaf there is on wood at a point: all of it in the shell, hardly any deep inside. */
export function litAt(p: Point3, body: Body): Share {
  if (p.z < body.bareFoot * body.heightM) return 0;
  const depthM = Math.min(outsideM(body, p.z) - radiusOf(p), body.heightM - p.z);
  if (depthM <= body.shellM) return 1;
  const a = LEAF_ASSUMPTIONS;
  return Math.max(a.inside, 1 - (depthM - body.shellM) / (a.fades * body.shellM));
}

const middle = ([a, b]: Run, at: Share): Point3 => ({
  x: a.x + at * (b.x - a.x),
  y: a.y + at * (b.y - a.y),
  z: a.z + at * (b.z - a.z),
});

/** Every place of a stem, axis first, then branch by branch with its shoots. */
function placesOf(s: Stem, build: Build, body: Body, binM: Metres): Place[] {
  const out: Place[] = [];
  const reach = reachOf(s, build);
  const put = (leaf: number, p: Point3): void => {
    out.push({ leaf, first: leaf, bin: Math.min(BINS - 1, Math.max(0, Math.floor(p.z / binM))) });
  };
  const alive = (b: { readonly dead: boolean; readonly at: Share }): boolean =>
    !b.dead && (s.deadFrom === null || b.at < s.deadFrom);
  const section = (xs: readonly { readonly diameterMm: number }[]): number =>
    xs.reduce((n, x) => n + x.diameterMm ** 2, 0);
  /** What an axis keeps of its section, and how much of it its branches share out. */
  const parted = (whole: number, carried: number): readonly [own: number, times: number] => {
    const own = Math.max(LEAF_ASSUMPTIONS.own * whole, whole - carried);
    return [own, carried > 0 ? (whole - own) / carried : 0];
  };
  const whole = s.state === "dead" ? 0 : s.diameterMm ** 2;
  const [own, times] = parted(whole, section(s.branches.filter(alive)));
  for (let i = 0; i < REACH_STEPS; i++) {
    const bare = i < (s.leafFrom ?? 0) * REACH_STEPS || i + 1 > (s.deadFrom ?? 1) * REACH_STEPS;
    const p = middle([reach.along[i]!, reach.along[i + 1]!], 0.5);
    put(bare ? 0 : (own / REACH_STEPS) * litAt(p, body), p);
  }
  s.branches.forEach((b, k) => {
    const { run, shoots } = reach.branches[k]!;
    const mine = alive(b) ? b.diameterMm ** 2 * times : 0;
    const [axis, share] = parted(mine, section(b.shoots.filter((x) => !x.dead)));
    for (let i = 0; i < BRANCH_STEPS; i++) {
      const p = middle(run, (i + 0.5) / BRANCH_STEPS);
      put(i < (b.leafFrom ?? 0) * BRANCH_STEPS ? 0 : (axis / BRANCH_STEPS) * litAt(p, body), p);
    }
    b.shoots.forEach((x, j) => {
      const p = middle(shoots[j]!, 0.5);
      const bare = x.dead || x.at < (b.leafFrom ?? 0);
      put(bare ? 0 : x.diameterMm ** 2 * share * litAt(p, body), p);
    });
  });
  return out;
}

/** What belongs to heights without wood to carry it goes to the nearest that has it. */
function nearest(wanted: readonly number[], reached: (i: number) => boolean): readonly number[] {
  const there = wanted.map((_, i) => reached(i));
  const out = wanted.map(() => 0);
  wanted.forEach((w, i) => {
    for (let d = 0; d < wanted.length; d++) {
      const near = (d === 0 ? [i] : [i - d, i + d]).filter((k) => there[k] === true);
      for (const k of near) out[k] = out[k]! + w / near.length;
      if (near.length > 0) return;
    }
  });
  return out;
}

/** Leaf moved between places until each stem has what its section says and, as far as that allows, each height its part. */
function settle(byStem: readonly Place[][], weights: readonly number[], body: Body): void {
  const binM = body.heightM / BINS;
  const wanted = Array.from(
    { length: BINS },
    (_, i) => leafStanding(body, i * binM) - leafStanding(body, (i + 1) * binM),
  );
  const all = weights.reduce((a, b) => a + b, 0);
  const toWeights = (): void =>
    byStem.forEach((places, i) => {
      const sum = places.reduce((n, p) => n + p.leaf, 0);
      if (sum > 0) for (const p of places) p.leaf *= weights[i]! / all / sum;
    });
  toWeights();
  for (const places of byStem) for (const p of places) Object.assign(p, { first: p.leaf });
  const most = new Float64Array(BINS);
  for (const places of byStem) for (const p of places) most[p.bin] = most[p.bin]! + p.first * MOST_TIMES;
  const target = nearest(wanted, (i) => most[i]! >= wanted[i]!);
  for (let round = 0; round < ROUNDS; round++) {
    const there = new Float64Array(BINS);
    for (const places of byStem) for (const p of places) there[p.bin] = there[p.bin]! + p.leaf;
    for (const places of byStem)
      for (const p of places) {
        if (p.leaf === 0) continue;
        const times = target[p.bin]! / there[p.bin]!;
        p.leaf = Math.min(p.first * MOST_TIMES, Math.max(p.first / MOST_TIMES, p.leaf * times));
      }
    toWeights();
  }
}

/** Sides on which a plant's surface is told apart. */
const SECTORS = 12;
const SURFACE: Share = 0.7;
const sectorOf = (p: Point3): number => Math.floor(((Math.atan2(p.y, p.x) / (2 * Math.PI) + 1) % 1) * SECTORS);

/** Between the places of a side where something stands its surface runs straight; over the highest it ends. */
function filled(side: Float64Array): void {
  let last = -1;
  for (let i = 0; i < side.length; i++) {
    if (side[i] === 0) continue;
    for (let k = last + 1; k < i; k++)
      side[k] = last < 0 ? side[i]! : side[last]! + ((side[i]! - side[last]!) * (k - last)) / (i - last);
    last = i;
  }
}

/** How far out it stands, by side and height, as it has grown: shears follow that surface, and at its own size take nothing. */
function widestOf(stems: readonly Stem[], build: Build, body: Body): readonly Float64Array[] {
  const out = Array.from({ length: SECTORS }, () => new Float64Array(BINS + 1));
  const meet = (p: Point3): void => {
    const at = (p.z / body.heightM) * BINS;
    const side = out[sectorOf(p)]!;
    for (const i of [Math.floor(at), Math.ceil(at)]) if (i >= 0 && i <= BINS) side[i] = Math.max(side[i]!, radiusOf(p));
  };
  const run = (r: Run): void => {
    for (let i = 0; i <= BRANCH_STEPS; i++) meet(middle(r, i / BRANCH_STEPS));
  };
  for (const s of stems) {
    if (s.state === "dead") continue;
    const { along, branches } = reachOf(s, build);
    along.forEach(meet);
    for (const b of branches) [b.run, ...b.shoots].forEach(run);
  }
  out.forEach(filled);
  // What stands deeper than this is no surface, whatever is seen of it from its side.
  for (let i = 0; i <= BINS; i++) {
    const all = Math.max(outsideM(body, (i / BINS) * body.heightM), ...out.map((side) => side[i]!));
    for (const side of out) side[i] = Math.max(side[i]!, SURFACE * all);
  }
  return out;
}

/** Outside the outline of a stand made smaller to a height and a width? By how much, m; 0 or less: inside. */
export function outBy({ body, widest, narrowest }: StandLeaf, p: Point3, heightM: Metres, widthM: Metres): Metres {
  if (p.z > heightM) return p.z - heightM;
  const at = Math.min(BINS, (p.z / heightM) * BINS);
  const i = Math.min(BINS - 1, Math.floor(at));
  const [r, part] = [radiusOf(p), widthM / body.widthM];
  // Most of a plant stands within its narrowest side: nobody need know on which.
  const narrow = Math.min(narrowest[i]!, narrowest[i + 1]!) * part;
  if (r <= narrow) return r - narrow;
  const side = widest[sectorOf(p)]!;
  return r - (side[i]! + (side[i + 1]! - side[i]!) * (at - i)) * part;
}

const NO_LEAF = (s: Stem): StemLeaf => ({
  axis: new Float64Array(REACH_STEPS + 1),
  branches: s.branches.map((b) => ({ own: new Float64Array(BRANCH_STEPS + 1), shoots: b.shoots.map(() => 0), all: 0 })),
  weight: 0,
});

function sumsOf(s: Stem, places: readonly Place[], weight: number): StemLeaf {
  const all = places.reduce((n, p) => n + p.leaf, 0);
  if (all <= 0) return NO_LEAF(s);
  let at = 0;
  const run = (steps: number): Sums => {
    const sums = new Float64Array(steps + 1);
    for (let i = 0; i < steps; i++) sums[i + 1] = sums[i]! + places[at++]!.leaf / all;
    return sums;
  };
  const axis = run(REACH_STEPS);
  const branches = s.branches.map((b): BranchLeaf => {
    const own = run(BRANCH_STEPS);
    const shoots = b.shoots.map(() => places[at++]!.leaf / all);
    return { own, shoots, all: own[BRANCH_STEPS]! + shoots.reduce((x, y) => x + y, 0) };
  });
  return { axis, branches, weight };
}

const WHOLE = (s: Stem): Left => ({
  kept: 1,
  branchParts: s.branches.map(() => 1),
  shootParts: s.branches.map((b) => b.shoots.map(() => 1)),
});

/** How high and how wide live stems stand, uncut. */
export function standSize(stems: readonly Stem[], build: Build): Reached {
  let [heightM, radiusM] = [0, 0];
  for (const s of stems) {
    if (s.state === "dead") continue;
    const r = reachLeft(s, WHOLE(s), build);
    heightM = Math.max(heightM, r.heightM);
    radiusM = Math.max(radiusM, r.radiusM);
  }
  return { heightM, radiusM };
}

const KNOWN = new WeakMap<readonly Stem[], { readonly build: Build; readonly leaf: StandLeaf }>();
/** Narrower than this nothing is drawn, m. */
const LEAST_M: Metres = 0.05;

/** The leaf of a stand, worked out once: every try asks again. */
export function leafOf(stems: readonly Stem[], build: Build): StandLeaf {
  const known = KNOWN.get(stems);
  if (known?.build === build) return known.leaf;
  const size = standSize(stems, build);
  const body = bodyOf(build, Math.max(LEAST_M, size.heightM), Math.max(LEAST_M, 2 * size.radiusM));
  const byStem = stems.map((s) => placesOf(s, build, body, body.heightM / BINS));
  // A stem of which nothing is green carries nothing, however thick it is.
  const weights = stems.map((s, i) => (byStem[i]!.some((p) => p.leaf > 0) ? leafWeight(s, build.sapwoodMm) : 0));
  if (weights.some((w) => w > 0)) settle(byStem, weights, body);
  const widest = widestOf(stems, build, body);
  const leaf: StandLeaf = {
    stems: stems.map((s, i) => sumsOf(s, byStem[i]!, weights[i]!)),
    weight: weights.reduce((a, b) => a + b, 0),
    body,
    widest,
    narrowest: Float64Array.from({ length: BINS + 1 }, (_, i) => Math.min(...widest.map((side) => side[i]!))),
  };
  KNOWN.set(stems, { build, leaf });
  return leaf;
}

/** Leaf of an axis up to a part of it. */
export function upTo(sums: Sums, at: Share): Share {
  const x = at * (sums.length - 1);
  const i = Math.min(sums.length - 2, Math.floor(x));
  return sums[i]! + (sums[i + 1]! - sums[i]!) * (x - i);
}

/** Leaf of a stem that what is left of it carries; @param from the axis is cleared up to this part */
export function leafLeft(leaf: StemLeaf, s: Stem, { kept, branchParts, shootParts }: Left, from: Share = 0): Share {
  if (kept <= 0) return 0;
  let sum = Math.max(0, upTo(leaf.axis, kept) - upTo(leaf.axis, Math.min(from, kept)));
  for (let k = 0; k < branchParts.length; k++) {
    const part = branchParts[k]!;
    if (part <= 0) continue;
    const b = leaf.branches[k]!;
    sum += part >= 1 ? b.own[BRANCH_STEPS]! : upTo(b.own, part);
    const parts = shootParts[k]!;
    for (let j = 0; j < parts.length; j++) if (s.branches[k]!.shoots[j]!.at <= part) sum += b.shoots[j]! * parts[j]!;
  }
  return sum;
}
