import AxeBuilder from "@axe-core/playwright";
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
] as const;
/** Layout and colours do not depend on each other: a desk is looked at in the light, a phone in the dark. */
const SIZES = [
  ["desk", 1280, 800, "light"],
  ["phone", 390, 844, "dark"],
] as const;

for (const [name, path] of SCREENS)
  for (const [device, width, height, scheme] of SIZES)
    test(`${name} on a ${device}: axe finds nothing serious, nothing spills sideways`, async ({ app, page }) => {
      await page.setViewportSize({ width, height });
      await app.open(path);
      await page.emulateMedia({ colorScheme: scheme });
      const { violations } = await new AxeBuilder({ page })
        .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"])
        .analyze();
      const serious = violations.filter((v) => v.impact === "serious" || v.impact === "critical");
      expect(serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(" ")).join(" | ")}`)).toEqual([]);
      // What is folded away must not spill either when it is opened.
      const spill = await page.evaluate(() => {
        document.querySelectorAll("details").forEach((d) => (d.open = true));
        return document.documentElement.scrollWidth - document.documentElement.clientWidth;
      });
      expect(spill).toBe(0);
    });

test("dialogs pass axe too", async ({ app, page }) => {
  await app.open("/garden");
  await page.getByText("Views and light").first().click();
  for (const name of ["Add a plant", "Add a bed", "Add a viewpoint"]) {
    await app.button(name).first().click();
    await expect(page.getByRole("dialog")).toBeVisible();
    const { violations } = await new AxeBuilder({ page }).include("[role=dialog]").analyze();
    expect(violations.filter((v) => v.impact === "serious" || v.impact === "critical").map((v) => v.id)).toEqual([]);
    await page.getByRole("dialog").getByRole("button", { name: "Cancel" }).click();
    await expect(page.getByRole("dialog")).toBeHidden();
  }
});
