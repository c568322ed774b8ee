/** What an archive is made of. */
import * as z from "zod";

export const GARDEN = "garden.json";
export const MANIFEST = "contents.json";
export const PICTURES = "pictures/";
export const FORMAT = "wren-song-archive";
/** The files in it, each with the SHA-256 digest of its bytes. */
export const ManifestSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  files: z.record(z.string(), z.string().regex(/^[0-9a-f]{64}$/)),
});

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, "0")).join("");
export const digestOf = async (bytes: Uint8Array): Promise<string> =>
  hex(await crypto.subtle.digest("SHA-256", bytes as Uint8Array<ArrayBuffer>));
