import { describe, expect, test } from "@jest/globals";
import {
  adviseOn,
  CATALOGUE,
  climateOf,
  conditionFrom,
  date,
  GAUGES,
  goalNotes,
  normalFor,
  passOrder,
  plantYear,
  reasonText,
  seasonPoint,
  shadeInBed,
  heightBand,
  lineHeight,
  shadowM,
  sightLinesOf,
  sunAt,
  VERDICT_TABLE,
  viewReasons,
  voiceOf,
  type Condition,
  type GoalKind,
  type Health,
  type HealthSign,
  type Plant,
  type Viewpoint,
  wish,
} from "@wren/core";
import { table } from "./reference/files.ts";
import { modelOf, PLACE, PLACES, plantOf, seenOn } from "./support.ts";

const look = (more: Partial<Health> = {}): Health => ({
  on: date("2026-06-20"),
  scratch: "not-tried",
  growth: "not-looked",
  deadShare: 0,
  frost: false,
  disease: false,
  drought: false,
  weak: false,
  sparseFoot: false,
  ...more,
});

describe("the health check (common practice)", () => {
  const c = climateOf(PLACE);
  const dry = climateOf({ ...PLACES.find((p) => p.name === "mild")! });
  const at = (taxon: string, day: string, h: Partial<Health>, climate = c) =>
    conditionFrom(look(h), plantYear(CATALOGUE.byId(taxon)!, climate), seasonPoint(date(day), "north").seasonDay);

  test.each<[string, string, Partial<Health>, Condition, HealthSign]>([
    ["picea-abies", "2026-06-25", { growth: "none" }, "stressed", "late-no-growth"],
    ["picea-abies", "2026-04-01", { growth: "none" }, "healthy", "asleep"],
    ["hydrangea-macrophylla", "2026-04-10", { growth: "none", frost: true }, "frosted", "frost-no-growth"],
    ["hydrangea-macrophylla", "2026-05-20", { growth: "from-base", frost: true }, "healthy", "growth-shows"],
    ["syringa-vulgaris", "2026-06-01", { scratch: "brown" }, "dieback", "stem-brown"],
    ["syringa-vulgaris", "2026-06-01", { deadShare: 0.4 }, "dieback", "much-dead"],
    ["syringa-vulgaris", "2026-06-01", { deadShare: 0.2, growth: "everywhere" }, "healthy", "growth-shows"],
    ["syringa-vulgaris", "2026-07-20", { drought: true }, "drought", "drought"],
    ["syringa-vulgaris", "2026-07-20", { weak: true, sparseFoot: true }, "past-maturity", "weak"],
    ["hibiscus-moscheutos", "2026-05-20", { growth: "none" }, "healthy", "not-yet-due"],
  ])("%s on %s, %j: %s", (taxon, day, h, condition, sign) => {
    const answer = at(taxon, day, h);
    expect(answer.condition).toBe(condition);
    expect(answer.signs[0]).toBe(sign);
  });

  test.each(["ribes-speciosum", "aesculus-californica", "encelia-californica"])(
    "%s without a leaf in late July sleeps: it is not called dead or stressed",
    (id) => {
      expect(at(id, "2026-07-25", { growth: "none" }, dry)).toEqual({ condition: "healthy", signs: ["asleep"] });
      expect(normalFor(CATALOGUE.byId(id)!).join(" ")).toMatch(/sleeps through the drought/);
    },
  );

  test("gauges rise from the ankle to the eaves", () => {
    const heights = GAUGES.map((g) => g.heightM);
    expect(heights).toEqual(heights.toSorted((a, b) => a - b));
  });
});

