/** What a row's own schema cannot see: names that point nowhere, days that cannot be, measures against each other. */
import type { Catalogue } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { GARDEN_LISTS, latestRecord, type Garden, type Hedge, type ListName } from "../model/index.ts";
import { issue, type FileIssue, type Path } from "./issues.ts";

export type Rows<L extends ListName> = readonly { readonly i: number; readonly row: Garden[L][number] }[];
/** The rows that are sound in themselves, each with its place, and every id that any row carries, sound or not. */
export interface Sound {
  readonly rows: <L extends ListName>(list: L) => Rows<L>;
  readonly ids: (list: ListName) => ReadonlySet<unknown>;
}

export interface Ground {
  readonly catalogue: Catalogue;
  /** Records may be of the day after it: east of here it is tomorrow already. */
  readonly today: PlainDate;
}

/** Calls back with each issue of rows among each other; the path begins with the list and the row's place in it. */
export function crossChecks(sound: Sound, ground: Ground, say: (i: FileIssue) => void): void {
  const all = (issues: readonly FileIssue[]): void => issues.forEach(say);
  const latest = latestRecord(ground.today);
  for (const list of GARDEN_LISTS) twiceIssues(sound, list).forEach(say);
  for (const { i, row } of sound.rows("plants")) all(plantIssues(sound, row, ["plants", i], ground.catalogue, latest));
  for (const list of ["visits", "observations", "photos"] as const) recordIssues(sound, list, latest).forEach(say);
  for (const list of ["plans", "programmes", "stands", "hedges", "works", "corrections"] as const)
    for (const { i, row } of sound.rows(list))
      if (row.plantId !== null && !sound.ids("plants").has(row.plantId))
        say(issue("plant-unknown", [list, i, "plantId"], { got: row.plantId }));
  for (const { i, row } of sound.rows("stands")) all(standIssues(row, ["stands", i]));
  const hedged = new Set<string>();
  for (const { i, row } of sound.rows("hedges")) {
    all(hedgeIssues(row, ["hedges", i], ground.catalogue));
    if (hedged.has(row.plantId)) say(issue("hedge-twice", ["hedges", i, "plantId"], { got: row.plantId }));
    hedged.add(row.plantId);
  }
  for (const { i, row } of sound.rows("viewpoints")) all(unknownBed(sound, ["viewpoints", i], row.bedId));
  for (const { i, row } of sound.rows("visits")) all(cutIssues(row, ["visits", i]));
  for (const { i, row } of sound.rows("weather")) all(weatherIssues(row, ["weather", i]));
}

/** What is wrong with a row by itself, beyond its schema. */
export function rowIssues(list: ListName, row: Garden[ListName][number], { catalogue }: Ground): FileIssue[] {
  if (list === "visits") return cutIssues(row as Garden["visits"][number], []);
  if (list === "stands") return standIssues(row as Garden["stands"][number], []);
  if (list === "hedges") return hedgeIssues(row as Hedge, [], catalogue);
  if (list === "weather") return weatherIssues(row as Garden["weather"][number], []);
  return [];
}

function twiceIssues(sound: Sound, list: ListName): FileIssue[] {
  const met = new Set<string>();
  return sound.rows(list).flatMap(({ i, row }) => {
    const twice = met.has(row.id);
    met.add(row.id);
    return twice ? [issue("id-twice", [list, i, "id"], { got: row.id })] : [];
  });
}

const unknownBed = (sound: Sound, here: Path, bedId: string): FileIssue[] =>
  sound.ids("beds").has(bedId) ? [] : [issue("bed-unknown", [...here, "bedId"], { got: bedId })];

function plantIssues(
  sound: Sound,
  p: Garden["plants"][number],
  here: Path,
  catalogue: Catalogue,
  latest: PlainDate,
): FileIssue[] {
  const viewpoints = sound.ids("viewpoints");
  const kinds: [path: Path, id: string][] = [[["taxonId"], p.taxonId]];
  p.identity?.candidates.forEach((c, j) => kinds.push([["identity", "candidates", j, "taxonId"], c.taxonId]));
  const days = { plantedOn: p.plantedOn, heightOn: p.heightOn, conditionOn: p.conditionOn };
  return [
    ...kinds
      .filter(([, id]) => catalogue.byId(id) === null)
      .map(([path, got]) => issue("taxon-unknown", [...here, ...path], { got })),
    ...unknownBed(sound, here, p.bedId),
    ...p.views.flatMap((v, j) =>
      viewpoints.has(v.viewpointId)
        ? []
        : [issue("viewpoint-unknown", [...here, "views", j, "viewpointId"], { got: v.viewpointId })],
    ),
    ...Object.entries(days)
      .filter(([, d]) => d !== null && d > latest)
      .map(([field, d]) => issue("date-future", [...here, field], { got: String(d), today: latest })),
  ];
}

