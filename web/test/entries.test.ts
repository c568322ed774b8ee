/** Finding in everything that was written down: narrowed letter by letter it is what a search from the start finds. */
import { expect, test } from "@jest/globals";
import { date, demoGarden } from "@wren/core";
import fc from "fast-check";
import { ENTRY_KINDS, entriesOf, sieved, type EntryKind } from "../src/screens/record/entries.ts";

const all = entriesOf(demoGarden(date("2026-07-01")));
const words = fc.constantFrom(
  "sh",
  "sha",
  "shap",
  "shape",
  "shape 2",
  "shape 20",
  "2",
  "20",
  "202",
  "",
  "lil",
  "lilac",
  "lilac sh",
  "xq",
);
const kinds = ENTRY_KINDS.map((k) => new Set<EntryKind>([k]));

test("whatever was looked for before, the same words find the same entries", () => {
  expect(all.length).toBeGreaterThan(20);
  const plants = [null, ...new Set(all.map((e) => e.plantId))];
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          text: words,
          plantId: fc.constantFrom(...plants),
          kinds: fc.constantFrom(new Set<EntryKind>(), ...kinds),
        }),
        { minLength: 1, maxLength: 8 },
      ),
      (asked) => {
        for (const sieve of asked) {
          const holds = (text: string): boolean =>
            sieve.text
              .split(" ")
              .filter(Boolean)
              .every((w) => text.includes(w));
          const fresh = all.filter(
            (e) =>
              holds(e.text) &&
              (sieve.plantId === null || e.plantId === sieve.plantId) &&
              (sieve.kinds.size === 0 || sieve.kinds.has(e.kind)),
          );
          expect(sieved(all, sieve).map((e) => e.key)).toEqual(fresh.map((e) => e.key));
        }
      },
    ),
  );
});
