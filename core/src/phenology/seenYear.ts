/**
 * A plant's own year: what was seen of it stands where it was seen, and the stages that warmth makes move along by the
 * same warmth: a month in April is ten days in July, and nothing in autumn. Nothing of another season, and nothing of
 * the garden, is moved by it.
 */
import type { Rule, Taxon } from "../catalogue/index.ts";
import { seasonPoint, YEAR_DAYS, type Hemisphere, type PlainDate, type SeasonDay } from "../calendar/index.ts";
import type { SeasonClock } from "../climate/index.ts";
import type { Observation } from "../model/index.ts";
import type { Days } from "../units/index.ts";
import {
  madeByWarmth,
  notTooSoon,
  type DisplayYear,
  type PlantYear,
  type SeenOfYear,
  type Stage,
} from "./plantYear.ts";
import { isFlowers, isFruit, sightingOf, type Sighting, type Telling } from "./sightings.ts";

/** Ours, from memory of phenology records. */
export const SEEN_ASSUMPTIONS = {
  /** A day so far from the forecast is carried by half: the further off, the likelier it tells of something else. */
  halfDays: 45,
  /** A display lasts no less and no more than these parts of its usual time because one end of it was seen. */
  lasts: [0.5, 1.5],
  /** Buds that froze are those of the display that opens within so many days. */
  budsDays: 270,
  /** A display that opens after the plant has gone to rest may run so far into a year before that is its own. */
  reachDays: 40,
  /** Where a display was not forecast at all and is seen, it lasts about so long. */
  unforeseenDays: 30,
} as const;

/**
 * How much of a day's distance from its forecast is believed of other stages, and of other plants: nearly all of a
 * week, half of six weeks, nearly nothing of three months. // => credible(45) is 22.5
 */
export const credible = (days: Days): Days => days / (1 + (days / SEEN_ASSUMPTIONS.halfDays) ** 4);

/** Where a stage stands in a plant's year: one of its own, or an end of a display. */
type Place =
  { readonly own: "wakes" | "hardens" | "dormant" } | { readonly display: number; readonly edge: "opens" | "ends" };

interface Pin {
  readonly place: Place;
  /** Forecast and seen, as season days of the cycle. */
  readonly was: SeasonDay;
  readonly day: SeasonDay;
  /** Not yet: it is no earlier than that, and may be as much later as it might have been. */
  readonly notYet: boolean;
  /** A display of the cycle before, still on in winter: it moves itself and nothing else. */
  readonly alone: boolean;
}

const samePlace = (a: Place, b: Place): boolean =>
  "own" in a ? "own" in b && a.own === b.own : "display" in b && a.display === b.display && a.edge === b.edge;

const stageAt = (y: PlantYear, p: Place): Stage => ("own" in p ? y[p.own] : y.displays[p.display]![p.edge]);

/** The year of the cycle nearest to a day, counted from the one that the stage's day tells of. */
const turnTo = (stageDay: SeasonDay, day: SeasonDay): number => Math.round((day - stageDay) / YEAR_DAYS);

const OWN = new Set<string>(["wakes", "hardens", "dormant"]);

/** Places an entry may speak of. */
function placesFor(y: PlantYear, t: Telling): readonly Place[] {
  if (OWN.has(t.stage)) return [{ own: t.stage as "wakes" | "hardens" | "dormant" }];
  const fruit = t.stage.startsWith("fruit");
  const edge = t.stage.endsWith("opens") ? "opens" : "ends";
  return y.displays.flatMap((d, display): Place[] =>
    (fruit ? isFruit : isFlowers)(d.display.name) ? [{ display, edge }] : [],
  );
}

/** How far a day lies outside a display as it stands in a turn; 0 inside. */
function outside(d: DisplayYear, day: SeasonDay, turn: number): Days {
  const at = day - turn * YEAR_DAYS;
  return Math.max(0, d.opens.day - at, at - d.ends.day);
}

