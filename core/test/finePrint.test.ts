/** What a single line of the rules holds: each was changed on purpose once, and nothing noticed. */
import { describe, expect, test } from "@jest/globals";
import {
  addDays,
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
  renewals,
  seasonDate,
  stemsFromTally,
  NO_STEMS,
  tableReader,
  whatFollows,
  wish,
  type Stem,
} from "@wren/core";
import { gardenOf, modelOf, plantOf, someKinds, visitOf, weatherRows } from "./support.ts";

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
    const berries = m.yearOf(m.taxonOf(plant)).displays.find((d) => d.display.name.includes('berr'))!;
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
