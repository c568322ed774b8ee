/** Numbers of the strip of the year: a season year's days against a width, and the curves over it. */
import {
  monthStart,
  seasonDate,
  seasonPoint,
  seasonStart,
  YEAR_DAYS,
  type Climate,
  type PlainDate,
  dayLengthH,
} from "@wren/core";
import { area, curveMonotoneX, line } from "d3-shape";
import { linear } from "./linear.ts";

export interface StripBox {
  readonly width: number;
  readonly height: number;
}

export interface StripCurves {
  /** Warmth gained since the year's start, as a line from the foot to the top. */
  readonly warmth: string;
  /** Chance of a frosty night, hanging from the top. */
  readonly frost: string;
  /** Hours of day, as a band. */
  readonly dayLength: string;
}

const EVERY = 4;
const DAYS = Array.from({ length: Math.ceil(YEAR_DAYS / EVERY) + 1 }, (_, i) => Math.min(YEAR_DAYS - 1, i * EVERY));

/** Horizontal place of a season day. */
export const stripX = (width: number) => linear([0, YEAR_DAYS - 1], [0, width], true);

export function stripCurves(c: Climate, { width, height }: StripBox): StripCurves {
  const x = stripX(width);
  const year = Math.max(1, c.warmthAt(YEAR_DAYS));
  const odds = c.frost(0);
  const warm = linear([0, year], [height, 4]);
  const cold = linear([0, 1], [0, height * 0.5]);
  const light = linear([4, 20], [height, height * 0.35], true);
  return {
    warmth:
      line<number>(
        (d) => x(d),
        (d) => warm(c.warmthAt(d)),
      ).curve(curveMonotoneX)(DAYS) ?? "",
    frost:
      area<number>(
        (d) => x(d),
        0,
        (d) => cold(odds.onNight(d)),
      ).curve(curveMonotoneX)(DAYS) ?? "",
    dayLength:
      area<number>(
        (d) => x(d),
        height,
        (d) => light(dayLengthH(c.place.latitudeDeg, d, c.hemisphere)),
      ).curve(curveMonotoneX)(DAYS) ?? "",
  };
}

export interface MonthTick {
  readonly date: PlainDate;
  readonly day: number;
}

/** First days of the months of a season year, in its own order. */
export function monthTicks(on: PlainDate, c: Climate): readonly MonthTick[] {
  const { seasonYear } = seasonPoint(on, c.hemisphere);
  const start = seasonStart(seasonYear, c.hemisphere);
  return Array.from({ length: 12 }, (_, i) => {
    const date = monthStart(start, i);
    return { date, day: seasonPoint(date, c.hemisphere).seasonDay };
  });
}

/** The date at a horizontal place of the strip that shows `on`. */
export function dateAt(fraction: number, on: PlainDate, c: Climate): PlainDate {
  const { seasonYear } = seasonPoint(on, c.hemisphere);
  const day = Math.round(Math.min(1, Math.max(0, fraction)) * (YEAR_DAYS - 1));
  return seasonDate(seasonYear, day, c.hemisphere);
}
