export * from "./section.ts";
export * from "./cut.ts";
export * from "./posts.ts";
