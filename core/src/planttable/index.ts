export * from "./cells.ts";
export * from "./columns.ts";
export * from "./hedgeTable.ts";
export * from "./readTable.ts";
export * from "./writeTable.ts";
