/** What records teach: against a second way of working it out, and against gardens whose truth is known. */
import { describe, expect, test } from "@jest/globals";
import {
  addDays,
  buildOf,
  candidatesOf,
  CATALOGUE,
  date,
  demoGarden,
  EIGHTY_SDS,
  gainTold,
  growthOfPlant,
  leadFromSpans,
  LEARNING_PRIORS,
  MINUTES_DOUBT,
  minutesFor,
  minutesTaught,
  openGarden,
  PACE_ASSUMPTIONS,
  partsFrom,
  plantsYear,
  seasonDate,
  seeded,
  shootsAtCut,
  sifted,
  withStages,
  woodLesson,
  woodOf,
  type Garden,
  type GardenModel,
  type Observation,
  type Plant,
  type Step,
  type Taxon,
  type Told,
  type Visit,
} from "@wren/core";
import "./seed.ts";
import { gardenOf, modelOf, plantOf, seenOn, visitOf } from "./support.ts";

const kindOf = (id: string): Taxon => CATALOGUE.byId(id)!;

/** Inverse by Gauss and Jordan, as a second way beside the product's Cholesky. */
function inverse(a: readonly (readonly number[])[]): number[][] {
  const n = a.length;
  const m = a.map((row, i) => [...row, ...row.map((_, j) => Number(i === j))]);
  for (let i = 0; i < n; i++) {
    const p = m.findIndex(
      (row, k) => k >= i && Math.abs(row[i]!) === Math.max(...m.slice(i).map((r) => Math.abs(r[i]!))),
    );
    [m[i], m[p]] = [m[p]!, m[i]!];
    const d = m[i]![i]!;
    m[i] = m[i]!.map((x) => x / d);
    for (let k = 0; k < n; k++) if (k !== i) m[k] = m[k]!.map((x, j) => x - m[k]![i]! * m[i]![j]!);
  }
  return m.map((row) => row.slice(n));
}

const normals = (seed: number): (() => number) => {
  const r = seeded(seed);
  return () => Math.sqrt(-2 * Math.log(1 - r())) * Math.cos(2 * Math.PI * r());
};

describe("the parts of many numbers", () => {
  const doubts = { shared: (n: string) => (n === "place" ? 4 : 9), own: (n: string) => (n === "c" ? 6 : 10) };
  const told: readonly Told[] = [
    { value: 12, sd: 5, shared: ["place", "y1"], own: "a" },
    { value: 7, sd: 5, shared: ["place", "y1"], own: "b" },
    { value: 15, sd: 3, shared: ["place", "y2"], own: "a" },
    { value: -4, sd: 5, shared: ["place", "y2"], own: "c" },
    { value: 9, sd: 5, shared: ["place", "y3"], own: "a" },
  ];
  test("are those that conditioning the joint normal of all numbers gives", () => {
    // Kriging: covariance of numbers from the parts they have in common, and of a part with each number.
    const cov = (a: Told, b: Told): number =>
      (a.own === b.own ? doubts.own(a.own) ** 2 : 0) +
      a.shared.filter((s) => b.shared.includes(s)).reduce((n, s) => n + doubts.shared(s) ** 2, 0);
    const k = inverse(told.map((a, i) => told.map((b, j) => cov(a, b) + (i === j ? a.sd ** 2 : 0))));
    const parts = partsFrom(told, doubts);
    const asked: readonly [readonly string[], string | null][] = [
      [["place"], null],
      [["y2"], null],
      [["place", "y1"], "a"],
      [["place"], "c"],
      [["place", "y9"], "nobody told of it"],
    ];
    for (const [shared, own] of asked) {
      const x: Told = { value: 0, sd: 0, shared, own: own ?? "—" };
      const c = told.map((t) => cov(t, x));
      const w = k.map((row) => row.reduce((n, v, j) => n + v * c[j]!, 0));
      const mean = w.reduce((n, v, j) => n + v * told[j]!.value, 0);
      const prior = shared.reduce((n, s) => n + doubts.shared(s) ** 2, 0) + (own === null ? 0 : doubts.own(own) ** 2);
      const sd = Math.sqrt(prior - w.reduce((n, v, j) => n + v * c[j]!, 0));
      const got = own === null ? parts.shared(shared[0]!) : parts.sum(shared, own);
      expect(got.mean).toBeCloseTo(mean, 8);
      expect(got.sd).toBeCloseTo(sd, 8);
    }
  });
  test("agree to one in a hundred with integration over a grid", () => {
    const two: readonly Told[] = told.slice(0, 3).map((t) => ({ ...t, shared: ["place"] }));
    let [all, first, second] = [0, 0, 0];
    const density = (x: number, sd: number): number => Math.exp(-((x / sd) ** 2) / 2);
    for (let place = -20; place <= 20; place += 0.5)
      for (let a = -40; a <= 40; a += 0.5)
        for (let b = -40; b <= 40; b += 0.5) {
          const of = (t: Told): number => place + (t.own === "a" ? a : b);
          const w = two.reduce(
            (n, t) => n * density(t.value - of(t), t.sd),
            density(place, 4) * density(a, 10) * density(b, 10),
          );
          all += w;
          first += w * (place + a);
          second += w * (place + a) ** 2;
        }
    const got = partsFrom(two, doubts).sum(["place"], "a");
    const mean = first / all;
    expect(Math.abs(got.mean / mean - 1)).toBeLessThan(0.01);
    expect(Math.abs(got.sd / Math.sqrt(second / all - mean ** 2) - 1)).toBeLessThan(0.01);
  });
  test("one number far from all others is set apart, unless somebody vouches for it", () => {
    const odd = { value: 80, sd: 5, shared: ["place", "y1"], own: "b" };
    const out = sifted([...told, odd], doubts, () => false);
    expect(out.strangers.map((s) => s.told)).toEqual([odd]);
    expect(out.parts.own("b")).toEqual(partsFrom(told, doubts).own("b"));
    expect(sifted([...told, odd], doubts, (t) => t === odd).used).toContain(odd);
  });
});

