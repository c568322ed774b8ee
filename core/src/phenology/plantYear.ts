/**
 * A plant's year at a place: when it wakes, hardens, stops and sleeps, and when each display begins and
 * ends. Days are season days of one cycle, counted from the start of the hemisphere's year in which the
 * plant wakes; they may run past 364, because a cycle does not stop at New Year.
 */
import type { Display, Rule, StageName, Taxon } from "../catalogue/index.ts";
import { turnsBy, YEAR_DAYS, type SeasonDay } from "../calendar/index.ts";
import { growthFor, type ClockDoubt, type SeasonClock } from "../climate/index.ts";
import type { Celsius, Days, Share } from "../units/index.ts";
import { isFlowers } from "./sightings.ts";

/** A stage's expected day, and the days between which it falls in eight years of ten. */
export interface Stage {
  readonly day: SeasonDay;
  readonly earliest: SeasonDay;
  readonly latest: SeasonDay;
}
/** "Give or take": half the width of the 80 % range. */
export const giveOrTake = (s: Stage): Days => (s.latest - s.earliest) / 2;

/** How far before and after its expected day a stage falls in eight years of ten. */
export type Range = readonly [earlyDays: Days, lateDays: Days];
/** Ranges by stage of a kind, worked out from years of weather; what is missing takes the prior of its rule. */
export type StageRanges = Readonly<Partial<Record<string, Range>>>;
/** The name a stage's range goes by: the stage's own, or display and stage. */
export const rangeName = (stage: StageName, display?: string): string => (display ? `${display}: ${stage}` : stage);

export interface DisplayYear {
  readonly display: Display;
  readonly opens: Stage;
  readonly ends: Stage;
  /** null for what opens on wood of the same season. */
  readonly budsBegin: Stage | null;
  readonly budsSet: Stage | null;
  /** The forecast fell short of it: it stands late in the season, for want of better. */
  readonly placed: boolean;
  /** The cycle whose display is lost (0: the one these days tell of), seen and written down; null when none is. */
  readonly lostCycle: number | null;
}

/** What was seen of a plant's own year beside its dates. */
export interface SeenOfYear {
  /** Its growth is out from this day of the cycle on; null when nobody has written that down. */
  readonly growthFrom: SeasonDay | null;
  /** What was last seen of its berries, hips or heads, and from which season day on. */
  readonly fruit: { readonly is: "ripe" | "gone"; readonly from: SeasonDay } | null;
}

/** The stages of a kind's year at a place, as season days. */
export interface PlantYear {
  readonly wakes: Stage;
  readonly hardens: Stage;
  readonly stops: Stage;
  /** Where winter is too mild for sleep: the start of the quiet weeks before the next growth. */
  readonly dormant: Stage;
  /** False where winter is too mild for it to go dormant. */
  readonly sleeps: boolean;
  /** What was written down of this very plant; null for a kind's year. */
  readonly seen: SeenOfYear | null;
  /** Displays that the warmth of the place lets open; the others are missing. */
  readonly displays: readonly DisplayYear[];
  /** Names of displays for which the place is too cool. */
  readonly tooCoolFor: readonly string[];
}

/**
 * Half of the 80 % range by kind of rule, days, until the place's own years of weather have been worked
 * through (a prior: about what such years give at a continental place; fixed days vary least).
 */
const SPREAD_DAYS: Readonly<Record<Rule["rule"], Days>> = {
  spring: 13,
  warmth: 11,
  after: 3,
  cooling: 9,
  season: 7,
};

/** Weeks before new growth in which even a plant that winter does not put to sleep is quiet, days. */
export const QUIET_DAYS: Days = 45;

/** Shortest display that is still worth calling one, and least time between stages, days. */
const SHORTEST_DISPLAY: Days = 10;

type Known = Partial<Record<StageName, Stage | undefined>>;

function firstCooler(c: SeasonClock, meanC: Celsius): SeasonDay {
  const start = Math.round(c.warmestDay);
  for (let d = start; d < start + YEAR_DAYS / 2; d++) if (c.meanC(d) < meanC) return d;
  return Infinity;
}
/** Kinds share a few limits: in one year each is looked for once. */
const cooling = new WeakMap<SeasonClock, Map<Celsius, SeasonDay>>();

