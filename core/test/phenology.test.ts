import { describe, expect, test } from "@jest/globals";
import {
  CATALOGUE,
  climateOf,
  date,
  giveOrTake,
  growthDone,
  heightOnDay,
  makeDate,
  monthStart,
  plantYear,
  seasonDate,
  seasonPoint,
  seasonScanner,
  seasonsEndHeight,
  addDays,
  type Place,
} from "@wren/core";
import { PLACE, PLACES, plantOf, seenOn, visitOf } from "./support.ts";

const at = (name: string): Place => PLACES.find((p) => p.name === name) ?? PLACE;

describe("stages at known places (common practice; windows as wide as the clock is good: two weeks)", () => {
  // kind, place, display, opens between, ends between
  test.each([
    ["syringa-vulgaris", "Test plot", "spring flowers", ["04-28", "05-22"], ["05-18", "06-14"]],
    ["syringa-vulgaris", "coast", "spring flowers", ["03-10", "05-05"], ["04-01", "05-30"]],
    ["pieris-japonica", "Test plot", "spring flowers", ["03-25", "04-25"], ["04-20", "05-25"]],
    ["rhododendron-large-leaved", "Test plot", "spring flowers", ["05-15", "06-12"], ["06-05", "07-03"]],
    ["hydrangea-macrophylla", "Test plot", "summer flowers", ["06-10", "07-10"], ["07-20", "08-20"]],
    ["hydrangea-arborescens", "Test plot", "summer flowers", ["06-10", "07-12"], ["08-20", "10-05"]],
    ["hydrangea-paniculata", "Test plot", "summer flowers", ["06-30", "07-31"], ["09-05", "10-10"]],
    ["spiraea-japonica", "Test plot", "summer flowers", ["06-01", "06-28"], ["07-28", "08-30"]],
    ["buddleja-davidii", "Test plot", "summer flowers", ["07-01", "07-31"], ["09-10", "10-15"]],
    ["rosa-repeat", "Test plot", "roses in flushes", ["06-01", "06-28"], ["09-28", "10-28"]],
    ["osmanthus-fragrans", "mild", "autumn flowers", ["08-15", "10-15"], ["09-25", "11-25"]],
    ["syringa-vulgaris", "south", "spring flowers", ["09-01", "10-31"], ["09-20", "11-25"]],
  ] as const)("%s, %s: %s", (id, place, name, opens, ends) => {
    const c = climateOf(at(place));
    const d = plantYear(CATALOGUE.byId(id)!, c).displays.find((x) => x.display.name === name)!;
    const md = (day: number): string => seasonDate(2025, day, c.hemisphere).slice(5);
    expect(md(d.opens.day) >= opens[0] && md(d.opens.day) <= opens[1] ? "within" : md(d.opens.day)).toBe("within");
    expect(md(d.ends.day) >= ends[0] && md(d.ends.day) <= ends[1] ? "within" : md(d.ends.day)).toBe("within");
  });

  test("a colder place is later in spring and earlier in autumn", () => {
    const order = ["mild", "coast", "Test plot", "inland", "cold"].map((n) => climateOf(at(n)));
    const lilac = CATALOGUE.byId("syringa-vulgaris")!;
    const opens = order.map((c) => plantYear(lilac, c).displays[0]!.opens.day);
    expect(opens).toEqual(opens.toSorted((a, b) => a - b));
    const inland = order.slice(2).map((c) => plantYear(lilac, c).dormant.day);
    expect(inland).toEqual(inland.toSorted((a, b) => b - a));
  });

  test("a place too cool for a display says so instead of inventing a date", () => {
    const islands = climateOf({ ...at("coast"), latitudeDeg: 60, zone: "8b", warmestC: 14 });
    const y = plantYear(CATALOGUE.byId("cortaderia-selloana")!, islands);
    expect(y.displays).toEqual([]);
    expect(y.tooCoolFor).toHaveLength(1);
    // What stands on old wood has its buds, whatever the forecast says.
    for (const taxon of CATALOGUE.taxa) {
      const cool = plantYear(taxon, islands).tooCoolFor;
      expect(taxon.displays.filter((d) => d.on === "old" && cool.includes(d.name))).toEqual([]);
    }
  });

  test("a summer-dormant kind sleeps when the temperate ones grow", () => {
    const y = plantYear(CATALOGUE.byId("ribes-speciosum")!, climateOf(at("mild")));
    const asleep = (day: number): boolean => day > y.dormant.day - 365 && day < y.wakes.day;
    expect([200, 240].map(asleep)).toEqual([true, true]);
    expect([20, 60].map(asleep)).toEqual([false, false]);
  });

  test("without years of weather a flower's day is given five days to three weeks either way", () => {
    const c = climateOf(PLACE);
    for (const t of CATALOGUE.taxa)
      for (const d of plantYear(t, c).displays) {
        expect(giveOrTake(d.opens)).toBeGreaterThanOrEqual(5);
        expect(giveOrTake(d.opens)).toBeLessThanOrEqual(21);
      }
  });
});

