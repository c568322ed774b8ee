/**
 * Two copies of one garden, kept on two devices, brought together field by field against the last state that both had in
 * common. Nothing is refused: what both changed differently is asked about, what the other side's change leaves without
 * its plant or bed brings it back, and a row that still cannot be part of the garden is quarantined with why.
 */
import type { PlainDate } from "../../calendar/index.ts";
import {
  GARDEN_LISTS,
  LETTERS,
  LIST_SCHEMAS,
  MOST,
  sameData,
  type Correction,
  type Garden,
  type ListName,
} from "../../model/index.ts";
import { textMark } from "../../units/index.ts";
import { checkPlaceClimate } from "../../climate/index.ts";
import { rowIssues, type Ground } from "../checks.ts";
import { salvage, type Apart, type RowList } from "../salvage.ts";
import { HEAD_RULE, ROW_RULES, type RowRule } from "./rules.ts";
import { mergedValue, type MergeSide, type Talk, type Was } from "./values.ts";

type Row<L extends ListName = ListName> = Garden[L][number];

/** What both copies changed differently. */
export interface Question {
  /** The same on both devices. */
  readonly key: string;
  readonly list: RowList;
  readonly id: string;
  /** Path of the field; empty: the row as a whole. */
  readonly field: string;
  /** undefined: that side took it out. */
  readonly own: unknown;
  readonly theirs: unknown;
  /** What both had before; undefined: nothing, or not known. */
  readonly was: unknown;
  /** What stands as long as nothing is chosen. */
  readonly stands: MergeSide;
}
/** Which side stands, by the key of the question. */
export type Choices = ReadonlyMap<string, MergeSide>;

/** Two copies and what they had in common. */
export interface MergeAsked {
  /** The last state that both had in common; null: not known. */
  readonly base: Garden | null;
  readonly own: Garden;
  readonly theirs: Garden;
  readonly choices?: Choices;
  readonly ground: Ground;
}
/** Two copies brought together. */
export interface Merged {
  readonly garden: Garden;
  readonly questions: readonly Question[];
  /** Rows that cannot be part of the garden. */
  readonly apart: readonly Apart[];
}

/** One row as the two sides and their common state have it. */
interface Triple<L extends ListName = ListName> {
  readonly id: string;
  readonly was: Was;
  readonly own: Row<L> | undefined;
  readonly theirs: Row<L> | undefined;
}

/** Values that were not chosen, as corrections that the history shows. */
class Kept {
  readonly rows: Correction[] = [];
  readonly #on: PlainDate;
  constructor(on: PlainDate) {
    this.#on = on;
  }
  add(list: RowList, rowId: string, plantId: string | null, field: string, value: unknown): void {
    const text = JSON.stringify(value ?? null);
    this.rows.push({
      id: `kept-${textMark([list, rowId, field, text].join(" "))}`,
      plantId,
      on: this.#on,
      rowId,
      removed: false,
      was: { of: "merge", list, field: field.slice(0, LETTERS.aside), value: text.slice(0, LETTERS.kept) },
    });
  }
}

const plantOf = (list: RowList, row: unknown): string | null => {
  const { id, plantId } = (row ?? {}) as { readonly id?: string; readonly plantId?: string | null };
  return list === "plants" ? (id ?? null) : (plantId ?? null);
};

/** Asks, keeps what is not chosen, and remembers both. */
class Asking {
  readonly #choices: Choices;
  readonly questions: Question[] = [];
  readonly kept: Kept;
  constructor(choices: Choices, on: PlainDate) {
    this.#choices = choices;
    this.kept = new Kept(on);
  }
  ask(list: RowList, id: string, field: string, sides: Pick<Question, "own" | "theirs" | "was">): MergeSide {
    const key = [list, id, field].join(" ").trim();
    const stands = sides.own === undefined ? "theirs" : "own";
    this.questions.push({ key, list, id, field, ...sides, stands });
    return this.#choices.get(key) ?? stands;
  }
  /** For the fields of one row. */
  of(list: RowList, id: string, plantId: string | null): Talk {
    const keep = (field: string, value: unknown): void => this.kept.add(list, id, plantId, field, value);
    return {
      ask: (field, own, theirs, was) => {
        const side = this.ask(list, id, field, { own, theirs, was: was?.value });
        keep(field, side === "own" ? theirs : own);
        return side;
      },
      lost: keep,
    };
  }
  /** What a row's merge asked and kept is forgotten: it is asked as a whole. */
  rewind(to: { readonly asked: number; readonly kept: number }): void {
    this.questions.length = to.asked;
    this.kept.rows.length = to.kept;
  }
  get mark() {
    return { asked: this.questions.length, kept: this.kept.rows.length };
  }
}