/** First day past midsummer with a mean below the limit; Infinity when it never gets so cool. */
export function coolingDay(c: SeasonClock, meanC: Celsius): SeasonDay {
  let known = cooling.get(c);
  if (!known) cooling.set(c, (known = new Map<Celsius, SeasonDay>()));
  let day = known.get(meanC);
  if (day === undefined) known.set(meanC, (day = firstCooler(c, meanC)));
  return day;
}

const stage = (day: SeasonDay, spreadDays: Days): Stage => ({
  day,
  earliest: day - spreadDays,
  latest: day + spreadDays,
});
/** The same stage on another day, its range with it. */
const moved = (s: Stage, day: SeasonDay): Stage =>
  Number.isFinite(s.day)
    ? { day, earliest: s.earliest + day - s.day, latest: s.latest + day - s.day }
    : stage(day, SPREAD_DAYS.cooling);

/** Half of an 80 % range reaches so many standard deviations. */
export const HALF_RANGE_SDS = 1.2816;
/** What the years vary by and what is not known of the place, together. */
const withDoubt = (spreadDays: Days, rule: Rule, doubt: ClockDoubt): Days =>
  rule.rule === "spring" || rule.rule === "warmth"
    ? Math.hypot(spreadDays, HALF_RANGE_SDS * doubt.spring)
    : rule.rule === "cooling"
      ? Math.hypot(spreadDays, HALF_RANGE_SDS * doubt.autumn)
      : spreadDays;

/** Does the warmth of the year make a stage's day? What is held back to a season day tells nothing of it. */
export const madeByWarmth = (rule: Rule, day: SeasonDay): boolean =>
  rule.rule === "spring" || (rule.rule === "warmth" && (rule.notBefore === undefined || day > rule.notBefore));

/** The one evaluator of rules. "after" reads stages already known; asking for a later one is a bug in the data. */
function stageOf(rule: Rule, c: SeasonClock, known: Known): Stage {
  const spreadDays = withDoubt(SPREAD_DAYS[rule.rule], rule, c.doubt);
  switch (rule.rule) {
    case "spring":
      return stage(c.spring.leaf + rule.at * (c.spring.bloom - c.spring.leaf) + (rule.days ?? 0), spreadDays);
    case "warmth":
      return stage(
        Math.max(rule.notBefore ?? 0, c.dayWithWarmth(c.spring.bloom, growthFor(rule.degreeDays))),
        spreadDays,
      );
    case "cooling":
      return stage(Math.max(rule.notBefore ?? 0, coolingDay(c, rule.meanC)), spreadDays);
    case "season":
      return stage(rule.day, spreadDays);
    case "after": {
      const from = known[rule.stage];
      if (!from) throw new Error(`stage rule asks for ${rule.stage} before it is known`);
      const start = from.day + (rule.days ?? 0);
      return stage(c.dayWithWarmth(start, growthFor(rule.degreeDays ?? 0, "leaf")), giveOrTake(from) + spreadDays);
    }
  }
}

/** Moves a stage on by whole years until it follows another, and not more than a cycle after it. */
function following(s: Stage, after: SeasonDay, until: SeasonDay): Stage {
  if (!Number.isFinite(s.day)) return moved(s, until);
  let { day } = s;
  while (day < after - YEAR_DAYS / 2) day += YEAR_DAYS;
  return moved(s, Math.min(until, Math.max(after + 1, day)));
}

/** Where no cold ends them, flowers that are held back to autumn last no longer. */
const LONGEST_AUTUMN: Days = 120;
const heldBack = ({ on, opens }: Display): boolean =>
  on === "new" && opens.rule === "warmth" && opens.notBefore !== undefined;

