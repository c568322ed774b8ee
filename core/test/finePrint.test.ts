/** What a single line of the rules holds: each was changed on purpose once, and nothing noticed. */
import { describe, expect, test } from "@jest/globals";
import {
  addDays,
  bySeason,
  climateOf,
  kindYearOf,
  usualPlan,
  daysBetween,
  makeDate,
  UNKNOWN_TAXON,
  watchPlan,
  type PlainDate,
  adviseOn,
  amountsOf,
  buildOf,
  CATALOGUE,
  date,
  followUpsOf,
  isFlowers,
  looksOn,
  matchColumns,
  plainStem,
  plantsYear,
  renewals,
  shadeInBed,
  seasonDate,
  stemsFromTally,
  NO_STEMS,
  tableReader,
  whatFollows,
  wish,
  type Stem,
  alongStem,
  cautionsFor,
  checkPlaceClimate,
  demoGarden,
  cutHeightFor,
  heightTask,
  minutesFor,
  plainBranch,
  readGardenFile,
  shootsAt,
  writeGardenFile,
  type StemCut,
  type Observation,
  type Plant,
  reasonText,
  stemsAfter,
  voiceOf,
  townsFrom,
  TOWN_ROWS,
} from "@wren/core";
import { dayWeights } from "../src/climate/months.ts";
import { gardenOf, modelOf, PLACE, PLACES, plantOf, seenOn, someKinds, visitOf, weatherRows } from "./support.ts";

describe("what may be seen", () => {
  test("buds killed by frost are asked after on old-wood flowers only, berries gone on what has berries", () => {
    for (const t of someKinds(3, 7)) {
      const m = modelOf([plantOf(t.id)]);
      const looks = new Set(
        [15, 75, 135, 195, 255, 315].flatMap((d) =>
          looksOn(m, m.plant(t.id), addDays(date("2026-01-01"), d), "shape", null).map((s) => s.look),
        ),
      );
      const budded = t.displays.some((d) => d.on === "old" && isFlowers(d.name));
      if (!budded) expect([t.id, looks.has("buds-killed")]).toEqual([t.id, false]);
      const fruit = t.displays.some((d) => !isFlowers(d.name)) || t.wildlife.some((w) => /berr|hips/.test(w));
      if (!fruit) expect([t.id, looks.has("berries-gone")]).toEqual([t.id, false]);
    }
  });
  test("berries gone is looked for while they hang and a little after", () => {
    const m = modelOf([plantOf("callicarpa-americana")]);
    const plant = m.plant("callicarpa-americana");
    const berries = m.yearOf(m.taxonOf(plant)).displays.find((d) => d.display.name.includes("berr"))!;
    const due = (day: number): boolean =>
      looksOn(m, plant, seasonDate(2026, day, "north"), "shape", null).some((s) => s.look === "berries-gone" && s.due);
    expect(due(berries.opens.day + 10)).toBe(true);
    expect(due(berries.opens.day - 60)).toBe(false);
  });
});

describe("what follows a visit", () => {
  test.each([
    ["rosa-floribunda", true],
    ["rosa-gallica", false],
    ["hibiscus-syriacus", false],
    ["spiraea-japonica", false],
  ])("%s: its next flush is deadheaded: %s", (id, comes) => {
    if (!CATALOGUE.byId(id)) return;
    const m = modelOf([plantOf(id)], { visits: [visitOf(id, "2026-03-15", 0.2, { task: "shape" })] });
    const chains = followUpsOf(m, m.plant(id), date("2026-03-20")).map((f) => f.chain);
    expect(chains.includes("deadhead-flush")).toBe(comes);
  });
});

