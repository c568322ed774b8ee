/**
 * The nouns. One Zod schema each; the types are read off the schemas, so that every rim (form, database
 * row, file) parses into exactly what the core works with.
 *
 *   Garden ─ place (climate input), rules (units, schools)
 *          ├ beds ─ plants stand in one, at a place along it
 *          ├ plants ─ taxon, size, condition, goal
 *          ├ visits ─ what was cut at a plant on a day (cuts; dead and hazard apart)
 *          ├ observations ─ what was seen
 *          ├ viewpoints ─ where somebody stands or sits and looks at a bed
 *          ├ photos ─ of a plant on a day
 *          ├ plans ─ a task meant for a plant on a day
 *          ├ weather ─ a calendar year's observed days
 *          └ seasons ─ how far the gardener finds a year ahead or behind
 */
import * as z from "zod";
import { parseDate, parseMonthDay, type MonthDay, type PlainDate } from "../calendar/index.ts";
import { REGIMES, TASKS } from "./words.ts";

const id = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[A-Za-z0-9_-]+$/, "id-characters");
const text = (max: number) => z.string().max(max);
const name = z.string().trim().min(1).max(80);

/** Bounds are generous: they catch a wrong unit or a slip, not an unusual plant. */
export const PlainDateSchema = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/)
  .refine((s) => parseDate(s) !== null, "not-a-date")
  .transform((s) => s as PlainDate)
  .meta({ format: "date", type: "string" });
export const MonthDaySchema = z
  .string()
  .regex(/^\d{2}-\d{2}$/)
  .refine((s) => parseMonthDay(s) !== null, "not-a-month-day")
  .transform((s) => s as MonthDay);
const share = z.number().min(0).max(1);
const heightM = z.number().positive().max(40);
const millimetres = z.number().positive().max(600);

const months = z.array(z.number().min(-80).max(70)).length(12);
const spreads = z.array(z.number().min(0).max(20)).length(12).nullable();
/** Mean daily minimum and maximum by calendar month, and the day-to-day spread where it was counted, °C. */
export const MonthlySchema = z.strictObject({ tminC: months, tmaxC: months, sdMinC: spreads, sdMeanC: spreads });

export const PlaceSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  latitudeDeg: z.number().min(-90).max(90),
  zone: z.string().max(3),
  lastFrost: MonthDaySchema.nullable(),
  firstFrost: MonthDaySchema.nullable(),
  /** null: the climate is worked out from the zone and the frost dates. */
  monthly: MonthlySchema.nullable(),
});
export type Place = Readonly<z.infer<typeof PlaceSchema>>;

export const UNITS = ["metric", "imperial", "both"] as const;
export const RulesSchema = z.strictObject({
  units: z.enum(UNITS),
  /** Chosen option per school question; a missing one takes the default for the place. */
  schools: z.record(z.string().max(40), z.string().max(40)),
});
export type Rules = Readonly<z.infer<typeof RulesSchema>>;

export const SUNS = ["sun", "part", "shade"] as const;
export const WINDS = ["sheltered", "some", "exposed"] as const;
export const WATERS = ["none", "hand", "irrigation"] as const;
const sun = z.enum(SUNS).nullable();
export const BedSchema = z.strictObject({
  id,
  name,
  lengthM: z.number().positive().max(200),
  /** Position in the list of beds. */
  order: z.number().int().min(0).max(1000),
  note: text(500),
  /** Compass direction that its front looks to, degrees from north; null when nobody has looked. */
  facesDeg: z.number().min(0).max(359).nullable(),
  /** As surveyed; null where nobody has looked. */
  sun: z.strictObject({ morning: sun, midday: sun, late: sun }),
  shadedBy: text(200),
  /** Does what shades it still grow? Then it is darker every year. */
  shadeGrows: z.boolean(),
  wind: z.enum(WINDS).nullable(),
  water: z.enum(WATERS).nullable(),
});
export type Bed = Readonly<z.infer<typeof BedSchema>>;

export const CONDITIONS = [
  "healthy",
  "stressed",
  "frosted",
  "dieback",
  "drought",
  "past-maturity",
  "unchecked",
] as const;
export type Condition = (typeof CONDITIONS)[number];

export const GOALS = [
  "routine",
  "keep-size",
  "smaller",
  "wider",
  "fuller",
  "open",
  "upright",
  "large-flowers",
  "many-flowers",
  "screen",
  "view",
  "outline",
  "natural",
  "coloured-stems",
  "tree-form",
  "off-path",
  "ground",
  "keep-heads",
  "renew",
  "colony",
  "no-suckers",
  "tidy",
  "leave",
  "let-go",
] as const;
export type GoalKind = (typeof GOALS)[number];

export const STANCES = ["upright", "flopped", "leaning", "split"] as const;
export type Stance = (typeof STANCES)[number];
export const TOUCHED = ["path", "fence", "wall", "window", "plant", "wire", "roof", "mower"] as const;
export const SUPPORTS = ["sound", "broken-ties", "trapped", "rubbing"] as const;

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
export type Health = Readonly<z.infer<typeof HealthSchema>>;

