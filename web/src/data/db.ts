/** The browser's database. One garden, as rows, and the log of changes that makes every one of them undoable. */
import Dexie, { type DexieOptions, type Table, type Transaction } from "dexie";
import {
  aimed,
  BEGUN_FILL,
  TAUGHT_FILL,
  TIME_FILL,
  TRIMMED_FILL,
  branched,
  FORM_FILL,
  OUTLOOK_FILL,
  placed,
  PRICES_FILL,
  seeing,
  SURVEY_FILL,
  TIMING_FILL,
  type Bed,
  type Correction,
  type Garden,
  type Hedge,
  type ListName,
  type Observation,
  type Photo,
  type PlannedCut,
  type Plant,
  type Programme,
  type RowList,
  type SeasonNote,
  type Stand,
  type Viewpoint,
  type Visit,
  type WeatherYear,
  type Work,
} from "@wren/core";
import { jpegOf } from "./base64.ts";

/** Everything of a garden that is not a list. */
export type Head = Pick<Garden, "id" | "name" | "place" | "rules"> & {
  /** True while it is the demo garden that came by itself. */
  readonly demo: boolean;
};
/** A row that came in a file already set apart: it cannot lie in its own table. */
export interface Wrapped {
  readonly id: string;
  readonly list: RowList;
  readonly row: unknown;
}

export type TableName = "head" | ListName | "apart";

/** One row before and after; null where it did not or does not exist. What lies in a table need not be sound. */
export interface Op {
  readonly table: TableName;
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
}

export interface Change {
  readonly seq?: number;
  readonly label: string;
  readonly at: number;
  readonly ops: readonly Op[];
  /** 1 after it was undone; it can be done again until something else is changed. */
  readonly undone: 0 | 1;
  /** The tab that made it; unknown of older ones. */
  readonly tab?: string;
  /** The states this copy descended from before and after, where it changed that. */
  readonly lineage?: { readonly before: readonly string[]; readonly after: readonly string[] };
}

/** A photo's picture and a small one for lists; null until one was made. */
export interface Picture {
  readonly id: string;
  readonly full: Blob;
  readonly small: Blob | null;
}

/** The garden as it was: packed, without its pictures, which stay where they are as long as it names them. */
export interface Snapshot {
  /** When it was taken, milliseconds since the epoch. */
  readonly at: number;
  readonly day: string;
  readonly why: "day" | "replaced" | "kept" | "shared";
  /** Of a state that left or arrived in a file: its mark. */
  readonly mark?: string;
  readonly name: string;
  readonly plants: number;
  readonly photoIds: readonly string[];
  readonly packed: Uint8Array;
}

const isRow = (x: unknown): x is { readonly id: unknown } => typeof x === "object" && x !== null && "id" in x;

type Fill = Readonly<Record<string, object>>;

/** Older rows get what they did not say, in their tables and in the log of changes. */
const filling =
  (fills: Fill) =>
  async (tx: Transaction): Promise<void> => {
    for (const [list, fill] of Object.entries(fills))
      await tx
        .table(list)
        .toCollection()
        .modify((row: object) => void Object.assign(row, filledRow(list, fill, row)));
    await tx
      .table<Change>("changes")
      .toCollection()
      .modify((change, ref) => {
        const filled = (op: Op, row: unknown): unknown =>
          isRow(row) ? filledRow(op.table, fills[op.table] ?? {}, row) : null;
        ref.value = {
          ...change,
          ops: change.ops.map((op) => ({ ...op, before: filled(op, op.before), after: filled(op, op.after) })),
        };
      });
  };

/** A row of a list with its gaps filled; of the head it is the place or the rules that have them. */
function filledRow(list: string, fill: object, row: object): object {
  if (list !== "head") return { ...fill, ...row };
  const had = row as Readonly<Record<string, object | undefined>>;
  const parts = Object.entries(fill as Readonly<Record<string, object>>).map(([part, more]): [string, object] => [
    part,
    { ...more, ...had[part] },
  ]);
  return { ...row, ...Object.fromEntries<object>(parts) };
}

