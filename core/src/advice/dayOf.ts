/** What the day itself forbids or asks for: heat, frost tonight, rain, drought, bloom just ahead, nests. */
import { addDays, seasonDate, turnsBy, YEAR_DAYS, type PlainDate } from "../calendar/index.ts";
import { LIMITS, TASK_TABLE } from "../model/index.ts";
import { inCycle, PACE_ASSUMPTIONS } from "../phenology/index.ts";
import type { Celsius } from "../units/index.ts";
import { wildlifeCost, wildlifeInSeason, windOn, WIND_ASSUMPTIONS } from "../jobsite/index.ts";
import type { DayWeather } from "../garden/index.ts";
import { heatOdds } from "../climate/index.ts";
import { baresToSun, PRICE_ASSUMPTIONS } from "../price/index.ts";
import { isLive, type Question } from "./question.ts";
import { finding, reason, type Finding, type Reason } from "./reasons.ts";

/** Common practice. */
export const DAY_LIMITS = {
  /** From here on no shearing and no hard cut; in the second tier hazards only, °C. */
  heatC: PRICE_ASSUMPTIONS.hotC,
  extremeHeatC: PRICE_ASSUMPTIONS.burnsC,
  /** A night at or under this browns fresh cuts and soft growth. */
  frostC: 0,
  /** Rain that spreads disease from cut to cut, mm. */
  wetMm: 1,
  /** A dry spell: so many days with less rain than that in all, and warm afternoons. */
  dryDays: 21,
  dryMm: 5,
  dryWarmC: 24,
  /** Days before bloom in which a cut takes what is about to open. */
  beforeBloomDays: 21,
  /** Chance of a hot afternoon, from normals, that is worth a word when the day's weather is not known. */
  hotOdds: 0.3,
} as const;

const tomorrow = (on: PlainDate) => ({ by: "day", on: addDays(on, 1) }) as const;

function heat(q: Question, day: DayWeather): Finding[] {
  const hot = day.tmaxC;
  // Spent flowers can wait as well; what is dead burns no more, and may be what falls.
  const heads = q.task === "deadhead" && q.kind.prices.spent[q.day] === 1;
  if (hot === null || !(isLive(q.task) || heads)) return [];
  const at = (limitC: Celsius): Finding[] => [
    finding("wait", "heat", { tmaxC: hot, limitC, simulated: day.simulated }, "practice", tomorrow(q.on)),
  ];
  if (hot >= DAY_LIMITS.extremeHeatC) return at(DAY_LIMITS.extremeHeatC);
  return hot >= DAY_LIMITS.heatC && baresToSun(q.task) ? at(DAY_LIMITS.heatC) : [];
}

function frostTonight(q: Question, day: DayWeather, next: DayWeather | null): Finding[] {
  const night = Math.min(day.tminC ?? Infinity, next?.tminC ?? Infinity);
  const asleep = inCycle(q.kind.year, q.day) >= q.kind.year.dormant.day;
  // A hardy plant asleep is cut on a frosty morning without harm once the wood has thawed.
  if (night > DAY_LIMITS.frostC || !TASK_TABLE[q.task].wakes || (asleep && !q.taxon.frost.wakesWhenCut)) return [];
  return [finding("wait", "frost-tonight", { tminC: night, simulated: day.simulated }, "practice", tomorrow(q.on))];
}

const sick = (q: Question): boolean => q.plant.health?.disease === true;

function rain(q: Question, day: DayWeather): Finding[] {
  if (!sick(q) || (day.rainMm ?? 0) < DAY_LIMITS.wetMm || q.task === "leave") return [];
  return [
    finding("wait", "rain-disease", { rainMm: day.rainMm!, simulated: day.simulated }, "practice", tomorrow(q.on)),
  ];
}

