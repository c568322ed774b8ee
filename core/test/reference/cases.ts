/** The cases of data/cases.txt, read into gardens and asked. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import {
  adviseOn,
  CATALOGUE,
  climateNear,
  conditionFrom,
  date,
  kindCache,
  openGarden,
  seasonPoint,
  TOWN_ROWS,
  townsFrom,
  UNSAID_PLACE,
  type Advice,
  type KindCache,
  type Observation,
  type Place,
  type Plant,
  type Task,
  type Town,
  type Verdict,
  type Visit,
  type Bed,
  UNSURVEYED_BED,
  wish,
} from "@wren/core";
import { gardenOf, healthOf, plantOf, seenOn, visitOf, weatherRows } from "../support.ts";

const LETTERS: Readonly<Record<string, Verdict>> = {
  P: "ask-a-pro",
  N: "never",
  W: "wait",
  L: "too-late",
  C: "costs-flowers",
  O: "no-need",
  F: "fine",
  B: "best",
};

export interface Case {
  readonly line: number;
  readonly place: string;
  readonly kind: string;
  readonly on: string;
  readonly task: Task;
  readonly circumstances: string;
  readonly accepted: readonly Verdict[];
  readonly says: string;
  /** Engine and case differ; why stands in the line above it. */
  readonly disputed: boolean;
}

/** One line: place | kind | day | task | circumstances | accepted verdicts | reason that must be said | where it is from. */
export function caseOf(text: string, line = 0): Case {
  const [place, kind, on, task, circumstances, letters, says, from] = text.split("|").map((x) => x.trim());
  return {
    line,
    place: place!,
    kind: kind!,
    on: on!,
    task: task as Task,
    circumstances: circumstances!,
    accepted: letters!.split("").map((l) => LETTERS[l]!),
    says: says!,
    disputed: from?.includes("disputed") ?? false,
  };
}

export const CASES: readonly Case[] = readFileSync(join(import.meta.dirname, "data/cases.txt"), "utf8")
  .split("\n")
  .map((text, i) => ({ text, line: i + 1 }))
  .filter(({ text }) => text !== "" && !text.startsWith("#"))
  .map(({ text, line }) => caseOf(text, line));

const TOWNS = townsFrom(TOWN_ROWS);
const caches = new Map<string, { readonly place: Place; readonly cache: KindCache }>();
const nearOf = (t: Town) => {
  const near = climateNear(TOWNS, t);
  return { ...near, tminC: [...near.tminC], tmaxC: [...near.tmaxC] };
};
/** A town of the table as one who names it gets it. */
export function placeOf(name: string): { readonly place: Place; readonly cache: KindCache } {
  let known = caches.get(name);
  if (!known) {
    // Of two towns of one name the one outside Canada is meant.
    const t = TOWNS.filter((x) => x.name === name).toSorted((a, b) => b.longitudeDeg - a.longitudeDeg)[0];
    if (!t) throw new Error(`no town ${name}`);
    const place: Place = {
      ...UNSAID_PLACE,
      name,
      latitudeDeg: t.latitudeDeg,
      zone: t.zone,
      lastFrost: t.lastFrost,
      firstFrost: t.firstFrost,
      noFrost: t.lastFrost === null,
      near: { town: name, km: 0, altitudeM: t.altitudeM, ...nearOf(t) },
    };
    caches.set(name, (known = { place, cache: kindCache({ place }) }));
  }
  return known;
}

const at = (value: string): readonly [string, string] => {
  const [what, on] = value.split("@");
  return [what!, on ?? "2026-01-01"];
};

/** Looked at, and only what a case names was told. */
const UNTOLD = { scratch: "not-tried", growth: "not-looked", deadShare: 0.3 } as const;

