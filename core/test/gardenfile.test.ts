import { describe, expect, test } from "@jest/globals";
import { Ajv2020 } from "ajv/dist/2020.js";
import addFormats from "ajv-formats";
import fc from "fast-check";
import {
  addDays,
  CATALOGUE,
  date,
  demoGarden,
  hedgeFrom,
  gardenChange,
  gardenFileJsonSchema,
  issueText,
  openGardenFile,
  type Garden,
  UNSAID_RULES,
  pathText,
  readGardenFile,
  SURVEY_FILL,
  writeGardenFile,
  UNSAID_PLACE,
  type Stand,
} from "@wren/core";

const today = date("2026-11-25");
const garden = demoGarden(today);
const file = (): object => JSON.parse(writeGardenFile(garden)) as object;
const read = (text: string) => readGardenFile(text, CATALOGUE, today);

type Step = string | number;
/** The demo file with one value put in, or taken out, at a path. */
function changed(...edits: readonly (readonly [path: readonly Step[], value: unknown])[]): object {
  const root = file();
  for (const [path, value] of edits) {
    const at = path.slice(0, -1).reduce((o, k) => (o as Record<Step, object>)[k]!, root) as Record<Step, unknown>;
    if (value === undefined) Reflect.deleteProperty(at, path.at(-1)!);
    else at[path.at(-1)!] = value;
  }
  return root;
}

test("write then read gives the same garden, on any day the demo is opened", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 800 }), (n) => {
      const on = addDays(date("2025-01-01"), n);
      const g = demoGarden(on);
      const back = readGardenFile(writeGardenFile(g), CATALOGUE, on);
      expect(back.ok ? back.value : back.issues).toEqual(g);
    }),
    { numRuns: 40 },
  );
});

test("the published JSON Schema, read by another validator, accepts what is written and refuses what is wrong", () => {
  const ajv = new Ajv2020({ strict: false });
  (addFormats as unknown as (a: Ajv2020) => void)(ajv);
  const validate = ajv.compile(gardenFileJsonSchema());
  expect(validate(file())).toBe(true);
  expect(validate(changed([["garden", "plants", 0, "heightM"], -1]))).toBe(false);
});

/** A row or a whole file as version 1 wrote it, before anything was surveyed. */
function asVersion1(): object {
  const old = JSON.parse(JSON.stringify(file())) as {
    version: number;
    garden: Record<string, Record<string, unknown>[]>;
  };
  old.version = 1;
  for (const [list, fill] of Object.entries(SURVEY_FILL))
    for (const row of old.garden[list]!) for (const field of Object.keys(fill)) Reflect.deleteProperty(row, field);
  for (const list of ["viewpoints", "photos", "plans", "programmes", "stands"])
    Reflect.deleteProperty(old.garden, list);
  return old;
}

test("a file of version 2 is read as one in which no school was chosen for a plant and no day observed", () => {
  const now = demoGarden(date("2026-06-10"));
  const file = JSON.parse(writeGardenFile(now)) as {
    version: number;
    garden: Record<string, Record<string, unknown>[] & Record<string, unknown>>;
  };
  file.version = 2;
  for (const [list, key] of [
    ["plants", "schools"],
    ["visits", "trialUntil"],
    ["observations", "lookedFor"],
  ] as const)
    for (const row of file.garden[list]!) Reflect.deleteProperty(row, key);
  Reflect.deleteProperty(file.garden["place"]!, "monthly");
  for (const list of ["weather", "seasons", "programmes", "stands"]) Reflect.deleteProperty(file.garden, list);
  const read = readGardenFile(JSON.stringify(file), CATALOGUE, date("2026-06-10"));
  const looked = now.observations.map((o) => ({ ...o, lookedFor: null }));
  expect(read.ok && read.value).toEqual({ ...now, observations: looked, programmes: [], stands: [] });
});

test("a file of version 3 is read as one in which no stems were counted", () => {
  const file = JSON.parse(writeGardenFile(garden)) as { version: number; garden: Record<string, unknown> };
  file.version = 3;
  for (const list of ["programmes", "stands"]) Reflect.deleteProperty(file.garden, list);
  const r = read(JSON.stringify(file));
  expect(r.ok && r.value).toEqual({ ...garden, programmes: [], stands: [] });
});

