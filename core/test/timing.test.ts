/** This year's pace, what waits to be seen, what follows, the limits of the day, wind, seasons, schools. */
import { describe, expect, test } from "@jest/globals";
import {
  addDays,
  adviseOn,
  bySeason,
  CATALOGUE,
  daysBetween,
  date,
  demoGarden,
  followUpsOf,
  followUpText,
  giveOrTake,
  kindYearFor,
  looksOn,
  openGarden,
  plantYear,
  remindersOf,
  SCHOOLS,
  seasonPoint,
  taskForGoal,
  tasksFor,
  TASKS,
  VERDICT_TABLE,
  verdictFor,
  voiceOf,
  yearsAsked,
  yearsShown,
  withYears,
  workYears,
  youngOf,
  type Begun,
  type ChainId,
  type Garden,
  type Task,
  type Verdict,
  type Visit,
  wish,
} from "@wren/core";
import { modelOf, PLACE, PLACES, plantOf, seenOn, visitOf, weatherRows } from "./support.ts";

const LILAC = "syringa-vulgaris";
const say = voiceOf("metric");
const opensOf = (m: ReturnType<typeof modelOf>, id: string, on: string): number => {
  const d = kindYearFor(m, m.plant(id), date(on), "shape").year.displays.find((x) => x.display.weight >= 0.5)!;
  return d.opens.day;
};
const seasons = (paceDays: number, seasonYear = 2026): Garden["seasons"] => [
  { id: `season-${seasonYear}`, seasonYear, paceDays },
];

