/** The noun of the work days: a job. */
import type { PlainDate } from "../calendar/index.ts";
import type { Task } from "../model/index.ts";
import type { Minutes } from "../units/index.ts";
import type { Due } from "./due.ts";

/** Minutes of a job: low, usual, high, and where they are from. */
export interface JobMinutes {
  readonly low: Minutes;
  readonly usual: Minutes;
  readonly high: Minutes;
  readonly from: "log" | "pace" | "size" | "hedge" | "look";
}

/** A piece of work that is due, to be given a day. */
export interface Job {
  readonly id: string;
  readonly due: Due;
  readonly plantId: string;
  /** null: nothing is cut, something is looked at. */
  readonly task: Task | null;
  readonly minutes: JobMinutes;
  /** Into so many it may be parted; a hedge by its length, long work by the hour. */
  readonly pieces: number;
  readonly heavy: boolean;
  /** Jobs at the same plant that are not done later, by id. */
  readonly after: readonly string[];
  /** Days on which it may be done, as far as its own dates go. */
  readonly from: PlainDate;
  readonly until: PlainDate;
  /** Left undone it costs so much. */
  readonly undone: number;
}
