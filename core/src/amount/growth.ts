/** What the heights of a garden's plants tell of their growth a year, against what the catalogue says of their kinds. */
import type { Taxon } from "../catalogue/index.ts";
import { daysBetween, type Hemisphere, type PlainDate } from "../calendar/index.ts";
import {
  EIGHTY_SDS,
  gainTold,
  LEARNING_PRIORS,
  partsFrom,
  sifted,
  STRANGE_SDS,
  type Normal,
  type Step,
  type Told,
} from "../learning/index.ts";
import type { Observation, Plant, Visit } from "../model/index.ts";
import type { PlantYear } from "../phenology/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { shareOfVisit, type Measured } from "./cutShare.ts";
import { grownSeasons, growthClock, leftBy, lowers, SAME_HEIGHT, vigourAfterCut } from "./height.ts";

/** One plant with what is recorded of it, its kind as the catalogue has it, and its usual year. */
export interface GrowthRecords {
  readonly plant: Plant;
  readonly taxon: Taxon;
  readonly year: PlantYear;
  readonly visits: readonly Visit[];
  readonly observations: readonly Observation[];
  readonly stemsOn: (on: PlainDate) => Measured["stems"];
}

/** A height that was read on a day; null: the plant's own row. */
interface Reading {
  readonly heightM: Metres;
  readonly recordId: string | null;
  readonly sure: boolean;
}
/** What is known of a day: how tall it stood before its cuts, how tall they left it. */
interface Known {
  readonly on: PlainDate;
  readonly before: Reading | null;
  readonly after: Reading | null;
  readonly cut: boolean;
  readonly vigour: number;
}

/** From one reading to the next, with the days and the records it rests on. */
export interface GrowthStep extends Step {
  readonly from: PlainDate;
  readonly to: PlainDate;
  readonly records: readonly string[];
  /** The reading it ends with. */
  readonly reading: Reading;
  /** It ends as tall as its kind grows, or begins near it: it may have grown no further, which says nothing of a year's growth. */
  readonly full: boolean;
}

const errorOf = (m: Metres): Metres => Math.max(LEARNING_PRIORS.height.readM, LEARNING_PRIORS.height.readShare * m);

function knownDays(r: GrowthRecords, without: ReadonlySet<string>): readonly Known[] {
  interface Day {
    readonly on: PlainDate;
    readonly read: Reading[];
    readonly visits: Visit[];
  }
  const days = new Map<PlainDate, Day>();
  const at = (on: PlainDate): Day => {
    let d = days.get(on);
    if (!d) days.set(on, (d = { on, read: [], visits: [] }));
    return d;
  };
  at(r.plant.heightOn).read.push({ heightM: r.plant.heightM, recordId: null, sure: false });
  for (const o of r.observations)
    if (o.heightM !== null && !without.has(o.id))
      at(o.on).read.push({ heightM: o.heightM, recordId: o.id, sure: o.sure });
  for (const v of r.visits) if (leftBy(v) !== null || lowers(v)) at(v.on).visits.push(v);
  return [...days.values()]
    .sort((a, b) => (a.on < b.on ? -1 : 1))
    .map(({ on, read, visits }): Known => {
      const last = read.at(-1) ?? null;
      if (visits.length === 0) return { on, before: last, after: last, cut: false, vigour: 1 };
      const cuts = visits.flatMap((v) =>
        v.cuts.flatMap((c) =>
          c.by === "height" && !without.has(v.id) ? [{ ...c, recordId: v.id, sure: v.sure }] : [],
        ),
      );
      const tops = [...read, ...cuts.map((c) => ({ ...c, heightM: c.beforeM }))];
      const top = tops.reduce<Reading | null>((a, b) => (a && a.heightM >= b.heightM ? a : b), null);
      const lows = [...read, ...cuts.map((c) => ({ ...c, heightM: c.afterM }))];
      const low = lows.reduce<Reading | null>((a, b) => (a && a.heightM <= b.heightM ? a : b), null);
      // One reading alone on the day of a cut whose end was not written down may have been made before it or after.
      const parted = top !== null && low !== null && low.heightM < top.heightM * SAME_HEIGHT;
      const share = Math.max(0, ...visits.map((v) => shareIn(r, v)));
      return {
        on,
        before: parted ? top : null,
        after: parted || cuts.length > 0 ? low : null,
        cut: true,
        vigour: vigourAfterCut(r.taxon, share),
      };
    });
}

