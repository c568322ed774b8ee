/** What is seen outranks what is forecast: every expectation here is common practice, written before the engine ran. */
import { describe, expect, test } from "@jest/globals";
import {
  addDays,
  adviseOn,
  CATALOGUE,
  credible,
  date,
  daysBetween,
  kindYearFor,
  meaningsOf,
  plantYear,
  seasonDate,
  seasonPoint,
  seenYear,
  stagesOf,
  UNSAID_PLACE,
  VERDICT_TABLE,
  verdictFor,
  type Garden,
  type Observation,
  type PlainDate,
  type PlantYear,
  type Task,
} from "@wren/core";
import fc from "fast-check";
import { modelOf, PLACE, PLACES, plantOf, seenOn, visitOf } from "./support.ts";

const LILAC = "syringa-vulgaris";
const BUSH = "buddleja-davidii";
const kind = (id: string) => CATALOGUE.byId(id)!;
const usual = (id: string): PlantYear => plantYear(kind(id), modelOf([plantOf(id)]).climate);
const dayOf = (seasonDay: number, more = 0, year = 2026): PlainDate =>
  seasonDate(year, Math.round(seasonDay + more), "north");
const said = (id: string, on: PlainDate, what: Observation["kind"], more: Partial<Observation> = {}): Observation =>
  seenOn(id, on, { id: `${what}-${on}`, kind: what, ...more });
const answer = (
  id: string,
  on: PlainDate,
  task: Task,
  observations: readonly Observation[],
  more: Partial<Garden> = {},
) => adviseOn(modelOf([plantOf(id)], { ...more, observations: [...observations] }), id, on, task);
const lossOn = (id: string, on: PlainDate, seen: readonly Observation[], display: string): number[] =>
  answer(id, on, "shape", seen)
    .bloomLoss.filter((b) => b.display === display)
    .map((b) => Math.round(b.loss * 100));

describe("flowers", () => {
  const { opens, ends } = usual(LILAC).displays[0]!;

  test("a lilac in flower seven weeks early is in flower: a cut that day costs what is open", () => {
    const on = dayOf(opens.day, -50);
    expect(answer(LILAC, on, "shape", []).reasons[0]!.code).toBe("costs-display");
    const a = answer(LILAC, on, "shape", [said(LILAC, on, "in-flower")]);
    expect(a.reasons.map((r) => r.code)).toContain("costs-open-display");
  });

  test("bloom that is over, however early, costs nothing more from that day on", () => {
    for (const early of [3, 15, 40]) {
      const on = dayOf(ends.day, -early);
      const a = answer(LILAC, on, "shape", [said(LILAC, on, "last-flower")]);
      expect(VERDICT_TABLE[a.verdict].go).toBe(true);
      expect(a.bloomLoss.every((b) => b.loss < 0.02)).toBe(true);
      // Without the entry the same cut costs the display.
      expect(answer(LILAC, on, "shape", []).verdict).toBe("costs-flowers");
    }
  });

  test("in flower long past its forecast: it is not over until it is seen over", () => {
    const on = dayOf(ends.day, 12);
    expect(verdictFor(modelOf([plantOf(LILAC)]), LILAC, on, "shape")).toBe("best");
    expect(answer(LILAC, on, "shape", [said(LILAC, on, "in-flower")]).verdict).toBe("costs-flowers");
    const over = [said(LILAC, on, "in-flower"), said(LILAC, addDays(on, 6), "last-flower")];
    expect(VERDICT_TABLE[answer(LILAC, addDays(on, 6), "shape", over).verdict].go).toBe(true);
  });

  test("buds that frost killed are not priced; on new wood nothing changes, and the year after is whole again", () => {
    const frost = dayOf(opens.day, -25);
    const cut = dayOf(opens.day, -20);
    const dead = [said(LILAC, frost, "buds-killed")];
    expect(lossOn(LILAC, cut, [], "spring flowers")[0]).toBeGreaterThan(20);
    expect(lossOn(LILAC, cut, dead, "spring flowers")).toEqual([0]);
    expect(answer(LILAC, cut, "shape", dead).verdict).not.toBe("costs-flowers");
    const nextYear = addDays(cut, 365);
    expect(lossOn(LILAC, nextYear, dead, "spring flowers")).toEqual(lossOn(LILAC, nextYear, [], "spring flowers"));
    const panicle = "hydrangea-paniculata";
    const june = date("2026-06-10");
    expect(lossOn(panicle, june, [said(panicle, date("2026-04-01"), "buds-killed")], "summer flowers")).toEqual(
      lossOn(panicle, june, [], "summer flowers"),
    );
    // Buds killed in December are those of the spring to come.
    const december = [said(LILAC, date("2025-12-20"), "buds-killed")];
    expect(lossOn(LILAC, cut, december, "spring flowers")).toEqual([0]);
    expect(lossOn(LILAC, date("2025-12-28"), december, "spring flowers")).toEqual([0]);
  });

  test("flowers that were forecast not to open, and do, are there", () => {
    const cold = {
      place: { ...PLACE, zone: "7a", latitudeDeg: 64, warmestC: 12, lastFrost: null, firstFrost: null } as const,
    };
    const year = (seen: readonly Observation[], id: string): PlantYear => {
      const m = modelOf([plantOf(id)], { ...cold, observations: [...seen] });
      return kindYearFor(m, m.plant(id), date("2026-09-20"), "shape").year;
    };
    const late = kind("hydrangea-paniculata");
    const name = year([], late.id).tooCoolFor.find((n) => n.includes("flowers"))!;
    const seen = year([said(late.id, date("2026-09-18"), "in-flower")], late.id);
    expect(seen.tooCoolFor).not.toContain(name);
    const { opens, ends } = seen.displays.find((d) => d.display.name === name)!;
    const day = seasonPoint(date("2026-09-18"), "north").seasonDay;
    expect(opens.day).toBe(day);
    // Nobody knows how long: a month, from a day to two.
    expect([ends.earliest - day, ends.day - day, ends.latest - day]).toEqual([1, 30, 60]);
  });
});

