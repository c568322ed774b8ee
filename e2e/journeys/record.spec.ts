/** The record: written down in two presses, changed, found, learnt from, and taken out of the browser whole. */
import { readFile, writeFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { expect, test, type App } from "../pages/app.ts";
import { rowsOf } from "../pages/rows.ts";

/** A picture of one colour, as a camera would give it. */
const photo = (page: Page, colour: string): Promise<Buffer> =>
  page
    .evaluate(
      (c) =>
        new Promise<string>((resolve) => {
          const canvas = document.createElement("canvas");
          canvas.width = 320;
          canvas.height = 240;
          const pen = canvas.getContext("2d")!;
          pen.fillStyle = c;
          pen.fillRect(0, 0, 320, 240);
          resolve(canvas.toDataURL("image/jpeg").split(",")[1]!);
        }),
      colour,
    )
    .then((base64) => Buffer.from(base64, "base64"));

const saved = async (page: Page, press: () => Promise<void>): Promise<string> => {
  const [download] = await Promise.all([page.waitForEvent("download"), press()]);
  return download.path();
};
const importing = async (app: App, page: Page, files: string | string[]) => {
  await app.field("Garden file").setInputFiles(files);
  return page.getByRole("dialog");
};

test("first flowers in two presses move the window, the screen says by how much, and undo takes it back exactly", async ({
  app,
  page,
}) => {
  await app.open("/plant/lilac-corner?on=2026-05-02");
  const window_ = app.answer();
  await expect(window_.getByText(/Costs flowers|Wait/).first()).toBeVisible();
  const before = await window_.innerText();
  await app.button("Write down what you see").click();
  await page.getByRole("dialog").getByRole("button", { name: "First flowers", exact: true }).click();
  await expect(page.getByText(/Shape opens .*, \d+ days earlier; .*other plants moved/)).toBeVisible();
  await expect.poll(() => window_.innerText()).not.toBe(before);
  await app.button(/^Undo: Old lilac/).click();
  await expect.poll(() => window_.innerText()).toBe(before);
});

test("by its key, backdated, with a note and a photo; changed and taken out, with what stood before", async ({
  app,
  page,
}) => {
  await app.open("/today?on=2026-06-10");
  await page.keyboard.press("w");
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("At which plant?").fill("pieris");
  await page.getByRole("option", { name: "Pieris on the landing" }).click();
  await dialog.getByLabel("On").fill("2026-05-30");
  await dialog.getByLabel("A note").fill("only on the lee side");
  await dialog
    .getByLabel("Photo of it")
    .setInputFiles({ name: "p.jpg", mimeType: "image/jpeg", buffer: await photo(page, "green") });
  await expect(dialog.getByText("The photo is kept with what you press.")).toBeVisible();
  await dialog.getByRole("button", { name: "Growth on old stems" }).click();
  await expect(dialog).toBeHidden();
  await page.keyboard.press("9");
  await page.getByLabel("Find in everything").fill("lee side");
  await expect(page.getByRole("listitem").filter({ hasText: "New growth seen" })).toHaveCount(1);
  await page.getByLabel("Find in everything").fill("pieris 2026-05-30");
  await expect(page.getByRole("img", { name: /Pieris on the landing on 2026-05-30/ })).toBeVisible();
  await page.getByRole("button", { name: /^Change: New growth seen/ }).click();
  await dialog.getByRole("button", { name: "Growth at the base" }).click();
  await expect(dialog).toBeHidden();
  await page.getByLabel("Find in everything").fill("lee side");
  const entries = page.getByRole("list", { name: "Entries" });
  await expect(
    entries.getByText("It stood: New growth seen, 30 May: on old stems · only on the lee side"),
  ).toBeVisible();
  await entries.getByRole("button", { name: /^Take out: New growth seen/ }).click();
  await expect(entries.getByText("Taken out")).toBeVisible();
  await expect(
    entries.getByText("It stood: New growth seen, 30 May: at the base · only on the lee side"),
  ).toBeVisible();
  expect((await rowsOf(page, "observations")).filter((o) => o["note"] === "only on the lee side")).toHaveLength(0);
});

test("a day that is to come, or before the plant stood, is refused at its field and what was typed stays", async ({
  app,
  page,
}) => {
  await app.open("/plant/yew-young?on=2026-06-10");
  await page.keyboard.press("w");
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("A note").fill("still there");
  await dialog.getByLabel("On").fill("2020-01-01");
  await dialog.getByRole("button", { name: "New shoots are hard" }).click();
  await expect(dialog.getByText(/Expected a day that is not to come and not before it was planted/)).toBeVisible();
  await dialog.getByLabel("On").fill("2026-06-10");
  await dialog.getByRole("button", { name: "Height" }).click();
  await dialog.getByLabel(/^Height/).fill("tall");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(dialog.getByText(/Expected a length from 0.01 to 40 m/)).toBeVisible();
  await dialog.getByLabel(/^Height/).fill("85");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(dialog).toBeHidden();
  expect(
    (await rowsOf(page, "observations")).filter((o) => o["note"] === "still there" && o["heightM"] === 0.85),
  ).toHaveLength(1);
});

test("a visit is changed; what it said before is there to read, and its minutes teach the new ones", async ({
  app,
  page,
}) => {
  await app.open("/record?find=lilac&kinds=visit");
  await page.getByRole("link", { name: /^Change: Shape of 9 June/ }).click();
  await expect(app.heading(/What was done at Old lilac at the corner on 9 June/)).toBeVisible();
  await expect(app.field("Live growth taken (%)")).toHaveValue("20");
  await app.field("Minutes it took").fill("95");
  await app.field("Who did it").fill("Robin");
  await app.button("Keep the change").click();
  await expect(app.heading(/What was done here/)).toBeVisible();
  await app.open("/record?find=lilac&kinds=changed");
  await expect(
    page.getByText(/It stood: Shape, 9 June: 20 % of its live growth · 1 dead stem \(does not count\) · 50 min/),
  ).toBeVisible();
  await app.open("/record?part=taught");
  await expect(page.getByText(/Robin takes .* the usual time/)).toBeVisible();
});

test("a lesson set aside gives the catalogue's value everywhere, and comes back", async ({ app, page }) => {
  await app.open("/record?part=taught&plant=butterfly-lamp");
  const lesson = page.getByRole("listitem").filter({ hasText: "Growth a year" });
  await expect(lesson.getByText(/It adds .* in a year/)).toBeVisible();
  const season = async (): Promise<string> => {
    await app.open("/plant/butterfly-lamp?on=2026-04-10");
    return (
      await page
        .getByText(/by the end of the/)
        .first()
        .innerText()
    ).split("·")[1]!;
  };
  const mine = await season();
  await app.open("/record?part=taught&plant=butterfly-lamp");
  await lesson.getByRole("button", { name: "Growth a year: The catalogue’s" }).click();
  await expect(lesson.getByRole("button", { name: "Growth a year: The catalogue’s" })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  expect(await season()).not.toBe(mine);
  await app.open("/record?part=taught&plant=butterfly-lamp");
  await lesson.getByRole("button", { name: "Growth a year: Mine" }).click();
  await expect(lesson.getByRole("button", { name: "Growth a year: Mine" })).toHaveAttribute("aria-pressed", "true");
  expect(await season()).toBe(mine);
});

test("a height that cannot be is asked about, and used once it is vouched for", async ({ app, page }) => {
  await app.open("/plant/spirea-gate?on=2026-06-20");
  await page.keyboard.press("w");
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: "Height" }).click();
  await dialog.getByLabel(/^Height/).fill("6 m");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(dialog).toBeHidden();
  await app.open("/record?part=taught");
  const asked = page.getByRole("region", { name: "Is this right?" });
  await expect(asked.getByText(/^6.0 m, where .* would go with the rest/)).toBeVisible();
  await asked.getByRole("button", { name: /^It is right: Spirea/ }).click();
  await expect(asked.getByText(/^6.0 m, where/)).toHaveCount(0);
  expect((await rowsOf(page, "observations")).filter((o) => o["heightM"] === 6 && o["sure"] === true)).toHaveLength(1);
});

