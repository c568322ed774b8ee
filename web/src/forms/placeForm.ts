/** The place form, shared by the first run and the place screen: a town or a latitude, and whatever else is known. */
import {
  BOUNDS,
  checkPlaceClimate,
  issueText,
  NearSchema,
  parseMonthDay,
  SITES,
  type MonthDay,
  type Place,
  type Rules,
} from "@wren/core";
import * as z from "zod";
import { nameText, numberText, readField } from "./fields.ts";
import { temperatureInField, temperatureOrNothing } from "./temperature.ts";

const monthDayText = z.string().transform((text, ctx): MonthDay | null => {
  if (text.trim() === "") return null;
  // The browser's date field carries a year that means nothing here.
  const md = parseMonthDay(text.slice(-5));
  if (md === null) {
    ctx.addIssue({ code: "custom", message: "Expected a day of the year, like 22 April, or nothing" });
    return z.NEVER;
  }
  return md;
});

const inputs = z.strictObject({
  name: z.string(),
  latitudeDeg: z.string(),
  near: NearSchema.nullable(),
  zone: z.string(),
  lastFrost: z.string(),
  firstFrost: z.string(),
  noFrost: z.boolean(),
  coldestNightC: z.string(),
  warmestC: z.string(),
  nightsC: z.string(),
  site: z.enum(SITES),
});

/** What a place is called that nobody has named. */
export const UNNAMED = "My garden";

type TextField = Exclude<keyof z.infer<typeof inputs>, "near" | "noFrost" | "site">;

/** @param units what a bare temperature is read in */
export const placeSchema = (units: Rules["units"]) =>
  inputs.transform((v, ctx): Place => {
    const read = <T>(field: TextField, schema: z.ZodType<T, string>): T | null =>
      readField(ctx, field, schema, v[field]);
    const place = {
      name: v.name.trim() === "" ? UNNAMED : (read("name", nameText("Give the place a name")) ?? ""),
      latitudeDeg: read("latitudeDeg", numberText(BOUNDS.latitudeDeg)) ?? 0,
      near: v.near,
      zone: v.zone === "" ? null : v.zone,
      lastFrost: read("lastFrost", monthDayText),
      firstFrost: read("firstFrost", monthDayText),
      noFrost: v.noFrost,
      coldestNightC: read("coldestNightC", temperatureOrNothing(units, BOUNDS.coldestNightC)),
      warmestC: read("warmestC", temperatureOrNothing(units, BOUNDS.monthC)),
      nightsC: read("nightsC", temperatureOrNothing(units, BOUNDS.monthC)),
      site: v.site,
      // Monthly means have a form of their own.
      monthly: null,
    };
    if (ctx.issues.length > 0) return z.NEVER;
    const checked = checkPlaceClimate(place);
    if (checked.ok) return place;
    for (const i of checked.issues) ctx.addIssue({ code: "custom", path: [String(i.path[0])], message: issueText(i) });
    return z.NEVER;
  });
export type PlaceInput = z.input<ReturnType<typeof placeSchema>>;

/** Any ordinary year: only the month and the day are kept. */
const SOME_YEAR = "2025";
export const dayInField = (d: MonthDay | null): string => (d ? `${SOME_YEAR}-${d}` : "");

export const placeInput = (p: Place | null, units: Rules["units"]): PlaceInput => ({
  name: p?.name ?? "",
  latitudeDeg: p ? String(p.latitudeDeg) : "",
  near: p?.near ? { ...p.near, tminC: [...p.near.tminC], tmaxC: [...p.near.tmaxC] } : null,
  zone: p?.zone ?? "",
  lastFrost: dayInField(p?.lastFrost ?? null),
  firstFrost: dayInField(p?.firstFrost ?? null),
  noFrost: p?.noFrost ?? false,
  coldestNightC: temperatureInField(p?.coldestNightC ?? null, units),
  warmestC: temperatureInField(p?.warmestC ?? null, units),
  nightsC: temperatureInField(p?.nightsC ?? null, units),
  site: p?.site ?? "usual",
});
