/** The browser's database. One garden, as rows, and the log of changes that makes every one of them undoable. */
import Dexie, { type DexieOptions, type Table, type Transaction } from "dexie";
import {
  OUTLOOK_FILL,
  PRICES_FILL,
  SURVEY_FILL,
  TIMING_FILL,
  type Bed,
  type Garden,
  type ListName,
  type Observation,
  type Photo,
  type PlannedCut,
  type Plant,
  type Programme,
  type SeasonNote,
  type Stand,
  type Viewpoint,
  type Visit,
  type WeatherYear,
  type YearsShown,
} from "@wren/core";

/** Everything of a garden that is not a list. */
export type Head = Pick<Garden, "id" | "name" | "place" | "rules"> & {
  /** True while it is the demo garden that came by itself. */
  readonly demo: boolean;
};

export type TableName = "head" | ListName;
export type Row =
  | Head
  | Bed
  | Plant
  | Visit
  | Observation
  | Viewpoint
  | Photo
  | PlannedCut
  | Programme
  | Stand
  | WeatherYear
  | SeasonNote;

/** One row before and after; null where it did not or does not exist. */
export interface Op {
  readonly table: TableName;
  readonly id: string;
  readonly before: Row | null;
  readonly after: Row | null;
}

export interface Change {
  readonly seq?: number;
  readonly label: string;
  readonly at: number;
  readonly ops: readonly Op[];
  /** 1 after it was undone; it can be done again until something else is changed. */
  readonly undone: 0 | 1;
}

const isRow = (x: unknown): x is Row => typeof x === "object" && x !== null && "id" in x;

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
        const filled = (op: Op, row: Row | null): Row | null => {
          const next: unknown = row === null ? null : filledRow(op.table, fills[op.table] ?? {}, row);
          return isRow(next) ? next : null;
        };
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
];

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
  declare weather: Table<WeatherYear, string>;
  declare seasons: Table<SeasonNote, string>;
  declare changes: Table<Change, number>;
  /** Worked out from the rest; may be thrown away at any time. */
  declare derived: Table<{ key: string; shown: YearsShown }, string>;

  constructor(name = "wren-song", options: DexieOptions = {}) {
    super(name, options);
    for (const v of VERSIONS) {
      const version = this.version(v.version).stores(v.stores);
      if (v.upgrade) version.upgrade(v.upgrade);
    }
  }
}
