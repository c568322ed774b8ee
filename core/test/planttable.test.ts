import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  CATALOGUE,
  COLUMNS,
  date,
  demoGarden,
  HEDGE_HEADINGS,
  hedgeIssues,
  hedgeTable,
  lengthOf,
  readHedges,
  headingIssues,
  ISSUE_TEXTS,
  issueText,
  matchColumns,
  MOST,
  plainCell,
  plantTable,
  safeCell,
  splitHeading,
  tableReader,
  UNKNOWN_TAXON,
  withTable,
  type Garden,
  type TableIssueCode,
  wish,
} from "@wren/core";
import { gardenOf, plantOf } from "./support.ts";

const garden = gardenOf([plantOf("syringa-vulgaris", { id: "old", label: "Old lilac", note: "stays" })]);
let made = 0;
const read = (head: string, lines: readonly string[], g: Garden = garden) => {
  const headings = head.split(",");
  const mapping = matchColumns(headings);
  const wrong = headingIssues(headings, mapping, lines.length);
  if (wrong.length > 0) return { ok: false as const, issues: wrong };
  const ctx = { garden: g, catalogue: CATALOGUE, today: date("2026-07-01"), newId: () => `new-${made++}` };
  const reader = tableReader(ctx, headings, mapping);
  lines.forEach((l, i) => reader.row(i + 2, l.split(",")));
  return reader.finish();
};
const taken = (head: string, lines: readonly string[], g: Garden = garden) => {
  const r = read(head, lines, g);
  if (!r.ok) throw new Error(r.issues.map((i) => issueText(i)).join("; "));
  return r.value;
};

describe("headings", () => {
  test.each([
    ["Height (cm)", "height", "cm"],
    ["height_m", "height", "m"],
    ["Height cm", "height", "cm"],
    ["Planted on", "planted on", null],
    ["\uFEFFKind", "kind", null],
    ["Height [cubits]", "height", "cubits"],
  ])("%s is %s in %s", (text, name, unit) => expect(splitHeading(text)).toEqual({ name, unit }));

  test("strangers' headings find their columns, each once", () => {
    const m = matchColumns(["Latin", "Border", "h", "Spread (ft)", "Remarks", "colour"]);
    expect([m.kind, m.bed, m.height, m.width, m.note, m.id]).toEqual([0, 1, 2, 3, 4, null]);
  });
});

test("a wanted height is a wish by itself, feet and inches are read in any column", () => {
  const sized = gardenOf([
    plantOf("syringa-vulgaris", { id: "old", goal: wish("screen", 2) }),
    plantOf("weigela-florida", { id: "free", goal: wish("tidy") }),
  ]);
  const rows = taken(
    "Id,Kind,Height (cm),Wanted height (cm)",
    [`old,syringa-vulgaris,4'2,150`, "free,weigela-florida,160,140", ",weigela-florida,90,"],
    sized,
  ).plants;
  expect(rows.map((p) => [p.heightM, p.goal.kind, p.goal.heightM])).toEqual([
    [1.27, "screen", 1.5],
    [1.6, "keep-size", 1.4],
    [0.9, "routine", null],
  ]);
});

test("form, vigour, own size and dangers go out and come in again; a danger keeps its day, a new one is of today", () => {
  const grown = {
    ...garden.plants[0]!,
    form: "trunk" as const,
    vigour: "compact" as const,
    ownSize: { heightM: 1.5, growthM: 0.15 },
    dangers: [{ what: "bird-nest" as const, on: date("2026-05-10") }],
  };
  const g = { ...garden, plants: [grown] };
  const [head, line] = plantTable(g, CATALOGUE) as [string[], string[]];
  expect(withTable(g, taken(head.join(","), [line.join(",")], g)).plants).toEqual([grown]);
  const more = line.join(",").replace("bird-nest", "bird-nest; hung-limb");
  expect(withTable(g, taken(head.join(","), [more], g)).plants[0]!.dangers).toEqual([
    { what: "hung-limb", on: "2026-07-01" },
    { what: "bird-nest", on: "2026-05-10" },
  ]);
  expect(read("Kind,Height,Dangers", ["Lilac,1,dragon"]).ok).toBe(false);
});

