export * from "./table.ts";
export * from "./near.ts";
export * from "./find.ts";
export { TOWN_ROWS } from "./rows.ts";
