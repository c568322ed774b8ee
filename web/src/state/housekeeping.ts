/** What is done when nothing else is: the day's snapshot, the ballast, pictures nobody names any more. */

/** The screen comes first. */
const SETTLE_MS = 5000;

async function tidy(): Promise<void> {
  const [{ db, tab }, { takeSnapshot }, { dropOrphans }, { layBallast }] = await Promise.all([
    import("./keeper.ts"),
    import("../data/snapshots.ts"),
    import("../data/pictures.ts"),
    import("../data/room.ts"),
  ]);
  const { kept } = tab;
  if (!kept || !db.isOpen()) return;
  if (!kept.demo) await takeSnapshot(db, kept.garden, "day");
  await dropOrphans(db);
  await layBallast(db);
}

/** Begins it a while after the garden was opened. @returns a way to call it off */
export function keepHouse(): () => void {
  const timer = setTimeout(() => void tidy().catch(() => undefined), SETTLE_MS);
  return () => clearTimeout(timer);
}
