/** Light or dark colours: the system's, until the gardener chooses. It stands on the page's root before anything is drawn. */
import { useSyncExternalStore } from "react";
import { mediaOf } from "./media.ts";

export type Scheme = "light" | "dark";
const KEY = "wren-scheme";
/** Where earlier versions kept it. */
const OLD_KEY = "mui-mode";
const DARK = "(prefers-color-scheme: dark)";

function chosen(): Scheme | null {
  try {
    const kept = localStorage.getItem(KEY) ?? localStorage.getItem(OLD_KEY);
    return kept === "light" || kept === "dark" ? kept : null;
  } catch {
    return null;
  }
}
let own = chosen();
const now = (): Scheme => own ?? (mediaOf(DARK)?.matches === true ? "dark" : "light");

const listeners = new Set<() => void>();
function lay(): void {
  document.documentElement.dataset["scheme"] = now();
  for (const l of listeners) l();
}
/** Lays the scheme down, and follows the system and other tabs from then on. */
export function laySchemeDown(): void {
  lay();
  mediaOf(DARK)?.addEventListener("change", lay);
  window.addEventListener("storage", (e) => {
    if (e.key !== KEY) return;
    own = chosen();
    lay();
  });
}
export function chooseScheme(scheme: Scheme): void {
  own = scheme;
  try {
    localStorage.setItem(KEY, scheme);
  } catch {
    // It holds as long as the page is open.
  }
  lay();
}

export const useScheme = (): Scheme =>
  useSyncExternalStore((l) => {
    listeners.add(l);
    return () => listeners.delete(l);
  }, now);
