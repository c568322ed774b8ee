/** The run of a half-day in the garden: its jobs in order, with their times, sun and breaks. */
import { seasonPoint } from "../calendar/index.ts";
import { toolsFor } from "../craft/index.ts";
import type { GardenModel } from "../garden/index.ts";
import { clampShare, type Celsius, type Minutes, type Share } from "../units/index.ts";
import type { HalfDay } from "./halfDays.ts";
import type { Job } from "./job.ts";
import { taskRank } from "./jobs.ts";
import { runOf, type RunProblem } from "./run.ts";
import { SunOfDay } from "./sun.ts";

/** What an order is judged by, in hours in the full sun of a hot day. Ours, from common practice. */
export const RUN_ASSUMPTIONS = {
  /** In cool weather sun is no burden, but shade still tells two jobs apart; it weighs in full from so warm on, °C. */
  leastSun: 0.1,
  mildC: 15,
  hotC: 30,
  /** Other tools, another bed, a metre along the bed. */
  otherTool: 0.05,
  otherBed: 0.1,
  perMetre: 0.005,
  /** A suspect plant before a sound one carries disease; what comes later at the same plant before what comes first. */
  suspectFirst: 5,
  wrongAtPlant: 3,
  /** From so warm on there is a break after every so many minutes. */
  breakC: 24,
  breakEvery: 50,
} as const;

/** A job of a half-day, with as many of its pieces as are done in it. */
export interface InHalf {
  readonly job: Job;
  readonly pieces: number;
  /** All hands together. */
  readonly minutes: Minutes;
}
/** A job in its place in the run. */
export interface RunStep extends InHalf {
  readonly fromMin: Minutes;
  readonly toMin: Minutes;
  /** Share of its time in the sun. */
  readonly sun: Share;
  /** The plant may carry disease: it comes last, and blades are wiped. */
  readonly suspect: boolean;
}
/** The run of a half-day. */
export interface DayRun {
  readonly steps: readonly RunStep[];
  /** Minutes of the day at which there is a break. */
  readonly breaks: readonly Minutes[];
  /** No order costs less than this share of what this one does; 1: it is the best. */
  readonly proven: Share;
}

/** Sun is looked up every so many minutes. */
const LOOK_EVERY: Minutes = 15;

/** May a plant carry disease? */
export const isSuspect = (model: GardenModel, plantId: string): boolean => {
  const p = model.plant(plantId);
  return p.health?.disease === true || p.condition === "dieback";
};

const warmthOf = (model: GardenModel, half: HalfDay): Celsius =>
  half.tmaxC ?? model.climate.tmaxC[seasonPoint(half.on, model.climate.hemisphere).seasonDay]!;

/** How many hands work, as one person's. */
const handsOf = (half: HalfDay): number => (half.minutes > 0 ? half.handsMinutes / half.minutes : 1);

/** The run of a half-day's jobs. */
export function dayRunOf(model: GardenModel, half: HalfDay, jobs: readonly InHalf[]): DayRun {
  const a = RUN_ASSUMPTIONS;
  const warm = warmthOf(model, half);
  const weight = a.leastSun + (1 - a.leastSun) * clampShare((warm - a.mildC) / (a.hotC - a.mildC));
  const day = new SunOfDay(model, half.on);
  const minutes = jobs.map((j) => j.minutes / handsOf(half));
  const met = new Map<string, Share>();
  const sunAt = (job: number, begins: Minutes): Share => {
    const key = `${job} ${Math.round(begins)}`;
    const known = met.get(key);
    if (known !== undefined) return known;
    const looks = Math.max(1, Math.ceil(minutes[job]! / LOOK_EVERY));
    let sun = 0;
    for (let i = 0; i < looks; i++)
      sun += day.at(jobs[job]!.job.plantId, half.startMin + begins + ((i + 0.5) * minutes[job]!) / looks);
    met.set(key, sun / looks);
    return sun / looks;
  };
  const plants = jobs.map((j) => model.plant(j.job.plantId));
  const tools = jobs.map(({ job }, i) =>
    job.task === null ? [] : toolsFor(plants[i]!, model.taxonOf(plants[i]!), job.task),
  );
  const suspect = jobs.map((j) => isSuspect(model, j.job.plantId));
  const problem: RunProblem = {
    minutes,
    sun: (job, begins) => (weight * sunAt(job, begins) * minutes[job]!) / 60,
    change: (from, to) => {
      if (from < 0) return 0;
      const other = tools[to]!.filter((t) => !tools[from]!.includes(t)).length * a.otherTool;
      const [p, q] = [plants[from]!, plants[to]!];
      return other + (p.bedId === q.bedId ? Math.abs(p.alongM - q.alongM) * a.perMetre : a.otherBed);
    },
    wrong: (first, second) =>
      (suspect[first] && !suspect[second] ? a.suspectFirst : 0) +
      (plants[first]!.id === plants[second]!.id && taskRank(jobs[first]!.job.task) > taskRank(jobs[second]!.job.task)
        ? a.wrongAtPlant
        : 0),
  };
  const run = runOf(problem);
  let begins = 0;
  const steps = run.order.map((i): RunStep => {
    const from = begins;
    begins += minutes[i]!;
    return {
      ...jobs[i]!,
      fromMin: half.startMin + from,
      toMin: half.startMin + begins,
      sun: sunAt(i, from),
      suspect: suspect[i]!,
    };
  });
  const count = warm >= a.breakC ? Math.floor(begins / a.breakEvery) : 0;
  return {
    steps,
    breaks: Array.from({ length: count }, (_, i) => half.startMin + (i + 1) * a.breakEvery),
    proven: run.cost > 0 ? run.bound / run.cost : 1,
  };
}
