/**
 * Pairs of gardens that went separate ways from one: on each side rows were changed, added and taken out at random.
 * The laws that bringing them together must keep are stated here once, for the tests and for `npm run fuzz`.
 */
import {
  addDays,
  BY_THE_CLOCK,
  CATALOGUE,
  date,
  demoGarden,
  gate,
  mergeGardens,
  sameData,
  seeded,
  type Garden,
  type ListName,
  type MergeSide,
  type Merged,
} from "@wren/core";
import { GARDEN_LISTS, LIST_SCHEMAS } from "../../src/model/index.ts";
import { visitOf } from "../support.ts";

const today = date("2026-06-10");
export const ground = { catalogue: CATALOGUE, today };
const demo = demoGarden(today);
/** Rows of every list, few enough that thousands of pairs are gone through. */
export const START: Garden = (() => {
  const plants = demo.plants.filter((p, i) => i < 4 || demo.hedges.some((h) => h.plantId === p.id)).slice(0, 6);
  const ids = new Set(plants.map((p) => p.id));
  const own = <T extends { readonly plantId: string | null }>(rows: readonly T[]): T[] =>
    rows.filter((r) => r.plantId !== null && ids.has(r.plantId)).slice(0, 4);
  const first = plants[0]!;
  const visits = own(demo.visits);
  return {
    ...demo,
    plants: plants.map((p) => ({ ...p, pairedWith: null, parentId: null })),
    visits,
    observations: own(demo.observations),
    plans: [
      {
        id: "plan-1",
        plantId: first.id,
        on: date("2026-07-01"),
        task: "shape",
        madeOn: today,
        half: null,
        fixed: false,
        note: "",
      },
    ],
    programmes: [{ id: "prog-1", plantId: first.id, on: today, way: "thirds", aimM: null }],
    stands: own(demo.stands).slice(0, 2),
    hedges: own(demo.hedges),
    photos: [{ id: "photo-1", plantId: first.id, on: today, caption: "In bloom" }],
    works: [
      {
        id: "work-1",
        plantId: first.id,
        on: today,
        task: "thin",
        passes: ["dead"],
        cuts: [],
        share: null,
        found: [],
        minutes: 12,
        since: null,
        note: "",
      },
    ],
    corrections: [],
    weather: [
      { id: "weather-2026", year: 2026, source: "own", tminC: [1, 2, null], tmaxC: [4, 5, null], rainMm: [0, null, 3] },
    ],
    seasons: [{ id: "season-2026", seasonYear: 2026, paceDays: 5 }],
  };
})();

type Random = () => number;
type Plain = Record<string, unknown> & { readonly id: string };
const pick = <T>(r: Random, xs: readonly T[]): T | undefined => xs[Math.floor(r() * xs.length)];
const one = <T>(r: Random, xs: readonly [T, ...T[]]): T => xs[Math.floor(r() * xs.length)]!;
const rowsOf = (g: Garden, list: ListName): readonly Plain[] => g[list];

/** Another value of the same sort. */
function other(r: Random, x: unknown): unknown {
  if (typeof x === "boolean") return !x;
  if (typeof x === "number")
    return Number.isInteger(x) ? x + one(r, [1, 2, 3]) : Number((x * (0.8 + r() * 0.4)).toFixed(3));
  if (typeof x === "string" && /^\d{4}-\d{2}-\d{2}$/.test(x)) return addDays(date(x), -one(r, [1, 2, 30]));
  if (typeof x === "string") return `${x}${one(r, ["a", "b", "c"])}`;
  if (Array.isArray(x)) {
    if (x.length > 0 && r() < 0.4) return x.filter((_, i) => i !== Math.floor(r() * x.length));
    return x.map((v, i): unknown => (i === Math.floor(r() * x.length) ? other(r, v) : v));
  }
  if (typeof x === "object" && x !== null) {
    const key = pick(r, Object.keys(x));
    return key === undefined ? x : { ...x, [key]: other(r, (x as Record<string, unknown>)[key]) };
  }
  return one<unknown>(r, [1, "1.5", "2026-05-01", true]);
}

