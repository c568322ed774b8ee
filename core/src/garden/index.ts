export * from "./gardenModel.ts";
export { kindCache, withYears, type KindCache, type Kinds } from "./kinds.ts";
export * from "./likely.ts";
export { loreOf } from "./lore.ts";
export { ownKind } from "./ownKind.ts";
export type { Schooling } from "./schooling.ts";
export * from "./aim.ts";
export * from "./newestStand.ts";
export * from "./taught.ts";
