/**
 * Fitting jobs into half-days so that the summed price is least: as numbers alone. The problem is written as an integer
 * program, any solver's columns are read back; what any arrangement costs is worked out here, by one function.
 */
import type { Minutes } from "../units/index.ts";

/** A job as the fitting sees it. */
export interface FitJob {
  /** Into so many pieces it is parted; each takes so long. */
  readonly pieces: number;
  readonly pieceMinutes: Minutes;
  /** Every time a parted job is taken up. */
  readonly setUpMinutes: Minutes;
  /** What the whole of it costs in each half-day; null: closed there. */
  readonly cost: readonly (number | null)[];
  /** What the whole of it costs left undone. */
  readonly undone: number;
  readonly heavy: boolean;
  /** Jobs that are not done later than it, by index; left undone they keep nothing else waiting. */
  readonly after: readonly number[];
  /** The half-day it was put into by hand; null: free. */
  readonly fixed: number | null;
}
/** Half-days with their minutes, in order. */
export interface FitProblem {
  readonly jobs: readonly FitJob[];
  readonly minutes: readonly Minutes[];
  /** Half-days that follow each other within a day: of these only one may be heavy. */
  readonly pairs: readonly (readonly [number, number])[];
  /** Minutes of heavy work from which a half-day is a heavy one. */
  readonly heavyFrom: Minutes;
}
/** Pieces of each job in each half-day. */
export type Arrangement = readonly (readonly number[])[];

/** What an arrangement comes to. */
export interface FitCost {
  /** Summed price: of what is done, on its days, and of what is left. */
  readonly total: number;
  readonly minutes: readonly Minutes[];
  /** Does it keep to the minutes, the order, the closed days, heavy and fixed? */
  readonly holds: boolean;
}

const sum = (xs: readonly number[]): number => xs.reduce((s, x) => s + x, 0);
/** Pieces in a half-day take so long, with laying out. */
export const minutesAt = (j: FitJob, pieces: number): Minutes =>
  pieces === 0 ? 0 : pieces * j.pieceMinutes + j.setUpMinutes;

/** Room of each half-day: what was put there by hand is held, even where it is more than there is. */
function roomOf(p: FitProblem): readonly Minutes[] {
  return p.minutes.map((m, h) => Math.max(m, sum(p.jobs.map((j) => (j.fixed === h ? minutesAt(j, j.pieces) : 0)))));
}
/** Pairs of half-days of which one may be heavy, without those that were made heavy by hand. */
const pairsOf = (p: FitProblem): FitProblem["pairs"] => {
  const byHand = p.minutes.map((_, h) =>
    sum(p.jobs.map((j) => (j.fixed === h && j.heavy ? minutesAt(j, j.pieces) : 0))),
  );
  return p.pairs.filter((pair) => pair.some((h) => byHand[h]! <= p.heavyFrom));
};
/** What a whole job costs in a half-day; put there by hand on a closed day it gains nothing. */
const costAt = (j: FitJob, h: number): number | null => j.cost[h] ?? (j.fixed === h ? j.undone : null);

/** What of a problem every arrangement of it is judged by, worked out once. */
interface Ground {
  readonly places: readonly (readonly number[])[];
  readonly room: readonly Minutes[];
  readonly pairs: FitProblem["pairs"];
}
const GROUNDS = new WeakMap<FitProblem, Ground>();
function groundOf(p: FitProblem): Ground {
  let ground = GROUNDS.get(p);
  if (!ground) GROUNDS.set(p, (ground = { places: placesOf(p), room: roomOf(p), pairs: pairsOf(p) }));
  return ground;
}

/** What an arrangement costs, and whether it may be: the one place where that is worked out. */
export function costOf(p: FitProblem, a: Arrangement): FitCost {
  const { room, pairs } = groundOf(p);
  let total = 0;
  let holds = true;
  p.jobs.forEach((j, i) => {
    const row = a[i]!;
    const done = sum(row);
    total += (j.undone * (j.pieces - done)) / j.pieces;
    if (done > j.pieces || (j.fixed !== null && row[j.fixed] !== j.pieces)) holds = false;
    row.forEach((n, h) => {
      if (n === 0) return;
      const cost = costAt(j, h);
      if (cost === null) holds = false;
      total += ((cost ?? j.undone) * n) / j.pieces;
      // By hand it may stand in any order.
      for (const k of j.after)
        if (j.fixed === null && p.jobs[k]!.fixed === null && sum(a[k]!.slice(h + 1)) > 0) holds = false;
    });
  });
  const at = (h: number, which: (j: FitJob) => boolean): Minutes =>
    sum(p.jobs.map((j, i) => (which(j) ? minutesAt(j, a[i]![h]!) : 0)));
  const minutes = p.minutes.map((_, h) => at(h, () => true));
  if (minutes.some((m, h) => m > room[h]! + 1e-6)) holds = false;
  const heavy = p.minutes.map((_, h) => at(h, (j) => j.heavy) > p.heavyFrom + 1e-6);
  if (pairs.some(([x, y]) => heavy[x] && heavy[y])) holds = false;
  return { total, minutes, holds };
}

/** The half-days that each job can be put into. */
function placesOf(p: FitProblem): readonly (readonly number[])[] {
  const room = roomOf(p);
  return p.jobs.map((j) =>
    j.fixed !== null ? [j.fixed] : room.flatMap((m, h) => (j.cost[h] != null && minutesAt(j, 1) <= m ? [h] : [])),
  );
}

