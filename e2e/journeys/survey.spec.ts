import { expect, test, type App } from "../pages/app.ts";
import type { Page } from "@playwright/test";

const PLACE = { zone: "6b", latitude: "40.5", last: "2025-04-22", first: "2025-10-18" };

/** A thumb that counts its presses. */
class Thumb {
  presses = 0;
  readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }
  async press(group: string, name: string): Promise<void> {
    this.presses++;
    await this.page.getByRole("group", { name: group }).getByRole("button", { name, exact: true }).click();
  }
  /** One press into the field, the letters, one press on the kind. */
  async findKind(letters: string, name: RegExp): Promise<void> {
    this.presses += 2;
    await this.page.getByRole("combobox", { name: "Kind" }).fill(letters);
    await this.page.getByRole("listbox").getByRole("option", { name }).first().click();
  }
  async done(): Promise<number> {
    this.presses++;
    await this.page.getByRole("button", { name: "Write it down, next" }).click();
    const n = this.presses;
    this.presses = 0;
    return n;
  }
}

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test("twelve plants of six kinds, one unknown, in at most twelve presses each; nothing typed twice", async ({
    app,
    page,
  }) => {
    await app.open("/");
    await app.startOwnPlace(PLACE);
    await expect(app.heading("Behind the mill")).toBeVisible();
    await app.open("/walk");
    const thumb = new Thumb(page);
    const typed = new Set<string>();
    const written = page.getByText(/written down on this walk/);
    const kinds: [kind: string, letters: string, height: string][] = [
      ["Common lilac", "lilac", "Head · 170 cm"],
      ["Panicle hydrangea", "panicle", "Chest · 130 cm"],
      ["Common lilac", "lilac", "Head · 170 cm"],
      ["Border forsythia", "forsy", "Head · 170 cm"],
      ["Panicle hydrangea", "panicle", "Hip · 95 cm"],
      ["Common box", "common box", "Knee · 50 cm"],
      ["Common box", "common box", "Knee · 50 cm"],
      ["I don’t know", "", "Chest · 130 cm"],
      ["Repeat-flowering rose", "repeat", "Hip · 95 cm"],
      ["Common box", "common box", "Knee · 50 cm"],
      ["Border forsythia", "forsy", "Head · 170 cm"],
      ["Common lilac", "lilac", "Head · 170 cm"],
    ];
    for (const [i, [kind, letters, height]] of kinds.entries()) {
      const group = page.getByRole("group", { name: "Kind" });
      if ((await group.getByRole("button", { name: kind, exact: true }).count()) > 0) await thumb.press("Kind", kind);
      else {
        expect(typed.has(letters)).toBe(false);
        typed.add(letters);
        await thumb.findKind(letters, new RegExp(`^${kind}`));
      }
      await page
        .getByRole("group", { name: "How tall, against a person or a door?" })
        .getByRole("button", { name: new RegExp(`^${height.split(" ")[0]!} `) })
        .click();
      thumb.presses++;
      if (i === 0) await thumb.press("Planted", "Before my time");
      if (i === 3) await thumb.press("What do you want of it?", "Looks good and fits: leave it");
      expect(await thumb.done()).toBeLessThanOrEqual(12);
      await expect(written).toContainText(String(i + 1));
    }
    await app.open("/garden");
    await expect(page.getByRole("link", { name: "Common box 3" })).toBeVisible();
    await expect(page.getByRole("link", { name: "Unknown shrub" })).toBeVisible();
    await app.open("/today?on=2026-06-20");
    await expect(page.getByRole("button", { name: "Flowers at ends of new shoots" })).toBeVisible();
  });

  test("a health check at the plant acts at once, and what looks wrong may be normal", async ({ app, page }) => {
    await app.open("/plant/rose-unknown/survey");
    const press = (group: string, name: string) =>
      page.getByRole("group", { name: group }).getByRole("button", { name, exact: true }).click();
    await press("New growth", "None to be seen");
    await press("Scratch a doubtful stem with a nail", "Brown, dry: dead");
    await expect(page.getByRole("status").filter({ hasText: "Much dieback" })).toContainText("dead wood only");
    await page.getByText("Is this normal?").click();
    await expect(page.getByText("red new leaves: they turn green")).toBeVisible();
    await app.button("Keep the survey").click();
    await expect(app.answer()).toContainText("Wait");
    await expect(app.answer()).toContainText("Much has died back");
    // New growth from old stems lifts the wait and says where to cut to.
    await app.open("/plant/rose-unknown/survey");
    await press("New growth", "From old stems");
    await app.button("Keep the survey").click();
    await expect(app.answer()).not.toContainText("Much has died back");
  });
});

