/** What each pass of the work is about: stems, branches and shoots of a stand, as the cuts that would take them. */
import { suckersToKeep, type Standing } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import type { Aim } from "../garden/index.ts";
import type { GoalKind, Pass, Plant, SideBranch, Stem, StemCut } from "../model/index.ts";
import {
  alongStem,
  ARCHITECTURE_TABLE,
  between,
  branchRun,
  buildOf,
  effectAt,
  leafOf,
  rubbingOf,
  shootEnds,
  shootRun,
  standsOffWall,
  thicknessOf,
  THUMB_MM,
  type Build,
  type Point3,
  type StandLeaf,
} from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { BLADE, cutAbove } from "./blade.ts";
import { fromInside } from "./inside.ts";

export const PASS_ASSUMPTIONS = {
  /** Canes from here on are old. */
  oldCaneYears: 4,
  /** A bare-footed evergreen is brought back to live shoots so low, m (common practice: 45–60 cm). */
  kneeM: 0.5,
  /** A branch that rises so steeply and reaches so high competes with the leader, when it is this thick beside it. */
  rivalRiseDeg: 65,
  rivalReach: 0.8,
  rivalThick: 0.3,
  /** A rival thicker than this beside the trunk is halved this year and goes the next. */
  halvedFrom: 0.5,
  /** Shoots steeper than this stand up out of layers. */
  uprightDeg: 60,
  /** Where fewer and stronger shoots are wanted, no more than this part of the stems is too weak. */
  weakMost: 1 / 3,
  /** Side shoots keep so much, m: two or three buds. */
  spurKeepsM: 0.08,
  /** What crosses a line is cut so far behind it, m. */
  behindM: 0.02,
} as const;

/** A stand as a pass meets it. */
export interface Workplace {
  /** Those that the passes before have left, and all of them as they were drawn. */
  readonly stems: readonly Stem[];
  readonly drawn: readonly Stem[];
  readonly build: Build;
  readonly aim: Aim;
  readonly standing: Standing;
  readonly evergreen: boolean;
  readonly bareFoot: boolean;
  /** Fewer and stronger shoots are wanted. */
  readonly fewer: boolean;
  /** The lowest that breaks, along a stem; 0 where it breaks from the ground. */
  readonly leastM: Metres;
}

/** Wishes that are met by fewer and stronger shoots. */
const FEWER: ReadonlySet<GoalKind> = new Set<GoalKind>(["upright", "large-flowers"]);

/** A plant's stand as the first pass meets it. */
export const workplaceOf = (
  plant: Plant,
  taxon: Taxon,
  stems: readonly Stem[],
  aim: Aim,
  standing: Standing,
): Workplace => {
  const build = buildOf(taxon, plant.form);
  return {
    stems,
    drawn: stems,
    build,
    aim,
    standing,
    evergreen: build.evergreen,
    bareFoot: plant.health?.sparseFoot ?? false,
    fewer: FEWER.has(plant.goal.kind),
    leastM: taxon.leastStubM ?? 0,
  };
};

/** A cut that a pass would make, with what it is worth. */
export interface WantedCut {
  readonly cut: StemCut;
  readonly stem: Stem;
  readonly worth: number;
}

const remove = (stem: Stem, worth = 1): WantedCut => ({ cut: { cut: "remove", stemId: stem.id }, stem, worth });
const branchOff = (stem: Stem, branch: number, worth = 1): WantedCut => ({
  cut: { cut: "branch-off", stemId: stem.id, branch },
  stem,
  worth,
});
const branchBack = (stem: Stem, branch: number, keptM: Metres, worth = 1): WantedCut => ({
  cut: { cut: "branch-back", stemId: stem.id, branch, keptM: Math.max(0.01, Math.round(keptM * 1000) / 1000) },
  stem,
  worth,
});

