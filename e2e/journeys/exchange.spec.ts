/** The garden leaves in a file and comes from one: archives of any size, two devices, a full storage, keys alone. */
import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { archiveWith, bomb, gardenWithVisits } from "../pages/archives.ts";
import { App, expect, test } from "../pages/app.ts";
import { rowsOf } from "../pages/rows.ts";

const ZIP = { name: "garden.zip", mimeType: "application/zip" };
const choose = (page: Page, file: { name: string; mimeType: string; buffer: Buffer }) =>
  page.getByLabel("Garden file").setInputFiles(file);
const dialog = (page: Page) => page.getByRole("dialog");
const importIt = async (page: Page): Promise<void> => {
  await dialog(page).getByRole("button", { name: "Import", exact: true }).click();
  await expect(dialog(page)).toBeHidden();
};

test("an archive of 2,000 visits and 50 pictures comes in and goes out whole", async ({ app, page }) => {
  await app.open("/place");
  await choose(page, { ...ZIP, buffer: archiveWith(gardenWithVisits(2000, 50), 2000) });
  await expect(dialog(page)).toContainText("visits");
  await importIt(page);
  expect(await rowsOf(page, "pictures")).toHaveLength(50);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    app.button("Everything in one archive").click(),
  ]);
  const buffer = await readFile(await download.path());
  const visits = await rowsOf(page, "visits");
  expect(visits).toHaveLength(2000);
  await app.button("Clear everything").click();
  await expect.poll(() => rowsOf(page, "visits")).toHaveLength(0);
  await choose(page, { ...ZIP, buffer });
  await importIt(page);
  expect(await rowsOf(page, "visits")).toEqual(visits);
  // What would unpack to far more than a garden is not unpacked.
  await choose(page, { ...ZIP, buffer: bomb() });
  await expect(dialog(page)).toContainText("no garden packs so tightly");
  await app.button("Close").click();
  expect(await rowsOf(page, "visits")).toHaveLength(2000);
});

/** The garden as the device would send it to the other one. */
async function sent(app: App): Promise<Buffer> {
  await app.open("/place");
  const [download] = await Promise.all([app.page.waitForEvent("download"), app.button("Export the garden").click()]);
  return readFile(await download.path());
}
const JSON_FILE = { name: "garden.json", mimeType: "application/json" };
async function received(app: App, buffer: Buffer): Promise<void> {
  await app.open("/place");
  await choose(app.page, { ...JSON_FILE, buffer });
  await expect(dialog(app.page).getByRole("button", { name: /Leave it|Close/ })).toBeVisible();
}
async function note(app: App, plant: string, text: string): Promise<void> {
  await app.open(`/plant/${plant}`);
  await app.button("Change").click();
  await dialog(app.page).getByLabel("Note").fill(text);
  await dialog(app.page).getByRole("button", { name: "Save", exact: true }).click();
  await expect(dialog(app.page)).toBeHidden();
}
const plantRow = async (page: Page, id: string) => (await rowsOf(page, "plants")).find((p) => p["id"] === id)!;

test("two devices: other plants and other fields come together unasked, the same field is asked, both keep the garden", async ({
  app,
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL: baseURL!, locale: "en-GB" });
  const page = await context.newPage();
  await page.clock.setFixedTime(new Date("2026-07-01T09:00:00Z"));
  const phone = new App(page);
  // The phone takes the garden over from the desk once.
  await received(phone, await sent(app));
  await expect(dialog(page)).toContainText("nothing would change");
  await dialog(page).getByRole("button", { name: "Leave it" }).click();
  // Both go their ways.
  await note(app, "lilac-corner", "from the desk");
  await note(app, "spirea-gate", "desk alone");
  await note(phone, "lilac-corner", "from the phone");
  await note(phone, "panicle-seat", "phone alone");
  for (const [device, day] of [
    [app, "2026-06-20"],
    [phone, "2026-06-25"],
  ] as const) {
    await device.open("/plant/lilac-corner");
    await device.recordShare("5", day);
  }
  await received(app, await sent(phone));
  await expect(dialog(app.page)).toContainText("Changed on both: 1 choice");
  if (process.env["WREN_SHOT"]) await app.page.screenshot({ path: process.env["WREN_SHOT"] });
  await dialog(app.page)
    .getByRole("button", { name: /In the file.*from the phone/ })
    .click();
  await importIt(app.page);
  expect(await plantRow(app.page, "lilac-corner")).toMatchObject({ note: "from the phone" });
  expect(await plantRow(app.page, "spirea-gate")).toMatchObject({ note: "desk alone" });
  expect(await plantRow(app.page, "panicle-seat")).toMatchObject({ note: "phone alone" });
  const june = (await rowsOf(app.page, "visits")).filter(
    (v) => v["plantId"] === "lilac-corner" && String(v["on"]) >= "2026-06-20",
  );
  expect(june.map((v) => v["on"]).sort()).toEqual(["2026-06-20", "2026-06-25"]);
  // The value that was not chosen is in the notebook.
  await app.open("/record");
  await expect(app.page.getByText("“from the desk”")).toBeVisible();
  // On its way back nothing is asked any more, and both have the same.
  await received(phone, await sent(app));
  await expect(dialog(page)).toContainText("nothing has to be chosen");
  await importIt(page);
  expect(await rowsOf(page, "plants")).toEqual(await rowsOf(app.page, "plants"));
  // The same file once more brings nothing.
  await received(phone, await sent(app));
  await expect(dialog(page)).toContainText("is in your garden already");
  await context.close();
});

