/** How the catalogue's codes read. */
import type { KindYear, Taxon } from "@wren/core";

export const GROUP_LABELS: Readonly<Record<Taxon["group"], string>> = {
  hydrangea: "Hydrangeas",
  "spring-shrub": "Shrubs on old wood",
  "summer-shrub": "Shrubs on new wood",
  rose: "Roses",
  clematis: "Clematis",
  climber: "Climbers",
  "small-tree": "Small trees",
  "broadleaf-evergreen": "Broadleaf evergreens",
  conifer: "Conifers",
  hedge: "Hedging",
  "stem-colour": "Coloured stems and leaves",
  subtropical: "Subtropical",
  "dry-country": "Dry country",
  subshrub: "Subshrubs",
  grass: "Grasses",
  perennial: "Tall perennials",
  unknown: "Not yet named",
};

export const WOOD_TEXTS: Readonly<Record<Taxon["floweringWood"], string>> = {
  old: "Flowers on old wood: its buds were made last season, so a winter cut takes them.",
  new: "Flowers on new wood: on shoots of the same season, so a cut before growth costs nothing.",
  both: "Flowers on old wood first and on new wood later: cut lightly, as if on old wood.",
  foliage: "Grown for its foliage or stems; its flowers do not decide the date.",
};

export const REGROWTH_TEXTS: Readonly<Record<Taxon["regrowthFromLeaflessWood"], string>> = {
  yes: "Shoots again from old, leafless wood.",
  slow: "Shoots from old wood slowly, and only when healthy.",
  no: "Never shoots from leafless wood: stay inside the green.",
};

/** Runs of best days of a kind's task, as season days; a run over the year's end is one. */
export function bestRuns(kind: KindYear, isBest: (day: number) => boolean): readonly (readonly [number, number])[] {
  const days = kind.verdicts.length;
  const runs: [number, number][] = [];
  for (let d = 0; d < days; d++)
    if (isBest(d)) {
      const last = runs.at(-1);
      if (last?.[1] === d - 1) last[1] = d;
      else runs.push([d, d]);
    }
  const [first, last] = [runs[0], runs.at(-1)];
  if (first && last && first !== last && first[0] === 0 && last[1] === days - 1)
    return [[last[0], first[1] + days], ...runs.slice(1, -1)];
  return runs;
}
