/**
 * A table of plants, line by line, into changes of a garden: new plants, changed ones by id, new beds by name.
 * All or nothing: any problem, named by line and column, and nothing is taken.
 */
import type { Catalogue, Taxon } from "../catalogue/index.ts";
import { aboutYear, parseDate, type PlainDate } from "../calendar/index.ts";
import { goalHasHeight } from "../advice/index.ts";
import { unnamed, UNKNOWN_TAXON } from "../identify/index.ts";
import {
  BOUNDS,
  CONDITIONS,
  DANGERS,
  FORMS,
  GOALS,
  IdSchema,
  LETTERS,
  MOST,
  UNSURVEYED_BED,
  UNSURVEYED_PLANT,
  VIGOURS,
  type Bed,
  type Bounds,
  type Garden,
  type GoalKind,
  type Plant,
  wish,
  dayWithin,
} from "../model/index.ts";
import { ok, parseLength, refused, type Issue, type Metres, type Result } from "../units/index.ts";
import { COLUMNS, HEADING_UNITS, splitHeading, type ColumnId, type LengthColumn, type Mapping } from "./columns.ts";
import { plainCell } from "./cells.ts";

/** What may be wrong with a table of plants. */
export type TableIssueCode =
  | "table-empty"
  | "table-column"
  | "table-column-twice"
  | "table-unit"
  | "table-long"
  | "table-fields"
  | "table-needed"
  | "table-kind"
  | "table-kind-many"
  | "table-id"
  | "table-id-twice"
  | "table-length"
  | "table-length-range"
  | "table-day"
  | "table-choice"
  | "table-text-long"
  | "table-beds"
  | "table-record";
/** What is wrong with a table, and in which line. */
export type TableIssue = Issue<TableIssueCode>;

/** The garden a table is read for. */
export interface TableContext {
  readonly garden: Garden;
  readonly catalogue: Catalogue;
  readonly today: PlainDate;
  /** Ids for rows that bring none. */
  readonly newId: () => string;
}

/** What a table would change. */
export interface TableChange {
  readonly plants: readonly Plant[];
  readonly beds: readonly Bed[];
  readonly added: number;
  readonly changed: number;
}

export interface TableReader {
  /** Reads one line; what is wrong with it is kept. @param line as an editor counts, the heading is 1 */
  readonly row: (line: number, cells: readonly string[]) => void;
  readonly issueCount: () => number;
  readonly finish: () => Result<TableChange, TableIssueCode>;
}

const here = (line: number, column?: ColumnId): readonly (string | number)[] => {
  const heading = COLUMNS.find((c) => c.id === column)?.heading;
  return heading === undefined ? [`line ${line}`] : [`line ${line}`, heading];
};

/** What is wrong with the headings and their matching, before any line is read. */
export function headingIssues(headings: readonly string[], mapping: Mapping, lines: number): readonly TableIssue[] {
  const out: TableIssue[] = [];
  if (lines === 0) return [{ code: "table-empty", path: here(1), values: {} }];
  // A longer table is refused before its lines are read.
  if (lines > MOST.plants) out.push({ code: "table-long", path: here(1), values: { lines, most: MOST.plants } });
  const used = new Map<number, string>();
  for (const c of COLUMNS) {
    const i = mapping[c.id];
    if (i === null) {
      if (c.required)
        out.push({
          code: "table-column",
          path: here(1),
          values: { column: c.heading, got: headings.join(", ").slice(0, 120) },
        });
      continue;
    }
    const other = used.get(i);
    if (other !== undefined)
      out.push({
        code: "table-column-twice",
        path: here(1),
        values: { heading: headings[i] ?? "", a: other, b: c.heading },
      });
    used.set(i, c.heading);
    const { unit } = splitHeading(headings[i] ?? "");
    if (c.length && unit !== null && !HEADING_UNITS.some((u) => u === unit))
      out.push({ code: "table-unit", path: here(1, c.id), values: { got: unit, options: HEADING_UNITS.join(", ") } });
  }
  return out;
}

