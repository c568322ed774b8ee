export * from "./garden.ts";
export * from "./words.ts";
export * from "./order.ts";
