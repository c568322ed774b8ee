/** What one says of a plant at the plant, in a line of words, read into what can be drawn. */
import { ok, parseLength, refused, type Metres, type Result } from "../units/index.ts";
import { ARCHITECTURE_TABLE, type Build } from "./architecture.ts";
import { checkTally, NO_STEMS, readTally, stemCount, type Tally, type TallyIssueCode } from "./tally.ts";

/** A plant as it was described; null: not said. */
export interface Sketch {
  readonly tally: Tally;
  /** Trunks, arms: how many main axes where they are not told apart by thickness. */
  readonly mains: number | null;
  readonly leaders: number | null;
  readonly tiers: number | null;
  readonly branches: number | null;
  /** Dead branches inside. */
  readonly deadInside: number;
  /** Branches of a crown that cross: each rubs on another. */
  readonly crossing: number;
  /** Side shoots that stand straight off a wall, where they cannot be tied in. */
  readonly offWall: number;
  /** Leaf begins so far out along the longest branches; or it is so deep from their tips. */
  readonly greenM: Metres | null;
  readonly deepM: Metres | null;
  /** Bare up to here. */
  readonly bareM: Metres | null;
  /** Length of side shoots. */
  readonly shootM: Metres | null;
}
/** Nothing said beside the count. */
export const NO_EXTRAS: Sketch = {
  tally: NO_STEMS,
  mains: null,
  leaders: null,
  tiers: null,
  branches: null,
  deadInside: 0,
  crossing: 0,
  offWall: 0,
  greenM: null,
  deepM: null,
  bareM: null,
  shootM: null,
};

export type SketchIssueCode = TallyIssueCode | "sketch-many" | "sketch-length" | "sketch-long" | "sketch-negative";

