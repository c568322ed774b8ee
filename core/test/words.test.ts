import { describe, expect, test } from "@jest/globals";
import {
  addDays,
  adviceJson,
  adviseOn,
  TASKS,
  CATALOGUE,
  date,
  demoGarden,
  goalNotes,
  imperial,
  issueText,
  lengthInField,
  metric,
  monthDayText,
  openGarden,
  pathText,
  percentText,
  REASON_CODES,
  reasonText,
  SOURCES,
  viewReasons,
  voiceOf,
  type GoalKind,
  type Plant,
  DANGERS,
  wish,
} from "@wren/core";
import { everyKindAt, modelOf, PLACE, PLACES, plantOf, seenOn, someKinds, visitOf, weatherRows } from "./support.ts";

describe("how numbers are spoken", () => {
  test.each([
    [0, "0 %"],
    [0.004, "under 1 %"],
    [0.0133, "1.3 %"],
    [0.09, "9 %"],
    [0.333333, "33 %"],
    [1, "100 %"],
  ])("a share of %d is “%s”", (s, text) => expect(percentText(s)).toBe(text));

  test.each([
    [0.456, "46 cm", "18 in"],
    [1.2, "120 cm", "47 in"],
    [1.5, "1.5 m", "4 ft 11 in"],
    [1.8288, "1.8 m", "6 ft"],
    [12, "12.0 m", "39 ft 4 in"],
  ])("%d m is “%s” or “%s”", (m, cm, ft) => {
    expect(metric(m)).toBe(cm);
    expect(imperial(m)).toBe(ft);
    expect(voiceOf("both").length(m)).toBe(`${cm} (${ft})`);
  });

  test("days, dates, fields and paths", () => {
    const say = voiceOf("metric");
    expect([say.days(1), say.days(12.4), say.date("2026-06-10"), monthDayText("04-22")]).toEqual([
      "1 day",
      "12 days",
      "10 Jun 2026",
      "22 Apr",
    ]);
    expect([lengthInField(0.456, "cm"), lengthInField(0.6858, "in")]).toEqual(["45.6", "27"]);
    expect(pathText(["plants", 3, "heightM"])).toBe("plants[3].heightM");
    expect(issueText({ code: "date-future", path: [], values: { got: "2031-01-01", today: "2026-01-01" } })).toMatch(
      /lies in the future/,
    );
  });
});

