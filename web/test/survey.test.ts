import { describe, expect, test } from "@jest/globals";
import { CATALOGUE, date, demoGarden, matchColumns, openGarden, sightLinesOf, UNKNOWN_TAXON } from "@wren/core";
import { labelsUnder, scaleFor } from "../src/screens/garden/elevation.geometry.ts";
import { sectionOf } from "../src/screens/garden/section.geometry.ts";
import { surveyed, UNLOOKED } from "../src/screens/survey/draft.ts";
import { readSheet, sheetOf } from "../src/screens/table/readCsv.ts";
import { withPressed, type Pressed } from "../src/screens/walk/walk.ts";
import { copyOf } from "../src/state/edits.ts";

const today = date("2026-07-01");
const garden = demoGarden(today);
const model = openGarden(garden, CATALOGUE);
let made = 0;
const newId = (): string => `new-${made++}`;

describe("the walk", () => {
  const pressed = (more: Partial<Pressed> = {}): Pressed => ({
    bedId: "bin-screen",
    kind: "buxus-sempervirens",
    label: "",
    heightM: 0.5,
    age: "few",
    look: "healthy",
    form: null,
    danger: "none",
    goal: "routine",
    wantedM: null,
    count: 1,
    ...more,
  });
  const walked = (more: Partial<Pressed>) => {
    const next = withPressed(garden, pressed(more), today, newId);
    return { next, added: next.plants.slice(garden.plants.length) };
  };

  test("a row of five: five plants of their own, side by side, named apart, in a bed that grew", () => {
    const { next, added } = walked({ count: 5, heightM: 2 });
    expect(added.map((p) => p.label)).toEqual([
      "Common box",
      "Common box 2",
      "Common box 3",
      "Common box 4",
      "Common box 5",
    ]);
    for (const [i, p] of added.entries())
      if (i > 0) expect(p.alongM - added[i - 1]!.alongM).toBeCloseTo((p.widthM + added[i - 1]!.widthM) / 2, 1);
    const bed = next.beds.find((b) => b.id === "bin-screen")!;
    expect(bed.lengthM).toBeGreaterThanOrEqual(added.at(-1)!.alongM + added.at(-1)!.widthM / 2);
  });

  test.each([
    ["unknown", null, false],
    ["this-year", "2026-07-01", false],
    ["last-year", "2025-07-01", false],
    ["few", "2023-07-01", true],
  ] as const)("planted %s: %s", (age, plantedOn, plantedAbout) =>
    expect(walked({ age }).added[0]).toMatchObject({ plantedOn, plantedAbout }),
  );

  test("a shrub nobody can name is kept undecided; a poor look acts on its condition", () => {
    expect(walked({ kind: "unknown" }).added[0]).toMatchObject({ taxonId: UNKNOWN_TAXON, label: "Unknown shrub" });
    expect(walked({ look: "stressed" }).added[0]).toMatchObject({ condition: "stressed", conditionOn: today });
  });

  test("form and danger are a press each: a nest is seen today, a wire is what it touches", () => {
    expect(walked({ form: "trunk", danger: "bird-nest" }).added[0]).toMatchObject({
      form: "trunk",
      dangers: [{ what: "bird-nest", on: today }],
      touches: [],
    });
    expect(walked({ danger: "wire" }).added[0]).toMatchObject({
      dangers: [],
      touches: [{ what: "wire", distanceM: 0 }],
    });
  });

  test("a copy stands beside, with a name of its own and no records", () => {
    const lilac = garden.plants.find((p) => p.id === "lilac-corner")!;
    expect(copyOf(lilac, garden, "c")).toMatchObject({
      id: "c",
      label: "Old lilac at the corner 2",
      taxonId: lilac.taxonId,
    });
  });
});

describe("the survey", () => {
  const rose = garden.plants.find((p) => p.id === "rose-unknown")!;
  test("what was seen becomes condition and an observation; nothing looked at changes nothing", () => {
    expect(surveyed(model, rose, null, today, "o")).toEqual({ plant: rose, seen: null });
    const grows = surveyed(model, rose, { ...UNLOOKED, growth: "from-old-stems" }, today, "o");
    expect(grows.plant).toMatchObject({ condition: "healthy", health: { on: today, growth: "from-old-stems" } });
    expect(grows.seen).toMatchObject({ kind: "growth-seen", where: "old-stems", plantId: rose.id });
    expect(surveyed(model, rose, { ...UNLOOKED, deadShare: 0.5 }, today, "o").plant).toMatchObject({
      condition: "dieback",
      conditionOn: today,
    });
  });
});

