/** What is said of a hedge: what is wrong with it, its parts, its ways back. */
import {
  HEDGE_ASSUMPTIONS,
  topOf,
  type BackPlan,
  type Crown,
  type Face,
  type FaceLight,
  type HedgeFault,
  type HedgeStands,
  type HedgeTo,
  type Section,
  type Top,
  type Voice,
} from "@wren/core";
import { towards } from "./winds.ts";

export const CROWN_WORDS: Readonly<Record<Crown, string>> = { flat: "Flat", rounded: "Rounded", ridged: "Ridged" };
export const TOP_WORDS: Readonly<Record<Top, string>> = {
  level: "Level all along",
  follows: "Follows the ground",
  steps: "In steps",
};

/** A lean as the trade says it. // => leanText(5.7) is "5.7° (1 in 10)" */
export function leanText(deg: number): string {
  const one = Math.abs(1 / Math.tan((deg * Math.PI) / 180));
  const size = `${Math.abs(Math.round(deg * 10) / 10)}°`;
  if (Math.abs(deg) < 0.5) return "upright";
  return deg < 0 ? `hanging out ${size}` : `${size} (1 in ${Math.round(one)})`;
}

const FAULTS: Readonly<Record<HedgeFault, (s: HedgeStands, say: Voice) => string>> = {
  "top-wider": ({ now }, say) =>
    `It is wider at the top (${say.length(topOf(now))}) than at the foot (${say.length(now.footM)}): the foot stands in its shade and thins.`,
  upright: () => "Its faces stand upright: nothing gives the foot more light than the top takes.",
  "too-narrow": ({ now }, say) => `At ${say.length(now.footM)} it is too narrow at the foot to stay dense.`,
  "face-thin": () => "A face is thin.",
  "face-bare": () => "A face is bare in part.",
  gap: () => "There are gaps in it.",
  "out-of-reach": ({ now }, say) =>
    `At ${say.length(now.heightM)} its top is out of reach from the ground: a platform or a three-legged ladder with somebody holding it, never the top step; over a lane, a professional.`,
};
export const faultTexts = (s: HedgeStands, say: Voice): readonly string[] => s.faults.map((f) => FAULTS[f](s, say));

/** A section in a sentence. */
export const sectionText = (s: Section, say: Voice): string => {
  const { front, back } = s.batterDeg;
  const faces =
    Math.abs(front - back) < 0.3
      ? `both faces ${leanText(front)}`
      : `the front ${leanText(front)}, the back ${leanText(back)}`;
  return `${say.length(s.heightM)} high, ${say.length(s.footM)} at the foot, ${say.length(topOf(s))} at the top, ${faces}`;
};

const PART_WORDS: Readonly<Record<Face | "top", string>> = {
  front: "the front face",
  back: "the back face",
  top: "the top",
};
/** // => "the front face and the top" */
export const partsText = (parts: readonly (Face | "top")[]): string =>
  parts.map((p) => PART_WORDS[p]).join(parts.length === 2 ? " and " : ", ");

export const WAY_WORDS: Readonly<Record<BackPlan["way"], string>> = {
  "by-faces": "One face after the other",
  "height-first": "The height first",
  "at-once": "All round at once",
};
export const yearsText = ([from, to]: readonly [number, number]): string =>
  to === 0 ? "This year" : from === to ? `In ${from === 1 ? "a year" : `${from} years`}` : `In ${from} to ${to} years`;

/** What the light on a face comes to. */
export function lightText(l: FaceLight, say: Voice): string {
  const name = `${l.face === "front" ? "Front" : "Back"}, to the ${towards(l.looksToDeg)}`;
  const wanted = HEDGE_ASSUMPTIONS.wantedLight;
  if (l.then >= wanted - 0.005) return `${name}: its foot gets enough of the sky.`;
  const { batterDeg, best, footM } = l.least;
  if (batterDeg !== null)
    return `${name}: leaning ${leanText(batterDeg)} would give its foot ${say.percent(wanted)} of the top’s sky.`;
  const wide = footM === null ? "" : `; the foot would have to be ${say.length(footM)} wide`;
  return `${name}: no lean up to 15° gives its foot ${say.percent(wanted)} of the top’s sky. The best is ${say.percent(best)}${wide}. A lower top, or what shades it further off or lower, helps more.`;
}

/** What the cut comes to, in a sentence; past the green it is said with what follows. */
export function cutText(s: HedgeStands, to: HedgeTo, say: Voice): string {
  const { cut } = to;
  const off = cut.off.front + cut.off.back + cut.off.top;
  if (off * s.lengthM < 0.001) return "Nothing has to come off: it is within the section.";
  const deep = Math.max(cut.depths.front.deepestM, cut.depths.back.deepestM, cut.depths.top.deepestM);
  const how = `${say.percent(cut.share)} of its live shell comes off, up to ${say.length(deep)} deep.`;
  if (cut.pastGreen.length === 0) return how;
  const where = partsText(cut.pastGreen);
  return to.refused
    ? `${how} That passes the green of ${where}: bare wood of this kind stays bare. It is refused.`
    : `${how} That passes the green of ${where}, which stay bare until they have broken again: see the way back.`;
}
