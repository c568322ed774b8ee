/** Which states this copy of the garden descends from, by their marks; a state gets one when it leaves in a file or arrives in one. */
import { lineageOf, stateMark, type Garden } from "@wren/core";
import type { WrenDb } from "./db.ts";

const KEY = "lineage";

/** Marks, the newest last; empty where nothing has come or gone yet. */
export async function readLineage(db: WrenDb): Promise<readonly string[]> {
  const value = (await db.meta.get(KEY))?.value;
  return Array.isArray(value) ? value.filter((m): m is string => typeof m === "string") : [];
}
export const writeLineage = async (db: WrenDb, marks: readonly string[]): Promise<void> => {
  await db.meta.put({ key: KEY, value: marks });
};

/** A file's garden, and the states it says it descends from. */
export interface Arrived {
  readonly garden: Garden;
  readonly lineage: readonly string[];
}
/** The states a file descends from, its own last: by what it holds, for it may have been changed by hand since it was written. */
export const arrivedLine = ({ garden, lineage }: Arrived): readonly string[] => lineageOf(lineage, [stateMark(garden)]);
