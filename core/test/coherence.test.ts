/** Every answer against itself: verdict, leading reason, best days, window and what is called past, over kinds, tasks, days, towns and forms. */
import { expect, test } from "@jest/globals";
import {
  addDays,
  adviseOn,
  CATALOGUE,
  climateOf,
  date,
  daysBetween,
  FORMS,
  inCycle,
  kindYearOf,
  openGarden,
  plantsYear,
  plantYear,
  reasonText,
  TASKS,
  usualPlan,
  VERDICT_TABLE,
  VERDICTS,
  voiceOf,
  wish,
  type GardenModel,
  type PlainDate,
  type Plant,
  type Verdict,
} from "@wren/core";
import { placeOf } from "./reference/cases.ts";
import { gardenOf, plantOf } from "./support.ts";

const TEN = [
  "Columbus",
  "Minneapolis",
  "Seattle",
  "London",
  "Atlanta",
  "Phoenix",
  "Los Angeles",
  "Christchurch",
  "Houston",
  "Edinburgh",
] as const;
/** Every so many-th kind at each town, another at the next. */
const EVERY = 41;

const say = voiceOf("metric");
/** Is a display of this name on, well inside its days? */
function isOn(m: GardenModel, p: Plant, name: string, on: PlainDate): boolean {
  const year = plantsYear(m, p, on);
  const u = inCycle(year, m.season(on).seasonDay);
  return year.displays.some((d) => d.display.name === name && u >= d.opens.day && u < d.ends.day - 1);
}

test.each(TEN.map((name, i) => [name, i] as const))("%s", (name, turn) => {
  const { place, cache } = placeOf(name);
  const plants = CATALOGUE.taxa
    .filter((_, i) => i % EVERY === turn)
    .map((t, i) => plantOf(t.id, { form: [null, ...FORMS][(i + turn) % 8]! }));
  const model = openGarden(gardenOf(plants, { place }), CATALOGUE, cache);
  const wrong: string[] = [];
  for (const p of plants)
    for (const task of TASKS)
      for (let d = 0; d < 365; d += 12) {
        const on = addDays(date("2026-01-01"), d);
        const a = adviseOn(model, p.id, on, task);
        const { go } = VERDICT_TABLE[a.verdict];
        const lead = a.reason.verdict;
        const w = a.window;
        const says = (what: string): void => {
          wrong.push(`${p.id} (${p.form ?? "as usual"}), ${task}, ${on}: ${a.verdict}, ${a.reason.code}: ${what}`);
        };
        if (go ? lead !== "best" && lead !== "fine" : lead !== a.verdict) says("the reason argues for another verdict");
        if (go && (w === null || (w.opens !== null && w.opens > on) || (w.closes !== null && w.closes < on)))
          says("an open day outside its window");
        if (a.verdict === "too-late" && w?.opens && daysBetween(on, w.opens) < 56) says("past, and open again soon");
        if ((a.verdict === "never" || a.verdict === "ask-a-pro") && w !== null) says("refused, with a window");
        if (go && a.bloomLoss.some((b) => b.loss * b.weight > 0.1 + 1e-6)) says("open, at a loss of flowers");
        // Some days slightly past the limit, between days that keep it, are open like them.
        if (go && (a.frostRisk ?? 0) > 0.25 * 1.2 + 1e-6) says("open, at a frost");
        for (const text of a.reasons.map((r) => reasonText(r, say))) {
          const lossOf = (name: string): number =>
            Math.max(0, ...a.bloomLoss.filter((b) => b.display === name).map((b) => b.loss));
          const free = /the ([a-z ]+) lose nothing/.exec(text)?.[1];
          if (free !== undefined && lossOf(free) > 0.02) says(`"${text}", at a loss of ${lossOf(free)}`);
          const over = /[Tt]he ([a-z ]+) are over/.exec(text)?.[1];
          if (over !== undefined && isOn(model, p, over, on)) says(`"${text}", while they are on`);
          const told = /take it when growth shows, about (\d+ \w+ \d+)/.exec(text)?.[1];
          if (told !== undefined && Date.parse(told) - Date.parse(on) > 330 * 864e5) says(`"${text}", and it grows`);
          if (/this takes about 0 %|about 0 % of/.test(text)) says(`"${text}"`);
          if (/undefined|NaN|null/.test(text)) says(`"${text}"`);
        }
      }
  expect(wrong.slice(0, 12)).toEqual([]);
});

