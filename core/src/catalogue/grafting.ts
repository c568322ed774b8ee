/** What is often sold grafted: cut to the ground, such a plant comes back as its stock. From memory of the trade. */
import type { Taxon } from "./schema.ts";

/** The genus of a botanical name. // => "Hydrangea" for "Hydrangea × macrophylla" */
export const genusOf = (t: Pick<Taxon, "botanical">): string => t.botanical.replace("×", "").trim().split(/\s+/)[0]!;

const OFTEN_GRAFTED: ReadonlySet<string> = new Set([
  "Acer",
  "Betula",
  "Camellia",
  "Caragana",
  "Cercis",
  "Cornus",
  "Corylus",
  "Crataegus",
  "Fagus",
  "Gardenia",
  "Grevillea",
  "Hamamelis",
  "Laburnum",
  "Magnolia",
  "Malus",
  "Paeonia",
  "Prunus",
  "Pyrus",
  "Rhododendron",
  "Robinia",
  "Rosa",
  "Sorbus",
  "Syringa",
  "Wisteria",
]);

export const oftenGrafted = (t: Taxon): boolean => OFTEN_GRAFTED.has(genusOf(t));
