/** Where a cut is aimed: the wanted size less the growth that is still to come. Every screen asks here. */
import { cutHeightFor, fewestYears, growthToCome, type CutHeight, type Reduction } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { Line, Plant, Task } from "../model/index.ts";
import { bodyOf, buildOf, DRAWING_ASSUMPTIONS, heightOfLeaf } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { heightOf, measuredOn, plantsYear, type GardenModel } from "./gardenModel.ts";

/** Ours where nothing is wanted. */
export const AIM_ASSUMPTIONS = {
  /** A framework that is cut back to each year, m; never under the least stub (panicle kinds: 30–60 cm). */
  frameworkM: 0.45,
  /** Reduced for wind: to half. */
  windKeeps: 0.5,
  /** A hard cutback of a kind that breaks from the ground leaves this much, m. */
  stumpM: 0.05,
  /** Where only green may be cut, so much of the leaf stays below any cut. */
  greenKeeps: 0.1,
} as const;

/** Why a cut is aimed at a height. */
export type AimedBy = "wish" | "framework" | "wind" | "stub" | "knuckles";
export interface Aim {
  /** The height to cut to; null where neither wish nor task has one. */
  readonly height: CutHeight | null;
  readonly by: AimedBy | null;
  /** Width to cut to; null where none is wanted. */
  readonly widthM: Metres | null;
  /** Lines to stay behind, with the distance from the plant's middle to cut to. */
  readonly lines: readonly { readonly line: Line; readonly cutAtM: Metres }[];
  /** Part of a season's growth still to come. */
  readonly toCome: Share;
}

/** Lowest height that a cut may leave: the least stub that breaks, or the lowest green. */
export function floorOf(plant: Pick<Plant, "form" | "widthM">, taxon: Taxon, heightM: Metres): Metres {
  if (taxon.leastStubM !== null) return taxon.leastStubM;
  const body = bodyOf(buildOf(taxon, plant.form), heightM, plant.widthM);
  return heightOfLeaf(body, 1 - AIM_ASSUMPTIONS.greenKeeps);
}

const times = ([slow, usual, strong]: Taxon["growthM"], by: Share): Taxon["growthM"] => [
  slow * by,
  usual * by,
  strong * by,
];

/** Tasks that have a height of their own, whatever is wished. */
const OWN: Partial<Record<Task, (h: Metres) => { readonly toM: Metres; readonly by: AimedBy }>> = {
  "reduce-for-wind": (h) => ({ toM: h * AIM_ASSUMPTIONS.windKeeps, by: "wind" }),
  "hard-cutback": () => ({ toM: AIM_ASSUMPTIONS.stumpM, by: "stub" }),
};

/**
 * The aim of a task at a plant on a day. @param task null: of the wish alone
 * @param wantedM a height wanted instead of the plant's own wish
 */
export function aimOn(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  task: Task | null = null,
  wantedM: Metres | null = plant.goal.heightM,
): Aim {
  const taxon = model.taxonOf(plant);
  const toCome = growthToCome(plantsYear(model, plant, on), model.climate.hemisphere, on);
  const growthM = times(taxon.growthM, toCome);
  const nowM = heightOf(model, plant, on).heightM;
  const floorM = floorOf(plant, taxon, nowM);
  const side = growthM[1];
  const rest = {
    widthM: plant.goal.widthM === null ? null : Math.max(0, plant.goal.widthM - 2 * side),
    lines: plant.goal.lines.map((line) => ({ line, cutAtM: Math.max(0, line.distanceM - side) })),
    toCome,
  };
  const fixed = (toM: Metres, by: AimedBy): Aim => {
    const cutAtM = Math.max(floorM, toM);
    return {
      height: { cutAtM, rangeM: [cutAtM, cutAtM], holdableFromM: floorM + taxon.growthM[1], guards: [] },
      by,
      ...rest,
    };
  };
  // A pollard is cut to its own head: where it was cut last, else as high as such a head usually stands.
  if (task === "hard-cutback" && plant.form === "pollard")
    return fixed(plant.lastCutM ?? DRAWING_ASSUMPTIONS.knuckles * nowM, "knuckles");
  const own = task === null ? undefined : OWN[task];
  // A wish of its own, or what is held low by its cutback, comes before the task's.
  const asked = wantedM !== null && (wantedM !== plant.goal.heightM || taxon.passes === "cutback");
  if (own && !(task === "hard-cutback" && asked)) {
    const { toM, by } = own(nowM);
    return fixed(toM, by);
  }
  if (wantedM !== null) {
    const green = taxon.leastStubM === null ? floorM : null;
    const height = cutHeightFor(wantedM, growthM, taxon.leastStubM, green);
    // Whether it can be held is a matter of whole years, whatever part of this one is left.
    const { guards } = cutHeightFor(wantedM, taxon.growthM, taxon.leastStubM, green);
    return { height: { ...height, guards, holdableFromM: floorM + taxon.growthM[1] }, by: "wish", ...rest };
  }
  if (task !== null && taxon.passes === "cutback") return fixed(AIM_ASSUMPTIONS.frameworkM, "framework");
  return { height: null, by: null, ...rest };
}

/** The fewest years to a wanted height from a day on. @param cap live growth that may go in a year; null: no cap counts */
export function reductionOn(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  wantedM: Metres,
  cap: Share | null,
): Reduction {
  const taxon = model.taxonOf(plant);
  const { heightM } = heightOf(model, plant, on);
  return fewestYears({
    heightM,
    wantedM,
    growthM: taxon.growthM,
    toCome: aimOn(model, plant, on, null, wantedM).toCome,
    cap: cap ?? 1,
    measured: measuredOn(model, plant, on),
    floorM: floorOf(plant, taxon, heightM),
  });
}
