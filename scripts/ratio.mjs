// npm run ratio: how much of the code is tests. Lines that are not blank, of what git tracks or would track.
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./lib.mjs";

const files = execFileSync("git", ["ls-files", "-co", "--exclude-standard", "--", "*.ts", "*.tsx", "*.mjs"], {
  cwd: root,
  encoding: "utf8",
})
  .trim()
  .split("\n");
const lines = (f) =>
  readFileSync(join(root, f), "utf8")
    .split("\n")
    .filter((l) => l.trim() !== "").length;
/** Knowledge as rows (kinds, keys, the demo garden): it has its own tests, but it is no code. */
const isData = (f) => /^core\/src\/(catalogue\/taxa|identify\/keys|demo)\//.test(f);
const isTest = (f) => /(\.test\.|\.spec\.|\/tests?\/|^e2e\/)/.test(f);
const sum = (fs) => fs.reduce((n, f) => n + lines(f), 0);
const tests = sum(files.filter(isTest));
const data = sum(files.filter(isData));
const code = sum(files.filter((f) => !isTest(f) && !isData(f)));
console.log(
  `${tests} lines of tests, ${code} lines of code, ${data} lines of data: tests are ${Math.round((100 * tests) / (tests + code))} % of tests and code`,
);
