export * from "./table.ts";
export * from "./near.ts";
export * from "./find.ts";
export { TOWN_ROWS } from "./rows.ts";
export * from "./localities.ts";
export { PLACE_ROWS } from "./placeRows.ts";
