/** What is changed of hedges: begun at a plant or from nothing, its section, its sides. Each is one change of the garden. */
import { lengthOf, type Bed, type Garden, type Hedge, type HedgesRead, type Section } from "@wren/core";
import { standing } from "../../state/edits.ts";

/** The garden with a hedge put in; its plant is as long as it. */
export function withHedge(g: Garden, hedge: Hedge): Garden {
  const lengthM = Math.round(lengthOf(hedge) * 100) / 100;
  return {
    ...standing(g, hedge.plantId),
    plants: g.plants.map((p) =>
      p.id === hedge.plantId ? { ...p, widthM: Math.min(60, lengthM), form: "clipped" } : p,
    ),
    hedges: [...g.hedges.filter((h) => h.id !== hedge.id && h.plantId !== hedge.plantId), hedge],
  };
}

/** The wanted section of a hedge, as it was dragged. */
export const withSection = (hedge: Hedge, s: Section): Hedge => ({
  ...hedge,
  wanted: {
    heightM: s.heightM,
    footM: s.footM,
    frontDeg: s.batterDeg.front,
    backDeg: s.batterDeg.back,
    crown: s.crown,
    top: hedge.wanted?.top ?? "follows",
  },
});

/** The garden with the hedges of a table, and the plants of those that are new. */
export const withHedges = (g: Garden, { hedges, plants }: HedgesRead, bed: Bed | null): Garden =>
  hedges.reduce(withHedge, {
    ...g,
    beds: bed === null || plants.length === 0 ? g.beds : [...g.beds, bed],
    plants: [...g.plants, ...plants],
  });
