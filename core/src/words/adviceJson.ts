/** The answer as plain data, the same for the command line's JSON and anything else outside. */
import { SOURCES } from "../catalogue/index.ts";
import type { Advice, PlanAnswer, Reason } from "../advice/index.ts";
import { remarkText } from "./benchTexts.ts";
import type { TryResult } from "../bench/index.ts";
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

/** One cut's answer: of a share or a height, or of the cuts that are tried on a plant's stems. */
export interface CutJson {
  readonly share: number;
  readonly takenAfter: number;
  readonly cap: number | null;
  readonly over: number;
  readonly accepted: boolean;
  readonly verdict: string;
  readonly reasons: readonly ReasonJson[];
  /** What stands against single cuts; none without stems. */
  readonly remarks: readonly string[];
  readonly bloomLoss: readonly { readonly display: string; readonly loss: number }[];
}

const lossJson = (all: Advice["bloomLoss"]) => all.map((b) => ({ display: b.display, loss: short(b.loss) }));

/** A cut of a share or a height. */
export const planJson = (p: PlanAnswer, say: Voice): CutJson => ({
  share: short(p.liveShare),
  takenAfter: short(p.takenAfter),
  cap: p.cap === null ? null : short(p.cap),
  over: p.cap === null ? 0 : short(Math.max(0, p.takenAfter - p.cap)),
  accepted: p.accepted,
  verdict: p.verdict,
  reasons: p.reasons.map((r) => reasonJson(r, say)),
  remarks: [],
  bloomLoss: lossJson(p.bloomLoss),
});

/** The cuts of a try at the bench. */
export const tryJson = (t: TryResult, say: Voice): CutJson => ({
  share: short(t.share),
  takenAfter: short(t.takenAfter),
  cap: t.cap === null ? null : short(t.cap),
  over: short(t.over),
  accepted: t.accepted,
  verdict: t.advice.verdict,
  reasons: t.advice.reasons.map((r) => reasonJson(r, say)),
  remarks: t.remarks.map((r) => remarkText(r, say)),
  bloomLoss: lossJson(t.flowers),
});