describe("this year's pace", () => {
  const plain = modelOf([plantOf(LILAC), plantOf("hydrangea-paniculata"), plantOf("osmanthus-fragrans")]);

  test.each([10, -10, 25])(
    "said by the gardener, %d days: bloom and window move by it this year only, and the answer says so",
    (days) => {
      const m = modelOf([plantOf(LILAC)], { seasons: seasons(days) });
      expect(opensOf(plain, LILAC, "2026-06-10") - opensOf(m, LILAC, "2026-06-10")).toBeCloseTo(days, 5);
      expect(opensOf(m, LILAC, "2027-06-10")).toBe(opensOf(plain, LILAC, "2027-06-10"));
      const [a, b] = [plain, m].map((x) => adviseOn(x, LILAC, date("2026-04-01"), "shape"));
      const moved = daysBetween(b!.window!.opens!, a!.window!.opens!);
      expect(Math.abs(moved - days)).toBeLessThanOrEqual(2);
      expect(b!.reasons.some((r) => r.code === "year-runs")).toBe(true);
      expect(a!.reasons.some((r) => r.code === "year-runs")).toBe(false);
      expect(b!.pace).toMatchObject({ days, from: "gardener" });
    },
  );

  test("frost keeps its own odds, and autumn its own dates", () => {
    const m = modelOf([plantOf(LILAC)], { seasons: seasons(15) });
    const [a, b] = [plain, m].map((x) => x.kindsIn(2026));
    expect(b!.climate.frost(0).between(100, 150)).toBe(a!.climate.frost(0).between(100, 150));
    const lilac = CATALOGUE.byId(LILAC)!;
    expect(b!.yearOf(lilac).dormant.day).toBeCloseTo(a!.yearOf(lilac).dormant.day, 5);
  });

  const expected = opensOf(plain, LILAC, "2026-06-10");
  const on = (day: number, year = 2026): string => addDays(date(`${year}-01-01`), Math.round(day));
  const flowers = (ahead: number, years: readonly number[], id = LILAC) =>
    years.map((y) => seenOn(id, on(expected - ahead, y), { id: `o-${y}-${id}`, kind: "first-flower" }));

  test("a first flower written down moves the year by a part of its lead; more of them by more", () => {
    const one = modelOf([plantOf(LILAC)], { observations: flowers(10, [2026]) }).pace(2026);
    expect(one.from).toBe("notes");
    expect(one.days).toBeGreaterThan(4);
    expect(one.days).toBeLessThan(9);
    const many = [LILAC, "lilac-2", "lilac-3"].map((id) => plantOf(LILAC, { id }));
    const three = modelOf(many, { observations: many.flatMap((p) => flowers(10, [2026], p.id)) }).pace(2026);
    expect(three.days).toBeGreaterThan(one.days);
    expect(three.days).toBeLessThan(10);
  });

  test("ten years of one early plant move that plant, not the garden; of four plants, the garden", () => {
    const years = Array.from({ length: 10 }, (_, i) => 2016 + i);
    const next = (m: ReturnType<typeof modelOf>) => ({
      garden: m.pace(2026).days,
      plant: expected - opensOf(m, LILAC, "2026-01-02"),
    });
    const one = next(modelOf([plantOf(LILAC)], { observations: flowers(12, years) }));
    expect(one.garden).toBeLessThan(4);
    expect(one.plant).toBeGreaterThan(9);
    const four = [LILAC, "lilac-2", "lilac-3", "lilac-4"].map((id) => plantOf(LILAC, { id }));
    const all = next(modelOf(four, { observations: four.flatMap((p) => flowers(12, years, p.id)) }));
    expect(all.garden).toBeGreaterThan(6);
    expect(all.garden).toBeGreaterThan(one.garden + 2);
  });

  test("a first leaf tells of the year as a first flower does, where spring wakes the plant", () => {
    const wakes = plantYear(CATALOGUE.byId(LILAC)!, plain.climate).wakes.day;
    const leaf = (ahead: number) =>
      modelOf([plantOf(LILAC)], { observations: [seenOn(LILAC, on(wakes - ahead), { kind: "first-leaf" })] }).pace(
        2026,
      );
    expect(leaf(12).notes).toHaveLength(1);
    expect(leaf(12).days).toBeGreaterThan(4);
    expect(leaf(-12).days).toBeLessThan(-4);
    // In flower within its own days it may have been for one day or for twenty: that says nothing.
    const inside = modelOf([plantOf(LILAC)], {
      observations: [seenOn(LILAC, on(expected + 8), { kind: "in-flower" })],
    });
    expect(inside.pace(2026).from).toBe("usual");
  });

  test("weather that a station made up is told from weather that was seen", () => {
    const rows = weatherRows([{ on: date("2026-03-01"), tminC: 2, tmaxC: 12, rainMm: 0 }]);
    const pace = (weather: Garden["weather"]) => modelOf([plantOf(LILAC)], { weather }).pace(2026);
    expect([pace([]).simulated, pace(rows).simulated]).toEqual([false, false]);
    expect(pace(rows.map((w) => ({ ...w, source: "simulated" as const }))).simulated).toBe(true);
    expect(pace(rows.map((w) => ({ ...w, year: 2020, source: "simulated" as const }))).simulated).toBe(false);
  });

  test("a flower on a plant nobody can name says nothing of the year", () => {
    const candidates = [
      { taxonId: LILAC, share: 0.5 },
      { taxonId: "hydrangea-paniculata", share: 0.5 },
    ];
    const unsure = plantOf(LILAC, { identity: { by: "key", on: date("2026-01-01"), candidates } });
    expect(modelOf([unsure], { observations: flowers(10, [2026]) }).pace(2026).from).toBe("usual");
  });

  test("a warm spring's own days put the year ahead, a cold one's behind; the rest of the year is expected weather", () => {
    const c = plain.climate;
    const shifted = (by: number) =>
      weatherRows(
        Array.from({ length: 130 }, (_, d) => ({
          on: addDays(date("2026-01-01"), d),
          tminC: c.tminC[d]! + by,
          tmaxC: c.tmaxC[d]! + by,
          rainMm: null,
        })),
      );
    const [warm, usual, cold] = [4, 0, -4].map((by) => modelOf([plantOf(LILAC)], { weather: shifted(by) }).pace(2026));
    expect(warm!.days).toBeGreaterThan(8);
    expect(cold!.days).toBeLessThan(-5);
    expect(warm!.days).toBeGreaterThan(usual!.days);
    expect(usual!.days).toBeGreaterThan(cold!.days);
    expect([warm!.from, warm!.daysKnown]).toEqual(["weather", 130]);
    // The gardener's word stands over all of it.
    const over = modelOf([plantOf(LILAC)], {
      weather: shifted(4),
      observations: flowers(10, [2026]),
      seasons: seasons(-3),
    });
    expect(over.pace(2026)).toMatchObject({ days: -3, from: "gardener" });
  });
});

