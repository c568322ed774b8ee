export * from "./plantYear.ts";
export * from "./ranges.ts";
export * from "./pace.ts";
export * from "./sightings.ts";
export * from "./seenYear.ts";
