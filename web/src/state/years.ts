/** Ranges from years of weather: worked out beside the screen once for a place and its kinds, kept, and stoppable. */
import type { YearsAsked, YearsShown } from "@wren/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import type { WorkPort } from "../worker/port.ts";
import { afterPaint } from "./painted.ts";

/** The screen comes first: the work begins when it has settled. */
const SETTLE_MS = 1500;
const QUERY = "years";
/** What another build has worked out is worked out anew: its core may have known better or worse. */
declare const __CORE__: string;
const BUILD = typeof __CORE__ === "undefined" ? "unbuilt" : __CORE__;

export type Progress =
  | { readonly state: "waiting" }
  | { readonly state: "working"; readonly done: number }
  | { readonly state: "stopped" }
  | { readonly state: "done"; readonly years: number };

let progress: Progress = { state: "waiting" };
const listeners = new Set<() => void>();
function setProgress(p: Progress): void {
  progress = p;
  for (const l of listeners) l();
}
const subscribe = (l: () => void): (() => void) => {
  listeners.add(l);
  return () => listeners.delete(l);
};

/** How far the work is; its own store, so that a step of it draws one line anew and not the screen. */
export const useProgress = (): Progress => useSyncExternalStore(subscribe, () => progress);

/** Where there are no workers the ranges stay rules of thumb. */
const port = async (): Promise<WorkPort | null> =>
  typeof Worker === "undefined" ? null : (await import("../worker/client.ts")).workerPort;

const settled = (signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    const timer = setTimeout(resolve, SETTLE_MS);
    signal.addEventListener("abort", () => {
      clearTimeout(timer);
      resolve();
    });
  });

async function workedOut(key: string, asked: YearsAsked, signal: AbortSignal): Promise<YearsShown | null> {
  await afterPaint();
  const { keptYears, keepYears } = await import("./keptYears.ts");
  const kept = await keptYears(key);
  if (kept) {
    setProgress({ state: "done", years: kept.years });
    return kept;
  }
  await settled(signal);
  const works = await port();
  if (works === null || signal.aborted || asked.kinds.length === 0) return null;
  setProgress({ state: "working", done: 0 });
  const answer = await works.work("years", asked, (done) => setProgress({ state: "working", done }), signal);
  if (!answer.ok) {
    setProgress({ state: "stopped" });
    return null;
  }
  await keepYears(key, answer.value);
  setProgress({ state: "done", years: asked.years });
  return answer.value;
}

/** What the years show, as soon as it is known; null until then and where it was stopped. */
export function useYears(asked: YearsAsked | null): YearsShown | null {
  const key = JSON.stringify([BUILD, asked]);
  const q = useQuery({
    queryKey: [QUERY, key],
    queryFn: ({ signal }) => workedOut(key, asked!, signal),
    enabled: asked !== null,
    staleTime: Infinity,
    retry: false,
  });
  return q.data ?? null;
}

/** Stops the work, or starts it again. */
export function useYearsControl(): { readonly stop: () => void; readonly start: () => void } {
  const client = useQueryClient();
  return {
    stop: () => {
      void client.cancelQueries({ queryKey: [QUERY] });
      setProgress({ state: "stopped" });
    },
    start: () => void client.resetQueries({ queryKey: [QUERY] }),
  };
}
