/** The simulated station that the server ships; the application works without it. */
import { WeatherYearSchema, type Place, type PlainDate, type WeatherYear } from "@wren/core";
import * as z from "zod";

const AnswerSchema = z.object({ simulated: z.literal(true), years: z.array(WeatherYearSchema) });

/** This year's days from the station. Rejects with a sentence that can be shown. */
export async function stationDays(place: Place, to: PlainDate, signal: AbortSignal): Promise<readonly WeatherYear[]> {
  // Where the garden is called nothing is of no use to a station.
  const { name: _, ...climate } = place;
  const asked = JSON.stringify(climate);
  const query = new URLSearchParams({ to, place: asked });
  let response: Response;
  try {
    response = await fetch(`/api/weather?${query}`, { signal });
  } catch {
    throw new Error("The station cannot be reached. Everything else works without it.");
  }
  const body: unknown = await response.json().catch(() => null);
  const answer = AnswerSchema.safeParse(body);
  if (response.ok && answer.success) return answer.data.years;
  throw new Error("There is no station at this address. Everything else works without it.");
}
