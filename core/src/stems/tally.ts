/** A quick count of stems, as one says it at the plant, read into numbers. */
import { MOST } from "../model/index.ts";
import { ok, refused, type Result } from "../units/index.ts";

/** What of a count is told apart; the first three make up the whole, the others are among them. */
export const TALLY_PARTS = ["thick", "middling", "thin", "dead", "crossing", "low", "weak"] as const;
/** One of the counts of a tally. */
export type TallyPart = (typeof TALLY_PARTS)[number];
/** Stems counted by thickness and by what speaks against them. */
export type Tally = Readonly<Record<TallyPart, number>>;

/** A tally that nothing was counted for. */
export const NO_STEMS: Tally = { thick: 0, middling: 0, thin: 0, dead: 0, crossing: 0, low: 0, weak: 0 };

/** Words that name a part, in the order in which they are tried: "thicker than thumb" before "thumb". */
const WORDS: readonly (readonly [RegExp, TallyPart | "total"])[] = [
  [/dead|dry|brown/, "dead"],
  [/cross|rub/, "crossing"],
  [/\blow|ground|lying/, "low"],
  [/weak|spindly/, "weak"],
  [/thick|thumb|old|fat/, "thick"],
  [/middl|medium|finger/, "middling"],
  [/thin|pencil|young/, "thin"],
  [/stem|cane|shoot|altogether|in all/, "total"],
];

export type TallyIssueCode = "tally-empty" | "tally-words" | "tally-zero" | "tally-many" | "tally-sum" | "tally-among";

const no = (
  code: TallyIssueCode,
  values: Readonly<Record<string, string | number>> = {},
): Result<never, TallyIssueCode> => refused([{ code, path: [], values }]);

/** Stems of a tally. // => stemCount({ ...NO_STEMS, thick: 5, thin: 3 }) is 8 */
export const stemCount = (t: Tally): number => t.thick + t.middling + t.thin;

/** Is a tally one that can stand? Names what is wrong with it, else null. */
export function checkTally(t: Tally): Result<Tally, TallyIssueCode> {
  const total = stemCount(t);
  if (total === 0) return no("tally-zero");
  if (total > MOST.stems) return no("tally-many", { got: total, limit: MOST.stems });
  for (const part of ["dead", "crossing", "low", "weak"] as const)
    if (t[part] > total) return no("tally-among", { got: t[part], part, total });
  return ok(t);
}

/**
 * Reads "14 stems: 5 thicker than thumb, 6 middling, 3 thin, 2 dead, 2 crossing".
 * Stems of the total that are in none of the three thicknesses count as middling.
 */
export function readTally(text: string): Result<Tally, TallyIssueCode> {
  const parts = text.toLowerCase().match(/\d+[^\d]*/g);
  if (!parts) return no("tally-empty");
  const counts: Record<TallyPart, number> = { ...NO_STEMS };
  let said: number | null = null;
  for (const p of parts) {
    const count = Number.parseInt(p, 10);
    const words = p.replace(/^\d+/, "").trim();
    const what = WORDS.find(([re]) => re.test(words))?.[1];
    if (what === undefined) return no("tally-words", { got: `${count} ${words}`.trim() });
    if (what === "total") said = count;
    else counts[what] += count;
  }
  const sum = stemCount(counts);
  if (said !== null && sum > said) return no("tally-sum", { sum, said });
  if (said !== null) counts.middling += said - sum;
  // Dead ones said beside the others, with no total, are stems too.
  if (said === null && sum === 0) counts.middling = Math.max(counts.dead, counts.crossing, counts.low, counts.weak);
  return checkTally(counts);
}