/** The place that an entry most likely speaks of, with its turn: the display the day lies in or nearest to. */
function meant(y: PlantYear, sighting: Sighting, t: Telling, day: SeasonDay): (Pin & { turn: number }) | null {
  let best: { pin: Pin & { turn: number }; far: Days } | null = null;
  // "In flower" speaks of one display by both its ends: the one whose flowers the day is in or nearest to.
  const whole = sighting.tells.length > 1;
  for (const place of placesFor(y, t)) {
    const was = stageAt(y, place).day;
    const turn = turnTo(was, day);
    const far =
      whole && "display" in place
        ? outside(y.displays[place.display]!, day, turn)
        : Math.abs(day - was - turn * YEAR_DAYS);
    if (best === null || far < best.far)
      best = {
        pin: {
          place,
          was,
          day: day + t.days - turn * YEAR_DAYS,
          alone: turn !== 0,
          notYet: t.says === "not-before",
          turn,
        },
        far,
      };
  }
  return best?.pin ?? null;
}

/** Two ends of one display that cannot both be true: flowers that open after they were over are another flush, or the slip was the first. */
const breaks = (a: Pin, b: Pin): boolean =>
  "display" in a.place &&
  "display" in b.place &&
  a.place.display === b.place.display &&
  a.place.edge !== b.place.edge &&
  (a.place.edge === "opens" ? a.day >= b.day : a.day <= b.day);

/** Does the entry contradict where the stage stands by now? */
const moves = (t: Telling, pin: Pin, standsOn: SeasonDay, late: boolean): boolean =>
  t.says === "on" || (late && t.stage === "wakes" && t.says === "by")
    ? true
    : t.says === "by"
      ? pin.day < standsOn
      : pin.day > standsOn;

const between = (day: SeasonDay, low: SeasonDay, high: SeasonDay): SeasonDay => Math.min(high, Math.max(low, day));

/** Which stages of a kind the warmth of the year makes; what the calendar or the cool of autumn sets stays. */
interface Driven {
  readonly own: Readonly<Record<"wakes" | "hardens" | "stops" | "dormant", boolean>>;
  readonly display: (d: DisplayYear) => Readonly<Record<"opens" | "ends" | "budsBegin" | "budsSet", boolean>>;
}

function drivenBy(taxon: Taxon): Driven {
  const by = (rule: Rule | null, known: Readonly<Record<string, boolean>>, day = Infinity): boolean =>
    rule !== null && (madeByWarmth(rule, day) || (rule.rule === "after" && known[rule.stage] === true));
  const wakes = by(taxon.year.wakes, {});
  const hardens = by(taxon.year.hardens, { wakes });
  const stops = by(taxon.year.stops, { wakes, hardens });
  const own = { wakes, hardens, stops, dormant: by(taxon.year.dormant, { wakes, hardens, stops }) };
  return {
    own,
    display({ display: d, opens: forecast }) {
      const opens = by(d.opens, own, forecast.day);
      const ends = by(d.ends, { ...own, opens });
      const budsBegin = by(d.budsBegin, { ...own, opens, ends });
      return { opens, ends, budsBegin, budsSet: by(d.budsSet, { ...own, opens, ends, budsBegin }) };
    },
  };
}

type Moved = (day: SeasonDay, driven: boolean) => SeasonDay;
/** Far enough back to count warmth from. */
const BACK_DAYS: Days = 180;

/** Where the stages of a year go when some of them are pinned: each follows the last pin before it. */
function mover(pins: readonly Pin[], c: SeasonClock): Moved {
  const at = pins.filter((p) => !p.alone).toSorted((a, b) => a.was - b.was);
  return (day, driven) => {
    const next = at.findIndex((p) => p.was > day);
    const [a, b] = next < 0 ? [at.at(-1), undefined] : [at[next - 1], at[next]];
    const by = a ?? b;
    if (!by) return day;
    let moved = day;
    if (driven) {
      const lead = credible(by.day - by.was);
      const warmth = c.warmthAt(by.was + lead) - c.warmthAt(by.was);
      const from = day - BACK_DAYS;
      const then = c.dayWithWarmth(from, c.warmthAt(day) + warmth - c.warmthAt(from));
      moved = between(then, day - Math.abs(lead), day + Math.abs(lead));
    }
    return between(moved, a?.day ?? -Infinity, b?.day ?? Infinity);
  };
}

