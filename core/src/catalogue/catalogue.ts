/** The catalogue: rows parsed once, looked up by id or by name. */
import * as z from "zod";
import { TaxonSchema, type Taxon } from "./schema.ts";
import { schoolFits } from "./schoolChoice.ts";
import { SCHOOLS } from "./schools.ts";
import { BROADLEAF_EVERGREENS } from "./taxa/lines/broadleafEvergreens.ts";
import { EVERGREENS } from "./taxa/evergreens.ts";
import { CONIFERS, HEDGING } from "./taxa/lines/hedgesAndConifers.ts";
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

export interface Catalogue {
  readonly taxa: readonly Taxon[];
  /** null when there is no such kind. */
  readonly byId: (id: string) => Taxon | null;
  /** Kinds whose common or botanical name holds every word of the query, best match first. */
  readonly search: (query: string) => readonly Taxon[];
}

const namesOf = (t: Taxon): string => [...t.common, t.botanical].join(" · ").toLowerCase();

/** Builds a catalogue from rows; throws when a row breaks the schema or an id comes twice: that is a bug in the data. */
export function catalogueOf(rows: readonly unknown[]): Catalogue {
  const taxa = z
    .array(TaxonSchema)
    .parse(rows)
    .map((t): Taxon => ({ ...t, schools: SCHOOLS.filter((s) => schoolFits(s, t)).map((s) => s.id) }));
  const index = new Map(taxa.map((t) => [t.id, t]));
  if (index.size !== taxa.length) throw new Error("a taxon id comes twice in the catalogue");
  return {
    taxa,
    byId: (id) => index.get(id) ?? null,
    search(query) {
      const words = query.toLowerCase().split(/\s+/).filter(Boolean);
      const startsWith = (t: Taxon): number =>
        t.common.some((c) => c.toLowerCase().startsWith(words[0] ?? "")) ? 0 : 1;
      return taxa
        .filter((t) => words.every((w) => namesOf(t).includes(w)))
        .sort((a, b) => startsWith(a) - startsWith(b) || a.common[0]!.localeCompare(b.common[0]!));
    },
  };
}

/** The catalogue that ships. */
export const CATALOGUE: Catalogue = catalogueOf([
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
  ...UNKNOWN,
]);
