/** Single clipped shapes: a template to set out by, and what a trim takes of the leafy shell. */
import { shellShare, type Solid } from "../amount/index.ts";
import type { Metres, Share } from "../units/index.ts";

/** Shapes that are clipped by themselves. */
export const SHAPES = ["ball", "dome", "cone", "pyramid", "standard"] as const;
/** One of them. */
export type ClippedShape = (typeof SHAPES)[number];

/** How large a shape is to be: its whole height, its greatest width. */
export interface ShapeSize {
  readonly heightM: Metres;
  readonly widthM: Metres;
}

/** What is set out before the first cut. */
export interface Template {
  /** Edge of a board that is turned round an upright rod: how far from the rod at each height, the lowest first. */
  readonly edge: readonly { readonly zM: Metres; readonly outM: Metres }[];
  /** Pegs on the ground, from the middle: four corners, or as many as stand round it. */
  readonly pegs: { readonly count: number; readonly outM: Metres } | null;
  /** Length of a string from a peg to the top; null where none is straight. */
  readonly stringM: Metres | null;
}

interface Form {
  /** Half its width at a part of its height, of half its greatest width; the head alone of what stands on a stem. */
  readonly out: (z: Share) => Share;
  /** The solid of its leaf. A pyramid shrinks as a cone does: their shares are one. */
  readonly solid: (s: ShapeSize) => Solid;
  /** Where its leaf begins. */
  readonly fromM: (s: ShapeSize) => Metres;
  readonly pegs: number | null;
  /** How far a peg stands out, of half its width: a square's corner is further. */
  readonly peg: number;
}
const round = (z: Share): Share => Math.sqrt(Math.max(0, 1 - (2 * z - 1) ** 2));
const ball = (s: ShapeSize): Solid => ({ solid: "ellipsoid", heightM: s.heightM, widthM: s.widthM, depthM: s.widthM });
const FORMS: Readonly<Record<ClippedShape, Form>> = {
  ball: { out: round, solid: ball, fromM: () => 0, pegs: null, peg: 1 },
  dome: {
    out: (z) => Math.sqrt(Math.max(0, 1 - z * z)),
    solid: (s) => ({ solid: "half-ellipsoid", ...s }),
    fromM: () => 0,
    pegs: 8,
    peg: 1,
  },
  cone: { out: (z) => 1 - z, solid: (s) => ({ solid: "cone", ...s }), fromM: () => 0, pegs: 8, peg: 1 },
  pyramid: { out: (z) => 1 - z, solid: (s) => ({ solid: "cone", ...s }), fromM: () => 0, pegs: 4, peg: Math.SQRT2 },
  // A head as high as it is wide, on the stem that is left.
  standard: {
    out: round,
    solid: (s) => ball({ heightM: Math.min(s.heightM, s.widthM), widthM: s.widthM }),
    fromM: (s) => Math.max(0, s.heightM - s.widthM),
    pegs: null,
    peg: 1,
  },
};
/** Heights at which a template is marked, evenly from where its leaf begins to its top. */
const MARKS = 8;

/** The template of a shape. @param size in metres; the width is that of a face of a pyramid at its foot */
export function templateOf(shape: ClippedShape, size: ShapeSize): Template {
  const form = FORMS[shape];
  const from = form.fromM(size);
  const edge = Array.from({ length: MARKS + 1 }, (_, i) => ({
    zM: from + (i / MARKS) * (size.heightM - from),
    outM: (size.widthM / 2) * form.out(i / MARKS),
  }));
  const outM = (size.widthM / 2) * form.peg;
  const straight = shape === "cone" || shape === "pyramid";
  return {
    edge,
    pegs: form.pegs === null ? null : { count: form.pegs, outM },
    stringM: straight ? Math.hypot(size.heightM, outM) : null,
  };
}

/** Share of the leafy shell that goes with so much off all round. @param greenM how thick the shell is */
export const shapeShare = (shape: ClippedShape, size: ShapeSize, offM: Metres, greenM: Metres): Share =>
  shellShare(FORMS[shape].solid(size), offM, greenM);
