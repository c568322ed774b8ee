/** What a plant is given after the cut, by task and kind, each with its days. One row per matter; common practice. */
import { invasiveIn, type Taxon } from "../catalogue/index.ts";
import { addDays, nextSeasonDate, YEAR_DAYS, type PlainDate, type SeasonDay } from "../calendar/index.ts";
import { plantsYear, type GardenModel } from "../garden/index.ts";
import { isGrafted, TASK_TABLE, type Plant, type Task } from "../model/index.ts";
import type { PlantYear } from "../phenology/index.ts";
import { regimeOf } from "../price/index.ts";
import type { Days, Share } from "../units/index.ts";
import { passOrder } from "./passes.ts";

/** Matters of aftercare, in the order they are told. */
export const CARE_CODES = [
  "water",
  "keep-dry",
  "mulch",
  "feed",
  "no-feed",
  "tie",
  "layers",
  "rubbish",
  "rubbish-sick",
  "rubbish-spreads",
] as const;
export type CareCode = (typeof CARE_CODES)[number];

export interface Care {
  readonly code: CareCode;
  /** Null where it is done with the cut. */
  readonly from: PlainDate | null;
  readonly until: PlainDate | null;
}

/** Ours, from common practice. */
export const CARE_ASSUMPTIONS = {
  /** A cut that takes at least so much of the live growth is answered by growth that has to be fed and watered. */
  heavyShare: 0.2 satisfies Share,
  /** The ground has warmed so long after growth starts. */
  groundWarmDays: 30 satisfies Days,
  /** A feed as growth starts may come so much earlier or later, and none so near to its end. */
  feedEarlyDays: 20 satisfies Days,
  feedStopsDays: 60 satisfies Days,
} as const;

interface Ground {
  readonly model: GardenModel;
  readonly plant: Plant;
  readonly taxon: Taxon;
  readonly task: Task;
  readonly on: PlainDate;
  readonly year: PlantYear;
  readonly heavy: boolean;
}
type Span = Pick<Care, "from" | "until">;
const WITH_THE_CUT: Span = { from: null, until: null };

/** Grown lean: food and a wet summer do them harm. */
const LEAN: ReadonlySet<Taxon["group"]> = new Set(["dry-country", "subshrub"]);
const spreads = (t: Taxon): boolean => invasiveIn(t.id).length > 0;
const dry = (t: Taxon): boolean => t.group === "dry-country" || t.restsInDrought === true;

/** From a stage on until a later one, the next time; from the cut on when it falls between them. */
function between({ model, on }: Ground, from: SeasonDay, to: SeasonDay): Span {
  const h = model.climate.hemisphere;
  const last = nextSeasonDate(from, addDays(on, -YEAR_DAYS), h);
  const running = last <= on && nextSeasonDate(to, last, h) > on;
  const start = running ? on : nextSeasonDate(from, on, h);
  return { from: start, until: nextSeasonDate(to, start, h) };
}

const fed = ({ taxon, task }: Ground): boolean =>
  ["cutback", "renewal"].includes(regimeOf(taxon, task)) ||
  taxon.displays.some((d) => d.flushes === true && d.weight >= 0.5);

/** null where the matter does not arise. */
const ROWS: Readonly<Record<CareCode, (g: Ground) => Span | null>> = {
  water: (g) => (g.heavy && !dry(g.taxon) ? between(g, g.year.wakes.day, g.year.stops.day) : null),
  "keep-dry": (g) => (g.heavy && dry(g.taxon) ? WITH_THE_CUT : null),
  mulch: (g) =>
    g.heavy && !LEAN.has(g.taxon.group) && !dry(g.taxon)
      ? between(g, g.year.wakes.day + CARE_ASSUMPTIONS.groundWarmDays, g.year.stops.day)
      : null,
  feed: (g) => {
    if (!g.heavy || LEAN.has(g.taxon.group) || !fed(g)) return null;
    const a = CARE_ASSUMPTIONS;
    return between(
      g,
      g.year.wakes.day - a.feedEarlyDays,
      Math.max(g.year.stops.day - a.feedStopsDays, g.year.wakes.day + 1),
    );
  },
  "no-feed": (g) => (g.heavy && LEAN.has(g.taxon.group) ? WITH_THE_CUT : null),
  tie: (g) =>
    TASK_TABLE[g.task].live && (g.taxon.habit === "climber" || g.plant.support !== null || isGrafted(g.plant))
      ? between(g, g.year.wakes.day, g.year.dormant.day)
      : null,
  layers: (g) =>
    g.heavy && g.taxon.regrowthFromLeaflessWood === "yes" && passOrder(g.taxon, g.task).includes("low")
      ? between(g, g.year.dormant.day, g.year.wakes.day + YEAR_DAYS)
      : null,
  "rubbish-sick": (g) => (g.plant.health?.disease === true ? WITH_THE_CUT : null),
  "rubbish-spreads": (g) => (spreads(g.taxon) ? WITH_THE_CUT : null),
  rubbish: (g) => (g.plant.health?.disease === true || spreads(g.taxon) ? null : WITH_THE_CUT),
};

/** What follows a task at a plant done on a day, in the order of the table; empty when nothing is cut. */
export function aftercareFor(model: GardenModel, plant: Plant, task: Task, on: PlainDate): readonly Care[] {
  if (task === "leave") return [];
  const taxon = model.taxonOf(plant);
  const row = TASK_TABLE[task];
  const ground: Ground = {
    model,
    plant,
    taxon,
    task,
    on,
    year: plantsYear(model, plant, on),
    heavy: row.live && row.usualShare >= CARE_ASSUMPTIONS.heavyShare && taxon.leaf !== "herbaceous",
  };
  return CARE_CODES.flatMap((code) => {
    const span = ROWS[code](ground);
    return span ? [{ code, ...span }] : [];
  });
}