/** How bad a stem is: of a crossing pair the worse goes. */
function badness(s: Stem): number {
  return s.faults.length * 10 + (s.state === "live" ? 0 : 100) - s.diameterMm / 100 - s.leafed;
}

/** The worse stem of each crossing pair; a stem that crosses several goes once and frees them all. */
export function worseOfPairs(stems: readonly Stem[]): readonly Stem[] {
  const byId = new Map(stems.map((s) => [s.id, s]));
  const gone = new Set<string>();
  for (const s of stems) {
    const other = s.crosses === null ? undefined : byId.get(s.crosses);
    if (!other || s.state === "dead" || other.state === "dead" || gone.has(s.id) || gone.has(other.id)) continue;
    gone.add((badness(s) >= badness(other) ? s : other).id);
  }
  return stems.filter((s) => gone.has(s.id));
}

const OVER_HALF = 0.5;
/** More than half of the stems over the thumb: past upkeep, the thumb rule gives way to renewal by thirds. */
export function pastUpkeep(stems: readonly Stem[]): boolean {
  const live = stems.filter((s) => s.state !== "dead");
  return live.filter((s) => s.diameterMm > THUMB_MM).length > live.length * OVER_HALF;
}

/** By age where it is known, else by thickness. */
export const oldestFirst = (a: Stem, b: Stem): number =>
  (b.ageYears ?? -1) - (a.ageYears ?? -1) || b.diameterMm - a.diameterMm || (a.id < b.id ? -1 : 1);

const isLive = (s: Stem): boolean => s.state === "live";
const thumbOrOld = (s: Stem): boolean =>
  s.diameterMm > THUMB_MM || (s.ageYears !== null && s.ageYears >= PASS_ASSUMPTIONS.oldCaneYears);

/** Live branches of live stems, with their number. */
function branches(stems: readonly Stem[]): readonly { stem: Stem; branch: SideBranch; i: number }[] {
  return stems
    .filter(isLive)
    .flatMap((stem) => stem.branches.flatMap((branch, i) => (branch.dead ? [] : [{ stem, branch, i }])));
}

/** Dead above a point: back to the highest live branch below it that can take over, else to just below it. */
function toLiveUnion(s: Stem): WantedCut {
  const from = s.deadFrom!;
  const live = s.branches.map((b, i) => ({ b, i })).filter(({ b }) => !b.dead && b.at < from);
  const union = live
    .filter(({ b }) => b.diameterMm >= s.diameterMm * BLADE.leastLeader)
    .toSorted((x, y) => y.b.at - x.b.at)[0];
  if (union) return { cut: { cut: "to-branch", stemId: s.id, branch: union.i }, stem: s, worth: 1 };
  const keptM = Math.max(0.01, Math.round(s.lengthM * from * 1000) / 1000);
  return { cut: { cut: "head", stemId: s.id, keptM }, stem: s, worth: 1 };
}

/** Dead stems, dead tops to the live union below, dead branches and shoots at their collar. */
const deadWood = ({ stems }: Workplace): readonly WantedCut[] =>
  stems.flatMap((s): WantedCut[] => {
    if (s.state === "dead") return [remove(s)];
    return [
      ...(s.deadFrom === null ? [] : [toLiveUnion(s)]),
      ...s.branches.flatMap((b, i): WantedCut[] => {
        if (s.deadFrom !== null && b.at >= s.deadFrom) return [];
        if (b.dead) return [branchOff(s, i)];
        return b.shoots.flatMap((x, shoot): WantedCut[] =>
          x.dead ? [{ cut: { cut: "shoot-off", stemId: s.id, branch: i, shoot }, stem: s, worth: 1 }] : [],
        );
      }),
    ];
  });

/** Those with a fault; what a frame or a trunk is made of stays. */
const faulty =
  (fault: Stem["faults"][number]) =>
  (w: Workplace): readonly WantedCut[] =>
    stemsMayGo(w) ? w.stems.filter((s) => isLive(s) && s.faults.includes(fault)).map((s) => remove(s)) : [];

