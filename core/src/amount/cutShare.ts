/** From what was recorded at a visit to a share of live growth. */
import type { Taxon } from "../catalogue/index.ts";
import type { Cut, Visit } from "../model/index.ts";
import type { Share } from "../units/index.ts";
import { shareByCount, shareByDiameters, shareByHeight, together, type Outline } from "./shares.ts";

/** Each habit's outline when only a height was measured. */
const OUTLINE_OF_HABIT: Readonly<Record<Taxon["habit"], Outline>> = {
  dome: "dome",
  mound: "dome",
  cone: "cone",
  column: "column",
  upright: "column",
  climber: "column",
  vase: "vase",
  fountain: "vase",
  tuft: "column",
  tree: "dome",
};
/** The outline that a habit is reckoned by. */
export const outlineOf = (taxon: Pick<Taxon, "habit">): Outline => OUTLINE_OF_HABIT[taxon.habit];

/** Share of live growth one recorded cut took. */
export function shareOfCut(cut: Cut, taxon: Pick<Taxon, "habit" | "sapwoodMm">): Share {
  switch (cut.by) {
    case "height":
      return shareByHeight(cut.beforeM, cut.afterM, outlineOf(taxon));
    case "stems":
      return shareByCount(cut.removedCount, cut.liveCount);
    case "diameters":
      return shareByDiameters(cut.removedMm, cut.keptMm, taxon.sapwoodMm);
    case "share":
      return cut.share;
  }
}

/** Healthy live growth taken at a visit; hazard wood is booked apart and dead wood does not count. */
export const shareOfVisit = (visit: Pick<Visit, "cuts">, taxon: Pick<Taxon, "habit" | "sapwoodMm">): Share =>
  together(visit.cuts.map((c) => shareOfCut(c, taxon)));
