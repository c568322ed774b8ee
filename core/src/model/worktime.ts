/** When there is time for the garden, what is owned to work with, and work that is under way at a plant. */
import * as z from "zod";
import { BOUNDS, LETTERS, MOST } from "./bounds.ts";
import { id, PlainDateSchema, rows, share, text, within } from "./pieces.ts";
import { TASKS } from "./words.ts";

/** A day of work has two halves. */
export const HALVES = ["morning", "afternoon"] as const;
/** One of them. */
export type Half = (typeof HALVES)[number];

/** What the work is done with. */
export const TOOLS = ["secateurs", "loppers", "pruning-saw", "hedge-shears", "trimmer", "steps", "strings"] as const;
/** One of the tools. */
export type Tool = (typeof TOOLS)[number];

export const TimeSchema = z.strictObject({
  /** The halves of a usual week on which there is time; 0 is Sunday. */
  week: rows(
    z.strictObject({ weekday: within(BOUNDS.weekday), half: z.enum(HALVES), minutes: within(BOUNDS.halfMinutes) }),
    MOST.weekHalves,
  ),
  /** Single halves that are otherwise: no minutes, away; with so many helpers. */
  otherwise: rows(
    z.strictObject({
      on: PlainDateSchema,
      half: z.enum(HALVES),
      minutes: within(BOUNDS.halfMinutes),
      helpers: within(BOUNDS.helpers),
    }),
    MOST.otherwise,
  ),
  /** A heavy half-day is not followed by another. */
  easy: z.boolean(),
});
/** The gardener's time. */
export type WorkTime = Readonly<z.infer<typeof TimeSchema>>;

/** Tools that are there, each with the thickest stem it is used for where that is not the usual; null: nobody said what is owned. */
export const ToolsSchema = rows(
  z.strictObject({ tool: z.enum(TOOLS), upToMm: within(BOUNDS.millimetres).nullable() }),
  TOOLS.length,
).nullable();
/** The tools that are owned. */
export type OwnTools = Readonly<z.infer<typeof ToolsSchema>>;

/** What may be met at a plant that changes what is done. */
export const FINDS = [
  "dead-stem",
  "nest",
  "disease",
  "rooted-branch",
  "stranger",
  "wire",
  "thicker",
  "cut-already",
] as const;
/** One of them. */
export type Find = (typeof FINDS)[number];

/** A time of day in milliseconds since the epoch; what a clock told. */
const clock = z.number().int().min(0).max(8.64e15);
export const WorkSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  task: z.enum(TASKS),
  /** Passes that are done, by name. */
  passes: rows(text(LETTERS.school), MOST.passes),
  /** Lines of the cut list that are done, by what is cut; each is one that the list of that day knows. */
  cuts: rows(text(LETTERS.aside), MOST.cutsInTry),
  /** Where there is no list: live growth taken so far, by eye; null: not said. */
  share: share.nullable(),
  found: rows(z.enum(FINDS), MOST.finds),
  /** Minutes so far, without the run that began at `since`. */
  minutes: within(BOUNDS.minutes),
  /** When the clock was started; null: it stands. */
  since: clock.nullable(),
  note: text(LETTERS.note),
});
/** Work under way at a plant: it becomes a visit when it is finished. */
export type Work = Readonly<z.infer<typeof WorkSchema>>;
