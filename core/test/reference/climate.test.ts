import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  checkPlaceClimate,
  climateOf,
  dayLengthH,
  expectedDegreeDays,
  firstFrostDay,
  frostDates,
  frostOdds,
  lastFrostDay,
  monthDay,
  monthDayToSeasonDay,
  parseMonthDay,
  singleSine,
  springIndex,
  zoneOf,
  zoneMinimumC,
  type MonthDay,
} from "@wren/core";
import { table } from "./files.ts";

/** A sine day's warmth above a base by the midpoint rule: slow and obvious. */
function bySampling(tmin: number, tmax: number, base: number): number {
  const n = 200_000;
  let sum = 0;
  for (let i = 0; i < n; i++) {
    const t = (tmin + tmax) / 2 + ((tmax - tmin) / 2) * Math.sin((2 * Math.PI * (i + 0.5)) / n);
    sum += Math.max(0, t - base);
  }
  return sum / n;
}

describe("degree-days (Baskerville & Emin 1969)", () => {
  const rows = table("degree-day-examples.csv").filter((r) => r["upper"] === "");
  const own = rows.map(
    (r) => [Number(r["tmin"]), Number(r["tmax"]), Number(r["base"]), Number(r["sine_horizontal"])] as const,
  );
  // Without an upper limit examples 1–6; 7 has no swing; the °C ones are computed by adaptive quadrature.
  const celsius = [
    [50, 50, 50, 0],
    [5, 20, 10, 3.771224],
    [-3, 9, 5, 1.01698],
    [0, 10, 4, 2.123488],
  ] as const;
  test.each([...own.slice(0, 6), ...celsius])("%d to %d over %d is %d", (lo, hi, base, expected) => {
    expect(singleSine(lo, hi, base)).toBeCloseTo(expected, 5);
  });

  test("agrees with numeric integration to 0.1 %", () => {
    for (const [lo, hi, base] of [
      [40, 60, 50],
      [-2, 31, 10],
      [9.5, 10.5, 10],
      [3, 11, 10],
    ] as const) {
      const slow = bySampling(lo, hi, base);
      expect(Math.abs(singleSine(lo, hi, base) - slow)).toBeLessThan(0.001 * slow);
    }
  });

  test("average ≤ single sine, rising with the maximum, falling with the base", () => {
    const t = fc.double({ min: -30, max: 45, noNaN: true });
    fc.assert(
      fc.property(t, fc.double({ min: 0.1, max: 25, noNaN: true }), t, (lo, swing, base) => {
        const s = singleSine(lo, lo + swing, base);
        expect(s).toBeGreaterThanOrEqual(Math.max(0, lo + swing / 2 - base) - 1e-9);
        expect(singleSine(lo, lo + swing + 1, base)).toBeGreaterThanOrEqual(s - 1e-9);
        expect(singleSine(lo, lo + swing, base + 1)).toBeLessThanOrEqual(s + 1e-9);
      }),
    );
  });

  // Thom (1954): sd·φ(z) + (μ − b)·Φ(z) for a day without swing, computed values.
  test.each([
    [50, 7, 2.792596],
    [55, 7, 5.976182],
    [60, 7, 10.240948],
  ])("expectation over the spread: mean %d, sd %d gives %d", (mean, sd, expected) => {
    // Nine nodes cannot follow the kink of a day without swing; with a real day's swing they need not.
    expect(Math.abs(expectedDegreeDays(mean, mean + 1e-9, sd, 50) - expected)).toBeLessThan(0.35);
    const slow = Array.from({ length: 4001 }, (_, i) => -5 + i / 400).map(
      (z) =>
        (singleSine(mean - 10 + sd * z, mean + 10 + sd * z, 50) * Math.exp((-z * z) / 2)) /
        Math.sqrt(2 * Math.PI) /
        400,
    );
    expect(expectedDegreeDays(mean - 10, mean + 10, sd, 50)).toBeCloseTo(
      slow.reduce((a, b) => a + b, 0),
      1,
    );
  });
});