describe("what waits to be seen", () => {
  const bush = plantOf("buddleja-davidii");
  const cut = (on: string, more: Partial<Garden> = {}): string => {
    const a = adviseOn(modelOf([bush], more), bush.id, date(on), "hard-cutback");
    return `${a.verdict} ${a.reasons[0]!.code}`;
  };

  test("a butterfly bush in a cold place stays wait past its forecast until growth is written down", () => {
    const wakes = plantYear(CATALOGUE.byId(bush.id)!, modelOf([bush]).climate).wakes.day;
    const after = (d: number): string => addDays(date("2026-01-01"), Math.round(wakes + d));
    expect(cut(after(-10))).toBe("wait growth-shows");
    expect(cut(after(15))).toBe("wait growth-overdue");
    expect(cut(after(75))).toBe("wait growth-never");
    expect(cut(after(15), { observations: [seenOn(bush.id, after(12))] })).not.toMatch(/^wait/);
    const look = adviseOn(modelOf([bush]), bush.id, date(after(-10)), "hard-cutback");
    expect(look.opening).toMatchObject({ by: "seen", what: "growth", expected: after(0) });
    expect(look.window!.opens! >= after(0)).toBe(true);
  });

  test("growth that shows late makes the plant's own year late: the cut is still in time, its flowers later", () => {
    const wakes = plantYear(CATALOGUE.byId(bush.id)!, modelOf([bush]).climate).wakes.day;
    const day = (d: number): string => addDays(date("2026-01-01"), Math.round(wakes + d));
    const seen = [seenOn(bush.id, day(30))];
    expect(VERDICT_TABLE[cut(day(32), { observations: seen }).split(" ")[0] as Verdict].go).toBe(true);
    const flowers = (more: Partial<Garden>): string =>
      adviseOn(modelOf([bush], more), bush.id, date(day(32)), "shape").bloomLoss[0]!.opens;
    expect(daysBetween(date(flowers({})), date(flowers({ observations: seen })))).toBeGreaterThan(5);
  });

  test("bloom that is over opens the cut on the day it was seen; still in flower keeps it shut", () => {
    const at = (on: string, kind: "last-flower" | "not-yet"): Verdict =>
      verdictFor(
        modelOf([plantOf(LILAC)], {
          observations: [seenOn(LILAC, on, { kind, lookedFor: kind === "not-yet" ? "last-flower" : null })],
        }),
        LILAC,
        date(on),
        "shape",
      );
    const ends = plantYear(CATALOGUE.byId(LILAC)!, modelOf([plantOf(LILAC)]).climate).displays[0]!.ends.day;
    const day = (d: number): string => addDays(date("2026-01-01"), Math.round(ends + d));
    expect(verdictFor(modelOf([plantOf(LILAC)]), LILAC, date(day(-10)), "shape")).toBe("costs-flowers");
    expect(VERDICT_TABLE[at(day(-10), "last-flower")].go).toBe(true);
    expect(verdictFor(modelOf([plantOf(LILAC)]), LILAC, date(day(4)), "shape")).toBe("best");
    expect(at(day(4), "not-yet")).toBe("costs-flowers");
  });

  test.each([
    ["2026-02-01", []],
    ["2026-04-25", ["first-leaf", "first-flower", "buds-killed"]],
    ["2026-05-20", ["first-flower", "last-flower"]],
    ["2026-06-15", ["last-flower"]],
    ["2026-12-20", []],
  ] as const)(
    "a lilac on %s is looked at for %j first; all else may be said on any day, what was said is not asked again",
    (on, looks) => {
      const m = modelOf([plantOf(LILAC)]);
      const all = looksOn(m, m.plant(LILAC), date(on), "shape", null);
      expect(all.filter((l) => l.due).map((l) => l.look)).toEqual(looks);
      for (const look of ["first-leaf", "last-flower", "buds-killed", "leaf-fall"] as const)
        expect(all.map((l) => l.look)).toContain(look);
      expect(all.some((l) => l.look === "in-flower" || l.look === "first-flower")).toBe(true);
      const seen = modelOf([plantOf(LILAC)], {
        observations: looks.map((kind) => seenOn(LILAC, on, { id: kind, kind })),
      });
      const again = looksOn(seen, seen.plant(LILAC), date(on), "shape", null).map((l) => l.look);
      expect(again.filter((l) => (looks as readonly string[]).includes(l))).toEqual([]);
    },
  );

  test("a frosted bigleaf that is only to be tidied waits too, heads and dead wood alike, and growth may be told on any later day", () => {
    const p = plantOf("hydrangea-macrophylla", {
      goal: wish("tidy"),
      condition: "frosted",
      conditionOn: date("2026-04-10"),
    });
    const m = modelOf([p]);
    for (const task of ["deadhead", "dead-only", "shape"] as const) {
      const a = adviseOn(m, p.id, date("2026-04-11"), task);
      expect([a.verdict, a.reasons[0]!.code]).toEqual(["wait", "frosted"]);
    }
    const late = adviseOn(m, p.id, date("2026-06-25"));
    expect(looksOn(m, p, late.on, late.task, late.opening)[0]).toEqual({ look: "growth-seen", due: true });
    const grown = modelOf([p], { observations: [seenOn(p.id, "2026-05-12", { where: "old-stems" })] });
    const then = adviseOn(grown, p.id, date("2026-05-12"), "dead-only");
    expect([then.verdict, then.reasons.map((r) => r.code)]).toEqual(["best", expect.arrayContaining(["cut-back-to"])]);
  });

  test("berries that are kept: the cut waits until they are gone, growth at the latest", () => {
    const p = plantOf("callicarpa-americana", { goal: wish("keep-heads") });
    const on = date("2026-11-05");
    const a = adviseOn(modelOf([p]), p.id, on, "hard-cutback");
    expect([a.verdict, a.reasons[0]!.code]).toEqual(["wait", "berries-kept"]);
    const gone = modelOf([p], { observations: [seenOn(p.id, "2026-11-02", { kind: "berries-gone" })] });
    expect(adviseOn(gone, p.id, on, "hard-cutback").reasons.map((r) => r.code)).not.toContain("berries-kept");
  });
});

