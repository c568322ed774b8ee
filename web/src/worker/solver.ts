/** An integer program handed to a solver: exact, with how far it is proven as it goes, and stoppable between its steps. */
import type { Program } from "@wren/core";
import type { Highs } from "highs";

/** What the solver found. */
export interface Solved {
  /** One for each column. */
  readonly values: ArrayLike<number>;
  /** How much better an arrangement could still be, as a share of what was found; 0: none is. */
  readonly gap: number;
}

/** Columns and rows as the solver takes them. */
function matrixOf(p: Program, infinity: number) {
  const starts = [0];
  for (const r of p.rows) starts.push(starts.at(-1)! + r.columns.length);
  const bounded = (x: number): number => (Number.isFinite(x) ? x : Math.sign(x) * infinity);
  return {
    numCols: p.cost.length,
    numRows: p.rows.length,
    colCost: p.cost,
    colLower: p.lower,
    colUpper: p.upper,
    rowLower: p.rows.map((r) => bounded(r.atLeast)),
    rowUpper: p.rows.map((r) => bounded(r.atMost)),
    offset: p.offset,
    integrality: p.cost.map(() => 1 as const),
    matrix: {
      format: "csr" as const,
      numRows: p.rows.length,
      numCols: p.cost.length,
      starts,
      indices: p.rows.flatMap((r) => r.columns),
      values: p.rows.flatMap((r) => r.values),
    },
  };
}

/** So many seconds the solver has to prove that nothing is better; what it has found by then is good, and says how far off it may be. */
export const SOLVER_SECONDS = 8;

/**
 * Solves a program exactly.
 * @param onGap told now and then: the gap that is proven so far
 * @throws when the solver finds nothing at all, which a program whose columns may all be nought always has
 */
export function solve(
  highs: Highs,
  p: Program,
  onGap: (gap: number) => void = () => undefined,
  seconds = SOLVER_SECONDS,
): Solved {
  if (p.cost.length === 0) return { values: [], gap: 0 };
  return highs.withModel(matrixOf(p, highs.infinity), (model) => {
    model.options.set("output_flag", false);
    model.options.set("mip_rel_gap", 0);
    model.options.set("mip_abs_gap", 1e-7);
    model.options.set("time_limit", seconds);
    let gap = 1;
    model.run({
      [highs.constants.callbackType.mipInterrupt]: (e: { readonly data: { readonly mip_gap?: number } }) => {
        if (e.data.mip_gap !== undefined && Number.isFinite(e.data.mip_gap)) onGap((gap = e.data.mip_gap));
      },
    });
    const values = model.getSolution().colValue;
    if (values.length === 0) throw new Error("the solver found no arrangement");
    return { values, gap: model.getModelStatus() === highs.constants.modelStatus.optimal ? 0 : gap };
  });
}