const LENGTHS: Readonly<Record<LengthColumn, Bounds>> = {
  height: BOUNDS.heightM,
  width: BOUNDS.widthM,
  wanted: BOUNDS.heightM,
  along: BOUNDS.alongM,
  mature: BOUNDS.heightM,
  growth: BOUNDS.growthM,
};
/** A longer cell is no length, day or name: it is not looked into. */
const LONGEST_CELL = 400;

/** Finds a kind by id, botanical or common name, or by words that fit one kind only. "?" and "unknown" are a shrub not yet named. */
/** A kind by any of its names; several where it is not settled, none where nobody knows it. */
export function kindOf(text: string, catalogue: Catalogue): Taxon | "unknown" | readonly Taxon[] {
  const wanted = text.toLowerCase();
  if (/^(\?+|unknown.*|not known|don.t know)$/.test(wanted)) return "unknown";
  const exact = catalogue.taxa.find(
    (t) => t.id === wanted || t.botanical.toLowerCase() === wanted || t.common.some((c) => c.toLowerCase() === wanted),
  );
  if (exact) return exact;
  const found = catalogue.search(text);
  return found.length === 1 ? found[0]! : found;
}

/** A wanted height is a wish by itself: where none is named the plant keeps its own, if that comes with a height. */
function wishOf(kind: GoalKind | null, heightM: Metres | null, old: Plant["goal"] | null): Plant["goal"] {
  const rest = old ?? wish("routine");
  if (kind !== null) return { ...rest, kind, heightM };
  if (heightM === null) return rest;
  return { ...rest, kind: goalHasHeight(rest.kind) ? rest.kind : "keep-size", heightM };
}

