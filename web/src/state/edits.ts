/** Edits of a garden that more than one screen makes. */
import {
  daysBetween,
  MOST,
  sameData,
  UNSURVEYED_PLANT,
  wish,
  type Correction,
  type Garden,
  type ListName,
  type Observation,
  type Place,
  type PlainDate,
  type Plant,
  type Programme,
  type Visit,
} from "@wren/core";
import { Refused } from "../data/refused.ts";
import { nextPlace } from "../forms/nextPlace.ts";

type RowOf<L extends ListName> = Garden[L][number];
const nameOf = (row: object): string =>
  "label" in row ? `“${String(row.label)}” was` : "name" in row ? `“${String(row.name)}” was` : "That was";

/** Of an object as it is now, with the fields that differ between what it was and what it shall be. */
function patched<T extends object>(now: T, was: T, next: T): T {
  const changed = (Object.keys(next) as (keyof T)[]).filter((k) => !sameData(was[k], next[k]));
  return { ...now, ...Object.fromEntries(changed.map((k) => [k, next[k]])) };
}

/** A row of the garden as it is now, changed. Refuses when it is gone, here or in another tab. */
export function withRow<L extends ListName>(
  g: Garden,
  list: L,
  was: RowOf<L>,
  edit: (now: RowOf<L>) => RowOf<L>,
): Garden {
  const rows: readonly RowOf<L>[] = g[list];
  if (!rows.some((r) => r.id === was.id)) throw new Refused(`${nameOf(was)} removed meanwhile.`);
  return { ...g, [list]: rows.map((r) => (r.id === was.id ? edit(r) : r)) };
}

/** What a dialog changed of a row, laid onto the row as it is now: what it did not touch stays another tab's. */
export const withPatch = <L extends ListName>(g: Garden, list: L, was: RowOf<L>, next: RowOf<L>): Garden =>
  withRow(g, list, was, (now) => patched(now, was, next));

/** The same for the place. */
export const withPlace = (g: Garden, was: Place, next: Place): Garden => ({ ...g, place: patched(g.place, was, next) });

/** What is written down for a plant needs the plant. */
export function standing(g: Garden, ...plantIds: readonly string[]): Garden {
  if (!plantIds.every((id) => g.plants.some((p) => p.id === id))) throw new Refused("The plant was removed meanwhile.");
  return g;
}

/** A garden without an empty bed, and without what looks at it. Refuses while plants stand in it. */
export function withoutBed(g: Garden, bedId: string): Garden {
  if (g.plants.some((p) => p.bedId === bedId)) throw new Refused("Plants stand in it meanwhile.");
  const gone = g.viewpoints.filter((v) => v.bedId === bedId).map((v) => v.id);
  return { ...gone.reduce(withoutViewpoint, g), beds: g.beds.filter((b) => b.id !== bedId) };
}

/** A garden without a place somebody looks from, and without the views that plants had from it. */
export const withoutViewpoint = (g: Garden, id: string): Garden => ({
  ...g,
  viewpoints: g.viewpoints.filter((v) => v.id !== id),
  plants: g.plants.map((p) =>
    p.views.some((v) => v.viewpointId === id) ? { ...p, views: p.views.filter((v) => v.viewpointId !== id) } : p,
  ),
});

/** A garden without a plant and its records. */
export const withoutPlant = (g: Garden, plantId: string): Garden => ({
  ...g,
  plants: g.plants
    .filter((p) => p.id !== plantId)
    .map((p) => (p.pairedWith === plantId ? { ...p, pairedWith: null } : p))
    .map((p) => (p.parentId === plantId ? { ...p, parentId: null } : p)),
  visits: g.visits.filter((v) => v.plantId !== plantId),
  observations: g.observations.filter((o) => o.plantId !== plantId),
  photos: g.photos.filter((o) => o.plantId !== plantId),
  plans: g.plans.filter((o) => o.plantId !== plantId),
  programmes: g.programmes.filter((p) => p.plantId !== plantId),
  stands: g.stands.filter((s) => s.plantId !== plantId),
  hedges: g.hedges.filter((h) => h.plantId !== plantId),
  works: g.works.filter((w) => w.plantId !== plantId),
  corrections: g.corrections.filter((c) => c.plantId !== plantId),
});

/** A label nothing in the garden has: as wanted, or with a number. */
function freeLabel(g: Garden, wanted: string): string {
  const taken = new Set(g.plants.map((p) => p.label));
  const base = wanted.slice(0, 74);
  let label = base;
  for (let n = 2; taken.has(label); n++) label = `${base} ${n}`;
  return label;
}
/** Where another plant of its width finds room in its bed. */
const placeBeside = (g: Garden, plant: Plant): number =>
  nextPlace(g.plants, plant.bedId, g.beds.find((b) => b.id === plant.bedId)?.lengthM ?? plant.alongM, plant.widthM);

