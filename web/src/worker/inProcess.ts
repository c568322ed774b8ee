/** The same work on the same thread, a step at a time: the worker's twin, for tests and where there are no workers. */
import { CATALOGUE, ok, refused, workYears } from "@wren/core";
import type { YearsPort } from "./port.ts";

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

export const inProcess: YearsPort = {
  async work(asked, onProgress, signal) {
    const work = workYears(asked, CATALOGUE);
    for (;;) {
      if (signal.aborted) return refused([{ code: "stopped", path: [], values: {} }]);
      const step = work.next();
      if (step.done === true) return ok(step.value);
      onProgress(step.value);
      await breath();
    }
  },
};
