/** Hedges of a garden: the answers of common practice for one size in five kinds, and what the file refuses of them. */
import { describe, expect, test } from "@jest/globals";
import {
  CATALOGUE,
  cutBetween,
  date,
  hedgeFrom,
  hedgeStands,
  hedgeTo,
  hedgeTrims,
  leftToTrimM,
  type LightAsked,
  workLight,
  partsOf,
  topOf,
  type Visit,
  trimDates,
  wantedSection,
  widthAt,
  type Hedge,
} from "@wren/core";
import { modelOf, PLACE, plantOf, visitOf } from "./support.ts";

const on = date("2026-03-10");
/** 12 m, 2.2 m high, 0.7 m at the foot and 1.1 m at the top, on a slope of 6 %, facing north. */
const hedgeOf = (id: string, more: Partial<Hedge> = {}) => {
  const plant = plantOf(id, { heightM: 2.2, widthM: 12 });
  const model = modelOf([plant]);
  const measured = { heightM: 2.2, footM: 0.7, topM: 1.1 };
  const hedge: Hedge = {
    ...hedgeFrom(plant, CATALOGUE.byId(id)!, "h", on, 0),
    posts: [
      { alongM: 0, groundM: 0, ...measured },
      { alongM: 12, groundM: 0.72, heightM: null, footM: null, topM: null },
    ],
    boundary: true,
    ...more,
  };
  const stands = hedgeStands(model, hedge, on);
  const to = hedgeTo(model, stands, wantedSection(stands));
  return { model, hedge, stands, to, trims: hedgeTrims(model, stands, on) };
};

describe("a yew boundary, wider at the top than at the foot", () => {
  const { stands, to, trims, model } = hedgeOf("taxus-media");
  test("what is wrong, and a section that mends it: narrower at the top, more light on both feet", () => {
    expect(stands.faults).toEqual(["top-wider"]);
    expect(topOf(to.wanted)).toBeLessThan(to.wanted.footM);
    for (const l of to.light) {
      expect(l.then).toBeGreaterThan(l.now);
      expect(l.sunThenH).toBeGreaterThan(l.sunNowH);
    }
    expect(to.light.map((l) => l.looksToDeg)).toEqual([0, 180]);
  });
  test("five posts, each with its strings; what comes off, in its years, one face after the other", () => {
    expect(to.strings.map((s) => s.alongM)).toEqual([0, 3, 6, 9, 12]);
    expect(to.cut.pastGreen).toEqual(["front", "back"]);
    const [byFaces] = to.ways;
    expect(byFaces!.steps.map((s) => s.year)).toEqual([
      [0, 0],
      [3, 5],
    ]);
    expect(to.cutM3).toBeCloseTo(12 * (to.cut.off.front + to.cut.off.back + to.cut.off.top), 9);
    expect(to.looseM3[1]).toBeGreaterThan(to.looseM3[0]);
  });
  test("its trims fall after the flush, two of them six weeks before frost, and more trims stand closer", () => {
    const [one, two] = trims.plans;
    const months = trimDates(model, two!, on).map((d) => partsOf(d).month);
    expect(months).toEqual([6, 8]);
    expect(two!.shaggy).toBeLessThan(one!.shaggy);
  });
});