/** Asks a case of the engine. */
export function answerOf(c: Case): Advice {
  const { place, cache } = placeOf(c.place);
  let plant: Plant = plantOf(c.kind, { plantedOn: date("2015-04-15"), heightOn: date(c.on) });
  const observations: Observation[] = [];
  const visits: Visit[] = [];
  const schools: Record<string, string> = {};
  let bed: Bed = { id: "bed-1", name: "Bed", lengthM: 20, order: 0, note: "", ...UNSURVEYED_BED };
  const hot: number[] = [];
  for (const token of c.circumstances === "" ? [] : c.circumstances.split(",")) {
    const [key, value] = token.trim().split("=") as [string, string];
    const [what, on] = at(value);
    const [first, second] = what.split(":") as [string, string];
    const apply: Readonly<Record<string, () => void>> = {
      h: () => (plant = { ...plant, heightM: Number(value) }),
      form: () => (plant = { ...plant, form: value as Plant["form"] }),
      // With no day said it is seen on the day that is asked about.
      hazard: () =>
        (plant = {
          ...plant,
          dangers: [{ what: what as Plant["dangers"][number]["what"], on: date(value.includes("@") ? on : c.on) }],
        }),
      planted: () => (plant = { ...plant, plantedOn: value === "unknown" ? null : date(value) }),
      cond: () => (plant = { ...plant, condition: what as Plant["condition"], conditionOn: date(on) }),
      growth: () => observations.push(seenOn(plant.id, on, { kind: "growth-seen", where: what as "base" })),
      found: () => (plant = { ...plant, health: healthOf(c.on, { ...UNTOLD, growth: value as "none" }) }),
      scratch: () => (plant = { ...plant, health: healthOf(c.on, { ...UNTOLD, scratch: value as "brown" }) }),
      stem: () => (plant = { ...plant, thickestStemMm: Number(value) }),
      wire: () => (plant = { ...plant, powerLineM: Number(value) }),
      touches: () => (plant = { ...plant, touches: [{ what: first as "wire", distanceM: Number(second) }] }),
      stance: () => (plant = { ...plant, stance: value as "split" }),
      wish: () => (plant = { ...plant, goal: wish(first as "renew", second ? Number(second) : null) }),
      wind: () => (bed = { ...bed, wind: value as "exposed" }),
      school: () => (schools[first] = second),
      visit: () =>
        visits.push(
          visitOf(plant.id, on, Number(second), {
            task: first as Task,
            regime: first === "hard-cutback" ? "cutback" : "upkeep",
          }),
        ),
      heat: () => hot.push(Number(value)),
    };
    if (!apply[key]) throw new Error(`case ${c.line}: ${key}?`);
    apply[key]();
  }
  // What a look makes of its condition is kept with it, as the survey does.
  if (plant.health !== null) {
    const day = seasonPoint(date(c.on), place.latitudeDeg < 0 ? "south" : "north").seasonDay;
    const { condition } = conditionFrom(plant.health, cache.yearOf(CATALOGUE.byId(c.kind)!), day);
    if (condition !== "healthy") plant = { ...plant, condition, conditionOn: date(c.on) };
  }
  const weather = weatherRows(hot.map((tmaxC) => ({ on: date(c.on), tminC: 20, tmaxC, rainMm: 0 })));
  plant = { ...plant, schools };
  const garden = gardenOf([plant], { place, beds: [bed], observations, visits, weather });
  return adviseOn(openGarden(garden, CATALOGUE, cache), plant.id, date(c.on), c.task);
}

/** Answers that hurt: an open day where the case says professional, never or wait. */
const SAFE: ReadonlySet<Verdict> = new Set(["ask-a-pro", "never", "wait"]);
export const isDangerous = (c: Case, a: Advice): boolean =>
  (a.verdict === "best" || a.verdict === "fine") && c.accepted.every((v) => SAFE.has(v));
export const isAccepted = (c: Case, a: Advice): boolean =>
  c.accepted.includes(a.verdict) && (c.says === "" || a.reasons.some((r) => r.code === c.says));
