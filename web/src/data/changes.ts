/**
 * Changing a garden: any edit is one garden turned into another; the rows that differ are the change. Everything
 * passes the gate inside the transaction that writes it: what does not pass is not written.
 */
import { BY_THE_CLOCK, CATALOGUE, gate, lineageOf, type FileIssue, type Garden, type Result } from "@wren/core";
import { stamp, today } from "./clock.ts";
import type { Change, Op, Picture, WrenDb } from "./db.ts";
import { readLineage, writeLineage } from "./lineage.ts";
import { Refused } from "./refused.ts";
import {
  foundIn,
  NO_TABLES,
  opsBetween,
  rawTables,
  refusalText,
  TABLES,
  tablesOf,
  type Found,
  type HeldApart,
  type Kept,
  type Stored,
  type Tables,
} from "./stored.ts";

const KEEP_CHANGES = 500;
const REV = "rev";

/** One open page: what it knows of the garden, and which changes are its own. */
export interface Tab {
  readonly id: string;
  /** The newest change when it was opened: it and those before it may be taken back here, whoever made them. */
  openedAt: number | null;
  kept: Kept | null;
}
export const newTab = (id: string): Tab => ({ id, openedAt: null, kept: null });

const ALL = (db: WrenDb) => [...TABLES.map((t) => db.table(t)), db.meta, db.changes, db.pictures];
const revOf = async (db: WrenDb): Promise<number> => Number((await db.meta.get(REV))?.value ?? 0);

async function read(db: WrenDb): Promise<Found> {
  return foundIn(await rawTables(db), await revOf(db));
}

/**
 * What a finished transaction has left is what the tab knows; of one that failed it must know nothing. What was read
 * before a write that has ended since does not count any more.
 */
function remember(tab: Tab, found: Found): Found {
  if (found.is !== "garden") tab.kept = null;
  else if (tab.kept === null || tab.kept.rev <= found.kept.rev) tab.kept = found.kept;
  else return { is: "garden", kept: tab.kept };
  return found;
}

/** The number of the newest change, without reading what it changed. */
export const newestChange = async (db: WrenDb): Promise<number> =>
  (await db.changes.orderBy("seq").reverse().limit(1).primaryKeys())[0] ?? 0;

/** Reads and parts everything that is kept. Never rejects for what the rows hold. */
export async function loadStored(db: WrenDb, tab: Tab): Promise<Found> {
  return remember(
    tab,
    await db.transaction("r", ALL(db), async () => {
      tab.openedAt ??= await newestChange(db);
      return read(db);
    }),
  );
}

async function apply(db: WrenDb, ops: readonly Op[], side: "before" | "after"): Promise<void> {
  for (const op of ops) {
    const row = op[side];
    const table = db.table<unknown, string>(op.table);
    if (row === null) await table.delete(op.id);
    else await table.put(row);
  }
}

async function countUp(db: WrenDb): Promise<number> {
  const value = (await revOf(db)) + 1;
  await db.meta.put({ key: REV, value });
  return value;
}

/** Writes a change down. What had been undone before it can no longer be done again. */
async function log(db: WrenDb, change: Omit<Change, "at" | "undone">): Promise<void> {
  await db.changes.where("undone").equals(1).delete();
  await db.changes.add({ ...change, at: stamp(), undone: 0 });
  const surplus = (await db.changes.count()) - KEEP_CHANGES;
  if (surplus > 0) await db.changes.orderBy("seq").limit(surplus).delete();
}

/** @param brought it comes from another device: what only this one's clock speaks against is no reason to refuse it */
function passed(before: Garden | null, after: Garden, brought = false): Garden {
  const ground = { catalogue: CATALOGUE, today: today() };
  const through: Result<Garden, FileIssue["code"]> = gate(before, after, ground, brought ? BY_THE_CLOCK : undefined);
  if (!through.ok) throw new Refused(refusalText(through.issues, after), through.issues);
  return through.value;
}