async function answerAll(page: Page, labels: readonly string[]): Promise<void> {
  for (const l of labels) {
    const one = page.getByRole("button", { name: l, exact: true });
    if ((await one.count()) === 0) continue;
    // An answer may take this question off the screen before it is reached; one that stays must be pressed.
    await one
      .first()
      .click({ timeout: 10_000 })
      .catch(async (e: unknown) => {
        if ((await one.count()) > 0) throw e;
      });
  }
}

const nameIt = async (app: App, page: Page, labels: readonly string[]): Promise<void> => {
  const settled = page.getByRole("heading", { name: /^It is / });
  const unsure = app.button("I don’t know");
  for (let i = 0; i < 6; i++) {
    await expect(settled.or(unsure).first()).toBeVisible();
    if (await settled.isVisible()) return;
    const before = page.url();
    await answerAll(page, labels);
    if (page.url() !== before) continue;
    // The last answer may have settled it just now: then there is nothing left to be unsure of.
    await unsure.click({ timeout: 10_000 }).catch(async (e: unknown) => {
      if (!(await settled.isVisible())) throw e;
    });
  }
};

test("which is it: bare stems in March, undecided and safe; in leaf it is settled", async ({ app, page }) => {
  await app.open("/plant/gift-steps?on=2026-03-15");
  await app.chooseTask("Hard cutback");
  await expect(app.answer()).toContainText("What it is, is not settled");
  await expect(app.answer()).not.toContainText("Now");
  await page.getByRole("link", { name: "Which is it?" }).last().click();
  await expect(app.heading(/Which is it: Hydrangea from a neighbour/)).toBeVisible();
  await nameIt(app, page, [
    "A cone, longer than wide",
    "At the end of a long new shoot",
    "In threes, at least on some shoots",
    "Rough, a little hairy",
    "White or cream, perhaps turning pink",
  ]);
  await expect(page.getByRole("heading", { name: "It is Panicle hydrangea" })).toBeVisible();
  await app.button("Call Hydrangea from a neighbour that").click();
  await expect(app.answer()).toContainText("Panicle hydrangea");
  await expect(app.answer()).not.toContainText("is not settled");
  await page.getByRole("button", { name: /^Undo:/ }).click();
  await expect(app.answer()).toContainText("is not settled");
});

test("an unknown shrub: a late-winter cut is not offered; flowers seen at the ends of new shoots name its wood", async ({
  app,
  page,
}) => {
  await app.open("/plant/unnamed-lock?on=2026-03-05");
  await app.chooseTask("Shape");
  await expect(app.answer()).not.toContainText("Now");
  await app.open("/today?on=2026-07-01");
  const row = page.getByRole("listitem").filter({ hasText: "Shrub nobody can name" });
  await row.getByRole("button", { name: "Flowers at ends of new shoots" }).click();
  await expect(row.getByRole("button", { name: "Flowers at ends of new shoots" })).toHaveCount(0);
  await app.open("/plant/unnamed-lock?on=2026-07-01");
  await expect(app.answer()).toContainText("flowers on new wood");
});

