/** Stems as lines on a flat sheet: seen from one side, scaled to fit, far ones first. */
import {
  alongStem,
  branchRun,
  inches,
  partLeft,
  pointFrom,
  seenFrom,
  shootRun,
  type Build,
  type Line,
  type Point3,
  type Rules,
  type Run,
  type Shoot,
  type StandLeaf,
  type Stem,
  type StemEffect,
  type StemLeaf,
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
type Line2 = readonly [from: Spot, to: Spot];
const part2 = ([a, b]: Line2, at: number): Spot => ({ x: a.x + at * (b.x - a.x), y: a.y + at * (b.y - a.y) });

/** A tuft of leaf at a place of a stem: on its axis, on a branch (its number) or on a shoot of one. */
interface LeafMark {
  readonly branch: number | null;
  readonly shoot: number | null;
  readonly at: number;
  /** As a dot of a path with round ends. */
  readonly d: string;
}
/** Tufts to an axis, a branch and a shoot. */
const AXIS_MARKS = 16;
const BRANCH_MARKS = 4;
/** A long shoot has one every so often, m. */
const TUFT_EVERY_M = 0.4;
/** Less of a stem's leaf than this is drawn only where its wood, thin as it is, bears leaf as other wood does: a tip. */
const LEAST_LEAF = 0.004;
const AS_OTHER_WOOD = 0.15;
const OF_THE_REST = 0.1;
/** @param most what its richest place, or all of it, holds */
const leastDrawn = (most: number, bears: boolean): number =>
  bears && most > 0 ? Math.min(LEAST_LEAF, OF_THE_REST * most) : LEAST_LEAF;

/** A stem as it is drawn in a view; its points are worked out once, whatever is cut of it. */
class DrawnStem {
  readonly #exact: (at: number) => string;
  readonly #along: readonly string[];
  readonly #branches: readonly { readonly line: Line2; readonly shoots: readonly Line2[] }[];
  readonly #stem: Stem;
  readonly #build: Build;
  readonly #v: View;

  constructor(s: Stem, build: Build, v: View) {
    this.#stem = s;
    this.#build = build;
    this.#v = v;
    this.#exact = (at) => text(onSheet(alongStem(s, at, build), v));
    this.#along = Array.from({ length: STEPS + 1 }, (_, i) => this.#exact(i / STEPS));
    const line = ([a, b]: Run): Line2 => [onSheet(a, v), onSheet(b, v)];
    this.#branches = s.branches.map((b) => {
      const run = branchRun(s, b, build);
      return { line: line(run), shoots: b.shoots.map((x) => line(shootRun(run, x))) };
    });
  }
  /** The stem from one part of its length to another. */
  path(from: number, to: number): string {
    if (to <= from) return "";
    let d = `M${this.#exact(from)}`;
    for (let i = 1; i < STEPS; i++) if (i / STEPS > from && i / STEPS < to) d += `L${this.#along[i]!}`;
    return `${d}L${this.#exact(to)}`;
  }
  /** Of its side branches and their shoots the parts that stay, or those that go. */
  branches({ branchParts, shootParts }: Pick<StemEffect, "branchParts" | "shootParts">, stay: boolean): string {
    let d = "";
    const put = ([from, to]: Line2, part: number): void => {
      const end = part2([from, to], part);
      if (stay ? part > 0 : part < 1) d += `M${text(stay ? from : end)}L${text(stay ? end : to)}`;
    };
    this.#branches.forEach(({ line, shoots }, i) => {
      put(line, branchParts[i]!);
      shoots.forEach((x, j) => put(x, shootParts[i]![j]!));
    });
    return d;
  }
  /** Where its leaf is, as tufts. */
  leaf(leaf: StemLeaf): readonly LeafMark[] {
    const out: LeafMark[] = [];
    const put = (
      [amount, least]: readonly [number, number],
      branch: number | null,
      shoot: number | null,
      at: number,
      spot: Spot,
    ): void => {
      if (amount >= least) out.push({ branch, shoot, at, d: `M${text(spot)}h.01` });
    };
    const amountIn = (sums: Float64Array, i: number, n: number): number => {
      const k = (sums.length - 1) / n;
      return sums[Math.round((i + 1) * k)]! - sums[Math.round(i * k)]!;
    };
    const onAxis = Array.from({ length: AXIS_MARKS }, (_, i) => amountIn(leaf.axis, i, AXIS_MARKS));
    const leastOnAxis = leastDrawn(Math.max(...onAxis), true);
    onAxis.forEach((amount, i) => {
      const at = (i + 0.7) / AXIS_MARKS;
      put([amount, leastOnAxis], null, null, at, onSheet(alongStem(this.#stem, at, this.#build), this.#v));
    });
    const wood = this.#stem.branches.reduce((n, b) => n + b.diameterMm ** 2, 0);
    this.#branches.forEach(({ line, shoots }, k) => {
      const own = leaf.branches[k]!;
      const least = leastDrawn(own.all, own.all >= (AS_OTHER_WOOD * this.#stem.branches[k]!.diameterMm ** 2) / wood);
      for (let i = 0; i < BRANCH_MARKS; i++) {
        const at = (i + 0.7) / BRANCH_MARKS;
        put([4 * amountIn(own.own, i, BRANCH_MARKS), least], k, null, at, part2(line, at));
      }
      shoots.forEach((x, j) => {
        const n = Math.max(2, Math.min(6, Math.round(this.#stem.branches[k]!.shoots[j]!.lengthM / TUFT_EVERY_M)));
        for (let i = 1; i <= n; i++) put([4 * own.shoots[j]!, least], k, j, i / n, part2(x, i / n));
      });
    });
    return out;
  }
  /** The ends of what stays, where it flowers. */
  ends({ kept, branchParts, shootParts }: StemEffect): readonly Spot[] {
    const out: Spot[] = [];
    if (kept === 1) out.push(onSheet(alongStem(this.#stem, 1, this.#build), this.#v));
    this.#branches.forEach(({ line, shoots }, i) => {
      if (branchParts[i] === 1) out.push(line[1]);
      shoots.forEach((x, j) => {
        if (shootParts[i]![j] === 1) out.push(x[1]);
      });
    });
    return out;
  }
}
export type StemsDrawn = (s: Stem) => DrawnStem;

/** Draws stems of a kind in a view, each once. */
export function stemsDrawn(build: Build, v: View): StemsDrawn {
  const drawn = new WeakMap<Stem, DrawnStem>();
  return (s) => {
    let one = drawn.get(s);
    if (!one) drawn.set(s, (one = new DrawnStem(s, build, v)));
    return one;
  };
}

/** How a stem looks: what is not alive and healthy stands out, and what is chosen most. */
export type StemLook = "live" | "coloured" | "dead" | "alarm" | "chosen";
const LOOKS: readonly StemLook[] = ["dead", "live", "coloured", "alarm", "chosen"];
/** Bark is bright for a year or two; a stem no thicker is taken for one that young, where its age is not known. */
const BRIGHT = { years: 2, mm: 12 } as const;
const isBright = (s: Stem): boolean => (s.ageYears === null ? s.diameterMm <= BRIGHT.mm : s.ageYears <= BRIGHT.years);

export interface StandLine {
  readonly key: string;
  readonly look: StemLook;
  readonly width: number;
  readonly d: string;
}
/** Widths are drawn in steps the eye does not tell apart. */
const WIDTH_STEP = 0.5;
const stepped = (w: number): number => Math.round(w / WIDTH_STEP) * WIDTH_STEP;

/** A trunk is seen to grow thinner, px of the sheet; what is drawn thinner is one line. */
const TAPERED_FROM = 8;
const TAPER_PIECES = 5;

/**
 * What stays of a stand, stems of one look and width as one line: a drag of the shears changes all of them at once,
 * and twenty long lines are drawn anew in far less than a hundred and twenty short ones.
 * @param bright young stems show their colour now
 */
export function standLines(
  effects: readonly StemEffect[],
  drawn: StemsDrawn,
  v: View,
  chosenId: string | null,
  bright = false,
): readonly StandLine[] {
  const lines = new Map<string, { look: StemLook; width: number; d: string }>();
  const add = (look: StemLook, width: number, part: "stem" | "branch", d: string): void => {
    const key = `${look}-${part}-${width}`;
    const line = lines.get(key);
    if (line) line.d += d;
    else lines.set(key, { look, width, d });
  };
  for (const effect of effects) {
    const { stem, kept } = effect;
    const state = stem.state === "live" && bright && isBright(stem) ? "coloured" : stem.state;
    const look: StemLook =
      stem.id === chosenId ? "chosen" : state === "damaged" || state === "diseased" ? "alarm" : state;
    const width = strokeOf(stem.diameterMm, v);
    const one = drawn(stem);
    const pieces = width < TAPERED_FROM ? 1 : TAPER_PIECES;
    for (let i = 0; i < pieces; i++)
      add(
        look,
        Math.max(1.5, stepped(width * (pieces === 1 ? 1 : partLeft((i + 0.5) / pieces)))),
        "stem",
        one.path(i / pieces, Math.min(kept, (i + 1) / pieces)),
      );
    add(look, Math.max(1, stepped(width * 0.4)), "branch", one.branches(effect, true));
  }
  return LOOKS.flatMap((look) =>
    Array.from(lines, ([key, line]) => ({ key, ...line })).filter((l) => l.look === look && l.d !== ""),
  );
}

/** What goes of a stand, in two lines. */
export function goneLines(effects: readonly StemEffect[], drawn: StemsDrawn): { stems: string; branches: string } {
  let [stems, branches] = ["", ""];
  for (const effect of effects) {
    const { stem, kept } = effect;
    if (kept < 1) stems += drawn(stem).path(kept, 1);
    branches += drawn(stem).branches(effect, false);
  }
  return { stems, branches };
}

/** The leaf of a stand as tufts, by stem; worked out once for a view. */
export type LeafDrawn = ReadonlyMap<string, readonly LeafMark[]>;
export const leafDrawn = (stems: readonly Stem[], leaf: StandLeaf, drawn: StemsDrawn): LeafDrawn =>
  new Map(stems.map((s, i) => [s.id, leaf.stems[i]!.weight > 0 ? drawn(s).leaf(leaf.stems[i]!) : []]));

/** The leaf that stays, as one line of dots: what is counted is what is seen. */
export function leafLine(effects: readonly StemEffect[], leaf: LeafDrawn): string {
  let d = "";
  for (const { stem, kept, branchParts, shootParts } of effects) {
    if (kept === 0) continue;
    for (const m of leaf.get(stem.id) ?? []) {
      const to = m.branch === null ? kept : m.shoot === null ? branchParts[m.branch]! : shootParts[m.branch]![m.shoot]!;
      if (m.at <= to) d += m.d;
    }
  }
  return d;
}

/** Every so many-th end flowers, so that the plant is still seen. */
const EVERY_END = 2;
/** Flowers at the ends of what stays, as a line of dots. */
export function flowerLine(effects: readonly StemEffect[], drawn: StemsDrawn): string {
  let [d, n] = ["", 0];
  for (const e of effects) {
    if (e.kept === 0 || e.stem.state === "dead") continue;
    for (const spot of drawn(e.stem).ends(e)) if (n++ % EVERY_END === 0) d += `M${text(spot)}h.01`;
  }
  return d;
}

/** How thick a stem is drawn: a little more than to scale, so that the thin ones are seen. */
export const strokeOf = (diameterMm: number, v: View): number => Math.max(1.6, (diameterMm / 1000) * v.scale * 1.4);

/** Tufts cover so much of the crown's face between them; an evergreen is the denser. */
const COVER = { evergreen: 1.7, other: 1 } as const;
/** How large a tuft of leaf is drawn, px of the sheet: together they fill the crown, however few there are. */
export function tuftOf(leaf: LeafDrawn, { body }: StandLeaf, v: View, { evergreen }: Build): number {
  let n = 0;
  for (const marks of leaf.values()) n += marks.length;
  const face = 0.6 * body.heightM * body.widthM * v.scale ** 2;
  return n === 0 ? 0 : Math.max(5, Math.min(26, Math.sqrt((COVER[evergreen ? "evergreen" : "other"] * face) / n)));
}

/** Where a stem is farther from the eye, for drawing far ones first. */
export const depthOf = (s: Stem, build: Build, deg: number): number => seenFrom(alongStem(s, 1, build), deg).depth;

export const shootPath = (shoots: readonly Shoot[], v: View): string =>
  shoots.map((s) => `M${text(onSheet(s.from, v))}L${text(onSheet(s.to, v))}`).join("");

/** The part of a stem nearest to a spot on the sheet. */
export function nearestPart(s: Stem, spot: Spot, build: Build, v: View): number {
  let best = { at: 1, far: Infinity };
  for (let i = 0; i <= 100; i++) {
    const p = onSheet(alongStem(s, i / 100, build), v);
    const far = Math.hypot(p.x - spot.x, p.y - spot.y);
    if (far < best.far) best = { at: i / 100, far };
  }
  return best.at;
}

/** Where a tip stands that is put on a spot of the sheet: as far from the eye as it was. */
export function tipAt(spot: Spot, was: Point3, v: View): Point3 {
  const { depth } = seenFrom(was, v.deg);
  return pointFrom({ x: (spot.x - v.sheet.width / 2) / v.scale, z: heightAt(spot, v), depth }, v.deg);
}

/** Height above the ground of a spot on the sheet, m. */
export const heightAt = (spot: Spot, v: View): number => (v.sheet.height - v.sheet.foot - spot.y) / v.scale;

/** Marks of a scale that reaches so high: half metres or feet, whole ones where half are too many. */
export function scaleMarks(units: Rules["units"], upToM: number): readonly (readonly [m: number, label: string])[] {
  const [unitM, name, half] = units === "imperial" ? ([inches(12), "ft", 1] as const) : ([1, "m", 0.5] as const);
  const most = upToM / unitM;
  const step = [half, 1, 2, 5, 10].find((s) => most / s <= MOST_MARKS) ?? 10;
  return Array.from({ length: Math.floor(most / step) }, (_, i) => {
    const n = (i + 1) * step;
    return [n * unitM, `${n} ${name}`] as const;
  });
}
const MOST_MARKS = 8;

const TOWARDS = { front: [0, -1], back: [0, 1], left: [-1, 0], right: [1, 0] } as const;
/** Upright lines that are seen edge on from a side, by where they stand on the sheet. */
export function linesSeen(lines: readonly Line[], v: View): readonly (Line & { readonly x: number })[] {
  return lines.flatMap((line) => {
    const [x, y] = TOWARDS[line.side];
    const s = seenFrom({ x: x * line.distanceM, y: y * line.distanceM, z: 0 }, v.deg);
    return Math.abs(s.x) > EDGE_ON * line.distanceM ? [{ ...line, x: v.sheet.width / 2 + s.x * v.scale }] : [];
  });
}
const EDGE_ON = 0.9;
