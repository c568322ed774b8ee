// Jest with what it needs of Node: vm modules for the web's tests, TypeScript for those that run in plain Node.
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { bin, root } from "./lib.mjs";

export const JEST_ENV = {
  ...process.env,
  NODE_OPTIONS: [
    "--experimental-vm-modules",
    "--disable-warning=ExperimentalWarning",
    `--import ${pathToFileURL(join(root, "scripts/testLoader.mjs")).href}`,
  ].join(" "),
  DEBUG_PRINT_LIMIT: "0",
};
if (process.argv[1] === import.meta.filename) {
  const r = spawnSync(process.execPath, [bin("jest/bin/jest.js"), ...process.argv.slice(2)], {
    cwd: root,
    stdio: "inherit",
    env: JEST_ENV,
  });
  process.exit(r.status ?? 1);
}
