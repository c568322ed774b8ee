/**
 * A hedge cut across: two faces that lean, and a crown. Widths at a height, areas, and what lies in one section and not
 * in another, all exact for the outline; lengths in metres, areas in m² (m³ for each metre of hedge).
 */
import type { Crown, Face } from "../model/index.ts";
import type { Degrees, Metres } from "../units/index.ts";

/** A section over level ground. */
export interface Section {
  /** From the ground to the highest point, m. */
  readonly heightM: Metres;
  /** Width at the ground, m. */
  readonly footM: Metres;
  /** How far each face leans inwards from upright; negative: it hangs outwards. */
  readonly batterDeg: Readonly<Record<Face, Degrees>>;
  readonly crown: Crown;
}

/** How high a crown rises over the shoulders, as a part of the width there: half an ellipse, or two slopes of 30°. */
const RISE: Readonly<Record<Crown, number>> = { flat: 0, rounded: 0.3, ridged: Math.tan(Math.PI / 6) / 2 };
/** A crown takes no more of the height than this. */
const MOST_CROWN = 0.6;
const RAD = Math.PI / 180;
/** Tangent of a face's lean: metres inwards for each metre up. */
export const leanOf = (deg: Degrees): number => Math.tan(deg * RAD);

/** Where the faces end and the crown begins. */
export interface Shoulder {
  readonly heightM: Metres;
  readonly widthM: Metres;
  readonly riseM: Metres;
}

/** The shoulders of a section. A width below 0 means that its faces meet lower down: see `sectionFault`. */
export function shoulderOf(s: Section): Shoulder {
  const lean = leanOf(s.batterDeg.front) + leanOf(s.batterDeg.back);
  const rise = RISE[s.crown];
  // The crown's rise is a part of the width at the shoulders, whose height is what the crown leaves.
  const widthM = (s.footM - s.heightM * lean) / (1 - rise * lean);
  const riseM = Math.min(rise * Math.max(0, widthM), MOST_CROWN * s.heightM);
  const heightM = s.heightM - riseM;
  return { heightM, widthM: s.footM - heightM * lean, riseM };
}

/** What is wrong with a section, if anything: its faces meet below its top. */
export const sectionFault = (s: Section): "faces-meet" | null => (shoulderOf(s).widthM < 0 ? "faces-meet" : null);

/** Left and right edge at a height, from the middle of the foot: the front is on the left. */
export type Span = readonly [frontM: Metres, backM: Metres];

/** Half of a crown's width at a height over the shoulders, as a part of the half there. */
const crownPart = (crown: Crown, t: number): number =>
  crown === "rounded" ? Math.sqrt(Math.max(0, 1 - t * t)) : 1 - t;

/** The edges at any height above the ground, null above the top; asked a few hundred times for one area. */
export function sectionEdges(s: Section): (zM: Metres) => Span | null {
  const sh = shoulderOf(s);
  const [front, back] = [leanOf(s.batterDeg.front), leanOf(s.batterDeg.back)];
  return (zM) => {
    if (zM < 0 || zM > s.heightM) return null;
    const at = Math.min(zM, sh.heightM);
    const [a, b] = [at * front - s.footM / 2, s.footM / 2 - at * back];
    if (a >= b) return null;
    if (zM <= sh.heightM || sh.riseM === 0) return [a, b];
    const half = ((b - a) / 2) * crownPart(s.crown, (zM - sh.heightM) / sh.riseM);
    return [(a + b) / 2 - half, (a + b) / 2 + half];
  };
}
/** The edges at a height above the ground; null above the top. */
export const spanAt = (s: Section, zM: Metres): Span | null => sectionEdges(s)(zM);

/** Width at a height; 0 above the top. */
export function widthAt(s: Section, zM: Metres): Metres {
  const span = spanAt(s, zM);
  return span === null ? 0 : span[1] - span[0];
}

/** Area by formula, m²: a trapezoid, and half an ellipse or a triangle on it. */
export function areaOf(s: Section): number {
  const sh = shoulderOf(s);
  const crown = s.crown === "rounded" ? (Math.PI / 4) * sh.widthM * sh.riseM : (sh.widthM * sh.riseM) / 2;
  return (sh.heightM * (s.footM + sh.widthM)) / 2 + crown;
}

/** Heights between which all widths run straight or round: shoulders and tops of the sections that are compared. */
export const heightsOf = (...all: readonly (Section | null)[]): readonly Metres[] =>
  [0, ...all.flatMap((s) => (s === null ? [] : [shoulderOf(s).heightM, s.heightM]))].toSorted((x, y) => x - y);

