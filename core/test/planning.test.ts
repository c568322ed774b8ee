import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  addDays,
  TASKS,
  balanceOn,
  CATALOGUE,
  cautionsFor,
  CAUTION_TEXTS,
  date,
  GOALS,
  pairEvenedAt,
  passOrder,
  planCut,
  priceOfCut,
  rowOf,
  visitAlike,
  regimeOf,
  seasonsFinished,
  taskForGoal,
  toolFor,
  toolsFor,
  VERDICT_TABLE,
  type Cut,
  type GoalKind,
  type Visit,
  type Task,
  wish,
  pairOf,
  type Plant,
} from "@wren/core";
import { everyKindAt, modelOf, PLACE, plantOf, someKinds, visitOf } from "./support.ts";

const taxon = (id: string) => CATALOGUE.byId(id)!;
const THIRD = 1 / 3;

describe("planning may refuse", () => {
  const cut = fc.record({
    n: fc.integer({ min: 0, max: 500 }),
    share: fc.double({ min: 0.01, max: 0.4, noNaN: true }),
  });
  test("it accepts just what fits under the cap on an open day, and the date it names is the first that fits", () => {
    fc.assert(
      fc.property(fc.array(cut, { maxLength: 4 }), fc.double({ min: 0.01, max: 0.33, noNaN: true }), (cuts, share) => {
        const visits = cuts.map((c, i) => visitOf("box", addDays(date("2025-02-01"), c.n), c.share, { id: `v${i}` }));
        const model = modelOf([plantOf("buxus-sempervirens", { id: "box" })], { visits });
        const on = date("2026-07-01");
        const plan = planCut(model, "box", on, { task: "shear", share });
        const { taken } = balanceOn(model.ledgerOf("box"), on, THIRD);
        const fits = taken + share <= THIRD + 1e-9;
        if (!fits) {
          expect(plan.accepted).toBe(false);
          const before = addDays(plan.fitsOn!, -1);
          expect(balanceOn(model.ledgerOf("box"), before, THIRD).taken + share).toBeGreaterThan(THIRD);
          expect(balanceOn(model.ledgerOf("box"), plan.fitsOn!, THIRD).taken + share).toBeLessThanOrEqual(THIRD + 1e-9);
        } else if (VERDICT_TABLE[plan.advice.verdict].go) expect(plan.accepted).toBe(true);
        // A share that does not fit turns an open day into one to wait on; a refusal stays what it is.
        const open = VERDICT_TABLE[plan.advice.verdict].go;
        expect(plan.verdict).toBe(open && !fits ? "wait" : plan.advice.verdict);
        expect(plan.takenAfter).toBeCloseTo(taken + share);
      }),
      { numRuns: 60 },
    );
  });

  test("more than the cap never fits; a cutback has none to fit under", () => {
    const model = modelOf([plantOf("buxus-sempervirens"), plantOf("spiraea-japonica")]);
    expect(planCut(model, "buxus-sempervirens", date("2026-07-01"), { task: "shear", share: 0.5 })).toMatchObject({
      accepted: false,
      fitsOn: null,
    });
    const cutback = planCut(model, "spiraea-japonica", date("2026-03-20"), { task: "hard-cutback", share: 0.85 });
    expect(cutback).toMatchObject({ accepted: true, cap: null, fitsOn: null });
  });

  test("flowers may be given up knowingly; danger and the wrong kind may not", () => {
    const model = modelOf([
      plantOf("syringa-vulgaris"),
      plantOf("thuja-occidentalis"),
      plantOf("taxus-media", { powerLineM: 1 }),
    ]);
    const plan = (id: string, task: Task) => planCut(model, id, date("2026-03-15"), { task, share: 0.1 }).accepted;
    expect([
      plan("syringa-vulgaris", "shape"),
      plan("thuja-occidentalis", "hard-cutback"),
      plan("taxus-media", "dead-only"),
    ]).toEqual([true, false, false]);
  });

  test("more at once than may go in a year is said, without a date that would not help", () => {
    const plan = planCut(modelOf([plantOf("buxus-sempervirens")]), "buxus-sempervirens", date("2026-07-01"), {
      task: "shear",
      share: 0.5,
    });
    expect(plan.reasons[0]).toMatchObject({ code: "more-than-cap", values: { share: 0.5, cap: THIRD } });
  });

  test("a cut is priced by its own size: a deeper one never costs fewer flowers", () => {
    const model = everyKindAt(PLACE);
    const loss = (id: string, share: number): number =>
      priceOfCut(model, id, date("2026-03-15"), { task: "shape", share }).bloomLoss.reduce((n, b) => n + b.loss, 0);
    for (const t of someKinds(1)) expect(loss(t.id, 0.6)).toBeGreaterThanOrEqual(loss(t.id, 0.1));
    expect(loss("hydrangea-serrata", 0.1)).toBeLessThan(loss("hydrangea-serrata", 0.6));
  });

  test("what is left on the plant multiplies, what counts adds", () => {
    const model = modelOf([plantOf("buxus-sempervirens")], {
      visits: [visitOf("buxus-sempervirens", "2026-06-20", 0.2)],
    });
    const plan = planCut(model, "buxus-sempervirens", date("2026-08-01"), { task: "shear", share: 0.1 });
    expect(plan.takenAfter).toBeCloseTo(0.3);
    expect(plan.leftOnPlant).toBeCloseTo(0.8 * 0.9);
  });
});