describe("renewal by stems", () => {
  test("a year's share is what its stems carry of the leaf that still stands (Σd², work.md)", () => {
    const stems = [30, 28, 20, 20, 18, 18, 16, 16, 16].map((d, i): Stem => ({
      ...plainStem(`s${i}`, d, 2),
      leanDeg: 8,
      turnDeg: i * 40,
    }));
    const lilac = CATALOGUE.byId("syringa-vulgaris")!;
    const thirds = renewals(stems, lilac, plantOf(lilac.id), 2.4, 1 / 3).find((r) => r.way === "thirds")!;
    const square = (xs: readonly Stem[]): number => xs.reduce((n, s) => n + s.diameterMm ** 2, 0);
    let standing = [...stems];
    for (const y of thirds.years) {
      expect(y.areaShare).toBeCloseTo(square(y.stems) / square(standing), 9);
      standing = standing.filter((s) => !y.stems.includes(s));
    }
  });
  test("a plant over its line this season stands over it at the season's end, not a year later", () => {
    const id = "forsythia-intermedia";
    const plant = plantOf(id, { heightM: 1.9, goal: wish("keep-size", 1.2) });
    const m = modelOf([plant]);
    const build = buildOf(CATALOGUE.byId(id)!);
    const stems = stemsFromTally({ ...NO_STEMS, middling: 8 }, plant, build);
    const on = date("2026-03-10");
    const { outgrowsOn, futures } = whatFollows(m, id, amountsOf(stems, [], build), on, 0);
    expect(outgrowsOn).toBe(futures.find((f) => f.horizon === "season")!.on);
  });
});

describe("the drawing of a stem", () => {
  const bent = buildOf(CATALOGUE.byId("forsythia-intermedia")!);
  const stem: Stem = { ...plainStem("a", 20, 2), leanDeg: 40, turnDeg: 90 };
  test("what arches stands higher midway than a straight stem, and ends at the same height", () => {
    const straight = { ...bent, bend: 0 };
    expect(alongStem(stem, 0.5, bent).z).toBeGreaterThan(alongStem(stem, 0.5, straight).z + 0.05);
    expect(alongStem(stem, 1, bent).z).toBeCloseTo(alongStem(stem, 1, straight).z, 9);
    expect(alongStem(stem, 0.5, bent).y).toBeLessThan(alongStem(stem, 0.5, straight).y);
  });
  test("its old wood is drawn in one piece, from the foot to where it was cut", () => {
    const m = modelOf([plantOf("forsythia-intermedia")]);
    const a = amountsOf([stem], [{ cut: "head", stemId: "a", keptM: 1 }], bent);
    const old = shootsAt(m, "forsythia-intermedia", a, date("2026-03-10"), "now");
    expect(old).toHaveLength(4);
    for (const [i, s] of old.entries()) {
      expect(s.from).toEqual(i === 0 ? alongStem(stem, 0, bent) : old[i - 1]!.to);
      expect(s.to.z).toBeGreaterThan(s.from.z);
      if (i > 0) expect(s.widthMm).toBeLessThan(old[i - 1]!.widthMm);
    }
    expect(old[3]!.to).toEqual(alongStem(stem, 0.5, bent));
    const head = whatFollows(m, "forsythia-intermedia", a, date("2026-03-10"), 0).futures[2]!.headSize!;
    expect(head).toHaveLength(2);
    for (const x of head) expect(x >= 0.7 && x <= 1.7).toBe(true);
  });
  test("a branch half sheared is half as long, and reaches half as far", () => {
    const branched: Stem = { ...stem, leanDeg: 0, branches: [{ ...plainBranch(0.5, 8, 1), riseDeg: 0 }] };
    const back = (keptM: number) =>
      amountsOf([branched], [{ cut: "branch-back", stemId: "a", branch: 0, keptM }], bent).after.widthM;
    expect(back(0.5)).toBeCloseTo(1, 2);
    expect(back(0.25)).toBeCloseTo(0.5, 2);
  });
});

