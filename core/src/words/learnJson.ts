/** What a garden's record taught as plain data, for the command line. */
import type { PlainDate } from "../calendar/index.ts";
import type { GardenModel } from "../garden/index.ts";
import { lessonsOf, LESSON_UNITS, type Lesson } from "../notebook/index.ts";
import type { Voice } from "./voice.ts";
import { LESSON_LABELS, lessonText, strangeText } from "./notebookTexts.ts";

/** One lesson as plain data. */
export interface LessonJson {
  readonly id: string;
  readonly about: Lesson["about"];
  readonly plant: string | null;
  readonly unit: string;
  /** Low, usual, high of eight in ten; of wood: old, new, both. */
  readonly catalogue: readonly number[];
  readonly mine: readonly number[];
  readonly records: readonly string[];
  readonly used: boolean;
  readonly text: string;
}
/** What a file teaches. */
export interface LearnJson {
  readonly lessons: readonly LessonJson[];
  /** Records that are asked about before they are used. */
  readonly asked: readonly {
    readonly plant: string;
    readonly record: string | null;
    readonly on: PlainDate;
    readonly text: string;
  }[];
}

/** Rounded as far as it says anything. */
const told = (x: number): number => Number(x.toPrecision(4));

/** @param on records up to this day count for minutes */
export function learnJson(model: GardenModel, on: PlainDate, say: Voice): LearnJson {
  const { lessons, strangers } = lessonsOf(model, on);
  return {
    lessons: lessons.map((l) => ({
      id: l.id,
      about: l.about,
      plant: l.plantId,
      unit: l.about === "wood" ? "share" : LESSON_UNITS[l.about],
      catalogue: (l.about === "wood" ? [l.catalogue.old, l.catalogue.new, l.catalogue.both] : l.catalogue).map(told),
      mine: (l.about === "wood" ? [l.mine.old, l.mine.new, l.mine.both] : l.mine).map(told),
      records: l.records,
      used: l.used,
      text: `${LESSON_LABELS[l.about]}: ${lessonText(l, say)}`,
    })),
    asked: strangers.map((s) => ({ plant: s.plantId, record: s.recordId, on: s.on, text: strangeText(s, say) })),
  };
}
