/** Work at the plant: what two tabs tick adds up, and what is written down is what was cut. */
import { describe, expect, test } from "@jest/globals";
import {
  amountsOf,
  atPlant,
  buildOf,
  readSketch,
  stemsFromSketch,
  CATALOGUE,
  cutKey,
  date,
  demoGarden,
  openGarden,
  soFar,
  suggest,
  tickedCuts,
  type Garden,
  type Work,
} from "@wren/core";
import { withCarriedOut } from "../src/state/carried.ts";
import { Refused } from "../src/data/refused.ts";
import {
  withBegun,
  withClock,
  withCuts,
  withFinished,
  withFound,
  withLetGo,
  withPass,
  workAt,
} from "../src/screens/atplant/workEdits.ts";

const on = date("2026-03-10");
const ID = "panicle-seat";
const MIN = 60_000;

/** The demo garden with a list chosen at the bench. */
function listed(): Garden {
  const g = demoGarden(on);
  const model = openGarden(g, CATALOGUE);
  const plant = model.plant(ID);
  const stand = g.stands.find((s) => s.plantId === ID)!;
  const { cuts } = suggest(model, { plant, stems: stand.stems, task: "shape", wantedM: null }, on);
  const stands = g.stands.map((s) =>
    s.id === stand.id ? { ...s, tries: [{ id: "t1", task: "shape" as const, cuts: [...cuts] }], chosen: "t1" } : s,
  );
  return { ...g, stands };
}
const begun = (g = listed()): Garden => withBegun(g, { id: "w1", plantId: ID, on, task: "shape" }, 0);
const workOf = (g: Garden): Work => workAt(g, ID, "shape")!;
const asked = (g: Garden) => {
  const model = openGarden(g, CATALOGUE);
  return { model, at: atPlant(model, model.plant(ID), "shape", on) };
};

test("ticks of two tabs that did not see each other add up; begun twice it is one; the clock counts only while it runs", () => {
  const g = begun();
  expect(begun(g)).toBe(g);
  const work = workOf(g);
  const both = withPass(withCuts(withPass(g, work, "dead", true), work, ["remove:s1"], true), work, "crossing", true);
  expect([workOf(both).passes, workOf(both).cuts]).toEqual([["dead", "crossing"], ["remove:s1"]]);
  expect(workOf(withPass(both, work, "dead", false)).passes).toEqual(["crossing"]);
  const stopped = withClock(both, work, false, 10 * MIN);
  expect([workOf(stopped).minutes, workOf(stopped).since]).toEqual([10, null]);
  const later = withClock(withClock(stopped, work, true, 60 * MIN), work, false, 65 * MIN);
  expect(workOf(later).minutes).toBe(15);
});

