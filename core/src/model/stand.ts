/** The stems of a plant as they stood on a day, and the cuts that are tried on them. */
import * as z from "zod";
import { BOUNDS, LETTERS, MOST } from "./bounds.ts";
import { id, millimetres, PlainDateSchema, rows, share, text, within } from "./pieces.ts";
import { PASSES, TASKS } from "./words.ts";

/** How a stem is. */
export const STEM_STATES = ["live", "damaged", "diseased", "dead"] as const;
/** One of the states of a stem. */
export type StemState = (typeof STEM_STATES)[number];
/** What speaks for taking a stem out, apart from its state and its age. */
export const STEM_FAULTS = ["low", "weak", "wrong-way"] as const;
/** One of the faults of a stem. */
export type StemFault = (typeof STEM_FAULTS)[number];

const lengthM = within(BOUNDS.lengthM);
const turnDeg = within(BOUNDS.turnDeg);
const index = within(BOUNDS.branch);
const shootIndex = within(BOUNDS.shoot);

/** What stands off an axis: a branch off a stem, a shoot off a branch. */
const side = {
  /** Where it leaves what carries it: 0 at its foot, 1 at its tip. */
  at: share,
  diameterMm: millimetres,
  lengthM,
  turnDeg,
  /** How steeply it rises over level; negative: it hangs. */
  riseDeg: within(BOUNDS.riseDeg),
  dead: z.boolean(),
};
export const SideShootSchema = z.strictObject(side);
/** A shoot off a side branch. */
export type SideShoot = Readonly<z.infer<typeof SideShootSchema>>;
export const SideBranchSchema = z.strictObject({
  ...side,
  /** Bare up to this part of its length; null: not looked at. */
  leafFrom: share.nullable(),
  shoots: rows(SideShootSchema, MOST.shoots),
});
/** A branch off a stem. */
export type SideBranch = Readonly<z.infer<typeof SideBranchSchema>>;

export const StemSchema = z.strictObject({
  id,
  /** At its foot. */
  diameterMm: millimetres,
  lengthM,
  /** null: nobody knows. */
  ageYears: within(BOUNDS.stemAgeYears).nullable(),
  state: z.enum(STEM_STATES),
  /** How much leaf it carries for its thickness: 1 as usual, 0.5 half-leaved. */
  leafed: share,
  faults: rows(z.enum(STEM_FAULTS), STEM_FAULTS.length),
  /** The stem it rubs on. */
  crosses: id.nullable(),
  /** Which of several bases in one clump. */
  base: within(BOUNDS.base),
  /** Which way it stands off the middle, and how far it leans from upright. */
  turnDeg,
  leanDeg: within(BOUNDS.leanDeg),
  /** Bare up to this part of its length, dead from that part on; null: not looked at, alive to the tip. */
  leafFrom: share.nullable(),
  deadFrom: share.nullable(),
  branches: rows(SideBranchSchema, MOST.branches),
});
/** A stem as it was counted at the bench. */
export type Stem = Readonly<z.infer<typeof StemSchema>>;

/** What a cut was proposed for; none: it was made by hand, and its place tells. */
const pass = z.enum(PASSES).optional();

/** One cut that is tried. Lengths are kept lengths, from the ground along the stem or up, in metres. */
export const StemCutSchema = z.discriminatedUnion("cut", [
  z.strictObject({ cut: z.literal("remove"), pass, stemId: id }),
  z.strictObject({ cut: z.literal("head"), pass, stemId: id, keptM: lengthM }),
  /** Thinned to a side branch, which takes over. */
  z.strictObject({ cut: z.literal("to-branch"), pass, stemId: id, branch: index }),
  /** A side branch off at the stem. */
  z.strictObject({ cut: z.literal("branch-off"), pass, stemId: id, branch: index }),
  /** A side branch shortened: to a shoot further in, or to a few buds. */
  z.strictObject({ cut: z.literal("branch-back"), pass, stemId: id, branch: index, keptM: lengthM }),
  /** A shoot off at its branch. */
  z.strictObject({ cut: z.literal("shoot-off"), pass, stemId: id, branch: index, shoot: shootIndex }),
  /** Everything outside its own outline made smaller to this height and width. */
  z.strictObject({ cut: z.literal("shear"), pass, heightM: lengthM, widthM: lengthM }),
  /** Everything above a height, level. */
  z.strictObject({ cut: z.literal("top"), pass, heightM: lengthM }),
  /** So much off every shoot's end. */
  z.strictObject({ cut: z.literal("tips"), pass, offM: lengthM }),
  z.strictObject({ cut: z.literal("candles"), pass, share }),
  z.strictObject({ cut: z.literal("dead-heads"), pass }),
  /** The skirt raised: nothing below this height. */
  z.strictObject({ cut: z.literal("lift"), pass, clearM: lengthM }),
]);
/** One cut that is tried. */
export type StemCut = Readonly<z.infer<typeof StemCutSchema>>;

export const TrySchema = z.strictObject({
  id,
  task: z.enum(TASKS),
  cuts: rows(StemCutSchema, MOST.cutsInTry),
});
/** A set of cuts that is tried. */
export type Try = Readonly<z.infer<typeof TrySchema>>;

export const StandSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  stems: rows(StemSchema, MOST.stems),
  tries: rows(TrySchema, MOST.tries),
  /** The try that is to be carried out. */
  chosen: id.nullable(),
  note: text(LETTERS.shortNote),
});
/** The stems of a plant on a day. */
export type Stand = Readonly<z.infer<typeof StandSchema>>;
