/**
 * Rows that somebody kept, whatever became of them: those that make a garden, and those that are set apart, each
 * with why. Nothing is thrown away: a row set apart stays where it lies and goes along in the file.
 */
import * as z from "zod";
import { checkPlaceClimate } from "../climate/index.ts";
import {
  GARDEN_LISTS,
  HeadSchema,
  IdSchema,
  inOrder,
  LIST_SCHEMAS,
  MOST,
  NameSchema,
  UNSAID_RULES,
  PlaceSchema,
  RulesSchema,
  type Garden,
  type ListName,
  type Place,
} from "../model/index.ts";
import { crossChecks, type Ground, type Rows, type Sound } from "./checks.ts";
import { at, fromZod, issue, type FileIssue } from "./issues.ts";

export const ROW_LISTS = ["head", ...GARDEN_LISTS] as const;
/** A list whose rows can be set apart one by one. */
export type RowList = (typeof ROW_LISTS)[number];

/** A row that cannot be part of the garden as things stand: kept as it is, with what is wrong with it. */
export interface Apart {
  readonly list: RowList;
  readonly row: unknown;
  readonly issues: readonly FileIssue[];
}

/** Rows as they were found. */
export interface RawRows {
  /** undefined: there is none. */
  readonly head: unknown;
  readonly lists: Readonly<Record<ListName, readonly unknown[]>>;
}

export interface Salvaged {
  /** null: not even a place can be made out, without which nothing answers. */
  readonly garden: Garden | null;
  readonly apart: readonly Apart[];
}

/** Codes of issues that depend on a clock or on a planting day that was corrected later: no reason to refuse a row. */
export const BY_THE_CLOCK: ReadonlySet<FileIssue["code"]> = new Set<FileIssue["code"]>([
  "date-future",
  "date-before-planting",
]);

const readPlace = (x: unknown): Place | null => {
  const parsed = PlaceSchema.safeParse(x);
  return parsed.success && checkPlaceClimate(parsed.data).ok ? parsed.data : null;
};

function placeIssues(x: unknown): readonly FileIssue[] {
  const parsed = PlaceSchema.safeParse(x);
  if (!parsed.success) return [];
  const checked = checkPlaceClimate(parsed.data);
  return checked.ok ? [] : checked.issues.map((i) => ({ ...i, path: ["place", ...i.path] }));
}

/** The head with what of it can be read; what cannot is stood in for, but the place. */
function salvagedHead(head: unknown) {
  const read = HeadSchema.safeParse(head);
  const issues = [...(read.success ? [] : fromZod(read.error, head)), ...placeIssues(at(head, ["place"]))];
  const part = <T>(schema: z.ZodType<T>, key: string, standIn: T): T => {
    const r = schema.safeParse(at(head, [key]));
    return r.success ? r.data : standIn;
  };
  const parts = {
    id: part(IdSchema, "id", "garden"),
    name: part(NameSchema, "name", "Garden"),
    rules: part(RulesSchema, "rules", UNSAID_RULES),
  };
  return { parts, place: readPlace(at(head, ["place"])), issues };
}

type Kept = { [L in ListName]: { readonly raw: unknown; readonly row: Garden[L][number] }[] };

const soundOf = (kept: Kept): Sound => {
  const ids = new Map<ListName, ReadonlySet<unknown>>(
    GARDEN_LISTS.map((l) => [l, new Set(kept[l].map((k) => k.row.id))]),
  );
  return {
    rows: <L extends ListName>(list: L): Rows<L> => kept[list].map(({ row }, i) => ({ i, row })),
    ids: (list) => ids.get(list)!,
  };
};

/** Sets aside what the checks among rows find, until none is found: a plant that goes takes its records along. */
function settle(kept: Kept, apart: Apart[], ground: Ground): void {
  for (;;) {
    const found = new Map<string, FileIssue[]>();
    crossChecks(soundOf(kept), ground, (i) => {
      if (BY_THE_CLOCK.has(i.code)) return;
      const key = `${i.path[0]} ${i.path[1]}`;
      const own = { ...i, path: i.path.slice(2) };
      found.set(key, [...(found.get(key) ?? []), own]);
    });
    if (found.size === 0) return;
    for (const list of GARDEN_LISTS) {
      const rows: { readonly raw: unknown; readonly row: Garden[typeof list][number] }[] = kept[list];
      const stays = rows.filter(({ raw }, i) => {
        const issues = found.get(`${list} ${i}`);
        if (issues) apart.push({ list, row: raw, issues });
        return !issues;
      });
      Object.assign(kept, { [list]: stays });
    }
  }
}

/** A view from a viewpoint that cannot be read is left out of the plant; its row keeps it. */
function withoutBlindViews(kept: Kept): void {
  const known = new Set(kept.viewpoints.map((v) => v.row.id));
  kept.plants = kept.plants.map((k) =>
    k.row.views.every((v) => known.has(v.viewpointId))
      ? k
      : { ...k, row: { ...k.row, views: k.row.views.filter((v) => known.has(v.viewpointId)) } },
  );
}

/**
 * Parts rows into a garden and what is set apart. Reading a sound garden's rows gives that garden and nothing apart.
 * @param parsed rows that a schema has read already: they are taken as they are
 */
export function salvage(raw: RawRows, ground: Ground, parsed: ReadonlySet<unknown> = new Set()): Salvaged {
  const apart: Apart[] = [];
  const kept = Object.fromEntries(GARDEN_LISTS.map((l) => [l, []])) as unknown as Kept;
  for (const list of GARDEN_LISTS) {
    const schema = LIST_SCHEMAS[list] as unknown as z.ZodType<Garden[typeof list][number]>;
    const rows: { raw: unknown; row: Garden[typeof list][number] }[] = kept[list];
    for (const row of raw.lists[list]) {
      const r = parsed.has(row)
        ? { success: true as const, data: row as Garden[typeof list][number] }
        : schema.safeParse(row);
      if (!r.success) apart.push({ list, row, issues: fromZod(r.error, row) });
      else if (rows.length >= MOST[list])
        apart.push({
          list,
          row,
          issues: [issue("field-many", [], { got: raw.lists[list].length, limit: MOST[list] })],
        });
      else rows.push({ raw: row, row: r.data });
    }
  }
  withoutBlindViews(kept);
  settle(kept, apart, ground);
  const head = salvagedHead(raw.head);
  if (head.issues.length > 0) apart.unshift({ list: "head", row: raw.head, issues: head.issues });
  const lists = Object.fromEntries(GARDEN_LISTS.map((l) => [l, kept[l].map((k) => k.row)])) as unknown as Pick<
    Garden,
    ListName
  >;
  return { garden: head.place && inOrder({ ...head.parts, place: head.place, ...lists }), apart };
}
