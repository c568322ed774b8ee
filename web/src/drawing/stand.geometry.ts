/** Stems as lines on a flat sheet: seen from one side, scaled to fit, far ones first. */
import { alongStem, branchTip, seenFrom, type Point3, type Shoot, type Stem, type Taxon } from "@wren/core";

export interface Sheet {
  readonly width: number;
  readonly height: number;
  /** Room left for the ground line and what lies under it. */
  readonly foot: number;
}
export interface View {
  readonly sheet: Sheet;
  readonly scale: number;
  readonly deg: number;
}

/** A view in which a plant of a size fits, whichever side it is seen from. */
export function viewOf(sheet: Sheet, heightM: number, widthM: number, deg: number): View {
  const scale = Math.min(
    (sheet.height - sheet.foot - 12) / Math.max(0.2, heightM),
    (sheet.width - 24) / Math.max(0.2, widthM),
  );
  return { sheet, scale, deg };
}

export interface Spot {
  readonly x: number;
  readonly y: number;
}
export function onSheet(p: Point3, v: View): Spot {
  const s = seenFrom(p, v.deg);
  return { x: v.sheet.width / 2 + s.x * v.scale, y: v.sheet.height - v.sheet.foot - s.z * v.scale };
}
const text = ({ x, y }: Spot): string => `${x.toFixed(1)} ${y.toFixed(1)}`;

const STEPS = 8;
/** A stem from one part of its length to another. */
export function stemPath(s: Stem, from: number, to: number, taxon: Taxon, v: View): string {
  if (to <= from) return "";
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const at = from + ((to - from) * i) / STEPS;
    return `${i === 0 ? "M" : "L"}${text(onSheet(alongStem(s, at, taxon), v))}`;
  }).join("");
}

/** Its side branches, those that stay or those that go. */
export const branchPath = (s: Stem, which: (i: number) => boolean, taxon: Taxon, v: View): string =>
  s.branches
    .map((b, i) =>
      which(i) ? `M${text(onSheet(alongStem(s, b.at, taxon), v))}L${text(onSheet(branchTip(s, b, taxon), v))}` : "",
    )
    .join("");

/** How thick a stem is drawn: a little more than to scale, so that the thin ones are seen. */
export const strokeOf = (diameterMm: number, v: View): number => Math.max(1.6, (diameterMm / 1000) * v.scale * 1.4);

/** Where a stem is farther from the eye, for drawing far ones first. */
export const depthOf = (s: Stem, taxon: Taxon, deg: number): number => seenFrom(alongStem(s, 1, taxon), deg).depth;

export const shootPath = (shoots: readonly Shoot[], v: View): string =>
  shoots.map((s) => `M${text(onSheet(s.from, v))}L${text(onSheet(s.to, v))}`).join("");

/** The part of a stem nearest to a spot on the sheet. */
export function nearestPart(s: Stem, spot: Spot, taxon: Taxon, v: View): number {
  let best = { at: 1, far: Infinity };
  for (let i = 0; i <= 100; i++) {
    const p = onSheet(alongStem(s, i / 100, taxon), v);
    const far = Math.hypot(p.x - spot.x, p.y - spot.y);
    if (far < best.far) best = { at: i / 100, far };
  }
  return best.at;
}

/** Height above the ground of a spot on the sheet, m. */
export const heightAt = (spot: Spot, v: View): number => (v.sheet.height - v.sheet.foot - spot.y) / v.scale;
