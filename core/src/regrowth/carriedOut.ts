/** Cuts that were carried out: what is booked, how tall the plant was left, the stems that are left. */
import { isHalved, type Amounts } from "../bench/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { PLAIN_SIGHT, type Observation, type Regime, type Stand, type Try, type Visit } from "../model/index.ts";
import type { Build } from "../stems/index.ts";
import type { Metres } from "../units/index.ts";
import { stemsAfter } from "./after.ts";

const round = (x: number, digits: number): number => Math.round(x * 10 ** digits) / 10 ** digits;

/** What is known of a try that was carried out. */
export interface Done {
  readonly visitId: string;
  readonly standId: string;
  readonly on: PlainDate;
  readonly regime: Regime;
  /** What was done amounts to. */
  readonly amounts: Amounts;
  /** How tall the plant stood before it, and the id of the entry that tells how tall it was left. */
  readonly heightM: Metres;
  readonly heightId: string;
}
/** What carrying out a try leaves to be written down. */
export interface CarriedOut {
  readonly visit: Visit;
  /** Null where it was left as tall. */
  readonly height: Observation | null;
  readonly left: Stand;
}

const LEAST_M: Metres = 0.02;

/**
 * How tall a plant was left by a try, from how tall it stood: null where it was left as tall. What was left of the drawing
 * is left of the plant, which may be measured a little higher or lower than it.
 */
export function heightLeft(
  { before, after }: Amounts,
  at: Pick<Observation, "id" | "plantId" | "on"> & { readonly heightM: Metres },
): Observation | null {
  const part = before.heightM > 0 ? after.heightM / before.heightM : 1;
  if (part >= 1 || after.heightM <= 0) return null;
  const heightM = Math.max(LEAST_M, round(at.heightM * part, 3));
  return { ...PLAIN_SIGHT, ...at, kind: "height", heightM };
}

/** A try was carried out on a stand. @param t only the cuts that were made */
export function carriedOut(stand: Stand, t: Try, build: Build, done: Done): CarriedOut {
  const { amounts: a } = done;
  const visit: Visit = {
    id: done.visitId,
    plantId: stand.plantId,
    on: done.on,
    task: t.task,
    regime: done.regime,
    cuts: a.share > 0 ? [{ by: "share", share: round(a.share, 4) }] : [],
    hazardShare: round(a.hazardShare, 4),
    deadStemsCount: a.deadRemoved,
    minutes: null,
    note: "",
    trialUntil: null,
    begun: t.cuts.some((c) => isHalved(c, stand.stems, build)) ? ["leader-halved"] : [],
    by: "",
    sure: false,
    planned: null,
  };
  const height = heightLeft(a, { id: done.heightId, plantId: stand.plantId, on: done.on, heightM: done.heightM });
  // Recorded for a day before the stems were counted, what is left still is the newest that is known.
  const on = done.on < stand.on ? stand.on : done.on;
  const stems = stemsAfter(stand.stems, t.cuts, build);
  const left: Stand = { id: done.standId, plantId: stand.plantId, on, stems, tries: [], chosen: null, note: "" };
  return { visit, height, left };
}
