/**
 * Twelve monthly means to a smooth year and back. Two harmonics, fitted so that the *average over each
 * month* of the curve meets the month's mean; fitted at mid-months it would come out too flat (by
 * (πk/12)/sin(πk/12) for the k-th harmonic).
 */
import { YEAR_DAYS, type Hemisphere } from "../calendar/index.ts";

/** Days of the twelve months in an ordinary year, January first. */
const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;
const HARMONICS = 2;
const TERMS = 1 + 2 * HARMONICS;

/** 1, then cosine and sine of each harmonic, at a part of the year 0–1. */
function basis(part: number): number[] {
  const out = [1];
  for (let k = 1; k <= HARMONICS; k++) out.push(Math.cos(2 * Math.PI * k * part), Math.sin(2 * Math.PI * k * part));
  return out;
}

/** Solves a small symmetric system by elimination; the twelve months never make it singular. */
function solve(rows: number[][]): number[] {
  const m = rows.map((r) => [...r]);
  for (let i = 0; i < m.length; i++) {
    const pivot = m[i]![i]!;
    m[i] = m[i]!.map((x) => x / pivot);
    for (let k = 0; k < m.length; k++)
      if (k !== i) {
        const f = m[k]![i]!;
        m[k] = m[k]!.map((x, j) => x - f * m[i]![j]!);
      }
  }
  return m.map((r) => r[m.length]!);
}

/** First season day of each calendar month, January first. // => in the south January begins on season day 184 */
const monthStarts = (h: Hemisphere): number[] => {
  const first = h === "north" ? 0 : 6;
  const out: number[] = Array.from({ length: 12 }, () => 0);
  let day = 0;
  for (let i = 0; i < 12; i++) {
    const month = (first + i) % 12;
    out[month] = day;
    day += MONTH_DAYS[month]!;
  }
  return out;
};

/** Average of each basis function over a twelfth of the year: sines lose (πk/12)/sin(πk/12) of their height. */
const overTwelfth = (k: number): number[] =>
  basis((k + 0.5) / 12).map((b, i) => {
    const x = (Math.PI * Math.ceil(i / 2)) / 12;
    return x === 0 ? b : (b * Math.sin(x)) / x;
  });

/**
 * Months count as twelfths of the year. Their own places lie a little earlier (a day and a half at most, in spring),
 * so the curve is read that much later; with this shift daily normals and expected degree-days both stay within the
 * lines they are tested against (NOAA hourly normals of Seattle; NOAA daily 2012–15 of two stations).
 */
const SHIFT_DAYS = 0.3;
const partOfYear = (day: number): number => (day + 0.5 + SHIFT_DAYS) / YEAR_DAYS;

/** What each month of the hemisphere's year gives to each term of the smooth year: the fit is linear. */
const SHARES: readonly (readonly number[])[] = (() => {
  const rows = Array.from({ length: 12 }, (_, k) => overTwelfth(k));
  const byMonth = rows.map((_, month) =>
    solve(
      Array.from({ length: TERMS }, (_unused, i) => [
        ...Array.from({ length: TERMS }, (_again, j) => rows.reduce((s, r) => s + r[i]! * r[j]!, 0)),
        rows[month]![i]!,
      ]),
    ),
  );
  return Array.from({ length: TERMS }, (_, i) => byMonth.map((c) => c[i]!));
})();

/** The smooth year on a day as a weighted sum of the twelve months of the hemisphere's year (January or July first). */
export function dayWeights(day: number): number[] {
  const b = basis(partOfYear(day));
  return Array.from({ length: 12 }, (_, k) => b.reduce((s, x, i) => s + x * SHARES[i]![k]!, 0));
}

/** The terms of every day, which never change. */
const BASIS = Array.from({ length: YEAR_DAYS }, (_, d) => basis(partOfYear(d)));

/**
 * The smooth year through twelve monthly means, by season day (365 values).
 * @param means January to December, of anything that has a mean: °C, standard deviations
 * // => the mean of the curve over any month is within the fit's residual of that month's number
 */
export function yearFromMonths(means: readonly number[], h: Hemisphere): Float64Array {
  const first = h === "north" ? 0 : 6;
  const c = SHARES.map((row) => row.reduce((s, x, k) => s + x * means[(first + k) % 12]!, 0));
  return Float64Array.from(BASIS, (b) => {
    let s = 0;
    for (let i = 0; i < TERMS; i++) s += b[i]! * c[i]!;
    return s;
  });
}

/** Means over the calendar months of a year of season days, January first. */
export function monthMeans(year: ArrayLike<number>, h: Hemisphere): number[] {
  return monthStarts(h).map((start, month) => {
    let sum = 0;
    for (let d = 0; d < MONTH_DAYS[month]!; d++) sum += year[start + d]!;
    return sum / MONTH_DAYS[month]!;
  });
}
