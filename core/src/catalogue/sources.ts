/** Where a statement comes from. Publications are cited from memory unless the entry says otherwise. */
export interface Source {
  readonly citation: string;
  readonly standing: "published, from memory" | "common practice" | "our assumption" | "your own";
}

const published = (citation: string): Source => ({ citation, standing: "published, from memory" });

/** Where rules and numbers come from. */
export const SOURCES = {
  "shrub-calendar": published("Virginia Cooperative Extension 430-462, Shrub Pruning Calendar"),
  "shrub-renewal": published("University of Missouri Extension G6870, Pruning Ornamental Shrubs"),
  "shrub-third": published("University of Minnesota Extension, Pruning trees and shrubs"),
  "evergreen-pruning": published("Colorado State University GardenNotes 617, Pruning Evergreens"),
  a300: published("ANSI A300 (Part 1), Pruning, 2001 and 2008 editions"),
  z133: published("ANSI Z133, safety requirements for arboricultural operations"),
  rhs: published("RHS guidance on pruning, by plant group"),
  "late-cuts": published("Clemson Cooperative Extension HGIC 1053, Pruning Shrubs"),
  "bloom-order": published("D. A. Herms (2004), in IPM of Midwest Landscapes, SB-07645, pp. 49–59"),
  "spring-index": published("M. D. Schwartz, R. Ahas & A. Aasa (2006), Global Change Biology 12: 343–351"),
  "single-sine": published("G. L. Baskerville & P. Emin (1969), Ecology 50: 514–517"),
  richardson: published("C. W. Richardson (1981), Water Resources Research 17: 182–190"),
  "pipe-model": published("K. Shinozaki et al. (1964), Japanese Journal of Ecology 14: 97–105, 133–139"),
  zones: published("USDA Plant Hardiness Zone Map, 2012 and 2023"),
  geometry: { citation: "Exact geometry of the outline", standing: "our assumption" },
  practice: { citation: "Common practice of the trade", standing: "common practice" },
  assumption: { citation: "An assumption of this program, kept in one table", standing: "our assumption" },
  record: { citation: "Your own records", standing: "your own" },
  place: { citation: "What is known of your place", standing: "your own" },
} as const satisfies Record<string, Source>;

/** Key of a source. */
export type SourceId = keyof typeof SOURCES;
export const SOURCE_IDS = Object.keys(SOURCES) as [SourceId, ...SourceId[]];
