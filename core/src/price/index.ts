export { PRICE_ASSUMPTIONS } from "./assumptions.ts";
export type { CutPlan, DisplayPrices } from "./displays.ts";
export * from "./kind.ts";
export * from "./season.ts";
export * from "./tasks.ts";
export * from "./years.ts";
