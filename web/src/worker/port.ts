/** Heavy work behind one interface: asked with plain data, told how far it is, stoppable, and never throwing. */
import type { Result, YearsAsked, YearsShown } from "@wren/core";

export type WorkIssue = "stopped" | "failed";

export interface YearsPort {
  /** @param onProgress share of the work done, 0–1 */
  readonly work: (
    asked: YearsAsked,
    onProgress: (done: number) => void,
    signal: AbortSignal,
  ) => Promise<Result<YearsShown, WorkIssue>>;
}

export type ToWorker = { readonly kind: "work"; readonly asked: YearsAsked };
export type FromWorker =
  | { readonly kind: "progress"; readonly done: number }
  | { readonly kind: "done"; readonly shown: YearsShown }
  | { readonly kind: "failed"; readonly detail: string };
