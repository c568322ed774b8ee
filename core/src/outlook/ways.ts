/** Hold it, let it go, renew it, move it or plant another: what each asks in a year, over ten years. */
import { invasiveIn, type Catalogue, type Taxon } from "../catalogue/index.ts";
import { isColder } from "../climate/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { REGIMES, type Plant, type Rules, type Task } from "../model/index.ts";
import { adviseOn, cheapestDay } from "../advice/index.ts";
import { heightOf, reductionOn, type GardenModel } from "../garden/index.ts";
import { minutesFor } from "../jobsite/index.ts";
import { tasksFor } from "../price/index.ts";
import type { Metres, Share } from "../units/index.ts";
import type { Reduction } from "../amount/index.ts";
import { bodyOf, buildOf, volumeIn } from "../stems/index.ts";

/** What the years ahead rest on; ours. */
export const OUTLOOK_ASSUMPTIONS = {
  years: 10,
  /** Cuttings lie loosely: this share of the outline's volume that goes (ours). */
  debrisOfVolume: 0.35,
  /** A plant let go is looked over for dead wood every so many years. */
  lookEvery: 2,
  /** Minutes to dig out, move and settle a plant, of its outline in m²; and to plant another: low and high (ours). */
  moveMinutesPerM2: [60, 150],
  plantMinutes: [40, 90],
  /** Above this height a plant is too large to move by hand, m. */
  moveUpToM: 1.6,
  /** Years without much bloom after a move, and until a new plant flowers well: low and high. */
  settleYears: [1, 2],
  newPlantYears: [2, 4],
  /** How many kinds that fit are named. */
  kindsNamed: 4,
} as const;

export const WAYS = ["hold", "let-go", "renew", "move", "replace"] as const;
/** One of the ways to keep a plant. */
export type Way = (typeof WAYS)[number];

/** A way with its years, hours and price. */
export interface WayRow {
  readonly way: Way;
  /** Height it then stands at: from, to. */
  readonly heightM: readonly [Metres, Metres];
  /** Work in a year, the mean of ten: low and high. */
  readonly minutesPerYear: readonly [number, number];
  readonly debrisM3PerYear: number;
  /** Share of a year's main display lost, the mean of ten: low and high. */
  readonly flowersPerYear: readonly [Share, Share];
  /** Live growth each year's cut takes; null where none is cut. */
  readonly shareEach: Share | null;
  /** The year's cut is more than the cap: it cannot be done that way. */
  readonly overCap: boolean;
  /** Kinds that stay within the wanted height. */
  readonly kinds: readonly string[];
  /** The hours are the gardener's own, not by size. */
  readonly ownHours: boolean;
  /** In the gardener's money, a year: low and high; null until a price was said. */
  readonly costPerYear: readonly [number, number] | null;
}

/** The ways to keep a plant, side by side. */
export interface Outlook {
  readonly reduction: Reduction;
  readonly task: Task;
  /** The day of the year to come on which that task costs least. */
  readonly bestDay: PlainDate;
  /** null: no cap counts. */
  readonly cap: Share | null;
  readonly ways: readonly WayRow[];
}

/** The task that takes height off a kind: an outline is sheared, a framework cut back, the rest shaped. */
export function heightTask(taxon: Taxon): Task {
  const tasks = tasksFor(taxon);
  // What rebuilds from a low framework each year is held by its cutback, which no cap counts.
  if (taxon.regimes.includes("cutback") && taxon.never["hard-cutback"] === undefined) return "hard-cutback";
  const wanted: readonly Task[] = taxon.outline
    ? ["shear", "shape"]
    : taxon.leaf === "herbaceous"
      ? ["hard-cutback"]
      : ["shape", "tip"];
  return wanted.find((t) => tasks.includes(t) && taxon.never[t] === undefined) ?? taxon.routineTask;
}

/** What a plant of a height fills, m³. */
export const outlineVolume = (plant: Plant, taxon: Taxon, heightM: Metres): number =>
  volumeIn(bodyOf(buildOf(taxon, plant.form), heightM, plant.widthM));

/** Kinds like it, hardy in a zone, that never grow past a height: the same leaf and use, nearest in size first. */
export function kindsThatFit(catalogue: Catalogue, taxon: Taxon, wantedM: Metres, zone: string): readonly Taxon[] {
  return catalogue.taxa
    .filter(
      (t) =>
        t.id !== taxon.id &&
        t.group !== "unknown" &&
        t.leaf === taxon.leaf &&
        t.floweringWood === taxon.floweringWood &&
        t.habit !== "climber" &&
        invasiveIn(t.id).length === 0 &&
        t.matureHeightM[1] <= wantedM &&
        !isColder(zone, t.coldestZone),
    )
    .toSorted(
      (a, b) =>
        Number(b.group === taxon.group) - Number(a.group === taxon.group) || b.matureHeightM[1] - a.matureHeightM[1],
    )
    .slice(0, OUTLOOK_ASSUMPTIONS.kindsNamed);
}

/** The gardener's own hours for a way as minutes in a year, the mean of ten; null where none were said. */
function ownMinutes({ hours }: Plant, way: Way): number | null {
  if (way === "hold") return hours.hold === null ? null : hours.hold * 60;
  if (way !== "move" && way !== "replace") return null;
  const once = hours[way];
  return once === null ? null : (once * 60) / OUTLOOK_ASSUMPTIONS.years;
}

