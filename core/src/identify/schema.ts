/** A key: candidate kinds, questions that tell them apart, and how often each kind answers how. Data, parsed at load. */
import * as z from "zod";
import { SOURCE_IDS } from "../catalogue/index.ts";

/** What must be on the plant for a question to be answered. */
export const SEASONS = ["any", "leaf", "flower", "bare"] as const;
/** One of the seasons in which a trait shows. */
export type KeySeason = (typeof SEASONS)[number];

const TraitSchema = z.strictObject({
  id: z.string(),
  question: z.string(),
  /** Where to look, in a few words. */
  hint: z.string(),
  season: z.enum(SEASONS),
  answers: z
    .array(z.strictObject({ id: z.string(), label: z.string() }))
    .min(2)
    .max(6),
  /** Per candidate, in the order of the answers: parts of a hundred, scaled to 1 when read. */
  odds: z.record(z.string(), z.array(z.number().min(0).max(100))),
  source: z.enum(SOURCE_IDS),
});
/** A question of a key. */
export type Trait = z.infer<typeof TraitSchema>;

export const KeySchema = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    /** Said before the first question. */
    about: z.string(),
    /** Candidates with how common each is in gardens, parts of a hundred. */
    candidates: z.record(z.string(), z.number().positive()),
    /** What a candidate is called here, where it stands for more than one kind: "a pine". */
    names: z.record(z.string(), z.string()),
    traits: z.array(TraitSchema).min(3),
  })
  .refine(
    (k) =>
      k.traits.every((t) =>
        Object.keys(k.candidates).every((c) => t.odds[c]?.length === t.answers.length && t.odds[c].some((x) => x > 0)),
      ),
    "a trait lacks odds for a candidate",
  );
/** A key: traits with the odds of each answer. */
export type Key = z.infer<typeof KeySchema>;