const to = (s: Stage, day: SeasonDay): Stage => ({
  day,
  earliest: s.earliest + day - s.day,
  latest: s.latest + day - s.day,
});
const seenOn = (day: SeasonDay): Stage => ({ day, earliest: day, latest: day });
const pinned = (s: Stage, p: Pin): Stage =>
  p.notYet ? { day: p.day, earliest: p.day, latest: p.day + s.latest - s.day } : seenOn(p.day);

/** What a plant's own year is worked out from: its kind, and the season as it runs. */
export interface SeenGround {
  readonly taxon: Taxon;
  readonly clock: SeasonClock;
}

/** A display with its ends where they were seen; what hangs on its end follows it. */
function displayWith(d: DisplayYear, i: number, pins: readonly Pin[], driven: Driven, moved: Moved): DisplayYear {
  const pin = (edge: "opens" | "ends"): Pin | undefined =>
    pins.find((p) => "display" in p.place && p.place.display === i && p.place.edge === edge);
  const [opened, ended] = [pin("opens"), pin("ends")];
  const alone = opened?.alone ?? ended?.alone ?? false;
  const by = driven.display(d);
  const goes = (name: keyof typeof by, s: Stage): Stage => (alone ? s : to(s, moved(s.day, by[name])));
  const usual = d.ends.day - d.opens.day;
  const [least, most] = SEEN_ASSUMPTIONS.lasts.map((part) => part * usual) as [Days, Days];
  let opens = opened ? pinned(d.opens, opened) : goes("opens", d.opens);
  let ends = ended ? pinned(d.ends, ended) : goes("ends", d.ends);
  if (!ended && opened) ends = to(ends, between(ends.day, opens.day + least, opens.day + most));
  if (ended && !opened) opens = to(opens, between(opens.day, ends.day - most, ends.day - least));
  const buds = (name: "budsBegin" | "budsSet"): Stage | null => {
    const s = d[name];
    if (!s) return null;
    const there = name === "budsBegin" ? notTooSoon(d.display, goes(name, s)) : goes(name, s);
    return s.day < d.ends.day || there.day > ends.day ? there : to(there, ends.day + Math.min(1, s.day - d.ends.day));
  };
  const placed = d.placed && !opened && !ended;
  return { ...d, opens, ends, placed, budsBegin: buds("budsBegin"), budsSet: buds("budsSet") };
}

function withPins(y: PlantYear, pins: readonly Pin[], { taxon, clock }: SeenGround): PlantYear {
  if (pins.length === 0) return y;
  const moved = mover(pins, clock);
  const driven = drivenBy(taxon);
  const own = (name: "wakes" | "hardens" | "stops" | "dormant", after: SeasonDay): Stage => {
    const pin = pins.find((p) => "own" in p.place && p.place.own === name);
    const s = pin ? pinned(y[name], pin) : to(y[name], moved(y[name].day, driven.own[name]));
    return s.day > after ? s : to(s, after + 1);
  };
  const wakes = own("wakes", -Infinity);
  const hardens = own("hardens", wakes.day);
  const stops = own("stops", hardens.day - 1);
  const dormant = own("dormant", stops.day - 1);
  return {
    ...y,
    wakes,
    hardens,
    stops,
    dormant,
    displays: y.displays.map((d, i) => displayWith(d, i, pins, driven, moved)),
  };
}

/** The year with a display that was not forecast and was seen all the same. */
function withUnforeseen(y: PlantYear, taxon: Taxon, day: SeasonDay): PlantYear {
  const display = taxon.displays.find((d) => y.tooCoolFor.includes(d.name) && isFlowers(d.name));
  if (!display) return y;
  const near = y.displays.some(
    (d) => isFlowers(d.display.name) && outside(d, day, turnTo((d.opens.day + d.ends.day) / 2, day)) === 0,
  );
  if (near) return y;
  const seen: DisplayYear = {
    display,
    opens: seenOn(day),
    ends: {
      day: day + SEEN_ASSUMPTIONS.unforeseenDays,
      earliest: day + 1,
      latest: day + 2 * SEEN_ASSUMPTIONS.unforeseenDays,
    },
    budsBegin: null,
    budsSet: null,
    placed: false,
    lostCycle: null,
  };
  return { ...y, displays: [...y.displays, seen], tooCoolFor: y.tooCoolFor.filter((name) => name !== display.name) };
}

