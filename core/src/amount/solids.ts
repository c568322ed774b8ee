/**
 * Crowns as solids, in metres and cubic metres: what a cut takes of the whole, or of the leafy shell. Each has an
 * exact formula; `volumeByQuadrature` finds the same from the outline alone and serves to check it, and outlines
 * that have no formula.
 */
import { clampShare, type Metres, type Share } from "../units/index.ts";

/** Outlines round an upright axis stand on the ground; a wall is as long as its length and may be battered. */
export type Solid =
  | { readonly solid: "ellipsoid"; readonly heightM: Metres; readonly widthM: Metres; readonly depthM: Metres }
  | { readonly solid: "half-ellipsoid"; readonly heightM: Metres; readonly widthM: Metres }
  | { readonly solid: "cone"; readonly heightM: Metres; readonly widthM: Metres }
  | { readonly solid: "frustum"; readonly heightM: Metres; readonly footM: Metres; readonly topM: Metres }
  | { readonly solid: "paraboloid"; readonly heightM: Metres; readonly widthM: Metres }
  | {
      readonly solid: "wall";
      readonly heightM: Metres;
      readonly footM: Metres;
      readonly topM: Metres;
      readonly lengthM: Metres;
    };

/** Section at relative height z (0 ground, 1 top), m². */
export function sectionAt(s: Solid, z: Share): number {
  switch (s.solid) {
    case "ellipsoid":
      return Math.PI * (s.widthM / 2) * (s.depthM / 2) * (1 - (2 * z - 1) ** 2);
    case "half-ellipsoid":
      return Math.PI * (s.widthM / 2) ** 2 * (1 - z * z);
    case "cone":
      return Math.PI * (s.widthM / 2) ** 2 * (1 - z) ** 2;
    case "frustum":
      return Math.PI * ((s.footM + (s.topM - s.footM) * z) / 2) ** 2;
    case "paraboloid":
      return Math.PI * (s.widthM / 2) ** 2 * (1 - z);
    case "wall":
      return s.lengthM * (s.footM + (s.topM - s.footM) * z);
  }
}

/** Whole volume, by formula. */
export function volumeOf(s: Solid): number {
  switch (s.solid) {
    case "ellipsoid":
      return (Math.PI / 6) * s.heightM * s.widthM * s.depthM;
    case "half-ellipsoid":
      return (Math.PI / 6) * s.heightM * s.widthM ** 2;
    case "cone":
      return (Math.PI / 12) * s.heightM * s.widthM ** 2;
    case "frustum":
      return (Math.PI / 12) * s.heightM * (s.footM ** 2 + s.footM * s.topM + s.topM ** 2);
    case "paraboloid":
      return (Math.PI / 8) * s.heightM * s.widthM ** 2;
    case "wall":
      return s.lengthM * s.heightM * ((s.footM + s.topM) / 2);
  }
}

/** Nodes and weights of Gauss and Legendre's rule with three points: exact for every section above. */
const NODES = [
  [0.5 - Math.sqrt(0.15), 5 / 18],
  [0.5, 8 / 18],
  [0.5 + Math.sqrt(0.15), 5 / 18],
] as const;
const PANELS = 8;

/** Volume between two relative heights, from the sections alone. */
export function volumeByQuadrature(s: Solid, from: Share = 0, to: Share = 1): number {
  const panel = (to - from) / PANELS;
  let sum = 0;
  for (let i = 0; i < PANELS; i++) for (const [x, w] of NODES) sum += w * panel * sectionAt(s, from + panel * (i + x));
  return sum * s.heightM;
}

/** Share of volume that goes when the top is sliced off at a height: not the same as scaling the height down. // => a sphere's top third is 7/27 */
export const sliceShare = (s: Solid, atM: Metres): Share =>
  atM >= s.heightM ? 0 : clampShare(volumeByQuadrature(s, Math.max(0, atM) / s.heightM, 1) / volumeOf(s));

/** The solid made smaller by so much all round: off the top and every face; null when nothing is left. */
export function shrunk(s: Solid, offM: Metres): Solid | null {
  const side = (m: Metres): Metres => m - 2 * offM;
  // A ball is taken in from below too; what stands on the ground is not.
  const heightM = s.solid === "ellipsoid" ? side(s.heightM) : s.heightM - offM;
  if (heightM <= 0) return null;
  switch (s.solid) {
    case "ellipsoid":
      return side(s.widthM) > 0 && side(s.depthM) > 0
        ? { ...s, heightM, widthM: side(s.widthM), depthM: side(s.depthM) }
        : null;
    case "half-ellipsoid":
    case "cone":
    case "paraboloid":
      return side(s.widthM) > 0 ? { ...s, heightM, widthM: side(s.widthM) } : null;
    case "frustum":
    case "wall":
      return side(s.footM) > 0 ? { ...s, heightM, footM: side(s.footM), topM: Math.max(0, side(s.topM)) } : null;
  }
}

/** Share of the volume taken by shearing so much off all round. */
export function shearShare(s: Solid, offM: Metres): Share {
  const left = shrunk(s, offM);
  return left === null ? 1 : clampShare(1 - volumeOf(left) / volumeOf(s));
}

/** Share of a leafy shell of a thickness taken by shearing: where leaves fill only an outer layer it is more than of the volume. */
export function shellShare(s: Solid, offM: Metres, shellM: Metres): Share {
  const core = shrunk(s, shellM);
  const shell = volumeOf(s) - (core === null ? 0 : volumeOf(core));
  const left = shrunk(s, offM);
  return clampShare((volumeOf(s) - (left === null ? 0 : volumeOf(left))) / shell);
}

/** Share of the volume between one outline and another that lies inside it. */
export const betweenShare = (before: Solid, after: Solid): Share => clampShare(1 - volumeOf(after) / volumeOf(before));
