/** The program without a connection: a service worker keeps every screen, and a new version waits until it is taken. */
import { useSyncExternalStore } from "react";
import type { Workbox } from "workbox-window";

let waiting: Workbox | null = null;
const listeners = new Set<() => void>();
const subscribe = (l: () => void): (() => void) => {
  listeners.add(l);
  return () => listeners.delete(l);
};

/** Looks for a new version now and then, while the page stays open. */
const LOOK_MS = 60 * 60 * 1000;

/** Begins when the page has come to rest. Without service workers everything works but the start without a connection. */
export async function keepOffline(): Promise<void> {
  if (!("serviceWorker" in navigator) || import.meta.env.DEV) return;
  const { Workbox } = await import("workbox-window");
  const worker = new Workbox("/sw.js");
  worker.addEventListener("waiting", () => {
    waiting = worker;
    for (const l of listeners) l();
  });
  const registration = await worker.register();
  if (registration) setInterval(() => void registration.update().catch(() => undefined), LOOK_MS);
}

/** Is a new version ready to be taken? */
export const useRenewal = (): boolean => useSyncExternalStore(subscribe, () => waiting !== null);

/** Takes the new version; the page is loaded anew with it. */
export function renew(): void {
  waiting?.addEventListener("controlling", () => window.location.reload());
  waiting?.messageSkipWaiting();
}
