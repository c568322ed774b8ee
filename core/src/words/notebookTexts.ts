/** What the record taught, in sentences; one text per lesson, a missing one does not compile. */
import { TASK_TABLE } from "../model/index.ts";
import {
  COMPARED,
  LESSON_UNITS,
  type Compared,
  type ComparedWhat,
  type Eighty,
  type Lesson,
  type LessonAbout,
  type NumberLesson,
  type Moves,
  type StrangeRecord,
  type WoodOdds,
} from "../notebook/index.ts";
import type { Voice } from "./voice.ts";

/** What a lesson is about, as a heading. */
export const LESSON_LABELS: Readonly<Record<Lesson["about"], string>> = {
  growth: "Growth a year",
  "growth-place": "What your ground does to growth",
  dates: "Its dates",
  "dates-place": "Your garden’s dates",
  hardens: "When its new shoots are hard",
  dormant: "When its leaves have fallen",
  hands: "Your pace",
  job: "Minutes",
  shoots: "Shoots at each cut",
  depth: "How far in its green reaches",
  wood: "Which wood it flowers on",
};

/** Nearer to the usual than this is the usual. */
const AS_USUAL = 0.05;
const one = (x: number): string => (Math.round(x * 10) / 10).toString();
const span = (a: string, b: string): string => (a === b ? a : `${a} to ${b}`);

/** A number of a lesson in its unit. */
export const LESSON_NUMBER: Readonly<Record<LessonAbout, (x: number, say: Voice) => string>> = {
  growth: (x, say) => say.length(x),
  "growth-place": (x) => `${one(x)} times`,
  dates: (x, say) => say.days(Math.round(x)),
  "dates-place": (x, say) => say.days(Math.round(x)),
  hardens: (x, say) => say.days(Math.round(x)),
  dormant: (x, say) => say.days(Math.round(x)),
  hands: (x) => `${one(x)} times`,
  job: (x) => `${Math.round(x)} min`,
  shoots: (x) => one(x),
  depth: (x, say) => say.length(x),
};

const daysText =
  (early: string, late: string) =>
  (x: number, say: Voice): string => {
    const n = Math.round(x);
    return n === 0 ? "on the day" : `${say.days(Math.abs(n))} ${n > 0 ? early : late}`;
  };
const DAYS: Readonly<Partial<Record<LessonAbout, (x: number, say: Voice) => string>>> = {
  dates: daysText("earlier", "later"),
  "dates-place": daysText("earlier", "later"),
  hardens: daysText("later", "earlier"),
  dormant: daysText("later", "earlier"),
};

/** Low to high of eight in ten, in words. */
export function rangeText(about: LessonAbout, [low, , high]: Eighty, say: Voice): string {
  if (LESSON_UNITS[about] === "times") return `${span(one(low), one(high))} times`;
  const text = DAYS[about] ?? LESSON_NUMBER[about];
  return span(text(low, say), text(high, say));
}
/** The middle of a lesson, in words. */
export const usualText = (about: LessonAbout, [, usual]: Eighty, say: Voice): string =>
  (DAYS[about] ?? LESSON_NUMBER[about])(usual, say);

const SENTENCES: Readonly<Record<LessonAbout, (usual: string, l: NumberLesson) => string>> = {
  growth: (u) => `It adds ${u} in a year.`,
  "growth-place": (u, l) =>
    Math.abs(l.mine[1] - 1) < AS_USUAL
      ? "Plants here grow as the catalogue says."
      : `Plants here grow ${u} what the catalogue says.`,
  dates: (u) => `It comes ${u} than its kind does here.`,
  "dates-place": (u) => `The season comes ${u} here than the place would say.`,
  hardens: (u) => `Its shoots are hard ${u} than its kind’s.`,
  dormant: (u) => `Its leaves fall ${u} than its kind’s.`,
  hands: (u, l) =>
    `${l.by === "" || l.by === null ? "You take" : `${l.by} takes`} ${Math.abs(l.mine[1] - 1) < AS_USUAL ? "" : `${u} `}the usual time.`,
  job: (u, l) => `${l.task === null ? "It" : TASK_TABLE[l.task].label} takes ${u} here.`,
  shoots: (u) => `${u} shoots come at a cut.`,
  depth: (u) => `Its green reaches ${u} in.`,
};
const exact = (text: string): string =>
  text.replace("comes on the day than", "comes on the very day").replace("on the day than", "on the very day like");

