// A browser killed in the middle of its writes, again and again: what was acknowledged must be there, whole.
import { execSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { QUIET_CHROMIUM, startServer } from "./lib.mjs";

/** What lies in the database: how many changes it counts, and the order of its beds, of which each change swaps two. */
const lies = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        const asked = indexedDB.open("wren-song");
        asked.onsuccess = () => {
          const tx = asked.result.transaction(["beds", "meta"]);
          const out = {};
          for (const name of ["beds", "meta"])
            tx.objectStore(name).getAll().onsuccess = (e) => (out[name] = e.target.result);
          tx.oncomplete = () => {
            asked.result.close();
            resolve({
              rev: out.meta.find((m) => m.key === "rev")?.value ?? 0,
              orders: out.beds.map((b) => b.order).sort(),
            });
          };
        };
      }),
  );

/** Moves beds about as fast as each change is acknowledged. */
const moveBeds = (page) =>
  page.evaluate(() => {
    const press = () =>
      [...document.querySelectorAll("button[aria-label]")].find((b) => /^Move .* down$/.test(b.ariaLabel))?.click();
    let last = null;
    let acknowledged = 0;
    new MutationObserver(() => {
      const notice = document.querySelector(".notice");
      if (notice === null || notice === last) return;
      last = notice;
      if (!/ moved (up|down)\.$/.test(notice.firstChild.textContent)) return;
      window.__told(++acknowledged);
      press();
    }).observe(document.body, { subtree: true, childList: true });
    press();
  });

/** @returns how many changes were acknowledged, how many of them were lost, how many gardens were half written or did not open */
export async function killed(rounds, executablePath) {
  const { chromium } = await import("@playwright/test");
  const { url, stop } = await startServer();
  const dir = mkdtempSync(join(tmpdir(), "kills-"));
  const sum = { acknowledged: 0, lost: 0, half: 0, unreadable: 0 };
  const open = async () => {
    const context = await chromium.launchPersistentContext(dir, { executablePath, args: QUIET_CHROMIUM });
    const page = context.pages()[0] ?? (await context.newPage());
    let told = 0;
    await page.exposeFunction("__told", (n) => (told = n));
    await page.goto(`${url}/garden`);
    const opened = await page
      .getByRole("button", { name: /^Move .* down$/ })
      .first()
      .waitFor({ timeout: 20_000 })
      .then(
        () => true,
        () => false,
      );
    await page.waitForTimeout(300);
    return { context, page, opened, told: () => told };
  };
  let atLeast = 0;
  for (let round = 0; round <= rounds; round++) {
    const { context, page, opened, told } = await open();
    if (!opened) sum.unreadable++;
    const { rev, orders } = await lies(page);
    if (rev < atLeast) sum.lost += atLeast - rev;
    if (new Set(orders).size !== orders.length) sum.half++;
    if (round === rounds) {
      await context.close();
      break;
    }
    await moveBeds(page);
    await new Promise((done) => setTimeout(done, 250 + ((round * 37) % 500)));
    try {
      execSync(`pkill -9 -f -- "--user-data-dir=${dir}"`);
    } catch {
      // Gone already.
    }
    await context.close().catch(() => undefined);
    atLeast = rev + told();
    sum.acknowledged += told();
  }
  rmSync(dir, { recursive: true, force: true });
  await stop();
  return sum;
}
