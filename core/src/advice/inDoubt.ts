/**
 * Where the place is known too roughly for dates, what is seen leads: around the expected day of the stage that a cut
 * depends on, the answer is to look, not a date. The safer side is to wait until it was seen.
 */
import { daysBetween } from "../calendar/index.ts";
import { doubtAt, HALF_RANGE_SDS, inCycle, isFlowers, type DisplayYear, type Stage } from "../phenology/index.ts";
import type { Days } from "../units/index.ts";
import { wouldBeRedone } from "../price/index.ts";
import { isLive, stageDate, takesMany, type Question } from "./question.ts";
import { finding, type Finding, type Opening } from "./reasons.ts";

/** From so much doubt on, one standard deviation, a date of spring is worth less than a look: more than the years differ by. */
export const LARGE_DOUBT: Days = 9;

type Told = Extract<Opening, { by: "seen" }>["what"];

interface Sign {
  readonly what: Told;
  /** The stage that is to be looked for; null where the task does not depend on it. */
  readonly stage: (q: Question) => Stage | null;
}

const mainOld = (q: Question): DisplayYear | undefined =>
  q.kind.year.displays.find((d) => d.display.on === "old" && d.display.weight >= 0.5 && isFlowers(d.display.name));

const SIGNS: readonly Sign[] = [
  {
    what: "bloom-over",
    stage: (q) => {
      // What costs flowers on any day gains nothing by waiting for their end, nor what never takes many of them.
      const main = takesMany(q.task) && !q.kind.neverFree ? mainOld(q) : undefined;
      return main?.lostCycle === null ? main.ends : null;
    },
  },
  {
    what: "flush-hard",
    stage: (q) => (q.kind.year.sleeps && wouldBeRedone(q.taxon, q.task) ? q.kind.year.hardens : null),
  },
  { what: "candles", stage: (q) => (q.taxon.headOnlyWhileSoft && q.task === "candle" ? q.kind.year.wakes : null) },
];

/** A stage that was seen has no range left. */
const wasSeen = (s: Stage): boolean => s.earliest === s.latest;

/** What tells better than the forecast that a window may open near a day; null where the place is known well enough, or nothing does. */
export function signFor(q: Question, day: number, within: Days): Told | null {
  if (!isLive(q.task) || q.model.climate.doubt.spring < LARGE_DOUBT) return null;
  const u = inCycle(q.kind.year, day);
  for (const { what, stage } of SIGNS) {
    const s = stage(q);
    if (s && !wasSeen(s) && Math.abs(u - s.day) <= within) return what;
  }
  return null;
}

/** Was it looked for in the weeks before, and not found yet? */
const sawNotYet = (q: Question): boolean =>
  q.model
    .observationsOf(q.plant.id)
    .some((o) => o.kind === "not-yet" && o.on <= q.on && daysBetween(o.on, q.on) < NOT_YET_HOLDS);
const NOT_YET_HOLDS: Days = 30;

/** Around the day a stage is expected, where the place leaves that open: wait and look. */
export function inDoubtFindings(q: Question): readonly Finding[] {
  const { climate } = q.model;
  // On the latest day itself it is taken to be past.
  const what = signFor(q, q.day, HALF_RANGE_SDS * doubtAt(climate, q.day) - 1);
  if (what === null) return [];
  const s = SIGNS.find((x) => x.what === what)!.stage(q)!;
  const half = Math.round(HALF_RANGE_SDS * climate.doubt.spring);
  const expected = stageDate(q, s.day);
  const latest = stageDate(q, s.day + half);
  const opening: Opening = { by: "seen", what, expected, latest };
  // Past half of the range it is over in most years, if nobody saw otherwise: worth a look still, and no waiting.
  const over = what !== "candles" && inCycle(q.kind.year, q.day) > s.day + half / 2 && !sawNotYet(q);
  return [
    finding(over ? "fine" : "wait", "look-first", { what, expected, spreadDays: half }, "place", over ? null : opening),
  ];
}
