/** What the schools that hold for a plant change, put together. */
import type { SchoolOption } from "../catalogue/index.ts";
import type { Task } from "../model/index.ts";
import type { Celsius, Share } from "../units/index.ts";

/** The schools of a plant put together. */
export interface Schooling {
  readonly options: readonly SchoolOption[];
  readonly cap: Share;
  readonly frameShiftC: Celsius;
  readonly renewReach: Share | null;
  readonly trims: 1 | 2;
  readonly buildsBase: boolean;
  /** A cut that the main one later puts right. */
  readonly firstStage: Task | null;
  readonly hardCutWaitsFor: readonly ("growth" | "midwinter")[];
}
/** The cap where no school says otherwise (common practice). */
const USUAL_CAP: Share = 1 / 3;

/** Puts the options that hold together; of two that change the same, the first counts. */
export function schoolingOf(options: readonly SchoolOption[]): Schooling {
  const changes = options.map((o) => o.changes);
  return {
    options,
    cap: changes.find((c) => c.cap !== undefined)?.cap ?? USUAL_CAP,
    frameShiftC: changes.reduce((sum, c) => sum + (c.frameShiftC ?? 0), 0),
    renewReach: changes.find((c) => c.renewReach !== undefined)?.renewReach ?? null,
    trims: changes.find((c) => c.trims !== undefined)?.trims ?? 1,
    firstStage: changes.find((c) => c.firstStage !== undefined)?.firstStage ?? null,
    buildsBase: changes.some((c) => c.buildsBase === true),
    hardCutWaitsFor: changes.flatMap((c) => c.hardCutWaitsFor ?? []),
  };
}
