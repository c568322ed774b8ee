/** Changing a garden: any edit is one garden turned into another; the rows that differ are the change. */
import { GARDEN_LISTS, GardenSchema, inOrder, pathText, sameData, type Garden } from "@wren/core";
import { stamp } from "./clock.ts";
import type { Change, Head, Op, Row, TableName, WrenDb } from "./db.ts";

/** A garden with the mark of where it came from. */
export interface Stored {
  readonly garden: Garden;
  readonly demo: boolean;
}

const KEEP_CHANGES = 500;

const headOf = ({ garden, demo }: Stored): Head => ({
  id: garden.id,
  name: garden.name,
  place: garden.place,
  rules: garden.rules,
  demo,
});

function rowOps(
  table: TableName,
  before: readonly (Row & { id: string })[],
  after: readonly (Row & { id: string })[],
): Op[] {
  const old = new Map(before.map((r) => [r.id, r]));
  const now = new Map(after.map((r) => [r.id, r]));
  const ids = [...new Set([...old.keys(), ...now.keys()])];
  return ids
    .map((id): Op => ({ table, id, before: old.get(id) ?? null, after: now.get(id) ?? null }))
    .filter((op) => !sameData(op.before, op.after));
}

/** The rows that differ between two states; null stands for an empty database. */
export function opsBetween(before: Stored | null, after: Stored): Op[] {
  return [
    ...rowOps("head", before ? [headOf(before)] : [], [headOf(after)]),
    ...GARDEN_LISTS.flatMap((l) => rowOps(l, before ? before.garden[l] : [], after.garden[l])),
  ];
}

/** The rows in the browser are not a garden: somebody else wrote them, or a newer version did. */
export class UnreadableGarden extends Error {
  readonly raw: unknown;
  constructor(problems: readonly string[], raw: unknown) {
    super(problems.slice(0, 3).join("; "));
    this.name = "UnreadableGarden";
    this.raw = raw;
  }
}

/** Reads and checks the whole garden; null when there is none. Rejects with UnreadableGarden. */
export async function loadStored(db: WrenDb): Promise<Stored | null> {
  return db.transaction("r", [db.head, ...GARDEN_LISTS.map((l) => db.table(l))], async () => {
    const head = await db.head.toCollection().first();
    if (!head) return null;
    const lists = await Promise.all(
      GARDEN_LISTS.map(async (l): Promise<[string, unknown[]]> => [l, await db.table(l).toArray()]),
    );
    const { demo, ...rest } = head;
    const rows: unknown = { ...rest, ...Object.fromEntries(lists) };
    const parsed = GardenSchema.safeParse(rows);
    if (!parsed.success) {
      const problems = parsed.error.issues.map(
        (e) => `${pathText(e.path.map((p) => (typeof p === "number" ? p : String(p))))}: ${e.message}`,
      );
      throw new UnreadableGarden(problems, rows);
    }
    const garden = inOrder(parsed.data);
    return { garden, demo };
  });
}

const ALL = (db: WrenDb) => [db.head, ...GARDEN_LISTS.map((l) => db.table(l)), db.changes];

async function apply(db: WrenDb, ops: readonly Op[], side: "before" | "after"): Promise<void> {
  for (const op of ops) {
    const row = op[side];
    const table = db.table<Row, string>(op.table);
    if (row === null) await table.delete(op.id);
    else await table.put(row);
  }
}

/** Writes a new state as one change, all of it or none. Changes that had been undone are dropped. */
export async function commitStored(db: WrenDb, label: string, next: Stored, log = true): Promise<void> {
  await db.transaction("rw", ALL(db), async () => {
    const ops = opsBetween(await loadStored(db), next);
    if (ops.length === 0) return;
    await apply(db, ops, "after");
    if (!log) return;
    await db.changes.where("undone").equals(1).delete();
    await db.changes.add({ label, at: stamp(), ops, undone: 0 });
    const surplus = (await db.changes.count()) - KEEP_CHANGES;
    if (surplus > 0) await db.changes.orderBy("seq").limit(surplus).delete();
  });
}

/**
 * Applies an edit to what is stored, as one change. It is read and written in one transaction: of two quick edits,
 * here or in another tab, each reads what the other has left.
 */
export async function editStored(db: WrenDb, label: string, edit: (now: Stored) => Stored): Promise<void> {
  await db.transaction("rw", ALL(db), async () => {
    const now = await loadStored(db);
    if (!now) throw new Error("there is no garden here to change");
    await commitStored(db, label, edit(now));
  });
}

const lastDone = async (db: WrenDb): Promise<Change | undefined> => db.changes.where("undone").equals(0).last();
const firstUndone = async (db: WrenDb): Promise<Change | undefined> => db.changes.where("undone").equals(1).first();

/** Puts a garden in the place of whatever is there, without looking at it and without a way back. */
export async function replaceAll(db: WrenDb, next: Stored): Promise<void> {
  await db.transaction("rw", ALL(db), async () => {
    for (const table of ALL(db)) await table.clear();
    await apply(db, opsBetween(null, next), "after");
  });
}

/** Takes the last change back; its label, or null when there is nothing to undo. */
export async function undoLast(db: WrenDb): Promise<string | null> {
  return db.transaction("rw", ALL(db), async () => {
    const change = await lastDone(db);
    if (!change) return null;
    await apply(db, change.ops.toReversed(), "before");
    await db.changes.update(change.seq!, { undone: 1 });
    return change.label;
  });
}

/** Does the last undone change again. */
export async function redoLast(db: WrenDb): Promise<string | null> {
  return db.transaction("rw", ALL(db), async () => {
    const change = await firstUndone(db);
    if (!change) return null;
    await apply(db, change.ops, "after");
    await db.changes.update(change.seq!, { undone: 0 });
    return change.label;
  });
}

export interface UndoState {
  readonly undo: string | null;
  readonly redo: string | null;
}
export async function undoState(db: WrenDb): Promise<UndoState> {
  const [a, b] = [await lastDone(db), await firstUndone(db)];
  return { undo: a?.label ?? null, redo: b?.label ?? null };
}
