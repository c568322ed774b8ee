/** Each piece of work by its name, a step at a time: it yields how far it is. */
import {
  CATALOGUE,
  costOf,
  freed,
  fromColumns,
  pulledForward,
  toProgram,
  workLight,
  workPlanParts,
  workYears,
  type Arrangement,
  type FitProblem,
  type WorkPlan,
  type WorkPlanAsked,
} from "@wren/core";
import type { WorkName, Works } from "./port.ts";

type Steps<T> = Generator<number, T> | AsyncGenerator<number, T>;
type Progress = (done: number) => void;

/** Jobs into half-days: what there is to fit, then the solver, which is fetched only now. */
async function* workPlan(asked: WorkPlanAsked, onProgress: Progress): AsyncGenerator<number, WorkPlan> {
  yield 0.05;
  const parts = workPlanParts(asked, CATALOGUE);
  yield 0.3;
  const [{ solve }, { loadSolver }] = await Promise.all([import("./solver.ts"), import("./loadSolver.ts")]);
  const highs = await loadSolver();
  yield 0.4;
  const fitted = (problem: FitProblem): { readonly arrangement: Arrangement; readonly gap: number } => {
    const program = toProgram(problem);
    // The gap shrinks to nothing: what is left of it is what is left to do.
    const { values, gap } = solve(highs, program, (g) => onProgress(1 - 0.6 * Math.min(1, g)));
    return { arrangement: fromColumns(problem, program, values), gap };
  };
  const { arrangement, gap } = fitted(parts.problem);
  const free = freed(parts.problem);
  return {
    ...parts,
    arrangement: pulledForward(parts.problem, arrangement),
    gap,
    freeTotal: free && costOf(free, fitted(free).arrangement).total,
  };
}

async function* unpack(file: Blob): AsyncGenerator<number, Works["archive"]["shown"]> {
  const { openArchive } = await import("../data/openArchive.ts");
  return yield* openArchive(file);
}

export const WORKS: {
  readonly [N in WorkName]: (asked: Works[N]["asked"], onProgress: Progress) => Steps<Works[N]["shown"]>;
} = {
  years: (asked) => workYears(asked, CATALOGUE),
  light: workLight,
  plan: workPlan,
  archive: unpack,
};
