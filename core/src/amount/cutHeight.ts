/** The cut belongs at the wanted height minus one season's growth. */
import type { Taxon } from "../catalogue/index.ts";
import type { Metres } from "../units/index.ts";

export type CutHeightGuard =
  /** The cut would lie under the least stub that still breaks. */
  | "stub-too-low"
  /** Nothing grows back from leafless wood: the cut must stay inside the green. */
  | "green-line"
  /** A year's growth is more than the wanted height: it cannot be held there. */
  | "cannot-hold";

export interface CutHeight {
  /** Where to cut so that the plant stands at the wanted height when growth ends. */
  readonly cutAtM: Metres;
  /** The same for strong and for slow growth: a range from low to high. */
  readonly rangeM: readonly [Metres, Metres];
  /** Least height at which it can be held, given its growth and its least stub. */
  readonly holdableFromM: Metres;
  readonly guards: readonly CutHeightGuard[];
}

/** Wanted height less growth, without any guard. // => cutBelow(1.35, 0.6) is 0.75 */
export const cutBelow = (wantedM: Metres, growthM: Metres): Metres => wantedM - growthM;

/**
 * Where to cut for a wanted height.
 * @param growthM yearly growth: slow, usual, strong
 * @param leastStubM lowest stub that breaks; null when only green may be cut
 * @param greenFromM lowest live leaf, where it matters and is known
 */
export function cutHeightFor(
  wantedM: Metres,
  growthM: Taxon["growthM"],
  leastStubM: Metres | null,
  greenFromM: Metres | null = null,
): CutHeight {
  const [slow, usual, strong] = growthM;
  const floor = Math.max(leastStubM ?? 0, greenFromM ?? 0);
  const raw = cutBelow(wantedM, usual);
  const guards: CutHeightGuard[] = [];
  if (raw <= 0) guards.push("cannot-hold");
  if (leastStubM !== null && raw < leastStubM) guards.push("stub-too-low");
  if (greenFromM !== null && raw < greenFromM) guards.push("green-line");
  return {
    cutAtM: Math.max(floor, raw),
    rangeM: [Math.max(floor, wantedM - strong), Math.max(floor, wantedM - slow)],
    holdableFromM: floor + usual,
    guards,
  };
}

/** Basal shoots to keep when they are 20–30 cm tall: by vigour, 5 to 9 (common practice). // => suckersToKeep(26) is [5, 9] */
export const suckersToKeep = (shoots: number): readonly [number, number] => [Math.min(shoots, 5), Math.min(shoots, 9)];
