/** Assumptions of the price, in one table (ours, from memory of practice; no published constants exist). */
export const PRICE_ASSUMPTIONS = {
  /** Flowers a new-wood plant loses for the growth thrown away: this share of what it had grown towards bloom. */
  reservesSpent: 0.5,
  /** Share of the way to bloom that a headed (not cut back) plant has to grow again. */
  headedRegrowth: 0.75,
  /** Loss of the next old-wood display after a hard cut right after bloom: new stems are too young. */
  youngStemsFlowerless: 0.9,
  /** Days from a cut to new shoots, and least days until these are hard. */
  sproutDays: 10,
  hardenDaysLeast: 42,
  /** Warmth new shoots need to harden, when the flush's own figure is not smaller, °C·day. */
  hardenDegreeDays: 300,
  /** A plant counts as just waking for so long. */
  justWakingDays: 20,
  /** Days of cold-season warmth after which an easily woken plant answers a cut. */
  wakeDays: 7,
  /** Loss that a display's buds suffer when their shelter of old heads is gone. */
  shelterLoss: 0.6,
  /** Weight of a day of delay against a lost display, and its ceiling. */
  delayWeightPerDay: 1 / 120,
  delayWeightMost: 0.3,
  redoWeight: 0.3,
  /** Spent flowers may be taken off this many days after bloom where they do not stay on. */
  spentDays: 45,
  /** Part of bloom after which there is something spent. */
  spentFrom: 0.4,
} as const;

/** Chances of frost below this count as none. */
export const LEAST_CHANCE = 1e-6;