test("the catalogue: found by name or group, its year here, its reasons", async ({ app, page }) => {
  await app.open("/kinds");
  await app.field("Find a kind").fill("witch");
  await expect(page.getByRole("list", { name: "Kinds" }).getByRole("listitem")).not.toHaveCount(0);
  await page.getByRole("link", { name: /Virginia witch hazel/ }).click();
  await expect(app.heading("Virginia witch hazel")).toBeVisible();
  await expect(page.getByRole("region", { name: "Its year here" })).toContainText("Best");
  await page.getByRole("link", { name: "Add one to the garden" }).click();
  await expect(page.getByRole("combobox", { name: "Kind" })).toHaveValue("Virginia witch hazel");
  await app.open("/kinds/triffid");
  await expect(app.heading("No such kind in the catalogue")).toBeVisible();
});

test("views: a viewpoint, what must stay hidden, and a top cut that would show it", async ({ app, page }) => {
  await app.open("/garden?on=2026-07-01");
  const bins = page.getByRole("region", { name: "Bin Screen" });
  await bins.getByText("Views and light").click();
  await expect(bins).toContainText("From Upstairs deck Arborvitae screen hides: at least");
  await app.open("/plant/arborvitae-bins?on=2026-07-01");
  const trial = page.getByRole("region", { name: "Try a cut" });
  await trial.getByRole("slider").nth(1).fill("0.9");
  await expect(trial).toContainText("would show what should stay hidden from Upstairs deck");
});

test("goals: what a kind cannot do is said while the goal is chosen", async ({ app, page }) => {
  await app.open("/plant/lilac-corner/survey");
  await page
    .getByRole("group", { name: "Goal" })
    .getByRole("button", { name: "Fewer but larger flowers, long stems for the vase" })
    .click();
  await expect(page.getByRole("list", { name: "What stands against it" })).toContainText("does not fit Common lilac");
  await page.getByRole("group", { name: "Goal" }).getByRole("button", { name: "Keep it at a height" }).click();
  await app.field(/^Wanted height/).fill("1.2 m");
  await expect(page.getByRole("list", { name: "What stands against it" })).toContainText("you fight about");
});

test("a table of plants: matched, checked line by line, all or nothing, undone in one step, out and in again", async ({
  app,
  page,
}) => {
  await app.open("/garden/table");
  const give = (name: string, text: string) =>
    page.getByLabel("Table file").setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
  await give(
    "wrong.csv",
    "Species,Tall (cm),Border\nCommon lilac,200,Wall\nTeapot tree,100,Wall\nCommon box,three cubits,Wall\n",
  );
  await expect(page.getByText("3 lines under 3 headings")).toBeVisible();
  await app.button("Check the lines").click();
  const refused = page.getByRole("region", { name: "This table cannot be taken in" });
  await expect(refused).toContainText("line 3, Kind: “Teapot tree” is not in the catalogue");
  await expect(refused).toContainText("line 4, Height: “three cubits” is not a length");
  const rows = Array.from({ length: 500 }, (_, i) => `Common box,${40 + (i % 50)},Long wall ${i % 4}`);
  await give("many.csv", `Species,Tall (cm),Border\n${rows.join("\n")}\n`);
  await app.button("Check the lines").click();
  await expect(page.getByRole("region", { name: "What it will change" })).toContainText(
    "500 plants come, 0 are changed, 4 new beds",
  );
  await app.button("Take them in").click();
  await expect(app.heading("The plot by the lock")).toBeVisible();
  await expect(page.getByRole("region", { name: "Long wall 3" })).toBeVisible();
  await page.getByRole("button", { name: "Undo: 500 plants from many.csv" }).click();
  await expect(page.getByRole("region", { name: "Long wall 3" })).toHaveCount(0);
  await app.open("/garden/table");
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    app.button("Export the plants as a table").click(),
  ]);
  await page.getByLabel("Table file").setInputFiles(await download.path());
  await app.button("Check the lines").click();
  await expect(page.getByRole("region", { name: "What it will change" })).toContainText(
    "0 plants come, 23 are changed",
  );
});
