export * from "./merge/index.ts";
export { cutIssues, hedgeIssues, type Ground } from "./checks.ts";
export * from "./diff.ts";
export { gate } from "./gate.ts";
export * from "./gardenFile.ts";
export { fromZod, type FileIssue, type FileIssueCode } from "./issues.ts";
export {
  aimed,
  BEGUN_FILL,
  TRIMMED_FILL,
  TAUGHT_FILL,
  TIME_FILL,
  branched,
  FORM_FILL,
  OUTLOOK_FILL,
  placed,
  PRICES_FILL,
  seeing,
  SURVEY_FILL,
  TIMING_FILL,
} from "./migrations.ts";
export { BY_THE_CLOCK, salvage, type Apart, type RawRows, type RowList, type Salvaged } from "./salvage.ts";
