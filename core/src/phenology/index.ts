export * from "./plantYear.ts";
export * from "./height.ts";
export * from "./ranges.ts";
export * from "./pace.ts";