describe("finished", () => {
  const ids = { stand: "left", height: "h", plan: "rest" };
  const ticked = (): Garden => {
    const g = begun();
    const { at } = asked(g);
    const half = at.list!.lines.slice(0, Math.ceil(at.list!.lines.length / 2));
    return half.reduce(
      (sofar, l) => withCuts(sofar, workOf(sofar), l.cuts.map(cutKey), true),
      withFound(g, workOf(g), "stranger", on),
    );
  };

  test("the visit holds what was ticked and nothing of the rest, which stays on the stems that were not touched", () => {
    const g = ticked();
    const { model, at } = asked(g);
    const work = workOf(g);
    const state = soFar(model, at, work, on);
    expect(state.share).toBeGreaterThan(0);
    expect(state.share).toBeLessThan(
      soFar(model, at, { ...work, cuts: at.list!.lines.flatMap((l) => l.cuts).map(cutKey) }, on).share!,
    );
    const done = withFinished(g, work, { model, at, nowMs: 30 * MIN, ids, restLater: true });
    const visit = done.visits.find((v) => v.id === "w1")!;
    expect(visit).toMatchObject({
      plantId: ID,
      on,
      task: "shape",
      minutes: 30,
      begun: ["stranger-cut"],
      deadStemsCount: state.deadStems,
    });
    expect(visit.cuts).toEqual([{ by: "share", share: expect.closeTo(state.share!, 3) }]);
    expect(done.works).toEqual([]);
    expect(done.plans.filter((p) => p.plantId === ID).map((p) => p.id)).toEqual(["rest"]);
    const touched = new Set(tickedCuts(at, work).flatMap((c) => ("stemId" in c ? [c.stemId] : [])));
    const rest = done.stands.find((s) => s.id === "left")!.tries.flatMap((t) => t.cuts);
    expect(rest.length).toBeGreaterThan(0);
    for (const c of rest) expect("stemId" in c && !touched.has(c.stemId)).toBe(true);
  });

  test("once: who ends it again is told, and nothing is doubled", () => {
    const g = ticked();
    const { model, at } = asked(g);
    const work = workOf(g);
    const end = (x: Garden): Garden => withFinished(x, work, { model, at, nowMs: MIN, ids, restLater: false });
    const done = end(g);
    expect(() => end(done)).toThrow(Refused);
    expect(() => withLetGo(done, work)).toThrow(Refused);
    expect(done.visits.filter((v) => v.id === "w1")).toHaveLength(1);
  });

  test("a clock that ran overnight tells no minutes; what the cuts themselves began is begun beside what was found", () => {
    const g = ticked();
    const { model, at } = asked(g);
    const work = workOf(g);
    const overnight = withFinished(g, work, { model, at, nowMs: 14 * 60 * MIN, ids, restLater: false });
    expect(overnight.visits.find((v) => v.id === "w1")!.minutes).toBeNull();
    const conifer = CATALOGUE.byId("thuja-occidentalis")!;
    const build = buildOf(conifer, null);
    const read = readSketch("one trunk, two leaders, 8 tiers", build);
    if (!read.ok) throw new Error("the line is not read");
    const stems = stemsFromSketch(read.value, { heightM: 3, widthM: 1.5 }, build);
    const rival = stems[0]!.branches.findIndex((x) => x.riseDeg > 70);
    const cuts = [
      {
        cut: "branch-back" as const,
        stemId: stems[0]!.id,
        branch: rival,
        keptM: stems[0]!.branches[rival]!.lengthM / 2,
      },
    ];
    const stand = { ...g.stands.find((x) => x.plantId === ID)!, stems: [...stems] };
    const done = {
      visitId: "v9",
      standId: "s9",
      on,
      regime: "upkeep" as const,
      amounts: amountsOf(stems, cuts, build),
      heightM: 3,
      heightId: "h9",
    };
    const t = { id: "t1", task: "shape" as const, cuts };
    const both = withCarriedOut(g, stand, t, build, done, [], { begun: ["stranger-cut"] });
    expect(both.visits.find((v) => v.id === "v9")!.begun).toEqual(["leader-halved", "stranger-cut"]);
  });

  test("what another tab ticked meanwhile was cut as well", () => {
    const g = ticked();
    const { model, at } = asked(g);
    const stale = workOf(begun());
    const done = withFinished(g, stale, { model, at, nowMs: MIN, ids, restLater: false });
    expect(done.visits.find((v) => v.id === "w1")!.cuts).toEqual([
      { by: "share", share: expect.closeTo(soFar(model, at, workOf(g), on).share!, 3) },
    ]);
  });
});

test.each([
  ["nest", (g: Garden) => g.plants.find((p) => p.id === ID)!.dangers.map((d) => d.what), ["bird-nest"]],
  [
    "wire",
    (g: Garden) =>
      g.plants
        .find((p) => p.id === ID)!
        .touches.map((t) => t.what)
        .includes("wire"),
    true,
  ],
  ["disease", (g: Garden) => g.plants.find((p) => p.id === ID)!.health?.disease, true],
] as const)("%s is written down with the plant, and changes its answer", (find, read, expected) => {
  const g = withFound(begun(), workOf(begun()), find, on);
  expect(read(g)).toEqual(expected);
  expect(workOf(g).found).toEqual([find]);
});
