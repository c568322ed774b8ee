/** Which branches stand inside: in the shade of the others, and then those that stand nearest to another. */
import type { SideBranch, Stem } from "../model/index.ts";
import { between, branchRun, leafOf, litAt, type Build, type Point3 } from "../stems/index.ts";
import type { Share } from "../units/index.ts";

export const INSIDE_ASSUMPTIONS = {
  /** No more than this part of the branches goes from the inside in a year. */
  most: 0.25,
  /** A branch with so much light on its outer half stands outside: only how crowded it is counts then. */
  lit: 0.9,
  /** What carries more of the leaf than this is a limb of the frame: thinned out it leaves a hole (common practice). */
  mostLeaf: 0.15,
} as const;

interface Placed {
  readonly stem: Stem;
  readonly branch: SideBranch;
  readonly i: number;
  readonly lit: Share;
  /** Where most of its leaf is. */
  readonly at: Point3;
}

const OUTER = [0.5, 0.75, 1] as const;
const apartM = (a: Point3, b: Point3): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

/** Live branches that may go from the inside: of each main axis the one that ends highest stays, it makes the height. */
function candidates(stems: readonly Stem[], drawn: readonly Stem[], build: Build): Placed[] {
  const { body, stems: leaves, weight } = leafOf(drawn, build);
  const leafIn = new Map(drawn.map((s, k) => [s.id, leaves[k]!]));
  return stems
    .filter((s) => s.state === "live")
    .flatMap((stem) => {
      const placed = stem.branches.flatMap((branch, i) => {
        if (branch.dead) return [];
        const run = branchRun(stem, branch, build);
        const lit = OUTER.reduce((n, t) => n + litAt(between(run, t), body), 0) / OUTER.length;
        return [{ stem, branch, i, lit, at: between(run, OUTER[1]), topM: run[1].z }];
      });
      const topM = Math.max(...placed.map((b) => b.topM));
      const own = leafIn.get(stem.id)!;
      const carries = (i: number): Share => (weight === 0 ? 0 : (own.branches[i]!.all * own.weight) / weight);
      return placed.filter((b) => b.topM < topM && carries(b.i) <= INSIDE_ASSUMPTIONS.mostLeaf);
    });
}

/** How far from the next one, beside their lengths: the least first. */
function nextTo(b: Placed, all: readonly Placed[]): { readonly other: Placed | null; readonly gap: number } {
  let [other, gap]: [Placed | null, number] = [null, Infinity];
  for (const x of all) {
    if (x === b) continue;
    const far = (2 * apartM(b.at, x.at)) / (b.branch.lengthM + x.branch.lengthM);
    if (far < gap) [other, gap] = [x, far];
  }
  return { other, gap };
}

/**
 * Branches from the inside, in the order in which they would go (common practice: what gets no light first, then of
 * two that lie over each other the thinner).
 * @param drawn the whole stand, whose outline tells where the light ends
 */
export function fromInside(
  stems: readonly Stem[],
  drawn: readonly Stem[],
  build: Build,
): readonly { readonly stem: Stem; readonly branch: number }[] {
  const all = candidates(stems, drawn, build);
  const most = Math.floor(all.length * INSIDE_ASSUMPTIONS.most);
  const shaded = all
    .filter((b) => b.lit < INSIDE_ASSUMPTIONS.lit)
    .toSorted((a, b) => a.lit - b.lit || a.branch.diameterMm - b.branch.diameterMm);
  const out = shaded.slice(0, most);
  const left = new Set(all.filter((b) => !out.includes(b)));
  const near = new Map([...left].map((b) => [b, nextTo(b, [...left])]));
  while (out.length < most && left.size > 1) {
    let pick: Placed | null = null;
    for (const b of left) if (pick === null || near.get(b)!.gap < near.get(pick)!.gap) pick = b;
    const { other } = near.get(pick!)!;
    const gone = other !== null && other.branch.diameterMm < pick!.branch.diameterMm ? other : pick!;
    out.push(gone);
    left.delete(gone);
    const rest = [...left];
    for (const b of rest) if (near.get(b)!.other === gone) near.set(b, nextTo(b, rest));
  }
  return out.map(({ stem, i }) => ({ stem, branch: i }));
}
