/** Cuts on stems that were carried out: the visit, how tall the plant was left, the stems that are left; at others of its row too. */
import {
  carriedOut,
  heightLeft,
  visitAlike,
  type Build,
  type Done,
  type Garden,
  type InRow,
  type Stand,
  type Try,
  type Visit,
} from "@wren/core";
import { withVisit } from "./edits.ts";
import { newId } from "./ids.ts";

/** The same work booked at others of the row, each brought down by the same part of its own height. */
function withAlike(g: Garden, done: Done, others: readonly InRow[]): Garden {
  const visit = g.visits.find((v) => v.id === done.visitId);
  if (!visit) return g;
  return others.reduce((sofar, other) => {
    const booked = withVisit(sofar, visitAlike(visit, done.amounts.share, other, newId()));
    const at = { id: newId(), plantId: other.plant.id, on: done.on, heightM: other.heightM };
    const height = heightLeft(done.amounts, at);
    return height ? { ...booked, observations: [...booked.observations, height] } : booked;
  }, g);
}

/**
 * The try was carried out: a visit is recorded, and the stems are those that are left.
 * @param others of its row at which the same was done
 * @param more what else is known of the visit
 */
export function withCarriedOut(
  g: Garden,
  stand: Stand,
  t: Try,
  build: Build,
  done: Done,
  others: readonly InRow[] = [],
  more: Partial<Visit> = {},
): Garden {
  const { visit, height, left } = carriedOut(stand, t, build, done);
  const same = stand.on === left.on ? g.stands.filter((s) => s.id !== stand.id) : g.stands;
  const settled = same.map((s) => (s.id === stand.id ? { ...s, chosen: t.id } : s));
  // What the cuts themselves began is begun, whatever else was.
  const begun = [...new Set([...visit.begun, ...(more.begun ?? [])])];
  const recorded = withVisit(g, { ...visit, ...more, begun });
  const all = {
    ...recorded,
    observations: height ? [...recorded.observations, height] : recorded.observations,
    stands: [...settled, left],
  };
  return withAlike(all, done, others);
}
