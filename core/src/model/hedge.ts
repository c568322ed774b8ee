/** A hedge: a plant of the garden that is clipped along a line. Its records are the plant's; this says its shape. */
import * as z from "zod";
import { BOUNDS, LETTERS, MOST } from "./bounds.ts";
import { BESIDES, CROWNS, FACE_STATES, TOPS } from "./hedgeWords.ts";
import { heightM, id, MonthDaySchema, PlainDateSchema, rows, text, within } from "./pieces.ts";

/** A post: where, how high the ground lies there over the lowest, and what was measured at it. */
export const PostSchema = z.strictObject({
  alongM: within(BOUNDS.runM),
  groundM: within(BOUNDS.groundM),
  heightM: heightM.nullable(),
  footM: within(BOUNDS.footM).nullable(),
  topM: within(BOUNDS.topM).nullable(),
});
/** A post along a hedge. */
export type Post = Readonly<z.infer<typeof PostSchema>>;

/** One side of a hedge. */
export const FaceSideSchema = z.strictObject({
  state: z.enum(FACE_STATES),
  beside: z.enum(BESIDES),
  /** What stands there and shades it: its top, and how far from the hedge's middle; null: open. */
  screen: z.strictObject({ heightM, distanceM: within(BOUNDS.screenM) }).nullable(),
});
/** One side of a hedge. */
export type FaceSide = Readonly<z.infer<typeof FaceSideSchema>>;

/** The section that is wanted. */
export const WantedSectionSchema = z.strictObject({
  heightM,
  footM: within(BOUNDS.footM),
  frontDeg: within(BOUNDS.batterDeg),
  backDeg: within(BOUNDS.batterDeg),
  crown: z.enum(CROWNS),
  top: z.enum(TOPS),
});
/** The section that is wanted. */
export type WantedSection = Readonly<z.infer<typeof WantedSectionSchema>>;

export const HedgeSchema = z.strictObject({
  id,
  /** The plant that it is: its kind, its bed, its records. One hedge to a plant. */
  plantId: id,
  /** The day it was measured. */
  on: PlainDateSchema,
  /** Which way the front looks, degrees from north over east. */
  facesDeg: within(BOUNDS.facesDeg),
  /** In order along the hedge; the last one tells its length. */
  posts: rows(PostSchema, MOST.posts).min(2),
  /** Other kinds in it, each up to a place; empty: one kind all along. */
  stretches: rows(z.strictObject({ taxonId: id, toM: within(BOUNDS.runM) }), MOST.stretches),
  /** Gaps, and young plants that fill one. */
  gaps: rows(
    z.strictObject({ fromM: within(BOUNDS.runM), toM: within(BOUNDS.runM), what: z.enum(["gap", "young"]) }),
    MOST.gaps,
  ),
  front: FaceSideSchema,
  back: FaceSideSchema,
  /** On the line to a neighbour's ground. */
  boundary: z.boolean(),
  /** null: nothing chosen yet, one is proposed. */
  wanted: WantedSectionSchema.nullable(),
  /** Kept to a line, or let stand a little out. */
  formal: z.boolean(),
  /** How far out of line is still fine; null: by whether it is formal. */
  toleranceM: within(BOUNDS.toleranceM).nullable(),
  /** How many trims a year; null: what is advised. */
  trims: within(BOUNDS.trims).nullable(),
  /** When nests are kept undisturbed here, by law or by choice; null: nothing said. */
  birds: z.strictObject({ from: MonthDaySchema, to: MonthDaySchema }).nullable(),
  /** How deep the green is, as measured; null: as the kind usually has it. */
  greenM: within(BOUNDS.greenM).nullable(),
  /** The trim that is under way: begun on a day, done up to a place along it; null: none, or all of it. */
  done: z.strictObject({ on: PlainDateSchema, toM: within(BOUNDS.runM) }).nullable(),
  note: text(LETTERS.shortNote),
});
/** A hedge. */
export type Hedge = Readonly<z.infer<typeof HedgeSchema>>;