describe("what follows (chains; common practice)", () => {
  const steps = (taxon: string, visit: Partial<Visit>, on: string, more: Partial<Garden> = {}, plant = {}) => {
    const p = plantOf(taxon, plant);
    const m = modelOf([p], { visits: [visitOf(p.id, "2026-03-20", 0.5, visit)], ...more });
    return followUpsOf(m, p, date(on));
  };
  const one = (chain: ChainId, ...args: Parameters<typeof steps>) => steps(...args).find((f) => f.chain === chain);

  test.each<[ChainId, string, Task, string, string, Task | null, Begun[]]>([
    ["real-prune", "rosa-repeat", "reduce-for-wind", "2025-11-15", "2026-03-25", "hard-cutback", []],
    ["thin-suckers", "cornus-sericea", "hard-cutback", "2026-03-20", "2026-05-30", "thin-suckers", []],
    ["deadhead-flush", "rosa-repeat", "hard-cutback", "2026-03-20", "2026-07-10", "deadhead", []],
    ["candle-check", "pinus-mugo", "candle", "2026-05-20", "2026-07-05", null, []],
    ["lift-again", LILAC, "lift", "2026-03-20", "2027-04-01", "lift", []],
    ["next-third", LILAC, "renovate", "2026-03-20", "2027-04-10", "renovate", []],
    ["rotation", LILAC, "thin", "2026-03-20", "2029-06-01", "thin", []],
    ["leader-out", "thuja-occidentalis", "shape", "2026-03-20", "2027-03-10", "shape", ["leader-halved"]],
    ["stranger-look", LILAC, "dead-only", "2026-06-20", "2026-08-02", null, ["stranger-cut"]],
    // Severed in spring or in winter, it has a season for roots before it is lifted at rest.
    ["layers-lift", LILAC, "dead-only", "2026-04-20", "2026-12-10", null, ["layers-severed"]],
    ["layers-lift", LILAC, "dead-only", "2026-12-20", "2027-12-10", null, ["layers-severed"]],
  ])("%s: %s, %s on %s; on %s it is time", (chain, taxon, task, cutOn, on, next, begun) => {
    const visit = { task, on: date(cutOn), begun };
    const f = one(chain, taxon, visit, on);
    expect(f).toMatchObject({ task: next, state: "due" });
    expect(followUpText(f!, say)).not.toMatch(/undefined|NaN/);
    expect(f!.from <= f!.until).toBe(true);
    // Before its time it is on its way; long after, it is let go.
    expect(one(chain, taxon, visit, addDays(date(cutOn), 1))?.state).toBe("coming");
    expect(one(chain, taxon, visit, "2033-01-01")).toBeUndefined();
  });

  test("branches that were lifted are not asked for again, and stand as young of their parent", () => {
    const begun = { task: "dead-only", on: date("2026-04-20"), begun: ["layers-severed"] } satisfies Partial<Visit>;
    const p = plantOf(LILAC);
    const young = { ...plantOf(LILAC, { parentId: p.id, plantedOn: date("2026-11-20") }), id: "young" };
    const m = modelOf([p, young], { visits: [visitOf(p.id, "2026-04-20", 0, begun)] });
    expect(youngOf(m, p)).toEqual([young]);
    expect(followUpsOf(m, p, date("2026-12-10")).map((f) => f.chain)).not.toContain("layers-lift");
  });

  test("suckers: seen makes it a job of three weeks, a visit ends it", () => {
    const seen = [seenOn("cornus-sericea", "2026-05-20", { kind: "suckers-up" })];
    const f = one("thin-suckers", "cornus-sericea", { task: "hard-cutback", regime: "cutback" }, "2026-05-25", {
      observations: seen,
    });
    expect(f).toMatchObject({ watched: null, state: "due", from: "2026-05-20", until: "2026-06-10" });
    const p = plantOf("cornus-sericea");
    const visits = [
      visitOf(p.id, "2026-03-20", 0.8, { task: "hard-cutback" }),
      visitOf(p.id, "2026-06-01", 0.1, { task: "thin-suckers" }),
    ];
    expect(followUpsOf(modelOf([p], { visits }), p, date("2026-06-05")).map((x) => x.chain)).not.toContain(
      "thin-suckers",
    );
  });

  test("a trial is kept in mind past its deadline until it is judged", () => {
    const visit = { task: "hard-cutback", trialUntil: date("2027-05-15") } as const;
    expect(one("trial", LILAC, visit, "2027-05-01")).toMatchObject({
      state: "due",
      until: "2027-05-15",
      watched: "regrowth-clean",
    });
    expect(one("trial", LILAC, visit, "2028-01-01")?.state).toBe("overdue");
    for (const kind of ["regrowth-clean", "regrowth-poor"] as const)
      expect(
        one("trial", LILAC, visit, "2027-05-20", { observations: [seenOn(LILAC, "2027-05-10", { kind })] }),
      ).toBeUndefined();
  });

  test("diseased wood taken out: its leaves are picked up as they fall; an evergreen's are not", () => {
    expect(one("fallen-leaves", LILAC, { hazardShare: 0.05 }, "2026-10-25")?.state).toBe("due");
    expect(one("fallen-leaves", "buxus-sempervirens", { hazardShare: 0.05 }, "2026-10-25")).toBeUndefined();
  });

  test("a second trim only by the school of two, and no third", () => {
    const trim = { task: "shear" } as const;
    expect(one("second-trim", "taxus-media", trim, "2026-05-20")).toBeUndefined();
    const two = { schools: { trims: "two" } };
    expect(one("second-trim", "taxus-media", trim, "2026-05-20", {}, two)?.state).toBe("due");
    const p = plantOf("taxus-media", two);
    const visits = ["2026-06-20", "2026-08-20"].map((on) => visitOf(p.id, on, 0.1, trim));
    expect(followUpsOf(modelOf([p], { visits }), p, date("2026-10-10")).map((f) => f.chain)).not.toContain(
      "second-trim",
    );
    expect(verdictFor(modelOf([p], { visits }), p.id, date("2026-08-25"), "shear")).not.toBe("best");
  });

  test("an old plant's thirds end after three years", () => {
    const p = plantOf(LILAC);
    const visits = ["2024-03-20", "2025-03-25", "2026-03-30"].map((on) =>
      visitOf(p.id, on, 0.3, { task: "renovate", regime: "renewal" }),
    );
    expect(followUpsOf(modelOf([p], { visits }), p, date("2027-04-10")).map((f) => f.chain)).not.toContain(
      "next-third",
    );
  });

  test("next steps go into the calendar with ids that stay", () => {
    const p = plantOf("rosa-repeat");
    const m = modelOf([p], { visits: [visitOf(p.id, "2026-11-10", 0.4, { task: "reduce-for-wind" })] });
    const of = (on: string) =>
      remindersOf(m, date(on)).find((r) => r.kind === "next-step" && r.followUp?.chain === "real-prune");
    expect(of("2026-12-01")!.uid).toBe(of("2027-02-01")!.uid);
  });
});