/** An integer program in columns and rows: least sum of cost times column, each row between its bounds. Every column is whole. */
export interface Program {
  readonly cost: readonly number[];
  readonly upper: readonly number[];
  readonly lower: readonly number[];
  readonly rows: readonly {
    readonly atLeast: number;
    readonly atMost: number;
    readonly columns: readonly number[];
    readonly values: readonly number[];
  }[];
  /** What leaving every job costs: the objective counts from there. */
  readonly offset: number;
  /** Column of a job's pieces in a half-day; -1 where it has none. */
  readonly column: (job: number, half: number) => number;
}

/** Writes the problem as an integer program. */
export function toProgram(p: FitProblem): Program {
  const { places, room, pairs } = groundOf(p);
  const [cost, upper, lower]: [number[], number[], number[]] = [[], [], []];
  const column = (price: number, most: number, least = 0): number => {
    cost.push(price);
    upper.push(most);
    lower.push(least);
    return cost.length - 1;
  };
  const x = p.jobs.map((j, i) => {
    const at = new Map<number, number>();
    for (const h of places[i]!)
      at.set(h, column((costAt(j, h)! - j.undone) / j.pieces, j.pieces, j.fixed === h ? j.pieces : 0));
    return at;
  });
  // Whether a parted job is taken up in a half-day; of a whole one that is the same as doing it.
  const taken = p.jobs.map((j, i) =>
    j.pieces === 1 ? x[i]! : new Map(places[i]!.map((h) => [h, column(0, 1)] as const)),
  );
  const heavyIn = new Map([...new Set(pairs.flat())].map((h) => [h, column(0, 1)] as const));
  type Term = readonly [column: number, value: number];
  const rows: Program["rows"][number][] = [];
  const row = (terms: readonly Term[], atMost: number): void => {
    if (terms.length > 0)
      rows.push({ atLeast: -Infinity, atMost, columns: terms.map(([c]) => c), values: terms.map(([, v]) => v) });
  };
  const minutesIn = (h: number, which: (j: FitJob) => boolean): Term[] =>
    p.jobs.flatMap((j, i): Term[] => {
      const at = x[i]!.get(h);
      if (at === undefined || !which(j)) return [];
      if (j.pieces === 1) return [[at, minutesAt(j, 1)]];
      return [
        [at, j.pieceMinutes],
        [taken[i]!.get(h)!, j.setUpMinutes],
      ];
    });
  p.jobs.forEach((j, i) => {
    row(
      places[i]!.map((h): Term => [x[i]!.get(h)!, 1]),
      j.pieces,
    );
    if (j.pieces > 1)
      for (const h of places[i]!)
        row(
          [
            [x[i]!.get(h)!, 1],
            [taken[i]!.get(h)!, -j.pieces],
          ],
          0,
        );
    if (j.fixed !== null) return;
    for (const k of j.after) {
      const { pieces, fixed } = p.jobs[k]!;
      if (fixed !== null) continue;
      for (const h of places[i]!) {
        const later = places[k]!.filter((b) => b > h).map((b): Term => [x[k]!.get(b)!, 1]);
        if (later.length > 0) row([[taken[i]!.get(h)!, pieces], ...later], pieces);
      }
    }
  });
  room.forEach((m, h) =>
    row(
      minutesIn(h, () => true),
      m,
    ),
  );
  for (const [h, z] of heavyIn) {
    const heavy = minutesIn(h, (j) => j.heavy);
    if (heavy.length > 0) row([...heavy, [z, 0 - room[h]!]], p.heavyFrom);
  }
  for (const [a, b] of pairs)
    row(
      [
        [heavyIn.get(a)!, 1],
        [heavyIn.get(b)!, 1],
      ],
      1,
    );
  return { cost, upper, lower, rows, offset: sum(p.jobs.map((j) => j.undone)), column: (i, h) => x[i]!.get(h) ?? -1 };
}

/** Reads an arrangement off the columns of its program. */
export const fromColumns = (p: FitProblem, program: Program, values: ArrayLike<number>): Arrangement =>
  p.jobs.map((_, i) =>
    p.minutes.map((__, h) => {
      const c = program.column(i, h);
      return c < 0 ? 0 : Math.round(values[c]!) + 0;
    }),
  );

/** Jobs are done as early as they cost no more: what waits may be met by rain. The price stays the same. */
export function pulledForward(p: FitProblem, a: Arrangement): Arrangement {
  const { places, room, pairs } = groundOf(p);
  const now = a.map((row) => [...row]);
  const minutes = [...costOf(p, a).minutes];
  const heavy = p.minutes.map((_, h) => sum(p.jobs.map((j, i) => (j.heavy ? minutesAt(j, now[i]![h]!) : 0))));
  const rests = (h: number, more: Minutes): boolean =>
    heavy[h]! + more <= p.heavyFrom ||
    pairs.every(([x, y]) => (x !== h && y !== h) || heavy[x === h ? y : x]! <= p.heavyFrom);
  p.jobs.forEach((j, i) => {
    const at = now[i]!.findIndex((n) => n > 0);
    if (j.pieces > 1 || j.fixed !== null || at <= 0) return;
    const takes = minutesAt(j, 1);
    const first = (h: number): boolean =>
      j.after.every((k) => p.jobs[k]!.fixed !== null || sum(now[k]!.slice(h + 1)) === 0);
    const to = places[i]!.find(
      (h) =>
        h < at &&
        j.cost[h]! <= j.cost[at]! + 1e-9 &&
        minutes[h]! + takes <= room[h]! &&
        (!j.heavy || rests(h, takes)) &&
        first(h),
    );
    if (to === undefined) return;
    now[i]![at] = 0;
    now[i]![to] = 1;
    for (const [h, sign] of [
      [at, -1],
      [to, 1],
    ] as const) {
      minutes[h] = minutes[h]! + sign * takes;
      if (j.heavy) heavy[h] = heavy[h]! + sign * takes;
    }
  });
  return now;
}