const byId = <L extends ListName>(g: Garden | null, list: L): Map<string, Row<L>> =>
  new Map((g ? (g[list] as readonly Row<L>[]) : []).map((r) => [r.id, r]));

/** Rows of one id are one row; so are two of one name that only one side each has. */
function triplesOf<L extends ListName>({ base, own, theirs }: MergeAsked, list: L): Triple<L>[] {
  const { name } = ROW_RULES[list] as unknown as RowRule<L>;
  const [was, mine, other] = [byId(base, list), byId(own, list), byId(theirs, list)];
  const wasNamed = new Map(name ? [...was.values()].map((r): [string, Row<L>] => [name(r), r]) : []);
  const wasOf = (row: Row<L>, ...more: readonly string[]): Was => {
    if (base === null) return null;
    const byIds = [row.id, ...more].map((id) => was.get(id)).find((r) => r !== undefined);
    return { value: byIds ?? (name && more.length > 0 ? wasNamed.get(name(row)) : undefined) };
  };
  const named = new Map<string, Row<L>[]>();
  if (name) for (const r of other.values()) if (!mine.has(r.id)) named.set(name(r), [...(named.get(name(r)) ?? []), r]);
  const single = new Map<string, number>();
  if (name) for (const r of mine.values()) if (!other.has(r.id)) single.set(name(r), (single.get(name(r)) ?? 0) + 1);
  const paired = new Set<string>();
  const out = [...mine.values()].map((r): Triple<L> => {
    const same = other.get(r.id);
    if (same) return { id: r.id, was: wasOf(r), own: r, theirs: same };
    const twin = name && single.get(name(r)) === 1 ? named.get(name(r)) : undefined;
    // Two that both had already are two.
    if (twin?.length !== 1 || (was.has(r.id) && was.has(twin[0]!.id)))
      return { id: r.id, was: wasOf(r), own: r, theirs: undefined };
    const [there] = twin as [Row<L>];
    paired.add(there.id);
    const id = r.id < there.id ? r.id : there.id;
    return { id, was: wasOf(r, there.id), own: r, theirs: there };
  });
  for (const r of other.values())
    if (!mine.has(r.id) && !paired.has(r.id)) out.push({ id: r.id, was: wasOf(r), own: undefined, theirs: r });
  return out;
}

const sound = (list: ListName, row: unknown, ground: Ground): boolean => {
  const read = LIST_SCHEMAS[list].safeParse(row);
  return read.success && rowIssues(list, read.data, ground).length === 0;
};

/** Both have it: field by field; where that makes no sound row, one of the two as a whole. */
function mergedRow<L extends ListName>(list: L, t: Triple<L>, asking: Asking, ground: Ground): Row<L> {
  const { own, theirs, was, id } = t as Triple<L> & { readonly own: Row<L>; readonly theirs: Row<L> };
  const at = asking.mark;
  const talk = asking.of(list, id, plantOf(list, own));
  const merged = mergedValue(ROW_RULES[list].fields, { was, own, theirs, path: "" }, talk) as Row<L>;
  if (merged === own || merged === theirs || sound(list, merged, ground)) return merged;
  asking.rewind(at);
  return talk.ask("", own, theirs, was) === "own" ? own : theirs;
}

/** Everything that hangs on a plant. */
const OF_PLANT = GARDEN_LISTS.filter(
  (l) => !["beds", "plants", "viewpoints", "weather", "seasons", "corrections"].includes(l),
);

