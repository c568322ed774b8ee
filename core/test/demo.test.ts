/** The demo garden has to show every kind of case, on any day it is opened. */
import { describe, expect, test } from "@jest/globals";
import {
  addDays,
  addYears,
  adviseAll,
  CATALOGUE,
  date,
  daysBetween,
  demoGarden,
  demoGardenBy,
  openGarden,
  regimeOf,
  shareOfVisit,
  VERDICTS,
  type Verdict,
} from "@wren/core";

const openings = ["2026-01-01", "2026-03-31", "2026-07-01", "2026-11-25", "2028-02-29"].map(date);

describe.each(openings)("opened on %s", (today) => {
  const garden = demoGarden(today);
  const plant = new Map(garden.plants.map((p) => [p.id, p]));

  test("three years of records, all past, all within their plant's life", () => {
    const first = garden.visits[0]!.on;
    expect(daysBetween(first, today)).toBeGreaterThan(2.4 * 365);
    expect(daysBetween(first, today)).toBeLessThan(4 * 365);
    for (const r of [...garden.visits, ...garden.observations]) {
      expect(r.on < today).toBe(true);
      expect(r.on >= (plant.get(r.plantId)!.plantedOn ?? r.on)).toBe(true);
    }
  });

  test("plants stand inside their beds and beside each other", () => {
    for (const bed of garden.beds) {
      const here = garden.plants.filter((p) => p.bedId === bed.id);
      expect(here.length).toBeGreaterThanOrEqual(3);
      for (const p of here) {
        expect(p.alongM - p.widthM / 2).toBeGreaterThanOrEqual(-0.3);
        expect(p.alongM + p.widthM / 2).toBeLessThanOrEqual(bed.lengthM + 0.3);
      }
      const gaps = here.slice(1).map((p, i) => p.alongM - here[i]!.alongM);
      for (const g of gaps) expect(g).toBeGreaterThan(0.5);
    }
  });

  test("what was recorded is what the task and the kind allow, measured in bounds", () => {
    for (const v of garden.visits) {
      const taxon = CATALOGUE.byId(plant.get(v.plantId)!.taxonId)!;
      expect(taxon.never[v.task]).toBeUndefined();
      expect(v.regime).toBe(regimeOf(taxon, v.task));
      const share = shareOfVisit(v, { taxon, plant: plant.get(v.plantId)!, stems: null });
      expect(share).toBeGreaterThanOrEqual(0);
      expect(share).toBeLessThan(v.regime === "cutback" ? 1 : 0.4);
    }
  });
});

test("within a year every verdict but one is met: nobody has set out to do what is never right", () => {
  const model = openGarden(demoGarden(date("2026-11-25")), CATALOGUE);
  const met = new Set<Verdict>();
  for (let d = 0; d < 365; d += 8) for (const a of adviseAll(model, addDays(date("2026-01-02"), d))) met.add(a.verdict);
  expect(VERDICTS.filter((v) => !met.has(v))).toEqual(["never"]);
});

test("it holds a first and a second season, an unknown history, stress, danger, a hedge, a cutback and a plant to leave", () => {
  const model = openGarden(demoGarden(date("2026-06-10")), CATALOGUE);
  const all = adviseAll(model, date("2026-06-10"));
  expect(new Set(all.map((a) => a.standing))).toEqual(
    new Set(["healthy", "first-season", "second-season", "unchecked", "stressed"]),
  );
  expect(all.map((a) => a.verdict)).toContain("ask-a-pro");
  expect(all.map((a) => a.regime)).toContain("cutback");
  expect(all.map((a) => a.task)).toEqual(
    expect.arrayContaining(["shear", "shape", "hard-cutback", "deadhead", "leave"]),
  );
});

test("the same day gives the same garden; another day keeps the ids", () => {
  const [a, b] = [demoGarden(date("2026-06-10")), demoGarden(date("2026-06-10"))];
  expect(a).toEqual(b);
  const later = demoGarden(addYears(date("2026-06-10"), 1));
  expect(later.plants.map((p) => p.id)).toEqual(a.plants.map((p) => p.id));
  const few = demoGardenBy(CATALOGUE, date("2026-06-10"), 2);
  const firsts = a.plants.slice(0, 2).map((p) => p.id);
  expect(few).toEqual({ ...a, stands: a.stands.filter((s) => firsts.includes(s.plantId)) });
});

test("names are plain: no quotes of cultivars, no marks of trade", () => {
  const garden = demoGarden(date("2026-06-10"));
  const texts = [
    ...garden.plants.flatMap((p) => [p.label, p.note]),
    ...garden.visits.map((v) => v.note),
    ...CATALOGUE.taxa.flatMap((t) => [...t.common, t.botanical]),
  ];
  for (const t of texts) expect(t).not.toMatch(/[‘'"“][A-Z][a-z]+ ?[A-Z]?[a-z]*[’'"”]|[®™]/);
});
