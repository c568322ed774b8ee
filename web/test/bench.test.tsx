/** What is changed at the bench, and the bench itself in words. */
import { beforeEach, describe, expect, test } from "@jest/globals";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import {
  newestStand,
  amountsOf,
  buildOf,
  CATALOGUE,
  date,
  demoGarden,
  plainBranch,
  plainStem,
  stemsAfter,
  type Stand,
  type Stem,
  type StemCut,
} from "@wren/core";
import { sawTooth } from "../src/drawing/sawTooth.geometry.ts";
import { nearestPart, onSheet, stemsDrawn, viewOf } from "../src/drawing/stand.geometry.ts";
import { cutAt, newStand, wholeCut, withCuts, withoutStem, withStem } from "../src/screens/bench/standEdits.ts";
import { withCarriedOut } from "../src/state/carried.ts";
import { freshStart, openAt } from "./harness.tsx";

const built = buildOf(CATALOGUE.byId("syringa-vulgaris")!);
const stem = (id: string, more: Partial<Stem> = {}): Stem => ({
  ...plainStem(id, 20, 2),
  branches: [{ ...plainBranch(0.5, 8, 0.5), turnDeg: 90 }],
  ...more,
});
const stand: Stand = {
  ...newStand("st", "lilac-corner", date("2026-06-01"), [stem("a", { crosses: "b" }), stem("b"), stem("c")]),
  tries: [
    {
      id: "t1",
      task: "thin",
      cuts: [
        { cut: "remove", stemId: "b" },
        { cut: "branch-off", stemId: "a", branch: 0 },
      ],
    },
  ],
};

describe("edits at the bench", () => {
  const off: StemCut = { cut: "branch-off", stemId: "a", branch: 0 };
  const head: StemCut = { cut: "head", stemId: "a", keptM: 1.5 };
  const gone: StemCut = { cut: "remove", stemId: "a" };
  const other: StemCut = { cut: "remove", stemId: "b" };
  test.each<[string, readonly StemCut[], StemCut | null, readonly StemCut[]]>([
    ["a first cut joins the others'", [other], head, [other, head]],
    ["a heading takes the place of a heading", [head], { ...head, keptM: 1 }, [{ ...head, keptM: 1 }]],
    ["a branch stays off under a heading", [off], head, [off, head]],
    ["a branch is taken off beside a heading", [head], off, [head, off]],
    ["a stem that goes needs no other cut", [off, head], gone, [gone]],
    ["a branch taken off brings its stem back", [gone], off, [off]],
    ["put back, nothing of it is left", [off, head, other], null, [other]],
  ])("%s", (_, cuts, cut, expected) => {
    expect(cutAt(cuts, "a", cut)).toEqual(expected);
  });

  test("a cut over the whole plant comes once", () => {
    const shear: StemCut = { cut: "shear", heightM: 1, widthM: 1 };
    expect(wholeCut([other, shear], "shear", { ...shear, heightM: 2 })).toEqual([other, { ...shear, heightM: 2 }]);
    expect(wholeCut([other, shear], "shear", null)).toEqual([other]);
  });

  test("no more than three tries; a stem that is not there takes its cuts and crossings with it", () => {
    const more = ["t2", "t3", "t4"].reduce((s, id) => withCuts(s, id, "shape", []), stand);
    expect(more.tries.map((t) => t.id)).toEqual(["t1", "t2", "t3"]);
    const left = withoutStem(stand, "b");
    expect(left.stems.map((s) => [s.id, s.crosses])).toEqual([
      ["a", null],
      ["c", null],
    ]);
    expect(left.tries[0]!.cuts).toEqual([off]);
  });

  test("a corrected stem keeps the cuts it can still have", () => {
    const bare = withStem(stand, stem("a", { branches: [] }));
    expect(bare.tries[0]!.cuts).toEqual([other]);
    const headed = { ...stand, tries: [{ ...stand.tries[0]!, cuts: [head] }] };
    expect(withStem(headed, stem("a", { lengthM: 1.2 })).tries[0]!.cuts).toEqual([]);
    expect(withStem(headed, stem("a", { lengthM: 1.8 })).tries[0]!.cuts).toEqual([head]);
    expect(withStem(stand, stem("new")).stems).toHaveLength(4);
  });

  test("carried out: a visit with its share, the stems that are left, the try marked, nothing lost", () => {
    const garden = { ...demoGarden(date("2026-06-10")), stands: [stand] };
    const cuts: readonly StemCut[] = [{ cut: "remove", stemId: "b" }, head];
    const amounts = amountsOf(stand.stems, cuts, built);
    const after = withCarriedOut(garden, stand, { id: "t1", task: "thin", cuts: [...cuts] }, built, {
      visitId: "v-new",
      standId: "st2",
      on: date("2026-06-10"),
      regime: "upkeep",
      amounts,
      heightM: 2.2,
      heightId: "o-new",
    });
    // What is left of the drawing is left of the plant, and its plan is settled.
    const left = after.observations.find((o) => o.id === "o-new");
    expect(left?.heightM ?? 2.2).toBeCloseTo((2.2 * amounts.after.heightM) / amounts.before.heightM, 2);
    const visit = after.visits.find((v) => v.id === "v-new")!;
    expect(visit.cuts).toEqual([{ by: "share", share: Math.round(amounts.share * 10_000) / 10_000 }]);
    expect(after.stands.find((s) => s.id === "st")!.chosen).toBe("t1");
    const now = newestStand(after, "lilac-corner")!;
    expect(now.id).toBe("st2");
    expect(now.stems.map((s) => [s.id, s.lengthM, s.crosses])).toEqual([
      ["a", 1.5, null],
      ["c", 2, null],
    ]);
    // A side branch keeps its place on the ground: half of two metres is two thirds of one and a half.
    expect(now.stems[0]!.branches[0]!.at).toBeCloseTo(2 / 3, 3);
    expect(stemsAfter(now.stems, [], built)).toEqual(now.stems);
  });
});

