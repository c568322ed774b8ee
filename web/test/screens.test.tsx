import { afterEach, beforeEach, describe, expect, jest, test } from "@jest/globals";
import { screen, waitFor, within } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { commitStored, loadStored } from "../src/data/changes.ts";
import { db, demo, freshStart, openAt } from "./harness.tsx";

const user = userEvent.setup();

const button = (name: string | RegExp) => screen.findByRole("button", { name });

beforeEach(freshStart);
afterEach(() => {
  jest.restoreAllMocks();
});

describe("a change that cannot be kept", () => {
  test("storage full: it is said, and what was there is still there", async () => {
    openAt("/garden?on=2026-06-10");
    const full = Object.assign(new Error("no room"), { name: "QuotaExceededError" });
    const add = jest.spyOn(IDBObjectStore.prototype, "delete").mockImplementation(() => {
      throw full;
    });
    await user.click(await button("Remove Red rose"));
    expect(await screen.findByText(/could not be kept/)).toBeTruthy();
    expect(add).toHaveBeenCalled();
    add.mockRestore();
    expect((await loadStored(db))!.garden).toEqual(demo.garden);
    expect(screen.getByRole("link", { name: "Red rose" })).toBeTruthy();
  });

  test("a stored garden that cannot be read is not thrown away unasked", async () => {
    const [plant] = await db.plants.toArray();
    await db.plants.put({ ...plant!, widthM: -2 });
    openAt("/today");
    const alert = await screen.findByRole("alert");
    expect(alert.textContent).toMatch(/widthM/);
    expect(await db.plants.count()).toBe(demo.garden.plants.length);
    expect(within(alert).getByRole("button", { name: "Keep it as a file" })).toBeTruthy();
    await user.click(within(alert).getByRole("button", { name: "Replace it with the demo garden" }));
    expect(await screen.findByRole("heading", { level: 1, name: "What may I cut?" })).toBeTruthy();
    expect((await loadStored(db))!.demo).toBe(true);
  });
});

describe("what is typed is checked where it is typed", () => {
  test("the plant form names every wrong field and keeps what was typed", async () => {
    openAt("/garden?on=2026-06-10");
    await user.click(await button("Change Red rose"));
    const dialog = await screen.findByRole("dialog");
    const field = (name: RegExp | string) => within(dialog).getByLabelText(name);
    await user.clear(field(/^Height/));
    await user.type(field(/^Height/), "knee high");
    await user.clear(field("What you call it"));
    await user.click(within(dialog).getByRole("button", { name: "Save" }));
    expect(await within(dialog).findByText(/“knee high” is not a length/)).toBeTruthy();
    expect(within(dialog).getByText("Give it a name")).toBeTruthy();
    expect((field(/^Height/) as HTMLInputElement).value).toBe("knee high");
    expect((await loadStored(db))!.garden).toEqual(demo.garden);
  });

  test("the place form refuses latitude 95 and a lone frost date at their fields", async () => {
    openAt("/place");
    const latitude = await screen.findByLabelText("Latitude (degrees)");
    await user.clear(latitude);
    await user.type(latitude, "95");
    await user.clear(screen.getByLabelText("Average first frost of autumn"));
    await user.click(await button("Save the place"));
    expect(await screen.findByText(/expected a number from -90 to 90/)).toBeTruthy();
    await user.clear(latitude);
    await user.type(latitude, "41");
    await user.click(await button("Save the place"));
    expect(await screen.findByText(/Expected a day of the year/)).toBeTruthy();
  });
});

test("a visit is recorded, changes the account at once, and is undone from the notice", async () => {
  openAt("/plant/rhododendron-steps/record/shape?on=2026-06-09");
  await user.type(await screen.findByLabelText("Live growth taken (%)"), "10");
  expect((await screen.findByRole("status")).textContent).toMatch(/10 % of its live growth/);
  await user.click(await button("Record"));
  const notice = await screen.findByText("Visit to Rhododendron recorded.");
  expect((await loadStored(db))!.garden.visits).toHaveLength(demo.garden.visits.length + 1);
  await user.click(within(notice.parentElement!).getByRole("button", { name: "Undo" }));
  await waitFor(async () => expect((await loadStored(db))!.garden).toEqual(demo.garden));
});

test("what another tab writes shows here", async () => {
  openAt("/garden?on=2026-06-10");
  expect(await screen.findByRole("link", { name: "Red rose" })).toBeTruthy();
  const renamed = {
    ...demo.garden,
    plants: demo.garden.plants.map((p) => ({ ...p, label: p.label.replace("Red", "White") })),
  };
  await commitStored(db, "renamed", { garden: renamed, demo: true });
  expect(await screen.findByRole("link", { name: "White rose" })).toBeTruthy();
});

test("the strip is a slider: arrows step the day, the answer follows", async () => {
  openAt("/plant/spirea-gate?on=2026-03-20");
  const strip = await screen.findByRole("slider", { name: "Day of the year" });
  expect(strip.getAttribute("aria-valuetext")).toMatch(/20 March 2026|March 20, 2026/);
  strip.focus();
  await user.keyboard("{ArrowRight}{PageUp}");
  expect(strip.getAttribute("aria-valuetext")).toMatch(/28 March 2026|March 28, 2026/);
  await user.keyboard("{End}");
  expect(strip.getAttribute("aria-valuetext")).toMatch(/31 December 2026|December 31, 2026/);
});
