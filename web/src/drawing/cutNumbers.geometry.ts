/** Where the numbers of cuts stand on a drawing: on what they are of, and not on each other. */
import {
  alongStem,
  between,
  branchRun,
  shootRun,
  type Build,
  type CutLine,
  type Point3,
  type StemEffect,
} from "@wren/core";
import { onSheet, type Spot, type View } from "./stand.geometry.ts";

/** Radius of the circle a cut's number stands in, px of the sheet. */
export const NUMBER_R = 9;
/** Places looked at along the part of a stem that goes, and then along what stays. */
const NUMBER_PLACES = 14;
/** The part of a stem from which a number is read as that of a cut at its foot. */
const OVER_GROUND = 0.08;

/** Where a number may stand along an axis: at the cut, then ever further up what goes, then down what stays. */
function numberPlaces(kept: number): readonly number[] {
  const foot = Math.max(kept, OVER_GROUND);
  const part = (i: number): number => i / NUMBER_PLACES;
  const up = Array.from({ length: NUMBER_PLACES + 1 }, (_, i) => foot + (1 - foot) * part(i));
  const down = Array.from({ length: NUMBER_PLACES }, (_, i) => kept * (1 - part(i + 1)));
  return kept < 1 ? [...up, ...down] : down;
}

/** The places of a line's number: along the branch or the shoot that is cut, else along its stem. */
function placesOf({ cut, stem }: NumberedCut, kept: number, build: Build): readonly Point3[] {
  const b = "branch" in cut && cut.cut !== "to-branch" ? stem!.branches[cut.branch] : undefined;
  if (!b) return numberPlaces(kept).map((at) => alongStem(stem!, at, build));
  const run = branchRun(stem!, b, build);
  const shoot = "shoot" in cut ? b.shoots[cut.shoot] : undefined;
  const left = cut.cut === "branch-back" ? Math.min(1, cut.keptM / b.lengthM) : 0;
  return numberPlaces(left).map((at) => between(shoot ? shootRun(run, shoot) : run, at));
}
/** What a number on the drawing is of. */
type NumberedCut = Pick<CutLine, "no" | "cut" | "stem">;

/**
 * Spots for the numbers of the list's lines, so that none lies over another as long as there is room: each takes the
 * first free place along what it cuts, or the one with most room when there is none. Cuts over the whole plant have none.
 */
export function numberSpots(
  effects: readonly StemEffect[],
  lines: readonly NumberedCut[],
  build: Build,
  v: View,
): ReadonlyMap<number, Spot> {
  const spots = new Map<number, Spot>();
  const inside = (x: number, most: number): number => Math.min(most - NUMBER_R, Math.max(NUMBER_R, x));
  const room = (s: Spot): number =>
    Math.min(Infinity, ...Array.from(spots.values(), (o) => Math.hypot(o.x - s.x, o.y - s.y)));
  const keptOf = new Map(effects.map((e) => [e.stem.id, e.kept]));
  for (const line of lines) {
    const kept = line.stem && keptOf.get(line.stem.id);
    if (kept === null || kept === undefined) continue;
    let best: { spot: Spot; room: number } | null = null;
    for (const place of placesOf(line, kept, build)) {
      const { x, y } = onSheet(place, v);
      const spot = { x: inside(x, v.sheet.width), y: inside(y, v.sheet.height) };
      const free = room(spot);
      if (best === null || free > best.room) best = { spot, room: free };
      if (free >= 2 * NUMBER_R + 2) break;
    }
    if (best) spots.set(line.no, best.spot);
  }
  return spots;
}
