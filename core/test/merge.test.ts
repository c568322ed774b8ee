import { expect, test } from "@jest/globals";
import { CATALOGUE, date, demoGarden, mergeGardens, readGardenFile, writeGardenFile, type Garden } from "@wren/core";
import { visitOf } from "./support.ts";

const today = date("2026-06-10");
const base = demoGarden(today);
const lilac = base.plants.find((p) => p.id === "lilac-corner")!;
const with_ = (g: Garden, day: string, note: string): Garden => ({
  ...g,
  visits: [...g.visits, visitOf(lilac.id, day, 0.1)],
  plants: g.plants.map((p) => (p.id === lilac.id ? { ...p, note } : p)),
});

test("two phones, a visit on each and a note that both changed: both visits are there, the note is as was chosen", () => {
  const [one, other] = [with_(base, "2026-06-01", "from the shed"), with_(base, "2026-06-02", "from the house")];
  for (const [prefer, note] of [
    ["own", "from the shed"],
    ["theirs", "from the house"],
  ] as const) {
    const { garden, differing } = mergeGardens(one, other, prefer);
    expect(garden.visits.filter((v) => v.id.startsWith("v-lilac-corner-2026-06-0")).map((v) => v.on)).toEqual(
      expect.arrayContaining(["2026-06-01", "2026-06-02"]),
    );
    expect(garden.plants.find((p) => p.id === lilac.id)!.note).toBe(note);
    expect(differing).toEqual([{ list: "plants", id: lilac.id }]);
    // What comes out is a garden: its file reads, and bringing the same in again changes nothing.
    const read = readGardenFile(writeGardenFile(garden), CATALOGUE, today);
    expect(read.ok && read.value).toEqual(garden);
    expect(mergeGardens(garden, prefer === "own" ? one : other, "theirs").garden).toEqual(garden);
  }
});

test("with itself a garden stays as it is", () => {
  expect(mergeGardens(base, base, "theirs")).toEqual({ garden: base, differing: [] });
});
