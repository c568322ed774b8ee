/** The key as a gardener meets it: a question, "I don't know", what is likely beside it, and what is kept of it. */
import { beforeEach, describe, expect, test } from "@jest/globals";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { CATALOGUE, date, KEYS, namedBy, nextTrait, posterior, type Answers, type Key } from "@wren/core";
import { demo, freshStart, openAt, stored as kept } from "./harness.tsx";

beforeEach(freshStart);

const stored = async () => (await kept()).garden;
const unknown = demo.garden.plants.find((p) => p.identity !== null)!;
const key: Key = KEYS.find((k) => unknown.identity!.candidates.every((c) => c.taxonId in k.candidates))!;
const question = (): string => screen.getByRole("heading", { level: 2, name: /\?$/ }).textContent;
const SEASONS = ["leaf", "flower", "bare"] as const;
const open = async (query = ""): Promise<void> => {
  openAt(`/which/${key.id}?shows=${SEASONS.join(",")}${query}`);
  await screen.findByRole("heading", { level: 1 });
};

/** Answers that a plant of a kind gives most often, until the key is done. */
function answersOf(taxonId: string): Answers {
  let answers: Answers = {};
  for (;;) {
    const trait = nextTrait(key, answers, SEASONS);
    if (trait === null || posterior(key, answers)[0]!.share > 0.95) return answers;
    const after = (id: string): number =>
      posterior(key, { ...answers, [trait.id]: id }).find((c) => c.taxonId === taxonId)?.share ?? 0;
    const best = trait.answers.toSorted((a, b) => after(b.id) - after(a.id))[0]!;
    answers = { ...answers, [trait.id]: best.id };
  }
}

describe("asking", () => {
  test("the first question is the one that parts most; answered, the next one follows and the answer can be taken back", async () => {
    await open();
    const first = nextTrait(key, {}, SEASONS)!;
    expect(question()).toBe(first.question);
    const chosen = first.answers[0]!;
    fireEvent.click(screen.getByRole("button", { name: chosen.label }));
    await waitFor(() => expect(question()).not.toBe(first.question));
    expect(question()).toBe(nextTrait(key, { [first.id]: chosen.id }, SEASONS)!.question);
    expect(screen.getByText(chosen.label, { selector: "strong" })).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: `Take back: ${first.question}` }));
    await waitFor(() => expect(question()).toBe(first.question));
  });

  test("“I don’t know” moves on and changes nothing of what is likely", async () => {
    await open();
    const likely = (): string => screen.getByRole("region", { name: "How likely" }).textContent;
    const [before, asked] = [likely(), question()];
    fireEvent.click(screen.getByRole("button", { name: "I don’t know" }));
    await waitFor(() => expect(question()).not.toBe(asked));
    expect(likely()).toBe(before);
    fireEvent.click(screen.getByRole("button", { name: "Begin again" }));
    await waitFor(() => expect(question()).toBe(asked));
  });

  test("only what there is to see is asked for", async () => {
    openAt(`/which/${key.id}?shows=bare`);
    await screen.findByRole("heading", { level: 1 });
    expect(question()).toBe(nextTrait(key, {}, ["bare"])!.question);
    const chips = screen.getByRole("group", { name: "What is there to see?" });
    fireEvent.click(within(chips).getByRole("button", { name: "In leaf" }));
    await waitFor(() => expect(question()).toBe(nextTrait(key, {}, ["bare", "leaf"])!.question));
  });
});

describe("what comes of it", () => {
  const query = (answers: Answers): string =>
    Object.entries(answers)
      .map(([trait, a]) => `&a.${trait}=${a}`)
      .join("");

  const settled = Object.keys(key.candidates).filter((id) => {
    const [top] = posterior(key, answersOf(id));
    return top!.taxonId === id && top!.share > 0.95;
  });

  test("most kinds of the key can be told by their usual answers", () => {
    expect(settled.length).toBeGreaterThan(Object.keys(key.candidates).length / 2);
  });

  test.each(settled.slice(0, 3))("%s: named, and kept with the plant when asked to", async (id) => {
    await open(`&plant=${unknown.id}${query(answersOf(id))}`);
    const name = key.names[id] ?? CATALOGUE.byId(id)!.common[0]!;
    expect(await screen.findByRole("heading", { name: `It is ${name}` })).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: `Call ${unknown.label} that` }));
    await waitFor(async () => {
      const plant = (await stored()).plants.find((p) => p.id === unknown.id)!;
      expect([plant.taxonId, plant.identity]).toEqual([id, null]);
    });
    await waitFor(() => expect(window.location.pathname).toBe(`/plant/${unknown.id}`));
  });

  test("nothing known: kept undecided with every likely kind, and nothing else of the garden changes", async () => {
    const nothing = Object.fromEntries(key.traits.map((t) => [t.id, "unknown"]));
    await open(`&plant=${unknown.id}${query(nothing)}`);
    expect(await screen.findByRole("heading", { name: "Not settled, and safe" })).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: `Keep ${unknown.label} undecided` }));
    await waitFor(() => expect(window.location.pathname).toBe(`/plant/${unknown.id}`));
    const after = await stored();
    const kept = after.plants.find((p) => p.id === unknown.id)!.identity!.candidates;
    expect(kept).toEqual(namedBy(key, nothing, date("2026-06-10")).identity!.candidates);
    expect(kept.length).toBeGreaterThan(1);
    expect(after.plants.filter((p) => p.id !== unknown.id)).toEqual(
      demo.garden.plants.filter((p) => p.id !== unknown.id),
    );
  });
});

test("the choice of keys lists them all, and what is not settled in the garden", async () => {
  openAt("/which");
  for (const k of KEYS) expect(await screen.findByRole("link", { name: new RegExp(`^${k.name}`) })).toBeTruthy();
  const link = within(screen.getByRole("region", { name: "Not settled in your garden" })).getByRole("link", {
    name: unknown.label,
  });
  expect(link.getAttribute("href")).toContain(`plant=${unknown.id}`);
});
