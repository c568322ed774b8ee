/** What lies in the tables that no file could say, pictures that are none, the line of states, and what undo makes of it. */
import { afterEach, beforeEach, expect, test } from "@jest/globals";
import { CATALOGUE, date, demoGarden, mergeGardens, openGardenFile, type Garden } from "@wren/core";
import { IDBKeyRange, indexedDB } from "fake-indexeddb";
import { webcrypto } from "node:crypto";
import { unzipSync, zipSync, type Zippable } from "fflate";
import { archiveOf } from "../src/data/archive.ts";
import { editStored, loadStored, newTab, plantFirst, redoLast, undoLast, type Tab } from "../src/data/changes.ts";
import { WrenDb } from "../src/data/db.ts";
import { adoptLine, commonOf, holdArrived, markLeaving } from "../src/data/exchange.ts";
import { textOfFound } from "../src/data/fileOut.ts";
import { arrivedLine, readLineage } from "../src/data/lineage.ts";
import { openArchive, type Opened } from "../src/data/openArchive.ts";
import { pictureOf, picturesBytes } from "../src/data/pictures.ts";

// jsdom has no digests; given before Dexie is loaded it would take its promises for native ones.
Object.defineProperty(crypto, "subtle", { value: webcrypto.subtle });

const today = date("2026-11-25");
const garden = { ...demoGarden(today), photos: [] };
let db: WrenDb;
let tab: Tab;
let n = 0;
beforeEach(async () => {
  db = new WrenDb(`exchange-${n++}`, { indexedDB, IDBKeyRange });
  tab = newTab("a");
  await plantFirst(db, tab, { garden, demo: false });
});
afterEach(() => db.delete());

async function found() {
  const f = await loadStored(db, newTab("reader"));
  if (f.is !== "garden") throw new Error(f.is);
  return f.kept;
}

const circle: Record<string, unknown> = { id: "circle", plantId: garden.plants[0]!.id };
circle["self"] = circle;
const deep = Array.from({ length: 800 }).reduce<unknown>((x) => [x], 1);
test.each([
  ["a circle", circle],
  ["a great number", { id: "big", plantId: "x", minutes: 12n }],
  ["a map", { id: "map", cuts: new Map([["a", new Set([1])]]) }],
  ["a day that is none", { id: "day", on: new Date(NaN) }],
  ["800 lists within each other", { id: "deep", cuts: deep }],
])("a row that JSON cannot say, %s, is set apart and goes along in the file; all other rows stand", async (_, row) => {
  await db.table("visits").put(row);
  const kept = await found();
  expect(kept.garden.visits).toEqual(garden.visits);
  expect(kept.apart.map((a) => a.list)).toEqual(["visits"]);
  const read = openGardenFile(await textOfFound(db, { is: "garden", kept }), CATALOGUE, today);
  expect(read.ok && [read.value.garden.visits.length, read.value.apart.length]).toEqual([garden.visits.length, 1]);
  // An edit of anything else goes through beside it.
  await editStored(db, tab, { label: "named", edit: (now) => ({ garden: { ...now.garden, name: "Other" } }) });
  expect((await found()).garden.name).toBe("Other");
});

test("a picture that is none is no picture, and breaks nothing else", async () => {
  const good = new Blob([new Uint8Array([1, 2, 3])], { type: "image/jpeg" });
  const none = { null: null, number: 42, text: "text", entry: { size: 3 } };
  for (const [id, full] of Object.entries(none)) await db.table("pictures").put({ id, full });
  await db.table("pictures").put({ id: "good", full: good, small: 7 });
  const ids = [...Object.keys(none), "good", "missing"];
  expect(await Promise.all(ids.slice(0, 4).map((id) => pictureOf(db, id, "small")))).toEqual([null, null, null, null]);
  expect(await pictureOf(db, "good", "full")).toBeInstanceOf(Blob);
  expect(await picturesBytes(db, ids)).toBe(3);
});

const opened = async (bytes: Uint8Array): Promise<Opened> => {
  const steps = openArchive(new Blob([bytes as Uint8Array<ArrayBuffer>]));
  for (;;) {
    const step = await steps.next();
    if (step.done) return step.value;
  }
};
const withPhotos = (count: number): Garden => ({
  ...garden,
  photos: Array.from({ length: count }, (_, i) => ({
    id: `f${i}`,
    plantId: garden.plants[0]!.id,
    on: date("2026-05-01"),
    caption: "",
  })),
});

