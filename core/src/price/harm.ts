/** A day's harm: everything its price is made of in one number, and by its parts. */
import { YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import { PRICE_ASSUMPTIONS } from "./assumptions.ts";
import type { DisplayPrices } from "./displays.ts";

/** What of a year of prices makes a day's harm; one entry for each day. */
interface Parts {
  readonly displays: readonly DisplayPrices[];
  readonly reserves: ArrayLike<number>;
  readonly standsOpen: ArrayLike<number>;
  readonly heat: ArrayLike<number>;
  readonly untold: ArrayLike<number>;
  readonly frostRisk: ArrayLike<number>;
  readonly regrowthRisk: ArrayLike<number>;
  readonly redo: ArrayLike<number>;
}

/** The harm of every day of a year, written into an array of its days. */
export function harmOf(p: Parts, harm: Float32Array): Float32Array {
  const a = PRICE_ASSUMPTIONS;
  const { reserves, standsOpen, heat, frostRisk, regrowthRisk, redo, untold: notTold } = p;
  for (let t = 0; t < YEAR_DAYS; t++)
    harm[t] =
      reserves[t]! +
      standsOpen[t]! +
      a.heatWeight * heat[t]! +
      frostRisk[t]! +
      regrowthRisk[t]! +
      a.redoWeight * redo[t]! +
      a.untoldWeight * notTold[t]!;
  for (const { weight, loss, nextLoss, delayDays, accepted } of p.displays) {
    if (accepted) continue;
    for (let t = 0; t < YEAR_DAYS; t++) {
      const delay = Math.min(a.delayWeightMost, delayDays[t]! * a.delayWeightPerDay);
      harm[t] = harm[t]! + weight * (loss[t]! + nextLoss[t]! + delay);
    }
  }
  return harm;
}

/** What the harm of a day is made of. */
export type HarmPart = "flowers" | "frost" | "regrowth" | "again" | "reserves" | "standsOpen" | "heat" | "untold";
/** The harm of a day by its parts, in units of a year's flowers; their sum is `harm[day]`. */
export function harmPartsOn(p: Parts, day: SeasonDay): Readonly<Record<HarmPart, number>> {
  const a = PRICE_ASSUMPTIONS;
  let flowers = 0;
  for (const d of p.displays)
    if (!d.accepted)
      flowers +=
        d.weight *
        (d.loss[day]! + d.nextLoss[day]! + Math.min(a.delayWeightMost, d.delayDays[day]! * a.delayWeightPerDay));
  return {
    flowers,
    frost: p.frostRisk[day]!,
    regrowth: p.regrowthRisk[day]!,
    again: a.redoWeight * p.redo[day]!,
    reserves: p.reserves[day]!,
    standsOpen: p.standsOpen[day]!,
    heat: a.heatWeight * p.heat[day]!,
    untold: a.untoldWeight * p.untold[day]!,
  };
}