/** What a plant may be, when that is not settled; the shares sum to about 1. */
export const IdentitySchema = z.strictObject({
  by: z.enum(["key", "gardener"]),
  on: PlainDateSchema,
  candidates: z
    .array(z.strictObject({ taxonId: id, share }))
    .min(2)
    .max(20),
});
export type Identity = Readonly<z.infer<typeof IdentitySchema>>;

export const VIEW_WANTS = ["hide", "clear", "show"] as const;
/** What a plant must do for somebody who looks: hide what is behind it, keep the line over it clear, or be seen itself. */
export const ViewSchema = z.strictObject({
  viewpointId: id,
  want: z.enum(VIEW_WANTS),
  /** Height of what is to be hidden (its top) or seen (its lowest point), and how far behind the plant it stands. */
  targetM: z.number().min(0).max(100),
  beyondM: z.number().min(0).max(1000),
});
export type View = Readonly<z.infer<typeof ViewSchema>>;

export const PlantSchema = z.strictObject({
  id,
  bedId: id,
  taxonId: id,
  /** What the gardener calls it. */
  label: name,
  /** Middle of the plant along the bed. */
  alongM: z.number().min(0).max(200),
  /** Height when it was last measured, and that day. */
  heightM,
  heightOn: PlainDateSchema,
  widthM: z.number().positive().max(60),
  /** null: history unknown (a house just bought). */
  plantedOn: PlainDateSchema.nullable(),
  condition: z.enum(CONDITIONS),
  conditionOn: PlainDateSchema.nullable(),
  goal: z.strictObject({ kind: z.enum(GOALS), heightM: heightM.nullable() }),
  /** Nearest power line; null when there is none within reach. */
  powerLineM: z.number().min(0).max(100).nullable(),
  /** Thickest stem to be cut. */
  thickestStemMm: millimetres.nullable(),
  note: text(2000),
  /** The planting day is a guess by the year. */
  plantedAbout: z.boolean(),
  /** Distance of its middle behind the bed's front edge. */
  backM: z.number().min(0).max(50),
  stance: z.enum(STANCES),
  /** Old plants that have grown into one mass. */
  plantsInOne: z.number().int().min(1).max(100),
  touches: z.array(z.strictObject({ what: z.enum(TOUCHED), distanceM: z.number().min(0).max(50) })).max(10),
  /** Climbers: what holds it. */
  support: z.enum(SUPPORTS).nullable(),
  /** Height of last year's cut, when its mark is still to be seen. */
  lastCutM: heightM.nullable(),
  health: HealthSchema.nullable(),
  /** null: its kind is settled. */
  identity: IdentitySchema.nullable(),
  /** Options chosen for this plant where they differ from the garden's. */
  schools: z.record(z.string().max(40), z.string().max(40)),
  views: z.array(ViewSchema).max(6),
});
export type Plant = Readonly<z.infer<typeof PlantSchema>>;

const deadStems = z.number().int().min(0).max(2000);
export const CutSchema = z.discriminatedUnion("by", [
  z.strictObject({ by: z.literal("height"), beforeM: heightM, afterM: z.number().min(0).max(40) }),
  z.strictObject({
    by: z.literal("stems"),
    removedCount: z.number().int().min(0).max(2000),
    liveCount: z.number().int().min(1).max(2000),
  }),
  z.strictObject({
    by: z.literal("diameters"),
    removedMm: z.array(millimetres).max(500),
    keptMm: z.array(millimetres).max(500),
  }),
  z.strictObject({ by: z.literal("share"), share }),
]);
/** One measure of what live growth was taken. */
export type Cut = Readonly<z.infer<typeof CutSchema>>;

export const VisitSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  task: z.enum(TASKS),
  regime: z.enum(REGIMES),
  /** Healthy live growth taken; several cuts at one visit multiply. */
  cuts: z.array(CutSchema).max(20),
  /** Diseased, torn or hazardous live wood: booked and shown apart, never refused for the cap. */
  hazardShare: share,
  /** Dead wood never counts; written down because it tells of the plant's health. */
  deadStemsCount: deadStems,
  minutes: z.number().min(0).max(2000).nullable(),
  note: text(2000),
  /** A trial: clean regrowth by this day, or the plant goes. null when it is none. */
  trialUntil: PlainDateSchema.nullable(),
});
export type Visit = Readonly<z.infer<typeof VisitSchema>>;

