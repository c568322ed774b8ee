import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  adviseOn,
  CATALOGUE,
  costOfWrongPick,
  date,
  entropy,
  expectedGain,
  keyById,
  KEYS,
  learnFrom,
  LIMITS,
  namedBy,
  nextTrait,
  oddsOf,
  posterior,
  seasonsOnView,
  unnamed,
  UNKNOWN_TAXON,
  VERDICT_TABLE,
  verdictFor,
  watchPlan,
  type Answers,
  type Key,
  type KeySeason,
} from "@wren/core";
import { modelOf, plantOf } from "./support.ts";

const hydrangeas = keyById("hydrangeas")!;

/** What a kind most often shows: an honest look. */
const honest = (key: Key, taxonId: string, traitId: string): string => {
  const t = key.traits.find((x) => x.id === traitId)!;
  return t.answers.map((a) => a.id).reduce((a, b) => (oddsOf(t, taxonId, b) > oddsOf(t, taxonId, a) ? b : a));
};

/** Asks a plant of a kind: the key chooses the questions, the plant answers honestly, at most so many times. */
function ask(key: Key, taxonId: string, shows: readonly KeySeason[], most: number, answer = honest): Answers {
  let answers: Answers = {};
  for (let i = 0; i < most; i++) {
    const t = nextTrait(key, answers, shows);
    if (t === null) break;
    answers = { ...answers, [t.id]: answer(key, taxonId, t.id) };
  }
  return answers;
}

const six = Object.keys(hydrangeas.candidates);
describe("the six garden hydrangeas", () => {
  test.each(six)("%s is named from five honest answers in leaf, or in leaf and flower, over 90 %%", (id) => {
    for (const shows of [["leaf"], ["leaf", "flower"]] as const) {
      const [first] = posterior(hydrangeas, ask(hydrangeas, id, shows, 5));
      expect(first).toMatchObject({ taxonId: id });
      expect(first!.share).toBeGreaterThan(0.9);
    }
  });

  test.each<[string, string, KeySeason]>([
    ["hydrangeas", "2026-03-15", "bare"],
    ["hydrangeas", "2026-07-01", "leaf"],
    ["evergreens", "2026-01-15", "leaf"],
  ])("the key of %s on %s looks at the %s and at flowers", (id, day, first) =>
    expect(seasonsOnView(keyById(id)!, modelOf([]), date(day))).toEqual([first, "flower"]),
  );

  test.each(six)("%s on bare stems in March: over 80 %%, or undecided with the truth among the likely", (id) => {
    const answers = ask(hydrangeas, id, ["bare"], 5);
    const all = posterior(hydrangeas, answers);
    const { identity } = namedBy(hydrangeas, answers, date("2026-03-10"));
    const named = all[0]!.taxonId === id && all[0]!.share > 0.8;
    const undecided = identity !== null && all.some((c) => c.taxonId === id && c.share >= LIMITS.doubt);
    expect(named || undecided).toBe(true);
  });

  // Answers drawn as often as the key says they occur: what it calls settled must be right as often as it claims.
  test("answers as they come: settled and wrong less often than the doubt it allows", () => {
    let seed = 12345;
    const random = (): number => (seed = (seed * 1103515245 + 12345) % 2 ** 31) / 2 ** 31;
    const drawn = (key: Key, taxonId: string, traitId: string): string => {
      const t = key.traits.find((x) => x.id === traitId)!;
      let left = random();
      return (t.answers.find((a) => (left -= oddsOf(t, taxonId, a.id)) < 0) ?? t.answers[0]!).id;
    };
    let [settled, wrong] = [0, 0];
    for (let i = 0; i < 240; i++)
      for (const shows of [["leaf", "flower"], ["bare"]] as const) {
        const id = six[i % six.length]!;
        const { taxonId, identity } = namedBy(hydrangeas, ask(hydrangeas, id, shows, 5, drawn), date("2026-03-10"));
        if (identity === null) settled++;
        if (identity === null && taxonId !== id) wrong++;
      }
    expect(settled).toBeGreaterThan(120);
    expect(wrong / settled).toBeLessThan(LIMITS.doubt * 2);
  });
});

