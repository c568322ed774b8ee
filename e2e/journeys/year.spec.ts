import { readFile } from "node:fs/promises";
import { expect, test } from "../pages/app.ts";

test("the year: sorted, filtered, read on the strip's day, a cut planned on a date, kept, settled by its visit", async ({
  app,
  page,
}) => {
  await app.open("/year?on=2026-07-02");
  const plants = page.getByRole("list", { name: "Plants" });
  await expect(plants.getByRole("listitem")).toHaveCount(23);
  await page.getByRole("group", { name: "Show" }).getByRole("button", { name: "Open on this day" }).click();
  await expect(plants).toContainText("Yew hedge");
  await expect(plants).not.toContainText("Old lilac");
  await app.button("Plan for Yew hedge").click();
  const dialog = page.getByRole("dialog", { name: "Plan for Yew hedge" });
  await expect(dialog).toContainText("Fine");
  await dialog.getByLabel("Day").fill("2026-07-20");
  await expect(dialog).toContainText("Now");
  await dialog.getByRole("button", { name: "Plan it" }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole("group", { name: "Show" }).getByRole("button", { name: "With a plan" }).click();
  await expect(plants).toContainText("Yew hedge");
  await page.reload();
  await page.getByText("The same as a table").click();
  await expect(page.getByRole("row", { name: /Yew hedge/ })).toContainText("planned 20 July");
  await app.open("/plant/yew-hedge/record/shear?on=2026-07-01");
  await app.field("Live growth taken (%)").fill("10");
  await app.button("Record").click();
  await expect(app.answer()).toBeVisible();
  await app.open("/year?on=2026-07-02&show=planned");
  await expect(plants).not.toContainText("Yew hedge");
});

test("reminders for a calendar: windows, plans and looks as all-day events", async ({ app, page }, info) => {
  await app.open("/year");
  const [download] = await Promise.all([page.waitForEvent("download"), app.button("Reminders for a calendar").click()]);
  const path = info.outputPath("r.ics");
  await download.saveAs(path);
  const text = await readFile(path, "utf8");
  expect(text).toContain("SUMMARY:Shear: Box hedge\\, lane side");
  expect(text).toContain("DTSTART;VALUE=DATE:20270629");
  expect(text.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(10);
});
