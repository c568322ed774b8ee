/** A picture from the phone, made small enough to be kept beside the records. */
import { LETTERS } from "@wren/core";

const LONGEST_PX = 900;
/** Of the small one that lists show. */
export const THUMB_PX = 240;
const QUALITY = 0.72;
/** Base64 takes four letters for three bytes. */
const MOST_BYTES = (LETTERS.picture * 3) / 4;

/** Rejects with a message that can be shown when the file is not a picture. */
export async function smallJpeg(file: Blob, longestPx = LONGEST_PX): Promise<Blob> {
  const name = file instanceof File ? file.name : "The picture";
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error(`${name} is not a picture this browser can read: expected JPEG, PNG or WebP.`);
  }
  const scale = Math.min(1, longestPx / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext("2d")!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const jpeg = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", QUALITY));
  if (!jpeg || jpeg.size > MOST_BYTES) throw new Error(`${name} stays too large even when made small.`);
  return jpeg;
}