/** Plants that one side took out: gone, or back because the other side worked on them since. */
function plantFates(asked: MergeAsked, asking: Asking): { readonly gone: Set<string>; readonly back: Set<string> } {
  const [gone, back] = [new Set<string>(), new Set<string>()];
  const { base } = asked;
  if (base === null) return { gone, back };
  const was = new Map(OF_PLANT.map((l) => [l, byId(base, l)]));
  const touched = (g: Garden, plantId: string): boolean =>
    OF_PLANT.some((l) =>
      (g[l] as readonly { readonly id: string; readonly plantId: string }[]).some(
        (r) => r.plantId === plantId && !sameData(was.get(l)!.get(r.id), r),
      ),
    );
  for (const t of triplesOf(asked, "plants")) {
    if ((t.own && t.theirs) || t.was?.value === undefined) continue;
    const [side, row] = t.own ? (["own", t.own] as const) : (["theirs", t.theirs!] as const);
    if (sameData(t.was.value, row) && !touched(asked[side], t.id)) gone.add(t.id);
    else {
      const stays = asking.ask("plants", t.id, "", { own: t.own, theirs: t.theirs, was: t.was.value });
      (stays === side ? back : gone).add(t.id);
    }
  }
  return { gone, back };
}

interface Standing {
  readonly gone: ReadonlySet<string>;
  readonly back: ReadonlySet<string>;
  /** Has a visit that only the other side knows settled a plan that only this side has? */
  readonly settled: (row: Garden["plans"][number], side: MergeSide) => boolean;
}

/** A plan that the other side's visit settled is settled here. */
function ended<L extends ListName>(list: L, t: Triple<L>, s: Standing): boolean {
  if (list !== "plans" || (t.own && t.theirs)) return false;
  return s.settled((t.own ?? t.theirs) as Garden["plans"][number], t.own ? "own" : "theirs");
}

function mergedList<L extends ListName>(list: L, asked: MergeAsked, asking: Asking, s: Standing): Row<L>[] {
  const keep = (t: Triple<L>, row: Row<L> | undefined): void => {
    if (row !== undefined && !sameData(t.was?.value, row)) asking.kept.add(list, t.id, plantOf(list, row), "", row);
  };
  return triplesOf(asked, list).flatMap((t): Row<L>[] => {
    const there = t.own ?? t.theirs!;
    const plantId = plantOf(list, there);
    if (plantId !== null && s.gone.has(plantId)) return [];
    if (ended(list, t, s)) {
      keep(t, there);
      return [];
    }
    if (t.own && t.theirs) return [mergedRow(list, t, asking, asked.ground)];
    // New on one side, or of a plant that came back; corrections never go.
    if (t.was?.value === undefined || list === "corrections" || (plantId !== null && s.back.has(plantId)))
      return [there];
    if (sameData(t.was.value, there)) return [];
    const side = asking.ask(list, t.id, "", { own: t.own, theirs: t.theirs, was: t.was.value });
    if ((side === "own") === (t.own !== undefined)) return [there];
    keep(t, there);
    return [];
  });
}

/** Work that either side finished, told by a visit of its id, is finished on both; what the other side had ticked is kept. */
function withoutFinished(asked: MergeAsked, asking: Asking): MergeAsked {
  const visited = new Set([...asked.own.visits, ...asked.theirs.visits].map((v) => v.id));
  const was = byId(asked.base, "works");
  const running = (g: Garden): Garden => {
    for (const w of g.works)
      if (visited.has(w.id) && !sameData(was.get(w.id), w)) asking.kept.add("works", w.id, w.plantId, "", w);
    return g.works.some((w) => visited.has(w.id)) ? { ...g, works: g.works.filter((w) => !visited.has(w.id)) } : g;
  };
  const base = asked.base && { ...asked.base, works: asked.base.works.filter((w) => !visited.has(w.id)) };
  return { ...asked, base, own: running(asked.own), theirs: running(asked.theirs) };
}

/** A row that others name comes back. */
function withNamed<L extends "beds" | "viewpoints">(
  list: L,
  rows: readonly Row<L>[],
  named: ReadonlySet<string>,
  { own, theirs, base }: MergeAsked,
): Row<L>[] {
  const have = new Set(rows.map((r) => r.id));
  const missing = [...named].filter((id) => !have.has(id));
  const from = [own, theirs, base].map((g) => byId(g, list));
  return [...rows, ...missing.flatMap((id) => from.map((m) => m.get(id)).find((r) => r !== undefined) ?? [])];
}

