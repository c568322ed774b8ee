/** Pieces of form schemas: text as it is typed in, model values out, messages that name what was expected. */
import { parseDate, parseLength, type Metres, type PlainDate, type Rules } from "@wren/core";
import * as z from "zod";

export const bareUnit = (units: Rules["units"]): "cm" | "in" => (units === "imperial" ? "in" : "cm");

const example = (bare: "cm" | "in"): string =>
  bare === "cm" ? "like 120, 1.2 m or 4 ft" : "like 48, 4 ft 2 in or 1.2 m";

interface LengthRange {
  readonly from: Metres;
  readonly to: Metres;
}

/** A length within bounds. */
export const lengthText = (bare: "cm" | "in", { from, to }: LengthRange) =>
  z.string().transform((text, ctx): Metres => {
    const m = parseLength(text, bare);
    if (m === null) {
      ctx.addIssue({
        code: "custom",
        message: `“${text}” is not a length: expected ${bare}, ${example(bare)}`,
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
      ctx.addIssue({ code: "custom", message: "Expected a day that exists, like 2026-06-10" });
      return z.NEVER;
    }
    if (d > latest) {
      ctx.addIssue({ code: "custom", message: `${d} lies in the future: expected ${latest} or earlier` });
      return z.NEVER;
    }
    return d;
  });

interface NumberRange {
  readonly from: number;
  readonly to: number;
  readonly whole?: boolean;
}

const readNumber =
  ({ from, to, whole = false }: NumberRange) =>
  (text: string, ctx: z.RefinementCtx): number => {
    const n = Number(text.trim().replace(",", "."));
    if (text.trim() === "" || !Number.isFinite(n) || n < from || n > to || (whole && !Number.isInteger(n))) {
      ctx.addIssue({
        code: "custom",
        message: `“${text}” will not do: expected ${whole ? "a whole number" : "a number"} from ${from} to ${to}`,
      });
      return z.NEVER;
    }
    return n;
  };

/** A number within bounds; a decimal comma is read as a point. */
export const numberText = (range: NumberRange) => z.string().transform(readNumber(range));

/** A number within bounds, or nothing at all. */
export const numberOrNothing = (range: NumberRange) =>
  z.string().transform((text, ctx): number | null => (text.trim() === "" ? null : readNumber(range)(text, ctx)));

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
