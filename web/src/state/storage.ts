/** This page's way to the database: opened once, watched for what becomes of it, and asked for the garden. */
import { demoGarden } from "@wren/core";
import { loadStored, newTab, plantFirst, type Tab } from "../data/changes.ts";
import { today } from "../data/clock.ts";
import { NewerDatabase, WrenDb } from "../data/db.ts";
import type { Found } from "../data/stored.ts";
import { newId } from "./ids.ts";

/** The browser's database; in its place one in memory, where the browser gives none and the gardener goes on without. */
export let db = new WrenDb();
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

/** Why the database cannot be used. */
export type StorageTrouble =
  /** A newer version of the application has written it. */
  | { readonly is: "newer"; readonly detail: string }
  /** A newer version has taken it over in another tab. */
  | { readonly is: "taken" }
  /** An older version holds it open in another tab. */
  | { readonly is: "blocked" }
  | { readonly is: "closed"; readonly detail: string };

export function troubleOf(e: unknown): StorageTrouble {
  const detail = e instanceof Error ? e.message : String(e);
  return e instanceof NewerDatabase ? { is: "newer", detail } : { is: "closed", detail };
}

let trouble: StorageTrouble | null = null;
const listeners = new Set<() => void>();
function setTrouble(t: StorageTrouble | null): void {
  trouble = t;
  for (const l of listeners) l();
}
export const storageTrouble = {
  subscribe: (l: () => void): (() => void) => {
    listeners.add(l);
    return () => listeners.delete(l);
  },
  now: (): StorageTrouble | null => trouble,
};

function watch(d: WrenDb): void {
  d.on("versionchange", () => {
    d.close();
    setTrouble({ is: "taken" });
  });
  d.on("blocked", () => setTrouble({ is: "blocked" }));
  d.on("close", () => setTrouble({ is: "closed", detail: "the browser has closed it" }));
}
watch(db);

/** Goes on in memory alone. */
export async function goOnInMemory(): Promise<void> {
  const { indexedDB, IDBKeyRange } = await import("fake-indexeddb");
  db = new WrenDb("in-memory", { indexedDB, IDBKeyRange });
  inMemory = true;
  tab.kept = null;
  tab.openedAt = null;
  setTrouble(null);
}

/** What is kept; on the very first visit the demo garden moves in. Rejects when the database cannot be opened. */
export async function openStored(): Promise<Found> {
  if (!db.isOpen()) await db.ready();
  setTrouble(null);
  const found = await loadStored(db, tab);
  if (found.is !== "nothing") return found;
  return plantFirst(db, tab, { garden: demoGarden(today()), demo: true });
}
