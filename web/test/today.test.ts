import { describe, expect, test } from "@jest/globals";
import { addDays, adviseAll, adviseOn, CATALOGUE, date, demoGarden, openGarden, planCut, voiceOf } from "@wren/core";
import { explainBudget, explainLoss, explainWindow } from "../src/answer/explain.ts";
import { flowersText, growthText, sentenceOf, whenText } from "../src/answer/sentences.ts";
import { commandFor, SHORTCUTS } from "../src/app/shortcuts.ts";
import { groupOf, groupsOf } from "../src/screens/today/groups.ts";
import { Rows } from "../src/screens/today/rows.ts";
import type { RowView } from "../src/screens/today/rowView.ts";

const model = openGarden(demoGarden(date("2026-11-25")), CATALOGUE);
const say = voiceOf("metric");
const BY = { garden: model.garden, apart: new Set<string>() };

test("on any date of the year Today has something in most groups, and every plant is in one", () => {
  for (let d = 0; d < 365; d += 9) {
    const on = addDays(date("2026-01-03"), d);
    const groups = groupsOf(adviseAll(model, on), BY);
    expect(groups.flatMap((g) => g.rows)).toHaveLength(model.garden.plants.length);
    expect(groups.length).toBeGreaterThanOrEqual(4);
  }
});

test("what closes first stands first among the ready", () => {
  const ready = groupsOf(adviseAll(model, date("2026-03-25")), BY).find((g) => g.id === "ready")!.rows;
  const left = ready.map((a) => a.window?.daysLeft ?? Infinity);
  expect(left).toEqual(left.toSorted((a, b) => a - b));
  expect(ready.length).toBeGreaterThan(2);
});

test("plants of a row with one answer are one line, whoever has another stands by itself, laid out each does", () => {
  const garden = demoGarden(date("2026-11-25"));
  const edge = garden.plants.find((p) => p.id === "lavender-row")!;
  const row = ["a", "b", "c"].map((id) => ({ ...edge, id, label: id }));
  const ill = { ...edge, id: "ill", label: "ill", condition: "stressed" as const, conditionOn: date("2026-06-01") };
  const m = openGarden({ ...garden, visits: [], plants: [edge, ...row, ill] }, CATALOGUE);
  const groups = groupsOf(adviseAll(m, date("2026-08-15")), { garden: m.garden, apart: new Set() });
  expect(groups.flatMap((g) => g.rows.map((a) => a.plantId)).toSorted()).toEqual(["ill", "lavender-row"]);
  expect(groups.flatMap((g) => [...g.also])).toEqual([["lavender-row", ["a", "b", "c"]]]);
  expect(groups.reduce((n, g) => n + g.plants, 0)).toBe(5);
  const apart = groupsOf(adviseAll(m, date("2026-08-15")), { garden: m.garden, apart: new Set(["lavender-row"]) });
  expect(apart.flatMap((g) => g.rows)).toHaveLength(5);
});

describe("rows while the day is moved", () => {
  const groupsOn = (day: string) => groupsOf(adviseAll(model, date(day)), BY);
  const ids = (views: readonly (readonly RowView[])[]): readonly string[] => views.flat().map((v) => v.plantId);
  const inSight = new Set<string>();
  const [before, after] = [groupsOn("2026-10-20"), groupsOn("2027-03-10")];
  const order = (groups: typeof before): readonly string[] => groups.flatMap((g) => g.rows.map((a) => a.plantId));

  test.each([3, 8])("the first %i in sight are of the day, the others keep their words and no new one is made", (n) => {
    inSight.clear();
    const rows = new Rows((id) => inSight.has(id));
    const old = rows.of(before, model, say, false);
    expect(ids(old)).toEqual(order(before));
    for (const id of order(before).slice(0, n)) inSight.add(id);
    const moved = rows.of(after, model, say, true);
    const fresh = new Rows(() => false).of(after, model, say, false);
    // What now stands first is answered anew, wherever it stood before.
    expect(ids(moved).slice(0, n)).toEqual(order(after).slice(0, n));
    const groupOfOld = new Map(before.flatMap((g) => g.rows.map((a) => [a.plantId, g.id])));
    for (const view of moved.flat()) {
      const isFresh = order(after).indexOf(view.plantId) < n && groupOfOld.get(view.plantId) !== view.group;
      const words = (isFresh || inSight.has(view.plantId) ? fresh : old).flat().find((v) => v.plantId === view.plantId);
      expect(view).toEqual(words);
    }
    expect(ids(moved).length).toBeLessThan(order(after).length);
    expect(rows.of(after, model, say, false)).toEqual(fresh);
  });

  test("a row that comes into sight gets its words at once", () => {
    inSight.clear();
    const rows = new Rows((id) => inSight.has(id));
    rows.of(before, model, say, false);
    const id = rows.of(after, model, say, true).flat().at(-1)!.plantId;
    inSight.add(id);
    const now = rows
      .of(after, model, say, true)
      .flat()
      .find((v) => v.plantId === id);
    expect(now).toEqual(
      new Rows(() => false)
        .of(after, model, say, false)
        .flat()
        .find((v) => v.plantId === id),
    );
  });
});

