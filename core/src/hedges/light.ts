/**
 * Light on a hedge's faces by height: the share of the sky a point sees, and the hours of direct sun. A face is a plane
 * that leans; what stands beside it is a screen as long as the hedge, of a height at a distance.
 * Sky under an even cover, flat horizon, no light thrown back from the ground: the closed form for long strips.
 */
import type { Hemisphere, SeasonDay } from "../calendar/index.ts";
import { sunPath } from "../climate/index.ts";
import type { Degrees, Metres, Share } from "../units/index.ts";
import { FACES, type Face } from "../model/index.ts";
import { leanOf, type Section } from "../sections/index.ts";

const RAD = Math.PI / 180;

/** What stands beside a face: its top, and how far from the middle of the hedge's foot. */
export interface Screen {
  readonly heightM: Metres;
  readonly distanceM: Metres;
}
/** A point of a face. */
export interface FacePoint {
  readonly batterDeg: Degrees;
  /** Above the ground. */
  readonly zM: Metres;
  /** From the middle of the foot, outwards. */
  readonly outM: Metres;
}

/** A face's point at a height. */
export const pointAt = (s: Section, face: Face, zM: Metres): FacePoint => ({
  batterDeg: s.batterDeg[face],
  zM,
  outM: s.footM / 2 - zM * leanOf(s.batterDeg[face]),
});

/** Elevation of a screen's top seen from a point, degrees; 0 where it is no higher. */
export function screenAngleDeg(p: FacePoint, screen: Screen | null): Degrees {
  if (screen === null || screen.heightM <= p.zM) return 0;
  return Math.atan2(screen.heightM - p.zM, Math.max(0.01, screen.distanceM - p.outM)) / RAD;
}

/**
 * Share of the sky that a point of a face sees, of what lies flat in the open. // => upright and open 0.5, leaning back 10° 0.5868
 * @returns 0 to 1: (1 − sin(screen − batter)) / 2
 */
export function skyShare(p: FacePoint, screen: Screen | null): Share {
  const low = screenAngleDeg(p, screen) - p.batterDeg;
  return low >= 90 ? 0 : (1 - Math.sin(Math.max(-90, low) * RAD)) / 2;
}

/** Where and when: latitude, the day of the hemisphere's year, and which way the face looks (from north over east). */
export interface SunDay {
  readonly latitudeDeg: number;
  readonly hemisphere: Hemisphere;
  readonly day: SeasonDay;
  readonly azimuthDeg: Degrees;
}
/** Sun on a point over a day. */
export interface SunOn {
  /** Hours of direct sun. */
  readonly hours: number;
  /** The same, each counted by how straight it falls on the face: hours × cosine of incidence. */
  readonly strength: number;
}

/** Minutes between two looks at the sun; an hour of sun is found to a minute and a half. */
const STEP_H = 1 / 40;

/** Direct sun on a point of a face over a day, without clouds. */
export function sunOn(p: FacePoint, screen: Screen | null, at: SunDay): SunOn {
  const lean = p.batterDeg * RAD;
  const [out, up] = [Math.cos(lean), Math.sin(lean)];
  const screenTan = Math.tan(screenAngleDeg(p, screen) * RAD);
  const sunAtHour = sunPath(at.latitudeDeg, at.day, at.hemisphere);
  const [north, east] = [Math.cos(at.azimuthDeg * RAD), Math.sin(at.azimuthDeg * RAD)];
  let [hours, strength] = [0, 0];
  for (let h = STEP_H / 2; h < 24; h += STEP_H) {
    const sun = sunAtHour(h);
    if (sun.up <= 0) continue;
    const across = sun.north * north + sun.east * east;
    const straight = across * out + sun.up * up;
    if (straight <= 0) continue;
    // A long screen hides the sun while the sun's height across the hedge is below its top.
    if (across > 0 && sun.up < across * screenTan) continue;
    hours += STEP_H;
    strength += straight * STEP_H;
  }
  return { hours, strength };
}

/** What stands on either side; null: open. */
export type Screens = Readonly<Record<Face, Screen | null>>;
/** Which way the front looks, degrees from north over east; the back looks the other way. */
export const looksTo = (frontDeg: Degrees, face: Face): Degrees =>
  face === "front" ? frontDeg : (frontDeg + 180) % 360;

/** Where the lower third is told by: its middle. */
export const LOWER_THIRD = 1 / 6;

/** Sky of the middle of a face's lower third. */
export const lowerSky = (s: Section, face: Face, screen: Screen | null): Share =>
  skyShare(pointAt(s, face, LOWER_THIRD * s.heightM), screen);

/** Sky over the crown's middle: whole, but for what stands higher than it on either side. */
export function topSky(s: Section, screens: Screens): Share {
  const hidden = FACES.reduce((sum, face) => {
    const p: FacePoint = { batterDeg: 0, zM: s.heightM, outM: 0 };
    return sum + (1 - Math.cos(screenAngleDeg(p, screens[face]) * RAD)) / 2;
  }, 0);
  return 1 - hidden;
}

/** The most a face is leaned. */
export const MOST_BATTER_DEG = 15;

/** The least lean that gives a face's lower third a wanted share of the light on the top. */
export interface LeastBatter {
  readonly wanted: Share;
  /** Degrees; null: no lean up to the most does. */
  readonly batterDeg: Degrees | null;
  /** What the most lean gives. */
  readonly best: Share;
  /** How wide the foot has to be for the wanted share under a top of a width; null where no lean at all does. */
  readonly footM: Metres | null;
}

/** A section with one face leaned otherwise on the same foot: its top gets narrower. */
export const leaned = (s: Section, face: Face, batterDeg: Degrees): Section => ({
  ...s,
  batterDeg: { ...s.batterDeg, [face]: batterDeg },
});

/** How wide the foot is under a top of a width, with a face leaned so much and the other as it is. */
const footUnder = (s: Section, face: Face, batterDeg: Degrees, topM: Metres): Metres => {
  const { batterDeg: lean } = leaned(s, face, batterDeg);
  return topM + s.heightM * (leanOf(lean.front) + leanOf(lean.back));
};

const HALVINGS = 40;
/** Steeper than this is no face any more. */
const STEEPEST_DEG = 60;

/**
 * Least lean of a face by halving: on the same foot more lean never darkens it.
 * @param topM width of the top that is to stay
 */
export function leastBatter(s: Section, face: Face, screens: Screens, wanted: Share, topM: Metres): LeastBatter {
  const lightAt = (deg: Degrees): Share => {
    const now = leaned(s, face, deg);
    return lowerSky(now, face, screens[face]) / topSky(now, screens);
  };
  const least = (most: Degrees): Degrees | null => {
    if (lightAt(most) < wanted) return null;
    let [low, high] = [0, most];
    if (lightAt(0) >= wanted) return 0;
    for (let i = 0; i < HALVINGS; i++) {
      const mid = (low + high) / 2;
      if (lightAt(mid) >= wanted) high = mid;
      else low = mid;
    }
    return high;
  };
  const batterDeg = least(MOST_BATTER_DEG);
  const needed = batterDeg ?? least(STEEPEST_DEG);
  return {
    wanted,
    batterDeg,
    best: lightAt(MOST_BATTER_DEG),
    footM: needed === null ? null : footUnder(s, face, needed, topM),
  };
}
