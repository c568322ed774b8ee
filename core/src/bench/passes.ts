/** Which stems each pass of the work is about. */
import type { Pass } from "../craft/index.ts";
import type { Stem } from "../model/index.ts";
import { THUMB_MM } from "../stems/index.ts";

/** How bad a stem is: of a crossing pair the worse goes. */
function badness(s: Stem): number {
  return s.faults.length * 10 + (s.state === "live" ? 0 : 100) - s.diameterMm / 100 - s.leafed;
}

/** The worse stem of each crossing pair; a stem that crosses several goes once and frees them all. */
export function worseOfPairs(stems: readonly Stem[]): readonly Stem[] {
  const byId = new Map(stems.map((s) => [s.id, s]));
  const gone = new Set<string>();
  for (const s of stems) {
    const other = s.crosses === null ? undefined : byId.get(s.crosses);
    if (!other || s.state === "dead" || other.state === "dead" || gone.has(s.id) || gone.has(other.id)) continue;
    gone.add((badness(s) >= badness(other) ? s : other).id);
  }
  return stems.filter((s) => gone.has(s.id));
}

const OVER_HALF = 0.5;
/** More than half of the stems over the thumb: past upkeep, the thumb rule gives way to renewal by thirds. */
export function pastUpkeep(stems: readonly Stem[]): boolean {
  const live = stems.filter((s) => s.state !== "dead");
  return live.filter((s) => s.diameterMm > THUMB_MM).length > live.length * OVER_HALF;
}

/** Stems that a pass is about; passes over the whole plant are about none. */
export function stemsOf(pass: Pass, stems: readonly Stem[]): readonly Stem[] {
  const live = stems.filter((s) => s.state === "live");
  const fault = (f: Stem["faults"][number]) => live.filter((s) => s.faults.includes(f));
  switch (pass) {
    case "dead":
      return stems.filter((s) => s.state === "dead");
    case "hazard":
      return stems.filter((s) => s.state === "damaged" || s.state === "diseased");
    case "low":
      return fault("low");
    case "weak":
      return fault("weak");
    case "wrong-way":
      return fault("wrong-way");
    case "crossing":
      return worseOfPairs(live);
    case "oldest":
      return live.filter((s) => s.diameterMm > THUMB_MM).toSorted(oldestFirst);
    case "suckers":
      return live.toSorted((a, b) => a.diameterMm - b.diameterMm);
    default:
      return [];
  }
}

/** By age where it is known, else by thickness. */
export const oldestFirst = (a: Stem, b: Stem): number =>
  (b.ageYears ?? -1) - (a.ageYears ?? -1) || b.diameterMm - a.diameterMm || (a.id < b.id ? -1 : 1);
