/** The place form, shared by the first run and the place screen. */
import { BOUNDS, checkPlaceClimate, issueText, parseMonthDay, type MonthDay, type Place } from "@wren/core";
import * as z from "zod";
import { nameText, numberText } from "./fields.ts";

const monthDayText = z.string().transform((text, ctx): MonthDay => {
  // The browser's date field carries a year that means nothing here.
  const md = parseMonthDay(text.slice(-5));
  if (md === null) {
    ctx.addIssue({ code: "custom", message: "Expected a day of the year, like 22 April" });
    return z.NEVER;
  }
  return md;
});

export const placeSchema = z
  .strictObject({
    name: nameText("Give the place a name"),
    latitudeDeg: numberText(BOUNDS.latitudeDeg),
    zone: z.string(),
    frost: z.enum(["yes", "no"]),
    lastFrost: z.string(),
    firstFrost: z.string(),
  })
  .transform((v, ctx): Place => {
    const read = (field: "lastFrost" | "firstFrost"): MonthDay | null => {
      if (v.frost === "no") return null;
      const r = monthDayText.safeParse(v[field]);
      if (r.success) return r.data;
      ctx.addIssue({ code: "custom", path: [field], message: r.error.issues[0]!.message });
      return null;
    };
    const place = {
      name: v.name,
      latitudeDeg: v.latitudeDeg,
      zone: v.zone,
      lastFrost: read("lastFrost"),
      firstFrost: read("firstFrost"),
      // Monthly means have a form of their own.
      monthly: null,
    };
    if (ctx.issues.length > 0) return z.NEVER;
    const checked = checkPlaceClimate(place);
    if (checked.ok) return place;
    for (const i of checked.issues) {
      const field = String(i.path[0]);
      const hidden = v.frost === "no" && field.endsWith("Frost");
      ctx.addIssue({ code: "custom", path: [hidden ? "frost" : field], message: issueText(i) });
    }
    return z.NEVER;
  });
export type PlaceInput = z.input<typeof placeSchema>;

/** Any ordinary year: only the month and the day are kept. */
const SOME_YEAR = "2025";

export const placeInput = (p: Place | null): PlaceInput => ({
  name: p?.name ?? "",
  latitudeDeg: p ? String(p.latitudeDeg) : "",
  zone: p?.zone ?? "6b",
  frost: p?.lastFrost === null ? "no" : "yes",
  lastFrost: p?.lastFrost ? `${SOME_YEAR}-${p.lastFrost}` : "",
  firstFrost: p?.firstFrost ? `${SOME_YEAR}-${p.firstFrost}` : "",
});
