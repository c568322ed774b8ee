/**
 * The causes of wrong verdicts, one by one, each with answers that were wrong before. A line is written like those of
 * reference/data/cases.txt: place | kind | day | task | circumstances | accepted verdicts | reason that must be said.
 * Common practice, from memory, where no other source is named.
 */
import { describe, expect, test } from "@jest/globals";
import {
  adviseOn,
  aftercareFor,
  bladeLine,
  BLADE_LINES,
  CARE_CODES,
  careText,
  CATALOGUE,
  cautionsFor,
  CAUTION_TEXTS,
  cutLineText,
  cutList,
  date,
  daysBetween,
  followUpsOf,
  notesFor,
  PASS_ROWS,
  passOrder,
  reasonText,
  SCHOOLS,
  taskForGoal,
  TASKS,
  voiceOf,
  type Plant,
  type StemCut,
  type Task,
  wish,
  plainStem,
  buildOf,
} from "@wren/core";
import { answerOf, caseOf, isAccepted } from "./reference/cases.ts";
import { healthOf, modelOf, PLACES, plantOf, visitOf } from "./support.ts";

const say = voiceOf("metric");
const taxon = (id: string) => CATALOGUE.byId(id)!;
/** Every sentence of an answer. */
const told = (line: string): string =>
  answerOf(caseOf(line))
    .reasons.map((r) => reasonText(r, say))
    .join(" ");

test.each<[cause: string, line: string]>([
  // 1. Danger comes first, whatever the task is called.
  ["danger: a thick dead stem", "Columbus | syringa-vulgaris | 2026-06-15 | dead-only | stem=130 | P | thick-stem"],
  [
    "danger: dead wood out of reach",
    "Columbus | malus-floribunda | 2026-06-15 | dead-only | form=trunk, h=8 | P | out-of-reach",
  ],
  [
    "danger: a wire among what it touches",
    "Columbus | syringa-vulgaris | 2026-06-15 | dead-only | touches=wire:0.5 | P | power-line",
  ],
  [
    "danger: glass among what it touches",
    "Columbus | malus-floribunda | 2026-06-15 | thin | form=trunk, h=4, touches=window:0.5 | P | high-over",
  ],
  // 2. Dead wood is not to be told while a plant sleeps.
  ["dead wood: asleep through winter", "Atlanta | lagerstroemia-indica | 2026-02-10 | dead-only | | W | dead-not-told"],
  [
    "dead wood: asleep through drought",
    "Los Angeles | salvia-clevelandii | 2026-08-10 | dead-only | | W | dead-not-told",
  ],
  [
    "dead wood: the last look outranks the condition",
    "Columbus | buddleja-davidii | 2026-05-25 | dead-only | cond=dieback@2026-04-20, growth=base@2026-05-15 | BF | dead-tops-off",
  ],
  ["dead wood: scratched brown may go", "Columbus | syringa-vulgaris | 2026-01-20 | dead-only | scratch=brown | BF | "],
  [
    "dead wood: nothing after a freeze",
    "Columbus | forsythia-intermedia | 2026-04-20 | dead-only | cond=frosted@2026-04-15 | W | frosted",
  ],
  // 3. The form.
  ["form: shears top a bare crown", "Edinburgh | acer-palmatum | 2026-05-11 | shear | form=trunk | N | topping"],
  ["form: a trunk is not topped", "Columbus | malus-floribunda | 2026-03-10 | hard-cutback | form=trunk | N | topping"],
  [
    "form: a broken leader is no topping",
    "Columbus | malus-floribunda | 2026-03-10 | reduce-for-wind | form=trunk, hazard=broken-limb | WLCFBPO | danger-first",
  ],
  [
    "form: a grafted head is not felled",
    "Columbus | syringa-meyeri | 2026-03-10 | hard-cutback | form=standard | N | head-not-felled",
  ],
  [
    "form: suckers below a graft on any day",
    "Columbus | syringa-meyeri | 2026-11-10 | thin-suckers | form=standard | B | below-graft",
  ],
  // 4. Rules on the right task.
  [
    "task: renovating an outline waits for no flush",
    "London | ligustrum-ovalifolium | 2026-03-01 | renovate | wish=renew | BF | ",
  ],
  [
    "task: large leaves sheared are a price",
    "London | prunus-laurocerasus | 2026-07-20 | shear | | FBC | large-leaved",
  ],
  ["task: and hide no heat", "London | prunus-laurocerasus | 2026-07-20 | shear | heat=35 | W | heat"],
  ["task: single cuts on a juniper in early spring", "London | juniperus-chinensis | 2026-03-25 | shape | | BF | "],
  [
    "task: a skirt goes by steps",
    "Columbus | magnolia-soulangeana | 2026-06-15 | lift | visit=lift:0.1@2026-03-10 | W | lifted-lately",
  ],
  ["task: summer whips of a spurred climber", "London | wisteria-sinensis | 2026-07-25 | shape | | BF | buds-on-spurs"],
  [
    "rules: growth seen in January answers no hard cut",
    "Paris | lotus-hirsutus | 2026-01-08 | hard-cutback | growth=base@2026-01-05 | W | stands-open",
  ],
  [
    "rules: what a night of it takes whole waits without a gap",
    "Tampa | ixora-coccinea | 2026-01-08 | hard-cutback | | W | spring-frost",
  ],
  // 5. The wish reaches the verdict.
  [
    "wish: renewal gives up flowers knowingly",
    "Columbus | syringa-vulgaris | 2026-02-20 | renovate | wish=renew | BF | loss-accepted",
  ],
  [
    "wish: no suckers asks for suckers",
    "Columbus | syringa-vulgaris | 2026-06-15 | thin-suckers | wish=no-suckers | BF | ",
  ],
  // 6. Words.
  ["words: wait for this coming winter", "Columbus | acer-palmatum | 2026-11-01 | hard-cutback | | WN | "],
  ["words: past names the next window", "Columbus | syringa-vulgaris | 2026-08-20 | shape | | CL | "],
  // 7. Kinds.
  [
    "kinds: a rose that flushes only waits for the next",
    "Columbus | rosa-hybrid-tea | 2026-07-01 | deadhead | | B | spent-flowers",
  ],
  ["kinds: silver leaf named", "London | prunus-laurocerasus | 2026-01-15 | shape | | WLC | silver-leaf"],
])("%s", (_, line) => {
  const c = caseOf(`${line} | k`);
  const a = answerOf(c);
  const said = a.reasons.map((r) => r.code).join(" ");
  expect([isAccepted(c, a), a.verdict, said]).toEqual([true, a.verdict, said]);
});

