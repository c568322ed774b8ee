/** What is kept, as a garden and what is set apart of it; and as tables of rows, in which two states are compared. */
import {
  CATALOGUE,
  GARDEN_LISTS,
  issueText,
  pathText,
  salvage,
  sameData,
  type Apart,
  type FileIssue,
  type Garden,
  type ListName,
  type Lore,
  type Place,
  type RowList,
} from "@wren/core";
import { today } from "./clock.ts";
import { jsonSafe } from "./jsonSafe.ts";
import type { Head, Op, TableName, WrenDb, Wrapped } from "./db.ts";

/** A row set apart, and where it lies: in its own table by its key, or wrapped in the table for such rows. */
export interface HeldApart extends Apart {
  readonly key: string;
  readonly wrapped: boolean;
}

/** A garden with the mark of where it came from, and what is set apart of it. */
export interface Stored {
  readonly garden: Garden;
  readonly demo: boolean;
  readonly apart: readonly HeldApart[];
}
/** The same as it was read or written last. */
export interface Kept extends Stored {
  /** Goes up with every change, here or in another tab. */
  readonly rev: number;
  /** What this very garden was found to teach, where it was opened from its copy. */
  readonly lore?: Lore;
  /** Only what the first picture needs is here; the whole comes right behind it. */
  readonly first?: boolean;
  /** The stems of some plants are still to be drawn; all records are here. */
  readonly undrawn?: boolean;
}

export type Tables = Readonly<Record<TableName, ReadonlyMap<string, unknown>>>;
export const TABLES: readonly TableName[] = ["head", ...GARDEN_LISTS, "apart"];

const headOf = ({ garden, demo }: Stored): Head => ({
  id: garden.id,
  name: garden.name,
  place: garden.place,
  rules: garden.rules,
  demo,
});

/** A state as the rows it is kept in. */
export function tablesOf(s: Stored): Tables {
  const inPlace = (list: RowList): [string, unknown][] =>
    s.apart.filter((a) => !a.wrapped && a.list === list).map((a) => [a.key, a.row]);
  const brokenHead = inPlace("head");
  const head = headOf(s);
  const wrapped = s.apart
    .filter((a) => a.wrapped)
    .map((a): [string, Wrapped] => [a.key, { id: a.key, list: a.list, row: a.row }]);
  const lists = GARDEN_LISTS.map((l): [ListName, ReadonlyMap<string, unknown>] => {
    const rows: readonly { readonly id: string }[] = s.garden[l];
    return [l, new Map<string, unknown>([...inPlace(l), ...rows.map((r): [string, unknown] => [r.id, r])])];
  });
  return {
    head: new Map<string, unknown>(brokenHead.length > 0 ? brokenHead : [[head.id, head]]),
    ...(Object.fromEntries(lists) as Record<ListName, ReadonlyMap<string, unknown>>),
    apart: new Map<string, unknown>(wrapped),
  };
}
export const NO_TABLES: Tables = Object.fromEntries(TABLES.map((t) => [t, new Map()])) as unknown as Tables;

/** The rows that differ between two states. */
export function opsBetween(before: Tables, after: Tables): Op[] {
  return TABLES.flatMap((table) => {
    const [old, now] = [before[table], after[table]];
    const ids = new Set([...old.keys(), ...now.keys()]);
    return [...ids]
      .filter((id) => old.get(id) !== now.get(id))
      .map((id): Op => ({ table, id, before: old.get(id) ?? null, after: now.get(id) ?? null }))
      .filter((op) => !sameData(op.before, op.after));
  });
}

/** Everything that lies in the tables, sound or not. */
export async function rawTables(db: WrenDb): Promise<Tables> {
  const rows = await Promise.all(
    TABLES.map(async (name): Promise<[TableName, Map<string, unknown>]> => {
      const table = db.table<unknown, string>(name);
      const values = await table.toArray();
      // A row lies under its own id: only where one has none that is a text are the keys asked for.
      const ids = values.map((v) => (isRecord(v) ? v["id"] : null));
      const keys = ids.every((id) => typeof id === "string") ? ids : await table.toCollection().primaryKeys();
      return [name, new Map(keys.map((k, i) => [k, jsonSafe(values[i])]))];
    }),
  );
  return Object.fromEntries(rows) as unknown as Tables;
}