/** Opens a table for reading; headings are taken as checked. */
export function tableReader(ctx: TableContext, headings: readonly string[], mapping: Mapping): TableReader {
  const issues: TableIssue[] = [];
  const plants: Plant[] = [];
  const beds = new Map(ctx.garden.beds.map((b) => [b.name.toLowerCase(), b]));
  const fresh: Bed[] = [];
  const known = new Map(ctx.garden.plants.map((p) => [p.id, p]));
  const met = new Map<string, number>();
  const kinds = new Map<string, ReturnType<typeof kindOf>>();
  const units = new Map(
    COLUMNS.flatMap((c) =>
      mapping[c.id] === null ? [] : [[c.id, splitHeading(headings[mapping[c.id]!] ?? "").unit] as const],
    ),
  );
  const widthNeeded = new Map<string, Metres>();
  const firstRecord = new Map<string, PlainDate>();
  for (const list of ["visits", "observations", "photos"] as const)
    for (const r of ctx.garden[list]) {
      const known = firstRecord.get(r.plantId);
      if (known === undefined || r.on < known) firstRecord.set(r.plantId, r.on);
    }

  const bedFor = (name: string): Bed => {
    const bed = beds.get(name.toLowerCase());
    if (bed) return bed;
    const order = ctx.garden.beds.length + fresh.length;
    const made: Bed = { ...UNSURVEYED_BED, id: ctx.newId(), name, lengthM: 6, order, note: "" };
    beds.set(name.toLowerCase(), made);
    fresh.push(made);
    return made;
  };

  function row(line: number, cells: readonly string[]): void {
    const before = issues.length;
    const fail = (code: TableIssueCode, column: ColumnId | undefined, values: TableIssue["values"]): void =>
      void issues.push({ code, path: here(line, column), values });
    if (cells.length !== headings.length) {
      fail("table-fields", undefined, { got: cells.length, expected: headings.length });
      return;
    }
    const cell = (id: ColumnId): string => (mapping[id] === null ? "" : plainCell(cells[mapping[id]] ?? ""));
    const endless = COLUMNS.find((c) => c.id !== "note" && cell(c.id).length > LONGEST_CELL);
    if (endless) {
      fail("table-text-long", endless.id, { got: cell(endless.id).length, most: LONGEST_CELL });
      return;
    }
    const length = (id: LengthColumn): Metres | null => {
      const text = cell(id);
      if (text === "") return null;
      const unit = units.get(id) ?? null;
      const m = parseLength(unit !== null && /^[\d.,]+$/.test(text) ? `${text} ${unit}` : text, "cm");
      const { from, to } = LENGTHS[id];
      if (m === null) fail("table-length", id, { got: text.slice(0, 40) });
      else if (m < from || m > to) fail("table-length-range", id, { got: text.slice(0, 40), from, to });
      else return m;
      return null;
    };
    const choice = <T extends string>(id: ColumnId, options: readonly T[]): T | null => {
      const text = cell(id).toLowerCase().replaceAll(" ", "-");
      if (text === "") return null;
      const found = options.find((o) => o === text);
      if (found === undefined) fail("table-choice", id, { got: text.slice(0, 40), options: options.join(", ") });
      return found ?? null;
    };
    const listed = <T extends string>(id: ColumnId, options: readonly T[]): readonly T[] => {
      const named = cell(id)
        .split(";")
        .map((x) => x.trim().toLowerCase().replaceAll(" ", "-"))
        .filter((x) => x !== "");
      const wrong = named.find((x) => !options.some((o) => o === x));
      if (wrong !== undefined) fail("table-choice", id, { got: wrong.slice(0, 40), options: options.join("; ") });
      return options.filter((o) => named.includes(o));
    };
    const short = (id: ColumnId, most: number): string => {
      const text = cell(id);
      if (text.length > most) fail("table-text-long", id, { got: text.length, most });
      return text;
    };

    const id = cell("id");
    if (id !== "" && !IdSchema.safeParse(id).success) fail("table-id", "id", { got: id.slice(0, 40) });
    const first = id === "" ? undefined : met.get(id);
    if (first !== undefined) fail("table-id-twice", "id", { got: id, line: first });
    if (id !== "") met.set(id, line);
    const old = known.get(id);

    const kindText = cell("kind");
    const kind = kinds.get(kindText) ?? (kindText === "" ? [] : kindOf(kindText, ctx.catalogue));
    kinds.set(kindText, kind);
    if (kindText === "") fail("table-needed", "kind", {});
    else if (Array.isArray(kind)) {
      const options = (kind as readonly Taxon[]).slice(0, 4).map((t) => t.common[0]!);
      if (options.length > 0)
        fail("table-kind-many", "kind", { got: kindText.slice(0, 60), options: options.join(", ") });
      else fail("table-kind", "kind", { got: kindText.slice(0, 60) });
    }
    const height = length("height");
    if (cell("height") === "") fail("table-needed", "height", {});
    const width = length("width");
    const wanted = length("wanted");
    const along = length("along");
    const condition = choice("condition", CONDITIONS);
    const form = choice("form", FORMS);
    const vigour = choice("vigour", VIGOURS);
    const mature = length("mature");
    const growth = length("growth");
    const dangers = listed("dangers", DANGERS);
    const goal = choice("goal", GOALS);
    const label = short("label", LETTERS.name);
    const note = short("note", LETTERS.note);
    const bedName = short("bed", LETTERS.name);
    const planted = cell("planted");
    const year = /^\d{4}$/.test(planted) && parseDate(`${planted}-01-01`) !== null;
    const day = year ? aboutYear(Number(planted), ctx.today) : planted === "" ? null : parseDate(planted);
    if (planted !== "" && (day === null || day > ctx.today || dayWithin(day) > day))
      fail("table-day", "planted", { got: planted.slice(0, 40), today: ctx.today });
    const recorded = old && firstRecord.get(old.id);
    if (day !== null && recorded !== undefined && day > recorded)
      fail("table-record", "planted", { got: day, record: recorded });
    const newBed = bedName !== "" && !beds.has(bedName.toLowerCase());
    if (newBed && beds.size >= MOST.beds) fail("table-beds", "bed", { got: bedName, most: MOST.beds });
    if (issues.length > before || height === null || Array.isArray(kind)) return;

    const taxon = kind as Taxon | "unknown";
    const bed =
      bedName === ""
        ? (ctx.garden.beds.find((b) => b.id === old?.bedId) ?? ctx.garden.beds[0] ?? bedFor("First bed"))
        : bedFor(bedName);
    const widthM = width ?? old?.widthM ?? Math.max(BOUNDS.widthM.from, Math.round(height * 90) / 100);
    const right = widthNeeded.get(bed.id) ?? rightEnd(ctx.garden.plants, bed.id);
    const alongM = along ?? old?.alongM ?? Math.min(BOUNDS.alongM.to, Math.round((right + widthM / 2) * 100) / 100);
    widthNeeded.set(bed.id, Math.max(right, alongM + widthM / 2));
    const named =
      taxon === "unknown"
        ? old?.taxonId === UNKNOWN_TAXON
          ? { taxonId: old.taxonId, identity: old.identity }
          : unnamed(ctx.today)
        : { taxonId: taxon.id, identity: old?.taxonId === taxon.id ? old.identity : null };
    plants.push({
      powerLineM: null,
      thickestStemMm: null,
      ...UNSURVEYED_PLANT,
      ...old,
      ...named,
      id: id === "" ? ctx.newId() : id,
      bedId: bed.id,
      label: label === "" ? (old?.label ?? (taxon === "unknown" ? "Unknown shrub" : taxon.common[0]!)) : label,
      alongM,
      widthM,
      heightM: height,
      heightOn: old !== undefined && Math.abs(old.heightM - height) < 0.001 ? old.heightOn : ctx.today,
      plantedOn: mapping.planted === null ? (old?.plantedOn ?? null) : day,
      plantedAbout: year,
      condition: condition ?? old?.condition ?? "healthy",
      conditionOn: condition === null || condition === old?.condition ? (old?.conditionOn ?? null) : ctx.today,
      form: mapping.form === null ? (old?.form ?? null) : form,
      vigour: vigour ?? old?.vigour ?? "usual",
      ownSize: {
        heightM: mapping.mature === null ? (old?.ownSize.heightM ?? null) : mature,
        growthM: mapping.growth === null ? (old?.ownSize.growthM ?? null) : growth,
      },
      dangers:
        mapping.dangers === null
          ? (old?.dangers ?? [])
          : dangers.map((what) => old?.dangers.find((d) => d.what === what) ?? { what, on: ctx.today }),
      goal: wishOf(goal, wanted, old?.goal ?? null),
      note: mapping.note === null ? (old?.note ?? "") : note,
    });
  }

  return {
    row,
    issueCount: () => issues.length,
    finish: () => {
      if (issues.length > 0) return refused(issues);
      const total = new Set([...known.keys(), ...plants.map((p) => p.id)]).size;
      if (total > MOST.plants)
        return refused([{ code: "table-long", path: here(1), values: { lines: total, most: MOST.plants } }]);
      const grown = fresh.map((b) => ({
        ...b,
        lengthM: Math.min(BOUNDS.bedLengthM.to, Math.max(b.lengthM, Math.ceil((widthNeeded.get(b.id) ?? 0) + 0.5))),
      }));
      const changed = plants.filter((p) => known.has(p.id)).length;
      return ok({ plants, beds: grown, added: plants.length - changed, changed });
    },
  };
}

const rightEnd = (plants: readonly Plant[], bedId: string): Metres =>
  Math.max(0, ...plants.filter((p) => p.bedId === bedId).map((p) => p.alongM + p.widthM / 2));

/** The garden with a table's rows put in. */
export function withTable(garden: Garden, change: TableChange): Garden {
  const rows = new Map(change.plants.map((p) => [p.id, p]));
  const kept = garden.plants.map((p) => rows.get(p.id) ?? p);
  const known = new Set(garden.plants.map((p) => p.id));
  return {
    ...garden,
    beds: [...garden.beds, ...change.beds],
    plants: [...kept, ...change.plants.filter((p) => !known.has(p.id))],
  };
}
