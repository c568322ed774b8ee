/**
 * From what is said of a plant to axes that can be drawn, counted and corrected: each architecture is laid into the
 * plant's own outline. Nothing here is chance: the same words give the same drawing.
 */
import { MOST, type SideBranch, type Stem } from "../model/index.ts";
import type { Metres, Millimetres, Share } from "../units/index.ts";
import { bodyOf, type Architecture, type Build } from "./architecture.ts";
import { THICKNESS_TABLE, THICKNESSES } from "./classes.ts";
import { alongStem, branchRun, radiusOf, shootRun } from "./layout.ts";
import { halfAt, outsideM, toSurface, type Body } from "./outline.ts";
import { fan, tiered, trunks } from "./mains.ts";
import {
  cm,
  deg,
  DRAWING_ASSUMPTIONS as A,
  greened,
  leafFromOf,
  longestOf,
  plainBranch,
  plainStem,
  shootsOn,
  thick,
  type Said,
} from "./plain.ts";
import type { Sketch } from "./sketch.ts";
import { NO_EXTRAS } from "./sketch.ts";
import { stemCount, type Tally } from "./tally.ts";

/** Canes are told apart by age and blades by nothing: both are thinner than stems of the same word. */
const THINNER: Partial<Record<Architecture, Share>> = { canes: 0.6, tuft: 0.25 };
/** Thicknesses spread evenly over a class's usual range, thickest first. */
function thicknessesOf(tally: Tally, architecture: Architecture): readonly Millimetres[] {
  const times = THINNER[architecture] ?? 1;
  return THICKNESSES.flatMap((t) => {
    const [low, high] = THICKNESS_TABLE[t].usualMm;
    const n = tally[t];
    return Array.from({ length: n }, (_, i) =>
      thick(times * (n === 1 ? (low + high) / 2 : high - ((high - low) * i) / (n - 1))),
    );
  });
}

/** Where a stem branches: not at all, from its middle up, from the ground, or all along to where it is clipped. */
type Branching = "none" | "high" | "low" | "shell";
const PLACES: Readonly<Record<Branching, readonly Share[]>> = {
  none: [],
  high: A.branchesAt,
  low: A.lowBranchesAt,
  shell: A.shellBranchesAt,
};

/** Branches of a stem that leans, spread round it; none on what is thin or short. */
function branchesOf(
  diameterMm: Millimetres,
  lengthM: Metres,
  turnDeg: number,
  leanDeg: number,
  branching: Branching,
): SideBranch[] {
  const low = branching !== "high";
  if (!low && (diameterMm < THICKNESS_TABLE.middling.fromMm || lengthM < 0.4)) return [];
  const longer = branching === "shell" ? A.shellLength : 1;
  return PLACES[branching].map((at, i): SideBranch => {
    const b = {
      diameterMm: thick(diameterMm * A.branchDiameter * (1 - at / 3)),
      lengthM: cm(lengthM * A.branchLength * longer * (low ? 1.5 - at : 1.2 - at)),
      turnDeg: deg(turnDeg + (i % 2 === 0 ? 55 : -65) + i * 12),
      riseDeg: Math.round(Math.max(low ? 4 : 10, (low ? 20 + 50 * at : 62) - leanDeg / (low ? 2 : 1))),
    };
    return { ...plainBranch(at, b.diameterMm, b.lengthM), ...b, shoots: shootsOn(b) };
  });
}

/** A branch no longer than the outline has room for. */
function within(s: Stem, b: SideBranch, body: Body, bend: Share, clipped: boolean): SideBranch {
  let part = 1;
  const out = (): boolean => {
    const run = branchRun(s, { ...b, lengthM: b.lengthM * part }, { bend });
    // Where shears went not even a shoot stands out.
    const shoots = clipped ? b.shoots.map((x) => shootRun(run, { ...x, lengthM: x.lengthM * part })[1]) : [];
    const most = clipped ? 0.99 : 1.02;
    return [run[1], ...shoots].some((p) => p.z > body.heightM || radiusOf(p) > most * outsideM(body, p.z));
  };
  while (part > LEAST_PART && out()) part -= 0.02;
  if (part === 1) return b;
  const shorter = (x: Metres): Metres => cm(Math.max(0.03, x * part));
  return { ...b, lengthM: shorter(b.lengthM), shoots: b.shoots.map((x) => ({ ...x, lengthM: shorter(x.lengthM) })) };
}
const LEAST_PART: Share = 0.15;

/** Which way stems lean, innermost first: to a golden angle each, the outermost to the outline's edge. */
function spread(n: number, most: number, least = 0): readonly (readonly [leanDeg: number, turnDeg: number])[] {
  return Array.from({ length: n }, (_, i) => [
    Math.round(least + (most - least) * Math.sqrt((i + 0.5) / n)),
    deg(i * A.turnDeg),
  ]);
}

/** The angle from upright at which the outline is widest seen from the foot. */
function widestDeg(body: Body): number {
  let best = 0;
  for (let d = 0; d <= 80; d++) if (toSurface(body, 0, 90 - d) > 0.5 * body.heightM || d === 0) best = d;
  return Math.min(best, (Math.atan2(body.widthM * 0.46, body.heightM * 0.55) * 180) / Math.PI);
}

