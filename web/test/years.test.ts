/** The port that works through years of weather: the twin on the same thread keeps the promises the worker makes. */
import { expect, test } from "@jest/globals";
import { CATALOGUE, date, demoGarden, kindCache, openGarden, yearsAsked, yearsShown } from "@wren/core";
import { inProcess } from "../src/worker/inProcess.ts";
import { monthsInput, monthsSchema } from "../src/forms/monthsForm.ts";

const garden = demoGarden(date("2026-06-10"));
const model = openGarden(garden, CATALOGUE, kindCache(garden));
const asked = { ...yearsAsked(model), kinds: yearsAsked(model).kinds.slice(0, 2), years: 25 };

test("progress rises to the whole, and the answer is the core's own", async () => {
  const seen: number[] = [];
  const answer = await inProcess.work("years", asked, (done) => seen.push(done), new AbortController().signal);
  expect(answer.ok && answer.value).toEqual(yearsShown(asked, CATALOGUE));
  expect(seen.length).toBeGreaterThan(3);
  expect(seen).toEqual(seen.toSorted((a, b) => a - b));
});

test("stopped half-way it says so and shows nothing", async () => {
  const stop = new AbortController();
  const answer = await inProcess.work("years", asked, () => stop.abort(), stop.signal);
  expect(answer).toEqual({ ok: false, issues: [{ code: "stopped", path: [], values: {} }] });
});

test("what crosses to the worker and back is plain data", () => {
  expect(structuredClone(asked)).toEqual(asked);
  const shown = yearsShown(asked, CATALOGUE);
  expect(structuredClone(shown)).toEqual(shown);
});

test("twelve months typed in °F become °C; a number that is none is named at its month", () => {
  const { place } = garden;
  const typed = monthsInput(
    Array.from({ length: 12 }, (_, i) => i - 3),
    Array.from({ length: 12 }, (_, i) => i + 6),
    "F",
  );
  expect(typed.months[3]).toEqual({ lo: "32", hi: "48.2" });
  const summer = {
    months: typed.months.map((m, i) => ({
      lo: String(30 + 6 * Math.min(i, 11 - i)),
      hi: m.hi === "" ? "" : String(45 + 7 * Math.min(i, 11 - i)),
    })),
  };
  const read = monthsSchema(place, "F").parse(summer);
  expect(read.monthly!.tminC[0]).toBeCloseTo((30 - 32) / 1.8, 1);
  expect(read).toMatchObject({ name: place.name, zone: place.zone });
  const bad = monthsSchema(place, "C").safeParse({
    months: typed.months.map((m, i) => (i === 6 ? { ...m, lo: "warm" } : m)),
  });
  expect(bad.error!.issues.map((i) => i.path.join("."))).toContain("months.6.lo");
});
