/** When the garden went out as a file last, and when it is worth saying that this was long ago. Beside the garden, not in it. */
import { useSyncExternalStore } from "react";
import { now } from "../data/clock.ts";

const LAST = "wren-exported";
const LATER = "wren-export-later";
const DAY_MS = 86_400_000;
/** Said after so many days; put off for so many; and only once so much was written down. */
const OLD_DAYS = 30;
const LATER_DAYS = 7;
const LEAST_RECORDS = 10;

const listeners = new Set<() => void>();
const tell = (): void => listeners.forEach((l) => l());

function read(key: string): number | null {
  try {
    const n = Number(localStorage.getItem(key));
    return n > 0 ? n : null;
  } catch {
    return null;
  }
}
function write(key: string, value: number): void {
  try {
    localStorage.setItem(key, String(value));
  } catch {
    // Where nothing is kept, that is said already.
  }
  tell();
}
export const noteExport = (): void => write(LAST, now().getTime());
export const putOff = (): void => write(LATER, now().getTime());

/** Days since the last export, when it is time to say so; "never" when there was none; null: nothing is to be said. */
export function exportDue(records: number): number | "never" | null {
  if (records < LEAST_RECORDS) return null;
  const at = now().getTime();
  const later = read(LATER);
  if (later !== null && at - later < LATER_DAYS * DAY_MS) return null;
  const last = read(LAST);
  if (last === null) return "never";
  const days = Math.floor((at - last) / DAY_MS);
  return days >= OLD_DAYS ? days : null;
}
export function useExportDue(records: number): number | "never" | null {
  return useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => exportDue(records),
  );
}
