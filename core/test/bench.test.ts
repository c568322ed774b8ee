import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  amountsOf,
  bestSubset,
  bindsText,
  bladePlace,
  CATALOGUE,
  checkTally,
  conductingSection,
  cutList,
  date,
  demoGarden,
  isRefusal,
  measuresOf,
  NO_STEMS,
  openGarden,
  pastUpkeep,
  plainStem,
  readTally,
  remarkText,
  renewalThird,
  shareByDiameters,
  stemCount,
  stemIssues,
  stemsFromTally,
  suggest,
  tryOut,
  voiceOf,
  whatFollows,
  worseOfPairs,
  type Pass,
  type Plant,
  type Stem,
  type StemCut,
  type Task,
  buildOf,
  plainBranch,
  type Build,
  type SideBranch,
} from "../src/index.ts";
import "./seed.ts";

const garden = demoGarden(date("2026-11-25"));
const model = openGarden(garden, CATALOGUE);
const say = voiceOf("metric");
const plantOf = (id: string): Plant => garden.plants.find((p) => p.id === id)!;
const kind = (id: string) => CATALOGUE.byId(id)!;

const stem = (id: string, diameterMm: number, more: Partial<Stem> = {}): Stem => ({
  ...plainStem(id, diameterMm, 2),
  ...more,
});
const out = (...ids: string[]): StemCut[] => ids.map((stemId) => ({ cut: "remove", stemId }));
/** The same as a proposal says it. */
const outIn = (pass: Pass, ...ids: string[]): StemCut[] => out(...ids).map((c) => ({ ...c, pass }));
/** Leafy throughout, as wide at the foot as at the top, all of a stem conducting. */
const plain: Build = {
  architecture: "stems",
  outline: "column",
  bend: 0,
  shellM: Infinity,
  bareFoot: 0,
  sapwoodMm: 1000,
  growthM: [0.3, 0.5, 0.8],
  greenOnly: false,
  evergreen: false,
};
const side = (at: number, diameterMm: number, lengthM: number): SideBranch => plainBranch(at, diameterMm, lengthM);

describe("a count of stems", () => {
  test.each([
    [
      "14 stems: 5 thicker than thumb, 6 middling, 3 thin, 2 dead, 2 crossing",
      { thick: 5, middling: 6, thin: 3, dead: 2, crossing: 2 },
    ],
    ["3 old canes, 4 pencil-thin, 1 weak", { thick: 3, thin: 4, weak: 1 }],
    ["9 shoots, 2 thumbs", { thick: 2, middling: 7 }],
    ["6 dead", { middling: 6, dead: 6 }],
  ])("%s", (text, expected) => {
    const r = readTally(text);
    expect(r.ok && r.value).toEqual({ ...NO_STEMS, ...expected });
  });

  test.each([
    ["many", "tally-empty"],
    ["5 tall ones", "tally-words"],
    ["0 stems", "tally-zero"],
    ["2000 stems", "tally-many"],
    ["4 stems: 5 thick", "tally-sum"],
    ["4 thick, 5 dead", "tally-among"],
  ])("%s is refused: %s", (text, code) => {
    const r = readTally(text);
    expect(r.ok ? "read" : r.issues[0]!.code).toBe(code);
  });

  test("drawn, it is that count again, within the plant's size, and the same each time", () => {
    const plant = plantOf("lilac-corner");
    const tally = { ...NO_STEMS, thick: 5, middling: 6, thin: 3, dead: 2, crossing: 2, weak: 1, low: 1 };
    const taxon = model.taxonOf(plant);
    const stems = stemsFromTally(tally, plant, buildOf(taxon));
    expect(stems).toEqual(stemsFromTally(tally, plant, buildOf(taxon)));
    expect(checkTally(tally).ok && stems.length).toBe(stemCount(tally));
    expect(stems.filter((s) => s.state === "dead")).toHaveLength(2);
    expect(stems.filter((s) => s.crosses !== null)).toHaveLength(2);
    expect(stems.filter((s) => s.faults.length > 0)).toHaveLength(2);
    expect(stemIssues(stems, plant)).toEqual([]);
    const { before } = amountsOf(stems, [], buildOf(taxon));
    expect(before.heightM).toBeCloseTo(plant.heightM, 0);
    expect(before.widthM).toBeGreaterThan(plant.widthM * 0.6);
    expect(before.widthM).toBeLessThan(plant.widthM * 1.3);
  });

  test.each([
    ["none at all", [], "stems-none"],
    ["far longer than the plant", [stem("a", 20, { lengthM: 9 })], "stem-long"],
    ["centimetres for millimetres", [stem("a", 1.2)], "stem-thin"],
    ["tenths of millimetres", [stem("a", 300)], "stem-thick"],
    ["crosses nobody", [stem("a", 20, { crosses: "z" })], "stem-crosses"],
    ["too many", Array.from({ length: 2000 }, (_, i) => stem(`s${i}`, 20)), "stems-many"],
  ])("said: %s", (_, stems, code) => {
    expect(stemIssues(stems, { heightM: 2.2, widthM: 1.5 })[0]?.code).toBe(code);
  });
});

