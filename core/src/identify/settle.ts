/** From the key's answer to the plant: settled, undecided but safe, or to be watched for a season. */
import type { Taxon } from "../catalogue/index.ts";
import { seasonDate, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import { LIMITS, type Identity, type Observation, type Plant, type Task } from "../model/index.ts";
import { giveOrTake, inCycle } from "../phenology/index.ts";
import type { GardenModel } from "../garden/index.ts";
import type { Share } from "../units/index.ts";
import { keyById } from "./keys.ts";
import { oddsOf, posterior, type Answers, type Candidate } from "./posterior.ts";
import type { Key, KeySeason } from "./schema.ts";
import { UNKNOWN_TAXON } from "./unknown.ts";

/** The part of a plant that a key's answer changes. */
export type Named = Pick<Plant, "taxonId" | "identity">;

/** Settled when no other candidate is likely enough to hold the advice back; else every candidate is kept with its share. */
export function namedBy(key: Key, answers: Answers, on: PlainDate): Named {
  const all = posterior(key, answers);
  return fromCandidates(all, key.id === "unknown-shrub" ? UNKNOWN_TAXON : null, on);
}

function fromCandidates(all: readonly Candidate[], standIn: string | null, on: PlainDate): Named {
  const likely = all.filter((c) => c.share >= LIMITS.doubt);
  if (likely.length === 1) return { taxonId: likely[0]!.taxonId, identity: null };
  const candidates = all.map((c) => ({ taxonId: c.taxonId, share: Math.round(c.share * 1e4) / 1e4 }));
  return { taxonId: standIn ?? all[0]!.taxonId, identity: { by: "key", on, candidates } };
}

/** A shrub nobody has looked at: every candidate of the unknown shrub's key, by what is common. */
export const unnamed = (on: PlainDate): Named => namedBy(keyById("unknown-shrub")!, {}, on);

/** Which answer of the unknown shrub's key an observation gives; flowers by where they sit, never by their date alone. */
const ANSWER_OF: Partial<Record<NonNullable<Observation["where"]>, string>> = {
  "side-shoots": "side-shoots",
  "new-shoot-ends": "new-shoot-ends",
};

/** What a flower seen on an unnamed shrub makes of its candidates; the plant unchanged when it says nothing. */
export function learnFrom(plant: Plant, seen: Pick<Observation, "kind" | "where" | "on">): Named {
  const key = keyById("unknown-shrub")!;
  const answer = seen.where === null ? undefined : ANSWER_OF[seen.where];
  const known = plant.identity?.candidates.every((c) => c.taxonId in key.candidates);
  if (seen.kind !== "first-flower" || answer === undefined || !plant.identity || !known) return plant;
  const trait = key.traits.find((t) => t.id === "place")!;
  const weights = plant.identity.candidates.map((c) => ({ ...c, w: c.share * oddsOf(trait, c.taxonId, answer) }));
  const total = weights.reduce((n, c) => n + c.w, 0);
  const all = weights
    .map((c) => ({ taxonId: c.taxonId, share: c.w / total }))
    .sort((a, b) => b.share - a.share || (a.taxonId < b.taxonId ? -1 : 1));
  return fromCandidates(all, UNKNOWN_TAXON, seen.on);
}

export interface WrongPick {
  readonly taken: Taxon;
  readonly really: Taxon;
  readonly task: Task;
  /** Chance that it is really that kind. */
  readonly share: Share;
  /** Part of that kind's display lost by the other's yearly care on its best day. */
  readonly loss: Share;
}

/** What it would cost to treat the plant as one likely kind when it is another; what is likeliest to hurt first. */
export function costOfWrongPick(model: GardenModel, candidates: Identity["candidates"]): readonly WrongPick[] {
  const likely = candidates
    .filter((c) => c.share >= LIMITS.doubt)
    .flatMap((c) => {
      const taxon = model.catalogue.byId(c.taxonId);
      return taxon ? [{ taxon, share: c.share }] : [];
    });
  return likely
    .flatMap(({ taxon: taken }) => {
      const day = bestDay(model.kindYear(taken, taken.routineTask).prices.harm);
      return likely
        .filter((c) => c.taxon !== taken)
        .map(({ taxon: really, share }): WrongPick => {
          const { prices } = model.kindYear(really, taken.routineTask);
          return { taken, really, task: taken.routineTask, share, loss: Math.min(1, prices.worstLoss[day]!) };
        });
    })
    .sort((a, b) => b.share * b.loss - a.share * a.loss);
}

const bestDay = (harm: ArrayLike<number>): number => {
  let best = 0;
  for (let day = 1; day < harm.length; day++) if (harm[day]! < harm[best]!) best = day;
  return best;
};

/** What there is to look at on a day: bare stems once the likeliest kind has dropped its leaves, else its leaves; flowers seen or remembered always. */
export function seasonsOnView(key: Key, model: GardenModel, on: PlainDate): readonly KeySeason[] {
  const taxon = model.catalogue.byId(posterior(key, {})[0]!.taxonId)!;
  const year = model.yearOf(taxon);
  const bare = taxon.leaf !== "evergreen" && inCycle(year, model.season(on).seasonDay) >= year.dormant.day;
  return [bare ? "bare" : "leaf", "flower"];
}

/** What to look for, and when, to settle a kind. */
export interface WatchTask {
  readonly what: "growth" | "first-flower" | "last-flower" | "winter-buds";
  readonly from: PlainDate;
  readonly until: PlainDate;
}

/** A season's watching that tells what an unnamed shrub is: where it grows from, where and when it flowers, its winter buds. */
export function watchPlan(model: GardenModel, on: PlainDate): readonly WatchTask[] {
  const year = model.yearOf(model.catalogue.byId(UNKNOWN_TAXON)!);
  const { spring, hemisphere } = model.climate;
  const { seasonYear } = model.season(on);
  const at = (day: number): PlainDate => seasonDate(seasonYear, Math.round(day), hemisphere);
  const spans: readonly [WatchTask["what"], number, number][] = [
    ["growth", year.wakes.earliest, year.wakes.day + 4 * giveOrTake(year.wakes)],
    ["first-flower", spring.leaf, year.dormant.day],
    ["last-flower", spring.bloom, year.dormant.day],
    ["winter-buds", year.dormant.day, year.wakes.day + YEAR_DAYS - 20],
  ];
  return spans.map(([what, a, b]) => {
    const over = at(b) < on ? YEAR_DAYS : 0;
    return { what, from: at(a + over), until: at(b + over) };
  });
}
