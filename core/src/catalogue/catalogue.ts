/** The catalogue that ships. */
import { catalogueOf, type Catalogue } from "./lookup.ts";
import type { TaxonRow } from "./schema.ts";
import { BROADLEAF_EVERGREENS } from "./taxa/lines/broadleafEvergreens.ts";
import { EVERGREENS } from "./taxa/evergreens.ts";
import { CONIFERS, HEDGING } from "./taxa/lines/hedgesAndConifers.ts";
import { formsOf } from "./taxa/lines/forms.ts";
import { HYDRANGEAS } from "./taxa/hydrangeas.ts";
import { MORE_GRASSES, MORE_PERENNIALS, MORE_SUBSHRUBS } from "./taxa/lines/lowPlants.ts";
import { CLEMATIS, CLIMBERS, MORE_ROSES } from "./taxa/lines/rosesAndClimbers.ts";
import { SMALL_TREES } from "./taxa/lines/smallTrees.ts";
import { SPRING_DECIDUOUS } from "./taxa/lines/springDeciduous.ts";
import { SPRING_SHRUBS } from "./taxa/springShrubs.ts";
import { SUBSHRUBS_AND_GRASSES } from "./taxa/subshrubsAndGrasses.ts";
import { MORE_SUMMER_SHRUBS, STEM_AND_LEAF } from "./taxa/lines/summerMore.ts";
import { SUMMER_SHRUBS } from "./taxa/summerShrubs.ts";
import { TENDER_AND_DRY } from "./taxa/tenderAndDry.ts";
import { UNKNOWN } from "./taxa/lines/unknown.ts";
import { DRY_COUNTRY, SUBTROPICAL } from "./taxa/lines/warmAndDry.ts";

const KINDS: readonly TaxonRow[] = [
  ...HYDRANGEAS,
  ...SPRING_SHRUBS,
  ...SPRING_DECIDUOUS,
  ...SUMMER_SHRUBS,
  ...MORE_SUMMER_SHRUBS,
  ...STEM_AND_LEAF,
  ...MORE_ROSES,
  ...CLEMATIS,
  ...CLIMBERS,
  ...SMALL_TREES,
  ...EVERGREENS,
  ...BROADLEAF_EVERGREENS,
  ...HEDGING,
  ...CONIFERS,
  ...TENDER_AND_DRY,
  ...SUBTROPICAL,
  ...DRY_COUNTRY,
  ...SUBSHRUBS_AND_GRASSES,
  ...MORE_SUBSHRUBS,
  ...MORE_GRASSES,
  ...MORE_PERENNIALS,
];

/** All kinds. */
export const CATALOGUE: Catalogue = catalogueOf([...KINDS, ...formsOf(KINDS), ...UNKNOWN]);
