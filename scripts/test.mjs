// npm test: everything, on a machine that may have nothing. Ends with one line, "N passed, N failed".
import { readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { JEST_ENV } from "./jest.mjs";
import { bin, ensureBuilt, ensureChromium, ensureModules, root, run, start } from "./lib.mjs";

ensureModules();
let failedStep = 0;
const step = (args, opts) => {
  const code = run(process.execPath, args, opts);
  if (code !== 0) failedStep = code;
};
// The linter reads types on one core, for minutes on a fresh machine: the quick looks go on beside it.
const lint = start(process.execPath, [
  bin("eslint/bin/eslint.js"),
  ".",
  "--max-warnings",
  "0",
  "--cache",
  "--cache-location",
  "node_modules/.cache/eslint/",
]);
step(["scripts/typecheck.mjs"]);
step([bin("prettier/bin/prettier.cjs"), "--check", "--log-level", "warn", "."]);
step([
  bin("dependency-cruiser/bin/dependency-cruise.mjs"),
  "core/src",
  "web/src",
  "server/src",
  "cli/src",
  "e2e",
  "--config",
  ".dependency-cruiser.cjs",
  "--output-type",
  "err",
]);

const chromium = ensureChromium();
ensureBuilt();
const linted = await lint;
if (linted !== 0) failedStep = linted;

const jestOut = join(root, "node_modules/.cache/jest.json");
rmSync(jestOut, { force: true });
step([bin("jest/bin/jest.js"), "--json", "--outputFile", jestOut], {
  stdio: ["ignore", "ignore", "inherit"],
  env: JEST_ENV,
});

const browserOut = join(root, "e2e/.out/results.json");
rmSync(browserOut, { force: true });
step([bin("@playwright/test/cli.js"), "test"], {
  cwd: join(root, "e2e"),
  env: { ...process.env, WREN_CHROMIUM: chromium },
});

let passed = 0;
let failed = 0;
try {
  const j = JSON.parse(readFileSync(jestOut, "utf8"));
  passed += j.numPassedTests;
  failed += j.numFailedTests + j.numRuntimeErrorTestSuites;
} catch {
  failed++;
}
try {
  const { stats } = JSON.parse(readFileSync(browserOut, "utf8"));
  passed += stats.expected + stats.flaky;
  failed += stats.unexpected;
  if (stats.flaky) console.log(`${stats.flaky} of the journeys passed only at the second try`);
} catch {
  failed++;
}
if (failedStep && failed === 0) failed = 1;
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed || failedStep ? 1 : 0);
