/** What an entry of the gardener's says of a plant's year, as a table: which stage it tells of, and how. */
import type { Observation } from "../model/index.ts";
import type { Days } from "../units/index.ts";

/** Stages that can be seen from outside. */
export type SeenStage = "wakes" | "hardens" | "dormant" | "opens" | "ends" | "fruit-opens" | "fruit-ends";

export interface Telling {
  readonly stage: SeenStage;
  /** It fell on that day; on it or before; not yet. */
  readonly says: "on" | "by" | "not-before";
  /** Counted so many days from the day of the entry. */
  readonly days: Days;
}

export interface Sighting {
  readonly tells: readonly Telling[];
  /** New growth is out. */
  readonly growth?: true;
  /** The buds of the coming display on old wood are dead. */
  readonly kills?: true;
  /** What it says of berries, hips and heads. */
  readonly fruit?: "ripe" | "gone";
}

/** A plant that is looked at and still in flower will be so for some days more (from memory of practice). */
const STILL_DAYS: Days = 3;
/** Candles can be told and shortened about so many days after they begin to move. */
const CANDLE_DAYS: Days = 10;

const tells = (stage: SeenStage, says: Telling["says"], days: Days = 0): Telling => ({ stage, says, days });

export const SIGHTINGS: Readonly<Partial<Record<Observation["kind"], Sighting>>> = {
  "first-leaf": { tells: [tells("wakes", "on")], growth: true },
  // Noted when somebody looked: it came then or earlier.
  "growth-seen": { tells: [tells("wakes", "by")], growth: true },
  "candles-out": { tells: [tells("wakes", "by", 0 - CANDLE_DAYS)], growth: true },
  "flush-hardened": { tells: [tells("hardens", "by")], growth: true },
  "first-flower": { tells: [tells("opens", "on")] },
  "in-flower": { tells: [tells("opens", "by"), tells("ends", "not-before", STILL_DAYS)] },
  "last-flower": { tells: [tells("ends", "on")] },
  "buds-killed": { tells: [], kills: true },
  "leaf-fall": { tells: [tells("dormant", "by")] },
  "berries-ripe": { tells: [tells("fruit-opens", "by")], fruit: "ripe" },
  "berries-gone": { tells: [tells("fruit-ends", "by")], fruit: "gone" },
};

/** What it says that something was looked for and had not come. */
const NOT_YET: Readonly<Partial<Record<Observation["kind"], Sighting>>> = {
  "growth-seen": { tells: [tells("wakes", "not-before", 1)] },
  "last-flower": { tells: [tells("ends", "not-before", STILL_DAYS)] },
  "berries-gone": { tells: [tells("fruit-ends", "not-before", STILL_DAYS)], fruit: "ripe" },
  "flush-hardened": { tells: [tells("hardens", "not-before", STILL_DAYS)] },
  "candles-out": { tells: [tells("wakes", "not-before", 1 - CANDLE_DAYS)] },
};

/** What an entry tells; null when it says nothing of the year. */
export function sightingOf(o: Pick<Observation, "kind" | "lookedFor">): Sighting | null {
  if (o.kind !== "not-yet") return SIGHTINGS[o.kind] ?? null;
  return o.lookedFor === null ? null : (NOT_YET[o.lookedFor] ?? null);
}

/** Does the entry say that new growth is out? */
export const showsGrowth = (o: Pick<Observation, "kind">): boolean => SIGHTINGS[o.kind]?.growth === true;

/** A display of berries, hips or seed heads, by its name in the catalogue. */
export const isFruit = (display: string): boolean => /berr|hips|fruit|seed heads/.test(display);
/** A display of flowers, catkins and the like: what a gardener calls in flower. */
export const isFlowers = (display: string): boolean => !isFruit(display) && !/stems|leaf/.test(display);