const stemsMayGo = ({ build }: Workplace): boolean => !ARCHITECTURE_TABLE[build.architecture].keepsMains;

/** The oldest out; of a bare-footed evergreen only back to low live shoots, since the ground may not answer. */
function oldest(w: Workplace): readonly WantedCut[] {
  // Of what does not come again from below an old stem leaves a gap for good.
  if (!stemsMayGo(w) || w.build.greenOnly) return [];
  const knee = w.evergreen && w.bareFoot;
  return w.stems
    .filter((s) => isLive(s) && thumbOrOld(s))
    .toSorted(oldestFirst)
    .map((s) =>
      knee && s.lengthM > PASS_ASSUMPTIONS.kneeM
        ? { cut: cutAbove(s, PASS_ASSUMPTIONS.kneeM, w.leastM), stem: s, worth: s.diameterMm }
        : remove(s, s.diameterMm),
    );
}

/** Surplus young shoots, the weakest first. */
function suckers({ stems }: Workplace): readonly WantedCut[] {
  const live = stems.filter(isLive).toSorted((a, b) => a.diameterMm - b.diameterMm);
  return live.slice(0, Math.max(0, live.length - suckersToKeep(live.length)[1])).map((s) => remove(s));
}

/** A branch that rises as steep and high as the leader and is nearly as thick: how thick beside it; else null. */
function rivalry(stem: Stem, branch: SideBranch, build: Build): number | null {
  const a = PASS_ASSUMPTIONS;
  const topM = alongStem(stem, 1, build).z;
  const tipM = branchRun(stem, branch, build)[1].z;
  const thick = branch.diameterMm / stem.diameterMm;
  return branch.riseDeg < a.rivalRiseDeg || tipM < a.rivalReach * topM || thick < a.rivalThick ? null : thick;
}

/** Branches that compete with the leader; the weaker go, a strong one is halved first. */
const leaders = ({ stems, build }: Workplace): readonly WantedCut[] =>
  branches(stems).flatMap(({ stem, branch, i }) => {
    const thick = rivalry(stem, branch, build);
    if (thick === null) return [];
    return thick > PASS_ASSUMPTIONS.halvedFrom
      ? [branchBack(stem, i, branch.lengthM / 2, thick)]
      : [branchOff(stem, i, thick)];
  });

/** Does a cut shorten a rival of the leader, so that the rest of it goes another year? */
export function isHalved(c: StemCut, stems: readonly Stem[], build: Build): boolean {
  if (c.cut !== "branch-back") return false;
  const stem = stems.find((s) => s.id === c.stemId);
  const branch = stem?.branches[c.branch];
  return stem !== undefined && branch !== undefined && rivalry(stem, branch, build) !== null;
}

/** What stands up out of layers: branches, shoots, and whole stems that do not lie. */
const upright = ({ stems }: Workplace): readonly WantedCut[] =>
  branches(stems).flatMap(({ stem, branch, i }) => {
    const steep = PASS_ASSUMPTIONS.uprightDeg;
    if (branch.riseDeg >= steep) return [branchOff(stem, i)];
    return branch.shoots.flatMap((x, shoot): WantedCut[] =>
      !x.dead && x.riseDeg >= steep
        ? [{ cut: { cut: "shoot-off", stemId: stem.id, branch: i, shoot }, stem, worth: 1 }]
        : [],
    );
  });

const inside = ({ stems, drawn, build }: Workplace): readonly WantedCut[] =>
  fromInside(stems, drawn, build).map(({ stem, branch }) => branchOff(stem, branch));

