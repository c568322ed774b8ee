export * from "./monthNames.ts";
export * from "./plainDate.ts";
export * from "./season.ts";
