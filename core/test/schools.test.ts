/** Where practitioners differ: each option must change what it says it changes, and nothing else. */
import { describe, expect, test } from "@jest/globals";
import {
  adviseOn,
  CATALOGUE,
  date,
  UNSAID_RULES,
  SCHOOLS,
  SOURCES,
  zoneMinimumC,
  schoolOption,
  ZONES,
  type Rules,
} from "@wren/core";
import { modelOf, PLACES, plantOf } from "./support.ts";

const withSchool = (school: string, option: string): Rules => ({
  ...UNSAID_RULES,
  schools: { [school]: option },
});
const bush = plantOf("buddleja-davidii");
const coast = PLACES.find((p) => p.name === "coast")!;
const mild = PLACES.find((p) => p.name === "mild")!;

test("every option says what it suits, what it costs and where it comes from, and every question has a default", () => {
  for (const s of SCHOOLS) {
    expect(s.options.length).toBeGreaterThanOrEqual(2);
    for (const o of s.options) {
      expect(o.suits.length).toBeGreaterThan(10);
      expect(o.cost.length).toBeGreaterThan(10);
      expect(SOURCES[o.source]).toBeDefined();
    }
    for (const z of ZONES) expect(s.options).toContain(schoolOption(s.id, {}, zoneMinimumC(z)));
  }
});

test("a school that was removed, or a slip in a file, falls back to the place's default", () => {
  expect(schoolOption("how-much", { "how-much": "two-thirds" }, -18).id).toBe("quarter");
  expect(() => schoolOption("when-to-sing", {}, -18)).toThrow(/unknown school/);
});

describe("how much: the nick moves, windows and flowers do not", () => {
  const on = date("2026-06-12");
  const answer = (option: string) =>
    adviseOn(
      modelOf([plantOf("syringa-vulgaris")], { rules: withSchool("how-much", option) }),
      "syringa-vulgaris",
      on,
      "shape",
    );
  test.each([
    ["quarter", 0.25],
    ["third", 1 / 3],
    ["half", 0.5],
  ])("%s: %d", (option, cap) => expect(answer(option).cap).toBeCloseTo(cap));
  test("the rest stays", () => {
    expect(answer("half").window).toEqual(answer("quarter").window);
    expect(answer("half").bloomLoss).toEqual(answer("quarter").bloomLoss);
  });
});

describe("butterfly bush", () => {
  const verdict = (option: string, on: string, place = PLACES[2]!) =>
    adviseOn(
      modelOf([bush], { rules: withSchool("butterfly-bush", option), place }),
      bush.id,
      date(on),
      "hard-cutback",
    );

  test.each(["growth-shows", "half-autumn", "birds"])(
    "%s waits for growth in spring, on a mild coast too",
    (option) => {
      expect(verdict(option, "2026-01-15", coast).reasons.map((r) => r.code)).toContain("growth-shows");
    },
  );

  test("stubs in autumn wait for nothing but the cold: refused in a cold place, open in a mild one", () => {
    expect(verdict("autumn-stubs", "2026-11-15").verdict).toBe("wait");
    const open = verdict("autumn-stubs", "2026-01-31", mild);
    expect(open.reasons.map((r) => r.code)).not.toContain("growth-shows");
    expect(["best", "fine"]).toContain(open.verdict);
  });

  test("growing on turns the routine into a shaping cut", () => {
    const model = modelOf([bush], { rules: withSchool("butterfly-bush", "grow-on") });
    expect(adviseOn(model, bush.id, date("2026-05-10")).task).toBe("shape");
    expect(adviseOn(modelOf([bush]), bush.id, date("2026-05-10")).task).toBe("hard-cutback");
  });

  test("only its own kind listens to it", () => {
    expect(CATALOGUE.taxa.filter((t) => t.schools.includes("butterfly-bush")).map((t) => t.id)).toEqual([
      "buddleja-davidii",
    ]);
  });
});
