/** The whole application in jsdom, on the demo garden as of one day. */
import { cleanup, configure, render } from "@testing-library/react";
import { date, demoGarden } from "@wren/core";
import { App } from "../src/app/App.tsx";
import { replaceAll, type Stored } from "../src/data/changes.ts";
import { WrenDb } from "../src/data/db.ts";

/** A machine at work on more than this test is slow; what never comes still fails. */
configure({ asyncUtilTimeout: 10_000 });

/** The application's own database, as another tab would see it. */
export const db = new WrenDb();
export const demo: Stored = { garden: demoGarden(date("2026-06-10")), demo: true };

/** Before each test: the demo garden, and nothing of the test before. */
export async function freshStart(): Promise<void> {
  cleanup();
  // The database answers outside of any act(): waiting for what the user sees is the test's way.
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false });
  await replaceAll(db, demo);
}

export function openAt(path: string): void {
  window.history.replaceState(null, "", path);
  render(<App />);
}
