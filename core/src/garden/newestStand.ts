/** The stems of a plant as they were last recorded: the bench goes on from them. */
import type { Garden, Stand } from "../model/index.ts";

/** Newest first by its day; null where none were counted. */
export const newestStand = (g: Garden, plantId: string): Stand | null =>
  g.stands.filter((s) => s.plantId === plantId).reduce<Stand | null>((a, b) => (a && a.on > b.on ? a : b), null);