/** A display on this season's shoots that has not begun so many days before all sleeps is not shown that year. */
const LEAST_SHOW: Days = SHORTEST_DISPLAY;
/** With so much of the warmth it asks for, a display may still come: its figure is no better than that. */
const NEARLY: Share = 0.6;
/** @param follows the kind has flowered by then: what comes of the flowers comes, however late */
function nearlyWarm(d: Display, c: SeasonClock, dormant: SeasonDay, follows: boolean): boolean {
  if (d.opens.rule !== "warmth" || follows) return true;
  return c.warmthAt(dormant) - c.warmthAt(c.spring.bloom) >= NEARLY * growthFor(d.opens.degreeDays);
}
/**
 * Where the warmth forecast falls short: late in the season, within a wide range. What stands on old wood has its
 * buds whatever the forecast says; the display's place among its neighbours is the last.
 */
const PLACED_LATE = { part: 0.72, spreadDays: 30 } as const;
const placedLate = (c: SeasonClock, wakes: SeasonDay, dormant: SeasonDay): Stage =>
  stage(
    Math.max(wakes + PLACED_LATE.part * (dormant - wakes), Math.min(c.warmestDay, dormant - 2 * SHORTEST_DISPLAY)),
    PLACED_LATE.spreadDays,
  );

function displayYear(
  d: Display,
  c: SeasonClock,
  known: Known,
  dormant: SeasonDay,
  follows: boolean,
  sleeps: boolean,
): DisplayYear | null {
  const forecast = stageOf(d.opens, c, known);
  const stays = d.opens.rule === "cooling" || d.opens.rule === "season";
  const late = !Number.isFinite(forecast.day) || (!stays && forecast.day > dormant - LEAST_SHOW);
  if (late && d.on === "new" && !nearlyWarm(d, c, dormant, follows)) return null;
  const opens = late ? placedLate(c, known.wakes?.day ?? 0, dormant) : forecast;
  const local: Known = {
    wakes: known.wakes,
    hardens: known.hardens,
    stops: known.stops,
    dormant: known.dormant,
    opens,
    ends: undefined,
    budsBegin: undefined,
  };
  const rawEnds = stageOf(d.ends, c, local);
  const longest = heldBack(d) ? LONGEST_AUTUMN : YEAR_DAYS / 2;
  // One flowering does not run on for as long as no cold comes; what flushes again and again does.
  const cooled = d.ends.rule === "cooling" && isFlowers(d.name) && d.flushes !== true;
  const spanned = Number.isFinite(rawEnds.day) && !cooled ? rawEnds.day : Math.min(rawEnds.day, opens.day + longest);
  // Flowers on this season's shoots do not outlast them: where they open late, the cold ends them early.
  const outlived = sleeps && d.on === "new" && isFlowers(d.name) && d.ends.rule === "after" && opens.day < dormant;
  const endDay = outlived ? Math.min(spanned, dormant) : spanned;
  const ends = moved(rawEnds, Math.max(opens.day + SHORTEST_DISPLAY, endDay));
  local.ends = ends;
  const budsBegin = d.budsBegin && notTooSoon(d, stageOf(d.budsBegin, c, local));
  if (budsBegin) local.budsBegin = budsBegin;
  const budsSet = d.budsSet && stageOf(d.budsSet, c, local);
  return { display: d, opens, ends, budsBegin, budsSet, placed: late, lostCycle: null };
}

/**
 * Whenever a spring shrub flowered, it makes the next buds in summer's light, on shoots that have done growing: where
 * spring comes in February no less (calendars of warm and cold places alike say "after bloom, done by early July").
 * A season day.
 */
const BUDS_NOT_BEFORE: SeasonDay = 178;
export const notTooSoon = (d: Display, budsBegin: Stage): Stage =>
  d.budsBegin?.rule === "after" && d.budsBegin.stage === "ends" && isFlowers(d.name)
    ? moved(budsBegin, Math.max(budsBegin.day, BUDS_NOT_BEFORE))
    : budsBegin;

/** What is not known of the place moves a day of its season so much: spring's doubt, or autumn's from two months past midsummer. */
export const doubtAt = (c: Pick<SeasonClock, "doubt" | "warmestDay">, day: SeasonDay): Days =>
  day > c.warmestDay + 60 ? c.doubt.autumn : c.doubt.spring;

