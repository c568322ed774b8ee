import { register } from "tsx/esm/api";
register();
import { chromium } from "@playwright/test";
import { writeFileSync, existsSync } from "node:fs";
const { archiveWith, gardenWithVisits, bomb } = await import("./pages/archives.ts");
const { serve } = await import("../server/src/main.ts");
const s = await serve({ port: 0 });
const b = await chromium.launch({
  executablePath: "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu"],
});
const ctx = await b.newContext({ baseURL: s.url, viewport: { width: 1280, height: 800 }, locale: "en-GB" });
const page = await ctx.newPage();
page.on("console", (m) => m.type() === "error" && console.log("ERR", m.text().slice(0, 300)));
page.on("pageerror", (e) => console.log("PAGEERR", e.message.slice(0, 300)));
await page.clock.setFixedTime(new Date("2026-07-01T09:00:00Z"));
for (const [name, n, photos, bytes] of [
  ["50 pictures", 2000, 50, 1000],
  ["60 MB", 2000, 150, 400000],
  ["200 MB", 2000, 500, 400000],
]) {
  const f = `/tmp/try/${photos}.zip`;
  if (!existsSync(f)) writeFileSync(f, archiveWith(gardenWithVisits(n, photos), bytes));
  await page.goto("/place");
  await page.getByRole("button", { name: "Import a garden" }).waitFor();
  const t = Date.now();
  await page.getByLabel("Garden file").setInputFiles(f);
  await page.getByRole("dialog").getByRole("button", { name: "Import", exact: true }).waitFor({ timeout: 120000 });
  console.log(name, "preview after", Date.now() - t, "ms");
  if (photos === 50) await page.screenshot({ path: "/tmp/try/import.png" });
  const t2 = Date.now();
  await page.getByRole("dialog").getByRole("button", { name: "Import", exact: true }).click();
  await page.getByRole("dialog").waitFor({ state: "detached", timeout: 120000 });
  console.log("kept after", Date.now() - t2);
}
writeFileSync("/tmp/try/bomb.zip", bomb());
await page.getByLabel("Garden file").setInputFiles("/tmp/try/bomb.zip");
await page.getByText("is refused").waitFor();
console.log(await page.getByRole("dialog").innerText());
await b.close();
await s.close();
process.exit(0);
