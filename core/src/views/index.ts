export * from "./shade.ts";
export * from "./sightLines.ts";
