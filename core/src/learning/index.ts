export * from "./additive.ts";
export * from "./priors.ts";
export * from "./series.ts";
export * from "./spans.ts";
