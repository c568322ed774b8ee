import { beforeAll, describe, expect, test } from "@jest/globals";
import {
  newestStand,
  type StemCut,
  buildOf,
  heightOf,
  measuredOn,
  planCut,
  planJson,
  stemsAsHigh,
  takenAbove,
  tryJson,
  tryOut,
  CATALOGUE,
  date,
  demoGarden,
  openGarden,
  adviseOn,
  hedgeJson,
  type HedgeJson,
  type LearnJson,
  PLAIN_SIGHT,
  hedgeStands,
  hedgeTo,
  wantedSection,
  adviceJson,
  voiceOf,
  writeGardenFile,
} from "@wren/core";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { main } from "../src/main.ts";

const demo = demoGarden(date("2025-07-01"));
// One stem out and one headed at the bench.
const tried = demo.stands.map((x) => {
  const [a, b] = x.stems.filter((t) => t.state === "live");
  const cuts: StemCut[] = [
    { cut: "remove", stemId: a!.id },
    { cut: "head", stemId: b!.id, keptM: b!.lengthM / 2 },
  ];
  return { ...x, tries: [{ id: "t1", task: "thin" as const, cuts }] };
});
const garden = { ...demo, stands: tried };
const dir = mkdtempSync(join(tmpdir(), "cli-"));
const file = join(dir, "garden.json");
const broken = join(dir, "broken.json");
beforeAll(() => {
  writeFileSync(file, writeGardenFile(garden));
  writeFileSync(
    broken,
    writeGardenFile({ ...garden, plants: garden.plants.map((p, i) => (i < 2 ? { ...p, heightM: -1 } : p)) }),
  );
});

async function run(...args: string[]) {
  const out: string[] = [];
  const err: string[] = [];
  const code = await main(args, { line: (t) => out.push(t), error: (t) => err.push(t) });
  return { code, out: out.join("\n"), err: err.join("\n") };
}

test("advise --json gives, plant by plant, what the core answers", async () => {
  const { code, out } = await run("advise", file, "--on", "2025-07-01", "--json");
  const model = openGarden(garden, CATALOGUE);
  const say = voiceOf("metric");
  expect(code).toBe(0);
  const on = date("2025-07-01");
  const expected = garden.plants.map((p) => {
    const hedge = garden.hedges.find((h) => h.plantId === p.id);
    const advice = adviceJson(adviseOn(model, p.id, on), say);
    return hedge ? { ...advice, hedge: hedgeJson(model, hedge, on) } : advice;
  });
  expect(JSON.parse(out)).toEqual(JSON.parse(JSON.stringify(expected)));
  expect(Object.keys((JSON.parse(out) as object[])[0]!)).toEqual(
    expect.arrayContaining([
      "plantId",
      "taxonId",
      "task",
      "regime",
      "verdict",
      "reasons",
      "window",
      "bloomLoss",
      "frostRisk",
      "takenLast12Months",
      "cap",
      "left",
      "over",
      "freesUpOn",
      "todayInstead",
    ]),
  );
});

test("a hedge is answered by its section and its trims, as on its screen", async () => {
  const { out } = await run("advise", file, "--on", "2026-03-10", "--plant", "yew-hedge");
  expect(out).toMatch(
    /as a hedge of 4\.0 m \(.*face-thin\): to .* at the foot, \d+(\.\d)? % of its shell; trims \d{4}-\d\d-\d\d/,
  );
  const asJson = await run("advise", file, "--on", "2026-03-10", "--plant", "yew-hedge", "--json");
  const [{ hedge }] = JSON.parse(asJson.out) as [{ hedge: HedgeJson }];
  const s = hedgeStands(openGarden(garden, CATALOGUE), garden.hedges[0]!, date("2026-03-10"));
  expect(hedge.share).toBe(hedgeTo(openGarden(garden, CATALOGUE), s, wantedSection(s)).cut.share);
});

test("advise for one plant and task, in words", async () => {
  const { out } = await run("advise", file, "--on", "2025-03-15", "--plant", "lilac-corner", "--task", "shape");
  expect(out).toMatch(/Old lilac at the corner: Shape – Costs flowers/);
  expect(out).toMatch(/spring flowers due about/);
});

