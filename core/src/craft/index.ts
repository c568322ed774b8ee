export * from "./aftercare.ts";
export * from "./blade.ts";
export * from "./cautions.ts";
export * from "./notes.ts";
export * from "./passes.ts";
export * from "./tools.ts";
