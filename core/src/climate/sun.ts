/** Day length from latitude. */
import { YEAR_DAYS, type Hemisphere, type SeasonDay } from "../calendar/index.ts";

/** Altitude of the sun's centre at rise and set: refraction and half a disc, degrees. */
const HORIZON_DEG = -0.833;
const RAD = Math.PI / 180;

/** Calendar day of year (0-based) of a season day. */
const calendarDay = (day: SeasonDay, h: Hemisphere): number => (h === "north" ? day : day + 181);

/** Sun's declination at noon, degrees; NOAA low-precision series (Spencer 1971), within 0.1°. */
export function declinationDeg(day: SeasonDay, h: Hemisphere): number {
  const g = (2 * Math.PI * calendarDay(day, h)) / YEAR_DAYS;
  const rad =
    0.006918 -
    0.399912 * Math.cos(g) +
    0.070257 * Math.sin(g) -
    0.006758 * Math.cos(2 * g) +
    0.000907 * Math.sin(2 * g);
  return rad / RAD;
}

/** Hours from sunrise to sunset; 24 or 0 past the polar circles. // => dayLengthH(51.5, 170, "north") is about 16.6 */
export function dayLengthH(latitudeDeg: number, day: SeasonDay, h: Hemisphere): number {
  const decl = declinationDeg(day, h) * RAD;
  const lat = latitudeDeg * RAD;
  const cosH = (Math.sin(HORIZON_DEG * RAD) - Math.sin(lat) * Math.sin(decl)) / (Math.cos(lat) * Math.cos(decl));
  return (2 * Math.acos(Math.min(1, Math.max(-1, cosH)))) / RAD / 15;
}

export interface SunPosition {
  readonly altitudeDeg: number;
  /** From north over east, 0 to 360. */
  readonly azimuthDeg: number;
}

/** Direction to the sun, of length one: up, east and north. */
export interface SunVector {
  readonly up: number;
  readonly east: number;
  readonly north: number;
}

/** The sun's way over a day, hour by hour (12 is the sun's noon), without refraction; what the hours share is worked out once. */
export function sunPath(latitudeDeg: number, day: SeasonDay, h: Hemisphere): (solarHour: number) => SunVector {
  const decl = declinationDeg(day, h) * RAD;
  const lat = latitudeDeg * RAD;
  const [sinD, cosD, sinL, cosL] = [Math.sin(decl), Math.cos(decl), Math.sin(lat), Math.cos(lat)];
  return (solarHour) => {
    const hour = (solarHour - 12) * 15 * RAD;
    const cosH = Math.cos(hour);
    return {
      up: sinL * sinD + cosL * cosD * cosH,
      east: 0 - cosD * Math.sin(hour),
      north: cosL * sinD - sinL * cosD * cosH,
    };
  };
}

/**
 * Where the sun stands at a solar hour (12 is the sun's noon), without refraction; within half a degree.
 * // => sunAt(47.6, 170, "north", 12).altitudeDeg is about 65.8
 */
export function sunAt(latitudeDeg: number, day: SeasonDay, h: Hemisphere, solarHour: number): SunPosition {
  const { up, east, north } = sunPath(latitudeDeg, day, h)(solarHour);
  return {
    altitudeDeg: Math.asin(Math.min(1, Math.max(-1, up))) / RAD,
    azimuthDeg: (Math.atan2(east, north) / RAD + 360) % 360,
  };
}
