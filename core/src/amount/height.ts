/** A plant's height over time: its measures, what cuts left of it, and what has grown since; one timeline for all who ask. */
import type { Taxon } from "../catalogue/index.ts";
import { seasonPoint, turnsBy, YEAR_DAYS, type Hemisphere, type PlainDate } from "../calendar/index.ts";
import { TASK_TABLE, type Observation, type Plant, type Visit } from "../model/index.ts";
import { growthDone, type PlantYear } from "../phenology/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";
import { lowestTop, shareOfVisit, type Measured } from "./cutShare.ts";

export interface HeightEstimate {
  readonly heightM: Metres;
  /** For slow and for strong growth since the measure. */
  readonly rangeM: readonly [Metres, Metres];
  /** The day of the last measure, or of the last cut whose height was reckoned. */
  readonly measuredOn: PlainDate;
  /** Seasons' growth since then, and the vigour that a cut woke. */
  readonly seasons: number;
  readonly vigour: number;
}

/** The kind's growth law: so much a season until it stands at its mature height; no taller unless it was measured so. */
export const grownTo = (taxon: Pick<Taxon, "matureHeightM">, fromM: Metres, perYear: Metres, seasons: number): Metres =>
  Math.max(fromM, Math.min(taxon.matureHeightM[1], fromM + perYear * seasons));

/** Ours; that hard cuts are answered by long shoots is common practice, the measure of it is not published. */
const VIGOUR = { fromShare: 1 / 3, most: 0.6 } as const;
/**
 * So many times its usual growth a plant makes in the season after a cut: more after a hard one. What is cut down every
 * year makes its usual growth, which was measured on plants so treated. // => 1 for a third, 1.6 for all of it
 */
export function vigourAfterCut(taxon: Pick<Taxon, "regimes" | "regrowthFromLeaflessWood">, share: Share): number {
  if (taxon.regimes.includes("cutback") || taxon.regrowthFromLeaflessWood === "no") return 1;
  return 1 + VIGOUR.most * clampShare((share - VIGOUR.fromShare) / (1 - VIGOUR.fromShare));
}

/** So many seasons' growth as its usual ones: the vigour that a cut woke is gone after a season. // => 1.5 of vigour 1.4 are 1.9 */
export const grownSeasons = (seasons: number, vigour: number): number => seasons + Math.min(1, seasons) * (vigour - 1);

/** What is known of a day: heights that were measured, and what was cut. */
interface Day {
  readonly on: PlainDate;
  readonly measured: Metres[];
  readonly visits: Visit[];
}

function daysOf(plant: Plant, visits: readonly Visit[], seen: readonly Observation[]): readonly Day[] {
  const days = new Map<PlainDate, Day>();
  const at = (on: PlainDate): Day => {
    let day = days.get(on);
    if (!day) days.set(on, (day = { on, measured: [], visits: [] }));
    return day;
  };
  at(plant.heightOn).measured.push(plant.heightM);
  for (const o of seen) if (o.plantId === plant.id && o.heightM !== null) at(o.on).measured.push(o.heightM);
  for (const v of visits) if (v.plantId === plant.id && (leftBy(v) !== null || lowers(v))) at(v.on).visits.push(v);
  return [...days.values()].sort((a, b) => (a.on < b.on ? -1 : 1));
}

/** The height that was written down as left by a visit; null where none was. */
export const leftBy = (v: Visit): Metres | null => v.cuts.findLast((c) => c.by === "height")?.afterM ?? null;
/** Does a visit of its task take the top off the whole plant? Single stems taken at the ground leave it as tall. */
const TOP_OFF_DEPTH: Share = 0.5;
export function lowers(v: Visit): boolean {
  const { reach, depth } = TASK_TABLE[v.task];
  return reach === 1 && depth >= TOP_OFF_DEPTH && v.cuts.some((c) => c.by === "share" && c.share > 0);
}

/** Lower than this part of what stood before, a measure of the day of a cut is taken as made after it. */
export const SAME_HEIGHT: Share = 0.95;

/** A plant as its kind, with its stems as they stood before the cuts of a day. */
interface Grown extends Omit<Measured, "stems"> {
  readonly stemsOn: (on: PlainDate) => Measured["stems"];
}

/** The height at the end of a day on which something is known. */
function endOf({ on, measured, visits }: Day, before: Metres | null, { taxon, plant, stemsOn }: Grown): Metres {
  const last = measured.at(-1) ?? before ?? 0;
  if (visits.length === 0) return last;
  const written = visits.flatMap((v) => leftBy(v) ?? []).at(-1);
  const top = Math.max(last, before ?? 0, ...measured);
  const low = Math.min(...measured, written ?? Infinity);
  if (low < top * SAME_HEIGHT) return low;
  if (written !== undefined) return written;
  const stub = taxon.leastStubM ?? 0;
  return visits.reduce((h, v) => {
    const m = { taxon, plant, stems: stemsOn(on) };
    return Math.min(h, Math.max(stub, lowestTop(m, h, shareOfVisit(v, m))));
  }, top);
}

/** Seasons' growth gained up to a date, as a running number: whole years plus the part of this one. */
export function growthClock(year: PlantYear, h: Hemisphere, on: PlainDate): number {
  const { seasonYear, seasonDay } = seasonPoint(on, h);
  const turns = turnsBy(seasonDay - year.wakes.day);
  return seasonYear + turns + growthDone(year, seasonDay - turns * YEAR_DAYS);
}

const LEAST_M: Metres = 0.02;