describe("growth, hardening, rest", () => {
  const rose = "rosa-repeat-shrub";
  const soft = CATALOGUE.byId(rose)
    ? rose
    : CATALOGUE.taxa.find((t) => t.frost.wakesWhenCut && t.floweringWood === "new")!.id;

  test("growth that was recorded is out: no sentence says it has not started, its frost is that of growth already there", () => {
    const y = usual(soft);
    const on = dayOf(y.wakes.day, -12);
    const codes = (seen: readonly Observation[]): readonly string[] =>
      answer(soft, addDays(on, 2), "shape", seen).reasons.map((r) => r.code);
    const seen = [said(soft, on, "first-leaf")];
    expect(codes(seen)).not.toContain("before-growth");
    expect(codes(seen)).not.toContain("spring-frost");
    const m = modelOf([plantOf(soft)], { observations: seen });
    const k = kindYearFor(m, m.plant(soft), addDays(on, 2), "shape");
    const day = seasonPoint(addDays(on, 2), "north").seasonDay;
    // By hand: a killing frost between today and the day on which the flush that is out is hard.
    const byHand = m.climate.frost(kind(soft).frost.growthKillC).between(day, k.year.hardens.day);
    expect(adviseOn(m, soft, addDays(on, 2), "shape").frostRisk).toBeCloseTo(byHand, 6);
    // The cut is to blame only for frosts after that.
    expect(k.prices.growthFrost[day]).toBeLessThan(0.01);
    // Where frost will more likely than not take it, a hard cut still waits.
    const january = [said(soft, date("2026-02-10"), "first-leaf")];
    const early = answer(soft, date("2026-02-12"), "hard-cutback", january);
    expect([early.verdict, early.frostRisk! > 0.5]).toEqual(["wait", true]);
  });

  test("candles that are out may be shortened, flushes that are hard may be cut, weeks before either was forecast", () => {
    const pine = CATALOGUE.taxa.find((t) => t.headOnlyWhileSoft)!.id;
    const early = dayOf(usual(pine).wakes.day, -8);
    expect(answer(pine, early, "candle", []).verdict).toBe("wait");
    expect(VERDICT_TABLE[answer(pine, early, "candle", [said(pine, early, "candles-out")]).verdict].go).toBe(true);
    const yew = "taxus-media";
    const hard = dayOf(usual(yew).hardens.day, -20);
    expect(answer(yew, hard, "shear", []).reasons[0]!.code).toBe("before-flush");
    expect(VERDICT_TABLE[answer(yew, hard, "shear", [said(yew, hard, "flush-hardened")]).verdict].go).toBe(true);
  });

  test("of two entries of one stage the later holds, and other stages keep theirs", () => {
    const base = usual(LILAC);
    const days = [-6, 9].map((d) => dayOf(base.wakes.day, d));
    const fallen = dayOf(base.dormant.day, -20);
    const seen = [
      said(LILAC, days[0]!, "first-leaf"),
      said(LILAC, days[1]!, "first-leaf"),
      said(LILAC, fallen, "leaf-fall"),
    ];
    const m = modelOf([plantOf(LILAC)], { observations: seen });
    const y = m.kindsFor(m.plant(LILAC), kind(LILAC), date("2026-12-30")).yearOf(kind(LILAC));
    expect(dayOf(y.wakes.day)).toBe(days[1]);
    expect(dayOf(y.dormant.day)).toBe(fallen);
  });

  test("leaves that have fallen: it sleeps, whatever the forecast", () => {
    const on = dayOf(usual(LILAC).dormant.day, -25);
    const m = modelOf([plantOf(LILAC)], { observations: [said(LILAC, on, "leaf-fall")] });
    const y = kindYearFor(m, m.plant(LILAC), on, "shape").year;
    expect(seasonDate(2026, y.dormant.day, "north")).toBe(on);
  });

  test("where winter never puts it to sleep that is said, growth seen opens the wait, and a cut in its quiet weeks closes the season", () => {
    const place = PLACES.find((p) => p.name === "free of frost")!;
    const bush = plantOf(BUSH, { schools: { "butterfly-bush": "growth-shows" } });
    const m = (more: Partial<Garden> = {}) => modelOf([bush], { place, ...more });
    const y = m().yearOf(kind(BUSH));
    expect(y.sleeps).toBe(false);
    expect(y.wakes.day + 365 - y.dormant.day).toBeCloseTo(45, 5);
    const woke = dayOf(y.wakes.day, 2, 2027);
    expect(adviseOn(m(), BUSH, woke, "hard-cutback").verdict).toBe("wait");
    const grown = m({ observations: [said(BUSH, woke, "growth-seen", { where: "base" })] });
    expect(VERDICT_TABLE[adviseOn(grown, BUSH, woke, "hard-cutback").verdict].go).toBe(true);
    const quiet = dayOf(y.dormant.day, 10, 2026);
    const cut = m({ visits: [visitOf(BUSH, quiet, 0.8, { regime: "cutback", task: "hard-cutback" })] });
    const summer = adviseOn(cut, BUSH, dayOf(y.wakes.day, 90, 2027), "shape");
    expect([summer.verdict, summer.reasons[0]!.code]).toEqual(["wait", "after-cutback"]);
    expect(adviseOn(m(), BUSH, quiet, "shape").reasons.map((r) => r.code)).toContain("never-asleep");
  });
});

