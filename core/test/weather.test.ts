import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  addDays,
  climateFromDays,
  climateOf,
  CATALOGUE,
  date,
  issueText,
  openGarden,
  readWeather,
  simulatedDays,
  withWeather,
  writeGardenFile,
  readGardenFile,
  type WeatherTable,
} from "@wren/core";
import { gardenOf, PLACE, plantOf, PLACES } from "./support.ts";

const today = date("2026-06-10");
const rows = (text: string): string[][] => text.split("\n").map((l) => l.split(","));
const read = (text: string) => readWeather(rows(text), today);
const good = (text: string): WeatherTable => {
  const r = read(text);
  if (!r.ok) throw new Error(r.issues.map((i) => i.code).join());
  return r.value;
};
const on = (t: WeatherTable, day: string): (number | null)[] => {
  const y = t.years.find((w) => String(w.year) === day.slice(0, 4))!;
  const i = Math.round((Date.parse(day) - Date.parse(`${day.slice(0, 4)}-01-01`)) / 864e5);
  return [y.tminC[i] ?? null, y.tmaxC[i] ?? null, y.rainMm[i] ?? null];
};

describe("a table of daily weather is recognised", () => {
  test.each([
    ["headings in any order", "tmax,date,precip,tmin\n9.5,2026-03-01,2.2,1.5", [1.5, 9.5, 2.2], "C", "values"],
    ["no headings", "2026-03-01,1.5,9.5", [1.5, 9.5, null], "C", "values"],
    ["°F by its heading", "Date,Low (°F),High (°F)\n2026-03-01,32,50", [0, 10, null], "F", "heading"],
    ["°F by its size", "date,min,max\n2026-03-01,32,50\n2026-05-30,70,95", [0, 10, null], "F", "values"],
    ["tenths of a degree", "DATE,TMAX,TMIN\n20260301,95,15\n20260530,301,180", [1.5, 9.5, null], "tenths", "values"],
    ["day before month", "date,tmin,tmax\n01/03/2026,1.5,9.5\n31/03/2026,2,10", [1.5, 9.5, null], "C", "values"],
    ["month before day", "date,tmin,tmax\n3/1/2026,1.5,9.5\n3/31/2026,2,10", [1.5, 9.5, null], "C", "values"],
    ["a column of minutes past midnight", "time,tmin,tmax\n2026-03-01T00:00,1.5,9.5", [1.5, 9.5, null], "C", "values"],
  ] as const)("%s", (_, text, expected, unit, from) => {
    const t = good(text);
    expect(on(t, "2026-03-01")).toEqual(expected);
    expect([t.unit, t.unitFrom]).toEqual([unit, from]);
  });

  test("minimum and maximum the wrong way round are turned, and it says so", () => {
    const t = good("date,tmin,tmax\n2026-03-01,9,1\n2026-03-02,10,2\n2026-03-03,8,0");
    expect(t.swapped).toBe(true);
    expect(on(t, "2026-03-02")).toEqual([2, 10, null]);
  });

  test("gaps stay gaps and are counted; marks for missing are no text", () => {
    const t = good("date,tmin,tmax\n2026-03-01,1,9\n2026-03-02,NA,9\n2026-03-03,-9999,M\n2026-03-06,2,8\n\n");
    expect([t.days, t.gaps, t.from, t.to]).toEqual([2, 4, "2026-03-01", "2026-03-06"]);
    expect(on(t, "2026-03-02")).toEqual([null, 9, null]);
  });

  test("a hundred years, leap days among them", () => {
    const from = date("1926-01-01");
    const lines = Array.from({ length: 36_524 }, (_, i) => `${addDays(from, i)},${i % 10},${10 + (i % 15)}`);
    const t = good(`date,tmin,tmax\n${lines.join("\n")}`);
    expect([t.years.length, t.days, t.gaps]).toEqual([100, 36_524, 0]);
    expect(t.years.find((y) => y.year === 1928)!.tminC).toHaveLength(366);
  });
});