test("a file of version 4 is read as one in which nothing was begun for years and nobody said hours or prices", () => {
  const file = JSON.parse(writeGardenFile(garden)) as {
    version: number;
    garden: { rules: object; plants: object[] } & Record<string, unknown>;
  };
  file.version = 4;
  Reflect.deleteProperty(file.garden, "programmes");
  Reflect.deleteProperty(file.garden.rules, "prices");
  for (const p of file.garden.plants) Reflect.deleteProperty(p, "hours");
  const r = read(JSON.stringify(file));
  expect(r.ok && r.value).toEqual({ ...garden, programmes: [] });
});

test("a file of version 1 is read as a garden in which nothing was surveyed yet", () => {
  const r = read(JSON.stringify(asVersion1()));
  if (!r.ok) throw new Error(r.issues.map(issueText).join());
  const bare = {
    ...garden,
    viewpoints: [],
    plans: [],
    programmes: [],
    stands: [],
    beds: garden.beds.map((b) => ({ ...b, ...SURVEY_FILL.beds })),
    plants: garden.plants.map((p) => ({ ...p, ...SURVEY_FILL.plants })),
    observations: garden.observations.map((o) => ({ ...o, ...SURVEY_FILL.observations })),
  };
  expect(r.value).toEqual(bare);
});

test("a file of version 6 knew a place by zone and dates; no dates meant that none were expected", () => {
  const now = JSON.parse(writeGardenFile(garden)) as { readonly garden: object };
  const old = (lastFrost: string | null, firstFrost: string | null): object => ({
    ...now,
    version: 6,
    garden: {
      ...now.garden,
      place: { name: "Then", latitudeDeg: 26, zone: "10b", lastFrost, firstFrost, monthly: null },
    },
  });
  const of = (file: object) => {
    const r = read(JSON.stringify(file));
    if (!r.ok) throw new Error(r.issues.map(issueText).join());
    return r.value.place;
  };
  expect(of(old(null, null))).toEqual({ ...UNSAID_PLACE, name: "Then", latitudeDeg: 26, zone: "10b", noFrost: true });
  expect(of(old("02-10", "12-05"))).toMatchObject({ noFrost: false, lastFrost: "02-10", near: null, site: "usual" });
});

test("a file of version 9 drew stems with bare branches and wished for a height only: both are filled up", () => {
  const now = JSON.parse(writeGardenFile(garden)) as { garden: { stands: Row[]; plants: Row[] } };
  type Row = Record<string, unknown>;
  const without = (row: Row, ...keys: string[]): Row =>
    Object.fromEntries(Object.entries(row).filter(([k]) => !keys.includes(k)));
  const stands = now.garden.stands.map((x) => ({
    ...x,
    stems: (x["stems"] as Row[]).map((t) => ({
      ...without(t, "leafFrom", "deadFrom"),
      branches: (t["branches"] as Row[]).map((b) => without(b, "riseDeg", "dead", "leafFrom", "shoots")),
    })),
  }));
  const plants = now.garden.plants.map((p) => ({
    ...without(p, "pairedWith"),
    goal: without(p["goal"] as Row, "widthM", "lines"),
  }));
  const r = read(JSON.stringify({ ...now, version: 9, garden: { ...now.garden, stands, plants } }));
  if (!r.ok) throw new Error(r.issues.map(issueText).join());
  const bare = { riseDeg: 45, dead: false, leafFrom: null, shoots: [] };
  const expected = garden.stands.map((x) => ({
    ...x,
    stems: x.stems.map((t) => ({ ...t, branches: t.branches.map((b) => ({ ...b, ...bare })) })),
  }));
  expect(r.value.stands).toEqual(expected);
  expect(r.value.plants).toEqual(garden.plants);
});

test("a file of version 10 is read as one in which nothing was begun at a visit, no plant had a parent and none was a hedge", () => {
  const now = JSON.parse(writeGardenFile(garden)) as { garden: Record<"visits" | "plants", object[]> };
  for (const v of now.garden.visits) Reflect.deleteProperty(v, "begun");
  for (const p of now.garden.plants) Reflect.deleteProperty(p, "parentId");
  Reflect.deleteProperty(now.garden, "hedges");
  const r = read(JSON.stringify({ ...now, version: 10 }));
  expect(r.ok && r.value).toEqual({ ...garden, hedges: [] });
});

