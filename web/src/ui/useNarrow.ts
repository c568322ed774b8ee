/** Is the window too narrow for two columns? There an answer stands before the choice of what to ask. */
import { useSyncExternalStore } from "react";

const NARROW = "(max-width: 899.95px)";
const query = (): MediaQueryList | null => (typeof window.matchMedia === "function" ? window.matchMedia(NARROW) : null);
const subscribe = (changed: () => void): (() => void) => {
  const q = query();
  q?.addEventListener("change", changed);
  return () => q?.removeEventListener("change", changed);
};

export const useNarrow = (): boolean => useSyncExternalStore(subscribe, () => query()?.matches ?? false);
