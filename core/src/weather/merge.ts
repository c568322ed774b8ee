/** New days over those a garden has: a day that is known anew replaces the old one, the others stay. */
import type { Garden, WeatherYear } from "../model/index.ts";

type Days = readonly (number | null)[];
const over = (old: Days, fresh: Days): (number | null)[] =>
  Array.from({ length: Math.max(old.length, fresh.length) }, (_, i) => fresh[i] ?? old[i] ?? null);

/** Observed days never give way to simulated ones. */
function mergedYear(old: WeatherYear | undefined, fresh: WeatherYear): WeatherYear {
  if (!old || (old.source === "simulated" && fresh.source === "own")) return fresh;
  if (old.source === "own" && fresh.source === "simulated") return old;
  return {
    ...old,
    tminC: over(old.tminC, fresh.tminC),
    tmaxC: over(old.tmaxC, fresh.tmaxC),
    rainMm: over(old.rainMm, fresh.rainMm),
  };
}

export function withWeather(garden: Garden, years: readonly WeatherYear[]): Garden {
  const byYear = new Map(garden.weather.map((w) => [w.year, w]));
  for (const y of years) byYear.set(y.year, mergedYear(byYear.get(y.year), y));
  return { ...garden, weather: [...byYear.values()].sort((a, b) => a.year - b.year) };
}
