/** Of the thirteen tasks the few that suit a plant, its form, what is wanted of it and the season: they are offered first. */
import type { Taxon } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { GardenModel } from "../garden/index.ts";
import { isGrafted, VERDICT_TABLE, type Plant, type Task } from "../model/index.ts";
import { deadheaded, isAdvisable, tasksFor } from "../price/index.ts";
import { onTrunk, windOn, WIND_ASSUMPTIONS } from "../jobsite/index.ts";
import { verdictFor } from "./advise.ts";
import { taskForGoal } from "./goals.ts";

/** So many at most; the others are one press away. */
const OFFERED = 5;

interface Ground {
  readonly model: GardenModel;
  readonly plant: Plant;
  readonly taxon: Taxon;
  readonly on: PlainDate;
}

/** Which plants a task is for, in the order in which equals are offered. Common practice. */
const SUITS: readonly (readonly [Task, (g: Ground) => boolean])[] = [
  ["thin-suckers", ({ plant }) => isGrafted(plant) || plant.goal.kind === "no-suckers"],
  ["shear", ({ taxon, plant }) => taxon.routineTask === "shear" || plant.form === "clipped"],
  ["candle", ({ taxon }) => taxon.headOnlyWhileSoft],
  ["hard-cutback", ({ taxon }) => taxon.regimes.includes("cutback")],
  ["shape", ({ taxon }) => taxon.leaf !== "herbaceous"],
  ["thin", ({ taxon }) => taxon.leaf !== "herbaceous" && !taxon.outline],
  [
    "deadhead",
    ({ taxon }) => deadheaded(taxon) && taxon.displays.some((d) => d.weight >= 0.5 && d.spent !== "not-done"),
  ],
  ["dead-only", () => true],
  ["renovate", ({ taxon, plant }) => taxon.regimes.includes("renewal") && !onTrunk(plant, taxon)],
  [
    "reduce-for-wind",
    ({ model, plant, taxon, on }) =>
      taxon.habit !== "tree" && windOn(model, plant, on, true) >= WIND_ASSUMPTIONS.worthSaying,
  ],
  ["lift", ({ taxon, plant }) => onTrunk(plant, taxon)],
];

/**
 * The tasks to offer first: what is wanted, what may be done today, then what the plant is usually given.
 * @returns at most five, in the order of the table of tasks; none but the wanted one that speaks against the kind
 */
export function offeredTasks(model: GardenModel, plant: Plant, on: PlainDate): readonly Task[] {
  const taxon = model.taxonOf(plant);
  const ground = { model, plant, taxon, on };
  const wanted = taskForGoal(model, plant);
  const suits = SUITS.filter(([t, fits]) => isAdvisable(taxon, t) && fits(ground)).map(([t]) => t);
  // With dead wood kept in reach, what goes today stands before what does not.
  const ranked = suits
    .map((t, i) => ({
      t,
      rank: i + (t === "dead-only" || VERDICT_TABLE[verdictFor(model, plant.id, on, t)].go ? 0 : 10),
    }))
    .toSorted((a, b) => a.rank - b.rank)
    .map(({ t }) => t);
  const first = [...new Set([wanted, ...ranked])].slice(0, OFFERED);
  return tasksFor(taxon).filter((t) => first.includes(t));
}