describe("how far it reaches", () => {
  test("what is believed of an entry falls off with its distance, without an edge", () => {
    for (let d = 1; d < 200; d++) {
      expect(Math.abs(credible(d) - credible(d - 1))).toBeLessThan(1.001);
      expect(credible(d)).toBeLessThan(d);
      expect(credible(-d)).toBeCloseTo(0 - credible(d), 9);
    }
    expect(credible(7)).toBeGreaterThan(6.9);
    expect(credible(90)).toBeLessThan(6);
  });

  test("a month's lead in bloom carries to its neighbours in time, hardly to autumn, not to another year", () => {
    const y = usual(LILAC);
    const on = dayOf(y.displays[0]!.opens.day, -30);
    const m = modelOf([plantOf(LILAC)], {
      observations: [said(LILAC, on, "first-flower")],
      seasons: [
        { id: "s", seasonYear: 2026, paceDays: 0 },
        { id: "t", seasonYear: 2027, paceDays: 0 },
      ],
    });
    const at = (when: string): PlantYear => m.kindsFor(m.plant(LILAC), kind(LILAC), date(when)).yearOf(kind(LILAC));
    const seen = at("2026-06-01");
    expect(seen.displays[0]!.opens.day).toBe(seasonPoint(on, "north").seasonDay);
    const lead = (of: (y: PlantYear) => number): number => of(y) - of(seen);
    expect(lead((x) => x.displays[0]!.ends.day)).toBeGreaterThan(8);
    // Whenever it flowered, summer makes the next buds.
    expect(lead((x) => x.displays[0]!.budsBegin!.day)).toBeLessThan(4);
    expect(Math.abs(lead((x) => x.dormant.day))).toBeLessThan(2);
    // The plant's own part of it (a third of what is believed) is all that goes into the next year.
    const carried = y.displays[0]!.opens.day - at("2027-06-01").displays[0]!.opens.day;
    expect(carried).toBeGreaterThan(3);
    expect(carried).toBeLessThan(14);
  });

  test("whatever is said on whatever days: what was seen stands on its day, the stages keep their order", () => {
    const taxa = CATALOGUE.taxa.filter((_, i) => i % 7 === 0);
    const kinds: readonly Observation["kind"][] = [
      "first-leaf",
      "growth-seen",
      "first-flower",
      "in-flower",
      "last-flower",
      "leaf-fall",
      "flush-hardened",
      "candles-out",
      "buds-killed",
      "berries-ripe",
      "berries-gone",
    ];
    const climates = PLACES.map((place) => modelOf([], { place }).climate);
    fc.assert(
      fc.property(
        fc.constantFrom(...taxa.map((t) => t.id)),
        fc.nat(climates.length - 1),
        fc.array(fc.tuple(fc.constantFrom(...kinds), fc.integer({ min: -200, max: 364 })), {
          minLength: 1,
          maxLength: 5,
        }),
        (id, n, entries) => {
          const [t, c] = [kind(id), climates[n]!];
          const base = plantYear(t, c);
          const seen = entries.map(([what, d], i) =>
            seenOn(t.id, seasonDate(2026, d, c.hemisphere), { id: `o${i}`, kind: what }),
          );
          const y = seenYear(
            base,
            { taxon: t, clock: c },
            seen,
            seasonDate(2026, 364, c.hemisphere),
            c.hemisphere,
            false,
          );
          for (const [, stage] of [...stagesOf(base), ...stagesOf(y)]) {
            expect(stage.earliest).toBeLessThanOrEqual(stage.day + 1e-9);
            expect(stage.latest).toBeGreaterThanOrEqual(stage.day - 1e-9);
          }
          expect(y.wakes.day).toBeLessThan(y.hardens.day);
          expect(y.hardens.day).toBeLessThanOrEqual(y.stops.day);
          expect(y.stops.day).toBeLessThanOrEqual(y.dormant.day + 1e-9);
          for (const d of y.displays) {
            expect(Number.isFinite(d.opens.day)).toBe(true);
            expect(d.ends.day).toBeGreaterThanOrEqual(d.opens.day - 1e-9);
            const was = base.displays.find((x) => x.display === d.display);
            if (d.budsBegin && was && was.budsBegin!.day >= was.ends.day)
              expect(d.budsBegin.day).toBeGreaterThanOrEqual(d.ends.day);
          }
          // The last first leaf, if it is of this year, is the day it woke.
          const [last] = entries
            .filter(([w]) => w === "first-leaf" || w === "growth-seen" || w === "candles-out")
            .slice(-1);
          if (entries.length === 1 && last?.[0] === "first-leaf" && Math.abs(last[1] - base.wakes.day) < 100)
            expect(y.wakes.day).toBe(last[1]);
        },
      ),
      { numRuns: 400, seed: 20261128 },
    );
  });
});

