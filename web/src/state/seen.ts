/** What is seen at a plant, written down. Fetched when something is: it knows the keys that tell what a shrub is. */
import { learnFrom, type Garden, type Observation } from "@wren/core";
import { standing } from "./edits.ts";

/** What was seen at a plant, written down; flowers on a shrub nobody could name say what it is. */
export const withSeen = (
  g: Garden,
  seen: Pick<Observation, "id" | "plantId" | "on" | "kind" | "where" | "lookedFor">,
): Garden => ({
  ...standing(g, seen.plantId),
  plants: g.plants.map((p) => (p.id === seen.plantId ? { ...p, ...learnFrom(p, seen) } : p)),
  observations: [...g.observations, { ...seen, heightM: null, note: "" }],
});
