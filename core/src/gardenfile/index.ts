export * from "./diff.ts";
export * from "./gardenFile.ts";
export { OUTLOOK_FILL, PRICES_FILL, SURVEY_FILL, TIMING_FILL } from "./migrations.ts";
