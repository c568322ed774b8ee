/** The table of towns: fetched when a place is asked for, and not before. */
import { TOWN_ROWS, townsFrom } from "@wren/core";

export const TOWNS = townsFrom(TOWN_ROWS);