/** What a way costs in a year by the gardener's own prices; null when none was said. */
function costOf(w: WayRow, { hour, plant, haulM3 }: Rules["prices"]): readonly [number, number] | null {
  if (hour === null && plant === null && haulM3 === null) return null;
  const bought = w.way === "replace" ? (plant ?? 0) / OUTLOOK_ASSUMPTIONS.years : 0;
  const once = bought + (haulM3 ?? 0) * w.debrisM3PerYear;
  const [low, high] = w.minutesPerYear;
  return [once + ((hour ?? 0) * low) / 60, once + ((hour ?? 0) * high) / 60];
}

/** Everything a plant of a wanted height asks, beside the other ways. */
export function outlook(model: GardenModel, plant: Plant, on: PlainDate, wantedM: Metres): Outlook {
  const a = OUTLOOK_ASSUMPTIONS;
  const taxon = model.taxonOf(plant);
  const { heightM } = heightOf(model, plant, on);
  const task = heightTask(taxon);
  const advice = adviseOn(model, plant.id, on, task);
  // Over years it is the school's cap that counts, not what this year's account has left.
  const cap = advice.cap;
  const reduction = reductionOn(model, plant, on, wantedM, cap);
  const cheapest = cheapestDay(model, plant, on, task);
  const work = minutesFor(model, plant, task, on);
  const look = minutesFor(model, plant, "dead-only", on);
  const volume = outlineVolume(plant, taxon, wantedM);
  const row = (way: Way, r: Partial<WayRow>): WayRow => {
    const bySize: WayRow = {
      way,
      heightM: [wantedM, wantedM],
      minutesPerYear: [0, 0],
      debrisM3PerYear: 0,
      flowersPerYear: [0, 0],
      shareEach: null,
      overCap: false,
      kinds: [],
      ownHours: false,
      costPerYear: null,
      ...r,
    };
    const own = ownMinutes(plant, way);
    const withHours = own === null ? bySize : { ...bySize, minutesPerYear: [own, own] as const, ownHours: true };
    return { ...withHours, costPerYear: costOf(withHours, model.garden.rules.prices) };
  };
  const natural = row("let-go", {
    heightM: [Math.max(heightM, taxon.matureHeightM[0]), Math.max(heightM, taxon.matureHeightM[1])],
    minutesPerYear: [look.low / a.lookEvery, look.high / a.lookEvery],
  });
  const ways: WayRow[] = [
    row("hold", {
      minutesPerYear: [work.low, work.high],
      debrisM3PerYear: volume * reduction.holdShare * a.debrisOfVolume,
      flowersPerYear: [cheapest.bloomLoss * 0.5, cheapest.bloomLoss],
      shareEach: reduction.holdShare,
      overCap: cap !== null && reduction.holdShare > cap + 1e-6,
    }),
    natural,
  ];
  const renewable =
    REGIMES.some((r) => r === "renewal" && taxon.regimes.includes(r)) && taxon.never.renovate === undefined;
  if (renewable) {
    const once = minutesFor(model, plant, "renovate", on);
    const loss = cheapestDay(model, plant, on, "renovate").bloomLoss;
    ways.push(
      row("renew", {
        heightM: natural.heightM,
        // Three years of a third each, then it is left to grow.
        minutesPerYear: [
          (3 * once.low) / a.years + natural.minutesPerYear[0],
          (3 * once.high) / a.years + natural.minutesPerYear[1],
        ],
        debrisM3PerYear: (outlineVolume(plant, taxon, heightM) * a.debrisOfVolume) / a.years,
        flowersPerYear: [(3 * loss * 0.5) / a.years, (3 * Math.max(loss, 1 / 3)) / a.years],
        shareEach: 1 / 3,
      }),
    );
  }
  const area = heightM * plant.widthM;
  if (heightM <= a.moveUpToM)
    ways.push(
      row("move", {
        heightM: natural.heightM,
        minutesPerYear: [(a.moveMinutesPerM2[0] * area) / a.years, (a.moveMinutesPerM2[1] * area) / a.years],
        flowersPerYear: [a.settleYears[0] / a.years, a.settleYears[1] / a.years],
      }),
    );
  const kinds = kindsThatFit(model.catalogue, taxon, wantedM, model.climate.zone);
  if (kinds.length > 0)
    ways.push(
      row("replace", {
        heightM: [Math.min(...kinds.map((k) => k.matureHeightM[0])), Math.max(...kinds.map((k) => k.matureHeightM[1]))],
        minutesPerYear: [
          (a.plantMinutes[0] + a.moveMinutesPerM2[0] * area * 0.5) / a.years,
          (a.plantMinutes[1] + a.moveMinutesPerM2[1] * area) / a.years,
        ],
        debrisM3PerYear: outlineVolume(plant, taxon, heightM) / a.years,
        flowersPerYear: [a.newPlantYears[0] / a.years, a.newPlantYears[1] / a.years],
        kinds: kinds.map((k) => k.id),
      }),
    );
  return { reduction, task, bestDay: cheapest.on, cap, ways };
}
