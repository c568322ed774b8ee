/** Every drawing has a twin in words, for those who do not see it. */
import { beforeEach, describe, expect, test } from "@jest/globals";
import { render, screen, within } from "@testing-library/react";
import { VERDICT_TABLE, VERDICTS } from "@wren/core";
import { VERDICT_COLOUR, VerdictMark } from "../src/ui/VerdictMark.tsx";
import { freshStart, openAt } from "./harness.tsx";

beforeEach(freshStart);

describe("verdict marks", () => {
  test("each has a word, a shape of its own and a colour that follows the scheme", () => {
    const shapes = VERDICTS.map((verdict) => {
      const { container, unmount } = render(<VerdictMark verdict={verdict} />);
      expect(within(container).getByRole("img", { name: VERDICT_TABLE[verdict].word })).toBeTruthy();
      const shape = container.querySelector("svg")!.innerHTML;
      unmount();
      return shape;
    });
    expect(new Set(shapes).size).toBe(VERDICTS.length);
    for (const v of VERDICTS) expect(VERDICT_COLOUR[v]).toMatch(/^var\(--\w+\)$/);
  });

  test("beside its word the drawing is silent", () => {
    render(<VerdictMark verdict="wait" word />);
    expect(screen.getByText("Wait")).toBeTruthy();
    expect(screen.queryByRole("img")).toBeNull();
  });
});

describe("the sawn end says what it shows", () => {
  test("taken and cap; a tried cut; over the cap", async () => {
    openAt("/plant/lilac-corner?on=2026-06-10");
    const answer = await screen.findByRole("region", { name: "May I?" });
    expect(
      within(answer)
        .getByRole("img", { name: /live growth taken/ })
        .getAttribute("aria-label"),
    ).toBe("20 % of its live growth taken in twelve months of 33 % that may go");
    const trial = screen.getByRole("region", { name: "Try a cut" });
    expect(
      within(trial)
        .getByRole("img", { name: /live growth taken/ })
        .getAttribute("aria-label"),
    ).toMatch(/; this cut would take 13 % more$/);
  });

  test("a plant that is cut back each year has no cap", async () => {
    openAt("/plant/spirea-gate?on=2026-03-25");
    const answer = await screen.findByRole("region", { name: "May I?" });
    expect(
      within(answer)
        .getByRole("img", { name: /live growth taken/ })
        .getAttribute("aria-label"),
    ).toMatch(/no cap counts/);
  });
});

test("a plant's year in words: growth, displays, runs of verdicts, what was done", async () => {
  openAt("/plant/panicle-seat?on=2026-06-10");
  const year = await screen.findByRole("region", { name: "Its year" });
  const lines = within(year)
    .getAllByRole("listitem", { hidden: true })
    .map((li) => li.textContent);
  expect(lines[0]).toMatch(/^Growth from about .* to .*, give or take \d+ days\.$/);
  expect(lines.some((l) => /^summer flowers: .* to .*, give or take/.test(l))).toBe(true);
  expect(lines.filter((l) => l.startsWith("Shape, ")).length).toBeGreaterThan(3);
  expect(lines.at(-1)).toMatch(/^Done: Shape, /);
});

test("a bed in words: each plant a button with height and verdict, in the order it stands", async () => {
  openAt("/garden?on=2026-06-10");
  const bed = await screen.findByRole("group", { name: /^Towpath Border, 15\.0 m long/ });
  const labels = within(bed)
    .getAllByRole("button")
    .map((b) => b.getAttribute("aria-label") ?? "");
  expect(labels[0]).toMatch(/^Old lilac at the corner: .* tall; Leave be$/);
  expect(labels.map((l) => l.split(":")[0])).toEqual([
    "Old lilac at the corner",
    "Spirea by the gate",
    "Panicle hydrangea by the seat",
    "Butterfly bush under the lamp",
    "Red rose",
    "Lavender edge",
  ]);
});

test("the strip in words: its date and the frost-free season", async () => {
  openAt("/today?on=2026-06-10");
  expect(await screen.findByText(/Frost-free in the middle of the years from .* to/)).toBeTruthy();
  expect(screen.getByRole("slider").getAttribute("aria-valuetext")).toMatch(/2026/);
});