describe("4. a school that is chosen changes an answer", () => {
  /** What may differ: the task that is wanted, caps, windows and verdicts through the year, for wishes and plants a school is about. */
  function answers(id: string, school: string, option: string): string {
    const plants: Plant[] = (["routine", "renew", "keep-heads"] as const).flatMap((kind) => [
      plantOf(id, { id: `${id}-${kind}`, goal: wish(kind) }),
      plantOf(id, { id: `${id}-${kind}-young`, goal: wish(kind), plantedOn: date("2025-09-15") }),
    ]);
    const trimmed = plants.map((p) => visitOf(p.id, "2026-07-05", 0.1, { task: "shear" }));
    return [PLACES[0]!, PLACES[2]!, PLACES[4]!]
      .map((place) => {
        const m = modelOf(
          plants.map((p) => ({ ...p, schools: { [school]: option } })),
          { place, visits: trimmed },
        );
        return m.garden.plants
          .flatMap((p) =>
            (["hard-cutback", "renovate", "reduce-for-wind", "shear"] as const).flatMap((task) =>
              ["2026-02-10", "2026-04-05", "2026-07-30", "2026-09-01", "2026-11-15"].map((on) => {
                const a = adviseOn(m, p.id, date(on), task);
                return [
                  taskForGoal(m, p),
                  a.cap,
                  a.verdict,
                  a.reason.code,
                  a.frostRisk,
                  ...a.bloomLoss.map((b) => b.loss),
                ];
              }),
            ),
          )
          .join(";");
      })
      .join("/");
  }
  const pairs = SCHOOLS.flatMap((s) =>
    s.options.flatMap((a, i) => s.options.slice(i + 1).map((b) => [s.id, a.id, b.id] as const)),
  );
  test.each(pairs)("%s: %s, %s", (school, a, b) => {
    const kinds = CATALOGUE.taxa.filter((t) => t.schools.includes(school));
    const some = kinds.filter((_, i) => i % Math.ceil(kinds.length / 4) === 0);
    expect(some.some((t) => answers(t.id, school, a) !== answers(t.id, school, b))).toBe(true);
  });
});