describe("renewed from below", () => {
  test.each([7, 8, 10, 11])("%d stems: each has its turn within three years", (n) => {
    const viburnum = CATALOGUE.byId("viburnum-tinus")!;
    const stems = Array.from({ length: n }, (_, i) => ({ ...plainStem(`s${i}`, 30, 2), turnDeg: i * 20, leanDeg: 5 }));
    const way = renewals(stems, viburnum, plantOf(viburnum.id), 2, 1 / 3).find((r) => r.way === "from-below")!;
    expect(way.years.length).toBeLessThanOrEqual(3);
    expect(way.years.flatMap((y) => y.stems)).toHaveLength(n);
  });
});

describe("small sums", () => {
  test("a log that agrees draws the minutes to it and its range together; one that does not lies between", () => {
    const at = (...minutes: number[]) => {
      const visits = minutes.map((n, i) => visitOf("weigela-florida", `202${i + 3}-06-20`, 0.2, { minutes: n }));
      const m = modelOf([plantOf("weigela-florida")], { visits });
      return minutesFor(m, m.plant("weigela-florida"), "shape", date("2026-07-01"));
    };
    const [none, one, three, mixed] = [at(), at(40), at(40, 40, 40), at(20, 40, 80)];
    expect([none.from, one.from]).toEqual(["size", "log"]);
    const off = (m: typeof one): number => Math.abs(Math.log(m.usual / 40));
    expect(off(one)).toBeLessThan(off(none));
    expect(off(three)).toBeLessThan(0.25);
    expect(three.high / three.low).toBeLessThan(one.high / one.low);
    expect(off(mixed)).toBeLessThan(0.3);
  });
  test("a height over the green has no guard; a grass is lowered by its cutback, a box by shears", () => {
    const growth: [number, number, number] = [0.2, 0.3, 0.4];
    expect(cutHeightFor(2, growth, null, 0.7).guards).toEqual([]);
    expect(cutHeightFor(2, growth, null, null).guards).toEqual([]);
    const task = (id: string) => heightTask(CATALOGUE.byId(id)!);
    expect([task("miscanthus-sinensis"), task("buxus-sempervirens"), task("syringa-vulgaris")]).toEqual([
      "hard-cutback",
      "shear",
      "shape",
    ]);
  });
  test("a wire is a caution where there is one", () => {
    const codes = (powerLineM: number | null) =>
      cautionsFor(plantOf("weigela-florida", { powerLineM }), CATALOGUE.byId("weigela-florida")!, "shape", 1);
    expect(codes(20)).toContain("power-line");
    expect(codes(null)).not.toContain("power-line");
  });
  test("on the day a first flower is due, in flower is not asked for beside it", () => {
    const m = modelOf([plantOf("syringa-vulgaris")]);
    const opens = m.yearOf(m.taxonOf(m.plant("syringa-vulgaris"))).displays[0]!.opens.day;
    const looks = (day: number) =>
      looksOn(m, m.plant("syringa-vulgaris"), seasonDate(2026, day, "north"), "shape", null).map((s) => s.look);
    expect(looks(opens)).toContain("first-flower");
    expect(looks(opens)).not.toContain("in-flower");
    expect(looks(opens + 60)).toContain("in-flower");
  });
  test.each([1, 5, 12])("the month that is wrong is named: %i", (wrong) => {
    const months = Array.from({ length: 12 }, (_, i) => 10 - 8 * Math.cos((i * Math.PI) / 6));
    const tminC = months.map((x, i) => (i === wrong - 1 ? x + 30 : x));
    const monthly = { tminC, tmaxC: months.map((x) => x + 9), sdMinC: null, sdMeanC: null };
    const r = checkPlaceClimate({ ...PLACE, monthly });
    expect(r.ok ? [] : r.issues.map((i) => [i.code, i.values["month"]])).toEqual([["months-order", wrong]]);
  });
});

