export * from "./follows.ts";
export * from "./after.ts";
export * from "./carriedOut.ts";
