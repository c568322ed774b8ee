/**
 * Three-way merge of one value: what both copies had in common, and what each made of it. What only one of them changed
 * is taken; what both changed alike is one change; what both changed differently follows a rule, and is asked about
 * where the rule says no more. Symmetric in the two sides, but for what is asked.
 */
import { sameData } from "../../model/index.ts";

/** Of which copy a value is: this device's or the file's. */
export type MergeSide = "own" | "theirs";

/** The value both had in common; undefined in it: there was none. null: it is not known what they had in common. */
export type Was = { readonly value: unknown } | null;

/** How a value that both changed is brought together. */
export type Rule =
  /** As one: ask. */
  | { readonly is: "whole" }
  /** Field by field. Fields of a group mean something together only; of two readings the one of the later day stands. */
  | { readonly is: "fields"; readonly parts: Parts; readonly groups: readonly Group[] }
  /** Texts without an order, which may repeat: what either added is in it, what either took out is not. */
  | { readonly is: "set" }
  /** Entries told apart by some of their fields, each merged by itself. */
  | { readonly is: "entries"; readonly by: readonly string[]; readonly entry: Rule }
  /** A count that both went on with: both additions. */
  | { readonly is: "sum"; readonly most: number }
  /** The lesser of two numbers or texts; null is none. */
  | { readonly is: "least" };
export type Parts = Readonly<Record<string, Rule>>;
export interface Group {
  readonly of: readonly string[];
  /** The field that holds the day of the reading. */
  readonly day?: string;
  /** The fields are lists of days, merged day by day: a day that only one side observed is that side's. */
  readonly perDay?: true;
}

type Entry = Readonly<Record<string, unknown>>;
export const isEntry = (x: unknown): x is Entry => typeof x === "object" && x !== null && !Array.isArray(x);

/** What a merge asks and what it leaves out, as it goes. */
export interface Talk {
  /** Both sides changed it differently. @returns which stands */
  readonly ask: (path: string, own: unknown, theirs: unknown, was: Was) => MergeSide;
  /** Left out without asking. */
  readonly lost: (path: string, value: unknown) => void;
}

interface Sides {
  readonly was: Was;
  readonly own: unknown;
  readonly theirs: unknown;
  readonly path: string;
}

/** Where there was nothing its fields were nothing; of what is not known they are not known either. */
function within(was: Was, key: string): Was {
  if (was?.value === undefined) return was;
  return isEntry(was.value) ? { value: was.value[key] } : null;
}
const joined = (path: string, key: string): string => (path === "" ? key : `${path}.${key}`);
const unchanged = (was: Was, x: unknown): boolean => was?.value !== undefined && sameData(was.value, x);

/** Brings one value together. */
export function mergedValue(rule: Rule, s: Sides, talk: Talk): unknown {
  const { was, own, theirs } = s;
  if (sameData(own, theirs)) return own;
  if (unchanged(was, own)) return theirs;
  if (unchanged(was, theirs)) return own;
  const done = WAYS[rule.is](rule as never, s, talk);
  return done === ASK ? asked(s, talk) : done;
}

const ASK = Symbol("ask");
const asked = ({ was, own, theirs, path }: Sides, talk: Talk): unknown =>
  talk.ask(path, own, theirs, was) === "own" ? own : theirs;

/** Each text with which of its like it is, so that repeated ones are told apart. */
function numbered(texts: readonly unknown[]): ReadonlySet<string> {
  const met = new Map<unknown, number>();
  return new Set(
    texts.map((x) => {
      const n = (met.get(x) ?? 0) + 1;
      met.set(x, n);
      return `${String(x)} ${n}`;
    }),
  );
}

const WAYS: {
  readonly [K in Rule["is"]]: (rule: Extract<Rule, { is: K }>, s: Sides, talk: Talk) => unknown;
} = {
  whole: () => ASK,
  fields: (rule, s, talk) => (isEntry(s.own) && isEntry(s.theirs) ? mergedFields(rule, s, talk) : ASK),
  set: (_, { was, own, theirs }) => {
    if (!Array.isArray(own) || !Array.isArray(theirs)) return ASK;
    const before = Array.isArray(was?.value) ? numbered(was.value) : null;
    const [a, b] = [own, theirs].map(numbered);
    const stays = (x: string): boolean => (a!.has(x) && b!.has(x)) || !before?.has(x);
    return [...new Set([...a!, ...b!])]
      .filter(stays)
      .sort()
      .map((x) => x.slice(0, x.lastIndexOf(" ")));
  },
  entries: (rule, s, talk) => mergedEntries(rule, s, talk),
  sum: ({ most }, { was, own, theirs }) => {
    if (typeof own !== "number" || typeof theirs !== "number") return ASK;
    // What was counted by then is not known: the two may be one count.
    if (was === null) return Math.max(own, theirs);
    const before = typeof was.value === "number" ? was.value : 0;
    return Math.min(most, Math.max(0, own + theirs - before));
  },
  least: (_, { own, theirs }) => {
    if (own === null || theirs === null) return own ?? theirs;
    return (own as string | number) < (theirs as string | number) ? own : theirs;
  },
};

