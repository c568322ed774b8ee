/** Which port there is: a worker where the browser has them. */
import type { WorkPort } from "./port.ts";

/** A thread of its own, or this one where there are none. */
export const workPort = async (): Promise<WorkPort> =>
  typeof Worker === "undefined" ? (await import("./inProcess.ts")).inProcess : (await import("./client.ts")).workerPort;
