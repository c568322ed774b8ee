/** The garden leaving for another device and arriving from one: states in common are held, to merge later copies against. */
import { commonState, lineageOf, stateMark, type Garden, type PlainDate } from "@wren/core";
import { dayOfStamp } from "./clock.ts";
import type { WrenDb } from "./db.ts";
import { arrivedLine, readLineage, writeLineage, type Arrived } from "./lineage.ts";
import { openSnapshot, takeSnapshot } from "./snapshots.ts";

/**
 * Marks the state that leaves in a file and holds it. Where the storage is full it leaves all the same: later copies are
 * merged against an older state then. @returns the lineage that goes into the file
 */
export async function markLeaving(db: WrenDb, garden: Garden): Promise<readonly string[]> {
  const mark = stateMark(garden);
  const line = lineageOf(await readLineage(db).catch(() => []), [mark]);
  try {
    await takeSnapshot(db, garden, "shared", mark);
    await writeLineage(db, line);
  } catch {
    // The file itself must not fail for it.
  }
  return line;
}

/** What both copies had in common last. */
export interface Common {
  /** null: it is not known. */
  readonly base: Garden | null;
  /** Everything in the file is in this copy already. */
  readonly nothingNew: boolean;
}
export async function commonOf(db: WrenDb, own: Garden, arrived: Arrived): Promise<Common> {
  const line = await readLineage(db);
  const theirs = arrivedLine(arrived);
  if (line.includes(theirs.at(-1)!)) return { base: arrived.garden, nothingNew: true };
  if (theirs.includes(stateMark(own))) return { base: own, nothingNew: false };
  const marks = new Map(
    (await db.snapshots.toArray()).flatMap((s): [string, number][] => (s.mark === undefined ? [] : [[s.mark, s.at]])),
  );
  const mark = commonState(line, theirs, (m) => marks.has(m));
  return { base: mark === null ? null : await openSnapshot(db, marks.get(mark)!), nothingNew: false };
}

/** Holds a state that arrived, to merge later copies against. */
export const holdArrived = (db: WrenDb, arrived: Arrived): Promise<void> =>
  takeSnapshot(db, arrived.garden, "shared", arrivedLine(arrived).at(-1));

/** A file that holds what is here already brings nothing but its line: later copies have it in common with this one. */
export async function adoptLine(db: WrenDb, arrived: Arrived): Promise<void> {
  await holdArrived(db, arrived);
  await writeLineage(db, lineageOf(await readLineage(db), arrivedLine(arrived)));
}

/** The day each row was changed last in this browser, by its table and id; what the log has let go is not in it. */
export async function changedDays(db: WrenDb): Promise<ReadonlyMap<string, PlainDate>> {
  const days = new Map<string, PlainDate>();
  await db.changes.each((c) => {
    if (c.undone === 0) for (const op of c.ops) days.set(`${op.table} ${op.id}`, dayOfStamp(c.at));
  });
  return days;
}
