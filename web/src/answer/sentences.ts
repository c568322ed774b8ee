/** One sentence for a row, one line for its price. */
import {
  daysBetween,
  reasonText,
  TASK_TABLE,
  VERDICT_TABLE,
  type Advice,
  type BloomLoss,
  type Voice,
} from "@wren/core";

/** The display that is hit hardest, weighted; null when nothing is lost. */
export function worstLossOf(a: Advice): BloomLoss | null {
  const hit = a.bloomLoss.filter((b) => b.loss * b.weight > 0.005 || b.delayDays >= 3);
  return hit.length === 0 ? null : hit.reduce((x, y) => (y.loss * y.weight > x.loss * x.weight ? y : x));
}

export const sentenceOf = (a: Advice, say: Voice): string => {
  const why = reasonText(a.reason, say);
  return VERDICT_TABLE[a.verdict].go ? `${TASK_TABLE[a.task].label}. ${why}` : why;
};

export function flowersText(a: Advice, say: Voice): string {
  const b = worstLossOf(a);
  if (!b) return "no flowers lost";
  const late = b.delayDays >= 3 ? `, ${say.days(b.delayDays)} later` : "";
  return `${say.percent(b.loss)} of the ${b.display}${late}`;
}

export function growthText(a: Advice, say: Voice): string {
  if (a.cap === null) return "no cap counts";
  if (a.cap === 0) return "none may go now";
  return a.over > 0 ? `over by ${say.percent(a.over)}` : `${say.percent(a.left ?? 0)} may still go`;
}

const BEST_LATER_DAYS = 30;

const UNTIL = {
  growth: "until growth is seen",
  survey: "until you have checked it",
  fledged: "until the young have flown",
  "berries-gone": "until the berries are gone",
  "bloom-over": "until its bloom is over",
  "flush-hard": "until its shoots are hard",
  candles: "until its candles are out",
} as const;

/** When it may be done: days left, or the day it opens. */
export function whenText(a: Advice, say: Voice): string {
  const w = a.window;
  if (VERDICT_TABLE[a.verdict].go) {
    if (!w?.closes) return "any day";
    if (a.verdict === "fine" && a.best && a.best.opens > a.on) return `best from ${say.date(a.best.opens)}`;
    return w.daysLeft === 0 ? "last day" : `${say.days(w.daysLeft ?? 0)} left`;
  }
  if (a.opening?.by === "seen") return UNTIL[a.opening.what];
  if (!w) return "";
  // Where dates are worth little, what is to be seen comes first.
  if (a.sign && w.opens) return `${UNTIL[a.sign]}, about ${say.date(w.opens)}`;
  // A window that opens long before its best days is better named by these.
  if (a.best && w.opens && daysBetween(w.opens, a.best.opens) > BEST_LATER_DAYS)
    return `best from ${say.date(a.best.opens)}`;
  return w.costs ? `least cost from ${say.date(w.opens ?? a.on)}` : `opens ${say.date(w.opens ?? a.on)}`;
}
