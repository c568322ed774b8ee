#!/usr/bin/env node
// TypeScript is run as it stands; no build step for the command line.
import { register } from "tsx/esm/api";
register();
const { main } = await import("../src/main.ts");
// Whoever reads the answer may close the pipe early, as head does: that is no error.
process.stdout.on("error", (e) => {
  if (e.code !== "EPIPE") throw e;
  process.exit(0);
});
process.exitCode = await main(process.argv.slice(2));
