/** Where the garden lies and by what rules it is kept; its beds. */
import * as z from "zod";
import { BOUNDS, LETTERS, MOST } from "./bounds.ts";
import { TimeSchema, ToolsSchema } from "./worktime.ts";
import { id, MonthDaySchema, name, rows, schools, text, within } from "./pieces.ts";

const months = z.array(within(BOUNDS.monthC)).length(12);
const spreads = z.array(within(BOUNDS.spreadC)).length(12).nullable();
/** Mean daily minimum and maximum by calendar month, and the day-to-day spread where it was counted, °C. */
export const MonthlySchema = z.strictObject({ tminC: months, tmaxC: months, sdMinC: spreads, sdMeanC: spreads });

/** What the towns around say, worked out when the place was named: means in calendar order, and how much doubt is left. */
export const NearSchema = z.strictObject({
  /** The town that was named, or the nearest; as it is to be read. */
  town: text(LETTERS.name),
  km: within(BOUNDS.kilometres),
  altitudeM: within(BOUNDS.altitudeM),
  tminC: months,
  tmaxC: months,
  doubt: within(BOUNDS.doubt),
});
/** The climate of the towns around a place, as it was when the place was named. */
export type Near = Readonly<z.infer<typeof NearSchema>>;

/** Where the garden stands within its surroundings. */
export const SITES = ["usual", "hollow", "wall", "hilltop"] as const;
/** How the ground lies: slope, hollow, town or open, as far as it changes frost. */
export type Site = (typeof SITES)[number];

const said = (b: (typeof BOUNDS)["monthC" | "coldestNightC"]) => within(b).nullable();
/** Everything but name and latitude may be left unsaid: null. */
export const PlaceSchema = z.strictObject({
  name,
  latitudeDeg: within(BOUNDS.latitudeDeg),
  near: NearSchema.nullable(),
  zone: text(LETTERS.zone).nullable(),
  lastFrost: MonthDaySchema.nullable(),
  firstFrost: MonthDaySchema.nullable(),
  /** Most years pass without a frost. */
  noFrost: z.boolean(),
  /** Coldest night of a usual winter; mean afternoon of the warmest month; mean night of the coldest. */
  coldestNightC: said(BOUNDS.coldestNightC),
  warmestC: said(BOUNDS.monthC),
  nightsC: said(BOUNDS.monthC),
  site: z.enum(SITES),
  /** The place's own months stand above all else. */
  monthly: MonthlySchema.nullable(),
});
/** Where a garden lies and what is known of its weather. */
export type Place = Readonly<z.infer<typeof PlaceSchema>>;

/** null: not said. */
const price = within(BOUNDS.price).nullable();
/** Units that lengths and temperatures are told in. */
export const UNITS = ["metric", "imperial", "both"] as const;
export const RulesSchema = z.strictObject({
  units: z.enum(UNITS),
  /** A missing one takes the default for the place. */
  schools,
  /** What things cost the gardener, in whatever money: an hour, a new plant, a cubic metre of cuttings taken away. */
  prices: z.strictObject({ hour: price, plant: price, haulM3: price }),
  time: TimeSchema,
  tools: ToolsSchema,
  /** Lessons of the record that are not to be used, by name: the catalogue's value holds. */
  setAside: rows(text(LETTERS.lesson), MOST.setAside),
});
/** What the gardener chose for the whole garden: units, schools, prices, time, tools. */
export type Rules = Readonly<z.infer<typeof RulesSchema>>;

/** How much sun a bed gets. */
export const SUNS = ["sun", "part", "shade"] as const;
/** How open a bed lies to wind. */
export const WINDS = ["sheltered", "some", "exposed"] as const;
/** Who waters a bed. */
export const WATERS = ["none", "hand", "irrigation"] as const;
const sun = z.enum(SUNS).nullable();
export const BedSchema = z.strictObject({
  id,
  name,
  lengthM: within(BOUNDS.bedLengthM),
  /** Position in the list of beds. */
  order: within(BOUNDS.order),
  note: text(LETTERS.shortNote),
  /** Compass direction that its front looks to, degrees from north; null when nobody has looked. */
  facesDeg: within(BOUNDS.facesDeg).nullable(),
  /** As surveyed; null where nobody has looked. */
  sun: z.strictObject({ morning: sun, midday: sun, late: sun }),
  shadedBy: text(LETTERS.aside),
  /** Does what shades it still grow? Then it is darker every year. */
  shadeGrows: z.boolean(),
  wind: z.enum(WINDS).nullable(),
  water: z.enum(WATERS).nullable(),
});
/** A bed with what was surveyed of it. */
export type Bed = Readonly<z.infer<typeof BedSchema>>;
