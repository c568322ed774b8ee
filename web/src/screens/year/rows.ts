/** The year's rows as plain data: what each plant shows, what its task costs through the year, what was done and is planned. */
import {
  grouped,
  kindYearFor,
  seasonDate,
  seasonPoint,
  stepDay,
  stepsDue,
  taskForGoal,
  verdictFor,
  VERDICT_TABLE,
  VERDICTS,
  type GardenModel,
  type KindYear,
  type PlainDate,
  type Plant,
  type Task,
  type Verdict,
} from "@wren/core";
import { verdictRuns, type Run } from "../../drawing/yearRibbon.geometry.ts";

export interface YearMark {
  readonly day: number;
  readonly kind: "done" | "planned";
  readonly id: string;
  readonly on: PlainDate;
  readonly task: Task;
}

export interface YearRow {
  readonly plant: Plant;
  readonly task: Task;
  readonly kind: KindYear;
  readonly runs: readonly Run[];
  readonly marks: readonly YearMark[];
  /** First day of bloom and of the best window in the season year; Infinity when there is none. */
  readonly blooms: number;
  readonly opens: number;
}

export const SORTS = ["bed", "bloom", "window", "name"] as const;
export type Sort = (typeof SORTS)[number];

/** Rows show a whole season with all that was seen in it: they are asked for on its last day. */
const LAST_DAY = 364;
const BEST = VERDICTS.indexOf("best");

/** Rows of a season year; nothing in them depends on the day inside it. What was begun for years is seen from now on. */
export function yearRows(model: GardenModel, seasonYear: number, now: PlainDate): readonly YearRow[] {
  const h = model.climate.hemisphere;
  const due = grouped(
    stepsDue(model, now).filter((d) => d.kind === "planned" || d.kind === "years"),
    (d) => d.plantId,
  );
  return model.garden.plants.map((plant) => {
    const task = taskForGoal(model, plant);
    const shown = task === "leave" ? model.taxonOf(plant).routineTask : task;
    const kind = kindYearFor(model, plant, seasonDate(seasonYear, LAST_DAY, h), shown);
    const mark =
      (kindOf: YearMark["kind"]) =>
      (r: { id: string; on: PlainDate; task: Task }): YearMark[] => {
        const p = seasonPoint(r.on, h);
        return p.seasonYear === seasonYear
          ? [{ day: p.seasonDay, kind: kindOf, id: r.id, on: r.on, task: r.task }]
          : [];
      };
    const main = kind.year.displays.reduce<number>(
      (d, x) => (x.display.weight >= 0.3 ? Math.min(d, x.opens.day) : d),
      Infinity,
    );
    const firstBest = kind.verdicts.indexOf(BEST);
    return {
      plant,
      task,
      kind,
      runs: verdictRuns(kind),
      marks: [
        ...model.visitsOf(plant.id).flatMap(mark("done")),
        ...(due.get(plant.id) ?? [])
          .map((d) => ({
            id: (d.plan ?? d.step)!.id,
            on: d.step ? stepDay(d.step) : d.from,
            task: d.task!,
          }))
          .flatMap(mark("planned")),
      ],
      blooms: main,
      opens: firstBest < 0 ? Infinity : firstBest,
    };
  });
}

const by: Readonly<Record<Sort, (a: YearRow, b: YearRow) => number>> = {
  bed: () => 0,
  bloom: (a, b) => (a.blooms === b.blooms ? 0 : a.blooms - b.blooms),
  window: (a, b) => (a.opens === b.opens ? 0 : a.opens - b.opens),
  name: (a, b) => a.plant.label.localeCompare(b.plant.label),
};
export const sorted = (rows: readonly YearRow[], sort: Sort): readonly YearRow[] => rows.toSorted(by[sort]);

/** What a plant's task is on a day: the plant's own answer, not only its kind's. */
export const verdictOn = (model: GardenModel, row: YearRow, on: PlainDate): Verdict =>
  verdictFor(model, row.plant.id, on, row.task);

export const FILTERS = ["all", "open", "closed", "planned"] as const;
export type Filter = (typeof FILTERS)[number];

export function passes(model: GardenModel, row: YearRow, on: PlainDate, filter: Filter): boolean {
  if (filter === "all") return true;
  if (filter === "planned") return row.marks.some((m) => m.kind === "planned");
  return VERDICT_TABLE[verdictOn(model, row, on)].go === (filter === "open");
}
