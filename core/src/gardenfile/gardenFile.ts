/**
 * The garden file: one JSON document, versioned. Reading turns unknown text into a checked garden or a
 * list of every problem with its place; nothing in between.
 */
import * as z from "zod";
import type { Catalogue } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { checkPlaceClimate } from "../climate/index.ts";
import {
  GARDEN_LISTS,
  GardenSchema,
  HeadSchema,
  IdSchema,
  inOrder,
  LETTERS,
  LIST_SCHEMAS,
  MOST,
  PlainDateSchema,
  type Garden,
  type ListName,
} from "../model/index.ts";
import { ok, refused, type Result } from "../units/index.ts";
import { crossChecks, type Ground, type Rows, type Sound } from "./checks.ts";
import { countLists } from "./counts.ts";
import { at, fromZod, issue, Issues, shown, type FileIssue, type FileIssueCode } from "./issues.ts";
import { migrate, NEWEST } from "./migrations.ts";
import { BY_THE_CLOCK, ROW_LISTS, salvage, type Apart, type RawRows } from "./salvage.ts";

export const FILE_FORMAT = "wren-song-garden";
export const FILE_VERSION = NEWEST;
/** Photos are the bulk of a large garden. */
const LIMIT_MB = 100;
const MOST_APART = 20_000;

const jpeg = z
  .string()
  .min(4)
  .max(LETTERS.picture)
  .regex(/^[A-Za-z0-9+/]+=*$/, "not-base64");
/** The picture of a photo, by the photo's id: a small JPEG as base64. */
const PictureSchema = z.strictObject({ id: IdSchema, jpeg });
/** A picture's bytes in a file. */
export type Picture = Readonly<z.infer<typeof PictureSchema>>;
/** A row that was set apart when the file was written, as it was found, with why in words. */
const ApartSchema = z.strictObject({ list: z.enum(ROW_LISTS), row: z.unknown(), why: z.string().max(2000) });

export const GardenFileSchema = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(FILE_VERSION),
  garden: GardenSchema,
  pictures: z.array(PictureSchema).max(MOST.photos),
  apart: z.array(ApartSchema).max(MOST_APART),
  /** Marks of the states this garden descends from, the newest, its own, last. */
  lineage: z.array(z.string().max(LETTERS.id)).max(MOST.lineage),
  /** The day it was written, by the writing device's clock. */
  written: PlainDateSchema.nullable(),
});

/** What a file holds. */
export interface GardenFile {
  readonly garden: Garden;
  readonly pictures: readonly Picture[];
  /** Rows that were set apart and still cannot be part of the garden; those that now can are in it again. */
  readonly apart: readonly Apart[];
  readonly lineage: readonly string[];
  /** null: not said. */
  readonly written: PlainDate | null;
  /** What only this device's clock or a corrected planting day speaks against: accepted, and told. */
  readonly remarks: readonly FileIssue[];
}

/** The rows of a file that are sound in themselves, each read once; what is wrong with the others is said. */
function soundRows(garden: unknown, out: Issues): Sound {
  const kept = new Map<ListName, Rows<ListName>>();
  const ids = new Map<ListName, ReadonlySet<unknown>>();
  for (const list of GARDEN_LISTS) {
    const raw = at(garden, [list]);
    const schema = LIST_SCHEMAS[list] as unknown as z.ZodType<Garden[typeof list][number]>;
    const sound: { i: number; row: Garden[typeof list][number] }[] = [];
    if (raw === undefined) out.add(issue("field-missing", ["garden", list]));
    else if (!Array.isArray(raw))
      out.add(issue("field-type", ["garden", list], { expected: "a list", got: shown(raw) }));
    const rows: readonly unknown[] = Array.isArray(raw) ? raw : [];
    for (let i = 0; i < rows.length && !out.enough; i++) {
      const r = schema.safeParse(rows[i]);
      if (r.success) sound.push({ i, row: r.data });
      else out.add(...fromZod(r.error, rows[i], ["garden", list, i]));
    }
    kept.set(list, sound);
    ids.set(list, new Set(rows.map((x) => at(x, ["id"]))));
  }
  return { rows: <L extends ListName>(list: L) => kept.get(list) as Rows<L>, ids: (list) => ids.get(list)! };
}

