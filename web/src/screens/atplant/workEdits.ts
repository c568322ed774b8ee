/** Edits of work under way. Each is laid on the row as it is by then: what another tab or phone ticked stays ticked. */
import {
  addDays,
  BOUNDS,
  heightOf,
  minutesSoFar,
  MOST,
  regimeOf,
  soFar,
  tickedCuts,
  tryOut,
  visitOfWork,
  withFind,
  type AtPlant,
  type Find,
  type Garden,
  type GardenModel,
  type PlainDate,
  type Share,
  type Task,
  type Work,
} from "@wren/core";
import { Refused } from "../../data/refused.ts";
import { withCarriedOut } from "../../state/carried.ts";
import { standing, withRow, withVisit } from "../../state/edits.ts";

/** The work under way at a plant for a task, if there is. */
export const workAt = (g: Garden, plantId: string, task: Task): Work | null =>
  g.works.find((w) => w.plantId === plantId && w.task === task) ?? null;

/** Work begun; begun already, here or in another tab, it is gone on with. */
export function withBegun(g: Garden, at: Pick<Work, "id" | "plantId" | "on" | "task">, nowMs: number): Garden {
  if (workAt(g, at.plantId, at.task)) return g;
  if (g.works.length >= MOST.works) throw new Refused("Too much work is under way: finish some of it first.");
  const work: Work = { ...at, passes: [], cuts: [], share: null, found: [], minutes: 0, since: nowMs, note: "" };
  return { ...standing(g, at.plantId), works: [...g.works, work] };
}

const ticked = (list: readonly string[], key: string, on: boolean): string[] => [
  ...list.filter((k) => k !== key),
  ...(on ? [key] : []),
];

/** A pass done, or not after all. */
export const withPass = (g: Garden, work: Work, pass: string, done: boolean): Garden =>
  withRow(g, "works", work, (w) => ({ ...w, passes: ticked(w.passes, pass, done) }));
/** A cut made, or not after all. */
export const withCuts = (g: Garden, work: Work, keys: readonly string[], done: boolean): Garden =>
  withRow(g, "works", work, (w) => ({ ...w, cuts: keys.reduce<string[]>((l, k) => ticked(l, k, done), w.cuts) }));
/** Live growth taken so far, by eye. */
export const withShare = (g: Garden, work: Work, share: Share): Garden =>
  withRow(g, "works", work, (w) => ({ ...w, share }));
/** The clock stopped or started. */
export const withClock = (g: Garden, work: Work, runs: boolean, nowMs: number): Garden =>
  withRow(g, "works", work, (row) => {
    const w = row as Work;
    if (runs === (w.since !== null)) return w;
    return runs
      ? { ...w, since: nowMs }
      : { ...w, minutes: Math.min(BOUNDS.minutes.to, minutesSoFar(w, nowMs)), since: null };
  });
/** Something found: written down with the work, and where it changes the answer, with the plant. */
export function withFound(g: Garden, work: Work, find: Find, on: PlainDate): Garden {
  const found = withRow(g, "works", work, (w) => ({ ...w, found: [...w.found, find] }));
  return { ...found, plants: found.plants.map((p) => (p.id === work.plantId ? withFind(p, find, on) : p)) };
}
/** A stem thicker than was thought. */
export const withThickness = (g: Garden, plantId: string, mm: number): Garden => ({
  ...g,
  plants: g.plants.map((p) => (p.id === plantId ? { ...p, thickestStemMm: Math.max(mm, p.thickestStemMm ?? 0) } : p)),
});

const withoutWork = (g: Garden, work: Work): Garden => ({ ...g, works: g.works.filter((w) => w.id !== work.id) });
/** Not another tab's visit twice: who ends work that is ended already is told. */
function stillThere(g: Garden, work: Work): Work {
  const now = g.works.find((w) => w.id === work.id);
  if (!now) throw new Refused("This work was finished meanwhile, in another tab or on another device.");
  return now;
}

/** Work let go without a cut: it was cut already, or it is not to be done. Its plan goes with it. */
export const withLetGo = (g: Garden, work: Work): Garden => {
  stillThere(g, work);
  return {
    ...withoutWork(g, work),
    plans: g.plans.filter((p) => p.plantId !== work.plantId || p.task !== work.task),
  };
};

interface Finish {
  readonly model: GardenModel;
  readonly at: AtPlant;
  readonly nowMs: number;
  readonly ids: { readonly stand: string; readonly height: string; readonly plan: string };
  /** What is not done stays planned. */
  readonly restLater: boolean;
}
/** So many days on, the rest of the work is looked at again. */
const REST_DAYS = 7;
/** Work finished: a visit with what was truly cut, the stems that are left, and the rest planned anew where it is left. */
export function withFinished(g: Garden, work: Work, { model, at, nowMs, ids, restLater }: Finish): Garden {
  // What another tab ticked meanwhile was cut as well.
  const now = stillThere(g, work);
  const visit = visitOfWork(model, at, now, soFar(model, at, now, now.on), minutesSoFar(now, nowMs));
  const cuts = [...tickedCuts(at, now)];
  const { list, plant, task, build } = at;
  const booked =
    list && cuts.length > 0
      ? withCarriedOut(
          g,
          list.stand,
          { id: list.tryId, task, cuts },
          build,
          {
            visitId: work.id,
            standId: ids.stand,
            on: work.on,
            regime: regimeOf(model.taxonOf(plant), task),
            amounts: tryOut(model, { plant, stems: list.stand.stems, task, cuts }, work.on),
            heightM: heightOf(model, plant, work.on).heightM,
            heightId: ids.height,
          },
          [],
          { minutes: visit.minutes, note: visit.note, begun: visit.begun, deadStemsCount: visit.deadStemsCount },
        )
      : withVisit(g, visit);
  const ended = withoutWork(booked, work);
  if (!restLater) return ended;
  // Cuts at stems that were not touched are still to be made; the list goes on with them.
  const touched = new Set(cuts.flatMap((c) => ("stemId" in c ? [c.stemId] : [])));
  const rest = (list?.lines ?? []).map((l) => l.cut).filter((c) => "stemId" in c && !touched.has(c.stemId));
  return {
    ...ended,
    stands: ended.stands.map((s) =>
      s.id === ids.stand && rest.length > 0
        ? { ...s, tries: [{ id: list!.tryId, task, cuts: rest }], chosen: list!.tryId }
        : s,
    ),
    plans: [
      ...ended.plans,
      {
        id: ids.plan,
        plantId: plant.id,
        on: addDays(work.on, REST_DAYS),
        task,
        madeOn: work.on,
        half: null,
        fixed: false,
        note: `The rest: ${at.passes.length - now.passes.length} of ${at.passes.length} passes`,
      },
    ],
  };
}