export const OBSERVATIONS = [
  "growth-seen",
  "not-yet",
  "first-flower",
  "last-flower",
  "height",
  "suckers-up",
  "berries-gone",
  "foot-dense",
  "regrowth-clean",
  "regrowth-poor",
] as const;
/** What can be waited for; "not-yet" says of which it was looked for. */
export const WATCHED = [
  "growth-seen",
  "last-flower",
  "suckers-up",
  "berries-gone",
  "foot-dense",
  "regrowth-clean",
] as const;
export type Watched = (typeof WATCHED)[number];
export const ObservationSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  kind: z.enum(OBSERVATIONS),
  heightM: heightM.nullable(),
  note: text(500),
  /** Where on the plant: new growth from the base, old stems or tips; flowers on side shoots or at the ends of new ones. */
  where: z.enum(["base", "old-stems", "tips", "side-shoots", "new-shoot-ends"]).nullable(),
  /** Of "not-yet": what was looked for. */
  lookedFor: z.enum(WATCHED).nullable(),
});
export type Observation = Readonly<z.infer<typeof ObservationSchema>>;

/** Where somebody stands or sits and looks at a bed. */
export const ViewpointSchema = z.strictObject({
  id,
  name,
  bedId: id,
  /** Height of the eyes above the bed's ground: a terrace about 1.2 sitting, an upstairs deck 4. */
  eyeHeightM: z.number().min(0.2).max(60),
  /** From the bed's front edge, straight out. */
  distanceM: z.number().min(0.2).max(300),
  /** Opposite which point along the bed. */
  alongM: z.number().min(-100).max(300),
});
export type Viewpoint = Readonly<z.infer<typeof ViewpointSchema>>;

export const PhotoSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  caption: text(200),
  /** A small JPEG, base64. */
  jpeg: z
    .string()
    .min(4)
    .max(600_000)
    .regex(/^[A-Za-z0-9+/]+=*$/, "not-base64"),
});
export type Photo = Readonly<z.infer<typeof PhotoSchema>>;

/** A task meant for a plant on a day; a visit with that task settles it. */
export const PlannedCutSchema = z.strictObject({
  id,
  plantId: id,
  on: PlainDateSchema,
  task: z.enum(TASKS),
  madeOn: PlainDateSchema,
  note: text(500),
});
export type PlannedCut = Readonly<z.infer<typeof PlannedCutSchema>>;

const temperature = z.number().min(-70).max(60).nullable();
const LONGEST_YEAR = 366;
/** The days of one calendar year, 1 January first; null where a day was not observed. */
export const WeatherYearSchema = z.strictObject({
  id,
  year: z.number().int().min(1850).max(2200),
  /** Observed by the gardener, or made by the simulated station. */
  source: z.enum(["own", "simulated"]),
  tminC: z.array(temperature).max(LONGEST_YEAR),
  tmaxC: z.array(temperature).max(LONGEST_YEAR),
  rainMm: z.array(z.number().min(0).max(2000).nullable()).max(LONGEST_YEAR),
});
export type WeatherYear = Readonly<z.infer<typeof WeatherYearSchema>>;

/** How many days a season runs ahead (behind: negative), as the gardener sees it; it overrides what is worked out. */
export const SeasonNoteSchema = z.strictObject({
  id,
  /** Calendar year in which the hemisphere's year begins. */
  seasonYear: z.number().int().min(1850).max(2200),
  paceDays: z.number().min(-60).max(60),
});
export type SeasonNote = Readonly<z.infer<typeof SeasonNoteSchema>>;

/** The lists of a garden, each with its schema; every rim (database, file, diff) walks this table. */
export const LIST_SCHEMAS = {
  beds: BedSchema,
  plants: PlantSchema,
  visits: VisitSchema,
  observations: ObservationSchema,
  viewpoints: ViewpointSchema,
  photos: PhotoSchema,
  plans: PlannedCutSchema,
  weather: WeatherYearSchema,
  seasons: SeasonNoteSchema,
} as const;
export type ListName = keyof typeof LIST_SCHEMAS;
export const GARDEN_LISTS = Object.keys(LIST_SCHEMAS) as ListName[];

export const GardenSchema = z.strictObject({
  id,
  name,
  place: PlaceSchema,
  rules: RulesSchema,
  beds: z.array(BedSchema).max(200),
  plants: z.array(PlantSchema).max(5000),
  visits: z.array(VisitSchema).max(100_000),
  observations: z.array(ObservationSchema).max(100_000),
  viewpoints: z.array(ViewpointSchema).max(100),
  photos: z.array(PhotoSchema).max(2000),
  plans: z.array(PlannedCutSchema).max(20_000),
  weather: z.array(WeatherYearSchema).max(300),
  seasons: z.array(SeasonNoteSchema).max(300),
});
export type Garden = Readonly<z.infer<typeof GardenSchema>>;

/** What nobody has surveyed yet; a new row starts with it and an old file is filled up with it. */
export const UNSURVEYED_PLANT = {
  plantedAbout: false,
  backM: 0,
  stance: "upright",
  plantsInOne: 1,
  touches: [],
  support: null,
  lastCutM: null,
  health: null,
  identity: null,
  views: [],
  schools: {},
} as const satisfies Partial<Plant>;
export const UNSURVEYED_BED = {
  facesDeg: null,
  sun: { morning: null, midday: null, late: null },
  shadedBy: "",
  shadeGrows: false,
  wind: null,
  water: null,
} as const satisfies Partial<Bed>;