/** The displays on old wood whose buds stood on the plant on a day are lost in the cycle in which they would open next. */
const withoutBuds = (y: PlantYear, day: SeasonDay): PlantYear => ({
  ...y,
  displays: y.displays.map((d) => {
    const cycle = Math.ceil((day - d.ends.day) / YEAR_DAYS);
    const opensIn = d.opens.day + cycle * YEAR_DAYS - day;
    return d.display.on === "old" && opensIn <= SEEN_ASSUMPTIONS.budsDays ? { ...d, lostCycle: cycle } : d;
  }),
});

/** Does an entry of a day still speak of the year that is asked about? */
function speaks(pin: Pin & { turn: number }, y: PlantYear, day: SeasonDay): boolean {
  if (pin.turn === 0) return day >= -YEAR_DAYS / 2;
  // Flowers of the winter before that run into this year.
  const { place } = pin;
  return (
    pin.turn === -1 &&
    "display" in place &&
    y.displays[place.display]!.ends.day - YEAR_DAYS >= 0 - SEEN_ASSUMPTIONS.reachDays
  );
}

/** An entry with the season day it was made on, counted in the year that is asked about. */
interface Entry {
  readonly sighting: Sighting;
  readonly day: SeasonDay;
}

function entriesFor(seen: readonly Observation[], on: PlainDate, h: Hemisphere): readonly Entry[] {
  const { seasonYear } = seasonPoint(on, h);
  const out: Entry[] = [];
  for (const o of seen) {
    if (o.on > on) continue;
    const sighting = sightingOf(o);
    const p = seasonPoint(o.on, h);
    // A year and more ago is another cycle.
    if (sighting && seasonYear - p.seasonYear <= 1)
      out.push({ sighting, day: p.seasonDay + (p.seasonYear - seasonYear) * YEAR_DAYS });
  }
  return out.sort((a, b) => a.day - b.day);
}

/**
 * The year of one plant as far as it was seen up to a day; the kind's own when nothing of it was.
 * @param y the kind's year as the garden's season runs
 * @param seen entries of this plant, of any year, in any order
 * @param lateWaker its school waits for growth to show: the day it was first seen is then the day it woke
 */
export function seenYear(
  y: PlantYear,
  ground: SeenGround,
  seen: readonly Observation[],
  on: PlainDate,
  h: Hemisphere,
  lateWaker: boolean,
): PlantYear {
  const entries = entriesFor(seen, on, h);
  if (entries.length === 0) return y;
  let base = y;
  let pins: readonly Pin[] = [];
  let current = y;
  let grown: SeasonDay | null = null;
  let fruit: SeenOfYear["fruit"] = null;
  for (const { sighting, day } of entries) {
    if (sighting.tells.some((t) => t.stage === "opens") && base.tooCoolFor.length > 0 && day >= 0) {
      base = withUnforeseen(base, ground.taxon, day);
      current = withPins(base, pins, ground);
    }
    for (const t of sighting.tells) {
      const at = meant(current, sighting, t, day);
      if (!at || !speaks(at, current, day)) continue;
      const late = lateWaker && grown === null;
      if (!moves(t, at, stageAt(current, at.place).day, late)) continue;
      const pin = { ...at, was: stageAt(base, at.place).day };
      pins = [...pins.filter((p) => !samePlace(p.place, pin.place) && !breaks(p, pin)), pin];
      current = withPins(base, pins, ground);
    }
    const wokeThisYear = day >= current.wakes.day - 1 && day < current.dormant.day;
    if (sighting.growth && wokeThisYear) grown ??= day;
    if (sighting.kills) {
      base = withoutBuds(base, day);
      current = withPins(base, pins, ground);
    }
    if (sighting.fruit) fruit = { is: sighting.fruit, from: day };
  }
  return grown === null && fruit === null ? current : { ...current, seen: { growthFrom: grown, fruit } };
}
