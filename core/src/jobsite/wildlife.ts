/** What of a plant is in use by wildlife on a day, and what a task takes of it: our own estimate. */
import type { Taxon } from "../catalogue/index.ts";
import { YEAR_DAYS, yearDay, type SeasonDay } from "../calendar/index.ts";
import type { Climate } from "../climate/index.ts";
import { TASK_TABLE, type Task } from "../model/index.ts";
import { inCycle, type PlantYear } from "../phenology/index.ts";
import type { Share } from "../units/index.ts";

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
