export * from "./keys.ts";
export * from "./posterior.ts";
export { SEASONS, type Key, type KeySeason, type Trait } from "./schema.ts";
export * from "./settle.ts";
export { UNKNOWN_TAXON } from "./unknown.ts";
