/**
 * The run of a half-day: in which order its jobs are done. As numbers alone: what it costs to go from one to the next,
 * to stand in the sun, to do before what should come after. Exact up to so many jobs; beyond, the best found and its bound.
 */
import type { Minutes } from "../units/index.ts";

/** The jobs of a half-day as the order sees them. */
export interface RunProblem {
  readonly minutes: readonly Minutes[];
  /** Cost of doing a job when it begins so many minutes after the start. */
  readonly sun: (job: number, begins: Minutes) => number;
  /** Cost of going over from one job to the next; from -1: to begin with it. */
  readonly change: (from: number, to: number) => number;
  /** Cost of doing the first before the second, where the second should come first; 0 else. */
  readonly wrong: (first: number, second: number) => number;
}
/** An order and what it costs. */
export interface Run {
  readonly order: readonly number[];
  readonly cost: number;
  /** No order costs less than this; equal to the cost where the order is exact. */
  readonly bound: number;
}

/** Up to so many jobs every order is accounted for. */
export const EXACT_JOBS = 12;

/** What an order costs: the one place where that is worked out. */
export function runCost(p: RunProblem, order: readonly number[]): number {
  let [cost, begins] = [0, 0];
  order.forEach((job, i) => {
    cost += p.change(i === 0 ? -1 : order[i - 1]!, job) + p.sun(job, begins);
    for (const later of order.slice(i + 1)) cost += p.wrong(job, later);
    begins += p.minutes[job]!;
  });
  return cost;
}

/** The best order by the best way to every set of jobs and last of them: when a set is done hangs on the set alone. */
function exact(p: RunProblem): readonly number[] {
  const n = p.minutes.length;
  const all = 1 << n;
  const cost = new Float64Array(all * n).fill(Infinity);
  const before = new Int8Array(all * n).fill(-1);
  const begins = new Float64Array(all);
  for (let set = 1; set < all; set++) {
    const low = 31 - Math.clz32(set & -set);
    begins[set] = begins[set & (set - 1)]! + p.minutes[low]!;
  }
  // What it costs to do a job while those outside a set are still to come.
  const early = (job: number, done: number): number => {
    let s = 0;
    for (let k = 0; k < n; k++) if (k !== job && (done & (1 << k)) === 0) s += p.wrong(job, k);
    return s;
  };
  for (let job = 0; job < n; job++) cost[(1 << job) * n + job] = p.change(-1, job) + p.sun(job, 0) + early(job, 0);
  for (let set = 1; set < all; set++)
    for (let job = 0; job < n; job++) {
      if ((set & (1 << job)) !== 0) continue;
      const own = p.sun(job, begins[set]!) + early(job, set);
      const to = (set | (1 << job)) * n + job;
      for (let last = 0; last < n; last++) {
        const sofar = cost[set * n + last]!;
        if (!Number.isFinite(sofar)) continue;
        const c = sofar + p.change(last, job) + own;
        if (c < cost[to]! - 1e-12) {
          cost[to] = c;
          before[to] = last;
        }
      }
    }
  let set = all - 1;
  let last = 0;
  for (let j = 1; j < n; j++) if (cost[set * n + j]! < cost[set * n + last]! - 1e-12) last = j;
  const order: number[] = [];
  while (last >= 0) {
    order.unshift(last);
    const next = before[set * n + last]!;
    set &= ~(1 << last);
    last = next;
  }
  return order;
}

/** The best found: the cheapest next, then jobs moved while that gains. */
function found(p: RunProblem): readonly number[] {
  const n = p.minutes.length;
  let order: number[] = [];
  while (order.length < n) {
    const rest = Array.from({ length: n }, (_, j) => j).filter((j) => !order.includes(j));
    const price = (j: number): number => runCost(p, [...order, j, ...rest.filter((k) => k !== j)]);
    order = [...order, rest.reduce((a, b) => (price(b) < price(a) ? b : a))];
  }
  for (let gained = true; gained;) {
    gained = false;
    const now = runCost(p, order);
    search: for (let from = 0; from < n; from++)
      for (let to = 0; to < n; to++) {
        const moved = order.toSpliced(from, 1).toSpliced(to, 0, order[from]!);
        if (runCost(p, moved) < now - 1e-9) {
          order = moved;
          gained = true;
          break search;
        }
      }
  }
  return order;
}

/** Each job at its own best time, come to from its nearest, and of two in the wrong order the lesser wrong. */
function boundOf(p: RunProblem): number {
  const jobs = p.minutes.map((_, j) => j);
  const whole = p.minutes.reduce((s, m) => s + m, 0);
  let bound = 0;
  for (const j of jobs) {
    let sun = Infinity;
    for (let t = 0; t <= whole - p.minutes[j]!; t += 1) sun = Math.min(sun, p.sun(j, t));
    bound += sun + Math.min(...[-1, ...jobs.filter((k) => k !== j)].map((k) => p.change(k, j)));
    for (const k of jobs) if (k > j) bound += Math.min(p.wrong(j, k), p.wrong(k, j));
  }
  return bound;
}

/** The order of a half-day's jobs. */
export function runOf(p: RunProblem): Run {
  const n = p.minutes.length;
  if (n === 0) return { order: [], cost: 0, bound: 0 };
  const order = n <= EXACT_JOBS ? exact(p) : found(p);
  const cost = runCost(p, order);
  return { order, cost, bound: n <= EXACT_JOBS ? cost : Math.min(cost, boundOf(p)) };
}
