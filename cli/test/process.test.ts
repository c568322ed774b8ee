/** The command as a shell starts it: the same file, another process. */
import { expect, test } from "@jest/globals";
import { date, demoGarden, writeGardenFile } from "@wren/core";
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const root = join(import.meta.dirname, "../..");
const file = join(mkdtempSync(join(tmpdir(), "process-")), "garden.json");
writeFileSync(file, writeGardenFile(demoGarden(date("2025-07-01"))));

const start = (...args: string[]) =>
  spawnSync(process.execPath, [join(root, "node_modules/.bin/wren-song"), ...args], {
    encoding: "utf8",
    // Five hundred kinds are more than the megabyte that is taken by itself.
    maxBuffer: 16 * 1024 * 1024,
    cwd: tmpdir(),
  });

test("advise --json answers on standard output from any folder and exits 0", () => {
  const r = start("advise", file, "--on", "2025-06-10", "--json");
  expect(r.status).toBe(0);
  expect((JSON.parse(r.stdout) as unknown[]).length).toBe(23);
});

test("a reader that closes the pipe early is no error", () => {
  const command = `"${process.execPath}" "${join(root, "node_modules/.bin/wren-song")}" catalogue --json | head -c 20`;
  const r = spawnSync("bash", ["-o", "pipefail", "-c", command], { encoding: "utf8", cwd: tmpdir() });
  expect([r.status, r.stderr, r.stdout.length]).toEqual([0, "", 20]);
});

test("wrong use goes to standard error with exit code 2", () => {
  const r = start("advise", file);
  expect([r.status, r.stdout]).toEqual([2, ""]);
  expect(r.stderr).toMatch(/needs FILE and --on DATE/);
});

test("the README names every key of the answer", () => {
  const [first] = JSON.parse(start("advise", file, "--on", "2025-06-10", "--json").stdout) as [object];
  const readme = readFileSync(join(root, "README.md"), "utf8");
  expect(Object.keys(first).filter((k) => !readme.includes(`\`${k}\``))).toEqual([]);
});

test("the README names every key of the catalogue", () => {
  const [first] = JSON.parse(start("catalogue", "--json").stdout) as [object];
  const readme = readFileSync(join(root, "README.md"), "utf8");
  expect(Object.keys(first).filter((k) => !readme.includes(`\`${k}\``))).toEqual([]);
});
