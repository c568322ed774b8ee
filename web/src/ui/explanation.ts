/** What stands behind a number. */
import type { SourceId } from "@wren/core";

export interface Explanation {
  /** The formula in words. */
  readonly formula: string;
  readonly inputs: readonly (readonly [string, string])[];
  readonly sources: readonly SourceId[];
}