/** Shares of visits, worked out once: steps are made anew for each reading that is left out. */
const SHARES = new WeakMap<GrowthRecords, Map<Visit, Share>>();
function shareIn(r: GrowthRecords, v: Visit): Share {
  let known = SHARES.get(r);
  if (!known) SHARES.set(r, (known = new Map<Visit, Share>()));
  let share = known.get(v);
  if (share === undefined)
    known.set(v, (share = shareOfVisit(v, { taxon: r.taxon, plant: r.plant, stems: r.stemsOn(v.on) })));
  return share;
}

/** As tall as its kind grows it adds no more: what happens there says nothing of a year's growth. */
const STILL_GROWS = 0.9;

function stepsOf(r: GrowthRecords, h: Hemisphere, without: ReadonlySet<string>): readonly GrowthStep[] {
  const out: GrowthStep[] = [];
  let last: Known | null = null;
  let joins = false;
  for (const k of knownDays(r, without)) {
    if (last?.after && k.before) {
      const seasons = growthClock(r.year, h, k.on) - growthClock(r.year, h, last.on);
      const grows = last.after.heightM < STILL_GROWS * r.taxon.matureHeightM[1];
      if (seasons >= 0)
        out.push({
          gain: k.before.heightM - last.after.heightM,
          seasons: grownSeasons(seasons, last.vigour),
          ends: [errorOf(last.after.heightM), errorOf(k.before.heightM)],
          joins: joins && !last.cut,
          from: last.on,
          to: k.on,
          records: [last.after.recordId, k.before.recordId].filter((id) => id !== null),
          reading: k.before,
          full: !grows || k.before.heightM >= r.taxon.matureHeightM[1],
        });
      joins = true;
    } else joins = false;
    last = k;
  }
  for (const o of r.observations) {
    if (o.kind !== "shoots-counted" || o.lengthM === null || without.has(o.id)) continue;
    const step = shootStep(r, h, o, o.lengthM);
    if (step) out.push(step);
  }
  return out;
}

/** Shoots that were measured at cuts grew since the cut, with the vigour it woke. Worked out once, like shares. */
const SHOOT_STEPS = new WeakMap<GrowthRecords, Map<Observation, GrowthStep | null>>();
function shootStep(r: GrowthRecords, h: Hemisphere, o: Observation, lengthM: Metres): GrowthStep | null {
  let known = SHOOT_STEPS.get(r);
  if (!known) SHOOT_STEPS.set(r, (known = new Map<Observation, GrowthStep | null>()));
  let step = known.get(o);
  if (step === undefined) known.set(o, (step = shootStepOf(r, h, o, lengthM)));
  return step;
}

const SHOOTS_OF_DAYS = 550;
function shootStepOf(r: GrowthRecords, h: Hemisphere, o: Observation, lengthM: Metres): GrowthStep | null {
  const cut = r.visits
    .filter((v) => v.on < o.on && daysBetween(v.on, o.on) <= SHOOTS_OF_DAYS && v.cuts.length > 0)
    .at(-1);
  if (!cut) return null;
  const share = shareIn(r, cut);
  const seasons = growthClock(r.year, h, o.on) - growthClock(r.year, h, cut.on);
  const grown = grownSeasons(seasons, vigourAfterCut(r.taxon, share));
  if (grown < 0.2) return null;
  return {
    gain: lengthM,
    seasons: grown,
    ends: [0, Math.max(LEARNING_PRIORS.height.readM, LEARNING_PRIORS.shootLengthShare * lengthM)],
    joins: false,
    from: cut.on,
    to: o.on,
    records: [cut.id, o.id],
    full: false,
    reading: { heightM: lengthM, recordId: o.id, sure: o.sure },
  };
}

/** The catalogue's spread of a plant's growth in a year, as parts of the usual growth; and the parts it is made of. */
interface Spread {
  readonly all: number;
  readonly plant: number;
  readonly season: number;
}
function spreadOf({ growthM: [slow, usual, strong] }: Taxon): Spread {
  const all = (strong - slow) / (2 * EIGHTY_SDS * usual);
  const season = LEARNING_PRIORS.growth.seasonShare * all;
  const rest = all ** 2 - season ** 2 - LEARNING_PRIORS.growth.placeSd ** 2;
  // Of a kind that the catalogue holds within little the plant keeps at least a third of that.
  return { all, season, plant: Math.sqrt(Math.max((all / 3) ** 2, rest)) };
}

