import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  UNSAID_RULES,
  addDays,
  addYears,
  adviseAll,
  adviseOn,
  TASKS,
  CATALOGUE,
  date,
  daysBetween,
  demoGarden,
  inCycle,
  makeDate,
  monthDay,
  openGarden,
  planCut,
  VERDICTS,
  verdictFor,
  type Garden,
  type Plant,
  type PlainDate,
  type Task,
  type Verdict,
  wish,
} from "@wren/core";
import { everyKindAt, modelOf, PLACE, plantOf, seenOn, someKinds, visitOf, weatherRows } from "./support.ts";

const everyKind = everyKindAt(PLACE);
const kindVerdict = (taxonId: string, on: string, task: Task): Verdict =>
  verdictFor(everyKind, taxonId, date(on), task);

describe("the calendar of the trade, zone 6b (common practice; hydrangeas and spring shrubs: VCE 430-462)", () => {
  const rows: [string, Task, string, Verdict[]][] = [
    ["hydrangea-paniculata", "shape", "2026-03-15", ["best"]],
    ["hydrangea-paniculata", "shape", "2026-06-10", ["costs-flowers"]],
    ["hydrangea-paniculata", "hard-cutback", "2025-11-20", ["wait"]],
    ["hydrangea-arborescens", "hard-cutback", "2026-03-20", ["best"]],
    ["hydrangea-macrophylla", "shape", "2026-03-15", ["costs-flowers"]],
    ["hydrangea-macrophylla", "hard-cutback", "2026-05-20", ["costs-flowers"]],
    ["hydrangea-macrophylla", "deadhead", "2026-08-01", ["best"]],
    ["hydrangea-macrophylla", "deadhead", "2025-11-20", ["wait"]],
    ["hydrangea-macrophylla", "deadhead", "2026-04-15", ["best", "fine"]],
    ["hydrangea-quercifolia", "hard-cutback", "2026-03-15", ["costs-flowers"]],
    ["hydrangea-anomala-petiolaris", "shape", "2026-07-10", ["best"]],
    ["hydrangea-serrata", "shape", "2026-05-10", ["costs-flowers"]],
    ["hydrangea-macrophylla-reblooming", "hard-cutback", "2026-05-10", ["costs-flowers"]],
    ["syringa-vulgaris", "shape", "2026-03-15", ["costs-flowers"]],
    ["syringa-vulgaris", "shape", "2026-06-10", ["best", "fine"]],
    ["syringa-vulgaris", "shape", "2026-09-10", ["too-late"]],
    ["rhododendron-large-leaved", "shape", "2026-06-25", ["best", "fine"]],
    ["rhododendron-large-leaved", "shear", "2026-06-25", ["fine"]],
    ["pieris-japonica", "shape", "2026-06-08", ["best", "fine"]],
    ["osmanthus-fragrans", "shape", "2026-08-15", ["costs-flowers"]],
    ["spiraea-japonica", "hard-cutback", "2026-03-20", ["best"]],
    ["spiraea-japonica", "hard-cutback", "2026-08-14", ["wait"]],
    ["spiraea-japonica", "hard-cutback", "2026-09-10", ["wait"]],
    ["buddleja-davidii", "hard-cutback", "2025-11-10", ["wait"]],
    ["buddleja-davidii", "hard-cutback", "2026-03-15", ["wait"]],
    ["buddleja-davidii", "hard-cutback", "2026-05-10", ["wait"]],
    ["rosa-repeat", "shape", "2026-04-05", ["best"]],
    ["cornus-sericea", "hard-cutback", "2026-03-18", ["best", "fine"]],
    ["cornus-sericea", "hard-cutback", "2025-12-10", ["costs-flowers"]],
    ["pinus-mugo", "shape", "2026-05-25", ["best"]],
    ["pinus-mugo", "shape", "2026-07-20", ["too-late"]],
    ["pinus-mugo", "hard-cutback", "2026-05-25", ["never"]],
    ["thuja-occidentalis", "shear", "2026-06-25", ["best", "fine"]],
    ["thuja-occidentalis", "shear", "2026-09-15", ["too-late"]],
    ["thuja-occidentalis", "hard-cutback", "2026-06-25", ["never"]],
    ["taxus-media", "shear", "2026-03-15", ["wait"]],
    ["buxus-sempervirens", "shear", "2026-07-01", ["best"]],
    ["buxus-sempervirens", "shear", "2026-09-10", ["too-late"]],
    ["bougainvillea", "shape", "2026-03-01", ["wait"]],
    ["bougainvillea", "shape", "2026-05-14", ["best", "fine"]],
    ["ribes-speciosum", "shape", "2026-08-01", ["best"]],
    ["ceanothus-evergreen", "shape", "2026-06-15", ["best", "fine"]],
    ["lavandula-angustifolia", "shear", "2026-08-05", ["best"]],
    ["lavandula-angustifolia", "hard-cutback", "2026-08-05", ["never"]],
    ["miscanthus-sinensis", "hard-cutback", "2026-03-25", ["best"]],
    ["miscanthus-sinensis", "hard-cutback", "2026-07-15", ["costs-flowers"]],
    ["hibiscus-moscheutos", "hard-cutback", "2026-03-20", ["best"]],
  ];
  test.each(rows)("%s, %s on %s: %j", (taxon, task, on, expected) => {
    expect(expected).toContain(kindVerdict(taxon, on, task));
  });

  const LEAVES_FALL_DAYS = 25;
  test("dead wood costs nothing, and goes on any day on which it can be told from live", () => {
    for (const t of someKinds(3))
      for (let d = 0; d < 365; d += 13) {
        const on = addDays(date("2026-01-01"), d);
        const a = adviseOn(everyKind, t.id, on, "dead-only");
        const y = everyKind.yearOf(t);
        const u = inCycle(y, everyKind.season(on).seasonDay);
        // In between leaves are coming down: some days here or there.
        const inLeaf = u > y.wakes.day + 12 && u < y.dormant.day - LEAVES_FALL_DAYS && t.restsInDrought !== true;
        const bare = u >= y.dormant.day || u <= y.wakes.day + 12;
        expect([t.id, on, a.bloomLoss.length, a.frostRisk]).toEqual([t.id, on, 0, 0]);
        if (Math.abs(u - y.wakes.day - 10) < 3) continue;
        if (inLeaf) expect([t.id, on, a.verdict]).toEqual([t.id, on, "best"]);
        else if (bare && t.leaf === "deciduous" && t.restsInDrought !== true)
          expect([t.id, on, a.verdict]).not.toEqual([t.id, on, "best"]);
      }
  });
});

