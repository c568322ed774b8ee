/** The thread that works through what it is asked. Stopping it is ending it. */
import type { FromWorker, ToWorker, WorkName } from "./port.ts";
import { WORKS } from "./works.ts";

const say = (m: FromWorker): void => self.postMessage(m);

async function run<N extends WorkName>({ name, asked }: ToWorker<N>): Promise<void> {
  const work = WORKS[name](asked, (done) => say({ kind: "progress", done }));
  let step = await work.next();
  while (step.done !== true) {
    say({ kind: "progress", done: step.value });
    step = await work.next();
  }
  say({ kind: "done", shown: step.value });
}

self.addEventListener("message", (e: MessageEvent<ToWorker>) => {
  run(e.data).catch((error: unknown) =>
    say({ kind: "failed", detail: error instanceof Error ? error.message : String(error) }),
  );
});
