/** How thick a stem is, in words anybody can use at the plant. */
import type { Millimetres } from "../units/index.ts";

export const THICKNESSES = ["thick", "middling", "thin"] as const;
export type Thickness = (typeof THICKNESSES)[number];

export interface ThicknessRow {
  readonly label: string;
  /** Against the hand. */
  readonly like: string;
  readonly fromMm: Millimetres;
  readonly toMm: Millimetres;
  /** What a stem of this word is drawn and counted as until it is measured. */
  readonly usualMm: readonly [Millimetres, Millimetres];
}

/** A thumb is about 25 mm, a pencil about 8 (common practice; the hands differ, so the drawing is there to be corrected). */
export const THICKNESS_TABLE: Readonly<Record<Thickness, ThicknessRow>> = {
  thick: { label: "Thicker than a thumb", like: "thumb", fromMm: 25, toMm: Infinity, usualMm: [27, 38] },
  middling: { label: "Like a finger", like: "finger", fromMm: 10, toMm: 25, usualMm: [12, 22] },
  thin: { label: "Like a pencil", like: "pencil", fromMm: 0, toMm: 10, usualMm: [5, 9] },
};
/** Stems over the thumb are old ones in the thumb rule, mm. */
export const THUMB_MM: Millimetres = THICKNESS_TABLE.thick.fromMm;

/** The word for a thickness. // => thicknessOf(30) is "thick" */
export const thicknessOf = (mm: Millimetres): Thickness =>
  THICKNESSES.find((t) => mm >= THICKNESS_TABLE[t].fromMm) ?? "thin";

/**
 * Conducting section of a stem, mm². Foliage is proportional to it (pipe model, Shinozaki et al. 1964);
 * in a thick old stem only an outer ring conducts.
 * @param sapwoodMm thickness of the conducting ring; Infinity for young wood
 */
export function conductingSection(diameterMm: Millimetres, sapwoodMm: Millimetres): number {
  const r = diameterMm / 2;
  const heart = Math.max(0, r - sapwoodMm);
  return Math.PI * (r * r - heart * heart);
}
