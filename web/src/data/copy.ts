/**
 * The whole garden in one piece, kept beside its rows with what it taught. Tens of thousands of rows are read, checked
 * and learnt from in seconds: with the copy the answer stands at once, and the rows are held against it right after.
 */
import { sameData, type Garden, type Lore } from "@wren/core";
import * as z from "zod";
import { AT_ONCE } from "./atOnce.ts";
import type { WrenDb } from "./db.ts";
import type { Found, Kept } from "./stored.ts";

const FIRST = "copy-first";
const WHOLE = "copy";
/** What another build has learnt is learnt anew: its core may have known better or worse. */
declare const __CORE__: string;
const BUILD = typeof __CORE__ === "undefined" ? "unbuilt" : __CORE__;

const RowSchema = z.object({ rev: z.number(), build: z.string(), text: z.string() });
/** What the text holds was a garden when it was written, and its rows have not changed since: it is not parsed again. */
interface Told {
  readonly garden: Garden;
  readonly demo: boolean;
  readonly lore: Lore;
}

/** What the very first picture needs: the records of the plants that it answers for. */
function firstOf(g: Garden): Garden {
  const asked = new Set(g.plants.slice(0, AT_ONCE).map((p) => p.id));
  const own = <T extends { readonly plantId: string }>(rows: readonly T[]): T[] =>
    rows.filter((r) => asked.has(r.plantId));
  return { ...g, visits: own(g.visits), observations: own(g.observations), photos: [], corrections: [] };
}

/** Keeps a copy of a garden that was read or written last, with what it taught. Where it finds no room there is none. */
export async function keepCopy(db: WrenDb, kept: Kept, lore: Lore): Promise<void> {
  if (kept.apart.length > 0) return;
  const { garden } = kept;
  const row = (key: string, g: Garden): z.infer<typeof RowSchema> & { key: string } => ({
    key,
    rev: kept.rev,
    build: BUILD,
    text: JSON.stringify({ garden: g, demo: kept.demo, lore } satisfies Told),
  });
  const rows = [row(FIRST, firstOf(garden)), row(WHOLE, garden)];
  await db.derived.bulkPut(rows).catch(() => undefined);
}

/**
 * The copy of what lies in the tables; null where there is none, or one of something older.
 * @param first only as much as the very first picture needs
 */
export async function takeCopy(db: WrenDb, first: boolean): Promise<Kept | null> {
  const [row, rev] = await db.transaction("r", [db.derived, db.meta], async () =>
    Promise.all([db.derived.get(first ? FIRST : WHOLE), db.meta.get("rev")]),
  );
  const read = RowSchema.safeParse(row);
  if (!read.success || read.data.build !== BUILD || read.data.rev !== rev?.value) return null;
  try {
    const { garden, demo, lore } = JSON.parse(read.data.text) as Told;
    return { garden, demo, lore, apart: [], rev: read.data.rev, ...(first ? { first } : {}) };
  } catch {
    return null;
  }
}

/** Is what was read from the rows what the copy held? */
export const isCopied = (found: Found, copy: Kept): boolean =>
  found.is === "garden" &&
  copy.first !== true &&
  found.kept.rev === copy.rev &&
  found.kept.demo === copy.demo &&
  found.kept.apart.length === 0 &&
  sameData(found.kept.garden, copy.garden);
