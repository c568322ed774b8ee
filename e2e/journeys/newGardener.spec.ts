import { readFile } from "node:fs/promises";
import { expect, test } from "../pages/app.ts";

const PLACE = { zone: "6b", latitude: "40.5", last: "2025-04-22", first: "2025-10-18" };

test("own place, two plants: the answer of March and of June, a cut recorded, the account full, over, kept, exported, cleared, imported", async ({
  app,
  page,
}, info) => {
  await app.open("/");
  await expect(app.heading("What may I cut?")).toBeVisible();
  await app.startOwnPlace(PLACE);
  await expect(app.heading("Behind the mill")).toBeVisible();
  await app.addPlant("panicle", "Panicle", "2023-04-15");
  await app.addPlant("lilac", "Lilac", "2023-04-15");

  await test.step("15 March: panicle best, lilac costs most of this spring's flowers", async () => {
    await app.open("/today?on=2026-03-15");
    await app.openFromToday("Panicle");
    await app.chooseTask("Shape");
    await expect(app.answer()).toContainText("Now");
    await app.page.getByRole("link", { name: "Today" }).click();
    await app.openFromToday("Lilac");
    await app.chooseTask("Shape");
    await expect(app.answer()).toContainText("Costs flowers");
    await expect(page.getByTestId("main-reason")).toContainText(
      /Takes about [89]\d % of the spring flowers due about \d+ May/,
    );
  });

  const lilac = page.url().replace(/\?.*/, "");
  await test.step("10 June: lilac open with its closing date, panicle costs flowers and comes later", async () => {
    await app.open(`${lilac}?on=2026-06-10`);
    await app.chooseTask("Shape");
    await expect(app.answer()).toContainText(/Now|Fine/);
    await expect(app.answer()).toContainText(/to \d+ (June|July)/);
    await app.open("/today?on=2026-06-10");
    await app.openFromToday("Panicle");
    await app.chooseTask("Shape");
    await expect(app.answer()).toContainText("Costs flowers");
    await expect(app.answer()).toContainText(/\d+ days later/);
  });

  await test.step("a third recorded: the wedge reaches the nick, another third is refused with its date", async () => {
    await app.open(`${lilac}?on=2026-06-10`);
    await app.recordShare("33.333333", "2026-06-10");
    await expect(app.answer()).toContainText("33 % of 33 % in twelve months");
    const trial = page.getByRole("region", { name: "Try a cut" });
    await trial.getByRole("slider").first().fill("33");
    await expect(trial).toContainText("Refused. It fits from 10 Jun 2027.");
  });

  await test.step("recorded all the same: accepted and shown as over", async () => {
    await app.recordShare("30", "2026-06-20");
    await page.goto(`${lilac}?on=2026-06-21`);
    await expect(app.answer()).toContainText("over by 30 %");
    await page.reload();
    await expect(app.answer()).toContainText("over by 30 %");
    await expect(page.getByRole("region", { name: "What was done" }).getByRole("listitem")).toHaveCount(2);
  });

  await test.step("export, clear, import: identical", async () => {
    await app.open("/place");
    const save = async (name: string): Promise<string> => {
      const [download] = await Promise.all([page.waitForEvent("download"), app.button("Export the garden").click()]);
      const path = info.outputPath(name);
      await download.saveAs(path);
      return path;
    };
    const first = await save("first.json");
    await app.button("Clear everything").click();
    await page.getByRole("link", { name: "Garden" }).click();
    await expect(page.getByRole("link", { name: "Lilac" })).toHaveCount(0);
    await page.getByRole("link", { name: "Place & rules" }).click();
    await page.getByLabel("Garden file").setInputFiles(first);
    const dialog = page.getByRole("dialog", { name: "What the import will change" });
    await expect(dialog).toContainText("2 (Panicle, Lilac)");
    await dialog.getByRole("button", { name: "Import" }).click();
    await expect(dialog).toBeHidden();
    expect(await readFile(await save("second.json"), "utf8")).toBe(await readFile(first, "utf8"));
  });
});

