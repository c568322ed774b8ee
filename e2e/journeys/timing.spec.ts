import AxeBuilder from "@axe-core/playwright";
import { expect, test, type App } from "../pages/app.ts";

const csv = (name: string, text: string) => ({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
const region = (app: App, name: string) => app.page.getByRole("region", { name });

test("this year's pace: ten days earlier moves the window and says so, takes it back, and lets the year run", async ({
  app,
  page,
}) => {
  await app.open("/plant/lilac-corner?on=2026-04-20");
  const window = app.answer().getByText(/\d+ (May|June) to \d+ (June|July)/);
  const before = await window.textContent();
  await app.button(/^2026 runs .*: why/).click();
  const dialog = page.getByRole("dialog", { name: "How does 2026 run?" });
  await expect(dialog).toContainText("Old lilac");
  const slider = dialog.getByRole("slider");
  await slider.focus();
  for (let i = 0; i < 16; i++) await slider.press("ArrowRight");
  await dialog.getByRole("button", { name: "Say so" }).click();
  await expect(dialog).toBeHidden();
  await expect(window).not.toHaveText(before!);
  await expect(app.answer()).toContainText(/This year runs about \d+ days ahead/);
  await page.reload();
  await expect(app.button(/^2026 runs 1\d days ahead/)).toBeVisible();
  await app.button(/^Undo: The year's pace/).click();
  await expect(window).toHaveText(before!);
  await app.button("Let the year run").click();
  await expect(page.getByRole("slider", { name: "Day of the year" })).not.toHaveAttribute("aria-valuetext", /20 April/);
  await app.button("Stop the year").click();
});

test("ranges come from years of weather, worked out beside the screen: stopped, started, kept", async ({
  app,
  page,
}) => {
  await app.open("/plant/lilac-corner?on=2026-06-10");
  await page.getByRole("button", { name: "Stop", exact: true }).click();
  await expect(page.getByText("ranges: rule of thumb")).toBeVisible();
  await app.button("Work them out").click();
  await expect(page.getByText("ranges: 300 years of weather")).toBeVisible({ timeout: 60_000 });
  await app.button("Why? The window").click();
  await expect(page.getByRole("dialog")).toContainText("Closes, in eight years of ten");
  await page.keyboard.press("Escape");
  await page.reload();
  await expect(page.getByText("ranges: 300 years of weather")).toBeVisible();
});

test("monthly means: a wrong month is named at its field, a right twelve become the climate, and back", async ({
  app,
  page,
}) => {
  await app.open("/place");
  await app.button("I have monthly means").click();
  const dialog = page.getByRole("dialog", { name: "Twelve monthly means" });
  await dialog.getByLabel("Mean minimum, July").fill("35");
  await dialog.getByRole("button", { name: "Use these months" }).click();
  await expect(dialog).toContainText("July: the mean minimum (35 °C) must lie below the mean maximum");
  const { violations } = await new AxeBuilder({ page }).include("[role=dialog]").analyze();
  expect(violations.filter((v) => v.impact === "serious" || v.impact === "critical").map((v) => v.id)).toEqual([]);
  await dialog.getByLabel("Mean minimum, July").fill("18");
  await dialog.getByRole("button", { name: "Use these months" }).click();
  await expect(dialog).toBeHidden();
  const climate = region(app, "What the climate is worked out from");
  await expect(climate).toContainText("From twelve monthly means");
  await app.button("Back to what was said above").click();
  await expect(climate).toContainText("From the towns around or the latitude");
});

test("weather files: Fahrenheit and swapped columns are recognised, bad lines refuse all of it, nothing is lost", async ({
  app,
  page,
}) => {
  await app.open("/place");
  const climate = region(app, "What the climate is worked out from");
  const dialog = page.getByRole("dialog");
  await page
    .getByLabel("Weather file")
    .setInputFiles(csv("bad.csv", "date,tmin,tmax\n2026-06-28,15,24\n2026-06-29,mild,25\n2026-06-30,26,14\n"));
  await expect(dialog).toContainText("Line 3: “mild” is not a number");
  await expect(dialog).toContainText("Line 4: The minimum (26 °C) lies above the maximum (14 °C)");
  await dialog.getByRole("button", { name: "Close" }).click();
  await expect(climate.getByRole("list", { name: "Days of weather" })).toBeHidden();
  const hot = Array.from({ length: 30 }, (_, i) => `2026-06-${String(i + 1).padStart(2, "0")},91,62`).join("\n");
  await page.getByLabel("Weather file").setInputFiles(csv("hot.csv", `day,Low °F,High °F\n${hot}\n2026-07-01,97,66\n`));
  await expect(dialog).toContainText("31 days");
  await expect(dialog).toContainText("degrees Fahrenheit");
  await expect(dialog).toContainText("the wrong way round: turned");
  await dialog.getByRole("button", { name: "Keep these days" }).click();
  await expect(climate).toContainText("31 days");
  await app.open("/plant/yew-hedge?on=2026-07-01");
  await expect(app.answer()).toContainText("It reaches 36 °C today");
  await app.open("/place");
  await app.button("Remove the weather of 2026").click();
  await app.button("This year from the simulated station").click();
  await expect(climate).toContainText("simulated, not observed");
});

test("without a station everything else works", async ({ app, page }) => {
  await page.route("**/api/weather*", (r) => r.fulfill({ status: 200, contentType: "text/html", body: "<p>page</p>" }));
  await app.open("/place");
  await app.button("This year from the simulated station").click();
  await expect(page.getByText("There is no station at this address")).toBeVisible();
});

test("a butterfly bush waits past its forecast until growth is written down from Today", async ({ app, page }) => {
  await app.open("/plant/butterfly-lamp?on=2026-07-01");
  for (const day of ["2 May", "6 May"]) {
    const entry = app.button(`Remove the entry of ${day}`);
    await entry.click();
    await expect(entry).toBeHidden();
  }
  const row = page.getByRole("listitem").filter({ hasText: "Butterfly bush under the lamp" }).first();
  // Nobody sees a day to come: what is pressed there would be a note of growth on today's date.
  await app.open(`/today?on=${new Date().getFullYear() + 1}-05-20`);
  await expect(row).toContainText("until growth is seen");
  await expect(row.getByRole("button", { name: "Growth at the base" })).toBeHidden();
  await app.open("/today?on=2026-05-20");
  await expect(row).toContainText("until growth is seen");
  await row.getByRole("button", { name: "Growth at the base" }).click();
  await expect(region(app, "Ready now")).toContainText("Butterfly bush under the lamp");
});

test("schools for one plant: each with its answer; the chosen one holds here and not in the garden", async ({
  app,
  page,
}) => {
  await app.open("/plant/butterfly-lamp?on=2026-03-01");
  const schools = region(app, "Schools");
  await schools.getByText("When is the butterfly bush cut back?").click();
  await app.button("Choose: Live stems grow on, or lose a third").click();
  await expect(schools).toContainText("Chosen for this plant.");
  const shape = page.getByRole("group", { name: "Task" }).getByRole("button", { name: "Shape", exact: true });
  await expect(shape).toHaveAttribute("aria-pressed", "true");
  await app.open("/place");
  const garden = page.getByRole("radiogroup", { name: "When is the butterfly bush cut back?" });
  await expect(garden.getByRole("radio", { name: /^When growth shows in spring/ })).toBeChecked();
});

test("a missed window: what is left today in minutes and flowers, one season only, and the next step seen", async ({
  app,
  page,
}) => {
  await app.open("/plant/lilac-corner?on=2026-07-25");
  await expect(app.answer()).toContainText("What you can do today instead");
  await expect(app.answer()).toContainText(/no flowers · \d+–\d+ min/);
  await expect(app.answer()).toContainText(/the next window opens \d+ \w+ 2027/);
  await page.getByText("If you have time in one season only").click();
  await expect(page.getByRole("row", { name: /Winter/ })).toContainText(/of flowers/);
  await app.open("/plant/dogwood-lock?on=2026-06-01");
  const steps = region(app, "Next steps");
  await expect(steps).toContainText("Thin the new shoots");
  await steps.getByRole("button", { name: "New shoots are 20–30 cm tall" }).click();
  await expect(steps).toContainText("keep five to nine of the strongest");
  await steps.getByRole("link", { name: "Start" }).click();
  await app.field("Live growth taken (%)").fill("10");
  await app.button("Record").click();
  await expect(steps).toBeHidden();
});

test("what is seen is said from Today, plant and year, far from its forecast as well, and moves what it should", async ({
  app,
  page,
}) => {
  const seen = page.getByRole("group", { name: "Seen today" });
  // Seven weeks early: taken, and asked what else it may mean.
  await app.open("/today?on=2026-03-20&plant=lilac-corner");
  await expect(page.getByTestId("main-reason")).toContainText("due about");
  await seen.getByRole("button", { name: "In flower" }).click();
  const far = page.getByRole("dialog", { name: /Old lilac.*in flower on 20 March/ });
  await expect(far).toContainText(/expected about \d+ May, give or take \d+ days; this is 4\d days before that/);
  await expect(far.getByRole("listitem").filter({ hasText: "This plant, this year" })).toContainText(
    /opens \d+ April instead of \d+ (May|June)/,
  );
  const { violations } = await new AxeBuilder({ page }).include("[role=dialog]").analyze();
  expect(violations.filter((v) => v.impact === "serious" || v.impact === "critical").map((v) => v.id)).toEqual([]);
  await far.getByRole("button", { name: /^Say so/ }).click();
  await expect(far).toBeHidden();
  await expect(app.button(/^2026 runs \d+ days ahead/)).toBeVisible();
  await expect(page.getByTestId("main-reason")).toContainText("are on");
  await app.button(/^Undo: Old lilac.*whole garden/).click();
  await expect(page.getByTestId("main-reason")).toContainText("are on");
  await app.button(/^Undo: Old lilac.*in flower/).click();
  await expect(page.getByTestId("main-reason")).toContainText("due about");
  // A slip goes with one press; another kind is a press away.
  await seen.getByRole("button", { name: "In flower" }).click();
  await expect(far.getByRole("button", { name: /^It is that/ }).first()).toBeVisible();
  await far.getByRole("button", { name: /^Take it back/ }).click();
  await expect(page.getByTestId("main-reason")).toContainText("due about");
  // Over, on the plant's own page: from then on a cut costs nothing.
  await app.open("/plant/lilac-corner?on=2026-05-16");
  await expect(page.getByTestId("main-reason")).toContainText("flowers are on");
  await seen.getByRole("button", { name: "Bloom is over" }).click();
  await expect(page.getByTestId("main-reason")).not.toContainText("flowers are on");
  await page.reload();
  await expect(page.getByRole("listitem").filter({ hasText: "Flowers over" })).toBeVisible();
  // From the year: one press opens what can be seen there.
  await app.open("/year?on=2026-04-20");
  await app.button("Seen at Red rose").click();
  await page.getByRole("dialog", { name: "Red rose" }).getByRole("button", { name: "First leaves" }).click();
  await expect(page.getByText(/^Red rose: first leaves/)).toBeVisible();
});