describe("6. leave be, and what a missed window still offers", () => {
  const looked = healthOf("2026-05-20");
  const answer = (more: Partial<Plant>) =>
    adviseOn(modelOf([plantOf("magnolia-soulangeana", more)]), "magnolia-soulangeana", date("2026-06-20"), "shape");
  test("a well-formed plant that was looked at needs nothing, and it says what was looked at", () => {
    const a = answer({ health: looked });
    expect([a.verdict, a.reason.code]).toEqual(["no-need", "well-formed"]);
    expect(reasonText(a.reason, say)).toMatch(/20 May 2026.*leafy to the foot.*clear of what stands near/);
  });
  test.each<[string, Partial<Plant>]>([
    ["nobody looked", { health: null }],
    ["sick", { health: { ...looked, disease: true } }],
    ["bare at the foot", { health: { ...looked, sparseFoot: true } }],
    ["in the way", { health: looked, touches: [{ what: "path", distanceM: 0.3 }] }],
    ["looked at long ago", { health: { ...looked, on: date("2025-05-20") } }],
    ["wanted otherwise", { health: looked, goal: wish("open") }],
  ])("not when %s", (_, more) => expect(answer(more).reason.code).not.toBe("well-formed"));
  test("what is dead, then what is spent, then whole stems come first of what a missed window leaves", () => {
    const m = modelOf([plantOf("syringa-vulgaris")]);
    const left = adviseOn(m, "syringa-vulgaris", date("2026-08-20"), "shape").todayInstead.map((x) => x.task);
    expect(left[0]).toBe("dead-only");
    expect(left).not.toContain("shear");
    const known = ["dead-only", "deadhead", "thin-suckers", "lift", "thin"];
    const order = left.filter((t) => known.includes(t)).map((t) => known.indexOf(t));
    expect(order).toEqual(order.toSorted((a, b) => a - b));
  });
});

describe("8. what was said wrong", () => {
  test("past its prime is not drought", () => {
    const text = told(
      "Columbus | syringa-vulgaris | 2026-06-10 | hard-cutback | cond=past-maturity@2026-05-01 | WLC | ",
    );
    expect(text).toMatch(/Past its prime/);
    expect(text).not.toMatch(/drought/i);
  });
  test("growth that has begun is not to come, and a loss is not nothing", () => {
    for (const on of ["2025-11-20", "2026-03-10", "2026-04-10", "2026-04-20"]) {
      const c = caseOf(`Columbus | hydrangea-paniculata | ${on} | shape | | BFCW | | k`);
      const a = answerOf(c);
      const text = a.reasons.map((r) => reasonText(r, say)).join(" ");
      if (text.includes("lose nothing"))
        expect([on, Math.max(0, ...a.bloomLoss.map((b) => b.loss)) <= 0.02]).toEqual([on, true]);
      expect(text).not.toMatch(/has not started/);
    }
  });
  test("no third under a cutback, and no kind's own sentence where the task differs", () => {
    for (const t of CATALOGUE.taxa) {
      const passes = passOrder(t, "hard-cutback").map((p) => PASS_ROWS[p].why);
      expect([
        t.id,
        `${passes.join(" ")} ${bladeLine(t, "hard-cutback")}`.includes("third") && t.routineTask !== "hard-cutback",
      ]).toEqual([t.id, false]);
      for (const task of TASKS)
        if (task !== t.routineTask)
          expect(Object.values(BLADE_LINES).flatMap((x) => (typeof x === "string" ? [x] : Object.values(x)))).toContain(
            bladeLine(t, task),
          );
    }
  });
  test("shelter is left until a day, not until spring", () => {
    const text = told("Columbus | hydrangea-macrophylla | 2026-04-02 | deadhead | | WF | ");
    expect(text).not.toMatch(/until spring/);
  });
  test("conifers are told of green shoots, not of buds that look out", () => {
    const stem = { ...plainStem("s", 20, 1.2), leanDeg: 20 };
    const cuts: StemCut[] = [{ cut: "head", stemId: "s", keptM: 0.8 }];
    const line = (id: string): string =>
      cutLineText(cutList([stem], cuts, taxon(id), "shape", plantOf(id), buildOf(taxon(id)))[0]!, say);
    expect(line("juniperus-chinensis")).toMatch(/green side shoot/);
    expect(line("syringa-vulgaris")).toMatch(/a bud/);
  });
  test("leaves of the autumn in which disease was seen are picked up, and evergreens raked under", () => {
    const next = (id: string, on: string, asOf: string) => {
      const m = modelOf([plantOf(id)], { visits: [visitOf(id, on, 0.05, { hazardShare: 0.05 })] });
      return followUpsOf(m, m.plant(id), date(asOf)).map((f) => [f.chain, daysBetween(date(on), f.until) < 90]);
    };
    expect(next("rosa-hybrid-tea", "2026-11-05", "2026-11-06")).toContainEqual(["fallen-leaves", true]);
    expect(next("buxus-sempervirens", "2026-06-05", "2026-06-06")).toContainEqual(["evergreen-debris", true]);
  });
});

