/**
 * What the year says of a task on a kind of plant, before anything is known of the single plant: prices for
 * 365 days and the verdict each day's prices give. No date rules here: a verdict is read off the prices.
 */
import type { Taxon } from "../catalogue/index.ts";
import { YEAR_DAYS } from "../calendar/index.ts";
import type { Climate } from "../climate/index.ts";
import { LIMITS, VERDICT_TABLE, VERDICTS, type Task, type Verdict } from "../model/index.ts";
import { plantYear, type PlantYear } from "../phenology/index.ts";
import type { CutPlan } from "./displays.ts";
import { isTender } from "./frost.ts";
import type { Days } from "../units/index.ts";
import { closedByHarm, FEW_DAYS, pricedVerdict, runsOf, type PricedYear } from "./limits.ts";
import { sheetRows, yearOfPrices, type YearOfPrices } from "./season.ts";
import { Sheet } from "./sheet.ts";

/** What the year says of a task on a kind: prices, verdicts, open days. */
export interface KindYear {
  readonly taxon: Taxon;
  readonly year: PlantYear;
  readonly prices: YearOfPrices;
  /** Index into VERDICTS for each season day. */
  readonly verdicts: Uint8Array;
  /** 1 where the task may be started. When no day of the year is free of cost: the days of least harm. */
  readonly open: Uint8Array;
  /** True when even the best days cost a display. */
  readonly neverFree: boolean;
  /** The limit of harm that closes each day, as runs too short to plan by were settled. */
  readonly closedBy: Uint8Array;
  /** 1 where the next open day is near: such a day is not past, it waits. */
  readonly soon: Uint8Array;
}

/** Verdicts as indexes into VERDICTS: a year of them is read 365 times for each kind, task and year of weather. */
const CODE = Object.fromEntries(VERDICTS.map((v, i) => [v, i])) as Readonly<Record<Verdict, number>>;
const GO = Uint8Array.from(VERDICTS, (v) => Number(VERDICT_TABLE[v].go));
const COSTLY = Uint8Array.from(VERDICTS, (v) => Number(v === "costs-flowers"));

const FIXED: Partial<Record<Task, Verdict>> = { leave: "no-need" };

/** Least harm among the days whose verdict is marked. */
function leastHarm({ harm }: YearOfPrices, verdicts: Uint8Array, marked: Uint8Array): number {
  let least = Infinity;
  for (let d = 0; d < YEAR_DAYS; d++) if (marked[verdicts[d]!] === 1 && harm[d]! < least) least = harm[d]!;
  return least;
}

/** Verdicts by each day's prices. */
function pricedVerdicts(k: PricedYear, out: Uint8Array): Uint8Array {
  const { task, spent } = k.prices;
  const fixed = FIXED[task];
  if (fixed) return out.fill(CODE[fixed]);
  const idle = task === "deadhead";
  for (let d = 0; d < YEAR_DAYS; d++) out[d] = CODE[idle && !spent[d] ? "no-need" : pricedVerdict(k, d)];
  return out;
}

/** Marks the best of the days on which one may go. */
function markBest(p: YearOfPrices, verdicts: Uint8Array): Uint8Array {
  if (!verdicts.includes(CODE.fine)) return verdicts;
  const best = leastHarm(p, verdicts, GO) + LIMITS.bestMargin;
  for (let d = 0; d < YEAR_DAYS; d++) if (verdicts[d] === CODE.fine && p.harm[d]! <= best) verdicts[d] = CODE.best;
  return verdicts;
}

/** Rows of a sheet for prices, verdicts, open days, and what settles them. */
export const kindRows = (displays: number): number => sheetRows(displays) + 4;

/** Marks the days that frost is asked for: open but for it, and those about them, which settle short runs at their edges. */
function markForFrost(harmed: Uint8Array, p: YearOfPrices, marks: Uint8Array): Uint8Array {
  const free = (d: number): boolean => harmed[d] === 0 && p.worstLoss[d]! <= LIMITS.flowerLoss;
  let last = -Infinity;
  for (let d = 0 - FEW_DAYS; d < YEAR_DAYS + FEW_DAYS; d++) {
    if (free((d + YEAR_DAYS) % YEAR_DAYS)) last = d;
    const about = d - FEW_DAYS;
    if (about >= 0 && last >= about - FEW_DAYS) marks[about] = 1;
  }
  return marks;
}

/** Where no day is open because all cost flowers, opens those of least harm; says whether it is so. */
function openLeastCostly(p: YearOfPrices, priced: Uint8Array, open: Uint8Array): boolean {
  if (open.includes(1) || !priced.includes(CODE["costs-flowers"])) return false;
  const least = leastHarm(p, priced, COSTLY) + LIMITS.bestMargin;
  for (let d = 0; d < YEAR_DAYS; d++) open[d] = COSTLY[priced[d]!] === 1 && p.harm[d]! <= least ? 1 : 0;
  return true;
}

