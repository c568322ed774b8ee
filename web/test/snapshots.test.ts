import { afterEach, beforeEach, expect, test } from "@jest/globals";
import { date, demoGarden } from "@wren/core";
import { IDBKeyRange, indexedDB } from "fake-indexeddb";
import { editStored, newTab, plantFirst } from "../src/data/changes.ts";
import { WrenDb } from "../src/data/db.ts";
import { isFull } from "../src/data/full.ts";
import { dropOrphans } from "../src/data/pictures.ts";
import { layBallast, withRoom } from "../src/data/room.ts";
import { listSnapshots, openSnapshot, surplus, takeSnapshot } from "../src/data/snapshots.ts";

const garden = demoGarden(date("2026-06-10"));
let db: WrenDb;
let n = 0;
beforeEach(() => {
  db = new WrenDb(`snapshots-${n++}`, { indexedDB, IDBKeyRange });
});
afterEach(() => db.delete());

const DAY_MS = 86_400_000;
test("of earlier days seven stay, then one a week for eight weeks, and five of each that were replaced or kept", () => {
  const at = (i: number, why: "day" | "replaced" | "kept" = "day") => ({ at: 1e12 - i * DAY_MS, day: `d${i}`, why });
  const days = Array.from({ length: 120 }, (_, i) => at(i));
  const gone = new Set(surplus(days));
  const stay = days.filter((d) => !gone.has(d.at));
  expect(stay.slice(0, 7)).toEqual(days.slice(0, 7));
  expect(stay).toHaveLength(15);
  expect(new Set(stay.slice(7).map((d) => Math.floor(d.at / (7 * DAY_MS)))).size).toBe(8);
  const others = (["replaced", "kept"] as const).flatMap((why) => Array.from({ length: 9 }, (_, i) => at(i, why)));
  expect(surplus(others)).toHaveLength(8);
});

test("a snapshot gives the garden back to the letter; a day is taken once", async () => {
  await takeSnapshot(db, garden, "day");
  await takeSnapshot(db, { ...garden, name: "Later that day" }, "day");
  const [only, ...more] = await listSnapshots(db);
  expect([only!.name, only!.plants, more]).toEqual([garden.name, garden.plants.length, []]);
  expect(await openSnapshot(db, only!.at, date("2026-06-10"))).toEqual(garden);
  await db.snapshots.update(only!.at, { packed: new Uint8Array([1, 2, 3]) });
  expect(await openSnapshot(db, only!.at)).toBeNull();
});

test("pictures stay while the garden, a change to undo or a snapshot names them", async () => {
  const tab = newTab("t");
  await plantFirst(db, tab, { garden, demo: false });
  const photo = (id: string) => ({ id, plantId: garden.plants[0]!.id, on: date("2026-05-01"), caption: "" });
  const blob = new Blob(["x"]);
  const shown = { ...garden, photos: [photo("shown"), photo("undone")] };
  const pictures = ["shown", "undone", "orphan"].map((id) => ({ id, full: blob, small: null }));
  await editStored(db, tab, { label: "photos", edit: () => ({ garden: shown }), pictures });
  await editStored(db, tab, { label: "gone", edit: () => ({ garden: { ...garden, photos: [photo("shown")] } }) });
  await db.pictures.put({ id: "old", full: blob, small: null });
  await takeSnapshot(db, { ...garden, photos: [photo("old")] }, "kept");
  await dropOrphans(db);
  expect((await db.pictures.toCollection().primaryKeys()).sort()).toEqual(["old", "shown", "undone"]);
});

test("when the storage is full what can be spared gives way, and the write is tried once more", async () => {
  await layBallast(db);
  expect(await db.derived.count()).toBe(1);
  let tries = 0;
  const full = Object.assign(new Error("no room"), { name: "QuotaExceededError" });
  const wrapped = Object.assign(new Error("aborted"), { name: "AbortError", inner: full });
  expect([isFull(full), isFull(wrapped), isFull(new Error("else"))]).toEqual([true, true, false]);
  const write = () => (tries++ === 0 ? Promise.reject(wrapped) : Promise.resolve("kept"));
  expect(await withRoom(db, write)).toBe("kept");
  expect([tries, await db.derived.count()]).toEqual([2, 0]);
  await expect(withRoom(db, () => Promise.reject(new Error("else")))).rejects.toThrow("else");
});
