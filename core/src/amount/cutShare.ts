/** From what was recorded of a cut to a share of live growth: the one way from a cut to a share. */
import type { Taxon } from "../catalogue/index.ts";
import type { Cut, Plant, Stem, Visit } from "../model/index.ts";
import { bodyOf, buildOf, endsAbove, heightOfLeaf, leafAbove, leafOf, leafTaken, stemsAsHigh } from "../stems/index.ts";
import { clippedOf, cutBetween, faceLengthOf, type StandingSection } from "../sections/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { shareByCount, shareByDiameters, together } from "./shares.ts";

/** What a cut is measured by: the kind, how the plant is grown and how wide; its stems, where they were drawn. */
export interface Measured {
  readonly taxon: Taxon;
  readonly plant: Pick<Plant, "form" | "widthM">;
  readonly stems: readonly Stem[] | null;
  /** The section of a plant that is a hedge: its leaf stands in that, whatever outline its kind has. */
  readonly section?: StandingSection | null;
}
/** A cut as far as it changes prices: what it takes, how many of the shoots it reaches, how much of their length goes. */
export interface Taken {
  readonly share: Share;
  readonly reach: Share;
  readonly depth: Share;
}

/**
 * What a level cut takes of a plant of a height. With stems it is what goes of theirs, with nothing but a size what the
 * outline of the kind holds there; either way leaf in the shell of the outline.
 */
export function takenAbove(m: Measured, beforeM: Metres, afterM: Metres): Taken {
  const build = buildOf(m.taxon, m.plant.form);
  const of = (share: Share, reach: Share): Taken => ({
    share,
    reach,
    depth: reach === 0 ? 0 : Math.min(1, share / reach),
  });
  if (beforeM <= 0 || afterM >= beforeM) return of(0, 0);
  if (m.section) {
    const { share, reach } = sectionAbove(m.section, beforeM, afterM);
    return of(share, reach);
  }
  if (m.stems?.some((s) => s.state !== "dead")) {
    const stems = stemsAsHigh(m.stems, build, beforeM);
    const heightM = (Math.max(0, afterM) / beforeM) * leafOf(stems, build).body.heightM;
    const { share, reach } = leafTaken(stems, [{ cut: "top", heightM }], build);
    return of(share, reach);
  }
  const body = bodyOf(build, beforeM, m.plant.widthM);
  const share = leafAbove(body, Math.max(0, afterM));
  return of(share, Math.max(share, endsAbove(body, Math.max(0, afterM))));
}

/** Nothing of a hedge stands lower than this. */
const LOWEST_M: Metres = 0.02;
/** A hedge lowered: what goes of its leafy shell, and of the ends of its shoots, which stand on its outside. */
function sectionAbove({ now, greenM }: StandingSection, beforeM: Metres, afterM: Metres): Omit<Taken, "depth"> {
  if (afterM < LOWEST_M) return { share: 1, reach: 1 };
  const [tall, low] = [
    { ...now, heightM: beforeM },
    { ...now, heightM: afterM },
  ];
  const { share } = cutBetween(tall, low, greenM);
  const stays = faceLengthOf(low, "front") + faceLengthOf(low, "back");
  return { share, reach: Math.max(share, 1 - stays / clippedOf(tall)) };
}

/** The lowest level cut that takes no more than a share; the other way round of takenAbove. */
export function lowestTop(m: Measured, heightM: Metres, share: Share): Metres {
  if (m.stems === null && !m.section)
    return heightOfLeaf(bodyOf(buildOf(m.taxon, m.plant.form), heightM, m.plant.widthM), share);
  let [low, high] = [0, heightM];
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    if (takenAbove(m, heightM, mid).share > share) low = mid;
    else high = mid;
  }
  return high;
}
const HALVINGS = 30;

/** Share of live growth one recorded cut took. */
export function shareOfCut(cut: Cut, m: Measured): Share {
  switch (cut.by) {
    case "height":
      return takenAbove(m, cut.beforeM, cut.afterM).share;
    case "stems":
      return shareByCount(cut.removedCount, cut.liveCount);
    case "diameters":
      return shareByDiameters(cut.removedMm, cut.keptMm, m.taxon.sapwoodMm);
    case "share":
      return cut.share;
  }
}

/** Healthy live growth taken at a visit; hazard wood is booked apart and dead wood does not count. */
export const shareOfVisit = (visit: Pick<Visit, "cuts">, m: Measured): Share =>
  together(visit.cuts.map((c) => shareOfCut(c, m)));
