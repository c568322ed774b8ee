export * from "./caps.ts";
export * from "./cutHeight.ts";
export * from "./cutShare.ts";
export * from "./height.ts";
export * from "./ledger.ts";
export * from "./reduction.ts";
export * from "./shares.ts";
export * from "./solids.ts";
