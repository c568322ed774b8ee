export * from "./reduction.ts";
export * from "./ways.ts";
export * from "./renewal.ts";