export type Found =
  | { readonly is: "nothing" }
  | { readonly is: "garden"; readonly kept: Kept }
  /** No place can be made out: everything is set apart. */
  | { readonly is: "headless"; readonly apart: readonly HeldApart[]; readonly tables: Tables };

const isRecord = (x: unknown): x is Readonly<Record<string, unknown>> => typeof x === "object" && x !== null;

/** Which mark a head carries; a head of which nothing can be read is not the demo's. */
const demoOf = (head: unknown): boolean => isRecord(head) && head["demo"] === true;
const withoutDemo = (head: unknown): unknown => {
  if (!isRecord(head)) return head;
  const { demo: _, ...rest } = head;
  return rest;
};

const listsOf = (tables: Tables): Readonly<Record<ListName, readonly unknown[]>> =>
  Object.fromEntries(GARDEN_LISTS.map((l): [ListName, readonly unknown[]] => [l, [...tables[l].values()]])) as Record<
    ListName,
    readonly unknown[]
  >;

/** What can be read of a garden whose place cannot, as it stands at another place; null when that place will not do. */
export function gardenAt(tables: Tables, place: Place): Garden | null {
  const head = withoutDemo([...tables.head.values()][0]);
  const known = isRecord(head) ? head : {};
  return salvage({ head: { ...known, place }, lists: listsOf(tables) }, { catalogue: CATALOGUE, today: today() })
    .garden;
}

/** Parts what lies in the tables into a garden and what is set apart. */
export function foundIn(tables: Tables, rev: number): Found {
  const [head] = [...tables.head];
  if (TABLES.every((t) => tables[t].size === 0)) return { is: "nothing" };
  const parted = salvage(
    { head: withoutDemo(head?.[1]), lists: listsOf(tables) },
    { catalogue: CATALOGUE, today: today() },
  );
  const keyOf = new Map<unknown, string>(GARDEN_LISTS.flatMap((l) => [...tables[l]].map(([k, row]) => [row, k])));
  const inPlace = parted.apart.map((a): HeldApart =>
    a.list === "head"
      ? { ...a, row: head?.[1], key: head?.[0] ?? "garden", wrapped: false }
      : { ...a, key: keyOf.get(a.row) ?? "", wrapped: false },
  );
  const wrapped = [...tables.apart].map(([key, w]): HeldApart => {
    const { list, row } = w as Wrapped;
    return { list, row, key, wrapped: true, issues: [] };
  });
  const apart = [...inPlace, ...wrapped];
  return parted.garden
    ? { is: "garden", kept: { garden: parted.garden, demo: demoOf(head?.[1]), apart, rev } }
    : { is: "headless", apart, tables };
}

const LIST_WORDS: Readonly<Record<RowList, string>> = {
  head: "The garden itself",
  beds: "Bed",
  plants: "Plant",
  visits: "Visit",
  observations: "Observation",
  viewpoints: "Viewpoint",
  photos: "Photo",
  plans: "Plan",
  programmes: "What is begun for years",
  stands: "Stems",
  hedges: "Hedge",
  works: "Work under way",
  corrections: "What stood before",
  weather: "Weather",
  seasons: "A year's pace",
};
/** What a row is, in words a gardener knows it by. // => "Plant “Red rose”" */
export function rowName(list: RowList, row: unknown): string {
  const told = isRecord(row) ? (row["label"] ?? row["name"] ?? row["on"] ?? row["year"] ?? row["seasonYear"]) : null;
  const name = typeof told === "string" || typeof told === "number" ? String(told).slice(0, 60) : "";
  return name === "" ? LIST_WORDS[list] : `${LIST_WORDS[list]} “${name}”`;
}

/** What is wrong with a row, in one line. */
export const whyApart = (a: Pick<Apart, "issues">): string =>
  a.issues.map((i) => `${i.path.length > 0 ? `${pathText(i.path)}: ` : ""}${issueText(i)}`).join(" ") ||
  "It was set apart in the file it came with.";

/** What the gate refused, by the row and the field. */
export function refusalText(issues: readonly FileIssue[], after: Garden): string {
  const told = issues.slice(0, 3).map((i) => {
    const [list, at, ...field] = i.path;
    const row = GARDEN_LISTS.some((l) => l === list) ? after[list as ListName][Number(at)] : undefined;
    const where = row
      ? [rowName(list as ListName, row), ...(field.length > 0 ? [pathText(field)] : [])].join(", ")
      : pathText(i.path);
    return `${where}: ${issueText(i)}`;
  });
  return told.join(" ");
}
