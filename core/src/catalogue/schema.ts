/** What the catalogue says of a kind of plant. Data files are parsed with this at load, so a slip cannot ship. */
import * as z from "zod";
import { FORMS, REGIMES, TASKS } from "../model/index.ts";
import { SOURCE_IDS } from "./sources.ts";

/**
 * When a stage of the year falls. Few kinds of rule, many rows:
 * - spring: between the place's first leaf (at 0) and lilac bloom (at 1), outside those too, plus days;
 * - warmth: so many degree-days (base 10 °C, single sine) after lilac bloom, and not before a season day where day
 *   length, or its own time, holds a kind back in warm places;
 * - after: days and/or degree-days after another stage of the same plant;
 * - cooling: the first day after midsummer (and not before a season day) on which the mean falls below a limit;
 * - season: a fixed day of the hemisphere's year (day length, or drought), 0 = midwinter's turn.
 */
export type Rule =
  | { readonly rule: "spring"; readonly at: number; readonly days?: number | undefined }
  | { readonly rule: "warmth"; readonly degreeDays: number; readonly notBefore?: number | undefined }
  | {
      readonly rule: "after";
      readonly stage: StageName;
      readonly days?: number | undefined;
      readonly degreeDays?: number | undefined;
    }
  | { readonly rule: "cooling"; readonly meanC: number; readonly notBefore?: number | undefined }
  | { readonly rule: "season"; readonly day: number };

export const STAGES = ["wakes", "hardens", "stops", "dormant"] as const;
export const DISPLAY_STAGES = ["opens", "ends", "budsBegin", "budsSet"] as const;
export type StageName = (typeof STAGES)[number] | (typeof DISPLAY_STAGES)[number];

const stageName = z.enum([...STAGES, ...DISPLAY_STAGES]);
export const RuleSchema: z.ZodType<Rule, Rule> = z.discriminatedUnion("rule", [
  z.strictObject({ rule: z.literal("spring"), at: z.number().min(-2).max(3), days: z.number().optional() }),
  z.strictObject({
    rule: z.literal("warmth"),
    degreeDays: z.number().min(0).max(3000),
    notBefore: z.number().min(0).max(364).optional(),
  }),
  z.strictObject({
    rule: z.literal("after"),
    stage: stageName,
    days: z.number().optional(),
    degreeDays: z.number().optional(),
  }),
  z.strictObject({
    rule: z.literal("cooling"),
    meanC: z.number().min(-10).max(30),
    notBefore: z.number().min(0).max(364).optional(),
  }),
  z.strictObject({ rule: z.literal("season"), day: z.number().min(0).max(364) }),
]);

const range = z.tuple([z.number().positive(), z.number().positive()]).refine(([a, b]) => a <= b);
const share = z.number().min(0).max(1);

/** Something the plant is grown for that a cut can cost: flowers, coloured stems, plumes, new leaf. */
export const DisplaySchema = z.strictObject({
  name: z.string(),
  /** Opens from buds on last season's wood or on shoots of the same season. */
  on: z.enum(["old", "new"]),
  /** Main display 1; a few stray late flowers 0.1. */
  weight: share,
  opens: RuleSchema,
  ends: RuleSchema,
  /** Old wood: when next year's buds begin, and when they are all there. */
  budsBegin: RuleSchema.nullable(),
  budsSet: RuleSchema.nullable(),
  /** Share of the flower buds at shoot tips, the rest along the shoot. */
  atTips: share,
  /** It comes again and again on new shoots: a cut puts off the next flush and takes no more. */
  flushes: z.boolean().optional(),
  /** Its buds begin when days shorten: what is pinched before that flowers no later, and all of it. */
  shortDays: z.boolean().optional(),
  /** Its buds stand on spurs near the frame, or low on the shoots: shortening the long ends takes none. */
  onSpurs: z.boolean().optional(),
  /** Berries, hips, seed heads: they follow the flowers, and spent flowers stay for them. */
  fruit: z.boolean().optional(),
  /** How long spent flowers may still be taken off: some weeks, until growth starts, or it is not done. */
  spent: z.enum(["weeks", "until-growth", "not-done"]),
});

/** Groups of kinds, as a nursery parts them. */
export const GROUPS = [
  "hydrangea",
  "spring-shrub",
  "summer-shrub",
  "rose",
  "clematis",
  "climber",
  "small-tree",
  "broadleaf-evergreen",
  "conifer",
  "hedge",
  "stem-colour",
  "subtropical",
  "dry-country",
  "subshrub",
  "grass",
  "perennial",
  "unknown",
] as const;

/** Why a task is wrong for a kind in any season; each has its sentence among the reasons. */
export const NEVER_REASONS = [
  "large-leaved",
  "old-wood-stays-bare",
  "bare-wood-stays-bare",
  "needles-cut-brown",
  "stem-by-stem",
  "grass-all-or-nothing",
] as const;

