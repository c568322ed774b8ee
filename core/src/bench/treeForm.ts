/** A shrub made a small tree: three or four leaders kept, the rest out over years, the stems cleared from below. */
import type { Taxon } from "../catalogue/index.ts";
import type { Stem } from "../model/index.ts";
import { mayBeTree } from "../advice/index.ts";
import { alongStem, buildOf, leafWeight, type Build } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { amountsOf } from "./amounts.ts";
import { renewalThird } from "./tryOut.ts";

/** Common practice where a source is wanting; the weights are ours. */
export const TREE_FORM_ASSUMPTIONS = {
  leaders: 3,
  /** A fourth nearly as good as the third is left for a look next year. */
  undecidedFrom: 0.75,
  /** Two thirds of the height stay crown. */
  clearOfHeight: 1 / 3,
  /** No more of the stem is cleared in a year. */
  liftM: 0.4,
  liftStepM: 0.1,
  /** Degrees of lean that make a stem worth half. */
  leanHalvesDeg: 35,
  /** A fault makes it worth so much. */
  fault: 0.5,
  mostYears: 8,
} as const;

export interface TreeFormYear {
  /** Out at the ground, worst first. */
  readonly out: readonly Stem[];
  /** Clear of side branches up to here when the year's work is done. */
  readonly clearM: Metres;
  /** Of the live growth that stands that year. */
  readonly share: Share;
}
export interface TreeForm {
  readonly leaders: readonly Stem[];
  readonly undecided: Stem | null;
  /** How far the stems are clear, and what they are to be clear to. */
  readonly clearM: Metres;
  readonly aimM: Metres;
  readonly years: readonly TreeFormYear[];
  /** Within the years shown everything is done. */
  readonly reached: boolean;
}

/** How good a leader a stem makes, against the thickest: strong, upright, without a fault. */
function worth(s: Stem, thickestMm: number): number {
  const a = TREE_FORM_ASSUMPTIONS;
  const faults = s.faults.length + (s.crosses === null ? 0 : 1);
  return (s.diameterMm / thickestMm) * 0.5 ** (s.leanDeg / a.leanHalvesDeg) * a.fault ** faults;
}

/** Angle between two directions round the plant, 0 to 180. */
const apart = (a: Stem, b: Stem): number => Math.abs(((a.turnDeg - b.turnDeg + 540) % 360) - 180);

/** Leaders one by one, each the best of those left for its strength and its distance from those chosen. */
function ranked(stems: readonly Stem[]): readonly Stem[] {
  const thickest = Math.max(...stems.map((s) => s.diameterMm));
  const chosen: Stem[] = [];
  const left = [...stems];
  while (left.length > 0) {
    const score = (s: Stem): number => {
      const near = Math.min(180, ...chosen.map((c) => apart(s, c)));
      return worth(s, thickest) * (0.5 + near / 360);
    };
    const best = left.reduce((a, b) => (score(b) > score(a) ? b : a));
    chosen.push(best);
    left.splice(left.indexOf(best), 1);
  }
  return chosen;
}

/** Stems as they stand once they are clear up to a height. */
const cleared = (stems: readonly Stem[], clearM: Metres, build: Build): readonly Stem[] =>
  stems.map((s) => ({ ...s, branches: s.branches.filter((b) => alongStem(s, b.at, build).z >= clearM) }));

/** How far up they are clear already, where nothing would have to go: in steps, up to an aim. */
function clearAlready(stems: readonly Stem[], build: Build, fromM: Metres, aimM: Metres): Metres {
  let at = fromM;
  while (at < aimM - 1e-6) {
    const next = Math.min(aimM, at + TREE_FORM_ASSUMPTIONS.liftStepM);
    if (liftShare(stems, build, fromM, next) > 1e-9) break;
    at = next;
  }
  return at;
}

/** Live growth a lift takes of stems that are clear to a height already. */
function liftShare(stems: readonly Stem[], build: Build, fromM: Metres, toM: Metres): Share {
  const upTo = (h: Metres): Share => (h <= 0 ? 0 : amountsOf(stems, [{ cut: "lift", clearM: h }], build).share);
  const had = upTo(fromM);
  return had >= 1 ? 0 : Math.max(0, (upTo(toM) - had) / (1 - had));
}

export interface TreeFormQuestion {
  readonly heightM: Metres;
  /** Live growth that may go in a year. */
  readonly cap: Share;
  /** Clear already, and what it is to be clear to; null: two thirds of the height stay crown. */
  readonly clearM: Metres;
  readonly aimM: Metres | null;
}

/** Plans the years; null where the kind is none for it or nothing lives. */
export function treeForm(stems: readonly Stem[], taxon: Taxon, q: TreeFormQuestion): TreeForm | null {
  const a = TREE_FORM_ASSUMPTIONS;
  const live = stems.filter((s) => s.state === "live");
  if (!mayBeTree(taxon) || live.length === 0) return null;
  const build = buildOf(taxon);
  const order = ranked(live);
  const leaders = order.slice(0, a.leaders);
  const thickest = leaders[0]!.diameterMm;
  const next = order[a.leaders];
  const last = leaders.at(-1)!;
  const undecided = next && worth(next, thickest) >= a.undecidedFrom * worth(last, thickest) ? next : null;
  const going = order
    .slice(a.leaders)
    .filter((s) => s !== undecided)
    .toReversed();
  const aimM = q.aimM ?? q.heightM * a.clearOfHeight;
  const years: TreeFormYear[] = [];
  let standing: readonly Stem[] = live;
  const clearNowM = clearAlready(standing, build, Math.min(q.clearM, aimM), aimM);
  let clearM = clearNowM;
  const done = (): boolean => going.length === 0 && clearM >= aimM - 1e-6;
  while (!done() && years.length < a.mostYears) {
    const all = standing.reduce((n, s) => n + leafWeight(s, taxon.sapwoodMm), 0);
    const out: Stem[] = [];
    let share: Share = 0;
    // The worst first; never more than a third of the stems in a year.
    while (going.length > 0 && out.length < Math.max(1, renewalThird(standing.length))) {
      const more = leafWeight(going[0]!, taxon.sapwoodMm) / all;
      if (share + more > q.cap + 1e-9) break;
      share += more;
      out.push(going.shift()!);
    }
    standing = standing.filter((s) => !out.includes(s));
    const from = clearM;
    const together = (h: Metres): Share => 1 - (1 - share) * (1 - liftShare(standing, build, from, h));
    const most = Math.min(aimM, from + a.liftM);
    let to = from;
    for (let h = most; h > from + 1e-6; h -= a.liftStepM)
      if (together(h) <= q.cap + 1e-9) {
        to = h;
        break;
      }
    if (out.length === 0 && to === from) break;
    years.push({ out, clearM: to, share: together(to) });
    standing = cleared(standing, to, build);
    clearM = clearAlready(standing, build, to, aimM);
  }
  return { leaders, undecided, clearM: clearNowM, aimM, years, reached: done() };
}