describe("frost odds", () => {
  /** Tmin on day d ~ N(m − a·cos(2π(d − d0)/365), sd), d counted from 1. */
  const nights = (m: number, a: number, d0: number, sd: number, lag1: number) => ({
    tminC: Float64Array.from({ length: 365 }, (_, i) => m - a * Math.cos((2 * Math.PI * (i + 1 - d0)) / 365)),
    sdMinC: Float64Array.from({ length: 365 }, () => sd),
    lag1,
  });
  // Independent: exact product. Correlated: 100,000 simulated years, days to the end of 200.
  const cases = [
    { curve: [6, 12, 20, 4.5], independent: [101.44, 114.11, 131.26], simulated: [94, 110, 130] },
    { curve: [5, 13, 20, 4.5], independent: [105.83, 117.74, 133.96], simulated: [99, 114, 132] },
    { curve: [8, 11, 22, 4.0], independent: [88.99, 101.34, 117.05], simulated: [82, 97, 116] },
  ] as const;
  test.each(cases)("synthetic nights $curve", ({ curve, independent, simulated }) => {
    [0.9, 0.5, 0.1].forEach((p, i) => {
      const at = (lag1: number) =>
        lastFrostDay(frostOdds(nights(curve[0], curve[1], curve[2], curve[3], lag1), 0), 0, 199, p)! + 1;
      expect(Math.abs(at(1e-9) - independent[i]!)).toBeLessThan(0.6);
      expect(Math.abs(at(0.65) - simulated[i]!)).toBeLessThan(2.2);
    });
  });

  test("spring 10 % is later than the median, autumn 10 % earlier (direction pinned)", () => {
    const c = climateOf({
      latitudeDeg: 41,
      zone: "6b",
      lastFrost: monthDay("04-22"),
      firstFrost: monthDay("10-18"),
    });
    const [mid, rare] = [frostDates(c, 0, 0.5), frostDates(c, 0, 0.1)];
    expect(rare.last!).toBeGreaterThan(mid.last! + 7);
    expect(rare.first!).toBeLessThan(mid.first! - 7);
  });

  test("New York daily minima 2012–15 (NOAA): simulated quantiles of the last 0 °C night", () => {
    // Two-harmonic fit, spread by season and lag-1 correlation of that record; 100,000 simulated years gave 25 Mar, 7 Apr, 19 Apr.
    const rows = table("daily-seattle-newyork-2012-2015.csv").filter((r) => r["location"] === "New York");
    const n = normalsOf(rows);
    const bySeason = [5.01, 3.34, 2.26, 3.58];
    const sdMinC = Float64Array.from({ length: 365 }, (_, d) => bySeason[Math.floor(((d + 31) % 365) / 91.25)]!);
    const odds = frostOdds({ tminC: n.tminC, sdMinC, lag1: 0.67 }, 0);
    const days = [0.9, 0.5, 0.1].map((p) => lastFrostDay(odds, 26, 206, p)! + 1);
    [84, 97, 109].forEach((d, i) => expect(Math.abs(days[i]! - d)).toBeLessThan(3));
    expect(Math.abs(firstFrostDay(odds, 206, 391, 0.5)! + 1 - 321)).toBeLessThan(4);
  });
});

interface Normals {
  tminC: Float64Array;
  tmaxC: Float64Array;
  sdMinC: Float64Array;
  sdMeanC: Float64Array;
}
/** Two-harmonic least squares and a running spread, straight from the daily record. */
function normalsOf(rows: Record<string, string>[]): Normals {
  const day = rows.map((r) =>
    Math.round((Date.parse(r["date"]!) - Date.UTC(Number(r["date"]!.slice(0, 4)), 0, 1)) / 864e5),
  );
  const lo = rows.map((r) => Number(r["tmin_c"]));
  const hi = rows.map((r) => Number(r["tmax_c"]));
  const basis = (d: number): number[] => {
    const w = (2 * Math.PI * d) / 365.25;
    return [1, Math.cos(w), Math.sin(w), Math.cos(2 * w), Math.sin(2 * w)];
  };
  const fit = (y: number[]): ((d: number) => number) => {
    const m = Array.from({ length: 5 }, (_, i) =>
      Array.from({ length: 6 }, (_, j) =>
        day.reduce((s, d, k) => s + basis(d)[i]! * (j < 5 ? basis(d)[j]! : y[k]!), 0),
      ),
    );
    for (let i = 0; i < 5; i++) {
      const p = m[i]![i]!;
      m[i] = m[i]!.map((x) => x / p);
      for (let k = 0; k < 5; k++) if (k !== i) m[k] = m[k]!.map((x, j) => x - m[k]![i]! * m[i]![j]!);
    }
    return (d) => basis(d).reduce((s, b, i) => s + b * m[i]![5]!, 0);
  };
  const [fitLo, fitHi] = [fit(lo), fit(hi)];
  const spread = (residual: (i: number) => number): Float64Array =>
    Float64Array.from({ length: 365 }, (_, d) => {
      const near = day.flatMap((x, i) => (Math.abs(((x - d + 547) % 365) - 182) <= 22 ? [residual(i) ** 2] : []));
      return Math.sqrt(near.reduce((a, b) => a + b, 0) / near.length);
    });
  return {
    tminC: Float64Array.from({ length: 365 }, (_, d) => fitLo(d)),
    tmaxC: Float64Array.from({ length: 365 }, (_, d) => fitHi(d)),
    sdMinC: spread((i) => lo[i]! - fitLo(day[i]!)),
    sdMeanC: spread((i) => (lo[i]! + hi[i]! - fitLo(day[i]!) - fitHi(day[i]!)) / 2),
  };
}

describe("spring index over expected weather (Schwartz, Ahas & Aasa 2006)", () => {
  // Means of the index run on the four years of each station's daily record.
  test.each([
    ["Seattle", 42.4, 86.4],
    ["New York", 82.6, 112.0],
  ])("%s: first leaf %d, bloom %d, within 6 days", (place, leaf, bloom) => {
    const n = normalsOf(table("daily-seattle-newyork-2012-2015.csv").filter((r) => r["location"] === place));
    const s = springIndex(n)!;
    expect(Math.abs(s.leaf + 1 - leaf)).toBeLessThan(6);
    expect(Math.abs(s.bloom + 1 - bloom)).toBeLessThan(6);
  });
});

