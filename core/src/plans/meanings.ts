/**
 * What an entry may mean that lies far from its forecast. It is taken as it is and moves its plant; what it says
 * beyond that only the gardener knows: another kind, a year that runs so for the whole garden, or a slip.
 */
import { genusOf, type Taxon } from "../catalogue/index.ts";
import { daysBetween, seasonDate, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import { BOUNDS, type Garden, type Observation, type Plant } from "../model/index.ts";
import {
  giveOrTake,
  isFlowers,
  isFruit,
  sightingOf,
  type DisplayYear,
  type PlantYear,
  type SeenStage,
  type Stage,
} from "../phenology/index.ts";
import { adviseOn, taskForGoal } from "../advice/index.ts";
import { openGarden, plantsYear, type GardenModel } from "../garden/index.ts";
import type { Days } from "../units/index.ts";

/** Off by so many of its own "give or take", and at least so many days, an entry is asked about. */
const FAR = { times: 1.6, days: 21 } as const;
/** Other kinds are offered that would show on about that day. */
const FITS_DAYS: Days = 14;
const MOST_KINDS = 3;

/** A window of the plant's own task, before and after. */
export interface Moved {
  readonly from: PlainDate | null;
  readonly to: PlainDate | null;
}

/** What an entry far from its forecast may mean. */
export interface Meanings {
  readonly stage: SeenStage;
  /** Name of the display when it is one. */
  readonly display: string | null;
  readonly expected: PlainDate;
  /** Give or take. */
  readonly spreadDays: Days;
  /** Days before the forecast; after: negative. */
  readonly aheadDays: Days;
  /** When the plant's task opens without the entry and with it. */
  readonly plant: Moved;
  /** What the garden's year would be said to run, and what it is said to run now, days ahead; null when no year runs so. */
  readonly garden: { readonly nowDays: Days; readonly thenDays: Days; readonly window: Moved } | null;
  /** Kinds that show about then, the nearest relatives first, and when each of them would be expected. */
  readonly kinds: readonly { readonly taxonId: string; readonly expected: PlainDate; readonly window: Moved }[];
}

const stagesOf = (y: PlantYear, stage: SeenStage): readonly (readonly [Stage, DisplayYear | null])[] => {
  if (stage === "wakes" || stage === "hardens" || stage === "dormant") return [[y[stage], null]];
  const edge = stage.endsWith("opens") ? "opens" : "ends";
  const named = stage.startsWith("fruit") ? isFruit : isFlowers;
  return y.displays.flatMap((d) => (named(d.display.name) ? [[d[edge], d] as const] : []));
};

/** The nearest turn of the nearest of the stages an entry may speak of, as days before its forecast. */
function nearest(
  y: PlantYear,
  stage: SeenStage,
  day: number,
): { readonly lead: Days; readonly stage: Stage; readonly display: DisplayYear | null } | null {
  let best: ReturnType<typeof nearest> = null;
  for (const [s, display] of stagesOf(y, stage)) {
    const raw = s.day - day;
    const lead = raw - YEAR_DAYS * Math.round(raw / YEAR_DAYS);
    if (best === null || Math.abs(lead) < Math.abs(best.lead)) best = { lead, stage: s, display };
  }
  return best;
}

/** When the plant's own task is next open. */
function opensFor(garden: Garden, model: GardenModel, plant: Plant, on: PlainDate): PlainDate | null {
  const m = openGarden(garden, model.catalogue, model.cache);
  const p = m.plant(plant.id);
  return adviseOn(m, p.id, on, taskForGoal(m, p)).window?.opens ?? null;
}

const catkins = (t: Taxon): boolean => t.displays.some((d) => d.name.includes("catkins"));

/** How alike two kinds are to somebody who took one for the other: relatives first, then stature and leaf. */
const likeness = (a: Taxon, b: Taxon): number =>
  (genusOf(a) === genusOf(b) ? 4 : 0) +
  (a.group === b.group ? 2 : 0) +
  Number(a.leaf === b.leaf) +
  Number(a.habit === b.habit) +
  Number(a.matureHeightM[0] < b.matureHeightM[1] && b.matureHeightM[0] < a.matureHeightM[1]);
/** Less alike than this nobody takes one for the other. */
const ALIKE = 4;

/** Kinds like it that show about that day, the likest first. */
function kindsThen(model: GardenModel, taxon: Taxon, stage: SeenStage, day: number): readonly Taxon[] {
  const near = (t: Taxon): Days => Math.abs(nearest(model.yearOf(t), stage, day)?.lead ?? Infinity);
  return model.catalogue.taxa
    .filter(
      (t) => t.id !== taxon.id && likeness(t, taxon) >= ALIKE && catkins(t) === catkins(taxon) && near(t) <= FITS_DAYS,
    )
    .toSorted((a, b) => likeness(b, taxon) - likeness(a, taxon) || near(a) - near(b))
    .slice(0, MOST_KINDS);
}

/**
 * What an entry may mean beyond its plant; null when it lies about where it was expected, or tells of no date.
 * @param before the garden without the entry
 */
export function meaningsOf(before: GardenModel, plant: Plant, seen: Observation): Meanings | null {
  const tells = sightingOf(seen)?.tells[0];
  if (!tells || plant.identity !== null) return null;
  const taxon = before.taxonOf(plant);
  const { seasonYear, seasonDay } = before.season(seen.on);
  const h = before.climate.hemisphere;
  const year = plantsYear(before, plant, seen.on);
  const day = seasonDay + tells.days;
  const at = nearest(year, tells.stage, day);
  if (!at) return null;
  const inBloom = seen.kind === "in-flower" && year.displays.some((d) => bloomsOn(d, seasonDay));
  const contradicts = tells.says === "on" || (tells.says === "by" ? at.lead > 0 : at.lead < 0);
  const spreadDays = giveOrTake(at.stage);
  if (inBloom || !contradicts || Math.abs(at.lead) <= Math.max(FAR.days, FAR.times * spreadDays)) return null;
  const { garden } = before;
  const withEntry: Garden = { ...garden, observations: [...garden.observations, seen] };
  const now = before.pace(seasonYear).days;
  const thenDays = Math.round(now + at.lead);
  const seasons = [
    ...garden.seasons.filter((s) => s.seasonYear !== seasonYear),
    { id: `season-${seasonYear}`, seasonYear, paceDays: thenDays },
  ];
  const from = opensFor(garden, before, plant, seen.on);
  const as = (taxonId: string): Garden => ({
    ...withEntry,
    plants: garden.plants.map((p) => (p.id === plant.id ? { ...p, taxonId } : p)),
  });
  return {
    stage: tells.stage,
    display: at.display?.display.name ?? null,
    expected: seasonDate(seasonYear, day + at.lead, h),
    spreadDays: Math.round(spreadDays),
    aheadDays: Math.round(at.lead),
    plant: { from, to: opensFor(withEntry, before, plant, seen.on) },
    garden:
      thenDays < BOUNDS.paceDays.from || thenDays > BOUNDS.paceDays.to
        ? null
        : {
            nowDays: Math.round(now),
            thenDays,
            window: { from, to: opensFor({ ...withEntry, seasons }, before, plant, seen.on) },
          },
    kinds: kindsThen(before, taxon, tells.stage, day).map((t) => ({
      taxonId: t.id,
      expected: seasonDate(seasonYear, day + nearest(before.yearOf(t), tells.stage, day)!.lead, h),
      window: { from, to: opensFor(as(t.id), before, plant, seen.on) },
    })),
  };
}

const bloomsOn = (d: DisplayYear, day: number): boolean =>
  isFlowers(d.display.name) && [day, day - YEAR_DAYS, day + YEAR_DAYS].some((x) => x >= d.opens.day && x <= d.ends.day);

/** Is an answer's opening moved by more than a day or two? */
export const isMoved = (m: Moved): boolean =>
  m.from !== m.to && (m.from === null || m.to === null || Math.abs(daysBetween(m.from, m.to)) > 2);
