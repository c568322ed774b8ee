/**
 * This page's way to the database: opened once, watched for what becomes of it, asked for the garden and given its
 * changes. Fetched beside the first screen, not before it: the first visit has nothing to read yet.
 */
import type { Garden } from "@wren/core";
import { liveQuery } from "dexie";
import {
  editStored,
  loadStored,
  newestChange,
  newTab,
  plantFirst,
  redoLast,
  undoLast,
  undoState,
  type Asked,
  type Tab,
  type UndoState,
} from "../data/changes.ts";
import { isCopied, takeCopy } from "../data/copy.ts";
import { WrenDb } from "../data/db.ts";
import { askToStay, withRoom } from "../data/room.ts";
import type { Found, Kept } from "../data/stored.ts";
import { newId } from "./ids.ts";
import { afterAnswers, afterPaint } from "./painted.ts";
import { setTrouble } from "./trouble.ts";

/**
 * The browser's database, opened by openStored() alone, which looks at its version first. In its place stands one in
 * memory, where the browser gives none and the gardener goes on without.
 */
export let db = new WrenDb("wren-song", { autoOpen: false });
let inMemory = false;
/** Nothing outlives this page. */
export const keepsNothing = (): boolean => inMemory;

/** A page keeps its name over a reload, so that its own changes stay its own. */
function tabName(): string {
  try {
    const known = sessionStorage.getItem("wren-tab") ?? newId();
    sessionStorage.setItem("wren-tab", known);
    return known;
  } catch {
    return newId();
  }
}
export const tab: Tab = newTab(tabName());

function watchDb(d: WrenDb): void {
  d.on("versionchange", () => {
    d.close();
    setTrouble({ is: "taken" });
  });
  d.on("blocked", () => setTrouble({ is: "blocked" }));
  d.on("close", () => setTrouble({ is: "closed", detail: "the browser has closed it" }));
}
watchDb(db);

/** Goes on in memory alone. */
export async function goOnInMemory(): Promise<void> {
  const { indexedDB, IDBKeyRange } = await import("fake-indexeddb");
  db = new WrenDb("in-memory", { indexedDB, IDBKeyRange });
  inMemory = true;
  tab.kept = null;
  tab.openedAt = null;
  setTrouble(null);
}

/** Opened from its copy, and not yet held against its rows. */
let copied: Kept | null = null;

/**
 * Opens what is kept; where nothing is, the first garden moves in. Rejects when the database cannot be opened.
 * @param little the first picture is all that is wanted yet: see watchOthers() for the rest
 */
export async function openStored(first: () => Garden, little: boolean): Promise<Found> {
  if (!db.isOpen()) await db.ready();
  setTrouble(null);
  if (tab.kept === null) {
    copied = await takeCopy(db, little);
    if (copied) {
      tab.openedAt ??= await newestChange(db);
      return { is: "garden", kept: copied };
    }
  }
  const found = await loadStored(db, tab);
  if (found.is !== "nothing") return found;
  return plantFirst(db, tab, { garden: first(), demo: true });
}

/** What this page is writing just now: only when it is done can be told whether a newer garden is another's. */
let writing: Promise<unknown> = Promise.resolve();
function written<T>(work: Promise<T>): Promise<T> {
  writing = Promise.allSettled([writing, work]);
  return work;
}

/** The screen that was opened from a copy comes first. */
const SETTLE_MS = 700;

/** The whole copy behind the little that the first picture needed; then the screen is let come to rest. */
async function behindCopy(onFound: (found: Found) => void): Promise<void> {
  await afterPaint();
  if (copied?.first === true) {
    // So many records are parsed in one go that an answer under way would wait for them.
    await afterAnswers();
    const whole = await takeCopy(db, false);
    if (whole && tab.kept === null) onFound({ is: "garden", kept: (copied = whole) });
  }
  await new Promise((rested) => setTimeout(rested, copied?.first === true ? 0 : SETTLE_MS));
}

/**
 * Calls back with what another tab has made of the garden, and with what its rows hold where its copy held something
 * else. @returns a way to stop watching
 */
export function watchOthers(onFound: (found: Found) => void): () => void {
  const look = async (rev: number): Promise<void> => {
    // A change that came first has read the rows already.
    if (copied && tab.kept === null) await behindCopy(onFound);
    await writing;
    if (tab.kept !== null && tab.kept.rev >= rev) return;
    const found = await written(loadStored(db, tab));
    const copy = copied;
    copied = null;
    // The very objects that are on the screen stay.
    if (copy && isCopied(found, copy)) tab.kept = copy;
    else onFound(found);
  };
  const watching = liveQuery(() => db.meta.get("rev").then((r) => Number(r?.value ?? 0))).subscribe(
    (rev) => void look(rev).catch(() => undefined),
    () => undefined,
  );
  return () => watching.unsubscribe();
}

export const undoNow = (): Promise<UndoState> => undoState(db, tab);

/** A snapshot before the whole garden is replaced; where it cannot be taken, the undo still holds. */
async function keepAsItWas({ garden, demo }: Kept): Promise<void> {
  if (demo) return;
  const { takeSnapshot } = await import("../data/snapshots.ts");
  await takeSnapshot(db, garden, "replaced").catch(() => undefined);
}

/** Makes a change, and asks the browser to keep the garden when its first own plant came. Rejects with Refused. */
export async function changeStored(asked: Asked, replaces: boolean): Promise<{ kept: Kept; same: boolean }> {
  if (tab.kept === null) await written(loadStored(db, tab));
  const before = tab.kept;
  if (replaces && before) await keepAsItWas(before);
  const kept = await written(withRoom(db, () => editStored(db, tab, asked)));
  const begun = before?.demo === true || before?.garden.plants.length === 0;
  if (!kept.demo && kept.garden.plants.length > 0 && begun) void askToStay().catch(() => false);
  return { kept, same: kept === before };
}

/** Takes the last change back or does it again; null when there is none. Rejects with Refused. */
export async function turnStored(way: "undo" | "redo"): Promise<{ label: string; found: Found } | null> {
  const label = await written(withRoom(db, () => (way === "undo" ? undoLast(db, tab) : redoLast(db, tab))));
  if (label === null) return null;
  return { label, found: tab.kept ? { is: "garden", kept: tab.kept } : await loadStored(db, tab) };
}
