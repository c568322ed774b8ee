/** Everything that was written down, as one list with a text by which it is found. Pure. */
import {
  TASK_TABLE,
  type Correction,
  type Garden,
  type Observation,
  type Photo,
  type PlannedCut,
  type Visit,
} from "@wren/core";
import { OBSERVATION_LABELS } from "../../words/labels.ts";

/** What an entry is; the filters of the list. */
export const ENTRY_KINDS = ["visit", "seen", "photo", "plan", "changed"] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];
export const ENTRY_LABELS: Readonly<Record<EntryKind, string>> = {
  visit: "Work",
  seen: "Seen",
  photo: "Photos",
  plan: "Planned",
  changed: "Changed since",
};

interface Told {
  readonly id: string;
  /** One of its kind and id. */
  readonly key: string;
  /** null: of no plant. */
  readonly plantId: string | null;
  readonly on: string;
  /** In small letters, for searching. */
  readonly text: string;
}
export type Entry = Told &
  (
    | { readonly kind: "visit"; readonly row: Visit }
    | { readonly kind: "seen"; readonly row: Observation }
    | { readonly kind: "photo"; readonly row: Photo }
    | { readonly kind: "plan"; readonly row: PlannedCut }
    | { readonly kind: "changed"; readonly row: Correction }
  );

const KNOWN = new WeakMap<Garden, readonly Entry[]>();
/** Newest first; of one day what was written last comes first. */
export function entriesOf(g: Garden): readonly Entry[] {
  let all = KNOWN.get(g);
  if (all) return all;
  const label = new Map(g.plants.map((p) => [p.id, p.label]));
  const bed = new Map(g.beds.map((b) => [b.id, b.name]));
  const where = new Map(g.plants.map((p) => [p.id, `${label.get(p.id) ?? ""} ${bed.get(p.bedId) ?? ""}`]));
  const told = (
    kind: EntryKind,
    row: { readonly id: string; readonly plantId: string | null; readonly on: string },
    words: string,
  ): Told => ({
    id: row.id,
    key: `${kind} ${row.id}`,
    plantId: row.plantId,
    on: row.on,
    text: `${row.plantId === null ? "" : (where.get(row.plantId) ?? "")} ${row.on} ${words}`.toLowerCase(),
  });
  const entries: Entry[] = [
    ...g.visits.map((row): Entry => ({
      ...told("visit", row, `${TASK_TABLE[row.task].label} ${row.note} ${row.by}`),
      kind: "visit",
      row,
    })),
    ...g.observations.map((row): Entry => ({
      ...told("seen", row, `${OBSERVATION_LABELS[row.kind]} ${row.note}`),
      kind: "seen",
      row,
    })),
    ...g.photos.map((row): Entry => ({ ...told("photo", row, `photo ${row.caption}`), kind: "photo", row })),
    ...g.plans.map((row): Entry => ({
      ...told("plan", row, `planned ${TASK_TABLE[row.task].label} ${row.note}`),
      kind: "plan",
      row,
    })),
    ...g.corrections.map((row): Entry => ({
      ...told("changed", row, row.was.of === "merge" ? `not chosen ${row.was.value}` : `changed ${row.was.row.note}`),
      kind: "changed",
      row,
    })),
  ];
  all = entries.sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
  KNOWN.set(g, all);
  return all;
}

export interface Sieve {
  readonly text: string;
  readonly plantId: string | null;
  readonly kinds: ReadonlySet<EntryKind>;
}
interface Sifted extends Sieve {
  readonly found: readonly Entry[];
}
/** What was looked for last in a list. */
const LAST = new WeakMap<readonly Entry[], Sifted>();
/** Entries that hold all the words, of one plant and of some kinds where those were chosen. */
export function sieved(all: readonly Entry[], sieve: Sieve): readonly Entry[] {
  const last = LAST.get(all);
  // One letter more can only be held by what held the letters before.
  const within =
    last?.plantId === sieve.plantId && last.kinds === sieve.kinds && sieve.text.startsWith(last.text)
      ? last.found
      : all;
  const found = sift(within, sieve);
  LAST.set(all, { ...sieve, found });
  return found;
}

/** Goes through all of them once, so that the first letter finds a path that was walked. */
export const walkThrough = (all: readonly Entry[]): number =>
  sift(all, { text: "\u0000", plantId: null, kinds: new Set() }).length;

function sift(entries: readonly Entry[], { text, plantId, kinds }: Sieve): readonly Entry[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const [first = "", ...rest] = words;
  const all = kinds.size === 0 && plantId === null && rest.length === 0;
  const found: Entry[] = [];
  // Tens of thousands of lines are gone through within a part of a frame: one word in everything takes the short way.
  for (const e of entries) {
    if (!e.text.includes(first)) continue;
    if (
      all ||
      ((kinds.size === 0 || kinds.has(e.kind)) &&
        (plantId === null || e.plantId === plantId) &&
        rest.every((w) => e.text.includes(w)))
    )
      found.push(e);
  }
  return found;
}

/** What else of the garden holds the words: plants, beds, hedges, with where they are shown. */
export interface Elsewhere {
  readonly name: string;
  readonly what: string;
  readonly to: string;
}
const MOST_ELSEWHERE = 12;
export function elsewhere(g: Garden, text: string): readonly Elsewhere[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const holds = (...texts: readonly string[]): boolean => {
    const all = texts.join(" ").toLowerCase();
    return words.every((w) => all.includes(w));
  };
  return [
    ...g.plants
      .filter((p) => holds(p.label, p.note))
      .map((p) => ({ name: p.label, what: "Plant", to: `/plant/${p.id}` })),
    ...g.beds
      .filter((b) => holds(b.name, b.note, b.shadedBy))
      .map((b) => ({ name: b.name, what: "Bed", to: "/garden" })),
    ...g.hedges
      .filter((h) => holds("hedge", h.note))
      .map((h) => ({ name: h.note || "Hedge", what: "Hedge", to: `/hedges/${h.id}` })),
    ...g.viewpoints.filter((v) => holds(v.name)).map((v) => ({ name: v.name, what: "Viewpoint", to: "/garden" })),
  ].slice(0, MOST_ELSEWHERE);
}
