/** One road for a cut, one timeline for a height: asked on the page, the bench or the command line, it is the same number. */
import { describe, expect, test } from "@jest/globals";
import {
  adviseOn,
  amountsOf,
  CATALOGUE,
  date,
  demoGarden,
  extentOf,
  grownTo,
  heightOf,
  hedgeStands,
  hedgeTo,
  measuredOn,
  shareOfCut,
  openGarden,
  plainStem,
  planCut,
  priceOfCut,
  seasonsEndOf,
  suggest,
  TASK_TABLE,
  TASKS,
  tryOut,
  vigourAfterCut,
  type Stem,
  type StemCut,
  buildOf,
  lowestTop,
  takenAbove,
} from "@wren/core";
import { modelOf, plantOf, seenOn, visitOf } from "./support.ts";

const LILAC = CATALOGUE.byId("syringa-vulgaris")!;

describe("a cut is priced by one plan", () => {
  test("the usual share of a task is its usual cut", () => {
    const m = modelOf([plantOf("syringa-vulgaris"), plantOf("hydrangea-paniculata")]);
    for (const p of m.garden.plants)
      for (const task of TASKS)
        for (const on of ["2026-03-10", "2026-07-20", "2026-10-05"]) {
          const share = TASK_TABLE[task].usualShare;
          const usual = adviseOn(m, p.id, date(on), task);
          expect([p.id, task, on, priceOfCut(m, p.id, date(on), { task, share }).bloomLoss]).toEqual([
            p.id,
            task,
            on,
            usual.bloomLoss,
          ]);
        }
  });
  // A fifth of the shoots, whole, is a fifth of their flowers; a tenth is a tenth (arithmetic).
  test.each([
    [0.2, 0.2],
    [0.1, 0.1],
    [0.3, 0.3],
  ])("thinned by %d: %d of the flowers in bud", (share, loss) => {
    const m = modelOf([plantOf("syringa-vulgaris")]);
    const { bloomLoss } = priceOfCut(m, "syringa-vulgaris", date("2026-03-10"), { task: "thin", share });
    expect(bloomLoss[0]!.loss).toBeCloseTo(loss, 2);
    expect(extentOf("thin", share)).toMatchObject({ depth: 1 });
  });
  test("the bench answers for the cuts on it, not for the task's usual ones, and a plan of them says the same", () => {
    const plant = plantOf("syringa-vulgaris");
    const m = modelOf([plant]);
    const stems = Array.from({ length: 10 }, (_, i): Stem => ({ ...plainStem(`s${i}`, 20, 1.6), turnDeg: i * 36 }));
    const on = date("2026-03-10");
    const tried = (cuts: readonly StemCut[]) => tryOut(m, { plant, stems, task: "shape", cuts }, on);
    expect(adviseOn(m, plant.id, on, "shape").verdict).toBe("costs-flowers");
    const nick = tried([{ cut: "head", stemId: "s1", keptM: 1.57 }]);
    expect(["best", "fine"]).toContain(nick.advice.verdict);
    const half = tried(stems.slice(0, 5).map((s) => ({ cut: "remove", stemId: s.id })));
    expect(half.advice.verdict).toBe("costs-flowers");
    const plan = planCut(m, plant.id, on, { task: "shape", share: half.share, extent: half });
    expect(plan.bloomLoss).toEqual(half.flowers);
    expect(plan.takenAfter).toBeCloseTo(half.takenAfter, 9);
  });
  test("of a crossing pair one stem goes, also when the other went for its age", () => {
    const plant = plantOf("syringa-vulgaris");
    const m = modelOf([plant]);
    const stems = Array.from({ length: 12 }, (_, i): Stem => ({
      ...plainStem(`s${i}`, i === 0 ? 60 : 18, 1.6),
      turnDeg: i * 30,
      crosses: i === 0 ? "s1" : i === 1 ? "s0" : null,
    }));
    const { cuts } = suggest(m, { plant, stems, task: "thin" }, date("2026-06-10"));
    expect(cuts.filter((c) => "stemId" in c && (c.stemId === "s0" || c.stemId === "s1"))).toHaveLength(1);
  });
  test("no proposal goes past what the try allows, suckers neither", () => {
    const plant = plantOf("syringa-vulgaris");
    const m = modelOf([plant], { visits: [visitOf(plant.id, "2026-04-01", 0.2)] });
    const stems = Array.from({ length: 30 }, (_, i): Stem => ({
      ...plainStem(`s${i}`, 8 + (i % 5), 1.2),
      turnDeg: i * 12,
    }));
    const { cuts } = suggest(m, { plant, stems, task: "thin-suckers" }, date("2026-06-10"));
    expect(tryOut(m, { plant, stems, task: "thin-suckers", cuts }, date("2026-06-10")).over).toBe(0);
    expect(amountsOf(stems, cuts, buildOf(LILAC)).removed).toBeGreaterThan(0);
  });
});