describe("days that are chosen", () => {
  test("years before the thousandth are written with four figures", () => {
    expect([999, 1000].map((y) => makeDate(y, 1, 2))).toEqual(["0999-01-02", "1000-01-02"]);
  });

  test.each(PLACES)("the warmest day is that of the warmest afternoons: %j", (place) => {
    const c = climateOf(place);
    const afternoons = [...c.tmaxC];
    expect(c.warmestDay).toBe(afternoons.indexOf(Math.max(...afternoons)));
  });

  test("a season's price is that of its cheapest day, not of its first", () => {
    const m = modelOf([plantOf("syringa-vulgaris")]);
    const on = date("2026-01-10");
    const lossOn = (day: PlainDate): number =>
      Math.max(...adviseOn(m, "syringa-vulgaris", day, "shape").bloomLoss.map((b) => b.loss));
    for (const { season, on: day, bloomLoss } of bySeason(m, m.plant("syringa-vulgaris"), on, "shape")) {
      const later = [0, 10, 20, 30, 40].map((days) => lossOn(addDays(day, days)));
      expect([season, bloomLoss <= lossOn(day) + 1e-9]).toEqual([season, true]);
      if (season === "spring") expect(bloomLoss).toBeLessThan(lossOn(date("2026-03-01")) - 0.3);
      if (season === "summer") expect(Math.min(...later)).toBeGreaterThanOrEqual(bloomLoss - 1e-9);
    }
  });

  test("growth of an unnamed shrub is looked for from the earliest waking until some weeks after the usual", () => {
    const m = modelOf([plantOf(UNKNOWN_TAXON)]);
    const [growth] = watchPlan(m, date("2026-01-10"));
    const { wakes } = m.yearOf(CATALOGUE.byId(UNKNOWN_TAXON)!);
    const usual = seasonDate(2026, Math.round(wakes.day), "north");
    expect(daysBetween(usual, growth!.until)).toBeGreaterThan(28);
  });
});

describe("a spring that was observed day by day", () => {
  const wakesAfter = (warm: (d: number) => boolean): number => {
    const days = Array.from({ length: 365 }, (_, d) => ({
      on: addDays(date("2026-01-01"), d),
      tminC: d > 130 ? 12 : warm(d) ? 1 : -6,
      tmaxC: d > 130 ? 22 : warm(d) ? 9.5 : -1,
      rainMm: 0,
    }));
    const p = plantOf("syringa-vulgaris");
    return plantsYear(modelOf([p], { weather: weatherRows(days) }), p, date("2026-12-31")).wakes.day;
  };
  // Schwartz's index counts spells: a day and the two before it that are warm together count more than the same days apart.
  test("three warm days together bring first leaf sooner than the same days one by one", () => {
    expect(wakesAfter((d) => d % 9 < 3)).toBeLessThan(wakesAfter((d) => d % 3 === 0) - 4);
  });
  // What has not come yet is no part of a spell.
  test("two together count no more than one by one", () => {
    expect(Math.abs(wakesAfter((d) => d % 6 < 2) - wakesAfter((d) => d % 3 === 0))).toBeLessThan(2);
  });
});

describe("a row of a table, a shadow of a bed", () => {
  test("new beds stand after those that are there, one after the other", () => {
    const garden = gardenOf([plantOf("syringa-vulgaris")]);
    const head = ["kind", "bed", "height", "width"];
    let n = 0;
    const ctx = { garden, catalogue: CATALOGUE, today: date("2026-07-01"), newId: () => `n${n++}` };
    const reader = tableReader(ctx, head, matchColumns(head));
    ["A", "B", "C"].forEach((bed, i) => reader.row(2 + i, ["Syringa vulgaris", bed, "100", "100"]));
    const r = reader.finish();
    const had = garden.beds.length;
    const made = r.ok ? r.value.beds.filter((b) => "ABC".includes(b.name)) : [];
    expect(made.map((b) => b.order)).toEqual([had, had + 1, had + 2]);
  });

  // At noon of a northern winter the sun stands in the south.
  test.each([
    [180, 1.5, true],
    [180, -1.5, false],
    [0, -1.5, true],
    [0, 1.5, false],
    [90, 0, false],
  ])("the front looks to %d°: what stands %d m behind a tall one is shaded: %p", (facesDeg, backM, shaded) => {
    const tall = { plant: plantOf("syringa-vulgaris", { id: "tall", alongM: 3, backM: 2, widthM: 2 }), heightM: 4 };
    const low = { plant: plantOf("lavandula-angustifolia", { id: "low", alongM: 3, backM: 2 + backM }), heightM: 0.5 };
    const sky = { latitudeDeg: 45, day: 0, hemisphere: "north" } as const;
    const share = shadeInBed({ facesDeg }, [tall, low], sky).find((x) => x.on === "low")?.share ?? 0;
    expect(share > 0.3).toBe(shaded);
  });
});

