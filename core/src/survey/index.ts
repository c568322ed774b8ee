export * from "./health.ts";
export * from "./normal.ts";
export * from "./size.ts";
export { plantSeen } from "./seen.ts";