test("frost dates the wrong way round, latitude 95, last after first: said at the field", async ({ app, page }) => {
  await app.open("/");
  const dialog = page.getByRole("dialog");
  const wrong = [
    [{ ...PLACE, latitude: "95" }, /expected a number from -90 to 90/],
    [{ ...PLACE, last: "2025-10-18", first: "2025-04-22" }, /wrong way round for the northern hemisphere/],
    [{ ...PLACE, last: "2025-11-01" }, /The last frost .*comes before midsummer/],
  ] as const;
  for (const [place, message] of wrong) {
    await app.startOwnPlace(place);
    await expect(dialog.getByText(message)).toBeVisible();
    await dialog.getByRole("button", { name: "Stay in the demo" }).click();
  }
  await expect(app.heading("What may I cut?")).toBeVisible();
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test("who knows only the town has a place of their own in three presses and a word", async ({ app, page }) => {
    await app.open("/today");
    await app.button("Start with my own place").click();
    await app.field("Near which town?").fill("edinb");
    await page.getByRole("listbox").getByRole("option").first().click();
    const dialog = page.getByRole("dialog");
    await expect(dialog).toContainText(
      /Afternoons of 19 °C in July.*frost until about 2\d April.*lilac in flower about \d+ May/,
    );
    await page.getByText("Correct what you know better").click();
    await app.field("Latitude (degrees)").fill("-37");
    await expect(dialog).toContainText(/Afternoons of \d+ °C in (January|February)/);
    await expect(app.field("Near which town?")).toHaveValue("");
    await app.field("Near which town?").fill("edinb");
    await page.getByRole("listbox").getByRole("option").first().click();
    await app.button("Start here").click();
    await expect(dialog).toBeHidden();
    await app.open("/place");
    await expect(app.field("Near which town?")).toHaveValue(/Edinburgh/);
    await expect(app.field("Name of the place")).toHaveValue("Near Edinburgh");
  });

  test("who knows a latitude and a zone sees what they leave open, and says whose summer it is", async ({
    app,
    page,
  }) => {
    await app.open("/today");
    await app.button("Start with my own place").click();
    await page.getByText("Without a town").click();
    await app.field("Latitude (degrees)").fill("32");
    await app.field("Hardiness zone").selectOption("9b");
    const dialog = page.getByRole("dialog");
    await expect(dialog).toContainText(/Afternoons of 31 °C in July \(\d+ °C to \d+ °C, for all that is known\)/);
    await page.setViewportSize({ width: 390, height: 844 });
    await dialog.evaluate((d) => d.querySelector(".MuiDialogContent-root")!.scrollTo(0, 0));
    const tucson = page.getByRole("button", { name: /^Tucson.*38 °C$/ });
    await expect(tucson).toBeInViewport({ ratio: 1 });
    await tucson.click();
    await expect(tucson).toHaveAttribute("aria-pressed", "true");
    await expect(dialog).toContainText("Afternoons of 38 °C in July");
    await expect(app.field("Afternoons of the warmest month")).toHaveValue("38.3");
  });

  test("a town that is none says so; a position the browser refuses too; what does not go together is named", async ({
    app,
    page,
    context,
  }) => {
    await app.open("/today");
    await app.button("Start with my own place").click();
    await app.field("Near which town?").fill("qqqqq");
    await expect(page.getByText("No town answers to that", { exact: false })).toBeVisible();
    await app.field("Near which town?").fill("");
    await context.clearPermissions();
    await app.button("Where I am now").click();
    await expect(page.getByRole("alert")).toContainText("Name a town, or give the latitude");
    await page.getByText("Without a town").click();
    await app.field("Latitude (degrees)").fill("45");
    await app.field("Hardiness zone").selectOption("9b");
    await app.field("Usual last frost of spring").fill("2025-06-01");
    await expect(page.getByText(/do not go together: which is right\?/)).toBeVisible();
    await app.field("Afternoons of the warmest month").fill("tepid");
    await app.button("Start here").click();
    await expect(page.getByText(/“tepid” will not do/)).toBeVisible();
  });
});