describe("a table read", () => {
  const ctx = { garden, catalogue: CATALOGUE, today, newId };
  const go = (text: string, signal = new AbortController().signal) => {
    const sheet = sheetOf("t.csv", text);
    return readSheet(sheet, matchColumns(sheet.headings), ctx, () => undefined, signal);
  };

  test("line numbers are the file's own, blank lines and line breaks in cells included", async () => {
    const sheet = sheetOf("t.csv", '\uFEFFKind,Height,Note\r\nCommon lilac,2 m,"two\r\nlines"\r\n\r\nTeapot,1 m,x\r\n');
    expect(sheet.headings).toEqual(["Kind", "Height", "Note"]);
    expect(sheet.rows.map((r) => r.line)).toEqual([2, 5]);
    const r = await readSheet(sheet, matchColumns(sheet.headings), ctx, () => undefined, new AbortController().signal);
    expect(r).toMatchObject({ ok: false, problems: [expect.stringMatching(/^line 5, Kind: “Teapot”/)] });
  });

  test("progress rises to the end; stopping leaves nothing", async () => {
    const text = `Kind,Height (cm)\n${Array.from({ length: 450 }, () => "Common box,60").join("\n")}`;
    const sheet = sheetOf("t.csv", text);
    const seen: number[] = [];
    const done = await readSheet(
      sheet,
      matchColumns(sheet.headings),
      ctx,
      (p) => seen.push(p),
      new AbortController().signal,
    );
    expect(done).toMatchObject({ ok: true, change: { added: 450 } });
    expect(seen).toEqual(seen.toSorted((a, b) => a - b));
    expect(seen.at(-1)).toBe(1);
    const stop = new AbortController();
    stop.abort();
    expect(await go(text, stop.signal)).toBeNull();
  });

  test("fifty thousand lines are refused at once, with the number that fits", async () => {
    const text = `Kind,Height (cm)\n${"Common box,60\n".repeat(50_000)}`;
    expect(await go(text)).toMatchObject({
      ok: false,
      problems: [expect.stringMatching(/50000 plants: expected at most 5000/)],
    });
  });
});

describe("drawn", () => {
  test.each([
    ["room for all on one line", [60, 200, 340], "names", [0, 0, 0]],
    ["neighbours on two lines", [60, 130, 200], "names", [0, 1, 0]],
    ["too close for names: numbers", [60, 100, 140, 180], "numbers", [0, 0, 0, 0]],
    ["closer still: numbers on two lines", [60, 76, 92], "numbers", [0, 1, 0]],
    ["on one spot: the list alone says the third", [60, 60, 60], "numbers", [0, 1, null]],
  ] as const)("under a bed: %s", (_, middles, as, rows) => {
    expect(labelsUnder(middles.map((middlePx) => ({ middlePx, name: "Lilac by the corner gate" })))).toEqual({
      as,
      rows,
    });
  });

  test("a short name needs less room than a long one", () => {
    const named = (name: string) => labelsUnder([60, 100, 140].map((middlePx) => ({ middlePx, name })));
    expect([named("Yew").as, named("Yew by the long wall").as]).toEqual(["names", "numbers"]);
  });

  test("a very long bed leaves the others readable", () => {
    expect([8, 20, 500].map((m) => scaleFor(m, true))).toEqual([80, 56.5, 36]);
  });

  test("a sight line from the side passes the plant where similar triangles say", () => {
    const plant = garden.plants.find((p) => p.id === "arborvitae-bins")!;
    const line = sightLinesOf(garden, plant)[0]!;
    const s = sectionOf(line, line.leastM!, 300, 96);
    const t = (s.plant.x - s.eye.x) / (s.target.x - s.eye.x);
    expect(s.eye.y + t * (s.target.y - s.eye.y)).toBeCloseTo(s.plant.y, 0);
    expect(s.holds).toBe(true);
    expect(sectionOf(line, line.leastM! - 0.1, 300, 96).holds).toBe(false);
  });
});
