/** Two copies of one garden, kept on two devices, brought together row by row. */
import { GARDEN_LISTS, inOrder, sameData, type Garden, type ListName } from "../model/index.ts";

/** Whose row stays where both have it and it differs. */
export type Prefer = "own" | "theirs";
/** Two gardens brought together. */
export interface Merged {
  readonly garden: Garden;
  /** Rows that both have and that differ, list by list. */
  readonly differing: readonly { readonly list: ListName; readonly id: string }[];
}

/**
 * Rows of either are there; of a row that both have one stays. What only one of them removed comes back: nobody can tell
 * it from a row that the other wrote. Name, place and rules are the own garden's.
 */
export function mergeGardens(own: Garden, theirs: Garden, prefer: Prefer): Merged {
  const differing: Merged["differing"][number][] = [];
  const merged = GARDEN_LISTS.map((list): readonly [ListName, readonly { readonly id: string }[]] => {
    const mine = new Map<string, { readonly id: string }>(own[list].map((r) => [r.id, r]));
    for (const row of theirs[list]) {
      const old = mine.get(row.id);
      if (old && !sameData(old, row)) differing.push({ list, id: row.id });
      if (!old || prefer === "theirs") mine.set(row.id, row);
    }
    return [list, [...mine.values()]];
  });
  return { garden: inOrder({ ...own, ...(Object.fromEntries(merged) as Partial<Garden>) }), differing };
}