test("a file of version 11 is read as one in which no trim of a hedge was under way", () => {
  const now = JSON.parse(writeGardenFile(demoGarden(today))) as { garden: { hedges: object[] } };
  for (const h of now.garden.hedges) Reflect.deleteProperty(h, "done");
  const r = read(JSON.stringify({ ...now, version: 11 }));
  expect(r.ok && r.value.hedges.map((h) => h.done)).toEqual([null]);
});

test("a file of version 12 is read as one in which no time and no tools were told, no plan lay on a half-day and no work was under way", () => {
  const now = JSON.parse(writeGardenFile(garden)) as { garden: { rules: object; plans: object[] } };
  for (const k of ["time", "tools"]) Reflect.deleteProperty(now.garden.rules, k);
  for (const p of now.garden.plans) for (const k of ["half", "fixed"]) Reflect.deleteProperty(p, k);
  Reflect.deleteProperty(now.garden, "works");
  const r = read(JSON.stringify({ ...now, version: 12 }));
  const { time, tools } = UNSAID_RULES;
  expect(r.ok && r.value).toEqual({ ...garden, rules: { ...garden.rules, time, tools } });
});

test("a file of version 13 is read as one in which nobody said who worked, nothing was vouched for, set aside or changed", () => {
  const now = JSON.parse(writeGardenFile(garden)) as { garden: Record<"rules" | "visits" | "observations", object> };
  Reflect.deleteProperty(now.garden.rules, "setAside");
  for (const v of now.garden.visits as object[])
    for (const k of ["by", "sure", "planned"]) Reflect.deleteProperty(v, k);
  for (const o of now.garden.observations as object[])
    for (const k of ["count", "lengthM", "sure"]) Reflect.deleteProperty(o, k);
  Reflect.deleteProperty(now.garden, "corrections");
  const r = read(JSON.stringify({ ...now, version: 13 }));
  expect(r.ok && r.value).toEqual(garden);
});

test("a cut says what it was proposed for or leaves it open, as all of version 14 do; another word for it is refused", () => {
  const [stand] = garden.stands as [Stand];
  const withCut = (cut: object): string => {
    const tries = [{ id: "t1", task: "shape", cuts: [{ cut: "remove", stemId: stand.stems[0]!.id, ...cut }] }];
    const file = JSON.parse(writeGardenFile(garden)) as { garden: { stands: object[] } };
    file.garden.stands[0] = { ...stand, tries };
    return JSON.stringify(file);
  };
  const cutOf = (text: string) => {
    const r = read(text);
    return r.ok ? r.value.stands[0]!.tries[0]!.cuts[0]!.pass : r.issues[0]!.path.at(-1);
  };
  expect(cutOf(withCut({ pass: "weak" }))).toBe("weak");
  expect(cutOf(JSON.stringify({ ...(JSON.parse(withCut({})) as object), version: 14 }))).toBeUndefined();
  expect(cutOf(withCut({ pass: "whim" }))).toBe("pass");
});