describe("shares of cuts at stems", () => {
  // checks.md 6, multi-stem example: diameters in cm, exponent 2; computed there by two routes.
  const twelve = [3.2, 2.8, 2.5, 2.0, 1.8, 1.6, 1.5, 1.2, 1.0, 0.9, 0.8, 0.6].map((cm, i) => stem(`s${i}`, cm * 10));
  test.each([
    ["thickest three", out("s0", "s1", "s2"), 0.598819],
    ["thickest four", out("s0", "s1", "s2", "s3"), 0.697268],
    ["thinnest four", out("s8", "s9", "s10", "s11"), 0.069161],
    ["nothing", [], 0],
  ])("%s of twelve", (_, cuts, share) => {
    expect(amountsOf(twelve, cuts, plain).share).toBeCloseTo(share, 6);
  });

  test("three of ten stems can be over half: area and count are both said, and which binds", () => {
    const ten = [40, 38, 36, ...Array.from({ length: 7 }, () => 18)].map((d, i) => stem(`s${i}`, d));
    const plant = plantOf("lilac-corner");
    const t = tryOut(model, { plant, stems: ten, task: "thin", cuts: out("s0", "s1", "s2") }, date("2027-06-01"));
    expect(t.countShare).toBeCloseTo(0.3);
    expect(t.share).toBeGreaterThan(0.5);
    expect(t.binds).toBe("area");
    expect(bindsText(t, say)).toMatch(/3 of 10 stems hold \d\d % of the live growth: the live growth is the limit/);
    const named = measuresOf(t).map(([m]) => m);
    expect(named).toEqual(["by thickness", "by stems counted", "by its outline", "by height alone"]);
  });

  // A column leafy throughout has half of its leaf over half of its height (exact geometry).
  test.each([
    ["topped at half", [{ cut: "top", heightM: 1 }], 0.5],
    ["headed at half", [{ cut: "head", stemId: "a", keptM: 1 }], 0.5],
    ["topped at three quarters", [{ cut: "top", heightM: 1.5 }], 0.25],
    [
      "headed twice: the lower counts",
      [
        { cut: "head", stemId: "a", keptM: 1.5 },
        { cut: "head", stemId: "a", keptM: 1 },
      ],
      0.5,
    ],
    ["dead heads are no growth", [{ cut: "dead-heads" }], 0],
    ["sheared above its tip", [{ cut: "shear", heightM: 2.5, widthM: 3 }], 0],
  ] as [string, StemCut[], number][])("%s", (_, cuts, share) => {
    expect(amountsOf([stem("a", 20)], cuts, plain).share).toBeCloseTo(share, 1);
  });

  test("leaf is parted: a branch off costs, a stem headed below it costs more, and all places together are all of it", () => {
    const s = stem("a", 20, { branches: [side(0.5, 10, 0.8), side(0.75, 8, 0.5)] });
    const share = (...cuts: StemCut[]): number => amountsOf([s], cuts, plain).share;
    const off = (branch: number): StemCut => ({ cut: "branch-off", stemId: "a", branch });
    expect(share(off(1))).toBeGreaterThan(0.02);
    expect(share({ cut: "head", stemId: "a", keptM: 1.4 })).toBeGreaterThan(share(off(1)));
    expect(share(off(0), off(1))).toBeCloseTo(share(off(0)) + share(off(1)), 9);
    expect(share({ cut: "to-branch", stemId: "a", branch: 0 })).toBeCloseTo(
      share({ cut: "head", stemId: "a", keptM: 1 }),
      9,
    );
    expect(share({ cut: "branch-back", stemId: "a", branch: 0, keptM: 0.4 })).toBeLessThan(share(off(0)));
  });

  test("dead stems stand in no sum, diseased ones are booked apart, half-leaved ones count half", () => {
    const stems = [
      stem("a", 20),
      stem("b", 20, { state: "dead" }),
      stem("c", 20, { state: "diseased" }),
      stem("d", 20, { leafed: 0.5 }),
    ];
    const a = amountsOf(stems, out("b", "c", "d"), plain);
    expect([a.deadRemoved, a.removed, a.live]).toEqual([1, 1, 3]);
    expect(a.share).toBeCloseTo(0.5 / 2.5, 9);
    expect(a.hazardShare).toBeCloseTo(1 / 2.5, 9);
  });

  test("over any set of cuts: never outside 0 to 1, more cuts never less, and removal is Σd²", () => {
    const off = {
      at: fc.double({ min: 0, max: 1, noNaN: true }),
      diameterMm: fc.integer({ min: 2, max: 15 }),
      lengthM: fc.double({ min: 0.1, max: 1, noNaN: true }),
      turnDeg: fc.integer({ min: 0, max: 360 }),
      riseDeg: fc.integer({ min: -60, max: 80 }),
      dead: fc.boolean(),
    };
    const branch = fc.record({
      ...off,
      leafFrom: fc.constantFrom(null, 0.5),
      shoots: fc.array(fc.record(off), { maxLength: 3 }),
    });
    const one = fc.record({
      diameterMm: fc.integer({ min: 4, max: 60 }),
      lengthM: fc.double({ min: 0.5, max: 3, noNaN: true }),
      leanDeg: fc.integer({ min: 0, max: 60 }),
      turnDeg: fc.integer({ min: 0, max: 360 }),
      branches: fc.array(branch, { maxLength: 3 }),
    });
    const cut = fc.oneof(
      fc.record({ cut: fc.constant("remove" as const), stemId: fc.constantFrom("s0", "s1", "s2", "s3") }),
      fc.record({
        cut: fc.constant("head" as const),
        stemId: fc.constantFrom("s0", "s1", "s2", "s3"),
        keptM: fc.double({ min: 0.05, max: 3, noNaN: true }),
      }),
      fc.record({
        cut: fc.constantFrom("branch-off" as const, "to-branch" as const),
        stemId: fc.constantFrom("s0", "s1"),
        branch: fc.integer({ min: 0, max: 2 }),
      }),
      fc.record({
        cut: fc.constant("branch-back" as const),
        stemId: fc.constantFrom("s0", "s1"),
        branch: fc.integer({ min: 0, max: 2 }),
        keptM: fc.double({ min: 0.05, max: 1, noNaN: true }),
      }),
      fc.record({ cut: fc.constant("top" as const), heightM: fc.double({ min: 0.3, max: 3, noNaN: true }) }),
      fc.record({ cut: fc.constant("lift" as const), clearM: fc.double({ min: 0.1, max: 1, noNaN: true }) }),
      fc.record({ cut: fc.constant("tips" as const), offM: fc.double({ min: 0.01, max: 0.5, noNaN: true }) }),
      fc.record({
        cut: fc.constant("shear" as const),
        heightM: fc.double({ min: 0.3, max: 3, noNaN: true }),
        widthM: fc.double({ min: 0.3, max: 3, noNaN: true }),
      }),
    );
    fc.assert(
      fc.property(fc.array(one, { minLength: 2, maxLength: 8 }), fc.array(cut, { maxLength: 6 }), (drawn, cuts) => {
        const stems = drawn.map((s, i) => stem(`s${i}`, s.diameterMm, s));
        const a = amountsOf(stems, cuts, plain);
        const more = amountsOf(stems, [...cuts, ...out("s0")], plain);
        expect(a.share).toBeGreaterThanOrEqual(0);
        expect(more.share).toBeLessThanOrEqual(1);
        expect(more.share).toBeGreaterThanOrEqual(a.share - 1e-9);
        // Whichever cut is the one more.
        const all = amountsOf(stems, cuts, plain);
        for (const c of cuts) {
          const fewer = amountsOf(
            stems,
            cuts.filter((x) => x !== c),
            plain,
          );
          expect(all.share).toBeGreaterThanOrEqual(fewer.share - 1e-9);
          expect(all.after.heightM).toBeLessThanOrEqual(fewer.after.heightM + 1e-9);
        }
        expect(a.after.heightM).toBeLessThanOrEqual(a.before.heightM + 1e-9);
        // Nothing is left standing outside the shears' outline, but for the bow of a stem between two points of it.
        for (const c of cuts) {
          if (c.cut !== "shear") continue;
          expect(a.after.heightM).toBeLessThanOrEqual(c.heightM + 0.002);
          expect(a.after.widthM).toBeLessThanOrEqual(c.widthM + 0.002);
        }
        const [first, ...rest] = stems;
        expect(amountsOf(stems, out("s0"), plain).share).toBeCloseTo(
          shareByDiameters(
            [first!.diameterMm],
            rest.map((s) => s.diameterMm),
          ),
          9,
        );
      }),
      { numRuns: 150 },
    );
  });
});

