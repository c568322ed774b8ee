/** Room in the browser's storage: asked to stay, counted, and made when it runs out. */
import type { WrenDb } from "./db.ts";
import { isFull } from "./full.ts";

const BALLAST = "ballast";
/** Given up when the storage is full, so that a last change, and taking it back, still find room. */
const BALLAST_BYTES = 1_000_000;
const CHUNK = 65_536;

/** Lays the ballast down; noise, because what repeats itself is packed and takes no room. */
export async function layBallast(db: WrenDb): Promise<void> {
  if (await db.derived.get(BALLAST)) return;
  const noise = new Uint8Array(BALLAST_BYTES);
  for (let i = 0; i < noise.length; i += CHUNK) crypto.getRandomValues(noise.subarray(i, i + CHUNK));
  const row = { key: BALLAST, noise };
  await db.derived.put(row).catch(() => undefined);
}

/** Gives up what can be worked out again, the ballast, and all but the newest snapshots. */
export async function makeRoom(db: WrenDb): Promise<void> {
  await db.derived.clear();
  const old = await db.snapshots.orderBy("at").reverse().offset(2).primaryKeys();
  await db.snapshots.bulkDelete(old);
}

/** Tries a write; when the storage is full, makes room and tries once more. Rejects with what the second try said. */
export async function withRoom<T>(db: WrenDb, write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (e) {
    if (!isFull(e)) throw e;
    await makeRoom(db).catch(() => undefined);
    return write();
  }
}

export interface Room {
  readonly usedBytes: number;
  readonly mayUseBytes: number;
  /** The browser has promised not to clear it by itself. */
  readonly stays: boolean;
}
/** null where the browser does not say. */
export async function roomNow(): Promise<Room | null> {
  const { storage } = navigator as { storage?: StorageManager };
  if (!storage?.estimate) return null;
  const { usage = 0, quota = 0 } = await storage.estimate();
  return { usedBytes: usage, mayUseBytes: quota, stays: await storage.persisted() };
}

/** Asks the browser to keep what is stored; it may ask the gardener, or say no. */
export async function askToStay(): Promise<boolean> {
  const { storage } = navigator as { storage?: StorageManager };
  if (!storage?.persist) return false;
  return (await storage.persisted()) || storage.persist();
}