describe("a new garden: a panicle hydrangea and a lilac, three years old", () => {
  const planted = { plantedOn: date("2023-04-15") };
  const plants = [plantOf("hydrangea-paniculata", planted), plantOf("syringa-vulgaris", planted)];
  const june = visitOf("syringa-vulgaris", "2026-06-10", 1 / 3);

  test("the lilac in March loses most of this spring; the panicle in June is delayed", () => {
    const m = modelOf(plants);
    const lilac = adviseOn(m, "syringa-vulgaris", date("2026-03-15"), "shape");
    expect(lilac.bloomLoss[0]!.loss).toBeGreaterThan(0.75);
    expect(lilac.bloomLoss[0]!.opens.slice(0, 7)).toBe("2026-05");
    expect(adviseOn(m, "syringa-vulgaris", date("2026-06-10"), "shape").window).toMatchObject({
      costs: false,
      daysLeft: expect.any(Number),
    });
    const panicle = adviseOn(m, "hydrangea-paniculata", date("2026-06-10"), "shape");
    expect(panicle.bloomLoss[0]!.delayDays).toBeGreaterThan(3);
    expect(panicle.todayInstead.map((x) => x.task)).toContain("dead-only");
  });

  test("a third in June fills the account; another third is refused until the day it frees up", () => {
    const m = modelOf(plants, { visits: [june] });
    const after = adviseOn(m, "syringa-vulgaris", date("2026-06-10"), "shape");
    expect(after).toMatchObject({ verdict: "wait", left: 0, over: 0, freesUpOn: "2027-06-10" });
    const plan = planCut(m, "syringa-vulgaris", date("2026-06-12"), { task: "shape", share: 1 / 3 });
    expect(plan).toMatchObject({ accepted: false, fitsOn: "2027-06-10" });
    expect(plan.reasons[0]!.code).toBe("cap-reached");
  });

  test("recorded all the same it shows as over", () => {
    const m = modelOf(plants, { visits: [june, visitOf("syringa-vulgaris", "2026-06-20", 0.2)] });
    const a = adviseOn(m, "syringa-vulgaris", date("2026-06-21"), "shape");
    expect(a.over).toBeCloseTo(0.2);
    expect(a.reasons.map((r) => r.code)).toContain("cap-over");
  });
});

