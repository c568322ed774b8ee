/** The shapes and bounds that all nouns share. */
import * as z from "zod";
import { parseDate, parseMonthDay, type MonthDay, type PlainDate } from "../calendar/index.ts";

export const id = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[A-Za-z0-9_-]+$/, "id-characters");
export const text = (max: number) => z.string().max(max);
export const name = z.string().trim().min(1).max(80);

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
export const share = z.number().min(0).max(1);
export const heightM = z.number().positive().max(40);
export const millimetres = z.number().positive().max(600);
