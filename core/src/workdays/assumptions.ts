/** What fitting work into days rests on. Ours, from common practice, unless a row says otherwise; harm is in years' flowers. */
import type { Task } from "../model/index.ts";
import type { DueKind } from "./due.ts";

/** What it costs to leave a job whose days end: by where it comes from. What may wait costs a part of it. */
export const LEFT_UNDONE: Readonly<Record<DueKind, number>> = {
  planned: 0.5,
  years: 0.5,
  "next-step": 0.4,
  trim: 0.25,
  window: 0.25,
  "look-for": 0.05,
};

/** Work that tires: a half-day with more than an hour of it is a heavy one. */
export const HEAVY_TASKS: ReadonlySet<Task> = new Set(["renovate", "hard-cutback", "shear", "thin"]);

/** The numbers that fitting rests on, each named where it is used. */
export const WORKDAY_ASSUMPTIONS = {
  /** Of what is left undone it costs this part, and the price of the later day, when its days go on after the last half-day that is looked at. */
  mayWait: 0.3,
  /** Minutes of heavy work that make a half-day heavy. */
  heavyMinutes: 60,
  /** A helper does this part of what the gardener does. */
  help: 0.7,
  /** Minutes for going there, laying out and clearing away, every time that a parted job is taken up. */
  setUpMinutes: 5,
  /** A job longer than this may be left and gone on with; it is parted into pieces of about so long. */
  pieceMinutes: 45,
  /** A look at a plant: low, usual, high. */
  lookMinutes: [2, 4, 8],
  /** A half-day that is lost to weather puts its jobs off; that costs about so much each. */
  putOff: 0.05,
  /** A job that was kept for a half-day is not moved for less. */
  moved: 0.01,
  /** Minutes are fitted in steps of so many. */
  stepMinutes: 5,
  /** Prices in steps of so much. */
  stepPrice: 0.005,
  /** Rain that ends a half-day, mm; an afternoon too hot to work in, and a day, °C; a morning begins late after frost. */
  wetMm: 8,
  hotC: 31,
  extremeC: 38,
  iceC: 0,
  /** Share of days with so much rain, of a temperate year. */
  wetOdds: 0.08,
  /** Minutes of the day, by the sun: a morning begins and ends, an afternoon begins. */
  morning: [9 * 60, 12.5 * 60],
  afternoonFrom: 13.5 * 60,
  /** In heat the morning begins earlier and the afternoon later; after frost the morning begins later. */
  hotMorning: 7 * 60,
  hotAfternoon: 16.5 * 60,
  frostyMorning: 10.5 * 60,
  /** So long before sunset tools are laid down. */
  beforeSunset: 30,
} as const;
