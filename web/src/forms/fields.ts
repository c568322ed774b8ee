/** Pieces of form schemas: text as it is typed in, model values out, messages that name what was expected. */
import {
  BOUNDS,
  LETTERS,
  parseDate,
  parseLength,
  type Bounds,
  type Metres,
  type PlainDate,
  type Rules,
  dayWithin,
} from "@wren/core";
import * as z from "zod";

export const bareUnit = (units: Rules["units"]): "cm" | "in" => (units === "imperial" ? "in" : "cm");

const example = (bare: "cm" | "in"): string =>
  bare === "cm" ? "like 120, 1.2 m or 4 ft" : "like 48, 4 ft 2 in or 1.2 m";

/** A length within bounds. */
export const lengthText = (bare: "cm" | "in", { from, to }: Bounds) =>
  z.string().transform((text, ctx): Metres => {
    const m = parseLength(text, bare);
    if (m === null) {
      ctx.addIssue({
        code: "custom",
        message:
          text.trim() === ""
            ? `A length is needed, about will do: ${example(bare)}`
            : `“${text}” is not a length: expected ${bare}, ${example(bare)}`,
      });
      return z.NEVER;
    }
    if (m < from || m > to) {
      ctx.addIssue({ code: "custom", message: `${m} m is out of bounds: expected ${from} to ${to} m` });
      return z.NEVER;
    }
    return m;
  });

/** A day that exists and is not later than the latest allowed. */
export const pastDate = (latest: PlainDate) =>
  z.string().transform((text, ctx): PlainDate => {
    const d = parseDate(text);
    if (d === null) {
      ctx.addIssue({
        code: "custom",
        message:
          text.trim() === ""
            ? "A day is needed; where only the year is known, choose that above"
            : "Expected a day that exists, like 2026-06-10",
      });
      return z.NEVER;
    }
    if (dayWithin(d) > d) {
      ctx.addIssue({ code: "custom", message: `${d} is long ago: expected ${BOUNDS.year.from} or later` });
      return z.NEVER;
    }
    if (d > latest) {
      ctx.addIssue({ code: "custom", message: `${d} lies in the future: expected ${latest} or earlier` });
      return z.NEVER;
    }
    return d;
  });

/** A share as it is typed. */
export const PERCENT = { from: 0, to: 100 } as const satisfies Bounds;

/** A name that is not empty. */
export const nameText = (ask: string) =>
  z.string().trim().min(1, ask).max(LETTERS.name, `At most ${LETTERS.name} letters`);
/** A text of at most so many letters. */
export const noteText = (most: number) => z.string().max(most, `At most ${most} letters`);

const readNumber =
  ({ from, to, whole }: Bounds) =>
  (text: string, ctx: z.RefinementCtx): number => {
    const n = Number(text.trim().replace(",", "."));
    if (text.trim() === "" || !Number.isFinite(n) || n < from || n > to || (whole === true && !Number.isInteger(n))) {
      ctx.addIssue({
        code: "custom",
        message: `${text.trim() === "" ? "Nothing stands here" : `“${text}” will not do`}: expected ${whole === true ? "a whole number" : "a number"} from ${from} to ${to}`,
      });
      return z.NEVER;
    }
    return n;
  };

/** A number within bounds; a decimal comma is read as a point. */
export const numberText = (bounds: Bounds) => z.string().transform(readNumber(bounds));

/** A year that has begun. */
export const pastYear = (latest: PlainDate) => numberText({ ...BOUNDS.year, to: Number(latest.slice(0, 4)) });

/** A number within bounds, or nothing at all. */
export const numberOrNothing = (bounds: Bounds) =>
  z.string().transform((text, ctx): number | null => (text.trim() === "" ? null : readNumber(bounds)(text, ctx)));

/**
 * Reads one field inside a form's transform and notes what is wrong with it, so that every problem of a form
 * is named at once and not only those of the first round.
 * @returns the value, or null when it was refused
 */
export function readField<T>(ctx: z.RefinementCtx, path: string, schema: z.ZodType<T, string>, text: string): T | null {
  const r = schema.safeParse(text);
  if (r.success) return r.data;
  ctx.addIssue({ code: "custom", path: [path], message: r.error.issues[0]!.message });
  return null;
}
