/**
 * What follows a set of cuts: height, silhouette, flowers and head size at the end of this season's growth, in a
 * year and in three. Published constants are lacking: the assumptions below are ours, named, and ranged.
 */
import type { Taxon } from "../catalogue/index.ts";
import { addDays, addYears, seasonDate, type PlainDate } from "../calendar/index.ts";
import { grownSeasons, grownTo, growthToCome, vigourAfterCut } from "../amount/index.ts";
import { asValue, lookedUp, perPlant, shootsOfPlant, type GardenModel, type LookLesson } from "../garden/index.ts";
import { LEARNING_PRIORS } from "../learning/index.ts";
import {
  alongStem,
  between,
  buildOf,
  reachOf,
  shootEnds,
  type Build,
  type Point3,
  type StemEffect,
} from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import type { Amounts } from "../bench/index.ts";

export const REGROWTH_ASSUMPTIONS = {
  /** Shoots that wake below a heading cut: few, usual, many (Cline 1997, Wilson 2000: 1–3, seldom past 5; from memory). */
  shootsBelowCut: [1, 2, 3],
  /** Shoots from the base for each stem that went there, where the kind breaks from old wood. */
  suckersPerStem: [1, 2, 4],
  /** Their first year's growth, of a leader's. */
  suckerGrowth: 0.9,
  /** Heads get larger as shoots get fewer: their size goes with this power, and no further than these bounds. */
  headPower: 0.5,
  headBounds: [0.7, 1.7],
  /** Suckers are told apart and thinned at so much of their height, m, and a season's growth runs over so many days. */
  suckerThinM: 0.25,
  growingDays: 90,
} as const;

/** How far ahead the bench looks. */
export const HORIZONS = ["now", "season", "year", "three"] as const;
/** One of the horizons. */
export type Horizon = (typeof HORIZONS)[number];

/** A shoot as a line to draw, in metres. */
export interface Shoot {
  readonly from: Point3;
  readonly to: Point3;
  readonly widthMm: number;
  readonly kind: "old" | "new";
}
/** The plant at a horizon. */
export interface Future {
  readonly horizon: Horizon;
  readonly on: PlainDate;
  /** For slow, usual and strong growth. */
  readonly heightM: readonly [Metres, Metres, Metres];
  /** Flowering shoots against the plant left alone: few, usual, many. */
  readonly flowers: readonly [number, number, number] | null;
  /** Size of a head against the plant left alone. */
  readonly headSize: readonly [number, number] | null;
}
export interface Follows {
  readonly futures: readonly Future[];
  /** Shoots from the base after stems went there, and when they are tall enough to thin; null when none come. */
  readonly suckers: { readonly count: readonly [number, number, number]; readonly thinOn: PlainDate } | null;
  /** First year in which it stands over its wanted height, usual growth; null when it does not within ten. */
  readonly outgrowsOn: PlainDate | null;
}

/** Height of a shoot after so many seasons; the first one has the vigour that the cut woke. */
const shootTo = (taxon: Taxon, fromM: Metres, perYear: Metres, seasons: number, vigour: number): Metres =>
  grownTo(taxon, fromM, perYear, grownSeasons(seasons, vigour));

/** What was learnt of the shoots that a plant makes at a cut; null where none were counted. */
export const shootsLesson = perPlant((model, plant): LookLesson | null => {
  const looks = model
    .observationsOf(plant.id)
    .flatMap((o) =>
      o.kind === "shoots-counted" && o.count !== null ? [{ value: o.count, recordId: o.id, sure: o.sure }] : [],
    );
  const { plantSd, countSd } = LEARNING_PRIORS.shoots;
  return lookedUp(plant.id, REGROWTH_ASSUMPTIONS.shootsBelowCut[1], looks, { plantSd, lookSd: countSd });
});

/** Shoots that wake below a heading cut of a plant: few, usual, many; its own where they were counted. */
export const shootsAtCut = perPlant((model, plant): readonly [number, number, number] => {
  const usual = REGROWTH_ASSUMPTIONS.shootsBelowCut;
  const lesson = model.taught.aside.has(shootsOfPlant(plant.id)) ? null : shootsLesson(model, plant);
  if (!lesson) return usual;
  // As far as the doubt was drawn together, so is the range.
  const left = lesson.mine.sd / LEARNING_PRIORS.shoots.plantSd;
  const m = asValue(lesson);
  return [m * (usual[0] / usual[1]) ** left, m, m * (usual[2] / usual[1]) ** left];
});

const regrows = (taxon: Taxon): boolean => taxon.regrowthFromLeaflessWood !== "no";
const stands = (e: StemEffect): boolean => e.kept > 0 && e.stem.state !== "dead";

