export * from "./diff.ts";
export * from "./gardenFile.ts";
export { SURVEY_FILL, TIMING_FILL } from "./migrations.ts";
