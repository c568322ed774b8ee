/** What a garden's own record changes of its plants' kinds: the one way from what was learnt to every answer. */
import { growthTaught, type GrowthRecords, type GrowthTaught } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { partsOf, seasonPoint, YEAR_DAYS, type Hemisphere } from "../calendar/index.ts";
import {
  leadFromSpans,
  LEARNING_PRIORS,
  sifted,
  type Normal,
  type Span,
  type Stranger,
  type Told,
} from "../learning/index.ts";
import type { Observation, Plant } from "../model/index.ts";
import type { DatesKnown, PlantYear } from "../phenology/index.ts";
import { buildOf } from "../stems/index.ts";
import type { Days, Metres } from "../units/index.ts";

/** Opens what was learnt of growth; only plants of which something was recorded are looked at. */
export function growthOfGarden(
  records: readonly GrowthRecords[],
  h: Hemisphere,
  aside: ReadonlySet<string>,
): GrowthTaught {
  const told = records.filter(
    (r) => r.observations.some((o) => o.heightM !== null || o.lengthM !== null) || r.visits.some(hasHeight),
  );
  return growthTaught(told, h, aside);
}
const hasHeight = (v: GrowthRecords["visits"][number]): boolean => v.cuts.some((c) => c.by === "height");

/** A count or a measure that was looked up at one plant several times, on its logarithm beside the kind's own. */
export interface LookLesson {
  readonly plantId: string;
  /** By the kind, and by the record. */
  readonly kinds: number;
  readonly mine: Normal;
  readonly records: readonly string[];
  readonly strangers: readonly Stranger<LookTold>[];
}
export interface LookTold extends Told {
  readonly recordId: string;
  readonly sure: boolean;
}
/** Looks at one plant against its kind's usual value. @returns null where nobody looked */
export function lookedUp(
  plantId: string,
  usual: number,
  looks: readonly { readonly value: number; readonly recordId: string; readonly sure: boolean }[],
  { plantSd, lookSd }: { readonly plantSd: number; readonly lookSd: number },
): LookLesson | null {
  const told = looks
    .filter((l) => l.value > 0)
    .map((l): LookTold => ({ ...l, value: Math.log(l.value / usual), sd: lookSd, shared: [], own: plantId }));
  if (told.length === 0) return null;
  const { used, strangers, parts } = sifted(told, { shared: () => 0, own: () => plantSd }, (t) => t.sure);
  return { plantId, kinds: usual, mine: parts.own(plantId), records: used.map((t) => t.recordId), strangers };
}

/** Names under which what was learnt of a plant is set aside. */
export const depthOfPlant = (plantId: string): string => `depth:${plantId}`;
export const shootsOfPlant = (plantId: string): string => `shoots:${plantId}`;
export const stageOfPlant = (stage: OwnStage, plantId: string): string => `${stage}:${plantId}`;
export const woodOfPlant = (plantId: string): string => `wood:${plantId}`;

/** How far in a plant's green reaches, by what was looked up of it; null where nobody looked or it is leafy throughout. */
export function leafDepth(plant: Plant, taxon: Taxon, seen: readonly Observation[]): LookLesson | null {
  const looks = seen.flatMap((o) =>
    o.kind === "leaf-depth" && o.lengthM !== null ? [{ value: o.lengthM, recordId: o.id, sure: o.sure }] : [],
  );
  const usual: Metres = buildOf(taxon, plant.form).shellM;
  const { plantSd, lookSd } = LEARNING_PRIORS.leafDepth;
  return looks.length === 0 || usual === Infinity ? null : lookedUp(plant.id, usual, looks, { plantSd, lookSd });
}

/** Stages of a plant that are seen to fall on a day or before it. */
export const OWN_STAGES = ["hardens", "dormant"] as const;
export type OwnStage = (typeof OWN_STAGES)[number];
const SAID_BY: Readonly<Record<OwnStage, Observation["kind"]>> = { hardens: "flush-hardened", dormant: "leaf-fall" };

