/** What was done, seen and meant, each on its day. */
import * as z from "zod";
import { BOUNDS, LETTERS, MOST } from "./bounds.ts";
import { heightM, id, millimetres, name, PlainDateSchema, rows, share, text, within } from "./pieces.ts";
import { REGIMES, TASKS } from "./words.ts";
import { HALVES } from "./worktime.ts";

export const CutSchema = z.discriminatedUnion("by", [
  z.strictObject({ by: z.literal("height"), beforeM: heightM, afterM: within(BOUNDS.afterM) }),
  z.strictObject({
    by: z.literal("stems"),
    removedCount: within(BOUNDS.stemCount),
    liveCount: within(BOUNDS.liveStemCount),
  }),
  z.strictObject({
    by: z.literal("diameters"),
    removedMm: rows(millimetres, MOST.diameters),
    keptMm: rows(millimetres, MOST.diameters),
  }),
  z.strictObject({ by: z.literal("share"), share }),
]);
/** One measure of what live growth was taken. */
export type Cut = Readonly<z.infer<typeof CutSchema>>;

/** What was begun at a visit and is finished at a later one. */
export const BEGUN = ["leader-halved", "stranger-cut", "layers-severed"] as const;
/** One of them. */
export type Begun = (typeof BEGUN)[number];

export const VisitSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  task: z.enum(TASKS),
  regime: z.enum(REGIMES),
  /** Healthy live growth taken; several cuts at one visit multiply. */
  cuts: rows(CutSchema, MOST.cutsInVisit),
  /** Diseased, torn or hazardous live wood: booked and shown apart, never refused for the cap. */
  hazardShare: share,
  /** Dead wood never counts; written down because it tells of the plant's health. */
  deadStemsCount: within(BOUNDS.stemCount),
  minutes: within(BOUNDS.minutes).nullable(),
  note: text(LETTERS.note),
  /** A trial: clean regrowth by this day, or the plant goes. null when it is none. */
  trialUntil: PlainDateSchema.nullable(),
  /** A second leader halved, a strange sucker cut at its origin, rooted branches severed to be lifted later. */
  begun: rows(z.enum(BEGUN), MOST.begun),
  /** Who did it; empty: the gardener. Each has a pace of their own. */
  by: text(LETTERS.who),
  /** Its minutes lie far from what was to be expected, and the gardener says that they are right. */
  sure: z.boolean(),
  /** What was meant: the plan it settled, and when that was made; null: it was not planned. */
  planned: z.strictObject({ on: PlainDateSchema, madeOn: PlainDateSchema }).nullable(),
});
/** Work done at a plant on a day. */
export type Visit = Readonly<z.infer<typeof VisitSchema>>;

export const OBSERVATIONS = [
  "growth-seen",
  "not-yet",
  "first-leaf",
  "candles-out",
  "flush-hardened",
  "leaf-fall",
  "first-flower",
  "in-flower",
  "last-flower",
  "buds-killed",
  "berries-ripe",
  "height",
  "suckers-up",
  "berries-gone",
  "foot-dense",
  "regrowth-clean",
  "regrowth-poor",
  "nest-empty",
  "nest-seen",
  "no-flower",
  "frost-damage",
  "scratch-green",
  "scratch-brown",
  "disease-seen",
  "shoots-counted",
  "leaf-depth",
] as const;
/** What can be waited for; "not-yet" says of which it was looked for. */
export const WATCHED = [
  "growth-seen",
  "last-flower",
  "suckers-up",
  "berries-gone",
  "foot-dense",
  "regrowth-clean",
  "flush-hardened",
  "candles-out",
  "nest-empty",
] as const;
export type Watched = (typeof WATCHED)[number];
export const ObservationSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  kind: z.enum(OBSERVATIONS),
  heightM: heightM.nullable(),
  note: text(LETTERS.shortNote),
  /** Where on the plant: new growth from the base, old stems or tips; flowers on side shoots or at the ends of new ones. */
  where: z.enum(["base", "old-stems", "tips", "side-shoots", "new-shoot-ends"]).nullable(),
  /** Of "not-yet": what was looked for. */
  lookedFor: z.enum(WATCHED).nullable(),
  /** Of "shoots-counted": shoots that came at a cut, on average. */
  count: within(BOUNDS.shootsPerCut).nullable(),
  /** Of "shoots-counted": how long they grew; of "leaf-depth": how far in the green reaches. */
  lengthM: within(BOUNDS.lengthM).nullable(),
  /** It lies far from what was to be expected, and the gardener says that it is right all the same. */
  sure: z.boolean(),
});
/** Something seen at a plant on a day. */
export type Observation = Readonly<z.infer<typeof ObservationSchema>>;

