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

/** Are two pieces of plain data the same, whatever the order of their keys? What is undefined is not there. */
export function sameData(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  if (Array.isArray(a) || Array.isArray(b))
    return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((x, i) => sameData(x, b[i]));
  const [one, other] = [a as Readonly<Record<string, unknown>>, b as Readonly<Record<string, unknown>>];
  return (
    Object.keys(one).every((k) => sameData(one[k], other[k])) &&
    Object.keys(other).every((k) => k in one || other[k] === undefined)
  );
}
