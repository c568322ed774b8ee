/**
 * The garden file: one JSON document, versioned. Reading turns unknown text into a checked garden or a
 * list of every problem with its place; nothing in between.
 */
import * as z from "zod";
import type { Catalogue } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { checkPlaceClimate, type PlaceIssueCode } from "../climate/index.ts";
import {
  GARDEN_LISTS,
  GardenSchema,
  inOrder,
  LIST_SCHEMAS,
  PlaceSchema,
  type Garden,
  type ListName,
} from "../model/index.ts";
import { ok, refused, type Issue, type Result } from "../units/index.ts";
import { migrate } from "./migrations.ts";

export const FILE_FORMAT = "wren-song-garden";
export const FILE_VERSION = 5;
/** Photos are the bulk of a large garden. */
const LIMIT_MB = 100;
const MOST_ISSUES = 200;

export const GardenFileSchema = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(FILE_VERSION),
  garden: GardenSchema,
});

export type FileIssueCode =
  | "file-empty"
  | "file-not-json"
  | "file-too-large"
  | "file-format"
  | "file-version"
  | "field-missing"
  | "field-unknown"
  | "field-type"
  | "field-small"
  | "field-large"
  | "field-choice"
  | "field-format"
  | "taxon-unknown"
  | "id-twice"
  | "bed-unknown"
  | "plant-unknown"
  | "stem-unknown"
  | "viewpoint-unknown"
  | "date-future"
  | "date-before-planting"
  | "height-order"
  | "stems-order"
  | "weather-order"
  | "too-many";
type FileIssue = Issue<FileIssueCode | PlaceIssueCode>;

const issue = (
  code: FileIssue["code"],
  path: readonly (string | number)[],
  values: FileIssue["values"] = {},
): FileIssue => ({ code, path, values });

const typeName = (x: unknown): string => (x === null ? "null" : Array.isArray(x) ? "array" : typeof x);
const shown = (x: unknown): string => {
  const s = typeof x === "string" ? x : x === undefined ? "nothing" : JSON.stringify(x);
  return s.length > 40 ? `${s.slice(0, 40)}…` : s;
};

function at(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (x, k) => (typeof x === "object" && x !== null ? (x as Record<PropertyKey, unknown>)[k] : undefined),
    input,
  );
}

const FORMATS: Readonly<Record<string, string>> = {
  "not-a-date": "a day that exists, like 2026-06-10",
  "not-a-month-day": "a day of the year, like 04-22",
  "not-base64": "a picture as base64 text",
};

/** Zod's findings in our codes, each with what was met and what was expected. */
export function fromZod(error: z.ZodError, input: unknown): FileIssue[] {
  return error.issues.flatMap((e): FileIssue[] => {
    const path = e.path.map((p) => (typeof p === "number" ? p : String(p)));
    const got = at(input, e.path);
    switch (e.code) {
      case "unrecognized_keys":
        return e.keys.map((key) => issue("field-unknown", path, { key }));
      case "invalid_type":
        return got === undefined
          ? [issue("field-missing", path)]
          : [issue("field-type", path, { expected: e.expected, got: typeName(got) })];
      case "too_small":
        return [issue("field-small", path, { got: shown(got), limit: Number(e.minimum) })];
      case "too_big":
        return [
          issue("field-large", path, {
            got: Array.isArray(got) ? got.length : shown(got),
            limit: Number(e.maximum),
          }),
        ];
      case "invalid_value":
        return [issue("field-choice", path, { got: shown(got), options: e.values.map(String).join(", ") })];
      case "invalid_union":
        return [issue("field-choice", [...path], { got: shown(got), options: "height, stems, diameters, share" })];
      default:
        return [
          issue("field-format", path, {
            got: shown(got),
            expected: FORMATS[e.message] ?? "letters, digits, - and _",
          }),
        ];
    }
  });
}

type Rows<L extends ListName> = readonly { readonly i: number; readonly row: Garden[L][number] }[];
/** The rows of a file that are sound in themselves, with their place, and every id that any row carries. */
interface Sound {
  readonly rows: <L extends ListName>(list: L) => Rows<L>;
  readonly ids: (list: ListName) => ReadonlySet<unknown>;
}

/** One unsound row must not hide what is wrong with the others, nor make those seem to point nowhere. */
function soundRows(file: unknown): Sound {
  const raw = (list: ListName): readonly unknown[] => {
    const rows = at(file, ["garden", list]);
    return Array.isArray(rows) ? rows : [];
  };
  return {
    rows: <L extends ListName>(list: L) => {
      const schema = LIST_SCHEMAS[list] as unknown as z.ZodType<Garden[L][number]>;
      return raw(list).flatMap((x, i) => {
        const r = schema.safeParse(x);
        return r.success ? [{ i, row: r.data }] : [];
      });
    },
    ids: (list) => new Set(raw(list).map((x) => at(x, ["id"]))),
  };
}

