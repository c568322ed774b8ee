/** A plant's height on a day: the last measure, and what has grown since. */
import type { Taxon } from "../catalogue/index.ts";
import { seasonPoint, turnsBy, YEAR_DAYS, type Hemisphere, type PlainDate } from "../calendar/index.ts";
import type { Observation, Plant, Visit } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { growthDone, type PlantYear } from "./plantYear.ts";

export interface HeightEstimate {
  readonly heightM: Metres;
  /** For slow and for strong growth since the measure. */
  readonly rangeM: readonly [Metres, Metres];
  readonly measuredOn: PlainDate;
}

interface Measure {
  readonly on: PlainDate;
  readonly heightM: Metres;
}

function lastMeasure(plant: Plant, visits: readonly Visit[], seen: readonly Observation[], on: PlainDate): Measure {
  const first: Measure = { on: plant.heightOn, heightM: plant.heightM };
  if (visits.length === 0 && seen.length === 0) return first;
  const measures: Measure[] = [first];
  for (const v of visits)
    for (const c of v.cuts)
      if (v.plantId === plant.id && c.by === "height") measures.push({ on: v.on, heightM: c.afterM });
  for (const o of seen)
    if (o.plantId === plant.id && o.heightM !== null) measures.push({ on: o.on, heightM: o.heightM });
  // A measure made later than the day asked about serves when there is no earlier one.
  const known = measures.filter((m) => m.on <= on);
  const from = known.length > 0 ? known : measures.slice(0, 1);
  return from.reduce((a, b) => (b.on >= a.on ? b : a));
}

/** Seasons' growth gained up to a date, as a running number: whole years plus the part of this one. */
function growthClock(year: PlantYear, h: Hemisphere, on: PlainDate): number {
  const { seasonYear, seasonDay } = seasonPoint(on, h);
  const turns = turnsBy(seasonDay - year.wakes.day);
  return seasonYear + turns + growthDone(year, seasonDay - turns * YEAR_DAYS);
}

/**
 * Height on a day. What is there grows on, never past the kind's mature height unless measured taller.
 */
export function heightOnDay(
  plant: Plant,
  taxon: Taxon,
  year: PlantYear,
  h: Hemisphere,
  records: { readonly visits: readonly Visit[]; readonly observations: readonly Observation[] },
  on: PlainDate,
): HeightEstimate {
  const last = lastMeasure(plant, records.visits, records.observations, on);
  const seasons = Math.max(0, growthClock(year, h, on) - growthClock(year, h, last.on));
  const ceiling = Math.max(last.heightM, taxon.matureHeightM[1]);
  const grown = (perYear: number): number => Math.max(0.02, Math.min(ceiling, last.heightM + perYear * seasons));
  const [slow, usual, strong] = taxon.growthM;
  return { heightM: grown(usual), rangeM: [grown(slow), grown(strong)], measuredOn: last.on };
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
  const ceiling = Math.max(today.heightM, taxon.matureHeightM[1]);
  const [slow, usual, strong] = taxon.growthM;
  const at = (g: number): Metres => Math.min(ceiling, today.heightM + g * toCome);
  return [at(slow), at(usual), at(strong)];
}
