import { expect, test } from "@jest/globals";
import {
  TASKS,
  CATALOGUE,
  climateOf,
  date,
  GROUPS,
  LIMITS,
  monthDay,
  plantYear,
  SCHOOLS,
  schoolOption,
  TASK_TABLE,
  TaxonSchema,
  ZONES,
  type Taxon,
  zoneMinimumC,
  OTHER_NAMES,
} from "@wren/core";
import { table } from "./reference/files.ts";

const c = climateOf({
  latitudeDeg: 40.8,
  zone: "6a",
  lastFrost: monthDay("05-02"),
  firstFrost: monthDay("10-10"),
});

test("every row that ships passes its schema as it is", () => {
  for (const t of CATALOGUE.taxa) expect(TaxonSchema.parse(t)).toEqual(t);
});

/** Contradictions in one entry; each rule is a sentence of the trade. */
function contradictions(t: Taxon): string[] {
  const y = plantYear(t, c);
  const flowers = t.displays.filter((d) => /flower|rose|catkin|bloom|bract|smoke|spike/.test(d.name));
  const woods = new Set(flowers.map((d) => d.on));
  const hard = t.routineTask === "hard-cutback";
  const greenOnly = t.regrowthFromLeaflessWood === "no";
  const rules: [wrong: boolean, rule: string][] = [
    [!(y.wakes.day < y.hardens.day && y.hardens.day <= y.stops.day && y.stops.day <= y.dormant.day), "stages in order"],
    [t.displays.some((d) => (d.budsBegin === null) !== (d.on === "new")), "buds belong to old wood"],
    [t.displays.some((d) => (d.budsSet === null) !== (d.on === "new")), "buds belong to old wood"],
    [
      (t.floweringWood === "old" || t.floweringWood === "new") && !t.displays.some((d) => d.on === t.floweringWood),
      "a display on its wood",
    ],
    [t.floweringWood === "both" && woods.size !== 2, "both woods flower"],
    [
      t.floweringWood !== "both" &&
        t.floweringWood !== "foliage" &&
        flowers.some((d) => d.weight >= 0.5 && d.on !== t.floweringWood),
      "main flowers on the stated wood",
    ],
    [
      greenOnly && (t.leastStubM !== null || t.regimes.includes("cutback") || t.regimes.includes("renewal")),
      "bare wood stays bare: no stub",
    ],
    [greenOnly && t.never["hard-cutback"] === undefined, "bare wood stays bare: no hard cut"],
    [t.floweringWood === "old" && t.regimes.includes("cutback"), "old wood is not rebuilt every year"],
    [hard && !t.regimes.includes("cutback"), "a yearly cutback is among its regimes"],
    [t.never[t.routineTask] !== undefined, "the yearly care is right for it"],
    [!TASKS.includes(t.routineTask), "the yearly care is answered"],
    [t.outline && t.group === "conifer" && t.headOnlyWhileSoft, "candles are not sheared"],
    [t.group === "conifer" && t.floweringWood !== "foliage", "conifers are grown for foliage"],
    [t.leaf === "herbaceous" && !t.regimes.includes("cutback"), "what dies down is cut back"],
    [t.schools.some((s) => !SCHOOLS.some((x) => x.id === s)), "known schools"],
    [!ZONES.includes(t.coldestZone), "a zone"],
    [t.growthM[2] > t.matureHeightM[1] * 1.01, "grows no more in a year than it ever stands"],
    [t.leastStubM !== null && t.leastStubM >= t.matureHeightM[1], "the stub is lower than the plant"],
    [t.common.some((n) => /['‘’"]/.test(n.replace(/[’']s?\b/g, ""))), "no cultivar names"],
    [/['‘]/.test(t.botanical.replace(/[’']s\b/g, "")), "no cultivar names"],
    // Flowers before leaf need buds made the year before.
    [
      t.displays.some(
        (d) => d.on === "new" && d.name.includes("flower") && d.opens.rule === "spring" && d.opens.at < 0.5,
      ),
      "no new wood before leaf",
    ],
  ];
  return rules.flatMap(([wrong, rule]) => (wrong ? [`${t.id}: ${rule}`] : []));
}

test("every kind is free of contradictions", () => {
  expect(CATALOGUE.taxa.flatMap(contradictions)).toEqual([]);
  expect(CATALOGUE.taxa.length).toBeGreaterThanOrEqual(500);
  const names = CATALOGUE.taxa.map((t) => t.common[0]!.toLowerCase());
  expect(names.filter((n, i) => names.indexOf(n) !== i)).toEqual([]);
});

test("every row of the trade's calendar has a kind", () => {
  expect(new Set(CATALOGUE.taxa.map((x) => x.group))).toEqual(new Set(GROUPS));
});

// Flowering wood of the garden hydrangeas: extension and RHS lists (from memory, high confidence).
test.each([
  ["hydrangea-macrophylla", "old"],
  ["hydrangea-serrata", "old"],
  ["hydrangea-quercifolia", "old"],
  ["hydrangea-anomala-petiolaris", "old"],
  ["hydrangea-paniculata", "new"],
  ["hydrangea-arborescens", "new"],
  ["hydrangea-macrophylla-reblooming", "both"],
])("%s flowers on %s wood", (id, wood) => expect(CATALOGUE.byId(id)!.floweringWood).toBe(wood));

