/** Asks the station's thread, remembers what it said, and turns away what it cannot get to. */
import { Worker } from "node:worker_threads";
import type { Result } from "@wren/core";
import type { WeatherAnswer } from "./routes/weather.ts";

type Answer = Result<WeatherAnswer, "query">;
const REMEMBERED = 100;
const MOST_WAITING = 200;

export interface Station {
  /** Resolves to null when too many wait already. */
  readonly ask: (query: unknown) => Promise<Answer | null>;
  readonly close: () => Promise<void>;
}

/** The thread is started with the first question. */
export function openStation(): Station {
  let worker: Worker | null = null;
  let no = 0;
  const waiting = new Map<number, { resolve: (a: Answer) => void; reject: (e: unknown) => void }>();
  const known = new Map<string, Promise<Answer>>();

  const started = (): Worker => {
    if (worker) return worker;
    worker = new Worker(new URL("./weather.worker.mjs", import.meta.url));
    worker.unref();
    worker.on("message", (m: { no: number; answer: Answer }) => {
      waiting.get(m.no)?.resolve(m.answer);
      waiting.delete(m.no);
    });
    worker.on("error", (e) => {
      for (const w of waiting.values()) w.reject(e);
      waiting.clear();
      known.clear();
      worker = null;
    });
    return worker;
  };
  const asked = (query: unknown): Promise<Answer> =>
    new Promise((resolve, reject) => {
      waiting.set(++no, { resolve, reject });
      started().postMessage({ no, query });
    });

  return {
    async ask(query) {
      const key = JSON.stringify(query);
      const before = known.get(key);
      if (before) return before;
      if (waiting.size >= MOST_WAITING) return null;
      const answer = asked(query);
      known.set(key, answer);
      if (known.size > REMEMBERED) known.delete(known.keys().next().value!);
      return answer;
    },
    close: async () => {
      await worker?.terminate();
    },
  };
}