describe("the bench's geometry", () => {
  const view = viewOf({ width: 400, height: 400, foot: 20 }, 2.5, 2, 0);
  test("a stem starts on the ground and ends at its height, whichever side it is seen from", () => {
    for (const deg of [0, 90, 180, 270]) {
      const v = { ...view, deg };
      const points = stemsDrawn(
        built,
        v,
      )(stem("a", { leanDeg: 30, turnDeg: 40 }))
        .path(0, 1)
        .slice(1)
        .split("L");
      const [first, last] = [points[0]!, points.at(-1)!].map((p) => p.split(" ").map(Number));
      expect(first![1]).toBeCloseTo(380, 0);
      expect(last![1]).toBeCloseTo(380 - 2 * Math.cos(Math.PI / 6) * view.scale, 0);
    }
  });
  test("the part of a stem nearest to a press is the part that is drawn there", () => {
    const s = stem("a", { leanDeg: 20, turnDeg: 10 });
    for (const at of [0.1, 0.45, 0.9]) {
      const path = stemsDrawn(built, view)(s).path(0, at).split("L").at(-1)!.split(" ").map(Number);
      expect(nearestPart(s, { x: path[0]!, y: path[1]! }, built, view)).toBeCloseTo(at, 1);
    }
    expect(onSheet({ x: 0, y: 0, z: 0 }, view)).toEqual({ x: 200, y: 380 });
  });
  test("a saw-tooth drops at each cut and grows again", () => {
    const tooth = { before: 2, cut: 1, after: [1.5, 1.8, 2] as const };
    const s = sawTooth([tooth, tooth], 1.8, { width: 200, height: 122 });
    const [before, cut, grown] = s.line
      .match(/-?\d+(\.\d+)?/g)!
      .slice(1, 5)
      .map(Number);
    expect(before! < cut!).toBe(true);
    expect(grown).toBe(60);
    expect(s.yearX).toEqual([0, 100]);
    expect(s.wantedY).toBeLessThan(cut!);
  });
});

