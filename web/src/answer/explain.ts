/** What stands behind each number of an answer, ready for the "why?" of the screen. */
import {
  frostDates,
  seasonDate,
  heightOf,
  TASK_TABLE,
  type Advice,
  type BloomLoss,
  type EdgeRange,
  type GardenModel,
  type Plant,
  type Taxon,
  type Voice,
} from "@wren/core";
import type { Explanation } from "../ui/Why.tsx";

export function explainLoss(b: BloomLoss, a: Advice, taxon: Taxon, say: Voice): Explanation {
  const display = taxon.displays.find((d) => d.name === b.display);
  const old = display?.on === "old";
  return {
    formula: old
      ? "Share of this display's buds that stand in what the task takes, times how far the buds had come by that day. While it is open: the part of its bloom still to come."
      : "Flowers need the warmth from bud break to bloom again from the day of the cut. What then opens after frost is lost, the rest comes later; growth thrown away costs reserves.",
    inputs: [
      ["Display opens about", say.date(b.opens)],
      ["Flowers on", old ? "last season's wood" : "this season's shoots"],
      ["Buds at the shoot tips", say.percent(display?.atTips ?? 0)],
      ["Task", TASK_TABLE[a.task].label],
      ["Loss", say.percent(b.loss)],
      ...(a.lossRange
        ? ([
            [
              "In eight years of ten (largest loss, weighted)",
              `${say.percent(a.lossRange[0])} to ${say.percent(a.lossRange[1])}`,
            ],
          ] as const)
        : []),
      ...(b.delayDays > 0 ? ([["Delay", say.days(b.delayDays)]] as const) : []),
    ],
    sources: [...taxon.sources, "spring-index", "assumption"],
  };
}

export function explainFrost(a: Advice, taxon: Taxon, model: GardenModel, say: Voice): Explanation {
  const { last, first } = frostDates(model.climate, 0, 0.5);
  const { seasonYear } = model.season(a.on);
  return {
    formula:
      "The chance that what the cut wakes meets a killing frost before it is hard, and that the frame it bares is damaged by cold still to come. From the spread of nights around their normals.",
    inputs: [
      ["New growth is killed at", `${taxon.frost.growthKillC} °C`],
      ["A bared frame suffers at", `${taxon.frost.frameKillC} °C`],
      [
        "Zone and frost dates",
        `${model.climate.zone}; ${[last, first].map((d) => (d === null ? "none" : say.date(seasonDate(seasonYear, d, model.climate.hemisphere)))).join(", ")}`,
      ],
      ["Risk", say.percent(a.frostRisk ?? 0)],
    ],
    sources: ["place", "richardson", "assumption"],
  };
}

export function explainBudget(a: Advice, model: GardenModel, say: Voice): Explanation {
  const entries = model
    .ledgerOf(a.plantId)
    .filter((e) => e.on <= a.on && e.share > 0)
    .toReversed()
    .slice(0, 4);
  return {
    formula:
      "Visits later than the same date a year ago, each as a share of the live plant as it stood then, added up. Dead wood does not count; diseased or torn wood is shown apart.",
    inputs: [
      ...entries.map((e) => [say.date(e.on), say.percent(e.share)] as const),
      ["Taken in twelve months", say.percent(a.takenLast12Months)],
      ["May go in twelve months", a.cap === null ? "no cap: cut back each year" : say.percent(a.cap)],
      ["If nothing had grown back", `${say.percent(a.withoutRegrowth)} of the first crown`],
    ],
    sources: ["shrub-third", "record", "practice"],
  };
}

export function explainCutHeight(a: Advice, taxon: Taxon, wantedM: number, say: Voice): Explanation {
  return {
    formula: "The height you want, less one season's growth; never under the least stub that still breaks.",
    inputs: [
      ["Wanted", say.length(wantedM)],
      ["Growth a year", taxon.growthM.map((g) => say.length(g)).join(" · ")],
      ["Least stub", taxon.leastStubM === null ? "stay in the green" : say.length(taxon.leastStubM)],
      ["Can be held from", say.length(a.cutHeight?.holdableFromM ?? 0)],
    ],
    sources: taxon.sources,
  };
}

const edgeText = (r: EdgeRange | null, say: Voice): string =>
  r === null ? "a fixed day, or none" : `${say.date(r[0])} to ${say.date(r[1])}`;

export function explainMinutes(a: Advice, plant: Plant): Explanation {
  const { minutes } = a;
  return {
    formula:
      minutes.from === "log"
        ? "The middle of what you logged for this task at this plant, with what it varied by."
        : minutes.from === "pace"
          ? "Height times width, times minutes for a square metre of this task, and a few for setting up; times your pace: what you logged elsewhere beside what was expected there, weighed against a usual hand. Jobs differ by a fifth, and so do days."
          : "Height times width, times minutes for a square metre of this task, and a few for setting up and clearing away. Hands differ by half. Once you log minutes here, they count instead.",
    inputs: [
      ["Task", TASK_TABLE[a.task].label],
      ["Width", `${plant.widthM} m`],
      ["Least, usual, most", [minutes.low, minutes.usual, minutes.high].map((m) => Math.round(m)).join(" · ")],
    ],
    sources: [minutes.from === "size" ? "assumption" : "record"],
  };
}

export function explainWind(a: Advice, plant: Plant, model: GardenModel, say: Voice): Explanation {
  const bed = model.garden.beds.find((b) => b.id === plant.bedId);
  return {
    formula:
      "How far it stands above a metre, times the wind of its bed, times how its habit catches and holds; a fifth more in its first three years. A grade from 0 to 1 for comparing, not a chance.",
    inputs: [
      ["Height", say.length(heightOf(model, plant, a.on).heightM)],
      ["Wind in its bed", bed?.wind ?? "nobody has looked"],
      ["Habit", model.taxonOf(plant).habit],
      ["Grade", a.windRisk.toFixed(1)],
    ],
    sources: ["assumption"],
  };
}

export function explainWindow(a: Advice, taxon: Taxon, say: Voice): Explanation {
  return {
    formula:
      "The run of days on which this task costs no more than a tenth of a display, wakes no growth into frost and leaves no bare stub. The edges move with the season.",
    inputs: [
      ["Opens", a.window?.opens ? say.date(a.window.opens) : "it has long been open"],
      ["Closes", a.window?.closes ? say.date(a.window.closes) : "no end within a year"],
      [
        "Best",
        a.best
          ? `${say.date(a.best.opens)} to ${a.best.closes ? say.date(a.best.closes) : "any day"}`
          : "no day is free of cost",
      ],
      ["Opens, in eight years of ten", edgeText(a.window?.opensRange ?? null, say)],
      ["Closes, in eight years of ten", edgeText(a.window?.closesRange ?? null, say)],
      ["This year", `${Math.round(Math.abs(a.pace.days))} days ${a.pace.days < 0 ? "behind" : "ahead"}`],
    ],
    sources: [...taxon.sources, "place", "spring-index"],
  };
}
