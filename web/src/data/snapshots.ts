/**
 * The garden as it was on earlier days, kept in the browser: the last seven days on which it was opened, then one a
 * week, and the last few that were put in place of another. They are packed, and go first when room is needed.
 */
import { CATALOGUE, openGardenFile, writeGardenFile, type Garden, type PlainDate } from "@wren/core";
import { gunzipSync, gzipSync, strFromU8, strToU8 } from "fflate";
import { stamp, today } from "./clock.ts";
import type { Snapshot, WrenDb } from "./db.ts";

const DAYS = 7;
const WEEKS = 8;
/** So many of each that are of no day. */
const OTHERS = { replaced: 5, kept: 5, shared: 12 } as const;
const WEEK_MS = 7 * 24 * 3600 * 1000;

/** Which of the snapshots, newest first, go. */
export function surplus(all: readonly Pick<Snapshot, "at" | "day" | "why">[]): number[] {
  const kept = new Set<number>();
  const days = new Set<string>();
  const weeks = new Set<number>();
  const others = { replaced: 0, kept: 0, shared: 0 };
  for (const s of all) {
    if (s.why !== "day") {
      if (others[s.why]++ < OTHERS[s.why]) kept.add(s.at);
    } else if (days.size < DAYS && !days.has(s.day)) {
      days.add(s.day);
      kept.add(s.at);
    } else if (days.size >= DAYS && weeks.size < WEEKS && !weeks.has(Math.floor(s.at / WEEK_MS))) {
      weeks.add(Math.floor(s.at / WEEK_MS));
      kept.add(s.at);
    }
  }
  return all.filter((s) => !kept.has(s.at)).map((s) => s.at);
}

/** Without their packed gardens, newest first. */
export async function listSnapshots(db: WrenDb): Promise<readonly Omit<Snapshot, "packed">[]> {
  const all = await db.snapshots.orderBy("at").reverse().toArray();
  return all.map(({ packed: _, ...rest }) => rest);
}

/** Packs the garden as it stands. One of the same day, or of the same mark, is not taken twice. */
export async function takeSnapshot(db: WrenDb, garden: Garden, why: Snapshot["why"], mark?: string): Promise<void> {
  if (mark !== undefined && (await db.snapshots.filter((s) => s.mark === mark).count()) > 0) return;
  const day = today();
  if (
    why === "day" &&
    (await db.snapshots
      .where("day")
      .equals(day)
      .filter((s) => s.why === "day")
      .count()) > 0
  )
    return;
  const packed = gzipSync(strToU8(writeGardenFile(garden)));
  await db.transaction("rw", db.snapshots, async () => {
    await db.snapshots.put({
      at: stamp(),
      day,
      why,
      name: garden.name,
      plants: garden.plants.length,
      photoIds: garden.photos.map((p) => p.id),
      packed,
      ...(mark === undefined ? {} : { mark }),
    });
    const all = await db.snapshots.orderBy("at").reverse().toArray();
    await db.snapshots.bulkDelete(surplus(all));
  });
}

/** The garden of a snapshot; null when it cannot be read any more. */
export async function openSnapshot(db: WrenDb, at: number, on: PlainDate = today()): Promise<Garden | null> {
  const s = await db.snapshots.get(at);
  if (!s) return null;
  try {
    const read = openGardenFile(strFromU8(gunzipSync(s.packed)), CATALOGUE, on);
    return read.ok ? read.value.garden : null;
  } catch {
    return null;
  }
}