/** Another plant of the same kind beside it, with what was surveyed of the first but none of its records. */
export function copyOf(plant: Plant, g: Garden, id: string): Plant {
  const alongM = placeBeside(g, plant);
  return { ...plant, pairedWith: null, parentId: null, id, label: freeLabel(g, plant.label), alongM, health: null };
}

/** What a rooted branch is when it is lifted: a hand high or two, planted that day. */
const YOUNG = { heightM: 0.3, widthM: 0.2 } as const;
/** Rooted branches of a plant lifted and planted beside it, each a plant of its own that knows its parent. */
export function withYoung(g: Garden, parent: Plant, on: PlainDate, ids: readonly string[]): Garden {
  const plain = { ...UNSURVEYED_PLANT, bedId: parent.bedId, taxonId: parent.taxonId, identity: parent.identity };
  return ids.reduce(
    (sofar, id): Garden => {
      const young: Plant = {
        ...plain,
        ...YOUNG,
        id,
        label: freeLabel(sofar, `Young ${parent.label}`),
        alongM: placeBeside(sofar, { ...parent, ...YOUNG }),
        heightOn: on,
        plantedOn: on,
        condition: "healthy",
        conditionOn: on,
        goal: wish("routine"),
        powerLineM: null,
        thickestStemMm: null,
        note: "",
        parentId: parent.id,
      };
      return { ...sofar, plants: [...sofar.plants, young] };
    },
    standing(g, parent.id),
  );
}

/** A visit settles the plans for the same task at that plant that are nearest to it in the year. */
const SETTLES_DAYS = 90;
const settles = (visit: Visit, p: Garden["plans"][number]): boolean =>
  p.plantId === visit.plantId && p.task === visit.task && Math.abs(daysBetween(p.on, visit.on)) <= SETTLES_DAYS;
/** The plan that a visit settles, as the visit remembers it: the one nearest to its day. */
function settled(g: Garden, visit: Visit): Visit["planned"] {
  const off = (p: Garden["plans"][number]): number => Math.abs(daysBetween(p.on, visit.on));
  const plan = g.plans
    .filter((p) => settles(visit, p))
    .reduce<Garden["plans"][number] | null>((a, b) => (a && off(a) <= off(b) ? a : b), null);
  return plan && { on: plan.on, madeOn: plan.madeOn };
}
export const withVisit = (g: Garden, visit: Visit): Garden => ({
  ...standing(g, visit.plantId),
  visits: [...g.visits, { ...visit, planned: visit.planned ?? settled(g, visit) }],
  // A trim that was under way is recorded with it.
  hedges: g.hedges.map((h) => (h.plantId === visit.plantId && h.done !== null ? { ...h, done: null } : h)),
  plans: g.plans.filter((p) => !settles(visit, p)),
});

/** Something begun for years at a plant; it stands in place of what was begun there before. */
export const withProgramme = (g: Garden, programme: Programme): Garden => ({
  ...standing(g, programme.plantId),
  programmes: [...g.programmes.filter((p) => p.plantId !== programme.plantId), programme],
});

/** The day that something seen or done is written down for: the day on screen, not later than today nor before it was planted. */
export function seenDay(plant: Plant, on: PlainDate, today: PlainDate): PlainDate {
  const day = on > today ? today : on;
  return plant.plantedOn !== null && day < plant.plantedOn ? plant.plantedOn : day;
}

/** The gardener's word on how far a season runs ahead, or none. */
export const withPace = (g: Garden, seasonYear: number, paceDays: number | null): Garden => ({
  ...g,
  seasons: [
    ...g.seasons.filter((s) => s.seasonYear !== seasonYear),
    ...(paceDays === null ? [] : [{ id: `season-${seasonYear}`, seasonYear, paceDays }]),
  ],
});

/** A record changed or taken out, with what stood before kept readable; the oldest of such give way when there are too many. */
export function withCorrected<L extends "visits" | "observations">(
  g: Garden,
  list: L,
  was: RowOf<L>,
  next: RowOf<L> | null,
  at: { readonly id: string; readonly on: PlainDate },
): Garden {
  const row: Visit | Observation = was;
  const stood: Correction = {
    ...at,
    plantId: row.plantId,
    rowId: row.id,
    removed: next === null,
    was: list === "visits" ? { of: "visit", row: row as Visit } : { of: "observation", row: row as Observation },
  };
  const rows: readonly RowOf<L>[] = g[list];
  if (!rows.some((r) => r.id === was.id)) throw new Refused("That was removed meanwhile.");
  return {
    ...g,
    [list]: next === null ? rows.filter((r) => r.id !== was.id) : rows.map((r) => (r.id === was.id ? next : r)),
    corrections: [...g.corrections.slice(Math.max(0, g.corrections.length - MOST.corrections + 1)), stood],
  };
}

/** A lesson of the record used, or set aside so that the catalogue's value holds. */
export const withLesson = (g: Garden, id: string, used: boolean): Garden => ({
  ...g,
  rules: {
    ...g.rules,
    setAside: used ? g.rules.setAside.filter((x) => x !== id) : [...g.rules.setAside.filter((x) => x !== id), id],
  },
});
