/** Where the blade goes: the place a heading cut snaps to, and how far above it to cut. */
import type { Stem, StemCut } from "../model/index.ts";
import { alongStem, between, branchRun, partLeft, type Build } from "../stems/index.ts";
import type { Metres, Millimetres, Share } from "../units/index.ts";

export const BLADE = {
  /** Above a bud and above a side branch (USDA Forest Service NA-FR-01-95, from memory; common practice). */
  aboveBudMm: 6,
  aboveBranchMm: 13,
  /** Buds stand so far apart, of the stem's length, and no closer than this (ours). */
  nodeShare: 1 / 22,
  leastNodeM: 0.03,
  mostNodeM: 0.06,
  /** Each bud stands turned so far from the last one. */
  turnDeg: 137.5,
  /** A bud looks out when it stands within so many degrees of the way its stem leans. */
  outwardDeg: 70,
  /** A side branch may take over when it is at least so thick, of the stem it takes over from (ANSI A300, ISA; from memory). */
  leastLeader: 1 / 3,
} as const;

export interface BladePlace {
  /** Length of the stem that is kept, m. */
  readonly keptM: Metres;
  readonly above: "bud" | "branch";
  /** Of a bud: does it look out of the plant? Of a branch: its number. */
  readonly outward: boolean;
  readonly branch: number | null;
  readonly aboveMm: Millimetres;
}

const turnBetween = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);

/** Distance between buds of a stem. */
export const nodeSpacing = (s: Stem): Metres =>
  Math.min(BLADE.mostNodeM, Math.max(BLADE.leastNodeM, s.lengthM * BLADE.nodeShare));

/**
 * The place nearest to a wanted length: a side branch strong enough to take over, or a bud that looks out.
 * A bud on the way out is preferred to a nearer one that looks in, within two buds' distance.
 * @param leastM no shorter than this, where a stub that short would not break
 */
export function bladePlace(s: Stem, wantedM: Metres, leastM: Metres = 0): BladePlace {
  const gap = nodeSpacing(s);
  const branches = s.branches.flatMap((b, i): BladePlace[] =>
    !b.dead && b.diameterMm >= s.diameterMm * BLADE.leastLeader
      ? [{ keptM: b.at * s.lengthM, above: "branch", outward: true, branch: i, aboveMm: BLADE.aboveBranchMm }]
      : [],
  );
  const nodes = Array.from({ length: Math.max(1, Math.floor(s.lengthM / gap) - 1) }, (_, i): BladePlace => {
    const turn = (s.turnDeg + (i + 1) * BLADE.turnDeg) % 360;
    const outward = turnBetween(turn, s.turnDeg) <= BLADE.outwardDeg;
    return { keptM: (i + 1) * gap, above: "bud", outward, branch: null, aboveMm: BLADE.aboveBudMm };
  });
  const far = (p: BladePlace): number => Math.abs(p.keptM - wantedM) + (p.outward ? 0 : 2 * gap);
  const all = [...nodes, ...branches];
  const high = all.filter((p) => p.keptM >= leastM);
  const best = (high.length > 0 ? high : all.slice(-1)).reduce((a, b) => (far(b) < far(a) ? b : a));
  const rounded = Math.round(best.keptM * 1000) / 1000;
  return { ...best, keptM: Math.min(rounded, s.lengthM) };
}

/** The cut that shortens a stem to about a length: above a bud, or back to a side branch that takes over. */
export function cutAbove(s: Stem, wantedM: Metres, leastM: Metres = 0): StemCut {
  const place = bladePlace(s, wantedM, leastM);
  return place.branch === null
    ? { cut: "head", stemId: s.id, keptM: place.keptM }
    : { cut: "to-branch", stemId: s.id, branch: place.branch };
}

/** Where a cut at a stem is made, and how thick the wood is there; null for cuts over the whole plant. */
export function cutPlace(
  s: Stem,
  c: StemCut,
  build: Build,
): { readonly heightM: Metres; readonly diameterMm: Millimetres } | null {
  if (!("stemId" in c)) return null;
  const onAxis = (at: Share) => ({
    heightM: alongStem(s, at, build).z,
    diameterMm: s.diameterMm * partLeft(at),
  });
  const b = "branch" in c ? s.branches[c.branch] : undefined;
  switch (c.cut) {
    case "remove":
      return onAxis(0);
    case "head":
      return onAxis(Math.min(1, c.keptM / s.lengthM));
    case "to-branch":
      return onAxis(b?.at ?? 1);
    case "branch-off":
      return b ? { heightM: alongStem(s, b.at, build).z, diameterMm: b.diameterMm } : null;
    case "branch-back": {
      if (!b) return null;
      const at = Math.min(1, c.keptM / b.lengthM);
      return { heightM: between(branchRun(s, b, build), at).z, diameterMm: b.diameterMm * partLeft(at) };
    }
    case "shoot-off": {
      const x = b?.shoots[c.shoot];
      return b && x ? { heightM: between(branchRun(s, b, build), x.at).z, diameterMm: x.diameterMm } : null;
    }
  }
}
