/** An entry that lies far from its forecast, until the gardener has said what it means. */
import type { Meanings, Observation } from "@wren/core";
import { useSyncExternalStore } from "react";

export interface FarSeen {
  readonly seen: Observation;
  readonly meanings: Meanings;
}

let current: FarSeen | null = null;
const listeners = new Set<() => void>();

export function askAbout(far: FarSeen | null): void {
  current = far;
  for (const told of listeners) told();
}

const subscribe = (told: () => void): (() => void) => {
  listeners.add(told);
  return () => listeners.delete(told);
};
export const useFarSeen = (): FarSeen | null => useSyncExternalStore(subscribe, () => current);