/** What a row's schema cannot see: names that point nowhere, days that cannot be. */
function crossChecks(file: unknown, catalogue: Catalogue, today: PlainDate): FileIssue[] {
  const sound = soundRows(file);
  const place = PlaceSchema.safeParse(at(file, ["garden", "place"]));
  const climate = place.success ? checkPlaceClimate(place.data) : null;
  return [
    ...(climate && !climate.ok ? climate.issues.map((x) => ({ ...x, path: ["garden", "place", ...x.path] })) : []),
    ...GARDEN_LISTS.flatMap((list) => twiceIssues(sound, list)),
    ...plantIssues(sound, catalogue, today),
    ...recordIssues(sound, today),
    ...(["plans", "programmes", "stands"] as const).flatMap((list) =>
      sound
        .rows(list)
        .filter(({ row }) => !sound.ids("plants").has(row.plantId))
        .map(({ i, row }) => issue("plant-unknown", ["garden", list, i, "plantId"], { got: row.plantId })),
    ),
    ...sound.rows("stands").flatMap(({ i, row }) => standIssues(row, ["garden", "stands", i])),
    ...sound.rows("viewpoints").flatMap(({ i, row }) => unknownBed(sound, ["garden", "viewpoints", i], row.bedId)),
    ...sound.rows("visits").flatMap(({ i, row }) => cutIssues(row, ["garden", "visits", i])),
    ...sound.rows("weather").flatMap(({ i, row }) => weatherIssues(row, ["garden", "weather", i])),
  ];
}

function twiceIssues(sound: Sound, list: ListName): FileIssue[] {
  const met = new Set<string>();
  return sound.rows(list).flatMap(({ i, row }) => {
    const twice = met.has(row.id);
    met.add(row.id);
    return twice ? [issue("id-twice", ["garden", list, i, "id"], { got: row.id })] : [];
  });
}

const unknownBed = (sound: Sound, here: readonly (string | number)[], bedId: string): FileIssue[] =>
  sound.ids("beds").has(bedId) ? [] : [issue("bed-unknown", [...here, "bedId"], { got: bedId })];

function plantIssues(sound: Sound, catalogue: Catalogue, today: PlainDate): FileIssue[] {
  const viewpoints = sound.ids("viewpoints");
  return sound.rows("plants").flatMap(({ i, row: p }) => {
    const here = ["garden", "plants", i] as const;
    const kinds: [path: readonly (string | number)[], id: string][] = [[["taxonId"], p.taxonId]];
    p.identity?.candidates.forEach((c, j) => kinds.push([["identity", "candidates", j, "taxonId"], c.taxonId]));
    const days = { plantedOn: p.plantedOn, heightOn: p.heightOn, conditionOn: p.conditionOn };
    return [
      ...kinds
        .filter(([, id]) => catalogue.byId(id) === null)
        .map(([path, got]) => issue("taxon-unknown", [...here, ...path], { got })),
      ...unknownBed(sound, here, p.bedId),
      ...p.views.flatMap((v, j) =>
        viewpoints.has(v.viewpointId)
          ? []
          : [issue("viewpoint-unknown", [...here, "views", j, "viewpointId"], { got: v.viewpointId })],
      ),
      ...Object.entries(days)
        .filter(([, d]) => d !== null && d > today)
        .map(([field, d]) => issue("date-future", [...here, field], { got: String(d), today })),
    ];
  });
}

/** Visits, observations and photos belong to a plant and to a day on which it stood. */
function recordIssues(sound: Sound, today: PlainDate): FileIssue[] {
  const plantIds = sound.ids("plants");
  const plants = new Map(sound.rows("plants").map(({ row }) => [row.id, row]));
  return (["visits", "observations", "photos"] as const).flatMap((list) =>
    sound.rows(list).flatMap(({ i, row: r }): FileIssue[] => {
      const here = ["garden", list, i] as const;
      const planted = plants.get(r.plantId)?.plantedOn ?? null;
      const out: FileIssue[] = [];
      if (!plantIds.has(r.plantId)) out.push(issue("plant-unknown", [...here, "plantId"], { got: r.plantId }));
      else if (planted !== null && r.on < planted)
        out.push(issue("date-before-planting", [...here, "on"], { got: r.on, planted }));
      if (r.on > today) out.push(issue("date-future", [...here, "on"], { got: r.on, today }));
      return out;
    }),
  );
}

