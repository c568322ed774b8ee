/** What is changed of hedges: begun at a plant or from nothing, its section, its sides. Each is one change of the garden. */
import {
  hedgeFrom,
  lengthOf,
  UNSURVEYED_PLANT,
  wish,
  type Garden,
  type Hedge,
  type Plant,
  type PlainDate,
  type Section,
  type Taxon,
} from "@wren/core";
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

/** The five numbers of a quick entry. */
export interface Measured {
  readonly lengthM: number;
  readonly heightM: number;
  readonly footM: number;
  readonly topM: number;
  readonly facesDeg: number;
  /** How far the ground rises from one end to the other. */
  readonly riseM: number;
}

/** A hedge of a plant by five numbers. */
export function measuredHedge(plant: Plant, taxon: Taxon, id: string, on: PlainDate, m: Measured): Hedge {
  const sizes = { heightM: m.heightM, footM: m.footM, topM: m.topM };
  return {
    ...hedgeFrom(plant, taxon, id, on, m.facesDeg),
    posts: [
      { alongM: 0, groundM: 0, ...sizes },
      { alongM: m.lengthM, groundM: m.riseM, heightM: null, footM: null, topM: null },
    ],
  };
}

/** A plant for a hedge that is not in the garden yet. */
export const hedgePlant = (id: string, bedId: string, taxon: Taxon, on: PlainDate, m: Measured): Plant => ({
  ...UNSURVEYED_PLANT,
  id,
  bedId,
  taxonId: taxon.id,
  label: `${taxon.common[0]!} hedge`,
  alongM: Math.min(200, m.lengthM / 2),
  heightM: m.heightM,
  heightOn: on,
  widthM: Math.min(60, m.lengthM),
  plantedOn: null,
  condition: "healthy",
  conditionOn: on,
  form: "clipped",
  goal: wish("outline"),
  powerLineM: null,
  thickestStemMm: null,
  note: "",
});
