import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { CATALOGUE, date, demoGarden, openGardenFile, SURVEY_FILL, type Garden, wish } from "@wren/core";
import Dexie from "dexie";
import { IDBKeyRange, indexedDB } from "fake-indexeddb";
import fc from "fast-check";
import {
  editStored,
  loadStored,
  newTab,
  plantFirst,
  redoLast,
  replaceStored,
  undoLast,
  undoState,
  type Tab,
} from "../src/data/changes.ts";
import { NewerDatabase, VERSIONS, WrenDb } from "../src/data/db.ts";
import { textOfFound } from "../src/data/fileOut.ts";
import { type Kept, type Stored } from "../src/data/stored.ts";
import { Refused } from "../src/data/refused.ts";
import { withoutPlant, withPatch, withVisit } from "../src/state/edits.ts";

const today = date("2026-11-25");
const demo: Stored = { garden: demoGarden(today), demo: true, apart: [] };
const open = (name: string): WrenDb => new WrenDb(name, { indexedDB, IDBKeyRange });
let db: WrenDb;
let tab: Tab;
let n = 0;
beforeEach(() => {
  db = open(`test-${n++}`);
  tab = newTab("a");
});
afterEach(() => db.delete());

async function kept(of: WrenDb = db): Promise<Kept> {
  const found = await loadStored(of, newTab("reader"));
  if (found.is !== "garden") throw new Error(`found ${found.is}`);
  return found.kept;
}
const put = (label: string, garden: Garden, by: Tab = tab, of: WrenDb = db) =>
  editStored(of, by, { label, edit: () => ({ garden }) });

test("a garden written is the garden read", async () => {
  expect((await loadStored(db, tab)).is).toBe("nothing");
  await plantFirst(db, tab, demo);
  expect(await kept()).toMatchObject({ garden: demo.garden, demo: true, apart: [] });
});

test("of two quick edits neither is lost, and each can be taken back", async () => {
  await plantFirst(db, tab, demo);
  const named = (more: string) => (now: Stored) => ({ garden: { ...now.garden, name: now.garden.name + more } });
  await Promise.all([
    editStored(db, tab, { label: "one", edit: named(" one") }),
    editStored(db, tab, { label: "two", edit: named(" two") }),
  ]);
  expect((await kept()).garden.name).toBe(`${demo.garden.name} one two`);
  expect(await undoLast(db, tab)).toBe("two");
  expect((await kept()).garden.name).toBe(`${demo.garden.name} one`);
});

/** A few rows are enough for the property; the whole demo garden would only be slower. */
const few: Stored = {
  demo: false,
  apart: [],
  garden: {
    ...demo.garden,
    plants: demo.garden.plants.slice(0, 3).map((p) => ({ ...p, views: [] })),
    visits: demo.garden.visits.filter((v) => v.plantId === demo.garden.plants[0]!.id).slice(0, 3),
    observations: [],
    plans: [],
    programmes: [],
    stands: [],
    hedges: [],
  },
};

const edits: Record<string, (g: Garden) => Garden> = {
  grow: (g) => ({ ...g, plants: g.plants.map((p, i) => (i === 0 ? { ...p, heightM: p.heightM + 0.1 } : p)) }),
  remove: (g) => withoutPlant(g, g.plants[0]?.id ?? ""),
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
    programmes: [],
    stands: [],
    hedges: [],
  }),
};