/** What one plant's heights tell, as a part of its kind's usual growth over it. */
interface GrowthTold extends Told {
  readonly plantId: string;
}
/** A reading that does not go with the others. */
export interface GrowthStranger {
  readonly plantId: string;
  readonly recordId: string | null;
  readonly on: PlainDate;
  readonly readM: Metres;
  /** What the others lead to expect: least and most of eight in ten. */
  readonly expectedM: readonly [Metres, Metres];
}
/** What was learnt of one plant's growth, metres a season. */
export interface GrowthLesson {
  readonly plantId: string;
  /** By the catalogue, or as somebody said: slow, usual, strong. */
  readonly before: Taxon["growthM"];
  /** By the record; the same as before where nothing was told. */
  readonly mine: Taxon["growthM"];
  /** Its usual growth with what is left open of it. */
  readonly usual: Normal;
  readonly steps: readonly GrowthStep[];
}
/** What was learnt of growth in a garden. */
export interface GrowthTaught {
  /** What the garden does to all its plants, as a part of their usual growth. */
  readonly place: Normal;
  readonly plants: ReadonlyMap<string, GrowthLesson>;
  readonly strangers: readonly GrowthStranger[];
  /** The growth of a plant as it is used: with what was set aside left out. */
  readonly growthM: (plantId: string, taxon: Taxon) => Taxon["growthM"];
}
/** Names under which what was learnt of growth is set aside. */
export const GROWTH_OF_PLACE = "growth:place";
/** Of one plant. */
export const growthOfPlant = (plantId: string): string => `growth:${plantId}`;

const PLACE = "place";
/** Shorter than this a step says nothing by which it could be strange. */
const TELLS_SEASONS = 0.2;

interface Looked {
  readonly r: GrowthRecords;
  readonly spread: Spread;
  readonly steps: readonly GrowthStep[];
}

/** Two readings of one winter that cannot both be right: the later one is asked about. */
function strangeAtOnce(all: readonly Looked[]): GrowthStranger | null {
  for (const { r, steps } of all)
    for (const s of steps) {
      if (s.seasons >= TELLS_SEASONS || s.reading.sure) continue;
      const [usual, strong] = [r.taxon.growthM[1] * s.seasons, r.taxon.growthM[2] * s.seasons];
      const err = STRANGE_SDS * Math.hypot(...s.ends) + strong;
      if (Math.abs(s.gain - usual) <= err) continue;
      const start = s.reading.heightM - s.gain;
      const at = [start + usual - err, start + usual + err] as const;
      return {
        plantId: r.plant.id,
        recordId: s.reading.recordId,
        on: s.to,
        readM: s.reading.heightM,
        expectedM: [Math.max(0, at[0]), at[1]],
      };
    }
  return null;
}

/** One reading is taken out of a plant's steps at a time, the one that both its steps find strange first. */
function strangeReading(all: readonly Looked[]): GrowthStranger | null {
  const atOnce = strangeAtOnce(all);
  if (atOnce) return atOnce;
  const told = all.flatMap(({ r, spread, steps }) =>
    steps
      .filter((s) => s.seasons >= TELLS_SEASONS && (!s.full || s.gain > r.taxon.growthM[1] * s.seasons))
      .map((step) => {
        const usual = r.taxon.growthM[1] * step.seasons;
        return {
          r,
          step,
          usual,
          value: step.gain / usual - 1,
          sd: Math.sqrt(spread.season ** 2 / step.seasons + (step.ends[0] ** 2 + step.ends[1] ** 2) / usual ** 2),
          shared: [PLACE],
          own: r.plant.id,
        };
      }),
  );
  if (told.length === 0) return null;
  const spreads = new Map(all.map((l) => [l.r.plant.id, l.spread]));
  const { strangers } = sifted(
    told,
    { shared: () => LEARNING_PRIORS.growth.placeSd, own: (id) => spreads.get(id)!.plant },
    (t) => t.step.reading.sure,
  );
  const first = strangers[0];
  if (!first) return null;
  const { r, usual } = first.told;
  // Up by too much and down again: the reading between the two is the strange one.
  const pair = strangers.find((s) => s !== first && s.told.r === r && s.told.step.to === first.told.step.from);
  const { step } = (pair ?? first).told;
  const { expected } = pair ?? first;
  const start = step.reading.heightM - step.gain;
  const bounds = [-1, 1].map(
    (d) => start + (pair?.told.usual ?? usual) * (1 + expected.mean + d * EIGHTY_SDS * expected.sd),
  );
  return {
    plantId: r.plant.id,
    recordId: step.reading.recordId,
    on: step.to,
    readM: step.reading.heightM,
    expectedM: [Math.max(0, bounds[0]!), Math.max(0, bounds[1]!)],
  };
}
const MOST_STRANGERS = 20;

