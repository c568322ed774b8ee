/** How much may go: caps by condition, as a table. */
import type { SourceId } from "../catalogue/index.ts";
import {
  daysBetween,
  seasonPoint,
  YEAR_DAYS,
  type Hemisphere,
  type PlainDate,
  type SeasonDay,
} from "../calendar/index.ts";
import type { Condition, Observation, Plant } from "../model/index.ts";
import { showsGrowth, type PlantYear } from "../phenology/index.ts";
import type { Days, Share } from "../units/index.ts";

/** A plant's standing on a day: what was surveyed, and what its age makes of it. */
export type Standing = Condition | "first-season" | "second-season";

export interface StandingRow {
  /** Upkeep cap as a share of live growth; "usual" is the chosen school's. */
  readonly cap: { readonly at: Share } | { readonly times: Share };
  /** Live cuts wait; for what is said in the verdict. */
  readonly liveCuts: "yes" | "wait";
  readonly hardCut: "yes" | "wait";
  /** Shears over the whole of it, where other live cuts may be made. */
  readonly shears: "yes" | "wait";
  /** Even dead wood waits: it cannot yet be told from live. */
  readonly deadWood: "yes" | "wait";
  readonly source: SourceId;
}

/** Common practice (the quarter for mature plants: ANSI A300). A row is the whole effect of a standing. */
export const STANDING_TABLE: Readonly<Record<Standing, StandingRow>> = {
  healthy: {
    cap: { times: 1 },
    liveCuts: "yes",
    hardCut: "yes",
    shears: "yes",
    deadWood: "yes",
    source: "shrub-third",
  },
  "first-season": { cap: { at: 0 }, liveCuts: "wait", hardCut: "wait", shears: "yes", deadWood: "yes", source: "a300" },
  "second-season": {
    cap: { at: 0.1 },
    liveCuts: "yes",
    hardCut: "wait",
    shears: "yes",
    deadWood: "yes",
    source: "practice",
  },
  stressed: { cap: { at: 0 }, liveCuts: "wait", hardCut: "wait", shears: "yes", deadWood: "yes", source: "practice" },
  frosted: { cap: { at: 0 }, liveCuts: "wait", hardCut: "wait", shears: "yes", deadWood: "wait", source: "practice" },
  dieback: { cap: { at: 0 }, liveCuts: "wait", hardCut: "wait", shears: "yes", deadWood: "yes", source: "practice" },
  drought: {
    cap: { times: 0.5 },
    liveCuts: "yes",
    hardCut: "wait",
    shears: "wait",
    deadWood: "yes",
    source: "practice",
  },
  "past-maturity": {
    cap: { at: 0.25 },
    liveCuts: "yes",
    hardCut: "wait",
    shears: "yes",
    deadWood: "yes",
    source: "a300",
  },
  unchecked: { cap: { at: 0 }, liveCuts: "wait", hardCut: "wait", shears: "yes", deadWood: "yes", source: "practice" },
};

/** Conditions that end when new growth has been seen after they were noted. */
const UNTIL_GROWTH = ["stressed", "frosted", "dieback"] as const;
export const waitsForGrowth = (s: Standing): s is (typeof UNTIL_GROWTH)[number] => UNTIL_GROWTH.some((x) => x === s);

/**
 * Growing seasons a plant has finished by a day, counted by the days on which growth stops; null when planted at an
 * unknown time. Of its first season one that was planted when it had begun has had a part, and rests before it counts.
 */
export function seasonsFinished(plant: Plant, year: PlantYear, h: Hemisphere, on: PlainDate): number | null {
  const planted = plant.plantedOn;
  if (planted === null) return null;
  const passed = (day: SeasonDay): number => timesPassed(day, h, on) - timesPassed(day, h, planted);
  const finished = passed(year.stops.day);
  const firstYear = passed(year.wakes.day) <= 0 && passed(year.dormant.day) <= 0;
  return finished === 1 && firstYear ? 0 : finished;
}

/** How often a day of the season was passed by a date; one past 364 belongs to the cycle that began the year before. */
function timesPassed(seasonDay: SeasonDay, h: Hemisphere, by: PlainDate): number {
  const p = seasonPoint(by, h);
  return Math.floor(p.seasonYear + (p.seasonDay - seasonDay) / YEAR_DAYS);
}

/** What was noted holds so long when nobody looks again: no dry spell lasts a year; after a whole season nobody knows. */
const HOLDS: Readonly<Record<"drought" | "frosted" | "untilGrowth", Days>> = {
  drought: 90,
  frosted: 90,
  untilGrowth: 1.5 * YEAR_DAYS,
};

/** The condition that what was noted leaves a plant in on a day, or that it was not looked at for too long. */
function heldOn(plant: Plant, year: PlantYear, h: Hemisphere, on: PlainDate): Condition | "lapsed" {
  const { condition, conditionOn } = plant;
  if (conditionOn === null) return condition;
  const age = daysBetween(conditionOn, on);
  if (age < 0 || (condition === "drought" && age > HOLDS.drought)) return "healthy";
  if (!waitsForGrowth(condition)) return condition;
  if (age > HOLDS.untilGrowth) return "lapsed";
  // Once shoots have hardened, what frost killed can be told: the dead may go.
  const told =
    age > HOLDS.frosted && timesPassed(year.hardens.day, h, on) > timesPassed(year.hardens.day, h, conditionOn);
  return condition === "frosted" && told ? "dieback" : condition;
}

/** Was new growth seen after the condition was noted, up to a day? */
export function growthSeenSince(
  plant: Plant,
  observations: readonly Observation[],
  since: PlainDate | null,
  on: PlainDate,
): boolean {
  return observations.some(
    (o) => o.plantId === plant.id && showsGrowth(o) && o.on <= on && (since === null || o.on >= since),
  );
}

/** The standing that binds on a day: age first, then what was surveyed. */
export function standingOn(
  plant: Plant,
  observations: readonly Observation[],
  year: PlantYear,
  h: Hemisphere,
  on: PlainDate,
): Standing {
  const noted = heldOn(plant, year, h, on);
  const grows =
    (noted === "lapsed" || waitsForGrowth(noted)) && growthSeenSince(plant, observations, plant.conditionOn, on);
  const surveyed = grows ? "healthy" : noted;
  if (surveyed === "lapsed") return "unchecked";
  if (waitsForGrowth(surveyed)) return surveyed;
  const finished = seasonsFinished(plant, year, h, on);
  if (finished !== null && finished <= 0) return "first-season";
  if (finished === 1) return surveyed === "healthy" || surveyed === "unchecked" ? "second-season" : surveyed;
  // A plant whose planting is known needs no survey of its history.
  return surveyed === "unchecked" && finished !== null ? "healthy" : surveyed;
}

/** Upkeep cap of a standing under a school's cap. */
export function capFor(standing: Standing, schoolCap: Share): Share {
  const { cap } = STANDING_TABLE[standing];
  return "at" in cap ? Math.min(cap.at, schoolCap) : cap.times * schoolCap;
}