describe("every key", () => {
  test.each(KEYS.map((k) => [k.id, k] as const))("%s: kinds that exist, and each is its own best answer", (id, key) => {
    for (const taxonId of Object.keys(key.candidates)) {
      expect(CATALOGUE.byId(taxonId)).not.toBeNull();
      const [first] = posterior(key, ask(key, taxonId, ["leaf", "flower", "bare"], 6));
      if (id !== "unknown-shrub") expect(first!.taxonId).toBe(taxonId);
    }
  });

  test("the next question is the one a brute force over all answers chooses", () => {
    const brute = (key: Key, answers: Answers): string | null => {
      const now = posterior(key, answers);
      const h = (a: Answers): number => entropy(posterior(key, a).map((c) => c.share));
      const gains = key.traits
        .filter((t) => answers[t.id] === undefined)
        .map((t) => {
          // Each kind in turn is the truth, each of its answers in turn is given.
          const after = now.flatMap((c) =>
            t.answers.map((a) => c.share * oddsOf(t, c.taxonId, a.id) * h({ ...answers, [t.id]: a.id })),
          );
          return { id: t.id, gain: h(answers) - after.reduce((x, y) => x + y, 0) };
        });
      const best = gains.reduce((a, b) => (b.gain > a.gain ? b : a), { id: "", gain: 0.02 });
      return best.id === "" ? null : best.id;
    };
    for (const key of KEYS)
      for (const taxonId of Object.keys(key.candidates))
        for (const asked of [0, 1, 2, 3]) {
          const answers = ask(key, taxonId, ["leaf", "flower", "bare"], asked);
          expect(nextTrait(key, answers, ["leaf", "flower", "bare"])?.id ?? null).toBe(brute(key, answers));
        }
  });

  test("a posterior sums to one, whatever is answered; what is unknown changes nothing; no question is expected to harm", () => {
    fc.assert(
      fc.property(fc.constantFrom(...KEYS), fc.array(fc.nat(6), { minLength: 12, maxLength: 12 }), (key, picks) => {
        const answers: Record<string, string> = {};
        key.traits.forEach((t, i) => {
          const a = t.answers[picks[i]!];
          if (picks[i]! < 5 && a) answers[t.id] = a.id;
        });
        const all = posterior(key, answers);
        expect(all.reduce((n, c) => n + c.share, 0)).toBeCloseTo(1, 9);
        const free = key.traits.find((t) => answers[t.id] === undefined);
        if (!free) return;
        expect(posterior(key, { ...answers, [free.id]: "unknown" })).toEqual(all);
        expect(expectedGain(key, answers, free)).toBeGreaterThan(-1e-9);
      }),
      { numRuns: 80 },
    );
  });
});