describe("limits of the day (common practice)", () => {
  const day = (on: string, tminC: number, tmaxC: number, rainMm = 0) =>
    weatherRows([{ on: date(on), tminC, tmaxC, rainMm }]);
  const first = (taxon: string, task: Task, on: string, more: Partial<Garden> = {}, plant = {}): string => {
    const a = adviseOn(modelOf([plantOf(taxon, plant)], more), taxon, date(on), task);
    return `${a.verdict} ${a.reasons[0]!.code}`;
  };
  test.each<[string, string, Task, string, number, number, string]>([
    ["31 °C stops the shears", "buxus-sempervirens", "shear", "2026-07-05", 18, 31, "wait heat"],
    ["30 °C does not", "buxus-sempervirens", "shear", "2026-07-05", 18, 30, "best flush-hardened"],
    ["31 °C leaves single cuts", LILAC, "shape", "2026-06-15", 18, 32, "best buds-not-begun"],
    ["38 °C stops every live cut", LILAC, "shape", "2026-06-15", 24, 38, "wait heat"],
    ["and leaves dead wood", LILAC, "dead-only", "2026-06-15", 24, 39, "best dead-any-day"],
    ["a frosty night on soft growth", LILAC, "shape", "2026-06-05", -0.5, 9, "wait frost-tonight"],
    ["none on a hardy plant asleep", "hydrangea-paniculata", "shape", "2026-03-10", -6, 4, "best before-growth"],
  ])("%s", (_, taxon, task, on, lo, hi, expected) =>
    expect(first(taxon, task, on, { weather: day(on, lo, hi) })).toBe(expected),
  );

  const health = {
    on: date("2026-05-01"),
    scratch: "green",
    growth: "everywhere",
    deadShare: 0,
    frost: false,
    drought: false,
    weak: false,
    sparseFoot: false,
  } as const;
  test("diseased wood waits for a dry day", () => {
    const sick = { health: { ...health, disease: true } };
    expect(first(LILAC, "dead-only", "2026-06-15", { weather: day("2026-06-15", 12, 18, 4) }, sick)).toBe(
      "wait rain-disease",
    );
    expect(first(LILAC, "dead-only", "2026-06-15", { weather: day("2026-06-15", 12, 18, 0) }, sick)).toBe(
      "best dead-any-day",
    );
    const unknown = weatherRows([{ on: date("2026-06-15"), tminC: 12, tmaxC: 18, rainMm: null }]);
    expect(first(LILAC, "dead-only", "2026-06-15", { weather: unknown }, sick)).toBe("best dead-any-day");
    expect(first(LILAC, "dead-only", "2026-06-15", { weather: day("2026-06-15", 12, 18, 4) })).toBe(
      "best dead-any-day",
    );
  });

  test("three dry warm weeks: no shears unless the bed is watered", () => {
    const dry = weatherRows(
      Array.from({ length: 22 }, (_, i) => ({ on: addDays(date("2026-06-14"), i), tminC: 15, tmaxC: 28, rainMm: 0.1 })),
    );
    expect(first("buxus-sempervirens", "shear", "2026-07-05", { weather: dry })).toBe("wait dry-spell");
    const m = modelOf([plantOf("buxus-sempervirens")], { weather: dry });
    const watered = { ...m.garden.beds[0]!, water: "irrigation" as const };
    expect(first("buxus-sempervirens", "shear", "2026-07-05", { weather: dry, beds: [watered] })).toBe(
      "best flush-hardened",
    );
  });

  test("just before bloom and in nesting season it says so", () => {
    const m = modelOf([plantOf("hydrangea-paniculata"), plantOf("buxus-sempervirens")]);
    const codes = (id: string, on: string, task: Task): string[] =>
      adviseOn(m, id, date(on), task).reasons.map((r) => r.code);
    expect(codes("hydrangea-paniculata", "2026-07-01", "shape")).toContain("just-before-bloom");
    expect(adviseOn(m, "buxus-sempervirens", date("2026-05-10"), "shear").wildlifeCost.map((w) => w.use)).toContain(
      "nests",
    );
    expect(adviseOn(m, "buxus-sempervirens", date("2026-10-10"), "shear").wildlifeCost).toEqual([]);
  });
});