/** Lines of the old wood as it is left. */
function oldWood(e: StemEffect, build: Build): Shoot[] {
  const at = (t: number) => alongStem(e.stem, t * e.kept, build);
  const stem = [0.25, 0.5, 0.75, 1].map((t): Shoot => ({
    from: at(t - 0.25),
    to: at(t),
    widthMm: e.stem.diameterMm * (1 - 0.5 * t),
    kind: "old",
  }));
  const branches = reachOf(e.stem, build).branches.flatMap(({ run, shoots }, i): Shoot[] => {
    const part = e.branchParts[i]!;
    if (part === 0) return [];
    const b = e.stem.branches[i]!;
    return [
      { from: run[0], to: between(run, part), widthMm: b.diameterMm, kind: "old" },
      ...shoots.flatMap((r, j): Shoot[] => {
        const left = e.shootParts[i]![j]!;
        return left === 0 ? [] : [{ from: r[0], to: between(r, left), widthMm: b.shoots[j]!.diameterMm, kind: "old" }];
      }),
    ];
  });
  return [...stem, ...branches];
}

/** New growth at the end of a stem: one leader that goes on, or the shoots that a cut woke, spread to both sides. */
function newWood(e: StemEffect, build: Build, gainM: Metres, shoots: number): Shoot[] {
  if (gainM <= 0.005) return [];
  const tip = alongStem(e.stem, e.kept, build);
  const before = alongStem(e.stem, Math.max(0, e.kept - 0.15), build);
  const run = Math.hypot(tip.x - before.x, tip.y - before.y, tip.z - before.z) || 1;
  const cut = e.kept < 1 && e.leader === null;
  const count = cut ? Math.max(1, Math.round(shoots)) : 1;
  return Array.from({ length: count }, (_, i): Shoot => {
    const spread = count === 1 ? 0 : (i - (count - 1) / 2) * 0.5;
    const turn = ((e.stem.turnDeg + 90) * Math.PI) / 180;
    return {
      from: tip,
      to: {
        x: tip.x + gainM * ((tip.x - before.x) / run + spread * Math.cos(turn)),
        y: tip.y + gainM * ((tip.y - before.y) / run + spread * Math.sin(turn)),
        z: tip.z + gainM * Math.max(0.6, (tip.z - before.z) / run),
      },
      widthMm: 5,
      kind: "new",
    };
  });
}

/** Shoots from the base where stems went. */
function fromBase(gone: readonly StemEffect[], build: Build, heightM: Metres): Shoot[] {
  const n = REGROWTH_ASSUMPTIONS.suckersPerStem[1];
  return gone.flatMap((e) =>
    Array.from({ length: n }, (_, i): Shoot => {
      const s = {
        ...e.stem,
        leanDeg: Math.min(30, 8 + 6 * i),
        turnDeg: (e.stem.turnDeg + 40 * i) % 360,
        lengthM: heightM,
      };
      return { from: alongStem(s, 0, build), to: alongStem(s, 1, build), widthMm: 5, kind: "new" };
    }),
  );
}

type Three = readonly [number, number, number];
function flowersAt(taxon: Taxon, a: Amounts, seasons: number, loss: Share, shoots: Three): Future["flowers"] {
  if (taxon.floweringWood === "foliage") return null;
  const ends = (e: StemEffect): number => (e.stem.state === "dead" ? 0 : shootEnds(e.stem));
  const before = a.effects.reduce((n, e) => n + ends(e), 0);
  if (before === 0) return null;
  const kept = a.effects.reduce((n, e) => n + ends(e) * (1 - e.endsGone), 0) / before;
  const cutEnds = a.effects.filter((e) => stands(e) && e.kept < 1).length / before;
  const newWoodFlowers = taxon.floweringWood !== "old";
  const of = (each: number): number => {
    const woken = seasons >= (newWoodFlowers ? 0.5 : 1.5) ? cutEnds * each : 0;
    return Math.max(0, (kept + woken) * (seasons < 1 ? 1 - loss * 0.5 : 1));
  };
  const [few, usual, many] = shoots;
  return [of(few), of(usual), of(many)];
}

const SEASONS: Readonly<Record<Horizon, (toCome: number) => number>> = {
  now: () => 0,
  season: (t) => t,
  year: (t) => t + 1,
  three: (t) => t + 3,
};

