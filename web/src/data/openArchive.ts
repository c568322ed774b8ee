/**
 * Unpacks an archive, in a worker: the library's own would come from an address that the content policy forbids. Sizes
 * are looked at before anything is unpacked; a file takes no more room than it says, and is held against its digest.
 */
import { MOST } from "@wren/core";
import { strFromU8, unzipSync } from "fflate";
import type * as z from "zod";
import { digestOf, GARDEN, MANIFEST, ManifestSchema, PICTURES } from "./archiveFormat.ts";
import type { Picture } from "./db.ts";

export type Opened =
  | { readonly ok: true; readonly garden: string; readonly pictures: readonly Picture[] }
  | { readonly ok: false; readonly problems: readonly string[] };

/** All files together, unpacked. */
const MAX_BYTES = 2_000_000_000;
/** A garden or a table as text. */
const MAX_TEXT_BYTES = 150_000_000;
/** Text packs to a tenth or a twentieth; what shrinks more is nothing but repetition. */
const MAX_RATIO = 200;
/** A small file may be all repetition. */
const RATIO_FROM_BYTES = 1_000_000;
const MAX_FILES = MOST.photos + 20;
const MAX_NAMED = 12;
const megabytes = (n: number): string => `${Math.round(n / 1e6).toLocaleString("en")} MB`;

class TooLarge extends Error {}

interface Entry {
  readonly name: string;
  readonly size: number;
  readonly originalSize: number;
}
/** Adds up what an archive says of its files; throws when it is more than a garden can have. */
function sizeGuard(): (entry: Entry) => boolean {
  let bytes = 0;
  let files = 0;
  return ({ name, size, originalSize }) => {
    bytes += originalSize;
    files += 1;
    if (files > MAX_FILES) throw new TooLarge(`It has more than ${MAX_FILES} files: an archive of a garden has fewer.`);
    if (bytes > MAX_BYTES)
      throw new TooLarge(`Unpacked it has more than ${megabytes(MAX_BYTES)}: expected at most that.`);
    if (!name.startsWith(PICTURES) && originalSize > MAX_TEXT_BYTES)
      throw new TooLarge(
        `${name.slice(0, 60)} has ${megabytes(originalSize)} unpacked: expected at most ${megabytes(MAX_TEXT_BYTES)}.`,
      );
    if (originalSize > RATIO_FROM_BYTES && originalSize > MAX_RATIO * size)
      throw new TooLarge(
        `${name.slice(0, 60)} unpacks from ${megabytes(size)} to ${megabytes(originalSize)}: no garden packs so tightly, so it was not unpacked.`,
      );
    return true;
  };
}

const refusal = (...problems: string[]): Opened => ({ ok: false, problems });

type Files = Readonly<Record<string, Uint8Array>>;
function unpacked(bytes: Uint8Array): { readonly files: Files } | { readonly problem: string } {
  try {
    return { files: unzipSync(bytes, { filter: sizeGuard() }) };
  } catch (e) {
    return {
      problem:
        e instanceof TooLarge
          ? e.message
          : "The archive cannot be unpacked: it was cut off or changed on its way. Expected a whole file as it was exported.",
    };
  }
}

/** Opens an archive whole, or says what is wrong with it; yields the share that is done. Nothing is kept by it. */
export async function* openArchive(file: Blob): AsyncGenerator<number, Opened> {
  yield 0;
  const read = unpacked(new Uint8Array(await file.arrayBuffer()));
  if ("problem" in read) return refusal(read.problem);
  const { files } = read;
  yield 0.4;
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
  const names = Object.entries(manifest.files);
  for (const [i, [name, digest]] of names.entries()) {
    const bytes = files[name];
    if (!bytes) problems.push(`${name} is missing from the archive.`);
    else if ((await digestOf(bytes)) !== digest)
      problems.push(`${name} is not as it was exported: it was changed or damaged.`);
    else if (name.startsWith(PICTURES))
      pictures.push({
        id: name.slice(PICTURES.length, -".jpg".length),
        full: new Blob([bytes as Uint8Array<ArrayBuffer>], { type: "image/jpeg" }),
        small: null,
      });
    yield 0.4 + (0.6 * (i + 1)) / names.length;
  }
  return problems.length > 0
    ? refusal(...problems.slice(0, MAX_NAMED))
    : { ok: true, garden: strFromU8(garden), pictures };
}