/** In a shell no stem ends outside it, wherever it begins. */
function clippedTo(body: Body, stem: Stem, branching: Branching): Stem {
  if (branching !== "shell") return stem;
  let { lengthM } = stem;
  const out = (): boolean => {
    const tip = alongStem({ ...stem, lengthM }, 1, { bend: 0 });
    return lengthM > 0.05 && radiusOf(tip) > 0.99 * outsideM(body, tip.z);
  };
  while (out()) lengthM = cm(lengthM - 0.01);
  return { ...stem, lengthM };
}

/** Stems from the base, laid into the outline; thick ones inside and high, thin ones lower. */
function clump(
  sizes: readonly Millimetres[],
  body: Body,
  leans: ReturnType<typeof spread>,
  branching: Branching,
  bend: Share,
): Stem[] {
  const thickest = Math.max(...sizes);
  return sizes.map((diameterMm, i): Stem => {
    const [leanDeg, turnDeg] = leans[i]!;
    const reach = branching === "shell" ? 1 : A.thinReach + (1 - A.thinReach) * Math.sqrt(diameterMm / thickest);
    const lengthM = cm(Math.max(0.05, toSurface(body, 0, 90 - leanDeg) * reach));
    const stem = clippedTo(body, { ...plainStem(`s${i + 1}`, diameterMm, lengthM), turnDeg, leanDeg }, branching);
    return {
      ...stem,
      branches: branchesOf(diameterMm, stem.lengthM, turnDeg, leanDeg, branching).map((b) =>
        within(stem, b, body, bend, branching === "shell"),
      ),
    };
  });
}

/** What is wide at the foot is green to the ground there, and so has low branches. */
function branchingOf({ architecture, outline }: Build): Branching {
  if (architecture === "tuft") return "none";
  if (architecture === "shell") return "shell";
  return halfAt(outline, LOW_AT) > WIDE ? "low" : "high";
}
const LOW_AT: Share = 0.15;
const WIDE: Share = 0.6;

function fromBase({ sketch, body, build, evenly }: Said): Stem[] {
  const stems = clump(evenly, body, spread(evenly.length, widestDeg(body)), branchingOf(build), build.bend);
  return greened(stems, sketch);
}

function canes(said: Said): Stem[] {
  const { tally } = said.sketch;
  const age = [
    ...Array.from({ length: tally.thick }, () => A.caneYears.thick),
    ...Array.from({ length: tally.middling }, () => A.caneYears.middling),
    ...Array.from({ length: tally.thin }, () => A.caneYears.thin),
  ];
  return fromBase(said).map((s, i) => ({ ...s, ageYears: age[i] ?? null }));
}

function layered({ sketch, body, build, evenly }: Said): Stem[] {
  const [least, most] = A.layersDeg;
  const leans = [...spread(evenly.length, most, least)];
  // The thickest make its height; every third of the others lies lowest.
  const mixed = evenly.map((_, i) => (i % 3 === 1 ? leans.pop()! : leans.shift()!));
  const stems = clump(evenly, body, mixed, "low", build.bend);
  const longestM = longestOf(stems);
  return stems.map((s) => ({
    ...s,
    leafFrom: leafFromOf(sketch, s.lengthM, longestM),
    branches: s.branches.map((b) => ({ ...b, riseDeg: A.layersRiseDeg })),
  }));
}

const DRAWERS: Readonly<Record<Architecture, (said: Said) => Stem[]>> = {
  stems: fromBase,
  shell: fromBase,
  tuft: fromBase,
  canes,
  layers: layered,
  trunk: (said) => greened(trunks(said), said.sketch),
  tiers: (said) => greened(tiered(said), said.sketch),
  wall: fan,
};

/** Axes of a plant of a size from what was said of it: a drawing to correct, and it says so. */
export function stemsFromSketch(
  sketch: Sketch,
  plant: { readonly heightM: Metres; readonly widthM: Metres },
  build: Build,
): Stem[] {
  const body = bodyOf(build, plant.heightM, plant.widthM);
  const drawn = DRAWERS[build.architecture]({
    sketch,
    body,
    build,
    evenly: thicknessesOf(sketch.tally, build.architecture),
  });
  const { tally } = sketch;
  return marked(drawn.slice(0, MOST.stems), build.architecture === "trunk" ? { ...tally, crossing: 0 } : tally);
}

/** Stems of a plain count. */
export const stemsFromTally = (
  tally: Tally,
  plant: { readonly heightM: Metres; readonly widthM: Metres },
  build: Build,
): Stem[] => stemsFromSketch({ ...NO_EXTRAS, tally, mains: stemCount(tally) || null }, plant, build);

/** The marks of a tally put on stems: dead, weak and low from the thin end, crossing pairs from the middle. */
function marked(stems: readonly Stem[], tally: Tally): Stem[] {
  const out = stems.map((s) => ({ ...s }));
  const n = out.length;
  for (let i = 0; i < Math.min(tally.dead, n); i++) out[n - 1 - i]!.state = "dead";
  const live = out.filter((s) => s.state !== "dead");
  const thinFirst = live.toReversed();
  for (const s of thinFirst.slice(0, tally.weak)) s.faults = [...s.faults, "weak"];
  for (const s of thinFirst.slice(tally.weak, tally.weak + tally.low)) s.faults = [...s.faults, "low"];
  const from = Math.max(0, Math.floor((live.length - tally.crossing) / 2));
  const crossing = live.slice(from, from + tally.crossing);
  crossing.forEach((s, i) => {
    const other = crossing[i ^ 1] ?? live.find((x) => x !== s);
    s.crosses = other?.id ?? null;
  });
  return out;
}
