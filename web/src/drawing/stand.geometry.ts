/** Stems as lines on a flat sheet: seen from one side, scaled to fit, far ones first. */
import {
  alongStem,
  branchTip,
  seenFrom,
  type Point3,
  type Shoot,
  type Stem,
  type StemEffect,
  type Taxon,
} from "@wren/core";

export interface Sheet {
  readonly width: number;
  readonly height: number;
  /** Room left for the ground line and what lies under it. */
  readonly foot: number;
}
export interface View {
  readonly sheet: Sheet;
  readonly scale: number;
  readonly deg: number;
}

/** A view in which a plant of a size fits, whichever side it is seen from. */
export function viewOf(sheet: Sheet, heightM: number, widthM: number, deg: number): View {
  const scale = Math.min(
    (sheet.height - sheet.foot - 12) / Math.max(0.2, heightM),
    (sheet.width - 24) / Math.max(0.2, widthM),
  );
  return { sheet, scale, deg };
}

export interface Spot {
  readonly x: number;
  readonly y: number;
}
export function onSheet(p: Point3, v: View): Spot {
  const s = seenFrom(p, v.deg);
  return { x: v.sheet.width / 2 + s.x * v.scale, y: v.sheet.height - v.sheet.foot - s.z * v.scale };
}
const text = ({ x, y }: Spot): string => `${x.toFixed(1)} ${y.toFixed(1)}`;

const STEPS = 8;
/** A stem as it is drawn in a view; its points are worked out once, whatever is cut of it. */
class DrawnStem {
  readonly #exact: (at: number) => string;
  readonly #along: readonly string[];
  readonly #branches: readonly (readonly [from: Spot, to: Spot])[];

  constructor(s: Stem, taxon: Taxon, v: View) {
    this.#exact = (at) => text(onSheet(alongStem(s, at, taxon), v));
    this.#along = Array.from({ length: STEPS + 1 }, (_, i) => this.#exact(i / STEPS));
    this.#branches = s.branches.map((b) => [onSheet(alongStem(s, b.at, taxon), v), onSheet(branchTip(s, b, taxon), v)]);
  }
  /** The stem from one part of its length to another. */
  path(from: number, to: number): string {
    if (to <= from) return "";
    let d = `M${this.#exact(from)}`;
    for (let i = 1; i < STEPS; i++) if (i / STEPS > from && i / STEPS < to) d += `L${this.#along[i]!}`;
    return `${d}L${this.#exact(to)}`;
  }
  /** Of its side branches the parts that stay, or those that go. */
  branches(parts: readonly number[], stay: boolean): string {
    let d = "";
    this.#branches.forEach(([from, to], i) => {
      const part = parts[i]!;
      const end = { x: from.x + part * (to.x - from.x), y: from.y + part * (to.y - from.y) };
      if (stay ? part > 0 : part < 1) d += `M${text(stay ? from : end)}L${text(stay ? end : to)}`;
    });
    return d;
  }
}
export type StemsDrawn = (s: Stem) => DrawnStem;

/** Draws stems of a kind in a view, each once. */
export function stemsDrawn(taxon: Taxon, v: View): StemsDrawn {
  const drawn = new WeakMap<Stem, DrawnStem>();
  return (s) => {
    let one = drawn.get(s);
    if (!one) drawn.set(s, (one = new DrawnStem(s, taxon, v)));
    return one;
  };
}

/** How a stem looks: what is not alive and healthy stands out, and what is chosen most. */
export type StemLook = "live" | "dead" | "alarm" | "chosen";
const LOOKS: readonly StemLook[] = ["dead", "live", "alarm", "chosen"];

export interface StandLine {
  readonly key: string;
  readonly look: StemLook;
  readonly width: number;
  readonly d: string;
}
/** Widths are drawn in steps the eye does not tell apart. */
const WIDTH_STEP = 0.5;
const stepped = (w: number): number => Math.round(w / WIDTH_STEP) * WIDTH_STEP;

/**
 * What stays of a stand, stems of one look and width as one line: a drag of the shears changes all of them at once,
 * and twenty long lines are drawn anew in far less than a hundred and twenty short ones.
 */
