/** The same work on the same thread, a step at a time: the worker's twin, for tests and where there are no workers. */
import { ok, refused } from "@wren/core";
import type { WorkPort } from "./port.ts";
import { WORKS } from "./works.ts";

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

export const inProcess: WorkPort = {
  async work(name, asked, onProgress, signal) {
    const work = WORKS[name](asked, onProgress);
    for (;;) {
      if (signal.aborted) return refused([{ code: "stopped", path: [], values: {} }]);
      const step = await work.next();
      if (step.done === true) return ok(step.value);
      onProgress(step.value);
      await breath();
    }
  },
};