test("undo restores every step, redo goes forward again, a new change drops what was undone", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...Object.keys(edits)), { minLength: 1, maxLength: 5 }),
      async (steps) => {
        const own = open(`prop-${n++}`);
        const by = newTab("p");
        await plantFirst(own, by, few);
        const states = [(await kept(own)).garden];
        for (const s of steps) {
          await put(s, edits[s]!(states.at(-1)!), by, own);
          const now = (await kept(own)).garden;
          if (JSON.stringify(now) !== JSON.stringify(states.at(-1))) states.push(now);
        }
        for (let i = states.length - 2; i >= 0; i--) {
          await undoLast(own, by);
          expect((await kept(own)).garden).toEqual(states[i]);
        }
        expect(await undoLast(own, by)).toBeNull();
        for (let i = 1; i < states.length; i++) {
          await redoLast(own, by);
          expect((await kept(own)).garden).toEqual(states[i]);
        }
        await own.delete();
      },
    ),
    { numRuns: 8 },
  );
  await plantFirst(db, tab, demo);
  await put("rename", edits["rename"]!(demo.garden));
  await undoLast(db, tab);
  expect(await undoState(db, tab)).toEqual({ undo: null, redo: "rename" });
  await put("clear", edits["clear"]!(demo.garden));
  expect(await undoState(db, tab)).toEqual({ undo: "clear", redo: null });
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
  expect((await kept(now)).garden.plants[0]).toEqual({ ...plant, ...SURVEY_FILL.plants, heightM: 3.3 });
  await loadStored(now, tab);
  expect(await undoLast(now, tab)).toBe("grow");
  expect((await kept(now)).garden.plants[0]).toEqual({ ...plant, ...SURVEY_FILL.plants });
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
    place: without(demo.garden.place, "monthly", "near", "noFrost", "coldestNightC", "warmestC", "nightsC", "site"),
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
  const stored = (await kept(now)).garden;
  expect([stored.plants, stored.visits, stored.place.monthly]).toEqual([[{ ...plant, schools: {} }], [visit], null]);
  expect([stored.weather, stored.seasons]).toEqual([[], []]);
  expect(stored.place).toMatchObject({ near: null, noFrost: false, warmestC: null, site: "usual" });
  await loadStored(now, tab);
  expect(await undoLast(now, tab)).toBe("named");
  expect((await kept(now)).garden).toMatchObject({ name: "Old", place: { monthly: null } });
  await now.delete();
});

test("pictures inside photos become files of their own, in rows and log; views from places that are gone are dropped", async () => {
  const name = `old-${n++}`;
  const [plant] = demo.garden.plants;
  const photo = { id: "f1", plantId: plant!.id, on: "2026-05-01", caption: "" };
  const before = new Dexie(name, { indexedDB, IDBKeyRange });
  for (const v of VERSIONS.slice(0, 5)) before.version(v.version).stores(v.stores);
  const { demo: _, ...head } = { ...demo.garden, demo: false };
  await before.table("head").put({ id: "g", name: "G", place: head.place, rules: head.rules, demo: false });
  await before.table("beds").bulkPut(demo.garden.beds);
  await before
    .table("plants")
    .put({ ...plant, views: [{ viewpointId: "gone", want: "hide", targetM: 1, beyondM: 1 }] });
  await before.table("photos").put({ ...photo, jpeg: "AQIDBA==" });
  const op = { table: "photos", id: "f0", before: { ...photo, id: "f0", jpeg: "BQYH" }, after: null };
  await before.table("changes").add({ label: "Photo removed", at: 1, ops: [op], undone: 0 });
  before.close();
  const now = open(name);
  const found = await kept(now);
  expect([found.garden.photos, found.garden.plants[0]!.views, found.apart]).toEqual([[photo], [], []]);
  expect([...new Uint8Array(await (await now.pictures.get("f1"))!.full.arrayBuffer())]).toEqual([1, 2, 3, 4]);
  await loadStored(now, tab);
  expect(await undoLast(now, tab)).toBe("Photo removed");
  expect((await kept(now)).garden.photos.map((p) => p.id)).toEqual(["f0", "f1"]);
  expect(await now.pictures.get("f0")).toBeDefined();
  await now.delete();
});

test("stems and wishes of version 9 are filled up, in rows and log", async () => {
  const name = `old-${n++}`;
  const [stand] = demo.garden.stands;
  const plant = demo.garden.plants.find((p) => p.id === stand!.plantId)!;
  const bare = {
    ...stand!,
    stems: stand!.stems.map(({ leafFrom: _, deadFrom: _d, ...s }) => ({
      ...s,
      branches: s.branches.map(({ at, diameterMm, lengthM, turnDeg }) => ({ at, diameterMm, lengthM, turnDeg })),
    })),
  };
  const { pairedWith: _p, ...single } = plant;
  const wished = { ...single, goal: { kind: plant.goal.kind, heightM: plant.goal.heightM } };
  const before = new Dexie(name, { indexedDB, IDBKeyRange });
  for (const v of VERSIONS.slice(0, 9)) before.version(v.version).stores(v.stores);
  const { place, rules } = demo.garden;
  await before.table("head").put({ id: "g", name: "G", place, rules, demo: false });
  await before.table("beds").bulkPut(demo.garden.beds);
  await before.table("plants").put(wished);
  await before.table("stands").put(bare);
  const op = { table: "plants", id: plant.id, before: { ...wished, label: "Then" }, after: wished };
  await before.table("changes").add({ label: "named", at: 1, ops: [op], undone: 0 });
  before.close();
  const now = open(name);
  const { garden } = await kept(now);
  const [first] = garden.stands[0]!.stems;
  expect([first!.deadFrom, first!.branches[0]!.shoots, garden.plants[0]!.goal.lines]).toEqual([null, [], []]);
  await loadStored(now, tab);
  expect(await undoLast(now, tab)).toBe("named");
  expect((await kept(now)).garden.plants[0]).toEqual({ ...plant, label: "Then" });
  await now.delete();
});

