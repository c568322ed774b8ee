/** The pieces that all nouns' schemas are made of, within their bounds. */
import * as z from "zod";
import { parseDate, parseMonthDay, type MonthDay, type PlainDate } from "../calendar/index.ts";
import { BOUNDS, LETTERS, MOST, type Bounds } from "./bounds.ts";

/** A number within its bounds. */
export const within = (r: Bounds): z.ZodNumber =>
  (r.whole === true ? z.number().int() : z.number()).min(r.from).max(r.to);
/** Rows, at most so many; the count is looked at before a single one is read. */
export const rows = <T extends z.ZodType>(row: T, most: number): z.ZodArray<T> => z.array(row).max(most);

export const id = z
  .string()
  .min(1)
  .max(LETTERS.id)
  .regex(/^[A-Za-z0-9_-]+$/, "id-characters");
export const text = (max: number): z.ZodString => z.string().max(max);
export const name = z.string().trim().min(1).max(LETTERS.name);
/** Chosen option per school question. */
export const schools = z
  .record(z.string().max(LETTERS.school), z.string().max(LETTERS.school))
  .refine((s) => Object.keys(s).length <= MOST.schools, "too-many-schools");

/** A day as "YYYY-MM-DD" that the calendar has. */
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
export const share = within(BOUNDS.share);
export const heightM = within(BOUNDS.heightM);
export const millimetres = within(BOUNDS.millimetres);