test("a steady gain is that of least squares with the whole covariance of its steps", () => {
  const steps: readonly Step[] = [
    { gain: 0.32, seasons: 1, ends: [0.03, 0.03], joins: false },
    { gain: 0.05, seasons: 0.2, ends: [0.03, 0.04], joins: true },
    { gain: 0.5, seasons: 1.8, ends: [0.04, 0.05], joins: true },
    { gain: 0.3, seasons: 1, ends: [0.02, 0.05], joins: false },
  ];
  const c = steps.map((a, i) =>
    steps.map((b, j) => {
      if (i === j) return 0.1 ** 2 * a.seasons + a.ends[0] ** 2 + a.ends[1] ** 2;
      const [early, late] = i < j ? [a, b] : [b, a];
      return Math.abs(i - j) === 1 && late.joins ? 0 - late.ends[0] * early.ends[1] : 0;
    }),
  );
  const k = inverse(c);
  const sum = (x: readonly number[], y: readonly number[]): number =>
    x.reduce((n, v, i) => n + v * k[i]!.reduce((m, w, j) => m + w * y[j]!, 0), 0);
  const s = steps.map((t) => t.seasons);
  const got = gainTold(steps, 0.1)!;
  expect(got.mean).toBeCloseTo(
    sum(
      s,
      steps.map((t) => t.gain),
    ) / sum(s, s),
    9,
  );
  expect(got.sd).toBeCloseTo(1 / Math.sqrt(sum(s, s)), 9);
  expect(gainTold([{ gain: 0.1, seasons: 0, ends: [0.03, 0.03], joins: false }], 0.1)).toBeNull();
});

test("days that were never seen themselves agree to one in a hundred with sampling", () => {
  const spans = [
    { from: -Infinity, to: -6 },
    { from: -14, to: -3 },
    { from: -20, to: 4 },
  ];
  const next = normals(7);
  let [n, first, second] = [0, 0, 0];
  for (let i = 0; i < 600_000; i++) {
    const lead = 8 * next();
    // Each year is drawn too and must fall into its span.
    if (!spans.every((s) => ((x) => x > s.from && x < s.to)(lead + 5 * next()))) continue;
    n += 1;
    first += lead;
    second += lead ** 2;
  }
  const got = leadFromSpans(spans, 8, 5);
  expect(Math.abs(got.mean / (first / n) - 1)).toBeLessThan(0.01);
  expect(Math.abs(got.sd / Math.sqrt(second / n - (first / n) ** 2) - 1)).toBeLessThan(0.01);
});