test("the same size in five kinds: plainly different, each as practice has it", () => {
  const yew = hedgeOf("taxus-media");
  const privet = hedgeOf("ligustrum-ovalifolium");
  const thuja = hedgeOf("thuja-occidentalis");
  const beech = hedgeOf("fagus-sylvatica");
  const forsythia = hedgeOf("forsythia-intermedia");
  // Privet grows fast and is trimmed more often than yew, and comes back from bare wood sooner.
  expect(privet.trims.count).toBeGreaterThan(yew.trims.count);
  expect(privet.to.ways[0]!.steps[1]!.year[0]).toBeLessThan(yew.to.ways[0]!.steps[1]!.year[0]);
  // Arborvitae stays in its green: its top stays wider than a yew's.
  expect(thuja.to.cut.pastGreen).toEqual([]);
  expect(topOf(thuja.to.wanted)).toBeGreaterThan(topOf(yew.to.wanted) + 0.3);
  const deep = cutBetween(thuja.stands.now, yew.to.wanted, thuja.stands.greenM);
  expect(deep.pastGreen).toContain("front");
  // Beech holds its leaves in winter: trimmed in summer, and never all round at once while it is slow from bare wood.
  const inBeech = trimDates(beech.model, beech.trims.plans[1]!, on).map((d) => partsOf(d).month);
  expect(inBeech).toEqual([6, 8]);
  // A flowering hedge is trimmed once its bloom is over.
  const [first] = trimDates(forsythia.model, forsythia.trims.plans[0]!, on);
  const [bloom] = forsythia.model.yearOf(CATALOGUE.byId("forsythia-intermedia")!).displays;
  expect(forsythia.model.season(first!).seasonDay).toBeGreaterThan(bloom!.ends.day - 1);
  expect(forsythia.trims.plans[0]!.harm).toBeLessThan(0.05);
  expect([yew, privet, thuja, beech].map((h) => h.stands.task)).toEqual(["shear", "shear", "shear", "shear"]);
  // Shears slice large leaves.
  expect(hedgeOf("prunus-laurocerasus").stands.task).toBe("shape");
});

test("no trim falls where its regrowth meets frost, nor in the birds' season that was said; trims move with the place", () => {
  const quiet = { from: "03-01", to: "08-31" } as Hedge["birds"];
  const kept = hedgeOf("taxus-media", { birds: quiet });
  for (const plan of kept.trims.plans)
    for (const d of plan ? trimDates(kept.model, plan, on) : [])
      expect(d.slice(5) > "08-31" || d.slice(5) < "03-01").toBe(true);
  const plant = plantOf("carpinus-betulus", { heightM: 2, widthM: 6 });
  const day = (place: object): number => {
    const m = modelOf([plant], { place: { ...PLACE, ...place } });
    const s = hedgeStands(m, hedgeFrom(plant, CATALOGUE.byId("carpinus-betulus")!, "h", on, 0), on);
    return hedgeTrims(m, s, on).plans[1]!.days[0]!;
  };
  expect(day({ zone: "8a", lastFrost: "03-20", firstFrost: "11-15" })).toBeLessThan(
    day({ zone: "4b", lastFrost: "05-15", firstFrost: "09-25" }),
  );
});

test("what must grow is told from what comes off: a wish that is wider than the hedge cuts nothing there", () => {
  const { stands } = hedgeOf("taxus-media");
  const wide = { ...stands.now, footM: 1.6, batterDeg: { front: 5, back: 5 } };
  const cut = cutBetween(stands.now, wide, stands.greenM);
  expect(cut.depths.front.toGrowM).toBeGreaterThan(0.3);
  expect(widthAt(stands.now, 0)).toBeCloseTo(0.7, 9);
  expect(cut.depths.back.deepestM).toBeLessThan(0.02);
});

test("trimmed in stretches: what is left of it; its own timed trims tell the minutes of the next", () => {
  const on = date("2026-08-10");
  const plant = plantOf("taxus-baccata", { heightM: 1.8, widthM: 10 });
  const hedge = { ...hedgeFrom(plant, CATALOGUE.byId(plant.taxonId)!, "h", on, 0), done: { on, toM: 4 } };
  const trim = (minutes: number, day: string) => ({ ...visitOf(plant.id, day, 0.1, { task: "shear" }), minutes });
  const asked = (visits: readonly Visit[]) => {
    const m = modelOf([plant], { hedges: [hedge], visits: [...visits] });
    const s = hedgeStands(m, hedge, on);
    return { left: leftToTrimM(s), own: hedgeTo(m, s, s.now).ownMinutes };
  };
  expect(asked([])).toEqual({ left: 6, own: null });
  expect(asked([trim(60, "2025-08-12")]).own!.map(Math.round)).toEqual([45, 75]);
  expect(asked([trim(60, "2025-08-12"), trim(80, "2024-08-20")]).own!.map(Math.round)).toEqual([54, 88]);
});

