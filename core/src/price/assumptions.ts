/** Assumptions of the price, in one table (ours, from memory of practice; no published constants exist). */
export const PRICE_ASSUMPTIONS = {
  /** Power of the share of buds made with which a cut is charged for them: 1 would be all that is made of them so far. */
  budsMadeAgain: 1.6,
  /** Flowers a new-wood plant loses for the growth thrown away: this share of what it had grown towards bloom. */
  reservesSpent: 0.5,
  /** What is headed so long before shorter days bring its flowers branches, and carries as many. */
  branchDays: 45,
  /** Share of the way to bloom that a headed (not cut back) plant has to grow again. */
  headedRegrowth: 0.75,
  /** Loss of the next old-wood display after a hard cut right after bloom: new stems are too young. */
  youngStemsFlowerless: 0.9,
  /** Days from a cut to new shoots, and least days until these are hard. */
  sproutDays: 10,
  /** Whole stems taken at the base wake less than shoots that are headed. */
  wholeShootsWake: 0.6,
  /** Bare evergreen wood breaks from buds that nobody sees: so many days more until it shoots. */
  latentBudDays: 20,
  hardenDaysLeast: 42,
  /** Where autumn is too cool to harden by warmth, short days do it within so long. */
  hardenDaysMost: 80,
  /** Warmth new shoots need to harden, when the flush's own figure is not smaller, °C·day. */
  hardenDegreeDays: 300,
  /** A plant counts as just waking for so long. */
  justWakingDays: 20,
  /** Leaves work on while ever fewer cuts are answered: so much longer, as a factor; no day opens between the two waits of autumn. */
  leavesWorkOn: 1.6,
  /** So long after that it stands in full leaf. */
  fullLeafDays: 40,
  /** Days of cold-season warmth after which an easily woken plant answers a cut. */
  wakeDays: 7,
  /** Loss that a display's buds suffer when their shelter of old heads is gone. */
  shelterLoss: 0.6,
  /** A perennial's first flush lasts so long; of what stands after it, this part is flowers still. */
  firstFlushDays: 30,
  flushLeft: 0.5,
  /** Weight of a day of delay against a lost display, and its ceiling. */
  delayWeightPerDay: 1 / 120,
  delayWeightMost: 0.3,
  /** Kinds that lose so much of their frame come again from the base; so long after waking a hard cut takes dead tops only. */
  killedToBase: 0.7,
  topsDays: 45,
  /** The end of coloured stems that counts for nothing, days. */
  fadingDays: 30,
  /** What nipped shoots cost a plant whose frame stands the winter, against one that freezes back: it shoots again. */
  nippedInSpring: 0.25,
  /** Frames damaged only below this are hardy enough for that, °C. */
  hardyFrameC: -10,
  /** A frame taken by no more cold than this goes in a night of frost, °C. */
  frostTenderC: -5,
  /** A kind that wakes so long after the first leaves is thought dead every spring; leaves tell so long after it woke. */
  wakesLateDays: 12,
  leavesTellDays: 10,
  /** Leaves are down when days are cooler than this, °C. */
  leavesFallC: 10,
  /** So long before the coldest day leaves are down where no winter brings sleep. */
  bareBeforeDays: 35,
  /** From so much of its frame lost to winter on, a kind dies back as a rule. */
  diesBack: 0.2,
  /** From so much on it is cut hard as growth begins, not in winter. */
  halfTaken: 0.5,
  /** Dry-country kinds rest from so long before the warmest day until so long after it. */
  restsBeforeDays: 40,
  restsAfterDays: 70,
  /** Weight of not knowing dead from live, where only what is surely dead comes off. */
  untoldWeight: 0.2,
  /** Frost at or under this scorches freshly bared leaves within so many days; the share of the face that shows it. */
  scorchC: -2,
  scorchDays: 28,
  scorchLoss: 0.5,
  /** Frost at or under this browns what a hard cut bares of an evergreen, °C. */
  bitesC: -10,
  /** From so long after waking a hard cut of an evergreen throws its spring flush away; what that costs. */
  flushMadeDays: 45,
  flushThrownAway: 0.12,
  /** A hard cut that stands open longer than so many days before growth answers it dries back, by so much at most. */
  standsOpenDays: 45,
  standsOpenMost: 0.12,
  /** Wounds of autumn close in spring: fine, but not the best of the year (common practice: late winter). */
  woundsOpenDays: 40,
  woundsOpenMost: 0.08,
  /** What stems taken out in full leaf cost that winter would have taken for nothing: past its best, no reason to wait. */
  renewedInLeaf: 0.06,
  /** Of low grey leaves, which rot back sooner than wood dries. */
  lowStandsOpenDays: 20,
  lowStandsOpenMost: 0.25,
  /** From so hot an afternoon on, what shears and hard cuts bare burns; past the second one, °C, no cool morning is in reach. */
  hotC: 31,
  burnsC: 38,
  /** Weight of a day on which it is sure to burn. */
  heatWeight: 0.15,
  /** Of that, what a head bears that is thinned or shaped and keeps its shade: past its best, never a reason to wait. */
  heatWhereThinned: 0.4,
  /** For small hard leaves that is over so many days after the coldest. */
  winterEndsDays: 30,
  /** So long after the warmest day a cut is late for the year; after that it is early for the next. */
  lateDays: 92,
  redoWeight: 0.3,
  /** Spent flowers may be taken off this many days after bloom where they do not stay on. */
  spentDays: 60,
  /** Part of bloom after which there is something spent. */
  spentFrom: 0.4,
  /** The first flowers of a long display are spent after so many days. */
  spentAfterDays: 14,
  /** Heads that stay through winter may be taken off until so long after growth began. */
  headsUntilDays: 45,
} as const;

/** Chances of frost below this count as none. */
export const LEAST_CHANCE = 1e-6;
