/** The year's rows, and what the strip and the answer say of a year that is not usual. */
import { describe, expect, test } from "@jest/globals";
import { adviseOn, CATALOGUE, date, demoGarden, openGarden, voiceOf, type Garden } from "@wren/core";
import { explainMinutes, explainWind, explainWindow } from "../src/answer/explain.ts";
import { minutesText } from "../src/answer/Instead.tsx";
import { whenText } from "../src/answer/sentences.ts";
import { FILTERS, passes, sorted, SORTS, verdictOn, yearRows } from "../src/screens/year/rows.ts";
import { rowView } from "../src/screens/today/rowView.ts";
import { groupOf } from "../src/screens/today/groups.ts";
import { paceText } from "../src/strip/paceText.ts";

const garden = demoGarden(date("2026-06-10"));
const of = (more: Partial<Garden>) => openGarden({ ...garden, ...more }, CATALOGUE);
const model = of({});
const say = voiceOf("metric");
const season = (paceDays: number): Garden["seasons"] => [{ id: "season-2026", seasonYear: 2026, paceDays }];

describe("rows of the year", () => {
  const rows = yearRows(model, 2026, date("2026-06-10"));

  test("one for each plant, with the marks of that season only", () => {
    expect(rows.map((r) => r.plant.id)).toEqual(garden.plants.map((p) => p.id));
    const marks = rows.flatMap((r) => r.marks);
    expect(marks.every((m) => m.day >= 0 && m.day < 365 && m.on.startsWith("2026"))).toBe(true);
    expect(new Set(marks.map((m) => m.kind))).toEqual(new Set(["done", "planned"]));
  });

  test("runs cover the year without a gap, and the whole of it", () => {
    for (const r of rows) {
      expect(r.runs[0]!.from).toBe(0);
      expect(r.runs.at(-1)!.to).toBe(365);
      r.runs.slice(1).forEach((run, i) => expect(run.from).toBe(r.runs[i]!.to));
    }
  });

  test.each(SORTS)("sorted by %s nothing is lost, and the order holds", (sort) => {
    const list = sorted(rows, sort);
    expect(new Set(list)).toEqual(new Set(rows));
    const key = {
      bed: () => 0,
      bloom: (i: number) => list[i]!.blooms,
      window: (i: number) => list[i]!.opens,
      name: () => 0,
    }[sort];
    for (let i = 1; i < list.length; i++) expect(key(i)).toBeGreaterThanOrEqual(key(i - 1));
    if (sort === "name")
      expect(list.map((r) => r.plant.label)).toEqual(
        list.map((r) => r.plant.label).toSorted((a, b) => a.localeCompare(b)),
      );
  });

  test("open and closed part the garden on any day; planned are those with a plan", () => {
    for (const on of ["2026-03-20", "2026-06-10", "2026-11-01"].map(date)) {
      const count = (f: (typeof FILTERS)[number]): number => rows.filter((r) => passes(model, r, on, f)).length;
      expect(count("open") + count("closed")).toBe(count("all"));
      expect(count("planned")).toBe(rows.filter((r) => r.marks.some((m) => m.kind === "planned")).length);
    }
  });

  test("the mark on a row is the plant's own answer", () => {
    const lilac = rows.find((r) => r.plant.id === "lilac-corner")!;
    expect(verdictOn(model, lilac, date("2026-03-15"))).toBe(
      adviseOn(model, "lilac-corner", date("2026-03-15")).verdict,
    );
  });

  test("a year that runs ten days early moves its rows, and only its own", () => {
    const early = of({ observations: [], seasons: season(10) });
    const blooms = (m: typeof model, year: number): number =>
      yearRows(m, year, date("2026-06-10")).find((r) => r.plant.id === "lilac-corner")!.blooms;
    const usual = of({ observations: [] });
    expect(blooms(usual, 2025) - blooms(early, 2026)).toBeCloseTo(10, 5);
  });
});

describe("in words", () => {
  test.each([
    [6.4, "6 days ahead"],
    [-1, "1 day behind"],
    [0.3, "as usual"],
  ])("%d is %s", (days, text) => expect(paceText(days, say.days)).toBe(text));

  test.each([
    [{ low: 3.2, usual: 5, high: 8.7, from: "size" }, "3–9 min"],
    [{ low: 31, usual: 40, high: 52, from: "log" }, "30–50 min"],
    [{ low: 0, usual: 0, high: 0, from: "size" }, "0 min"],
  ] as const)("minutes are never said to the minute: %j", (m, text) => expect(minutesText(m)).toBe(text));

  test("a window's why names its edges' ranges and the year's pace", () => {
    const a = adviseOn(of({ seasons: season(-5) }), "lilac-corner", date("2026-04-01"), "shape");
    const inputs = new Map(explainWindow(a, CATALOGUE.byId("syringa-vulgaris")!, say).inputs);
    expect(inputs.get("Opens, in eight years of ten")).toMatch(/ to /);
    expect(inputs.get("This year")).toBe("5 days behind");
  });

  test("minutes and wind say what went in", () => {
    const a = adviseOn(model, "lilac-corner", date("2026-06-10"), "shape");
    const plant = model.plant("lilac-corner");
    expect(explainMinutes(a, plant).sources).toEqual(["record"]);
    expect(new Map(explainWind(a, plant, model, say).inputs).get("Habit")).toBe("upright");
  });

  test("what waits to be seen is named by what it waits for", () => {
    const bush = of({ visits: [], observations: [] });
    const a = adviseOn(bush, "butterfly-lamp", date("2026-05-20"));
    expect(whenText(a, say)).toBe("until growth is seen");
    const group = groupOf(a);
    expect([group, rowView(a, group, bush, say).waitsFor]).toEqual(["look-for", "growth"]);
  });
});
