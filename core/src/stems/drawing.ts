/** From a count to stems that can be drawn, counted and corrected. Nothing here is chance: the same count gives the same drawing. */
import type { Taxon } from "../catalogue/index.ts";
import type { SideBranch, Stem } from "../model/index.ts";
import type { Metres, Millimetres } from "../units/index.ts";
import { THICKNESS_TABLE, THICKNESSES } from "./classes.ts";
import { lengthForHeight } from "./layout.ts";
import type { Tally } from "./tally.ts";

/** What a count leaves open (ours): which is dead, how long the thin ones are, where side branches sit. */
export const DRAWING_ASSUMPTIONS = {
  /** A stem as thin as nothing reaches this part of the plant's height; the thickest reach all of it. */
  thinReach: 0.5,
  /** Side branches on a stem over a pencil, from the lowest place up. */
  branchesAt: [0.45, 0.65, 0.8],
  branchDiameter: 0.45,
  branchLength: 0.35,
  /** Stems reach so much of the half width, their side branches the rest. */
  stemsOfWidth: 0.8,
  /** Stems turn by the angle at which leaves follow each other, so that no two stand in line. */
  turnDeg: 137.5,
} as const;

/** A stem of which only its thickness and length are known: alive, upright, nothing against it. */
export const plainStem = (id: string, diameterMm: Millimetres, lengthM: Metres): Stem => ({
  id,
  diameterMm,
  lengthM,
  ageYears: null,
  state: "live",
  leafed: 1,
  faults: [],
  crosses: null,
  base: 0,
  turnDeg: 0,
  leanDeg: 0,
  branches: [],
});

/** Thicknesses spread evenly over a class's usual range, thickest first. */
function thicknessesOf(tally: Tally): readonly Millimetres[] {
  return THICKNESSES.flatMap((t) => {
    const [low, high] = THICKNESS_TABLE[t].usualMm;
    const n = tally[t];
    return Array.from({ length: n }, (_, i) =>
      Math.round(n === 1 ? (low + high) / 2 : high - ((high - low) * i) / (n - 1)),
    );
  });
}

function branchesOf(diameterMm: Millimetres, lengthM: Metres, turnDeg: number): readonly SideBranch[] {
  const a = DRAWING_ASSUMPTIONS;
  if (diameterMm < THICKNESS_TABLE.middling.fromMm || lengthM < 0.6) return [];
  return a.branchesAt.map((at, i) => ({
    at,
    diameterMm: Math.max(3, Math.round(diameterMm * a.branchDiameter * (1 - at / 3))),
    lengthM: Math.round(lengthM * a.branchLength * (1.2 - at) * 100) / 100,
    turnDeg: (turnDeg + 60 + i * a.turnDeg) % 360,
  }));
}

/** Plants whose stems carry no side branches worth drawing. */
const branching = (taxon: Pick<Taxon, "leaf">): boolean => taxon.leaf !== "herbaceous";

/**
 * Stems of a tally for a plant of a height.
 * The thinnest count as dead, weak and low, middling ones cross: it is a drawing to correct, and says so.
 */
export function stemsFromTally(
  tally: Tally,
  plant: { readonly heightM: Metres; readonly widthM: Metres },
  taxon: Taxon,
): Stem[] {
  const a = DRAWING_ASSUMPTIONS;
  const sizes = thicknessesOf(tally);
  const thickest = Math.max(...sizes);
  // The outermost stem and its side branches together reach as far out as the plant is wide.
  const lean = Math.atan2((plant.widthM / 2) * a.stemsOfWidth, plant.heightM) * (180 / Math.PI);
  const stems = sizes.map((diameterMm, i): Stem => {
    const leanDeg = Math.round(lean * Math.sqrt((i + 0.5) / sizes.length));
    const reach = a.thinReach + (1 - a.thinReach) * Math.sqrt(diameterMm / thickest);
    const lengthM = Math.round(lengthForHeight(plant.heightM * reach, leanDeg) * 100) / 100;
    const turnDeg = Math.round((i * a.turnDeg) % 360);
    return {
      ...plainStem(`s${i + 1}`, diameterMm, Math.max(0.05, lengthM)),
      turnDeg,
      leanDeg,
      branches: branching(taxon) ? [...branchesOf(diameterMm, lengthM, turnDeg)] : [],
    };
  });
  return marked(stems, tally);
}

/** The marks of a tally put on stems: dead, weak and low from the thin end, crossing pairs from the middle. */
function marked(stems: readonly Stem[], tally: Tally): Stem[] {
  const out = stems.map((s) => ({ ...s }));
  const n = out.length;
  for (let i = 0; i < tally.dead; i++) out[n - 1 - i]!.state = "dead";
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
