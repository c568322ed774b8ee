/** New days over those a garden has: a day that is known anew replaces the old one, the others stay. */
import type { Garden, WeatherYear } from "../model/index.ts";

type Days = readonly (number | null)[];
const over = (old: Days, fresh: Days): (number | null)[] =>
  Array.from({ length: Math.max(old.length, fresh.length) }, (_, i) => fresh[i] ?? old[i] ?? null);
/** Of a day known anew by half, the old half stays only where it goes with the new one. */
const agreeing = (old: Days, fresh: Days, other: Days, goes: (mine: number, theirs: number) => boolean) =>
  over(old, fresh).map((t, i) => {
    const theirs = other[i] ?? null;
    return t === null || theirs === null || (fresh[i] ?? null) !== null || goes(t, theirs) ? t : null;
  });

/** Observed days never give way to simulated ones. */
function mergedYear(old: WeatherYear | undefined, fresh: WeatherYear): WeatherYear {
  if (!old || (old.source === "simulated" && fresh.source === "own")) return fresh;
  if (old.source === "own" && fresh.source === "simulated") return old;
  return {
    ...old,
    tminC: agreeing(old.tminC, fresh.tminC, fresh.tmaxC, (lo, hi) => lo <= hi),
    tmaxC: agreeing(old.tmaxC, fresh.tmaxC, fresh.tminC, (hi, lo) => hi >= lo),
    rainMm: over(old.rainMm, fresh.rainMm),
  };
}

/** The garden with years of weather put in place of its own of the same source and year. */
export function withWeather(garden: Garden, years: readonly WeatherYear[]): Garden {
  const byYear = new Map(garden.weather.map((w) => [w.year, w]));
  for (const y of years) byYear.set(y.year, mergedYear(byYear.get(y.year), y));
  return { ...garden, weather: [...byYear.values()].sort((a, b) => a.year - b.year) };
}
