/** The table of towns, and where others lie: fetched when a place is asked for, and not before. */
import { localitiesFrom, PLACE_ROWS, TOWN_ROWS, townFinder, townsFrom, type Locality } from "@wren/core";

export const TOWNS = townsFrom(TOWN_ROWS);
/** Towns that answer to what was typed, those of the table first. */
export const findTowns = townFinder<Locality>([...TOWNS, ...localitiesFrom(PLACE_ROWS, TOWNS)], TOWNS);
