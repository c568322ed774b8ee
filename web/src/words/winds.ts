/** The eight winds: which way a bed, a face or a hedge looks. */
import { capital } from "./capital.ts";

const COMPASS = ["north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"] as const;
/** Degrees from one of the eight to the next. */
const STEP_DEG = 360 / COMPASS.length;

/** The one of the eight that a direction is nearest to. */
const nearest = (deg: number): number => Math.round((((deg % 360) + 360) % 360) / STEP_DEG) % COMPASS.length;

/** A direction by the eight winds, degrees from north over east. // => towards(350) is "north" */
export const towards = (deg: number): string => COMPASS[nearest(deg)]!;
/** The degrees of that wind. // => windDeg(350) is 0 */
export const windDeg = (deg: number): number => nearest(deg) * STEP_DEG;
/** The eight with their degrees, for a choice. */
export const WINDS_ROUND: readonly (readonly [deg: string, name: string])[] = COMPASS.map((name, i) => [
  String(i * STEP_DEG),
  capital(name),
]);