test("what was expected stands beside what was, with how often ranges held and what each changes", async ({
  app,
  page,
}) => {
  await app.open("/record?part=expected&plant=lilac-corner");
  await expect(page.getByText(/lay within the range that was expected/)).toBeVisible();
  const row = page.getByRole("row").filter({ hasText: "First flower: first flowers" }).first();
  await expect(row).toContainText(/\d+ May ± \d+ days/);
  await row.getByRole("button", { name: /^What it changes/ }).click();
  await expect(row.getByText(/opens|flowers open|Nothing that is told/)).toBeVisible();
});

test("two pictures of one season lie over each other with an edge to draw; the year stands on a page", async ({
  app,
  page,
}) => {
  await app.open("/plant/dogwood-lock?on=2026-06-10");
  for (const [day, colour] of [
    ["2025-06-12", "red"],
    ["2026-06-10", "blue"],
  ] as const) {
    await page.keyboard.press("w");
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("On").fill(day);
    await dialog
      .getByLabel("Photo of it")
      .setInputFiles({ name: "p.jpg", mimeType: "image/jpeg", buffer: await photo(page, colour) });
    await expect(dialog.getByText("The photo is kept with what you press.")).toBeVisible();
    await dialog.getByRole("button", { name: "New shoots are hard" }).click();
    await expect(dialog).toBeHidden();
  }
  await app.open("/record?part=pictures");
  await expect(page.getByText("The same season, 1 year apart.")).toBeVisible();
  const edge = page.getByRole("slider", { name: "Edge between the two pictures" });
  await edge.focus();
  await page.keyboard.press("End");
  await expect(edge).toHaveValue("100");
  await app.open("/record?part=year&year=2025");
  await expect(page.getByRole("heading", { name: "The plot by the lock, 2025" })).toBeVisible();
  await expect(page.getByRole("region", { name: "What was cut" })).toContainText("Old lilac at the corner");
  await page.emulateMedia({ media: "print" });
  await expect(app.button("Print this page")).toBeHidden();
});

