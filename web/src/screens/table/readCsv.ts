/** A CSV file into a preview: headings and lines by a standard parser, then the core's reader in slices with progress. */
import {
  headingIssues,
  issueText,
  tableReader,
  type Mapping,
  type TableChange,
  type TableContext,
  type TableIssue,
} from "@wren/core";
import Papa from "papaparse";

export interface Sheet {
  readonly file: string;
  readonly headings: readonly string[];
  /** Lines with their number in the file, the headings being line 1. */
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
}

const MOST_BYTES = 20_000_000;

/** Rejects with a message that can be shown when the file is too large. */
export async function openSheet(file: File): Promise<Sheet> {
  if (file.size > MOST_BYTES)
    throw new Error(`${file.name} has ${Math.round(file.size / 1e6)} MB: expected at most 20 MB.`);
  return sheetOf(file.name, await file.text());
}

export function sheetOf(file: string, text: string): Sheet {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: false });
  let line = 1;
  const numbered = parsed.data.map((cells) => {
    const here = { line, cells };
    // A cell may hold line breaks: the next record starts that much further down.
    line += 1 + cells.reduce((n, c) => n + (c.match(/\r\n|\r|\n/g)?.length ?? 0), 0);
    return here;
  });
  const [head, ...rows] = numbered.filter((r) => !(r.cells.length === 1 && r.cells[0]!.trim() === ""));
  return { file, headings: head?.cells ?? [], rows };
}

export type Outcome =
  | { readonly ok: true; readonly change: TableChange }
  | { readonly ok: false; readonly problems: readonly string[]; readonly more: number };

const SLICE = 200;
const MOST_SHOWN = 200;

export const problemText = (i: TableIssue): string => `${i.path.join(", ")}: ${issueText(i)}`;

const refusedWith = (issues: readonly TableIssue[]): Outcome => ({
  ok: false,
  problems: issues.slice(0, MOST_SHOWN).map(problemText),
  more: Math.max(0, issues.length - MOST_SHOWN),
});

const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

/**
 * Reads a sheet. Resolves to null when it was cancelled.
 * @param progress told the share that has been read
 */
export async function readSheet(
  sheet: Sheet,
  mapping: Mapping,
  ctx: TableContext,
  progress: (share: number) => void,
  signal: AbortSignal,
): Promise<Outcome | null> {
  const wrong = headingIssues(sheet.headings, mapping, sheet.rows.length);
  if (wrong.length > 0) return refusedWith(wrong);
  const reader = tableReader(ctx, sheet.headings, mapping);
  for (let i = 0; i < sheet.rows.length; i += SLICE) {
    for (const r of sheet.rows.slice(i, i + SLICE)) reader.row(r.line, r.cells);
    progress(Math.min(1, (i + SLICE) / sheet.rows.length));
    await breathe();
    if (signal.aborted) return null;
  }
  const result = reader.finish();
  return result.ok ? { ok: true, change: result.value } : refusedWith(result.issues);
}
