/** A garden opened with what it was found to teach before answers what it answers without, to the letter. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  addDays,
  adviseAll,
  CATALOGUE,
  date,
  demoGarden,
  heightOf,
  kindCache,
  loreOf,
  openGarden,
  type Garden,
  type Lore,
  type Observation,
} from "@wren/core";
import "./seed.ts";
import { seenOn } from "./support.ts";

const now = date("2026-11-29");
const demo = demoGarden(now);
const cache = kindCache(demo);
const KINDS = [
  "first-flower",
  "first-leaf",
  "last-flower",
  "flush-hardened",
  "leaf-fall",
  "height",
  "leaf-depth",
] as const;

/** Years of entries at any plants, some of them far off. */
const records = fc.array(
  fc.record({
    plant: fc.nat(demo.plants.length - 1),
    kind: fc.constantFrom(...KINDS),
    back: fc.nat(6 * 365),
    metres: fc.double({ min: 0.3, max: 4, noNaN: true }),
  }),
  { minLength: 4, maxLength: 60 },
);
const withRecords = (
  told: readonly { plant: number; kind: Observation["kind"]; back: number; metres: number }[],
): Garden => ({
  ...demo,
  observations: [
    ...demo.observations,
    ...told.map((t, i) => ({
      ...seenOn(demo.plants[t.plant]!.id, addDays(now, -t.back), {
        kind: t.kind,
        ...(t.kind === "height" ? { heightM: t.metres } : {}),
        ...(t.kind === "leaf-depth" ? { lengthM: t.metres / 4 } : {}),
      }),
      id: `told-${i}`,
    })),
  ],
});
/** Kept and read back. */
const kept = (lore: Lore): Lore => JSON.parse(JSON.stringify(lore)) as Lore;

describe("lore", () => {
  test("every plant's answer, on days near and far, is the one worked out anew", () => {
    fc.assert(
      fc.property(records, fc.subarray(["growth:place", "dates:place"]), (told, setAside) => {
        const plain = withRecords(told);
        const garden = { ...plain, rules: { ...plain.rules, setAside } };
        const anew = openGarden(garden, CATALOGUE, cache);
        const quick = openGarden(garden, CATALOGUE, cache, kept(loreOf(anew, now)));
        for (const days of [-700, 0, 45, 200])
          expect(adviseAll(quick, addDays(now, days))).toEqual(adviseAll(anew, addDays(now, days)));
      }),
      { numRuns: 15 },
    );
  });
  test("it is used: growth, leads and late stages that it names are those that hold", () => {
    const lore = loreOf(openGarden(demo, CATALOGUE, cache), now);
    const { id } = demo.plants[0]!;
    const grown = (growth: number): number => {
      const m = openGarden(demo, CATALOGUE, cache, { ...lore, growthM: { [id]: [growth, growth, growth] } });
      return heightOf(m, m.plant(id), addDays(now, 400)).heightM;
    };
    expect(grown(0.6)).toBeGreaterThan(grown(0.1));
    const led = openGarden(demo, CATALOGUE, cache, { ...lore, dates: { ...lore.dates, leads: { [id]: 9 } } });
    expect(led.taught.lead(led.plant(id))).toBe(9);
    const late = openGarden(demo, CATALOGUE, cache, { ...lore, late: { [id]: { hardens: 4, dormant: 2 } } });
    expect(late.taught.late(late.plant(id))).toEqual({ hardens: 4, dormant: 2 });
  });
});