describe("the bench in words", () => {
  beforeEach(freshStart);

  test("a proposal for a counted lilac: what goes, what stays and why, and the list to carry", async () => {
    openAt("/plant/lilac-corner/bench?on=2026-06-10");
    fireEvent.click(await screen.findByRole("button", { name: "Suggest" }, { timeout: 10_000 }));
    const list = await screen.findByRole("region", { name: "The list to carry" });
    await waitFor(() => expect(within(list).getAllByRole("checkbox").length).toBeGreaterThan(1));
    expect(within(list).getAllByText(/Dead stem out at the ground/).length).toBe(2);
    const why = screen.getByRole("list", { name: "Why these cuts" });
    expect(why.textContent).toMatch(/Dead wood: 2 cuts/);
    expect(why.textContent).toMatch(/what may go this year is reached/);
    expect(screen.getByRole("status", { name: "What this try amounts to" }).textContent).toMatch(
      /2 dead, which do not count/,
    );
  });

  test("a wrong count is said and nothing is drawn; presses count too", async () => {
    openAt("/plant/spirea-gate/bench?on=2026-03-10");
    const line = await screen.findByLabelText("Say it in a line", undefined, { timeout: 10_000 });
    fireEvent.change(line, { target: { value: "a good many" } });
    fireEvent.click(screen.getByRole("button", { name: "Draw them" }));
    expect(await screen.findByText(/No number was found/)).toBeTruthy();
    fireEvent.change(line, { target: { value: "" } });
    for (let i = 0; i < 3; i++) fireEvent.click(screen.getByRole("button", { name: "One more: Like a finger" }));
    fireEvent.click(screen.getByRole("button", { name: "Draw 3 stems" }));
    expect(await screen.findByRole("button", { name: /^Stem 3 like a finger/ }, { timeout: 10_000 })).toBeTruthy();
  });

  test("a plant in its first season: dead wood only, in the proposal, the passes and the years; a live cut is refused", async () => {
    openAt("/plant/yew-young/bench?on=2026-06-20");
    const line = await screen.findByLabelText("Say it in a line", undefined, { timeout: 10_000 });
    fireEvent.change(line, { target: { value: "3 stems: 1 dead" } });
    fireEvent.click(screen.getByRole("button", { name: "Draw 3 stems" }));
    fireEvent.click(await screen.findByRole("button", { name: "Suggest" }));
    const list = await screen.findByRole("region", { name: "The list to carry" });
    await waitFor(() => expect(within(list).getAllByRole("checkbox")).toHaveLength(1));
    const outcome = screen.getByRole("status", { name: "What this try amounts to" });
    expect(outcome.textContent).toMatch(/Only dead wood goes, and that may go on any day: it can be planned/);
    const passes = screen.getByRole("list", { name: "Passes in order" });
    expect(within(passes).getAllByRole("listitem")).toHaveLength(1);
    expect(screen.getByRole("region", { name: "Over the years" }).textContent).toMatch(/it is in its first season/);
    fireEvent.click(screen.getByRole("button", { name: /^Stem 1 / }));
    fireEvent.click(await screen.findByRole("button", { name: "Out at the ground" }));
    await waitFor(() => expect(outcome.textContent).toMatch(/Dead wood only: it is in its first season here/));
    expect(screen.getByRole("button", { name: /^Plan it for/ })).toHaveProperty("disabled", true);
  });

  test("over the years: begun by one way, its steps stand at the plant; another way takes its place", async () => {
    openAt("/plant/lilac-corner/bench?on=2026-06-10");
    const years = await screen.findByRole("region", { name: "Over the years" }, { timeout: 10_000 });
    const rows = () => within(years).getAllByRole("row").length - 1;
    fireEvent.click(within(years).getByRole("button", { name: "A third each year" }));
    expect(rows()).toBe(3);
    fireEvent.click(within(years).getByRole("button", { name: "One side, then the other" }));
    expect(rows()).toBe(2);
    fireEvent.click(within(years).getByRole("button", { name: "A small tree" }));
    expect(years.textContent).toMatch(/Leaders: Stem \d+, Stem \d+, Stem \d+/);
    fireEvent.click(within(years).getByRole("button", { name: /^Begin/ }));
    expect(await within(years).findByText(/its steps stand in your year/)).toBeTruthy();
    const ahead = screen.getByRole("region", { name: "Years ahead" });
    fireEvent.click(within(ahead).getByRole("button", { name: /^Begin/ }));
    expect(await within(ahead).findByText(/its steps move with what you record/)).toBeTruthy();
    // One thing at a time is begun at a plant.
    expect(within(years).queryByText(/its steps stand in your year/)).toBeNull();
  });

  test("a height that cannot be held is said; own hours and prices are asked of the ways", async () => {
    openAt("/plant/lilac-corner/bench?on=2026-06-10");
    const ahead = await screen.findByRole("region", { name: "Years ahead" }, { timeout: 10_000 });
    const slider = within(ahead).getByRole("slider");
    fireEvent.change(slider, { target: { value: slider.getAttribute("min") } });
    expect(within(ahead).getByRole("status").textContent).toMatch(/held/);
    const cells = (way: RegExp): string =>
      within(ahead).getByRole("rowheader", { name: way }).closest("tr")!.textContent;
    expect(within(ahead).queryByRole("columnheader", { name: "Cost a year" })).toBeNull();
    const type = (label: string, value: string) =>
      fireEvent.change(within(ahead).getByLabelText(label), { target: { value } });
    type("Hours a year to hold it", "many");
    fireEvent.click(within(ahead).getByRole("button", { name: "Keep these" }));
    expect(await within(ahead).findByText(/“many” will not do/)).toBeTruthy();
    type("Hours a year to hold it", "2");
    type("What an hour is worth to you", "15");
    fireEvent.click(within(ahead).getByRole("button", { name: "Keep these" }));
    await within(ahead).findByRole("columnheader", { name: "Cost a year" }, { timeout: 5000 });
    expect(cells(/Hold it/)).toMatch(/120 min.*30$/);
  });
});