describe("condition acts at once", () => {
  test("a frosted bigleaf waits and is told what to look for; once growth is seen, where to cut back to", () => {
    const bigleaf = plantOf("hydrangea-macrophylla", { condition: "frosted", conditionOn: date("2026-04-02") });
    const before = adviseOn(modelOf([bigleaf]), bigleaf.id, date("2026-04-10"), "shape");
    const say = voiceOf("metric");
    expect(before.verdict).toBe("wait");
    expect(reasonText(before.reasons[0]!, say)).toMatch(/Look for swelling buds low on the stems and at the base/);
    expect(before.opening).toMatchObject({ by: "seen", what: "growth" });
    for (const [where, text] of [
      ["old-stems", /first good live pair of buds/],
      ["base", /down to the new shoots/],
    ] as const) {
      const seen = seenOn(bigleaf.id, "2026-05-08", { where });
      const after = adviseOn(modelOf([bigleaf], { observations: [seen] }), bigleaf.id, date("2026-05-10"), "dead-only");
      expect(VERDICT_TABLE[after.verdict].go).toBe(true);
      expect(after.reasons.map((r) => reasonText(r, say)).join(" ")).toMatch(text);
    }
  });

  test("a stressed spruce gets dead wood only, all year", () => {
    const spruce = plantOf("picea-abies", { condition: "stressed", conditionOn: date("2026-01-05") });
    const model = modelOf([spruce]);
    for (const day of ["2026-02-10", "2026-05-25", "2026-08-01", "2026-11-10"]) {
      for (const task of ["shape", "shear", "hard-cutback"] as const)
        expect(VERDICT_TABLE[adviseOn(model, spruce.id, date(day), task).verdict].go).toBe(false);
      expect(adviseOn(model, spruce.id, date(day), "dead-only").verdict).toBe("best");
    }
  });

  test.each(["leaning", "split"] as const)("a trunk that is %s is a professional's", (stance) => {
    const tree = plantOf("magnolia-stellata", { stance });
    expect(adviseOn(modelOf([tree]), tree.id, date("2026-05-20"), "shape").reasons[0]!.code).toBe("leaning-trunk");
    expect(adviseOn(modelOf([tree]), tree.id, date("2026-05-20"), "leave").verdict).toBe("no-need");
  });

  test("a climber whose support fails is tied in first", () => {
    const vine = plantOf("clematis-viticella", { support: "broken-ties" });
    const codes = adviseOn(modelOf([vine]), vine.id, date("2026-03-10")).reasons.map((r) => r.code);
    expect(codes).toContain("tie-first");
  });
});

describe("goals and what stands against them", () => {
  const notes = (taxon: string, kind: GoalKind, heightM: number | null, more: Partial<Plant> = {}): string[] => {
    const p = plantOf(taxon, { goal: wish(kind, heightM), ...more });
    return goalNotes(modelOf([p]), p).map((r) => r.code);
  };
  test.each<[string, GoalKind, number | null, string[]]>([
    // A kind that grows to 3 m and more in a 1.2 m place; a screen to 2.4 m growing 0.9 a year.
    ["syringa-vulgaris", "keep-size", 1.2, ["outgrows"]],
    ["buddleja-davidii", "keep-size", 1.2, ["cannot-hold"]],
    ["cupressus-leylandii", "screen", 2.4, ["two-trims"]],
    ["buxus-sempervirens", "outline", 0.9, []],
    ["lavandula-angustifolia", "screen", 1.5, ["never-so-tall"]],
    ["hydrangea-macrophylla", "large-flowers", null, ["goal-not-for-kind"]],
    ["hydrangea-paniculata", "large-flowers", null, []],
    ["syringa-vulgaris", "coloured-stems", null, ["goal-not-for-kind"]],
    ["cornus-alba", "coloured-stems", null, []],
    ["miscanthus-sinensis", "tree-form", null, ["goal-not-for-kind"]],
    ["thuja-occidentalis", "renew", null, ["goal-not-for-kind"]],
    ["syringa-vulgaris", "let-go", null, []],
  ])("%s, %s at %s: %j", (taxon, kind, heightM, codes) => {
    expect(notes(taxon, kind, heightM)).toEqual(codes);
  });

  test("let go beside a path: said, when it will be there within a year", () => {
    const touches = [{ what: "path" as const, distanceM: 0.2 }];
    expect(notes("syringa-vulgaris", "let-go", null, { touches })).toEqual(["let-go-touches"]);
  });

  test("the goal turns the order of the work", () => {
    const lilac = CATALOGUE.byId("syringa-vulgaris")!;
    expect(passOrder(lilac, "shape")).toContain("oldest");
    expect(passOrder(lilac, "shape", { goal: wish("natural"), form: null })).not.toContain("oldest");
  });
});

