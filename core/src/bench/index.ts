export * from "./amounts.ts";
export * from "./blade.ts";
export * from "./remarks.ts";
export * from "./tryOut.ts";
export * from "./subset.ts";
export * from "./passes.ts";
export * from "./suggest.ts";
export * from "./cutList.ts";
