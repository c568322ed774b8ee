/** At the plant: the passes of the work with the cuts of each, what is taken so far, and what was found on the way. */
import { cutList, tryOut, type CutLine, type TryResult } from "../bench/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { passesOffered } from "../craft/index.ts";
import { adviseOn, type Advice } from "../advice/index.ts";
import { heightOf, newestStand, type GardenModel } from "../garden/index.ts";
import {
  BOUNDS,
  type Find,
  type Pass,
  type Plant,
  type Stand,
  type StemCut,
  type Task,
  type Visit,
  type Work,
} from "../model/index.ts";
import { regimeOf } from "../price/index.ts";
import { buildOf, stemsAsHigh, type Build } from "../stems/index.ts";
import { plantSeen } from "../survey/index.ts";
import type { Minutes, Share } from "../units/index.ts";

/** A pass with the cuts that were chosen for it; none where no list was made. */
export interface PassAt {
  readonly pass: Pass;
  readonly lines: readonly CutLine[];
}
/** What a task at a plant is worked by. */
export interface AtPlant {
  readonly plant: Plant;
  readonly task: Task;
  readonly build: Build;
  readonly passes: readonly PassAt[];
  /** The list of cuts and the stems that it is of; null: no list was made for this task. */
  readonly list: { readonly stand: Stand; readonly tryId: string; readonly lines: readonly CutLine[] } | null;
}

/** Tells one cut of a plant from another, on any device. // => cutKey({ cut: "remove", stemId: "s3" }) is "remove:s3" */
export const cutKey = (c: StemCut): string =>
  [
    c.cut,
    "stemId" in c ? c.stemId : "plant",
    ...("branch" in c ? [c.branch] : []),
    ...("shoot" in c ? [c.shoot] : []),
  ].join(":");

/** The list that was chosen at the bench for a task, on the stems as they stand. */
function listOf(model: GardenModel, plant: Plant, build: Build, task: Task, on: PlainDate): AtPlant["list"] {
  const kept = newestStand(model.garden, plant.id);
  const tries = (kept?.tries ?? []).filter((t) => t.task === task && t.cuts.length > 0);
  const chosen = tries.find((t) => t.id === kept?.chosen) ?? tries[0];
  if (!kept || !chosen) return null;
  const stems = stemsAsHigh(kept.stems, build, heightOf(model, plant, on).heightM);
  const stand: Stand = { ...kept, stems: [...stems] };
  return { stand, tryId: chosen.id, lines: cutList(stems, chosen.cuts, model.taxonOf(plant), task, plant, build) };
}

/** What a task at a plant is worked by on a day. Every pass of the task is there, and every pass that the list has cuts for. */
export function atPlant(model: GardenModel, plant: Plant, task: Task, on: PlainDate): AtPlant {
  const taxon = model.taxonOf(plant);
  const build = buildOf(taxon, plant.form);
  const list = listOf(model, plant, build, task, on);
  const { standing } = adviseOn(model, plant.id, on, task);
  const offered = passesOffered(taxon, task, plant, standing);
  const more = (list?.lines ?? []).map((l) => l.pass).filter((p) => !offered.includes(p));
  const passes = [...offered, ...new Set(more)];
  return {
    plant,
    task,
    build,
    list,
    passes: passes.map((pass) => ({ pass, lines: (list?.lines ?? []).filter((l) => l.pass === pass) })),
  };
}

/** How far work at a plant is. */
export interface SoFar {
  /** Live growth taken: by the cuts that are ticked, else as it was said by eye; null: not said. */
  readonly share: Share | null;
  /** By the cuts that are ticked. */
  readonly result: TryResult | null;
  readonly advice: Advice;
  readonly deadStems: number;
}
/** The cuts of a list that are ticked. */
export const tickedCuts = (at: AtPlant, work: Pick<Work, "cuts">): readonly StemCut[] =>
  (at.list?.lines ?? []).flatMap((l) => l.cuts).filter((c) => work.cuts.includes(cutKey(c)));