// Flowering wood of clematis by group and of roses: extension and RHS lists (from memory, high confidence).
test.each([
  ["clematis-alpina", "old"],
  ["clematis-macropetala", "old"],
  ["clematis-montana", "old"],
  ["clematis-armandii", "old"],
  ["clematis-large-early", "both"],
  ["clematis-viticella", "new"],
  ["clematis-tangutica", "new"],
  ["clematis-large-late", "new"],
  ["rosa-hybrid-tea", "new"],
  ["rosa-rambler", "old"],
  ["rosa-shrub-once", "old"],
  ["hydrangea-involucrata", "old"],
  ["hydrangea-aspera", "old"],
])("%s flowers on %s wood", (id, wood) => expect(CATALOGUE.byId(id)!.floweringWood).toBe(wood));

// Herms (2004), order only: the sequence of checks.md 3.1, and every pair of the list that is well apart.
const opensOf = (id: string): number => plantYear(CATALOGUE.byId(id)!, c).displays[0]!.opens.day;
test("bloom order agrees with the published sequence", () => {
  const sequence = [
    "cornus-mas",
    "pieris-japonica",
    "magnolia-stellata",
    "forsythia-intermedia",
    "prunus-sargentii",
    "magnolia-soulangeana",
    "rhododendron-small-leaved",
    "amelanchier-grandiflora",
    "viburnum-carlesii",
    "cercis-canadensis",
    "syringa-vulgaris",
    "cornus-florida",
    "spiraea-vanhouttei",
    "robinia-pseudoacacia",
    "physocarpus-opulifolius",
    "cotinus-coggygria",
    "rhododendron-maximum",
    "aesculus-parviflora",
    "hibiscus-syriacus",
  ];
  expect(sequence.toSorted((a, b) => opensOf(a) - opensOf(b))).toEqual(sequence);
});

test("kinds on the list that are 25 and more degree-days (°F) apart bloom in its order", () => {
  const listed = table("bloom-degree-days-from-memory.csv")
    .filter((r) => r["stage"] === "first" && r["confidence"] !== "low")
    .flatMap((r) => {
      const latin = r["latin"]!.replace(" x ", " × ");
      const taxon = CATALOGUE.taxa.find((t) => t.botanical.startsWith(latin) && t.displays.length > 0);
      return taxon ? [{ id: taxon.id, listed: Number(r["gdd50F_from_Jan1"]) }] : [];
    });
  expect(listed.length).toBeGreaterThanOrEqual(15);
  const wrong = listed.flatMap((a) =>
    listed
      .filter((b) => b.listed - a.listed >= 25 && opensOf(b.id) <= opensOf(a.id))
      .map((b) => `${b.id} before ${a.id}`),
  );
  expect(wrong).toEqual([]);
});

test("schools default by place and by choice", () => {
  expect(schoolOption("butterfly-bush", {}, zoneMinimumC("6b")).id).toBe("growth-shows");
  expect(schoolOption("butterfly-bush", {}, zoneMinimumC("9b")).id).toBe("grow-on");
  expect(schoolOption("how-much", { "how-much": "half" }, -10).changes.cap).toBe(0.5);
});

test.each([
  ["buddleia", "buddleja-davidii"],
  ["crepe myrtle", "lagerstroemia-indica"],
  ["tea olive", "osmanthus-fragrans"],
  ["daphne odora", "daphne-odora"],
  ["perovskia", "salvia-yangii"],
  ["hortensia", "hydrangea-macrophylla"],
  ["hydrangia", "hydrangea-macrophylla"],
  ["forsithia", "forsythia-intermedia"],
  ["rododendron", "rhododendron-large-leaved"],
  ["pyracanta", "pyracantha-coccinea"],
  ["leylandi", "cupressus-leylandii"],
  ["fuschia", "fuchsia-magellanica"],
])("“%s” finds %s among its first ten", (query, id) =>
  expect(
    CATALOGUE.search(query)
      .slice(0, 10)
      .map((t) => t.id),
  ).toContain(id),
);

test("other names belong to kinds that there are", () => {
  expect(Object.keys(OTHER_NAMES).filter((id) => CATALOGUE.byId(id) === null)).toEqual([]);
});

test("search finds common and botanical names, every word", () => {
  // The plain name finds the plain plant first.
  expect(CATALOGUE.search("panicle")[0]!.id).toBe("hydrangea-paniculata");
  expect(CATALOGUE.search("lilac")[0]!.botanical).toMatch(/^Syringa/);
  expect(CATALOGUE.search("hydrangea oakleaf").map((t) => t.id)).toEqual([
    "hydrangea-quercifolia",
    "hydrangea-quercifolia-dwarf",
  ]);
  expect(CATALOGUE.search("teapot")).toEqual([]);
});

test("limits are what the docs say and dates are dates", () => {
  expect(LIMITS.flowerLoss).toBe(0.1);
  expect(TASK_TABLE["dead-only"].usualShare).toBe(0);
  expect(() => date("2025-02-29")).toThrow();
});