test("one archive holds everything: read in again it changes nothing, damaged or cut off it is refused", async ({
  app,
  page,
}, info) => {
  await app.open("/plant/dogwood-lock?on=2026-06-10");
  await page.keyboard.press("w");
  const dialog = page.getByRole("dialog");
  await dialog
    .getByLabel("Photo of it")
    .setInputFiles({ name: "p.jpg", mimeType: "image/jpeg", buffer: await photo(page, "red") });
  await expect(dialog.getByText("The photo is kept with what you press.")).toBeVisible();
  await dialog.getByRole("button", { name: "New shoots are hard" }).click();
  await expect(dialog).toBeHidden();
  await app.open("/place");
  const zip = await readFile(await saved(page, () => app.button("Everything in one archive").click()));
  const at = (name: string): string => info.outputPath(name);
  await writeFile(at("whole.zip"), zip);
  await writeFile(at("cut.zip"), zip.subarray(0, Math.floor(zip.length * 0.7)));
  // A byte in the middle of the picture, which lies unpacked at the end.
  const jpeg = zip.indexOf(Buffer.from([0xff, 0xd8, 0xff]));
  const hurt = Buffer.from(zip);
  hurt[jpeg + 300] = hurt[jpeg + 300]! ^ 0xff;
  await writeFile(at("hurt.zip"), hurt);

  await expect((await importing(app, page, at("cut.zip"))).getByText(/cut off or changed on its way/)).toBeVisible();
  await app.button("Close").last().click();
  await expect(
    (await importing(app, page, at("hurt.zip"))).getByText(/pictures\/.*jpg is not as it was exported/),
  ).toBeVisible();
  await app.button("Close").last().click();
  await expect((await importing(app, page, at("whole.zip"))).getByText(/exactly the garden you have/)).toBeVisible();
  await app.button("Leave it").click();

  // The archive is an earlier state of this very garden: what was taken out and recorded since stands.
  await app.open("/record?kinds=photo");
  await app.button(/^Take out: Photo/).click();
  await expect(page.getByText("Photo removed.")).toBeVisible();
  await app.open("/plant/dogwood-lock");
  await app.recordShare("5", "2026-06-25");
  await app.open("/place");
  const merging = await importing(app, page, at("whole.zip"));
  await expect(merging.getByText(/is in your garden already/)).toBeVisible();
  await expect(merging.getByRole("button", { name: "Import", exact: true })).toHaveCount(0);
  // Put in the place of what is here, it brings the picture back and takes the visit along; the undo turns both.
  await merging.getByRole("button", { name: "Replace this one by the file’s" }).click();
  await merging.getByRole("button", { name: "Import", exact: true }).click();
  await expect(merging).toBeHidden();
  const visits = async () =>
    (await rowsOf(page, "visits")).filter((v) => v["plantId"] === "dogwood-lock" && v["on"] === "2026-06-25");
  expect([(await rowsOf(page, "photos")).length, (await visits()).length]).toEqual([1, 0]);
  await app.open("/record?kinds=photo");
  await expect(page.getByRole("img", { name: /Red stems by the lock on/ })).toBeVisible();
  await app.button("Undo: Garden imported").click();
  await expect.poll(async () => [(await rowsOf(page, "photos")).length, (await visits()).length]).toEqual([0, 1]);
});

