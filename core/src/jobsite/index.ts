export * from "./minutes.ts";
export * from "./reach.ts";
export * from "./wildlife.ts";
export * from "./wind.ts";
