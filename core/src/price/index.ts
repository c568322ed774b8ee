export * from "./advise.ts";
export { kindYearFor, nextDormancy } from "./question.ts";
export { PRICE_ASSUMPTIONS } from "./assumptions.ts";
export * from "./costs.ts";
export { DAY_LIMITS } from "./dayOf.ts";
export type { CutPlan, DisplayPrices } from "./displays.ts";
export * from "./gardenModel.ts";
export * from "./goals.ts";
export * from "./kind.ts";
export * from "./likely.ts";
export * from "./planCut.ts";
export * from "./reasons.ts";
export * from "./season.ts";
export * from "./tasks.ts";
export * from "./years.ts";
export {
  bySeason,
  cheapestDay,
  FOUR_SEASONS,
  type Cheapest,
  type Alternative,
  type Season,
  type SeasonPrice,
} from "./instead.ts";
export type { BestRun, EdgeRange, Window } from "./window.ts";