describe("9. craft and aftercare", () => {
  const cautions = (id: string, task: Task, more: Partial<Plant> = {}) =>
    cautionsFor(plantOf(id, more), taxon(id), task, 1)
      .map((c) => CAUTION_TEXTS[c])
      .join(" ");
  const sick = healthOf("2026-05-01", { disease: true });
  test("disinfecting: fresh, never mixed; a laboratory for what cannot be named; both hands on a trimmer", () => {
    expect(cautions("buxus-sempervirens", "shear", { health: sick })).toMatch(/made fresh.*Never mix.*laboratory/s);
    expect(cautions("buxus-sempervirens", "shear")).toMatch(/both hands/);
    expect(cautions("buxus-sempervirens", "shape")).not.toMatch(/both hands|laboratory/);
  });
  test.each<[string, Task, string[]]>([
    ["syringa-vulgaris", "renovate", ["own-root", "rough-first", "no-paint"]],
    ["spiraea-japonica", "hard-cutback", ["no-paint"]],
    ["syringa-vulgaris", "deadhead", []],
    ["taxus-media", "shear", ["new-hedging"]],
    ["miscanthus-sinensis", "hard-cutback", []],
  ])("%s, %s: %j", (id, task, codes) => expect(notesFor(plantOf(id), taxon(id), task)).toEqual(codes));
  test("on a grafted standard the graft is known", () =>
    expect(
      notesFor(plantOf("syringa-vulgaris", { form: "standard" }), taxon("syringa-vulgaris"), "hard-cutback"),
    ).not.toContain("own-root"));
  test("aftercare has its days: watered while it grows, mulched when the ground is warm, fed as growth starts and not late", () => {
    const m = modelOf([plantOf("spiraea-japonica"), plantOf("lavandula-angustifolia"), plantOf("miscanthus-sinensis")]);
    const of = (id: string, task: Task, on: string) => aftercareFor(m, m.plant(id), task, date(on));
    const care = of("spiraea-japonica", "hard-cutback", "2026-03-15");
    const codes = care.map((c) => c.code);
    expect(codes).toEqual(expect.arrayContaining(["water", "mulch", "feed", "rubbish-spreads"]));
    const by = (code: string) => care.find((c) => c.code === code)!;
    expect(by("mulch").from! > by("water").from!).toBe(true);
    expect(by("feed").until! < by("water").until!).toBe(true);
    // A cut in the middle of the season: what is due from then on, not next year's.
    expect(of("spiraea-japonica", "shape", "2026-06-20").find((c) => c.code === "water")!.from).toBe("2026-06-20");
    expect(of("lavandula-angustifolia", "shape", "2026-08-10").map((c) => c.code)).toContain("no-feed");
    expect(of("miscanthus-sinensis", "hard-cutback", "2026-03-15").map((c) => c.code)).toEqual(["rubbish-spreads"]);
  });
  test("every matter is said in full, over kinds, tasks and the two hemispheres", () => {
    const seen = new Set<string>();
    for (const place of [PLACES[2]!, PLACES[6]!]) {
      const m = modelOf(
        CATALOGUE.taxa
          .filter((_, i) => i % 5 === 0)
          .map((t) =>
            plantOf(t.id, {
              health: t.id.length % 2 === 0 ? sick : null,
              support: t.habit === "climber" ? "sound" : null,
            }),
          ),
        { place },
      );
      for (const p of m.garden.plants)
        for (const task of TASKS)
          for (const c of aftercareFor(m, p, task, date("2026-05-15"))) {
            seen.add(c.code);
            expect(careText(c, say)).not.toMatch(/undefined|NaN| {2}|about ;|until ;/);
            if (c.from && c.until) expect([p.id, c.code, c.from < c.until]).toEqual([p.id, c.code, true]);
          }
    }
    expect([...CARE_CODES].filter((c) => !seen.has(c))).toEqual([]);
  });
  test("foot first only where bare wood answers", () => {
    const health = { ...sick, disease: false, sparseFoot: true };
    const codes = (id: string) => {
      const m = modelOf([plantOf(id, { health, goal: wish("fuller") })]);
      return adviseOn(m, id, date("2026-06-20"), "shape").reasons.map((r) => r.code);
    };
    expect(codes("syringa-vulgaris")).toContain("foot-first");
    expect(codes("juniperus-chinensis")).not.toContain("foot-first");
  });
});
