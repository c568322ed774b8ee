/** The half-days there are: by the week, by what was said of single days, and by the weather that is known. */
import { addDays, seasonPoint, weekdayOf, type PlainDate } from "../calendar/index.ts";
import { dayLengthH } from "../climate/index.ts";
import type { GardenModel } from "../garden/index.ts";
import { HALVES, type Half, type WorkTime } from "../model/index.ts";
import type { Celsius, Days, Minutes, Share } from "../units/index.ts";
import { WORKDAY_ASSUMPTIONS } from "./assumptions.ts";

/** Why a half-day is closed, with what the weather says; simulated: by the station, not observed. */
export interface Closed {
  readonly why: "wet" | "hot" | "ice" | "dark";
  /** mm or °C; 0 where it is dark. */
  readonly value: number;
  readonly simulated: boolean;
}

/** A half of a day with the time there is in it. */
export interface HalfDay {
  readonly id: string;
  readonly on: PlainDate;
  readonly half: Half;
  /** The gardener's own minutes, and those of all hands together. */
  readonly minutes: Minutes;
  readonly handsMinutes: Minutes;
  readonly helpers: number;
  /** Minutes of the day by the sun: work begins, and ends at the latest. */
  readonly startMin: Minutes;
  readonly endMin: Minutes;
  readonly closed: Closed | null;
  /** Chance that a day whose weather is not known yet is lost to it. */
  readonly lostOdds: Share;
  readonly tmaxC: Celsius | null;
}

/** The time there is on a half of a day, by the single days first, then the week. */
function timeOn(time: WorkTime, on: PlainDate, half: Half): { readonly minutes: Minutes; readonly helpers: number } {
  const single = time.otherwise.find((o) => o.on === on && o.half === half);
  if (single) return single;
  const usual = time.week.find((w) => w.weekday === weekdayOf(on) && w.half === half);
  return { minutes: usual?.minutes ?? 0, helpers: 0 };
}

/** Begin and end of a half-day, and what closes it. */
function hoursOn(model: GardenModel, on: PlainDate, half: Half): Pick<HalfDay, "startMin" | "endMin" | "closed"> {
  const a = WORKDAY_ASSUMPTIONS;
  const known = model.weatherOn(on);
  const { hemisphere } = model.climate;
  const { seasonDay } = seasonPoint(on, hemisphere);
  const daylight = dayLengthH(model.garden.place.latitudeDeg, seasonDay, hemisphere) * 60;
  const sunset = 12 * 60 + daylight / 2 - a.beforeSunset;
  const [hot, frosty] = [(known?.tmaxC ?? -Infinity) >= a.hotC, (known?.tminC ?? Infinity) < a.iceC];
  const sunrise = 12 * 60 - daylight / 2;
  const startMin =
    half === "morning"
      ? Math.max(frosty ? a.frostyMorning : hot ? a.hotMorning : a.morning[0], sunrise)
      : hot
        ? a.hotAfternoon
        : a.afternoonFrom;
  const endMin = half === "morning" ? a.morning[1] : sunset;
  const shut = (why: Closed["why"], value: number): Closed => ({ why, value, simulated: known?.simulated === true });
  if (known?.rainMm != null && known.rainMm >= a.wetMm) return { startMin, endMin, closed: shut("wet", known.rainMm) };
  if (known?.tmaxC != null && known.tmaxC >= a.extremeC) return { startMin, endMin, closed: shut("hot", known.tmaxC) };
  if (known?.tmaxC != null && known.tmaxC < a.iceC) return { startMin, endMin, closed: shut("ice", known.tmaxC) };
  if (endMin - startMin < 15) return { startMin, endMin, closed: shut(hot ? "hot" : "dark", known?.tmaxC ?? 0) };
  return { startMin, endMin, closed: null };
}

/** Chance that a day's weather closes it, from the place's normals; 0 where the day's own is known. */
function lostOdds(model: GardenModel, on: PlainDate): Share {
  if (model.weatherOn(on) !== null) return 0;
  const a = WORKDAY_ASSUMPTIONS;
  const { tmaxC, sdMeanC } = model.climate;
  const { seasonDay } = seasonPoint(on, model.climate.hemisphere);
  const above = (limit: Celsius): Share =>
    1 / (1 + Math.exp((1.7 * (limit - tmaxC[seasonDay]!)) / Math.max(1, sdMeanC[seasonDay]!)));
  return 1 - (1 - a.wetOdds) * (1 - above(a.extremeC)) * above(a.iceC);
}

/** A half of a day with so much time in it. */
export function halfDayOf(
  model: GardenModel,
  on: PlainDate,
  half: Half,
  { minutes, helpers }: { readonly minutes: Minutes; readonly helpers: number },
): HalfDay {
  const hours = hoursOn(model, on, half);
  const own = hours.closed ? 0 : Math.min(minutes, hours.endMin - hours.startMin);
  return {
    id: `${on}-${half}`,
    on,
    half,
    minutes: own,
    handsMinutes: own * (1 + helpers * WORKDAY_ASSUMPTIONS.help),
    helpers,
    ...hours,
    lostOdds: lostOdds(model, on),
    tmaxC: model.weatherOn(on)?.tmaxC ?? null,
  };
}

/** The half-days with time in them from a day on; those that the weather closes are among them, without minutes. */
export const halfDaysOf = (model: GardenModel, from: PlainDate, days: Days): readonly HalfDay[] =>
  Array.from({ length: days }, (_, i) => addDays(from, i)).flatMap((on) =>
    HALVES.flatMap((half) => {
      const time = timeOn(model.garden.rules.time, on, half);
      return time.minutes > 0 ? [halfDayOf(model, on, half, time)] : [];
    }),
  );
