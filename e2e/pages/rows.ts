/** The rows that lie in the browser. */
import type { Page } from "@playwright/test";

export async function rowsOf(page: Page, store: string): Promise<readonly Record<string, unknown>[]> {
  // A first visit shows its garden before it is kept.
  await page.waitForFunction(() => localStorage.getItem("wren-kept") !== null);
  return page.evaluate(
    (name) =>
      new Promise((resolve, reject) => {
        const asked = indexedDB.open("wren-song");
        asked.onerror = () => reject(new Error("not opened"));
        asked.onsuccess = () => {
          const all = asked.result.transaction(name).objectStore(name).getAll();
          all.onsuccess = () => {
            asked.result.close();
            resolve(all.result as Record<string, unknown>[]);
          };
        };
      }),
    store,
  );
}