/** A lesson in one sentence. */
export function lessonText(l: Lesson, say: Voice): string {
  if (l.about === "wood") return woodText(l, say);
  return exact(SENTENCES[l.about](usualText(l.about, l.mine, say), l));
}
const WOOD_WORDS = { old: "last year’s wood", new: "shoots of the year", both: "both" } as const;
function woodText(l: WoodOdds, say: Voice): string {
  const [best] = (["old", "new", "both"] as const).toSorted((a, b) => l.mine[b] - l.mine[a]);
  return `It flowers on ${WOOD_WORDS[best!]}, ${say.percent(l.mine[best!])} likely.`;
}
/** Chances of each wood, in words. */
export const woodOddsText = (odds: WoodOdds["mine"], say: Voice): string =>
  (["old", "new", "both"] as const)
    .filter((w) => odds[w] > 0.005)
    .map((w) => `${WOOD_WORDS[w]} ${say.percent(odds[w])}`)
    .join(", ");

/** A record that does not go with the others, asked about. */
export const strangeText = (s: StrangeRecord, say: Voice): string => {
  const n = LESSON_NUMBER[s.about];
  const [low, high] = s.expected;
  if (s.about === "dates")
    return `${DAYS.dates!(s.read, say)} than expected; ${span(DAYS.dates!(low, say), DAYS.dates!(high, say))} would go with the rest. Is the day right?`;
  return `${n(s.read, say)}, where ${span(n(low, say), n(high, say))} would go with the rest. Is it right?`;
};

/** What was held against what was expected. */
export const BESIDE_LABELS: Readonly<Record<ComparedWhat, string>> = {
  day: "Day",
  share: "Live growth taken",
  minutes: "Minutes",
  height: "Height",
  bloom: "First flowers",
  leaf: "First leaves",
  over: "Flowers over",
};
const BESIDE_NUMBER: Readonly<Record<ComparedWhat, (x: number, say: Voice) => string>> = {
  day: (x, say) => daysText("later", "earlier")(x, say),
  share: (x, say) => say.percent(x),
  minutes: (x) => `${Math.round(x)} min`,
  height: (x, say) => say.length(x),
  bloom: (x, say) => daysText("later", "earlier")(x, say),
  leaf: (x, say) => daysText("later", "earlier")(x, say),
  over: (x, say) => daysText("later", "earlier")(x, say),
};
const DATED: ReadonlySet<ComparedWhat> = new Set(
  COMPARED.filter((w) => w === "day" || w === "bloom" || w === "leaf" || w === "over"),
);

/** What was expected, in words. */
export function expectedText(b: Compared, say: Voice): string {
  const n = BESIDE_NUMBER[b.what];
  const [low, usual, high] = b.expected;
  if (DATED.has(b.what) && b.expectedOn !== null) {
    const give = Math.round((high - low) / 2);
    return `${say.date(b.expectedOn)}${b.what === "day" || give < 1 ? "" : ` ± ${say.days(give)}`}`;
  }
  return `${n(usual, say)} (${span(n(low, say), n(high, say))})`;
}
/** What it was, in words. */
export const wasText = (b: Compared, say: Voice): string => BESIDE_NUMBER[b.what](b.was, say);

const later = (days: number, say: Voice): string => `${say.days(Math.abs(days))} ${days > 0 ? "later" : "earlier"}`;
/** What an entry has moved, in a sentence or two; empty where it moved nothing. */
export function movesText(m: Moves, say: Voice): string {
  const dates = m.dates.map((d) => {
    const what = d.what === "flowers" ? "Its flowers open" : `${TASK_TABLE[d.task].label} ${d.what}`;
    if (d.to === null) return `${what} on no day that is known now`;
    return `${what} ${say.date(d.to)}${d.days === null ? "" : `, ${later(d.days, say)}`}`;
  });
  const numbers = m.numbers.map((n) =>
    n.what === "growth"
      ? `its growth a year is taken as ${say.length(n.to)}, not ${say.length(n.from)}`
      : `${TASK_TABLE[n.task].label.toLowerCase()} as ${Math.round(n.to)} min, not ${Math.round(n.from)}`,
  );
  const others =
    m.others === 0
      ? []
      : [
          `${m.others} other ${m.others === 1 ? "plant" : "plants"} moved, ${m.others === 1 ? "" : "most "}by ${say.days(m.othersDays)}`,
        ];
  const all = [...dates, ...numbers, ...others];
  if (all.length === 0) return "";
  const text = all.join("; ");
  return `${text[0]!.toUpperCase()}${text.slice(1)}.`;
}