/** A line that somebody says of a plant is shorter. */
const MAX_LETTERS = 500;
const NEGATIVE = /(?:^|[\s,;:(])[-−–]\s*\d+[^,;:.]*/;

/** Numbers as words. */
const NUMBERS = "no one two three four five six seven eight nine ten eleven twelve".split(" ");
const asDigits = (text: string): string =>
  text
    .toLowerCase()
    .replace(/\ba (single|lone)\b/g, "1")
    .replace(/\ba pair of\b/g, "2")
    .replace(/\b([a-z]+)\b/g, (w) => (NUMBERS.includes(w) ? String(NUMBERS.indexOf(w)) : w));

/** Lengths by the hand, m. */
const BY_HAND: Readonly<Record<string, Metres>> = {
  hand: 0.1,
  "hand's breadth": 0.1,
  span: 0.2,
  finger: 0.07,
  forearm: 0.4,
  arm: 0.65,
};
function lengthIn(text: string, bare: "cm" | "in"): Metres | null {
  const hand = /(hand's breadth|hand|span|finger|forearm|arm)\b/.exec(text);
  if (hand) return BY_HAND[hand[1]!]!;
  const m = /\d[\d.,]*\s*(?:mm|cm|m|in|ft|"|')?(?:\s*\d[\d.,]*\s*(?:cm|in|"))?/.exec(text);
  return m ? parseLength(m[0], bare) : null;
}

type Count = "mains" | "leaders" | "tiers" | "branches" | "deadInside" | "crossing" | "offWall";
/** So many at most: more is a slip, or cannot be drawn. */
const MOST_OF: Readonly<Record<Count, number>> = {
  mains: 40,
  leaders: 5,
  tiers: 20,
  branches: 60,
  deadInside: 60,
  crossing: 20,
  offWall: 60,
};
/** Phrases with a count of their own, tried in this order; the rest is a count of stems. */
const COUNTS: readonly (readonly [RegExp, Count])[] = [
  [/(\d+) (?:branches |limbs )?dead (?:inside|within|branch|limb)/, "deadInside"],
  [/(\d+) dead (?:branches|limbs|twigs)/, "deadInside"],
  [
    /(\d+) (?:side )?(?:shoots?|spurs?|branch(?:es)?) (?:standing |growing |that stand )?(?:straight )?(?:off|out from|away from) the wall/,
    "offWall",
  ],
  [/(\d+) (?:crossing|rubbing) (?:branch|limb|bough)/, "crossing"],
  [/(\d+) (?:branches|limbs|boughs) (?:are |that )?(?:cross|rub)/, "crossing"],
  [/(\d+) (?:leader|fork|tops?\b)/, "leaders"],
  [/(\d+) (?:tier|whorl|layer|storey)/, "tiers"],
  [/(\d+) (?:branch|limb|boughs?)/, "branches"],
  [/(\d+) (?:trunk|arm)/, "mains"],
  [/fan of (\d+)/, "mains"],
];
const LENGTHS: readonly (readonly [RegExp, "greenM" | "deepM" | "bareM" | "shootM"])[] = [
  [
    /(?:green|leaf|leafy|needles?) (?:only )?(?:begins? |starts? )?(?:from|to|for) (.+? ?(?:mm|cm|m|in|ft|"|')) (?:in|deep|inwards?)\b/,
    "deepM",
  ],
  [/(?:green|leaf|leafy|needles?) (?:only )?(?:begins? |starts? )?from (.+)/, "greenM"],
  [/(?:bare|clear|crown|leafless|branchless)(?: begins?| starts?)? (?:up )?(?:to|from|below) (.+)/, "bareM"],
  [/(?:side )?(?:shoots?|spurs?|laterals?) (?:of|to|about|up to) (.+)/, "shootM"],
];

const no = (code: SketchIssueCode, values: Readonly<Record<string, string | number>>): Result<never, SketchIssueCode> =>
  refused([{ code, path: [], values }]);

/**
 * Reads "one trunk, two leaders, seven tiers, green from 60 cm out, three dead inside" or "14 stems: 5 thick, 2 dead".
 * @param bare unit of a length without one
 */
export function readSketch(
  text: string,
  build: Pick<Build, "architecture">,
  bare: "cm" | "in" = "cm",
): Result<Sketch, SketchIssueCode> {
  if (text.length > MAX_LETTERS) return no("sketch-long", { got: text.length, limit: MAX_LETTERS });
  const negative = NEGATIVE.exec(text);
  if (negative) return no("sketch-negative", { got: negative[0].replace(/^[\s,;:(]/, "").trim() });
  const out: { -readonly [K in keyof Sketch]: Sketch[K] } = { ...NO_EXTRAS };
  const rest: string[] = [];
  for (const phrase of asDigits(text).split(/[,;:.](?!\d)|\band\b|\bwith\b/)) {
    const said = phrase.trim();
    if (said === "") continue;
    const length = LENGTHS.find(([re]) => re.test(said));
    if (length) {
      const m = lengthIn(length[0].exec(said)![1]!, bare);
      if (m === null) return no("sketch-length", { got: said });
      out[length[1]] = m;
      continue;
    }
    const count = COUNTS.find(([re]) => re.test(said));
    if (count) {
      const n = Number(count[0].exec(said)![1]);
      if (n > MOST_OF[count[1]]) return no("sketch-many", { got: said, limit: MOST_OF[count[1]] });
      out[count[1]] = n;
      continue;
    }
    rest.push(said);
  }
  const extras = out.mains !== null || out.leaders !== null || out.tiers !== null || out.branches !== null;
  const nothing =
    !extras &&
    out.greenM === null &&
    out.deepM === null &&
    out.bareM === null &&
    out.shootM === null &&
    out.deadInside + out.crossing + out.offWall === 0;
  if (rest.length === 0 && !nothing && ARCHITECTURE_TABLE[build.architecture].keepsMains) return ok(out);
  const tally = readTally(rest.join(", ") || text.toLowerCase());
  if (!tally.ok) return tally;
  const checked = checkTally(tally.value);
  if (!checked.ok) return checked;
  return ok({ ...out, tally: checked.value, mains: out.mains ?? (stemCount(checked.value) || null) });
}
