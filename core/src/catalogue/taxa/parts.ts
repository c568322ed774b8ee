/** Pieces that many rows share, so that a row states only what is its own. */
import type { Display, Rule, TaxonRow } from "../schema.ts";

type Year = TaxonRow["year"];
type Frost = TaxonRow["frost"];

/** Woody deciduous year: first leaf, flush hardens, growth stops with the shortening day, leaves fall with the cold. */
export const deciduousYear = (wakesAfterFirstLeafDays: number, hardenDegreeDays = 280): Year => ({
  wakes: { rule: "spring", at: 0, days: wakesAfterFirstLeafDays },
  hardens: { rule: "after", stage: "wakes", degreeDays: hardenDegreeDays },
  stops: { rule: "season", day: 236 },
  dormant: { rule: "cooling", meanC: 7 },
});

/** Leaves at its own part of the way from the first leaves (0) to lilac bloom (1): in a mild place weeks after the first. */
export const leafing = (at: number, hardenDegreeDays = 280): Year => ({ ...deciduousYear(0, hardenDegreeDays), wakes: { rule: "spring", at } });

/** Evergreen year with one main flush that starts some days after lilac bloom. */
export const flushYear = (wakes: number, hardenDegreeDays: number): Year => ({
  wakes: { rule: "spring", at: 1, days: wakes },
  hardens: { rule: "after", stage: "wakes", degreeDays: hardenDegreeDays },
  stops: { rule: "season", day: 236 },
  dormant: { rule: "cooling", meanC: 6 },
});

/** Hardy through its zone; a cut top costs it nothing worth counting. */
export const hardy: Frost = { growthKillC: -2.5, frameKillC: -40, frameLoss: 0, headsShelterC: null, wakesWhenCut: false };

/** Flowers on last season's wood in spring; the next buds begin some weeks after bloom. */
export const springBloom = (opens: Display["opens"], bloomDays: number, budsAfterDays: number, atTips: number): Display => ({
  name: "spring flowers",
  on: "old",
  weight: 1,
  opens,
  ends: { rule: "after", stage: "opens", days: bloomDays },
  budsBegin: { rule: "after", stage: "ends", days: budsAfterDays },
  budsSet: { rule: "after", stage: "budsBegin", days: 50 },
  atTips,
  spent: "not-done",
});

/** Flowers on shoots of the same season, from so much warmth after lilac bloom until it turns cool. */
export const summerBloom = (degreeDays: number, endsBelowC: number, spent: Display["spent"] = "weeks"): Display => ({
  name: "summer flowers",
  on: "new",
  weight: 1,
  opens: { rule: "warmth", degreeDays },
  ends: { rule: "cooling", meanC: endsBelowC },
  budsBegin: null,
  budsSet: null,
  atTips: 1,
  spent,
});

/** A shrub that takes everything; rows override what differs. */
export const shrub = {
  leaf: "deciduous",
  shadeVigour: 0.6,
  regrowthFromLeaflessWood: "yes",
  headOnlyWhileSoft: false,
  sideBuds: false,
  outline: false,
  inLeafCost: 0.25,
  frost: hardy,
  sapwoodMm: 25,
  hazards: [],
  ailments: [],
  wildlife: [],
  cleanOut: "any dry day; dead wood shows best once the leaves are out",
  looksWrongButNormal: ["a thin look after thinning: it fills by midsummer"],
  never: {},
} satisfies Partial<TaxonRow>;

export const bud = "About 6 mm above a pair of live buds that points the way you want, sloping away from it.";
export const branch = "Take whole shoots back to a side branch or to their origin; leave no stub.";

/** A stage between first leaf (0) and lilac bloom (1), shifted by days; or so many degree-days (°C, base 10) after lilac bloom. */
export const spring = (at: number, days = 0): Rule => ({ rule: "spring", at, days });
export const warm = (degreeDays: number, notBefore?: number): Rule => ({ rule: "warmth", degreeDays, notBefore });
export const seasonDay = (day: number): Rule => ({ rule: "season", day });

/** Opens from last season's buds at any time of the year; dates of its buds given as season days. */
export const oldBloom = (name: string, opens: Rule, bloomDays: number, buds: readonly [number, number], atTips: number): Display => ({
  name,
  on: "old",
  weight: 1,
  opens,
  ends: { rule: "after", stage: "opens", days: bloomDays },
  budsBegin: seasonDay(buds[0]),
  budsSet: seasonDay(buds[1]),
  atTips,
  spent: "not-done",
});

/** Flowers in heads or trusses that are worth taking off when spent; many small ones are not. */
export const headed = (d: Display): Display => ({ ...d, spent: "weeks" });

/** Flowers on new shoots for a number of days, where warmth and not the cold ends them. */
export const shortBloom = (degreeDays: number, bloomDays: number, name = "summer flowers"): Display => ({
  ...summerBloom(degreeDays, 10),
  name,
  ends: { rule: "after", stage: "opens", days: bloomDays },
});

/**
 * Not before a season day, however warm it has been: what day length or the plant's own time brings (first dates of
 * Florida, Gulf and Californian calendars; from memory).
 */
export const notUntil = (day: number, d: Display): Display => ({ ...d, opens: d.opens.rule === "warmth" ? { ...d.opens, notBefore: day } : d.opens });
/** Soft plants that flower when days shorten: headed until midsummer they branch, and each branch flowers. */
export const pinched = (day: number, d: Display): Display => ({ ...notUntil(day, d), shortDays: true });

/** Berries, hips or seed heads kept for birds and looks: they hang on the wood that flowered. */
export const berries = (opens: Rule, days: number, name = "berries"): Display => ({
  name,
  on: "new",
  weight: 0.1,
  opens,
  ends: { rule: "after", stage: "opens", days },
  budsBegin: null,
  budsSet: null,
  atTips: 0.3,
  fruit: true,
  spent: "not-done",
});

/** Killed back below a temperature: growth by frost, the bared frame by winter. */
export const tender = (growthKillC: number, frameKillC: number, frameLoss = 0.6, wakesWhenCut = true): Frost => ({
  growthKillC,
  frameKillC,
  frameLoss,
  headsShelterC: null,
  wakesWhenCut,
});

/** One kind on one line: what it is called, how it stands and grows (metres), where it lives, what it shows, and what differs from its group. */
export type Line = readonly [
  id: string,
  botanical: string,
  commonNames: string,
  habit: TaxonRow["habit"],
  growthM: TaxonRow["growthM"],
  matureHeightM: TaxonRow["matureHeightM"],
  matureWidthM: TaxonRow["matureWidthM"],
  coldestZone: string,
  displays: readonly Display[],
  more?: Partial<TaxonRow>,
];

/** What a group shares; a line states the rest. */
export type Base = Omit<
  TaxonRow,
  "id" | "botanical" | "common" | "habit" | "growthM" | "matureHeightM" | "matureWidthM" | "coldestZone" | "displays"
>;

/** Rows of a group from its shared base and its lines; common names are divided by "|". */
export const kinds = (base: Base, lines: readonly Line[]): readonly TaxonRow[] =>
  lines.map(([id, botanical, commonNames, habit, growthM, matureHeightM, matureWidthM, coldestZone, displays, more]) => ({
    ...base,
    id,
    botanical,
    common: commonNames.split("|"),
    habit,
    growthM,
    matureHeightM,
    matureWidthM,
    coldestZone,
    displays: [...displays],
    ...more,
  }));
