/** Is what was entered for a plant's stems likely to be meant? Said as issues; nothing is thrown away. */
import { MOST, type Plant, type Stem } from "../model/index.ts";
import type { Issue, Metres } from "../units/index.ts";

export type StemIssueCode = "stems-none" | "stems-many" | "stem-long" | "stem-thick" | "stem-thin" | "stem-crosses";

export const STEM_LIMITS = {
  /** A stem longer than so many times the plant's height and width together is a slip. */
  longest: 1.5,
  /** Thickness over length: over the first it is in the wrong unit, under the second too thin to stand. */
  thickest: 0.12,
  thinnest: 0.0008,
} as const;

/** A stem may run along the ground and then up: its length is judged against height and half the width. */
const reachOf = (p: Pick<Plant, "heightM" | "widthM">): Metres => p.heightM + p.widthM / 2;

/** Everything that looks like a slip, by stem. */
export function stemIssues(stems: readonly Stem[], plant: Pick<Plant, "heightM" | "widthM">): Issue<StemIssueCode>[] {
  if (stems.length === 0) return [{ code: "stems-none", path: [], values: {} }];
  if (stems.length > MOST.stems)
    return [{ code: "stems-many", path: [], values: { got: stems.length, limit: MOST.stems } }];
  const ids = new Set(stems.map((s) => s.id));
  return stems.flatMap((s, i): Issue<StemIssueCode>[] => {
    const path = [i];
    const name = i + 1;
    const ratio = s.diameterMm / 1000 / s.lengthM;
    const limitM = Math.round(STEM_LIMITS.longest * reachOf(plant) * 100) / 100;
    const out: Issue<StemIssueCode>[] = [];
    if (s.lengthM > limitM) out.push({ code: "stem-long", path, values: { name, got: s.lengthM, limit: limitM } });
    if (ratio > STEM_LIMITS.thickest)
      out.push({ code: "stem-thick", path, values: { name, got: s.diameterMm, length: s.lengthM } });
    else if (ratio < STEM_LIMITS.thinnest)
      out.push({ code: "stem-thin", path, values: { name, got: s.diameterMm, length: s.lengthM } });
    if (s.crosses !== null && (s.crosses === s.id || !ids.has(s.crosses)))
      out.push({ code: "stem-crosses", path, values: { name } });
    return out;
  });
}
