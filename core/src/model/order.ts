/** The one order of a garden's rows, so that two equal gardens are equal as text too. */
import type { Garden } from "./garden.ts";

const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
const byDay = (a: { on: string; id: string }, b: { on: string; id: string }): number =>
  byText(a.on, b.on) || byText(a.id, b.id);

/** Beds by their order, plants along their beds, records by day. */
export function inOrder(g: Garden): Garden {
  const bedOrder = new Map(g.beds.map((b) => [b.id, b.order]));
  return {
    ...g,
    beds: g.beds.toSorted((a, b) => a.order - b.order || byText(a.id, b.id)),
    plants: g.plants.toSorted(
      (a, b) =>
        (bedOrder.get(a.bedId) ?? 0) - (bedOrder.get(b.bedId) ?? 0) ||
        byText(a.bedId, b.bedId) ||
        a.alongM - b.alongM ||
        byText(a.id, b.id),
    ),
    visits: g.visits.toSorted(byDay),
    observations: g.observations.toSorted(byDay),
    viewpoints: g.viewpoints.toSorted((a, b) => byText(a.id, b.id)),
    photos: g.photos.toSorted(byDay),
    plans: g.plans.toSorted(byDay),
    programmes: g.programmes.toSorted(byDay),
    stands: g.stands.toSorted(byDay),
    hedges: g.hedges.toSorted(byDay),
    works: g.works.toSorted(byDay),
    corrections: g.corrections.toSorted(byDay),
    weather: g.weather.toSorted((a, b) => a.year - b.year || byText(a.id, b.id)),
    seasons: g.seasons.toSorted((a, b) => a.seasonYear - b.seasonYear || byText(a.id, b.id)),
  };
}

/** Plain data with its keys in order, so that two rows written in different orders compare as text. */
const keysInOrder = (x: unknown): unknown => {
  if (typeof x !== "object" || x === null) return x;
  if (Array.isArray(x)) return x.map(keysInOrder);
  const entries = Object.entries(x).sort(([a], [b]) => byText(a, b));
  return Object.fromEntries(entries.map(([k, v]) => [k, keysInOrder(v)]));
};

/** Are two pieces of plain data the same, whatever the order of their keys? */
export const sameData = (a: unknown, b: unknown): boolean =>
  a === b || JSON.stringify(keysInOrder(a)) === JSON.stringify(keysInOrder(b));