/** Measures of a visit that contradict themselves. */
export function cutIssues(v: Pick<Garden["visits"][number], "cuts">, here: readonly (string | number)[]): FileIssue[] {
  return v.cuts.flatMap((c, j): FileIssue[] => {
    const path = [...here, "cuts", j];
    if (c.by === "height" && c.afterM > c.beforeM)
      return [issue("height-order", [...path, "afterM"], { before: c.beforeM, after: c.afterM })];
    if (c.by === "stems" && c.removedCount > c.liveCount)
      return [issue("stems-order", [...path, "removedCount"], { removed: c.removedCount, live: c.liveCount })];
    return [];
  });
}

/** Stems named twice, and cuts at stems or side branches that are not there. */
function standIssues(s: Garden["stands"][number], here: readonly (string | number)[]): FileIssue[] {
  const branches = new Map(s.stems.map((x) => [x.id, x.branches.length]));
  const twice = s.stems.flatMap((x, i) =>
    s.stems.findIndex((y) => y.id === x.id) < i ? [issue("id-twice", [...here, "stems", i, "id"], { got: x.id })] : [],
  );
  const cuts = s.tries.flatMap((t, i) =>
    t.cuts.flatMap((c, j) => {
      if (!("stemId" in c)) return [];
      const count = branches.get(c.stemId);
      const missing = count === undefined || ("branch" in c && c.branch >= count);
      return missing ? [issue("stem-unknown", [...here, "tries", i, "cuts", j], { got: c.stemId })] : [];
    }),
  );
  return [...twice, ...cuts];
}

/** The first day of a year whose minimum lies above its maximum. */
function weatherIssues(w: Garden["weather"][number], here: readonly (string | number)[]): FileIssue[] {
  const day = w.tminC.findIndex((lo, d) => lo !== null && (w.tmaxC[d] ?? null) !== null && lo > w.tmaxC[d]!);
  return day < 0 ? [] : [issue("weather-order", [...here, "tminC", day], { minC: w.tminC[day]!, maxC: w.tmaxC[day]! })];
}

function parseJson(text: string): Result<unknown, FileIssueCode> {
  const megabytes = text.length / 1e6;
  if (text.trim() === "") return refused([{ code: "file-empty", path: [], values: {} }]);
  if (megabytes > LIMIT_MB)
    return refused([
      { code: "file-too-large", path: [], values: { megabytes: Math.round(megabytes), limit: LIMIT_MB } },
    ]);
  try {
    return ok(JSON.parse(text.replace(/^\uFEFF/, "")) as unknown);
  } catch (e) {
    const detail = e instanceof Error ? e.message.slice(0, 80) : "unreadable";
    return refused([{ code: "file-not-json", path: [], values: { detail } }]);
  }
}

const capped = (issues: readonly FileIssue[]): FileIssue[] =>
  issues.length <= MOST_ISSUES
    ? [...issues]
    : [...issues.slice(0, MOST_ISSUES), issue("too-many", [], { more: issues.length - MOST_ISSUES })];

/**
 * Reads a garden file.
 * @param today records later than this are refused
 * @returns the garden, or every problem found with its path (at most 200 are listed)
 */
export function readGardenFile(
  text: string,
  catalogue: Catalogue,
  today: PlainDate,
): Result<Garden, FileIssueCode | PlaceIssueCode> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const format = at(json.value, ["format"]);
  if (format !== FILE_FORMAT)
    return refused([issue("file-format", ["format"], { got: shown(format), expected: FILE_FORMAT })]);
  const moved = migrate(json.value);
  if (!moved.ok) return moved;
  const parsed = GardenFileSchema.safeParse(moved.value);
  const crossed = crossChecks(moved.value, catalogue, today);
  if (!parsed.success) return refused(capped([...fromZod(parsed.error, moved.value), ...crossed]));
  return crossed.length > 0 ? refused(capped(crossed)) : ok(inOrder(parsed.data.garden));
}

/**
 * Writes a garden file; reading it back gives the same garden, and the same garden gives the same text.
 * A garden that would not pass the schema is written as it is: an export must never fail.
 */
export function writeGardenFile(garden: Garden): string {
  const ordered = inOrder(garden);
  const canonical = GardenSchema.safeParse(ordered);
  const file = {
    format: FILE_FORMAT,
    version: FILE_VERSION,
    garden: canonical.success ? canonical.data : ordered,
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** JSON Schema (draft 2020-12) of the file, for docs/ and for other programs. */
export const gardenFileJsonSchema = (): object => ({
  $id: "https://wren-song.example/gardenfile.schema.json",
  title: `Wren Song garden file, version ${FILE_VERSION}`,
  ...z.toJSONSchema(GardenFileSchema, { target: "draft-2020-12", io: "input" }),
});
