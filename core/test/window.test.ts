import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  addDays,
  adviseOn,
  CATALOGUE,
  date,
  daysBetween,
  VERDICT_TABLE,
  verdictFor,
  type PlainDate,
  type Plant,
  type Task,
} from "@wren/core";
import "./seed.ts";
import { modelOf, PLACES, plantOf, seenOn } from "./support.ts";

/** Kinds of every sort of flowering wood, an evergreen that keeps its outline, one that sleeps through summer. */
const KINDS = [
  "syringa-vulgaris",
  "hydrangea-paniculata",
  "hydrangea-macrophylla",
  "rosa-repeat",
  "buxus-sempervirens",
  "thuja-occidentalis",
  "ribes-speciosum",
  "cornus-sericea",
  // Its sap keeps it waiting in spring.
  "actinidia-kolomikta",
] as const;
const plants = KINDS.map((k) => plantOf(k, { id: k }));
const model = modelOf(plants);
const go = (id: string, on: PlainDate, task: Task): boolean => VERDICT_TABLE[verdictFor(model, id, on, task)].go;

const questions = fc.record({
  id: fc.constantFrom(...KINDS),
  on: fc.integer({ min: 0, max: 800 }).map((n) => addDays(date("2026-01-01"), n)),
  task: fc.constantFrom<Task>("shape", "thin", "shear", "dead-only", "deadhead"),
});
const YEAR = 366;

describe("the window of a plain plant is the run of days whose own answers are open", () => {
  test("open today: every day to its end is open, the days beyond its edges are not", () => {
    fc.assert(
      fc.property(questions, ({ id, on, task }) => {
        fc.pre(go(id, on, task));
        const w = adviseOn(model, id, on, task).window!;
        const last = w.closes ?? addDays(on, YEAR);
        expect(w.daysLeft).toBe(w.closes === null ? null : daysBetween(on, w.closes));
        for (let d = w.opens ?? addDays(on, -YEAR); d <= last; d = addDays(d, 1))
          expect([d, go(id, d, task)]).toEqual([d, true]);
        if (w.opens !== null) expect(go(id, addDays(w.opens, -1), task)).toBe(false);
        if (w.closes !== null) expect(go(id, addDays(w.closes, 1), task)).toBe(false);
      }),
      { numRuns: 25 },
    );
  });

  test("closed today: no day before it opens is open, and the day it opens is; where every day costs, it says so", () => {
    fc.assert(
      fc.property(questions, ({ id, on, task }) => {
        const a = adviseOn(model, id, on, task);
        fc.pre(!VERDICT_TABLE[a.verdict].go && a.window !== null && a.window.opens !== null && a.window.opens > on);
        const { opens, costs, daysLeft } = a.window;
        expect(daysLeft).toBeNull();
        for (let d = on; d < opens; d = addDays(d, 1)) expect([d, go(id, d, task)]).toEqual([d, false]);
        expect(go(id, opens, task)).toBe(!costs);
      }),
      { numRuns: 25 },
    );
  });

  test("its edges have ranges that hold them, and half of the wider one is the give or take", () => {
    fc.assert(
      fc.property(questions, ({ id, on, task }) => {
        const w = adviseOn(model, id, on, task).window;
        fc.pre(w !== null);
        const halves = [w.opensRange, w.closesRange].map((r) => (r ? Math.round(daysBetween(r[0], r[1]) / 2) : 0));
        expect(w.spreadDays).toBe(Math.max(...halves));
        for (const [edge, range] of [
          [w.opens, w.opensRange],
          [w.closes, w.closesRange],
        ] as const) {
          if (edge === null || range === null) continue;
          expect(range[0] <= edge && edge <= range[1]).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe("what the plant itself waits for moves the window", () => {
  const windowOf = (plant: Plant, on: string, task: Task, more: Parameters<typeof modelOf>[1] = {}) =>
    adviseOn(modelOf([plant], more), plant.id, date(on), task).window;

  test.each<[string, Partial<Plant>, string, Task]>([
    [
      "stressed: until growth is seen nobody can say when",
      { condition: "stressed", conditionOn: date("2026-06-01") },
      "2026-06-05",
      "shape",
    ],
    ["a wire: never the gardener's", { powerLineM: 1 }, "2026-06-05", "shape"],
    ["left alone: there is nothing to open", {}, "2026-06-05", "leave"],
  ])("%s", (_, more, on, task) => expect(windowOf(plantOf("syringa-vulgaris", more), on, task)).toBeNull());

  test("its first season ends on a day; until then nothing opens, whatever the kind's year says", () => {
    const young = plantOf("syringa-vulgaris", { plantedOn: date("2026-04-01") });
    const w = windowOf(young, "2026-06-05", "shape")!;
    expect(w.opens! > "2026-08-01").toBe(true);
    expect(w.daysLeft).toBeNull();
  });

  test("a bush that waits for growth opens at its forecast, and on the day growth is written down", () => {
    const bush = plantOf("buddleja-davidii");
    const waiting = windowOf(bush, "2026-03-10", "hard-cutback")!;
    expect(waiting.opens! > "2026-03-10").toBe(true);
    expect(waiting.opensRange![0] < waiting.opensRange![1]).toBe(true);
    const seen = windowOf(bush, "2026-05-12", "hard-cutback", { observations: [seenOn(bush.id, "2026-05-12")] })!;
    expect(seen.daysLeft).toBeGreaterThan(0);
  });
});

test("every kind's window for its routine task is read without an error on any day, and never ends before it opens", () => {
  const all = CATALOGUE.taxa.map((t) => plantOf(t.id, { id: t.id }));
  const garden = modelOf(all);
  for (const t of CATALOGUE.taxa)
    for (const on of ["2026-01-15", "2026-04-15", "2026-07-15", "2026-10-15"]) {
      const w = adviseOn(garden, t.id, date(on), t.routineTask).window;
      if (w?.opens != null && w.closes !== null) expect(w.opens <= w.closes).toBe(true);
      if (w?.daysLeft != null) expect(w.daysLeft).toBeGreaterThanOrEqual(0);
    }
});

test("a window ends where sap or silver leaf makes the cut wait, and begins where it ends", () => {
  const mild = PLACES.find((p) => p.name === "coast")!;
  for (const [id, task, code] of [
    ["prunus-cerasifera", "thin", "silver-leaf"],
    ["prunus-spinosa", "shear", "silver-leaf"],
    ["actinidia-kolomikta", "shape", "bleeds"],
  ] as const) {
    const m = modelOf([plantOf(id)], { place: mild });
    const at = (d: PlainDate) => adviseOn(m, id, d, task);
    const waits = (d: PlainDate): boolean => at(d).reasons.some((r) => r.code === code);
    let seen = 0;
    for (let i = 0; i < 365; i += 9) {
      const { window } = at(addDays(date("2026-01-03"), i));
      if (!window?.opens || !window.closes) continue;
      seen++;
      expect([id, window.opens, waits(window.opens), window.closes, waits(window.closes)]).toEqual([
        id,
        window.opens,
        false,
        window.closes,
        false,
      ]);
    }
    expect(seen).toBeGreaterThan(30);
    expect(waits(date("2026-02-10"))).toBe(true);
  }
});
