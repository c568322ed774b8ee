export * from "./ways.ts";
export * from "./renewal.ts";
export * from "./treeForm.ts";
export * from "./programme.ts";
