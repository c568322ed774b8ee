/** An overgrown hedge brought back over years: by faces, by height, or at once, and never past the green where bare wood stays bare. */
import type { Face } from "../model/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { areaOf, cutBetween, inset, spanAt, widthAt, yearsToGreen, type Section } from "../sections/index.ts";

/** One face a year, the height first, or all in one year. */
export const WAYS_BACK = ["by-faces", "height-first", "at-once"] as const;
/** One of them. */
export type WayBack = (typeof WAYS_BACK)[number];
/** What a year's step takes in. */
export type StepPart = Face | "top";

/** A year of the way back. */
export interface BackStep {
  /** From the first year on. */
  readonly year: readonly [number, number];
  readonly parts: readonly StepPart[];
  /** What stands after it. */
  readonly after: Standing;
  readonly share: Share;
  /** What is to be seen before it is begun; nothing before the first. */
  readonly waitsFor: "face-green" | null;
}
/** A hedge between its years: how high, and its edges at the foot and at the shoulder from the middle of the foot. */
export interface Standing {
  readonly section: Section;
  /** How far the middle of its foot has moved towards the back, m. */
  readonly shiftM: Metres;
}
/** The way, and what of the wish it does not reach. */
export interface BackPlan {
  readonly way: WayBack;
  readonly steps: readonly BackStep[];
  /** The section that is reached: the wanted one, or as far in as the green goes. */
  readonly reached: Section;
  /** How much wider and higher than wanted it stays, m; 0 where the wish is met. */
  readonly staysWiderM: Metres;
  readonly staysHigherM: Metres;
}

/** A cut stays so far outside the last green, so that something is left to grow. */
const MARGIN_M: Metres = 0.05;
/** Wanted sizes are met to a finger's breadth. */
const MET_M: Metres = 0.02;

/** A section as far in as the green lets it come: the wanted lines where they lie in the green, else its inner edge. */
export function withinGreen(now: Section, wanted: Section, greenM: Metres): Section {
  const least = inset(now, Math.max(0, greenM - MARGIN_M));
  if (least === null) return wanted;
  const heightM = Math.max(wanted.heightM, least.heightM);
  // Wide enough at the foot and at its top for what must stay, leaning no more than is wanted.
  const half = (side: 0 | 1, s: Section, z: Metres): Metres => Math.abs(spanAt(s, Math.min(z, s.heightM))?.[side] ?? 0);
  const foot = ([0, 1] as const).map((side) => Math.max(half(side, wanted, 0), half(side, least, 0)));
  const top = ([0, 1] as const).map((side) =>
    Math.max(half(side, wanted, heightM * 0.999), half(side, least, heightM * 0.999)),
  );
  const lean = (side: 0 | 1): number => (Math.atan((foot[side]! - top[side]!) / heightM) * 180) / Math.PI;
  const footM = foot[0]! + foot[1]!;
  return { ...wanted, heightM, footM, batterDeg: { front: lean(0), back: lean(1) } };
}

/** Where the front and the back of a hedge's foot stand, from the middle it began on. */
const footOf = (s: Standing): readonly [number, number] => [
  s.shiftM - s.section.footM / 2,
  s.shiftM + s.section.footM / 2,
];

/** A hedge of which some parts are brought to a section and the others are left. */
function withParts(now: Standing, to: Section, parts: readonly StepPart[]): Standing {
  const [was, will] = [footOf(now), footOf({ section: to, shiftM: 0 })];
  const pick = (face: Face, side: 0 | 1) => {
    const [foot, of] = parts.includes(face) ? [will, to] : [was, now.section];
    return { foot: foot[side], deg: of.batterDeg[face] };
  };
  const [front, back] = [pick("front", 0), pick("back", 1)];
  const heightM = parts.includes("top") ? to.heightM : now.section.heightM;
  return {
    section: {
      heightM,
      footM: back.foot - front.foot,
      batterDeg: { front: front.deg, back: back.deg },
      crown: parts.includes("top") ? to.crown : now.section.crown,
    },
    shiftM: (front.foot + back.foot) / 2,
  };
}

const PARTS: Readonly<Record<WayBack, readonly (readonly StepPart[])[]>> = {
  "by-faces": [["front", "top"], ["back"]],
  "height-first": [["top"], ["front"], ["back"]],
  "at-once": [["top", "front", "back"]],
};

/** May a hedge of this kind be cut back all round in one year? Only what answers from bare wood and drops its leaves. */
export const mayBeAtOnce = (t: Pick<Taxon, "regrowthFromLeaflessWood" | "leaf">): boolean =>
  t.regrowthFromLeaflessWood === "yes" && t.leaf === "deciduous";

/**
 * The way from one section to another. Where bare wood stays bare the green is the limit, and what lies beyond it is
 * said; else each step waits until the last face is green again, as many years as its kind takes.
 * @param sunnyFirst the face that gets more sun comes first: it answers sooner
 */
export function wayBack(
  now: Section,
  wanted: Section,
  t: Pick<Taxon, "regrowthFromLeaflessWood" | "leaf">,
  greenM: Metres,
  way: WayBack,
  sunnyFirst: Face = "front",
): BackPlan {
  const years = yearsToGreen(t);
  const reached = years === null ? withinGreen(now, wanted, greenM) : wanted;
  const order = PARTS[way].map((parts) =>
    sunnyFirst === "front" ? parts : parts.map((p): StepPart => (p === "front" ? "back" : p === "back" ? "front" : p)),
  );
  let standing: Standing = { section: now, shiftM: 0 };
  let [from, to] = [0, 0];
  const steps: BackStep[] = [];
  for (const parts of order) {
    const after = withParts(standing, reached, parts);
    const takes = areaOf(standing.section) - areaOf(after.section);
    if (takes < 1e-4) continue;
    const cut = cutBetween(standing.section, after.section, greenM, after.shiftM - standing.shiftM);
    const waits = steps.length > 0 && years !== null && cut.pastGreen.length > 0;
    if (steps.length > 0) [from, to] = waits ? [from + years[0], to + years[1]] : [from + 1, to + 1];
    steps.push({ year: [from, to], parts, after, share: cut.share, waitsFor: waits ? "face-green" : null });
    standing = after;
  }
  const topM = 0.98 * Math.min(reached.heightM, wanted.heightM);
  const wider = Math.max(...[0, topM].map((z) => widthAt(reached, z) - widthAt(wanted, z)));
  return {
    way,
    steps,
    reached,
    staysWiderM: wider > MET_M ? wider : 0,
    staysHigherM: reached.heightM - wanted.heightM > MET_M ? reached.heightM - wanted.heightM : 0,
  };
}
