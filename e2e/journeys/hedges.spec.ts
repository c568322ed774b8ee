/** A hedge from nothing to its strings, by mouse, by keys, on a phone; bad numbers said at their field. */
import { readFile } from "node:fs/promises";
import { expect, test } from "../pages/app.ts";

test("five numbers: what is wrong, a section, strings at five posts, the years; dragged, planned, back after a reload", async ({
  app,
  page,
}) => {
  await app.open("/hedges?on=2026-03-10");
  await app.button("Answer").click();
  await expect(page.getByText("Choose a kind by its common or botanical name")).toBeVisible();
  await page.getByLabel("Kind").fill("english yew");
  await page.getByRole("listbox").getByRole("option").first().click();
  await app.field("Length (cm)").fill("3000 m");
  await app.field("Height (cm)").fill("2.2 m");
  await app.field("Width at the foot (cm)").fill("0");
  await app.field("Width at the top (cm)").fill("110");
  await app.field("Ground rises by (cm)").fill("72");
  await app.button("Answer").click();
  await expect(page.getByText(/3000 m is out of bounds: expected 0.5 to 1000 m/)).toBeVisible();
  await expect(page.getByText(/0 m is out of bounds: expected 0.1 to 8 m/)).toBeVisible();
  await app.field("Length (cm)").fill("12 m");
  await app.field("Width at the foot (cm)").fill("70");
  await app.field("Ground rises by (cm)").fill("18 m");
  await app.button("Answer").click();
  await expect(page.getByText(/56°/)).toBeVisible();
  await app.field("Ground rises by (cm)").fill("6 %");
  await app.button("Answer").click();
  const answer = page.getByRole("status", { name: "What this hedge comes to" });
  await expect(answer).toContainText("wider at the top (110 cm) than at the foot (70 cm)");
  await expect(answer).toContainText("Proposed: 2.2 m high, 74 cm at the foot");
  const strings = page.getByRole("region", { name: "Strings" });
  await expect(strings.getByRole("row")).toHaveCount(6);
  await strings.getByRole("button", { name: "Level all along" }).click();
  await expect(strings.getByRole("row").last()).toContainText("2.2 m");
  await expect(strings.getByRole("row").nth(1)).toContainText("2.9 m");
  await expect(page.getByRole("region", { name: "The way back" })).toContainText("In 3 to 5 years");

  // Dragged: the front let out again takes less off it. By keys the same handle goes on.
  const front = page.getByRole("slider", { name: "Lean of the front" }).first();
  await front.scrollIntoViewIfNeeded();
  const box = (await front.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 30, box.y + box.height / 2, { steps: 5 });
  await expect(answer).toContainText("the front hanging out");
  await page.mouse.up();
  await expect(answer).toContainText("Wanted:");
  const leant = await front.getAttribute("aria-valuetext");
  await front.focus();
  await page.keyboard.press("ArrowRight");
  await expect(front).not.toHaveAttribute("aria-valuetext", leant!);
  await app.button("As is proposed").click();
  await expect(answer).toContainText("Proposed:");

  await page.getByText("Sun on both faces through the year").click();
  await expect(page.getByRole("img", { name: /^Front, to the .*with the section: hours of sun/ })).toBeVisible();

  await page.getByRole("button", { name: /^Plan 8 June/ }).click();
  await expect(app.button("Planned")).toBeDisabled();
  await page.reload();
  await expect(app.button("Planned")).toBeVisible();
});

