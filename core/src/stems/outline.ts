/**
 * The outline of a plant as a solid, and where in it the leaf sits: in a shell of it, since the inside is dark. Drawing,
 * shares by height and by outline, and the leaf on drawn stems all ask this one solid.
 */
import type { Taxon } from "../catalogue/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";

/** The outlines that plants are drawn and reckoned by. */
export type OutlineName = Taxon["habit"] | "standard" | "weeping" | "pollard" | "fan";

/** Half width at relative heights, as a share of the widest, from the lowest leaf to the top; ours, by eye. */
export const OUTLINES: Readonly<Record<OutlineName, readonly (readonly [z: Share, half: Share])[]>> = {
  dome: [
    [0.02, 0.45],
    [0.15, 0.85],
    [0.4, 1],
    [0.68, 0.86],
    [0.88, 0.52],
    [1, 0.06],
  ],
  mound: [
    [0.02, 0.7],
    [0.25, 1],
    [0.6, 0.88],
    [0.86, 0.5],
    [1, 0.06],
  ],
  upright: [
    [0.06, 0.16],
    [0.22, 0.5],
    [0.5, 0.88],
    [0.74, 1],
    [0.92, 0.62],
    [1, 0.1],
  ],
  vase: [
    [0.08, 0.14],
    [0.32, 0.5],
    [0.6, 0.82],
    [0.84, 1],
    [0.97, 0.62],
    [1, 0.2],
  ],
  cone: [
    [0.02, 0.85],
    [0.12, 1],
    [0.5, 0.6],
    [0.85, 0.2],
    [1, 0.03],
  ],
  column: [
    [0.01, 0.96],
    [0.08, 1],
    [0.9, 0.94],
    [0.99, 0.86],
    [1, 0.5],
  ],
  fountain: [
    [0.06, 0.14],
    [0.3, 0.42],
    [0.58, 0.86],
    [0.76, 1],
    [0.9, 0.72],
    [1, 0.15],
  ],
  climber: [
    [0.01, 0.1],
    [0.2, 0.55],
    [0.5, 1],
    [0.8, 0.9],
    [0.97, 0.5],
    [1, 0.15],
  ],
  tree: [
    [0.3, 0.12],
    [0.36, 0.6],
    [0.55, 1],
    [0.78, 0.86],
    [0.93, 0.5],
    [1, 0.08],
  ],
  tuft: [
    [0.01, 0.28],
    [0.3, 0.5],
    [0.6, 0.8],
    [0.86, 1],
    [0.98, 0.7],
    [1, 0.3],
  ],
  standard: [
    [0.52, 0.3],
    [0.58, 0.75],
    [0.72, 1],
    [0.88, 0.8],
    [0.97, 0.4],
    [1, 0.08],
  ],
  // A bush of rods on the head that they are cut back to.
  pollard: [
    [0.44, 0.1],
    [0.52, 0.4],
    [0.7, 0.8],
    [0.87, 1],
    [0.97, 0.7],
    [1, 0.2],
  ],
  weeping: [
    [0.12, 0.8],
    [0.3, 1],
    [0.6, 0.95],
    [0.85, 0.7],
    [0.96, 0.4],
    [1, 0.08],
  ],
  fan: [
    [0.08, 0.2],
    [0.25, 0.6],
    [0.55, 0.95],
    [0.75, 1],
    [0.92, 0.75],
    [1, 0.35],
  ],
};
/** What grows flat against a wall or wires has its leaf in one plane. */
const FLAT: ReadonlySet<OutlineName> = new Set<OutlineName>(["fan", "climber"]);

/** A plant's outline in its size, with how far in from the surface leaf is found. */
export interface Body {
  readonly outline: OutlineName;
  readonly heightM: Metres;
  readonly widthM: Metres;
  /** Infinity: leafy throughout. */
  readonly shellM: Metres;
  /** Leafless up to this part of the height. */
  readonly bareFoot: Share;
}

/** Half width at a relative height; 0 above the top and below the lowest leaf. */
export function halfAt(outline: OutlineName, z: Share): Share {
  const rows = OUTLINES[outline];
  if (z < rows[0]![0] || z > 1) return 0;
  for (let i = 1; i < rows.length; i++) {
    const [z1, h1] = rows[i]!;
    if (z > z1) continue;
    const [z0, h0] = rows[i - 1]!;
    return h0 + ((h1 - h0) * (z - z0)) / (z1 - z0);
  }
  return rows.at(-1)![1];
}

/** Where the lowest leaf is, of the height. */
export const footOfOutline = (outline: OutlineName): Share => OUTLINES[outline][0]![0];

const SLICES = 96;
const disc = (r: number): number => (r > 0 ? r * r : 0);
/** Leaf at a height within a radius: a ring of the shell, or a band where it is flat. */
function leafIn(b: Body, z: Share, withinM: Metres): number {
  if (z < b.bareFoot) return 0;
  const r = (halfAt(b.outline, z) * b.widthM) / 2;
  const most = Math.min(r, withinM);
  if (FLAT.has(b.outline)) return Math.max(0, most);
  const core = (1 - z) * b.heightM <= b.shellM ? 0 : r - b.shellM;
  return Math.max(0, disc(most) - disc(Math.max(0, core)));
}