test("visits go out as a table, are changed in a spreadsheet, and come in again with a preview; a slip is named by its line", async ({
  app,
  page,
}, info) => {
  await app.open("/place");
  const csv = await readFile(await saved(page, () => app.button("Visits (CSV)").click()), "utf8");
  const lines = csv.split("\r\n");
  const i = lines.findIndex((l) => l.startsWith("v-lilac-corner-2026-06-09"));
  const changed = lines.with(i, lines[i]!.replace(",50,", ",75,"));
  const spoilt = lines.with(i, lines[i]!.replace(",2026-06-09,", ",2026-06-31,"));
  await writeFile(info.outputPath("visits.csv"), changed.join("\r\n"));
  await writeFile(info.outputPath("spoilt.csv"), spoilt.join("\r\n"));
  const refused = await importing(app, page, info.outputPath("spoilt.csv"));
  await expect(refused.getByText(new RegExp(`spoilt.csv, line ${i + 1}, on`))).toBeVisible();
  await refused.getByRole("button", { name: "Close" }).click();
  const dialog = await importing(app, page, info.outputPath("visits.csv"));
  await expect(dialog.getByRole("row", { name: /^visits none 1 \(2026-06-09\) none/ })).toBeVisible();
  await dialog.getByRole("button", { name: "Import", exact: true }).click();
  await expect(dialog).toBeHidden();
  expect((await rowsOf(page, "visits")).find((v) => v["id"] === "v-lilac-corner-2026-06-09")).toMatchObject({
    minutes: 75,
  });
});