describe("from a goal to a task", () => {
  const model = everyKindAt(PLACE);
  test.each<[string, GoalKind, Task]>([
    ["syringa-vulgaris", "routine", "shape"],
    ["spiraea-japonica", "routine", "hard-cutback"],
    ["spiraea-japonica", "keep-size", "shape"],
    ["buddleja-davidii", "keep-size", "shape"],
    ["pinus-mugo", "fuller", "candle"],
    ["buxus-sempervirens", "keep-size", "shear"],
    ["buxus-sempervirens", "outline", "shear"],
    ["rhododendron-large-leaved", "outline", "shape"],
    ["miscanthus-sinensis", "keep-size", "hard-cutback"],
    ["thuja-occidentalis", "renew", "shape"],
    ["syringa-vulgaris", "renew", "renovate"],
    ["hydrangea-macrophylla", "tidy", "deadhead"],
    ["hydrangea-quercifolia", "leave", "leave"],
    ["hydrangea-quercifolia", "let-go", "leave"],
  ])("%s, %s: %s", (id, kind, task) => {
    expect(taskForGoal(model, plantOf(id, { goal: wish(kind) }))).toBe(task);
  });
  test("what grows most of its wanted height in a season is held by its yearly cutback (common practice)", () => {
    const at = (id: string, m: number): Task => taskForGoal(model, plantOf(id, { goal: wish("smaller", m) }));
    expect([at("buddleja-davidii", 2), at("buddleja-davidii", 4), at("syringa-vulgaris", 0.5)]).toEqual([
      "hard-cutback",
      "shape",
      "shape",
    ]);
  });

  test("no goal ever asks for what is wrong for the kind", () => {
    for (const t of CATALOGUE.taxa)
      for (const kind of GOALS) {
        const task = taskForGoal(model, plantOf(t.id, { goal: wish(kind) }));
        expect(t.never[task]).toBeUndefined();
        expect(TASKS).toContain(task);
      }
  });

  test.each<[string, Task, string]>([
    ["spiraea-japonica", "hard-cutback", "cutback"],
    ["syringa-vulgaris", "hard-cutback", "renewal"],
    ["miscanthus-sinensis", "shear", "cutback"],
    ["buxus-sempervirens", "shear", "upkeep"],
    ["buddleja-davidii", "dead-only", "upkeep"],
  ])("%s, %s is booked as %s", (id, task, regime) => expect(regimeOf(taxon(id), task)).toBe(regime));
});

