/** Who stands in whose shadow: plants of a bed, the sun of a day, half hour by half hour. */
import type { Hemisphere, SeasonDay } from "../calendar/index.ts";
import { sunAt } from "../climate/index.ts";
import type { Bed, Plant } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";

export interface Shade {
  readonly by: string;
  readonly on: string;
  /** Part of the day's sunshine on the shaded plant's top that the other one takes. */
  readonly share: Share;
}

interface Body {
  readonly plant: Pick<Plant, "id" | "alongM" | "backM" | "widthM">;
  readonly heightM: Metres;
}

const STEP_HOURS = 0.5;
/** Sun lower than this brings little; shadows are endless there. */
const LEAST_ALTITUDE_DEG = 5;
const RAD = Math.PI / 180;

/** A plant of a bed with its height, as it throws and takes shade. */
export type ShadeBody = Body;
/** Share of direct sun that reaches a plant's top at an hour of the sun: 1, or 0 where another stands before it or the sun is low. */
export function sunOnTop(
  bed: Pick<Bed, "facesDeg">,
  bodies: readonly Body[],
  id: string,
  sky: SkyDay,
  hour: number,
): Share {
  const { altitudeDeg, azimuthDeg } = sunAt(sky.latitudeDeg, sky.day, sky.hemisphere, hour);
  if (altitudeDeg <= LEAST_ALTITUDE_DEG) return 0;
  const own = bodies.find((b) => b.plant.id === id);
  const { facesDeg } = bed;
  if (!own || facesDeg === null) return 1;
  return bodies.some((a) => a !== own && shades(a, own, facesDeg, altitudeDeg, azimuthDeg)) ? 0 : 1;
}

/** Does the ray from b's top towards the sun pass through a's box? Bed's own axes: along to the right, back away from the front. */
function shades(a: Body, b: Body, facesDeg: number, altitudeDeg: number, azimuthDeg: number): boolean {
  // The front looks to facesDeg; "back" is the opposite direction, "along" is to the right of somebody facing the bed.
  const towards = (azimuthDeg - (facesDeg + 180)) * RAD;
  const [back, along] = [Math.cos(towards), Math.sin(towards)];
  const dx = a.plant.alongM - b.plant.alongM;
  const dy = a.plant.backM - b.plant.backM;
  const away = dx * along + dy * back;
  const aside = Math.abs(dx * back - dy * along);
  const rise = a.heightM - b.heightM;
  return away > 0.01 && rise > 0 && aside < a.plant.widthM / 2 && away * Math.tan(altitudeDeg * RAD) < rise;
}

const LEAST_RISE = Math.tan(LEAST_ALTITUDE_DEG * RAD);
/** Can a's shadow fall on b at all while the sun stands high enough to count? */
const reaches = (a: Body, b: Body): boolean =>
  Math.abs(a.plant.alongM - b.plant.alongM) * LEAST_RISE < a.heightM - b.heightM + a.plant.widthM * LEAST_RISE;

export interface SkyDay {
  readonly latitudeDeg: number;
  readonly day: SeasonDay;
  readonly hemisphere: Hemisphere;
}

/**
 * Shade between the plants of a bed on a day, those that take a tenth of the day's sun and more; darkest first.
 * Empty when nobody has said which way the bed faces.
 */
export function shadeInBed(bed: Pick<Bed, "facesDeg">, bodies: readonly Body[], sky: SkyDay): readonly Shade[] {
  const { facesDeg } = bed;
  if (facesDeg === null) return [];
  const suns = [];
  for (let hour = 0; hour < 24; hour += STEP_HOURS) {
    const s = sunAt(sky.latitudeDeg, sky.day, sky.hemisphere, hour);
    if (s.altitudeDeg > LEAST_ALTITUDE_DEG) suns.push(s);
  }
  const out: Shade[] = [];
  for (const b of bodies)
    for (const a of bodies) {
      if (a === b || !reaches(a, b)) continue;
      const dark = suns.filter((s) => shades(a, b, facesDeg, s.altitudeDeg, s.azimuthDeg)).length;
      const share = suns.length === 0 ? 0 : dark / suns.length;
      if (share >= 0.1) out.push({ by: a.plant.id, on: b.plant.id, share });
    }
  return out.sort((x, y) => y.share - x.share);
}

/** Length of a shadow on level ground; Infinity when the sun is down. // => shadowM(2, 45) is 2 */
export const shadowM = (heightM: Metres, altitudeDeg: number): Metres =>
  altitudeDeg <= 0 ? Infinity : heightM / Math.tan(altitudeDeg * RAD);
