/** What is seen at a plant, written down. Fetched when something is: it knows the keys that tell what a shrub is. */
import {
  learnFrom,
  meaningsOf,
  movesOf,
  movesText,
  openGarden,
  plantSeen,
  type Garden,
  type GardenModel,
  type Observation,
  type PlainDate,
  type Voice,
} from "@wren/core";
import { standing } from "./edits.ts";
import { askAbout } from "./farSeen.ts";

/** What was seen at a plant, written down; flowers on a shrub nobody could name say what it is. */
export const withSeen = (g: Garden, seen: Observation): Garden => ({
  ...standing(g, seen.plantId),
  plants: g.plants.map((p) => (p.id === seen.plantId ? plantSeen({ ...p, ...learnFrom(p, seen) }, seen) : p)),
  observations: [...g.observations, seen],
});

/** Asks what an entry means when it lies far from where it was expected. */
export function askIfFar(before: GardenModel, seen: Observation): void {
  const meanings = meaningsOf(before, before.plant(seen.plantId), seen);
  if (meanings) askAbout({ seen, meanings });
}

/** What an entry moves, as a sentence; empty where nothing. @param on the day the answers are given for */
export function movedBy(before: GardenModel, seen: Observation, on: PlainDate, say: Voice): string {
  const after = openGarden(withSeen(before.garden, seen), before.catalogue, before.cache);
  return movesText(movesOf(before, after, seen.plantId, on), say);
}
