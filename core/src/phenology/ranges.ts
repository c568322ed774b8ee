/** From years of weather to ranges: how far a stage strays from its expected day in eight years of ten. */
import type { Taxon } from "../catalogue/index.ts";
import { YEAR_DAYS } from "../calendar/index.ts";
import { clockOfYear, weatherYears, type Climate, type SeasonClock } from "../climate/index.ts";
import { plantYear, rangeName, type PlantYear, type Range, type Stage, type StageRanges } from "./plantYear.ts";

/** Ends of the 80 % range. */
export const TAILS = [0.1, 0.9] as const;
/** With fewer years than this a stage keeps the prior of its rule. */
const LEAST_YEARS = 20;

/** Value below which a share of sorted numbers lies, between neighbours in proportion. // => quantile([1, 2, 3], 0.5) is 2 */
export function quantile(sorted: ArrayLike<number>, p: number): number {
  const at = p * (sorted.length - 1);
  const low = Math.floor(at);
  const [a, b] = [sorted[low]!, sorted[Math.min(sorted.length - 1, low + 1)]!];
  return a + (at - low) * (b - a);
}

/** The season clocks of synthetic years, seeded. About a millisecond a year. */
export function syntheticClocks(c: Climate, seed: number, count: number): SeasonClock[] {
  const years = weatherYears(c, seed, count);
  return Array.from({ length: count }, (_, y) => {
    const [from, to] = [y * YEAR_DAYS, (y + 1) * YEAR_DAYS];
    return clockOfYear({ tminC: years.tminC.subarray(from, to), tmaxC: years.tmaxC.subarray(from, to) }, c.expected);
  });
}

const OWN = ["wakes", "hardens", "stops", "dormant"] as const;
const SHOWN = ["opens", "ends", "budsBegin", "budsSet"] as const;

/** Every stage of a year with the name its range goes by, and where the same stage stands in another year. */
function stagesIn(
  y: PlantYear,
): readonly (readonly [name: string, stage: Stage, of: (y: PlantYear) => Stage | null])[] {
  const own = OWN.map((n) => [rangeName(n), y[n], (x: PlantYear): Stage => x[n]] as const);
  const shown = y.displays.flatMap(({ display, ...d }) =>
    SHOWN.flatMap((n) => {
      const of = (x: PlantYear): Stage | null => x.displays.find((o) => o.display === display)?.[n] ?? null;
      return d[n] ? [[rangeName(n, display.name), d[n], of] as const] : [];
    }),
  );
  return [...own, ...shown];
}

/** Every stage of a year with the name its range goes by. */
export const stagesOf = (y: PlantYear): readonly (readonly [name: string, stage: Stage])[] =>
  stagesIn(y).map(([name, stage]) => [name, stage]);

/** Ranges of a kind's stages from the years it was given; the expected day may lie off the middle. */
export function stageRanges(taxon: Taxon, expected: SeasonClock, years: readonly PlantYear[]): StageRanges {
  const out: Record<string, Range> = {};
  for (const [name, s, of] of stagesIn(plantYear(taxon, expected))) {
    const days = new Float64Array(years.length);
    let found = 0;
    for (const y of years) {
      const day = of(y)?.day ?? Infinity;
      if (Number.isFinite(day)) days[found++] = day;
    }
    const sorted = days.subarray(0, found).sort();
    if (sorted.length < LEAST_YEARS) continue;
    // Counted from the expected day; when that lies outside, the range reaches to it.
    out[name] = [Math.max(0, s.day - quantile(sorted, TAILS[0])), Math.max(0, quantile(sorted, TAILS[1]) - s.day)];
  }
  return out;
}
