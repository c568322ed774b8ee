/** A year's sun on a hedge: both faces by height and month, as it stands and as it would. Work for a thread of its own. */
import { monthDay, monthDayToSeasonDay, type Hemisphere } from "../calendar/index.ts";
import { FACES, type Face } from "../model/index.ts";
import type { Section } from "../sections/index.ts";
import type { Degrees, Metres } from "../units/index.ts";
import { looksTo, pointAt, sunOn, type Screens } from "./light.ts";

/** Heights at which a face is looked at, evenly from its foot to its top. */
export const LIGHT_HEIGHTS = 10;
const MONTHS = 12;

/** A hedge in two sections, as plain data. */
export interface LightAsked {
  readonly now: Section;
  readonly then: Section;
  readonly screens: Screens;
  /** Which way the front looks, degrees from north over east. */
  readonly facesDeg: Degrees;
  readonly latitudeDeg: Degrees;
  readonly hemisphere: Hemisphere;
}
/** Hours of direct sun on a clear day in the middle of each month, January first, at each height, the foot first. */
export interface FaceYear {
  readonly face: Face;
  readonly looksToDeg: Degrees;
  readonly heightsM: readonly Metres[];
  readonly nowH: readonly (readonly number[])[];
  readonly thenH: readonly (readonly number[])[];
}

/** Works it out a month of a face at a time. @yields share of the work done, 0 to 1 */
export function* workLight(asked: LightAsked): Generator<number, readonly FaceYear[]> {
  const out: FaceYear[] = [];
  for (const [f, face] of FACES.entries()) {
    const looksToDeg = looksTo(asked.facesDeg, face);
    const part = (i: number): number => (i + 0.5) / LIGHT_HEIGHTS;
    const indices = Array.from({ length: LIGHT_HEIGHTS }, (_, i) => i);
    const nowH: number[][] = [];
    const thenH: number[][] = [];
    for (let m = 0; m < MONTHS; m++) {
      const middle = monthDay(`${String(m + 1).padStart(2, "0")}-15`);
      const day = monthDayToSeasonDay(middle, asked.hemisphere);
      const at = { latitudeDeg: asked.latitudeDeg, hemisphere: asked.hemisphere, day, azimuthDeg: looksToDeg };
      const hours = (s: Section): number[] =>
        indices.map((i) => sunOn(pointAt(s, face, part(i) * s.heightM), asked.screens[face], at).hours);
      nowH.push(hours(asked.now));
      thenH.push(hours(asked.then));
      yield (f * MONTHS + m + 1) / (FACES.length * MONTHS);
    }
    out.push({ face, looksToDeg, heightsM: indices.map((i) => part(i) * asked.now.heightM), nowH, thenH });
  }
  return out;
}