/** Marked as weak; where fewer and stronger ones are wanted also what is no thicker than a pencil, the thinnest first. */
function weak(w: Workplace): readonly WantedCut[] {
  const marked = faulty("weak")(w);
  if (!w.fewer || !stemsMayGo(w)) return marked;
  const live = w.stems.filter(isLive);
  const spindly = live
    .filter((s) => thicknessOf(s.diameterMm) === "thin" && !s.faults.includes("weak"))
    .toSorted((a, b) => a.diameterMm - b.diameterMm)
    .slice(0, Math.max(0, Math.floor(live.length * PASS_ASSUMPTIONS.weakMost) - marked.length));
  return [...marked, ...spindly.map((s) => remove(s, 1 / s.diameterMm))];
}

/** Side shoots of a frame back to two or three buds. */
const sideShoots = ({ stems }: Workplace): readonly WantedCut[] => {
  const all = branches(stems);
  // What stands off its wall cannot be tied in: it goes first, where it begins (common practice).
  const off = all.filter(({ branch }) => standsOffWall(branch)).map(({ stem, i }) => branchOff(stem, i));
  const along = all.flatMap(({ stem, branch, i }) =>
    !standsOffWall(branch) && branch.lengthM > 2 * PASS_ASSUMPTIONS.spurKeepsM
      ? [branchBack(stem, i, PASS_ASSUMPTIONS.spurKeepsM)]
      : [],
  );
  return [...off, ...along];
};

const DIRECTION = { front: [0, -1], back: [0, 1], left: [-1, 0], right: [1, 0] } as const;
/** How far a point stands past a line; negative behind it. */
function past(p: Point3, { line, cutAtM }: Aim["lines"][number]): Metres {
  if (line.upToM !== null && p.z > line.upToM) return -Infinity;
  const [x, y] = DIRECTION[line.side];
  return p.x * x + p.y * y - cutAtM;
}

const STEPS = 40;
/** The first part of a way, from its foot, that stands past a line; null: all of it is behind. */
function firstPast(at: (part: Share) => Point3, line: Aim["lines"][number]): Share | null {
  for (let i = 0; i <= STEPS; i++) if (past(at(i / STEPS), line) > 0) return i / STEPS;
  return null;
}

/** What stands over a line: each back to a branch or a shoot further in, the outermost first. */
function offPath(w: Workplace): readonly WantedCut[] {
  const back = PASS_ASSUMPTIONS.behindM;
  const out: (WantedCut & { readonly far: Metres })[] = [];
  for (const line of w.aim.lines)
    for (const stem of w.stems.filter(isLive)) {
      const crossing = firstPast((t) => alongStem(stem, t, w.build), line);
      let kept = 1;
      if (crossing !== null) {
        const far = past(alongStem(stem, 1, w.build), line);
        const further = stem.branches
          .map((b, i) => ({ b, i, run: branchRun(stem, b, w.build) }))
          .filter(({ b, run }) => !b.dead && b.at < crossing && firstPast((t) => between(run, t), line) === null)
          .toSorted((x, y) => y.b.at - x.b.at)[0];
        const keptM = crossing * stem.lengthM - back;
        if (further) {
          out.push({ cut: { cut: "to-branch", stemId: stem.id, branch: further.i }, stem, worth: far, far });
          kept = further.b.at;
        } else if (keptM > w.leastM && keptM > LEAST_KEPT_M) {
          out.push({
            cut: { cut: "head", stemId: stem.id, keptM: Math.round(keptM * 1000) / 1000 },
            stem,
            worth: far,
            far,
          });
          kept = keptM / stem.lengthM;
        } else if (stemsMayGo(w)) {
          out.push({ ...remove(stem, far), far });
          continue;
        }
      }
      stem.branches.forEach((b, i) => {
        if (b.dead || b.at > kept) return;
        const run = branchRun(stem, b, w.build);
        const at = firstPast((t) => between(run, t), line);
        if (at !== null) {
          const far = past(run[1], line);
          // Back to a shoot further in, where there is one.
          const shoot = b.shoots
            .filter((x) => !x.dead && x.at < at && firstPast((t) => between(shootRun(run, x), t), line) === null)
            .toSorted((x, y) => y.at - x.at)[0];
          const keptM = (shoot?.at ?? at) * b.lengthM - (shoot ? 0 : back);
          out.push(
            keptM > LEAST_KEPT_M ? { ...branchBack(stem, i, keptM, far), far } : { ...branchOff(stem, i, far), far },
          );
          return;
        }
        b.shoots.forEach((x, j) => {
          const far = past(shootRun(run, x)[1], line);
          if (!x.dead && far > 0)
            out.push({ cut: { cut: "shoot-off", stemId: stem.id, branch: i, shoot: j }, stem, worth: far, far });
        });
      });
    }
  return out.toSorted((a, b) => b.far - a.far);
}
const LEAST_KEPT_M: Metres = 0.05;

