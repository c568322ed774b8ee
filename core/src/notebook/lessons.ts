/** Everything a garden's record has taught, each lesson with its range, what it rests on, and whether it is used. */
import { DATES_OF_PLACE, datesOfPlant, PACE_ASSUMPTIONS } from "../phenology/index.ts";
import { GROWTH_OF_PLACE, growthOfPlant } from "../amount/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import {
  depthOfPlant,
  OWN_STAGES,
  shootsOfPlant,
  stageOfPlant,
  woodLesson,
  woodOf,
  woodOfPlant,
  type GardenModel,
  type LookLesson,
  type Wood,
} from "../garden/index.ts";
import { MINUTES_DOUBT, minutesOfHands, minutesOfJob, minutesTaught, type MinutesTaught } from "../jobsite/index.ts";
import { EIGHTY_SDS, LEARNING_PRIORS, type Normal } from "../learning/index.ts";
import type { Plant, Task } from "../model/index.ts";
import { shootsLesson } from "../regrowth/index.ts";
import type { Share } from "../units/index.ts";

/** Low, usual and high: eight in ten lie between the ends. */
export type Eighty = readonly [low: number, usual: number, high: number];

/** What a lesson is about, and in what it is told. */
export const LESSON_UNITS = {
  growth: "metres",
  "growth-place": "times",
  dates: "days",
  "dates-place": "days",
  hardens: "days",
  dormant: "days",
  hands: "times",
  job: "minutes",
  shoots: "shoots",
  depth: "metres",
} as const;
/** A lesson that is one number. */
export type LessonAbout = keyof typeof LESSON_UNITS;

interface LessonBase {
  /** The name under which it is set aside. */
  readonly id: string;
  /** null: of the garden, or of a gardener. */
  readonly plantId: string | null;
  readonly task: Task | null;
  /** Of whom minutes tell; empty: the gardener. */
  readonly by: string | null;
  /** Records it rests on, by id. */
  readonly records: readonly string[];
  readonly used: boolean;
}
/** A lesson that is one number: days are days earlier than its kind (dates) or later (stages). */
export interface NumberLesson extends LessonBase {
  readonly about: LessonAbout;
  readonly catalogue: Eighty;
  readonly mine: Eighty;
}
/** Which wood a shrub nobody can name flowers on. */
export interface WoodOdds extends LessonBase {
  readonly about: "wood";
  readonly catalogue: Readonly<Record<Wood, Share>>;
  readonly mine: Readonly<Record<Wood, Share>>;
}
/** Something the record taught. */
export type Lesson = NumberLesson | WoodOdds;

/** A record that does not go with the others: it is asked about before it is used. */
export interface StrangeRecord {
  readonly about: LessonAbout;
  readonly plantId: string;
  /** null: the height in the plant's own row. */
  readonly recordId: string | null;
  readonly on: PlainDate;
  readonly read: number;
  readonly expected: readonly [number, number];
}

/** What the record of a garden taught. */
export interface Lessons {
  readonly lessons: readonly Lesson[];
  readonly strangers: readonly StrangeRecord[];
}

const around = (n: Normal, scale: (x: number) => number = (x) => x): Eighty => [
  scale(n.mean - EIGHTY_SDS * n.sd),
  scale(n.mean),
  scale(n.mean + EIGHTY_SDS * n.sd),
];
const nothing = (sd: number): Normal => ({ mean: 0, sd });