describe("where the blade goes", () => {
  test("a heading snaps to a bud that looks out or to a side branch strong enough, and keeps above the stub", () => {
    const s = stem("a", 24, { branches: [side(0.5, 9, 0.6)] });
    const atBranch = bladePlace(s, 1.01);
    expect([atBranch.above, atBranch.keptM, atBranch.aboveMm]).toEqual(["branch", 1, 13]);
    for (let wanted = 0.1; wanted < 1.9; wanted += 0.07) {
      const p = bladePlace(s, wanted);
      expect(Math.abs(p.keptM - wanted)).toBeLessThan(0.2);
      expect(p.outward).toBe(true);
    }
    expect(bladePlace(s, 0.05, 0.3).keptM).toBeGreaterThanOrEqual(0.3);
    const thin = stem("a", 24, { branches: [side(0.5, 7, 0.6)] });
    expect(bladePlace(thin, 1).above).toBe("bud");
  });
});

describe("what is refused", () => {
  const half = (s: Stem): StemCut => ({ cut: "head", stemId: s.id, keptM: s.lengthM * 0.1 });
  const codes = (
    plant: Plant,
    stems: readonly Stem[],
    cuts: readonly StemCut[],
    task: Task = "shape",
    on = "2027-06-20",
  ) => tryOut(model, { plant, stems, task, cuts }, date(on)).remarks;
  const arborvitae = plantOf("arborvitae-bins");
  const lavender = plantOf("lavender-row");
  const short = (p: Plant): Stem => stem("a", 12, { lengthM: p.heightM });
  const near = { ...plantOf("lilac-corner"), powerLineM: 2 };
  test.each<[string, Plant, Stem, StemCut, string]>([
    [
      "a conifer's branch cut into leafless wood",
      arborvitae,
      stem("a", 60, { lengthM: 2, branches: [{ ...side(0.3, 15, 0.8), leafFrom: 0.6 }, side(0.7, 12, 0.4)] }),
      { cut: "branch-back", stemId: "a", branch: 0, keptM: 0.3 },
      "past-green",
    ],
    ["a conifer's leader", arborvitae, short(arborvitae), half(short(arborvitae)), "leader-stays"],
    [
      "a trunk by thinning",
      { ...plantOf("lilac-corner"), form: "trunk" },
      stem("a", 60),
      { cut: "remove", stemId: "a" },
      "trunk-stays",
    ],
    ["a lavender cut into leafless wood", lavender, short(lavender), half(short(lavender)), "past-green"],
    [
      "a lavender sheared below its green",
      lavender,
      short(lavender),
      { cut: "shear", heightM: 0.02, widthM: 0.3 },
      "green-line",
    ],
    [
      "a stub too low to break",
      plantOf("panicle-seat"),
      stem("a", 20),
      { cut: "head", stemId: "a", keptM: 0.02 },
      "stub-too-low",
    ],
    ["a limb over 10 cm", plantOf("lilac-corner"), stem("a", 120), { cut: "remove", stemId: "a" }, "pro-limb"],
    [
      "a cut out of reach",
      plantOf("lilac-corner"),
      stem("a", 30, { lengthM: 4 }),
      { cut: "head", stemId: "a", keptM: 3.2 },
      "pro-reach",
    ],
    [
      "a saw over the shoulder",
      plantOf("lilac-corner"),
      stem("a", 90, { lengthM: 4 }),
      { cut: "head", stemId: "a", keptM: 1.8 },
      "pro-saw-overhead",
    ],
    ["a wire within 3 m", near, stem("a", 20), { cut: "remove", stemId: "a" }, "pro-wire"],
  ])("%s", (_, plant, s, cut, code) => {
    const found = codes(plant, [s], [cut]).find((r) => r.code === code);
    expect(found && isRefusal(found)).toBe(true);
    expect(remarkText(found!, say)).toMatch(/^(No:|Too low|Call)/);
  });

  test("of two trunks thinning takes neither, renewal one and not both", () => {
    const plant: Plant = { ...plantOf("lilac-corner"), form: "trunk" };
    const two = [stem("a", 60), stem("b", 40)];
    const cut = (id: string): StemCut => ({ cut: "remove", stemId: id });
    const stay = (ids: readonly string[], task: Task) =>
      codes(plant, two, ids.map(cut), task).filter((r) => r.code === "trunk-stays").length;
    expect([stay(["b"], "thin"), stay(["b"], "renovate"), stay(["a", "b"], "renovate")]).toEqual([1, 0, 2]);
  });

  test("a heavy limb is taken in three cuts; a thin side branch may not take over: said, not refused", () => {
    const s = stem("a", 60, { branches: [side(0.2, 10, 0.5)] });
    const found = codes(plantOf("lilac-corner"), [s], [{ cut: "to-branch", stemId: "a", branch: 0 }]);
    expect(found.map((r) => r.code)).toEqual(["three-cut", "leader-thin"]);
    expect(found.some(isRefusal)).toBe(false);
  });

  // Common practice: the young and the weak lose dead wood only; after frost even that cannot yet be told.
  describe.each<[string, Partial<Plant>, readonly StemCut[], string]>([
    ["in its first season", { plantedOn: date("2027-03-01"), condition: "healthy" }, outIn("dead", "b"), "live-waits"],
    ["under stress", { condition: "stressed", conditionOn: date("2027-03-01") }, outIn("dead", "b"), "live-waits"],
    ["hurt by frost", { condition: "frosted", conditionOn: date("2027-03-01") }, [], "dead-waits"],
  ])("a plant that is %s", (_, state, cuts, code) => {
    const plant = { ...plantOf("panicle-seat"), ...state };
    const world = openGarden({ ...garden, plants: [plant] }, CATALOGUE);
    const stems = [stem("a", 20), stem("b", 20, { state: "dead" }), stem("c", 15, { faults: ["weak"] })];
    const on = date("2027-04-10");

    test.each<Task>(["shape", "thin", "tip", "shear", "lift", "renovate", "hard-cutback", "reduce-for-wind"])(
      "is offered nothing alive to %s, and told why",
      (task) => {
        const s = suggest(world, { plant, stems, task }, on);
        expect(s.cuts).toEqual(cuts);
        expect(s.passes.map((p) => p.pass)).toEqual(cuts.map(() => "dead"));
        expect(s.waits?.code).toBe(code);
        expect(s.pastUpkeep).toBe(false);
      },
    );

    test.each([
      ["dead", "b", code === "dead-waits" ? "dead-waits" : null],
      ["live", "c", "live-waits"],
    ])("a %s stem cut all the same is refused or not", (_state, id, refusal) => {
      const { accepted, remarks } = tryOut(world, { plant, stems, task: "shape", cuts: out(id) }, on);
      expect(accepted).toBe(refusal === null);
      expect(remarks.filter(isRefusal).map((r) => r.code)).toEqual(refusal === null ? [] : [refusal]);
    });

    test("one cut in the dead top of a live stem takes nothing alive", () => {
      const dry = { ...stem("d", 20, { lengthM: 2 }), deadFrom: 0.7 };
      const headed = (keptM: number) =>
        tryOut(
          world,
          { plant, stems: [stem("a", 20), dry], task: "shape", cuts: [{ cut: "head", stemId: "d", keptM }] },
          on,
        ).remarks.map((r) => r.code);
      expect([headed(1.5).includes("live-waits"), headed(0.8).includes("live-waits")]).toEqual([false, true]);
    });
  });
});