/** Lists and entries within each other; a garden has a dozen. */
const MAX_DEPTH = 64;
/** How deep brackets nest, counted up to one more than is allowed; what stands in quotes does not count. */
function depthOf(text: string): number {
  let [depth, deepest, quoted] = [0, 0, false];
  for (let i = 0; i < text.length && deepest <= MAX_DEPTH; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 0x5c) i++;
      else if (c === 0x22) quoted = false;
    } else if (c === 0x22) quoted = true;
    else if (c === 0x7b || c === 0x5b) deepest = Math.max(deepest, ++depth);
    else if (c === 0x7d || c === 0x5d) depth--;
  }
  return deepest;
}

function parseJson(text: string): Result<unknown, FileIssueCode> {
  const megabytes = text.length / 1e6;
  if (megabytes > LIMIT_MB)
    return refused([
      { code: "file-too-large", path: [], values: { megabytes: Math.round(megabytes), limit: LIMIT_MB } },
    ]);
  if (/^\s*$/.test(text)) return refused([{ code: "file-empty", path: [], values: {} }]);
  if (depthOf(text) > MAX_DEPTH) return refused([{ code: "file-deep", path: [], values: { limit: MAX_DEPTH } }]);
  try {
    return ok(JSON.parse(text.replace(/^\uFEFF/, "")) as unknown);
  } catch (e) {
    const detail = e instanceof Error ? e.message.slice(0, 80) : "unreadable";
    return refused([{ code: "file-not-json", path: [], values: { detail } }]);
  }
}

const unread = z.unknown().optional();
const listless: Readonly<Record<ListName, typeof unread>> = {
  beds: unread,
  plants: unread,
  visits: unread,
  observations: unread,
  viewpoints: unread,
  photos: unread,
  plans: unread,
  programmes: unread,
  stands: unread,
  hedges: unread,
  works: unread,
  corrections: unread,
  weather: unread,
  seasons: unread,
};
const FrameSchema = GardenFileSchema.extend({ garden: HeadSchema.extend(listless) });

/** What stands around the rows: the file's own fields, the garden's head, its place. */
function readFrame(file: unknown, out: Issues) {
  const r = FrameSchema.safeParse(file);
  if (!r.success) {
    out.add(...fromZod(r.error, file));
    return null;
  }
  const climate = checkPlaceClimate(r.data.garden.place);
  if (!climate.ok) for (const i of climate.issues) out.add({ ...i, path: ["garden", "place", ...i.path] });
  return r.data;
}

function pictureIssues(pictures: readonly Picture[], photos: ReadonlySet<unknown>): FileIssue[] {
  const met = new Set<string>();
  return pictures.flatMap(({ id }, i) => {
    const twice = met.has(id);
    met.add(id);
    if (twice) return [issue("id-twice", ["pictures", i, "id"], { got: id })];
    return photos.has(id) ? [] : [issue("photo-unknown", ["pictures", i, "id"], { got: id })];
  });
}

/** Rows that were set apart are tried again: a newer catalogue may know their kinds. @returns those that still are */
export function triedAgain<A extends Apart>(
  garden: Garden,
  apart: readonly A[],
  ground: Ground,
): { readonly garden: Garden; readonly apart: readonly A[] } {
  if (apart.length === 0) return { garden, apart: [] };
  const { id, name, place, rules } = garden;
  const taken = new Map<ListName, Set<unknown>>(GARDEN_LISTS.map((l) => [l, new Set(garden[l].map((r) => r.id))]));
  const stays: A[] = [];
  const tried = new Map<unknown, A>();
  const lists = Object.fromEntries(GARDEN_LISTS.map((l) => [l, [...garden[l]] as unknown[]])) as Record<
    ListName,
    unknown[]
  >;
  for (const a of apart) {
    const key = at(a.row, ["id"]);
    if (a.list === "head" || taken.get(a.list)!.has(key)) {
      stays.push(a);
      continue;
    }
    taken.get(a.list)!.add(key);
    lists[a.list].push(a.row);
    tried.set(a.row, a);
  }
  const raw: RawRows = { head: { id, name, place, rules }, lists };
  const again = salvage(raw, ground);
  if (!again.garden) return { garden, apart };
  return {
    garden: again.garden,
    apart: [
      ...stays,
      ...again.apart.flatMap((x) => (tried.has(x.row) ? [{ ...tried.get(x.row)!, issues: x.issues }] : [])),
    ],
  };
}

