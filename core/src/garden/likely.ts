/** What a plant may be: its kind, or the likely kinds while that is not settled, weighed by what its flowers and cuts told. */
import type { Taxon } from "../catalogue/index.ts";
import { daysBetween, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import { LEARNING_PRIORS } from "../learning/index.ts";
import { LIMITS, type Observation, type Plant } from "../model/index.ts";
import { giveOrTake, isFlowers } from "../phenology/index.ts";
import type { Days, Share } from "../units/index.ts";
import { perPlant, type GardenModel } from "./gardenModel.ts";
import { woodOfPlant } from "./taught.ts";

/** A kind that a plant may be, with the chance that it is. */
export interface LikelyKind {
  readonly taxonId: string;
  readonly share: Share;
}
/** What years of flowers and cuts say of the candidates of a plant. */
export interface WoodLesson {
  readonly plantId: string;
  /** As the key left them, and with what was seen since. */
  readonly before: readonly LikelyKind[];
  readonly mine: readonly LikelyKind[];
  readonly records: readonly string[];
}
/** On which wood a plant flowers. */
export type Wood = "old" | "new" | "both";

/** A class of kinds flowers over more weeks than one kind does: so much is left open of its day (from memory). */
const CLASS_DAYS: Days = 20;
/** No day of flowers excludes a kind: eyes err, and there are reblooming forms. */
const LEAST_FIT: Share = 0.15;
/** Two entries of one flush say one thing. */
const FLUSH_DAYS: Days = 30;

/** How well flowers on a day go with a kind, of 1. */
function fitsDay(model: GardenModel, t: Taxon, on: PlainDate): Share {
  const day = model.season(on).seasonDay;
  const shown = model.yearOf(t).displays.filter((d) => isFlowers(d.display.name) && d.display.weight >= 0.3);
  const fits = shown.map((d) => {
    const off = [day, day - YEAR_DAYS, day + YEAR_DAYS].map((x) =>
      x < d.opens.day ? d.opens.day - x : Math.max(0, x - d.ends.day),
    );
    return Math.exp(-((Math.min(...off) / Math.hypot(CLASS_DAYS, giveOrTake(d.opens))) ** 2) / 2);
  });
  return Math.max(LEAST_FIT, ...fits);
}

/** Part of the coming flowers of a kind that cuts of the year before a day took, by the prices of their days. */
function lostBefore(model: GardenModel, plant: Plant, t: Taxon, on: PlainDate): Share {
  const cuts = model.visitsOf(plant.id).filter((v) => {
    const days = daysBetween(v.on, on);
    return days > 0 && days < YEAR_DAYS && v.cuts.length > 0;
  });
  return 1 - cuts.reduce((left, v) => left * (1 - lossOn(model, t, v.task, v.on)), 1);
}
const lossOn = (model: GardenModel, t: Taxon, task: Parameters<GardenModel["kindYear"]>[1], on: PlainDate): Share =>
  Math.min(1, model.kindYear(t, task).prices.worstLoss[Math.floor(model.season(on).seasonDay)] ?? 0);

const IN_FLOWER: ReadonlySet<Observation["kind"]> = new Set(["first-flower", "in-flower", "last-flower"]);

/**
 * What flowers and their want say of a plant whose kind is not settled: a kind whose buds a cut took seldom flowers after
 * it, and none flowers far from its season. Each candidate is asked by its own year and its own prices.
 * @returns null where its kind is settled or nothing was seen
 */
export const woodLesson = perPlant((model, plant): WoodLesson | null => {
  const before = plant.identity?.candidates ?? [];
  if (before.length === 0) return null;
  const seen = model.observationsOf(plant.id).filter((o) => IN_FLOWER.has(o.kind) || o.kind === "no-flower");
  if (seen.length === 0) return null;
  const { flowersThough, failsThough } = LEARNING_PRIORS.wood;
  const flushes = seen.filter(
    (o, i) => !seen.slice(0, i).some((x) => x.kind !== "no-flower" && daysBetween(x.on, o.on) < FLUSH_DAYS),
  );
  const weights = before.map((c) => {
    const t = model.catalogue.byId(c.taxonId);
    if (!t) return c;
    const share = flushes.reduce((w, o) => {
      const flowers = flowersThough + (1 - flowersThough - failsThough) * (1 - lostBefore(model, plant, t, o.on));
      return w * (o.kind === "no-flower" ? 1 - flowers : flowers * fitsDay(model, t, o.on));
    }, c.share);
    return { ...c, share };
  });
  const all = weights.reduce((n, c) => n + c.share, 0);
  const mine = weights.map((c) => ({ taxonId: c.taxonId, share: c.share / all }));
  return { plantId: plant.id, before, mine, records: flushes.map((o) => o.id) };
});

/** Chances of old, new and both wood among candidates. */
export function woodOf(model: GardenModel, kinds: readonly LikelyKind[]): Readonly<Record<Wood, Share>> {
  const out = { old: 0, new: 0, both: 0 };
  let all = 0;
  for (const k of kinds) {
    const wood = model.catalogue.byId(k.taxonId)?.floweringWood;
    if (wood === undefined || wood === "foliage") continue;
    out[wood] += k.share;
    all += k.share;
  }
  return all === 0 ? out : { old: out.old / all, new: out.new / all, both: out.both / all };
}

/** What a plant may be, with chances, as they are used; empty where its kind is settled. */
export const candidatesOf = perPlant((model, plant): readonly LikelyKind[] => {
  const lesson = model.taught.aside.has(woodOfPlant(plant.id)) ? null : woodLesson(model, plant);
  return lesson?.mine ?? plant.identity?.candidates ?? [];
});

/** The likely kinds, likeliest first; one when the plant's kind is settled. Kinds below the limit of doubt do not count. */
export const likelyTaxa = perPlant((model, plant): readonly Taxon[] => {
  const likely = candidatesOf(model, plant)
    .filter((c) => c.share >= LIMITS.doubt)
    .toSorted((a, b) => b.share - a.share)
    .flatMap((c) => model.catalogue.byId(c.taxonId) ?? []);
  return likely.length > 0 ? likely : [model.taxonOf(plant)];
});