/** The stems as they will stand at a horizon, usual growth, as lines to draw. */
export function shootsAt(
  model: GardenModel,
  plantId: string,
  a: Amounts,
  on: PlainDate,
  horizon: Horizon,
): readonly Shoot[] {
  const plant = model.plant(plantId);
  const taxon = model.taxonOf(plant);
  const build = buildOf(taxon, plant.form);
  const usual = taxon.growthM[1];
  const seasons = SEASONS[horizon](growthToCome(model.yearOf(taxon), model.climate.hemisphere, on));
  const standing = a.effects.filter(stands);
  const old = standing.flatMap((e) => oldWood(e, build));
  if (seasons === 0) return old;
  const young = standing.flatMap((e) => {
    const from = alongStem(e.stem, e.kept, build).z;
    return newWood(
      e,
      build,
      shootTo(taxon, from, usual, seasons, vigourAfterCut(taxon, e.leafGone)) - from,
      shootsAtCut(model, plant)[1],
    );
  });
  if (!regrows(taxon)) return [...old, ...young];
  const gone = a.effects.filter((e) => e.kept === 0 && e.stem.state !== "dead");
  const sucker = shootTo(taxon, 0, usual * REGROWTH_ASSUMPTIONS.suckerGrowth, seasons, 1);
  return [...old, ...young, ...fromBase(gone, build, sucker)];
}

/** What follows a set of cuts made on a day. @param loss share of the coming display that the day's cut costs */
export function whatFollows(model: GardenModel, plantId: string, a: Amounts, on: PlainDate, loss: Share): Follows {
  const plant = model.plant(plantId);
  const taxon = model.taxonOf(plant);
  const build = buildOf(taxon, plant.form);
  const year = model.yearOf(taxon);
  const toCome = growthToCome(year, model.climate.hemisphere, on);
  const standing = a.effects.filter(stands);
  const gone = a.effects.filter((e) => e.kept === 0 && e.stem.state !== "dead");
  const suckering = gone.length > 0 && regrows(taxon);
  const heightAt = (seasons: number, perYear: Metres): Metres => {
    let top = suckering ? shootTo(taxon, 0, perYear * REGROWTH_ASSUMPTIONS.suckerGrowth, seasons, 1) : 0;
    for (const e of standing)
      top = Math.max(
        top,
        shootTo(taxon, alongStem(e.stem, e.kept, build).z, perYear, seasons, vigourAfterCut(taxon, e.leafGone)),
      );
    return top;
  };
  const [slow, usual, strong] = taxon.growthM;
  const { seasonYear } = model.season(on);
  const seasonsEnd = (n: number): PlainDate => {
    const stop = seasonDate(seasonYear, year.stops.day, model.climate.hemisphere);
    return addYears(stop < on ? addYears(stop, 1) : stop, n);
  };
  // At once while it grows, else when it next wakes.
  const { hemisphere } = model.climate;
  const wakes = seasonDate(seasonYear, year.wakes.day, hemisphere);
  const growsFrom =
    on < wakes ? wakes : on <= seasonDate(seasonYear, year.stops.day, hemisphere) ? on : addYears(wakes, 1);
  const futures = HORIZONS.map((horizon): Future => {
    const seasons = SEASONS[horizon](toCome);
    const flowers = seasons === 0 ? null : flowersAt(taxon, a, seasons, loss, shootsAtCut(model, plant));
    const [least, most] = REGROWTH_ASSUMPTIONS.headBounds;
    const head = (n: number): number =>
      Math.min(most, Math.max(least, n <= 0 ? most : (1 / n) ** REGROWTH_ASSUMPTIONS.headPower));
    return {
      horizon,
      on: horizon === "now" ? on : seasonsEnd(horizon === "season" ? 0 : horizon === "year" ? 1 : 3),
      heightM: [heightAt(seasons, slow), heightAt(seasons, usual), heightAt(seasons, strong)],
      flowers,
      headSize: flowers && [head(flowers[2]), head(flowers[0])],
    };
  });
  const wanted = plant.goal.heightM;
  const over =
    wanted === null
      ? -1
      : Array.from({ length: 11 }, (_, n) => heightAt(toCome + n, usual)).findIndex((h) => h > wanted + 0.01);
  return {
    futures,
    suckers: suckering ? suckerFlush(gone.length, usual, growsFrom) : null,
    outgrowsOn: over < 0 ? null : seasonsEnd(over),
  };
}

function suckerFlush(stems: number, growthM: Metres, starts: PlainDate): Follows["suckers"] {
  const a = REGROWTH_ASSUMPTIONS;
  const days = Math.round(a.growingDays * Math.min(1, a.suckerThinM / Math.max(0.05, growthM * a.suckerGrowth)));
  const [few, usual, many] = a.suckersPerStem;
  return { count: [stems * few, stems * usual, stems * many], thinOn: addDays(starts, days) };
}