/** Three weeks without rain, warm, and nobody waters: a hard cut waits, the rest is said. */
function drySpell(q: Question): Finding[] {
  const bed = q.model.garden.beds.find((b) => b.id === q.plant.bedId);
  if (!isLive(q.task) || bed?.water === "hand" || bed?.water === "irrigation") return [];
  let [rainMm, warm, known] = [0, 0, 0];
  for (let i = 1; i <= DAY_LIMITS.dryDays; i++) {
    const w = q.model.weatherOn(addDays(q.on, -i));
    if (w?.rainMm == null) continue;
    known++;
    rainMm += w.rainMm;
    warm += w.tmaxC !== null && w.tmaxC >= DAY_LIMITS.dryWarmC ? 1 : 0;
  }
  if (known < DAY_LIMITS.dryDays || rainMm >= DAY_LIMITS.dryMm || warm < known / 2) return [];
  const simulated = q.model.weatherOn(addDays(q.on, -1))?.simulated === true;
  const values = { days: DAY_LIMITS.dryDays, rainMm, simulated };
  return baresToSun(q.task)
    ? [finding("wait", "dry-spell", values, "practice", { by: "seen", what: "survey", expected: null, latest: null })]
    : [finding("fine", "dry-spell", values, "practice")];
}

/** Findings of the day; only dry spell and heat of the days that are known, observed or simulated. */
export function dayOfFindings(q: Question): readonly Finding[] {
  const day = q.model.weatherOn(q.on);
  if (day === null) return [];
  return [
    ...heat(q, day),
    ...frostTonight(q, day, q.model.weatherOn(addDays(q.on, 1))),
    ...rain(q, day),
    ...drySpell(q),
  ];
}

function beforeBloom(q: Question): readonly Reason[] {
  const u = inCycle(q.kind.year, q.day);
  const next = q.kind.year.displays.find(
    (d) =>
      d.display.weight >= 0.5 &&
      d.lostCycle === null &&
      d.opens.day > u &&
      d.opens.day - u <= DAY_LIMITS.beforeBloomDays,
  );
  if (!next || !TASK_TABLE[q.task].wakes) return [];
  const p = q.model.season(q.on);
  const turns = turnsBy(p.seasonDay - q.kind.year.wakes.day);
  const opens = seasonDate(p.seasonYear, next.opens.day + turns * YEAR_DAYS, q.model.climate.hemisphere);
  return [reason("just-before-bloom", { display: next.display.name, opens }, "practice")];
}

/** Warm enough for hot afternoons, as far as normals tell: work in the morning. */
function hotSeason(q: Question): readonly Reason[] {
  const odds = heatOdds(q.model.climate, DAY_LIMITS.heatC, q.day);
  const waits = q.kind.prices.heat[q.day]! > LIMITS.heat;
  return !waits && q.model.weatherOn(q.on) === null && odds >= DAY_LIMITS.hotOdds && baresToSun(q.task)
    ? [reason("hot-season", { odds, limitC: DAY_LIMITS.heatC }, "practice")]
    : [];
}

/** What is worth knowing of the day and changes no verdict. */
export function dayOfRemarks(q: Question): readonly Reason[] {
  const out: Reason[] = [...beforeBloom(q), ...hotSeason(q)];
  const uses = wildlifeInSeason(q.taxon, q.kind.year, q.model.climate, q.day);
  for (const { use } of wildlifeCost(uses, q.task)) out.push(reason("wildlife", { use }, "practice"));
  const asleep = inCycle(q.kind.year, q.day) >= q.kind.year.stops.day;
  if (asleep && q.task !== "reduce-for-wind" && q.task !== "hard-cutback") {
    const risk = windOn(q.model, q.plant, q.on, true);
    if (risk >= WIND_ASSUMPTIONS.worthSaying) out.push(reason("wind-leaving", { risk }, "assumption"));
  }
  const { days } = q.model.pace(q.model.season(q.on).seasonYear);
  if (Math.abs(days) >= PACE_ASSUMPTIONS.worthSaying)
    out.push(reason("year-runs", { days: Math.round(days) }, "spring-index"));
  return out;
}
