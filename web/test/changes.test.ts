import { afterEach, beforeEach, expect, test } from "@jest/globals";
import { date, demoGarden, SURVEY_FILL, type Garden } from "@wren/core";
import Dexie from "dexie";
import { IDBKeyRange, indexedDB } from "fake-indexeddb";
import fc from "fast-check";
import {
  commitStored,
  editStored,
  loadStored,
  redoLast,
  replaceAll,
  undoLast,
  undoState,
  UnreadableGarden,
  type Stored,
} from "../src/data/changes.ts";
import { VERSIONS, WrenDb } from "../src/data/db.ts";

const demo: Stored = { garden: demoGarden(date("2026-11-25")), demo: true };
const open = (name: string): WrenDb => new WrenDb(name, { indexedDB, IDBKeyRange });
let db: WrenDb;
let n = 0;
beforeEach(() => {
  db = open(`test-${n++}`);
});
afterEach(() => db.delete());

test("a garden written is the garden read", async () => {
  expect(await loadStored(db)).toBeNull();
  await commitStored(db, "demo", demo, false);
  const back = await loadStored(db);
  expect(back?.demo).toBe(true);
  expect(back!.garden).toEqual(demo.garden);
});

test("of two quick edits neither is lost, and each can be taken back", async () => {
  await commitStored(db, "demo", demo, false);
  const named = (more: string) => (now: Stored) => ({
    ...now,
    garden: { ...now.garden, name: now.garden.name + more },
  });
  await Promise.all([editStored(db, "one", named(" one")), editStored(db, "two", named(" two"))]);
  expect((await loadStored(db))!.garden.name).toBe(`${demo.garden.name} one two`);
  expect(await undoLast(db)).toBe("two");
  expect((await loadStored(db))!.garden.name).toBe(`${demo.garden.name} one`);
});

/** A few rows are enough for the property; the whole demo garden would only be slower. */
const few: Stored = {
  demo: false,
  garden: {
    ...demo.garden,
    plants: demo.garden.plants.slice(0, 3),
    visits: demo.garden.visits.slice(0, 3),
    observations: [],
  },
};

const edits: Record<string, (g: Garden) => Garden> = {
  grow: (g) => ({ ...g, plants: g.plants.map((p, i) => (i === 0 ? { ...p, heightM: p.heightM + 0.1 } : p)) }),
  remove: (g) => ({
    ...g,
    plants: g.plants.slice(1),
    visits: g.visits.filter((v) => v.plantId !== g.plants[0]?.id),
  }),
  rename: (g) => ({ ...g, name: `${g.name.slice(0, 20)}!` }),
  clear: (g) => ({
    ...g,
    beds: [],
    plants: [],
    visits: [],
    observations: [],
    viewpoints: [],
    photos: [],
    plans: [],
    stands: [],
  }),
};

test("undo restores every step, redo goes forward again, a new change drops what was undone", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...Object.keys(edits)), { minLength: 1, maxLength: 5 }),
      async (steps) => {
        const own = open(`prop-${n++}`);
        await commitStored(own, "few", few, false);
        const states = [(await loadStored(own))!];
        for (const s of steps) {
          await commitStored(own, s, { ...states.at(-1)!, garden: edits[s]!(states.at(-1)!.garden) });
          const now = (await loadStored(own))!;
          if (JSON.stringify(now) !== JSON.stringify(states.at(-1))) states.push(now);
        }
        for (let i = states.length - 2; i >= 0; i--) {
          await undoLast(own);
          expect(await loadStored(own)).toEqual(states[i]);
        }
        expect(await undoLast(own)).toBeNull();
        for (let i = 1; i < states.length; i++) {
          await redoLast(own);
          expect(await loadStored(own)).toEqual(states[i]);
        }
        await own.delete();
      },
    ),
    { numRuns: 8 },
  );
  await commitStored(db, "demo", demo, false);
  await commitStored(db, "rename", { ...demo, garden: edits["rename"]!(demo.garden) });
  await undoLast(db);
  expect(await undoState(db)).toEqual({ undo: null, redo: "rename" });
  await commitStored(db, "clear", { ...demo, garden: edits["clear"]!(demo.garden) });
  expect(await undoState(db)).toEqual({ undo: "clear", redo: null });
});

test("a shipped database version is never edited", () => {
  expect(VERSIONS[0]).toEqual({
    version: 1,
    stores: {
      head: "id",
      beds: "id",
      plants: "id, bedId",
      visits: "id, plantId, on",
      observations: "id, plantId, on",
      changes: "++seq, undone",
    },
  });
});

