/** Bayes over a key: what the answers given so far say, and which question says most. */
import type { Share } from "../units/index.ts";
import type { Key, KeySeason, Trait } from "./schema.ts";

/** Answer given per question; "unknown" is an answer that says nothing. */
export type Answers = Readonly<Record<string, string>>;
/** The answer of one who cannot tell. */
export const UNKNOWN_ANSWER = "unknown";

/** A kind with its odds. */
export interface Candidate {
  readonly taxonId: string;
  readonly share: Share;
}

/** Nobody is excluded by one answer: leaves vary, eyes err. Least odds of any answer (our assumption). */
export const LEAST_ODDS: Share = 0.01;

/** Chance that a candidate answers so. Odds are floored and scaled to sum to 1. */
export function oddsOf(trait: Trait, taxonId: string, answerId: string): Share {
  const row = trait.odds[taxonId]!.map((x) => Math.max(LEAST_ODDS * 100, x));
  const i = trait.answers.findIndex((a) => a.id === answerId);
  return row[i]! / row.reduce((a, b) => a + b, 0);
}

/** Posterior over the candidates, likeliest first; sums to 1. Unknown answers and questions leave it alone. */
export function posterior(key: Key, answers: Answers): readonly Candidate[] {
  const weights = Object.entries(key.candidates).map(([taxonId, prior]) => {
    const likelihood = key.traits.reduce((p, t) => {
      const a = answers[t.id];
      return t.answers.some((x) => x.id === a) ? p * oddsOf(t, taxonId, a!) : p;
    }, 1);
    return { taxonId, weight: prior * likelihood };
  });
  const total = weights.reduce((n, w) => n + w.weight, 0);
  return weights
    .map((w) => ({ taxonId: w.taxonId, share: w.weight / total }))
    .sort((a, b) => b.share - a.share || (a.taxonId < b.taxonId ? -1 : 1));
}

/** Uncertainty of a distribution, bits. // => entropy([0.5, 0.5]) is 1 */
export const entropy = (shares: readonly Share[]): number =>
  shares.reduce((h, p) => (p > 0 ? h - p * Math.log2(p) : h), 0);

/** Bits a question is expected to take off the uncertainty. */
export function expectedGain(key: Key, answers: Answers, trait: Trait): number {
  const now = posterior(key, answers);
  const before = entropy(now.map((c) => c.share));
  const after = trait.answers.reduce((sum, a) => {
    const chance = now.reduce((n, c) => n + c.share * oddsOf(trait, c.taxonId, a.id), 0);
    const then = posterior(key, { ...answers, [trait.id]: a.id });
    return sum + chance * entropy(then.map((c) => c.share));
  }, 0);
  return before - after;
}

/** May the question be asked of a plant that shows this? In leaf or flower a bare-stem question is hidden by leaves, except what is always to be seen. */
export const canAsk = (trait: Trait, shows: readonly KeySeason[]): boolean =>
  trait.season === "any" || shows.includes(trait.season);

/** Gains smaller than this are not worth a question. */
const LEAST_GAIN = 0.02;

/** The question with the largest expected gain among those not yet answered; null when none is worth asking. */
export function nextTrait(key: Key, answers: Answers, shows: readonly KeySeason[]): Trait | null {
  let best: Trait | null = null;
  let most = LEAST_GAIN;
  for (const t of key.traits) {
    if (answers[t.id] !== undefined || !canAsk(t, shows)) continue;
    const gain = expectedGain(key, answers, t);
    if (gain > most) [best, most] = [t, gain];
  }
  return best;
}