// Upright faces at 51°: the north one has sun in the long days' mornings and evenings alone (general knowledge).
test("sun by height and month: north none in winter, the south side's is winter's day; a wall takes the foot first", () => {
  const upright = { heightM: 2, footM: 0.6, batterDeg: { front: 0, back: 0 }, crown: "flat" } as const;
  const open = { front: null, back: null };
  const ask = {
    now: upright,
    then: upright,
    screens: open,
    facesDeg: 0,
    latitudeDeg: 51,
    hemisphere: "north",
  } as const;
  const work = (more: Partial<LightAsked> = {}) => {
    const told: number[] = [];
    const steps = workLight({ ...ask, ...more });
    let step = steps.next();
    for (; step.done !== true; step = steps.next()) told.push(step.value);
    expect(told).toEqual(told.toSorted((a, b) => a - b));
    expect(told.at(-1)).toBe(1);
    return step.value;
  };
  const [north, south] = work();
  expect(north!.nowH[11]).toEqual(new Array(10).fill(0));
  expect(north!.nowH[5]![0]).toBeGreaterThan(5);
  // Day at 51° in mid-December: 7.9 h. In mid-June the sun stands due east acos(tan 23.3° / tan 51°) = 69.6°, so 4.64 h,
  // before noon: 9.28 h on an upright south face.
  expect(Math.abs(south!.nowH[11]![0]! - 7.9)).toBeLessThan(0.3);
  expect(Math.abs(south!.nowH[5]![0]! - 9.28)).toBeLessThan(0.1);
  const walled = work({ screens: { front: null, back: { heightM: 1.5, distanceM: 2 } } })[1]!;
  expect(walled.nowH[11]![0]).toBeLessThan(walled.nowH[11]![9]!);
  expect(walled.nowH[11]![9]).toBeCloseTo(south!.nowH[11]![9]!, 5);
  // Mirrored: in the south half a year later, looking the other way.
  const mirrored = work({ hemisphere: "south", latitudeDeg: -51, facesDeg: 180 })[0]!;
  expect(Math.abs(mirrored.nowH[11]![3]! - north!.nowH[5]![3]!)).toBeLessThan(0.15);
});

test("the post that stands nearest to the section is the guide for the rest", () => {
  const on = date("2026-08-10");
  const plant = plantOf("taxus-baccata", { heightM: 1.8, widthM: 10 });
  const post = (alongM: number, topM: number | null) => ({ alongM, groundM: 0, heightM: 1.8, footM: 0.8, topM });
  const guide = (...posts: ReturnType<typeof post>[]) => {
    const hedge = { ...hedgeFrom(plant, CATALOGUE.byId(plant.taxonId)!, "h", on, 0), posts };
    const m = modelOf([plant], { hedges: [hedge] });
    const s = hedgeStands(m, hedge, on);
    return hedgeTo(m, s, { heightM: 1.8, footM: 0.8, batterDeg: { front: 5, back: 5 }, crown: "flat" }).guide;
  };
  expect(guide(post(0, 1), post(4, 0.6), post(8, 0.9))?.alongM).toBe(4);
  expect(guide(post(0, 1), post(8, null))).toBeNull();
});

test("a mixed hedge is cut no deeper than its strictest kind bears", () => {
  const on = date("2026-04-10");
  const plant = plantOf("taxus-baccata", { heightM: 2, widthM: 10 });
  const bare = hedgeFrom(plant, CATALOGUE.byId(plant.taxonId)!, "h", on, 0);
  const refused = (stretches: Hedge["stretches"]) => {
    const m = modelOf([plant], { hedges: [{ ...bare, stretches }] });
    const s = hedgeStands(m, m.garden.hedges[0]!, on);
    return hedgeTo(m, s, { ...s.now, heightM: 1.2 }).refused;
  };
  expect(refused([])).toBe(false);
  expect(refused([{ taxonId: "taxus-baccata", toM: 6 }])).toBe(false);
  expect(
    refused([
      { taxonId: "taxus-baccata", toM: 6 },
      { taxonId: "thuja-occidentalis", toM: 10 },
    ]),
  ).toBe(true);
});
