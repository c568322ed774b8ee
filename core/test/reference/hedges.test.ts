/** Hedges against exact geometry, against `checks.md` 4.2 (an astronomy library's figures), and against sampling and scans. */
import { describe, expect, test } from "@jest/globals";
import * as Astronomy from "astronomy-engine";
import fc from "fast-check";
import {
  areaByStrips,
  areaOf,
  clippedOf,
  crownLengthOf,
  CROWNS,
  cutBetween,
  date,
  evenPosts,
  faceLengthOf,
  greenDepthOf,
  inset,
  LEAST_APART_DAYS,
  leaned,
  leastBatter,
  lowerSky,
  measuredSection,
  outside,
  planTrims,
  pointAt,
  screenAngleDeg,
  seasonPoint,
  sectionFault,
  shapeShare,
  shellShare,
  templateOf,
  type ClippedShape,
  shoulderOf,
  skyShare,
  spanAt,
  stringsFor,
  sumOfOutside,
  sunOn,
  topOf,
  topSky,
  trimsOn,
  wayBack,
  widthAt,
  withinGreen,
  CATALOGUE,
  type Crown,
  type Section,
  type TrimYear,
} from "@wren/core";
import "../seed.ts";

const section = (heightM: number, footM: number, deg = 0, crown: Crown = "flat", backDeg = deg): Section => ({
  heightM,
  footM,
  batterDeg: { front: deg, back: backDeg },
  crown,
});
const within = (got: number, want: number, part = 0.005): void =>
  expect(Math.abs(got - want)).toBeLessThanOrEqual(Math.max(1e-9, part * Math.abs(want)));

describe("sections (exact: geometry)", () => {
  const tan10 = Math.tan((10 * Math.PI) / 180);
  test.each<[string, number, number]>([
    ["a rectangle", areaOf(section(1.8, 0.9)), 1.62],
    ["a trapezoid of 10°", areaOf(section(2, 1, 10)), 2 * (1 - 2 * tan10)],
    ["leaning on one side", areaOf(section(2, 1, 10, "flat", 0)), 2 * (1 - tan10)],
    ["wider at the top, as measured", areaOf(measuredSection(2.2, 0.7, 1.1)), 2.2 * 0.9],
    // Upright: the crown rises 0.3 (half an ellipse) or tan 30°/2 of the width over the shoulders.
    ["rounded", areaOf(section(2, 1, 0, "rounded")), 1.7 + (Math.PI / 4) * 0.3],
    ["ridged", areaOf(section(2, 1, 0, "ridged")), 2 - 0.5 * (Math.tan(Math.PI / 6) / 2)],
    ["a face of 10°", faceLengthOf(section(2, 1, 10), "front"), 2 / Math.cos((10 * Math.PI) / 180)],
    ["over a ridge", crownLengthOf(section(2, 1, 0, "ridged")), 1 / Math.cos(Math.PI / 6)],
    ["over a flat top", crownLengthOf(section(2, 1, 10)), 1 - 4 * tan10],
    ["all that is clipped", clippedOf(section(2, 1)), 5],
    ["its top as measured", topOf(measuredSection(2.2, 0.7, 1.1)), 1.1],
  ])("%s", (_, got, want) => within(got, want));

  // Half of an ellipse 1 by 0.6 m, by Simpson's rule over its angle.
  test("over a rounded crown: by formula as by quadrature", () => {
    const [a, b, n] = [0.5, 0.3, 2000];
    const ds = (t: number): number => Math.hypot(a * Math.sin(t), b * Math.cos(t));
    let sum = 0;
    for (let i = 0; i < n; i++) sum += (ds(((i + 0.5) * Math.PI) / n) * Math.PI) / n;
    within(crownLengthOf(section(2, 1, 0, "rounded")), sum, 1e-4);
  });

  const some = fc.record({
    heightM: fc.double({ min: 0.4, max: 4, noNaN: true }),
    footM: fc.double({ min: 0.3, max: 2.5, noNaN: true }),
    front: fc.double({ min: -8, max: 15, noNaN: true }),
    back: fc.double({ min: -8, max: 15, noNaN: true }),
    crown: fc.constantFrom(...CROWNS),
  });
  const sound = some
    .map((x) => section(x.heightM, x.footM, x.front, x.crown, x.back))
    .filter((s) => sectionFault(s) === null && topOf(s) > 0.1);

  test("formula against the widths alone, to 0.5 %; nothing of a section is outside itself", () => {
    fc.assert(
      fc.property(sound, (s) => {
        within(areaByStrips(s), areaOf(s));
        within(sumOfOutside(outside(s, null)), areaOf(s));
        expect(sumOfOutside(outside(s, s))).toBeLessThan(1e-9);
        expect(shoulderOf(s).heightM + shoulderOf(s).riseM).toBeCloseTo(s.heightM, 9);
      }),
    );
  });

  test("faces that would meet below the top are said", () => {
    expect(sectionFault(section(3, 0.6, 12))).toBe("faces-meet");
    expect(sectionFault(section(3, 1.3, 12))).toBeNull();
  });

  test("a deeper cut never takes less, of the hedge and of its shell", () => {
    fc.assert(
      fc.property(
        sound,
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        (s, a, b) => {
          const [less, more] = [inset(s, Math.min(a, b)), inset(s, Math.max(a, b))];
          if (less === null || more === null) return;
          const [x, y] = [cutBetween(s, less, 0.25), cutBetween(s, more, 0.25)];
          expect(y.share).toBeGreaterThanOrEqual(x.share - 1e-9);
          expect(sumOfOutside(y.off)).toBeGreaterThanOrEqual(sumOfOutside(x.off) - 1e-9);
          expect(y.share).toBeCloseTo(y.shareBy.front + y.shareBy.back + y.shareBy.top, 9);
        },
      ),
    );
  });

  // checks.md 6: 5 cm off a 0.9 × 1.8 m hedge is 26.8 % of a 20 cm live shell.
  test("5 cm off the faces and the top of a 20 cm shell: the solids' own share", () => {
    const s = section(1.8, 0.9);
    const { share } = cutBetween(s, inset(s, 0.05)!, 0.2);
    within(share, 0.268293);
    within(share, shellShare({ solid: "wall", heightM: 1.8, footM: 0.9, topM: 0.9, lengthM: 1 }, 0.05, 0.2));
  });
});

