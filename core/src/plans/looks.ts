/** What can be seen at a plant and written down, what of it the season makes likely first. */
import type { Taxon } from "../catalogue/index.ts";
import { daysBetween, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import type { Observation, Plant, Task } from "../model/index.ts";
import { inCycle, isFlowers, isFruit, type DisplayYear, type PlantYear } from "../phenology/index.ts";
import { kindYearFor, type Opening } from "../advice/index.ts";
import type { GardenModel } from "../garden/index.ts";
import type { Days } from "../units/index.ts";

/** Something to be looked for at a plant. */
export type Look = Exclude<
  Observation["kind"],
  | "not-yet"
  | "height"
  | "suckers-up"
  | "regrowth-clean"
  | "regrowth-poor"
  | "nest-seen"
  | "no-flower"
  | "frost-damage"
  | "scratch-green"
  | "scratch-brown"
  | "disease-seen"
  | "shoots-counted"
  | "leaf-depth"
>;

/** Something that may be seen, and whether it is due about now. */
export interface Sight {
  readonly look: Look;
  readonly due: boolean;
}

/** So long before and after its expected day an event is worth looking for. */
const AROUND_DAYS: Days = 25;
const SAME_SEASON_DAYS: Days = 200;

/** Days from a day of the cycle to the nearest turn of a stage, before or after. */
const off = (stageDay: number, u: number): Days => {
  const d = Math.abs(stageDay - u) % YEAR_DAYS;
  return Math.min(d, YEAR_DAYS - d);
};
/** Does a day of the cycle, or of the one before, lie in a span? */
const inside = (from: number, to: number, u: number): boolean =>
  [u, u - YEAR_DAYS, u + YEAR_DAYS].some((day) => day >= from && day <= to);

const shows = (y: PlantYear, due: (d: DisplayYear) => boolean, which = isFlowers): boolean =>
  y.displays.some((d) => d.display.weight >= 0.3 && which(d.display.name) && due(d));

interface Row {
  readonly look: Look;
  /** Kinds at which it can be seen. */
  readonly fits: (t: Taxon) => boolean;
  /** Is it due on a day of the cycle? */
  readonly due: (y: PlantYear, u: number) => boolean;
  /** Offered only when due: on another day something else says the same. */
  readonly onlyDue?: true;
  /** Once it was written down it need not be again this season. */
  readonly once: boolean;
}
const flowers = (t: Taxon): boolean => t.displays.some((d) => isFlowers(d.name));
const berries = (t: Taxon): boolean =>
  t.displays.some((d) => isFruit(d.name)) || t.wildlife.some((w) => /berr|hips/.test(w));
const near = (days: Days): boolean => days <= AROUND_DAYS;

/** In the order of the year. */
const ROWS: readonly Row[] = [
  {
    look: "first-leaf",
    fits: (t) => t.leaf !== "evergreen",
    due: (y, u) => near(off(y.wakes.day, u)),
    once: true,
  },
  { look: "growth-seen", fits: (t) => t.leaf === "evergreen", due: (y, u) => near(off(y.wakes.day, u)), once: true },
  {
    look: "candles-out",
    fits: (t) => t.headOnlyWhileSoft,
    due: (y, u) => near(off(y.wakes.day + 10, u)),
    once: true,
  },
  {
    look: "first-flower",
    fits: flowers,
    due: (y, u) => shows(y, (d) => near(off(d.opens.day, u))),
    onlyDue: true,
    once: true,
  },
  {
    look: "in-flower",
    fits: flowers,
    due: (y, u) => shows(y, (d) => inside(d.opens.day + AROUND_DAYS, d.ends.day - AROUND_DAYS, u)),
    once: false,
  },
  {
    look: "last-flower",
    fits: flowers,
    due: (y, u) => shows(y, (d) => inside(d.opens.day, d.ends.day + AROUND_DAYS, u)),
    once: true,
  },
  {
    look: "buds-killed",
    fits: (t) => t.displays.some((d) => d.on === "old" && isFlowers(d.name)),
    due: (y, u) => shows(y, (d) => d.display.on === "old" && inside(y.wakes.day - AROUND_DAYS, d.opens.day, u)),
    once: true,
  },
  {
    look: "flush-hardened",
    fits: (t) => t.outline || t.headOnlyWhileSoft,
    due: (y, u) => near(off(y.hardens.day, u)),
    once: true,
  },
  {
    look: "leaf-fall",
    fits: (t) => t.leaf === "deciduous",
    due: (y, u) => near(off(y.dormant.day, u)),
    once: true,
  },
  {
    look: "berries-ripe",
    fits: berries,
    due: (y, u) => shows(y, (d) => near(off(d.opens.day, u)), isFruit),
    once: true,
  },
  {
    look: "berries-gone",
    fits: berries,
    due: (y, u) =>
      shows(y, (d) => inside(d.opens.day, d.ends.day + AROUND_DAYS, u), isFruit) || u > y.dormant.day + AROUND_DAYS,
    once: true,
  },
];

/** What an answer waits for is always worth looking for, however late it is and whatever was seen before. */
const WAITED_FOR: Partial<Record<Extract<Opening, { by: "seen" }>["what"], Look>> = {
  growth: "growth-seen",
  "berries-gone": "berries-gone",
  "bloom-over": "last-flower",
  "flush-hard": "flush-hardened",
  candles: "candles-out",
  fledged: "nest-empty",
};

/**
 * What may be written down on a day, on any day: what the answer waits for, then what is due, then the rest. What
 * was seen this season is left out.
 * @param opening what ends the answer's wait
 */
export function looksOn(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  task: Task,
  opening: Opening | null,
): readonly Sight[] {
  const { year } = kindYearFor(model, plant, on, task);
  const taxon = model.taxonOf(plant);
  const u = inCycle(year, model.season(on).seasonDay);
  const recent = model
    .observationsOf(plant.id)
    .filter((o) => o.on <= on && daysBetween(o.on, on) < SAME_SEASON_DAYS)
    .map((o) => o.kind);
  const awaited = opening?.by === "seen" ? WAITED_FOR[opening.what] : undefined;
  const all = ROWS.filter((r) => r.look !== awaited && r.fits(taxon) && !(r.once && recent.includes(r.look))).flatMap(
    (r): readonly Sight[] => {
      const due = r.due(year, u);
      return due || !r.onlyDue ? [{ look: r.look, due }] : [];
    },
  );
  const firstNow = all.some((s) => s.look === "first-flower");
  // On a day when the first flower is due, that is what "in flower" would say.
  const rest = all.filter((s) => s.look !== "in-flower" || !firstNow);
  const foot: readonly Sight[] =
    plant.health?.sparseFoot === true && !recent.includes("foot-dense")
      ? [{ look: "foot-dense", due: u > year.wakes.day + AROUND_DAYS && u < year.dormant.day }]
      : [];
  return [
    ...(awaited ? [{ look: awaited, due: true }] : []),
    ...[...rest, ...foot].toSorted((a, b) => Number(b.due) - Number(a.due)),
  ];
}
