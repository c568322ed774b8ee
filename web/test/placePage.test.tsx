import { beforeEach, describe, expect, test } from "@jest/globals";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { addDays, date } from "@wren/core";
import { demo, freshStart, openAt, stored as kept } from "./harness.tsx";

beforeEach(freshStart);

const stored = async () => (await kept()).garden;
const climate = () => screen.findByRole("region", { name: "What the climate is worked out from" });

/** A file is given as the browser gives it. */
async function give(name: string, text: string): Promise<HTMLElement> {
  openAt("/place");
  const file = new File([text], name, { type: "text/csv" });
  Object.defineProperty(file, "text", { value: () => Promise.resolve(text) });
  fireEvent.change(await screen.findByLabelText("Weather file"), { target: { files: [file] } });
  return screen.findByRole("dialog");
}
const days = (n: number, row: (day: string, i: number) => string): string =>
  Array.from({ length: n }, (_, i) => row(addDays(date("2026-03-01"), i), i)).join("\n");

describe("a file of daily weather", () => {
  test("Fahrenheit, with its columns the wrong way round and a gap: recognised, said, kept, and taken out again", async () => {
    const rows = days(60, (d, i) => (i === 20 ? "" : `${d},${60 + (i % 9)},${40 - (i % 5)}`)).replace("\n\n", "\n");
    const dialog = await give("spring.csv", `date,tmin °F,tmax °F\n${rows}\n`);
    expect(dialog.textContent).toMatch(/59 days, .*; 1 day between them is missing and stays a gap\./);
    expect(dialog.textContent).toMatch(/degrees Fahrenheit, turned into Celsius, by the headings/);
    expect(dialog.textContent).toMatch(/the wrong way round: turned/);
    fireEvent.click(within(dialog).getByRole("button", { name: "Keep these days" }));
    await waitFor(async () => expect((await stored()).weather.find((w) => w.source === "own")).toBeTruthy());
    const [year] = (await stored()).weather.filter((w) => w.source === "own");
    expect(year!.tmaxC[59]).toBeCloseTo(((60 - 32) * 5) / 9, 1);
    expect(year!.tminC[59]).toBeCloseTo(((40 - 32) * 5) / 9, 1);
    fireEvent.click(await screen.findByRole("button", { name: "Remove the weather of 2026" }));
    await waitFor(async () => expect((await stored()).weather).toEqual(demo.garden.weather));
  });

  test("a line of words refuses all of it, by its number", async () => {
    const dialog = await give("odd.csv", `date,tmin,tmax\n${days(5, (d, i) => `${d},${i === 3 ? "mild" : 2},9`)}\n`);
    expect(dialog.textContent).toMatch(/odd\.csv is refused\. Nothing has been changed/);
    expect(dialog.textContent).toMatch(/Line 5: .*mild/);
    expect(within(dialog).queryByRole("button", { name: "Keep these days" })).toBeNull();
    expect(await stored()).toEqual(demo.garden);
  });

  test("no dates in it: said", async () => {
    const dialog = await give("list.csv", "plant,height\nlilac,200\n");
    expect(dialog.textContent).toMatch(/This file cannot be read/);
  });
});

describe("twelve monthly means", () => {
  const months = async (): Promise<HTMLElement> => {
    openAt("/place");
    fireEvent.click(within(await climate()).getByRole("button", { name: "I have monthly means" }));
    return screen.findByRole("dialog", { name: "Twelve monthly means" });
  };
  const type = (dialog: HTMLElement, label: string, value: string): void => {
    fireEvent.change(within(dialog).getByLabelText(label), { target: { value } });
  };

  test("start from what is worked out for the place; a minimum over its maximum is said at its month", async () => {
    const dialog = await months();
    const july = Number(within(dialog).getByLabelText<HTMLInputElement>("Mean maximum, July").value);
    const january = Number(within(dialog).getByLabelText<HTMLInputElement>("Mean maximum, January").value);
    expect(july - january).toBeGreaterThan(15);
    type(dialog, "Mean minimum, July", String(july + 5));
    fireEvent.click(within(dialog).getByRole("button", { name: "Use these months" }));
    await waitFor(() =>
      expect(within(dialog).getByLabelText("Mean minimum, July").getAttribute("aria-invalid")).toBe("true"),
    );
    expect((await stored()).place.monthly).toBeNull();
  });

  test("kept, they stand for the frost dates, and give way to them again", async () => {
    const dialog = await months();
    type(dialog, "Mean maximum, July", "31");
    fireEvent.click(within(dialog).getByRole("button", { name: "Use these months" }));
    await waitFor(async () => expect((await stored()).place.monthly?.tmaxC[6]).toBe(31));
    const part = await climate();
    expect(part.textContent).toMatch(/From twelve monthly means/);
    fireEvent.click(await within(part).findByRole("button", { name: "Back to what was said above" }));
    await waitFor(async () => expect((await stored()).place.monthly).toBeNull());
  });
});
