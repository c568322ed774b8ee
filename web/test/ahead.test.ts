import { expect, test } from "@jest/globals";
import { addDays, date, type PlainDate } from "@wren/core";
import { arrived, dayOf, moved, sent, type Ahead } from "../src/state/ahead.ts";

const d = (day: number): PlainDate => addDays(date("2026-03-01"), day);

/** Steps and what the address does meanwhile, in the order a slow machine may give them. */
type Step = ["to", number] | ["by", number] | ["send"] | ["address", number];
function play(steps: readonly Step[]): { on: PlainDate; ahead: Ahead | null } {
  let ahead: Ahead | null = null;
  let address = d(0);
  for (const [what, n = 0] of steps) {
    if (what === "to") ahead = moved(ahead, address, () => d(n));
    else if (what === "by") ahead = moved(ahead, address, (from) => addDays(from, n));
    else if (what === "send") ahead = ahead && sent(ahead, dayOf(ahead, address));
    else address = d(n);
    if (ahead && arrived(ahead, address)) ahead = null;
  }
  return { on: dayOf(ahead, address), ahead };
}

const cases: [string, readonly Step[], number, boolean][] = [
  ["a step shows before the address knows it", [["to", 5]], 5, false],
  [
    "fast steps add up",
    [
      ["by", 1],
      ["by", 1],
      ["by", 7],
    ],
    9,
    false,
  ],
  ["the address arrives and leads again", [["to", 5], ["send"], ["address", 5]], 5, true],
  [
    "a link elsewhere wins",
    [
      ["to", 5],
      ["address", 40],
    ],
    40,
    false,
  ],
  ["an address sent earlier arrives late", [["to", 5], ["send"], ["to", 9], ["send"], ["address", 5]], 9, false],
  [
    "a step over a late address adds to the day on screen",
    [["to", 5], ["send"], ["to", 9], ["send"], ["address", 5], ["by", 7], ["address", 9]],
    16,
    false,
  ],
  ["back to where it began while a day is under way", [["to", 5], ["send"], ["to", 0], ["address", 5]], 0, false],
  [
    "after arrival a link to the day it began at is followed",
    [["to", 5], ["send"], ["address", 5], ["address", 0]],
    0,
    true,
  ],
];
test.each(cases)("%s", (_, steps, on, settled) => {
  const end = play(steps);
  expect(end.on).toBe(d(on));
  expect(end.ahead === null).toBe(settled);
});
