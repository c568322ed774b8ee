export * from "./beside.ts";
export * from "./lessons.ts";
export * from "./review.ts";
export * from "./moved.ts";