/** A pair holds only where both name each other, and a parent only where it stands. */
function mutual(plants: readonly Row<"plants">[], asking: Asking): Row<"plants">[] {
  const at = new Map(plants.map((p) => [p.id, p]));
  return plants.map((p) => {
    const pair = p.pairedWith !== null && at.get(p.pairedWith)?.pairedWith !== p.id;
    const orphan = p.parentId !== null && !at.has(p.parentId);
    if (!pair && !orphan) return p;
    if (pair && at.has(p.pairedWith!)) asking.kept.add("plants", p.id, p.id, "pairedWith", p.pairedWith);
    return { ...p, ...(pair ? { pairedWith: null } : {}), ...(orphan ? { parentId: null } : {}) };
  });
}

/** Name, place and rules; a place whose parts do not go together is one side's as a whole. */
function mergedHead(
  { base, own, theirs }: MergeAsked,
  asking: Asking,
): Pick<Garden, "id" | "name" | "place" | "rules"> {
  const head = ({ id, name, place, rules }: Garden) => ({ id, name, place, rules });
  const was: Was = base && { value: head(base) };
  const at = asking.mark;
  const talk = asking.of("head", own.id, null);
  const [a, b] = [head(own), head(theirs)];
  const merged = mergedValue(HEAD_RULE, { was, own: a, theirs: b, path: "" }, talk) as typeof a;
  if (checkPlaceClimate(merged.place).ok) return merged;
  asking.rewind(at);
  const rule = { ...HEAD_RULE, parts: { ...(HEAD_RULE as { parts: object }).parts, place: { is: "whole" } } };
  return mergedValue(rule as typeof HEAD_RULE, { was, own: a, theirs: b, path: "" }, talk) as typeof a;
}

function settledIn(own: Garden, theirs: Garden): Standing["settled"] {
  const newIn = (g: Garden, other: Garden): ReadonlySet<string> => {
    const known = new Set(other.visits.map((v) => v.id));
    return new Set(
      g.visits.flatMap((v) => (v.planned && !known.has(v.id) ? [`${v.plantId} ${v.task} ${v.planned.madeOn}`] : [])),
    );
  };
  const by = { own: newIn(theirs, own), theirs: newIn(own, theirs) };
  return (p, side) => by[side].has(`${p.plantId} ${p.task} ${p.madeOn}`);
}

const newestOf = (rows: readonly Correction[]): Correction[] =>
  rows.length <= MOST.corrections
    ? [...rows]
    : rows.toSorted((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0)).slice(0, MOST.corrections);

/**
 * Brings two copies together. The same choices give the same garden on both devices; bringing in what is in it already
 * changes nothing.
 */
export function mergeGardens(all: MergeAsked): Merged {
  const { choices = new Map<string, MergeSide>(), ground } = all;
  const asking = new Asking(choices, ground.today);
  const asked = withoutFinished(all, asking);
  const { own, theirs } = asked;
  const { gone, back } = plantFates(asked, asking);
  const s: Standing = {
    gone,
    back,
    settled: settledIn(own, theirs),
  };
  const lists = Object.fromEntries(GARDEN_LISTS.map((l) => [l, mergedList(l, asked, asking, s)])) as unknown as {
    [L in ListName]: Row<L>[];
  };
  lists.plants = mutual(lists.plants, asking);
  const seenFrom = new Set(lists.plants.flatMap((p) => p.views.map((v) => v.viewpointId)));
  lists.viewpoints = withNamed("viewpoints", lists.viewpoints, seenFrom, asked);
  const used = new Set([...lists.plants, ...lists.viewpoints].map((r) => r.bedId));
  lists.beds = withNamed("beds", lists.beds, used, asked);
  const head = mergedHead(asked, asking);
  const stands = new Set(lists.plants.map((p) => p.id));
  const known = new Set(lists.corrections.map((c) => c.id));
  const kept = asking.kept.rows
    .filter((c) => !known.has(c.id))
    .map((c) => (c.plantId !== null && !stands.has(c.plantId) ? { ...c, plantId: null } : c));
  const unique = [...new Map(kept.map((c) => [c.id, c])).values()];
  lists.corrections = newestOf(
    [...lists.corrections, ...unique].map((c) =>
      c.plantId !== null && !stands.has(c.plantId) ? { ...c, plantId: null } : c,
    ),
  );
  const parsed = new Set<unknown>([own, theirs].flatMap((g) => GARDEN_LISTS.flatMap((l): readonly unknown[] => g[l])));
  const { garden, apart } = salvage({ head, lists }, ground, parsed);
  return { garden: garden ?? own, questions: asking.questions, apart };
}