describe("wind", () => {
  const beds = (wind: "exposed" | "sheltered") => modelOf([]).garden.beds.map((b) => ({ ...b, wind }));
  const at = (heightM: number, wind: "exposed" | "sheltered") =>
    modelOf([plantOf("buddleja-davidii", { heightM, heightOn: date("2026-11-01") })], { beds: beds(wind) });
  const on = date("2026-11-20");

  test("a tall butterfly bush on a windy corner: what leaving it costs is said and grows with height", () => {
    const tall = adviseOn(at(3, "exposed"), "buddleja-davidii", on, "shape");
    expect(tall.reasons.map((r) => r.code)).toContain("wind-leaving");
    expect(tall.windRisk).toBeGreaterThan(adviseOn(at(1.6, "exposed"), "buddleja-davidii", on).windRisk);
    expect(tall.windRisk).toBeGreaterThan(adviseOn(at(3, "sheltered"), "buddleja-davidii", on).windRisk);
    expect(adviseOn(at(3, "sheltered"), "buddleja-davidii", on, "shape").reasons.map((r) => r.code)).not.toContain(
      "wind-leaving",
    );
  });

  test("where there is no wind, a cut against it gains nothing", () => {
    const codes = (m: ReturnType<typeof at>): string[] =>
      adviseOn(m, "buddleja-davidii", date("2027-03-01"), "reduce-for-wind").reasons.map((r) => r.code);
    expect(codes(at(1.2, "sheltered"))).toContain("wind-calm");
    expect(codes(at(3, "exposed"))).not.toContain("wind-calm");
  });
});

