/** Broken files in great number, always the same ones for a seed: garden files, tables and weather files. */
import { adviseAll, date, demoGarden, CATALOGUE, openGarden, kindCache, type Garden } from "@wren/core";
import {
  adviceJson,
  headingIssues,
  issueText,
  matchColumns,
  openGardenFile,
  pathText,
  plantTable,
  readWeather,
  seeded,
  tableReader,
  voiceOf,
  withTable,
  writeGardenFile,
  type Issue,
  type IssueCode,
} from "@wren/core";

export const today = date("2026-11-25");
const garden = demoGarden(today);
// A hedge is among them.
const plants = garden.plants
  .filter((p, i) => i < 5 || garden.hedges.some((h) => h.plantId === p.id))
  .map((p) => ({ ...p, views: [] }));
const own = <T extends { readonly plantId: string }>(rows: readonly T[]): T[] =>
  rows.filter((r) => plants.some((p) => p.id === r.plantId));
/** A few plants of everything: small, so that many can be read. */
const small: Garden = {
  ...garden,
  plants,
  visits: own(garden.visits).slice(0, 8),
  observations: own(garden.observations).slice(0, 4),
  plans: own(garden.plans),
  programmes: own(garden.programmes),
  stands: own(garden.stands),
  hedges: own(garden.hedges),
  photos: [{ id: "f1", plantId: plants[0]!.id, on: date("2026-05-01"), caption: "In bloom" }],
  weather: [
    { id: "weather-2026", year: 2026, source: "own", tminC: [1, 2, null], tmaxC: [4, 5, null], rainMm: [0, null, 3] },
  ],
};
const file = writeGardenFile(small, { pictures: [{ id: "f1", jpeg: "abcd" }] });
const cache = kindCache(small);

type Random = () => number;
const pick = <T>(r: Random, xs: readonly T[]): T => xs[Math.floor(r() * xs.length)]!;

const VALUES: readonly unknown[] = [
  null,
  true,
  false,
  -1,
  0,
  1,
  0.5,
  1e9,
  -1e300,
  Infinity,
  2 ** 53,
  "",
  " ",
  "x",
  "é\u0000\u202e",
  "x".repeat(5000),
  "2025-02-30",
  "9999-12-31",
  "2031-01-01",
  "12-31",
  "__proto__",
  [],
  {},
  [[]],
  [null],
  { id: 1 },
  Array.from({ length: 3000 }, () => 0),
];

/** Every place in a piece of plain data: its holder and its key. */
function places(x: unknown, out: [holder: Record<string, unknown>, key: string][] = []): typeof out {
  if (typeof x !== "object" || x === null) return out;
  for (const [key, v] of Object.entries(x)) {
    out.push([x as Record<string, unknown>, key]);
    places(v, out);
  }
  return out;
}

/** One file with one to four things wrong in its data, or in its letters. */
export function brokenFile(r: Random): string {
  if (r() < 0.15) {
    const at = Math.floor(r() * file.length);
    const cut = r() < 0.5 ? "" : pick(r, ["}", "{", '"', ",", "\u0000", "1e999", "[["]);
    return file.slice(0, at) + cut + file.slice(at + Math.floor(r() * 20));
  }
  const data = JSON.parse(file) as Record<string, unknown>;
  const n = 1 + Math.floor(r() * 4);
  for (let i = 0; i < n; i++) {
    const all = places(data);
    const [holder, key] = pick(r, all);
    const way = r();
    if (way < 0.2) Reflect.deleteProperty(holder, key);
    else if (way < 0.3)
      Object.assign(holder, { [pick(r, ["more", "toString", "x".repeat(200)])]: structuredClone(pick(r, VALUES)) });
    else if (way < 0.4) {
      const [other, from] = pick(r, all);
      Object.assign(holder, { [key]: structuredClone(other[from]) });
    } else if (way < 0.45 && Array.isArray(holder)) holder.push(structuredClone(holder[Number(key)]));
    else Object.assign(holder, { [key]: structuredClone(pick(r, VALUES)) });
  }
  return JSON.stringify(data);
}

