import { beforeEach, describe, expect, test } from "@jest/globals";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { demo, freshStart, openAt, stored as kept } from "./harness.tsx";

beforeEach(freshStart);

const stored = async () => (await kept()).garden;
/** What was written down beyond what the demo garden holds. */
const observed = async () => {
  const before = new Set(demo.garden.observations.map((o) => o.id));
  return (await stored()).observations.filter((o) => !before.has(o.id));
};
const region = (name: string) => screen.findByRole("region", { name });
const press = (within_: HTMLElement, name: string | RegExp): void => {
  fireEvent.click(within(within_).getByRole("button", { name }));
};

describe("what follows something that was done", () => {
  const steps = async (): Promise<HTMLElement> =>
    (await screen.findAllByText(/look for new shoots 20–30 cm tall/))[0]!.closest("li")!;

  test.each([
    ["Not yet", { kind: "not-yet", lookedFor: "suckers-up" }],
    ["New shoots are 20–30 cm tall", { kind: "suckers-up", lookedFor: null }],
  ])("“%s” is written down for its plant, on the strip's day", async (label, seen) => {
    openAt("/plant/spirea-gate?on=2026-06-10");
    press(await steps(), label);
    await waitFor(async () => expect(await observed()).toMatchObject([{ plantId: "spirea-gate", ...seen }]));
  });

  test("once the shoots are tall the next step is the thinning, with a way to start it", async () => {
    openAt("/plant/spirea-gate?on=2026-06-10");
    press(await steps(), "New shoots are 20–30 cm tall");
    await waitFor(() => expect(screen.queryByText(/look for new shoots/)).toBeNull());
    const start = await screen.findByRole("link", { name: "Start" });
    expect(start.getAttribute("href")).toMatch(/^\/plant\/spirea-gate\/record\/thin-suckers/);
  });
});

describe("what was begun for years", () => {
  test("its steps stand at the plant; ended, they are gone, and undo brings them back", async () => {
    openAt("/plant/lilac-corner?on=2026-06-10");
    const years = await region("Over the years");
    expect(within(years).getAllByRole("row").length).toBeGreaterThan(2);
    expect(years.textContent).toMatch(/Worked out anew from what you record/);
    press(years, "End it");
    await waitFor(async () => expect((await stored()).programmes).toEqual([]));
    await waitFor(() => expect(screen.queryByRole("region", { name: "Over the years" })).toBeNull());
    fireEvent.click(await screen.findByRole("button", { name: /^Undo:/ }));
    expect(await region("Over the years")).toBeTruthy();
    expect((await stored()).programmes).toEqual(demo.garden.programmes);
  });
});

describe("schools side by side", () => {
  const QUESTION = "When is the butterfly bush cut back?";
  const bush = async () => (await stored()).plants.find((p) => p.id === "butterfly-lamp")!;

  test("each option has its answer; one chosen for the plant holds here, and gives way again", async () => {
    openAt("/plant/butterfly-lamp?on=2026-03-10");
    const school = (await screen.findByText(QUESTION)).closest("details")!;
    const options = within(school).getAllByRole("listitem", { hidden: true });
    expect(options.length).toBeGreaterThanOrEqual(3);
    for (const o of options) expect(o.textContent).toMatch(/Suits .* Its price: .*cheapest about .*frost (under )?\d/);
    expect(within(school).getAllByText("holds")).toHaveLength(1);
    const [first] = within(school).getAllByRole("button", { name: /^Choose:/, hidden: true });
    fireEvent.click(first!);
    expect(await within(school).findByText(/Chosen for this plant/)).toBeTruthy();
    expect(Object.keys((await bush()).schools)).toHaveLength(1);
    expect((await stored()).rules.schools).toEqual(demo.garden.rules.schools);
    fireEvent.click(within(school).getByRole("button", { name: "As in the garden", hidden: true }));
    expect(await within(school).findByText(/As in the whole garden/)).toBeTruthy();
    expect((await bush()).schools).toEqual({});
  });
});

describe("trying a cut", () => {
  test("more than may go is refused with the day it fits; a top cut says its height", async () => {
    openAt("/plant/lilac-corner?on=2026-06-12");
    const trial = await region("Try a cut");
    const [share, top] = within(trial).getAllByRole("slider");
    fireEvent.change(share!, { target: { value: "60" } });
    expect(within(trial).getByRole("status").textContent).toMatch(/Refused\./);
    expect(within(trial).getByRole("status").textContent).toMatch(/80 % in twelve months, of 33 %/);
    fireEvent.change(share!, { target: { value: "5" } });
    expect(within(trial).getByRole("status").textContent).toMatch(/It can be planned\./);
    fireEvent.change(top!, { target: { value: "2.1" } });
    expect(trial.textContent).toMatch(/The top cut to 2\.1 m, of 2\.\d m/);
    expect(within(trial).getByRole("link", { name: /^Record/ })).toBeTruthy();
  });
});

describe("the record", () => {
  test("an entry is removed and comes back; the account follows", async () => {
    openAt("/plant/lilac-corner?on=2026-06-12");
    const answer = await region("May I?");
    const growth = () => within(answer).getByText(/may still go/).textContent;
    const before = growth();
    const [newest] = screen.getAllByRole("button", { name: /^Remove the entry of/ });
    fireEvent.click(newest!);
    await waitFor(() => expect(growth()).not.toBe(before));
    fireEvent.click(await screen.findByRole("button", { name: /^Undo:/ }));
    await waitFor(() => expect(growth()).toBe(before));
    expect(await stored()).toEqual(demo.garden);
  });

  test("what is seen today is one press", async () => {
    openAt("/plant/lilac-corner?on=2026-05-20");
    const seen = await screen.findByRole("group", { name: "Seen today" });
    press(seen, "Bloom is over");
    await waitFor(async () =>
      expect(await observed()).toMatchObject([{ plantId: "lilac-corner", kind: "last-flower", on: "2026-05-20" }]),
    );
  });
});

describe("a missed window", () => {
  test("says what may be done instead, in flowers and minutes; a press asks about that task", async () => {
    openAt("/plant/lilac-corner?on=2026-03-15");
    const answer = await region("May I?");
    fireEvent.click(within(answer).getByRole("button", { name: "Shape" }));
    const instead = within(answer).getByText("What you can do today instead").parentElement!;
    expect(instead.textContent).toMatch(/Dead wood.*no flowers · \d+–\d+ min/);
    expect(instead.textContent).toMatch(/Or wait: the next window opens/);
    press(instead, /Dead wood/);
    expect(within(answer).getByTestId("main-reason").textContent).toMatch(/only what is surely dead/);
  });

  test("one season only: each with its best day and its price", async () => {
    openAt("/plant/lilac-corner?on=2026-03-15");
    const answer = await region("May I?");
    fireEvent.click(within(answer).getByRole("button", { name: "Shape" }));
    const table = within(answer).getByText("If you have time in one season only").closest("details")!;
    const rows = within(table).getAllByRole("row", { hidden: true }).slice(1);
    expect(rows.map((r) => /^(Winter|Spring|Summer|Autumn)/.exec(r.textContent)![1]).toSorted()).toEqual([
      "Autumn",
      "Spring",
      "Summer",
      "Winter",
    ]);
  });
});
