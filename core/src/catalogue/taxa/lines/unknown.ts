/**
 * Shrubs nobody has named yet. The first row stands for the plant; the others are what it may turn out to be,
 * told apart by where on the stem its flowers sit. Their stages are wide on purpose: nothing is known of them.
 */
import { branch, deciduousYear, kinds, oldBloom, shrub, spring, summerBloom, tender, warm, type Base } from "../parts.ts";

const base: Base = {
  ...shrub,
  group: "unknown",
  floweringWood: "old",
  year: deciduousYear(6),
  leastStubM: 0.4,
  regimes: ["upkeep"],
  routineTask: "shape",
  // Tender until it has stood a winter here.
  frost: tender(-2, -12, 0.6),
  passes: "shaping",
  looksWrongButNormal: ["bare, dull stems in late winter: scratch one, green is alive"],
  cleanOut: "once the leaves are out: before that nobody can tell dead from late",
  blade: branch,
  sources: ["practice"],
};
const growth: [number, number, number] = [0.15, 0.4, 0.9];
const height: [number, number] = [1, 4];
const width: [number, number] = [1, 4];

/** Flowers from last year's wood at some time from spring into summer; buds for the next from soon after. */
const early = { ...oldBloom("spring flowers", spring(0.6), 45, [150, 236], 0.7), budsBegin: { rule: "after", stage: "ends", days: 21 } as const, budsSet: { rule: "after", stage: "budsBegin", days: 60 } as const };
const late = oldBloom("summer flowers on last year's wood", warm(260), 45, [205, 264], 0.8);

export const UNKNOWN = kinds(base, [
  ["unknown-flowering-shrub", "not yet named", "Unknown flowering shrub|Unknown shrub", "dome", growth, height, width, "6a", [early]],
  ["unknown-old-wood-spring", "not yet named; flowers on last year's wood in spring", "Unknown shrub, spring flowers on old wood", "dome", growth, height, width, "6a", [early]],
  ["unknown-old-wood-summer", "not yet named; flowers on last year's wood in summer", "Unknown shrub, summer flowers on old wood", "dome", growth, height, width, "6a", [late]],
  ["unknown-new-wood", "not yet named; flowers on shoots of the year", "Unknown shrub, flowers on new wood", "dome", growth, height, width, "6a", [summerBloom(380, 14)], { floweringWood: "new", regimes: ["upkeep", "renewal"] }],
]);
