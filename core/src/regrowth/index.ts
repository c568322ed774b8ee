export * from "./follows.ts";
export * from "./gains.ts";
export * from "./after.ts";
export * from "./carriedOut.ts";