export type NeverReason = (typeof NEVER_REASONS)[number];

export const HAZARDS = ["thorns", "irritant-sap", "toxic-clippings", "sharp-leaf-edges"] as const;
/** How a kind stands. */
export const HABITS = [
  "dome",
  "upright",
  "vase",
  "cone",
  "column",
  "fountain",
  "climber",
  "mound",
  "tuft",
  "tree",
] as const;
/** Sap and disease that make the season of a cut matter beyond flowers and frost. */
export const AILMENTS = ["bleeds", "silver-leaf", "fire-blight"] as const;

/** A row of the catalogue; lengths in metres, temperatures in °C. */
export const TaxonSchema = z.strictObject({
  id: z.string().regex(/^[a-z]+(-[a-z]+)*$/),
  botanical: z.string(),
  common: z.array(z.string()).min(1),
  group: z.enum(GROUPS),
  habit: z.enum(HABITS),
  /** It is hardly sold in any other form. */
  usualForm: z.enum(FORMS).optional(),
  leaf: z.enum(["deciduous", "evergreen", "semi-evergreen", "herbaceous"]),
  /** "foliage": its flowers are not what it is grown for. */
  floweringWood: z.enum(["old", "new", "both", "foliage"]),
  displays: z.array(DisplaySchema),
  year: z.strictObject({ wakes: RuleSchema, hardens: RuleSchema, stops: RuleSchema, dormant: RuleSchema }),
  /** Yearly growth of an uncut leader, metres: slow, usual, strong. */
  growthM: z.tuple([z.number(), z.number(), z.number()]).refine(([a, b, c]) => 0 < a && a <= b && b <= c),
  matureHeightM: range,
  matureWidthM: range,
  /** How far in the green reaches, metres, where that was measured at a plant; else by how the kind is built. */
  leafDepthM: z.number().positive().optional(),
  /** Vigour in shade against full sun. */
  shadeVigour: share,
  regrowthFromLeaflessWood: z.enum(["yes", "slow", "no"]),
  /** Rests through a dry summer, leafless or brown, and looks dead while it does. */
  restsInDrought: z.boolean().optional(),
  /** Also grown for the stems or the large leaves of young shoots, and cut low for them in spring. */
  stooled: z.boolean().optional(),
  /** A shoot may be headed only while it is soft (pine candles): later a headed shoot stays a stub. */
  headOnlyWhileSoft: z.boolean(),
  /** Buds and branches stand along its shoots: a single cut to one of them is answered also once the shoot is hard. */
  sideBuds: z.boolean(),
  /** Cut for its outline: before the flush it would have to be done again. */
  outline: z.boolean(),
  /** What a hard cut in full leaf costs the plant's reserves, against a lost display; lighter cuts cost less by the cube. */
  inLeafCost: share,
  /** Lowest stub that still breaks; null when only green may be cut. */
  leastStubM: z.number().min(0).max(3).nullable(),
  regimes: z.array(z.enum(REGIMES)).min(1),
  /** The task its yearly care asks for, and the tasks that are wrong for it, with why. */
  routineTask: z.enum(TASKS),
  never: z.partialRecord(z.enum(TASKS), z.enum(NEVER_REASONS)),
  frost: z.strictObject({
    /** New growth is killed at. */
    growthKillC: z.number().min(-8).max(2),
    /** A framework that lost its top is damaged at, and how much of it then goes. */
    frameKillC: z.number().min(-45).max(2),
    frameLoss: share,
    /** Old heads shelter the buds below them down from this; null when they do not matter. */
    headsShelterC: z.number().min(-30).max(0).nullable(),
    /** Does a cut in the cold season wake buds at the next warm spell? */
    wakesWhenCut: z.boolean(),
  }),
  /** Conducting outer ring of a stem, mm; thick stems carry fewer leaves than their section says. */
  sapwoodMm: z.number().positive(),
  passes: z.enum(["shaping", "cutback", "renewal", "framework"]),
  hazards: z.array(z.enum(HAZARDS)),
  ailments: z.array(z.enum(AILMENTS)),
  wildlife: z.array(z.string()),
  coldestZone: z.string(),
  /** When dead wood is easiest to tell and to take out. */
  cleanOut: z.string(),
  looksWrongButNormal: z.array(z.string()),
  /** Where the blade goes, in one sentence. */
  blade: z.string(),
  /** Filled in from the schools' own reach when the catalogue is built. */
  schools: z.array(z.string()).default([]),
  sources: z.array(z.enum(SOURCE_IDS)).min(1),
});
/** A kind of plant with what the catalogue says of it. */
export type Taxon = z.infer<typeof TaxonSchema>;
export type TaxonRow = z.input<typeof TaxonSchema>;
export type Display = z.infer<typeof DisplaySchema>;