test("a plant that is clipped becomes a hedge by one press and five numbers, its records stay", async ({
  app,
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await app.open("/hedges?on=2026-03-10");
  await app.button("Arborvitae screen").click();
  await app.field("Width at the foot (cm)").fill("90");
  await app.field("Width at the top (cm)").fill("120");
  await app.button("Answer").click();
  const answer = page.getByRole("status", { name: "What this hedge comes to" });
  await expect(answer).toBeInViewport();
  // Dragged in past its green by the slider: refused, with why.
  await page.getByRole("slider", { name: "Width at the foot" }).last().focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press("ArrowLeft");
  await expect(answer).toContainText("bare wood of this kind stays bare. It is refused.");
  await expect(page.getByRole("button", { name: /^Plan / })).toBeDisabled();
  await page.getByRole("link", { name: "The plant" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Arborvitae screen");
});

test("measured at more posts, with a gap, other kinds and nests; trimmed in stretches; what is wrong said at its field", async ({
  app,
  page,
}) => {
  await app.open("/hedges/hedge-yew?on=2026-03-10");
  await app.button("Posts, gaps, kinds, nests").click();
  const dialog = page.getByRole("dialog", { name: "The line as it was measured" });
  await dialog.getByRole("button", { name: "One more post" }).click();
  await dialog.getByRole("textbox", { name: "Along at post 3" }).fill("3 m");
  await dialog.getByRole("button", { name: "A gap" }).click();
  await dialog.getByLabel("From (cm)").fill("3 m");
  await dialog.getByLabel("To (cm)").fill("2.5 m");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(dialog).toContainText("expected posts in order along the hedge");
  await expect(dialog).toContainText("does not lie on a hedge of 3 m");
  await dialog.getByRole("textbox", { name: "Along at post 3" }).fill("9 m");
  await dialog.getByRole("textbox", { name: "Height at post 3" }).fill("2.1 m");
  await dialog.getByLabel("To (cm)").fill("3.6 m");
  await dialog.getByRole("button", { name: "A kind" }).click();
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(dialog).toContainText("Choose a kind by its common or botanical name");
  await dialog.getByRole("button", { name: "Without kind 1" }).click();
  await dialog.getByLabel("From", { exact: true }).fill("2025-03-01");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(dialog).toContainText("Both days are needed, or neither");
  await dialog.getByLabel("To", { exact: true }).fill("2025-07-31");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(dialog).toBeHidden();
  const answer = page.getByRole("status", { name: "What this hedge comes to" });
  await expect(answer).toContainText("gap");
  await expect(answer).toContainText(/Next trim\s*\d+ (August|September)/);
  const done = page.getByRole("slider", { name: "Trimmed up to" });
  await done.focus();
  await page.keyboard.press("PageUp");
  await expect(page.getByText(/^100 cm done since .*, 8.0 m left, about \d+–\d+ min\.$/)).toBeVisible();
  await page.getByRole("link", { name: "Record the trim" }).click();
  await app.field("Live growth taken (%)").fill("10");
  await app.button("Record").click();
  await expect(page).not.toHaveURL(/record/);
  await app.open("/hedges/hedge-yew?on=2026-03-10");
  await expect(page.getByText("No trim is under way", { exact: false })).toBeVisible();
});

test("a plant clipped by itself gets a template and its trims; past the green of what stays bare it is refused", async ({
  app,
  page,
}) => {
  await app.open("/hedges?on=2026-06-10");
  await page
    .getByRole("button", { name: /rborvitae/ })
    .first()
    .click();
  const shape = page.getByRole("region", { name: /as a single shape$/ });
  await shape.getByRole("button", { name: "A cone" }).click();
  await expect(shape.getByRole("status")).toContainText(
    /5 cm off all round takes \d+(\.\d)? % of its leafy shell. Next trim: /,
  );
  await expect(shape).toContainText(/8 pegs .* from the middle, strings of/);
  await shape.getByRole("slider", { name: "Off all round" }).focus();
  await page.keyboard.press("End");
  await expect(shape.getByRole("status")).toContainText("its bare wood stays bare");
});

test("hedges as a table: out, in with one more, and nothing of one that is wrong", async ({ app, page }) => {
  await app.open("/hedges?on=2026-06-10");
  const download = page.waitForEvent("download");
  await app.button("Export the hedges").click();
  const csv = await readFile(await (await download).path(), "utf8");
  expect(csv).toContain("Yew hedge");
  const file = (text: string) => ({ name: "hedges.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await page.getByLabel("Table of hedges").setInputFiles(file(`${csv}Lane side,triffid,18,tall,0.8,0.6,0,90\r\n`));
  await expect(page.getByRole("alert")).toContainText("line 3: Height (m): “tall” is not a length");
  await page
    .getByLabel("Table of hedges")
    .setInputFiles(file(`${csv}Lane side,European beech,18,2.4,0.8,0.6,0,90\r\n`));
  await expect(page.getByText("2 hedges, 1 of them new.")).toBeVisible();
  await app.button("Take them").click();
  await expect(page.getByRole("link", { name: "Lane side" })).toBeVisible();
});