describe("the proposal", () => {
  test("the best set under a budget is what brute force finds", () => {
    const item = fc.record({ value: fc.integer({ min: 1, max: 30 }), cost: fc.integer({ min: 0, max: 100 }) });
    fc.assert(
      fc.property(
        fc.array(item, { minLength: 1, maxLength: 11 }),
        fc.integer({ min: 0, max: 220 }),
        (items, budget) => {
          const total = (xs: readonly (typeof items)[number][], of: "value" | "cost") =>
            xs.reduce((n, x) => n + x[of], 0);
          let best = 0;
          for (let mask = 0; mask < 1 << items.length; mask++) {
            const chosen = items.filter((_, i) => mask & (1 << i));
            if (total(chosen, "cost") <= budget) best = Math.max(best, total(chosen, "value"));
          }
          const found = bestSubset(items, budget).map((i) => items[i]!);
          expect(total(found, "cost")).toBeLessThanOrEqual(budget);
          expect(total(found, "value")).toBe(best);
        },
      ),
      { numRuns: 100 },
    );
  });

  const tasks: [string, string, Task, string][] = [
    ["a lilac thinned after bloom", "lilac-corner", "thin", "2027-06-01"],
    ["a lilac renewed", "lilac-corner", "renovate", "2027-03-20"],
    ["a panicle hydrangea in March", "panicle-seat", "shape", "2027-03-10"],
    ["a spirea cut back", "spirea-gate", "hard-cutback", "2027-03-10"],
    ["a lavender sheared", "lavender-row", "shear", "2027-08-20"],
    ["a yew trimmed", "yew-hedge", "shear", "2027-07-01"],
  ];
  const tally = { ...NO_STEMS, thick: 5, middling: 6, thin: 3, dead: 2, crossing: 2, weak: 1 };
  test.each(tasks)("%s: under its limit, nothing refused, dead wood first", (_, id, task, on) => {
    const plant = plantOf(id);
    const stems = stemsFromTally(tally, plant, buildOf(model.taxonOf(plant)));
    const s = suggest(model, { plant, stems, task }, date(on));
    const t = tryOut(model, { plant, stems, task, cuts: s.cuts }, date(on));
    expect(t.over).toBe(0);
    expect(t.remarks.filter(isRefusal)).toEqual([]);
    expect(t.removed).toBeLessThanOrEqual(t.stemsMayGo ?? t.live);
    expect(t.deadRemoved).toBe(2);
    const list = cutList(stems, s.cuts, model.taxonOf(plant), task, plant, buildOf(model.taxonOf(plant)));
    expect(list.map((l) => l.no)).toEqual(list.map((_l, i) => i + 1));
    expect(list.slice(0, 2).map((l) => l.pass)).toEqual(["dead", "dead"]);
    expect(list.flatMap((l) => l.cuts)).toHaveLength(s.cuts.length);
    // What the list says a cut is for is what it was proposed for.
    for (const l of list) for (const c of l.cuts) expect(s.passes.find((p) => p.cuts.includes(c))?.pass).toBe(l.pass);
  });

  test("three years of renewal never take more than a third by count, oldest first", () => {
    const plant = plantOf("lilac-corner");
    let stems = Array.from({ length: 11 }, (_, i) => stem(`s${i}`, 30 - i, { ageYears: 11 - i }));
    for (const on of ["2027-06-01", "2028-06-01", "2029-06-01"]) {
      const s = suggest(model, { plant, stems, task: "renovate" }, date(on));
      const gone = s.cuts.map((c) => ("stemId" in c ? c.stemId : ""));
      expect(gone.length).toBe(renewalThird(stems.length));
      expect(gone).toEqual(stems.slice(0, gone.length).map((x) => x.id));
      stems = stems.filter((x) => !gone.includes(x.id));
    }
  });

  test("the thumb rule gives way to a renewal at half of the stems", () => {
    const of = (thick: number, thin: number) => [
      ...Array.from({ length: thick }, (_, i) => stem(`a${i}`, 30)),
      ...Array.from({ length: thin }, (_, i) => stem(`b${i}`, 10)),
    ];
    expect([pastUpkeep(of(4, 6)), pastUpkeep(of(5, 5)), pastUpkeep(of(6, 4))]).toEqual([false, false, true]);
  });

  test("of a crossing pair the worse goes, once for all it crosses", () => {
    const a = stem("a", 20, { crosses: "b" });
    const b = stem("b", 15, { crosses: "a", faults: ["weak"] });
    const c = stem("c", 15, { crosses: "b" });
    expect(worseOfPairs([a, b, c]).map((s) => s.id)).toEqual(["b"]);
  });

  test("of two weak stems alike the one that flowers less goes, when only one may", () => {
    const plant = plantOf("lilac-corner");
    const world = openGarden({ ...garden, plants: [plant], visits: [] }, CATALOGUE);
    const branch = side(0.5, 6, 0.5);
    const weak = (id: string, n: number) =>
      stem(id, 20, { faults: ["weak"], branches: Array.from({ length: n }, () => branch) });
    for (const [b, c, goes] of [
      [3, 0, "c"],
      [0, 3, "b"],
    ] as const) {
      const stems = [stem("a", 22), weak("b", b), weak("c", c)];
      const s = suggest(world, { plant, stems, task: "thin" }, date("2027-06-01"));
      expect(s.passes.find((p) => p.pass === "weak")?.cuts).toEqual(outIn("weak", goes));
    }
  });

  test("crossing stems stay when the cap is reached, and the proposal says so", () => {
    const plant = { ...plantOf("lilac-corner"), id: "lilac-corner" };
    const world = openGarden({ ...garden, plants: [plant], visits: [] }, CATALOGUE);
    const stems = [stem("a", 30), stem("b", 30), stem("c", 30, { crosses: "d" }), stem("d", 30, { crosses: "c" })];
    const s = suggest(world, { plant, stems, task: "thin" }, date("2027-06-01"));
    expect(s.passes.find((p) => p.pass === "crossing")?.stays).toHaveLength(1);
  });
});

