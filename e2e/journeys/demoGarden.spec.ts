import { expect, test } from "../pages/app.ts";

test("the strip re-answers: dragging and stepping the day changes the answer, the address and nothing else", async ({
  app,
  page,
}) => {
  await app.open("/plant/oakleaf-steps?on=2026-03-15");
  await app.chooseTask("Shape");
  await expect(app.answer()).toContainText("Costs flowers");
  const strip = page.getByRole("slider", { name: "Day of the year" });
  const box = (await strip.boundingBox())!;
  await page.mouse.move(box.x + 100, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.586, box.y + 20, { steps: 12 });
  await page.mouse.up();
  await expect(app.answer()).toContainText(/Now|Fine/);
  await expect(page).toHaveURL(/on=2026-08-0\d/);
  await strip.focus();
  await page.keyboard.press("PageUp");
  await page.keyboard.press("ArrowRight");
  await expect(page).toHaveURL(/on=2026-08-1\d/);
  await page.reload();
  await expect(page).toHaveURL(/on=2026-08-1\d/);
});

test("keys: search, step, today, list, undo", async ({ app, page }) => {
  await app.open("/today?on=2026-06-10");
  await page.keyboard.press(".");
  await expect(page).toHaveURL(/on=2026-06-11/);
  await page.keyboard.press("<");
  await expect(page).toHaveURL(/on=2026-06-04/);
  await page.keyboard.press("t");
  await expect(page).not.toHaveURL(/on=/);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toContainText("search for a plant");
  await page.keyboard.press("Escape");
  // What closes gives the focus back, and would take it from the search.
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeHidden();
  await page.keyboard.press("/");
  await expect(page.getByRole("combobox", { name: "Find a plant" })).toBeFocused();
  await page.keyboard.type("butterfly");
  // Nobody chooses from a list before it is there.
  await expect(page.getByRole("option", { name: /Butterfly bush/ }).first()).toBeVisible();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect(app.heading("Butterfly bush under the lamp")).toBeVisible();
});

test("garden: add, change, move, remove, and undo all of it", async ({ app, page }) => {
  await app.open("/garden");
  await app.addPlant("yew", "Test yew", "2020-04-01");
  await expect(page.getByRole("link", { name: "Test yew" })).toBeVisible();
  await app.button("Change Test yew").click();
  await page
    .getByRole("dialog")
    .getByLabel(/^Height/)
    .fill("tall");
  await app.button("Save").click();
  await expect(page.getByRole("dialog")).toContainText("is not a length: expected cm");
  await page
    .getByRole("dialog")
    .getByLabel(/^Height/)
    .fill("4 ft 2 in");
  await app.button("Save").click();
  await expect(page.getByRole("listitem").filter({ hasText: "Test yew" })).toContainText("127 cm");

  // A line stands at the height it says, beside a person of 1.70 m.
  const bed = page.getByRole("group", { name: /long$/ }).first();
  const lineAt = async (words: string) => (await bed.getByText(words, { exact: true }).boundingBox())!.y;
  const person = (await bed.locator("svg").first().boundingBox())!;
  const offPx = person.y + person.height - (await lineAt("1 m")) - person.height / 1.7;
  expect(Math.abs(offPx)).toBeLessThan(2);

  await app.button("Move plants").click();
  const plant = app.button("Move Old lilac at the corner");
  const before = (await plant.boundingBox())!;
  await page.mouse.move(before.x + before.width / 2, before.y + before.height - 30);
  await page.mouse.down();
  await page.mouse.move(before.x + before.width / 2 + 120, before.y + before.height - 30, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByText("Old lilac at the corner moved.")).toBeVisible();
  expect((await plant.boundingBox())!.x).toBeGreaterThan(before.x + 80);
  await app.button("Done moving").click();

  await app.button("Remove Old lilac at the corner").click();
  await expect(page.getByRole("link", { name: "Old lilac at the corner" })).toHaveCount(0);
  for (const label of [
    "Old lilac at the corner removed with its records",
    "Old lilac at the corner moved",
    "Test yew changed",
    "Test yew added",
  ])
    await app.button(`Undo: ${label}`).click();
  await expect(page.getByRole("link", { name: "Old lilac at the corner" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Test yew" })).toHaveCount(0);
  await expect(app.button("Nothing to undo")).toBeDisabled();
});

test("a visit by height, by stems, by diameters; wrong measures are named and nothing is lost", async ({
  app,
  page,
}) => {
  await app.open("/plant/lilac-corner/record/shape?on=2026-06-20");
  const preview = page.getByRole("status");
  await app.field("Measured how").selectOption("stems");
  await app.field("Live stems taken out").fill("3");
  await app.field("Live stems before").fill("10");
  await expect(preview).toContainText("30 % of its live growth");
  await app.field("Measured how").selectOption("diameters");
  await app.field("Taken out (mm)").fill("40, 38, 36");
  await app.field("Left standing (mm)").fill("20 20 18 18 16 16 14");
  await expect(preview).toContainText(/6\d % of its live growth/);
  await expect(preview).toContainText("It is recorded all the same.");
  await app.field("Measured how").selectOption("height");
  await app.field(/Height before/).fill("200");
  await app.field(/Height after/).fill("250");
  await app.field("Day").fill("2027-01-01");
  await app.button("Record").click();
  await expect(page.getByText("It cannot be taller after the cut than before")).toBeVisible();
  await app.field(/Height after/).fill("180");
  await app.button("Record").click();
  await expect(page.getByText(/lies in the future/)).toBeVisible();
  await app.field("Day").fill("2026-06-20");
  await app.field("Dead stems taken out").fill("4");
  await app.field("Minutes it took").fill("25");
  await app.button("Record").click();
  await expect(page.getByRole("region", { name: "What was done" }).getByRole("listitem").first()).toContainText(
    "4 dead stems (do not count) · 25 min",
  );
});

test("look for: new growth seen lifts the wait", async ({ app, page }) => {
  await app.open("/today?on=2026-06-12");
  const pieris = page.getByRole("listitem").filter({ hasText: "Pieris on the landing" });
  await expect(pieris).toContainText("until growth is seen");
  await pieris.getByRole("button", { name: "Growth on old stems" }).click();
  await expect(pieris).not.toContainText("until growth is seen");
});

test("a broken file is refused with where and why, and nothing changes", async ({ app, page }) => {
  await app.open("/place");
  const refuse = async (text: string, why: RegExp): Promise<void> => {
    await page
      .getByLabel("Garden file")
      .setInputFiles({ name: "bad.json", mimeType: "application/json", buffer: Buffer.from(text) });
    const dialog = page.getByRole("dialog", { name: "This file cannot be imported" });
    await expect(dialog).toContainText(why);
    await expect(dialog).toContainText("Nothing has been changed");
    await dialog.getByRole("button", { name: "Close" }).click();
    await expect(dialog).toBeHidden();
  };
  await refuse("", /The file is empty/);
  await refuse("#".repeat(10_000_000), /not JSON/);
  await refuse('{"format":"wren-song-garden","version":1,"garden":{"id":"x"}}', /garden\.name: This field is missing/);
  await expect(app.button("Nothing to undo")).toBeDisabled();
});

test("the first screen's script carries neither MUI nor a schema library", async ({ page }) => {
  const html = await (await page.request.get("/")).text();
  const scripts = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((m) => m[1]!);
  expect(scripts.length).toBeGreaterThan(0);
  for (const src of scripts) {
    const text = await (await page.request.get(src)).text();
    // Names that both leave in whatever carries them.
    expect([src, /MuiButton|invalid_type/.exec(text)?.[0]]).toEqual([src, undefined]);
  }
});
