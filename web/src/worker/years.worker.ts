/** The thread that works through years of weather. Stopping it is ending it. */
import { CATALOGUE, workYears } from "@wren/core";
import type { FromWorker, ToWorker } from "./port.ts";

const say = (m: FromWorker): void => self.postMessage(m);

self.addEventListener("message", (e: MessageEvent<ToWorker>) => {
  try {
    const work = workYears(e.data.asked, CATALOGUE);
    let step = work.next();
    while (step.done !== true) {
      say({ kind: "progress", done: step.value });
      step = work.next();
    }
    say({ kind: "done", shown: step.value });
  } catch (error) {
    say({ kind: "failed", detail: error instanceof Error ? error.message : String(error) });
  }
});
