export { PRICE_ASSUMPTIONS } from "./assumptions.ts";
export { extentOf, isUsualExtent, type CutExtent } from "./extent.ts";
export { usualPlan, type Accepts, type CutPlan, type DisplayPrices } from "./displays.ts";
export { harmPartsOn, type HarmPart } from "./harm.ts";
export * from "./kind.ts";
export { overLimit, shootsHard, type LimitName } from "./limits.ts";
export * from "./season.ts";
export * from "./tasks.ts";
export * from "./years.ts";
