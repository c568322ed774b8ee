/** The kind that stands for a shrub nobody has named. */
export const UNKNOWN_TAXON = "unknown-flowering-shrub";