/** How many days later than its kind a plant comes to a stage, from all years in which it was looked at. */
export interface StageLesson {
  readonly plantId: string;
  readonly stage: OwnStage;
  /** Days after the forecast (before: negative). */
  readonly late: Normal;
  readonly records: readonly string[];
}
/**
 * @param forecast the plant's year as the season's clock has it, by the season's calendar year
 * @returns null where it was not looked at
 */
export function stageLesson(
  plant: Plant,
  stage: OwnStage,
  seen: readonly Observation[],
  forecast: (seasonYear: number) => PlantYear,
  h: Hemisphere,
): StageLesson | null {
  const said = SAID_BY[stage];
  const records: string[] = [];
  const years = new Map<number, { from: Days; to: Days }>();
  const since = seen.reduce((y, o) => Math.max(y, partsOf(o.on).year), 0) - LEARNING_PRIORS.newest.seasons;
  for (const o of seen) {
    if (partsOf(o.on).year < since) continue;
    const came = o.kind === said;
    if (!came && !(o.kind === "not-yet" && o.lookedFor === said)) continue;
    const { seasonYear, seasonDay } = seasonPoint(o.on, h);
    const at = forecast(seasonYear)[stage].day;
    const off = seasonDay - at;
    // A leaf that falls after New Year's turn belongs to the cycle before.
    const turns = Math.round(off / YEAR_DAYS);
    const late = off - turns * YEAR_DAYS;
    const key = seasonYear + turns;
    const y = years.get(key) ?? { from: -Infinity, to: Infinity };
    years.set(key, came ? { ...y, to: Math.min(y.to, late) } : { ...y, from: Math.max(y.from, late) });
    records.push(o.id);
  }
  const spans = [...years]
    .sort(([a], [b]) => b - a)
    .slice(0, LEARNING_PRIORS.newest.seasons)
    .flatMap(([, s]): Span[] => (s.from < s.to ? [s] : []));
  if (spans.length === 0) return null;
  const { plantSd, yearSd } = LEARNING_PRIORS.stage;
  return { plantId: plant.id, stage, late: leadFromSpans(spans, plantSd, yearSd), records };
}

/** A year with its own stages moved; each stays after the one before it. */
export function withStages(y: PlantYear, late: Readonly<Record<OwnStage, Days>>): PlantYear {
  if (late.hardens === 0 && late.dormant === 0) return y;
  const by = (s: PlantYear["hardens"], days: Days, after: number): PlantYear["hardens"] => {
    const d = Math.max(days, after + 1 - s.day);
    return { day: s.day + d, earliest: s.earliest + d, latest: s.latest + d };
  };
  const hardens = by(y.hardens, late.hardens, y.wakes.day);
  const stops = by(y.stops, late.hardens, hardens.day - 1);
  return { ...y, hardens, stops, dormant: by(y.dormant, late.dormant, stops.day - 1) };
}

/** A kind with the growth and the depth of leaf that were learnt of one plant; the same object where nothing was. */
export function taughtKind(taxon: Taxon, growthM: Taxon["growthM"], depthM: Metres | null): Taxon {
  if (growthM === taxon.growthM && depthM === null) return taxon;
  return { ...taxon, growthM, ...(depthM === null ? {} : { leafDepthM: depthM }) };
}

/** Mean of logarithms as a value beside the usual one. */
export const asValue = (l: LookLesson): number => l.kinds * Math.exp(l.mine.mean);

/** What a garden was found to teach, as plain data: true of that garden to the letter of its rows, and of one catalogue. */
export interface Lore {
  /** Metres a year, slow to strong, of plants that grow otherwise than their kinds. */
  readonly growthM: Readonly<Record<string, Taxon["growthM"]>>;
  readonly dates: DatesKnown;
  /** Days that plants come later to their own stages; those on time are not named. */
  readonly late: Readonly<Record<string, Readonly<Record<OwnStage, Days>>>>;
}