describe("regimes and standings", () => {
  test("a cutback shows no cap and blocks a second hard cut until dormancy; dead wood stays free", () => {
    const cutback = visitOf("spiraea-japonica", "2026-03-20", 0.8, {
      task: "hard-cutback",
      regime: "cutback",
    });
    const m = modelOf([plantOf("spiraea-japonica")], { visits: [cutback] });
    const again = adviseOn(m, "spiraea-japonica", date("2026-04-10"), "hard-cutback");
    expect(again).toMatchObject({ verdict: "wait", regime: "cutback", cap: null, left: null, over: 0 });
    expect(again.reasons[0]!.code).toBe("after-cutback");
    expect(verdictFor(m, "spiraea-japonica", date("2026-04-10"), "dead-only")).toBe("best");
    expect(verdictFor(m, "spiraea-japonica", date("2027-02-10"), "hard-cutback")).toBe("best");
  });

  test("a renewal goes alone that year", () => {
    const renewal = visitOf("syringa-vulgaris", "2026-03-01", 0.3, {
      task: "hard-cutback",
      regime: "renewal",
    });
    const m = modelOf([plantOf("syringa-vulgaris")], { visits: [renewal] });
    expect(adviseOn(m, "syringa-vulgaris", date("2026-06-10"), "shape").reasons[0]!.code).toBe("after-renewal");
  });

  // condition × task → verdict and cap (common practice; a quarter past maturity: ANSI A300).
  test.each<[string, Partial<Plant>, Task, Verdict | null, number]>([
    ["first season", { plantedOn: date("2026-04-02") }, "shape", "wait", 0],
    ["first season, dead wood", { plantedOn: date("2026-04-02") }, "dead-only", "best", 0],
    ["second season", { plantedOn: date("2025-04-02") }, "shape", null, 0.1],
    ["second season, hard", { plantedOn: date("2025-04-02") }, "hard-cutback", "wait", 0.1],
    ["stressed", { condition: "stressed", conditionOn: date("2026-05-01") }, "shape", "wait", 0],
    ["just frosted, even dead wood", { condition: "frosted", conditionOn: date("2026-05-20") }, "dead-only", "wait", 0],
    ["drought", { condition: "drought", conditionOn: date("2026-06-01") }, "shape", null, 1 / 6],
    ["past maturity", { condition: "past-maturity" }, "shape", null, 0.25],
    ["unknown history, unchecked", { plantedOn: null, condition: "unchecked" }, "shape", "wait", 0],
    ["unknown history, checked", { plantedOn: null }, "shape", null, 1 / 3],
    ["within 3 m of a power line", { powerLineM: 2.5 }, "dead-only", "ask-a-pro", 1 / 3],
    ["a limb over 10 cm", { thickestStemMm: 120 }, "shape", "ask-a-pro", 1 / 3],
  ])("%s", (_, more, task, verdict, cap) => {
    const a = adviseOn(modelOf([plantOf("syringa-vulgaris", more)]), "syringa-vulgaris", date("2026-06-10"), task);
    if (verdict) expect(a.verdict).toBe(verdict);
    else expect(["best", "fine"]).toContain(a.verdict);
    expect(a.cap).toBeCloseTo(cap, 9);
  });

  test("a grass planted last spring is cut back in late winter like any other", () => {
    const grass = plantOf("miscanthus-sinensis", { plantedOn: date("2025-05-08") });
    expect(verdictFor(modelOf([grass]), grass.id, date("2026-03-25"), "hard-cutback")).toBe("best");
  });

  test("new growth seen after the stress was noted lifts it", () => {
    const stressed = plantOf("syringa-vulgaris", { condition: "stressed", conditionOn: date("2026-04-01") });
    const seen = seenOn(stressed.id, "2026-05-10");
    const on = date("2026-06-10");
    expect(verdictFor(modelOf([stressed]), stressed.id, on, "shape")).toBe("wait");
    expect(["best", "fine"]).toContain(
      verdictFor(modelOf([stressed], { observations: [seen] }), stressed.id, on, "shape"),
    );
  });

  test("a full account shuts what counts in it, and nothing else", () => {
    const codes = (taxon: string, task: Task): readonly string[] => {
      const full = visitOf(taxon, "2026-03-20", 0.33);
      return adviseOn(modelOf([plantOf(taxon)], { visits: [full] }), taxon, date("2026-06-10"), task).reasons.map(
        (r) => r.code,
      );
    };
    expect(codes("syringa-vulgaris", "shape")).toContain("cap-reached");
    expect(codes("syringa-vulgaris", "thin-suckers")).not.toContain("cap-reached");
    expect(codes("syringa-vulgaris", "renovate")).not.toContain("cap-reached");
    expect(codes("buddleja-davidii", "hard-cutback")).not.toContain("cap-reached");
  });

  test("hot afternoons are said of shears in a hot July, not of a mild one, of thinning, or of a day whose weather is known", () => {
    const hot = { ...PLACE, zone: "9a", latitudeDeg: 33, warmestC: 38, lastFrost: null, firstFrost: null } as const;
    const says = (place: typeof PLACE, on: string, task: Task, weather: Garden["weather"] = []): boolean =>
      adviseOn(modelOf([plantOf("taxus-media")], { place, weather }), "taxus-media", date(on), task).reasons.some(
        (r) => r.code === "hot-season",
      );
    expect(says(hot, "2026-07-20", "shear")).toBe(true);
    expect(says(hot, "2026-07-20", "thin")).toBe(false);
    expect(says(hot, "2026-01-20", "shear")).toBe(false);
    expect(says({ ...PLACE, warmestC: 20 }, "2026-07-20", "shear")).toBe(false);
    const cool = weatherRows([{ on: date("2026-07-20"), tminC: 12, tmaxC: 22, rainMm: 0 }]);
    expect(says(hot, "2026-07-20", "shear", cool)).toBe(false);
  });

  test("butterfly bush: seen growth opens it before the forecast; the autumn school is priced by the place", () => {
    const bush = plantOf("buddleja-davidii");
    const seen = seenOn(bush.id, "2026-04-20");
    const on = date("2026-04-22");
    expect(verdictFor(modelOf([bush]), bush.id, on, "hard-cutback")).toBe("wait");
    expect(["best", "fine"]).toContain(
      verdictFor(modelOf([bush], { observations: [seen] }), bush.id, on, "hard-cutback"),
    );
    const stubs = { ...UNSAID_RULES, schools: { "butterfly-bush": "autumn-stubs" } };
    expect(verdictFor(modelOf([bush], { rules: stubs }), bush.id, date("2026-11-10"), "hard-cutback")).toBe("wait");
    const mild = {
      ...PLACE,
      zone: "9b",
      lastFrost: monthDay("02-01"),
      firstFrost: monthDay("12-20"),
      latitudeDeg: 37,
    };
    expect(["best", "fine"]).toContain(
      verdictFor(modelOf([bush], { rules: stubs, place: mild }), bush.id, date("2026-02-01"), "hard-cutback"),
    );
  });

  test("goals: leave is a full answer; a hedge under its line has no need", () => {
    const m = modelOf([
      plantOf("hydrangea-quercifolia", { goal: wish("leave") }),
      plantOf("taxus-media", { heightM: 1.2, goal: wish("outline", 1.7) }),
    ]);
    expect(adviseOn(m, "hydrangea-quercifolia", date("2026-06-10"))).toMatchObject({
      task: "leave",
      verdict: "no-need",
    });
    expect(adviseOn(m, "taxus-media", date("2026-07-10"))).toMatchObject({
      task: "shear",
      verdict: "no-need",
    });
  });
});

