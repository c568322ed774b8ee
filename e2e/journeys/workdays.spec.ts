/** Work days: the weekend filled, what is left named with its price, moved by weather and by hand; at the plant with no connection. */
import { readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import ICAL from "ical.js";
import { expect, test } from "../pages/app.ts";
import { rowsOf } from "../pages/rows.ts";

/** Early spring of the demo garden. */
const SPRING = "2026-03-10T09:00:00Z";

/** A station that expects a frost on Saturday night, and a soaking Saturday or none. */
const stationSays = (
  page: Page,
  saturday: { readonly tmin: number; readonly tmax: number; readonly rain: number },
): Promise<unknown> =>
  page.route("**/api/weather**", async (route) => {
    const days = Array.from({ length: 366 }, () => null as number | null);
    // 14 March is the 73rd day of the year.
    const at = (x: number): (number | null)[] => days.map((_, i) => (i === 72 ? x : i === 73 ? 9 : null));
    const year = {
      id: "weather-2026",
      year: 2026,
      source: "simulated",
      tminC: at(saturday.tmin),
      tmaxC: days.map((_, i) => (i === 72 ? saturday.tmax : i === 73 ? 14 : null)),
      rainMm: days.map((_, i) => (i === 72 ? saturday.rain : i === 73 ? 0 : null)),
    };
    await route.fulfill({ json: { simulated: true, years: [year] } });
  });

test("the weekend is filled, the rest is named with its price; the station's rain moves jobs and says which and why; ninety minutes now", async ({
  app,
  page,
}) => {
  await page.clock.setFixedTime(new Date(SPRING));
  await app.open("/days");
  await expect(app.heading("What shall I do on Saturday?")).toBeVisible();
  await expect(page.getByRole("status", { name: "The plan" })).toContainText("no arrangement of them costs less");
  const halves = page.getByRole("group", { name: "Half-days" });
  await expect(halves.getByRole("button")).toHaveCount(2);
  for (const half of await halves.getByRole("button").all()) await expect(half).toContainText(/(5[05]|60) of 60 min/);
  const run = page.getByRole("list", { name: /The run of 2026-03-14/ });
  await expect(run.getByRole("listitem").first()).toContainText("9:00");
  await expect(page.getByRole("region", { name: "Kit and loads" })).toContainText("Secateurs");
  await expect(page.getByRole("region", { name: "Kit and loads" })).toContainText(/bags? \(/);
  const left = page.getByRole("region", { name: "Left undone" });
  await expect(left.getByRole("listitem").first()).toContainText(/costs \d/);
  await expect(left.getByRole("listitem").first()).toContainText(/more minutes on/);
  // Why does it cost that?
  await run
    .getByRole("button", { name: /^Why\? The price of/ })
    .first()
    .click();
  await expect(page.getByRole("dialog")).toContainText("Left undone");
  await page.keyboard.press("Escape");

  await app.button("Keep this plan").click();
  await expect(app.button("Kept")).toBeDisabled();
  await stationSays(page, { tmin: 4, tmax: 9, rain: 25 });
  await app.button("Fetch the station’s outlook").click();
  const moved = page.getByRole("region", { name: "What was moved, and why" });
  await expect(moved.getByRole("listitem").first()).toContainText("25 mm of rain by the simulated station");
  await expect(app.heading("What shall I do on Sunday?")).toBeVisible();
  await expect(halves.getByRole("button").first()).toContainText("closed");

  await app.button("I have 90 minutes now").click();
  await expect(app.heading("What shall I do in 90 minutes?")).toBeVisible();
  await expect(
    page
      .getByRole("list", { name: /The run of 2026-03-10/ })
      .getByRole("listitem")
      .first(),
  ).toBeVisible();
  await app.button("Back to the half-days").click();
  await expect(app.heading("What shall I do on Sunday?")).toBeVisible();
});

test("a late frost in the outlook closes Saturday for what it would harm", async ({ app, page }) => {
  await page.clock.setFixedTime(new Date("2026-04-21T09:00:00Z"));
  await page.route("**/api/weather**", async (route) => {
    // 25 April is day 114, counted from nought: a frost that night, and a mild Sunday.
    const of = (saturday: number, rest: number): (number | null)[] =>
      Array.from({ length: 366 }, (_, i) => (i === 114 ? saturday : i > 114 && i < 119 ? rest : null));
    await route.fulfill({
      json: {
        simulated: true,
        years: [
          {
            id: "weather-2026",
            year: 2026,
            source: "simulated",
            tminC: of(-3, 6),
            tmaxC: of(11, 17),
            rainMm: of(0, 0),
          },
        ],
      },
    });
  });
  await app.open("/days");
  await app.button("Keep this plan").click();
  await expect(app.button("Kept")).toBeDisabled();
  await app.button("Fetch the station’s outlook").click();
  const moved = page.getByRole("region", { name: "What was moved, and why" });
  await expect(moved.getByRole("listitem").first()).toContainText(
    /Lavender edge: Shear. From 25 April, morning it moves to 26 April, afternoon: A night of (-3|−3) °C/,
  );
});

test("a job is put on another half-day by hand: its price is said at once, it stays there, and it can be let go again", async ({
  app,
  page,
}) => {
  await page.clock.setFixedTime(new Date(SPRING));
  await app.open("/days?days=14");
  const run = page.getByRole("list", { name: /The run of/ });
  const first = run
    .getByRole("listitem")
    .filter({ has: page.getByRole("combobox") })
    .first();
  const name = (await first.getByRole("link").first().textContent())!;
  await app.field(`Another half-day for ${name}`).selectOption({ index: 3 });
  await expect(page.getByText(new RegExp(`${name}: .* on 22 March, afternoon: costs`)).first()).toBeVisible();
  await page
    .getByRole("group", { name: "Half-days" })
    .getByRole("button", { name: /22 March/ })
    .click();
  const kept = page.getByRole("button", { name: `${name} may be moved again` });
  await expect(kept).toBeVisible();
  await page.reload();
  await page
    .getByRole("group", { name: "Half-days" })
    .getByRole("button", { name: /22 March/ })
    .click();
  await kept.click();
  await expect(page.getByText(`may be moved again`).first()).toBeVisible();
});

test("no time: how to begin; no tools, a day away and somebody helping; numbers that cannot be are said at their field", async ({
  app,
  page,
}) => {
  await page.clock.setFixedTime(new Date(SPRING));
  await app.open("/days");
  for (const half of ["Saturday morning, minutes", "Sunday afternoon, minutes"]) {
    await app.field(half).fill("");
    await app.field(half).blur();
  }
  await expect(page.getByRole("region", { name: "When is there time?" })).toBeVisible();
  await app.button("Saturday mornings, two hours").click();
  await expect(app.heading("What shall I do on Saturday?")).toBeVisible();
  await app.field("Sunday morning, minutes").fill("900");
  await app.field("Sunday morning, minutes").blur();
  await expect(page.getByText("Expected 0 to 480")).toBeVisible();
  await app.field("Sunday morning, minutes").fill("");
  await app.field("Sunday morning, minutes").blur();
  await app.field("Day that is otherwise").fill("2026-03-14");
  await app.button("Away then").click();
  await expect(page.getByText("14 March, morning: away", { exact: false }).first()).toBeVisible();
  await expect(page.getByRole("region", { name: "Left undone" }).getByRole("listitem").first()).toContainText(
    /minutes on .* would do/,
  );
  for (const tool of ["Secateurs", "Loppers", "Pruning saw", "Hedge shears"]) await app.button(tool).click();
  await app.button("As usual again").click();
  await expect(page.getByRole("region", { name: "Kit and loads" })).toContainText("not among your tools");
});

test("handed out: one file that reads without scripts, and a calendar that a parser of another make reads", async ({
  app,
  page,
  browser,
}) => {
  await page.clock.setFixedTime(new Date(SPRING));
  await app.open("/days");
  const file = async (press: string): Promise<string> => {
    const [download] = await Promise.all([page.waitForEvent("download"), app.button(press).click()]);
    return readFile(await download.path(), "utf8");
  };
  const html = await file("One file for whoever helps");
  expect(html).not.toMatch(/<script|https?:/);
  const alone = await browser.newContext({ javaScriptEnabled: false, offline: true });
  const sheet = await alone.newPage();
  await sheet.setContent(html);
  await expect(sheet.getByRole("heading", { level: 1 })).toContainText("Saturday morning");
  await expect(sheet.getByRole("heading", { level: 2 }).first()).toContainText("9:00");
  await expect(sheet.getByText("Secateurs")).toBeVisible();
  await alone.close();
  const events = new ICAL.Component(ICAL.parse(await file("Calendar")) as unknown[]).getAllSubcomponents("vevent");
  expect(events.map((e) => new ICAL.Event(e).startDate.toString())).toEqual([
    "2026-03-14T09:00:00",
    "2026-03-15T13:30:00",
  ]);
  // A line for each of its jobs, whichever half-day they were fitted into: none is missing.
  const lines = events.flatMap((e) => new ICAL.Event(e).description.split("\n"));
  expect(lines).toHaveLength(7);
  expect(new Set(lines.map((l) => l.split(": ")[0])).size).toBe(7);
});

test.describe("at the plant", () => {
  test.use({ serviceWorkers: "allow", hasTouch: true, viewport: { width: 390, height: 844 } });

  test("with no connection: a list from the bench, three passes by touch, a find, reloaded in the middle, finished; nothing lost, nothing doubled", async ({
    app,
    page,
    context,
  }) => {
    await page.clock.setFixedTime(new Date(SPRING));
    await app.open("/plant/panicle-seat/bench");
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await context.setOffline(true);
    await app.button("Suggest").first().click();
    await page.getByRole("button", { name: /^Plan it for/ }).click();
    await app.open("/at/panicle-seat?task=shape");
    await app.button("Begin").tap();
    const cuts = page.getByRole("checkbox");
    const done = async (): Promise<void> => {
      for (const cut of await cuts.all()) await cut.tap();
      await app.button("This pass is done").tap();
      await app.button("On to the next pass").tap();
    };
    await expect(page.getByText("pass 1 of")).toBeVisible();
    await done();
    await done();
    await app.button("Found something?").tap();
    await app.button("A dead stem").tap();
    await expect(page.getByText("Take it out first, at the base or at live wood.")).toBeVisible();
    // No camera here: the picture is chosen as a file.
    await app.button("Photo before").tap();
    const chooser = page.waitForEvent("filechooser");
    await app.button("Photo before").tap();
    await (await chooser).setFiles(join(import.meta.dirname, "../../web/public/icon-192.png"));
    await expect(page.getByText("1 taken today.")).toBeVisible();
    await page.reload();
    await expect(page.getByText("pass 3 of")).toBeVisible();
    await done();
    await page.reload();
    await expect(page.getByText("pass 4 of")).toBeVisible();
    await app.button("Stop here, the rest another day").tap();
    await expect(app.answer()).toBeVisible();
    await app.open("/days");
    await expect(app.heading(/What shall I do on/)).toBeVisible();
    await context.setOffline(false);
    await page.reload();
    expect((await rowsOf(page, "visits")).filter((v) => v["on"] === "2026-03-10")).toHaveLength(1);
    expect(await rowsOf(page, "works")).toEqual([]);
    expect(await rowsOf(page, "photos")).toHaveLength(1);
    expect((await rowsOf(page, "plans")).filter((x) => x["plantId"] === "panicle-seat")).toHaveLength(1);
    await app.open("/days");
    await expect(page.getByText("Under way")).toHaveCount(0);
  });

  test("a nest stops the work and changes the answer; ended without a cut its plan goes", async ({ app, page }) => {
    await page.clock.setFixedTime(new Date(SPRING));
    await app.open("/at/panicle-seat?task=shape");
    await app.button("Begin").tap();
    await app.button("Found something?").tap();
    await app.button("A nest").tap();
    await expect(page.getByRole("alert")).toContainText("Stop here and leave quietly");
    await app.button("End without a cut").tap();
    await expect(app.answer()).toContainText(/nest/i);
  });
});

test("two tabs at one plant: the ticks of both are there, and who finishes after the other is told", async ({
  app,
  page,
  context,
}) => {
  await page.clock.setFixedTime(new Date(SPRING));
  await app.open("/at/red-rose?task=shape");
  const path = new URL(page.url()).pathname;
  await app.open("/garden");
  const link = page.getByRole("link", { name: "Red rose" });
  await link.click();
  const id = new URL(page.url()).pathname.split("/")[2]!;
  expect(path).toContain("/at/");
  await app.open(`/at/${id}?task=shape`);
  await app.button("Begin").click();
  await expect(page.getByText("pass 1 of")).toBeVisible();
  const other = await context.newPage();
  await other.clock.setFixedTime(new Date(SPRING));
  await other.goto(`/at/${id}?task=shape`);
  await expect(other.getByText("pass 1 of")).toBeVisible();
  await other.getByRole("button", { name: "Next pass ›" }).click();
  await other.getByRole("button", { name: "This pass is done" }).click();
  await app.button("This pass is done").click();
  await app.button("On to the next pass").click();
  // Both passes are done: the next one is the third.
  await expect(page.getByText("pass 3 of")).toBeVisible();
  await other.getByRole("button", { name: "It is done as it is: write it down" }).click();
  await expect(other.getByRole("region", { name: "May I?" })).toBeVisible();
  await expect(app.heading("This work is finished")).toBeVisible();
  expect((await rowsOf(page, "visits")).filter((v) => v["on"] === "2026-03-10")).toHaveLength(1);
});

test("by keys alone: a half-day opened, a job begun, a pass done, ended", async ({ app, page }) => {
  await page.clock.setFixedTime(new Date(SPRING));
  await app.open("/days");
  const enter = async (name: RegExp, role: "button" | "link" = "button"): Promise<void> => {
    await page.getByRole(role, { name }).first().focus();
    await page.keyboard.press("Enter");
  };
  await enter(/15 March/);
  await expect(page.getByRole("list", { name: /The run of 2026-03-15/ })).toBeVisible();
  await enter(/^Begin: /, "link");
  await expect(app.button("Begin")).toBeVisible();
  // A job of more than one pass.
  await app.open("/at/panicle-seat?task=shape");
  await enter(/^Begin$/);
  await expect(page.getByText("pass 1 of")).toBeVisible();
  await enter(/^This pass is done$/);
  await enter(/^On to the next pass$/);
  await expect(page.getByText("pass 2 of")).toBeVisible();
  await enter(/^End without a cut$/);
  await expect(app.answer()).toBeVisible();
  await page.keyboard.press("8");
  await expect(app.heading(/What shall I do on/)).toBeVisible();
});