describe("what cannot be read is refused by line, and nothing is taken", () => {
  test.each([
    ["nothing", "", [[0, "weather-empty"]]],
    ["no column for the maximum", "date,tmin\n2026-03-01,1", [[1, "weather-columns"]]],
    ["a day that does not exist", "date,tmin,tmax\n2026-02-30,1,9\n2026-03-01,1,9", [[2, "weather-day"]]],
    ["days that can be read two ways", "date,tmin,tmax\n03/04/2026,1,9", [[2, "weather-day-order"]]],
    ["text", "date,tmin,tmax\n2026-03-01,mild,9", [[2, "weather-number"]]],
    [
      "one day the wrong way round",
      "date,tmin,tmax\n2026-03-01,1,9\n2026-03-02,12,3\n2026-03-03,1,9",
      [[3, "weather-reversed"]],
    ],
    ["a day twice, differently", "date,tmin,tmax\n2026-03-01,1,9\n2026-03-01,2,9", [[3, "weather-twice"]]],
    ["the future", "date,tmin,tmax\n2026-06-11,1,9", [[2, "weather-future"]]],
    ["colder than anywhere", "date,tmin,tmax\n2026-03-01,-90,9", [[2, "weather-span"]]],
    ["no day with both", "date,tmin,tmax\n2026-03-01,,9", [[0, "weather-none"]]],
  ] as const)("%s", (_, text, expected) => {
    const r = read(text);
    expect(r.ok ? [] : r.issues.map((i) => [i.path[0], i.code])).toEqual(expected);
    if (!r.ok) for (const i of r.issues) expect(issueText(i)).not.toMatch(/undefined|NaN/);
  });

  test("whatever the cells hold, the answer is days or refusals, never a throw", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.array(fc.oneof(fc.string(), fc.constantFrom("2026-03-01", "1", "-3.5", "tmin")), { maxLength: 5 }),
          { maxLength: 8 },
        ),
        (cells) => {
          const r = readWeather(cells, today);
          expect(r.ok || r.issues.length > 0).toBe(true);
        },
      ),
    );
  });
});

describe("days in a garden", () => {
  test("new days over old ones, the others stay; observed never gives way to simulated", () => {
    const first = withWeather(gardenOf([]), good("date,tmin,tmax\n2026-03-01,1,9\n2026-03-02,2,8").years);
    const second = withWeather(first, good("date,tmin,tmax\n2026-03-02,3,7").years);
    const t = { ...good("date,tmin,tmax\n2026-03-01,1,9"), years: second.weather };
    expect([on(t, "2026-03-01"), on(t, "2026-03-02")]).toEqual([
      [1, 9, null],
      [3, 7, null],
    ]);
    expect(withWeather(second, simulatedDays(climateOf(PLACE), today)).weather).toEqual(second.weather);
  });

  test("they go into the garden file and come out; a day the wrong way round is refused with its place", () => {
    const g = withWeather(
      gardenOf([plantOf("syringa-vulgaris")]),
      good("date,tmin,tmax,rain\n2026-03-01,1,9,0.5").years,
    );
    const back = readGardenFile(writeGardenFile(g), CATALOGUE, today);
    expect(back.ok && back.value.weather).toEqual(g.weather);
    const wrong = writeGardenFile({
      ...g,
      weather: g.weather.map((w) => ({ ...w, tminC: w.tminC.map((x) => (x === null ? null : 20)) })),
    });
    const r = readGardenFile(wrong, CATALOGUE, today);
    expect(r.ok ? [] : r.issues.map((i) => [i.code, i.path.slice(0, 3)])).toEqual([
      ["weather-order", ["garden", "weather", 0]],
    ]);
  });

  test.each(PLACES.map((p) => [p.name, p] as const))(
    "%s: the simulated station says the same twice, up to a week ahead, marked as simulated",
    (_, place) => {
      const c = climateOf(place);
      const [a, b] = [simulatedDays(c, today), simulatedDays(c, today)];
      expect(a).toEqual(b);
      expect(
        a.every((y) => y.source === "simulated" && y.tminC.every((lo, i) => lo === null || lo < y.tmaxC[i]!)),
      ).toBe(true);
      expect(a[0]!.tminC.filter((t) => t !== null)).toHaveLength(168);
      const model = openGarden({ ...gardenOf([]), place, weather: a }, CATALOGUE);
      expect(model.weatherOn(today)?.simulated).toBe(true);
      expect(model.weatherOn(addDays(today, 8))).toBeNull();
    },
  );

  test("too few days make no climate", () => {
    expect(climateFromDays(good("date,tmin,tmax\n2026-03-01,1,9").years, 41)).toBeNull();
  });
});