describe("a bad file is refused with where and why", () => {
  const G = "garden";
  const one = (path: readonly Step[], value: unknown): string => JSON.stringify(changed([[G, ...path], value]));
  const post = (alongM: number, groundM = 0) => ({ alongM, groundM, heightM: null, footM: null, topM: null });
  const hedge = (posts: object[], more: object = {}): string => {
    const [p] = garden.plants;
    const h = { ...hedgeFrom(p!, { outline: true }, "h", date("2026-01-01"), 0), posts, ...more };
    return one(["hedges"], [h]);
  };
  const tallerAfter = [{ by: "height", beforeM: 1, afterM: 2 }];
  const tooManyStems = [{ by: "stems", removedCount: 9, liveCount: 4 }];
  const swappedFrost = changed([[G, "place", "lastFrost"], "10-20"], [[G, "place", "firstFrost"], "04-20"]);
  test.each<[string, string, string, RegExp]>([
    ["wrong type", one(["plants", 2, "heightM"], "tall"), "garden.plants[2].heightM", /Expected a number, got a text/],
    ["unknown taxon", one(["plants", 0, "taxonId"], "triffid"), "garden.plants[0].taxonId", /no kind “triffid”/],
    ["negative height", one(["plants", 1, "heightM"], -0.4), "garden.plants[1].heightM", /too small/],
    ["a day that does not exist", one(["visits", 0, "on"], "2025-02-30"), "garden.visits[0].on", /a day that exists/],
    ["a missing field", one(["plants", 0, "goal"], undefined), "garden.plants[0].goal", /missing/],
    ["an unknown field", one(["colour"], 1), "garden", /Unknown field “colour”/],
    ["an unknown bed", one(["plants", 0, "bedId"], "moon"), "garden.plants[0].bedId", /no bed “moon”/],
    [
      "a view from nowhere",
      one(["plants", 0, "views"], [{ viewpointId: "moon", want: "hide", targetM: 1, beyondM: 1 }]),
      "garden.plants[0].views[0].viewpointId",
      /no viewpoint “moon”/,
    ],
    ["a viewpoint on no bed", one(["viewpoints", 0, "bedId"], "moon"), "garden.viewpoints[0].bedId", /no bed “moon”/],
    [
      "a photo of no plant",
      one(["photos"], [{ id: "f", plantId: "moon", on: "2026-01-01", caption: "" }]),
      "garden.photos[0].plantId",
      /no plant “moon”/,
    ],
    [
      "a photo that is none",
      JSON.stringify(changed([["pictures"], [{ id: "f", jpeg: "<svg>" }]])),
      "pictures[0].jpeg",
      /base64/,
    ],
    [
      "a picture of no photo",
      JSON.stringify(changed([["pictures"], [{ id: "f", jpeg: "abcd" }]])),
      "pictures[0].id",
      /no photo/,
    ],
    [
      "a candidate nobody knows",
      one(["plants", 0, "identity"], {
        by: "key",
        on: "2026-01-01",
        candidates: [
          { taxonId: "triffid", share: 0.5 },
          { taxonId: "syringa-vulgaris", share: 0.5 },
        ],
      }),
      "garden.plants[0].identity.candidates[0].taxonId",
      /triffid/,
    ],
    ["a plan for no plant", one(["plans", 0, "plantId"], "moon"), "garden.plans[0].plantId", /no plant “moon”/],
    ["posts out of order", hedge([post(0), post(5), post(5)]), "garden.hedges[0].posts[2].alongM", /in order along/],
    ["a slope of 60°", hedge([post(0), post(2, 3.5)]), "garden.hedges[0].posts[1].groundM", /60°.*at most 45°/],
    ["a hedge of three kilometres", hedge([post(0), post(3000)]), "garden.hedges[0].posts[1].alongM", /too large/],
    ["a hedge with one post", hedge([post(0)]), "garden.hedges[0].posts", /too few/],
    [
      "a gap past its end",
      hedge([post(0), post(5)], { gaps: [{ fromM: 4, toM: 6, what: "gap" }] }),
      "garden.hedges[0].gaps[0].toM",
      /does not lie on a hedge of 5 m/,
    ],
    [
      "a stretch of a kind nobody knows",
      hedge([post(0), post(5)], { stretches: [{ taxonId: "triffid", toM: 5 }] }),
      "garden.hedges[0].stretches[0].taxonId",
      /triffid/,
    ],
    [
      "a top wider than possible",
      hedge([{ ...post(0), topM: 9 }, post(5)]),
      "garden.hedges[0].posts[0].topM",
      /too large/,
    ],
    ["a hedge of no plant", hedge([post(0), post(5)], { plantId: "moon" }), "garden.hedges[0].plantId", /no plant/],
    ["stems of no plant", one(["stands", 0, "plantId"], "moon"), "garden.stands[0].plantId", /no plant “moon”/],
    [
      "a cut at a stem that is not there",
      one(["stands", 0, "tries"], [{ id: "t1", task: "shape", cuts: [{ cut: "remove", stemId: "s99" }] }]),
      "garden.stands[0].tries[0].cuts[0]",
      /stem “s99”/,
    ],
    ["an id twice", one(["beds", 1, "id"], garden.beds[0]!.id), "garden.beds[1].id", /twice/],
    ["a cut that grows", one(["visits", 0, "cuts"], tallerAfter), "garden.visits[0].cuts[0].afterM", /taller/],
    [
      "more stems than there were",
      one(["visits", 0, "cuts"], tooManyStems),
      "garden.visits[0].cuts[0].removedCount",
      /9 stems/,
    ],
    ["latitude 95", one(["place", "latitudeDeg"], 95), "garden.place.latitudeDeg", /too large/],
    ["frost dates the wrong way round", JSON.stringify(swappedFrost), "garden.place.lastFrost", /wrong way round/],
    ["another format", JSON.stringify({ format: "shopping-list" }), "format", /expected “wren-song-garden”/],
    ["a newer version", JSON.stringify({ ...file(), version: 99 }), "version", /written by a newer Wren Song/],
    ["an empty file", "  \n", "", /empty/],
    ["noise", "x".repeat(10_000_000), "", /not JSON/],
    ["too much of it", "7".repeat(101_000_000), "", /at most 100 MB/],
  ])("%s", (_, text, path, why) => {
    const r = read(text);
    const first = r.ok ? null : r.issues[0]!;
    expect(first && pathText(first.path)).toBe(path);
    expect(issueText(first!)).toMatch(why);
  });

  test("every problem is named, not only the first", () => {
    const edits = [
      [["garden", "plants", 0, "taxonId"], "a"],
      [["garden", "plants", 1, "taxonId"], "b"],
      [["garden", "visits", 0, "plantId"], "c"],
    ] as const;
    const r = read(JSON.stringify(changed(...edits)));
    expect(r.ok ? 0 : r.issues.length).toBe(3);
  });

  test("an unsound row hides neither the others' problems nor makes their names point nowhere", () => {
    const edits = [
      [["garden", "plants", 0, "heightM"], -1],
      [["garden", "plants", 1, "taxonId"], "triffid"],
      [["garden", "visits", 0, "on"], "2031-01-01"],
    ] as const;
    const r = read(JSON.stringify(changed(...edits)));
    expect(r.ok ? [] : r.issues.map((i) => [i.code, pathText(i.path)])).toEqual([
      ["field-small", "garden.plants[0].heightM"],
      ["taxon-unknown", "garden.plants[1].taxonId"],
    ]);
  });
});