describe("light on a face", () => {
  const solstice = seasonPoint(date("2025-06-21"), "north").seasonDay;
  const mayDay = seasonPoint(date("2025-05-05"), "north").seasonDay;
  const north = (lat: number, deg: number, day: number, azimuthDeg = 0) =>
    sunOn(pointAt(section(2, 1, deg), "front", 0.3), null, { latitudeDeg: lat, hemisphere: "north", day, azimuthDeg });
  // checks.md 4.2, from an astronomy library's declinations; to 2 %.
  test.each<[number, number, number, readonly number[], number]>([
    [45, solstice, 6.852, [7.574, 8.527, 9.916], 8.574],
    [45, mayDay, 4.534, [4.986, 5.558, 6.324], 9.733],
    [55, solstice, 7.457, [7.946, 8.527, 9.249], 9.644],
    [55, mayDay, 4.866, [5.185, 5.558, 6.011], 10.425],
  ])(
    "latitude %d, day %d: hours of sun on a north face, upright and leaning, and on the south face",
    (lat, day, upright, leaning, south) => {
      within(north(lat, 0, day).hours, upright, 0.02);
      leaning.forEach((h, i) => within(north(lat, 5 * (i + 1), day).hours, h, 0.02));
      within(north(lat, 0, day, 180).hours, south, 0.02);
    },
  );
  // Strength leans on the declination more than hours do: 0.2° of it, a year of no leap days, is 2 % of a grazing sun.
  test.each<[number, number, number, number]>([
    [45, 0, solstice, 1.927],
    [45, 10, solstice, 2.313],
    [55, 10, mayDay, 1.35],
  ])("latitude %d, leaning %d°, day %d: hours times cosine (checks.md 4.2), to 2.5 %%", (lat, deg, day, want) =>
    within(north(lat, deg, day).strength, want, 0.025),
  );

  // The same hours from the library's own sun, minute by minute, without refraction.
  test.each<[number, string, number, number]>([
    [52, "2026-08-10", 60, 8],
    [33, "2026-04-20", 300, 4],
    [-37, "2026-01-15", 180, 10],
    [60, "2026-05-20", 0, 12],
  ])("latitude %d on %s, face to %d°, leaning %d°: against astronomy-engine, to 2 %", (lat, on, azimuthDeg, deg) => {
    const hemisphere = lat < 0 ? "south" : "north";
    const observer = new Astronomy.Observer(lat, 0, 0);
    const lean = (deg * Math.PI) / 180;
    let hours = 0;
    for (let m = 0; m < 1440; m += 2) {
      const at = new Date(`${on}T00:00:00Z`);
      at.setUTCMinutes(m + 1);
      const equator = Astronomy.Equator(Astronomy.Body.Sun, at, observer, true, true);
      const { altitude, azimuth } = Astronomy.Horizon(at, observer, equator.ra, equator.dec);
      const [alt, az] = [(altitude * Math.PI) / 180, ((azimuth - azimuthDeg) * Math.PI) / 180];
      if (altitude > 0 && Math.cos(alt) * Math.cos(az) * Math.cos(lean) + Math.sin(alt) * Math.sin(lean) > 0)
        hours += 2 / 60;
    }
    const day = seasonPoint(date(on), hemisphere).seasonDay;
    const got = sunOn(pointAt(section(2, 1, deg), "front", 0.3), null, {
      latitudeDeg: lat,
      hemisphere,
      day,
      azimuthDeg,
    });
    within(got.hours, hours, 0.02);
  });

  test.each([
    [-10, 0.4132],
    [0, 0.5],
    [5, 0.5436],
    [15, 0.6294],
  ])("sky of an open face leaning %d° (checks.md 4.2): %d", (deg, share) => {
    expect(lowerSky(section(2, 1.4, deg), "front", null)).toBeCloseTo(share, 4);
  });

  // Rays spread as an even sky lights a face (cosine law), those that clear the screen and the horizon.
  test.each<[number, number, number, number]>([
    [0, 0.4, 2, 1.5],
    [10, 0.4, 1.8, 1],
    [15, 0.8, 3, 2.5],
    [-5, 0.3, 2, 3],
  ])(
    "beside a parallel screen: leaning %d°, at %d m, screen %d m high %d m off: against rays, to 1 %%",
    (deg, z, heightM, distanceM) => {
      const p = pointAt(section(2, 1, deg), "front", z);
      const screen = { heightM, distanceM };
      const alpha = (screenAngleDeg(p, screen) * Math.PI) / 180;
      const lean = (deg * Math.PI) / 180;
      const n = 400;
      let seen = 0;
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) {
          // Cosine-weighted round the face's normal: along it, along the hedge, and up the face.
          const r = Math.sqrt((i + 0.5) / n);
          const turn = (2 * Math.PI * (j + 0.5)) / n;
          const [x, y] = [r * Math.cos(turn), r * Math.sin(turn)];
          const straight = Math.sqrt(1 - r * r);
          const out = straight * Math.cos(lean) - y * Math.sin(lean);
          const up = straight * Math.sin(lean) + y * Math.cos(lean);
          if (up > 0 && (out <= 0 || up > out * Math.tan(alpha)) && Number.isFinite(x)) seen++;
        }
      within(skyShare(p, screen), seen / (n * n), 0.01);
    },
  );

  test("more lean never darkens the foot; the least lean agrees with a scan, and what cannot be reached is said", () => {
    const wanted = [0.45, 0.52, 0.56, 0.62, 0.7];
    for (const heightM of [1.2, 2, 3])
      for (const screen of [null, { heightM: 1, distanceM: 1.2 }, { heightM: 2.4, distanceM: 2 }]) {
        const s = section(heightM, 1.2);
        const screens = { front: screen, back: null };
        const light = (deg: number): number =>
          lowerSky(leaned(s, "front", deg), "front", screen) / topSky(leaned(s, "front", deg), screens);
        const scan = Array.from({ length: 1501 }, (_, i) => light(i / 100));
        scan.slice(1).forEach((x, i) => expect(x).toBeGreaterThanOrEqual(scan[i]! - 1e-12));
        for (const w of wanted) {
          const found = leastBatter(s, "front", screens, w, 0.4);
          const first = scan.findIndex((x) => x >= w - 1e-12);
          if (first < 0) {
            expect([found.batterDeg, found.best < w]).toEqual([null, true]);
            if (found.footM !== null) expect(found.footM).toBeGreaterThan(0.4 + heightM * Math.tan(Math.PI / 12));
          } else expect(Math.abs(found.batterDeg! - first / 100)).toBeLessThanOrEqual(0.011);
        }
      }
  });

  // checks.md 4.2: at 45° the noon sun of midsummer reaches a north face that leans more than 21.56°.
  test("the sun of noon at midsummer on a north face", () => {
    const noon = (deg: number): boolean => north(45, deg, solstice).hours > 15.3;
    expect([noon(20), noon(22.5)]).toEqual([false, true]);
  });

  test("the hemispheres mirror: north here is south there", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 60 }),
        fc.integer({ min: 0, max: 360 }),
        fc.integer({ min: 0, max: 364 }),
        (lat, az, day) => {
          const p = pointAt(section(2, 1, 6), "front", 0.4);
          const here = sunOn(p, null, { latitudeDeg: lat, hemisphere: "north", day, azimuthDeg: az });
          const there = sunOn(p, null, { latitudeDeg: -lat, hemisphere: "south", day, azimuthDeg: (540 - az) % 360 });
          expect(Math.abs(here.hours - there.hours)).toBeLessThan(0.35);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("strings", () => {
  const slope = evenPosts(
    [
      { alongM: 0, groundM: 0 },
      { alongM: 12, groundM: 0.72 },
    ],
    5,
  );
  test("five posts on a slope of 6 %: level, following, in steps (by hand)", () => {
    expect(slope.map((p) => [p.alongM, Number(p.groundM.toFixed(3))])).toEqual([
      [0, 0],
      [3, 0.18],
      [6, 0.36],
      [9, 0.54],
      [12, 0.72],
    ]);
    const tops = (top: "level" | "follows" | "steps") => stringsFor(section(2, 0.9, 5), slope, top).map((x) => x.topM);
    expect(tops("follows")).toEqual([2, 2, 2, 2, 2].map((x) => expect.closeTo(x, 9)));
    expect(tops("level")).toEqual([2.72, 2.54, 2.36, 2.18, 2].map((x) => expect.closeTo(x, 9)));
    expect(tops("steps")).toEqual([2, 2.12, 2.24, 2.06, 2.18].map((x) => expect.closeTo(x, 9)));
  });
  test("a string stands where the section is so wide, and top and lean stay the same along a level top", () => {
    const s = section(2, 0.9, 5);
    for (const at of stringsFor(s, slope, "level")) {
      const [shoulder, , foot] = at.lines;
      expect(shoulder!.frontM + shoulder!.backM).toBeCloseTo(topOf(s), 9);
      expect(foot!.frontM - shoulder!.frontM).toBeCloseTo(at.topM * Math.tan((5 * Math.PI) / 180), 9);
    }
    const [level] = stringsFor(
      s,
      [
        { alongM: 0, groundM: 0 },
        { alongM: 5, groundM: 0 },
      ],
      "level",
    );
    expect(level!.lines.map((l) => l.frontM + l.backM)).toEqual([2, 1, 0].map((z) => expect.closeTo(widthAt(s, z), 9)));
    expect(spanAt(s, 2.1)).toBeNull();
  });
});

describe("trims of the year", () => {
  // A year of two flushes, cheap in early summer and late summer, dear in spring and autumn.
  const year = (toleranceM: number, from: number, to: number, turn: number): TrimYear => {
    const days = Array.from({ length: 365 }, (_, d) => d);
    return {
      harm: days.map((d) => 0.2 + 0.15 * Math.cos(((d - turn) / 365) * 4 * Math.PI) + (d % 7) * 1e-4),
      open: days.map((d) => (d >= from && d <= to ? 1 : 0)),
      grownM: days.map((d) => 0.3 * Math.min(1, Math.max(0, (d - 100) / 150))),
      toleranceM,
    };
  };
  test.each([
    [0.03, 120, 200, 20],
    [0.1, 120, 200, 210],
    [0.03, 150, 200, 150],
    [0.1, 90, 230, 150],
  ])("two trims: the best of all pairs of days (tolerance %d m, days %d to %d)", (toleranceM, from, to, turn) => {
    const y = year(toleranceM, from, to, turn);
    let least = Infinity;
    for (let a = from; a <= to; a++)
      for (let b = a + LEAST_APART_DAYS; b <= to; b++) {
        const t = trimsOn(y, [a, b]);
        least = Math.min(least, t.harm + t.shaggy);
      }
    const found = planTrims(y, 2)!;
    expect(found.harm + found.shaggy).toBeCloseTo(least, 9);
  });
  test("more trims keep it closer; a short window does not hold three; nothing open, no plan", () => {
    const y = year(0.03, 120, 290, 20);
    const shaggy = [1, 2, 3].map((n) => planTrims(y, n)!.shaggy);
    expect(shaggy).toEqual(shaggy.toSorted((a, b) => b - a));
    expect(planTrims(year(0.03, 150, 190, 20), 3)).toBeNull();
    expect(planTrims(year(0.03, 400, 500, 20), 1)).toBeNull();
  });
});

describe("the way back", () => {
  const wide = measuredSection(3, 2, 2.2);
  const wanted = section(2, 0.9, 5);
  const kind = (id: string) => CATALOGUE.byId(id)!;
  test.each(["thuja-occidentalis", "chamaecyparis-lawsoniana", "juniperus-chinensis"])(
    "%s: never past its green, and what stays is said",
    (id) => {
      const green = greenDepthOf(kind(id));
      for (const way of ["by-faces", "height-first"] as const) {
        const plan = wayBack(wide, wanted, kind(id), green, way);
        expect(plan.staysWiderM).toBeGreaterThan(0.5);
        expect(plan.staysHigherM).toBeGreaterThan(0.5);
        expect(plan.steps.every((s) => s.waitsFor === null)).toBe(true);
        expect(cutBetween(wide, plan.reached, green).pastGreen).toEqual([]);
      }
    },
  );
  test("yew and privet come back to the wish, a face at a time, when the last is green", () => {
    for (const [id, least] of [
      ["taxus-media", 3],
      ["ligustrum-ovalifolium", 1],
    ] as const) {
      const plan = wayBack(wide, wanted, kind(id), 0.25, "by-faces");
      expect([plan.staysWiderM, plan.staysHigherM]).toEqual([0, 0]);
      expect(plan.steps.map((s) => s.parts)).toEqual([["front", "top"], ["back"]]);
      expect([plan.steps[1]!.waitsFor, plan.steps[1]!.year[0]]).toEqual(["face-green", least]);
      const last = plan.steps.at(-1)!.after;
      expect([last.section.heightM, last.section.footM, last.shiftM].map((x) => Number(x.toFixed(6)))).toEqual([
        2, 0.9, 0,
      ]);
    }
  });
  test("a wish within the green is met in the green", () => {
    const near = inset(wide, 0.1)!;
    const reached = withinGreen(wide, near, 0.2);
    expect([reached.heightM, reached.footM]).toEqual([near.heightM, near.footM].map((x) => expect.closeTo(x, 6)));
  });
});

describe("single shapes (exact: geometry)", () => {
  const size = { heightM: 1, widthM: 1 };
  // A ball of 1 m, 5 cm off all round, of a shell of 20 cm: (1 − 0.9³) / (1 − 0.6³); a cone 5 cm off: 1 − 0.95 · 0.9² over
  // 1 − 0.8 · 0.6².
  test.each<[ClippedShape, number]>([
    ["ball", (1 - 0.9 ** 3) / (1 - 0.6 ** 3)],
    ["standard", (1 - 0.9 ** 3) / (1 - 0.6 ** 3)],
    ["cone", (1 - 0.95 * 0.9 ** 2) / (1 - 0.8 * 0.6 ** 2)],
    ["pyramid", (1 - 0.95 * 0.9 ** 2) / (1 - 0.8 * 0.6 ** 2)],
    ["dome", (1 - 0.95 * 0.9 ** 2) / (1 - 0.8 * 0.6 ** 2)],
  ])("%s: what a trim takes of the shell", (shape, share) => within(shapeShare(shape, size, 0.05, 0.2), share));

  test("edges: a ball's circle, a cone's line, a head that stands on its stem", () => {
    for (const { zM, outM } of templateOf("ball", { heightM: 1.2, widthM: 1.2 }).edge)
      within(Math.hypot(zM - 0.6, outM), 0.6);
    for (const { zM, outM } of templateOf("cone", { heightM: 2, widthM: 1 }).edge) within(outM, 0.5 * (1 - zM / 2));
    const head = templateOf("standard", { heightM: 1.8, widthM: 0.6 }).edge;
    expect([head[0]!.zM, head.at(-1)!.zM]).toEqual([expect.closeTo(1.2, 9), expect.closeTo(1.8, 9)]);
    expect(Math.max(...head.map((e) => e.outM))).toBeCloseTo(0.3, 9);
  });
  test("strings: a cone's slant, a pyramid's edge over its corner", () => {
    within(templateOf("cone", { heightM: 2, widthM: 1 }).stringM!, Math.sqrt(4.25));
    within(templateOf("pyramid", { heightM: 2, widthM: 1 }).stringM!, Math.sqrt(4.5));
    within(templateOf("pyramid", { heightM: 2, widthM: 1 }).pegs!.outM, Math.SQRT1_2);
    expect(templateOf("ball", size).pegs).toBeNull();
  });
});
