import { describe, expect, test } from "@jest/globals";
import { CATALOGUE, date, demoGarden, parseLength, shareOfVisit, UNSAID_PLACE } from "@wren/core";
import { placeInput, placeSchema } from "../src/forms/placeForm.ts";
import { newPlantInput, plantFrom, plantInput, plantSchema } from "../src/forms/plantForm.ts";
import { shareSoFar, visitInput, visitSchema } from "../src/screens/record/visitForm.ts";

const today = date("2026-07-01");
const garden = demoGarden(today);

/** field → message, of a refused form. */
const problems = (r: {
  success: boolean;
  error?: { issues: readonly { path: readonly PropertyKey[]; message: string }[] };
}) => Object.fromEntries((r.error?.issues ?? []).map((i) => [String(i.path[0]), i.message]));

test.each([
  ["120", "cm", 1.2],
  ["48", "in", 1.2192],
  ["1.2 m", "in", 1.2],
  ["1,2 m", "cm", 1.2],
  ["4 ft 2 in", "cm", 1.27],
  ["4'2\"", "cm", 1.27],
  ["4'2", "cm", 1.27],
  ["1 m 20", "in", 1.2],
  ["100 120", "cm", null],
  ["120 cm 2 m", "cm", null],
  ["tall", "cm", null],
  ["", "cm", null],
  ["12 apples", "cm", null],
] as const)("a length typed as “%s” (%s) is %d m", (text, unit, metres) =>
  expect(parseLength(text, unit)).toBe(metres),
);

describe("the plant form", () => {
  const schema = plantSchema("metric", today);
  test.each(garden.plants.map((p) => [p.id, p] as const))("%s goes in and comes out the same", (_, p) => {
    const r = schema.safeParse(plantInput(p, "metric"));
    expect(r.success && plantFrom(r.data, p, today, { id: p.id, alongM: p.alongM })).toEqual(p);
  });

  test("every wrong field is named at once", () => {
    const typed = {
      ...newPlantInput(null, garden.beds[0], "metric"),
      label: " ",
      height: "50 m",
      goal: "outline",
      plantedOn: "2027-01-01",
      thickest: "wrist",
    };
    expect(problems(schema.safeParse(typed))).toEqual({
      label: "Give it a name",
      height: "50 m is out of bounds: expected 0.01 to 40 m",
      width: "A length is needed, about will do: like 120, 1.2 m or 4 ft",
      plantedOn: "2027-01-01 lies in the future: expected 2026-07-01 or earlier",
      goalHeight: "A length is needed, about will do: like 120, 1.2 m or 4 ft",
      thickest: "“wrist” will not do: expected a number from 0.1 to 600",
      taxonId: "Choose a kind",
    });
  });
});