/** What a plant's height rests on. */
export interface HeightRecords {
  readonly visits: readonly Visit[];
  readonly observations: readonly Observation[];
  readonly stemsOn: (on: PlainDate) => Measured["stems"];
}
/** A record's days in order, as long as plant and record stay the same objects: a day that is dragged asks for them anew. */
const IN_ORDER = new WeakMap<HeightRecords, { readonly plant: Plant; readonly days: readonly Day[] }>();
function inOrder(plant: Plant, records: HeightRecords): readonly Day[] {
  const met = IN_ORDER.get(records);
  if (met?.plant === plant) return met.days;
  const days = daysOf(plant, records.visits, records.observations);
  IN_ORDER.set(records, { plant, days });
  return days;
}

/** What came before such a day says nothing more: a plain measure, or a cut whose height was written down. */
const beginsAnew = (d: Day): boolean =>
  d.visits.length === 0 ? d.measured.length > 0 : d.measured.length === 0 && d.visits.some((v) => leftBy(v) !== null);
/** Days of cuts by eye that are followed back: three trims a year make sixty in twenty years, and what stood before is long outgrown. */
const MAX_CHAIN = 60;
const tells = (d: Day): boolean => d.measured.length > 0 || d.visits.some((v) => leftBy(v) !== null);
/**
 * The days that the height on a day follows from. A measure made later than the day asked about serves when there is no earlier one.
 */
function daysBehind(all: readonly Day[], on: PlainDate): { readonly from: number; readonly to: number } {
  const later = all.findIndex((d) => d.on > on);
  const to = later < 0 ? all.length : later;
  for (let i = to - 1; i >= 0; i--) if (beginsAnew(all[i]!) || to - i === MAX_CHAIN) return { from: i, to };
  for (let i = 0; i < to; i++) if (tells(all[i]!)) return { from: 0, to };
  return { from: 0, to: all.findIndex((d) => d.measured.length > 0) + 1 };
}

/** How the plant stood at the end of a day on which something is known. */
interface Stood {
  readonly on: PlainDate;
  readonly heightM: Metres;
  readonly vigour: number;
}
/** States after each day of a chain, by the day it begins with: a later day, and another question, go on from them. */
const CHAINS = new WeakMap<
  readonly Day[],
  { readonly taxon: Taxon; readonly year: PlantYear; readonly from: Map<number, Stood[]> }
>();
function chainFrom(days: readonly Day[], from: number, taxon: Taxon, year: PlantYear): Stood[] {
  let met = CHAINS.get(days);
  if (met?.taxon !== taxon || met.year !== year)
    CHAINS.set(days, (met = { taxon, year, from: new Map<number, Stood[]>() }));
  let chain = met.from.get(from);
  if (!chain) met.from.set(from, (chain = []));
  return chain;
}

/** Height on a day: what is there grows on, never past the kind's mature height unless it was measured taller. */
export function heightOnDay(
  plant: Plant,
  taxon: Taxon,
  year: PlantYear,
  h: Hemisphere,
  records: HeightRecords,
  on: PlainDate,
): HeightEstimate {
  const grown: Grown = { taxon, plant, stemsOn: records.stemsOn };
  const days = inOrder(plant, records);
  const { from, to } = daysBehind(days, on);
  const chain = chainFrom(days, from, taxon, year);
  let at: Stood = { on: days[from]?.on ?? plant.heightOn, heightM: plant.heightM, vigour: 1 };
  const seasonsTo = (to: PlainDate): number => Math.max(0, growthClock(year, h, to) - growthClock(year, h, at.on));
  const grow = (to: PlainDate, perYear: Metres): Metres =>
    Math.max(LEAST_M, grownTo(taxon, at.heightM, perYear, grownSeasons(seasonsTo(to), at.vigour)));
  for (let i = from; i < to; i++) {
    const known = chain[i - from];
    if (known) {
      at = known;
      continue;
    }
    const day = days[i]!;
    const heightM = endOf(day, i === from ? null : grow(day.on, taxon.growthM[1]), grown);
    const cut = Math.max(0, ...day.visits.map((v) => shareOfVisit(v, { taxon, plant, stems: grown.stemsOn(day.on) })));
    at = { on: day.on, heightM, vigour: vigourAfterCut(taxon, cut) };
    chain.push(at);
  }
  const [slow, usual, strong] = taxon.growthM;
  return {
    heightM: grow(on, usual),
    rangeM: [grow(on, slow), grow(on, strong)],
    measuredOn: at.on,
    seasons: seasonsTo(on),
    vigour: at.vigour,
  };
}

/** Part of a season's growth still to come before it stops; after it has stopped, the whole of the next. */
export function growthToCome(year: PlantYear, h: Hemisphere, on: PlainDate): Share {
  const { seasonDay } = seasonPoint(on, h);
  const turns = turnsBy(seasonDay - year.wakes.day);
  const done = growthDone(year, seasonDay - turns * YEAR_DAYS);
  return done >= 1 ? 1 : 1 - done;
}

/** Height at the end of this season's growth, from a day's estimate. */
export function seasonsEndHeight(
  today: HeightEstimate,
  taxon: Taxon,
  year: PlantYear,
  h: Hemisphere,
  on: PlainDate,
): readonly [Metres, Metres, Metres] {
  const toCome = growthToCome(year, h, on);
  const [slow, usual, strong] = taxon.growthM;
  const { seasons, vigour } = today;
  const ahead = grownSeasons(seasons + toCome, vigour) - grownSeasons(seasons, vigour);
  const at = (g: number): Metres => grownTo(taxon, today.heightM, g, ahead);
  return [at(slow), at(usual), at(strong)];
}
