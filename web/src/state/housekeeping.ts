/** What is done when nothing else is: the day's snapshot, the ballast, pictures nobody names any more, the copy. */
import { loreOf, type GardenModel } from "@wren/core";
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

/** What is to be copied, with the newest model of it; null when it was. */
let told: { readonly kept: Kept; model: GardenModel; waits: boolean } | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;

async function copy(): Promise<void> {
  if (!told?.waits) return;
  told.waits = false;
  const { kept, model } = told;
  const [{ db, tab }, { keepCopy }] = await Promise.all([import("./keeper.ts"), import("../data/copy.ts")]);
  if (db.isOpen() && tab.kept?.rev === kept.rev) await keepCopy(db, kept, loreOf(model, today()));
}
const begin = (): void => void copy().catch(() => undefined);
const whenLeft = (): void => {
  if (document.visibilityState === "hidden") begin();
};

/** Of fewer records than that the first answer is there as soon from the tables themselves. */
const COPY_FROM = 1500;
/**
 * Copies a garden a while after it was opened or changed, or when its page is left; what was opened from its copy has
 * one. Told again of the same garden it waits no longer for that.
 */
export function copyLater(kept: Kept, model: GardenModel): void {
  const { visits, observations, photos } = kept.garden;
  if (kept.lore || visits.length + observations.length + photos.length < COPY_FROM) return;
  if (told?.kept === kept) {
    told.model = model;
    return;
  }
  told = { kept, model, waits: true };
  clearTimeout(timer);
  timer = setTimeout(begin, SETTLE_MS);
  document.addEventListener("visibilitychange", whenLeft);
}