/** The version of a file that a newer program wrote; null when it is not newer than this one. */
const newerThan = (file: unknown): number | null => {
  const version = at(file, ["version"]);
  return typeof version === "number" && Number.isInteger(version) && version > NEWEST ? version : null;
};

/**
 * Reads a garden file with all it carries. Time grows with its size alone: lists are counted before they are read,
 * and of what is wrong the first 200 are listed.
 * @param today records later than the day after it are accepted with a remark: the clock may be behind
 * @returns what it holds, or every problem found with its path
 */
export function openGardenFile(
  text: string,
  catalogue: Catalogue,
  today: PlainDate,
): Result<GardenFile, FileIssue["code"]> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const format = at(json.value, ["format"]);
  if (format !== FILE_FORMAT)
    return refused([issue("file-format", ["format"], { got: shown(format), expected: FILE_FORMAT })]);
  const newer = newerThan(json.value);
  if (newer !== null) return refused([issue("file-newer", ["version"], { got: newer, newest: NEWEST })]);
  const moved = migrate(json.value);
  if (!moved.ok) return moved;
  const out = new Issues();
  countLists(GardenFileSchema, moved.value, [], out);
  if (out.count > 0) return out.refusal;
  const frame = readFrame(moved.value, out);
  const garden = at(moved.value, ["garden"]);
  const sound = soundRows(garden, out);
  const ground = { catalogue, today };
  const remarks = new Issues();
  if (!out.enough)
    crossChecks(sound, ground, (i) =>
      (BY_THE_CLOCK.has(i.code) ? remarks : out).add({ ...i, path: ["garden", ...i.path] }),
    );
  if (frame) out.add(...pictureIssues(frame.pictures, sound.ids("photos")));
  if (frame === null || out.count > 0) return out.refusal;
  const { id, name, place, rules } = frame.garden;
  const lists = Object.fromEntries(GARDEN_LISTS.map((l) => [l, sound.rows(l).map((r) => r.row)]));
  const read = inOrder({ id, name, place, rules, ...(lists as unknown as Pick<Garden, ListName>) });
  const apart = frame.apart.map(({ list, row }): Apart => ({ list, row, issues: [] }));
  const { pictures, lineage, written } = frame;
  return ok({ ...triedAgain(read, apart, ground), pictures, lineage, written, remarks: remarks.list });
}

/** The same, for who asks for the garden alone. */
export function readGardenFile(
  text: string,
  catalogue: Catalogue,
  today: PlainDate,
): Result<Garden, FileIssue["code"]> {
  const read = openGardenFile(text, catalogue, today);
  return read.ok ? ok(read.value.garden) : read;
}

/** What goes along with a garden. */
export interface Along {
  readonly pictures?: readonly Picture[];
  /** Rows set apart, with why in words. */
  readonly apart?: readonly { readonly list: Apart["list"]; readonly row: unknown; readonly why: string }[];
  readonly lineage?: readonly string[];
  readonly written?: PlainDate | null;
}

const WHY_CHARS = 2000;

/**
 * Writes a garden file; reading it back gives the same garden, and the same garden gives the same text.
 * A garden that would not pass the schema is written as it is: an export must never fail.
 */
export function writeGardenFile(
  garden: Garden,
  { pictures = [], apart = [], lineage = [], written = null }: Along = {},
): string {
  const ordered = inOrder(garden);
  const canonical = GardenSchema.safeParse(ordered);
  const photos = new Set(garden.photos.map((p) => p.id));
  const file = {
    format: FILE_FORMAT,
    version: FILE_VERSION,
    garden: canonical.success ? canonical.data : ordered,
    pictures: pictures.filter((p) => photos.has(p.id)).toSorted((a, b) => (a.id < b.id ? -1 : 1)),
    apart: apart.map(({ list, row, why }) => ({ list, row, why: why.slice(0, WHY_CHARS) })),
    lineage,
    written,
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** JSON Schema (draft 2020-12) of the file, for docs/ and for other programs. */
export const gardenFileJsonSchema = (): object => ({
  $id: "https://wren-song.example/gardenfile.schema.json",
  title: `Wren Song garden file, version ${FILE_VERSION}`,
  ...z.toJSONSchema(GardenFileSchema, { target: "draft-2020-12", io: "input" }),
});