test("an own garden that was never exported is reminded of it, and not again for a while", async ({ app, page }) => {
  await app.open("/today");
  await app.startOwnPlace({ zone: "6b", latitude: "41", last: "04-20", first: "10-20" });
  await expect(app.heading("Behind the mill")).toBeVisible();
  await app.addPlant("forsythia", "Forsythia", "2020-04-01");
  await page.getByRole("link", { name: "Forsythia" }).first().click();
  for (const day of ["01", "02", "03", "04", "05", "06", "07", "08", "09", "10"]) {
    await page.keyboard.press("w");
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("On").fill(`2026-06-${day}`);
    await dialog.getByRole("button", { name: "New shoots are hard" }).click();
    await expect(dialog).toBeHidden();
  }
  expect(await rowsOf(page, "observations")).toHaveLength(10);
  await expect(page.getByText(/The garden was never exported/)).toBeVisible();
  await app.button("Later").click();
  await expect(page.getByText(/The garden was never exported/)).toBeHidden();
});

test("many years' records open from one piece; what is written at once is kept, and a row that breaks is found behind it", async ({
  app,
  page,
}) => {
  const putMany = (n: number, broken: boolean): Promise<void> =>
    page.evaluate(
      ([count, slip]) =>
        new Promise<void>((resolve) => {
          const asked = indexedDB.open("wren-song");
          asked.onsuccess = () => {
            const tx = asked.result.transaction("observations", "readwrite");
            const store = tx.objectStore("observations");
            store.getAll().onsuccess = (e) => {
              const [row] = (e.target as IDBRequest<object[]>).result;
              for (let i = 0; i < count; i++)
                store.put({ ...row, id: `many-${i}`, note: `Line ${i}`, ...(slip ? { on: "never" } : {}) });
            };
            tx.oncomplete = () => {
              asked.result.close();
              resolve();
            };
          };
        }),
      [n, broken] as const,
    );
  const copied = (): Promise<boolean> =>
    page.evaluate(
      () =>
        new Promise((resolve) => {
          const asked = indexedDB.open("wren-song");
          asked.onsuccess = () => {
            const got = asked.result.transaction("derived").objectStore("derived").get("copy");
            got.onsuccess = () => {
              asked.result.close();
              resolve(got.result !== undefined);
            };
          };
        }),
    );
  await app.open("/today");
  await rowsOf(page, "observations");
  await putMany(1600, false);
  await page.reload();
  await expect.poll(copied, { timeout: 60_000 }).toBe(true);
  const answers = (): Promise<string> => page.getByRole("main").innerText();
  const before = await answers();
  // Whatever a row says while the rest of the records is still to come, it never takes back.
  await page.addInitScript(() => {
    const said = new Set<string>();
    Object.assign(window, { said });
    new MutationObserver(() => {
      for (const row of document.querySelectorAll(".row-verdict")) said.add(row.closest("li")!.textContent);
    }).observe(document, { childList: true, subtree: true, characterData: true });
  });
  await page.reload();
  await expect(page.getByText("…", { exact: true })).toHaveCount(0);
  await expect.poll(answers).toBe(before);
  const { said, stands } = await page.evaluate(() => ({
    said: [...(window as unknown as { said: Set<string> }).said],
    stands: Array.from(document.querySelectorAll(".row-verdict"), (row) => row.closest("li")!.textContent),
  }));
  expect(said.toSorted()).toEqual([...new Set(stands)].toSorted());
  // At once, while only the copy was read.
  await page.reload();
  await app
    .button(/^Write down/)
    .first()
    .click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("At which plant?").fill("pieris");
  await page.getByRole("option", { name: "Pieris on the landing" }).click();
  await dialog.getByRole("button", { name: "Disease", exact: true }).click();
  await expect(app.button(/^Undo: Pieris/)).toBeVisible();
  await app.open("/record?find=line+159");
  await expect(page.getByText("12 entries")).toBeVisible();
  const kinds = (await rowsOf(page, "observations")).map((o) => o["kind"]);
  expect(kinds.filter((k) => k === "disease-seen")).toHaveLength(1);
  await expect.poll(copied, { timeout: 60_000 }).toBe(true);
  await putMany(1, true);
  await page.reload();
  await expect(app.heading("Some of the garden cannot be read")).toBeVisible();
});
