/** A garden file on its way in: read whole or refused, with what it would change. */
import {
  CATALOGUE,
  gardenChange,
  issueText,
  openGardenFile,
  pathText,
  type Garden,
  type GardenChange,
  type GardenFile,
} from "@wren/core";
import { today } from "../../data/clock.ts";
import { picturesFromFile } from "../../data/pictures.ts";
import type { HeldApart } from "../../data/stored.ts";
import type { More } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";

export type Import =
  | { readonly ok: true; readonly read: GardenFile; readonly change: GardenChange; readonly file: string }
  | { readonly ok: false; readonly problems: readonly string[]; readonly file: string };

/** Files are read as text in one go; a far larger one would only fill the memory to be refused. */
const MOST_BYTES = 200_000_000;

export async function readImport(file: File, current: Garden): Promise<Import> {
  if (file.size > MOST_BYTES)
    return {
      ok: false,
      file: file.name,
      problems: [`The file has ${Math.round(file.size / 1e6)} MB: expected at most 100 MB.`],
    };
  const read = openGardenFile(await file.text(), CATALOGUE, today());
  return read.ok
    ? { ok: true, file: file.name, read: read.value, change: gardenChange(current, read.value.garden) }
    : {
        ok: false,
        file: file.name,
        problems: read.issues.map((i) => `${pathText(i.path) || "File"}: ${issueText(i)}`),
      };
}

/** What comes along with the garden of a file: its pictures, and what is still set apart of it. */
export const alongWith = (read: GardenFile): More => ({
  demo: false,
  replaces: true,
  pictures: picturesFromFile(read.pictures),
  apart: read.apart.map((a): HeldApart => ({ ...a, key: newId(), wrapped: true })),
});
