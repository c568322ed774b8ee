/** A second writing of the catalogue's main facts, made without a look at it; where the two differ it is settled below, and said why. */
import { expect, test } from "@jest/globals";
import { CATALOGUE, isFlowers, type Taxon } from "@wren/core";
import { placeOf } from "./cases.ts";
import { table } from "./files.ts";

/** Days of the year between which each word's bloom begins at an inland place of zone 6, a fortnight wide at either end. */
const BLOOMS: Readonly<Record<string, readonly [number, number]>> = {
  winter: [-30, 58],
  early: [45, 112],
  mid: [92, 145],
  late: [125, 188],
  summer: [165, 252],
  autumn: [232, 340],
};
const SETTLED: Readonly<Record<string, string>> = {
  "viburnum-carlesii": "slow from old wood: renewed stem by stem, never at once",
  "viburnum-plicatum": "keeps its tiers for life: shaped, not felled",
  "rhododendron-deciduous-azalea": "shoots from old wood readily, from the base as well",
  "calycanthus-floridus": "opens in early May in Ohio (Herms), not June",
  "symphoricarpos-albus": "its small flowers begin in June",
  "diervilla-sessilifolia": "begins in June",
  "aesculus-parviflora": "flowers end shoots of the year; it comes again from the ground",
  "fuchsia-magellanica": "begins in June where summers are hot",
  "lespedeza-thunbergii": "begins in August, is at its best in September",
  "lonicera-japonica": "told by its main bloom, on new shoots",
  "skimmia-japonica": "renewed stem by stem it answers, if slowly",
  "viburnum-tinus": "opens from late autumn where it is hardy",
  "amelanchier-grandiflora": "many-stemmed ones renew from the base",
  "taxus-media": "answers, but slowly",
  "thuja-plicata": "shoots now and then from bare wood: not to be counted on",
  "tsuga-canadensis": "shoots a little inside the green, not from a stump",
  "santolina-chamaecyparissus": "its buttons begin in June",
  "miscanthus-sinensis": "grown for blade and plume; plumes begin in August",
  "calamagrostis-acutiflora": "grown for blade and plume",
};

const hard = (t: Taxon): string =>
  t.never["hard-cutback"] === undefined &&
  t.regrowthFromLeaflessWood !== "no" &&
  t.regimes.some((r) => r === "cutback" || r === "renewal")
    ? "yes"
    : "no";

test("120 common kinds and more: flowering wood, bare wood, hard cut and bloom agree, or the difference is settled", () => {
  const { cache } = placeOf("Columbus");
  const rows = table("kinds-second-writing.csv");
  expect(rows.length).toBeGreaterThanOrEqual(120);
  const differ = rows.filter((r) => {
    const t = CATALOGUE.byId(r["id"]!)!;
    if (t.floweringWood !== r["wood"] || t.regrowthFromLeaflessWood !== r["bare"] || hard(t) !== r["hard"]) return true;
    const span = BLOOMS[r["blooms"]!];
    if (!span) return false;
    const first = cache.yearOf(t).displays.find((d) => isFlowers(d.display.name));
    const day = first === undefined ? NaN : first.opens.day > 340 ? first.opens.day - 365 : first.opens.day;
    return !(day >= span[0] && day <= span[1]);
  });
  expect(differ.map((r) => r["id"]).sort()).toEqual(Object.keys(SETTLED).sort());
});