export function standLines(
  effects: readonly StemEffect[],
  drawn: StemsDrawn,
  v: View,
  chosenId: string | null,
): readonly StandLine[] {
  const lines = new Map<string, { look: StemLook; width: number; d: string }>();
  const add = (look: StemLook, width: number, part: "stem" | "branch", d: string): void => {
    const key = `${look}-${part}-${width}`;
    const line = lines.get(key);
    if (line) line.d += d;
    else lines.set(key, { look, width, d });
  };
  for (const { stem, kept, branchParts } of effects) {
    const look: StemLook =
      stem.id === chosenId ? "chosen" : stem.state === "live" || stem.state === "dead" ? stem.state : "alarm";
    const width = strokeOf(stem.diameterMm, v);
    const one = drawn(stem);
    add(look, stepped(width), "stem", one.path(0, kept));
    add(look, Math.max(1, stepped(width * 0.4)), "branch", one.branches(branchParts, true));
  }
  return LOOKS.flatMap((look) =>
    Array.from(lines, ([key, line]) => ({ key, ...line })).filter((l) => l.look === look && l.d !== ""),
  );
}

/** What goes of a stand, in two lines. */
export function goneLines(effects: readonly StemEffect[], drawn: StemsDrawn): { stems: string; branches: string } {
  let [stems, branches] = ["", ""];
  for (const { stem, kept, branchParts } of effects) {
    if (kept < 1) stems += drawn(stem).path(kept, 1);
    branches += drawn(stem).branches(branchParts, false);
  }
  return { stems, branches };
}

/** Radius of the circle a cut's number stands in, px of the sheet. */
export const NUMBER_R = 9;
/** Places looked at along the part of a stem that goes, and then along what stays. */
const NUMBER_PLACES = 14;
/** The part of a stem from which a number is read as that of a cut at its foot. */
const OVER_GROUND = 0.08;

/** Where a number may stand: at the cut, then ever further up what goes, then down what stays. */
function numberPlaces(kept: number): readonly number[] {
  const foot = Math.max(kept, OVER_GROUND);
  const part = (i: number): number => i / NUMBER_PLACES;
  const up = Array.from({ length: NUMBER_PLACES + 1 }, (_, i) => foot + (1 - foot) * part(i));
  const down = Array.from({ length: NUMBER_PLACES }, (_, i) => kept * (1 - part(i + 1)));
  return kept < 1 ? [...up, ...down] : down;
}

/**
 * Spots for the numbers of cuts, by stem, so that none lies over another as long as there is room: each takes the first
 * free place along its stem, or the one with most room when there is none.
 */
export function numberSpots(
  effects: readonly StemEffect[],
  numbers: ReadonlyMap<string, number>,
  taxon: Taxon,
  v: View,
): ReadonlyMap<string, Spot> {
  const spots = new Map<string, Spot>();
  const inside = (x: number, most: number): number => Math.min(most - NUMBER_R, Math.max(NUMBER_R, x));
  const room = (s: Spot): number =>
    Math.min(Infinity, ...Array.from(spots.values(), (o) => Math.hypot(o.x - s.x, o.y - s.y)));
  const numbered = effects.filter((e) => numbers.has(e.stem.id));
  for (const { stem, kept } of numbered.toSorted((a, b) => numbers.get(a.stem.id)! - numbers.get(b.stem.id)!)) {
    let best: { spot: Spot; room: number } | null = null;
    for (const at of numberPlaces(kept)) {
      const { x, y } = onSheet(alongStem(stem, at, taxon), v);
      const spot = { x: inside(x, v.sheet.width), y: inside(y, v.sheet.height) };
      const free = room(spot);
      if (best === null || free > best.room) best = { spot, room: free };
      if (free >= 2 * NUMBER_R + 2) break;
    }
    if (best) spots.set(stem.id, best.spot);
  }
  return spots;
}

/** How thick a stem is drawn: a little more than to scale, so that the thin ones are seen. */
export const strokeOf = (diameterMm: number, v: View): number => Math.max(1.6, (diameterMm / 1000) * v.scale * 1.4);

/** Where a stem is farther from the eye, for drawing far ones first. */
export const depthOf = (s: Stem, taxon: Taxon, deg: number): number => seenFrom(alongStem(s, 1, taxon), deg).depth;

export const shootPath = (shoots: readonly Shoot[], v: View): string =>
  shoots.map((s) => `M${text(onSheet(s.from, v))}L${text(onSheet(s.to, v))}`).join("");

/** The part of a stem nearest to a spot on the sheet. */
export function nearestPart(s: Stem, spot: Spot, taxon: Taxon, v: View): number {
  let best = { at: 1, far: Infinity };
  for (let i = 0; i <= 100; i++) {
    const p = onSheet(alongStem(s, i / 100, taxon), v);
    const far = Math.hypot(p.x - spot.x, p.y - spot.y);
    if (far < best.far) best = { at: i / 100, far };
  }
  return best.at;
}

/** Height above the ground of a spot on the sheet, m. */
export const heightAt = (spot: Spot, v: View): number => (v.sheet.height - v.sheet.foot - spot.y) / v.scale;
