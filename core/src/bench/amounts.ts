/** A set of cuts in shares: of leaf, of stems, of outline; and the size that is left. */
import { betweenShare, outlineOf, shareByCount, shareByHeight, solidOf } from "../amount/index.ts";
import type { Stem, StemCut } from "../model/index.ts";
import { reachLeft } from "../stems/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";
import { effectOn, leafWeight, type StemEffect, type StemKind } from "./effects.ts";

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
  /** Healthy live stems that go at the base, of all live ones. */
  readonly removed: number;
  readonly live: number;
  readonly countShare: Share;
  readonly headed: number;
  readonly deadRemoved: number;
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
const isHealthy = (s: Stem): boolean => s.state === "live";

function sizeOf(effects: readonly StemEffect[], kind: StemKind): Size {
  let [heightM, halfM] = [0, 0];
  for (const e of effects) {
    if (!isLive(e.stem)) continue;
    const left = reachLeft(e.stem, e.kept, e.branchParts, kind);
    heightM = Math.max(heightM, left.heightM);
    halfM = Math.max(halfM, left.radiusM);
  }
  return { heightM, widthM: 2 * halfM };
}

/** Size before any cut; kept, since every try on the same stems asks for it. */
const UNCUT = new WeakMap<readonly Stem[], { readonly habit: string; readonly before: Size }>();
function uncut(stems: readonly Stem[], kind: StemKind): Size {
  const kept = UNCUT.get(stems);
  if (kept?.habit === kind.habit) return kept.before;
  const before = sizeOf(
    stems.map((s) => effectOn(s, [], kind)),
    kind,
  );
  UNCUT.set(stems, { habit: kind.habit, before });
  return before;
}

/** What a list of cuts amounts to on these stems. Dead stems stand in no sum. */
export function amountsOf(stems: readonly Stem[], cuts: readonly StemCut[], kind: StemKind): Amounts {
  const effects = stems.map((s) => effectOn(s, cuts, kind));
  let [all, healthyGone, hazardGone, reached, length] = [0, 0, 0, 0, 0];
  for (const e of effects) {
    const w = leafWeight(e.stem, kind.sapwoodMm);
    all += w;
    if (isHealthy(e.stem)) healthyGone += w * e.leafGone;
    else hazardGone += w * e.leafGone;
    reached += w * e.endsGone;
    length += w * e.leafGone;
  }
  const live = stems.filter(isLive).length;
  const removed = effects.filter((e) => e.kept === 0 && isHealthy(e.stem)).length;
  const before = uncut(stems, kind);
  const after = sizeOf(effects, kind);
  const part = (x: number): Share => (all === 0 ? 0 : clampShare(x / all));
  const reach = part(Math.max(reached, length));
  return {
    effects,
    share: part(healthyGone),
    hazardShare: part(hazardGone),
    removed,
    live,
    countShare: shareByCount(removed, live),
    headed: effects.filter((e) => e.kept > 0 && e.kept < 1 && !e.endsCut && isLive(e.stem)).length,
    deadRemoved: effects.filter((e) => e.kept === 0 && e.stem.state === "dead").length,
    reach,
    depth: reach === 0 ? 0 : clampShare(part(length) / reach),
    before,
    after,
    byOutline:
      before.heightM > 0
        ? betweenShare(solidOf(kind, before.heightM, before.widthM), solidOf(kind, after.heightM, after.widthM))
        : null,
    byHeight: before.heightM > 0 ? shareByHeight(before.heightM, after.heightM, outlineOf(kind)) : null,
  };
}
