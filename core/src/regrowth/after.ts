/** A plant's stems once cuts were made, and once it has grown again: next year's shrub, to be cut again. */
import { grownSeasons, grownTo, vigourAfterCut } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { MOST, type SideBranch, type Stem, type StemCut } from "../model/index.ts";
import { alongStem, effectsOn, plainStem, type Build } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { REGROWTH_ASSUMPTIONS } from "./follows.ts";

const round = (x: number, digits: number): number => Math.round(x * 10 ** digits) / 10 ** digits;
const LEAST_M: Metres = 0.01;

/** A branch as it is left. */
function branchLeft(b: SideBranch, at: Share, part: Share, shoots: readonly Share[]): SideBranch {
  return {
    ...b,
    at: round(Math.min(1, at), 4),
    lengthM: Math.max(LEAST_M, round(b.lengthM * part, 3)),
    leafFrom: b.leafFrom === null ? null : round(Math.min(1, b.leafFrom / part), 4),
    shoots: b.shoots.flatMap((x, j) => {
      const left = shoots[j]!;
      if (left === 0 || x.at > part) return [];
      return [{ ...x, at: round(Math.min(1, x.at / part), 4), lengthM: Math.max(LEAST_M, round(x.lengthM * left, 3)) }];
    }),
  };
}

const bareTo = (part: Share, kept: Share): Share | null => (part === 0 ? null : round(Math.min(1, part / kept), 4));

/** Stems as they stand once the cuts were made. */
export function stemsAfter(stems: readonly Stem[], cuts: readonly StemCut[], build: Build): Stem[] {
  const effects = effectsOn(stems, cuts, build).filter((e) => e.kept > 0);
  const left = new Set(effects.map((e) => e.stem.id));
  return effects.map(({ stem, kept, branchParts, shootParts, clearedTo }) => ({
    ...stem,
    lengthM: Math.max(2 * LEAST_M, round(stem.lengthM * kept, 3)),
    crosses: stem.crosses !== null && left.has(stem.crosses) ? stem.crosses : null,
    leafFrom: bareTo(Math.max(stem.leafFrom ?? 0, clearedTo), kept),
    deadFrom: stem.deadFrom === null || stem.deadFrom >= kept ? null : round(stem.deadFrom / kept, 4),
    branches: stem.branches.flatMap((b, i) =>
      branchParts[i] === 0 || b.at > kept + 1e-6 ? [] : [branchLeft(b, b.at / kept, branchParts[i]!, shootParts[i]!)],
    ),
  }));
}

/**
 * Stems after so many seasons: what stands grows on at its tip, what was cut wakes, and where stems went at the base
 * young ones come, as many as is usual.
 * @param cuts made before, on these stems
 */
export function stemsGrown(
  stems: readonly Stem[],
  cuts: readonly StemCut[],
  taxon: Taxon,
  build: Build,
  seasons: number,
): Stem[] {
  const effects = new Map(effectsOn(stems, cuts, build).map((e) => [e.stem.id, e]));
  const usual = taxon.growthM[1];
  const gain = (fromM: Metres, vigour: number): Metres =>
    grownTo(taxon, fromM, usual, grownSeasons(seasons, vigour)) - fromM;
  const older = stemsAfter(stems, cuts, build).map((s): Stem => {
    if (s.state === "dead") return s;
    const e = effects.get(s.id)!;
    const more = gain(alongStem(s, 1, build).z, e.kept < 1 ? vigourAfterCut(taxon, e.leafGone) : 1);
    const lengthM = round(s.lengthM + more, 3);
    const part = s.lengthM / lengthM;
    return {
      ...s,
      lengthM,
      ageYears: s.ageYears === null ? null : s.ageYears + Math.round(seasons),
      diameterMm: round(s.diameterMm + THICKENS_MM * seasons, 1),
      leafFrom: s.leafFrom === null ? null : round(s.leafFrom * part, 4),
      branches: s.branches.map((b) => ({
        ...b,
        at: round(b.at * part, 4),
        lengthM: round(b.lengthM * (1 + GROWS * seasons), 3),
      })),
    };
  });
  if (taxon.regrowthFromLeaflessWood === "no") return older;
  const gone = stems.filter((s) => s.state !== "dead" && effects.get(s.id)!.kept === 0);
  const lengthM = round(gain(0, 1) * REGROWTH_ASSUMPTIONS.suckerGrowth, 3);
  if (lengthM < 5 * LEAST_M) return older;
  const young = gone.flatMap((s) =>
    Array.from({ length: REGROWTH_ASSUMPTIONS.suckersPerStem[1] }, (_, i): Stem => ({
      ...plainStem(`${s.id}-y${i + 1}`.slice(-60), YOUNG_MM + THICKENS_MM * seasons, lengthM),
      ageYears: Math.max(0, Math.round(seasons)),
      base: s.base,
      turnDeg: (s.turnDeg + 40 * i) % 360,
      leanDeg: Math.min(30, 8 + 6 * i),
    })),
  );
  return [...older, ...young].slice(0, MOST.stems);
}
/** Ours: what a stem and a branch add in a season, and how thick a young shoot from the base is. */
const THICKENS_MM = 1.5;
const GROWS: Share = 0.12;
const YOUNG_MM = 6;
