/** What is done when nothing else is: the day's snapshot, the ballast, pictures nobody names any more. */
import { layBallast } from "../data/room.ts";
import type { WrenDb } from "../data/db.ts";
import type { Kept } from "../data/stored.ts";

/** The screen comes first. */
const SETTLE_MS = 5000;

/** Begins it a while after the garden was opened. @returns a way to call it off */
export function keepHouse(db: WrenDb, now: () => Kept | null): () => void {
  const timer = setTimeout(() => {
    void (async () => {
      const kept = now();
      if (!kept || !db.isOpen()) return;
      const [{ takeSnapshot }, { dropOrphans }] = await Promise.all([
        import("../data/snapshots.ts"),
        import("../data/pictures.ts"),
      ]);
      if (!kept.demo) await takeSnapshot(db, kept.garden, "day");
      await dropOrphans(db);
      await layBallast(db);
    })().catch(() => undefined);
  }, SETTLE_MS);
  return () => clearTimeout(timer);
}
