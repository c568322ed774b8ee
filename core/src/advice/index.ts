export * from "./advise.ts";
export { isHard, kindYearFor, nextDormancy } from "./question.ts";
export { DAY_LIMITS } from "./dayOf.ts";
export * from "./goals.ts";
export { DANGER_TABLE } from "./danger.ts";
export { offeredTasks } from "./offered.ts";
export * from "./planCut.ts";
export * from "./reasons.ts";
export { yearsAsked } from "./yearsAsked.ts";
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