/** Of two readings the later one's side; null: of one day, or without one. */
function later(own: unknown, theirs: unknown): MergeSide | null {
  const [a, b] = [own, theirs].map((d) => (typeof d === "string" ? d : ""));
  return a === b ? null : a! > b! ? "own" : "theirs";
}

const picked = (x: Entry, of: readonly string[]): Entry => Object.fromEntries(of.map((k) => [k, x[k]]));

function mergedFields(rule: Extract<Rule, { is: "fields" }>, s: Sides, talk: Talk): Entry {
  const [own, theirs] = [s.own as Entry, s.theirs as Entry];
  const out: Record<string, unknown> = {};
  const grouped = new Set<string>();
  for (const { of, day, perDay } of rule.groups) {
    of.forEach((k) => grouped.add(k));
    const was: Was = s.was && isEntry(s.was.value) ? { value: picked(s.was.value, of) } : null;
    const [a, b] = [picked(own, of), picked(theirs, of)];
    const path = joined(s.path, of[0]!);
    const stands = (): unknown => {
      if (perDay) return mergedDays({ was, own: a, theirs: b, path }, of, talk);
      const side = day === undefined ? null : later(a[day], b[day]);
      const apart = !sameData(a, b) && !unchanged(was, a) && !unchanged(was, b);
      if (!apart || side === null) return mergedValue({ is: "whole" }, { was, own: a, theirs: b, path }, talk);
      talk.lost(path, side === "own" ? b : a);
      return side === "own" ? a : b;
    };
    Object.assign(out, stands());
  }
  for (const key of new Set([...Object.keys(own), ...Object.keys(theirs)])) {
    if (grouped.has(key)) continue;
    const at = { was: within(s.was, key), own: own[key], theirs: theirs[key], path: joined(s.path, key) };
    out[key] = mergedValue(rule.parts[key] ?? { is: "whole" }, at, talk);
  }
  // In the order of the own fields, so that equal rows are equal as text.
  return Object.fromEntries(Object.keys(own).map((k) => [k, out[k]]));
}

/** Lists of days merged day by day; where both observed a day differently one side's days stand. */
function mergedDays(s: Sides, of: readonly string[], talk: Talk): Entry {
  const lists = (x: unknown): unknown[][] =>
    of.map((k) => (isEntry(x) && Array.isArray(x[k]) ? (x[k] as unknown[]) : []));
  const [own, theirs, was] = [lists(s.own), lists(s.theirs), lists(s.was?.value)];
  const dayOf = (x: unknown[][], i: number): unknown[] => x.map((list) => list[i] ?? null);
  const days = Math.max(...own.map((l) => l.length), ...theirs.map((l) => l.length));
  let side: MergeSide | null = null;
  const merged = Array.from({ length: days }, (_, i): unknown[] => {
    const [a, b, before] = [dayOf(own, i), dayOf(theirs, i), dayOf(was, i)];
    const none = (x: readonly unknown[]): boolean => x.every((v) => v === null);
    const kept = (x: readonly unknown[]): boolean => !none(before) && sameData(before, x);
    if (sameData(a, b) || kept(b)) return a;
    if (kept(a)) return b;
    if (none(a) || none(b)) return none(a) ? b : a;
    side ??= talk.ask(s.path, s.own, s.theirs, s.was);
    return side === "own" ? a : b;
  });
  return Object.fromEntries(of.map((k, j) => [k, merged.map((day) => day[j])]));
}

function mergedEntries(rule: Extract<Rule, { is: "entries" }>, s: Sides, talk: Talk): unknown {
  const keyOf = (x: unknown): string => rule.by.map((k) => String((x as Entry)[k])).join(" ");
  const keyed = (list: unknown): ReadonlyMap<string, unknown> | null => {
    if (!Array.isArray(list) || !list.every(isEntry)) return null;
    const map = new Map(list.map((x): [string, unknown] => [keyOf(x), x]));
    return map.size === list.length ? map : null;
  };
  const [own, theirs] = [keyed(s.own), keyed(s.theirs)];
  const before = s.was === null ? null : keyed(s.was.value ?? []);
  if (!own || !theirs) return ASK;
  const out: [string, unknown][] = [];
  for (const key of new Set([...own.keys(), ...theirs.keys()])) {
    const [a, b] = [own.get(key), theirs.get(key)];
    const was: Was = before && { value: before.get(key) };
    const path = joined(s.path, key);
    if (a !== undefined && b !== undefined)
      out.push([key, mergedValue(rule.entry, { was, own: a, theirs: b, path }, talk)]);
    else {
      const there = a ?? b;
      if (was?.value === undefined) out.push([key, there]);
      // Taken out by one side: gone where the other left it as it was.
      else if (!sameData(was.value, there)) {
        const side = talk.ask(path, a, b, was);
        const stays = side === "own" ? a : b;
        if (stays !== undefined) out.push([key, stays]);
      }
    }
  }
  return out.sort(([a], [b]) => (a < b ? -1 : 1)).map(([, x]) => x);
}