/** Visits, observations and photos belong to a plant and to a day on which it stood. */
function recordIssues(sound: Sound, list: "visits" | "observations" | "photos", latest: PlainDate): FileIssue[] {
  const plantIds = sound.ids("plants");
  const plants = new Map(sound.rows("plants").map(({ row }) => [row.id, row]));
  return sound.rows(list).flatMap(({ i, row: r }): FileIssue[] => {
    const here = [list, i] as const;
    const planted = plants.get(r.plantId)?.plantedOn ?? null;
    const out: FileIssue[] = [];
    if (!plantIds.has(r.plantId)) out.push(issue("plant-unknown", [...here, "plantId"], { got: r.plantId }));
    else if (planted !== null && r.on < planted)
      out.push(issue("date-before-planting", [...here, "on"], { got: r.on, planted }));
    if (r.on > latest) out.push(issue("date-future", [...here, "on"], { got: r.on, today: latest }));
    return out;
  });
}

/** Measures of a visit that contradict themselves. */
export function cutIssues(v: Pick<Garden["visits"][number], "cuts">, here: Path): FileIssue[] {
  return v.cuts.flatMap((c, j): FileIssue[] => {
    const path = [...here, "cuts", j];
    if (c.by === "height" && c.afterM > c.beforeM)
      return [issue("height-order", [...path, "afterM"], { before: c.beforeM, after: c.afterM })];
    if (c.by === "stems" && c.removedCount > c.liveCount)
      return [issue("stems-order", [...path, "removedCount"], { removed: c.removedCount, live: c.liveCount })];
    return [];
  });
}

/** Ground that rises more steeply than one in one is a slip. */
const STEEPEST = 1;

/** What is wrong with a hedge's line: posts out of order, ground too steep, stretches and gaps that do not lie on it. */
export function hedgeIssues(h: Hedge, here: Path, catalogue: Pick<Catalogue, "byId">): FileIssue[] {
  const lengthM = h.posts.at(-1)!.alongM;
  const posts = h.posts.slice(1).flatMap((p, i): FileIssue[] => {
    const before = h.posts[i]!;
    const on = p.alongM - before.alongM;
    const path = [...here, "posts", i + 1];
    if (on <= 0) return [issue("posts-order", [...path, "alongM"], { got: p.alongM, before: before.alongM })];
    const rise = Math.abs(p.groundM - before.groundM) / on;
    if (rise <= STEEPEST) return [];
    return [issue("slope-steep", [...path, "groundM"], { got: Math.round((Math.atan(rise) * 180) / Math.PI) })];
  });
  const stretches = h.stretches.flatMap((s, i): FileIssue[] => {
    const path = [...here, "stretches", i];
    const from = h.stretches[i - 1]?.toM ?? 0;
    return [
      ...(catalogue.byId(s.taxonId) ? [] : [issue("taxon-unknown", [...path, "taxonId"], { got: s.taxonId })]),
      ...(s.toM > from && s.toM <= lengthM
        ? []
        : [issue("span-order", [...path, "toM"], { from, to: s.toM, lengthM })]),
    ];
  });
  const gaps = h.gaps.flatMap((g, i) =>
    g.fromM < g.toM && g.toM <= lengthM
      ? []
      : [issue("span-order", [...here, "gaps", i, "toM"], { from: g.fromM, to: g.toM, lengthM })],
  );
  const done =
    h.done !== null && h.done.toM > lengthM
      ? [issue("span-order", [...here, "done", "toM"], { from: 0, to: h.done.toM, lengthM })]
      : [];
  return [...posts, ...stretches, ...gaps, ...done];
}

/** Stems named twice, and cuts at stems, side branches or shoots that are not there. */
function standIssues(s: Garden["stands"][number], here: Path): FileIssue[] {
  const stems = new Map(s.stems.map((x) => [x.id, x.branches]));
  const met = new Set<string>();
  const twice = s.stems.flatMap((x, i) => {
    const again = met.has(x.id);
    met.add(x.id);
    return again ? [issue("id-twice", [...here, "stems", i, "id"], { got: x.id })] : [];
  });
  const cuts = s.tries.flatMap((t, i) =>
    t.cuts.flatMap((c, j) => {
      if (!("stemId" in c)) return [];
      const branches = stems.get(c.stemId);
      const branch = "branch" in c ? branches?.[c.branch] : null;
      const missing =
        branches === undefined || branch === undefined || ("shoot" in c && branch?.shoots[c.shoot] === undefined);
      return missing ? [issue("stem-unknown", [...here, "tries", i, "cuts", j], { got: c.stemId })] : [];
    }),
  );
  return [...twice, ...cuts];
}

/** The first day of a year whose minimum lies above its maximum. */
function weatherIssues(w: Garden["weather"][number], here: Path): FileIssue[] {
  const day = w.tminC.findIndex((lo, d) => lo !== null && (w.tmaxC[d] ?? null) !== null && lo > w.tmaxC[d]!);
  return day < 0 ? [] : [issue("weather-order", [...here, "tminC", day], { minC: w.tminC[day]!, maxC: w.tmaxC[day]! })];
}
