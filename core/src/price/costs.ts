/** Prices beside flowers and frost: wind, wildlife, minutes. Our own estimates, kept in tables and ranged. */
import type { Taxon } from "../catalogue/index.ts";
import { daysBetween, YEAR_DAYS, yearDay, type PlainDate, type SeasonDay } from "../calendar/index.ts";
import type { Climate } from "../climate/index.ts";
import { TASK_TABLE, type Bed, type Plant, type Task } from "../model/index.ts";
import { inCycle, type PlantYear } from "../phenology/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";
import { heightOf, type GardenModel } from "./gardenModel.ts";

/** How much wind a place in the garden gets; where nobody has looked, a little less than "some". */
const EXPOSURE: Readonly<Record<NonNullable<Bed["wind"]> | "unsaid", Share>> = {
  sheltered: 0.15,
  some: 0.45,
  exposed: 1,
  unsaid: 0.35,
};
/** How a habit catches wind and holds in the ground. */
const HOLD: Readonly<Record<Taxon["habit"], Share>> = {
  vase: 1,
  fountain: 0.9,
  upright: 0.5,
  climber: 0.8,
  tree: 0.8,
  column: 0.7,
  cone: 0.7,
  dome: 0.6,
  mound: 0.2,
  tuft: 0,
};
export const WIND_ASSUMPTIONS = {
  /** Below this height wind does nothing, and over so much more it has its full grip, m. */
  fromM: 1,
  overM: 2.5,
  /** A plant in its first three years is not rooted in yet. */
  youngFactor: 1.2,
  youngDays: 3 * 365,
  /** In leaf and growing it is storms of winter that do the harm, not these. */
  summerFactor: 0.3,
  /** From here on leaving a tall plant through winter is worth a word. */
  worthSaying: 0.3,
  /** Under this a cut against wind gains nothing. */
  calm: 0.15,
} as const;

/** Chance-like grade, 0 to 1, that winter wind rocks or breaks a plant of a height: our estimate, for comparing. */
export function windRisk(
  taxon: Taxon,
  plant: Plant,
  bed: Bed | undefined,
  heightM: Metres,
  on: PlainDate,
  asleep: boolean,
): Share {
  const a = WIND_ASSUMPTIONS;
  const lever = clampShare((heightM - a.fromM) / a.overM);
  const young = plant.plantedOn !== null && daysBetween(plant.plantedOn, on) < a.youngDays ? a.youngFactor : 1;
  const season = asleep ? 1 : a.summerFactor;
  return clampShare(lever * EXPOSURE[bed?.wind ?? "unsaid"] * HOLD[taxon.habit] * young * season);
}

/** Wind on a plant of the garden as it stands on a day; `asleep` asks about the winter ahead. */
export function windOn(model: GardenModel, plant: Plant, on: PlainDate, asleep: boolean): Share {
  const bed = model.garden.beds.find((b) => b.id === plant.bedId);
  return windRisk(model.taxonOf(plant), plant, bed, heightOf(model, plant, on).heightM, on, asleep);
}

export type WildlifeUse = "berries" | "seed" | "stems" | "nests" | "nectar";
/** What the catalogue's words on wildlife amount to. */
const WILDLIFE: readonly { readonly use: WildlifeUse; readonly words: RegExp }[] = [
  { use: "berries", words: /berr|hips|nuts/ },
  { use: "seed", words: /seed|heads hold/ },
  { use: "stems", words: /hollow stems|winter shelter/ },
  { use: "nests", words: /nests|dense shelter/ },
  { use: "nectar", words: /nectar|pollen|bees|butterfl|moths|hummingbird/ },
];
/** Birds breed from about first leaf until some weeks past midsummer; seed is eaten by late winter. */
const NEST_DAYS = { afterLeaf: -10, pastWarmest: 20 } as const;
const SEED_DAYS = 130;

/** What was seen of berries holds for so many days, then it is another season's. */
const FRUIT_DAYS = 150;