describe("every answer can be said", () => {
  const say = voiceOf("both");
  const models = [
    openGarden(demoGarden(date("2026-11-25")), CATALOGUE),
    ...PLACES.filter((_, i) => i % 2 === 0).map((place, i) => everyKindAt(place, someKinds(i))),
    modelOf(
      [
        plantOf("syringa-vulgaris", { plantedOn: date("2026-04-01") }),
        plantOf("taxus-media", { plantedOn: date("2025-04-01"), powerLineM: 2 }),
        plantOf("rosa-repeat", { condition: "drought", conditionOn: date("2026-01-01") }),
        plantOf("buxus-sempervirens", { condition: "past-maturity" }),
        plantOf("spiraea-japonica", { condition: "frosted", conditionOn: date("2026-01-01") }),
        plantOf("pieris-japonica", { condition: "dieback", conditionOn: date("2026-01-01"), thickestStemMm: 140 }),
        plantOf("hydrangea-paniculata", { goal: wish("keep-size", 4) }),
        plantOf("cornus-sericea"),
        plantOf("lavandula-angustifolia", { condition: "past-maturity" }),
      ],
      {
        visits: [
          visitOf("buxus-sempervirens", "2026-01-20", 0.6),
          visitOf("cornus-sericea", "2026-01-05", 0.3, { regime: "renewal", task: "hard-cutback" }),
          visitOf("hydrangea-paniculata", "2026-01-05", 0.1),
        ],
      },
    ),
  ];
  const said = new Map<string, string>();
  for (const model of models)
    for (const p of model.garden.plants)
      for (const task of TASKS)
        for (let d = 0; d < 365; d += 60) {
          const json = adviceJson(adviseOn(model, p.id, addDays(date("2026-01-08"), d), task), say);
          for (const r of json.reasons) said.set(r.code, (said.get(r.code) ?? "") + `\n${r.text}`);
        }

  // What stands against a wish, and what a height does to the views, are reasons of their own.
  const wishing = (taxon: string, kind: GoalKind, heightM: number | null, more: Partial<Plant> = {}) =>
    plantOf(taxon, { id: `${taxon}-${kind}`, goal: wish(kind, heightM), ...more });
  const see = (viewpointId: string, want: "hide" | "clear", targetM: number) => ({
    viewpointId,
    want,
    targetM,
    beyondM: 2,
  });
  const eye = (id: string, eyeHeightM: number) => ({
    id,
    name: id,
    bedId: "bed-1",
    eyeHeightM,
    distanceM: 8,
    alongM: 1,
  });
  const wishes = modelOf(
    [
      wishing("syringa-vulgaris", "keep-size", 1.2, { views: [see("deck", "hide", 1), see("bench", "clear", 0)] }),
      wishing("buddleja-davidii", "keep-size", 1.2, { stance: "leaning" }),
      wishing("hydrangea-macrophylla", "large-flowers", null, {
        condition: "frosted",
        conditionOn: date("2026-01-01"),
      }),
      wishing("lavandula-angustifolia", "screen", 1.5),
      wishing("cupressus-leylandii", "screen", 2.4),
      wishing("syringa-vulgaris", "let-go", null, { touches: [{ what: "path", distanceM: 0 }] }),
    ],
    {
      viewpoints: [eye("deck", 4), eye("bench", 1.2)],
      observations: [seenOn("hydrangea-macrophylla-large-flowers", "2026-05-10", { where: "base" })],
    },
  );
  for (const p of wishes.garden.plants)
    for (const r of [
      ...goalNotes(wishes, p),
      ...[0.5, 3].flatMap((h) => viewReasons(wishes.garden, p, h)),
      ...adviseOn(wishes, p.id, date("2026-06-01"), "shape").reasons,
    ])
      said.set(r.code, (said.get(r.code) ?? "") + `\n${reasonText(r, say)}`);

  // What a day's weather, a school and a kept berry add.
  const day = (on: string, tminC: number, tmaxC: number, rainMm: number) => ({ on: date(on), tminC, tmaxC, rainMm });
  const health = {
    on: date("2026-01-05"),
    scratch: "green",
    growth: "not-looked",
    deadShare: 0,
    frost: false,
    disease: true,
    drought: false,
    weak: false,
    sparseFoot: true,
  } as const;
  const weathered = modelOf(
    [
      plantOf("hydrangea-paniculata", { health, goal: wish("fuller") }),
      plantOf("callicarpa-americana", { goal: wish("keep-heads") }),
      plantOf("hydrangea-arborescens", { plantedOn: date("2026-05-01"), schools: { "weak-whip": "build-base" } }),
      plantOf("spiraea-japonica", { schools: { "autumn-or-spring": "spring" } }),
      plantOf("buddleja-davidii"),
      plantOf("magnolia-soulangeana", {
        health: { ...health, growth: "everywhere", disease: false, sparseFoot: false },
      }),
    ],
    {
      seasons: [{ id: "season-2026", seasonYear: 2026, paceDays: -12 }],
      weather: weatherRows([
        ...Array.from({ length: 30 }, (_, i) => day(addDays(date("2026-07-01"), i), 16, 33, 0)),
        day("2026-03-10", -4, 6, 8),
        day("2026-05-12", -1, 9, 4),
      ]),
    },
  );
  const hot = {
    tminC: [2, 4, 8, 12, 17, 22, 24, 23, 19, 13, 7, 3],
    tmaxC: [12, 15, 20, 25, 31, 37, 40, 39, 34, 27, 19, 13],
  };
  const inland = everyKindAt(
    { ...PLACE, zone: "8a", monthly: { ...hot, sdMinC: null, sdMeanC: null } },
    someKinds(3, 60),
  );
  const cool = everyKindAt({ ...PLACE, latitudeDeg: 60, zone: "8b", warmestC: 14 }, someKinds(1, 5));
  // What was seen: growth before the frosts are over, buds that they took; flowers given up for a wish.
  const renewed = plantOf("forsythia-intermedia", { goal: wish("renew") });
  const seen = modelOf([plantOf("rosa-repeat"), plantOf("buddleja-davidii"), plantOf("syringa-vulgaris"), renewed], {
    observations: [
      seenOn("rosa-repeat", "2026-03-08", { id: "o-1", kind: "first-leaf" }),
      seenOn("buddleja-davidii", "2026-03-08", { id: "o-2", kind: "first-leaf" }),
      seenOn("syringa-vulgaris", "2026-03-01", { id: "o-3", kind: "buds-killed" }),
    ],
  });
  // Dangers, each named; grafted heads; a skirt lifted this spring.
  const dangerous = modelOf(
    [
      ...DANGERS.map((what) =>
        plantOf("malus-floribunda", { id: what, heightM: 4, dangers: [{ what, on: date("2026-03-01") }] }),
      ),
      plantOf("rosa-hybrid-tea", { form: "standard" }),
      plantOf("syringa-vulgaris"),
      plantOf("thuja-occidentalis"),
      plantOf("wisteria-sinensis"),
    ],
    { visits: [visitOf("syringa-vulgaris", "2026-03-01", 0.1, { task: "lift" })] },
  );
  for (const p of dangerous.garden.plants)
    for (const task of TASKS)
      for (const r of adviseOn(dangerous, p.id, date("2026-05-12"), task).reasons)
        said.set(r.code, (said.get(r.code) ?? "") + `\n${reasonText(r, say)}`);
  for (const model of [weathered, inland, cool, seen])
    for (const p of model.garden.plants)
      for (const on of ["2026-03-10", "2026-05-12", "2026-07-28", "2026-08-05", "2026-11-05", "2026-12-20"])
        for (const task of ["hard-cutback", "shape", "shear", "dead-only"] as const)
          for (const r of adviseOn(model, p.id, date(on), task).reasons)
            said.set(r.code, (said.get(r.code) ?? "") + `\n${reasonText(r, say)}`);

  test("no text holds a hole", () => {
    for (const [code, text] of said)
      expect(`${code}: ${/undefined|NaN|null|\[object/.exec(text)?.[0] ?? "whole"}`).toBe(`${code}: whole`);
  });

  test("these gardens bring up every reason there is, so none is dead", () => {
    expect(REASON_CODES.filter((c) => !said.has(c))).toEqual(["more-than-cap"]);
  });

  test("every source is named and its standing is said", () => {
    for (const s of Object.values(SOURCES)) expect(s.citation.length + s.standing.length).toBeGreaterThan(10);
  });
});
