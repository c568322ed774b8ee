/** Numbers of one plant's year: displays as ridges, verdicts as runs, both against the days of a season year. */
import { giveOrTake, VERDICTS, YEAR_DAYS, type KindYear, type PlantYear, type Verdict } from "@wren/core";

export interface Run {
  readonly from: number;
  /** Exclusive. */
  readonly to: number;
  readonly verdict: Verdict;
}

/** Neighbouring days with the same verdict, as runs. */
export function verdictRuns(kind: Pick<KindYear, "verdicts">): readonly Run[] {
  const runs: { from: number; to: number; verdict: Verdict }[] = [];
  kind.verdicts.forEach((v, day) => {
    const verdict = VERDICTS[v]!;
    const last = runs.at(-1);
    if (last?.verdict === verdict) last.to = day + 1;
    else runs.push({ from: day, to: day + 1, verdict });
  });
  return runs;
}

export interface Ridge {
  readonly name: string;
  readonly path: string;
  readonly middle: number;
}

/** Displays as ridges whose flanks are as soft as their 80 % ranges; a ridge that crosses the year's end shows on both sides. */
export function ridges(year: PlantYear, x: (day: number) => number, foot: number, top: number): readonly Ridge[] {
  return year.displays.flatMap((d) =>
    [-1, 0, 1].flatMap((turn): Ridge[] => {
      if (turn === d.lostCycle) return [];
      const shift = turn * YEAR_DAYS;
      const [a, b] = [d.opens.day + shift, d.ends.day + shift];
      const [early, late] = [giveOrTake(d.opens), giveOrTake(d.ends)];
      if (b + late < 0 || a - early > YEAR_DAYS) return [];
      const peak = foot - (foot - top) * Math.max(0.25, d.display.weight);
      const points = [
        [a - early, foot],
        [a + early * 0.6, peak],
        [Math.max(a + early * 0.7, b - late * 0.6), peak],
        [b + late, foot],
      ] as const;
      const path = `M${points.map(([day, y]) => `${x(day).toFixed(1)} ${y.toFixed(1)}`).join("L")}Z`;
      return [{ name: d.display.name, path, middle: Math.min(YEAR_DAYS - 30, Math.max(30, (a + b) / 2)) }];
    }),
  );
}