describe("what follows", () => {
  const plant = plantOf("spirea-gate");
  const taxon = model.taxonOf(plant);
  const stems = stemsFromTally({ ...NO_STEMS, middling: 8 }, plant, buildOf(taxon));
  const after = (cuts: readonly StemCut[]) =>
    whatFollows(model, plant.id, amountsOf(stems, cuts, buildOf(taxon)), date("2027-03-10"), 0);

  test("height never falls from one horizon to the next, slow is not above strong, nothing outgrows its kind", () => {
    for (const cuts of [[], out("s1", "s2"), stems.map((s): StemCut => ({ cut: "head", stemId: s.id, keptM: 0.2 }))]) {
      const { futures } = after(cuts);
      for (const [i, f] of futures.entries()) {
        expect(f.heightM[0]).toBeLessThanOrEqual(f.heightM[1]);
        expect(f.heightM[1]).toBeLessThanOrEqual(f.heightM[2]);
        expect(f.heightM[2]).toBeLessThanOrEqual(Math.max(taxon.matureHeightM[1], plant.heightM) + 0.05);
        if (i > 0) expect(f.heightM[1]).toBeGreaterThanOrEqual(futures[i - 1]!.heightM[1] - 1e-9);
      }
    }
  });

  test("fewer stems make larger heads; stems out at the base come again, to be thinned in time", () => {
    const few = after(out("s1", "s2", "s3", "s4"));
    const whole = after([]);
    expect(few.futures[1]!.flowers![1]).toBeLessThan(whole.futures[1]!.flowers![1]);
    expect(few.futures[1]!.headSize![1]).toBeGreaterThan(whole.futures[1]!.headSize![1]);
    expect(few.suckers!.count).toEqual([4, 8, 16]);
    expect(few.suckers!.thinOn > date("2027-03-10")).toBe(true);
    expect(whole.suckers).toBeNull();
  });

  test("a conifer does not come again from the base", () => {
    const thuja = plantOf("arborvitae-bins");
    const s = [stem("a", 40), stem("b", 40)];
    expect(kind(thuja.taxonId).regrowthFromLeaflessWood).toBe("no");
    expect(
      whatFollows(model, thuja.id, amountsOf(s, out("a"), buildOf(kind(thuja.taxonId))), date("2027-06-10"), 0).suckers,
    ).toBeNull();
  });
});

test("an old stem carries fewer leaves than its section says", () => {
  const old = amountsOf([stem("a", 60), stem("b", 20)], out("a"), { ...plain, sapwoodMm: 10 });
  // checks.md 6: with a live ring of 1 cm, 6 cm across counts 15.708 of 28.274 cm².
  expect(old.share).toBeCloseTo(1570.8 / (1570.8 + conductingSection(20, 10)), 4);
});
