/** The Year in words: rows, order and filter, a date that is pressed, its table. */
import { beforeEach, describe, expect, test } from "@jest/globals";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { CATALOGUE, date, openGarden, VERDICT_TABLE, verdictFor, taskForGoal } from "@wren/core";
import { replaceStored } from "../src/data/changes.ts";
import { FILTERS, passes, yearRows } from "../src/screens/year/rows.ts";
import { db, demo, freshStart, openAt, other, stored as kept } from "./harness.tsx";

beforeEach(freshStart);

const stored = async () => (await kept()).garden;
const model = openGarden(demo.garden, CATALOGUE);
const ON = date("2026-06-10");

async function open(query = ""): Promise<HTMLElement> {
  openAt(`/year?on=${ON}${query}`);
  return screen.findByRole("list", { name: "Plants" });
}
const names = (list: HTMLElement): string[] =>
  within(list)
    .getAllByRole("listitem")
    .map((li) => within(li).getByRole("link").textContent);

describe("the rows", () => {
  test("every plant has one, with its verdict of the day, in the order of the beds", async () => {
    const list = await open();
    expect(names(list)).toEqual(yearRows(model, 2026, ON).map((r) => r.plant.label));
    for (const li of within(list).getAllByRole("listitem")) {
      const plant = demo.garden.plants.find((p) => p.label === within(li).getByRole("link").textContent)!;
      const { word } = VERDICT_TABLE[verdictFor(model, plant.id, ON, taskForGoal(model, plant))];
      expect(li.textContent).toContain(word);
    }
  });

  test.each(FILTERS)("shown %s: those and no others; the address keeps it", async (filter) => {
    const wanted = yearRows(model, 2026, ON).filter((r) => passes(model, r, ON, filter));
    const list = await open(`&show=${filter}`);
    expect(names(list)).toEqual(wanted.map((r) => r.plant.label));
    expect(wanted.length).toBeGreaterThan(0);
  });

  test("pressed into another order the same plants stay", async () => {
    const list = await open();
    const before = names(list);
    fireEvent.click(screen.getByRole("button", { name: "By name" }));
    await waitFor(() => expect(names(list)).toEqual(before.toSorted((a, b) => a.localeCompare(b))));
    expect(window.location.search).toContain("sort=name");
  });

  test("a garden without plants says so and leads to the walk", async () => {
    await replaceStored(db, other, "put here", {
      ...demo,
      garden: {
        ...demo.garden,
        plants: [],
        visits: [],
        plans: [],
        observations: [],
        programmes: [],
        stands: [],
        hedges: [],
      },
    });
    openAt("/year");
    expect(await screen.findByRole("heading", { name: "Nothing is planted here yet" })).toBeTruthy();
    expect(screen.getByRole("link", { name: "Survey walk" }).getAttribute("href")).toMatch(/^\/walk/);
  });
});

describe("a cut planned from the year", () => {
  async function dialog(label: string): Promise<HTMLElement> {
    await open();
    fireEvent.click(await screen.findByRole("button", { name: `Plan for ${label}` }));
    return screen.findByRole("dialog", { name: `Plan for ${label}` });
  }
  const lilac = demo.garden.plants.find((p) => p.id === "lilac-corner")!;

  test("another task and day are answered before it is planned; then it is kept, and dropped again", async () => {
    const box = await dialog(lilac.label);
    fireEvent.click(within(box).getByRole("button", { name: "Thin" }));
    fireEvent.change(within(box).getByLabelText("Day"), { target: { value: "2027-02-20" } });
    await waitFor(() => expect(within(box).getByRole("status").textContent).toMatch(/Costs flowers/));
    fireEvent.click(within(box).getByRole("button", { name: "Plan it" }));
    const plan = await waitFor(async () => {
      const found = (await stored()).plans.find((p) => p.on === "2027-02-20");
      expect(found).toMatchObject({ plantId: lilac.id, task: "thin" });
      return found!;
    });
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    fireEvent.click(screen.getByRole("button", { name: `Plan for ${lilac.label}` }));
    const again = await screen.findByRole("list", { name: "Planned already" });
    const line = within(again)
      .getAllByRole("listitem")
      .find((li) => li.textContent.includes("2027"))!;
    fireEvent.click(within(line).getByRole("button", { name: "Drop it" }));
    await waitFor(async () => expect((await stored()).plans.some((p) => p.id === plan.id)).toBe(false));
  });

  test("a day that is over cannot be planned: a visit is recorded instead", async () => {
    const box = await dialog(lilac.label);
    fireEvent.change(within(box).getByLabelText("Day"), { target: { value: "2020-06-01" } });
    expect(await within(box).findByText("That day is over: record a visit instead.")).toBeTruthy();
    expect(within(box).getByRole("button", { name: "Plan it" })).toHaveProperty("disabled", true);
    expect((await stored()).plans).toEqual(demo.garden.plans);
  });
});

test("the table says what the drawing shows: task, bloom, best days, verdict and marks of each plant", async () => {
  await open();
  const rows = within(await screen.findByRole("group", { name: "The year as a table", hidden: true }))
    .getAllByRole("row", { hidden: true })
    .slice(1);
  expect(rows).toHaveLength(demo.garden.plants.length);
  const lilacRow = rows.find((r) => r.textContent.startsWith("Old lilac"))!;
  expect(lilacRow.textContent).toMatch(/May \d+.* to /);
  const marked = rows.filter((r) => /done|planned/.test(r.textContent));
  expect(marked.length).toBe(yearRows(model, 2026, ON).filter((r) => r.marks.length > 0).length);
});
