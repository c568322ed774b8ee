export * from "./plainDate.ts";
export * from "./season.ts";