describe("instead, and one season only", () => {
  test("a missed lilac in August: what is left has its minutes and flowers, dead wood first, and the next window", () => {
    const a = adviseOn(modelOf([plantOf(LILAC)]), LILAC, date("2026-07-20"), "shape");
    expect(VERDICT_TABLE[a.verdict].go).toBe(false);
    expect(a.todayInstead[0]!.task).toBe("dead-only");
    for (const x of a.todayInstead) expect(x.minutes.usual).toBeGreaterThan(0);
    expect(a.window!.opens! > "2027-05-01").toBe(true);
    for (const x of a.todayInstead) expect(x.bloomLoss).toBeLessThanOrEqual(0.11);
  });

  test("minutes come from the log as soon as there is one", () => {
    const visits = [30, 50, 40].map((minutes, i) => visitOf(LILAC, `202${i + 3}-06-10`, 0.1, { minutes }));
    const a = adviseOn(modelOf([plantOf(LILAC)], { visits }), LILAC, date("2026-06-12"), "shape");
    expect(a.minutes.from).toBe("log");
    expect(Math.abs(a.minutes.usual / 40 - 1)).toBeLessThan(0.3);
  });

  test("a lilac's four seasons: summer is free, winter costs this spring; a panicle's the other way round", () => {
    const m = modelOf([plantOf(LILAC), plantOf("hydrangea-paniculata")]);
    const loss = (id: string) =>
      Object.fromEntries(bySeason(m, m.plant(id), date("2026-09-05"), "shape").map((s) => [s.season, s]));
    const [lilac, panicle] = [loss(LILAC), loss("hydrangea-paniculata")];
    expect(lilac["summer"]!.bloomLoss).toBeLessThan(0.1);
    expect(lilac["winter"]!.bloomLoss).toBeGreaterThan(0.5);
    expect(panicle["winter"]!.bloomLoss).toBeLessThan(0.02);
    expect(panicle["summer"]!.bloomLoss).toBeGreaterThan(panicle["winter"]!.bloomLoss);
    for (const s of [...Object.values(lilac), ...Object.values(panicle)]) expect(s.on >= "2026-09-05").toBe(true);
  });
});

describe("tasks and schools", () => {
  test("a task that makes no sense for a kind is never offered and says why; every other is answered", () => {
    const kinds = ["pinus-mugo", LILAC, "lavandula-angustifolia", "miscanthus-sinensis"].map((id) => plantOf(id));
    const m = modelOf(kinds);
    for (const p of kinds)
      for (const t of TASKS) {
        const a = adviseOn(m, p.id, date("2026-06-10"), t);
        if (!tasksFor(m.taxonOf(p)).includes(t)) expect(a.verdict).toBe("never");
        expect(a.reasons.length).toBeGreaterThan(0);
      }
    expect(tasksFor(m.taxonOf(kinds[0]!))).toContain("candle");
    expect(tasksFor(m.taxonOf(kinds[1]!))).not.toContain("candle");
    expect(verdictFor(m, "pinus-mugo", date("2026-05-25"), "candle")).toBe("best");
    expect(verdictFor(m, "pinus-mugo", date("2026-08-25"), "candle")).toBe("too-late");
  });

  test.each<[string, string, string, Task]>([
    ["hydrangea-paniculata", "panicle-hydrangea", "framework", "hard-cutback"],
    ["hydrangea-paniculata", "panicle-hydrangea", "light", "tip"],
    ["buxus-sempervirens", "outline", "single-cuts", "shape"],
    [LILAC, "thumb-or-thirds", "thumb", "thin"],
    ["buddleja-davidii", "butterfly-bush", "grow-on", "shape"],
  ])("%s, %s by %s: its care is %s, for that plant alone", (taxon, school, option, task) => {
    const [own, other] = [
      plantOf(taxon, { id: "own", schools: { [school]: option } }),
      plantOf(taxon, { id: "other" }),
    ];
    const m = modelOf([own, other]);
    expect(taskForGoal(m, own)).toBe(task);
    expect(taskForGoal(m, other)).not.toBe(task);
  });

  test("renewal by thirds, by sides or at once: what it takes grows in that order", () => {
    const loss = (option: string): number => {
      const p = plantOf(LILAC, { goal: wish("renew"), schools: { "how-to-renew": option } });
      const m = modelOf([p]);
      const a = adviseOn(m, p.id, date("2026-03-10"));
      return Math.max(...a.bloomLoss.map((b) => b.loss));
    };
    expect(loss("thirds")).toBeLessThan(loss("sides"));
    expect(loss("sides")).toBeLessThan(loss("at-once"));
  });

  test("every school reaches some kind, and no kind is offered one that changes nothing it can do", () => {
    for (const s of SCHOOLS)
      expect(CATALOGUE.taxa.some((t) => t.schools.includes(s.id)) ? s.id : `${s.id} reaches none`).toBe(s.id);
    for (const t of CATALOGUE.taxa) if (t.schools.includes("trims")) expect(t.outline).toBe(true);
  });
});

