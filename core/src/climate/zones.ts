/**
 * Plant hardiness half-zones by mean yearly minimum: lower limit of zone n is −60 + 10(n−1) °F, of its
 * "b" half 5 °F more. Source: USDA plant hardiness zone map, 2012 and 2023 editions (from memory).
 */
import { fahrenheit, type Celsius } from "../units/index.ts";

/** Hardiness zones by mean yearly minimum, 1a to 13b, 2.8 °C apart. */
export const ZONES = Array.from({ length: 13 }, (_, i) => [`${i + 1}a`, `${i + 1}b`]).flat();
export type Zone = string & { readonly __zone?: never };

export const isZone = (text: string): boolean => ZONES.includes(text);

const lowerF = (zone: Zone): number => {
  const i = ZONES.indexOf(zone);
  if (i < 0) throw new Error(`unknown zone ${zone}`);
  return -60 + 5 * i;
};

/** Mean yearly minimum at the middle of a half-zone. // => zoneMinimumC("6b") is about -19.2 */
export const zoneMinimumC = (zone: Zone): Celsius => fahrenheit(lowerF(zone) + 2.5);
/** Lower limit of a half-zone. // => zoneFloorC("6a") is about -23.3 */
export const zoneFloorC = (zone: Zone): Celsius => fahrenheit(lowerF(zone));
/** The half-zone a mean yearly minimum belongs to; a value on a limit belongs to the warmer one. */
export function zoneOf(minimumC: Celsius): Zone {
  const f = (minimumC * 9) / 5 + 32;
  const i = Math.floor((f + 60) / 5 + 1e-9);
  return ZONES[Math.min(ZONES.length - 1, Math.max(0, i))] ?? "1a";
}
/** Is one zone colder than another? // => isColder("6b", "7a") is true */
export const isColder = (zone: Zone, than: Zone): boolean => ZONES.indexOf(zone) < ZONES.indexOf(than);
