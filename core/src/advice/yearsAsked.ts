/** What is to be asked of years of weather for a garden's answers. */
import type { Taxon } from "../catalogue/index.ts";
import { likelyTaxa, type GardenModel } from "../garden/index.ts";
import type { Plant, Task } from "../model/index.ts";
import { YEARS_COUNT, YEARS_SEED, type KindAsked, type YearsAsked } from "../price/index.ts";
import { taskForGoal } from "./goals.ts";

/** What a garden's answers need: its kinds, each with the tasks that are asked of it. */
export function yearsAsked(model: GardenModel): YearsAsked {
  const tasks = new Map<string, Set<Task>>();
  const ask = (taxon: Taxon, task: Task): void => {
    const known = tasks.get(taxon.id) ?? new Set<Task>();
    tasks.set(taxon.id, known.add(task));
  };
  const plants: readonly Plant[] = model.garden.plants;
  for (const p of plants) for (const t of likelyTaxa(model, p)) ask(t, taskForGoal(model, p));
  const kinds = [...tasks]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([taxonId, set]): KindAsked => ({ taxonId, tasks: [...set].sort() }));
  return { place: model.garden.place, kinds, years: YEARS_COUNT, seed: YEARS_SEED };
}
