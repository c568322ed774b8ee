/** Fitting work into half-days, by the solver that the application ships, against trying every arrangement. */
import { expect, test } from "@jest/globals";
import {
  costOf,
  fromColumns,
  minutesAt,
  pulledForward,
  seeded,
  toProgram,
  type Arrangement,
  type FitJob,
  type FitProblem,
} from "@wren/core";
import loadHighs from "highs";
import { solve } from "../src/worker/solver.ts";

const highs = await loadHighs();

/** Every way to put a job's pieces into the half-days. */
function* waysOf(j: FitJob, halves: number, h = 0, left = j.pieces): Generator<readonly number[]> {
  if (h === halves) {
    yield [];
    return;
  }
  for (let n = 0; n <= left; n++) for (const rest of waysOf(j, halves, h + 1, left - n)) yield [n, ...rest];
}
/** The least price of all arrangements that hold, by trying them. */
function byTrying(p: FitProblem): number {
  const ways = p.jobs.map((j) =>
    [...waysOf(j, p.minutes.length)].filter((w) => w.every((n, h) => n === 0 || j.cost[h] != null || j.fixed === h)),
  );
  let least = Infinity;
  const go = (i: number, sofar: Arrangement): void => {
    if (i === p.jobs.length) {
      const cost = costOf(p, sofar);
      if (cost.holds) least = Math.min(least, cost.total);
      return;
    }
    for (const w of ways[i]!) go(i + 1, [...sofar, w]);
  };
  go(0, []);
  return least;
}

function problemFrom(seed: number): FitProblem {
  const random = seeded(seed);
  const upTo = (n: number): number => Math.floor(random() * n);
  const halves = 2 + upTo(2);
  const count = 2 + upTo(4);
  const jobs = Array.from({ length: count }, (_, i): FitJob => {
    const pieces = random() < 0.25 ? 2 : 1;
    const cost = Array.from({ length: halves }, () => (random() < 0.25 ? null : Math.round(random() * 40) / 100));
    return {
      pieces,
      pieceMinutes: 10 + upTo(60),
      setUpMinutes: pieces > 1 ? 5 : 0,
      cost,
      undone: Math.round(random() * 60) / 100,
      heavy: random() < 0.5,
      after: i > 0 && random() < 0.3 ? [upTo(i)] : [],
      fixed: random() < 0.1 ? upTo(halves) : null,
    };
  });
  const minutes = Array.from({ length: halves }, () => 30 + upTo(90));
  return { jobs, minutes, pairs: random() < 0.5 ? [[0, 1]] : [], heavyFrom: 40 };
}

test("on 200 random gardens' weeks the solver's price is the least of all arrangements", () => {
  for (let seed = 1; seed <= 200; seed++) {
    const p = problemFrom(seed);
    const program = toProgram(p);
    const solved = solve(highs, program);
    const cost = costOf(p, fromColumns(p, program, solved.values));
    const least = byTrying(p);
    expect([seed, solved.gap, cost.holds]).toEqual([seed, 0, true]);
    expect(cost.total).toBeCloseTo(least, 6);
    // Pulled forward it costs the same and still holds.
    const early = costOf(p, pulledForward(p, fromColumns(p, program, solved.values)));
    expect([early.holds, early.total <= cost.total + 1e-9]).toEqual([true, true]);
  }
});

test("by hand: the dear day is passed over, what is worth least stays undone, dead wood comes first, a locked job stays", () => {
  const job = (more: Partial<FitJob>): FitJob => ({
    pieces: 1,
    pieceMinutes: 60,
    setUpMinutes: 0,
    cost: [0, 0],
    undone: 0.5,
    heavy: false,
    after: [],
    fixed: null,
    ...more,
  });
  const planned = (jobs: readonly FitJob[], minutes = [60, 60]): Arrangement => {
    const p = { jobs, minutes, pairs: [], heavyFrom: 60 };
    const program = toProgram(p);
    return fromColumns(p, program, solve(highs, program).values);
  };
  expect(planned([job({ cost: [0.4, 0.1] }), job({ cost: [0, 0.2] })])).toEqual([
    [0, 1],
    [1, 0],
  ]);
  expect(planned([job({}), job({ undone: 0.1 }), job({})])[1]).toEqual([0, 0]);
  // Dead wood first: its only day is the second, so the other waits with it.
  expect(planned([job({ cost: [0, 0.1], after: [1] }), job({ cost: [null, 0] })], [60, 120])).toEqual([
    [0, 1],
    [0, 1],
  ]);
  expect(planned([job({ cost: [0.4, 0], fixed: 0 })])).toEqual([[1, 0]]);
  // A long hedge is parted; each time it is taken up costs the laying out.
  const hedge = job({ pieces: 4, pieceMinutes: 30, setUpMinutes: 5 });
  expect(planned([hedge], [65, 65])).toEqual([[2, 2]]);
  expect(planned([hedge], [65, 60])).toEqual([[2, 1]]);
  expect([minutesAt(hedge, 2), minutesAt(hedge, 0)]).toEqual([65, 0]);
});
