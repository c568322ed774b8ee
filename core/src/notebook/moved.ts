/** What a change of the record moves: windows, flowers, growth and minutes before and after it. */
import { adviseOn, taskForGoal } from "../advice/index.ts";
import { daysBetween, seasonDate, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import { plantsYear, type GardenModel } from "../garden/index.ts";
import { minutesFor } from "../jobsite/index.ts";
import type { Plant, Task } from "../model/index.ts";
import { isFlowers } from "../phenology/index.ts";
import type { Days } from "../units/index.ts";

/** One date of one plant, before and after. */
export interface DateMove {
  readonly what: "opens" | "closes" | "flowers";
  readonly plantId: string;
  readonly task: Task;
  readonly from: PlainDate | null;
  readonly to: PlainDate | null;
  /** Later when positive; null where it was not dated before or is not now. */
  readonly days: Days | null;
}
/** One number of one plant, before and after. */
export interface NumberMove {
  readonly what: "growth" | "minutes";
  readonly plantId: string;
  readonly task: Task;
  readonly from: number;
  readonly to: number;
}
/** What a change of the record moves, of the plant it is about first. */
export interface Moves {
  readonly dates: readonly DateMove[];
  readonly numbers: readonly NumberMove[];
  /** Other plants of which a date moved, and by how much half of them did, or less. */
  readonly others: number;
  readonly othersDays: Days;
}

/** So many plants are looked at beside the one that it is about: a first answer, not a survey. */
const MOST_OTHERS = 60;

interface Dates {
  readonly task: Task;
  readonly opens: PlainDate | null;
  readonly closes: PlainDate | null;
  readonly flowers: PlainDate | null;
}
function datesOf(model: GardenModel, plant: Plant, on: PlainDate): Dates {
  const task = taskForGoal(model, plant);
  const { window } = adviseOn(model, plant.id, on, task);
  const { seasonYear } = model.season(on);
  const main = plantsYear(model, plant, on).displays.find((d) => isFlowers(d.display.name) && d.display.weight >= 0.5);
  const flowers =
    main === undefined
      ? null
      : seasonDate(
          seasonYear,
          Math.round(((main.opens.day % YEAR_DAYS) + YEAR_DAYS) % YEAR_DAYS),
          model.climate.hemisphere,
        );
  return { task, opens: window?.opens ?? null, closes: window?.closes ?? null, flowers };
}

function dateMoves(before: GardenModel, after: GardenModel, plantId: string, on: PlainDate): readonly DateMove[] {
  const [was, is] = [datesOf(before, before.plant(plantId), on), datesOf(after, after.plant(plantId), on)];
  return (["opens", "closes", "flowers"] as const).flatMap((what): DateMove[] => {
    const [from, to] = [was[what], is[what]];
    if (from === to) return [];
    return [
      { what, plantId, task: is.task, from, to, days: from === null || to === null ? null : daysBetween(from, to) },
    ];
  });
}

/** Smaller parts than this are not worth telling. */
const TELLS = 0.03;

/** @param plantId the plant that the change is about; both gardens hold it */
export function movesOf(before: GardenModel, after: GardenModel, plantId: string, on: PlainDate): Moves {
  const own = dateMoves(before, after, plantId, on);
  const [was, is] = [before.plant(plantId), after.plant(plantId)];
  const task = taskForGoal(after, is);
  const numbers: NumberMove[] = [
    { what: "growth" as const, from: before.taxonOf(was).growthM[1], to: after.taxonOf(is).growthM[1] },
    {
      what: "minutes" as const,
      from: minutesFor(before, was, task, on).usual,
      to: minutesFor(after, is, task, on).usual,
    },
  ]
    .filter((n) => n.from > 0 && Math.abs(n.to / n.from - 1) > TELLS)
    .map((n) => ({ ...n, plantId, task }));
  const others = after.garden.plants
    .filter((p) => p.id !== plantId && before.garden.plants.some((x) => x.id === p.id))
    .slice(0, MOST_OTHERS)
    .map((p) => Math.max(0, ...dateMoves(before, after, p.id, on).map((m) => Math.abs(m.days ?? 0))))
    .filter((d) => d > 0)
    .sort((a, b) => a - b);
  return { dates: own, numbers, others: others.length, othersDays: others[Math.floor(others.length / 2)] ?? 0 };
}
