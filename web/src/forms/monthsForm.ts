/** Twelve monthly means as they are typed, in either scale. */
import { BOUNDS, checkPlaceClimate, fahrenheit, issueText, toFahrenheit, type Bounds, type Place } from "@wren/core";
import * as z from "zod";
import { numberText } from "./fields.ts";

export type Scale = "C" | "F";
const MONTHS: Readonly<Record<Scale, Bounds>> = {
  C: BOUNDS.monthC,
  F: { from: toFahrenheit(BOUNDS.monthC.from), to: toFahrenheit(BOUNDS.monthC.to) },
};
const round = (x: number): number => Math.round(x * 100) / 100;
const toC = (x: number, scale: Scale): number => (scale === "F" ? round(fahrenheit(x)) : x);

export interface MonthsInput {
  months: { lo: string; hi: string }[];
}

/** The form's schema for a place: what is typed becomes the place with its months, or names the month that will not do. */
export const monthsSchema = (place: Place, scale: Scale) =>
  z
    .strictObject({ months: z.array(z.strictObject({ lo: numberText(MONTHS[scale]), hi: numberText(MONTHS[scale]) })) })
    .transform((v, ctx): Place => {
      const monthly = {
        tminC: v.months.map((m) => toC(m.lo, scale)),
        tmaxC: v.months.map((m) => toC(m.hi, scale)),
        // The spread that was counted goes with the means it was counted about.
        sdMinC: null,
        sdMeanC: null,
      };
      const next = { ...place, monthly };
      const checked = checkPlaceClimate(next);
      if (checked.ok) return next;
      for (const i of checked.issues) {
        const month = typeof i.path[1] === "number" ? i.path[1] : 0;
        ctx.addIssue({ code: "custom", path: ["months", month, "lo"], message: issueText(i) });
      }
      return z.NEVER;
    });

/** What the form starts with: the place's own months, or the ones that are worked out for it. */
export const monthsInput = (lo: readonly number[], hi: readonly number[], scale: Scale): MonthsInput => {
  const text = (c: number): string => String(Math.round((scale === "F" ? toFahrenheit(c) : c) * 10) / 10);
  return { months: lo.map((x, i) => ({ lo: text(x), hi: text(hi[i]!) })) };
};
