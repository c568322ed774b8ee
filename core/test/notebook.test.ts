/** The notebook: what was expected, what a change moves, the year on a page, records as tables. */
import { describe, expect, test } from "@jest/globals";
import Papa from "papaparse";
import fc from "fast-check";
import {
  besideOf,
  CATALOGUE,
  countsOf,
  date,
  demoGarden,
  gardenBefore,
  heldOf,
  lessonsOf,
  learnJson,
  LESSON_LABELS,
  movesOf,
  movesText,
  openGarden,
  plantSeen,
  readRecords,
  recordIssueText,
  recordTable,
  RECORD_TABLES,
  visitTold,
  voiceOf,
  withRecords,
  yearReview,
  type Garden,
} from "@wren/core";
import "./seed.ts";
import { gardenOf, modelOf, plantOf, seenOn, visitOf } from "./support.ts";

const LILAC = "syringa-vulgaris";
const on = date("2026-11-29");
const demo = openGarden(demoGarden(on), CATALOGUE);

describe("expected beside what was", () => {
  test("nothing recorded on the day or later changes what was expected", () => {
    const visit = demo.garden.visits.find((v) => v.id.startsWith("v-panicle-seat") && v.on.startsWith("2025"))!;
    const first = besideOf(demo, { visit });
    const later: Garden = {
      ...demo.garden,
      visits: demo.garden.visits.filter((v) => v.on <= visit.on),
      observations: demo.garden.observations.filter((o) => o.on < visit.on),
    };
    expect(besideOf(openGarden(later, CATALOGUE, demo.cache), { visit })).toEqual(first);
    expect(first.map((c) => c.what)).toEqual(["share", "minutes"]);
  });
  test("a height is held against the one before it with the growth between; the same height read twice is not", () => {
    const lilac = plantOf(LILAC, { heightM: 1, heightOn: date("2023-11-15") });
    const seen = [
      seenOn(LILAC, "2024-01-10", { kind: "height", heightM: 1 }),
      seenOn(LILAC, "2024-11-15", { kind: "height", heightM: 1.4 }),
    ];
    const m = modelOf([lilac], { observations: seen });
    expect(besideOf(m, { seen: seen[0]! })).toEqual([]);
    const [grown] = besideOf(m, { seen: seen[1]! });
    const [slow, usual, strong] = CATALOGUE.byId(LILAC)!.growthM;
    expect(grown!.expected).toEqual([1 + slow, 1 + usual, 1 + strong].map((x) => expect.closeTo(x, 2)));
    expect(heldOf([grown!])).toEqual([{ what: "height", held: Number(grown!.held), of: 1 }]);
  });
  test("a plan that a visit settled is held against its day", () => {
    const planned = { on: date("2026-06-10"), madeOn: date("2026-03-01") };
    const visit = visitOf(LILAC, "2026-06-24", 0.1, { planned });
    const [day] = besideOf(modelOf([plantOf(LILAC)], { visits: [visit] }), { visit });
    expect(day).toMatchObject({ what: "day", was: 14, held: false, expectedOn: planned.on });
  });
  test("a garden before a day holds no record of it, nor a height that was read later", () => {
    const g = gardenBefore(demo.garden, date("2024-06-01"));
    expect(g.visits.every((v) => v.on < "2024-06-01") && g.observations.every((o) => o.on < "2024-06-01")).toBe(true);
  });
});

describe("what a change of the record moves", () => {
  const first = seenOn("lilac-corner", "2026-04-28", { kind: "first-flower", id: "new" });
  const after = openGarden(
    { ...demo.garden, observations: [...demo.garden.observations, first] },
    CATALOGUE,
    demo.cache,
  );
  test("flowers ten days early move the window of that plant, and others less", () => {
    const m = movesOf(demo, after, "lilac-corner", date("2026-04-29"));
    expect(m.dates.map((d) => d.what)).toContain("opens");
    expect(m.dates.every((d) => d.days === null || d.days < 0)).toBe(true);
    expect(m.others).toBeGreaterThan(3);
    expect(m.othersDays).toBeLessThanOrEqual(Math.max(...m.dates.map((d) => Math.abs(d.days ?? 0))));
    expect(movesText(m, voiceOf("metric"))).toMatch(/opens .* earlier; .*other plants moved/);
  });
  test("the same garden moves nothing, and says nothing", () => {
    expect(movesText(movesOf(demo, demo, "lilac-corner", on), voiceOf("metric"))).toBe("");
  });
  test("a nest is a danger, a brown scratch dieback, a bloom neither", () => {
    const p = plantOf(LILAC);
    expect(plantSeen(p, { kind: "nest-seen", on }).dangers).toEqual([{ what: "bird-nest", on }]);
    expect(plantSeen(p, { kind: "scratch-brown", on })).toMatchObject({
      condition: "dieback",
      health: { scratch: "brown" },
    });
    expect(plantSeen(p, { kind: "first-flower", on })).toBe(p);
  });
});

