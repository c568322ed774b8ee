/** The answer as plain data, the same for the command line's JSON and anything else outside. */
import { SOURCES } from "../catalogue/index.ts";
import type { Advice, Reason } from "../advice/index.ts";
import type { WorkMinutes } from "../jobsite/index.ts";
import { reasonText } from "./reasonTexts.ts";
import type { Voice } from "./voice.ts";

export interface ReasonJson {
  readonly code: string;
  readonly text: string;
  readonly source: string;
}

export const reasonJson = (r: Reason, say: Voice): ReasonJson => ({
  code: r.code,
  text: reasonText(r, say),
  source: SOURCES[r.source].citation,
});

/** Rounds what is computed, so that a file does not show digits nobody knows. */
const short = (x: number): number => Math.round(x * 1e4) / 1e4;

const minutesJson = (m: WorkMinutes): { low: number; usual: number; high: number; from: WorkMinutes["from"] } => ({
  low: Math.round(m.low),
  usual: Math.round(m.usual),
  high: Math.round(m.high),
  from: m.from,
});

/** One plant's answer; keys are part of the documented interface, add but do not rename. */
export function adviceJson(a: Advice, say: Voice) {
  return {
    plantId: a.plantId,
    taxonId: a.taxonId,
    on: a.on,
    task: a.task,
    regime: a.regime,
    verdict: a.verdict,
    reasons: a.reasons.map((r) => reasonJson(r, say)),
    window: a.window && {
      opens: a.window.opens,
      closes: a.window.closes,
      daysLeft: a.window.daysLeft,
      opensRange: a.window.opensRange,
      closesRange: a.window.closesRange,
      spreadDays: a.window.spreadDays,
      costsFlowers: a.window.costs,
    },
    best: a.best,
    opensWhen: a.opening,
    bloomLoss: a.bloomLoss.map((b) => ({
      display: b.display,
      opens: b.opens,
      loss: short(b.loss),
      delayDays: b.delayDays,
      weight: b.weight,
    })),
    lossRange: a.lossRange?.map(short) ?? null,
    frostRisk: a.frostRisk === null ? null : short(a.frostRisk),
    takenLast12Months: short(a.takenLast12Months),
    hazardLast12Months: short(a.hazardLast12Months),
    cap: a.cap === null ? null : short(a.cap),
    left: a.left === null ? null : short(a.left),
    over: short(a.over),
    freesUpOn: a.freesUpOn,
    todayInstead: a.todayInstead.map((x) => ({
      task: x.task,
      verdict: x.verdict,
      bloomLoss: short(x.bloomLoss),
      minutes: minutesJson(x.minutes),
    })),
    windRisk: short(a.windRisk),
    wildlifeCost: a.wildlifeCost.map((w) => ({ use: w.use, cost: short(w.cost) })),
    minutes: minutesJson(a.minutes),
    paceDays: Math.round(a.pace.days),
    cutHeight: a.cutHeight,
  };
}
/** The answer as plain data. */
export type AdviceJson = ReturnType<typeof adviceJson>;