describe("the hemispheres mirror", () => {
  const half = (d: PlainDate): PlainDate => {
    const [y, m, day] = [Number(d.slice(0, 4)), Number(d.slice(5, 7)), Number(d.slice(8))];
    return m <= 6 ? makeDate(y, m + 6, day) : makeDate(y + 1, m - 6, day);
  };
  const north = demoGarden(date("2026-07-05"));
  const south: Garden = {
    ...north,
    place: {
      ...north.place,
      latitudeDeg: -north.place.latitudeDeg,
      // The same days of the hemisphere's year.
      lastFrost: monthDay("10-18"),
      firstFrost: monthDay("04-19"),
    },
    plants: north.plants.map((p) => ({
      ...p,
      heightOn: half(p.heightOn),
      plantedOn: p.plantedOn && half(p.plantedOn),
      conditionOn: p.conditionOn && half(p.conditionOn),
    })),
    visits: north.visits.map((v) => ({ ...v, on: half(v.on) })),
    observations: north.observations.map((o) => ({ ...o, on: half(o.on) })),
  };
  const [n, s] = [openGarden(north, CATALOGUE), openGarden(south, CATALOGUE)];

  test.each(["2026-07-06", "2026-09-15", "2026-12-01", "2027-03-15", "2027-05-20", "2027-06-10"])("%s", (on) => {
    const there = half(date(on));
    adviseAll(n, date(on)).forEach((a, i) => {
      const near = [-2, -1, 0, 1, 2].map((k) => adviseOn(s, north.plants[i]!.id, addDays(there, k)));
      const b = near.find((x) => x.verdict === a.verdict);
      expect(`${a.plantId} ${b?.verdict}`).toBe(`${a.plantId} ${a.verdict}`);
      if (a.window?.opens && b?.window?.opens && a.window.daysLeft === null)
        expect(Math.abs(daysBetween(half(a.window.opens), b.window.opens))).toBeLessThanOrEqual(4);
    });
  });
});