describe("years of weather worked through", () => {
  const m = modelOf([plantOf(LILAC), plantOf("hydrangea-paniculata")]);
  const asked = { ...yearsAsked(m), years: 60 };
  const shown = yearsShown(asked, CATALOGUE);
  const ranged = openGarden(m.garden, CATALOGUE, withYears(m.cache, shown));

  test("each kind with the tasks its plants ask for, step by step, progress rising to the end", () => {
    expect(asked.kinds).toEqual([
      { taxonId: "hydrangea-paniculata", tasks: ["shape"] },
      { taxonId: LILAC, tasks: ["shape"] },
    ]);
    const seen: number[] = [];
    const work = workYears({ ...asked, years: 25 }, CATALOGUE);
    for (let s = work.next(); s.done !== true; s = work.next()) seen.push(s.value);
    expect(seen).toEqual(seen.toSorted((a, b) => a - b));
    expect(seen.at(-1)).toBeCloseTo(1);
  });

  test("a window's edges get ranges that hold them; the days of the answer stay", () => {
    for (const on of ["2026-03-01", "2026-06-10", "2026-09-01"]) {
      const [plain, w] = [m, ranged].map((x) => adviseOn(x, LILAC, date(on), "shape").window!);
      expect([w!.opens, w!.closes]).toEqual([plain!.opens, plain!.closes]);
      for (const [edge, range] of [
        [w!.opens, w!.opensRange],
        [w!.closes, w!.closesRange],
      ] as const) {
        if (!edge || !range) continue;
        expect(range[0] <= edge && edge <= range[1]).toBe(true);
        expect(daysBetween(range[0], range[1])).toBeGreaterThan(4);
        expect(daysBetween(range[0], range[1])).toBeLessThan(50);
      }
    }
  });

  test("the price has a range too: it holds the price, is null without years, wide while buds open and none where the day is free", () => {
    const range = (on: string) => adviseOn(ranged, LILAC, date(on), "shape");
    for (const on of ["2026-01-15", "2026-05-10", "2026-05-25", "2026-07-15", "2026-10-20"]) {
      const a = range(on);
      const worst = Math.max(...a.bloomLoss.map((b) => b.loss * b.weight));
      expect(a.lossRange![0]).toBeLessThanOrEqual(worst + 1e-6);
      expect(a.lossRange![1]).toBeGreaterThanOrEqual(worst - 1e-6);
    }
    const width = (on: string): number => range(on).lossRange![1] - range(on).lossRange![0];
    expect(width("2026-05-25")).toBeGreaterThan(0.2);
    expect(width("2026-01-15")).toBeLessThan(0.02);
    expect(adviseOn(m, LILAC, date("2026-05-25"), "shape").lossRange).toBeNull();
    expect(adviseOn(ranged, LILAC, date("2026-05-25"), "dead-only").lossRange).toBeNull();
  });

  test("a stage's range replaces the rule of thumb", () => {
    const taxon = CATALOGUE.byId(LILAC)!;
    expect(giveOrTake(ranged.yearOf(taxon).wakes)).not.toBe(giveOrTake(m.yearOf(taxon).wakes));
    expect(ranged.yearOf(taxon).wakes.day).toBe(m.yearOf(taxon).wakes.day);
  });
});

test("a spring ten days early in the south is as early as one in the north (season days compared)", () => {
  for (const place of PLACES.filter((p) => p.name === "south" || p.name === "Test plot")) {
    const [usual, early] = [[], seasons(10)].map((s) => modelOf([plantOf(LILAC)], { place, seasons: s }));
    const on = place.name === "south" ? "2026-11-10" : "2026-06-10";
    expect(seasonPoint(date(on), usual!.climate.hemisphere).seasonYear).toBe(2026);
    expect(opensOf(usual!, LILAC, on) - opensOf(early!, LILAC, on)).toBeCloseTo(10, 5);
  }
  expect(openGarden(demoGarden(date("2026-06-10")), CATALOGUE).pace(2026).notes.length).toBeGreaterThan(0);
  expect(PLACE.latitudeDeg).toBeGreaterThan(0);
});
