/** Nothing is lost: without a connection, with the storage full, gone or newer, with two tabs, and by keys alone. */
import { execFileSync } from "node:child_process";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type BrowserContext, type Page } from "@playwright/test";
import { App, expect, test } from "../pages/app.ts";
import { rowsOf as rows } from "../pages/rows.ts";

const put = (page: Page, store: string, row: object): Promise<void> =>
  page.evaluate(
    ([name, value]) =>
      new Promise<void>((resolve) => {
        const asked = indexedDB.open("wren-song");
        asked.onsuccess = () => {
          const tx = asked.result.transaction(name, "readwrite");
          tx.objectStore(name).put(value);
          tx.oncomplete = () => {
            asked.result.close();
            resolve();
          };
        };
      }),
    [store, row] as const,
  );

/** The built application on a server of the test's own. */
async function serveBuilt(
  hand: (file: string, body: Buffer) => Buffer | string = (_, body) => body,
): Promise<{ readonly url: string; readonly stop: () => void }> {
  const dist = join(import.meta.dirname, "../../web/dist");
  const types: Record<string, string> = {
    html: "text/html",
    js: "text/javascript",
    css: "text/css",
    svg: "image/svg+xml",
  };
  const server = createServer((req, res) => {
    const path = (req.url ?? "/").split("?")[0]!;
    const file = /\.\w+$/.test(path) ? path : "/index.html";
    void readFile(join(dist, file)).then(
      (body) => {
        res.setHeader("content-type", types[file.split(".").at(-1)!] ?? "application/octet-stream");
        res.end(hand(file, body));
      },
      () => res.writeHead(404).end(),
    );
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    stop: () => {
      server.close();
      server.closeAllConnections();
    },
  };
}

test.describe("without a connection", () => {
  test.use({ serviceWorkers: "allow" });

  test("after one visit every screen opens, a plant is added, a visit recorded, the page reloaded: nothing is lost", async ({
    app,
    page,
    context,
  }) => {
    await app.open("/today");
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await context.setOffline(true);
    for (const path of [
      "/garden",
      "/garden/table",
      "/walk",
      "/which",
      "/which/hydrangeas",
      "/kinds",
      "/kinds/syringa-vulgaris",
      "/plant/lilac-corner",
      "/plant/lilac-corner/survey",
      "/plant/lilac-corner/bench",
      "/plant/lilac-corner/record/shape",
      "/year",
      "/place",
      "/days",
      "/at/lilac-corner",
      "/hedges",
      "/apart",
    ])
      await app.open(path);
    await app.open("/garden");
    await app.addPlant("yew", "Behind the shed", "2020-04-01");
    await page.getByRole("link", { name: "Behind the shed" }).click();
    await app.recordShare("10", "2026-06-20");
    await page.reload();
    await expect(app.heading("Behind the shed")).toBeVisible();
    await expect(page.getByText("10 % of its live growth").first()).toBeVisible();
    await context.setOffline(false);
  });

  test("killed without a connection, and opened again: what was said to be kept is there", async () => {
    test.slow();
    const dir = await mkdtemp(join(tmpdir(), "wren-killed-"));
    const { url, stop } = await serveBuilt();
    const executablePath = process.env["WREN_CHROMIUM"];
    const open = (): Promise<BrowserContext> =>
      chromium.launchPersistentContext(dir, {
        args: ["--no-sandbox", "--disable-gpu"],
        locale: "en-GB",
        baseURL: url,
        ...(executablePath ? { executablePath } : {}),
      });
    const first = await open();
    const app = new App(first.pages()[0] ?? (await first.newPage()));
    await app.open("/today");
    await app.page.waitForFunction(() => localStorage.getItem("wren-kept") !== null);
    await app.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    stop();
    await app.open("/garden");
    await app.addPlant("yew", "Behind the shed", "2020-04-01");
    await app.page.getByRole("link", { name: "Behind the shed" }).click();
    await app.recordShare("10", "2026-06-20");
    await expect(app.page.getByText("10 % of its live growth").first()).toBeVisible();
    await app.open("/at/panicle-seat?task=shape");
    await app.button("Begin").click();
    await app.button("This pass is done").click();
    await expect(app.button("On to the next pass")).toBeVisible();
    execFileSync("pkill", ["-9", "-f", dir]);
    const again = await open();
    const back = new App(again.pages()[0] ?? (await again.newPage()));
    await back.open("/garden");
    await back.page.getByRole("link", { name: "Behind the shed" }).click();
    await expect(back.heading("Behind the shed")).toBeVisible();
    await expect(back.page.getByText("10 % of its live growth").first()).toBeVisible();
    await back.open("/at/panicle-seat?task=shape");
    await expect(back.page.getByText("pass 2 of")).toBeVisible();
    await again.close();
    await rm(dir, { recursive: true, force: true });
  });

  test("a new version is offered, and taken when it is wanted", async ({ page }) => {
    // A server of the test's own, which can come to hand out another build.
    let build = "";
    const { url, stop } = await serveBuilt((file, body) => (file === "/sw.js" ? `${body.toString()}\n${build}` : body));
    await page.goto(`${url}/today`);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    build = "// another build";
    await page.evaluate(async () => {
      await (await navigator.serviceWorker.getRegistration())?.update();
    });
    const bar = page.getByText("A new version of Wren Song is ready.");
    await expect(bar).toBeVisible();
    // In the middle of a job nothing is offered.
    await page.goto(`${url}/at/panicle-seat?task=shape`);
    await page.getByRole("button", { name: "Begin" }).click();
    await expect(page.getByText("pass 1 of")).toBeVisible();
    await expect(bar).toBeHidden();
    await page.goto(`${url}/today`);
    await expect(bar).toBeVisible();
    await Promise.all([page.waitForEvent("load"), page.getByRole("button", { name: "Take it now" }).click()]);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await expect(bar).toBeHidden();
    stop();
  });
});

test("a screen that cannot be fetched says so inside the shell, and is tried again", async ({ page }) => {
  await page.goto("/today");
  const heading = (name: string) => page.getByRole("heading", { level: 1, name });
  await expect(heading("What may I cut?")).toBeVisible();
  // What stands beside the rows is fetched by then.
  await expect(page.getByRole("complementary").getByRole("group", { name: "Task" })).toBeVisible();
  const scripts = "**/assets/*.js";
  await page.route(scripts, (route) => route.abort());
  await page.getByRole("link", { name: "Year", exact: true }).click();
  await expect(heading("This could not be fetched")).toBeVisible();
  await expect(page.getByRole("link", { name: "Kinds" })).toBeVisible();
  await page.unroute(scripts);
  await page.getByRole("button", { name: "Try again" }).click();
  await expect(heading("Who blooms, and what may be cut when?").or(heading("This could not be fetched"))).toBeVisible();
  await page
    .getByRole("button", { name: "Reload the page" })
    .or(heading("Who blooms, and what may be cut when?"))
    .first()
    .click();
  await expect(heading("Who blooms, and what may be cut when?")).toBeVisible();
});

test.describe("storage", () => {
  test("full: it is said with what to do, the form keeps what was typed, and the undo still works", async ({
    app,
    page,
  }) => {
    await app.open("/garden");
    await app.button("Remove Spirea by the gate").click();
    await expect(page.getByText("Spirea by the gate removed with its records.")).toBeVisible();
    // As a full disk does it: whatever would take more room is refused, until room was freed on the device.
    await page.evaluate(() => {
      // eslint-disable-next-line @typescript-eslint/unbound-method
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function refusing(...args) {
        if ("full" in window) throw new DOMException("no room", "QuotaExceededError");
        return put.apply(this, args);
      };
      Object.assign(window, { full: true });
    });
    await app.button("Change Red rose").click();
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("Note").fill("much to say ".repeat(150));
    await app.button("Save").click();
    await expect(page.getByText(/storage is full: this was not kept, and nothing else was lost/)).toBeVisible();
    await expect(dialog.getByLabel("Note")).toHaveValue(/much to say/);
    await page.evaluate(() => Reflect.deleteProperty(window, "full"));
    await app.button("Save").click();
    await expect(dialog).toBeHidden();
    await app.button(/^Undo: Red rose changed/).click();
    await app.button(/^Undo: Spirea/).click();
    await expect(page.getByRole("link", { name: "Spirea by the gate" })).toBeVisible();
  });

  const without = (page: Page, how: string) =>
    page.addInitScript((way) => {
      if (way === "missing") Object.defineProperty(window, "indexedDB", { value: undefined });
      else
        IDBFactory.prototype.open = () => {
          throw new DOMException(
            way === "denied" ? "access denied" : "Internal error opening backing store",
            way === "denied" ? "SecurityError" : "UnknownError",
          );
        };
    }, how);
  for (const how of ["denied", "missing", "backing store"])
    test(`${how}: it is said, tried again, and gone on without; nothing is replaced`, async ({ page, app }) => {
      await without(page, how);
      await page.goto("/today");
      await expect(app.heading("The browser’s storage cannot be opened")).toBeVisible();
      await expect(app.button("Try again")).toBeVisible();
      await app.button("Go on without keeping anything").click();
      await expect(app.heading("What may I cut?")).toBeVisible();
      await expect(page.getByText("Nothing is kept in this tab")).toBeVisible();
      await page.getByRole("link", { name: "Garden" }).click();
      await app.button("Remove Red rose").click();
      await expect(page.getByRole("link", { name: "Red rose" })).toHaveCount(0);
      await app.button(/^Undo: Red rose/).click();
      await expect(page.getByRole("link", { name: "Red rose" })).toBeVisible();
    });

  test("of a newer version: said, left alone", async ({ page, app }) => {
    await page.goto("/icon.svg");
    await page.evaluate(
      () =>
        new Promise<void>((resolve) => {
          const asked = indexedDB.open("wren-song", 990);
          asked.onupgradeneeded = () => asked.result.createObjectStore("newer", { keyPath: "id" }).put({ id: 1 });
          asked.onsuccess = () => {
            asked.result.close();
            resolve();
          };
        }),
    );
    await page.goto("/today");
    await expect(app.heading("A newer Wren Song has been here")).toBeVisible();
    await page.evaluate(() => localStorage.setItem("wren-kept", "1"));
    expect(await rows(page, "newer")).toEqual([{ id: 1 }]);
  });

  test("a broken row: the safe room lists it, everything comes out as a file, the rest is opened and worked on", async ({
    page,
    app,
  }, info) => {
    await app.open("/garden");
    await expect(page.getByRole("link", { name: "Red rose" })).toBeVisible();
    const [rose] = (await rows(page, "plants")).filter((r) => r["label"] === "Red rose");
    await put(page, "plants", { ...rose, goal: { kind: "smaller", heightM: 4500, widthM: null, lines: [] } });
    await page.reload();
    await expect(app.heading("Some of the garden cannot be read")).toBeVisible();
    await expect(page.getByRole("region", { name: "Set apart" })).toContainText(
      "goal.heightM: 4500 is too large: expected 40 or less",
    );
    const [file] = await Promise.all([page.waitForEvent("download"), app.button("Keep everything as a file").click()]);
    const path = info.outputPath("all.json");
    await file.saveAs(path);
    expect(await readFile(path, "utf8")).toContain("4500");
    await app.button(/^Open the garden without/).click();
    await expect(page.getByRole("link", { name: "Mountain pine" })).toBeVisible();
    await expect(page.getByText(/rows? (is|are) set apart/).first()).toBeVisible();
    await app.open("/place");
    await page.getByLabel("Garden file").setInputFiles(path);
    await expect(page.getByRole("dialog")).toContainText("kept set apart");
  });
});

test("the five slips are refused at their field", async ({ app, page }) => {
  await app.open("/plant/lilac-corner/bench?on=2026-06-10");
  await app.button("Add one").click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Age in years, if known").fill("250");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toContainText("“250” will not do: expected a whole number from 0 to 200");
  await page.keyboard.press("Escape");

  await app.open("/garden");
  await app.button("Change Red rose").click();
  await dialog.getByLabel("What you want of it").selectOption("smaller");
  await dialog.getByLabel(/^Wanted height/).fill("4500");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toContainText("45 m is out of bounds: expected 0.01 to 40 m");
  await page.keyboard.press("Escape");

  await app.open("/place");
  const csv = (name: string, text: string) => ({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
  await page.getByLabel("Weather file").setInputFiles(csv("rain.csv", "date,tmin,tmax,rain\n2025-01-01,1,4,9999\n"));
  await expect(dialog).toContainText("Line 2: 9999 mm of rain is out of bounds");
  await page.keyboard.press("Escape");

  await app.open("/garden/table");
  const beds = Array.from({ length: 250 }, (_, i) => `Common lilac,2 m,Bed ${i}`).join("\n");
  await page.getByLabel("Table file").setInputFiles(csv("beds.csv", `Kind,Height,Bed\n${beds}\n`));
  await app.button("Check the lines").click();
  await expect(page.getByText(/would be one too many: expected at most 200 beds/).first()).toBeVisible();

  await app.open("/plant/lilac-corner/record/shape?on=2026-06-10");
  await app.field("Measured how").selectOption("diameters");
  await app.field("Taken out (mm)").fill(Array.from({ length: 501 }, () => "9").join(" "));
  await app.button("Record").click();
  await expect(page.getByText(/Expected at most 500 thicknesses/)).toBeVisible();
  expect(await rows(page, "changes")).toEqual([]);
});

const second = async (context: BrowserContext, path: string): Promise<Page> => {
  const page = await context.newPage();
  await page.goto(path);
  await expect(page.getByRole("heading", { level: 1 }).first()).toBeVisible();
  return page;
};

test("two tabs: a dialog writes only what was changed in it; what is gone is said", async ({ app, page, context }) => {
  await app.open("/garden");
  const other = await second(context, "/garden");
  await app.button("Change Red rose").click();
  await other.getByRole("button", { name: "Change Red rose" }).click();
  const save = async (p: Page, label: string | RegExp, text: string): Promise<void> => {
    await p.getByRole("dialog").getByLabel(label, { exact: true }).fill(text);
    await p.getByRole("dialog").getByRole("button", { name: "Save" }).click();
    await expect(p.getByRole("dialog")).toBeHidden();
  };
  await save(other, "Note", "from the other tab");
  await save(page, "Width (cm)", "222");
  const [rose] = (await rows(page, "plants")).filter((r) => r["label"] === "Red rose");
  expect([rose!["note"], rose!["widthM"]]).toEqual(["from the other tab", 2.22]);

  await app.button("Change Mountain pine").click();
  await other.getByRole("button", { name: "Remove Mountain pine" }).click();
  await expect(other.getByRole("link", { name: "Mountain pine" })).toHaveCount(0);
  await page.getByRole("dialog").getByLabel("Note").fill("too late");
  await page.getByRole("dialog").getByRole("button", { name: "Save" }).click();
  await expect(page.getByText(/“Mountain pine” was removed meanwhile/)).toBeVisible();
  await expect(page.getByRole("dialog").getByLabel("Note")).toHaveValue("too late");
});

test("by keys alone: a plant is added, moved, a visit recorded, a stem cut, and all of it undone", async ({
  app,
  page,
}) => {
  await app.open("/garden");
  const press = async (name: string | RegExp): Promise<void> => {
    await app.button(name).first().focus();
    await page.keyboard.press("Enter");
  };
  await page.keyboard.press("Tab");
  await expect(page.getByText("To what stands on this screen")).toBeFocused();
  await page.keyboard.press("Enter");
  await press("Add a plant");
  await page.keyboard.type("yew");
  await expect(page.getByRole("listbox")).toBeVisible();
  await expect(page.getByRole("listbox").getByRole("option").first()).toBeVisible();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await page.getByRole("dialog").getByLabel("Planted on").focus();
  await page.keyboard.type("01042020");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog")).toBeHidden();

  await press("Move plants");
  const pine = app.button("Move Mountain pine");
  await pine.focus();
  await page.keyboard.press("Space");
  await expect(page.getByText(/^Mountain pine is (picked up|over)/)).toBeAttached();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("Space");
  await expect(page.getByText("Mountain pine moved.")).toBeVisible();

  await app.open("/plant/lilac-corner/bench?on=2026-06-10");
  await press(/^(Propose|Suggest)/);
  await expect(app.button(/^Undo: Old lilac at the corner: proposal/)).toBeVisible();
  // A slider has the focus: the undo still hears.
  await page.getByRole("slider", { name: "Walk round it" }).focus();
  await page.keyboard.press("Control+z");
  await expect(app.button(/^Do again: Old lilac at the corner: proposal/)).toBeVisible();

  await app.open("/plant/lilac-corner/record/shape?on=2026-06-10");
  await app.field("Live growth taken (%)").focus();
  await page.keyboard.type("12");
  await page.keyboard.press("Enter");
  await expect(app.heading("Old lilac at the corner")).toBeVisible();
  await expect(page.getByText("Visit to Old lilac at the corner recorded.")).toBeVisible();
  expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);
  for (const label of [/^Undo: Visit/, /^Undo: Mountain pine moved/, /^Undo: .*added/]) {
    await expect(app.button(label)).toBeVisible();
    await page.keyboard.press("Control+z");
  }
  await expect(app.button("Nothing to undo")).toBeDisabled();
});
