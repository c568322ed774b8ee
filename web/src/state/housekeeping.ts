/** What is done when nothing else is: the day's snapshot, the ballast, pictures nobody names any more, the copy. */
import { loreOf, openGarden, type GardenModel } from "@wren/core";
import { today } from "../data/clock.ts";
import type { Kept } from "../data/stored.ts";

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

/**
 * Copies a garden a while after it was opened or changed, or when its page is left; what was opened from its copy has
 * one. @returns a way to call it off
 */
export function copyLater(kept: Kept, model: GardenModel): () => void {
  if (kept.lore) return () => undefined;
  const stop = (): void => {
    clearTimeout(timer);
    document.removeEventListener("visibilitychange", left);
  };
  const copy = async (): Promise<void> => {
    stop();
    const [{ db }, { keepCopy }] = await Promise.all([import("./keeper.ts"), import("../data/copy.ts")]);
    const open = (g: Kept["garden"]): GardenModel =>
      g === kept.garden ? model : openGarden(g, model.catalogue, model.cache);
    if (db.isOpen()) await keepCopy(db, kept, open, (m) => loreOf(m, today()));
  };
  const begin = (): void => void copy().catch(() => undefined);
  const left = (): void => {
    if (document.visibilityState === "hidden") begin();
  };
  const timer = setTimeout(begin, SETTLE_MS);
  document.addEventListener("visibilitychange", left);
  return stop;
}