/** @param on records up to this day count for minutes; all others count whatever their day */
export function lessonsOf(model: GardenModel, on: PlainDate): Lessons {
  const { aside, growth, dates } = model.taught;
  const plants: readonly Plant[] = model.garden.plants;
  const lesson = (
    about: LessonAbout,
    id: string,
    more: Pick<NumberLesson, "catalogue" | "mine" | "records"> & Partial<NumberLesson>,
  ): NumberLesson => ({ plantId: null, task: null, by: null, ...more, about, id, used: !aside.has(id) });
  const out: Lesson[] = [];

  const grown = growth();
  const byRecord = [...grown.plants.values()];
  if (byRecord.length > 0)
    out.push(
      lesson("growth-place", GROWTH_OF_PLACE, {
        catalogue: around(nothing(LEARNING_PRIORS.growth.placeSd), (x) => 1 + x),
        mine: around(grown.place, (x) => 1 + x),
        records: byRecord.flatMap((g) => g.steps.flatMap((s) => s.records)),
      }),
    );
  for (const g of byRecord)
    out.push(
      lesson("growth", growthOfPlant(g.plantId), {
        plantId: g.plantId,
        catalogue: g.before,
        mine: g.mine,
        records: [...new Set(g.steps.flatMap((s) => s.records))],
      }),
    );

  const ids = (plantId: string | null): readonly string[] =>
    dates.used.filter((t) => plantId === null || t.plantId === plantId).flatMap((t) => t.notes.map((n) => n.id));
  if (dates.used.length > 0)
    out.push(
      lesson("dates-place", DATES_OF_PLACE, {
        catalogue: around(nothing(dates.placeDoubt)),
        mine: around(dates.place),
        records: ids(null),
      }),
    );
  for (const plantId of new Set(dates.used.map((t) => t.plantId)))
    out.push(
      lesson("dates", datesOfPlant(plantId), {
        plantId,
        catalogue: around(nothing(PACE_ASSUMPTIONS.plant)),
        mine: around(dates.plant(plantId)),
        records: ids(plantId),
      }),
    );

  const looks = (about: "shoots" | "depth", id: string, l: LookLesson | null): void => {
    if (!l) return;
    const { plantSd } = LEARNING_PRIORS[about === "shoots" ? "shoots" : "leafDepth"];
    const scale = (x: number): number => l.kinds * Math.exp(x);
    out.push(
      lesson(about, id, {
        plantId: l.plantId,
        catalogue: around(nothing(plantSd), scale),
        mine: around(l.mine, scale),
        records: l.records,
      }),
    );
  };
  for (const p of plants) {
    if (model.observationsOf(p.id).length === 0) continue;
    for (const stage of OWN_STAGES) {
      const s = model.taught.stage(p, stage);
      if (!s) continue;
      out.push(
        lesson(stage, stageOfPlant(stage, p.id), {
          plantId: p.id,
          catalogue: around(nothing(LEARNING_PRIORS.stage.plantSd)),
          mine: around(s.late),
          records: s.records,
        }),
      );
    }
    looks("shoots", shootsOfPlant(p.id), shootsLesson(model, p));
    looks("depth", depthOfPlant(p.id), model.taught.depth(p));
    const wood = woodLesson(model, p);
    if (wood)
      out.push({
        about: "wood",
        id: woodOfPlant(p.id),
        plantId: p.id,
        task: null,
        by: null,
        catalogue: woodOf(model, wood.before),
        mine: woodOf(model, wood.mine),
        records: wood.records,
        used: !aside.has(woodOfPlant(p.id)),
      });
  }

  const timed = minutesTaught(model, on);
  out.push(...minutesLessons(timed, lesson));
  return {
    lessons: out,
    strangers: [
      ...grown.strangers.map((s): StrangeRecord => ({
        about: "growth",
        plantId: s.plantId,
        recordId: s.recordId,
        on: s.on,
        read: s.readM,
        expected: s.expectedM,
      })),
      ...dates.strangers.map(({ told, expected }): StrangeRecord => {
        const [note] = told.notes;
        const [low, , high] = around({ mean: expected.mean, sd: Math.hypot(expected.sd, told.sd) });
        return {
          about: "dates",
          plantId: told.plantId,
          recordId: note!.id,
          on: note!.on,
          read: told.value,
          expected: [low, high],
        };
      }),
      ...timed.strangers.map(({ told, expected }): StrangeRecord => {
        const [low, , high] = around({ mean: expected.mean, sd: Math.hypot(expected.sd, told.sd) }, (x) =>
          asMinutes(told.bySize, x),
        );
        return {
          about: "job",
          plantId: told.plantId,
          recordId: told.visitId,
          on: told.on,
          read: told.minutes,
          expected: [low, high],
        };
      }),
    ],
  };
}

/** Minutes of a job by size, with what hands and job make of them. */
const asMinutes = (bySize: number, x: number): number => bySize * Math.exp(x);

function minutesLessons(
  timed: MinutesTaught,
  lesson: (
    about: LessonAbout,
    id: string,
    more: Pick<NumberLesson, "catalogue" | "mine" | "records"> & Partial<NumberLesson>,
  ) => NumberLesson,
): readonly NumberLesson[] {
  const { hands, job } = MINUTES_DOUBT;
  const people = [...new Set(timed.used.map((t) => t.by))];
  const jobs = [...new Map(timed.used.map((t) => [`${t.plantId} ${t.task}`, t])).values()];
  return [
    ...people.map((by) =>
      lesson("hands", minutesOfHands(by), {
        by,
        catalogue: around(nothing(hands), Math.exp),
        mine: around(timed.hands(by), Math.exp),
        records: timed.used.filter((t) => t.by === by).map((t) => t.visitId),
      }),
    ),
    ...jobs.map((last) => {
      const scale = (x: number): number => asMinutes(last.bySize, x);
      return lesson("job", minutesOfJob(last.plantId, last.task), {
        plantId: last.plantId,
        task: last.task,
        catalogue: around(nothing(Math.hypot(hands, job)), scale),
        mine: around(timed.parts.sum(last.shared, last.own), scale),
        records: timed.used.filter((t) => t.own === last.own).map((t) => t.visitId),
      });
    }),
  ];
}
