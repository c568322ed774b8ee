// npm run screenshots: one picture per main view, from the demo garden as it stands on a fixed day.
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt, ensureChromium, ensureModules, QUIET_CHROMIUM, root, startServer } from "./lib.mjs";

ensureModules();
const executablePath = ensureChromium();
ensureBuilt();
const { chromium } = await import("@playwright/test");

const DAY = "2026-06-10";
const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const VIEWS = [
  { name: "today", path: `/today?on=${DAY}&plant=lilac-corner`, size: WIDE },
  { name: "today-phone", path: `/today?on=${DAY}`, size: PHONE },
  { name: "today-dark", path: `/today?on=2026-03-20&plant=panicle-seat`, size: WIDE, dark: true },
  { name: "garden", path: `/garden?on=${DAY}`, size: WIDE },
  { name: "plant", path: `/plant/lilac-corner?on=${DAY}`, size: WIDE },
  { name: "plant-phone", path: `/plant/panicle-seat?on=${DAY}`, size: PHONE },
  { name: "instead", path: "/plant/lilac-corner?on=2026-07-25", size: WIDE },
  { name: "record", path: "/record?part=taught", size: WIDE },
  { name: "place", path: "/place", size: WIDE },
  { name: "year", path: `/year?on=${DAY}`, size: WIDE },
  { name: "bench", path: `/plant/lilac-corner/bench?on=${DAY}`, size: WIDE, press: "Suggest" },
  { name: "bench-phone", path: "/plant/panicle-seat/bench?on=2026-03-10", size: PHONE, press: "Suggest" },
  { name: "walk-phone", path: "/walk", size: PHONE },
  { name: "key", path: "/which/hydrangeas?plant=gift-steps&shows=bare", size: WIDE },
  { name: "workdays", path: "/days?on=2026-03-10", size: WIDE, seen: /no arrangement of them/ },
  { name: "atplant-phone", path: "/at/panicle-seat?on=2026-03-10&task=shape", size: PHONE, press: "Begin" },
  { name: "kind", path: `/kinds/hydrangea-quercifolia?on=${DAY}`, size: WIDE },
  { name: "hedge", path: `/hedges/yew-hedge?on=${DAY}`, size: WIDE },
  { name: "unsettled", path: "/plant/gift-steps?on=2026-03-20", size: WIDE },
];

const only = process.argv.slice(2);
const out = join(root, "docs/screenshots");
mkdirSync(out, { recursive: true });
const { url, stop } = await startServer();
const browser = await chromium.launch({ executablePath, args: QUIET_CHROMIUM });
for (const v of VIEWS.filter((v) => only.length === 0 || only.includes(v.name))) {
  const page = await browser.newPage({
    viewport: v.size,
    colorScheme: v.dark ? "dark" : "light",
    reducedMotion: "reduce",
    locale: "en-GB",
    timezoneId: "Europe/London",
  });
  // The demo's records end the day before it is opened; a fixed clock keeps the pictures the same.
  await page.clock.setFixedTime(new Date("2026-06-10T09:00:00Z"));
  await page.goto(url + v.path);
  await page.getByRole("heading", { level: 1 }).waitFor();
  // Today answers for its first plants first, and counts when it has asked them all.
  await page.locator("main").getByText("…", { exact: true }).first().waitFor({ state: "hidden" });
  // Where the strip is shown its ranges are worked out first, so that the picture is the same every time.
  if (v.size === WIDE && (await page.getByRole("slider", { name: "Day of the year" }).count()) > 0)
    await page.getByText("300 years of weather").waitFor({ timeout: 60_000 });
  if (v.press) await page.getByRole("button", { name: v.press }).click();
  if (v.seen) await page.getByText(v.seen).waitFor({ timeout: 60_000 });
  if (v.press) await page.getByText(/: proposal\./).waitFor({ state: "hidden", timeout: 30_000 });
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(out, `${v.name}.png`) });
  console.log(`docs/screenshots/${v.name}.png`);
  await page.close();
}
await browser.close();
await stop();
