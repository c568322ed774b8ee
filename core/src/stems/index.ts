export * from "./classes.ts";
export * from "./tally.ts";
export * from "./layout.ts";
export * from "./drawing.ts";
export * from "./check.ts";
export * from "./reach.ts";
