/** A picture from the phone, made small enough to be kept beside the records. */
const LONGEST_PX = 900;
const QUALITY = 0.72;
const MOST_CHARS = 600_000;

/** Rejects with a message that can be shown when the file is not a picture. Resolves to base64 without its prefix. */
export async function smallJpeg(file: File): Promise<string> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error(`${file.name} is not a picture this browser can read: expected JPEG, PNG or WebP.`);
  }
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext("2d")!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const jpeg = canvas.toDataURL("image/jpeg", QUALITY).replace(/^data:image\/jpeg;base64,/, "");
  if (jpeg.length > MOST_CHARS) throw new Error(`${file.name} stays too large even when made small.`);
  return jpeg;
}
