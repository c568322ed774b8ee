/** Edits of the garden that the work days make: jobs kept on their half-days, put there by hand, let go. */
import type { Garden, Half, HalfDay, Job, PlainDate, WorkPlan } from "@wren/core";
import { standing } from "../../state/edits.ts";

type Plan = Garden["plans"][number];

/** A garden with a job planned for a half-day; what was planned of it before is moved, not doubled. */
export function withJobOn(
  g: Garden,
  job: Job,
  at: Pick<HalfDay, "on" | "half">,
  { fixed, id, madeOn }: { readonly fixed: boolean; readonly id: string; readonly madeOn: PlainDate },
): Garden {
  const { task } = job;
  if (task === null) return g;
  const old = g.plans.find((p) => p.id === job.due.plan?.id);
  const row: Plan = old
    ? { ...old, on: at.on, half: at.half, fixed }
    : { id, plantId: job.plantId, on: at.on, task, madeOn, half: at.half, fixed, note: "" };
  return { ...standing(g, job.plantId), plans: [...g.plans.filter((p) => p.id !== row.id), row] };
}

/** A garden whose job may be moved again. */
export const withJobFree = (g: Garden, job: Job): Garden => ({
  ...g,
  plans: g.plans.map((p) => (p.id === job.due.plan?.id ? { ...p, fixed: false } : p)),
});

/** Every job of a plan kept on its half-day; what is looked at only is not planned. */
export const withKept = (g: Garden, plan: WorkPlan, madeOn: PlainDate, newId: () => string): Garden =>
  plan.jobs.reduce((sofar, job, i) => {
    const at = plan.arrangement[i]!.findIndex((n) => n > 0);
    return at < 0
      ? sofar
      : withJobOn(sofar, job, plan.halves[at]!, { fixed: job.due.plan?.fixed === true, id: newId(), madeOn });
  }, g);

/** Is everything that is cut kept where the plan has it? */
export const isKept = (plan: WorkPlan): boolean =>
  plan.jobs.every((job, i) => {
    const at = plan.halves[plan.arrangement[i]!.findIndex((n) => n > 0)];
    const kept = job.due.plan;
    return at === undefined || job.task === null || (kept?.on === at.on && kept.half === at.half);
  });

/** A half of a usual week with so many minutes; none takes it away. */
export function withWeekHalf(g: Garden, weekday: number, half: Half, minutes: number): Garden {
  const rest = g.rules.time.week.filter((w) => w.weekday !== weekday || w.half !== half);
  const week = minutes > 0 ? [...rest, { weekday, half, minutes }] : rest;
  return { ...g, rules: { ...g.rules, time: { ...g.rules.time, week } } };
}
/** A single half of a day that is otherwise; null takes what was said of it back. */
export function withHalfOtherwise(
  g: Garden,
  on: PlainDate,
  half: Half,
  time: { readonly minutes: number; readonly helpers: number } | null,
): Garden {
  const rest = g.rules.time.otherwise.filter((o) => o.on !== on || o.half !== half);
  return {
    ...g,
    rules: { ...g.rules, time: { ...g.rules.time, otherwise: time ? [...rest, { on, half, ...time }] : rest } },
  };
}
