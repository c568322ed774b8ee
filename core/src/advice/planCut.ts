/** The price of one cut, and whether it would be planned. Planning may refuse; recording never does. */
import { fitsOn, together } from "../amount/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { VERDICT_TABLE, type Regime, type Task, type Verdict } from "../model/index.ts";
import type { Share } from "../units/index.ts";
import { extentOf, type CutExtent } from "../price/index.ts";
import { likelyTaxa, type GardenModel } from "../garden/index.ts";
import { adviseOn, type Advice, type BloomLoss } from "./advise.ts";
import { ask, type Question } from "./question.ts";
import { reason, type Reason } from "./reasons.ts";

export interface CutProposal {
  readonly task: Task;
  /** Live growth it would take. */
  readonly share: Share;
  /** How far it goes, where its cuts are known; else as the task usually goes for such a share. */
  readonly extent?: CutExtent;
}
const extentOfCut = (cut: CutProposal): CutExtent => cut.extent ?? extentOf(cut.task, cut.share);

/** What a cut of this size costs on this day; every number with its reason in `reasons`. */
export interface PriceOfCut {
  readonly regime: Regime;
  readonly liveShare: Share;
  /** Sum of twelve months with this cut, and the cap it counts against (null in a cutback). */
  readonly takenAfter: number;
  readonly cap: Share | null;
  readonly bloomLoss: readonly BloomLoss[];
  readonly frostRisk: Share | null;
  readonly regrowthRisk: Share;
  /** Healthy growth left on the plant if nothing grew back in the twelve months. */
  readonly leftOnPlant: Share;
  readonly reasons: readonly Reason[];
}

export interface PlanAnswer extends PriceOfCut {
  readonly accepted: boolean;
  readonly verdict: Verdict;
  /** First day on which it fits under the cap; null when it fits today, never, or has no cap. */
  readonly fitsOn: PlainDate | null;
  readonly advice: Advice;
}

const priceFrom = (q: Question, advice: Advice, cut: CutProposal): PriceOfCut => ({
  regime: advice.regime,
  liveShare: cut.share,
  takenAfter: q.balance.taken + cut.share,
  cap: advice.cap,
  bloomLoss: advice.bloomLoss,
  frostRisk: advice.frostRisk,
  regrowthRisk: advice.regrowthRisk,
  leftOnPlant: 1 - together([q.balance.withoutRegrowth, cut.share]),
  reasons: advice.reasons,
});

/** The question behind an answer, asked of the kind the answer was given for. */
const questionOf = (model: GardenModel, { plantId, on, taxonId }: Advice, cut: CutProposal): Question =>
  ask(
    model,
    model.plant(plantId),
    on,
    cut.task,
    extentOfCut(cut),
    likelyTaxa(model, model.plant(plantId)).find((t) => t.id === taxonId),
  );

/** Prices a cut by how far it goes. */
export function priceOfCut(model: GardenModel, plantId: string, on: PlainDate, cut: CutProposal): PriceOfCut {
  const advice = adviseOn(model, plantId, on, cut.task, extentOfCut(cut));
  return priceFrom(questionOf(model, advice, cut), advice, cut);
}

/** Flowers may be given up knowingly, and a met goal overdone; the other refusals stand. */
export const mayPlan = (v: Verdict): boolean => VERDICT_TABLE[v].go || v === "costs-flowers" || v === "no-need";

/** Would this cut be planned on this day? A refusal names the day on which it fits, if there is one. */
export function planCut(model: GardenModel, plantId: string, on: PlainDate, cut: CutProposal): PlanAnswer {
  const advice = adviseOn(model, plantId, on, cut.task, extentOfCut(cut));
  const q = questionOf(model, advice, cut);
  const price = priceFrom(q, advice, cut);
  const { cap, taken } = q.balance;
  const counted = advice.cap !== null && cut.share > 0;
  const fits = counted ? fitsOn(q.entries, on, cap, cut.share) : on;
  const overCap = fits !== on;
  const capReason =
    fits === null
      ? reason("more-than-cap", { share: cut.share, cap }, "shrub-third", "wait")
      : reason("cap-reached", { taken, cap, freesUpOn: fits }, "shrub-third", "wait");
  const open = mayPlan(advice.verdict);
  return {
    ...price,
    accepted: open && !overCap,
    verdict: open && overCap ? "wait" : advice.verdict,
    reasons: open && overCap ? [capReason, ...price.reasons] : price.reasons,
    fitsOn: overCap ? fits : null,
    advice,
  };
}
