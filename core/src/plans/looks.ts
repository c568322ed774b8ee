/** What is worth looking for at a plant on a day, because it would move its dates or open a task. */
import { daysBetween, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import type { Observation, Plant, Task } from "../model/index.ts";
import { inCycle, type DisplayYear } from "../phenology/index.ts";
import { kindYearFor, wildlifeInSeason, type GardenModel, type Opening } from "../price/index.ts";
import type { Days } from "../units/index.ts";

export type Look = Extract<
  Observation["kind"],
  "growth-seen" | "first-flower" | "last-flower" | "berries-gone" | "foot-dense"
>;

/** So long before and after its expected day an event is worth looking for. */
const AROUND_DAYS: Days = 25;
const SAME_SEASON_DAYS: Days = 200;

/** A display's edge in the cycle a day lies in, as days still to come (past: negative). */
const until = (stageDay: number, u: number): Days => {
  const d = stageDay - u;
  return d < -YEAR_DAYS / 2 ? d + YEAR_DAYS : d;
};

/** What an answer waits for is always worth looking for, however late it is and whatever was seen before. */
const WAITED_FOR: Partial<Record<Extract<Opening, { by: "seen" }>["what"], Look>> = {
  growth: "growth-seen",
  "berries-gone": "berries-gone",
};

/**
 * Looks that make sense on a day: what the answer waits for, then what the season brings and was not seen yet.
 * @param opening what ends the answer's wait
 */
export function looksOn(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  task: Task,
  opening: Opening | null,
): readonly Look[] {
  const { year } = kindYearFor(model, plant, on, task);
  const taxon = model.taxonOf(plant);
  const u = inCycle(year, model.season(on).seasonDay);
  const made = (kind: Look): boolean =>
    model.observationsOf(plant.id).some((o) => {
      const ago = daysBetween(o.on, on);
      return o.kind === kind && ago >= 0 && ago < SAME_SEASON_DAYS;
    });
  const near = (days: Days): boolean => Math.abs(days) <= AROUND_DAYS;
  const shown = year.displays.filter((d: DisplayYear) => d.display.weight >= 0.5 && d.display.spent !== "not-done");
  const out: Look[] = [];
  if (near(until(year.wakes.day, u)) || near(until(year.wakes.day + YEAR_DAYS, u))) out.push("growth-seen");
  if (shown.some((d) => near(until(d.opens.day, u)))) out.push("first-flower");
  const inBloom = (d: DisplayYear, day: number): boolean => day >= d.opens.day && day <= d.ends.day + AROUND_DAYS;
  if (shown.some((d) => inBloom(d, u) || inBloom(d, u - YEAR_DAYS))) out.push("last-flower");
  if (wildlifeInSeason(taxon, year, model.climate, model.season(on).seasonDay).includes("berries"))
    out.push("berries-gone");
  if (plant.health?.sparseFoot === true && u > year.wakes.day + AROUND_DAYS && u < year.dormant.day)
    out.push("foot-dense");
  const awaited = opening?.by === "seen" ? WAITED_FOR[opening.what] : undefined;
  return [...(awaited ? [awaited] : []), ...out.filter((k) => k !== awaited && !made(k))];
}