const SPARED = new Set(["id", "plantId", "bedId", "year", "seasonYear", "taxonId", "pairedWith", "parentId"]);
function changed(r: Random, g: Garden, list: ListName): Garden {
  const rows = rowsOf(g, list);
  const row = pick(r, rows);
  if (row === undefined || list === "corrections") return g;
  const key = pick(
    r,
    Object.keys(row).filter((k) => !SPARED.has(k)),
  );
  if (key === undefined) return g;
  const next = { ...row, [key]: other(r, row[key]) };
  const read = LIST_SCHEMAS[list].safeParse(next);
  return read.success ? { ...g, [list]: rows.map((x) => (x === row ? read.data : x)) } : g;
}
/** One to a plant or to a year: a new one takes the place of the one that was. */
const REPLACED: readonly ListName[] = ["hedges", "programmes", "works", "weather", "seasons"];
function added(r: Random, g: Garden, list: ListName): Garden {
  const rows = rowsOf(g, list);
  const row = pick(r, rows);
  if (list === "corrections") return g;
  const id = `new-${Math.floor(r() * 1e9).toString(36)}`;
  // Work is let go or finished before it is begun anew.
  if (list === "works") return g.works.length === 0 ? { ...g, works: [{ ...START.works[0]!, id, passes: [] }] } : g;
  if (row === undefined) return g;
  if (REPLACED.includes(list))
    return changed(r, { ...g, [list]: rows.map((x) => (x === row ? { ...x, id } : x)) }, list);
  const more = { ...row, id, ...("label" in row ? { label: id, pairedWith: null } : {}) };
  return { ...g, [list]: [...rows, more] };
}
function removed(r: Random, g: Garden, list: ListName): Garden {
  const row = pick(r, rowsOf(g, list));
  if (row === undefined) return g;
  const without: Garden = { ...g, [list]: rowsOf(g, list).filter((x) => x !== row) };
  if (list !== "plants") return without;
  const gone = (x: { readonly plantId?: string | null }): boolean => x.plantId === row.id;
  const unpaired = without.plants.map((p) => (p.pairedWith === row.id ? { ...p, pairedWith: null } : p));
  return Object.fromEntries(
    Object.entries({ ...without, plants: unpaired }).map(([k, v]) => [
      k,
      Array.isArray(v) ? v.filter((x) => !gone(x as object)) : v,
    ]),
  ) as unknown as Garden;
}
/** Work finished, a plan settled, a pair made, a head changed: what more than one row takes part in. */
const DEEDS: readonly ((r: Random, g: Garden) => Garden)[] = [
  (_, g) => {
    const [work] = g.works;
    if (!work) return g;
    return { ...g, works: [], visits: [...g.visits, { ...visitOf(work.plantId, "2026-06-10", 0.2), id: work.id }] };
  },
  (r, g) => {
    const [plan] = g.plans;
    if (!plan) return g;
    const visit = visitOf(plan.plantId, "2026-06-09", 0.1, {
      id: `v-plan-${Math.floor(r() * 1e6)}`,
      planned: { on: plan.on, madeOn: plan.madeOn },
    });
    return { ...g, plans: g.plans.slice(1), visits: [...g.visits, visit] };
  },
  (r, g) => {
    const [a, b] = [pick(r, g.plants), pick(r, g.plants)];
    if (!a || !b || a === b || a.pairedWith !== null || b.pairedWith !== null) return g;
    const with_: Readonly<Record<string, string>> = { [a.id]: b.id, [b.id]: a.id };
    return { ...g, plants: g.plants.map((p) => ({ ...p, pairedWith: with_[p.id] ?? p.pairedWith })) };
  },
  (r, g) => ({ ...g, name: `${g.name}${one(r, ["!", "?"])}`.slice(0, 60) }),
  (r, g) => ({ ...g, place: { ...g.place, site: one(r, ["usual", "hollow", "wall"]) } }),
  (r, g) => ({ ...g, rules: { ...g.rules, units: one(r, ["metric", "imperial", "both"]) } }),
];