test("only the rows that differ are written, and a change without difference is none", async () => {
  await plantFirst(db, tab, demo);
  await put("same", demo.garden);
  expect(await db.changes.count()).toBe(0);
  await put("grow", edits["grow"]!(demo.garden));
  const [change] = await db.changes.toArray();
  expect(change!.ops.map((o) => [o.table, o.id])).toEqual([["plants", demo.garden.plants[0]!.id]]);
});

describe("the gate: what may not be kept is not written, and said by row and field", () => {
  const [plant] = demo.garden.plants;
  const g = demo.garden;
  const grown = (more: object): Garden => ({
    ...g,
    plants: g.plants.map((p) => (p === plant ? { ...p, ...more } : p)),
  });
  const visit = { ...g.visits[0]!, id: "new" };
  const year = { id: "weather-2026", year: 2026, source: "own" as const, tminC: [1], tmaxC: [5], rainMm: [9999] };
  const stand = { ...g.stands[0]!, stems: g.stands[0]!.stems.map((s) => ({ ...s, ageYears: 250 })) };
  test.each<[string, Garden, RegExp]>([
    ["a stem of 250 years", { ...g, stands: [stand] }, /stems\[0\]\.ageYears: 250 is too large: expected 200/],
    ["a wanted height of 4500", grown({ goal: wish("smaller", 4500) }), /goal\.heightM: 4500 is too large/],
    ["9999 mm of rain", { ...g, weather: [year] }, /Weather “2026”, rainMm\[0\]: 9999/],
    [
      "250 beds",
      { ...g, beds: [...g.beds, ...Array.from({ length: 250 }, (_, i) => ({ ...g.beds[0]!, id: `b${i}` }))] },
      /255 entries are too many: expected at most 200/,
    ],
    [
      "501 diameters",
      {
        ...g,
        visits: [
          ...g.visits,
          { ...visit, cuts: [{ by: "diameters", removedMm: Array<number>(501).fill(9), keptMm: [] }] },
        ],
      },
      /removedMm: 501 entries are too many/,
    ],
    [
      "a visit for a plant that is gone",
      { ...g, visits: [...g.visits, { ...visit, plantId: "moon" }] },
      /no plant “moon”/,
    ],
    ["a planting day after its records", grown({ plantedOn: "2026-11-20" }), /before the plant was planted/],
    ["a bed taken from under its plants", { ...g, beds: g.beds.slice(1) }, /no bed/],
    ["no name", { ...g, name: "  " }, /name/],
  ])("%s", async (_, wrong, text) => {
    await plantFirst(db, tab, demo);
    await expect(put("wrong", wrong)).rejects.toThrow(text);
    expect(await kept()).toMatchObject({ garden: g, rev: 1 });
    expect(await db.changes.count()).toBe(0);
    // And the next edit goes through: nothing is locked.
    await put("grow", edits["grow"]!(g));
    expect(await undoLast(db, tab)).toBe("grow");
  });
});