test("what is given up for a wish is not called few, nor nothing", () => {
  const { place, cache } = placeOf("London");
  const wishes = ["coloured-stems", "renew", "view", "large-flowers"] as const;
  const plants = CATALOGUE.taxa
    .filter((t, i) => t.stooled === true || i % 29 === 0)
    .flatMap((t) => wishes.map((w) => plantOf(t.id, { id: `${t.id}, ${w}`, goal: wish(w) })));
  const model = openGarden(gardenOf(plants, { place }), CATALOGUE, cache);
  const wrong: string[] = [];
  let givenUp = 0;
  for (const p of plants)
    for (const task of ["hard-cutback", "renovate", "shape", "tip"] as const)
      for (let d = 0; d < 365; d += 21) {
        const on = addDays(date("2026-01-01"), d);
        const a = adviseOn(model, p.id, on, task);
        if (a.reasons.some((r) => r.code === "loss-accepted")) givenUp++;
        const most = new Map(a.bloomLoss.map((b) => [b.display, b.loss * b.weight]));
        for (const text of a.reasons.map((r) => reasonText(r, say))) {
          const few = /(?:few of the buds of its|the) ([a-z ]+)(?:, or none| lose nothing)/.exec(text)?.[1];
          if (few !== undefined && (most.get(few) ?? 0) > 0.1) wrong.push(`${p.id}, ${task}, ${on}: "${text}"`);
        }
      }
  expect(wrong.slice(0, 12)).toEqual([]);
  expect(givenUp).toBeGreaterThan(100);
});

/** Runs of days, around the year, that are alike: [first day, days, what they are, what comes before and after]. */
function* runs<T>(days: readonly T[]): Generator<readonly [number, number, T, T, T]> {
  const starts = days.flatMap((v, d) => (v === days.at(d - 1) ? [] : [d]));
  for (const [i, from] of starts.entries()) {
    const to = starts[i + 1] ?? starts[0]! + days.length;
    yield [from, to - from, days[from]!, days.at(from - 1)!, days[to % days.length]!];
  }
}
/** Of no season is an edge known to the week. */
const WEEK = 7;
const waits = (v: Verdict): boolean => v === "wait" || v === "too-late";
const opens = (v: Verdict): "go" | "waits" | "costs" => (VERDICT_TABLE[v].go ? "go" : waits(v) ? "waits" : "costs");
/** Each kind at two of the towns. */
const FIFTH = 5;

test.each(TEN.map((name, i) => [name, i] as const))(
  "%s: nothing opens for less than a week between two waits, nor is past between them, nor for some days before one",
  (name, turn) => {
    const climate = climateOf(placeOf(name).place);
    const wrong: string[] = [];
    for (const taxon of CATALOGUE.taxa.filter((_, i) => i % FIFTH === turn % FIFTH)) {
      const year = plantYear(taxon, climate);
      for (const task of TASKS) {
        const verdicts = [...kindYearOf(taxon, climate, usualPlan(task), year).verdicts].map((v) => VERDICTS[v]!);
        for (const [from, days, is, before, after] of runs(verdicts.map(opens)))
          if (is === "go" && before === "waits" && after === "waits" && days < WEEK)
            wrong.push(`${taxon.id}, ${task}: ${verdicts[from]} for ${days} days from day ${from}`);
        for (const [from, days, v, before, after] of runs(verdicts))
          if (v === "too-late" && after === "wait" && (days < WEEK || before === "wait"))
            wrong.push(`${taxon.id}, ${task}: ${before}, past for ${days} days from day ${from}, then it waits`);
      }
    }
    expect(wrong).toEqual([]);
  },
);
