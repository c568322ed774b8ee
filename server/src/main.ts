import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { buildApp } from "./app.ts";

export interface Serving {
  readonly url: string;
  readonly close: () => Promise<void>;
}

/** Listens on the loopback address; port 0 takes a free one. Rejects with EADDRINUSE when the port is taken. */
export async function serve({ port }: { port: number }): Promise<Serving> {
  const webRoot = join(dirname(fileURLToPath(import.meta.url)), "../../web/dist");
  const app = await buildApp({ webRoot });
  const url = await app.listen({ port, host: "127.0.0.1" });
  return { url, close: () => app.close() };
}