describe("what is wrong is named by line and column, and nothing is taken", () => {
  test.each<[string, string, string[], TableIssueCode, string]>([
    ["no lines", "Kind,Height", [], "table-empty", "line 1"],
    ["no kind column", "Plant name,Height", ["Lilac,2"], "table-column", "line 1"],
    ["an unknown unit in the heading", "Kind,Height (cubits)", ["Common lilac,2"], "table-unit", "line 1, Height"],
    ["too many fields", "Kind,Height", ["Common lilac,2 m,extra"], "table-fields", "line 2"],
    ["no kind", "Kind,Height", [",2 m"], "table-needed", "line 2, Kind"],
    ["an unknown plant", "Kind,Height", ["Common lilac,2 m", "Teapot tree,2 m"], "table-kind", "line 3, Kind"],
    ["a plant of several kinds", "Kind,Height", ["hydrangea,2 m"], "table-kind-many", "line 2, Kind"],
    ["an unknown unit in a cell", "Kind,Height", ["Common lilac,3 cubits"], "table-length", "line 2, Height"],
    ["a height of a tower", "Kind,Height (m)", ["Common lilac,200"], "table-length-range", "line 2, Height"],
    ["a negative height", "Kind,Height (m)", ["Common lilac,-3"], "table-length", "line 2, Height"],
    [
      "a duplicate id",
      "Id,Kind,Height",
      ["a,Common lilac,2 m", "b,Common lilac,2 m", "a,Common lilac,2 m"],
      "table-id-twice",
      "line 4, Id",
    ],
    ["an id with a space", "Id,Kind,Height", ["a b,Common lilac,2 m"], "table-id", "line 2, Id"],
    ["a day to come", "Kind,Height,Planted", ["Common lilac,2 m,2027-01-01"], "table-day", "line 2, Planted"],
    ["no such day", "Kind,Height,Planted", ["Common lilac,2 m,30 Feb"], "table-day", "line 2, Planted"],
    ["no such goal", "Kind,Height,Goal", ["Common lilac,2 m,win prizes"], "table-choice", "line 2, Goal"],
    ["a name too long", "Kind,Height,Name", [`Common lilac,2 m,${"x".repeat(81)}`], "table-text-long", "line 2, Name"],
    ["a formula for a kind", "Kind,Height", ["=1+1,2 m"], "table-kind", "line 2, Kind"],
    [
      "too many lines",
      "Kind,Height",
      Array.from({ length: MOST.plants + 1 }, () => "Common lilac,2 m"),
      "table-long",
      "line 1",
    ],
  ])("%s", (_, head, lines, code, path) => {
    const r = read(head, lines);
    expect(r.ok).toBe(false);
    if (r.ok) return;
    expect(r.issues[0]).toMatchObject({ code });
    expect(r.issues[0]!.path.join(", ")).toBe(path);
    expect(issueText(r.issues[0]!)).not.toMatch(/undefined/);
  });

  test("one column for two things", () => {
    const mapping = { ...matchColumns(["Kind", "Height"]), width: 1 };
    expect(headingIssues(["Kind", "Height"], mapping, 3)[0]!.code).toBe("table-column-twice");
  });

  test("every wrong line is named, not only the first", () => {
    const r = read("Kind,Height", ["Teapot,2 m", "Common lilac,2 m", "Common lilac,x", "Common lilac,"]);
    expect(r.ok ? [] : r.issues.map((i) => i.path[0])).toEqual(["line 2", "line 4", "line 5"]);
    expect(Object.keys(ISSUE_TEXTS).filter((c) => c.startsWith("table-")).length).toBeGreaterThan(10);
  });
});