test("a town's row: the last twelve numbers are afternoons, the twelve before them nights", () => {
  const nights = [-7, -6, -1, 5, 11, 16, 18, 17, 13, 6, 1, -5];
  const [town] = townsFrom(
    `head\nX,,Y,40,-83,250,6b,04-20,10-20,${[...nights, ...nights.map((x) => x + 10)].join(",")}`,
  );
  expect([town!.tminC, town!.tmaxC]).toEqual([nights, nights.map((x) => x + 10)]);
  for (const t of townsFrom(TOWN_ROWS))
    t.tminC.forEach((night, month) => expect([t.name, night < t.tmaxC[month]!]).toEqual([t.name, true]));
});

describe("a day between its months", () => {
  test.each([0, 44, 181, 364])("day %i is made of the twelve months, their weights sum to one", (d) => {
    const w = dayWeights(d);
    expect([w.length, w.reduce((a, b) => a + b, 0)]).toEqual([12, expect.closeTo(1, 6)]);
  });
});

describe("leaves that a trim bares", () => {
  test.each([
    ["buxus-sempervirens", true],
    ["carpinus-betulus", false],
    ["rhododendron-large-leaved", false],
  ])("%s in the frost's weeks: scorched is %p", (id, scorched) => {
    const k = kindYearOf(CATALOGUE.byId(id)!, climateOf(PLACE), usualPlan("shear"));
    expect(Math.max(...k.prices.scorch) > 0.01).toBe(scorched);
  });
});

describe("a try in a file", () => {
  test.each<[string, StemCut, boolean]>([
    ["its branch", { cut: "branch-off", stemId: "a", branch: 0 }, true],
    ["a branch that is not there", { cut: "branch-off", stemId: "a", branch: 1 }, false],
    ["its shoot", { cut: "shoot-off", stemId: "a", branch: 0, shoot: 0 }, true],
    ["a shoot that is not there", { cut: "shoot-off", stemId: "a", branch: 0, shoot: 1 }, false],
    ["a stem that is not there", { cut: "remove", stemId: "b" }, false],
  ])("cuts %s", (_, cut, fits) => {
    const shoot = { at: 0.5, diameterMm: 3, lengthM: 0.2, turnDeg: 0, riseDeg: 40, dead: false };
    const stems = [{ ...plainStem("a", 20, 2), branches: [{ ...plainBranch(0.5, 8, 0.5), shoots: [shoot] }] }];
    const stand = {
      id: "st",
      plantId: "lilac-corner",
      on: date("2026-03-01"),
      stems,
      tries: [{ id: "t", task: "shape" as const, cuts: [cut] }],
      chosen: null,
      note: "",
    };
    const today = date("2026-06-10");
    const r = readGardenFile(writeGardenFile({ ...demoGarden(today), stands: [stand] }), CATALOGUE, today);
    expect([r.ok, r.ok ? "" : r.issues[0]!.code]).toEqual([fits, fits ? "" : "stem-unknown"]);
  });
});

