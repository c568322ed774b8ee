/** Heavy work behind one interface: asked by name with plain data, told how far it is, stoppable, and never throwing. */
import type { Opened } from "../data/openArchive.ts";
import type { FaceYear, LightAsked, Result, WorkPlan, WorkPlanAsked, YearsAsked, YearsShown } from "@wren/core";

export type WorkIssue = "stopped" | "failed";

/** What can be asked, and what comes of it. */
export interface Works {
  readonly years: { readonly asked: YearsAsked; readonly shown: YearsShown };
  readonly light: { readonly asked: LightAsked; readonly shown: readonly FaceYear[] };
  readonly archive: { readonly asked: Blob; readonly shown: Opened };
  readonly plan: { readonly asked: WorkPlanAsked; readonly shown: WorkPlan };
}
export type WorkName = keyof Works;

export interface WorkPort {
  /** @param onProgress share of the work done, 0–1 */
  readonly work: <N extends WorkName>(
    name: N,
    asked: Works[N]["asked"],
    onProgress: (done: number) => void,
    signal: AbortSignal,
  ) => Promise<Result<Works[N]["shown"], WorkIssue>>;
}

export interface ToWorker<N extends WorkName = WorkName> {
  readonly name: N;
  readonly asked: Works[N]["asked"];
}
export type FromWorker =
  | { readonly kind: "progress"; readonly done: number }
  | { readonly kind: "done"; readonly shown: Works[WorkName]["shown"] }
  | { readonly kind: "failed"; readonly detail: string };
