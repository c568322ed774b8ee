import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  addDays,
  TASKS,
  CATALOGUE,
  climateOf,
  date,
  daysBetween,
  inCycle,
  kindYearOf,
  LIMITS,
  plantYear,
  VERDICT_TABLE,
  VERDICTS,
  usualPlan,
  yearOfPrices,
  type Climate,
  type CutPlan,
  type Place,
  type PlainDate,
  type Task,
  type Taxon,
  type YearOfPrices,
} from "@wren/core";
import { adviseOn, verdictFor } from "@wren/core";
import { everyKindAt, modelOf, PLACE, PLACES, plantOf, someKinds, visitOf } from "./support.ts";

const climate = climateOf(PLACE);
const planOf = (task: Task, more: Partial<CutPlan> = {}): CutPlan => ({ ...usualPlan(task), ...more });
const priced = (taxonId: string, task: Task, more: Partial<CutPlan> = {}): YearOfPrices => {
  const taxon = CATALOGUE.byId(taxonId)!;
  return yearOfPrices(taxon, plantYear(taxon, climate), climate, planOf(task, more));
};
const yearOf = (taxonId: string) => plantYear(CATALOGUE.byId(taxonId)!, climate);
const span = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, Math.floor(to) - Math.ceil(from) + 1) }, (_, i) => Math.ceil(from) + i);

describe("old wood: the price of a cut through the year", () => {
  const lilac = yearOf("syringa-vulgaris");
  const shape = priced("syringa-vulgaris", "shape").displays[0]!;
  const d = lilac.displays[0]!;

  test("all buds stand until bloom; what is open goes day by day; nothing between bloom and the first buds", () => {
    for (const day of span(0, d.opens.day - 1)) expect(shape.loss[day]).toBeCloseTo(0.9, 1);
    const open = span(d.opens.day, d.ends.day - 1).map((day) => shape.loss[day]!);
    expect(open).toEqual(open.toSorted((a, b) => b - a));
    for (const day of span(d.ends.day, d.budsBegin!.day)) expect(shape.loss[day]).toBe(0);
  });

  test("once buds begin the loss only grows, until all are set", () => {
    const ramp = span(d.budsBegin!.day, d.budsSet!.day).map((day) => shape.loss[day]!);
    expect(ramp).toEqual(ramp.toSorted((a, b) => a - b));
    expect(ramp.at(-1)).toBeCloseTo(0.9, 1);
  });

  test("a deeper cut takes more of what stands along the shoot, never less", () => {
    const at = (depth: number): number => priced("syringa-vulgaris", "shape", { depth }).displays[0]!.loss[60]!;
    expect(at(0.1)).toBeLessThan(at(0.5));
    expect(at(0.5)).toBeLessThan(at(1));
    expect(at(1)).toBeCloseTo(1);
  });

  test("a hard cut right after bloom still costs most of the next: young stems do not flower", () => {
    const hard = priced("syringa-vulgaris", "hard-cutback").displays[0]!;
    for (const day of span(d.ends.day + 1, d.budsBegin!.day)) expect(hard.loss[day]).toBeGreaterThan(0.8);
  });
});