test("where feet and inches are chosen no sentence of an answer is left in metric", () => {
  const say = voiceOf("imperial");
  for (const t of someKinds(2, 11)) {
    const m = modelOf([plantOf(t.id, { goal: wish("keep-size", 1.2), powerLineM: 2 })]);
    for (const task of ["dead-only", "shape", "hard-cutback", "thin"] as const)
      for (const on of ["2026-01-20", "2026-04-10", "2026-07-20", "2026-10-05"]) {
        const said = adviseOn(m, t.id, date(on), task).reasons.map((r) => reasonText(r, say));
        for (const text of said) if (/\d\s?(mm|cm|m|°C)(?![\w²³])/.test(text)) throw new Error(`${t.id}: ${text}`);
      }
  }
});

test("what was lifted stays bare when it is drawn again, and counts for nothing", () => {
  const build = buildOf(CATALOGUE.byId("forsythia-intermedia")!);
  const stems: Stem[] = Array.from({ length: 6 }, (_, i) => ({
    ...plainStem(`s${i}`, 20, 2),
    leanDeg: 25,
    turnDeg: i * 60,
  }));
  const left = stemsAfter(stems, [{ cut: "lift", clearM: 0.6 }], build);
  expect(left[0]!.leafFrom).toBeGreaterThan(0.2);
  expect(amountsOf(left, [{ cut: "lift", clearM: 0.55 }], build).share).toBeLessThan(0.03);
});

describe("what moves the year", () => {
  const note = (kind: Observation["kind"], more: Partial<Plant> = {}): number => {
    const plants = ["syringa-vulgaris", "forsythia-intermedia", "weigela-florida"].map((id) => plantOf(id, more));
    const usual = modelOf(plants);
    const observations = plants.map((p, i) => {
      const opens = usual.yearOf(usual.taxonOf(p)).displays[0]!.opens.day;
      return seenOn(p.id, seasonDate(2026, opens - 18, "north"), { id: `o${i}`, kind });
    });
    return modelOf(plants, { observations }).pace(2026).days;
  };
  test("three plants in flower eighteen days early make an early year; growth seen, or plants not settled, do not", () => {
    expect(note("first-flower")).toBeGreaterThan(5);
    expect(note("berries-gone")).toBe(0);
    const candidates = [
      { taxonId: "syringa-vulgaris", share: 0.5 },
      { taxonId: "weigela-florida", share: 0.5 },
    ];
    expect(note("first-flower", { identity: { by: "key", on: date("2026-01-01"), candidates } })).toBe(0);
  });
});

describe("a dry spell", () => {
  const on = date("2026-07-20");
  const dry = (rainMm: number, tmaxC: number): boolean => {
    const days = Array.from({ length: 22 }, (_, i) => ({
      on: addDays(on, -i),
      tminC: 14,
      tmaxC,
      rainMm: i === 5 ? rainMm : 0,
    }));
    const m = modelOf([plantOf("ligustrum-ovalifolium")], { weather: weatherRows(days) });
    return adviseOn(m, "ligustrum-ovalifolium", on, "shear").reasons.some((r) => r.code === "dry-spell");
  };
  test.each([
    [0, 27, true],
    [4.9, 27, true],
    [6, 27, false],
    [0, 16, false],
  ])("%d mm in three weeks at %d °C: %s", (rain, tmax, is) => expect(dry(rain, tmax)).toBe(is));
});

test("a kind is found by its id, its botanical and its common name, whatever else holds the words", () => {
  const garden = gardenOf([]);
  const head = ["Kind", "Bed", "Height (cm)", "Width (cm)"];
  for (const t of someKinds(1, 40))
    for (const name of [t.id, t.botanical, t.common[0]!.toUpperCase()]) {
      const ctx = { garden, catalogue: CATALOGUE, today: date("2026-07-01"), newId: () => "n" };
      const reader = tableReader(ctx, head, matchColumns(head));
      reader.row(2, [name, garden.beds[0]?.name ?? "Bed", "100", "100"]);
      const r = reader.finish();
      const same = CATALOGUE.taxa.filter((x) => x.botanical === t.botanical || x.common[0] === t.common[0]);
      if (same.length > 1) continue;
      expect([name, r.ok && r.value.plants.map((p) => p.taxonId)]).toEqual([name, [t.id]]);
    }
});
