/** Why a verdict stands: codes and values here, texts in words/. Score and reason come from the same call. */
import type { SourceId } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { Danger, Verdict } from "../model/index.ts";

/** What goes with the leaves when a plant is cut in full leaf. */
export type LeafyCut = "flush" | "all" | "old-stems" | "after-bloom";

/** One code per thing that can be said; the value names each text may use. */
export interface ReasonValues {
  "power-line": { distanceM: number; limitM: number };
  "leaning-trunk": { split: boolean };
  "thick-stem": { diameterMm: number; limitMm: number };
  danger: { danger: Danger };
  "danger-first": { danger: Danger };
  "law-first": { danger: Danger };
  "bird-nest": { expected: string; flown: boolean };
  "out-of-reach": { heightM: number; limitM: number };
  "high-over": { danger: Danger; heightM: number };
  "from-a-step": { heightM: number; limitM: number };
  topping: { taxon: string; conifer: boolean };
  "head-not-felled": object;
  "below-graft": object;
  "lifted-lately": { on: string; until: string };
  "dead-not-told": { expected: string | null };
  "dead-maybe": object;
  "dead-tops-off": object;
  "loss-accepted": { display: string; loss: number; goal: string };
  bleeds: { until: string };
  "silver-leaf": { until: string };
  "fire-blight": object;
  "large-leaved": { taxon: string };
  "natural-shape": { taxon: string };
  "old-wood-stays-bare": { taxon: string };
  "bare-wood-stays-bare": { taxon: string };
  "needles-cut-brown": { taxon: string };
  "stem-by-stem": { taxon: string };
  "grass-all-or-nothing": { taxon: string };
  "no-such-regime": { taxon: string; task: string };
  "no-candles": { taxon: string };
  "no-skirt": { taxon: string };
  "no-suckers": { taxon: string };
  "too-low-for-wind": { taxon: string };
  "first-season": { until: string };
  "second-season": { cap: number };
  stressed: object;
  frosted: object;
  dieback: object;
  drought: object;
  "drought-half": { cap: number };
  unchecked: object;
  "past-maturity-hard": object;
  "past-maturity": { cap: number };
  "not-established": object;
  "after-cutback": { on: string; until: string };
  "after-renewal": { on: string; until: string };
  "renewal-after-cuts": { until: string };
  "cap-reached": { taken: number; cap: number; freesUpOn: string };
  "more-than-cap": { share: number; cap: number };
  "cap-over": { over: number; freesUpOn: string };
  "cap-left": { left: number; cap: number };
  "cap-scarce": { left: number; usual: number; freesUpOn: string };
  "growth-shows": { expected: string; spreadDays: number };
  "look-first": { what: string; expected: string; spreadDays: number };
  "growth-overdue": { expected: string; latest: string };
  "growth-never": { expected: string };
  "after-midwinter": { until: string };
  "builds-base": object;
  "berries-kept": { until: string };
  "foot-first": object;
  "trimmed-enough": { times: number; on: string };
  "wind-calm": { risk: number };
  "wind-leaving": { risk: number };
  heat: { tmaxC: number; limitC: number; simulated: boolean };
  "hot-season": { odds: number; limitC: number };
  "hot-weeks": { odds: number; limitC: number };
  "frost-tonight": { tminC: number; simulated: boolean };
  "rain-disease": { rainMm: number; simulated: boolean };
  "dry-spell": { days: number; rainMm: number; simulated: boolean };
  "just-before-bloom": { display: string; opens: string };
  wildlife: { use: string };
  "year-runs": { days: number };
  "spring-frost": { risk: number };
  "growth-in-frost": { risk: number };
  "bared-frame": { risk: number };
  "heads-shelter": { risk: number; until: string };
  scorch: { risk: number };
  "until-asleep": { risk: number };
  "late-growth": { risk: number };
  "shoots-hard": object;
  "shoots-not-out": object;
  "before-flush": { hardens: string; toCome: number };
  "costs-display": { display: string; loss: number; opens: string };
  "costs-open-display": { display: string; loss: number };
  "costs-next-display": { display: string; loss: number };
  "delays-display": { display: string; days: number };
  "small-loss": { display: string; loss: number };
  "in-full-leaf": { cut: LeafyCut };
  "stands-open": { answers: PlainDate };
  "goal-leave": object;
  "well-formed": { on: string; stems: number };
  "goal-met": { heightM: number; endM: number; wantedM: number };
  "nothing-spent": object;
  "not-deadheaded": { fruit: string | null };
  "spent-flowers": object;
  "dead-any-day": object;
  "buds-not-begun": { display: string };
  "buds-on-spurs": { display: string };
  "few-buds": { display: string };
  "buds-were-killed": { display: string };
  "before-growth": { display: string };
  "growth-just-out": { display: string };
  "after-bloom": { display: string };
  "flush-hardened": object;
  "flush-to-come": { allYear: boolean };
  "shoots-soft": object;
  "no-harm": object;
  "not-hardy": { zone: string; coldestZone: string };
  "placed-late": { display: string };
  "too-cool-for": { display: string };
  "never-asleep": { quietFrom: string };
  "cut-back-to": { where: string };
  "tie-first": { support: string };
  "not-certain": { candidates: string; share: number; strictest: string };
  "goal-not-for-kind": { taxon: string; goal: string };
  "cannot-hold": { taxon: string; wantedM: number; holdableFromM: number; growthM: number };
  outgrows: { taxon: string; wantedM: number; matureM: number; growthM: number };
  "never-so-tall": { taxon: string; wantedM: number; matureM: number };
  "two-trims": { wantedM: number; growthM: number };
  "let-go-touches": { what: string; growthM: number };
  "would-expose": { heightM: number; leastM: number; viewpoint: string };
  "would-block": { heightM: number; mostM: number; viewpoint: string };
  "views-disagree": { leastM: number; mostM: number };
}
export type ReasonCode = keyof ReasonValues;

/** Something that is said of an answer, as a code with its values. */
export interface Reason<C extends ReasonCode = ReasonCode> {
  readonly code: C;
  readonly values: ReasonValues[C];
  readonly source: SourceId;
  /** The verdict this reason argues for; null when it is only worth knowing. */
  readonly verdict: Verdict | null;
}

/** What ends a wait: a day, something to be seen, or nothing that is known. */
export type Opening =
  | { readonly by: "day"; readonly on: PlainDate }
  | {
      readonly by: "seen";
      readonly what: "growth" | "survey" | "fledged" | "berries-gone" | "bloom-over" | "flush-hard" | "candles";
      /** When it is expected; null when nobody can say. */
      readonly expected: PlainDate | null;
      readonly latest: PlainDate | null;
    };

/** A reason with what it blocks and until when. */
export interface Finding {
  readonly reason: Reason;
  readonly verdict: Verdict;
  readonly opening: Opening | null;
}

export const reason = <C extends ReasonCode>(
  code: C,
  values: ReasonValues[C],
  source: SourceId,
  verdict: Verdict | null = null,
): Reason<C> => ({ code, values, source, verdict });

export const finding = <C extends ReasonCode>(
  verdict: Verdict,
  code: C,
  values: ReasonValues[C],
  source: SourceId,
  opening: Opening | null = null,
): Finding => ({ verdict, reason: reason(code, values, source, verdict), opening });

/** A matter that says nothing of a question. */
export const NOTHING: readonly Finding[] = [];