test("an import's preview counts what will be added, changed and removed", () => {
  const [gone, ...rest] = garden.plants;
  const after = {
    ...garden,
    name: "Other",
    plants: [
      ...rest.map((p, i) => (i === 0 ? { ...p, heightM: 3 } : p)),
      { ...gone!, id: "new-one", label: "New one" },
    ],
  };
  const change = gardenChange(garden, after);
  expect(change.lists.find((l) => l.list === "plants")).toMatchObject({
    added: ["New one"],
    removed: [gone!.label],
    changed: [rest[0]!.label],
  });
  expect(change.name).toEqual({ from: garden.name, to: "Other" });
  expect(gardenChange(garden, garden).nothing).toBe(true);
});

test("a file of version 5 gives its pictures a place of their own, and drops views from places that are gone", () => {
  const old = JSON.parse(writeGardenFile(garden)) as {
    version: number;
    garden: Record<string, Record<string, unknown>[]>;
  };
  old.version = 5;
  Reflect.deleteProperty(old, "pictures");
  Reflect.deleteProperty(old, "apart");
  const photo = { id: "f", plantId: garden.plants[0]!.id, on: "2026-01-01", caption: "" };
  old.garden["photos"] = [{ ...photo, jpeg: "abcd" }];
  old.garden["plants"]![0]!["views"] = [{ viewpointId: "gone", want: "hide", targetM: 1, beyondM: 1 }];
  const r = openGardenFile(JSON.stringify(old), CATALOGUE, today);
  if (!r.ok) throw new Error(r.issues.map(issueText).join());
  expect(r.value.pictures).toEqual([{ id: "f", jpeg: "abcd" }]);
  expect(r.value.garden.photos).toEqual([photo]);
  expect(r.value.garden.plants[0]!.views).toEqual([]);
  const again = openGardenFile(writeGardenFile(r.value.garden, { pictures: r.value.pictures }), CATALOGUE, today);
  expect(again).toEqual(r);
});

