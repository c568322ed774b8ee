export { mergeGardens, type Choices, type MergeAsked, type Merged, type Question } from "./merge.ts";
export type { MergeSide } from "./values.ts";
export { commonState, lineageOf, stateMark } from "./lineage.ts";
