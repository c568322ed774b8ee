export {
  BOUNDS,
  type Bounds,
  id as IdSchema,
  latestRecord,
  LETTERS,
  MonthDaySchema,
  MOST,
  name as NameSchema,
  PlainDateSchema,
} from "./bounds.ts";
export * from "./place.ts";
export * from "./plant.ts";
export * from "./records.ts";
export * from "./stand.ts";
export * from "./garden.ts";
export * from "./words.ts";
export * from "./order.ts";