/** As a full disk does it: whatever would take more room is refused while it is full. */
async function fillable(
  page: Page,
): Promise<{ readonly full: () => Promise<void>; readonly free: () => Promise<void> }> {
  await page.evaluate(() => {
    for (const name of ["put", "add"] as const) {
      // eslint-disable-next-line @typescript-eslint/unbound-method
      const write = IDBObjectStore.prototype[name];
      IDBObjectStore.prototype[name] = function (this: IDBObjectStore, ...args: [unknown, IDBValidKey?]) {
        if ("full" in window) throw new DOMException("no room", "QuotaExceededError");
        return write.apply(this, args);
      };
    }
  });
  return {
    full: () => page.evaluate(() => void Object.assign(window, { full: true })),
    free: () => page.evaluate(() => void Reflect.deleteProperty(window, "full")),
  };
}

test("full during an import and during a merge: said, nothing half taken, the same file goes in when there is room", async ({
  app,
  page,
}) => {
  const own = await sent(app);
  const told = JSON.parse(own.toString()) as { garden: { plants: { id: string; note: string }[] } };
  told.garden.plants[0]!.note = "from elsewhere";
  const { id } = told.garden.plants[0]!;
  const copy = { ...JSON_FILE, buffer: Buffer.from(JSON.stringify(told)) };
  const disk = await fillable(page);
  for (const [way, buffer] of [
    ["Import", archiveWith(gardenWithVisits(50, 2), 500)],
    ["Import", copy.buffer],
  ] as const) {
    const before = await rowsOf(page, "plants");
    const zip = buffer !== copy.buffer;
    await choose(page, zip ? { ...ZIP, buffer } : copy);
    await expect(dialog(page).getByRole("button", { name: way, exact: true })).toBeVisible();
    await disk.full();
    await dialog(page).getByRole("button", { name: way, exact: true }).click();
    await expect(page.getByText(/storage is full/)).toBeVisible();
    expect(await rowsOf(page, "plants")).toEqual(before);
    await disk.free();
    await importIt(page);
    expect(await rowsOf(page, "plants")).not.toEqual(before);
    if (zip) {
      // The undo is refused while it is full, and works when it is not.
      await disk.full();
      await app.button("Undo: Garden imported").click();
      await expect(page.getByText(/storage is full/).first()).toBeVisible();
      await disk.free();
      // The message covers no control: the same button is pressed again.
      await app.button("Undo: Garden imported").click();
      await expect.poll(() => rowsOf(page, "plants")).toEqual(before);
    }
  }
  expect((await rowsOf(page, "plants")).find((p) => p["id"] === id)).toMatchObject({ note: "from elsewhere" });
});

test("by keys alone: export, import, a question of a merge answered", async ({ app, page }) => {
  const own = await sent(app);
  const told = JSON.parse(own.toString()) as { garden: { name: string }; lineage: string[] };
  told.garden.name = "From elsewhere";
  // It descends from nothing that is known here: the name is asked about.
  told.lineage = [];
  const press = async (name: string): Promise<void> => {
    const button = page.getByRole("button", { name, exact: true });
    await button.focus();
    await page.keyboard.press("Enter");
  };
  await choose(page, { ...JSON_FILE, buffer: Buffer.from(JSON.stringify(told)) });
  const theirs = dialog(page).getByRole("button", { name: /From elsewhere/ });
  await expect(theirs).toBeVisible();
  // The focus is in the dialog and stays there; Tab reaches both choices and Import.
  const reached: string[] = [];
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press("Tab");
    reached.push(await page.evaluate(() => document.querySelector("[role=dialog] button:focus")?.textContent ?? ""));
    if (reached.at(-1)!.includes("From elsewhere")) break;
  }
  expect(reached.at(-1)).toContain("From elsewhere");
  await page.keyboard.press("Enter");
  await press("Import");
  await expect(dialog(page)).toBeHidden();
  expect((await rowsOf(page, "head"))[0]).toMatchObject({ name: "From elsewhere" });
  await page.keyboard.press("Control+z");
  await expect.poll(async () => (await rowsOf(page, "head"))[0]!["name"]).not.toBe("From elsewhere");
});