/** A stage with the range that years of weather gave it, and the doubt about the place on top. */
const ranged = (s: Stage, r: Range | undefined, doubtDays: Days): Stage => {
  const wide = (days: Days): Days => Math.hypot(days, HALF_RANGE_SDS * doubtDays);
  return r ? { day: s.day, earliest: s.day - wide(r[0]), latest: s.day + wide(r[1]) } : s;
};

function withRanges(y: PlantYear, ranges: StageRanges, c: SeasonClock): PlantYear {
  // A stage that the calendar sets has hardly a range, and no doubt about the place moves it.
  const of = (s: Stage, name: StageName, display?: string): Stage => {
    const r = ranges[rangeName(name, display)];
    const fixed = r !== undefined && r[0] + r[1] < 1;
    return ranged(s, r, fixed ? 0 : doubtAt(c, s.day));
  };
  const displays = y.displays.map((d): DisplayYear => ({
    display: d.display,
    opens: of(d.opens, "opens", d.display.name),
    ends: of(d.ends, "ends", d.display.name),
    budsBegin: d.budsBegin && of(d.budsBegin, "budsBegin", d.display.name),
    budsSet: d.budsSet && of(d.budsSet, "budsSet", d.display.name),
    placed: d.placed,
    lostCycle: d.lostCycle,
  }));
  return {
    wakes: of(y.wakes, "wakes"),
    hardens: of(y.hardens, "hardens"),
    stops: of(y.stops, "stops"),
    dormant: of(y.dormant, "dormant"),
    displays,
    sleeps: y.sleeps,
    seen: y.seen,
    tooCoolFor: y.tooCoolFor,
  };
}

/** Works out the year of a kind by a season clock. Pure; a few microseconds once the clock is known. */
export function plantYear(taxon: Taxon, c: SeasonClock, ranges: StageRanges | null = null): PlantYear {
  const known: Known = { wakes: undefined, hardens: undefined, stops: undefined, dormant: undefined };
  const wakes = stageOf(taxon.year.wakes, c, known);
  known.wakes = wakes;
  const quiet = wakes.day + YEAR_DAYS - QUIET_DAYS;
  const cools = stageOf(taxon.year.dormant, c, known);
  const dormant = following(cools, wakes.day + 60, quiet);
  const hardens = following(stageOf(taxon.year.hardens, c, known), wakes.day + 14, dormant.day);
  const stops = following(stageOf(taxon.year.stops, c, known), hardens.day, dormant.day);
  known.hardens = hardens;
  known.stops = stops;
  known.dormant = dormant;
  const displays: DisplayYear[] = [];
  const tooCoolFor: string[] = [];
  const sleeps = Number.isFinite(cools.day);
  for (const d of taxon.displays) {
    const year = displayYear(d, c, known, dormant.day, displays.length > 0, sleeps);
    if (year) displays.push(year);
    else tooCoolFor.push(d.name);
  }
  const year = { wakes, hardens, stops, dormant, sleeps, seen: null, displays, tooCoolFor };
  return ranges ? withRanges(year, ranges, c) : year;
}

/** Share of the season's extension made by a day of the cycle: most of it in the first flush. */
const FIRST_FLUSH_SHARE = 0.75;
/** Share of the season's extension that is done by a day of the cycle, 0 to 1. */
export function growthDone(y: PlantYear, day: SeasonDay): number {
  return (
    FIRST_FLUSH_SHARE * passed(day, y.wakes.day, y.hardens.day) +
    (1 - FIRST_FLUSH_SHARE) * passed(day, y.hardens.day, y.stops.day)
  );
}
/** Which part of a span has passed by a day. */
const passed = (day: SeasonDay, from: SeasonDay, to: SeasonDay): Share =>
  Math.min(1, Math.max(0, (day - from) / Math.max(1, to - from)));

/** The same day in the cycle that starts with waking: between wakes and wakes + 364. */
export function inCycle(y: PlantYear, seasonDay: SeasonDay): SeasonDay {
  const turns = turnsBy(seasonDay - y.wakes.day);
  return seasonDay - turns * YEAR_DAYS;
}
