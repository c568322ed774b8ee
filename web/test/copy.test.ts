/** The garden in one piece beside its rows: true as long as they are what it was made of, and never longer. */
import { afterEach, beforeEach, expect, test } from "@jest/globals";
import { adviseOn, CATALOGUE, date, demoGarden, kindCache, loreOf, openGarden, type Garden } from "@wren/core";
import { IDBKeyRange, indexedDB } from "fake-indexeddb";
import { AT_ONCE } from "../src/data/atOnce.ts";
import { editStored, loadStored, newTab, plantFirst } from "../src/data/changes.ts";
import { isCopied, keepCopy, takeCopy } from "../src/data/copy.ts";
import { WrenDb } from "../src/data/db.ts";
import type { Found, Kept } from "../src/data/stored.ts";

const on = date("2026-11-25");
const garden = demoGarden(on);
const cache = kindCache(garden);
const open = (g: Garden) => openGarden(g, CATALOGUE, cache);
let db: WrenDb;
let n = 0;
beforeEach(async () => {
  db = new WrenDb(`copy-${n++}`, { indexedDB, IDBKeyRange });
  await plantFirst(db, newTab("a"), { garden, demo: false });
});
afterEach(() => db.delete());

const read = (): Promise<Found> => loadStored(db, newTab("reader"));
async function kept(): Promise<Kept> {
  const found = await read();
  if (found.is !== "garden") throw new Error(found.is);
  return found.kept;
}
async function copy(): Promise<void> {
  const now = await kept();
  await keepCopy(db, now, loreOf(open(now.garden), on));
}

test("the copy is what the rows give back; a first picture from little of it answers alike", async () => {
  await copy();
  const whole = (await takeCopy(db, false))!;
  expect(isCopied(await read(), whole)).toBe(true);
  const first = (await takeCopy(db, true))!;
  expect(first.garden.visits.length).toBeLessThan(whole.garden.visits.length / 2);
  expect(isCopied(await read(), first)).toBe(false);
  const [little, all] = [openGarden(first.garden, CATALOGUE, cache, first.lore), open((await kept()).garden)];
  for (const p of first.garden.plants.slice(0, AT_ONCE))
    expect(adviseOn(little, p.id, on)).toEqual(adviseOn(all, p.id, on));
});

test("after a change there is none; a row that changed by itself is found out", async () => {
  await copy();
  const whole = (await takeCopy(db, false))!;
  const visit = garden.visits[0]!;
  await db.visits.put({ ...visit, note: "by no change" });
  expect(isCopied(await read(), whole)).toBe(false);
  await db.visits.put(visit);
  expect(isCopied(await read(), whole)).toBe(true);
  await editStored(db, newTab("b"), { label: "named", edit: (now) => ({ garden: { ...now.garden, name: "Anew" } }) });
  expect(await takeCopy(db, false)).toBeNull();
  expect(await takeCopy(db, true)).toBeNull();
});

test.each([
  ["of another build", { build: "another" }],
  ["cut off", { text: '{"garden":' }],
  ["no text", { text: 7 }],
  ["older", { rev: 0 }],
])("a copy that is %s is no copy", async (_, slip) => {
  await copy();
  await db.derived.put({ ...(await db.derived.get("copy"))!, ...slip });
  expect(await takeCopy(db, false)).toBeNull();
});

test("what is set apart is told by the rows alone", async () => {
  await db.table("visits").put({ id: "broken", plantId: 3 });
  await copy();
  expect(await db.derived.get("copy")).toBeUndefined();
});