const CELLS: readonly string[] = [
  "",
  " ",
  "-",
  "=1+1",
  "1e9",
  "-3",
  "120",
  "1,2 m",
  "4 ft 2 in",
  "0",
  "NaN",
  "Infinity",
  "2019",
  "2026-02-30",
  "9999",
  "unknown",
  "lilac",
  "x".repeat(300),
  "é, \u0000",
  "'",
  '"',
  "1 2 3",
  "[",
  "m",
  "mm".repeat(200),
  "1".repeat(500),
];
const good = plantTable(small, CATALOGUE);

/** Rows of cells of a table of plants, some of them wrong, some of them more or fewer than they should be. */
export function brokenTable(r: Random): string[][] {
  const rows = good.map((row) => [...row]);
  const n = 1 + Math.floor(r() * 6);
  for (let i = 0; i < n; i++) {
    const row = pick(r, rows);
    const at = Math.floor(r() * row.length);
    const way = r();
    if (way < 0.7) row[at] = pick(r, CELLS);
    else if (way < 0.8) row.splice(at, 1);
    else if (way < 0.9) row.push(pick(r, CELLS));
    else rows.push([...row]);
  }
  return rows;
}

const WEATHER_CELLS: readonly string[] = [
  "",
  "NA",
  "-",
  "-9999",
  "1e5",
  "12,5",
  "12.5 °C",
  "abc",
  "2026-02-30",
  "31/12/2025",
  "12/31/2025",
  "20250101",
  "9999-01-01",
  "1",
  "99",
  "x".repeat(500),
  "1 ".repeat(300),
  "Infinity",
  "tmin",
  "-80",
  "3000",
];
/** Rows of cells of a file of daily weather. */
export function brokenWeather(r: Random): string[][] {
  const days = 5 + Math.floor(r() * 40);
  const rows = [["date", "tmin", "tmax", "rain"]];
  for (let i = 0; i < days; i++) {
    const d = String(1 + (i % 28)).padStart(2, "0");
    const lo = Math.round(r() * 20 - 5);
    rows.push([`2025-0${1 + Math.floor(i / 28)}-${d}`, String(lo), String(lo + Math.round(r() * 12)), "0"]);
  }
  const n = Math.floor(r() * 6);
  for (let i = 0; i < n; i++) {
    const row = pick(r, rows);
    const way = r();
    if (way < 0.75) row[Math.floor(r() * row.length)] = pick(r, WEATHER_CELLS);
    else if (way < 0.9) row.pop();
    else rows.push([...row]);
  }
  return rows;
}

/** Where a refusal is said to lie, and its sentence; throws when either tells nothing. */
function told(issues: readonly Issue<IssueCode>[]): void {
  if (issues.length === 0) throw new Error("refused without an issue");
  for (const i of issues) {
    // What was met is quoted as it was.
    const text = issueText(i).replace(/“[^”]*”/g, "“”");
    if (!/\w.*[.”)?]$/s.test(text) || /undefined|NaN|\[object|Infinity/.test(text))
      throw new Error(`said badly: ${text} (${pathText(i.path)})`);
  }
  const paths = issues.map((i) => `${pathText(i.path)} ${issueText(i)}`);
  if (new Set(paths).size !== paths.length) throw new Error(`said twice: ${paths.join(" | ").slice(0, 300)}`);
}