const KINDS = [
  "weigela-florida",
  "syringa-vulgaris",
  "forsythia-intermedia",
  "philadelphus-coronarius",
  "buddleja-davidii",
];
const small = (id: string, i: number): Plant =>
  plantOf(id, { id: `p${i}`, heightM: 0.5, heightOn: date("2022-11-15"), widthM: 0.8, plantedOn: date("2021-04-10") });

describe("gardens whose truth is known", () => {
  const plants = KINDS.map(small);
  const usual = modelOf(plants);
  const open = (more: Partial<Garden>): GardenModel => openGarden(gardenOf(plants, more), CATALOGUE, usual.cache);
  /** Heights of every November with the error of a reading, growth of seasons that differ. */
  const heights = (
    next: () => number,
    years: number,
  ): { readonly seen: Observation[]; readonly truth: readonly number[] } => {
    const place = LEARNING_PRIORS.growth.placeSd * next();
    const truth = plants.map((p) => {
      const [slow, mid, strong] = kindOf(p.taxonId).growthM;
      const all = (strong - slow) / (2 * EIGHTY_SDS * mid);
      const season = LEARNING_PRIORS.growth.seasonShare * all;
      const own =
        Math.sqrt(Math.max((all / 3) ** 2, all ** 2 - season ** 2 - LEARNING_PRIORS.growth.placeSd ** 2)) * next();
      return { mid, season: season * mid, g: mid * (1 + place + own) };
    });
    const seen = plants.flatMap((p, i) => {
      let h = p.heightM;
      return Array.from({ length: years }, (_, y) => {
        h += truth[i]!.g + truth[i]!.season * next();
        const read = h + Math.max(0.03, 0.02 * h) * next();
        return seenOn(p.id, `${2023 + y}-11-15`, {
          kind: "height",
          heightM: Math.max(0.05, Math.round(read * 100) / 100),
        });
      });
    });
    return { seen, truth: truth.map((t) => t.g) };
  };
  const inside = (x: number, n: { readonly mean: number; readonly sd: number }): boolean =>
    Math.abs(x - n.mean) <= EIGHTY_SDS * n.sd;
  const SEEDS = Array.from({ length: 100 }, (_, i) => i + 1);
  const between = (hits: number, of: number): void => {
    expect(hits / of).toBeGreaterThanOrEqual(0.75);
    expect(hits / of).toBeLessThanOrEqual(0.9);
  };

  test("growth: three years of heights", () => {
    let hits = 0;
    for (const seed of SEEDS) {
      const { seen, truth } = heights(normals(seed), 3);
      const known = open({ observations: seen }).taught.growth().plants;
      plants.forEach((p, i) => (hits += Number(inside(truth[i]!, known.get(p.id)!.usual))));
    }
    between(hits, SEEDS.length * plants.length);
  });

  test("offset of a plant and of the place: three years of first flowers", () => {
    let [plant, place] = [0, 0];
    for (const seed of SEEDS) {
      const next = normals(seed * 31);
      const P = Math.min(PACE_ASSUMPTIONS.place[1], Math.max(PACE_ASSUMPTIONS.place[0], usual.climate.doubt.spring));
      const atPlace = P * next();
      const own = plants.map(() => PACE_ASSUMPTIONS.plant * next());
      const observations = [2023, 2024, 2025].flatMap((year) => {
        const ofYear = PACE_ASSUMPTIONS.year * next();
        return plants.map((p, i) => {
          const opens = plantsYear(usual, p, date("2026-01-15")).displays[0]!.opens.day;
          const lead = atPlace + ofYear + own[i]! + PACE_ASSUMPTIONS.note * next();
          return seenOn(p.id, seasonDate(year, Math.round(opens - lead), "north"), { kind: "first-flower" });
        });
      });
      const { dates } = open({ observations }).taught;
      if (inside(own[1]!, dates.plant("p1"))) plant++;
      if (inside(atPlace, dates.place)) place++;
    }
    between(plant, SEEDS.length);
    between(place, SEEDS.length);
  });

  test("minutes: three times each, the fourth within its range", () => {
    let hits = 0;
    const { hands: H, job: J, again: A } = MINUTES_DOUBT;
    for (const seed of SEEDS) {
      const next = normals(seed * 17);
      const hands = H * next();
      const jobs = plants.map(() => J * next());
      const took = (i: number, on: string): number =>
        minutesFor(usual, plants[i]!, "shape", date(on)).usual * Math.exp(hands + jobs[i]! + A * next());
      const visits: Visit[] = plants.flatMap((p, i) =>
        [2023, 2024, 2025].map((y) => visitOf(p.id, `${y}-06-20`, 0, { cuts: [], minutes: took(i, `${y}-06-20`) })),
      );
      const asked = minutesFor(open({ visits }), plants[1]!, "shape", date("2026-06-20"));
      const fourth = took(1, "2026-06-20");
      if (fourth >= asked.low && fourth <= asked.high) hits++;
    }
    between(hits, SEEDS.length);
  });

  test("one height stays nearer to the catalogue than to what it says; thirty leave it", () => {
    const [, mid] = kindOf(KINDS[1]!).growthM;
    const twice = (years: number): number => {
      const observations = Array.from({ length: years }, (_, y) =>
        seenOn("p1", `${2023 + y}-11-15`, { kind: "height", heightM: 0.5 + 1.8 * mid * (y + 1) }),
      );
      return open({ observations }).taught.growth().plants.get("p1")!.usual.mean / mid;
    };
    expect(twice(1)).toBeLessThan(1.4);
    expect(twice(1)).toBeGreaterThan(1.05);
    // As far as it grows at all: a lilac of the catalogue stands still below its mature height.
    const thirty = partsFrom(
      Array.from({ length: 30 }, (): Told => ({ value: 0.8, sd: 0.35, shared: ["place"], own: "p" })),
      { shared: () => LEARNING_PRIORS.growth.placeSd, own: () => 0.3 },
    );
    expect(thirty.sum(["place"], "p").mean).toBeGreaterThan(0.7);
  });

  test("wood of a shrub nobody can name: three years of flowers and winter cuts", () => {
    const candidates = ["unknown-old-wood-spring", "unknown-new-wood", "unknown-old-wood-summer"].map((taxonId, i) => ({
      taxonId,
      share: [0.5, 0.35, 0.15][i]!,
    }));
    const shrub = plantOf("unknown-flowering-shrub", { identity: { by: "key", on: date("2022-11-01"), candidates } });
    const plain = modelOf([shrub]);
    let [sure, hits] = [0, 0];
    for (const seed of SEEDS) {
      const r = seeded(seed * 7);
      const next = normals(seed * 7 + 1);
      const pick = r();
      const truth = candidates.find(
        (_, i) => pick < candidates.slice(0, i + 1).reduce((n, c) => n + c.share, 0),
      )!.taxonId;
      const t = CATALOGUE.byId(truth)!;
      const visits: Visit[] = [2023, 2024, 2025].map((y) =>
        visitOf(shrub.id, `${y}-03-05`, 0.5, { task: "hard-cutback", regime: "cutback" }),
      );
      const loss = Math.min(
        1,
        plain.kindYear(t, "hard-cutback").prices.worstLoss[Math.floor(plain.season(date("2025-03-05")).seasonDay)]!,
      );
      const observations = [2023, 2024, 2025].map((y) => {
        const { flowersThough: f, failsThough: g } = LEARNING_PRIORS.wood;
        const flowers = r() < f + (1 - f - g) * (1 - loss);
        const opens = plain.yearOf(t).displays[0]!.opens.day;
        const on = flowers ? seasonDate(y, Math.round(opens + 12 * next()), "north") : date(`${y}-09-20`);
        return seenOn(shrub.id, on, { kind: flowers ? "first-flower" : "no-flower" });
      });
      const m = modelOf([shrub], { visits, observations });
      const mine = woodLesson(m, m.plant(shrub.id))!.mine;
      const best = mine.toSorted((a, b) => b.share - a.share)[0]!;
      sure += best.share;
      hits += Number(best.taxonId === truth);
    }
    // As often right as it says it is, and far oftener than the likeliest guess before anything was seen.
    expect(Math.abs(hits - sure)).toBeLessThan(10);
    expect(hits).toBeGreaterThan(75);
  });
});

