/** A plant: its kind, size, condition, and what it is wanted to be. */
import * as z from "zod";
import { BOUNDS, LETTERS, MOST } from "./bounds.ts";
import {
  CONDITIONS,
  DANGERS,
  FORMS,
  GOALS,
  KEPT_CLEAR,
  PLANT_SIDES,
  STANCES,
  SUPPORTS,
  TOUCHED,
  VIEW_WANTS,
  VIGOURS,
} from "./plantWords.ts";
import { heightM, id, millimetres, name, PlainDateSchema, rows, schools, share, text, within } from "./pieces.ts";

/** What a look at the plant's health found; the condition follows from it. */
export const HealthSchema = z.strictObject({
  on: PlainDateSchema,
  /** Under the bark of a doubtful stem: green is alive, brown is dead. */
  scratch: z.enum(["green", "tips-brown", "brown", "not-tried"]),
  growth: z.enum(["everywhere", "from-base", "from-old-stems", "none", "not-looked"]),
  deadShare: share,
  frost: z.boolean(),
  disease: z.boolean(),
  drought: z.boolean(),
  /** Old and weak: little new wood for years. */
  weak: z.boolean(),
  sparseFoot: z.boolean(),
});
/** What a look at a plant's health found. */
export type Health = Readonly<z.infer<typeof HealthSchema>>;

/** What a plant may be, when that is not settled; the shares sum to about 1. */
export const IdentitySchema = z.strictObject({
  by: z.enum(["key", "gardener"]),
  on: PlainDateSchema,
  candidates: rows(z.strictObject({ taxonId: id, share }), MOST.candidates).min(2),
});
export type Identity = Readonly<z.infer<typeof IdentitySchema>>;

/** What a plant must do for somebody who looks: hide what is behind it, keep the line over it clear, or be seen itself. */
export const ViewSchema = z.strictObject({
  viewpointId: id,
  want: z.enum(VIEW_WANTS),
  /** Height of what is to be hidden (its top) or seen (its lowest point), and how far behind the plant it stands. */
  targetM: within(BOUNDS.targetM),
  beyondM: within(BOUNDS.beyondM),
});
/** What a plant must do for somebody who looks. */
export type View = Readonly<z.infer<typeof ViewSchema>>;

/** An upright plane that a plant is to stay behind: a path, a wall, a neighbour, a passage, ground to be won back. */
export const LineSchema = z.strictObject({
  side: z.enum(PLANT_SIDES),
  what: z.enum(KEPT_CLEAR),
  /** Which neighbour, which window; may be empty. */
  called: text(LETTERS.name),
  /** From the plant's middle. */
  distanceM: within(BOUNDS.distanceM),
  /** It holds up to this height; null: all the way up. */
  upToM: heightM.nullable(),
});
/** A line that a plant is to stay behind. */
export type Line = Readonly<z.infer<typeof LineSchema>>;
/** What the gardener wants of a plant: why, and the size it is to stand at when a season's growth ends. */
export const GoalSchema = z.strictObject({
  kind: z.enum(GOALS),
  heightM: heightM.nullable(),
  widthM: within(BOUNDS.widthM).nullable(),
  lines: rows(LineSchema, MOST.lines),
});
/** What the gardener wants of a plant. */
export type Goal = Readonly<z.infer<typeof GoalSchema>>;

const hours = within(BOUNDS.hours).nullable();
export const PlantSchema = z.strictObject({
  id,
  bedId: id,
  taxonId: id,
  /** What the gardener calls it. */
  label: name,
  /** Middle of the plant along the bed. */
  alongM: within(BOUNDS.alongM),
  /** Height when it was last measured, and that day. */
  heightM,
  heightOn: PlainDateSchema,
  widthM: within(BOUNDS.widthM),
  /** null: history unknown (a house just bought). */
  plantedOn: PlainDateSchema.nullable(),
  condition: z.enum(CONDITIONS),
  conditionOn: PlainDateSchema.nullable(),
  goal: GoalSchema,
  /** Nearest power line; null when there is none within reach. */
  powerLineM: within(BOUNDS.powerLineM).nullable(),
  /** Thickest stem to be cut. */
  thickestStemMm: millimetres.nullable(),
  note: text(LETTERS.note),
  /** The planting day is a guess by the year. */
  plantedAbout: z.boolean(),
  /** Distance of its middle behind the bed's front edge. */
  backM: within(BOUNDS.backM),
  stance: z.enum(STANCES),
  /** null: as its kind is usually grown. */
  form: z.enum(FORMS).nullable(),
  vigour: z.enum(VIGOURS),
  /** Its own height when grown up and growth in a year, typed or measured; null: by kind and vigour. */
  ownSize: z.strictObject({ heightM: heightM.nullable(), growthM: within(BOUNDS.growthM).nullable() }),
  /** What was seen of danger, each on its day. */
  dangers: rows(z.strictObject({ what: z.enum(DANGERS), on: PlainDateSchema }), MOST.dangers),
  /** Old plants that have grown into one mass. */
  plantsInOne: within(BOUNDS.plantsInOne),
  touches: rows(z.strictObject({ what: z.enum(TOUCHED), distanceM: within(BOUNDS.distanceM) }), MOST.touches),
  /** The other one of a pair that is kept alike; null: it stands for itself. */
  pairedWith: id.nullable(),
  /** The plant whose rooted branch it was; null: bought, sown, or not known. */
  parentId: id.nullable(),
  /** Climbers: what holds it. */
  support: z.enum(SUPPORTS).nullable(),
  /** Height of last year's cut, when its mark is still to be seen. */
  lastCutM: heightM.nullable(),
  health: HealthSchema.nullable(),
  /** null: its kind is settled. */
  identity: IdentitySchema.nullable(),
  /** Options chosen for this plant where they differ from the garden's. */
  schools,
  views: rows(ViewSchema, MOST.views),
  /** The gardener's own hours: to hold it in a year, to move it, to take it out and plant another; null: by size. */
  hours: z.strictObject({ hold: hours, move: hours, replace: hours }),
});
/** A plant of the garden, with what was surveyed of it. */
export type Plant = Readonly<z.infer<typeof PlantSchema>>;