describe("at the plant", () => {
  // Hand pruners to ¾ in, loppers to 1½ in, saw above (Virginia Cooperative Extension 430-455, from memory).
  test.each([
    [6, "secateurs"],
    [19, "secateurs"],
    [20, "loppers"],
    [40, "loppers"],
    [41, "pruning saw"],
    [180, "pruning saw"],
  ])("a stem of %d mm: %s", (mm, tool) => expect(toolFor(mm)).toBe(tool));

  test("the kit holds every tool up to the thickest stem", () => {
    const kit = (id: string, task: Task, more = {}) => toolsFor(plantOf(id, more), taxon(id), task);
    expect(kit("syringa-vulgaris", "shape", { thickestStemMm: 70 })).toEqual(["secateurs", "loppers", "pruning saw"]);
    expect(kit("syringa-vulgaris", "shape")).toEqual(["secateurs"]);
    expect(kit("syringa-vulgaris", "renovate")).toContain("pruning saw");
    expect(kit("syringa-vulgaris", "deadhead", { thickestStemMm: 70 })).toEqual(["secateurs"]);
    expect(kit("taxus-media", "shear")[0]).toBe("hedge shears");
    expect(kit("pinus-mugo", "candle")[0]).toBe("finger and thumb");
    expect(kit("miscanthus-sinensis", "hard-cutback")[0]).toBe("shears");
    expect(kit("taxus-media", "leave")).toEqual([]);
  });

  test("clean-up comes first; dead wood ends there; spent flowers are their ends only", () => {
    for (const t of CATALOGUE.taxa) {
      expect(passOrder(t, "shape")[0]).toBe("dead");
      expect(passOrder(t, "deadhead")).toEqual(["dead", "hazard", "ends"]);
      expect(passOrder(t, "leave")).toEqual([]);
    }
    expect(passOrder(taxon("syringa-vulgaris"), "dead-only")).toEqual(["dead", "hazard"]);
    expect(passOrder(taxon("syringa-vulgaris"), "shape").slice(4)).toEqual(["oldest", "crossing", "height"]);
    expect(passOrder(taxon("spiraea-japonica"), "hard-cutback").slice(4)).toEqual(["height", "weak"]);
    expect(passOrder(taxon("miscanthus-sinensis"), "hard-cutback")).toEqual(["old-heads"]);
  });

  test("cautions name what can hurt: thorns, sap, poison, reach, lines, nests", () => {
    const of = (id: string, heightM: number, more = {}) => cautionsFor(plantOf(id, more), taxon(id), "shape", heightM);
    expect(of("rosa-repeat", 1.2)).toContain("thorns");
    expect(of("taxus-media", 1)).toContain("toxic-clippings");
    expect(of("hydrangea-macrophylla", 0.8)).toContain("irritant-sap");
    expect(of("syringa-vulgaris", 3)).toContain("reach");
    expect(of("syringa-vulgaris", 1.4)).not.toContain("reach");
    expect(of("syringa-vulgaris", 3, { powerLineM: 5 })[0]).toBe("power-line");
    expect(of("buxus-sempervirens", 0.5)).toContain("nests");
    expect(of("syringa-vulgaris", 1, { condition: "stressed" })).toContain("disinfect");
    expect(cautionsFor(plantOf("rosa-repeat"), taxon("rosa-repeat"), "leave", 3)).toEqual([]);
    expect(CAUTION_TEXTS.reach).toMatch(/licensed arborist/);
    expect(CAUTION_TEXTS.nests).toMatch(/local law/);
  });
});

