/** The whole application in jsdom, on the demo garden as of one day. */
import { cleanup, configure, render } from "@testing-library/react";
import { date, demoGarden } from "@wren/core";
import { App } from "../src/app/App.tsx";
import { newTab, replaceStored } from "../src/data/changes.ts";
import { WrenDb } from "../src/data/db.ts";
import { loadStored } from "../src/data/changes.ts";
import type { Kept, Stored } from "../src/data/stored.ts";
// The theme is fetched after the first screen; here it would be read while a test waits.
import "../src/ui/themed.tsx";

/** A machine at work on more than this test is slow; what never comes still fails. */
configure({ asyncUtilTimeout: 10_000 });

/** The application's own database, as another tab would see it. */
export const db = new WrenDb();
export const demo: Stored = { garden: demoGarden(date("2026-06-10")), demo: true, apart: [] };
export const other = newTab("other");

/** What another tab would read. */
export async function stored(): Promise<Kept> {
  const found = await loadStored(db, other);
  if (found.is !== "garden") throw new Error(`found ${found.is}`);
  return found.kept;
}

/** Before each test: the demo garden, and nothing of the test before. */
export async function freshStart(): Promise<void> {
  cleanup();
  // The database answers outside of any act(): waiting for what the user sees is the test's way.
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false });
  await replaceStored(db, other, "start", demo);
  await db.changes.clear();
}

export function openAt(path: string): void {
  window.history.replaceState(null, "", path);
  render(<App />);
}
