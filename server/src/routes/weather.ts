/** The simulated station: days that a place's climate could have had. It knows nothing of real weather and says so. */
import {
  BOUNDS,
  checkPlaceClimate,
  climateOf,
  issueText,
  ok,
  partsOf,
  PlainDateSchema,
  PlaceSchema,
  refused,
  simulatedDays,
  type Result,
  type WeatherYear,
} from "@wren/core";
import * as z from "zod";

const QuerySchema = z.object({
  to: PlainDateSchema.refine(
    (d) => partsOf(d).year >= BOUNDS.year.from && partsOf(d).year <= BOUNDS.year.to,
    `expected a day of the years ${BOUNDS.year.from} to ${BOUNDS.year.to}`,
  ),
  place: z
    .string()
    .max(4000)
    .transform((text, ctx): unknown => {
      try {
        return JSON.parse(text) as unknown;
      } catch {
        ctx.addIssue({ code: "custom", message: "place is not JSON" });
        return z.NEVER;
      }
    }),
});
const ClimateSchema = PlaceSchema.omit({ name: true });

export interface WeatherAnswer {
  readonly simulated: true;
  readonly years: readonly WeatherYear[];
}

const wrong = (...details: readonly string[]): Result<never, "query"> =>
  refused(details.map((detail) => ({ code: "query", path: [], values: { detail } })));

/** Answers a query for the days of a year up to a date; what is wrong with it is named. */
export function weatherAnswer(query: unknown): Result<WeatherAnswer, "query"> {
  const read = QuerySchema.safeParse(query);
  if (!read.success) return wrong(...read.error.issues.map((i) => `${i.path.join(".")}: ${i.message}`));
  const place = ClimateSchema.safeParse(read.data.place);
  if (!place.success) return wrong(...place.error.issues.map((i) => `place.${i.path.join(".")}: ${i.message}`));
  const checked = checkPlaceClimate(place.data);
  if (!checked.ok) return wrong(...checked.issues.map((i) => `place.${i.path.join(".")}: ${issueText(i)}`));
  return ok({ simulated: true, years: simulatedDays(climateOf(checked.value), read.data.to) });
}
