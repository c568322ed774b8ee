/** A year of a garden on one page: what was cut, what it cost and gave, what was learnt, what waits. */
import { kindYearFor } from "../advice/index.ts";
import { shareOfVisit } from "../amount/index.ts";
import { partsOf, type PlainDate } from "../calendar/index.ts";
import { measuredOn, type GardenModel } from "../garden/index.ts";
import { LIMITS, TASK_TABLE, type Observation, type Plant, type PlannedCut, type Visit } from "../model/index.ts";
import { followUpsOf, type FollowUp } from "../plans/index.ts";
import { extentOf } from "../price/index.ts";
import type { Minutes, Share } from "../units/index.ts";
import { lessonsOf, type Lesson } from "./lessons.ts";

/** A visit with what its day made of it. */
export interface VisitTold {
  readonly visit: Visit;
  readonly share: Share;
  /** The day lay in the kind's open window for the task; null for work that has none. */
  readonly inWindow: boolean | null;
  /** Part of the coming flowers that the cut took, by the price of its day. */
  readonly flowersLost: Share;
}

/** Counts that matter of some visits. */
export interface VisitCounts {
  readonly visits: number;
  readonly minutes: Minutes;
  readonly inWindow: number;
  readonly windows: number;
  /** Cuts that took more of the coming flowers than goes without a verdict of its own, the dearest first. */
  readonly costly: readonly VisitTold[];
  readonly dead: number;
}

/** A year on one page. */
export interface YearReview {
  readonly year: number;
  readonly visits: readonly VisitTold[];
  readonly counts: VisitCounts;
  readonly seen: readonly Observation[];
  /** Lessons that rest on something recorded in the year. */
  readonly learnt: readonly Lesson[];
  readonly waits: { readonly plans: readonly PlannedCut[]; readonly steps: readonly FollowUp[] };
}

/** What a visit took and what its day cost. */
export function visitTold(model: GardenModel, v: Visit): VisitTold {
  const plant = model.plant(v.plantId);
  const share = shareOfVisit(v, measuredOn(model, plant, v.on));
  const { live } = TASK_TABLE[v.task];
  if (!live || v.cuts.length === 0) return { visit: v, share, inWindow: null, flowersLost: 0 };
  const day = Math.floor(model.season(v.on).seasonDay);
  const taxon = model.taxonOf(plant);
  const extent = extentOf(v.task, share);
  const priced = model.kindsFor(plant, taxon, v.on).kindYear(taxon, v.task, extent);
  return {
    visit: v,
    share,
    inWindow: kindYearFor(model, plant, v.on, v.task).open[day] === 1,
    flowersLost: Math.min(1, priced.prices.worstLoss[day] ?? 0),
  };
}

/** Counts over visits. */
export function countsOf(visits: readonly VisitTold[]): VisitCounts {
  return {
    visits: visits.length,
    minutes: visits.reduce((n, v) => n + (v.visit.minutes ?? 0), 0),
    inWindow: visits.filter((v) => v.inWindow === true).length,
    windows: visits.filter((v) => v.inWindow !== null).length,
    costly: visits.filter((v) => v.flowersLost > LIMITS.flowerLoss).toSorted((a, b) => b.flowersLost - a.flowersLost),
    dead: visits.reduce((n, v) => n + v.visit.deadStemsCount, 0),
  };
}

/** Years in which anything was recorded, newest first. */
export const recordedYears = (model: GardenModel): readonly number[] =>
  [...new Set([...model.garden.visits, ...model.garden.observations].map((r) => partsOf(r.on).year))].sort(
    (a, b) => b - a,
  );

/** A calendar year of the garden, as far as a day. */
export function yearReview(model: GardenModel, year: number, on: PlainDate): YearReview {
  const { garden } = model;
  const of = <T extends { readonly on: PlainDate }>(rows: readonly T[]): T[] =>
    rows.filter((r) => partsOf(r.on).year === year && r.on <= on);
  const visits = of(garden.visits).map((v) => visitTold(model, v));
  const seen = of(garden.observations);
  const ids = new Set([...visits.map((v) => v.visit.id), ...seen.map((o) => o.id)]);
  const plants: readonly Plant[] = garden.plants;
  return {
    year,
    visits,
    counts: countsOf(visits),
    seen,
    learnt: lessonsOf(model, on).lessons.filter((l) => l.records.some((id) => ids.has(id))),
    waits: { plans: garden.plans, steps: plants.flatMap((p) => followUpsOf(model, p, on)) },
  };
}