describe("two tabs", () => {
  const [plant] = demo.garden.plants;
  const b = newTab("b");
  beforeEach(async () => {
    b.kept = null;
    b.openedAt = null;
    await plantFirst(db, tab, demo);
    await loadStored(db, b);
  });
  const patch = (by: Tab, more: object) =>
    editStored(db, by, {
      label: `patched by ${by.id}`,
      edit: (now) => ({ garden: withPatch(now.garden, "plants", plant!, { ...plant!, ...more }) }),
    });

  test("a dialog writes what it changed: the other tab's note stays", async () => {
    await patch(tab, { note: "from a" });
    await patch(b, { widthM: 2.5 });
    expect((await kept()).garden.plants.find((p) => p.id === plant!.id)).toMatchObject({ note: "from a", widthM: 2.5 });
  });
  test("undo takes back this tab's change, and refuses where a later one stands on it", async () => {
    await put("renamed by a", { ...demo.garden, name: "A" });
    await patch(b, { widthM: 2.5 });
    expect(await undoState(db, tab)).toEqual({ undo: "renamed by a", redo: null });
    expect(await undoLast(db, tab)).toBe("renamed by a");
    expect((await kept()).garden.plants.find((p) => p.id === plant!.id)!.widthM).toBe(2.5);
    await patch(tab, { note: "x" });
    await patch(b, { note: "y" });
    await expect(undoLast(db, tab)).rejects.toThrow("“patched by b” was changed on it since");
    expect((await kept()).garden.plants.find((p) => p.id === plant!.id)!.note).toBe("y");
  });
  test("what would leave another's record without its plant is not taken back", async () => {
    const added = { ...plant!, id: "fresh", label: "Fresh" };
    await put("added", { ...demo.garden, plants: [...demo.garden.plants, added] });
    const visit = { ...demo.garden.visits[0]!, id: "v", plantId: "fresh", on: date("2026-10-01") };
    await editStored(db, b, { label: "visited", edit: (now) => ({ garden: withVisit(now.garden, visit) }) });
    await expect(undoLast(db, tab)).rejects.toThrow("something recorded since belongs to it");
    expect((await kept()).garden.visits.some((v) => v.id === "v")).toBe(true);
  });
  test("what is gone is said: neither changed nor recorded at", async () => {
    const without = (now: Stored) => ({ garden: withoutPlant(now.garden, plant!.id) });
    await editStored(db, b, { label: "removed", edit: without });
    await expect(patch(tab, { note: "late" })).rejects.toThrow(Refused);
    const visit = { ...demo.garden.visits[0]!, id: "late", plantId: plant!.id };
    await expect(
      editStored(db, tab, { label: "visited", edit: (now) => ({ garden: withVisit(now.garden, visit) }) }),
    ).rejects.toThrow("The plant was removed meanwhile");
  });
});

test("a database of a newer version is said and left alone", async () => {
  const name = `newer-${n++}`;
  const newer = new Dexie(name, { indexedDB, IDBKeyRange });
  newer.version(99).stores({ head: "id", beds: "id, more" });
  await newer.table("head").put({ id: "g", shape: "unknown" });
  newer.close();
  const now = open(name);
  await expect(now.ready()).rejects.toThrow(NewerDatabase);
  expect(now.isOpen()).toBe(false);
  await newer.open();
  expect(await newer.table("head").get("g")).toEqual({ id: "g", shape: "unknown" });
  await newer.delete();
});