describe("properties of every answer", () => {
  const model = openGarden(demoGarden(date("2026-11-25")), CATALOGUE);
  const someDay = fc.integer({ min: 0, max: 729 }).map((n) => addDays(date("2026-01-01"), n));
  const somePlant = fc.constantFrom(...model.garden.plants.map((p) => p.id));
  const someTask = fc.constantFrom(...TASKS);

  test("prices lie in 0–1, windows are ordered, the strongest reason carries the verdict", () => {
    fc.assert(
      fc.property(somePlant, someDay, someTask, (id, on, task) => {
        const a = adviseOn(model, id, on, task);
        for (const b of a.bloomLoss) {
          expect(b.loss).toBeGreaterThanOrEqual(0);
          expect(b.loss).toBeLessThanOrEqual(1);
          expect(b.delayDays).toBeGreaterThanOrEqual(0);
        }
        expect(a.frostRisk).toBeGreaterThanOrEqual(0);
        expect(a.frostRisk).toBeLessThanOrEqual(1);
        expect(VERDICTS).toContain(a.verdict);
        if (a.window?.opens && a.window.closes) expect(a.window.opens <= a.window.closes).toBe(true);
        if (a.window?.daysLeft != null) expect(addDays(on, a.window.daysLeft)).toBe(a.window.closes);
        expect(adviseOn(model, id, on, task).reason).toEqual(a.reasons[0]);
        // A refusal is the strongest of its reasons, which comes first; where one may go, none argues for less.
        const strength = a.reasons.map((r) => (r.verdict === null ? VERDICTS.length : VERDICTS.indexOf(r.verdict)));
        const [own, may] = [VERDICTS.indexOf(a.verdict), VERDICTS.indexOf("no-need")];
        if (own < may) expect([strength[0], Math.min(...strength)]).toEqual([own, own]);
        else expect(Math.min(...strength)).toBeGreaterThanOrEqual(may);
        if (a.freesUpOn !== null) expect(a.freesUpOn > on).toBe(true);
        if (a.cap === 0) expect(a.freesUpOn).toBeNull();
      }),
      { numRuns: 400 },
    );
  });

  test("a harder cut never costs fewer flowers on the same day", () => {
    fc.assert(
      fc.property(fc.constantFrom(...CATALOGUE.taxa.map((t) => t.id)), someDay, (id, on) => {
        const loss = (task: Task): number =>
          adviseOn(everyKind, id, on, task).bloomLoss.reduce((sum, b) => sum + b.loss, 0);
        expect(loss("hard-cutback")).toBeGreaterThanOrEqual(loss("shear") - 1e-6);
      }),
    );
  });

  test("a year later the answer is the same when nothing was recorded (kinds without records)", () => {
    const on = date("2025-06-10");
    for (const t of someKinds(5))
      expect(kindVerdict(t.id, on, t.routineTask)).toBe(kindVerdict(t.id, addYears(on, 1), t.routineTask));
  });
});