/** The least part of the usual growth that anything makes. */
const LEAST_PART = 0.1;
/** The catalogue's three growths moved to what was learnt, and drawn together as far as its doubt was. */
function moved([slow, usual, strong]: Taxon["growthM"], part: Normal, spread: Spread): Taxon["growthM"] {
  const m = usual * Math.max(LEAST_PART, 1 + part.mean);
  const left = Math.min(1, Math.hypot(part.sd, spread.season) / spread.all);
  const least = LEAST_PART * usual;
  return [Math.max(least, m - (usual - slow) * left), m, m + (strong - usual) * left];
}

/**
 * What the heights of a garden's plants tell of their growth.
 * @param all plants with something recorded of them
 * @param aside names of lessons that are not to be used
 */
export function growthTaught(all: readonly GrowthRecords[], h: Hemisphere, aside: ReadonlySet<string>): GrowthTaught {
  const without = new Map<string, Set<string>>();
  const strangers: GrowthStranger[] = [];
  const look = (r: GrowthRecords): Looked => ({
    r,
    spread: spreadOf(r.taxon),
    steps: stepsOf(r, h, without.get(r.plant.id) ?? new Set()),
  });
  let looked = all.map(look);
  while (strangers.length < MOST_STRANGERS) {
    const found = strangeReading(looked.filter((l) => l.steps.length > 0));
    if (!found) break;
    strangers.push(found);
    const { recordId } = found;
    const out = without.get(found.plantId) ?? new Set<string>();
    // The plant's own row cannot be left out: then nothing of it is used.
    if (recordId !== null && !out.has(recordId)) {
      out.add(recordId);
      without.set(found.plantId, out);
      looked = looked.map((l) => (l.r.plant.id === found.plantId ? look(l.r) : l));
    } else looked = looked.map((l) => (l.r.plant.id === found.plantId ? { ...l, steps: [] } : l));
  }
  const spreads = new Map(looked.map((l) => [l.r.plant.id, l.spread]));
  const told = looked.flatMap(({ r, spread, steps }): GrowthTold[] => {
    const usual = r.taxon.growthM[1];
    const n = gainTold(
      steps.flatMap((s, i) => (s.full ? [] : [{ ...s, joins: s.joins && steps[i - 1]?.full === false }])),
      spread.season * usual,
    );
    return n
      ? [{ plantId: r.plant.id, value: n.mean / usual - 1, sd: n.sd / usual, shared: [PLACE], own: r.plant.id }]
      : [];
  });
  const placeSd = aside.has(GROWTH_OF_PLACE) ? 0 : LEARNING_PRIORS.growth.placeSd;
  const doubts = { shared: () => placeSd, own: (id: string) => spreads.get(id)!.plant };
  const parts = partsFrom(told, doubts);
  const plants = new Map(
    looked
      .filter((l) => l.steps.some((s) => !s.full))
      .map(({ r, spread, steps }): [string, GrowthLesson] => {
        const part = parts.sum([PLACE], r.plant.id);
        const usual = r.taxon.growthM[1];
        return [
          r.plant.id,
          {
            plantId: r.plant.id,
            before: r.taxon.growthM,
            mine: moved(r.taxon.growthM, part, spread),
            usual: { mean: usual * (1 + part.mean), sd: usual * part.sd },
            steps: steps.filter((s) => !s.full),
          },
        ];
      }),
  );
  const place = parts.shared(PLACE);
  return {
    place,
    plants,
    strangers,
    growthM(plantId, taxon) {
      const lesson = plants.get(plantId);
      if (lesson && !aside.has(growthOfPlant(plantId))) return lesson.mine;
      if (told.length === 0 || aside.has(GROWTH_OF_PLACE)) return taxon.growthM;
      const spread = spreadOf(taxon);
      return moved(taxon.growthM, { mean: place.mean, sd: Math.hypot(place.sd, spread.plant) }, spread);
    },
  };
}