test("growing seasons finished since planting, by when growth stops, the first of them whole or rested", () => {
  const model = everyKindAt(PLACE);
  const lilac = taxon("syringa-vulgaris");
  const finished = (planted: string, on: string) =>
    seasonsFinished(plantOf(lilac.id, { plantedOn: date(planted) }), model.yearOf(lilac), "north", date(on));
  // Growth stops about 25 August: spring and autumn plantings of one year part there, and the one that had no whole
  // season rests first (first real pruning after one full season: ANSI A300, UF/IFAS).
  expect(finished("2025-04-10", "2025-08-01")).toBe(0);
  expect(finished("2025-04-10", "2025-10-01")).toBe(0);
  expect(finished("2025-04-10", "2025-12-01")).toBe(1);
  expect(finished("2025-04-10", "2026-03-15")).toBe(1);
  expect(finished("2025-10-20", "2026-03-15")).toBe(0);
  expect(finished("2025-10-20", "2026-10-15")).toBe(1);
  expect(finished("2023-04-15", "2026-06-10")).toBe(3);
  expect(
    seasonsFinished(plantOf(lilac.id, { plantedOn: null }), model.yearOf(lilac), "north", date("2026-01-01")),
  ).toBeNull();
});

test("a row is decided plant by plant; a pair is one because somebody says so, and is evened at the lower", () => {
  const box = (id: string, alongM: number, heightM: number, pairedWith: string | null = null) =>
    plantOf("buxus-sempervirens", { id, alongM, heightM, heightOn: date("2026-11-01"), pairedWith });
  const rowIn = (plants: Plant[], id: string) => {
    const m = modelOf(plants);
    return rowOf(m, m.plant(id), date("2026-11-02"));
  };
  const row = rowIn([box("b", 3, 1.4, "a"), box("a", 1, 1.1), plantOf("taxus-media")], "b");
  expect(row.map((r) => r.plant.id)).toEqual(["a", "b"]);
  expect([pairEvenedAt(row, "a"), pairEvenedAt(row, "b")]).toEqual([1.1, 1.1].map((h) => expect.closeTo(h, 6)));
  const alone = rowIn([box("a", 1, 1.1), box("b", 3, 1.4)], "a");
  expect([pairOf(alone, "a"), pairEvenedAt(alone, "a")]).toEqual([null, null]);
  const three = rowIn([box("a", 1, 1.1, "c"), box("b", 3, 1.4), box("c", 5, 1)], "a");
  expect([pairEvenedAt(three, "a"), pairEvenedAt(three, "b")]).toEqual([expect.closeTo(1, 6), null]);
  expect(pairEvenedAt(rowIn([box("a", 1, 1.1, "b"), box("b", 3, 1.15)], "a"), "a")).toBeNull();
});

test.each<[string, Cut[], number, Cut[]]>([
  [
    "a height from its own",
    [{ by: "height", beforeM: 1.4, afterM: 1 }],
    0.2,
    [{ by: "height", beforeM: 1.2, afterM: 1 }],
  ],
  [
    "no higher than it is",
    [{ by: "height", beforeM: 2, afterM: 1.5 }],
    0.2,
    [{ by: "height", beforeM: 1.2, afterM: 1.2 }],
  ],
  ["stems as a share", [{ by: "stems", removedCount: 1, liveCount: 5 }], 0.2, [{ by: "share", share: 0.2 }]],
  ["dead wood takes nothing of the next", [], 0, []],
])("the same visit at another of the row: %s", (_, cuts, share, expected) => {
  const other = { plant: plantOf("buxus-sempervirens"), heightM: 1.2 };
  const begun: Visit["begun"] = ["stranger-cut"];
  const visit = { ...visitOf("a", "2026-06-20", 0.2), cuts, hazardShare: 0.1, deadStemsCount: 3, begun };
  const clean = { hazardShare: 0, deadStemsCount: 0, begun: [], trialUntil: null };
  expect(visitAlike(visit, share, other, "v2")).toEqual({
    ...visit,
    ...clean,
    id: "v2",
    plantId: other.plant.id,
    cuts: expected,
  });
});