describe("what is right is taken in", () => {
  test("names, ids and botanical names; units by heading or cell; a year for a day; new beds by name", () => {
    const { plants, beds, added, changed } = taken("Id,Kind,Height (cm),Width,Bed,Planted,Wanted height (m),Goal", [
      "old,syringa-vulgaris,210,2 m,First bed,,2.4,keep-size",
      ",Buxus sempervirens,80,4 ft 2 in,Wall,2019,,",
      ",unknown,120,,wall,,,",
    ]);
    expect([added, changed, beds.map((b) => b.name)]).toEqual([2, 1, ["Wall"]]);
    expect(plants[0]).toMatchObject({
      id: "old",
      label: "Old lilac",
      heightM: 2.1,
      note: "stays",
      goal: wish("keep-size", 2.4),
    });
    expect(plants[1]).toMatchObject({ label: "Common box", widthM: 1.27, plantedOn: "2019-06-30", plantedAbout: true });
    expect(plants[2]).toMatchObject({ taxonId: UNKNOWN_TAXON, label: "Unknown shrub", bedId: beds[0]!.id });
    expect(plants[2]!.identity?.candidates.length).toBe(3);
    expect(plants[2]!.alongM).toBeGreaterThan(plants[1]!.alongM);
    const next = withTable(garden, { plants, beds, added, changed });
    expect([next.plants.length, next.beds.length]).toEqual([3, 2]);
  });

  test("five hundred plants make a bed long enough", () => {
    const rows = Array.from({ length: 500 }, (_, i) => `Common box,${40 + (i % 60)},Row ${i % 5}`);
    const { plants, beds } = taken("Kind,Height (cm),Bed", rows);
    expect([plants.length, beds.length, new Set(plants.map((p) => p.id)).size]).toEqual([500, 5, 500]);
    for (const b of beds)
      expect(Math.max(...plants.filter((p) => p.bedId === b.id).map((p) => p.alongM))).toBeLessThanOrEqual(b.lengthM);
  });
});

describe("cells a spreadsheet would run (checks.md 8.2)", () => {
  test.each([
    "=1+1",
    "+1",
    "-1",
    "@SUM(A1)",
    "\t=1",
    '=HYPERLINK("http://x","y")',
    "'=1",
    "＝1",
    "plain",
    "3.5",
    "O'Neill",
  ])("%j goes out harmless and comes back itself", (text) => {
    expect(safeCell(text)).not.toMatch(/^[=+\-@\t＝]/);
    expect(plainCell(safeCell(text))).toBe(text);
  });

  test("what is exported is imported again as it was", () => {
    const word = fc.string({ minLength: 1, maxLength: 20 }).filter((s) => s.trim() === s && !/[\r\n\t]/.test(s));
    fc.assert(
      fc.property(
        fc.array(fc.tuple(word, fc.integer({ min: 2, max: 4000 }), fc.integer({ min: 2, max: 900 })), {
          minLength: 1,
          maxLength: 6,
        }),
        (rows) => {
          const g = gardenOf(
            rows.map(([label, h, w], i) =>
              plantOf("buxus-sempervirens", {
                id: `p${i}`,
                label,
                heightM: h / 100,
                widthM: w / 100,
                note: label,
                alongM: i,
              }),
            ),
          );
          const [headings, ...lines] = plantTable(g, CATALOGUE);
          const ctx = {
            garden: { ...g, plants: [] },
            catalogue: CATALOGUE,
            today: date("2026-07-01"),
            newId: () => "never",
          };
          const reader = tableReader(ctx, headings!, matchColumns(headings!));
          lines.forEach((cells, i) => reader.row(i + 2, cells));
          const r = reader.finish();
          if (!r.ok) throw new Error(r.issues.map(issueText).join());
          const pick = (p: Garden["plants"][number]) => [
            p.id,
            p.label,
            p.heightM,
            p.widthM,
            p.note,
            p.taxonId,
            p.plantedOn,
            p.alongM,
          ];
          expect(r.value.plants.map(pick)).toEqual(g.plants.map(pick));
        },
      ),
      { numRuns: 40 },
    );
    expect(COLUMNS.filter((c) => c.required).map((c) => c.id)).toEqual(["kind", "height"]);
  });
});