/**
 * The part of a kind's year that hundreds of years of weather are asked for, on a sheet that may be used again: the
 * days that its verdicts would open, without the verdicts.
 */
export function openYearOf(
  taxon: Taxon,
  climate: Climate,
  plan: CutPlan,
  year: PlantYear,
  sheet: Sheet,
): Pick<KindYear, "prices" | "open" | "neverFree"> {
  const prices = yearOfPrices(taxon, year, climate, plan, sheet);
  const open = sheet.bytes();
  const fixed = FIXED[plan.task];
  if (fixed) return { prices, open: open.fill(GO[CODE[fixed]]!), neverFree: false };
  const closedBy = closedByHarm(prices, sheet.bytes(), (harmed) =>
    prices.frostRiskOn(markForFrost(harmed, prices, sheet.bytes())),
  );
  const idle = plan.task === "deadhead";
  for (let d = 0; d < YEAR_DAYS; d++)
    open[d] = Number(
      closedBy[d] === 0 && prices.worstLoss[d]! <= LIMITS.flowerLoss && !(idle && prices.spent[d] === 0),
    );
  if (open.includes(1)) return { prices, open, neverFree: false };
  const k = { prices, year, closedBy: closedByHarm(prices, closedBy) };
  const neverFree = openLeastCostly(prices, pricedVerdicts(k, sheet.bytes()), open);
  return { prices, open, neverFree };
}

/** Nobody calls a window past that opens again within so many days, nor in autumn one that comes with this winter. */
const SOON_DAYS: Days = 56;
const THIS_WINTER_DAYS: Days = 150;
/** Of what is tender it comes after the frost. */
const AFTER_FROST_DAYS: Days = 60;

/** Days after which an open one comes soon. */
function soonOpen(open: Uint8Array, taxon: Taxon, year: PlantYear): Uint8Array {
  const soon = new Uint8Array(YEAR_DAYS);
  const later = isTender(taxon) ? AFTER_FROST_DAYS : 0;
  const wakes = Math.ceil(year.wakes.day + later) % YEAR_DAYS;
  let next = Infinity;
  let growth = Infinity;
  for (let d = 2 * YEAR_DAYS - 1; d >= 0; d--) {
    if (open[d % YEAR_DAYS] === 1) next = d;
    if (d % YEAR_DAYS === wakes) growth = d;
    if (d < YEAR_DAYS) soon[d] = Number(next - d < (next <= growth ? THIS_WINTER_DAYS + later : SOON_DAYS));
  }
  return soon;
}
/** What opens again soon is not past, it waits; nor is it past between two waits, or for only some days before one. */
function lateWaits(priced: Uint8Array, soon: Uint8Array): void {
  const late = priced.map((v, d) => Number(v === CODE["too-late"] && soon[d] === 0));
  const waits = (d: number): boolean => {
    const v = priced[(d + YEAR_DAYS) % YEAR_DAYS]!;
    return v === CODE.wait || (v === CODE["too-late"] && late[(d + YEAR_DAYS) % YEAR_DAYS] === 0);
  };
  for (const [from, days, isLate] of runsOf(late))
    if (isLate && waits(from + days) && (days < FEW_DAYS || waits(from - 1)))
      for (let d = from; d < from + days; d++) soon[d % YEAR_DAYS] = 1;
  for (let d = 0; d < YEAR_DAYS; d++) if (soon[d] === 1 && priced[d] === CODE["too-late"]) priced[d] = CODE.wait;
}

/** Prices and verdicts of a task on a kind at a place. Cache it: it serves every plant of the kind. */
export function kindYearOf(taxon: Taxon, climate: Climate, plan: CutPlan, year = plantYear(taxon, climate)): KindYear {
  const sheet = new Sheet(kindRows(year.displays.length));
  const prices = yearOfPrices(taxon, year, climate, plan, sheet);
  const closedBy = closedByHarm(prices, sheet.bytes());
  const priced = pricedVerdicts({ prices, year, closedBy }, sheet.bytes());
  const open = sheet.bytes();
  for (let d = 0; d < YEAR_DAYS; d++) open[d] = GO[priced[d]!]!;
  const neverFree = openLeastCostly(prices, priced, open);
  const soon = soonOpen(open, taxon, year);
  lateWaits(priced, soon);
  return { taxon, year, prices, closedBy, verdicts: markBest(prices, priced), open, neverFree, soon };
}