test.each([
  [5, 1000],
  [150, 400_000],
  [500, 400_000],
])("an archive with %i pictures of %i bytes comes back whole", async (count, bytes) => {
  const g = withPhotos(count);
  const picture = (i: number): Uint8Array<ArrayBuffer> => new Uint8Array(bytes).fill(i % 251);
  await db.pictures.bulkPut(g.photos.map((p, i) => ({ id: p.id, full: new Blob([picture(i)]), small: null })));
  const archive = new Uint8Array(await (await archiveOf(db, g, [], null)).arrayBuffer());
  const back = await opened(archive);
  if (!back.ok) throw new Error(back.problems.join());
  expect(back.pictures.map((p) => p.id)).toEqual(expect.arrayContaining(g.photos.map((p) => p.id)));
  const last = back.pictures.find((p) => p.id === `f${count - 1}`)!;
  expect(new Uint8Array(await last.full.arrayBuffer())).toEqual(picture(count - 1));
  const read = openGardenFile(back.garden, CATALOGUE, today);
  expect(read.ok && read.value.garden.photos).toHaveLength(count);
});

const zeros = (name: string, bytes: number): Zippable => ({ [name]: [new Uint8Array(bytes), { level: 9 }] });
test.each([
  ["a text larger than any garden", zeros("garden.json", 160_000_000), /garden\.json has 160 MB unpacked/],
  ["what packs too tightly", zeros("pictures/a.jpg", 30_000_000), /no garden packs so tightly/],
  [
    "more files than pictures",
    Object.fromEntries(Array.from({ length: 2100 }, (_, i) => [`pictures/${i}.jpg`, new Uint8Array(1)])),
    /more than \d+ files/,
  ],
])("%s is refused before it is unpacked", async (_, files, why) => {
  const r = await opened(zipSync(files));
  expect(r.ok ? "" : r.problems.join()).toMatch(why);
});

test("an archive that was cut off or changed says so, and a file in it that lies about its size takes no more room", async () => {
  const whole = new Uint8Array(await (await archiveOf(db, garden, [], null)).arrayBuffer());
  expect(await opened(whole.slice(0, whole.length / 2))).toMatchObject({ ok: false });
  const parts = unzipSync(whole);
  const changed = await opened(zipSync({ ...parts, "visits.csv": new Uint8Array([1]) }));
  expect(changed.ok ? "" : changed.problems[0]).toMatch(/visits\.csv is not as it was exported/);
});

test("what left and what arrived is the last state in common; undo takes a merge out of the line, redo puts it back", async () => {
  const line = await markLeaving(db, garden);
  expect(await readLineage(db)).toEqual(line);
  const noted = (g: Garden, note: string): Garden => ({
    ...g,
    plants: g.plants.map((p, i) => (i === 0 ? { ...p, note } : p)),
  });
  // The other device took it over and changed it; so did this one.
  const theirs = { garden: { ...garden, name: "Theirs" }, lineage: line };
  await editStored(db, tab, { label: "note", edit: () => ({ garden: noted(garden, "here") }) });
  const own = (await found()).garden;
  const common = await commonOf(db, own, theirs);
  expect(common).toEqual({ base: garden, nothingNew: false });
  const merged = mergeGardens({
    ...theirs,
    base: common.base,
    own,
    theirs: theirs.garden,
    ground: { catalogue: CATALOGUE, today },
  });
  expect(merged.questions).toEqual([]);
  const after = [...line, ...arrivedLine(theirs).slice(-1)];
  await editStored(db, tab, { label: "together", edit: () => ({ garden: merged.garden }), lineage: after });
  await holdArrived(db, theirs);
  expect(await readLineage(db)).toEqual(after);
  expect(await commonOf(db, merged.garden, theirs)).toMatchObject({ nothingNew: true });
  await undoLast(db, tab);
  expect(await readLineage(db)).toEqual(line);
  expect((await commonOf(db, own, theirs)).nothingNew).toBe(false);
  await redoLast(db, tab);
  expect(await readLineage(db)).toEqual(after);
});

test("a file that was changed by hand counts as another state than the one it was written as", async () => {
  const line = await markLeaving(db, garden);
  const edited = { garden: { ...garden, name: "By hand" }, lineage: line };
  expect(await commonOf(db, garden, edited)).toEqual({ base: garden, nothingNew: false });
  await adoptLine(db, { garden, lineage: line });
  expect(await commonOf(db, garden, { garden, lineage: line })).toMatchObject({ nothingNew: true });
});
