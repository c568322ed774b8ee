/** Does the page match a media query? The first screen asks, which carries no library for it. */
import { useCallback, useSyncExternalStore } from "react";

/** null where nothing can be asked. */
export const mediaOf = (query: string): MediaQueryList | null =>
  typeof window.matchMedia === "function" ? window.matchMedia(query) : null;

export function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (changed: () => void) => {
      const list = mediaOf(query);
      list?.addEventListener("change", changed);
      return () => list?.removeEventListener("change", changed);
    },
    [query],
  );
  return useSyncExternalStore(subscribe, () => mediaOf(query)?.matches ?? false);
}
