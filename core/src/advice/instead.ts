/** When it is not the day: what else may be done today and what each costs in flowers and minutes; and which season costs least. */
import { seasonDate, YEAR_DAYS, yearDay, type PlainDate } from "../calendar/index.ts";
import {
  isGrafted,
  LIMITS,
  TASKS,
  VERDICT_TABLE,
  VERDICTS,
  type Plant,
  type Task,
  type Verdict,
} from "../model/index.ts";
import type { Share } from "../units/index.ts";
import { minutesFor, type WorkMinutes } from "../jobsite/index.ts";
import { type GardenModel, likelyTaxa } from "../garden/index.ts";
import { type KindYear, isAdvisable, refusalOf, suckers } from "../price/index.ts";
import { ask, type Question } from "./question.ts";

/** Another task that may be done on the day, with its price. */
export interface Alternative {
  readonly task: Task;
  readonly verdict: Verdict;
  /** Worst loss of a display, and live growth it usually takes. */
  readonly bloomLoss: Share;
  readonly minutes: WorkMinutes;
}

/** Suckers are offered where a kind makes them by nature or its stock may: anywhere else only who sees one asks. */
const isOffered = ({ taxon, plant }: Question, task: Task): boolean =>
  isAdvisable(taxon, task) && (task !== "thin-suckers" || suckers(taxon) || isGrafted(plant));

/** Other tasks that may be started on the day, what a careful gardener would do of them first. */
export function alternatives(q: Question, verdictFor: (task: Task) => Verdict): readonly Alternative[] {
  return TASKS.filter((t) => t !== q.task && t !== "leave" && isOffered(q, t))
    .map((task) => ({ task, verdict: verdictFor(task) }))
    .filter((a) => VERDICT_TABLE[a.verdict].go)
    .map((a): Alternative => ({
      ...a,
      bloomLoss: ask(q.model, q.plant, q.on, a.task, null, q.taxon).kind.prices.worstLoss[q.day]!,
      minutes: minutesFor(q.model, q.plant, a.task, q.on),
    }))
    .sort((a, b) => rankOf(a) - rankOf(b) || a.minutes.usual - b.minutes.usual);
}
/** What is left of a missed window is offered in this order: what is dead, what is spent, then the few whole stems. */
const FIRST: readonly Task[] = ["dead-only", "deadhead", "thin-suckers", "lift", "thin"];
function rankOf({ task }: Alternative): number {
  const at = FIRST.indexOf(task);
  return at < 0 ? FIRST.length : at;
}

/** The four seasons of the hemisphere's year, from its midwinter. */
export const FOUR_SEASONS = ["winter", "spring", "summer", "autumn"] as const;
/** One of the four seasons. */
export type Season = (typeof FOUR_SEASONS)[number];
/** Season day on which each begins; winter began before the year did. */
const SEASON_STARTS: Readonly<Record<Season, number>> = { winter: -31, spring: 59, summer: 151, autumn: 243 };
const SEASON_DAYS = 91;

export interface SeasonPrice {
  readonly season: Season;
  /** The day of it that costs least, from the day asked about on. */
  readonly on: PlainDate;
  /** What the year says of that day; the plant's own account is not asked. */
  readonly verdict: Verdict;
  readonly bloomLoss: Share;
  readonly frostRisk: Share;
  readonly minutes: WorkMinutes;
}

/** What the task costs when there is time for it in one season only, for each season to come; of an uncertain plant the strictest over its likely kinds. */
export function bySeason(model: GardenModel, plant: Plant, on: PlainDate, task: Task): readonly SeasonPrice[] {
  const p = model.season(on);
  const years = likelyTaxa(model, plant).map((t) => ask(model, plant, on, task, null, t).usual);
  const worst = (of: (k: KindYear) => number): number => Math.max(...years.map(of));
  const never = years.some((k) => refusalOf(k.taxon, task) !== null);
  return FOUR_SEASONS.map((season): SeasonPrice => {
    const starts = [0, 1].map((turn) => SEASON_STARTS[season] + turn * YEAR_DAYS);
    // The season that is on or comes next.
    const start = starts.find((s) => s + SEASON_DAYS > p.seasonDay)!;
    const harm = (d: number): number => worst((k) => k.prices.harm[yearDay(d)]!);
    let best = Math.max(start, p.seasonDay);
    for (let d = best; d < start + SEASON_DAYS; d++) if (harm(d) < harm(best) - 1e-6) best = d;
    const day = seasonDate(p.seasonYear, best, model.climate.hemisphere);
    return {
      season,
      on: day < on ? on : day,
      // Verdicts stand in order, the strongest first.
      verdict: never ? "never" : VERDICTS[Math.min(...years.map((k) => k.verdicts[yearDay(best)]!))]!,
      bloomLoss: worst((k) => k.prices.worstLoss[yearDay(best)]!),
      frostRisk: worst((k) => k.prices.frostRisk[yearDay(best)]!),
      minutes: minutesFor(model, plant, task, on),
    };
  });
}

/** The day on which a task costs least. */
export interface Cheapest {
  readonly on: PlainDate;
  readonly bloomLoss: Share;
  readonly frostRisk: Share;
}
/** The first day of the year to come on which a task costs a plant least, or hardly more, whatever its account says. */
export function cheapestDay(model: GardenModel, plant: Plant, on: PlainDate, task: Task): Cheapest {
  const p = model.season(on);
  const { usual } = ask(model, plant, on, task);
  const { harm } = usual.prices;
  const good = harm.reduce((a, b) => Math.min(a, b)) + LIMITS.bestMargin;
  let best = p.seasonDay;
  while (harm[yearDay(best)]! > good) best++;
  return {
    on: seasonDate(p.seasonYear, best, model.climate.hemisphere),
    bloomLoss: usual.prices.worstLoss[yearDay(best)]!,
    frostRisk: usual.prices.frostRisk[yearDay(best)]!,
  };
}
