/** A plant brought down to a height: stems back to a branch or a bud, a crown to its forks, what is cut down every year level. */
import type { SideShoot, Stem, StemCut } from "../model/index.ts";
import { branchRun, leafOf, partAtHeight, shootRun, type Build } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { BLADE, bladePlace } from "./blade.ts";
import { EPSILON, GREEN_DEPTH, tried, type Setting } from "./setting.ts";

/** A branch that takes over reaches at least so far up to the height. */
const NEARLY: Share = 0.8;

/** A branch back to where it passes a height, and what of its shoots stands over it; nothing where all of it is below. */
function branchTo(s: Stem, i: number, heightM: Metres, build: Build): StemCut[] {
  const b = s.branches[i]!;
  const run = branchRun(s, b, build);
  const [from, to] = run;
  if (b.dead) return [];
  if (from.z >= heightM) return [{ cut: "branch-off", stemId: s.id, branch: i }];
  const over = (x: SideShoot): boolean => shootRun(run, x)[1].z > heightM + TOUCHES_M;
  const shoots = (part: Share): StemCut[] =>
    b.shoots.flatMap((x, shoot): StemCut[] =>
      !x.dead && x.at <= part && over(x) ? [{ cut: "shoot-off", stemId: s.id, branch: i, shoot }] : [],
    );
  if (to.z <= heightM + TOUCHES_M) return shoots(1);
  const crossing = (heightM - from.z) / (to.z - from.z);
  // Back to a shoot that ends below, at a length of its own, rather than to a line.
  const shoot = b.shoots.filter((x) => !x.dead && x.at < crossing && !over(x)).toSorted((x, y) => y.at - x.at)[0];
  const keptM = Math.round((shoot?.at ?? crossing) * b.lengthM * 1000) / 1000;
  return keptM > LEAST_KEPT_M
    ? [{ cut: "branch-back", stemId: s.id, branch: i, keptM }, ...shoots(keptM / b.lengthM)]
    : [{ cut: "branch-off", stemId: s.id, branch: i }];
}
const TOUCHES_M: Metres = 0.03;
const LEAST_KEPT_M: Metres = 0.05;

/** Every stem that stands higher, back to a branch that ends there, or to a bud, and what still stands over it. */
const stemsTo = (stems: readonly Stem[], heightM: Metres, { build }: Setting, leastM: Metres | null): StemCut[] =>
  stems.flatMap((s): StemCut[] => {
    const part = partAtHeight(s, heightM, build);
    const overs = (kept: Share): StemCut[] =>
      s.branches.flatMap((b, i) => (b.at <= kept + 1e-6 ? branchTo(s, i, heightM, build) : []));
    if (part >= 1) return overs(1);
    const least = (leastM ?? 0) > 0 ? partAtHeight(s, leastM!, build) : 0;
    const takesOver = s.branches
      .map((b, i) => ({ b, i, tipM: branchRun(s, b, build)[1].z }))
      .filter(({ b, tipM }) => !b.dead && b.at < part && b.at > least && tipM <= heightM + TOUCHES_M)
      .filter(({ b, tipM }) => tipM >= NEARLY * heightM && b.diameterMm >= s.diameterMm * BLADE.leastLeader)
      .toSorted((x, y) => y.b.at - x.b.at)[0];
    if (takesOver) return [{ cut: "to-branch", stemId: s.id, branch: takesOver.i }, ...overs(takesOver.b.at)];
    const keptM = bladePlace({ ...s, branches: [] }, Math.max(0.01, part * s.lengthM), least * s.lengthM + 1e-3).keptM;
    return [{ cut: "head", stemId: s.id, keptM }, ...overs(keptM / s.lengthM)];
  });

/** A crown let down: each branch to a shoot below, at its own length, and the axis to a fork. */
const crownTo = (stems: readonly Stem[], heightM: Metres, { build }: Setting): StemCut[] =>
  stems.flatMap((s): StemCut[] => {
    const out: StemCut[] = [];
    let kept = 1;
    if (partAtHeight(s, heightM, build) < 1) {
      const part = partAtHeight(s, heightM, build);
      const fork = s.branches
        .map((b, i) => ({ b, i }))
        .filter(({ b }) => !b.dead && b.at <= part)
        .toSorted((x, y) => y.b.at - x.b.at)[0];
      if (fork) {
        out.push({ cut: "to-branch", stemId: s.id, branch: fork.i });
        kept = fork.b.at;
      }
    }
    s.branches.forEach((b, i) => {
      if (b.at <= kept + 1e-6) out.push(...branchTo(s, i, heightM, build));
    });
    return out;
  });

/** Low stubs of many stems are cut level, of what is cut down every year up to the waist: nobody goes from bud to bud. */
const LEVEL = { toM: 0.25, cutDownToM: 1.1, fromStems: 10 } as const;

const headsAt = (stems: readonly Stem[], heightM: Metres, set: Setting): StemCut[] => {
  const { build, q, model } = set;
  const level = (m: Metres): StemCut[] => [{ cut: "top", heightM: Math.max(0.02, Math.round(m * 1000) / 1000) }];
  if (build.architecture === "trunk") return crownTo(stems, heightM, set);
  if (build.architecture === "shell") {
    const { body } = leafOf(q.stems, build);
    return level(build.greenOnly ? Math.max(heightM, body.heightM - GREEN_DEPTH * body.shellM) : heightM);
  }
  const { passes, leastStubM } = model.taxonOf(q.plant);
  const levelTo = passes === "cutback" ? LEVEL.cutDownToM : LEVEL.toM;
  if (heightM <= levelTo && stems.length >= LEVEL.fromStems) return level(heightM);
  return stemsTo(stems, heightM, set, leastStubM);
};
const SEARCH_STEPS = 14;
/** The lowest height at or above the aim whose cuts fit with what was cut before. */
export function fittingHeads(
  set: Setting,
  before: readonly StemCut[],
  standing: readonly Stem[],
  aimM: Metres,
  topM: Metres,
) {
  const share = (h: Metres): Share => tried(set, [...before, ...headsAt(standing, h, set)]);
  if (share(aimM) <= set.budget + EPSILON) return { cuts: headsAt(standing, aimM, set), reachedM: aimM };
  let [low, high] = [aimM, topM];
  for (let i = 0; i < SEARCH_STEPS; i++) {
    const mid = (low + high) / 2;
    if (share(mid) <= set.budget + EPSILON) high = mid;
    else low = mid;
  }
  return { cuts: headsAt(standing, high, set), reachedM: high };
}