describe("small truths of what is learnt", () => {
  const kindRow = kindOf("weigela-florida");
  const [, mid] = kindRow.growthM;
  const plant = (more: Partial<Plant> = {}) =>
    plantOf(kindRow.id, { heightM: 0.5, heightOn: date("2022-11-15"), ...more });
  test("the long shoots after a hard cut are its vigour's, not the plant's", () => {
    // Cut to the ground and up by 1.6 years' growth in one: that is what such a cut wakes in any of its kind.
    const visits = [
      visitOf(kindRow.id, "2024-02-15", 0, {
        task: "hard-cutback",
        cuts: [{ by: "height", beforeM: 1, afterM: 0.02 }],
      }),
    ];
    const observations = [seenOn(kindRow.id, "2024-11-15", { kind: "height", heightM: 0.02 + 1.6 * mid })];
    const m = modelOf([plant()], { visits, observations });
    const step = m.taught.growth().plants.get(kindRow.id)!.steps.at(-1)!;
    expect(step.gain / step.seasons).toBeCloseTo(mid, 1);
  });
  test("shoots that were measured at the cuts tell of growth too, and counted of how many come", () => {
    const visits = [visitOf(kindRow.id, "2024-03-01", 0.3)];
    const counted = seenOn(kindRow.id, "2024-11-15", { kind: "shoots-counted", count: 5, lengthM: 2 * mid });
    const m = modelOf([plant()], { visits, observations: [counted] });
    expect(m.taxonOf(m.plant(kindRow.id)).growthM[1]).toBeGreaterThan(1.1 * mid);
    const [few, usual, many] = shootsAtCut(m, m.plant(kindRow.id));
    // The prior of two is drawn toward five by its own weight: in logarithms 0.43² against 0.3².
    const w = 0.43 ** 2 / (0.43 ** 2 + 0.3 ** 2);
    expect(usual).toBeCloseTo(2 * 2.5 ** w, 6);
    expect(few).toBeLessThan(usual);
    expect(many).toBeGreaterThan(usual);
    expect(many / usual).toBeLessThan(1.5);
    expect(shootsAtCut(modelOf([plant()]), plant())).toEqual([1, 2, 3]);
  });
  test("a green that reaches twice as deep is taken for nearly that, and a cut of the top takes less", () => {
    const build = (m: GardenModel) => buildOf(m.taxonOf(m.plant(kindRow.id)));
    const usual = build(modelOf([plant()])).shellM;
    const looks = [2023, 2024, 2025].map((y) =>
      seenOn(kindRow.id, `${y}-07-01`, { kind: "leaf-depth", lengthM: 2 * usual }),
    );
    const deep = build(modelOf([plant()], { observations: looks })).shellM;
    expect(deep / usual).toBeGreaterThan(1.7);
    expect(deep / usual).toBeLessThan(2);
  });
  test("what stops with hardening moves with it; leaf fall stays after it", () => {
    const y = plantsYear(modelOf([plant()]), plant(), date("2026-02-01"));
    const moved = withStages(y, { hardens: 10, dormant: 0 });
    expect([moved.hardens.day - y.hardens.day, moved.stops.day - y.stops.day, moved.dormant.day]).toEqual([
      10,
      10,
      y.dormant.day,
    ]);
    expect(withStages(y, { hardens: 300, dormant: 0 }).dormant.day).toBeGreaterThan(y.dormant.day);
  });
  test("a hedge's log is its own: it draws its minutes to it, and says nothing of other plants", () => {
    const g = demoGarden(date("2026-11-29"));
    const yew = g.plants.find((p) => p.id === "yew-hedge")!;
    const at = (visits: readonly Visit[], plant: Plant) =>
      minutesFor(openGarden({ ...g, visits: [...visits] }, CATALOGUE), plant, "shear", date("2027-07-01"));
    const logged = g.visits.filter((v) => v.plantId === yew.id);
    expect(logged.length).toBeGreaterThan(2);
    expect(at(logged, yew)).toMatchObject({ from: "log" });
    expect(Math.abs(Math.log(at(logged, yew).usual / 90))).toBeLessThan(Math.abs(Math.log(at([], yew).usual / 90)) / 2);
    const box = g.plants.find((p) => p.id === "box-hedge")!;
    expect(at(logged, box).usual).toBeCloseTo(at([], box).usual, 6);
  });
  test("minutes are held against the plant as it stood before the cut that was timed", () => {
    const tall = plant({ heightM: 2, widthM: 1 });
    const cut = visitOf(kindRow.id, "2022-12-01", 0, {
      task: "hard-cutback",
      minutes: 15,
      cuts: [{ by: "height", beforeM: 2, afterM: 0.1 }],
    });
    // Two square metres at five minutes, and five for setting up: exactly the usual time.
    const { value } = minutesTaught(modelOf([tall], { visits: [cut] }), date("2023-01-01")).used[0]!;
    expect(value).toBeCloseTo(0, 1);
  });
});