const STRIPS = 40;
/** Calls back with the middle of each strip and its height; the strips end at the heights that are given. */
function strips(heights: readonly Metres[], each: (zM: Metres, dzM: Metres) => void): void {
  for (let k = 1; k < heights.length; k++) {
    const [from, to] = [heights[k - 1]!, heights[k]!];
    if (to - from < 1e-9) continue;
    const dz = (to - from) / STRIPS;
    for (let i = 0; i < STRIPS; i++) each(from + (i + 0.5) * dz, dz);
  }
}

/** The same area from the widths alone; checks the formula. @param heights that the strips end at */
export function areaByStrips(s: Section, heights: readonly Metres[] = heightsOf(s)): number {
  const edges = sectionEdges(s);
  let sum = 0;
  strips(heights, (z, dz) => {
    const span = edges(z);
    if (span !== null) sum += (span[1] - span[0]) * dz;
  });
  return sum;
}

/** Length of a face along its lean, from the ground to the shoulder, m. */
export const faceLengthOf = (s: Section, face: Face): Metres =>
  shoulderOf(s).heightM / Math.cos(s.batterDeg[face] * RAD);

/** Length of the outline over the crown, m. */
export function crownLengthOf(s: Section): Metres {
  const { widthM, riseM } = shoulderOf(s);
  const [a, b] = [widthM / 2, riseM];
  if (b === 0) return widthM;
  if (s.crown === "ridged") return 2 * Math.hypot(a, b);
  // Ramanujan's second formula for the girth of an ellipse, half of it.
  const h = ((a - b) / (a + b)) ** 2;
  return (Math.PI / 2) * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
}

/** All that is clipped: both faces and the crown, m² for each metre of hedge. */
export const clippedOf = (s: Section): number => faceLengthOf(s, "front") + faceLengthOf(s, "back") + crownLengthOf(s);

/** The section drawn in by so much from each face and from the top; null where nothing is left of it. */
export function inset(s: Section, byM: Metres): Section | null {
  const heightM = s.heightM - byM;
  const off = (face: Face): number => byM / Math.cos(s.batterDeg[face] * RAD);
  const footM = s.footM - off("front") - off("back");
  if (heightM <= 0 || footM <= 0) return null;
  const within: Section = { ...s, heightM, footM };
  if (sectionFault(within) === null) return within;
  // The faces meet below: what is left ends there.
  const lean = leanOf(s.batterDeg.front) + leanOf(s.batterDeg.back);
  return { ...within, crown: "flat", heightM: Math.min(heightM, footM / lean) };
}

/** What of a section lies outside another that stands on the same middle, by where it sticks out, m². */
export interface Outside {
  readonly front: number;
  readonly back: number;
  /** Above the other's top. */
  readonly top: number;
}

/**
 * Part of one section outside another.
 * @param shiftM how far the other's middle lies behind its own
 * @param heights that the strips end at; areas over the same ones can be taken from each other
 */
export function outside(
  s: Section,
  other: Section | null,
  shiftM: Metres = 0,
  heights: readonly Metres[] = heightsOf(s, other),
): Outside {
  let [front, back, top] = [0, 0, 0];
  const [own, theirs] = [sectionEdges(s), other === null ? null : sectionEdges(other)];
  strips(heights, (z, dz) => {
    const span = own(z);
    if (span === null) return;
    const [a, b] = span;
    const o = theirs?.(z) ?? null;
    if (o === null) {
      top += (b - a) * dz;
      return;
    }
    front += Math.max(0, Math.min(b, o[0] + shiftM) - a) * dz;
    back += Math.max(0, b - Math.max(a, o[1] + shiftM)) * dz;
  });
  return { front, back, top };
}

/** Its three parts together. */
export const sumOfOutside = (o: Outside): number => o.front + o.back + o.top;

/** The section of a hedge that was measured: height, foot and top, the same lean on both sides. // => measuredSection(2.2, 0.7, 1.1) hangs out by 5.2° */
export function measuredSection(heightM: Metres, footM: Metres, topM: Metres): Section {
  const deg = Math.atan((footM - topM) / 2 / heightM) / RAD;
  return { heightM, footM, batterDeg: { front: deg, back: deg }, crown: "flat" };
}

/** Width at the top of the faces, m. */
export const topOf = (s: Section): Metres => Math.max(0, shoulderOf(s).widthM);
