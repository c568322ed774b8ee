/** Photos' pictures: files beside the garden, with a small one for lists, made when it is first asked for. */
import type { Picture as FilePicture } from "@wren/core";
import { base64Of, jpegOf } from "./base64.ts";
import type { Picture, WrenDb } from "./db.ts";
import { smallJpeg, THUMB_PX } from "./photo.ts";

export type Size = "full" | "small";

/** Is what lies in the table a picture's file? Another program, or a failing disk, may have left anything there. */
export const isPicture = (x: unknown): x is Picture =>
  typeof x === "object" && x !== null && "full" in x && x.full instanceof Blob;

/** null when there is none, as where the browser has lost it. */
export async function pictureOf(db: WrenDb, id: string, size: Size): Promise<Blob | null> {
  const picture: unknown = await db.pictures.get(id);
  if (!isPicture(picture)) return null;
  if (size === "full") return picture.full;
  if (picture.small instanceof Blob) return picture.small;
  const small = await smallJpeg(picture.full, THUMB_PX).catch(() => null);
  if (small) await db.pictures.update(id, { small }).catch(() => undefined);
  return small ?? picture.full;
}

/** A photo from the camera as it is kept. Rejects with a message that can be shown. */
export async function pictureFrom(id: string, file: File): Promise<Picture> {
  const full = await smallJpeg(file);
  return { id, full, small: await smallJpeg(full, THUMB_PX) };
}

/** More than this no garden file carries as text; an archive does. */
export const MOST_AS_TEXT = 60_000_000;
/** Bytes of the pictures of a garden; nothing of them is read for that. */
export async function picturesBytes(db: WrenDb, ids: readonly string[]): Promise<number> {
  const found = await db.pictures.bulkGet([...ids]);
  return found.filter(isPicture).reduce((n, p) => n + p.full.size, 0);
}

/** The pictures of a garden as its file carries them; those that find no room in it stay where they are. */
export async function picturesForFile(db: WrenDb, ids: readonly string[]): Promise<FilePicture[]> {
  const found = await db.pictures.bulkGet([...ids]);
  const pictures: FilePicture[] = [];
  let bytes = 0;
  for (const p of found) {
    if (!isPicture(p) || (bytes += p.full.size) > MOST_AS_TEXT) continue;
    pictures.push({ id: p.id, jpeg: await base64Of(p.full) });
  }
  return pictures;
}

/** A file's pictures as they are kept. */
export const picturesFromFile = (pictures: readonly FilePicture[]): Picture[] =>
  pictures.flatMap(({ id, jpeg }) => {
    const full = jpegOf(jpeg);
    return full ? [{ id, full, small: null }] : [];
  });

/** Pictures that neither the garden, nor a change that can be undone, nor a snapshot names any more are let go. */
export async function dropOrphans(db: WrenDb): Promise<void> {
  await db.transaction("rw", [db.pictures, db.photos, db.changes, db.snapshots], async () => {
    const ids = new Set<string>(await db.pictures.toCollection().primaryKeys());
    if (ids.size === 0) return;
    for (const id of await db.photos.toCollection().primaryKeys()) ids.delete(id);
    await db.changes.each((c) => c.ops.forEach((op) => op.table === "photos" && ids.delete(op.id)));
    await db.snapshots.each((s) => s.photoIds.forEach((id) => ids.delete(id)));
    await db.pictures.bulkDelete([...ids]);
  });
}