describe("a table of hedges", () => {
  const on = date("2026-06-10");
  const garden = demoGarden(on);
  const read = (lines: readonly (readonly string[])[], g: Garden = garden) => {
    let n = 0;
    return readHedges(lines, {
      garden: g,
      catalogue: CATALOGUE,
      today: on,
      bedId: garden.beds[0]!.id,
      newId: () => `n${n++}`,
    });
  };
  test("out and in again is the very same hedges, every post that was measured too; a new length is a new measure", () => {
    const [old] = garden.hedges;
    const more = { alongM: 2, groundM: 0.05, heightM: 1.9, footM: null, topM: null };
    const posts = [old!.posts[0]!, more, old!.posts[1]!];
    const g = { ...garden, hedges: [{ ...old!, posts }] };
    const [head, row] = hedgeTable(g, CATALOGUE);
    expect(read([head!, row!], g)).toEqual({ ok: true, value: { hedges: g.hedges, plants: [] } });
    const longer = read([head!, row!.with(2, "6")], g);
    expect(longer.ok && longer.value.hedges.map((h) => [h.id, h.front, lengthOf(h), h.posts.length])).toEqual([
      [old!.id, old!.front, 6, 2],
    ]);
  });
  test("a name that nobody knows is a new plant of its kind", () => {
    const r = read([HEDGE_HEADINGS, ["Lane side", "European beech", "18", "2.4", "0.8", "60 cm", "0.5", "90"]]);
    const made = r.ok ? r.value : null;
    expect(made?.plants.map((p) => [p.label, p.taxonId, p.form])).toEqual([
      ["Lane side", "fagus-sylvatica", "clipped"],
    ]);
    expect(made?.hedges[0]).toMatchObject({ plantId: made!.plants[0]!.id, facesDeg: 90 });
    expect(made?.hedges[0]!.posts[0]).toMatchObject({ heightM: 2.4, footM: 0.8, topM: 0.6 });
  });
  test("what is wrong is said by line and heading, and nothing is taken", () => {
    expect(read([["Name", "Kind"]])).toMatchObject({ ok: false });
    const r = read([HEDGE_HEADINGS, ["x", "triffid", "3000", "tall", "", "0.5", "0", "400"]]);
    expect(r.ok ? [] : r.issues.map((i) => [i.code, i.path[1]])).toEqual([
      ["table-length-range", "Length (m)"],
      ["table-length", "Height (m)"],
      ["table-needed", "Foot (m)"],
      ["table-choice", "Front looks to (°)"],
      ["table-kind", "Kind"],
    ]);
    const yew = hedgeTable(garden, CATALOGUE)[1]!;
    const again = read([HEDGE_HEADINGS, yew, yew, ["y".repeat(400), ...yew.slice(1)], yew.with(6, "9")]);
    expect(again.ok ? [] : again.issues.map((i) => [i.code, i.path[0]])).toEqual([
      ["table-id-twice", "line 3"],
      ["table-text-long", "line 4"],
      ["table-id-twice", "line 5"],
    ]);
    // Ground may rise by as much as it goes along, and no more.
    const [first, , ...others] = garden.hedges[0]!.posts;
    const up = { ...others[0]!, alongM: first!.alongM + 0.5, groundM: first!.groundM + 0.5 };
    for (const [groundM, codes] of [
      [up.groundM, []],
      [up.groundM + 0.01, ["slope-steep"]],
    ] as const) {
      const hedge = { ...garden.hedges[0]!, posts: [first!, { ...up, groundM }], stretches: [], gaps: [] };
      const slope = hedgeIssues(hedge, [], CATALOGUE).map((i) => i.code);
      expect(slope.filter((c) => c === "slope-steep")).toEqual(codes);
    }
    const steep = read([HEDGE_HEADINGS, yew.with(6, "9")]);
    expect(steep.ok ? [] : steep.issues.map((i) => [i.code, i.path[0]])).toEqual([["slope-steep", "line 2"]]);
  });
});