/** What an edit makes of the state; parts it does not name stay as they are. */
export type Edit = (now: Stored) => Partial<Stored>;
export interface Asked {
  readonly label: string;
  readonly edit: Edit;
  /** Pictures that come with it. */
  readonly pictures?: readonly Picture[];
  /** false: it leaves no way back, as the demo garden that comes by itself. */
  readonly logged?: boolean;
  /** It comes from a file: the states this copy descends from then. */
  readonly lineage?: readonly string[];
}

/**
 * Applies an edit to what is stored, as one change, read and written in one transaction: of two quick edits, here or in
 * another tab, each reads what the other has left. Rejects with Refused.
 */
export async function editStored(db: WrenDb, tab: Tab, asked: Asked): Promise<Kept> {
  const kept = await db.transaction("rw", ALL(db), async (): Promise<Kept> => {
    const rev = await revOf(db);
    const found: Found = tab.kept?.rev === rev ? { is: "garden", kept: tab.kept } : await read(db);
    if (found.is !== "garden") throw new Refused("There is no garden here to change.");
    const now = found.kept;
    const wanted = { ...now, ...asked.edit(now) };
    const next: Stored = { ...wanted, garden: passed(now.garden, wanted.garden, asked.lineage !== undefined) };
    const ops = opsBetween(tablesOf(now), tablesOf(next));
    const line = asked.lineage && { before: await readLineage(db), after: asked.lineage };
    if (line) await writeLineage(db, line.after);
    if (ops.length === 0) return now;
    await apply(db, ops, "after");
    if (asked.pictures) await db.pictures.bulkPut([...asked.pictures]);
    if (asked.logged !== false)
      await log(db, { label: asked.label, ops, tab: tab.id, ...(line ? { lineage: line } : {}) });
    return { garden: next.garden, demo: next.demo, apart: next.apart, rev: await countUp(db) };
  });
  remember(tab, { is: "garden", kept });
  return kept;
}

/** Puts a first garden into an empty database; where there is one meanwhile, that one stays. */
export async function plantFirst(db: WrenDb, tab: Tab, first: Pick<Stored, "garden" | "demo">): Promise<Found> {
  const found = await db.transaction("rw", ALL(db), async (): Promise<Found> => {
    const there = await read(db);
    if (there.is !== "nothing") return there;
    // The demo garden is held to the gate by a test: here it would only stand before the first answer.
    const next: Stored = { ...first, apart: [] };
    await apply(db, opsBetween(NO_TABLES, tablesOf(next)), "after");
    return { is: "garden", kept: { ...next, rev: await countUp(db) } };
  });
  tab.openedAt ??= 0;
  return remember(tab, found);
}

/**
 * Puts a garden in the place of whatever lies in the tables, readable or not; it can be undone like any other change.
 * @param keepApart rows that stay set apart
 */
export async function replaceStored(
  db: WrenDb,
  tab: Tab,
  label: string,
  next: Pick<Stored, "garden" | "demo">,
  keepApart: readonly HeldApart[] = [],
): Promise<Found> {
  const found = await db.transaction("rw", ALL(db), async () => {
    const before: Tables = await rawTables(db);
    const after = tablesOf({ garden: passed(null, next.garden), demo: next.demo, apart: keepApart });
    const ops = opsBetween(before, after);
    await apply(db, ops, "after");
    await log(db, { label, ops, tab: tab.id });
    await countUp(db);
    return read(db);
  });
  return remember(tab, found);
}

/** May this tab take a change back, or do it again? Its own, and those from before it was opened. */
const mine = (tab: Tab, c: Change): boolean => c.tab === tab.id || (c.seq ?? 0) <= (tab.openedAt ?? 0);
const lastDone = async (db: WrenDb, tab: Tab): Promise<Change | undefined> =>
  db.changes
    .where("undone")
    .equals(0)
    .reverse()
    .filter((c) => mine(tab, c))
    .first();
const firstUndone = async (db: WrenDb, tab: Tab): Promise<Change | undefined> =>
  db.changes
    .where("undone")
    .equals(1)
    .filter((c) => mine(tab, c))
    .first();