/** What work at a plant comes to so far. */
export function soFar(model: GardenModel, at: AtPlant, work: Work, on: PlainDate): SoFar {
  const { plant, task, list } = at;
  const cuts = tickedCuts(at, work);
  const result = list && tryOut(model, { plant, stems: list.stand.stems, task, cuts }, on);
  const dead = cuts.filter((c) => "stemId" in c && list?.stand.stems.find((s) => s.id === c.stemId)?.state === "dead");
  return {
    share: result ? result.share : work.share,
    result,
    advice: adviseOn(model, plant.id, on, task),
    deadStems: dead.length + work.found.filter((f) => f === "dead-stem").length,
  };
}

/** Minutes of work so far. @param nowMs what the clock tells */
export const minutesSoFar = (work: Pick<Work, "minutes" | "since">, nowMs: number): Minutes =>
  work.minutes + (work.since === null ? 0 : Math.max(0, nowMs - work.since) / 60_000);

/** What a find does to the work and to the plant's record. */
export interface FindRow {
  /** Said on the spot; common practice. */
  readonly advice: string;
  /** The work stops there. */
  readonly stops: boolean;
}
/** What is done about what is found, one row each. */
export const FIND_ROWS: Readonly<Record<Find, FindRow>> = {
  "dead-stem": {
    advice: "Take it out first, at the base or at live wood. It does not count.",
    stops: false,
  },
  nest: {
    advice:
      "Stop here and leave quietly: birds until they have fledged, stinging insects to a professional. Disturbing a nest may be an offence: local law decides.",
    stops: true,
  },
  disease: {
    advice:
      "Cut well below what you see, into clean wood. Wipe the blades with 70 % alcohol before every cut; the cuttings go to the bin. Sound plants come first: leave the rest of this one for the end.",
    stops: false,
  },
  "rooted-branch": {
    advice: "Sever it from its parent and let it stand for a season: then it can be lifted as a plant of its own.",
    stops: false,
  },
  stranger: {
    advice: "Trace it to where it comes from and take it off there; look again in five to eight weeks.",
    stops: false,
  },
  wire: {
    advice:
      "Stop. Within 3 m of a wire nobody works but its owner or a licensed arborist: call them. Local codes come first.",
    stops: true,
  },
  thicker: {
    advice:
      "Say how thick it is: from 10 cm on it is a licensed arborist’s, and a stem your saw does not take is left for another day.",
    stops: false,
  },
  "cut-already": {
    advice: "Then there is nothing to do: end it without a cut, and its plan is let go.",
    stops: false,
  },
};

/** A plant with what was found at it: the answer changes with it. */
export function withFind(plant: Plant, find: Find, on: PlainDate): Plant {
  switch (find) {
    case "nest":
      return plantSeen(plant, { kind: "nest-seen", on });
    case "wire":
      return plant.touches.some((t) => t.what === "wire")
        ? plant
        : { ...plant, touches: [...plant.touches, { what: "wire", distanceM: 0 }] };
    case "disease":
      return plantSeen(plant, { kind: "disease-seen", on });
    default:
      return plant;
  }
}

/** A clock that ran for longer was forgotten, one of less than a minute told nothing: the minutes are not known. */
const LONGEST: Minutes = BOUNDS.halfMinutes.to;

/** What work at a plant is written down as: what was truly cut, nothing that was only meant. */
export function visitOfWork(model: GardenModel, at: AtPlant, work: Work, state: SoFar, minutes: Minutes): Visit {
  const taken = state.share ?? 0;
  return {
    id: work.id,
    plantId: work.plantId,
    on: work.on,
    task: work.task,
    regime: regimeOf(model.taxonOf(at.plant), work.task),
    cuts: taken > 0 ? [{ by: "share", share: taken }] : [],
    hazardShare: 0,
    deadStemsCount: state.deadStems,
    minutes: minutes < 1 || minutes > LONGEST ? null : Math.round(minutes),
    note: work.note,
    trialUntil: null,
    begun: [
      ...(work.found.includes("stranger") ? (["stranger-cut"] as const) : []),
      ...(work.found.includes("rooted-branch") ? (["layers-severed"] as const) : []),
    ],
    by: "",
    sure: false,
    planned: null,
  };
}