describe("place", () => {
  const place = (zone: string, last: string | null, first: string | null, latitudeDeg = 41) => ({
    zone,
    latitudeDeg,
    lastFrost: last as MonthDay | null,
    firstFrost: first as MonthDay | null,
  });
  // Invented pairs, one per zone from 4 to 9.
  test.each([
    ["4a", "05-20", "09-22", 46],
    ["4b", "05-30", "09-10", 46],
    ["5a", "05-10", "10-02", 44],
    ["5b", "05-05", "10-05", 42],
    ["6a", "04-28", "10-12", 41],
    ["6b", "04-22", "10-18", 40.5],
    ["6b", "10-22", "04-18", -40.5],
    ["7a", "04-12", "10-28", 39],
    ["7b", "04-01", "11-10", 40.7],
    ["8a", "03-25", "11-05", 34],
    ["8b", "03-05", "11-20", 47.6],
    ["9a", "02-25", "11-30", 30],
    ["9b", "02-01", "12-15", 28],
  ])("zone %s: %s and %s come back as the 50 %% dates", (zone, last, first, lat) => {
    const c = climateOf(place(zone, last, first, lat));
    const back = frostDates(c, 0, 0.5);
    expect(Math.abs(back.last! - monthDayToSeasonDay(monthDay(last), c.hemisphere))).toBeLessThanOrEqual(2);
    expect(Math.abs(back.first! - monthDayToSeasonDay(monthDay(first), c.hemisphere))).toBeLessThanOrEqual(2);
    expect(c.odd).toEqual([]);
  });

  test("a frost-free place has no frost dates and no NaN", () => {
    const c = climateOf(place("10b", null, null, 26));
    expect(frostDates(c, 0, 0.5)).toEqual({ last: null, first: null });
    expect([...c.tminC, ...c.tmaxC, c.warmthAt(365), c.spring.bloom].every(Number.isFinite)).toBe(true);
    expect(c.frost(0).between(0, 364)).toBeLessThan(0.5);
  });

  test.each([
    ["latitude 95", { ...place("6b", "04-22", "10-18"), latitudeDeg: 95 }, "latitude-range", "latitudeDeg"],
    ["past the polar circle", place("4a", "06-10", "09-01", 70), "latitude-polar", "latitudeDeg"],
    ["no such zone", place("6c", "04-22", "10-18"), "zone-unknown", "zone"],
    ["the other hemisphere's dates", place("6b", "10-18", "04-22"), "frost-hemisphere", "lastFrost"],
    ["north's dates in the south", place("6b", "04-22", "10-18", -40), "frost-hemisphere", "lastFrost"],
    ["last frost after the first", place("6b", "11-01", "10-18"), "frost-order", "lastFrost"],
    ["a first frost in spring alone", place("6b", null, "04-22"), "frost-order", "firstFrost"],
    ["no frost, and a date of it", { ...place("9a", "02-10", null), noFrost: true }, "frost-none", "lastFrost"],
    ["a season too short", place("3a", "06-20", "07-10", 50), "frost-season-short", "firstFrost"],
  ])("refuses %s at its field", (_, input, code, field) => {
    const r = checkPlaceClimate(input);
    expect(r.ok ? [] : r.issues.map((i) => [i.code, i.path[0]])).toEqual([[code, field]]);
  });

  // USDA half-zones; a value on a limit belongs to the warmer one. Station means: NOAA daily 2012–15.
  test.each([
    [(22.91 - 32) / 1.8, "9a"],
    [(7.83 - 32) / 1.8, "7b"],
    [-160 / 9, "7a"],
  ])("mean yearly minimum %d °C is zone %s", (c, zone) => expect(zoneOf(c)).toBe(zone));
  test("a zone's middle lies in it", () => expect(zoneOf(zoneMinimumC("6b"))).toBe("6b"));
  test("29 February is not a day of every year", () => expect(parseMonthDay("02-29")).toBeNull());
});

describe("day length against astronomy-engine 2.1.19", () => {
  const rows = table("sun-positions.csv").filter((r) => r["daylength_h"] !== "");
  test.each(rows.map((r) => [r["place"]!, r["local_date"]!, Number(r["lat"]), Number(r["daylength_h"])] as const))(
    "%s on %s",
    (_, on, lat, hours) => {
      const yearDay = Math.round((Date.parse(on) - Date.UTC(Number(on.slice(0, 4)), 0, 1)) / 864e5);
      const seasonDay = lat < 0 ? yearDay - 181 : yearDay;
      // The series for the declination is good to a tenth of a degree or two: under four minutes here.
      expect(Math.abs(dayLengthH(lat, seasonDay, lat < 0 ? "south" : "north") - hours)).toBeLessThan(0.06);
    },
  );
});