/** Rows of a table made anew, there and on both sides of the log of changes. */
async function rewriting(tx: Transaction, table: TableName, anew: (row: unknown) => unknown): Promise<void> {
  await tx
    .table(table)
    .toCollection()
    .modify((row: object, ref: { value: unknown }) => void (ref.value = anew(row)));
  await tx
    .table<Change>("changes")
    .toCollection()
    .modify((change, ref) => {
      const ops = change.ops.map((op) =>
        op.table === table ? { ...op, before: anew(op.before), after: anew(op.after) } : op,
      );
      ref.value = { ...change, ops };
    });
}

/** Pictures leave their photos and become files of their own; views from places that are gone are dropped. */
async function pictured(tx: Transaction): Promise<void> {
  const pictures = new Map<string, Picture>();
  const bare = (row: unknown): unknown => {
    if (!isRow(row) || !("jpeg" in row)) return row;
    const { jpeg, ...rest } = row;
    const full = typeof jpeg === "string" && typeof row.id === "string" ? jpegOf(jpeg) : null;
    if (full) pictures.set(String(row.id), { id: String(row.id), full, small: null });
    return rest;
  };
  await rewriting(tx, "photos", bare);
  await tx.table("pictures").bulkPut([...pictures.values()]);
  const viewpoints = new Set<unknown>(await tx.table("viewpoints").toCollection().primaryKeys());
  await tx
    .table("plants")
    .toCollection()
    .modify((row: object, ref: { value: unknown }) => void (ref.value = seeing(row, viewpoints)));
}

/** A place says more than a zone and two dates. */
const located = (tx: Transaction): Promise<void> =>
  rewriting(tx, "head", (row) =>
    isRow(row) && "place" in row && typeof row.place === "object" && row.place !== null
      ? { ...row, place: placed(row.place as Readonly<Record<string, unknown>>) }
      : row,
  );

/** Stems carry branches that carry shoots; a goal knows a width and lines. */
async function built(tx: Transaction): Promise<void> {
  const anew = (f: (row: Record<string, unknown>) => object) => (row: unknown) => (isRow(row) ? f({ ...row }) : row);
  await rewriting(tx, "stands", anew(branched));
  await rewriting(tx, "plants", anew(aimed));
}

/** Append only: a shipped version is never edited, a new one is added with its upgrade. */
export const VERSIONS: readonly {
  readonly version: number;
  readonly stores: Readonly<Record<string, string>>;
  readonly upgrade?: (tx: Transaction) => Promise<void>;
}[] = [
  {
    version: 1,
    stores: {
      head: "id",
      beds: "id",
      plants: "id, bedId",
      visits: "id, plantId, on",
      observations: "id, plantId, on",
      changes: "++seq, undone",
    },
  },
  {
    version: 2,
    stores: { viewpoints: "id, bedId", photos: "id, plantId, on", plans: "id, plantId, on" },
    upgrade: filling(SURVEY_FILL),
  },
  {
    version: 3,
    stores: { weather: "id, year", seasons: "id, seasonYear", derived: "key" },
    upgrade: filling({ ...TIMING_FILL, head: { place: { monthly: null } } }),
  },
  { version: 4, stores: { stands: "id, plantId, on" } },
  {
    version: 5,
    stores: { programmes: "id, plantId, on" },
    upgrade: filling({ ...OUTLOOK_FILL, head: { rules: PRICES_FILL } }),
  },
  {
    version: 6,
    stores: { meta: "key", apart: "id", pictures: "id", snapshots: "at, day" },
    upgrade: pictured,
  },
  { version: 7, stores: {}, upgrade: located },
  // More can be seen and written down: an older application must not open what it cannot read.
  { version: 8, stores: {} },
  { version: 9, stores: {}, upgrade: filling(FORM_FILL) },
  { version: 10, stores: {}, upgrade: built },
  { version: 11, stores: { hedges: "id, plantId" }, upgrade: filling(BEGUN_FILL) },
  { version: 12, stores: {}, upgrade: filling(TRIMMED_FILL) },
  {
    version: 13,
    stores: { works: "id, plantId" },
    upgrade: filling({ plans: TIME_FILL.plans, head: { rules: TIME_FILL.rules } }),
  },
  {
    version: 14,
    stores: { corrections: "id, plantId" },
    upgrade: filling({
      visits: TAUGHT_FILL.visits,
      observations: TAUGHT_FILL.observations,
      head: { rules: TAUGHT_FILL.rules },
    }),
  },
  // Cuts say what they were proposed for: an older application must not open what it cannot read.
  { version: 15, stores: {} },
  // Values that were not chosen in a merge are kept as corrections: an older application must not open what it cannot read.
  { version: 16, stores: {} },
];
const NEWEST = Math.max(...VERSIONS.map((v) => v.version));
/** IndexedDB counts Dexie's versions in tenths. */
const DEXIE_STEP = 10;

