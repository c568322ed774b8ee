/** How a plant is grown: its own size in place of the kind's, dangers until they are over, and the tasks offered first. */
import { describe, expect, test } from "@jest/globals";
import {
  adviseOn,
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
