/** How numbers and dates are spoken; the caller brings locale and units, so that core has none of its own. */
import { MONTH_NAMES, partsOf, type PlainDate } from "../calendar/index.ts";
import { toFahrenheit, toInches, type Celsius, type Metres, type Millimetres, type Share } from "../units/index.ts";
import type { Rules } from "../model/index.ts";

/** How numbers, lengths, temperatures and dates are spoken. */
export interface Voice {
  readonly date: (d: PlainDate | string) => string;
  readonly percent: (s: Share) => string;
  readonly length: (m: Metres) => string;
  readonly temperature: (c: Celsius) => string;
  readonly days: (n: number) => string;
  /** Of a stem, or between a cut and a bud. */
  readonly thickness: (mm: Millimetres) => string;
  /** Written text in metric units, said in the gardener's. */
  readonly prose: (text: string) => string;
}

const MONTHS = MONTH_NAMES.map((name) => name.slice(0, 3));

const plainDay = (d: string): string => {
  const p = partsOf(d as PlainDate);
  return `${p.day} ${MONTHS[p.month - 1] ?? "?"} ${p.year}`;
};

/** A day of every year, as it is spoken. // => monthDayText("04-22") is "22 Apr" */
export const monthDayText = (md: string): string =>
  `${Number(md.slice(3))} ${MONTHS[Number(md.slice(0, 2)) - 1] ?? "?"}`;

/** Centimetres below a metre and a half, metres above. // => metric(0.456) is "46 cm" */
export const metric = (m: Metres): string => (m < 1.5 ? `${Math.round(m * 100)} cm` : `${m.toFixed(1)} m`);
/** Inches below four feet, feet and inches above. // => imperial(1.5) is "4 ft 11 in" */
export function imperial(m: Metres): string {
  const total = Math.round(toInches(m));
  if (total < 48) return `${total} in`;
  const rest = total % 12;
  return `${Math.floor(total / 12)} ft${rest === 0 ? "" : ` ${rest} in`}`;
}
const LENGTHS: Readonly<Record<Rules["units"], (m: Metres) => string>> = {
  metric,
  imperial,
  both: (m) => `${metric(m)} (${imperial(m)})`,
};

const TEMPERATURES: Readonly<Record<Rules["units"], (c: Celsius) => string>> = {
  metric: (c) => `${Math.round(c)} °C`,
  imperial: (c) => `${Math.round(toFahrenheit(c))} °F`,
  both: (c) => `${Math.round(c)} °C (${Math.round(toFahrenheit(c))} °F)`,
};

const FRACTIONS = ["", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"] as const;
const EIGHTHS = 8;
/** To an eighth of an inch. // => eighths(30) is "1⅛ in" */
export function eighths(mm: Millimetres): string {
  const n = Math.max(1, Math.round(toInches(mm / 1000) * EIGHTHS));
  const whole = Math.floor(n / EIGHTHS);
  return `${whole === 0 ? "" : whole}${FRACTIONS[n % EIGHTHS]!} in`;
}
const THICKNESSES: Readonly<Record<Rules["units"], (mm: Millimetres) => string>> = {
  metric: (mm) => `${mm} mm`,
  imperial: eighths,
  both: (mm) => `${mm} mm (${eighths(mm)})`,
};

const METRIC = /(\d+(?:\.\d+)?)(\s?(?:–|-|to)\s?)?(\d+(?:\.\d+)?)?\s?(mm|cm|m|°C)(?![\w²³])/g;
const IN_METRES: Readonly<Record<string, number>> = { mm: 0.001, cm: 0.01, m: 1 };
/** One measure of a text, or two with a word between them, in other units. */
function elsewhere(_: string, one: string, joint: string | undefined, two: string | undefined, unit: string): string {
  const of = (n: string): string => {
    const x = Number(n);
    if (unit === "°C") return TEMPERATURES.imperial(x);
    return unit === "mm" ? eighths(x) : imperial(x * IN_METRES[unit]!);
  };
  if (joint === undefined || two === undefined) return of(one + (two ?? ""));
  const [a, b] = [of(one), of(two)];
  const [n, name] = a.split(" ");
  // The unit once, where both have the same.
  return b.endsWith(` ${name}`) && a.split(" ").length === 2 ? `${n}${joint}${b}` : `${a}${joint}${b}`;
}
/** A text written in metric units in feet, inches and °F. // => inFeet("5 to 8 cm deep") is "2 to 3 in deep" */
export const inFeet = (text: string): string => text.replace(METRIC, elsewhere);

/** A whole percent, but never a bare 0 for something that is there. */
export function percentText(s: Share): string {
  const p = s * 100;
  if (p > 0 && p < 1) return "under 1 %";
  return p > 0 && p < 10 && Math.abs(p - Math.round(p)) > 0.05 ? `${p.toFixed(1)} %` : `${Math.round(p)} %`;
}

/** A voice in plain English; dates through `date` when the caller has a locale. */
export const voiceOf = (units: Rules["units"], date: (d: string) => string = plainDay): Voice => ({
  date,
  percent: percentText,
  length: LENGTHS[units],
  temperature: TEMPERATURES[units],
  thickness: THICKNESSES[units],
  prose: units === "imperial" ? inFeet : (text) => text,
  days: (n) => (n === 1 ? "1 day" : `${Math.round(n)} days`),
});
