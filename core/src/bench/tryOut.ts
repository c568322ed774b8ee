/** A try: the cuts on the drawing, asked of the plant on a day. */
import { adviseOn, mayPlan, type Advice, type BloomLoss } from "../advice/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { Plant, Stem, StemCut, Task } from "../model/index.ts";
import type { Share } from "../units/index.ts";
import { buildOf } from "../stems/index.ts";
import { amountsOf, type Amounts } from "./amounts.ts";
import { isRefusal, remarksOn, type Remark } from "./remarks.ts";

/** Stems a renewal takes in one year, of those alive (work of three years). // => renewalThird(14) is 4 */
export const renewalThird = (live: number): number => Math.floor(live / 3 + 1e-9);

/** What a set of cuts would do, cost and leave. */
export interface TryResult extends Amounts {
  readonly task: Task;
  readonly cuts: readonly StemCut[];
  readonly advice: Advice;
  /** Twelve months with this try, and the cap; null in a cutback. */
  readonly takenAfter: number;
  readonly cap: Share | null;
  /** How far over the cap. */
  readonly over: number;
  /** A renewal goes by stems: how many may go this year; null in other accounts. */
  readonly stemsMayGo: number | null;
  /** Which limit the stems that go at the base meet first; null where none go, or where their kind is cut down without one. */
  readonly binds: "area" | "count" | null;
  readonly flowers: readonly BloomLoss[];
  readonly remarks: readonly Remark[];
  /** It may be planned as it is: nothing refused, nothing over. */
  readonly accepted: boolean;
}

export interface TryQuestion {
  readonly plant: Plant;
  readonly stems: readonly Stem[];
  readonly task: Task;
  readonly cuts: readonly StemCut[];
}

/** Works a try out: shares by every measure, the account, flowers, what stands against it. */
export function tryOut(model: GardenModel, { plant, stems, task, cuts }: TryQuestion, on: PlainDate): TryResult {
  const taxon = model.taxonOf(plant);
  const build = buildOf(taxon, plant.form);
  const amounts = amountsOf(stems, cuts, build);
  // Where nothing live is cut yet, the answer is that for the task.
  const advice = adviseOn(model, plant.id, on, task, amounts.reach === 0 ? null : amounts);
  const remarks = remarksOn(
    amounts.effects,
    cuts,
    { plant, taxon, build, task, standing: advice.standing },
    heightOf(model, plant, on).heightM,
  );
  const renewal = advice.regime === "renewal";
  const stemsMayGo = renewal ? renewalThird(amounts.live) : null;
  const takenAfter = advice.takenLast12Months + amounts.share;
  // A renewal's account is its stems: the area that goes is shown beside it and may be more than a third.
  const cap = renewal ? null : advice.cap;
  const over = cap === null ? 0 : Math.max(0, takenAfter - cap - 1e-9);
  const tooMany = stemsMayGo !== null && amounts.removed > stemsMayGo;
  const limitByCount = stemsMayGo ?? renewalThird(amounts.live);
  const areaFirst =
    advice.cap !== null && amounts.removedShare / advice.cap > amounts.removed / Math.max(1, limitByCount);
  return {
    ...amounts,
    task,
    cuts,
    advice,
    takenAfter,
    cap,
    over,
    stemsMayGo,
    binds: amounts.removed === 0 || (advice.cap === null && !renewal) ? null : areaFirst ? "area" : "count",
    flowers: amounts.reach === 0 ? [] : advice.bloomLoss,
    remarks,
    accepted: over === 0 && !tooMany && !remarks.some(isRefusal) && (amounts.share === 0 || mayPlan(advice.verdict)),
  };
}
