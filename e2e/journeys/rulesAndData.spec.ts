import { readFile, writeFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { expect, test } from "../pages/app.ts";

/** A choice is kept in the database first and shown then. */
async function choose(page: Page, name: string | RegExp): Promise<void> {
  const radio = page.getByRole("radio", { name });
  await radio.click();
  await expect(radio).toBeChecked();
}

test("schools re-answer: how much moves the nick, the butterfly bush's school moves its day", async ({ app, page }) => {
  await app.open("/plant/rhododendron-steps?on=2026-06-28");
  await expect(app.answer()).toContainText("of 33 % in twelve months");
  await app.open("/place");
  await choose(page, /^A quarter/);
  await expect(page.getByText("School changed.")).toBeVisible();
  await choose(page, /^Live stems grow on/);
  await app.open("/plant/rhododendron-steps?on=2026-06-28");
  await expect(app.answer()).toContainText("of 25 % in twelve months");
  await app.open("/plant/butterfly-lamp?on=2026-04-20");
  await expect(app.answer().getByRole("button", { name: "Shape", exact: true })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
});

test("feet and inches everywhere, and both", async ({ app, page }) => {
  await app.open("/place");
  await choose(page, "Feet and inches");
  await app.open("/garden?on=2026-02-01");
  await expect(page.getByRole("listitem").filter({ hasText: "Yew hedge" })).toContainText(/wanted 5 ft 7 in/);
  await app.button("Change Yew hedge").click();
  await expect(page.getByLabel("Height (in)", { exact: true })).toHaveValue("70.9");
  await app.button("Save").click();
  await app.open("/place");
  await choose(page, "Both");
  await app.open("/plant/yew-hedge?on=2026-02-01");
  await expect(page.getByRole("region", { name: "The plant" })).toContainText(/1\.8 m \(5 ft 11 in\) tall/);
});

test("the southern hemisphere: the strip begins in July and the lilac flowers in spring", async ({ app, page }) => {
  await app.open("/");
  await app.startOwnPlace({ zone: "8a", latitude: "-37", last: "2025-09-25", first: "2025-05-05" });
  await app.addPlant("lilac", "Lilac", "2020-08-01");
  await page.getByRole("link", { name: "Lilac" }).click();
  await app.chooseTask("Shape");
  await expect(app.answer()).toContainText("Costs flowers");
  await expect(page.getByTestId("main-reason")).toContainText(/due about \d+ (September|October)/);
  const strip = page.getByRole("slider", { name: "Day of the year" });
  await strip.focus();
  await page.keyboard.press("Home");
  await expect(page.getByText("Wed 1 July 2026")).toBeVisible();
  await page.keyboard.press("End");
  await expect(page.getByText("Wed 30 June 2027")).toBeVisible();
});

test("links and the back button keep plant and day", async ({ app, page }) => {
  await app.open("/today?on=2026-03-22&plant=rose-towpath");
  await expect(page.getByRole("complementary")).toContainText("Red rose");
  await page.getByRole("link", { name: "Its year and history" }).click();
  await expect(page).toHaveURL(/\/plant\/rose-towpath\?on=2026-03-22/);
  await page.keyboard.press(">");
  await expect(page).toHaveURL(/on=2026-03-29/);
  await page.getByRole("link", { name: "Garden" }).click();
  await expect(page).toHaveURL(/\/garden\?on=2026-03-29/);
  await page.goBack();
  await expect(app.heading("Red rose")).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/\/today\?on=2026-03-22&plant=rose-towpath/);
  await expect(page.getByRole("complementary")).toContainText("Red rose");
});

test("why? opens on any number with inputs, formula and source, and gives the focus back", async ({ app, page }) => {
  await app.open("/plant/lilac-corner?on=2026-03-15");
  await app.chooseTask("Shape");
  for (const title of [
    "Cost in spring flowers",
    "Live growth of twelve months",
    "Frost risk of a cut on this day",
    "The window",
    "Height to cut to",
  ]) {
    const why = app.button(`Why? ${title}`);
    await why.click();
    const dialog = page.getByRole("dialog", { name: title });
    await expect(dialog).toContainText(/published|practice|own|assumption/);
    await expect(dialog.getByRole("term").first()).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(dialog).toBeHidden();
    await expect(why).toBeFocused();
  }
});

test("an import can be undone, and a file with one wrong row changes nothing", async ({ app, page }, info) => {
  await app.open("/place");
  const [download] = await Promise.all([page.waitForEvent("download"), app.button("Export the garden").click()]);
  const path = info.outputPath("demo.json");
  await download.saveAs(path);
  const text = await readFile(path, "utf8");
  const bring = async (name: string, content: string): Promise<void> => {
    const file = info.outputPath(name);
    await writeFile(file, content);
    await page.getByLabel("Garden file").setInputFiles(file);
  };

  await bring("same.json", text);
  await expect(page.getByRole("dialog")).toContainText("nothing would change");
  await app.button("Close").or(app.button("Leave it")).click();

  await bring("wrong.json", text.replace('"taxonId": "syringa-vulgaris"', '"taxonId": "triffid"'));
  await expect(page.getByRole("dialog")).toContainText("The catalogue has no kind “triffid”");
  await app.button("Close").click();

  await bring("renamed.json", text.replace('"label": "Red rose"', '"label": "White rose"'));
  await expect(page.getByRole("dialog")).toContainText("1 (White rose)");
  await app.button("Import").click();
  await page.getByRole("link", { name: "Garden" }).click();
  await expect(page.getByRole("link", { name: "White rose" })).toBeVisible();
  await app.button("Undo: Two copies brought together").click();
  await expect(page.getByRole("link", { name: "Red rose" })).toBeVisible();
  await app.button("Do again: Two copies brought together").click();
  await expect(page.getByRole("link", { name: "White rose" })).toBeVisible();
});

test("a second tab follows the first", async ({ app, context }) => {
  await app.open("/garden");
  const other = await context.newPage();
  await other.goto("/garden");
  await expect(other.getByRole("link", { name: "Spirea by the gate" })).toBeVisible();
  await app.button("Remove Spirea by the gate").click();
  await expect(other.getByRole("link", { name: "Spirea by the gate" })).toHaveCount(0);
  // What the first tab did is the first tab's to take back.
  await expect(other.getByRole("button", { name: "Nothing to undo" })).toBeDisabled();
  await app.button(/^Undo: Spirea/).click();
  await expect(other.getByRole("link", { name: "Spirea by the gate" })).toBeVisible();
});

test("a plant moves by keyboard, into another bed by its form, and a bed comes and goes", async ({ app, page }) => {
  await app.open("/garden");
  await app.button("Move plants").click();
  const pine = app.button("Move Mountain pine");
  const x = async (): Promise<number> => (await pine.boundingBox())!.x;
  const before = await x();
  await pine.focus();
  await page.keyboard.press("Space");
  // A key that comes before the last one was followed would be lost: no hand is that quick.
  for (let i = 0; i < 4; i++) {
    const was = await x();
    await page.keyboard.press("ArrowLeft");
    await expect.poll(x).toBeLessThan(was - 10);
  }
  await page.keyboard.press("Space");
  await expect(page.getByText("Mountain pine moved.")).toBeVisible();
  await expect.poll(x).toBeLessThan(before - 60);
  await app.button("Done moving").click();

  await app.button("Add a bed").click();
  await page.getByRole("dialog").getByLabel("Name").fill("Shade corner");
  await app.button("Add").click();
  await expect(page.getByRole("region", { name: "Shade corner" })).toContainText("Nothing planted here yet");
  await app.button("Change Mountain pine").click();
  await page.getByRole("dialog").getByLabel("Bed", { exact: true }).selectOption("Shade corner");
  await app.button("Save").click();
  await expect(
    page.getByRole("region", { name: "Shade corner" }).getByRole("link", { name: "Mountain pine" }),
  ).toBeVisible();
  await expect(app.button("Remove Shade corner")).toHaveCount(0);
});

test("on a phone: find a plant, open it, start a visit at it", async ({ app, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await app.open("/today?on=2026-06-28");
  await page.getByRole("button", { name: "Find a plant" }).click();
  await page.getByRole("combobox", { name: "Find a plant" }).fill("yew hedge");
  await page.getByRole("option", { name: "Yew hedge" }).click();
  await expect(app.heading("Yew hedge")).toBeVisible();
  await page.getByRole("link", { name: "Record a visit" }).click();
  await app.field("Live growth taken (%)").fill("10");
  await expect(page.getByRole("status")).toContainText("10 % of its live growth");
  await app.button("Record").click();
  await expect(page.getByText("Visit to Yew hedge recorded.")).toBeVisible();
});

test("a plan inside the cap is accepted and carried into the record", async ({ app, page }) => {
  await app.open("/plant/rhododendron-steps?on=2026-06-25");
  const trial = page.getByRole("region", { name: "Try a cut" });
  await trial.getByRole("slider").first().fill("12");
  await expect(trial).toContainText("It can be planned.");
  await trial.getByRole("link", { name: "Record this cut" }).click();
  await expect(app.field("Live growth taken (%)")).toHaveValue("12");
});
