/** Everything that lies in the tables as one garden file, which imports again: what cannot be read goes along set apart. */
import { demoGarden, writeGardenFile, type Garden } from "@wren/core";
import { today } from "./clock.ts";
import type { WrenDb } from "./db.ts";
import { download } from "./download.ts";
import { picturesForFile } from "./pictures.ts";
import { gardenAt, whyApart, type Found, type HeldApart, type Tables } from "./stored.ts";

/** A garden whose place cannot be read, with a place that stands in for it so that the file can be opened. */
function standIn(tables: Tables): Garden {
  const garden = gardenAt(tables, { ...demoGarden(today()).place, name: "Place to be given again" });
  if (!garden) throw new Error("a garden with a sound place was not read");
  return garden;
}

export const fileName = (garden: Pick<Garden, "name">): string =>
  `${garden.name.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase()}-${today()}.json`;

/** A garden, its pictures and what is set apart of it, as the text of a file. */
export async function fileOf(
  db: WrenDb,
  garden: Garden,
  apart: readonly HeldApart[],
  lineage: readonly string[] = [],
): Promise<string> {
  const pictures = await picturesForFile(
    db,
    garden.photos.map((p) => p.id),
  ).catch(() => []);
  return writeGardenFile(garden, {
    pictures,
    apart: apart.map((a) => ({ list: a.list, row: a.row ?? null, why: whyApart(a) })),
    lineage,
    written: today(),
  });
}

export async function textOfFound(db: WrenDb, found: Exclude<Found, { is: "nothing" }>): Promise<string> {
  return found.is === "garden"
    ? fileOf(db, found.kept.garden, found.kept.apart)
    : fileOf(db, standIn(found.tables), found.apart);
}

export async function exportFound(db: WrenDb, found: Exclude<Found, { is: "nothing" }>): Promise<void> {
  const name = found.is === "garden" ? fileName(found.kept.garden) : fileName({ name: "garden set apart" });
  download(name, await textOfFound(db, found));
}