describe("the visit form", () => {
  const measured = { taxon: CATALOGUE.byId("thuja-occidentalis")!, plant: { form: null, widthM: 1.2 }, stems: null };
  const start = visitInput({ task: "shape", on: today, percent: null });
  test.each([
    [{ measure: "share", percent: "25" }, 0.25],
    [{ measure: "stems", live: "10", removed: "3" }, 0.3],
    // A column, and green at its top as well: a little more than its top quarter.
    [{ measure: "height", before: "200", after: "150" }, 0.262],
    [{ measure: "diameters", removedMm: "20, 20", keptMm: "20 20 20 20" }, 1 / 3],
    [{ measure: "diameters", removedMm: "12,5; 12,5", keptMm: "12,5" }, 2 / 3],
  ] as const)("%j takes %d of the live growth, shown and recorded alike", (typed, share) => {
    const v = { ...start, ...typed };
    const r = visitSchema("metric", today).safeParse(v);
    expect(shareSoFar(v, "metric", measured)).toBeCloseTo(share);
    expect(r.success && shareOfVisit(r.data, measured)).toBeCloseTo(share);
  });

  test.each([
    [{ measure: "share", percent: "140" }, "percent"],
    [{ measure: "stems", live: "4", removed: "5" }, "removed"],
    [{ measure: "height", before: "100", after: "120" }, "after"],
    [{ measure: "diameters", removedMm: "900" }, "removedMm"],
    [{ percent: "20", dead: "-1" }, "dead"],
    [{ percent: "20", on: "2026-08-01" }, "on"],
    [{ percent: "20", minutes: "long" }, "minutes"],
  ] as const)("%j is refused at %s", (typed, field) => {
    expect(Object.keys(problems(visitSchema("metric", today).safeParse({ ...start, ...typed })))).toEqual([field]);
  });

  test.each(["dead-only", "deadhead"] as const)("%s needs no measure", (task) => {
    const r = visitSchema("metric", today).safeParse({ ...start, task, dead: "6" });
    expect(r.success && r.data).toMatchObject({ cuts: [], dead: 6 });
  });

  test("no visit before the planting, no planting after a record: an export must come back in", () => {
    const early = visitSchema("metric", today, date("2026-06-01")).safeParse({
      ...start,
      percent: "5",
      on: "2026-05-01",
    });
    expect(problems(early)).toEqual({ on: "It was planted on 2026-06-01: expected that day or later" });
    const spirea = garden.plants.find((p) => p.id === "spirea-gate")!;
    const moved = { ...plantInput(spirea, "metric"), plantedOn: "2026-01-01" };
    const late = plantSchema("metric", today, date("2023-03-20")).safeParse(moved);
    expect(problems(late)).toEqual({ plantedOn: "It has a record of 2023-03-20: expected that day or earlier" });
  });
  test("a plant of which only the year is known: its middle, never after today or its first record", () => {
    const spirea = garden.plants.find((p) => p.id === "spirea-gate")!;
    const said = (plantedYear: string, record: string | null = null) => {
      const typed = { ...plantInput(spirea, "metric"), historyKnown: "about", plantedYear } as const;
      const r = plantSchema("metric", today, record === null ? null : date(record)).safeParse(typed);
      if (!r.success) return problems(r);
      const p = plantFrom(r.data, spirea, today, spirea);
      return [p.plantedOn, p.plantedAbout, plantInput(p, "metric").plantedYear];
    };
    expect(said("2014")).toEqual(["2014-06-30", true, "2014"]);
    expect(said(today.slice(0, 4))).toEqual([
      today < `${today.slice(0, 4)}-06-30` ? today : `${today.slice(0, 4)}-06-30`,
      true,
      today.slice(0, 4),
    ]);
    expect(said("2023", "2023-03-20")).toEqual(["2023-03-20", true, "2023"]);
    expect(said("2024", "2023-03-20")).toEqual({
      plantedYear: "It has a record of 2023-03-20: expected that day or earlier",
    });
    expect(said("2214")).toHaveProperty("plantedYear");
    expect(said("")).toHaveProperty("plantedYear");
  });
});

describe("the place form", () => {
  test("the demo's place goes in and comes out the same; a frost-free one too", () => {
    const free = { ...UNSAID_PLACE, name: "Bay", latitudeDeg: 26, zone: "10b", noFrost: true };
    const cold = { ...UNSAID_PLACE, name: "Hill", latitudeDeg: 51, coldestNightC: -12, warmestC: 19.5, nightsC: -2 };
    for (const p of [garden.place, free, cold])
      for (const units of ["metric", "both"] as const)
        expect(placeSchema(units).parse(placeInput(p, units))).toEqual(p);
  });
  test("a place that nobody names is called something all the same", () => {
    const r = placeSchema("metric").safeParse({ ...placeInput(garden.place, "metric"), name: " " });
    expect(r.success && r.data.name).toBe("My garden");
  });
  test.each([
    ["24", "metric", 24],
    ["75 F", "metric", 23.89],
    ["75", "imperial", 23.89],
    ["−8 °C", "imperial", -8],
    ["-0,5", "both", -0.5],
    ["warm", "metric", null],
    ["300", "metric", null],
  ] as const)("afternoons typed as %s where %s is used are %s °C", (typed, units, c) => {
    const r = placeSchema(units).safeParse({ ...placeInput(garden.place, units), warmestC: typed });
    expect(r.success ? r.data.warmestC : null).toEqual(c);
  });
  test.each([
    [{ latitudeDeg: "95" }, "latitudeDeg"],
    [{ lastFrost: "2025-02-30" }, "lastFrost"],
    [{ noFrost: true }, "lastFrost"],
    [{ warmestC: "hot" }, "warmestC"],
    [{ lastFrost: "2025-10-20", firstFrost: "2025-04-20" }, "lastFrost"],
    [{ name: "x".repeat(300) }, "name"],
  ] as const)("%j is refused at %s", (typed, field) => {
    expect(
      Object.keys(problems(placeSchema("metric").safeParse({ ...placeInput(garden.place, "metric"), ...typed }))),
    ).toEqual([field]);
  });
});