const sound = (g: Garden): boolean => gate(null, g, ground, BY_THE_CLOCK).ok;

/** A garden that went its way for a few edits; each is one that the gate lets through. */
export function gone(r: Random, from: Garden, edits: number): Garden {
  let g = from;
  for (let i = 0; i < edits; i++) {
    const list = pick(r, GARDEN_LISTS)!;
    const way = one(r, [changed, changed, changed, added, removed]);
    const next = r() < 0.2 ? pick(r, DEEDS)!(r, g) : way(r, g, list);
    if (next === g) continue;
    const through = gate(g, next, ground, BY_THE_CLOCK);
    if (through.ok) g = through.value;
  }
  return g;
}

const swapped = (choices: ReadonlyMap<string, MergeSide>): ReadonlyMap<string, MergeSide> =>
  new Map([...choices].map(([key, side]) => [key, side === "own" ? "theirs" : "own"]));

/** Leaves of plain data with their path. */
function leaves(x: unknown, path = "", out: [string, unknown][] = []): [string, unknown][] {
  if (typeof x === "object" && x !== null)
    for (const [k, v] of Object.entries(x)) leaves(v, path === "" ? k : `${path}.${k}`, out);
  else out.push([path, x]);
  return out;
}
const at = (x: unknown, path: string): unknown =>
  path.split(".").reduce<unknown>((y, k) => (y as Record<string, unknown> | undefined | null)?.[k], x);

/** Values that one side set since the start and that are neither in the garden that came out nor in its history. */
function lostOf(base: Garden, side: Garden, m: Merged): string[] {
  const history = m.garden.corrections.map((c) => (c.was.of === "merge" ? c.was.value : JSON.stringify(c.was.row)));
  const everything = JSON.stringify(m.garden) + history.join("\n");
  const lost: string[] = [];
  for (const list of GARDEN_LISTS) {
    const before = new Map(rowsOf(base, list).map((x) => [x.id, x]));
    const after = new Map(rowsOf(m.garden, list).map((x) => [x.id, x]));
    for (const row of rowsOf(side, list)) {
      // Begun anew in the place of another, it is that one changed.
      const kin = ["plantId", "year", "seasonYear"].find((k) => k in row);
      const was =
        before.get(row.id) ??
        (REPLACED.includes(list) ? rowsOf(base, list).find((x) => x[kin!] === row[kin!]) : undefined);
      if (was && sameData(was, row)) continue;
      // A plant that was let go takes its records along.
      const plant = list === "plants" ? row.id : row["plantId"];
      if (typeof plant === "string" && !m.garden.plants.some((p) => p.id === plant)) continue;
      for (const [path, value] of leaves(row)) {
        if (path === "id" || sameData(at(was, path), value)) continue;
        const now = after.get(row.id);
        if (now && sameData(at(now, path), value)) continue;
        // Counts of both are added up, of two days of making the earlier stands, and a pair needs both.
        if (list === "plans" && path === "madeOn") continue;
        if (list === "works" && ["minutes", "since", "on"].includes(path)) continue;
        if (path === "pairedWith" && !m.garden.plants.some((p) => p.id === value)) continue;
        if (value === null || everything.includes(JSON.stringify(value))) continue;
        lost.push(`${list} ${row.id} ${path}: ${JSON.stringify(value)}`);
      }
    }
  }
  return lost;
}

