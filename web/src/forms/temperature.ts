/** Temperatures as they are typed and said: Celsius, Fahrenheit where an F stands behind the number. */
import { fahrenheit, toFahrenheit, type Bounds, type Celsius, type Rules } from "@wren/core";
import * as z from "zod";

const PATTERN = /^([-−–]?\d+(?:[.,]\d+)?)\s*°?\s*([cf])?$/i;

/** // => readTemperature("75 F", "metric") is about 23.9 */
export function readTemperature(text: string, units: Rules["units"]): Celsius | null {
  const m = PATTERN.exec(text.trim());
  if (!m) return null;
  const n = Number(m[1]!.replace(/[−–]/, "-").replace(",", "."));
  const scale = (m[2] ?? (units === "imperial" ? "f" : "c")).toLowerCase();
  return scale === "f" ? fahrenheit(n) : n;
}

const whole = (n: number): string => String(Math.round(n)).replace("-", "−");
/** A temperature as the gardener says it. // => "24 °C" */
export const temperatureText = (c: Celsius, units: Rules["units"]): string => {
  const [cs, fs] = [`${whole(c)} °C`, `${whole(toFahrenheit(c))} °F`];
  return units === "imperial" ? fs : units === "both" ? `${cs} (${fs})` : cs;
};
/** What stands in a field. */
export const temperatureInField = (c: Celsius | null, units: Rules["units"]): string =>
  c === null
    ? ""
    : units === "imperial"
      ? String(Math.round(toFahrenheit(c) * 10) / 10)
      : String(Math.round(c * 10) / 10);

/** A temperature within bounds, or nothing at all. */
export const temperatureOrNothing = (units: Rules["units"], { from, to }: Bounds) =>
  z.string().transform((text, ctx): Celsius | null => {
    if (text.trim() === "") return null;
    const c = readTemperature(text, units);
    if (c !== null && c >= from && c <= to) return Math.round(c * 100) / 100;
    ctx.addIssue({
      code: "custom",
      message: `“${text}” will not do: expected ${temperatureText(from, units)} to ${temperatureText(to, units)}, like 24 or 75 F`,
    });
    return z.NEVER;
  });
