/** What is seen at a plant, written down. Fetched when something is: it knows the keys that tell what a shrub is. */
import { learnFrom, meaningsOf, type Garden, type GardenModel, type Observation } from "@wren/core";
import { standing } from "./edits.ts";
import { askAbout } from "./farSeen.ts";

/** What was seen at a plant, written down; flowers on a shrub nobody could name say what it is. */
export const withSeen = (g: Garden, seen: Observation): Garden => ({
  ...standing(g, seen.plantId),
  plants: g.plants.map((p) => (p.id === seen.plantId ? { ...p, ...learnFrom(p, seen) } : p)),
  observations: [...g.observations, seen],
});

/** Asks what an entry means when it lies far from where it was expected. */
export function askIfFar(before: GardenModel, seen: Observation): void {
  const meanings = meaningsOf(before, before.plant(seen.plantId), seen);
  if (meanings) askAbout({ seen, meanings });
}