describe("height on a day", () => {
  const c = climateOf(PLACE);
  const panicle = CATALOGUE.byId("hydrangea-paniculata")!;
  const year = plantYear(panicle, c);
  const none = { visits: [], observations: [], stemsOn: () => null };
  const plant = plantOf("hydrangea-paniculata", { heightM: 1, heightOn: date("2026-01-10") });
  const height = (on: string, records: Parameters<typeof heightOnDay>[4] = none) =>
    heightOnDay(plant, panicle, year, "north", records, date(on));

  test("stands still while it sleeps, grows a season's growth by autumn, with a range", () => {
    expect(height("2026-03-10").heightM).toBeCloseTo(1);
    expect(height("2026-11-20").heightM).toBeCloseTo(1 + panicle.growthM[1]);
    expect(height("2026-11-20").rangeM).toEqual([1 + panicle.growthM[0], 1 + panicle.growthM[2]]);
    expect(height("2027-02-20").heightM).toBeCloseTo(1 + panicle.growthM[1]);
    expect(height("2026-07-01").heightM).toBeGreaterThan(1.2);
  });

  test("a cut by height and a measure start it anew; the latest counts", () => {
    const cut = visitOf(plant.id, "2026-03-15", 0, { cuts: [{ by: "height", beforeM: 1, afterM: 0.5 }] });
    expect(height("2026-04-01", { ...none, visits: [cut] }).heightM).toBeCloseTo(0.5);
    const seen = seenOn(plant.id, "2026-11-01", { kind: "height", heightM: 1.4 });
    const both = height("2026-12-01", { ...none, visits: [cut], observations: [seen] });
    expect(both).toMatchObject({ measuredOn: "2026-11-01" });
    expect(both.heightM).toBeCloseTo(1.4);
  });

  test("never past its mature height, and a taller measure is believed", () => {
    expect(height("2040-11-01").heightM).toBe(panicle.matureHeightM[1]);
    const tall = { ...plant, heightM: 6 };
    expect(heightOnDay(tall, panicle, year, "north", none, date("2030-01-01")).heightM).toBe(6);
  });

  test("by the season's end: what is still to come, low, usual and strong", () => {
    const june = height("2026-06-20");
    const [low, usual, strong] = seasonsEndHeight(june, panicle, year, "north", date("2026-06-20"));
    expect([low, usual, strong]).toEqual([low, usual, strong].toSorted((a, b) => a - b));
    expect(usual).toBeCloseTo(1 + panicle.growthM[1], 1);
    // Once growth has stopped, the season that counts is the next.
    expect(seasonsEndHeight(height("2026-12-01"), panicle, year, "north", date("2026-12-01"))[1]).toBeCloseTo(
      1 + 2 * panicle.growthM[1],
    );
  });

  test("growth is done little by little: none at waking, three quarters by the hardened flush, all at the stop", () => {
    const done = [year.wakes.day, year.hardens.day, year.stops.day, year.dormant.day].map((d) => growthDone(year, d));
    expect(done).toEqual([0, 0.75, 1, 1]);
  });
});

describe("season days", () => {
  test.each([
    ["2025-01-01", "north", 2025, 0],
    ["2025-12-31", "north", 2025, 364],
    ["2024-12-31", "north", 2024, 364],
    ["2024-02-29", "north", 2024, 59],
    ["2025-07-01", "south", 2025, 0],
    ["2025-06-30", "south", 2024, 364],
    ["2025-01-01", "south", 2024, 184],
  ] as const)("%s in the %s is day %d/%d", (d, h, seasonYear, seasonDay) => {
    expect(seasonPoint(date(d), h)).toEqual({ seasonYear, seasonDay });
  });

  test("the scanner counts the same days as dates do, over leap years and both hemispheres", () => {
    for (const h of ["north", "south"] as const)
      for (const from of ["2023-11-20", "2024-02-28", "2026-07-01"]) {
        const scan = seasonScanner(date(from), h);
        for (let i = -500; i < 1200; i += 7) expect(scan(i)).toBe(seasonPoint(addDays(date(from), i), h).seasonDay);
      }
  });

  test("months follow each other over the year's end", () => {
    expect(Array.from({ length: 4 }, (_, i) => monthStart(date("2025-11-17"), i))).toEqual([
      "2025-11-01",
      "2025-12-01",
      "2026-01-01",
      "2026-02-01",
    ]);
    expect(makeDate(2025, 2, 31)).toBe("2025-02-28");
  });
});