/** What one pair of gardens came to; the first law that was broken, in words. */
export function brokenLaw(r: Random): string | null {
  const base = gone(r, START, 2);
  const [own, theirs] = [gone(r, base, 1 + Math.floor(r() * 6)), gone(r, base, 1 + Math.floor(r() * 6))];
  const known = r() < 0.7 ? base : null;
  const asked = { base: known, own, theirs, ground };
  const choices = new Map<string, MergeSide>();
  let m = mergeGardens(asked);
  // A choice can raise another question: parts that do not go together are asked about as a whole.
  while (m.questions.some((q) => !choices.has(q.key))) {
    for (const q of m.questions) if (!choices.has(q.key)) choices.set(q.key, r() < 0.5 ? "own" : "theirs");
    m = mergeGardens({ ...asked, choices });
  }
  if (m.apart.length > 0) return `set apart: ${JSON.stringify(m.apart[0])}`;
  if (!sound(m.garden)) return "the gate refuses it";
  const back = mergeGardens({ base: known, own: theirs, theirs: own, choices: swapped(choices), ground });
  if (!sameData(back.garden, m.garden)) return `not symmetric: ${firstDifference(m.garden, back.garden)}`;
  const again = mergeGardens({ base: theirs, own: m.garden, theirs, ground });
  if (again.questions.length > 0 || !sameData(again.garden, m.garden))
    return `brought in twice: ${firstDifference(m.garden, again.garden)}`;
  const same = mergeGardens({ base: known, own, theirs: own, ground });
  if (same.questions.length > 0 || !sameData(same.garden, own))
    return `with itself it is another: ${same.questions.length} ${firstDifference(own, same.garden)}`;
  const lost = [...lostOf(base, own, m), ...lostOf(base, theirs, m)];
  if (lost.length > 0) return `lost: ${lost[0]!}`;
  return notAssociative(r, base);
}

/** Three copies: whichever two come together first, the same garden comes out, where nothing is asked. */
function notAssociative(r: Random, base: Garden): string | null {
  const [a, b, c] = [gone(r, base, 2), gone(r, base, 2), gone(r, base, 2)];
  const two = (own: Garden, theirs: Garden) => mergeGardens({ base, own, theirs, ground });
  const [ab, bc, ac] = [two(a, b), two(b, c), two(a, c)];
  const [left, right] = [two(ab.garden, c), two(a, bc.garden)];
  if ([ab, bc, ac, left, right].some((m) => m.questions.length > 0)) return null;
  return sameData(bare(left.garden), bare(right.garden))
    ? null
    : `not associative: ${firstDifference(left.garden, right.garden)}`;
}
/**
 * Without the history of what was left out: which of two was the loser first depends on the order. And without plans:
 * two that a move has made alike are recognised as one by the first two copies that hold both, whichever those are.
 */
const bare = (g: Garden): Garden => ({ ...g, corrections: [], plans: [] });

function firstDifference(a: Garden, b: Garden): string {
  for (const list of GARDEN_LISTS) {
    const [x, y] = [rowsOf(a, list), rowsOf(b, list)];
    for (const row of x) {
      const there = y.find((z) => z.id === row.id);
      if (!there) return `${list} ${row.id} is in one only`;
      for (const k of Object.keys(row))
        if (!sameData(row[k], there[k]))
          return `${list} ${row.id} ${k}: ${JSON.stringify(row[k]).slice(0, 300)} | ${JSON.stringify(there[k]).slice(0, 300)}`;
    }
    const more = y.find((z) => !x.some((w) => w.id === z.id));
    if (more) return `${list} ${more.id} is in the other only`;
  }
  return "the head, or an order";
}

/** Pairs gone through; the laws that were broken, each with its seed. */
export function pairsTried(n: number, seed: number): readonly string[] {
  const broken: string[] = [];
  for (let i = 0; i < n && broken.length < 5; i++) {
    const law = brokenLaw(seeded(seed + i));
    if (law !== null) broken.push(`seed ${seed + i}: ${law}`);
  }
  return broken;
}