describe("the year on a page", () => {
  test("counts visits, minutes and windows; a winter cut of a lilac is named with what it cost", () => {
    const visits = [
      visitOf(LILAC, "2026-06-10", 0.2, { minutes: 40 }),
      visitOf(LILAC, "2026-02-10", 0.4, { task: "renovate", minutes: 60, deadStemsCount: 2 }),
    ];
    const m = modelOf([plantOf(LILAC)], { visits });
    const told = visits.map((v) => visitTold(m, v));
    expect(told[0]!.flowersLost).toBeLessThan(0.1);
    expect(told[1]!.flowersLost).toBeGreaterThan(0.2);
    expect(countsOf(told)).toMatchObject({ visits: 2, minutes: 100, dead: 2, costly: [told[1]] });
    expect(yearReview(m, 2026, on).counts.visits).toBe(2);
    expect(yearReview(m, 2025, on).counts.visits).toBe(0);
  });
  test("every lesson of the demo has its label, its sentence and its range in order; set aside it is not used", () => {
    const { lessons, asked } = learnJson(demo, on, voiceOf("metric"));
    expect(lessons.length).toBeGreaterThan(15);
    expect(asked).toEqual([]);
    for (const l of lessons) {
      expect(l.text.startsWith(LESSON_LABELS[l.about])).toBe(true);
      expect(l.text).not.toMatch(/NaN|undefined/);
      if (l.about !== "wood") expect(l.mine).toEqual([...l.mine].sort((a, b) => a - b));
      expect(l.records.length).toBeGreaterThan(0);
    }
    const aside = { ...demo.garden, rules: { ...demo.garden.rules, setAside: lessons.map((l) => l.id) } };
    expect(lessonsOf(openGarden(aside, CATALOGUE, demo.cache), on).lessons.some((l) => l.used)).toBe(false);
  });
});

describe("records as tables", () => {
  const tables = (g: Garden) =>
    RECORD_TABLES.map((t) => ({ name: t, rows: recordTable(openGarden(g, CATALOGUE, demo.cache), t) }));
  test("come in again as they went out, into the garden and into one that lost them", () => {
    const read = readRecords(tables(demo.garden), demo.garden);
    expect(read.ok && withRecords(demo.garden, read.value)).toEqual(demo.garden);
    const bare = { ...demo.garden, visits: [], observations: [] };
    const again = readRecords(tables(demo.garden), bare);
    expect(again.ok && withRecords(bare, again.value).visits).toEqual(demo.garden.visits);
  });
  const unit = fc.oneof(
    fc.constantFrom("\r", "\n", "\t", " ", "'", "’", '"', ",", "="),
    fc.string({ unit: "binary", maxLength: 3 }),
  );
  const anyText = (maxLength: number) =>
    fc.array(unit, { maxLength: 12 }).map((parts) =>
      parts
        .join("")
        .slice(0, maxLength)
        .replace(/[\uD800-\uDBFF]$/, ""),
    );
  test.each(["\rback", " 'both' ", "'\ttab", "=1+1", "’ =", "a\r\nb "])("the note %j survives", (note) =>
    survives(note, note),
  );
  test("any note and any name survive, formulas of a spreadsheet and spaces at either end among them", () => {
    fc.assert(fc.property(anyText(60), anyText(30), survives), { numRuns: 300 });
  });
  /** Written as the application writes a table, read as it reads one. */
  function survives(note: string, by: string): void {
    const g = gardenOf([plantOf(LILAC)], {
      visits: [visitOf(LILAC, "2026-06-10", 0.123456789, { note, by: by.slice(0, 30) })],
      observations: [seenOn(LILAC, "2026-06-09", { note })],
    });
    const files = tables(g).map(({ name, rows }) => ({
      name,
      rows: Papa.parse<string[]>(
        Papa.unparse(
          rows.map((r) => [...r]),
          { newline: "\r\n" },
        ),
        { skipEmptyLines: "greedy" },
      ).data,
    }));
    const read = readRecords(files, { ...g, visits: [], observations: [] });
    expect(read).toEqual({ ok: true, value: { visits: g.visits, observations: g.observations } });
  }
  test.each<[string, (rows: string[][]) => string[][], RegExp]>([
    [
      "a heading that is not known",
      (r) => [["a", "b"], ...r.slice(1)],
      /^visits, line 1: these headings are of no table/,
    ],
    [
      "a task that does not exist",
      (r) => [r[0]!, r[1]!.map((c, i) => (i === 4 ? "prune" : c))],
      /^visits, line 2, task: .*expected/i,
    ],
    [
      "a day that does not exist",
      (r) => [r[0]!, r[1]!.map((c, i) => (i === 3 ? "2026-02-30" : c))],
      /^visits, line 2, on: /,
    ],
    ["minutes in words", (r) => [r[0]!, r[1]!.map((c, i) => (i === 9 ? "long" : c))], /^visits, line 2, minutes: /],
  ])("%s is refused with its line, and nothing is taken", (_, spoil, message) => {
    const rows = recordTable(demo, "visits").map((r) => [...r]);
    const read = readRecords([{ name: "visits", rows: spoil(rows) }], demo.garden);
    expect(!read.ok && recordIssueText(read.issues[0]!)).toMatch(message);
  });
});