/** The database was written by a newer version of the application: it is left as it is. */
export class NewerDatabase extends Error {
  constructor(version: number) {
    super(`version ${version}, where this one knows ${NEWEST}`);
    this.name = "NewerDatabase";
  }
}

/** The version that lies in the browser; 0 when there is none. Nothing is created or changed. */
const versionThere = (factory: IDBFactory, name: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const asked = factory.open(name);
    let there = true;
    asked.onupgradeneeded = () => {
      there = false;
      asked.transaction?.abort();
    };
    asked.onsuccess = () => {
      const { version } = asked.result;
      asked.result.close();
      resolve(version);
    };
    asked.onerror = () => {
      if (there) reject(asked.error ?? new Error("the database cannot be opened"));
      else resolve(0);
    };
    asked.onblocked = () => reject(new Error("another tab holds the database"));
  });

export class WrenDb extends Dexie {
  declare head: Table<Head, string>;
  declare beds: Table<Bed, string>;
  declare plants: Table<Plant, string>;
  declare visits: Table<Visit, string>;
  declare observations: Table<Observation, string>;
  declare viewpoints: Table<Viewpoint, string>;
  declare photos: Table<Photo, string>;
  declare plans: Table<PlannedCut, string>;
  declare programmes: Table<Programme, string>;
  declare stands: Table<Stand, string>;
  declare hedges: Table<Hedge, string>;
  declare works: Table<Work, string>;
  declare corrections: Table<Correction, string>;
  declare weather: Table<WeatherYear, string>;
  declare seasons: Table<SeasonNote, string>;
  declare changes: Table<Change, number>;
  /** Worked out from the rest; may be thrown away at any time. */
  declare derived: Table<{ key: string }, string>;
  /** "rev" goes up with every change, so that a tab knows whether it has seen the newest; "lineage": see lineage.ts. */
  declare meta: Table<{ key: string; value: number | readonly string[] }, string>;
  declare apart: Table<Wrapped, string>;
  declare pictures: Table<Picture, string>;
  declare snapshots: Table<Snapshot, number>;

  readonly #factory: IDBFactory | undefined;

  constructor(name = "wren-song", options: DexieOptions = {}) {
    super(name, options);
    this.#factory = options.indexedDB as IDBFactory | undefined;
    for (const v of VERSIONS) {
      const version = this.version(v.version).stores(v.stores);
      if (v.upgrade) version.upgrade(v.upgrade);
    }
  }

  /**
   * Opens it, or rejects: with NewerDatabase, or with what the browser says. The version is looked at first: opened
   * straight away, a newer database would be given what this version thinks is missing in it.
   */
  async ready(): Promise<void> {
    const version = await versionThere(this.#factory ?? indexedDB, this.name);
    if (version > NEWEST * DEXIE_STEP) throw new NewerDatabase(version / DEXIE_STEP);
    await this.open();
  }
}
