/** Everything that lies in the tables as one garden file, which imports again: what cannot be read goes along set apart. */
import { CATALOGUE, demoGarden, GARDEN_LISTS, salvage, writeGardenFile, type Garden, type ListName } from "@wren/core";
import { today } from "./clock.ts";
import type { WrenDb } from "./db.ts";
import { download } from "./download.ts";
import { picturesForFile } from "./pictures.ts";
import { whyApart, type Found, type HeldApart, type Tables } from "./stored.ts";

/** A garden whose place cannot be read, with a place that stands in for it so that the file can be opened. */
function standIn(tables: Tables): Garden {
  const lists = Object.fromEntries(GARDEN_LISTS.map((l) => [l, [...tables[l].values()]])) as unknown as Record<
    ListName,
    readonly unknown[]
  >;
  const [head] = tables.head.values();
  const place = { ...demoGarden(today()).place, name: "Place to be given again" };
  const known = typeof head === "object" && head !== null ? head : {};
  const { garden } = salvage({ head: { ...known, place }, lists }, { catalogue: CATALOGUE, today: today() });
  if (!garden) throw new Error("a garden with a sound place was not read");
  return garden;
}

export const fileName = (garden: Pick<Garden, "name">): string =>
  `${garden.name.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase()}-${today()}.json`;

/** A garden, its pictures and what is set apart of it, as the text of a file. */
export async function fileOf(db: WrenDb, garden: Garden, apart: readonly HeldApart[]): Promise<string> {
  const pictures = await picturesForFile(
    db,
    garden.photos.map((p) => p.id),
  ).catch(() => []);
  return writeGardenFile(garden, {
    pictures,
    apart: apart.map((a) => ({ list: a.list, row: a.row ?? null, why: whyApart(a) })),
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
