/** What the work days say: jobs by name, why a half-day is closed, what would make a job fit, what was moved and why. */
import type { GardenModel } from "../garden/index.ts";
import type { Find, Half, Tool } from "../model/index.ts";
import { TASK_TABLE } from "../model/index.ts";
import type { Closed, DueKind, HalfDay, Job, JobCost, Kit, LoadKind, MovedJob, WouldFit } from "../workdays/index.ts";
import { CHAIN_TEXTS } from "./followUpTexts.ts";
import { PROGRAMME_TEXTS } from "./programmeTexts.ts";
import { reasonText } from "./reasonTexts.ts";
import type { Voice } from "./voice.ts";

/** Halves of a day by name. */
export const HALF_NAMES: Readonly<Record<Half, string>> = { morning: "morning", afternoon: "afternoon" };
/** Where a job comes from, in words. */
export const DUE_NAMES: Readonly<Record<DueKind, string>> = {
  planned: "planned by you",
  "next-step": "follows from an earlier cut",
  years: "begun for years",
  trim: "the hedge's trim",
  window: "its window is open",
  "look-for": "waits to be seen",
};
/** Tools by name. */
export const TOOL_NAMES: Readonly<Record<Tool, string>> = {
  secateurs: "Secateurs",
  loppers: "Loppers",
  "pruning-saw": "Pruning saw",
  "hedge-shears": "Hedge shears",
  trimmer: "Powered trimmer",
  steps: "Three-legged steps",
  strings: "Strings and posts",
};
/** How much disinfectant, and of what. */
export const disinfectText = ({ plants, litres }: NonNullable<Kit["disinfect"]>): string =>
  `${litres.toFixed(2)} l disinfectant for ${plants} suspect ${plants === 1 ? "plant" : "plants"}: 70 % alcohol, or 1 part bleach to 9 of water, made fresh; never mixed`;
/** Where cuttings go. */
export const LOAD_NAMES: Readonly<Record<LoadKind, string>> = {
  compost: "Compost; some left lying under the hedge for insects",
  chips: "Chips, or a stack of sticks in a corner",
  bin: "Bin: diseased, or it spreads",
  thorny: "Thorny: by itself, on a sheet",
};
/** What may be met at a plant. */
export const FIND_NAMES: Readonly<Record<Find, string>> = {
  "dead-stem": "A dead stem",
  nest: "A nest",
  disease: "Disease",
  "rooted-branch": "A rooted branch",
  stranger: "A stranger’s sucker",
  wire: "A wire",
  thicker: "Thicker than thought",
  "cut-already": "It was cut already",
};

/** What a job is, without its plant. */
export function jobText(job: Job): string {
  const { followUp, step } = job.due;
  if (job.due.kind === "look-for") return "Look at it";
  const look = job.task === null ? "Look if it is time: " : "";
  const title = (text: string): string => (look === "" ? text : `${look}${text.toLowerCase()}`);
  if (followUp) return title(CHAIN_TEXTS[followUp.chain].title);
  if (step) return title(PROGRAMME_TEXTS[step.way].title);
  if (job.due.kind === "trim") return "Trim";
  return job.task === null ? "Look at it" : TASK_TABLE[job.task].label;
}

/** Why a half-day is closed. */
export function closedText({ why, value, simulated }: Closed, say: Voice): string {
  const by = simulated ? " by the simulated station" : "";
  switch (why) {
    case "wet":
      return `${Math.round(value)} mm of rain${by}`;
    case "hot":
      return `${say.temperature(value)}${by}: too hot to work`;
    case "ice":
      return `It stays below freezing${by} (${say.temperature(value)})`;
    case "dark":
      return "No daylight is left";
  }
}

/** A half-day as it is spoken of. */
export const halfText = (h: Pick<HalfDay, "on" | "half">, say: Voice): string =>
  `${say.date(h.on)}, ${HALF_NAMES[h.half]}`;

/** What would make a job fit. */
export function wouldFitText(fits: WouldFit, say: Voice): string {
  switch (fits.by) {
    case "minutes":
      return fits.more <= 0
        ? fits.gain < 0.005
          ? `There is room on ${halfText(fits.half, say)}, but it would cost as much there as it does left undone.`
          : `There is room on ${halfText(fits.half, say)}, but other work would have to give way.`
        : `${Math.ceil(fits.more / 5) * 5} more minutes on ${halfText(fits.half, say)} would do.`;
    case "later":
      return `Its day comes about ${say.date(fits.on)}.`;
    case "day":
      return `None of your half-days lies in its days: about ${Math.ceil(fits.minutes / 5) * 5} minutes on ${say.date(fits.on)} would do.`;
    case "nothing":
      return fits.reason === null ? "No day of its days is open." : `It has to wait: ${reasonText(fits.reason, say)}`;
  }
}

/** What was moved and why. */
export function movedText(m: MovedJob, say: Voice): string {
  const where = m.to === null ? "is left out" : `moves to ${halfText(m.to, say)}`;
  const from = `From ${halfText(m.from, say)} it ${where}`;
  switch (m.why.by) {
    case "weather":
      return `${from}: ${closedText(m.why.closed, say)}.`;
    case "answer":
      return m.why.reason === null
        ? `${from}: that day is closed for it.`
        : `${from}: ${reasonText(m.why.reason, say)}`;
    case "price":
      return `${from}: it costs ${priceText(m.why.saves)} less there.`;
    case "no-time":
      return m.to === null ? `${from}: there is no time for it.` : `${from}: it makes room for other work there.`;
  }
}

/** A price in hundredths of a year's flowers. // => priceText(0.25) is "25" */
export const priceText = (harm: number): string =>
  harm < 0.005 ? "0" : harm < 0.095 ? (harm * 100).toFixed(1) : String(Math.round(harm * 100));

/** What a change does to the price. // => dearerText(0.12) is "costs 12 more" */
export const dearerText = (dearer: number): string =>
  Math.abs(dearer) < 0.005 ? "costs the same" : `costs ${priceText(Math.abs(dearer))} ${dearer > 0 ? "more" : "less"}`;

/** Parts of a price, in words. */
export const PART_NAMES: Readonly<Record<keyof JobCost["parts"] | "putOff" | "moved", string>> = {
  flowers: "Flowers lost or late",
  frost: "Frost on what it wakes or bares",
  regrowth: "Wood that may not break again",
  again: "To be done again",
  reserves: "A cut in full leaf",
  standsOpen: "Wounds that wait long for growth",
  heat: "Heat on what it bares",
  untold: "Dead not told from live",
  unavoidable: "What its best day costs too",
  outOfLine: "Out of line until then",
  putOff: "A day that weather may take",
  moved: "Kept for another half-day",
};

/** A job with its plant. // => "Red rose: Shape" */
export const namedJobText = (model: GardenModel, job: Job): string =>
  `${model.plant(job.plantId).label}: ${jobText(job)}`;