const NO_NUMBER = /NaN|Infinity|undefined/;
/** What a garden that was read in answers today; throws where it cannot, or where a sentence holds no number. */
function answers(g: Garden): void {
  const same = JSON.stringify(g.place) === JSON.stringify(small.place);
  const model = same ? openGarden(g, CATALOGUE, cache) : openGarden(g, CATALOGUE);
  const say = voiceOf("metric");
  const text = JSON.stringify(
    adviseAll(model, today).map((a) => adviceJson(a, say)),
    (_, v: unknown) => (typeof v === "number" && !Number.isFinite(v) ? "NaN" : v),
  );
  // A plant may be called so.
  if (g.plants.some((p) => NO_NUMBER.test(`${p.label} ${p.id}`))) return;
  const found = NO_NUMBER.exec(text);
  if (found)
    throw new Error(`an answer holds no number: ${text.slice(Math.max(0, found.index - 150), found.index + 50)}`);
}

export interface Tally {
  read: number;
  refused: number;
}
const counted = (t: Tally, wasRead: boolean): void => {
  if (wasRead) t.read++;
  else t.refused++;
};

/** So many broken garden files: each is read whole, written again the same and answered for, or refused with a place. */
export function gardenFiles(n: number, seed: number): Tally {
  const tally = { read: 0, refused: 0 };
  for (let i = 0; i < n; i++) {
    const text = brokenFile(seeded(seed * 100_003 + i));
    const r = openGardenFile(text, CATALOGUE, today);
    counted(tally, r.ok);
    if (!r.ok) told(r.issues);
    else {
      answers(r.value.garden);
      const along = { pictures: r.value.pictures, apart: r.value.apart.map((a) => ({ ...a, why: "" })) };
      const again = openGardenFile(writeGardenFile(r.value.garden, along), CATALOGUE, today);
      if (JSON.stringify(again) !== JSON.stringify(r)) throw new Error(`file ${i} does not come back the same`);
    }
  }
  return tally;
}

/** So many broken tables of plants. */
export function tables(n: number, seed: number): Tally {
  const tally = { read: 0, refused: 0 };
  for (let i = 0; i < n; i++) {
    const [headings, ...rows] = brokenTable(seeded(seed * 100_003 + i));
    const mapping = matchColumns(headings!);
    const wrong = headingIssues(headings!, mapping, rows.length);
    if (wrong.length > 0) {
      told(wrong);
      counted(tally, false);
      continue;
    }
    let id = 0;
    const ctx = { garden: small, catalogue: CATALOGUE, today, newId: () => `new-${id++}` };
    const reader = tableReader(ctx, headings!, mapping);
    rows.forEach((cells, line) => reader.row(line + 2, cells));
    const r = reader.finish();
    counted(tally, r.ok);
    if (!r.ok) told(r.issues);
    else {
      const next = withTable(small, r.value);
      const back = openGardenFile(writeGardenFile(next), CATALOGUE, today);
      if (!back.ok) throw new Error(`table ${i} makes a garden that cannot be read: ${issueText(back.issues[0]!)}`);
      answers(next);
    }
  }
  return tally;
}

/** So many broken files of daily weather. */
export function weatherFiles(n: number, seed: number): Tally {
  const tally = { read: 0, refused: 0 };
  for (let i = 0; i < n; i++) {
    const r = readWeather(brokenWeather(seeded(seed * 100_003 + i)), today);
    counted(tally, r.ok);
    if (!r.ok) told(r.issues);
    else {
      const next = { ...small, weather: [...r.value.years] };
      const back = openGardenFile(writeGardenFile(next), CATALOGUE, today);
      if (!back.ok) throw new Error(`weather ${i} makes a garden that cannot be read: ${issueText(back.issues[0]!)}`);
      answers(next);
    }
  }
  return tally;
}

/** Seconds a file takes to be refused or read, by its size: n rows of the kind that is worst. */
export function timeOf(n: number): number {
  const data = JSON.parse(file) as { garden: Record<string, unknown> };
  data.garden["visits"] = Array.from({ length: n }, (_, i) => ({ id: `v${i}`, cuts: [{ by: "no" }], on: "never" }));
  const text = JSON.stringify(data);
  const began = performance.now();
  openGardenFile(text, CATALOGUE, today);
  return (performance.now() - began) / 1000;
}
