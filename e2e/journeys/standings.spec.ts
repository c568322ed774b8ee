import { expect, test, type App } from "../pages/app.ts";

/** Changes one thing of the red rose through its form, then asks about shaping it on a day. */
async function redRoseWith(
  app: App,
  fill: (dialog: ReturnType<App["page"]["getByRole"]>) => Promise<void>,
  on: string,
) {
  await app.open("/garden");
  await app.button("Change Red rose").click();
  const dialog = app.page.getByRole("dialog");
  await fill(dialog);
  await app.button("Save").click();
  await expect(dialog).toBeHidden();
  await app.open(`/plant/rose-towpath?on=${on}`);
  await app.chooseTask("Shape");
}

test("the condition acts at once: stress, frost, drought and age change what may be cut and how much", async ({
  app,
}) => {
  const condition = (label: string) => (dialog: ReturnType<App["page"]["getByRole"]>) =>
    dialog
      .getByLabel("Condition")
      .selectOption(label)
      .then(() => undefined);
  const reason = app.page.getByTestId("main-reason");

  await redRoseWith(app, condition("Under stress"), "2026-07-01");
  await expect(app.answer()).toContainText("Wait");
  await expect(reason).toContainText("Dead wood only until you have seen new growth");
  await app.chooseTask("Dead wood only");
  await expect(app.answer()).toContainText("Now");

  await redRoseWith(app, condition("Just frosted"), "2026-07-01");
  await app.chooseTask("Dead wood only");
  await expect(reason).toContainText("what looks dead may not be");

  await redRoseWith(app, condition("In drought, not watered"), "2026-07-01");
  await expect(app.answer()).toContainText("of 17 % in twelve months");
  await app.chooseTask("Hard cutback");
  await expect(reason).toContainText("cannot answer a hard cut");

  await redRoseWith(app, condition("Past its prime, weak"), "2026-07-01");
  await expect(app.answer()).toContainText("of 25 % in twelve months");
});

test("danger goes before everything: a power line, a limb too thick", async ({ app }) => {
  await redRoseWith(app, (d) => d.getByLabel("Nearest power line (cm)").fill("2.5 m"), "2026-04-05");
  await expect(app.answer()).toContainText("Call a professional");
  await expect(app.page.getByTestId("main-reason")).toContainText("2.5 m away");
  await expect(app.answer().getByText("How it is done")).toHaveCount(0);

  await redRoseWith(
    app,
    async (d) => {
      await d.getByLabel("Nearest power line (cm)").fill("");
      await d.getByLabel("Thickest stem (mm)").fill("140");
    },
    "2026-04-05",
  );
  await expect(app.page.getByTestId("main-reason")).toContainText("A stem of 140 mm is past 100 mm");
});

test("a first season gets dead wood only; an unknown history is checked first, with one press", async ({
  app,
  page,
}) => {
  await app.open("/plant/yew-young?on=2026-06-28");
  await expect(page.getByTestId("main-reason")).toContainText("First season after planting: dead wood only");
  await expect(app.answer()).toContainText("0 % of 0 % in twelve months");
  await expect(app.answer().getByRole("button", { name: "Dead wood only" }).last()).toBeVisible();

  await app.open("/today?on=2026-06-28");
  const row = page.getByRole("listitem").filter({ hasText: "Rose left by the last owner" });
  await expect(row).toContainText("Nobody knows how it has fared");
  await row.getByRole("button", { name: "Checked: it is healthy" }).click();
  await expect(row).not.toContainText("Nobody knows how it has fared");
});

test("what is never right for a kind says why, and offers what is", async ({ app, page }) => {
  const never = [
    ["arborvitae-bins", "Hard cutback", /does not grow back from leafless wood/],
    ["lavender-row", "Hard cutback", /does not shoot from old wood/],
    ["grass-lock", "Shape", /is cut once, to the ground/],
  ] as const;
  for (const [id, task, why] of never) {
    await app.open(`/plant/${id}?on=2026-06-28`);
    await app.chooseTask(task);
    await expect(app.answer()).toContainText("Never");
    await expect(page.getByTestId("main-reason")).toContainText(why);
    await expect(app.answer()).toContainText("What you can do today instead");
  }
  // A matter of looks is a price, not a refusal.
  await app.open("/plant/rhododendron-steps?on=2026-06-28");
  await app.chooseTask("Shear");
  await expect(app.answer()).toContainText(/shears slice them/);
  await expect(app.answer()).not.toContainText("Never");
});