/** The change that stands on one: the newest later one that touched a row of it. */
async function standingOn(db: WrenDb, change: Change): Promise<string | null> {
  const rows = new Set(change.ops.map((op) => `${op.table} ${op.id}`));
  const later = await db.changes
    .where("seq")
    .above(change.seq!)
    .filter((c) => c.undone === 0 && c.ops.some((op) => rows.has(`${op.table} ${op.id}`)))
    .last();
  return later?.label ?? null;
}

/** Rows as a change left them: only then can it be taken back without taking another's work along. */
const untouched = (tables: Tables, change: Change, side: "before" | "after"): boolean =>
  change.ops.every((op) => {
    const now = tables[op.table].get(op.id) ?? null;
    const one = new Map([[op.id, now]]);
    const was = new Map([[op.id, op[side]]]);
    return opsBetween({ ...NO_TABLES, [op.table]: one }, { ...NO_TABLES, [op.table]: was }).length === 0;
  });

/** Rows set apart, by where they lie. */
const apartIn = (f: Found): readonly string[] =>
  f.is === "nothing" ? [] : (f.is === "garden" ? f.kept.apart : f.apart).map((a) => `${a.list} ${a.key}`);

/** A merge that is taken back is no ancestor any more; what left in a file since then is. */
function lineageAfter(
  now: readonly string[],
  { before, after }: NonNullable<Change["lineage"]>,
  way: "undo" | "redo",
): readonly string[] {
  if (way === "redo") return lineageOf(now, after);
  const came = new Set(after.filter((m) => !before.includes(m)));
  return lineageOf(
    before,
    now.filter((m) => !came.has(m)),
  );
}

async function turn(db: WrenDb, tab: Tab, way: "undo" | "redo"): Promise<string | null> {
  const [from, to] = way === "undo" ? (["after", "before"] as const) : (["before", "after"] as const);
  const done = await db.transaction("rw", ALL(db), async () => {
    const change = await (way === "undo" ? lastDone(db, tab) : firstUndone(db, tab));
    if (!change) return null;
    const tables = await rawTables(db);
    if (!untouched(tables, change, from)) {
      const on = await standingOn(db, change);
      const because = on === null ? "what it changed has been changed since" : `“${on}” was changed on it since`;
      throw new Refused(`“${change.label}” cannot be ${way === "undo" ? "undone" : "done again"}: ${because}.`);
    }
    const before = foundIn(tables, 0);
    await apply(db, way === "undo" ? change.ops.toReversed() : change.ops, to);
    await db.changes.update(change.seq!, { undone: way === "undo" ? 1 : 0 });
    if (change.lineage) await writeLineage(db, lineageAfter(await readLineage(db), change.lineage, way));
    await countUp(db);
    const after = await read(db);
    // Rows that it brings back are as they were. But one that names what is gone now would have to be set apart.
    const known = new Set([...apartIn(before), ...change.ops.map((op) => `${op.table} ${op.id}`)]);
    if (apartIn(after).some((row) => !known.has(row)))
      throw new Refused(
        `“${change.label}” cannot be ${way === "undo" ? "undone" : "done again"}: something recorded since belongs to it.`,
      );
    return { label: change.label, after };
  });
  if (!done) return null;
  remember(tab, done.after);
  return done.label;
}

/** Takes back the newest change that is this tab's to take back; its label, or null when there is none. Rejects with Refused. */
export const undoLast = (db: WrenDb, tab: Tab): Promise<string | null> => turn(db, tab, "undo");
/** Does the last undone change again. Rejects with Refused. */
export const redoLast = (db: WrenDb, tab: Tab): Promise<string | null> => turn(db, tab, "redo");

export interface UndoState {
  readonly undo: string | null;
  readonly redo: string | null;
}
export async function undoState(db: WrenDb, tab: Tab): Promise<UndoState> {
  const [a, b] = [await lastDone(db, tab), await firstUndone(db, tab)];
  return { undo: a?.label ?? null, redo: b?.label ?? null };
}