/** What weeps hangs from so high, of its height, the lowest branch and the highest. */
const HANGS_FROM = [0.85, 0.97] as const;
/** Leaf that a level cut at each height takes: what hangs below it goes with the wood it hangs from. */
function withWood(standing: Float64Array): Float64Array {
  const [low, high] = HANGS_FROM;
  const over = standing[Math.round(high * SLICES)]!;
  return standing.map((all, i) => {
    const z = i / SLICES;
    return z >= high ? all : z <= low ? 1 : over + ((1 - over) * (high - z)) / (high - low);
  });
}

interface Sums {
  /** Leaf above each of even relative heights, SLICES + 1 of them from the ground up, as shares of the whole. */
  readonly standing: Float64Array;
  /** What a cut there takes. */
  readonly cut: Float64Array;
}
const SUMS = new Map<string, Sums>();
const MOST_KEPT = 500;
function sumsOf(b: Body): Sums {
  // Only proportions count.
  const key = `${b.outline} ${(b.widthM / b.heightM).toPrecision(6)} ${(b.shellM / b.heightM).toPrecision(6)} ${b.bareFoot}`;
  const known = SUMS.get(key);
  if (known) return known;
  const above = new Float64Array(SLICES + 1);
  for (let i = SLICES - 1; i >= 0; i--) above[i] = above[i + 1]! + leafIn(b, (i + 0.5) / SLICES, Infinity);
  const all = above[0]!;
  if (all > 0) for (let i = 0; i <= SLICES; i++) above[i] = above[i]! / all;
  if (SUMS.size >= MOST_KEPT) SUMS.clear();
  const sums: Sums = { standing: above, cut: b.outline === "weeping" ? withWood(above) : above };
  SUMS.set(key, sums);
  return sums;
}

function shareAt(above: Float64Array, b: Body, heightM: Metres): Share {
  if (heightM >= b.heightM) return 0;
  const at = clampShare(heightM / b.heightM) * SLICES;
  const i = Math.min(SLICES - 1, Math.floor(at));
  return above[i]! + (above[i + 1]! - above[i]!) * (at - i);
}

/** Share of the leaf that stands above a height, wherever it grows from. // => 0 above the top, 1 at the ground */
export const leafStanding = (b: Body, heightM: Metres): Share => shareAt(sumsOf(b).standing, b, heightM);
/** Share of the leaf that a level cut at a height takes. // => 0 above the top, 1 at the ground */
export const leafAbove = (b: Body, heightM: Metres): Share => shareAt(sumsOf(b).cut, b, heightM);

/** The height at which a level cut takes a share of the leaf: the other way round of leafAbove. */
export function heightOfLeaf(b: Body, share: Share): Metres {
  const above = sumsOf(b).cut;
  // The shares fall with height; the highest slice that still holds as much.
  let i = SLICES;
  while (i > 0 && above[i]! < share) i--;
  const [low, high] = [above[i]!, above[Math.min(SLICES, i + 1)]!];
  const part = low > high ? (low - share) / (low - high) : 0;
  return Math.min(b.heightM, ((i + clampShare(part)) / SLICES) * b.heightM);
}

/** Volume inside the outline, m³; what grows flat is so deep as its shell. */
export function volumeIn(b: Body): number {
  let sum = 0;
  for (let i = 0; i < SLICES; i++) {
    const r = (halfAt(b.outline, (i + 0.5) / SLICES) * b.widthM) / 2;
    sum += FLAT.has(b.outline) ? 2 * r * Math.min(b.shellM, r) : Math.PI * r * r;
  }
  return (sum / SLICES) * b.heightM;
}

/** How far out a body stands at a height, m; below its lowest leaf as far as there. */
export function outsideM(b: Body, heightM: Metres): Metres {
  if (heightM > b.heightM) return 0;
  const z = Math.max(footOfOutline(b.outline), heightM / b.heightM);
  return (halfAt(b.outline, z) * b.widthM) / 2;
}

/** Share of the leaf outside a smaller outline of the same form: sheared to a height and a width. */
export function leafOutside(b: Body, heightM: Metres, widthM: Metres): Share {
  const to: Body = { ...b, heightM, widthM };
  let [all, stays] = [0, 0];
  for (let i = 0; i < SLICES; i++) {
    const z = (i + 0.5) / SLICES;
    all += leafIn(b, z, Infinity);
    stays += leafIn(b, z, outsideM(to, z * b.heightM));
  }
  return all > 0 ? clampShare(1 - stays / all) : 0;
}

/** Ends of shoots lie at the surface: share of them above a height. */
export const endsAbove = (b: Body, heightM: Metres): Share =>
  leafAbove({ ...b, shellM: Math.min(b.shellM, END_DEPTH * b.heightM) }, heightM);
/** How deep the outermost layer is taken to be, of the height; ours. */
const END_DEPTH: Share = 0.04;

/** From a point on the middle axis out at an angle: how far to the surface. */
export function toSurface(b: Body, fromM: Metres, riseDeg: number): Metres {
  const [up, out] = [Math.sin((riseDeg * Math.PI) / 180), Math.cos((riseDeg * Math.PI) / 180)];
  let far = 0;
  const step = Math.max(b.heightM, b.widthM) / 200;
  while (far < 2 * (b.heightM + b.widthM)) {
    const h = fromM + (far + step) * up;
    if (h > b.heightM || h < 0 || (far + step) * out > outsideM(b, h)) break;
    far += step;
  }
  return far;
}
