/**
 * How strongly the catalogue is held to before a garden's own record outweighs it: one table, all of it stated. None
 * of these spreads is published for garden shrubs; each says where it is from.
 */
export const LEARNING_PRIORS = {
  /**
   * So many of the newest are asked: seasons of dates and stages, timed visits. A gardener ages, a plant too, and a climate
   * warms; ten years say what there is to say (ours).
   */
  newest: { seasons: 10, visits: 200 },
  /**
   * Growth a year. The catalogue's slow and strong are taken as one plant-year in ten below and above; of that spread, as
   * parts of the usual growth: what a garden does to all its plants, what one season does (half of the variance), and the
   * plant itself the rest (ours).
   */
  growth: { placeSd: 0.12, seasonShare: 0.7 },
  /** A height is read to so many metres, or to this part of itself where that is more (common practice: a rod, by eye at the top). */
  height: { readM: 0.03, readShare: 0.02 },
  /** A length of shoot, averaged over some: read to this part of itself, and shoots differ (from memory). */
  shootLengthShare: 0.2,
  /**
   * Shoots that wake at a cut: of its logarithm, between plants of a kind, and from one count to the next (the range of
   * 1 to 3 that is published, as eight in ten; from memory).
   */
  shoots: { plantSd: 0.43, countSd: 0.3 },
  /** How far in the green reaches: of its logarithm, between plants of a kind in their light, and of one look (ours). */
  leafDepth: { plantSd: 0.35, lookSd: 0.15 },
  /** Days that a plant's shoots harden, or its leaves fall, from its kind's: between plants, and between years (from memory of phenology networks). */
  stage: { plantSd: 8, yearSd: 5 },
  /** Before anything was seen a shrub nobody can name may bear its flowers on any wood; flowers that were cut off still come now and then (from memory of practice). */
  wood: { flowersThough: 0.1, failsThough: 0.2 },
} as const;

/** Half of eight in ten, in standard deviations of a normal. */
export const EIGHTY_SDS = 1.2816;