/** Of two branches that rub the worse one is the thinner, which is never a leader; of equals the steeper. */
const worseBranch = (a: SideBranch, b: SideBranch): number => a.diameterMm - b.diameterMm || b.riseDeg - a.riseDeg;

/** Stems from the ground go as a whole; of what a trunk carries the worse branch of each pair, at its collar. */
function crossing(w: Workplace): readonly WantedCut[] {
  if (stemsMayGo(w)) return worseOfPairs(w.stems.filter(isLive)).map((s) => remove(s));
  return w.stems.filter(isLive).flatMap((stem) => {
    const gone = new Set<number>();
    for (const [i, j] of rubbingOf(stem, w.build)) {
      if (gone.has(i) || gone.has(j)) continue;
      gone.add(worseBranch(stem.branches[i]!, stem.branches[j]!) <= 0 ? i : j);
    }
    return [...gone].sort((a, b) => a - b).map((i) => branchOff(stem, i));
  });
}

const BY_PASS: Partial<Record<Pass, (w: Workplace) => readonly WantedCut[]>> = {
  dead: deadWood,
  hazard: ({ stems }) => stems.filter((s) => s.state === "damaged" || s.state === "diseased").map((s) => remove(s)),
  low: faulty("low"),
  weak,
  "wrong-way": faulty("wrong-way"),
  crossing,
  oldest,
  suckers,
  leaders,
  upright,
  inside,
  // A pollard's rods, each at the head it grows from.
  rods: ({ stems }) => branches(stems).map(({ stem, i }) => branchOff(stem, i)),
  "side-shoots": sideShoots,
  "off-path": offPath,
  "young-canes": (w) => (w.build.architecture === "wall" ? sideShoots(w) : []),
};

/** The cuts that a pass would make, in the order in which they are made; none for passes over the whole plant. */
export const wantedIn = (pass: Pass, w: Workplace): readonly WantedCut[] => BY_PASS[pass]?.(w) ?? [];

/** Passes whose cuts are made in their order until the account ends; of the others what puts most right is chosen. */
export const IN_ORDER: ReadonlySet<Pass> = new Set<Pass>([
  "oldest",
  "suckers",
  "off-path",
  "side-shoots",
  "inside",
  "rods",
]);

/** Leaf that one cut takes, of the whole stand's. */
export function costOf({ cut, stem }: WantedCut, w: Workplace, leaf: StandLeaf = leafOf(w.drawn, w.build)): Share {
  const i = w.drawn.findIndex((s) => s.id === stem.id);
  const own = leaf.stems[i];
  if (!own || leaf.weight === 0) return 0;
  return (own.weight / leaf.weight) * effectAt(w.drawn[i]!, [cut], w.build, leaf, own).leafGone;
}

/** Less than any difference in thickness or in the number of faults: of equals the one with fewer flowering ends goes. */
const FLOWERS_BREAK_TIES = 0.01;
export const worthOf = (x: WantedCut, ends: number): number =>
  x.worth - (FLOWERS_BREAK_TIES * (x.cut.cut === "remove" ? shootEnds(x.stem) : 1)) / Math.max(1, ends);
