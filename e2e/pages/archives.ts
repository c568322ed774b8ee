/** Archives and garden files made outside of the application, of any size. */
import { createHash } from "node:crypto";
import { addDays, date, demoGarden, writeGardenFile, type Garden, type Photo, type Visit } from "@wren/core";
import { strToU8, zipSync, type Zippable } from "fflate";

const TODAY = date("2026-07-01");

/** The demo garden with many more visits, a few a plant and year, so that each is sound. */
export function gardenWithVisits(visits: number, photos = 0): Garden {
  const demo = demoGarden(TODAY);
  const like = demo.visits[0]!;
  const plants = demo.plants.map((p) => ({ ...p, plantedOn: null }));
  const more = Array.from({ length: visits }, (_, i): Visit => ({
    ...like,
    id: `many-${i}`,
    plantId: plants[i % plants.length]!.id,
    on: addDays(TODAY, -(i % 3000) - 1),
    task: "dead-only",
    cuts: [],
    note: `Visit ${i}`,
  }));
  const pictures = Array.from({ length: photos }, (_, i): Photo => ({
    id: `photo-${i}`,
    plantId: plants[0]!.id,
    on: addDays(TODAY, -i - 1),
    caption: `Picture ${i}`,
  }));
  return { ...demo, id: "garden-of-many", name: "Many", plants, visits: more, photos: pictures };
}

/** A smallest JPEG, one grey point. */
const JPEG = Buffer.from(
  "/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/yQALCAABAAEBAREA/8wABgAQEAX/2gAIAQEAAD8A0s8g/9k=",
  "base64",
);
/** A picture of so many bytes: what follows the end of a JPEG is passed over. */
const pictureOf = (bytes: number, i: number): Uint8Array => {
  const out = Buffer.alloc(Math.max(bytes, JPEG.length), i % 251);
  JPEG.copy(out);
  return out;
};

/** An archive as the application writes it. */
export function archiveWith(garden: Garden, pictureBytes: number): Buffer {
  const files: Record<string, Uint8Array> = { "garden.json": strToU8(writeGardenFile(garden)) };
  garden.photos.forEach((p, i) => (files[`pictures/${p.id}.jpg`] = pictureOf(pictureBytes, i)));
  const digests = Object.fromEntries(
    Object.entries(files).map(([name, bytes]) => [name, createHash("sha256").update(bytes).digest("hex")]),
  );
  const manifest = JSON.stringify({ format: "wren-song-archive", version: 1, files: digests });
  const packed: Zippable = { "contents.json": strToU8(manifest) };
  for (const [name, bytes] of Object.entries(files)) packed[name] = [bytes, { level: name.endsWith(".jpg") ? 0 : 6 }];
  return Buffer.from(zipSync(packed));
}

/** A small file that unpacks to a great one. */
export const bomb = (): Buffer =>
  Buffer.from(zipSync({ "garden.json": [new Uint8Array(120_000_000), { level: 9 }], "contents.json": strToU8("{}") }));
