/** How far a cut goes: one plan of share, reach and depth under every question that is asked of a cut. */
import { TASK_TABLE, type Task } from "../model/index.ts";
import type { Share } from "../units/index.ts";

/** A cut as far as it changes prices. */
export interface CutExtent {
  /** Live growth that it takes. */
  readonly share: Share;
  /** Share of the shoots that it reaches. */
  readonly reach: Share;
  /** Share of the length of those shoots that goes. */
  readonly depth: Share;
}

/** A cut of the usual size is the usual cut, as schools have it, not its nearest step. */
export const isUsualExtent = (task: Task, { reach, depth }: CutExtent): boolean =>
  reach === TASK_TABLE[task].reach && depth === TASK_TABLE[task].depth;

/**
 * A task that takes a share of the live growth: one that takes whole shoots takes more or fewer of them, any other goes
 * deeper or less deep. The usual share gives the usual cut. // => extentOf("thin", 0.1) reaches 0.1 of the shoots, whole
 */
export function extentOf(task: Task, share: Share): CutExtent {
  const { reach, depth, usualShare } = TASK_TABLE[task];
  const part = usualShare === 0 ? 1 : share / usualShare;
  return reach < 1
    ? { share, reach: Math.min(1, reach * part), depth }
    : { share, reach, depth: Math.min(1, depth * part) };
}