test("rows and undo log from before the survey open, filled with what nobody had surveyed", async () => {
  const name = `old-${n++}`;
  const [plant] = demo.garden.plants;
  const old = Object.fromEntries(Object.entries(plant!).filter(([k]) => !(k in SURVEY_FILL.plants)));
  const taller = { ...old, heightM: 3.3 };
  const before = new Dexie(name, { indexedDB, IDBKeyRange });
  before.version(1).stores(VERSIONS[0]!.stores);
  const bed = { id: plant!.bedId, name: "Bed", lengthM: 9, order: 0, note: "" };
  await before
    .table("head")
    .put({ id: "g", name: "G", place: demo.garden.place, rules: demo.garden.rules, demo: false });
  await before.table("beds").put(bed);
  await before.table("plants").put(taller);
  const op = { table: "plants", id: plant!.id, before: old, after: taller };
  await before.table("changes").add({ label: "grow", at: 1, ops: [op], undone: 0 });
  before.close();
  const now = open(name);
  expect((await loadStored(now))!.garden.plants[0]).toEqual({ ...plant, ...SURVEY_FILL.plants, heightM: 3.3 });
  expect(await undoLast(now)).toBe("grow");
  expect((await loadStored(now))!.garden.plants[0]).toEqual({ ...plant, ...SURVEY_FILL.plants });
  await now.delete();
});

test("rows and undo log of version 2 open: schools of single plants, trials and months are filled with none", async () => {
  const name = `old-${n++}`;
  const without = (row: object, ...keys: string[]): Record<string, unknown> =>
    Object.fromEntries(Object.entries(row).filter(([k]) => !keys.includes(k)));
  const [plant] = demo.garden.plants;
  const [bed] = demo.garden.beds;
  const visit = demo.garden.visits.find((v) => v.plantId === plant!.id)!;
  const head = {
    id: "g",
    name: "G",
    place: without(demo.garden.place, "monthly"),
    rules: demo.garden.rules,
    demo: false,
  };
  const before = new Dexie(name, { indexedDB, IDBKeyRange });
  before.version(1).stores(VERSIONS[0]!.stores);
  before.version(2).stores(VERSIONS[1]!.stores);
  await before.table("head").put(head);
  await before.table("beds").put(bed);
  await before.table("plants").put(without(plant!, "schools"));
  await before.table("visits").put(without(visit, "trialUntil"));
  const op = { table: "head", id: "g", before: { ...head, name: "Old" }, after: head };
  await before.table("changes").add({ label: "named", at: 1, ops: [op], undone: 0 });
  before.close();
  const now = open(name);
  const stored = (await loadStored(now))!.garden;
  expect([stored.plants, stored.visits, stored.place.monthly]).toEqual([[{ ...plant, schools: {} }], [visit], null]);
  expect([stored.weather, stored.seasons]).toEqual([[], []]);
  expect(await undoLast(now)).toBe("named");
  expect((await loadStored(now))!.garden).toMatchObject({ name: "Old", place: { monthly: null } });
  await now.delete();
});

test("rows that are not a garden are refused with their place, kept whole, and replaced only when asked", async () => {
  await commitStored(db, "demo", demo, false);
  const [plant] = await db.plants.toArray();
  await db.plants.put({ ...plant!, heightM: -1 });
  const trouble = await loadStored(db).catch((e: unknown) => e);
  expect(trouble).toBeInstanceOf(UnreadableGarden);
  expect((trouble as Error).message).toMatch(/plants\[\d+\]\.heightM/);
  expect((trouble as UnreadableGarden).raw).toHaveProperty("visits.length", demo.garden.visits.length);
  await replaceAll(db, few);
  expect((await loadStored(db))!.garden).toEqual(few.garden);
  expect(await undoState(db)).toEqual({ undo: null, redo: null });
});

test("only the rows that differ are written, and a change without difference is none", async () => {
  await commitStored(db, "demo", demo, false);
  await commitStored(db, "same", demo);
  expect(await db.changes.count()).toBe(0);
  await commitStored(db, "grow", { ...demo, garden: edits["grow"]!(demo.garden) });
  const [change] = await db.changes.toArray();
  expect(change!.ops.map((o) => [o.table, o.id])).toEqual([["plants", demo.garden.plants[0]!.id]]);
});
