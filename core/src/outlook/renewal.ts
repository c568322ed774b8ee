/** An old shrub renewed: which stems go in which year, by thirds, by sides or all at once. */
import type { Taxon } from "../catalogue/index.ts";
import { leafWeight, oldestFirst, renewalThird } from "../bench/index.ts";
import type { Stem } from "../model/index.ts";
import type { Share } from "../units/index.ts";

export const RENEWAL_WAYS = ["thirds", "sides", "at-once"] as const;
export type RenewalWay = (typeof RENEWAL_WAYS)[number];

export interface RenewalYear {
  readonly stems: readonly Stem[];
  /** Of the live stems that stood at the start, and of the old leaf that still stands that year. */
  readonly countShare: Share;
  readonly areaShare: Share;
}
export interface Renewal {
  readonly way: RenewalWay;
  readonly years: readonly RenewalYear[];
}

const RENEWAL_YEARS = 3;
const HALF_TURN_DEG = 180;

/** Stems of one side: those that lean within a quarter turn of a direction. */
const side = (stems: readonly Stem[], deg: number): readonly Stem[] =>
  stems.filter((s) => (s.turnDeg - deg + 720) % 360 < HALF_TURN_DEG);

/** The cut through the middle that parts the stems most evenly. */
function halves(stems: readonly Stem[]): readonly (readonly Stem[])[] {
  let best = side(stems, 0);
  for (let deg = 15; deg < HALF_TURN_DEG; deg += 15) {
    const one = side(stems, deg);
    if (Math.abs(one.length - stems.length / 2) < Math.abs(best.length - stems.length / 2)) best = one;
  }
  return [best, stems.filter((s) => !best.includes(s))];
}

/**
 * The ways a kind may be renewed. By thirds the oldest go first, never more than a third of the stems in a year: for each
 * that went at least one shoot has come by the next, so the count does not fall.
 * @returns none where the kind is not renewed or has no third to take
 */
export function renewals(stems: readonly Stem[], taxon: Taxon): readonly Renewal[] {
  if (!taxon.regimes.includes("renewal") || taxon.never.renovate !== undefined) return [];
  const live = stems.filter((s) => s.state !== "dead").toSorted(oldestFirst);
  const third = renewalThird(live.length);
  const yearly = (groups: readonly (readonly Stem[])[]): readonly RenewalYear[] => {
    const gone = new Set<Stem>();
    return groups.map((group) => {
      const weight = (xs: readonly Stem[]): number => xs.reduce((n, s) => n + leafWeight(s, taxon.sapwoodMm), 0);
      const standing = live.filter((s) => !gone.has(s));
      for (const s of group) gone.add(s);
      const all = weight(standing);
      return { stems: group, countShare: group.length / live.length, areaShare: all === 0 ? 0 : weight(group) / all };
    });
  };
  const out: Renewal[] = [];
  if (third > 0)
    out.push({
      way: "thirds",
      years: yearly(Array.from({ length: RENEWAL_YEARS }, (_, i) => live.slice(i * third, (i + 1) * third))),
    });
  if (live.length > 1) out.push({ way: "sides", years: yearly(halves(live)) });
  if (taxon.never["hard-cutback"] === undefined && taxon.regrowthFromLeaflessWood === "yes" && live.length > 0)
    out.push({ way: "at-once", years: yearly([live]) });
  return out;
}