/** Twenty ways in which somebody, or something, has broken what lies in the tables. */
describe("a garden broken by hand opens with the broken rows apart, and comes out whole by export", () => {
  const g = demo.garden;
  const at = <T extends { id: string }>(rows: readonly T[], i = 0): T => rows[i]!;
  const row = (table: string, more: object, from: object) => (d: WrenDb) => d.table(table).put({ ...from, ...more });
  test.each<[string, string[], (d: WrenDb) => Promise<unknown>]>([
    ["a height below nothing", ["plants"], row("plants", { heightM: -1 }, at(g.plants))],
    ["a wanted height of 4500", ["plants"], row("plants", { goal: wish("smaller", 4500) }, at(g.plants))],
    ["a kind of a newer catalogue", ["plants"], row("plants", { taxonId: "triffidus-novus" }, at(g.plants))],
    ["a field of a newer version", ["plants"], row("plants", { colour: "blue" }, at(g.plants))],
    ["a plant that is a text", ["plants"], (d) => d.table("plants").put({ id: "x" })],
    ["a plant in no bed", ["plants"], row("plants", { bedId: "moon" }, at(g.plants))],
    ["a bed gone from under its plants", ["plants"], (d) => d.beds.delete(at(g.plants).bedId)],
    ["a bed of no length", ["beds", "plants"], row("beds", { lengthM: null }, at(g.beds))],
    [
      "a programme of a plant that was removed",
      ["programmes"],
      row("programmes", { id: "p", plantId: "gone", on: "2026-01-01", way: "thirds", aimM: null }, {}),
    ],
    [
      "stems 250 years old",
      ["stands"],
      row("stands", { stems: at(g.stands).stems.map((s) => ({ ...s, ageYears: 250 })) }, at(g.stands)),
    ],
    [
      "a cut at a stem that is not there",
      ["stands"],
      row("stands", { tries: [{ id: "t", task: "shape", cuts: [{ cut: "remove", stemId: "no" }] }] }, at(g.stands)),
    ],
    [
      "501 diameters",
      ["visits"],
      row("visits", { cuts: [{ by: "diameters", removedMm: Array<number>(501).fill(9), keptMm: [] }] }, at(g.visits)),
    ],
    ["a visit on no day", ["visits"], row("visits", { on: "2026-02-30" }, at(g.visits))],
    [
      "9999 mm of rain",
      ["weather"],
      row("weather", { id: "w", year: 2026, source: "own", tminC: [1], tmaxC: [2], rainMm: [9999] }, {}),
    ],
    [
      "a minimum over its maximum",
      ["weather"],
      row("weather", { id: "w", year: 2026, source: "own", tminC: [9], tmaxC: [2], rainMm: [0] }, {}),
    ],
    [
      "250 beds",
      ["beds"],
      (d) => d.beds.bulkPut(Array.from({ length: 250 }, (_, i) => ({ ...at(g.beds), id: `b${i}` }))),
    ],
    [
      "rules of another kind",
      ["head"],
      (d) =>
        d
          .table("head")
          .toCollection()
          .modify({ rules: { units: "cubits" } }),
    ],
    ["a name that is a number", ["head"], (d) => d.table("head").toCollection().modify({ name: 7 })],
    [
      "a place on no map",
      ["head"],
      (d) =>
        d
          .table("head")
          .toCollection()
          .modify({ place: { latitudeDeg: 400 } }),
    ],
    ["a head that is gone", ["head"], (d) => d.head.clear()],
  ])("%s", async (_, lists, breaking) => {
    await plantFirst(db, tab, demo);
    await breaking(db);
    const found = await loadStored(db, newTab("after"));
    if (found.is === "nothing") throw new Error("nothing was found");
    const apart = found.is === "garden" ? found.kept.apart : found.apart;
    for (const list of lists) expect(apart.map((a) => a.list)).toContain(list);
    for (const a of apart) expect(a.issues.length).toBeGreaterThan(0);

    const text = await textOfFound(db, found);
    const file = openGardenFile(text, CATALOGUE, today);
    if (!file.ok) throw new Error(JSON.stringify(file.issues.slice(0, 3)));
    const rows = new Set<string>();
    const add = (x: unknown): void => void rows.add(JSON.stringify(x));
    for (const list of Object.values(file.value.garden)) if (Array.isArray(list)) list.forEach(add);
    file.value.apart.forEach((a) => add(a.row ?? {}));
    const canonical = (x: unknown): string => JSON.stringify(Object.entries(x as object).sort());
    const all = new Set([...rows].map((r) => canonical(JSON.parse(r) as object)));
    for (const t of ["beds", "plants", "visits", "observations", "stands", "weather", "programmes", "viewpoints"])
      for (const r of (await db.table(t).toArray()) as object[]) expect(all.has(canonical(r))).toBe(true);

    // What can be read is worked on without touching what cannot.
    if (found.is !== "garden") return;
    const before = await db.table(lists.at(-1)!).toArray();
    await editStored(db, newTab("after"), {
      label: "worked on",
      edit: (now) => ({ garden: { ...now.garden, observations: now.garden.observations.slice(1) } }),
    });
    expect(await db.table(lists.at(-1)!).toArray()).toEqual(before);
  });

  test("another garden in its place can be undone, broken rows and all", async () => {
    await plantFirst(db, tab, demo);
    await db.table("plants").put({ id: "x", broken: true });
    await replaceStored(db, tab, "anew", few);
    expect(await kept()).toMatchObject({ garden: few.garden, apart: [] });
    expect(await undoLast(db, tab)).toBe("anew");
    expect((await kept()).apart.map((a) => a.row)).toEqual([{ id: "x", broken: true }]);
  });
});