describe("one timeline of a height", () => {
  const at = (
    id: string,
    on: string,
    records: { visits?: ReturnType<typeof visitOf>[]; observations?: ReturnType<typeof seenOn>[] } = {},
  ): number => {
    const m = modelOf([plantOf(id, { heightM: 2 })], records);
    return heightOf(m, m.plant(id), date(on)).heightM;
  };
  const hard = (id: string, share: number) =>
    visitOf(id, "2026-02-10", share, { task: "hard-cutback", regime: "renewal" });
  test("a cutback written down by its share leaves the plant lower, never under its stub; stems thinned out leave it as tall", () => {
    // What is left holds the fifth that was not taken.
    const left = at("syringa-vulgaris", "2026-02-11", { visits: [hard("syringa-vulgaris", 0.8)] });
    const m = { taxon: LILAC, plant: plantOf("syringa-vulgaris"), stems: null };
    expect(takenAbove(m, 2, left).share).toBeCloseTo(0.8, 2);
    expect(at("syringa-vulgaris", "2026-02-11", { visits: [hard("syringa-vulgaris", 0.99)] })).toBeCloseTo(
      LILAC.leastStubM!,
      2,
    );
    const thinned = visitOf("syringa-vulgaris", "2026-02-10", 0.3, { task: "thin" });
    expect(at("syringa-vulgaris", "2026-02-11", { visits: [thinned] })).toBeCloseTo(2, 2);
  });
  test.each([
    ["measured after the cut", [0.52], 0.52],
    ["measured before it", [2.05], null],
    ["before and after", [2, 0.6], 0.6],
  ])("on the day of a cut, %s: %j", (_, measures, left) => {
    const observations = measures.map((heightM, i) =>
      seenOn("syringa-vulgaris", "2026-02-10", { id: `o-${i}`, kind: "height", heightM }),
    );
    const stands = at("syringa-vulgaris", "2026-02-11", { visits: [hard("syringa-vulgaris", 0.8)], observations });
    // Measured before, what the cut left of that is reckoned: a little more than a third of an upright shrub's height.
    if (left === null) expect(stands / 2.05).toBeCloseTo(0.42, 1);
    else expect(stands).toBeCloseTo(left, 2);
  });
  test("a hard cut is answered with vigour for a season; a third is not, nor what is cut down every year", () => {
    expect([vigourAfterCut(LILAC, 1 / 3), vigourAfterCut(LILAC, 1)]).toEqual([1, 1.6]);
    expect(vigourAfterCut(CATALOGUE.byId("buddleja-davidii")!, 1)).toBe(1);
    const visits = [hard("syringa-vulgaris", 0.8)];
    const grown = at("syringa-vulgaris", "2027-01-15", { visits }) - at("syringa-vulgaris", "2026-02-11", { visits });
    expect(grown).toBeCloseTo(LILAC.growthM[1] * vigourAfterCut(LILAC, 0.8), 2);
  });
  test("what is foretold for the season's end is what stands there then", () => {
    const visits = [hard("syringa-vulgaris", 0.8)];
    const m = modelOf([plantOf("syringa-vulgaris", { heightM: 2 })], { visits });
    for (const on of ["2026-02-20", "2026-05-20", "2026-07-01"])
      expect([on, seasonsEndOf(m, m.plant("syringa-vulgaris"), date(on))[1]]).toEqual([
        on,
        expect.closeTo(at("syringa-vulgaris", "2026-12-01", { visits }), 6),
      ]);
  });
  test("nothing outgrows its kind, and what was measured taller stays so", () => {
    expect(grownTo(LILAC, 4.9, 0.4, 3)).toBe(LILAC.matureHeightM[1]);
    expect(grownTo(LILAC, 7, 0.4, 3)).toBe(7);
  });
  test.each(["dome", "cone", "column", "vase", "upright", "tree"] as const)(
    "%s: the height over a share is the share over the height",
    (habit) => {
      const m = { taxon: { ...LILAC, habit }, plant: { form: null, widthM: 1.5 }, stems: null };
      for (const z of [0.5, 0.7, 0.85, 0.97])
        expect(lowestTop(m, 2, takenAbove(m, 2, 2 * z).share)).toBeCloseTo(2 * z, 1);
    },
  );
  test("the demo garden's plants stand as tall on every screen's own question", () => {
    const m = openGarden(demoGarden(date("2026-06-10")), CATALOGUE);
    for (const p of m.garden.plants) {
      const met = adviseOn(m, p.id, date("2026-06-10"), "shape").reasons.find((r) => r.code === "goal-met");
      if (met)
        expect((met.values as { heightM: number }).heightM).toBe(
          heightOf(m, p, date("2026-06-10"), m.taxonOf(p)).heightM,
        );
    }
  });
});

describe("a hedge's share", () => {
  const m = openGarden(demoGarden(date("2026-06-10")), CATALOGUE);
  const on = date("2026-08-20");
  const hedge = m.garden.hedges[0]!;
  const plant = m.plant(hedge.plantId);
  test("lowered by its section and by a height on the plant's page is one number; so is what is recorded", () => {
    const s = hedgeStands(m, hedge, on);
    const measured = measuredOn(m, plant, on);
    const tall = s.now.heightM;
    for (const part of [0.95, 0.8, 0.6, 0.4]) {
      const byShears = hedgeTo(m, s, { ...s.now, heightM: tall * part }).cut.share;
      expect(takenAbove(measured, tall, tall * part).share).toBeCloseTo(byShears, 10);
      expect(shareOfCut({ by: "height", beforeM: tall, afterM: tall * part }, measured)).toBeCloseTo(byShears, 10);
      expect(lowestTop(measured, tall, byShears)).toBeCloseTo(tall * part, 3);
    }
  });
  test("a deeper cut never takes less, and all of it is all", () => {
    const measured = measuredOn(m, plant, on);
    const heights = Array.from({ length: 41 }, (_, i) => 2 * (1 - i / 40));
    const taken = heights.map((h) => takenAbove(measured, 2, h));
    for (const [i, t] of taken.entries()) {
      expect(t.share).toBeGreaterThanOrEqual(taken[Math.max(0, i - 1)]!.share - 1e-9);
      expect(t.reach).toBeGreaterThanOrEqual(t.share);
    }
    // Nothing, to no depth; all of it, of every shoot, for its whole length.
    expect([taken[0], taken.at(-1)]).toEqual([
      { share: 0, reach: 0, depth: 0 },
      { share: 1, reach: 1, depth: 1 },
    ]);
  });
});