describe("an unknown flowering shrub", () => {
  const on = date("2026-03-10");
  const shrub = (answers: Answers) =>
    plantOf(UNKNOWN_TAXON, { id: "x", ...namedBy(keyById("unknown-shrub")!, answers, on) });
  const verdictOf = (answers: Answers, day: string, task: "shape" | "hard-cutback") =>
    verdictFor(modelOf([shrub(answers)]), "x", date(day), task);

  test("flowering late is no licence: it is not sent to a late-winter cut", () => {
    const late = { when: "after" };
    expect(shrub(late).identity).not.toBeNull();
    for (const task of ["shape", "hard-cutback"] as const)
      for (const day of ["2026-02-20", "2026-03-10", "2026-04-05"])
        expect(VERDICT_TABLE[verdictOf(late, day, task)].go).toBe(false);
  });

  test("flowers at the ends of new shoots settle it; then late winter is open", () => {
    const seen = { place: "new-shoot-ends" };
    expect(shrub(seen)).toMatchObject({ taxonId: "unknown-new-wood", identity: null });
    expect(VERDICT_TABLE[verdictOf(seen, "2026-04-20", "shape")].go).toBe(true);
  });

  test("one press at the plant does the same; a date, growth or nothing learnt changes nothing", () => {
    const plant = plantOf(UNKNOWN_TAXON, { ...unnamed(on) });
    const ends = { kind: "first-flower", where: "new-shoot-ends", on } as const;
    expect(learnFrom(plant, ends)).toMatchObject({ taxonId: "unknown-new-wood", identity: null });
    const side = learnFrom(plant, { ...ends, where: "side-shoots" });
    expect(side.identity?.candidates.find((c) => c.taxonId === "unknown-new-wood")!.share).toBeLessThan(LIMITS.doubt);
    expect(learnFrom(plant, { ...ends, where: null })).toBe(plant);
    expect(learnFrom(plant, { ...ends, kind: "growth-seen", where: "base" })).toBe(plant);
    expect(learnFrom(plantOf("syringa-vulgaris"), ends)).toMatchObject({ taxonId: "syringa-vulgaris", identity: null });
    // Candidates of another key among them: the shrub's key has no odds for those.
    const mixed = {
      ...plant.identity!,
      candidates: [plant.identity!.candidates[0]!, { taxonId: "hydrangea-paniculata", share: 0.5 }],
    };
    const other = { ...plant, identity: mixed };
    expect(learnFrom(other, ends)).toBe(other);
  });

  test("what to watch for, in order, none of it over", () => {
    const plan = watchPlan(modelOf([shrub({})]), on);
    expect(plan.map((w) => w.what)).toEqual(["growth", "first-flower", "last-flower", "winter-buds"]);
    for (const w of plan) expect([w.until >= on, w.from < w.until]).toEqual([true, true]);
  });
});

describe("advice for a plant that is not settled", () => {
  const candidates = [
    { taxonId: "hydrangea-paniculata", share: 0.7 },
    { taxonId: "hydrangea-macrophylla", share: 0.27 },
    { taxonId: "hydrangea-serrata", share: 0.03 },
  ];
  const unsure = plantOf("hydrangea-paniculata", {
    id: "unsure",
    identity: { by: "key", on: date("2026-03-01"), candidates },
  });
  const model = modelOf([unsure, plantOf("hydrangea-paniculata"), plantOf("hydrangea-macrophylla")]);

  test("is never bolder than for any likely kind, and says so; an unlikely kind does not count", () => {
    for (const task of ["shape", "hard-cutback", "deadhead"] as const)
      for (const day of ["2026-01-20", "2026-03-20", "2026-05-20", "2026-07-20", "2026-10-20"]) {
        const [a, p, m] = ["unsure", "hydrangea-paniculata", "hydrangea-macrophylla"].map((id) =>
          adviseOn(model, id, date(day), task),
        );
        const order = Object.keys(VERDICT_TABLE);
        const rank = (v: string): number => order.indexOf(v);
        expect(rank(a!.verdict)).toBe(Math.min(rank(p!.verdict), rank(m!.verdict)));
        expect(a!.likely).toEqual(["hydrangea-paniculata", "hydrangea-macrophylla"]);
        expect(a!.reasons.some((r) => r.code === "not-certain")).toBe(true);
        if (a!.window?.opens && !a!.window.costs) {
          const opens = a!.window.opens;
          for (const id of ["hydrangea-paniculata", "hydrangea-macrophylla"])
            expect(VERDICT_TABLE[verdictFor(model, id, opens, task)].go).toBe(true);
        }
      }
  });

  test("what a wrong pick costs: a panicle's late-winter cut on a bigleaf takes its flowers", () => {
    const [worst] = costOfWrongPick(model, candidates);
    expect([worst!.taken.id, worst!.really.id]).toEqual(["hydrangea-paniculata", "hydrangea-macrophylla"]);
    expect(worst!.loss).toBeGreaterThan(0.3);
  });
});
