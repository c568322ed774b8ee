export * from "./ways.ts";
export * from "./renewal.ts";
export * from "./programme.ts";
