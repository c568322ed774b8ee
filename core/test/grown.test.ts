/** How a plant is grown: its own size in place of the kind's, dangers until they are over, and the tasks offered first. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  adviseOn,
  alongStem,
  branchRun,
  branchToTip,
  plainBranch,
  plainStem,
  pointFrom,
  type Point3,
  seenFrom,
  stemToTip,
  CATALOGUE,
  date,
  heightOnDay,
  misfit,
  offeredTasks,
  ownKind,
  taskForGoal,
  type Danger,
  type Plant,
  type Task,
  wish,
} from "@wren/core";
import { StemSchema } from "../src/model/index.ts";
import { everyKindAt, modelOf, PLACES, plantOf, seenOn } from "./support.ts";

const LILAC = CATALOGUE.byId("syringa-vulgaris")!;
const UNSAID = { vigour: "usual", ownSize: { heightM: null, growthM: null } } as const;

describe("its own size stands in place of the kind's", () => {
  test("nothing said: the very kind", () => expect(ownKind(UNSAID, LILAC)).toBe(LILAC));
  test("a dwarf is lower and slower, in proportion", () => {
    const dwarf = ownKind({ ...UNSAID, vigour: "dwarf" }, LILAC);
    expect(dwarf.matureHeightM[1] / LILAC.matureHeightM[1]).toBeCloseTo(0.4);
    expect(dwarf.growthM[1] / LILAC.growthM[1]).toBeCloseTo(0.4);
  });
  test("what was measured counts: growth by itself, height with the growth that goes with it", () => {
    const usual = (LILAC.matureHeightM[0] + LILAC.matureHeightM[1]) / 2;
    const low = ownKind({ ...UNSAID, ownSize: { heightM: usual / 2, growthM: null } }, LILAC);
    expect(low.growthM[1]).toBeCloseTo(LILAC.growthM[1] / 2);
    expect((low.matureHeightM[0] + low.matureHeightM[1]) / 2).toBeCloseTo(usual / 2);
    expect(ownKind({ ...UNSAID, ownSize: { heightM: null, growthM: 0.12 } }, LILAC).growthM[1]).toBeCloseTo(0.12);
  });
  test("and is what heights and wishes are reckoned by", () => {
    const plant = plantOf(LILAC.id, {
      ownSize: { heightM: null, growthM: 0.05 },
      heightM: 1,
      goal: wish("keep-size", 1.2),
    });
    const m = modelOf([plant, plantOf(LILAC.id, { id: "usual", heightM: 1, goal: plant.goal })]);
    const end = (p: Plant) =>
      heightOnDay(
        p,
        m.taxonOf(p),
        m.yearOf(m.taxonOf(p)),
        "north",
        { visits: [], observations: [], stemsOn: () => null },
        date("2026-10-01"),
      ).heightM;
    expect(end(m.plant(LILAC.id))).toBeLessThan(end(m.plant("usual")));
    expect(adviseOn(m, LILAC.id, date("2026-06-10"), "shape").reason.code).toBe("goal-met");
    expect(adviseOn(m, "usual", date("2026-06-10"), "shape").reason.code).not.toBe("goal-met");
  });
});

describe("danger", () => {
  const verdict = (
    what: Danger,
    more: Partial<Plant>,
    task: Task,
    on: string,
    seen: Parameters<typeof seenOn>[] = [],
  ) => {
    const plant = plantOf("malus-floribunda", { ...more, dangers: [{ what, on: date("2026-05-10") }] });
    const m = modelOf([plant], { observations: seen.map((s) => seenOn(...s)) });
    return adviseOn(m, plant.id, date(on), task);
  };
  test("a nest stops every cut until the young have flown, and what was noted later counts again", () => {
    expect(verdict("bird-nest", {}, "dead-only", "2026-06-20").opening).toMatchObject({ by: "seen", what: "fledged" });
    const flown = seenOn("malus-floribunda", "2026-06-10", { kind: "nest-empty" });
    const plant = plantOf("malus-floribunda", { dangers: [{ what: "bird-nest", on: date("2026-05-10") }] });
    expect(
      adviseOn(modelOf([plant], { observations: [flown] }), plant.id, date("2026-06-20"), "dead-only").verdict,
    ).toBe("best");
    const again = { ...plant, dangers: [{ what: "bird-nest" as const, on: date("2026-06-15") }] };
    expect(
      adviseOn(modelOf([again], { observations: [flown] }), plant.id, date("2026-06-20"), "dead-only").verdict,
    ).toBe("wait");
  });
  test("before it was seen it stops nothing", () =>
    expect(verdict("hung-limb", {}, "dead-only", "2026-05-09").verdict).not.toBe("ask-a-pro"));
  test("over glass: from the ground yes, from a ladder a professional", () => {
    expect(verdict("over-glass", { heightM: 2, form: "trunk" }, "thin", "2026-06-20").verdict).not.toBe("ask-a-pro");
    expect(verdict("over-glass", { heightM: 4, form: "trunk" }, "thin", "2026-06-20").reason.code).toBe("high-over");
    expect(verdict("broken-limb", { heightM: 4, form: "trunk" }, "thin", "2026-06-20").verdict).not.toBe("ask-a-pro");
  });
  test("what broke comes off first, also by a cut that would top a sound trunk", () => {
    expect(verdict("broken-limb", { form: "trunk" }, "dead-only", "2026-06-20").reason.code).toBe("danger-first");
    expect(
      verdict("broken-limb", { form: "trunk" }, "hard-cutback", "2026-06-20").reasons.map((r) => r.code),
    ).not.toContain("topping");
  });
});

describe("tasks offered first (common practice)", () => {
  test("three to five, what is wanted among them, none wrong for the kind, at any place and season", () => {
    for (const place of [PLACES[0]!, PLACES[4]!]) {
      const m = everyKindAt(
        place,
        CATALOGUE.taxa.filter((_, i) => i % 7 === 0),
      );
      for (const p of m.garden.plants)
        for (const on of ["2026-01-20", "2026-06-20"]) {
          const tasks = offeredTasks(m, p, date(on));
          const taxon = m.taxonOf(p);
          expect([p.id, tasks.length <= 5 && tasks.length >= 2]).toEqual([p.id, true]);
          expect([p.id, tasks.includes(taskForGoal(m, p))]).toEqual([p.id, true]);
          for (const t of tasks)
            if (t !== taskForGoal(m, p))
              expect([p.id, t, misfit(taxon, t), taxon.never[t]]).toEqual([p.id, t, null, undefined]);
        }
    }
  });
  test.each<[string, Task, Task]>([
    ["syringa-vulgaris", "deadhead", "shear"],
    ["rosa-hybrid-tea", "deadhead", "candle"],
    ["buxus-sempervirens", "shear", "thin"],
    ["pinus-mugo", "candle", "shear"],
    ["miscanthus-sinensis", "hard-cutback", "thin"],
  ])("%s: %s, not %s", (id, yes, no) => {
    const m = modelOf([plantOf(id)]);
    const tasks = offeredTasks(m, m.plant(id), date("2026-06-10"));
    expect(tasks).toContain(yes);
    expect(tasks).not.toContain(no);
  });
});

describe("a drawing corrected by its tips", () => {
  const far = fc.double({ min: -3, max: 3, noNaN: true });
  const tip = fc.record({ x: far, y: far, z: fc.double({ min: 0.5, max: 5, noNaN: true }) });
  const bend = fc.constantFrom(0, 0.3, 0.8);
  /** A degree over so many metres, and the ring that stems stand in. */
  const near = (a: Point3, b: Point3): boolean =>
    Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) < 0.03 * Math.hypot(b.x, b.y, b.z) + 0.13;
  test("a stem's tip stands where it was put, and its branches keep their place on it", () =>
    fc.assert(
      fc.property(tip, bend, fc.integer({ min: 0, max: 3 }), (to, b, base) => {
        const old = { ...plainStem("s1", 20, 1.4), base, leanDeg: 20, branches: [plainBranch(0.6, 8, 0.5)] };
        const next = stemToTip(old, to);
        expect(near(alongStem(next, 1, { bend: b }), to)).toBe(true);
        expect(next.branches).toEqual(old.branches);
        expect(StemSchema.safeParse(next).success).toBe(true);
      }),
    ));
  test("a branch's tip too; its stem and the other branches are as they were", () =>
    fc.assert(
      fc.property(tip, bend, (to, b) => {
        const old = { ...plainStem("s1", 30, 2), branches: [plainBranch(0.4, 8, 0.5), plainBranch(0.7, 6, 0.4)] };
        const next = branchToTip(old, 1, to, { bend: b });
        expect(near(branchRun(next, next.branches[1]!, { bend: b })[1], to)).toBe(true);
        expect({ ...next, branches: [] }).toEqual({ ...old, branches: [] });
        expect(next.branches[0]).toEqual(old.branches[0]);
        expect(StemSchema.safeParse(next).success).toBe(true);
      }),
    ));
  test("what is seen from a side is the point it came from", () =>
    fc.assert(
      fc.property(tip, fc.integer({ min: 0, max: 359 }), (p, deg) => {
        const back = pointFrom(seenFrom(p, deg), deg);
        expect(Math.hypot(back.x - p.x, back.y - p.y, back.z - p.z)).toBeLessThan(1e-9);
      }),
    ));
});
