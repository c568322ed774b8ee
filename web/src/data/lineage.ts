/** Which states this copy of the garden descends from, by their marks; a state gets one when it leaves in a file or arrives in one. */
import { stateMark, type Garden } from "@wren/core";
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

/** A file's own state and lineage; of files that say none the state is marked by what it holds. */
export interface Arrived {
  readonly garden: Garden;
  readonly lineage: readonly string[];
}
export const arrivedLine = ({ garden, lineage }: Arrived): readonly string[] =>
  lineage.length > 0 ? lineage : [stateMark(garden)];