test("rows set apart travel with the file, and come back when they can be read", () => {
  const lilac = { ...garden.plants[0]!, id: "old-one", taxonId: "newer-kind" };
  const visit = { ...garden.visits[0]!, id: "at-old-one", plantId: "old-one" };
  const apart = [
    { list: "plants", row: lilac, why: "unknown kind" },
    { list: "visits", row: visit, why: "its plant is apart" },
    { list: "plants", row: 7, why: "no row at all" },
  ] as const;
  const text = writeGardenFile(garden, { apart });
  const r = openGardenFile(text, CATALOGUE, today);
  expect(r.ok && r.value.garden).toEqual(garden);
  expect(r.ok && r.value.apart.map((a) => a.row).toSorted()).toEqual([7, lilac, visit].toSorted());
  const known = openGardenFile(text.replace("newer-kind", "syringa-vulgaris"), CATALOGUE, today);
  expect(known.ok && known.value.apart.map((a) => a.row)).toEqual([7]);
  expect(known.ok && known.value.garden.visits.some((v) => v.id === "at-old-one")).toBe(true);
});

test("a head set apart and a row whose place is taken stay apart, the garden as it is", () => {
  const { id, name, place } = garden;
  const apart = [
    { list: "head", row: { id, name, place, rules: null }, why: "no rules" },
    { list: "plants", row: { ...garden.plants[0]!, name: "The same once more" }, why: "twice" },
  ] as const;
  const r = openGardenFile(writeGardenFile(garden, { apart }), CATALOGUE, today);
  expect(r.ok && r.value.garden).toEqual(garden);
  expect(r.ok && r.value.apart.map((a) => a.row)).toEqual(apart.map((a) => a.row));
});

test.each([
  ["a clock set back by years", "2019-01-01"],
  ["written at UTC+14, read at UTC-11", addDays(today, -2)],
])("the application's own file is read whole by %s, with a remark", (_, behind) => {
  const latest: Garden = { ...garden, visits: garden.visits.map((v, i) => (i === 0 ? { ...v, on: today } : v)) };
  const r = openGardenFile(writeGardenFile(latest, { written: today }), CATALOGUE, date(behind));
  expect(r.ok && r.value.garden.visits.map((v) => v.id).sort()).toEqual(latest.visits.map((v) => v.id).sort());
  expect(r.ok && r.value.remarks.map((i) => i.code)).toContain("date-future");
  const now = openGardenFile(writeGardenFile(latest), CATALOGUE, today);
  expect(now.ok && now.value.remarks).toEqual([]);
});

test("what nests deeper than any garden is refused in a sentence, not in the engine's words", () => {
  for (const deep of [100, 5000, 200_000]) {
    const row = "[".repeat(deep) + "]".repeat(deep);
    const r = read(writeGardenFile(garden).replace('"visits": [', `"more": ${row}, "visits": [`));
    expect(r.ok ? [] : r.issues.map((i) => i.code)).toEqual(["file-deep"]);
  }
  const quoted = garden.plants.map((p, i) => (i === 0 ? { ...p, note: `${"[{".repeat(400)}"` } : p));
  expect(read(writeGardenFile({ ...garden, plants: quoted })).ok).toBe(true);
});

test("a number in a message is told to the millimetre", () => {
  const text = issueText({ code: "height-order", path: [], values: { before: 1.123456789, after: 2.000000001 } });
  expect(text).toContain("(2 m) than before (1.123 m)");
});

test("a file of three hundred thousand broken rows is refused at once, one of a hundred thousand with the first two hundred named", () => {
  const many = (n: number) => ({ ...file(), garden: { ...garden, visits: Array.from({ length: n }, () => ({})) } });
  const tooMany = read(JSON.stringify(many(300_000)));
  expect(tooMany.ok ? [] : tooMany.issues.map((i) => [i.code, pathText(i.path)])).toEqual([
    ["field-many", "garden.visits"],
  ]);
  const most = read(JSON.stringify(many(100_000)));
  expect(most.ok ? 0 : most.issues.length).toBe(201);
  expect(most.ok ? "" : issueText(most.issues.at(-1)!)).toMatch(/^At least \d{4} more problems/);
});
