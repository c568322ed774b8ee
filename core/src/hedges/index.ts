export * from "./light.ts";
export * from "./season.ts";
export * from "./strings.ts";
export * from "./trims.ts";
export * from "./wayBack.ts";
export * from "./hedge.ts";
export * from "./shapes.ts";
export * from "./hedgeJson.ts";
