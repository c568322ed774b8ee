/** What stands against a single cut, or is to be minded at it: refusals and cautions. Texts are in words/. */
import { STANDING_TABLE, type Standing } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { toolFor } from "../craft/index.ts";
import { nearestWireM, REACH_LIMITS } from "../jobsite/index.ts";
import { LIMITS, type Plant, type Stem, type StemCut, type Task } from "../model/index.ts";
import { alongStem, ARCHITECTURE_TABLE, leafOf, upTo, type Build, type StemEffect } from "../stems/index.ts";
import type { Metres } from "../units/index.ts";
import { BLADE, cutPlace } from "./blade.ts";

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
  "trunk-stays": object;
  "leader-stays": object;
  "no-crown-left": object;
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
  "trunk-stays",
  "leader-stays",
  "no-crown-left",
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
  /** The one cut that it is about; absent: everything that is done to the stem. */
  readonly cut?: StemCut;
}
/** Does the remark forbid the cut? */
export const isRefusal = (r: Remark): boolean => REFUSALS.includes(r.code);

const remark = <C extends RemarkCode>(
  code: C,
  stemId: string | null,
  values: RemarkValues[C],
  cut?: StemCut,
): Remark<C> => ({
  code,
  stemId,
  values: values as Remark["values"],
  ...(cut ? { cut } : {}),
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
  readonly build: Build;
  readonly task: Task;
  readonly standing: Standing;
}

/** Safety at one cut: how thick, how high, how near a wire. */
function dangers(stem: Stem, cut: StemCut, { plant, build }: BenchKind): Remark[] {
  const place = cutPlace(stem, cut, build);
  if (place === null) return [];
  const { heightM, diameterMm } = place;
  const out: Remark[] = [];
  const say = <C extends RemarkCode>(code: C, values: RemarkValues[C]): void =>
    void out.push(remark(code, stem.id, values, cut));
  const wireM = nearestWireM(plant);
  if (wireM !== null && wireM < LIMITS.powerLineM) say("pro-wire", { distanceM: wireM });
  if (diameterMm >= LIMITS.proStemMm) say("pro-limb", { diameterMm: Math.round(diameterMm) });
  if (heightM > REACH_LIMITS.groundM) say("pro-reach", { heightM });
  else if (heightM > REACH_LIMITS.shoulderM && toolFor(diameterMm) === "pruning saw")
    say("pro-saw-overhead", { heightM });
  else if (diameterMm >= BENCH_LIMITS.threeCutMm && diameterMm < LIMITS.proStemMm)
    say("three-cut", { diameterMm: Math.round(diameterMm) });
  return out;
}

/** Nobody measures a stub to less, m. */
const STUB_SLACK_M: Metres = 0.006;
/** Less of a stem's leaf than this, and nothing green is left. */
const BARE_SHARE = 0.02;

/** What the kind does not forgive at a live stem as it is left. */
function unforgiven(e: StemEffect, only: boolean, { taxon, build, task, standing }: BenchKind): Remark[] {
  const { stem, kept } = e;
  const out: Remark[] = [];
  if (STANDING_TABLE[standing].liveCuts === "wait") out.push(remark("live-waits", stem.id, { standing }));
  const { keepsMains, leads } = ARCHITECTURE_TABLE[build.architecture];
  if (kept === 0) {
    if (keepsMains && (only || task === "thin")) out.push(remark("trunk-stays", stem.id, {}));
    else if (build.greenOnly) out.push(remark("gap-stays", stem.id, {}));
    return out;
  }
  const headed = kept < 1 && !e.endsCut;
  if (headed && leads) out.push(remark("leader-stays", stem.id, {}));
  else if (headed && keepsMains && stem.branches.length > 0 && e.branchesGone.size === stem.branches.length)
    out.push(remark("no-crown-left", stem.id, {}));
  const keptM = alongStem(stem, kept, build).z;
  if (kept < 1 && build.greenOnly && e.leader === null && e.leafGone > 1 - BARE_SHARE)
    out.push(remark("past-green", stem.id, {}));
  else if (kept < 1 && !build.greenOnly && taxon.leastStubM !== null && keptM < taxon.leastStubM - STUB_SLACK_M)
    out.push(remark("stub-too-low", stem.id, { leastM: taxon.leastStubM }));
  const leader = e.leader === null ? undefined : stem.branches[e.leader];
  if (leader && leader.diameterMm < stem.diameterMm * BLADE.leastLeader) out.push(remark("leader-thin", stem.id, {}));
  return out;
}

/** A branch shortened to where nothing of it is green stays a stub. */
function barestubs(stems: readonly Stem[], cuts: readonly StemCut[], build: Build): Remark[] {
  if (!build.greenOnly) return [];
  const leaf = leafOf(stems, build);
  return cuts.flatMap((cut) => {
    if (cut.cut !== "branch-back") return [];
    const i = stems.findIndex((s) => s.id === cut.stemId);
    const b = stems[i]?.branches[cut.branch];
    const own = leaf.stems[i]?.branches[cut.branch];
    if (!b || !own || own.all === 0) return [];
    const part = Math.min(1, cut.keptM / b.lengthM);
    const left = b.shoots.reduce((n, x, j) => n + (x.at <= part ? own.shoots[j]! : 0), upTo(own.own, part));
    return left <= BARE_SHARE * own.all ? [remark("past-green", cut.stemId, {}, cut)] : [];
  });
}

/** Less is a tip of the year's growth, m. */
const TIP_M: Metres = 0.05;
/** Shears go no deeper than the green where nothing grows back, and leave a leader its top where no hedge is made of the kind. */
function outlines(stems: readonly Stem[], cuts: readonly StemCut[], { build, taxon }: BenchKind): Remark[] {
  const led = ARCHITECTURE_TABLE[build.architecture].leads && !taxon.outline;
  if ((!led && !build.greenOnly) || !cuts.some((c) => c.cut === "shear" || c.cut === "top")) return [];
  const { body } = leafOf(stems, build);
  const lowers = (c: StemCut): boolean => (c.cut === "shear" || c.cut === "top") && c.heightM < body.heightM - TIP_M;
  if (led && cuts.some(lowers)) return [remark("leader-stays", null, {})];
  if (!build.greenOnly) return [];
  const belowM = body.heightM - body.shellM;
  return cuts.flatMap((c) =>
    ((c.cut === "shear" || c.cut === "top") && c.heightM < belowM - 1e-6) ||
    (c.cut === "shear" && c.widthM < body.widthM - 2 * body.shellM - 1e-6)
      ? [remark("green-line", null, { belowM: Math.max(0, belowM) })]
      : [],
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
  const stems = effects.map((e) => e.stem);
  const touched = effects.filter((e) => e.kept < 1 || e.leafGone > 0 || e.branchesGone.size > 0);
  const own = new Map<string, StemCut[]>();
  for (const c of cuts) if ("stemId" in c) own.set(c.stemId, [...(own.get(c.stemId) ?? []), c]);
  const standing = effects.filter((e) => e.stem.state !== "dead" && e.kept > 0).length;
  return [
    ...outlines(stems, cuts, kind),
    ...skirts(cuts, heightM),
    ...barestubs(stems, cuts, kind.build),
    ...effects.flatMap((e) => (own.get(e.stem.id) ?? []).flatMap((c) => dangers(e.stem, c, kind))),
    ...touched.flatMap((e) => [
      ...(e.stem.state === "dead" || onlyDead(e, own.get(e.stem.id) ?? []) ? [] : unforgiven(e, standing === 0, kind)),
      ...(e.stem.state === "dead" && STANDING_TABLE[kind.standing].deadWood === "wait"
        ? [remark("dead-waits", e.stem.id, { standing: kind.standing })]
        : []),
    ]),
  ];
}

/** Are the cuts at a live stem all in its dead wood? */
const onlyDead = (e: StemEffect, cuts: readonly StemCut[]): boolean =>
  e.leafGone === 0 &&
  cuts.length > 0 &&
  (e.stem.deadFrom !== null || e.stem.branches.some((b) => b.dead || b.shoots.some((x) => x.dead)));
