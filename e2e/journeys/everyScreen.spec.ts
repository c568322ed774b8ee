import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect, test } from "../pages/app.ts";

const SCREENS = [
  ["today", "/today?on=2026-06-10"],
  ["garden", "/garden?on=2026-03-20"],
  ["plant", "/plant/lilac-corner?on=2026-06-10"],
  ["plant out of its time", "/plant/lilac-corner?on=2026-11-25"],
  ["record", "/plant/lilac-corner/record/shape?on=2026-06-10"],
  ["place", "/place"],
  ["year", "/year?on=2026-06-10&sort=bloom"],
  ["survey walk", "/walk"],
  ["survey", "/plant/climbing-wall/survey"],
  ["key", "/which/hydrangeas?plant=gift-steps&shows=bare"],
  ["keys", "/which"],
  ["kinds", "/kinds?group=clematis"],
  ["kind", "/kinds/cornus-sericea?on=2026-03-20"],
  ["table", "/garden/table"],
  ["unsettled plant", "/plant/gift-steps?on=2026-03-20"],
  ["bench", "/plant/lilac-corner/bench?on=2026-06-10"],
  ["bench, not counted yet", "/plant/spirea-gate/bench"],
  ["no such plant", "/plant/nobody"],
  ["hedges", "/hedges"],
  ["hedge", "/hedges/yew-hedge?on=2026-03-20"],
  ["work days", "/days?on=2026-03-10"],
  ["at the plant", "/at/panicle-seat?task=shape&on=2026-03-10"],
  ["notebook", "/record"],
  ["what was taught", "/record?part=taught"],
  ["expected and was", "/record?part=expected"],
  ["the year", "/record?part=year"],
  ["a visit changed", "/plant/lilac-corner/record/shape?visit=v-lilac-corner-2026-06-09"],
  ["set apart", "/apart"],
] as const;

/** Best practices that count as much here: all content in a landmark, one main heading, no heading without words. */
const LANDMARKS = ["region", "page-has-heading-one", "empty-table-header"];

