import { afterEach, beforeEach, describe, expect, jest, test } from "@jest/globals";
import { screen, waitFor, within } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { editStored } from "../src/data/changes.ts";
import { db, demo, freshStart, openAt, other, stored } from "./harness.tsx";

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
    expect(await screen.findByText(/storage is full: this was not kept, and nothing else was lost/)).toBeTruthy();
    expect(add).toHaveBeenCalled();
    add.mockRestore();
    expect((await stored()).garden).toEqual(demo.garden);
    expect(screen.getByRole("link", { name: "Red rose" })).toBeTruthy();
  });

  test("a row that cannot be read is set apart, said, kept, and let go only when asked", async () => {
    const rose = demo.garden.plants.find((p) => p.label === "Red rose")!;
    const broken = { ...rose, widthM: -2 };
    await db.plants.put(broken);
    await db.meta.put({ key: "rev", value: 1000 });
    openAt("/garden");
    expect(await screen.findByRole("heading", { level: 1, name: "Some of the garden cannot be read" })).toBeTruthy();
    const list = screen.getByRole("region", { name: "Set apart" });
    expect(list.textContent).toMatch(/Plant “Red rose”widthM: -2 is too small: expected 0.01 or more/);
    expect(screen.getByRole("button", { name: "Keep everything as a file" })).toBeTruthy();
    await user.click(screen.getByRole("button", { name: /^Open the garden without/ }));
    expect(await screen.findByRole("link", { name: "Mountain pine" })).toBeTruthy();
    expect(screen.queryByRole("link", { name: "Red rose" })).toBeNull();
    await user.click(await button("Remove Mountain pine"));
    await waitFor(() => expect(screen.queryByRole("link", { name: "Mountain pine" })).toBeNull());
    expect(await db.plants.get(rose.id)).toEqual(broken);
    await user.click(screen.getByRole("link", { name: /^Look at/ }));
    await user.click(await button("Let them go"));
    await waitFor(async () => expect(await db.plants.get(rose.id)).toBeUndefined());
    await user.click(await button(/^Undo: .* let go/));
    await waitFor(async () => expect(await db.plants.get(rose.id)).toEqual(broken));
  });

  test("without a place the safe room asks for it, and opens the rest of the garden there", async () => {
    await db
      .table("head")
      .toCollection()
      .modify({ place: { latitudeDeg: 400 } });
    await db.meta.put({ key: "rev", value: 2000 });
    openAt("/garden");
    expect(await screen.findByRole("heading", { level: 1, name: "The garden’s place cannot be read" })).toBeTruthy();
    await user.type(screen.getByLabelText("Name of the place"), "Here");
    await user.type(screen.getByLabelText("Latitude (degrees)"), "52");
    const date = (name: string, value: string) => user.type(screen.getByLabelText(name), value);
    await date("Usual last frost of spring", "2025-04-20");
    await date("Usual first frost of autumn", "2025-10-20");
    await user.click(await button("Open the garden there"));
    expect(await screen.findByRole("link", { name: "Red rose" })).toBeTruthy();
    expect((await stored()).garden).toMatchObject({ place: { name: "Here", latitudeDeg: 52 }, name: demo.garden.name });
  });

  test("a screen that breaks leaves the others standing, and the garden comes out as a file", async () => {
    jest.spyOn(console, "error").mockImplementation(() => undefined);
    const quiet = {
      matches: false,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
      addListener: () => undefined,
      removeListener: () => undefined,
    };
    const matchMedia = (query: string) => {
      if (query.includes("900px")) throw new Error("no width today");
      return quiet;
    };
    Object.assign(window, { matchMedia });
    openAt("/garden");
    expect(await screen.findByRole("heading", { level: 1, name: "This screen broke" })).toBeTruthy();
    expect(screen.getByRole("button", { name: "Keep the garden as a file" })).toBeTruthy();
    await user.click(screen.getByRole("link", { name: "Place & rules" }));
    expect(await screen.findByRole("heading", { level: 1, name: "Place & rules" })).toBeTruthy();
    Reflect.deleteProperty(window, "matchMedia");
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
    expect((await stored()).garden).toEqual(demo.garden);
  });

  test("the place form refuses latitude 95 and afternoons that are no number at their fields", async () => {
    openAt("/place");
    const latitude = await screen.findByLabelText("Latitude (degrees)");
    await user.clear(latitude);
    await user.type(latitude, "95");
    await user.clear(screen.getByLabelText("Afternoons of the warmest month"));
    await user.type(screen.getByLabelText("Afternoons of the warmest month"), "hot");
    await user.click(await button("Save the place"));
    expect(await screen.findByText(/expected a number from -90 to 90/)).toBeTruthy();
    expect(await screen.findByText(/“hot” will not do/)).toBeTruthy();
  });
});

test("a visit is recorded, changes the account at once, and is undone from the notice", async () => {
  openAt("/plant/rhododendron-steps/record/shape?on=2026-06-09");
  await user.type(await screen.findByLabelText("Live growth taken (%)"), "10");
  expect((await screen.findByRole("status")).textContent).toMatch(/10 % of its live growth/);
  await user.click(await button("Record"));
  const notice = await screen.findByText("Visit to Rhododendron recorded.");
  expect((await stored()).garden.visits).toHaveLength(demo.garden.visits.length + 1);
  await user.click(within(notice.parentElement!).getByRole("button", { name: "Undo" }));
  await waitFor(async () => expect((await stored()).garden).toEqual(demo.garden));
});

test("what another tab writes shows here", async () => {
  openAt("/garden?on=2026-06-10");
  expect(await screen.findByRole("link", { name: "Red rose" })).toBeTruthy();
  const renamed = {
    ...demo.garden,
    plants: demo.garden.plants.map((p) => ({ ...p, label: p.label.replace("Red", "White") })),
  };
  await editStored(db, other, { label: "renamed", edit: () => ({ garden: renamed }) });
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