describe("new wood: flowers need the warmth from bud break to bloom again", () => {
  const y = yearOf("hydrangea-paniculata");
  const [shape, hard] = [priced("hydrangea-paniculata", "shape"), priced("hydrangea-paniculata", "hard-cutback")];
  const d = y.displays[0]!;

  test("free while it sleeps", () => {
    for (const day of [...span(0, y.wakes.day), ...span(y.dormant.day, 364)]) {
      expect(shape.displays[0]!.loss[day]).toBe(0);
      expect(shape.displays[0]!.delayDays[day]).toBe(0);
    }
  });

  test("after bud break loss and delay grow with every day; a hard cut costs more than a shaping one", () => {
    const growing = span(y.wakes.day + 1, d.opens.day - 1);
    for (const p of [shape, hard]) {
      const loss = growing.map((day) => p.displays[0]!.loss[day]!);
      expect(loss).toEqual(loss.toSorted((a, b) => a - b));
    }
    for (const day of growing) {
      expect(hard.displays[0]!.loss[day]).toBeGreaterThanOrEqual(shape.displays[0]!.loss[day]!);
      expect(hard.displays[0]!.delayDays[day]).toBeGreaterThanOrEqual(shape.displays[0]!.delayDays[day]!);
    }
  });

  test("so late that nothing comes again before it sleeps, all that is left goes", () => {
    const last = Math.floor(d.ends.day) - 10;
    expect(hard.displays[0]!.delayDays[last]).toBe(0);
    expect(hard.displays[0]!.loss[last]).toBeGreaterThan(0.1);
  });

  test("coloured stems: winter's show first, then the length grown by leaf fall", () => {
    const p = priced("cornus-sericea", "hard-cutback").displays[0]!;
    expect(p.loss[10]).toBeGreaterThan(0.3);
    expect(p.loss[95]).toBeCloseTo(0);
    expect(p.loss[200]).toBeGreaterThan(p.loss[150]!);
  });
});

describe("frost", () => {
  test("a hardy plant risks nothing in winter and more with every week towards autumn", () => {
    const p = priced("buxus-sempervirens", "shear");
    const y = yearOf("buxus-sempervirens");
    for (const day of span(0, y.wakes.day)) expect(p.growthFrost[day]).toBe(0);
    const late = [200, 220, 235, 250].map((day) => p.growthFrost[day]!);
    expect(late).toEqual(late.toSorted((a, b) => a - b));
    expect(p.lateSide[250]).toBe(1);
  });

  test("what is easily woken waits for the last frost", () => {
    const p = priced("bougainvillea", "shape");
    const spring = [40, 70, 100, 120, 140].map((day) => p.growthFrost[day]!);
    expect(spring).toEqual(spring.toSorted((a, b) => b - a));
    expect(p.growthFrost[40]).toBeGreaterThan(0.9);
  });

  test("tops left on as insulation buy the frame some cold", () => {
    const bare = priced("buddleja-davidii", "hard-cutback");
    const kept = priced("buddleja-davidii", "hard-cutback", { frameShiftC: -4 });
    expect(kept.frameFrost[320]).toBeLessThan(bare.frameFrost[320]!);
  });

  test("old heads matter to the deadheader in a cold winter, not in a mild one", () => {
    expect(priced("hydrangea-macrophylla", "deadhead").frostRisk[330]).toBeGreaterThan(LIMITS.frostRisk);
    const mild = everyKindAt(PLACES.find((p) => p.name === "mild")!);
    const p = mild.kindYear(CATALOGUE.byId("hydrangea-macrophylla")!, "deadhead").prices;
    expect(p.frostRisk[330]).toBeLessThan(LIMITS.frostRisk);
  });
});

/** What is wrong with the prices of a kind; an empty list when nothing is. */
function faultsOf(taxon: Taxon, task: Task, c: Climate): string[] {
  const k = kindYearOf(taxon, c, planOf(task));
  const p = k.prices;
  const shares = [p.frostRisk, p.growthFrost, p.frameFrost, p.regrowthRisk, p.redo];
  for (const d of p.displays) shares.push(d.loss, d.nextLoss);
  const out: string[] = [];
  const fault = (what: string): void => void out.push(`${taxon.id} ${task}: ${what}`);
  if (shares.some((a) => Math.min(...a) < 0 || Math.max(...a) > 1)) fault("a share outside 0 to 1");
  if (![...p.harm, ...p.displays.flatMap((d) => [...d.delayDays, ...d.opens])].every(Number.isFinite)) fault("NaN");
  const harmWhere = (v: string): number[] =>
    [...k.verdicts].flatMap((x, day) => (VERDICTS[x] === v ? [p.harm[day]!] : []));
  const [best, fine] = [harmWhere("best"), harmWhere("fine")];
  if (fine.length > 0 && best.length > 0 && Math.max(...best) > Math.min(...fine) + 1e-6) fault("best is not cheapest");
  return out;
}

