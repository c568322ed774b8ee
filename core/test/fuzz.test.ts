/** Files nobody would write: each is read or refused with a text and a place, and none brings the reader down. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  CATALOGUE,
  date,
  demoGarden,
  GardenSchema,
  issueText,
  kindCache,
  openGarden,
  adviseAll,
  pathText,
  readGardenFile,
  writeGardenFile,
} from "@wren/core";
import { gardenFiles, tables, weatherFiles } from "./fuzz/mutate.ts";

const today = date("2026-11-25");
const garden = demoGarden(today);
const small = {
  ...garden,
  plants: garden.plants.slice(0, 3),
  visits: garden.visits.filter((v) => garden.plants.slice(0, 3).some((p) => p.id === v.plantId)).slice(0, 4),
  observations: [],
};
const cache = kindCache(small);
const good = JSON.parse(writeGardenFile(small)) as Record<string, unknown>;

/** Every path into a piece of plain data. */
function paths(x: unknown, at: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (typeof x !== "object" || x === null) return [at];
  return [at, ...Object.entries(x).flatMap(([k, v]) => paths(v, [...at, Array.isArray(x) ? Number(k) : k]))];
}
const everywhere = paths(good).filter((p) => p.length > 0);

function put(path: readonly (string | number)[], value: unknown): unknown {
  const copy = structuredCloneOf(good);
  const parent = path.slice(0, -1).reduce((o, k) => (o as Record<string | number, object>)[k]!, copy) as Record<
    string | number,
    unknown
  >;
  parent[path.at(-1)!] = value;
  return copy;
}
const structuredCloneOf = (x: object): object => JSON.parse(JSON.stringify(x)) as object;

const anything = fc.oneof(
  fc.constantFrom(null, true, -1, 0, 1e300, "", " ", "2025-02-30", "2031-01-01", "12-31", "x".repeat(3000), [], {}),
  fc.jsonValue({ maxDepth: 2 }),
);

describe("one value replaced by anything, anywhere", () => {
  test("is read as a garden that answers, or refused with a place and a sentence", () => {
    fc.assert(
      fc.property(fc.constantFrom(...everywhere), anything, (path, value) => {
        const r = readGardenFile(JSON.stringify(put(path, value)), CATALOGUE, today);
        if (r.ok) {
          expect(GardenSchema.safeParse(r.value).success).toBe(true);
          const samePlace = JSON.stringify(r.value.place) === JSON.stringify(small.place) && path[1] !== "rules";
          const model = samePlace ? openGarden(r.value, CATALOGUE, cache) : openGarden(r.value, CATALOGUE);
          expect(adviseAll(model, today)).toHaveLength(r.value.plants.length);
          return;
        }
        expect(r.issues.length).toBeGreaterThan(0);
        for (const i of r.issues) {
          expect(issueText(i)).toMatch(/\w.*[.”)]$/s);
          expect(issueText(i)).not.toMatch(/undefined|\[object/);
          expect(typeof pathText(i.path)).toBe("string");
        }
      }),
      { numRuns: 150 },
    );
  });

  test("text that is not JSON at all is refused in one line", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const r = readGardenFile(text, CATALOGUE, today);
        expect(r.ok).toBe(false);
      }),
    );
  });
});

/** The long run is `npm run fuzz`; its figures stand in docs/fuzz.md. */
describe("files broken at random, the same ones every time", () => {
  test.each([
    ["garden files", gardenFiles, 120],
    ["tables of plants", tables, 80],
    ["files of weather", weatherFiles, 80],
  ])("%s are read whole or refused with a place; what is read answers and comes back the same", (_, run, n) => {
    const { read, refused } = run(n, 7);
    expect(read + refused).toBe(n);
    expect(Math.min(read, refused)).toBeGreaterThan(0);
  });
});
