/** The year of a place as a band between its mean nights and afternoons. */
import { frostDates, monthMeans, type Climate } from "@wren/core";
import { linear } from "./linear.ts";

const FIRST_OF_MONTH = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334] as const;

export interface PlaceYearShape {
  readonly band: string;
  readonly zeroY: number;
  /** Frosts, as places along the band; null where there is none. */
  readonly last: number | null;
  readonly first: number | null;
  readonly warmest: { readonly x: number; readonly y: number; readonly c: number };
  readonly coldest: { readonly x: number; readonly y: number; readonly c: number };
}

/** By season day, so that summer lies in the middle in both hemispheres. */
export function placeYear(c: Climate, { width, height }: { width: number; height: number }): PlaceYearShape {
  const low = Math.min(0, ...c.tminC) - 2;
  const high = Math.max(10, ...c.tmaxC) + 2;
  const x = linear([0, 364], [0, width]);
  const y = linear([low, high], [height, 0]);
  const days = Array.from({ length: 74 }, (_, i) => Math.min(364, i * 5));
  const point = (d: number, t: number): string => `${x(d).toFixed(1)},${y(t).toFixed(1)}`;
  const band = `M${days.map((d) => point(d, c.tmaxC[d]!)).join("L")}L${days
    .toReversed()
    .map((d) => point(d, c.tminC[d]!))
    .join("L")}Z`;
  const { last, first } = frostDates(c, 0, 0.5);
  const at = (list: Float64Array, value: number, mean: number) => {
    const d = list.indexOf(value);
    return { x: x(d), y: y(value), c: mean };
  };
  return {
    band,
    zeroY: y(0),
    last: last === null ? null : x(Math.max(0, last)),
    first: first === null ? null : x(Math.min(364, first)),
    warmest: at(c.tmaxC, Math.max(...c.tmaxC), Math.max(...monthMeans(c.tmaxC, c.hemisphere))),
    coldest: at(c.tminC, Math.min(...c.tminC), Math.min(...monthMeans(c.tminC, c.hemisphere))),
  };
}

/** First letters' places of the months from the turn of the hemisphere's year. */
export const monthPlaces = (c: Climate): readonly { readonly month: number; readonly part: number }[] =>
  FIRST_OF_MONTH.map((d, i) => ({ month: c.hemisphere === "north" ? i + 1 : ((i + 6) % 12) + 1, part: d / 365 }));
