/** A set of cuts in shares: of leaf, of stems, of outline; and the size that is left. */
import { shareByCount } from "../amount/index.ts";
import type { Stem, StemCut } from "../model/index.ts";
import {
  effectsOn,
  leafAbove,
  leafOf,
  leafOutside,
  reachLeft,
  standSize,
  type Build,
  type StemEffect,
} from "../stems/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";

export interface Size {
  readonly heightM: Metres;
  readonly widthM: Metres;
}

/** What a set of cuts takes of a plant, by every measure. */
export interface Amounts {
  readonly effects: readonly StemEffect[];
  /** Healthy live leaf that goes. */
  readonly share: Share;
  /** Live leaf on torn or diseased stems that goes: booked apart. */
  readonly hazardShare: Share;
  /** What each stem carries of the whole. */
  readonly ofStems: readonly Share[];
  /** Healthy live stems that go at the base, of all live ones. */
  readonly removed: number;
  readonly live: number;
  readonly countShare: Share;
  /** What those that go at the base carry of the whole. */
  readonly removedShare: Share;
  readonly headed: number;
  readonly deadRemoved: number;
  /** Does any dead wood go: a stem, a top, a branch, a shoot? */
  readonly takesDead: boolean;
  /** For the price in flowers: share of shoots reached, and of their length that goes. */
  readonly reach: Share;
  readonly depth: Share;
  readonly before: Size;
  readonly after: Size;
  /** The same cut measured by its outline, and by its height alone; null where nothing is left standing. */
  readonly byOutline: Share | null;
  readonly byHeight: Share | null;
}

const isLive = (s: Stem): boolean => s.state !== "dead";
/** A cut that reaches dead wood. */
const takesDead = ({ stem, kept, branchParts, shootParts }: StemEffect): boolean =>
  (kept < 1 && (stem.state === "dead" || stem.deadFrom !== null)) ||
  stem.branches.some(
    (b, i) => (b.dead && branchParts[i]! < 1) || b.shoots.some((x, j) => x.dead && shootParts[i]![j]! < 1),
  );
const isHealthy = (s: Stem): boolean => s.state === "live";

function sizeOf(effects: readonly StemEffect[], build: Build): Size {
  let [heightM, halfM] = [0, 0];
  for (const e of effects) {
    if (!isLive(e.stem)) continue;
    const left = reachLeft(e.stem, e, build);
    heightM = Math.max(heightM, left.heightM);
    halfM = Math.max(halfM, left.radiusM);
  }
  return { heightM, widthM: 2 * halfM };
}

/** Size before any cut; kept, since every try on the same stems asks for it. */
const UNCUT = new WeakMap<readonly Stem[], { readonly build: Build; readonly before: Size }>();
function uncut(stems: readonly Stem[], build: Build): Size {
  const kept = UNCUT.get(stems);
  if (kept?.build === build) return kept.before;
  const { heightM, radiusM } = standSize(stems, build);
  const before = { heightM, widthM: 2 * radiusM };
  UNCUT.set(stems, { build, before });
  return before;
}

/** What a list of cuts amounts to on these stems. Dead stems stand in no sum. */
export function amountsOf(stems: readonly Stem[], cuts: readonly StemCut[], build: Build): Amounts {
  const leaf = leafOf(stems, build);
  const effects = effectsOn(stems, cuts, build);
  let [healthyGone, hazardGone, reached, length, withStems] = [0, 0, 0, 0, 0];
  effects.forEach((e, i) => {
    const w = leaf.stems[i]!.weight;
    if (w === 0) return;
    if (isHealthy(e.stem)) {
      healthyGone += w * e.leafGone;
      if (e.kept === 0) withStems += w * e.leafGone;
    } else hazardGone += w * e.leafGone;
    reached += w * e.endsGone;
    length += w * e.leafGone;
  });
  const live = stems.filter(isLive).length;
  const removed = effects.filter((e) => e.kept === 0 && isHealthy(e.stem)).length;
  const before = uncut(stems, build);
  const after = sizeOf(effects, build);
  const part = (x: number): Share => (leaf.weight === 0 ? 0 : clampShare(x / leaf.weight));
  const reach = part(Math.max(reached, length));
  const { body } = leaf;
  return {
    effects,
    share: part(healthyGone),
    hazardShare: part(hazardGone),
    ofStems: leaf.stems.map((s) => part(s.weight)),
    removed,
    live,
    countShare: shareByCount(removed, live),
    removedShare: part(withStems),
    headed: effects.filter((e) => e.kept > 0 && e.kept < 1 && !e.endsCut && isLive(e.stem)).length,
    takesDead: effects.some(takesDead),
    deadRemoved: effects.filter((e) => e.kept === 0 && e.stem.state === "dead").length,
    reach,
    depth: reach === 0 ? 0 : clampShare(part(length) / reach),
    before,
    after,
    byOutline: before.heightM > 0 && after.heightM > 0 ? leafOutside(body, after.heightM, after.widthM) : null,
    byHeight: before.heightM > 0 && after.heightM > 0 ? leafAbove(body, after.heightM) : null,
  };
}