describe("far from the forecast it is asked what else it may mean", () => {
  const { opens } = usual(LILAC).displays[0]!;
  const m = modelOf([plantOf(LILAC), plantOf("forsythia-intermedia")]);
  const means = (lead: number, what: Observation["kind"] = "in-flower") =>
    meaningsOf(m, m.plant(LILAC), said(LILAC, dayOf(opens.day, -lead), what));

  test("not within its own give or take, and not of growth that was only looked at late", () => {
    expect(means(10)).toBeNull();
    expect(means(-10)).toBeNull();
    expect(meaningsOf(m, m.plant(LILAC), said(LILAC, dayOf(usual(LILAC).wakes.day, 60), "growth-seen"))).toBeNull();
    expect(means(60, "buds-killed")).toBeNull();
    // Berries are not flowers: without a display of them there is no date to be far from.
    expect(meaningsOf(m, m.plant(LILAC), said(LILAC, date("2026-12-01"), "berries-ripe"))).toBeNull();
  });

  test("six weeks early: what each answer would move", () => {
    const far = means(42)!;
    expect(far.aheadDays).toBeGreaterThan(40);
    expect(Math.abs(daysBetween(far.expected, dayOf(opens.day)))).toBeLessThanOrEqual(1);
    // Its own window comes earlier; the whole garden's year, were it that, earlier still.
    expect(far.plant.to! < far.plant.from!).toBe(true);
    expect(far.garden!.thenDays).toBeGreaterThan(40);
    expect(far.garden!.window.to! <= far.plant.to!).toBe(true);
    // What flowers then and is like it: spring shrubs, and each within two weeks of that day.
    expect(far.kinds.length).toBeGreaterThan(0);
    for (const k of far.kinds) {
      expect(k.taxonId).not.toBe(LILAC);
      expect(Math.abs(daysBetween(k.expected, dayOf(opens.day, -42)))).toBeLessThanOrEqual(14);
    }
  });

  test("three months off no year runs so: only the plant, another kind or a slip", () => {
    expect(means(85)!.garden).toBeNull();
  });
});

