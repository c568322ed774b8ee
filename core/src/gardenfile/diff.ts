/** What an import would change, counted and named, before anything is changed. */
import { GARDEN_LISTS, sameData, type Garden, type ListName } from "../model/index.ts";

export interface ListChange {
  readonly list: ListName;
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly removed: readonly string[];
  readonly same: number;
}

/** What differs between two gardens, list by list. */
export interface GardenChange {
  readonly name: { readonly from: string; readonly to: string } | null;
  readonly placeChanges: boolean;
  readonly rulesChange: boolean;
  readonly lists: readonly ListChange[];
  /** True when the two gardens are the same. */
  readonly nothing: boolean;
}

type Row = { readonly id: string };
function listChange(list: ListChange["list"], before: readonly Row[], after: readonly Row[]): ListChange {
  const old = new Map(before.map((r) => [r.id, r]));
  const now = new Map(after.map((r) => [r.id, r]));
  const name = (r: Row): string =>
    "label" in r ? String(r.label) : "name" in r ? String(r.name) : "on" in r ? String(r.on) : r.id;
  const changed = after.filter((r) => old.has(r.id) && !sameData(old.get(r.id), r));
  return {
    list,
    added: after.filter((r) => !old.has(r.id)).map(name),
    changed: changed.map(name),
    removed: before.filter((r) => !now.has(r.id)).map(name),
    same: after.filter((r) => old.has(r.id)).length - changed.length,
  };
}

/** Compares two gardens list by list, by id. */
export function gardenChange(before: Garden, after: Garden): GardenChange {
  const lists = GARDEN_LISTS.map((l) => listChange(l, before[l], after[l]));
  const placeChanges = !sameData(before.place, after.place);
  const rulesChange = !sameData(before.rules, after.rules);
  const name = before.name === after.name ? null : { from: before.name, to: after.name };
  const quiet = lists.every((l) => l.added.length + l.changed.length + l.removed.length === 0);
  return {
    name,
    placeChanges,
    rulesChange,
    lists,
    nothing: quiet && !placeChanges && !rulesChange && name === null,
  };
}
