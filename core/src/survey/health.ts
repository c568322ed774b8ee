/** The guided health check: what was found at the plant, what that makes of its condition, and why. */
import type { Condition, Health } from "../model/index.ts";
import { inCycle, type PlantYear } from "../phenology/index.ts";
import type { SeasonDay } from "../calendar/index.ts";
import type { Days } from "../units/index.ts";

/** What a look at the health showed. */
export type HealthSign =
  | "frost-no-growth"
  | "stem-brown"
  | "much-dead"
  | "late-no-growth"
  | "drought"
  | "weak"
  | "asleep"
  | "stopped"
  | "not-yet-due"
  | "some-dead"
  | "disease"
  | "sparse-foot"
  | "growth-shows";

/** The condition that follows from a look, and why. */
export interface HealthAnswer {
  readonly condition: Condition;
  /** What argued for it first, then what is worth knowing. */
  readonly signs: readonly HealthSign[];
}

/** Much dieback: from this share of dead stems on dead wood is all that is cut (common practice). */
export const MUCH_DEAD = 0.3;
const SOME_DEAD = 0.1;

interface Seen {
  readonly h: Health;
  /** Leafless by its own calendar, cold or drought. */
  readonly asleep: boolean;
  /** Its shoots have stopped for the year, and it keeps its leaves yet. */
  readonly stopped: boolean;
  /** By now its kind has normally begun to grow here, with its spread. */
  readonly growthDue: boolean;
}
const noGrowth = (h: Health): boolean => h.growth === "none";
const grows = (h: Health): boolean => h.growth !== "none" && h.growth !== "not-looked";

/** First row that holds gives the condition (work.md, "Health first"; common practice). */
const CONDITION_ROWS: readonly {
  readonly sign: HealthSign;
  readonly condition: Condition;
  readonly holds: (s: Seen) => boolean;
}[] = [
  { sign: "frost-no-growth", condition: "frosted", holds: ({ h }) => h.frost && !grows(h) },
  { sign: "stem-brown", condition: "dieback", holds: ({ h }) => h.scratch === "brown" && !grows(h) },
  { sign: "much-dead", condition: "dieback", holds: ({ h }) => h.deadShare > MUCH_DEAD },
  {
    sign: "late-no-growth",
    condition: "stressed",
    holds: ({ h, growthDue }) => noGrowth(h) && growthDue,
  },
  { sign: "drought", condition: "drought", holds: ({ h }) => h.drought },
  { sign: "weak", condition: "past-maturity", holds: ({ h }) => h.weak },
];
/** Worth saying whatever the condition. */
const REMARK_ROWS: readonly { readonly sign: HealthSign; readonly holds: (s: Seen) => boolean }[] = [
  { sign: "asleep", holds: ({ h, asleep }) => noGrowth(h) && asleep },
  { sign: "stopped", holds: ({ h, stopped }) => noGrowth(h) && stopped },
  { sign: "not-yet-due", holds: (s) => noGrowth(s.h) && !s.asleep && !s.stopped && !s.growthDue },
  { sign: "growth-shows", holds: ({ h }) => grows(h) },
  { sign: "some-dead", holds: ({ h }) => h.deadShare > SOME_DEAD && h.deadShare <= MUCH_DEAD },
  { sign: "disease", holds: ({ h }) => h.disease },
  { sign: "sparse-foot", holds: ({ h }) => h.sparseFoot },
];

/** So long after shoots have stopped nothing new is to be seen, and its absence says nothing. */
const STOPPED_DAYS: Days = 30;

/** Sleeping or waking with a spread of days: before that nothing may be concluded from missing growth. */
function seenBy(h: Health, year: PlantYear, seasonDay: SeasonDay): Seen {
  const u = inCycle(year, seasonDay);
  const asleep = u >= year.dormant.day;
  const stopped = !asleep && u > year.stops.day + STOPPED_DAYS;
  return { h, asleep, stopped, growthDue: !asleep && !stopped && u > year.wakes.latest };
}

/**
 * The condition that a health check gives.
 * @param seasonDay day of the check in the hemisphere's year
 */
export function conditionFrom(h: Health, year: PlantYear, seasonDay: SeasonDay): HealthAnswer {
  const s = seenBy(h, year, seasonDay);
  const row = CONDITION_ROWS.find((r) => r.holds(s));
  const remarks = REMARK_ROWS.filter((r) => r.holds(s)).map((r) => r.sign);
  return { condition: row?.condition ?? "healthy", signs: row ? [row.sign, ...remarks] : remarks };
}