describe("where the place is known too roughly for dates", () => {
  // A latitude alone: spring is known to two or three weeks.
  const rough = { place: { ...UNSAID_PLACE, name: "Rough", latitudeDeg: 51 } } as const;
  const known = { place: PLACE } as const;
  const at = (ground: Partial<Garden>, id: string, days: number, task: Task, seen: readonly Observation[] = []) => {
    const m = modelOf([plantOf(id)], { ...ground, observations: [...seen] });
    const y = m.yearOf(kind(id));
    const stage = task === "shear" ? y.hardens : y.displays[0]!.ends;
    return adviseOn(m, id, dayOf(stage.day, days), task);
  };

  test("around the end of bloom the answer is to look, and waiting is the safe side; where it is known well, the date will do", () => {
    expect(at(known, LILAC, 5, "shape").verdict).toBe("best");
    const a = at(rough, LILAC, 5, "shape");
    expect([a.verdict, a.reasons[0]!.code, a.opening]).toEqual([
      "wait",
      "look-first",
      expect.objectContaining({ by: "seen", what: "bloom-over" }),
    ]);
    expect(at(rough, "taxus-media", 5, "shear").opening).toMatchObject({ by: "seen", what: "flush-hard" });
    expect(at(rough, LILAC, 5, "dead-only").verdict).toBe("best");
    // Its window says how little the date is worth.
    expect(a.window!.spreadDays).toBeGreaterThan(at(known, LILAC, 5, "shape").window!.spreadDays + 6);
  });

  test("one look settles it; a look that found it not yet does not", () => {
    const m = modelOf([plantOf(LILAC)], rough);
    const on = dayOf(m.yearOf(kind(LILAC)).displays[0]!.ends.day, 5);
    const over = [said(LILAC, on, "last-flower")];
    expect(VERDICT_TABLE[at(rough, LILAC, 5, "shape", over).verdict].go).toBe(true);
    const notYet = [said(LILAC, on, "not-yet", { lookedFor: "last-flower" })];
    for (const more of [5, 9, 14])
      expect(VERDICT_TABLE[at(rough, LILAC, more, "shape", notYet).verdict].go).toBe(false);
  });
});