describe("a cut is answered as the page and the bench answer it", () => {
  const on = date("2025-07-01");
  const model = openGarden(garden, CATALOGUE);
  const say = voiceOf("metric");
  const asked = async (...args: string[]): Promise<unknown> =>
    JSON.parse((await run("cut", file, "--on", "2025-07-01", "--json", ...args)).out);

  test.each(garden.plants.map((p) => p.id))("%s: to a height, by a share", async (id) => {
    const plant = model.plant(id);
    const nowM = heightOf(model, plant, on).heightM;
    const taken = takenAbove(measuredOn(model, plant, on), nowM, 0.7);
    const to = planCut(model, id, on, { task: "shape", share: taken.share, extent: taken });
    expect(await asked("--plant", id, "--task", "shape", "--to", "70 cm")).toEqual(planJson(to, say));
    const half = planCut(model, id, on, { task: "shape", share: 0.2 });
    expect(await asked("--plant", id, "--task", "shape", "--share", "20")).toEqual(planJson(half, say));
  });

  test("the cuts of a try at the bench", async () => {
    const stand = newestStand(garden, garden.stands[0]!.plantId)!;
    const plant = model.plant(stand.plantId);
    const [t] = stand.tries;
    const { heightM } = heightOf(model, plant, on);
    const stems = stemsAsHigh(stand.stems, buildOf(model.taxonOf(plant), plant.form), heightM);
    const answer = tryOut(model, { plant, stems, task: t!.task, cuts: t!.cuts }, on);
    expect(answer.share).toBeGreaterThan(0);
    expect(await asked("--plant", plant.id, "--try", t!.id)).toEqual(tryJson(answer, say));
  });

  test.each([
    [["--plant", "lilac-corner"], /one of --to HEIGHT/],
    [["--plant", "lilac-corner", "--share", "120", "--task", "thin"], /expected 0 to 100/],
    [["--plant", "lilac-corner", "--share", "", "--task", "thin"], /expected 0 to 100/],
    [["--plant", "lilac-corner", "--to", "0.85", "--task", "thin"], /a height with its unit, like 1.2 m or 85 cm/],
    [["--plant", "lilac-corner", "--to", "high", "--task", "thin"], /expected a height/],
    [["--plant", "lilac-corner", "--try", "t9"], /no such try/],
    [["--plant", "nobody", "--share", "10", "--task", "thin"], /no such plant/],
  ])("%j is refused", async (args, why) => {
    const { code, err } = await run("cut", file, "--on", "2025-07-01", ...args);
    expect([code, err]).toEqual([2, expect.stringMatching(why)]);
  });
});

test("catalogue --json lists every kind", async () => {
  const { out } = await run("catalogue", "--json");
  const taxa = JSON.parse(out) as { id: string; regimes: string[] }[];
  expect(taxa.map((t) => t.id)).toEqual(CATALOGUE.taxa.map((t) => t.id));
  expect(taxa[0]).toMatchObject({ floweringWood: "old", regrowthFromLeaflessWood: "yes" });
});

test("check names every problem with its place and exits 1", async () => {
  expect((await run("check", file)).code).toBe(0);
  const { code, err } = await run("check", broken);
  expect(code).toBe(1);
  expect(err).toMatch(/garden\.plants\[0\]\.heightM: .*too small/);
  expect(err).toMatch(/garden\.plants\[1\]\.heightM/);
});

describe("wrong use exits 2 and says what was expected", () => {
  test.each([
    [["advise", file], /needs FILE and --on/],
    [["advise", file, "--on", "2025-02-30"], /a day that exists/],
    [["advise", file, "--on", "9999-12-31"], /a day from 1850 to 2200/],
    [["advise", file, "--on", "2025-03-01", "--task", "mow"], /expected one of dead-only/],
    [["advise", file, "--on", "2025-03-01", "--plant", "nobody"], /no such plant/],
    [["advise", "/nowhere.json", "--on", "2025-03-01"], /cannot read/],
    [["check", file, "--loud"], /loud/],
    [["prune"], /unknown command/],
  ])("%j", async (args, message) => {
    const { code, err } = await run(...args);
    expect(code).toBe(2);
    expect(err).toMatch(message);
  });
});

test("learn prints what a file teaches: each lesson with its range and its records, and what is asked about", async () => {
  const lines: string[] = [];
  const out = { line: (t: string) => void lines.push(t), error: (t: string) => void lines.push(t) };
  const file = join(mkdtempSync(join(tmpdir(), "wren-")), "garden.json");
  // Nobody's lilac of two metres and a half is twelve a month later.
  const slip = {
    ...PLAIN_SIGHT,
    id: "slip",
    plantId: "lilac-corner",
    on: date("2025-01-05"),
    kind: "height" as const,
    heightM: 12,
  };
  writeFileSync(file, writeGardenFile({ ...demo, observations: [...demo.observations, slip] }));
  expect(await main(["learn", file, "--on", "2025-07-01", "--json"], out)).toBe(0);
  const told = JSON.parse(lines.join("\n")) as LearnJson;
  const spirea = told.lessons.find((l) => l.id === "growth:spirea-gate")!;
  expect(spirea.mine[0]!).toBeLessThan(spirea.mine[1]!);
  expect(spirea).toMatchObject({ about: "growth", plant: "spirea-gate", unit: "metres", used: true });
  expect(told.asked[0]).toMatchObject({ record: "slip", plant: "lilac-corner" });
  expect(await main(["learn"], out)).toBe(2);
});
