/** Lengths as people write them. */
import { inches, toInches, type Metres } from "./units.ts";

const PER_UNIT: Readonly<Record<string, number>> = {
  m: 1,
  cm: 0.01,
  mm: 0.001,
  in: inches(1),
  '"': inches(1),
  ft: inches(12),
  "'": inches(12),
};
const ONE = /(\d+(?:[.,]\d+)?)\s*(mm|cm|m|in|ft|"|')?/gy;
/** A bare number behind a larger unit is of the next smaller one: 4'2 and 1 m 20. */
const BEHIND: Readonly<Record<string, string>> = { ft: "in", "'": "in", m: "cm" };

/**
 * Reads "1.2 m", "120 cm", "4 ft 2 in", "4'2", "48 in" or a bare number in the given unit.
 * @returns metres, or null when it is not one length. // => parseLength("4 ft 2 in", "cm") is 1.27
 */
export function parseLength(text: string, bare: "cm" | "in"): Metres | null {
  const rest = text.trim().toLowerCase().replace(/″|”/g, '"').replace(/′|’/g, "'");
  if (rest === "") return null;
  let [metres, at, last]: [number, number, string | null] = [0, 0, null];
  while (at < rest.length) {
    ONE.lastIndex = at;
    const m = ONE.exec(rest);
    if (!m) return null;
    const unit: string | undefined = m[2] ?? (last === null ? bare : BEHIND[last]);
    // Two lengths behind each other are not one: its parts get smaller.
    if (unit === undefined || (last !== null && PER_UNIT[unit]! >= PER_UNIT[last]!)) return null;
    metres += Number(m[1]!.replace(",", ".")) * PER_UNIT[unit]!;
    [at, last] = [ONE.lastIndex, unit];
    while (rest[at] === " ") at++;
  }
  return Math.round(metres * 1e4) / 1e4;
}

/** A length as a bare number in the unit of a form field. // => lengthInField(0.456, "cm") is "45.6" */
export const lengthInField = (m: Metres, bare: "cm" | "in"): string =>
  String(Math.round((bare === "cm" ? m * 100 : toInches(m)) * 10) / 10);
