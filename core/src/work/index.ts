export * from "./minutes.ts";
export * from "./wildlife.ts";
export * from "./wind.ts";
