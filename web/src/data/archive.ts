/**
 * Everything in one archive: the garden file, the pictures as they are, the records as tables, the calendar's reminders.
 * A list of what is in it, with the mark of each file's bytes, lies last: an archive that was cut off or changed on its
 * way is told by that, before anything is taken from it.
 */
import { openGarden, recordTable, RECORD_TABLES, writeGardenFile, CATALOGUE, type Garden } from "@wren/core";
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from "fflate";
import Papa from "papaparse";
import { today } from "./clock.ts";
import { digestOf, FORMAT, GARDEN, MANIFEST, PICTURES } from "./archiveFormat.ts";
import type { WrenDb } from "./db.ts";
import { isPicture } from "./pictures.ts";
import { whyApart, type HeldApart } from "./stored.ts";

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
  lineage: readonly string[] = [],
): Promise<Blob> {
  const model = openGarden(garden, CATALOGUE);
  const { zip, done } = collector();
  const files: Record<string, string> = {};
  const add = async (name: string, bytes: Uint8Array, packed: boolean): Promise<void> => {
    if (name !== MANIFEST) files[name] = await digestOf(bytes);
    const entry = packed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    zip.add(entry);
    entry.push(bytes, true);
  };
  const kept = apart.map((a) => ({ list: a.list, row: a.row ?? null, why: whyApart(a) }));
  await add(GARDEN, strToU8(writeGardenFile(garden, { apart: kept, lineage, written: today() })), true);
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
    if (isPicture(picture)) await add(`${PICTURES}${id}.jpg`, new Uint8Array(await picture.full.arrayBuffer()), false);
  }
  await add(MANIFEST, strToU8(JSON.stringify({ format: FORMAT, version: 1, files }, null, 1)), true);
  zip.end();
  return done();
}
export const archiveName = (garden: Pick<Garden, "name">): string =>
  `${garden.name.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase()}-${today()}.zip`;
