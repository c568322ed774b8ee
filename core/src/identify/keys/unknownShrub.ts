/**
 * An unknown flowering shrub: not which kind it is, but which wood it flowers on, from where on the stem the
 * flowers sit. A date alone never settles it: flowering before about the first week of June (zone 6) suggests old
 * wood, flowering later proves nothing.
 */
import type { Key } from "../schema.ts";

const early = "unknown-old-wood-spring";
const late = "unknown-old-wood-summer";
const fresh = "unknown-new-wood";
const odds = (...rows: readonly (readonly number[])[]): Key["traits"][number]["odds"] =>
  Object.fromEntries([early, late, fresh].map((id, i) => [id, [...rows[i]!]]));

export const UNKNOWN_SHRUB_KEY: Key = {
  id: "unknown-shrub",
  name: "An unknown flowering shrub",
  about:
    "Nobody needs its name to prune it: what counts is the wood it flowers on. Look where on the stem the flowers sit.",
  candidates: { [early]: 50, [late]: 15, [fresh]: 35 },
  names: {},
  traits: [
    {
      id: "place",
      question: "Where do the flowers sit, or where did they?",
      hint: "Follow a flowering shoot down to where it begins: grey wood is last year's, green or fresh brown is this year's.",
      season: "flower",
      answers: [
        { id: "side-shoots", label: "On short side shoots of last year's stem, or straight on it" },
        { id: "new-shoot-ends", label: "At the end of a long shoot of this year" },
        { id: "both", label: "Some here, some there" },
      ],
      odds: odds([92, 3, 5], [84, 8, 8], [2, 92, 6]),
      source: "shrub-calendar",
    },
    {
      id: "when",
      question: "When does it flower?",
      hint: "Against the lilacs and peonies of the place: they end about the first week of June in zone 6.",
      season: "any",
      answers: [
        { id: "before", label: "Before or with the lilac and the peony" },
        { id: "after", label: "After them, in summer" },
      ],
      odds: odds([90, 10], [5, 95], [9, 91]),
      source: "practice",
    },
    {
      id: "buds",
      question: "Are there two kinds of bud on the bare stems?",
      hint: "Fat round ones (flowers) beside slim ones (leaves) in late winter.",
      season: "bare",
      answers: [
        { id: "two", label: "Yes: fat and slim" },
        { id: "one", label: "No: all alike and small" },
      ],
      odds: odds([74, 26], [60, 40], [12, 88]),
      source: "practice",
    },
    {
      id: "old-ends",
      question: "Where are the dry remains of last year's flowers?",
      hint: "Seed heads, or the scars of them.",
      season: "bare",
      answers: [
        { id: "tips", label: "At the very ends of the longest young shoots" },
        { id: "along", label: "Along older stems, on short twigs" },
        { id: "none", label: "I find none" },
      ],
      odds: odds([14, 52, 34], [30, 40, 30], [74, 6, 20]),
      source: "practice",
    },
    {
      id: "after-cut",
      question: "Was it once cut low in late winter, and did it flower that year?",
      hint: "By you or by whoever had the garden before.",
      season: "any",
      answers: [
        { id: "flowered", label: "Cut low, and it flowered" },
        { id: "bare", label: "Cut low, and no flowers came" },
      ],
      odds: odds([6, 94], [6, 94], [92, 8]),
      source: "practice",
    },
  ],
};
