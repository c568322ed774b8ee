/** The towns' climates: recalled and rounded, not measured (core/data/towns.csv; a row is corrected there). */
import {
  monthDayToSeasonDay,
  hemisphereOf,
  parseMonthDay,
  YEAR_DAYS,
  type MonthDay,
  type SeasonDay,
} from "../calendar/index.ts";
import { inSeason, type Zone } from "../climate/index.ts";
import type { Celsius, Metres } from "../units/index.ts";

/** A town by its name and where it lies. */
export interface Locality {
  readonly name: string;
  /** State, province or land; empty where none is known. */
  readonly region: string;
  /** ISO 3166, two letters. */
  readonly country: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly altitudeM: Metres;
}

/** A town of the table with its monthly normals, °C. */
export interface Town extends Locality {
  readonly zone: Zone;
  /** null where fewer than half of the years have one. */
  readonly lastFrost: MonthDay | null;
  readonly firstFrost: MonthDay | null;
  /** Mean daily minimum and maximum, January to December. */
  readonly tminC: readonly Celsius[];
  readonly tmaxC: readonly Celsius[];
}

/** Reads the table; it is ours, so a row that does not fit is our own slip and throws. */
export function townsFrom(csv: string): readonly Town[] {
  const [, ...lines] = csv.trim().split("\n");
  return lines.map((line) => {
    const [name, region, country, lat, lon, alt, zone, last, first, ...means] = line.split(",");
    const numbers = means.map(Number);
    if (numbers.length !== 24 || numbers.some((n) => !Number.isFinite(n))) throw new Error(`towns: ${name ?? line}`);
    return {
      name: name!,
      region: region!,
      country: country!,
      latitudeDeg: Number(lat),
      longitudeDeg: Number(lon),
      altitudeM: Number(alt),
      zone: zone!,
      lastFrost: parseMonthDay(last!),
      firstFrost: parseMonthDay(first!),
      tminC: numbers.slice(0, 12),
      tmaxC: numbers.slice(12),
    };
  });
}

/** The twenty-four means in the order of the hemisphere's year. */
export const meansOf = (t: Town): Float64Array => {
  const h = hemisphereOf(t.latitudeDeg);
  return Float64Array.from([...inSeason(t.tminC, h), ...inSeason(t.tmaxC, h)]);
};

/** Frost dates as season days, the last before and the first after midsummer; null where there is no frost. */
export function frostDaysOf(
  t: Pick<Town, "latitudeDeg" | "lastFrost" | "firstFrost">,
): readonly [SeasonDay, SeasonDay] | null {
  if (t.lastFrost === null || t.firstFrost === null) return null;
  const h = hemisphereOf(t.latitudeDeg);
  const [last, first] = [monthDayToSeasonDay(t.lastFrost, h), monthDayToSeasonDay(t.firstFrost, h)];
  return [last > YEAR_DAYS / 2 ? last - YEAR_DAYS : last, first < YEAR_DAYS / 2 ? first + YEAR_DAYS : first];
}

const RADIUS_KM = 6371;
/** Great-circle distance, km. */
export function kilometres(
  a: Pick<Town, "latitudeDeg" | "longitudeDeg">,
  b: Pick<Town, "latitudeDeg" | "longitudeDeg">,
): number {
  const rad = Math.PI / 180;
  const [p, q] = [a.latitudeDeg * rad, b.latitudeDeg * rad];
  const h =
    Math.sin((q - p) / 2) ** 2 +
    Math.cos(p) * Math.cos(q) * Math.sin(((b.longitudeDeg - a.longitudeDeg) * rad) / 2) ** 2;
  return 2 * RADIUS_KM * Math.asin(Math.min(1, Math.sqrt(h)));
}