/** Is a use in season on a day of the cycle? */
function inSeason(use: WildlifeUse, y: PlantYear, c: Climate, u: SeasonDay): boolean {
  const main = y.displays[0];
  const day = yearDay(u);
  switch (use) {
    case "berries": {
      const seen = y.seen?.fruit;
      if (seen && day >= seen.from && day < seen.from + FRUIT_DAYS) return seen.is === "ripe";
      const fruit = y.displays.find((d) => /berr|hips/.test(d.display.name));
      if (fruit) return u >= fruit.opens.day && u <= fruit.ends.day;
      return main !== undefined && u > main.ends.day + 45 && u < y.wakes.day + YEAR_DAYS - 45;
    }
    case "seed":
      return main !== undefined && u > main.ends.day && u < main.ends.day + SEED_DAYS;
    case "stems":
      return u > y.dormant.day;
    case "nests":
      return day > c.spring.leaf + NEST_DAYS.afterLeaf && day < c.warmestDay + NEST_DAYS.pastWarmest;
    case "nectar":
      return y.displays.some((d) => d.display.weight >= 0.3 && u >= d.opens.day && u <= d.ends.day);
  }
}

/** What of a plant's worth to wildlife is in season on a day; empty when nothing is. */
export function wildlifeInSeason(taxon: Taxon, y: PlantYear, c: Climate, day: SeasonDay): readonly WildlifeUse[] {
  const u = inCycle(y, day);
  let uses = USES.get(taxon);
  if (!uses)
    USES.set(
      taxon,
      (uses = WILDLIFE.filter(({ words }) => taxon.wildlife.some((w) => words.test(w))).map(({ use }) => use)),
    );
  return uses.filter((use) => inSeason(use, y, c, u));
}
const USES = new WeakMap<Taxon, readonly WildlifeUse[]>();

/** Which uses a task takes with it. */
const TAKES: Readonly<Record<WildlifeUse, (t: Task) => Share>> = {
  berries: (t) => (t === "deadhead" ? 1 : TASK_TABLE[t].reach),
  seed: (t) => (t === "deadhead" ? 1 : TASK_TABLE[t].reach),
  stems: (t) => (TASK_TABLE[t].exposure >= 0.5 ? TASK_TABLE[t].exposure : 0),
  nests: (t) => (TASK_TABLE[t].live ? Math.max(TASK_TABLE[t].exposure, 0.2) : 0),
  nectar: (t) => (TASK_TABLE[t].live ? TASK_TABLE[t].reach : 0),
};

export interface WildlifeCost {
  readonly use: WildlifeUse;
  /** Share of it that the task takes. */
  readonly cost: Share;
}
/** What a task takes from wildlife on a day, the largest first. */
export const wildlifeCost = (uses: readonly WildlifeUse[], task: Task): readonly WildlifeCost[] =>
  uses
    .map((use): WildlifeCost => ({ use, cost: TAKES[use](task) }))
    .filter((w) => w.cost > 0)
    .sort((a, b) => b.cost - a.cost);

/** WorkMinutes for a square metre of the plant's outline seen from the front, and for setting up and clearing away. From memory of practice. */
const MINUTES_PER_M2: Readonly<Record<Task, number>> = {
  "dead-only": 2.5,
  deadhead: 8,
  tip: 5,
  shape: 6,
  thin: 5,
  renovate: 7,
  "hard-cutback": 5,
  "reduce-for-wind": 3,
  shear: 3,
  candle: 12,
  lift: 3,
  "thin-suckers": 4,
  leave: 0,
};
const SET_UP_MINUTES = 5;
/** Hands differ by this much. */
const HANDS = [0.6, 1.7] as const;

export interface WorkMinutes {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
  /** From the gardener's own log of this plant, or by size and task. */
  readonly from: "log" | "size";
}

/** How long a task takes at a plant: what was logged for it, else by the size of its outline. */
export function minutesFor(model: GardenModel, plant: Plant, task: Task, on: PlainDate): WorkMinutes {
  const logged = model
    .visitsOf(plant.id)
    .flatMap((v) => (v.task === task && v.minutes !== null && v.minutes > 0 && v.on <= on ? [v.minutes] : []))
    .sort((a, b) => a - b);
  if (logged.length > 0) {
    const usual = logged[Math.floor(logged.length / 2)]!;
    return { low: Math.min(logged[0]!, usual * 0.8), usual, high: Math.max(logged.at(-1)!, usual * 1.25), from: "log" };
  }
  if (task === "leave") return { low: 0, usual: 0, high: 0, from: "size" };
  const area = heightOf(model, plant, on).heightM * plant.widthM;
  const work = MINUTES_PER_M2[task] * area;
  return {
    low: SET_UP_MINUTES + HANDS[0] * work,
    usual: SET_UP_MINUTES + work,
    high: SET_UP_MINUTES + HANDS[1] * work,
    from: "size",
  };
}