describe("views, by similar triangles", () => {
  const deck: Viewpoint = { id: "deck", name: "Deck", bedId: "bed-1", eyeHeightM: 4, distanceM: 8, alongM: 1 };
  const bench: Viewpoint = { id: "bench", name: "Bench", bedId: "bed-1", eyeHeightM: 1.2, distanceM: 4, alongM: 1 };
  const view = (viewpointId: string, want: "hide" | "clear" | "show", targetM: number, beyondM: number) => ({
    viewpointId,
    want,
    targetM,
    beyondM,
  });
  const garden = (...plants: Plant[]) => modelOf(plants, { viewpoints: [deck, bench] }).garden;

  // Worked by hand: the line falls evenly from eye to target.
  test.each([
    [4, 8, 1, 10, 1.6],
    [1.6, 5, 0, 10, 0.8],
    [1.2, 4, 1.2, 9, 1.2],
    [1.5, 3, 4.5, 6, 3],
  ])("eye %s, plant %s away, target %s at %s: the line passes at %s", (eye, near, target, far, at) =>
    expect(lineHeight(eye, near, target, far)).toBeCloseTo(at, 9),
  );

  test("hide gives a least height, clear a greatest; a cut that exposes or a plant that blocks is flagged", () => {
    const screen = plantOf("taxus-media", { views: [view("deck", "hide", 1, 2)] });
    const g = garden(screen);
    expect(sightLinesOf(g, screen)[0]!.leastM).toBeCloseTo(1.6, 9);
    expect(viewReasons(g, screen, 1.7)).toEqual([]);
    expect(viewReasons(g, screen, 1.4)[0]!.code).toBe("would-expose");
    const low = plantOf("spiraea-japonica", { views: [view("bench", "clear", 0, 8)] });
    expect(heightBand(garden(low), low)).toEqual({ leastM: 0, mostM: expect.closeTo(0.8, 9) });
    expect(viewReasons(garden(low), low, 1)[0]!.code).toBe("would-block");
    const both = plantOf("syringa-vulgaris", { views: [view("deck", "hide", 1, 2), view("bench", "clear", 0, 8)] });
    expect(viewReasons(garden(both), both, 1.2)[0]!.code).toBe("views-disagree");
    expect(sightLinesOf(g, { ...screen, bedId: "elsewhere" })).toEqual([]);
  });

  test("a plant that is to be seen keeps those before it low, and only those in its line", () => {
    const back = plantOf("hydrangea-macrophylla", { id: "back", backM: 2, views: [view("bench", "show", 0.6, 0)] });
    const front = plantOf("lavandula-angustifolia", { id: "front", widthM: 0.6 });
    const aside = plantOf("lavandula-angustifolia", { id: "aside", alongM: 5, widthM: 0.6 });
    const g = garden(back, front, aside);
    // 4 m to the front plant, 6 m to the one behind: 1.2 - 0.6 * 4/6.
    expect(heightBand(g, front).mostM).toBeCloseTo(0.8, 9);
    expect(heightBand(g, aside).mostM).toBeNull();
  });

  test("the sun stands where the reference says (sun-positions.csv, within a degree)", () => {
    const rows = table("sun-positions.csv");
    expect(rows.length).toBeGreaterThanOrEqual(8);
    for (const r of rows)
      for (const t of ["t1", "t2"]) {
        const lat = Number(r["lat"]);
        const h = lat < 0 ? "south" : "north";
        const noon = r["solar_noon_utc"]!;
        const hour = 12 + (Date.parse(r[`${t}_utc`]!) - Date.parse(noon)) / 3.6e6;
        const s = sunAt(lat, seasonPoint(date(noon.slice(0, 10)), h).seasonDay, h, hour);
        expect(Math.abs(s.altitudeDeg - Number(r[`${t}_altitude`]))).toBeLessThan(1);
        const turn = s.azimuthDeg - Number(r[`${t}_azimuth`]);
        expect(Math.abs(((turn + 540) % 360) - 180)).toBeLessThan(1.5);
      }
  });

  test("shade: the taller plant to the sunward side takes sun, the lower one never does; no aspect, no answer", () => {
    const tall = { plant: plantOf("syringa-vulgaris", { id: "tall", alongM: 2, widthM: 2 }), heightM: 4 };
    const low = { plant: plantOf("lavandula-angustifolia", { id: "low", alongM: 2, backM: 1.5 }), heightM: 0.5 };
    const sky = { latitudeDeg: 45, day: 80, hemisphere: "north" } as const;
    // The bed's front looks south: what stands behind the tall one is to its north.
    const facingSouth = shadeInBed({ facesDeg: 180 }, [tall, low], sky);
    expect(facingSouth).toEqual([{ by: "tall", on: "low", share: expect.any(Number) }]);
    expect(facingSouth[0]!.share).toBeGreaterThan(0.15);
    expect(
      shadeInBed({ facesDeg: 0 }, [tall, low], { ...sky, day: 170 }).every((s) => s.share < facingSouth[0]!.share),
    ).toBe(true);
    expect(shadeInBed({ facesDeg: null }, [tall, low], sky)).toEqual([]);
    // Shadow of a 2 m hedge by sun altitude (checks.md 4.2).
    for (const [altitude, length] of [
      [10, 11.343],
      [20, 5.495],
      [45, 2],
      [60, 1.155],
    ] as const)
      expect(shadowM(2, altitude)).toBeCloseTo(length, 3);
    expect(shadowM(2, 0)).toBe(Infinity);
  });
});