/** What a record said before it was changed or taken out: it stays readable. */
export const CorrectionSchema = z.strictObject({
  id,
  /** null: of no plant. */
  plantId: id.nullable(),
  /** The day it was changed. */
  on: PlainDateSchema,
  /** The record it was. */
  rowId: id,
  removed: z.boolean(),
  was: z.discriminatedUnion("of", [
    z.strictObject({ of: z.literal("visit"), row: VisitSchema }),
    z.strictObject({ of: z.literal("observation"), row: ObservationSchema }),
    /** Not chosen when two copies were brought together: a field of a row of any list, as JSON; "" is the whole row. */
    z.strictObject({
      of: z.literal("merge"),
      list: text(LETTERS.school),
      field: text(LETTERS.aside),
      value: text(LETTERS.kept),
    }),
  ]),
});
/** A record as it stood before it was changed or taken out. */
export type Correction = Readonly<z.infer<typeof CorrectionSchema>>;

/** What a plant is brought to over years. */
export const PROGRAMME_WAYS = [
  "down-to",
  "thirds",
  "sides",
  "at-once",
  "foot-first",
  "from-below",
  "tree-form",
] as const;
/** One of the programmes that run over years. */
export type ProgrammeWay = (typeof PROGRAMME_WAYS)[number];
/** Meant for years: its steps are not kept but worked out from what was recorded since, so that they move with it. */
export const ProgrammeSchema = z.strictObject({
  id,
  plantId: id,
  /** The day it was begun. */
  on: PlainDateSchema,
  way: z.enum(PROGRAMME_WAYS),
  /** Height it is brought down to, or to which the stems of a tree form are cleared; null where none is aimed at. */
  aimM: heightM.nullable(),
});
/** Work spread over years, begun on a day. */
export type Programme = Readonly<z.infer<typeof ProgrammeSchema>>;

/** Where somebody stands or sits and looks at a bed. */
export const ViewpointSchema = z.strictObject({
  id,
  name,
  bedId: id,
  /** Height of the eyes above the bed's ground: a terrace about 1.2 sitting, an upstairs deck 4. */
  eyeHeightM: within(BOUNDS.eyeHeightM),
  /** From the bed's front edge, straight out. */
  distanceM: within(BOUNDS.viewDistanceM),
  /** Opposite which point along the bed. */
  alongM: within(BOUNDS.viewAlongM),
});
/** Where somebody stands or sits and looks at a bed. */
export type Viewpoint = Readonly<z.infer<typeof ViewpointSchema>>;

/** What is said of a picture; the picture itself, far larger, is kept apart under the same id. */
export const PhotoSchema = z.strictObject({ id, plantId: id, on: PlainDateSchema, caption: text(LETTERS.aside) });
/** A picture of a plant, by its day; the bytes are kept apart. */
export type Photo = Readonly<z.infer<typeof PhotoSchema>>;

/** A task meant for a plant on a day; a visit with that task settles it. */
export const PlannedCutSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  task: z.enum(TASKS),
  madeOn: PlainDateSchema,
  /** The half of the day it is given; null: none was chosen. */
  half: z.enum(HALVES).nullable(),
  /** The gardener put it there: it is not moved. */
  fixed: z.boolean(),
  note: text(LETTERS.shortNote),
});
/** A cut planned for a day. */
export type PlannedCut = Readonly<z.infer<typeof PlannedCutSchema>>;

const temperature = within(BOUNDS.dayC).nullable();
/** The days of one calendar year, 1 January first; null where a day was not observed. */
export const WeatherYearSchema = z.strictObject({
  id,
  year: within(BOUNDS.year),
  /** Observed by the gardener, or made by the simulated station. */
  source: z.enum(["own", "simulated"]),
  tminC: rows(temperature, MOST.daysInYear),
  tmaxC: rows(temperature, MOST.daysInYear),
  rainMm: rows(within(BOUNDS.rainMm).nullable(), MOST.daysInYear),
});
/** A year of daily weather. */
export type WeatherYear = Readonly<z.infer<typeof WeatherYearSchema>>;

/** How many days a season runs ahead (behind: negative), as the gardener sees it; it overrides what is worked out. */
export const SeasonNoteSchema = z.strictObject({
  id,
  /** Calendar year in which the hemisphere's year begins. */
  seasonYear: within(BOUNDS.year),
  paceDays: within(BOUNDS.paceDays),
});
/** How far a season was said to run ahead. */
export type SeasonNote = Readonly<z.infer<typeof SeasonNoteSchema>>;
