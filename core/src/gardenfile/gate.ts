/**
 * The one gate: whatever is to be kept passes it, wherever it comes from. Rows that changed are parsed by their schema;
 * what rows say of each other is checked over the whole garden, and only what an edit has made wrong refuses it.
 */
import type * as z from "zod";
import { checkPlaceClimate } from "../climate/index.ts";
import { GARDEN_LISTS, HeadSchema, inOrder, LIST_SCHEMAS, MOST, type Garden, type ListName } from "../model/index.ts";
import { ok, refused, type Result } from "../units/index.ts";
import { crossChecks, type Ground, type Sound } from "./checks.ts";
import { countLists } from "./counts.ts";
import { fromZod, issue, Issues, type FileIssue } from "./issues.ts";

const soundOf = (g: Garden): Sound => {
  const ids = new Map<ListName, ReadonlySet<unknown>>();
  return {
    rows: (list) => (g[list] as readonly Garden[typeof list][number][]).map((row, i) => ({ i, row })),
    ids: (list) => {
      let known = ids.get(list);
      if (!known) ids.set(list, (known = new Set(g[list].map((r) => r.id))));
      return known;
    },
  };
};

/** An issue by what it is about, wherever its row stands in the list. */
const about = (g: Garden, i: FileIssue): string => {
  const [list, at, ...field] = i.path;
  const row = g[list as ListName][Number(at)];
  return [i.code, list, row?.id, ...field].join("\u0000");
};

/** What the checks among rows find in a garden; kept, because one edit's after is the next one's before. */
const found = new WeakMap<Garden, { readonly on: string; readonly issues: ReadonlyMap<string, FileIssue> }>();
function issuesOf(g: Garden, ground: Ground): ReadonlyMap<string, FileIssue> {
  const kept = found.get(g);
  if (kept?.on === ground.today) return kept.issues;
  const issues = new Map<string, FileIssue>();
  crossChecks(soundOf(g), ground, (i) => void issues.set(about(g, i), i));
  found.set(g, { on: ground.today, issues });
  return issues;
}

/** Rows that are the same object as before have been checked before. */
function parsedList<L extends ListName>(list: L, before: Garden | null, after: Garden, out: Issues): Garden[L] {
  const known: ReadonlySet<unknown> = new Set<unknown>(before ? before[list] : []);
  const schema = LIST_SCHEMAS[list] as unknown as z.ZodType<Garden[L][number]>;
  const rows = after[list] as readonly Garden[L][number][];
  if (rows.length > MOST[list]) out.add(issue("field-many", [list], { got: rows.length, limit: MOST[list] }));
  const parsed = rows.map((row, i) => {
    if (known.has(row)) return row;
    const counted = new Issues();
    countLists(schema, row, [list, i], counted);
    out.add(...counted.list);
    if (counted.count > 0) return row;
    const r = schema.safeParse(row);
    if (r.success) return r.data;
    out.add(...fromZod(r.error, row, [list, i]));
    return row;
  });
  return parsed as Garden[L];
}

function parsedHead(
  before: Garden | null,
  after: Garden,
  out: Issues,
): Pick<Garden, "id" | "name" | "place" | "rules"> {
  const { id, name, place, rules } = after;
  const same = before !== null && before.name === name && before.place === place && before.rules === rules;
  if (same && before.id === id) return { id, name, place, rules };
  const r = HeadSchema.safeParse({ id, name, place, rules });
  if (!r.success) {
    out.add(...fromZod(r.error, after));
    return { id, name, place, rules };
  }
  const climate = before?.place === place ? null : checkPlaceClimate(place);
  if (climate && !climate.ok) for (const i of climate.issues) out.add({ ...i, path: ["place", ...i.path] });
  return r.data;
}

/**
 * Lets a changed garden through, or names what is wrong with it.
 * @param before the garden that was kept until now, itself let through; null: there was none
 * @param tolerated codes that refuse nothing: of what was brought in from another device its clock said so
 * @returns the garden as it is to be kept (texts trimmed, in its order), or every issue with its path in `after`
 */
export function gate(
  before: Garden | null,
  after: Garden,
  ground: Ground,
  tolerated: ReadonlySet<FileIssue["code"]> = new Set(),
): Result<Garden, FileIssue["code"]> {
  const out = new Issues();
  const head = parsedHead(before, after, out);
  const lists = Object.fromEntries(GARDEN_LISTS.map((l) => [l, parsedList(l, before, after, out)]));
  if (out.count > 0) return refused(out.list);
  const next = inOrder({ ...head, ...(lists as unknown as Pick<Garden, ListName>) });
  const old = before ? issuesOf(before, ground) : new Map<string, FileIssue>();
  for (const [key, i] of issuesOf(next, ground)) if (!old.has(key) && !tolerated.has(i.code)) out.add(i);
  return out.count > 0 ? refused(out.list) : ok(next);
}