describe("what was learnt moves the answers, by the one path", () => {
  const lilac = plantOf("syringa-vulgaris", { heightM: 1, heightOn: date("2022-11-15") });
  const observations = [2023, 2024, 2025].map((y, i) =>
    seenOn(lilac.id, `${y}-11-15`, { kind: "height", heightM: 1 + 0.75 * (i + 1) }),
  );
  test("growth of twice the catalogue's stands in the kind of that plant alone; set aside, the catalogue's does", () => {
    const m = modelOf([lilac], { observations });
    const [, mid] = kindOf(lilac.taxonId).growthM;
    expect(m.taxonOf(lilac).growthM[1]).toBeGreaterThan(1.3 * mid);
    const aside = modelOf([lilac], {
      observations,
      rules: { ...m.garden.rules, setAside: [growthOfPlant(lilac.id), "growth:place"] },
    });
    expect(aside.taxonOf(lilac).growthM).toEqual(kindOf(lilac.taxonId).growthM);
  });
  test("a height that cannot be is named, with what was expected, and not used until it is vouched for", () => {
    const slip = seenOn(lilac.id, "2024-12-20", { kind: "height", heightM: 9.5 });
    const m = modelOf([lilac], { observations: [...observations, slip] });
    const { strangers, plants } = m.taught.growth();
    expect(strangers.map((s) => [s.recordId, s.readM])).toEqual([[slip.id, 9.5]]);
    expect(strangers[0]!.expectedM[1]).toBeLessThan(4);
    expect(plants.get(lilac.id)!.usual.mean).toBeCloseTo(
      modelOf([lilac], { observations }).taught.growth().plants.get(lilac.id)!.usual.mean,
      9,
    );
    expect(
      modelOf([lilac], { observations: [...observations, { ...slip, sure: true }] }).taught.growth().strangers,
    ).toEqual([]);
  });
  test("shoots that were found hard each year before their day move the hardening of a year nobody has looked at", () => {
    const box = plantOf("buxus-sempervirens");
    const year = (m: GardenModel) => plantsYear(m, box, date("2026-02-01")).hardens.day;
    const plain = modelOf([box]);
    const looks = [2023, 2024, 2025].map((y) =>
      seenOn(box.id, addDays(seasonDate(y, Math.round(year(plain)), "north"), -16), { kind: "flush-hardened" }),
    );
    expect(year(plain) - year(modelOf([box], { observations: looks }))).toBeGreaterThan(6);
  });
  test("candidates are those that flowers and cuts left, and the key's again where that is set aside", () => {
    const candidates = [
      { taxonId: "unknown-old-wood-spring", share: 0.6 },
      { taxonId: "unknown-new-wood", share: 0.4 },
    ];
    const shrub = plantOf("unknown-flowering-shrub", { identity: { by: "key", on: date("2022-11-01"), candidates } });
    const visits = [visitOf(shrub.id, "2025-03-05", 0.6, { task: "hard-cutback" })];
    const seen = [seenOn(shrub.id, "2025-07-25", { kind: "first-flower" })];
    const m = modelOf([shrub], { visits, observations: seen });
    expect(woodOf(m, candidatesOf(m, m.plant(shrub.id))).new).toBeGreaterThan(0.9);
    const aside = modelOf([shrub], {
      visits,
      observations: seen,
      rules: { ...m.garden.rules, setAside: [`wood:${shrub.id}`] },
    });
    expect(woodOf(aside, candidatesOf(aside, aside.plant(shrub.id))).new).toBeCloseTo(0.4, 9);
  });
});