/** What axe finds serious, said with where it was found. */
async function serious(page: Page, within?: string): Promise<string[]> {
  const builder = new AxeBuilder({ page }).options({
    runOnly: { type: "tag", values: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"] },
    rules: Object.fromEntries(LANDMARKS.map((id) => [id, { enabled: within === undefined }])),
  });
  const { violations } = await (within === undefined ? builder : builder.include(within)).analyze();
  return violations
    .filter((v) => v.impact === "serious" || v.impact === "critical" || LANDMARKS.includes(v.id))
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(" ")).join(" | ")}`);
}

/** How far the page spills sideways; what is folded away must not spill either when it is opened. */
const spill = (page: Page): Promise<number> =>
  page.evaluate(() => {
    document.querySelectorAll("details").forEach((d) => (d.open = true));
    return document.documentElement.scrollWidth - document.documentElement.clientWidth;
  });
const headingsInOrder = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const levels = [...document.querySelectorAll("h1, h2, h3, h4")].filter((h) => h.checkVisibility());
    return levels.flatMap((h, i) => {
      const [level, before] = [Number(h.tagName[1]), i === 0 ? 0 : Number(levels[i - 1]!.tagName[1])];
      return level > before + 1 ? [`${h.tagName} ${h.textContent} after ${before}`] : [];
    });
  });

test("an empty garden: every screen has its heading and says how to begin", async ({ app, page }) => {
  await app.open("/place");
  await app.button("Clear everything").click();
  await expect(page.getByText("Garden cleared")).toBeVisible();
  for (const path of ["/today", "/garden", "/year", "/days", "/record"]) {
    await app.open(path);
    expect(await serious(page)).toEqual([]);
    expect(await headingsInOrder(page)).toEqual([]);
  }
});

for (const [name, path] of SCREENS) {
  test(`${name} at a desk: in the light, with text twice as large, in forced colours`, async ({ app, page }) => {
    await app.open(path);
    await page.emulateMedia({ colorScheme: "light" });
    expect(await serious(page)).toEqual([]);
    expect(await headingsInOrder(page)).toEqual([]);
    expect(await spill(page)).toBe(0);
    await page.evaluate(() => (document.documentElement.style.fontSize = "200%"));
    expect(await serious(page)).toEqual([]);
    expect(await spill(page)).toBe(0);
    await page.evaluate(() => (document.documentElement.style.fontSize = ""));
    await page.emulateMedia({ forcedColors: "active" });
    expect(await serious(page)).toEqual([]);
  });

  test(`${name} on a phone: in the dark, and 320 pixels wide`, async ({ app, page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await app.open(path);
    await page.emulateMedia({ colorScheme: "dark" });
    expect(await serious(page)).toEqual([]);
    expect(await spill(page)).toBe(0);
    await page.setViewportSize({ width: 320, height: 640 });
    // What scrolls under the ways at the foot, or waits out of sight with its old height, is not small: it is looked
    // at as it stands in the page.
    await page.addStyleTag({
      content: "nav, .foot-bar { position: static !important } .row { content-visibility: visible !important }",
    });
    expect(await serious(page)).toEqual([]);
    expect(await spill(page)).toBe(0);
    await page.evaluate(() => (document.documentElement.style.fontSize = "200%"));
    expect(await spill(page)).toBe(0);
  });
}

const dialogNamed = (name: string) => (page: Page) => page.getByRole("button", { name }).first().click();
const DIALOGS: readonly (readonly [name: string, path: string, open: (page: Page) => Promise<void>])[] = [
  ["keys", "/today", dialogNamed("Keys")],
  ["own place", "/today", dialogNamed("Start with my own place")],
  ["pace", "/today?on=2026-06-10", dialogNamed("runs")],
  ["why", "/plant/lilac-corner?on=2026-06-10", dialogNamed("Why? Live growth of twelve months")],
  ["plant", "/garden", dialogNamed("Change Red rose")],
  ["new plant", "/garden", dialogNamed("Add a plant")],
  ["bed", "/garden", dialogNamed("Add a bed")],
  [
    "viewpoint",
    "/garden",
    async (page) => {
      await page.getByText("Views and light").first().click();
      await page.getByRole("button", { name: "Add a viewpoint" }).first().click();
    },
  ],
  ["plan", "/year?on=2026-06-10", dialogNamed("Plan for Old lilac at the corner")],
  ["stem", "/plant/lilac-corner/bench?on=2026-06-10", dialogNamed("Add one")],
  ["months", "/place", dialogNamed("I have monthly means")],
  ["a hedge's line", "/hedges/hedge-yew?on=2026-06-10", dialogNamed("Posts, gaps, kinds, nests")],
  [
    "import",
    "/place",
    (page) =>
      page
        .getByLabel("Garden file")
        .setInputFiles({ name: "x.json", mimeType: "text/json", buffer: Buffer.from("{}") }),
  ],
  [
    "weather",
    "/place",
    (page) =>
      page
        .getByLabel("Weather file")
        .setInputFiles({ name: "x.csv", mimeType: "text/csv", buffer: Buffer.from("day,low,high\n2025-01-01,1,x\n") }),
  ],
  [
    "earlier days",
    "/place",
    async (page) => {
      await page.getByRole("button", { name: "Keep today as it stands" }).click();
      await page
        .getByRole("button", { name: /^Look at/ })
        .first()
        .click();
    },
  ],
];

for (const [name, path, open] of DIALOGS)
  test(`the dialog of ${name}: light, dark, forced colours, narrow, large; the focus comes back`, async ({
    app,
    page,
  }) => {
    await app.open(path);
    await open(page);
    const dialog = page.getByRole("dialog");
    await expect(dialog).toBeVisible();
    for (const look of [{ colorScheme: "light" }, { colorScheme: "dark" }, { forcedColors: "active" }] as const) {
      await page.emulateMedia(look);
      expect(await serious(page, "[role=dialog]")).toEqual([]);
    }
    await page.emulateMedia({ forcedColors: "none", colorScheme: "light" });
    await page.setViewportSize({ width: 320, height: 640 });
    expect(await spill(page)).toBe(0);
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.evaluate(() => (document.documentElement.style.fontSize = "200%"));
    expect(await spill(page)).toBe(0);
    expect(await serious(page, "[role=dialog]")).toEqual([]);
    await page.keyboard.press("Escape");
    await expect(dialog).toBeHidden();
    expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);
  });

test("one word without an end pushes nothing out, on any screen", async ({ app, page }) => {
  const word = "Rhododendronrhododendronrhododendronrhododendronrhododendronrhododendronrhodode";
  await app.open("/garden");
  await app.button("Change Red rose").click();
  await page.getByRole("dialog").getByLabel("What you call it").fill(word);
  await page.getByRole("dialog").getByLabel("Note").fill(word.repeat(3));
  await app.button("Save").click();
  await expect(page.getByRole("dialog")).toBeHidden();
  await app.button("Change Towpath Border").click();
  await page.getByRole("dialog").getByLabel("Name").fill(word);
  await page.getByRole("dialog").getByLabel("Note").fill(word.repeat(3));
  await app.button("Save").click();
  await expect(page.getByRole("dialog")).toBeHidden();
  const spilling: string[] = [];
  for (const width of [1280, 320]) {
    await page.setViewportSize({ width, height: 800 });
    for (const [name, path] of SCREENS) {
      await app.open(path.replaceAll("lilac-corner", "rose-towpath"));
      const px = await spill(page);
      if (px > 0) spilling.push(`${name} at ${width}: ${px}`);
    }
  }
  expect(spilling).toEqual([]);
});
