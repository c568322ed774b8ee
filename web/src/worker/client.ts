/** The port as a real worker: one thread for one piece of work, ended when it is done or stopped. */
import { ok, refused, type Result } from "@wren/core";
import type { FromWorker, ToWorker, WorkIssue, WorkName, WorkPort, Works } from "./port.ts";

function work<N extends WorkName>(
  name: N,
  asked: Works[N]["asked"],
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<Result<Works[N]["shown"], WorkIssue>> {
  return new Promise((resolve) => {
    const worker = new Worker(new URL("./works.worker.ts", import.meta.url), { type: "module" });
    const end = (answer: Result<Works[N]["shown"], WorkIssue>): void => {
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
      // What comes back is of the work that was asked: a thread does one.
      else if (e.data.kind === "done") end(ok(e.data.shown as Works[N]["shown"]));
      else fail("failed", e.data.detail);
    });
    const asking: ToWorker<N> = { name, asked };
    if (signal.aborted) stop();
    else worker.postMessage(asking);
  });
}
export const workerPort: WorkPort = { work };
