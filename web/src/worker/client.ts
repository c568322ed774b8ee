/** The port as a real worker: one thread for one piece of work, ended when it is done or stopped. */
import { ok, refused } from "@wren/core";
import type { FromWorker, ToWorker, WorkIssue, YearsPort } from "./port.ts";

export const workerPort: YearsPort = {
  work: (asked, onProgress, signal) =>
    new Promise((resolve) => {
      const worker = new Worker(new URL("./years.worker.ts", import.meta.url), { type: "module" });
      const end = (answer: Awaited<ReturnType<YearsPort["work"]>>): void => {
        worker.terminate();
        signal.removeEventListener("abort", stop);
        resolve(answer);
      };
      const fail = (code: WorkIssue, detail = ""): void => end(refused([{ code, path: [], values: { detail } }]));
      const stop = (): void => fail("stopped");
      signal.addEventListener("abort", stop);
      worker.addEventListener("error", (e) => fail("failed", e.message));
      worker.addEventListener("message", (e: MessageEvent<FromWorker>) => {
        if (e.data.kind === "progress") onProgress(e.data.done);
        else if (e.data.kind === "done") end(ok(e.data.shown));
        else fail("failed", e.data.detail);
      });
      const asking: ToWorker = { kind: "work", asked };
      if (signal.aborted) stop();
      else worker.postMessage(asking);
    }),
};
