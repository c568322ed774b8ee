import type { Locator, Page } from "@playwright/test";
import { expect, test } from "../pages/app.ts";

/** Takes hold of the end of the first stem, which is chosen, and draws it down; it is still held. */
async function dragEndDown(page: Page): Promise<Locator> {
  const handle = page.locator('[data-handle="s1"]');
  await handle.scrollIntoViewIfNeeded();
  const box = (await handle.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + 130, { steps: 6 });
  return handle;
}

const COUNT = "14 stems: 3 thicker than thumb, 6 middling, 5 thin, 1 dead, 2 weak";

test("fourteen stems on a phone: counted in a line, proposed, carried out, and the account knows", async ({
  app,
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await app.open("/plant/spirea-gate/bench?on=2026-03-10");
  const presses = { count: 0 };
  const press = async (name: string | RegExp): Promise<void> => {
    presses.count++;
    await app.button(name).first().click();
  };
  await app.field("Say it in a line").fill("0 stems");
  await expect(page.getByText(/No stems: count at least one/)).toBeVisible();
  await app.field("Say it in a line").fill("2000 stems");
  await expect(page.getByText(/too many to draw/)).toBeVisible();
  await app.field("Say it in a line").fill(COUNT);
  await press("Draw 14 stems");
  await press("Suggest");
  const list = page.getByRole("region", { name: "The list to carry" });
  await expect(list.getByText(/Dead stem out at the ground/)).toBeVisible();
  await expect(list.getByRole("checkbox").first()).toBeVisible();
  expect(presses.count).toBe(2);
  const outcome = page.getByRole("status", { name: "What this try amounts to" });
  await expect(outcome).toContainText(/\d+ % goes/);
  await list.getByRole("checkbox").first().check();
  // Only what was ticked is booked: one dead stem goes, the other one still stands.
  await press("Book the one that is ticked");
  await expect(outcome).toContainText("Nothing is cut yet");
  await expect(page.getByText("Stem 14", { exact: true })).toHaveCount(0);
  await expect(page.getByText("Stem 13", { exact: true }).first()).toBeVisible();
  await page.getByRole("link", { name: "Spirea by the gate" }).click();
  await expect(page.getByRole("region", { name: "What was done" })).toContainText(/Hard cutback|Shape/);
  await page.getByRole("button", { name: /^Undo: Spirea by the gate: cuts carried out/ }).click();
  await page.goBack();
  await expect(page.getByText("Stem 14", { exact: true }).first()).toBeVisible();
});

test("a stem's end is dragged to a bud, put back from the keyboard, and a stem corrected", async ({ app, page }) => {
  await app.open("/plant/lilac-corner/bench?on=2026-06-10");
  await app.chooseTask("Thin");
  const row = page.getByRole("button", { name: /^Stem 1 / });
  await row.focus();
  await page.keyboard.press("Enter");
  await dragEndDown(page);
  await page.mouse.up();
  await expect(row).toContainText(/shortened to|back to side branch/);
  await expect(page.getByRole("status", { name: "What this try amounts to" })).toContainText(/% goes/);
  await app.button("Put back").focus();
  await page.keyboard.press("Enter");
  await expect(row).toContainText("stays");
  await app.button("Out at the ground").focus();
  await page.keyboard.press("Enter");
  await expect(row).toContainText("out at the ground");
  await app.button("Correct it").click();
  await app.field("Thickness at its foot (mm)").fill("3.8");
  await app.field("Length (cm)").fill("900");
  await app.button("Save").click();
  await expect(page.getByRole("dialog")).toContainText(/far longer than the plant/);
  await app.field("Length (cm)").fill("310");
  await app.field("Thickness at its foot (mm)").fill("44");
  await app.button("Save").click();
  await expect(row).toContainText("44 mm");
  await expect(row).toContainText("out at the ground");
});

test("tries side by side; walked round; what comes in three years; refused at a wire", async ({ app, page }) => {
  await app.open("/plant/lilac-corner/bench?on=2026-06-10");
  await app.button("Suggest").click();
  await app.button("Another try").click();
  await app.button("Put all back").click();
  await app.button("Shear to an outline").click();
  const table = page.getByRole("table", { name: "Tries side by side" });
  await expect(table.getByRole("columnheader")).toHaveCount(3);
  await app.button(/^Walk round/).click();
  await expect(app.button("Walk round: now Right")).toBeVisible();
  await app.button("In three").click();
  await expect(app.button("In three")).toHaveAttribute("aria-pressed", "true");
  await page.reload();
  await expect(table.getByRole("columnheader")).toHaveCount(3);
  await app.open("/plant/climbing-wall/bench?on=2026-07-01");
  await app.field("Say it in a line").fill("6 middling, 2 thick");
  await app.button("Draw 8 arms").click();
  await page.getByRole("button", { name: /^Arm 1 / }).click();
  await app.button("Out at the ground").click();
  await expect(page.getByText(/Call the line's owner or a licensed arborist/).first()).toBeVisible();
  await expect(app.button(/^Plan it for/)).toBeDisabled();
});

test("begun for years: the next step comes to Today, and what is recorded moves the rest", async ({ app, page }) => {
  await app.open("/plant/rhododendron-steps/bench?on=2026-06-10");
  await app.field("Say it in a line").fill("9 stems: 5 thick");
  await app.button("Draw 9 stems").click();
  const years = page.getByRole("region", { name: "Over the years" });
  await years.getByRole("button", { name: "Back from below" }).click();
  await expect(years.getByRole("row")).toHaveCount(4);
  await expect(years).toContainText("when seen: growth shows");
  await years.getByRole("button", { name: "Begin it" }).click();
  await expect(years).toContainText("Begun: its steps stand in your year");
  await app.open("/plant/rhododendron-steps?on=2026-06-10");
  const steps = page.getByRole("region", { name: "Over the years" });
  await expect(steps).toContainText("no step recorded yet");
  await app.open("/plant/rhododendron-steps/record/renovate?on=2026-06-10");
  await app.field("Measured how").selectOption("stems");
  await app.field("Live stems taken out").fill("3");
  await app.field("Live stems before").fill("9");
  await app.button("Record").click();
  await expect(steps).toContainText("1 done");
  await expect(steps.getByRole("row")).toHaveCount(3);
  await steps.getByRole("button", { name: "Growth shows" }).click();
  await expect(steps.getByRole("row").nth(1)).not.toContainText("when seen");
  await steps.getByRole("button", { name: "End it" }).click();
  await expect(steps).toHaveCount(0);
});

test("a drag that the browser takes away is kept as it was shown", async ({ app, page }) => {
  await app.open("/plant/lilac-corner/bench?on=2026-06-10");
  await app.chooseTask("Thin");
  const row = page.getByRole("button", { name: /^Stem 1 / });
  await row.click();
  const handle = await dragEndDown(page);
  await handle.dispatchEvent("pointercancel", { pointerId: 1 });
  await expect(row).toContainText(/shortened to|back to side branch/);
  await expect(page.getByRole("button", { name: /^Undo: Old lilac at the corner: stem 1 cut/ })).toBeVisible();
});

test("a conifer said in a line is drawn with its tiers, thinned by branches only, and kept behind a line", async ({
  app,
  page,
}) => {
  await app.open("/plant/arborvitae-bins/bench?on=2026-06-20");
  await app.field("Say it in a line").fill("one trunk, two leaders, seven tiers, three dead inside");
  await expect(page.getByRole("img", { name: "How it would be drawn" })).toBeVisible();
  await app.button("Draw 1 trunk").click();
  await expect(page.getByRole("img", { name: /^1 trunk drawn to scale/ })).toBeVisible();
  await app.chooseTask("Shape");
  await app.button("Suggest").click();
  const why = page.getByRole("list", { name: "Why these cuts" });
  await expect(why).toContainText("Dead wood: 3 cuts");
  await expect(why).toContainText("One leader");
  const trunk = page.getByRole("button", { name: /^Trunk 1 / });
  await trunk.click();
  await app.button("Out at the ground").click();
  await expect(page.getByText(/this is the plant itself/).first()).toBeVisible();
  await expect(app.button(/^Plan it for/)).toBeDisabled();
  await app.open("/plant/arborvitae-bins/survey?on=2026-06-20");
  await app.button("In front").click();
  await app.button("A passage").click();
  await app.field("In front: so far from its middle (cm)").fill("35");
  await app.button("Keep the survey").click();
  await expect(app.answer()).toBeVisible();
  await app.open("/plant/arborvitae-bins/bench?on=2026-06-20");
  await app.button("Suggest").click();
  await expect(why).toContainText("Over the line");
});

test("a drawing is corrected by dragging: a tip stands where it is put, nothing is cut, and one press takes it back", async ({
  app,
  page,
}) => {
  await app.open("/plant/lilac-corner/bench?on=2026-06-12");
  await app.button("Correct the drawing").click();
  await page.locator('[data-stem="s1"]').click({ force: true });
  const tip = page.locator('[data-tip="stem"]');
  await tip.scrollIntoViewIfNeeded();
  const stood = await tip.getAttribute("cx");
  const was = (await tip.boundingBox())!;
  await page.mouse.move(was.x + was.width / 2, was.y + was.height / 2);
  await page.mouse.down();
  await page.mouse.move(was.x + 60, was.y + 40, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText(/Old lilac.*corrected/)).toBeVisible();
  const now = (await tip.boundingBox())!;
  expect(Math.hypot(now.x - was.x - 60 + was.width / 2, now.y - was.y - 40 + was.height / 2)).toBeLessThan(14);
  await expect(page.getByRole("status", { name: "What this try amounts to" })).not.toContainText(/[1-9] % goes/);
  await app.button(/^Undo: Old lilac.*corrected/).click();
  await expect(tip).toHaveAttribute("cx", stood!);
});