test.each([
  ["rose-unknown", "2026-06-10", "look-for"],
  ["climbing-wall", "2026-06-10", "professional"],
  ["oakleaf-steps", "2026-06-10", "leave"],
  ["butterfly-lamp", "2026-04-10", "look-for"],
  ["lilac-corner", "2026-12-10", "later"],
])("%s on %s: %s", (id, on, group) => expect(groupOf(adviseOn(model, id, date(on)))).toBe(group));

describe("sentences", () => {
  const lilac = adviseOn(model, "lilac-corner", date("2026-03-15"), "shape");
  test("say what, when and at which price", () => {
    expect(sentenceOf(lilac, say)).toMatch(/^Takes about \d+ % of the spring flowers due about/);
    expect(flowersText(lilac, say)).toMatch(/\d+ % of the spring flowers/);
    expect(whenText(lilac, say)).toMatch(/^opens \d+ (May|Jun)/);
    const spirea = adviseOn(model, "spirea-gate", date("2026-03-01"));
    expect(growthText(spirea, say)).toBe("no cap counts");
    expect(sentenceOf(spirea, say)).toMatch(/^Hard cutback\. It flowers on new wood/);
    expect(whenText(spirea, say)).toMatch(/\d+ days left/);
  });

  test("every number can be asked why", () => {
    const taxon = CATALOGUE.byId("syringa-vulgaris")!;
    expect(explainLoss(lilac.bloomLoss[0]!, lilac, taxon, say).inputs).toContainEqual([
      "Flowers on",
      "last season's wood",
    ]);
    expect(explainBudget(lilac, model, say).inputs.map(([k]) => k)).toContain("Taken in twelve months");
    expect(explainWindow(lilac, taxon, say).sources).toContain("spring-index");
  });

  test("a plan over the cap says when it fits", () => {
    const plan = planCut(model, "lilac-corner", date("2026-06-12"), { task: "shape", share: 0.3 });
    expect(plan).toMatchObject({ accepted: false });
    expect(plan.fitsOn).toBe("2027-06-09");
  });
});

describe("keys", () => {
  const press = (key: string, more = {}) => ({
    key,
    ctrlKey: false,
    metaKey: false,
    altKey: false,
    shiftKey: false,
    ...more,
  });
  test.each([
    [press("/"), false, "search"],
    [press("/"), true, null],
    [press("."), false, { step: 1 }],
    [press("<", { shiftKey: true }), false, { step: -7 }],
    [press("z", { ctrlKey: true }), false, "undo"],
    [press("Z", { ctrlKey: true, shiftKey: true }), false, "redo"],
    [press("z", { ctrlKey: true }), true, null],
    [press("t", { altKey: true }), false, null],
    [press("2"), false, { go: "/garden" }],
  ])("%j while typing %s asks for %j", (e, typing, command) => expect(commandFor(e, typing)).toEqual(command));
  test("the list names each", () => expect(SHORTCUTS.every((s) => s.keys && s.does)).toBe(true));
});
