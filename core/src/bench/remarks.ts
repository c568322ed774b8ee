/** What stands against a single cut, or is to be minded at it: refusals and cautions. Texts are in words/. */
import { STANDING_TABLE, type Standing } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { LIMITS, type Plant, type StemCut } from "../model/index.ts";
import { toolFor } from "../craft/index.ts";
import { alongStem } from "../stems/index.ts";
import type { Metres } from "../units/index.ts";
import { nearestWireM, REACH_LIMITS } from "../jobsite/index.ts";
import { BLADE, isBare } from "./blade.ts";
import { partLeft, type StemEffect } from "./effects.ts";

export const BENCH_LIMITS = {
  /** Limbs from here on are taken off in three cuts (NA-FR-01-95: over 1 to 2 in; from memory), mm. */
  threeCutMm: 50,
  /** A trunk that is lifted keeps so much of its height as crown (ANSI A300 and common practice; from memory). */
  crownShare: 2 / 3,
} as const;

export interface RemarkValues {
  "live-waits": { standing: Standing };
  "dead-waits": { standing: Standing };
  "past-green": object;
  "green-line": { belowM: Metres };
  "stub-too-low": { leastM: Metres };
  "crown-too-short": { mostM: Metres };
  "pro-wire": { distanceM: Metres };
  "pro-limb": { diameterMm: number };
  "pro-reach": { heightM: Metres };
  "pro-saw-overhead": { heightM: Metres };
  "gap-stays": object;
  "leader-thin": object;
  "three-cut": { diameterMm: number };
}
export type RemarkCode = keyof RemarkValues;
export const REFUSALS: readonly RemarkCode[] = [
  "live-waits",
  "dead-waits",
  "past-green",
  "green-line",
  "stub-too-low",
  "crown-too-short",
  "pro-wire",
  "pro-limb",
  "pro-reach",
  "pro-saw-overhead",
];

/** What stands against a cut, as a code with its values. */
export interface Remark<C extends RemarkCode = RemarkCode> {
  readonly code: C;
  readonly stemId: string | null;
  readonly values: Readonly<Record<string, string | number>>;
}
/** Does the remark forbid the cut? */
export const isRefusal = (r: Remark): boolean => REFUSALS.includes(r.code);

const remark = <C extends RemarkCode>(code: C, stemId: string | null, values: RemarkValues[C]): Remark<C> => ({
  code,
  stemId,
  values: values as Remark["values"],
});

/** What the state of a plant keeps from every cut, alive or dead; null when it keeps nothing. */
export function waiting(standing: Standing): Remark | null {
  const row = STANDING_TABLE[standing];
  if (row.deadWood === "wait") return remark("dead-waits", null, { standing });
  return row.liveCuts === "wait" ? remark("live-waits", null, { standing }) : null;
}

export interface BenchKind {
  readonly plant: Plant;
  readonly taxon: Taxon;
  readonly standing: Standing;
}

/** Safety at one stem: how thick, how high, how near a wire. */
function dangers(e: StemEffect, { plant, taxon }: BenchKind): Remark[] {
  const { stem } = e;
  const at = alongStem(stem, e.kept, taxon).z;
  const mm = stem.diameterMm * partLeft(e.kept);
  const out: Remark[] = [];
  const wireM = nearestWireM(plant);
  if (wireM !== null && wireM < LIMITS.powerLineM) out.push(remark("pro-wire", stem.id, { distanceM: wireM }));
  if (mm >= LIMITS.proStemMm) out.push(remark("pro-limb", stem.id, { diameterMm: Math.round(mm) }));
  if (at > REACH_LIMITS.groundM) out.push(remark("pro-reach", stem.id, { heightM: at }));
  else if (at > REACH_LIMITS.shoulderM && toolFor(mm) === "pruning saw")
    out.push(remark("pro-saw-overhead", stem.id, { heightM: at }));
  else if (mm >= BENCH_LIMITS.threeCutMm && mm < LIMITS.proStemMm)
    out.push(remark("three-cut", stem.id, { diameterMm: Math.round(mm) }));
  return out;
}

/** What the kind does not forgive at a live stem. */
function unforgiven(e: StemEffect, { taxon, standing }: BenchKind): Remark[] {
  const { stem, kept } = e;
  const out: Remark[] = [];
  if (STANDING_TABLE[standing].liveCuts === "wait") out.push(remark("live-waits", stem.id, { standing }));
  const green = taxon.regrowthFromLeaflessWood === "no";
  if (kept === 0) {
    if (green) out.push(remark("gap-stays", stem.id, {}));
    return out;
  }
  const keptM = alongStem(stem, kept, taxon).z;
  if (kept < 1 && green && e.leader === null && isBare(kept, taxon.profile.bareFoot))
    out.push(remark("past-green", stem.id, {}));
  else if (kept < 1 && !green && taxon.leastStubM !== null && keptM < taxon.leastStubM - 1e-6)
    out.push(remark("stub-too-low", stem.id, { leastM: taxon.leastStubM }));
  const leader = e.leader === null ? undefined : stem.branches[e.leader];
  if (leader && leader.diameterMm < stem.diameterMm * BLADE.leastLeader) out.push(remark("leader-thin", stem.id, {}));
  return out;
}

/** An outline below the green is refused as a whole: what it would bare stays bare. */
function outlines(cuts: readonly StemCut[], { taxon }: BenchKind, heightM: Metres): Remark[] {
  if (taxon.regrowthFromLeaflessWood !== "no") return [];
  const greenFromM = taxon.profile.bareFoot * heightM;
  return cuts.flatMap((c) =>
    c.cut === "shear" && c.heightM <= greenFromM ? [remark("green-line", null, { belowM: greenFromM })] : [],
  );
}

/** A skirt is lifted by steps: a crown of less than two thirds of the height does not feed its trunk. */
function skirts(cuts: readonly StemCut[], heightM: Metres): Remark[] {
  const mostM = (1 - BENCH_LIMITS.crownShare) * heightM;
  return cuts.some((c) => c.cut === "lift" && c.clearM > mostM + 0.01)
    ? [remark("crown-too-short", null, { mostM })]
    : [];
}

/** Every refusal and caution, in the order of the stems. */
export function remarksOn(
  effects: readonly StemEffect[],
  cuts: readonly StemCut[],
  kind: BenchKind,
  heightM: Metres,
): Remark[] {
  const touched = effects.filter((e) => e.kept < 1 || e.leafGone > 0 || e.branchesGone.size > 0);
  return [
    ...outlines(cuts, kind, heightM),
    ...skirts(cuts, heightM),
    ...touched.flatMap((e) => [
      ...(e.endsCut ? [] : dangers(e, kind)),
      ...(e.stem.state === "dead" ? [] : unforgiven(e, kind)),
      ...(e.stem.state === "dead" && STANDING_TABLE[kind.standing].deadWood === "wait"
        ? [remark("dead-waits", e.stem.id, { standing: kind.standing })]
        : []),
    ]),
  ];
}
