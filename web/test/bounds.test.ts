/** Every bound stands once: what a form takes the garden keeps, and what the garden refuses the form refuses first. */
import { describe, expect, test } from "@jest/globals";
import {
  BOUNDS,
  CATALOGUE,
  date,
  demoGarden,
  gate,
  matchColumns,
  readWeather,
  tableReader,
  type Bounds,
  type Garden,
} from "@wren/core";
import { plantSchema } from "../src/forms/plantForm.ts";
import { placeInput, placeSchema } from "../src/forms/placeForm.ts";
import { plantFrom, plantInput } from "../src/forms/plantForm.ts";
import { visitFrom, visitInput, visitSchema } from "../src/screens/record/visitForm.ts";

const today = date("2026-07-01");
const garden = demoGarden(today);
const plant = garden.plants.find((p) => p.goal.heightM !== null)!;
const kept = (g: Garden): boolean => gate(garden, g, { catalogue: CATALOGUE, today }).ok;
const withPlant = (more: object): Garden => ({
  ...garden,
  plants: garden.plants.map((p) => (p.id === plant.id ? { ...p, ...more } : p)),
});

const form = plantSchema("metric", today);
/** A plant's form with one field typed: the plant that comes of it, or null when the form refuses it. */
const typedPlant = (more: object): Garden | null => {
  const r = form.safeParse({ ...plantInput(plant, "metric"), ...more });
  return r.success ? withPlant(plantFrom(r.data, plant, today, plant)) : null;
};
const visitForm = visitSchema("metric", today);
const start = { task: "shape", on: today, heightM: 1.5, percent: 10, units: "metric" } as const;
const typedVisit = (more: object): Garden | null => {
  const r = visitForm.safeParse({ ...visitInput(start), ...more });
  const rest = { id: "new", plantId: plant.id, regime: "upkeep" } as const;
  return r.success ? { ...garden, visits: [...garden.visits, visitFrom(r.data, rest)] } : null;
};
const typedPlace = (more: object): Garden | null => {
  const r = placeSchema("metric").safeParse({ ...placeInput(garden.place, "metric"), ...more });
  return r.success ? { ...garden, place: r.data } : null;
};
const tableOf = (column: string, text: string): Garden | null => {
  const headings = ["Id", "Kind", "Height (m)", "Width (m)", "Wanted height (m)", "Along the bed (m)"];
  const cells = [plant.id, "Common lilac", "2", "", "", ""];
  cells[headings.indexOf(column)] = text;
  const reader = tableReader(
    { garden, catalogue: CATALOGUE, today, newId: () => "n" },
    headings,
    matchColumns(headings),
  );
  reader.row(2, cells);
  const r = reader.finish();
  return r.ok ? withPlant(r.value.plants[0]!) : null;
};
const rain = (mm: string): Garden | null => {
  const r = readWeather(
    [
      ["date", "tmin", "tmax", "rain"],
      ["2025-01-01", "1", "4", mm],
    ],
    today,
  );
  return r.ok ? { ...garden, weather: [...r.value.years] } : null;
};

type Typed = (text: string) => Garden | null;
/** Each field as it is typed, its bounds, and how many of its units make one of the model's. */
const FIELDS: readonly (readonly [name: string, bounds: Bounds, per: number, typed: Typed])[] = [
  ["height", BOUNDS.heightM, 100, (t) => typedPlant({ height: t })],
  ["width", BOUNDS.widthM, 100, (t) => typedPlant({ width: t })],
  ["wanted height", BOUNDS.heightM, 100, (t) => typedPlant({ goalHeight: t })],
  ["power line", BOUNDS.powerLineM, 100, (t) => typedPlant({ powerLine: t })],
  ["thickest stem", BOUNDS.millimetres, 1, (t) => typedPlant({ thickest: t })],
  ["share taken", BOUNDS.share, 100, (t) => typedVisit({ percent: t })],
  ["hazard", BOUNDS.share, 100, (t) => typedVisit({ hazard: t })],
  ["dead stems", BOUNDS.stemCount, 1, (t) => typedVisit({ dead: t })],
  ["minutes", BOUNDS.minutes, 1, (t) => typedVisit({ minutes: t })],
  ["live stems", BOUNDS.liveStemCount, 1, (t) => typedVisit({ measure: "stems", live: t, removed: "0" })],
  ["height before", BOUNDS.heightM, 100, (t) => typedVisit({ measure: "height", before: t, after: "0.5" })],
  ["height after", BOUNDS.afterM, 100, (t) => typedVisit({ measure: "height", before: "4000", after: t })],
  ["diameter", BOUNDS.millimetres, 1, (t) => typedVisit({ measure: "diameters", removedMm: t, keptMm: "9" })],
  ["table: height", BOUNDS.heightM, 1, (t) => tableOf("Height (m)", t)],
  ["table: width", BOUNDS.widthM, 1, (t) => tableOf("Width (m)", t)],
  ["table: wanted", BOUNDS.heightM, 1, (t) => tableOf("Wanted height (m)", t)],
  ["table: along", BOUNDS.alongM, 1, (t) => tableOf("Along the bed (m)", t)],
  ["rain", { ...BOUNDS.rainMm }, 1, rain],
];

describe.each(FIELDS)("%s", (name, { from, to, whole }, per, typed) => {
  const step = whole === true ? 1 : 0.2;
  const text = (n: number): string => String(Math.round(n * 1e6) / 1e6);
  test("takes both ends, and what it takes is kept", () => {
    for (const end of [from, to]) {
      // The tallest plant cannot be cut to more than it was; nothing else stands in the way.
      const g = typed(text(end * per));
      expect([name, end, g !== null && kept(g)]).toEqual([name, end, true]);
    }
  });
  test("refuses what lies beyond", () => {
    expect(typed(text(to * per + step))).toBeNull();
    if (from > 0) expect(typed(text(Math.max(0, from * per - step)))).toBeNull();
  });
});

test("latitudes: the form refuses what the place would", () => {
  expect(typedPlace({ latitudeDeg: "400" })).toBeNull();
  expect(typedPlace({ latitudeDeg: "66.5" })).toBeNull();
  expect(kept(typedPlace({ latitudeDeg: "52" })!)).toBe(true);
});
