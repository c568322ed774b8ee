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
