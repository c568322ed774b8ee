/** Edits of a garden that more than one screen makes. */
import {
  daysBetween,
  learnFrom,
  type Garden,
  type Observation,
  type PlainDate,
  type Plant,
  type Programme,
  type Visit,
} from "@wren/core";
import { nextPlace } from "../forms/nextPlace.ts";

/** A garden without a plant and its records. */
export const withoutPlant = (g: Garden, plantId: string): Garden => ({
  ...g,
  plants: g.plants.filter((p) => p.id !== plantId),
  visits: g.visits.filter((v) => v.plantId !== plantId),
  observations: g.observations.filter((o) => o.plantId !== plantId),
  photos: g.photos.filter((o) => o.plantId !== plantId),
  plans: g.plans.filter((o) => o.plantId !== plantId),
  programmes: g.programmes.filter((p) => p.plantId !== plantId),
  stands: g.stands.filter((s) => s.plantId !== plantId),
});

/** Another plant of the same kind beside it, with what was surveyed of the first but none of its records. */
export function copyOf(plant: Plant, g: Garden, id: string): Plant {
  const taken = new Set(g.plants.map((p) => p.label));
  let n = 2;
  while (taken.has(`${plant.label.slice(0, 74)} ${n}`)) n++;
  const length = g.beds.find((b) => b.id === plant.bedId)?.lengthM ?? plant.alongM;
  const alongM = nextPlace(g.plants, plant.bedId, length, plant.widthM);
  return { ...plant, id, label: `${plant.label.slice(0, 74)} ${n}`, alongM, health: null };
}

/** A visit settles the plans for the same task at that plant that are nearest to it in the year. */
const SETTLES_DAYS = 90;
export const withVisit = (g: Garden, visit: Visit): Garden => ({
  ...g,
  visits: [...g.visits, visit],
  plans: g.plans.filter(
    (p) => p.plantId !== visit.plantId || p.task !== visit.task || Math.abs(daysBetween(p.on, visit.on)) > SETTLES_DAYS,
  ),
});

/** Something begun for years at a plant; it stands in place of what was begun there before. */
export const withProgramme = (g: Garden, programme: Programme): Garden => ({
  ...g,
  programmes: [...g.programmes.filter((p) => p.plantId !== programme.plantId), programme],
});

/** The day that something seen or done is written down for: the day on screen, not later than today nor before it was planted. */
export function seenDay(plant: Plant, on: PlainDate, today: PlainDate): PlainDate {
  const day = on > today ? today : on;
  return plant.plantedOn !== null && day < plant.plantedOn ? plant.plantedOn : day;
}

/** What was seen at a plant, written down; flowers on a shrub nobody could name say what it is. */
export const withSeen = (
  g: Garden,
  seen: Pick<Observation, "id" | "plantId" | "on" | "kind" | "where" | "lookedFor">,
): Garden => ({
  ...g,
  plants: g.plants.map((p) => (p.id === seen.plantId ? { ...p, ...learnFrom(p, seen) } : p)),
  observations: [...g.observations, { ...seen, heightM: null, note: "" }],
});
