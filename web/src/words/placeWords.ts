/** What the program makes of a place, in words. */
import {
  frostDates,
  monthMeans,
  oneMean,
  seasonDate,
  sumOf,
  type Climate,
  type Contradiction,
  type FactKind,
  type Rules,
} from "@wren/core";
import { temperatureText } from "../forms/temperature.ts";
import { dateText, monthText } from "./dates.ts";
import { capital } from "./capital.ts";

const FACT_WORDS: Readonly<Record<FactKind | "place", string>> = {
  zone: "the hardiness zone",
  "coldest-night": "the coldest night",
  "last-frost": "the last frost",
  "first-frost": "the first frost",
  "no-frost": "“no frost in most years”",
  afternoons: "the warmest afternoons",
  nights: "the coldest nights",
  place: "the town or the latitude",
};
/** // => "The hardiness zone and the last frost do not go together: which is right?" */
export const oddText = ({ one, other }: Contradiction): string => {
  const [a, b] = [FACT_WORDS[one], FACT_WORDS[other]];
  return `${capital(a)} and ${b} do not go together: which is right? Both are kept, and the climate lies between them.`;
};

/** About how many days the clock may be off: half of its 80 % range. */
const halfRange = (sdDays: number): number => Math.max(1, Math.round(sdDays * 1.28));

/** From here on what is not known of the warmest month is told as a span: half of eight years' ten, °C. */
const WORTH_A_SPAN_C = 3;

/** Between which values the warmest afternoons may lie, for all that is known; nothing where that is well enough. */
function spanText(c: Climate, warmest: number, units: Rules["units"]): string {
  const seasonMonth = c.hemisphere === "north" ? warmest : (warmest + 6) % 12;
  const { mean, sd } = sumOf(c.known, oneMean(12 + seasonMonth));
  const half = 1.28 * sd;
  return half < WORTH_A_SPAN_C
    ? ""
    : ` (${temperatureText(mean - half, units)} to ${temperatureText(mean + half, units)}, for all that is known)`;
}

/** Afternoons, coldest night and frosts of a place in two sentences. */
export function placeText(c: Climate, units: Rules["units"], seasonYear: number): string {
  const means = monthMeans(c.tmaxC, c.hemisphere);
  const warmest = means.indexOf(Math.max(...means));
  const day = (d: number): string => dateText(seasonDate(seasonYear, d, c.hemisphere));
  const half = frostDates(c, 0, 0.5);
  const frost =
    half.last === null || half.first === null
      ? "no frost in most years"
      : `frost until about ${day(half.last)} and again from about ${day(half.first)}`;
  return `Afternoons of ${temperatureText(means[warmest]!, units)} in ${monthText(warmest + 1, "long")}${spanText(c, warmest, units)}, the coldest night of a usual winter near ${temperatureText(c.coldestNightC, units)} (zone ${c.zone}), ${frost}. First leaf about ${day(c.spring.leaf)}, lilac in flower about ${day(c.spring.bloom)}: what is known of the place tells that to ${halfRange(c.doubt.spring)} days either way, and the years differ by about as much again.`;
}