/** At each place another ninth of the kinds, so that together they are most of the catalogue. */
const kindsAt = (place: Place): readonly Taxon[] => someKinds(PLACES.indexOf(place));

describe("every kind at every place", () => {
  test.each(PLACES.map((p) => [p.name, p] as const))("%s: prices are shares and best days the cheapest", (_, place) => {
    const c = climateOf(place);
    expect(kindsAt(place).flatMap((t) => TASKS.flatMap((task) => faultsOf(t, task, c)))).toEqual([]);
  });

  test.each(PLACES.map((p) => [p.name, p] as const))("%s: a year in order, displays that come round", (_, place) => {
    const c = climateOf(place);
    const faults = CATALOGUE.taxa.flatMap((taxon) => {
      const y = plantYear(taxon, c);
      const days = [y.wakes, y.hardens, y.stops, y.dormant].map((s) => s.day);
      const inOrder = days.every((d, i) => i === 0 || d >= days[i - 1]!) && y.dormant.day < y.wakes.day + 365;
      const lasting = y.displays.every((d) => d.ends.day - d.opens.day > 9.99);
      const whole = y.displays.length + y.tooCoolFor.length === taxon.displays.length;
      const round = [0, 100, 200, 364].every((d) => {
        const u = inCycle(y, d);
        return u >= y.wakes.day && u < y.wakes.day + 365;
      });
      return inOrder && lasting && whole && round ? [] : [`${taxon.id}: ${days.join(" ")}`];
    });
    expect(faults).toEqual([]);
  });
});

describe("windows, against a slow and obvious second implementation", () => {
  const plants = [
    plantOf("syringa-vulgaris", { id: "full" }),
    plantOf("syringa-vulgaris", { id: "free" }),
    plantOf("spiraea-japonica"),
    plantOf("taxus-media", { plantedOn: date("2026-04-01") }),
    plantOf("hydrangea-arborescens"),
    plantOf("pinus-mugo"),
  ];
  const visits = [
    visitOf("full", "2026-06-10", 0.33),
    visitOf("spiraea-japonica", "2026-03-20", 0.8, { task: "hard-cutback", regime: "cutback" }),
  ];
  const model = modelOf(plants, { visits });
  const go = (id: string, on: PlainDate, task: Task): boolean => VERDICT_TABLE[verdictFor(model, id, on, task)].go;

  /** First day from `on` on which the task may be started, asking each day anew. */
  function firstOpenDay(id: string, on: PlainDate, task: Task): PlainDate | null {
    for (let i = 0; i < 760; i++) if (go(id, addDays(on, i), task)) return addDays(on, i);
    return null;
  }

  const tasks: readonly Task[] = ["shape", "hard-cutback", "shear", "deadhead"];
  test("a window opens on the first open day and holds no closed one", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...plants.map((p) => p.id)),
        fc.constantFrom(...tasks),
        fc.integer({ min: 0, max: 400 }).map((n) => addDays(date("2026-06-15"), n)),
        (id, task, on) => {
          const { window, verdict } = adviseOn(model, id, on, task);
          const first = firstOpenDay(id, on, task);
          if (window === null || window.costs) {
            if (window === null) expect(first).toBeNull();
            return;
          }
          if (VERDICT_TABLE[verdict].go) expect(first).toBe(on);
          // Seasons of leap years and the day a block ends may move an edge by a day.
          else expect(Math.abs(daysBetween(window.opens!, first!))).toBeLessThanOrEqual(1);
          if (window.daysLeft !== null && window.daysLeft < 300) {
            expect(go(id, addDays(on, window.daysLeft), task)).toBe(true);
            expect(go(id, addDays(on, window.daysLeft + 2), task)).toBe(false);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
