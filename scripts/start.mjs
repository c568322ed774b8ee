// npm start: install, build, serve. Everything in one process, so that stopping it stops the server.
import { ensureBuilt, ensureModules, startServer } from "./lib.mjs";
ensureModules();
ensureBuilt();
const port = Number(process.env.PORT ?? 4173);
try {
  const { url } = await startServer(port);
  console.log(
    `\nWren Song is open at ${url}\nIt starts on the demo garden; choose “start with my own place” there.\nStop it with Ctrl+C.`,
  );
} catch (e) {
  if (e?.code !== "EADDRINUSE") throw e;
  console.error(`Port ${port} is taken. Choose another: PORT=4180 npm start`);
  process.exit(1);
}
