/**
 * Which states a copy descends from, by their marks: a copy gets a mark whenever it leaves for another device, and takes
 * over those of a copy that is brought into it. The newest mark of both is the last state they had in common.
 */
import { GardenSchema, inOrder, MOST, type Garden } from "../../model/index.ts";
import { textMark } from "../../units/index.ts";

/** Names a state of a garden by what it holds, whatever the order of its rows and their fields. */
export function stateMark(garden: Garden): string {
  const ordered = inOrder(garden);
  const canonical = GardenSchema.safeParse(ordered);
  return textMark(JSON.stringify(canonical.success ? canonical.data : ordered));
}

/** The marks of two lines together, each once, the newest last. */
export const lineageOf = (...lines: readonly (readonly string[])[]): readonly string[] => {
  const all = lines.flat();
  return all.filter((m, i) => all.lastIndexOf(m) === i).slice(-MOST.lineage);
};

/** The newest mark of both lines for which `held` is true; null: there is none. */
export function commonState(
  own: readonly string[],
  theirs: readonly string[],
  held: (mark: string) => boolean,
): string | null {
  const mine = new Set(own);
  return theirs.findLast((m) => mine.has(m) && held(m)) ?? null;
}
