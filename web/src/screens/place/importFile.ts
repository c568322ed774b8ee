/** A garden file on its way in: read whole or refused, with what it would change. */
import {
  CATALOGUE,
  gardenChange,
  gate,
  issueText,
  openGardenFile,
  pathText,
  readRecords,
  recordIssueText,
  withRecords,
  type Garden,
  type GardenChange,
  type GardenFile,
  type RecordsRead,
} from "@wren/core";
import { today } from "../../data/clock.ts";
import type { Picture } from "../../data/db.ts";
import { arrivedLine } from "../../data/lineage.ts";
import { isArchive } from "../../data/isArchive.ts";
import { picturesFromFile } from "../../data/pictures.ts";
import type { HeldApart } from "../../data/stored.ts";
import type { More } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { workPort } from "../../worker/workPort.ts";

export type Import =
  | {
      readonly ok: true;
      readonly read: GardenFile;
      readonly change: GardenChange;
      readonly file: string;
      /** Of an archive: its pictures, as files. */
      readonly pictures: readonly Picture[];
      /** Tables of records are laid into the garden that is here, whatever is asked. */
      readonly records: RecordsRead | null;
    }
  | { readonly ok: false; readonly problems: readonly string[]; readonly file: string };

/** Files are read as text in one go; a far larger one would only fill the memory to be refused. */
const MOST_BYTES = 200_000_000;
const MOST_ARCHIVE = 1_500_000_000;

function gardenText(text: string, name: string, pictures: readonly Picture[], current: Garden): Import {
  const read = openGardenFile(text, CATALOGUE, today());
  return read.ok
    ? {
        ok: true,
        file: name,
        read: read.value,
        change: gardenChange(current, read.value.garden),
        pictures: [...picturesFromFile(read.value.pictures), ...pictures],
        records: null,
      }
    : { ok: false, file: name, problems: read.issues.map((i) => `${pathText(i.path) || "File"}: ${issueText(i)}`) };
}

const isTable = (f: File): boolean => /\.csv$/i.test(f.name) || f.type === "text/csv";

/** Tables of visits, cuts and observations, read together. */
async function readTables(files: readonly File[], current: Garden): Promise<Import> {
  const { default: Papa } = await import("papaparse");
  const tables = await Promise.all(
    files.map(async (f) => ({
      name: f.name,
      rows: Papa.parse<string[]>((await f.text()).replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" }).data,
    })),
  );
  const name = files.map((f) => f.name).join(", ");
  const found = readRecords(tables, current);
  if (!found.ok) return { ok: false, file: name, problems: found.issues.map(recordIssueText) };
  const garden = withRecords(current, found.value);
  // What the schema cannot see of a row by itself, the gate says of the whole.
  const through = gate(current, garden, { catalogue: CATALOGUE, today: today() });
  if (!through.ok)
    return {
      ok: false,
      file: name,
      problems: through.issues.map((i) => `${pathText(i.path) || "File"}: ${issueText(i)}`),
    };
  return {
    ok: true,
    file: name,
    read: { garden: through.value, apart: [], pictures: [], lineage: [], written: null, remarks: [] },
    change: gardenChange(current, through.value),
    pictures: [],
    records: found.value,
  };
}

/**
 * Reads what was chosen: a garden file, an archive, or tables of records.
 * @param onProgress share of the unpacking done
 * @returns null when it was stopped
 */
export async function readImport(
  files: readonly File[],
  current: Garden,
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<Import | null> {
  const [file] = files;
  if (!file) return { ok: false, file: "Nothing", problems: ["No file was chosen."] };
  if (files.every(isTable)) return readTables(files, current);
  if (files.length > 1)
    return {
      ok: false,
      file: `${files.length} files`,
      problems: ["Expected one garden file, one archive, or tables of records."],
    };
  const zipped = await isArchive(file);
  const most = zipped ? MOST_ARCHIVE : MOST_BYTES;
  if (file.size > most)
    return {
      ok: false,
      file: file.name,
      problems: [`The file has ${Math.round(file.size / 1e6)} MB: expected at most ${Math.round(most / 1e6)} MB.`],
    };
  if (!zipped) return gardenText(await file.text(), file.name, [], current);
  const unpacking = await (await workPort()).work("archive", file, onProgress, signal);
  if (!unpacking.ok) {
    const [trouble] = unpacking.issues;
    if (trouble?.code === "stopped") return null;
    const detail = trouble?.values["detail"] ? ` (${trouble.values["detail"]})` : "";
    return { ok: false, file: file.name, problems: [`The archive could not be unpacked on this device${detail}.`] };
  }
  const opened = unpacking.value;
  return opened.ok
    ? gardenText(opened.garden, file.name, opened.pictures, current)
    : { ok: false, file: file.name, problems: opened.problems };
}

/** What comes along with the garden of a file: its pictures, and what is still set apart of it. */
export const alongWith = ({ read, pictures }: Extract<Import, { ok: true }>): More => ({
  demo: false,
  replaces: true,
  pictures,
  lineage: arrivedLine(read),
  apart: read.apart.map((a): HeldApart => ({ ...a, key: newId(), wrapped: true })),
});
