/**
 * Everything in one archive: the garden file, the pictures as they are, the records as tables, the calendar's reminders.
 * A list of what is in it, with the mark of each file's bytes, lies last: an archive that was cut off or changed on its
 * way is told by that, before anything is taken from it.
 */
import { openGarden, recordTable, RECORD_TABLES, writeGardenFile, CATALOGUE, type Garden } from "@wren/core";
import { strFromU8, strToU8, unzip, Zip, ZipDeflate, ZipPassThrough } from "fflate";
import Papa from "papaparse";
import * as z from "zod";
import { today } from "./clock.ts";
import type { Picture, WrenDb } from "./db.ts";
import { whyApart, type HeldApart } from "./stored.ts";

const GARDEN = "garden.json";
const MANIFEST = "contents.json";
const PICTURES = "pictures/";
const FORMAT = "wren-song-archive";
const ManifestSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  files: z.record(z.string(), z.string().regex(/^[0-9a-f]{64}$/)),
});

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, "0")).join("");
const markOf = async (bytes: Uint8Array): Promise<string> =>
  hex(await crypto.subtle.digest("SHA-256", bytes as Uint8Array<ArrayBuffer>));

/** Parts of an archive are put together in pieces of so many bytes, so that the pictures never lie in memory all at once. */
const PIECE = 16_000_000;

/** Collects what a packer gives, in blobs that the browser may put aside. */
function collector(): { readonly zip: Zip; readonly done: () => Promise<Blob> } {
  const blobs: Blob[] = [];
  let piece: Uint8Array<ArrayBuffer>[] = [];
  let size = 0;
  let settle: { readonly ok: (b: Blob) => void; readonly fail: (e: Error) => void };
  const result = new Promise<Blob>((ok, fail) => (settle = { ok, fail }));
  const put = (): void => {
    if (piece.length > 0) blobs.push(new Blob(piece));
    piece = [];
    size = 0;
  };
  const zip = new Zip((error, data, last) => {
    if (error) {
      settle.fail(error);
      return;
    }
    piece.push(data);
    size += data.length;
    if (size > PIECE || last) put();
    if (last) settle.ok(new Blob(blobs, { type: "application/zip" }));
  });
  return { zip, done: () => result };
}

/** @param calendar the reminders as a calendar file, where there are any */
export async function archiveOf(
  db: WrenDb,
  garden: Garden,
  apart: readonly HeldApart[],
  calendar: string | null,
): Promise<Blob> {
  const model = openGarden(garden, CATALOGUE);
  const { zip, done } = collector();
  const files: Record<string, string> = {};
  const add = async (name: string, bytes: Uint8Array, packed: boolean): Promise<void> => {
    if (name !== MANIFEST) files[name] = await markOf(bytes);
    const entry = packed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    zip.add(entry);
    entry.push(bytes, true);
  };
  const kept = apart.map((a) => ({ list: a.list, row: a.row ?? null, why: whyApart(a) }));
  await add(GARDEN, strToU8(writeGardenFile(garden, { apart: kept })), true);
  for (const t of RECORD_TABLES)
    await add(
      `${t}.csv`,
      strToU8(
        `\uFEFF${Papa.unparse(
          recordTable(model, t).map((r) => [...r]),
          { newline: "\r\n" },
        )}`,
      ),
      true,
    );
  if (calendar !== null) await add("reminders.ics", strToU8(calendar), true);
  for (const { id } of garden.photos) {
    const picture = await db.pictures.get(id);
    if (picture) await add(`${PICTURES}${id}.jpg`, new Uint8Array(await picture.full.arrayBuffer()), false);
  }
  await add(MANIFEST, strToU8(JSON.stringify({ format: FORMAT, version: 1, files }, null, 1)), true);
  zip.end();
  return done();
}
export const archiveName = (garden: Pick<Garden, "name">): string =>
  `${garden.name.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase()}-${today()}.zip`;

export type Opened =
  | { readonly ok: true; readonly garden: string; readonly pictures: readonly Picture[] }
  | { readonly ok: false; readonly problems: readonly string[] };

const unzipped = (bytes: Uint8Array): Promise<Readonly<Record<string, Uint8Array>> | null> =>
  new Promise((resolve) => {
    try {
      unzip(bytes, (error, files) => resolve(error ? null : files));
    } catch {
      resolve(null);
    }
  });

const MOST_NAMED = 12;
/** Opens an archive whole, or says what is wrong with it; nothing is kept by it. */
export async function openArchive(file: Blob): Promise<Opened> {
  const files = await unzipped(new Uint8Array(await file.arrayBuffer()));
  const refusal = (...problems: string[]): Opened => ({ ok: false, problems });
  if (!files)
    return refusal(
      "The archive cannot be unpacked: it was cut off or changed on its way. Expected a whole file as it was exported.",
    );
  const listed = files[MANIFEST];
  const garden = files[GARDEN];
  if (!listed || !garden) return refusal(`The archive has no ${listed ? GARDEN : MANIFEST}: it was not exported here.`);
  let manifest: z.infer<typeof ManifestSchema>;
  try {
    manifest = ManifestSchema.parse(JSON.parse(strFromU8(listed)));
  } catch {
    return refusal(`${MANIFEST} cannot be read: the archive was changed, or a newer version wrote it.`);
  }
  const problems: string[] = [];
  const pictures: Picture[] = [];
  for (const [name, mark] of Object.entries(manifest.files)) {
    const bytes = files[name];
    if (!bytes) problems.push(`${name} is missing from the archive.`);
    else if ((await markOf(bytes)) !== mark)
      problems.push(`${name} is not as it was exported: it was changed or damaged.`);
    else if (name.startsWith(PICTURES))
      pictures.push({
        id: name.slice(PICTURES.length, -".jpg".length),
        full: new Blob([bytes as Uint8Array<ArrayBuffer>], { type: "image/jpeg" }),
        small: null,
      });
  }
  return problems.length > 0
    ? refusal(...problems.slice(0, MOST_NAMED))
    : { ok: true, garden: strFromU8(garden), pictures };
}
