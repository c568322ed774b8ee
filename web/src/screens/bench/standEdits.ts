/** What is changed at the bench: stems, tries, and what was carried out. Each is one change of the garden. */
import {
  effectOn,
  MOST,
  type Amounts,
  type Garden,
  type Metres,
  type Observation,
  type PlainDate,
  type Regime,
  type Stand,
  type Stem,
  type StemCut,
  type Task,
  type Taxon,
  type Try,
  type Visit,
} from "@wren/core";
import { withVisit } from "../../state/edits.ts";

/** The stems as they were last recorded. */
export const standOf = (g: Garden, plantId: string): Stand | null =>
  g.stands.filter((s) => s.plantId === plantId).reduce<Stand | null>((a, b) => (a && a.on > b.on ? a : b), null);

/** The garden with a stand put in, in place of the one of its id. */
export const withStand = (g: Garden, stand: Stand): Garden => ({
  ...g,
  stands: [...g.stands.filter((s) => s.id !== stand.id), stand],
});

export const newStand = (id: string, plantId: string, on: PlainDate, stems: readonly Stem[]): Stand => ({
  id,
  plantId,
  on,
  stems: [...stems],
  tries: [],
  chosen: null,
  note: "",
});

/** The try with its cuts changed; a first one is begun when there is none. */
export function withCuts(stand: Stand, at: string, task: Task, cuts: readonly StemCut[]): Stand {
  const next: Try = { id: at, task, cuts: [...cuts] };
  const there = stand.tries.some((t) => t.id === at);
  if (!there && stand.tries.length >= MOST.tries) return stand;
  return { ...stand, tries: there ? stand.tries.map((t) => (t.id === at ? next : t)) : [...stand.tries, next] };
}

/** Without a stem, and without the cuts at it. */
export function withoutStem(stand: Stand, stemId: string): Stand {
  return {
    ...stand,
    stems: stand.stems.filter((s) => s.id !== stemId).map((s) => (s.crosses === stemId ? { ...s, crosses: null } : s)),
    tries: stand.tries.map((t) => ({ ...t, cuts: t.cuts.filter((c) => !("stemId" in c) || c.stemId !== stemId) })),
  };
}

/** A stem put in or changed; cuts at side branches that are gone go with them. */
export function withStem(stand: Stand, stem: Stem): Stand {
  const there = stand.stems.some((s) => s.id === stem.id);
  const holds = (c: StemCut): boolean =>
    !("stemId" in c) ||
    c.stemId !== stem.id ||
    (!("branch" in c && c.branch >= stem.branches.length) && !(c.cut === "head" && c.keptM >= stem.lengthM));
  return {
    ...stand,
    stems: there ? stand.stems.map((s) => (s.id === stem.id ? stem : s)) : [...stand.stems, stem],
    tries: stand.tries.map((t) => ({ ...t, cuts: t.cuts.filter(holds) })),
  };
}

/** Cuts with a stem's own cut replaced (null: put back). Side branches that go keep going unless the stem does. */
export function cutAt(cuts: readonly StemCut[], stemId: string, cut: StemCut | null): readonly StemCut[] {
  const branchOff = cut?.cut === "branch-off";
  const stays = (c: StemCut): boolean => {
    if (!("stemId" in c) || c.stemId !== stemId) return true;
    if (branchOff) return c.cut !== "remove" && !(c.cut === "branch-off" && c.branch === cut.branch);
    return cut !== null && cut.cut !== "remove" && c.cut === "branch-off";
  };
  return [...cuts.filter(stays), ...(cut ? [cut] : [])];
}

/** Cuts over the whole plant come once each. */
export const wholeCut = (cuts: readonly StemCut[], kind: StemCut["cut"], cut: StemCut | null): readonly StemCut[] => [
  ...cuts.filter((c) => c.cut !== kind),
  ...(cut ? [cut] : []),
];

const round = (x: number, digits: number): number => Math.round(x * 10 ** digits) / 10 ** digits;

/** Stems as they stand once the cuts were made. */
export function stemsAfter(stems: readonly Stem[], cuts: readonly StemCut[], taxon: Taxon): Stem[] {
  const effects = stems.map((s) => effectOn(s, cuts, taxon)).filter((e) => e.kept > 0);
  const left = new Set(effects.map((e) => e.stem.id));
  return effects.map(({ stem, kept, branchParts }) => ({
    ...stem,
    lengthM: Math.max(0.02, round(stem.lengthM * kept, 3)),
    crosses: stem.crosses !== null && left.has(stem.crosses) ? stem.crosses : null,
    branches: stem.branches.flatMap((b, i) =>
      branchParts[i] === 0 || b.at > kept
        ? []
        : [{ ...b, at: round(b.at / kept, 4), lengthM: Math.max(0.01, round(b.lengthM * branchParts[i]!, 3)) }],
    ),
  }));
}

interface Done {
  readonly visitId: string;
  readonly standId: string;
  readonly on: PlainDate;
  readonly regime: Regime;
  readonly amounts: Amounts;
  /** How tall the plant stood before it, and the id of the entry that tells how tall it was left. */
  readonly heightM: Metres;
  readonly heightId: string;
}
/** The try was carried out: a visit is recorded, and the stems are those that are left. */
export function carriedOut(g: Garden, stand: Stand, t: Try, taxon: Taxon, done: Done): Garden {
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
  };
  // What was left of the drawing is left of the plant, which may be measured a little higher or lower than it.
  const part = a.before.heightM > 0 ? a.after.heightM / a.before.heightM : 1;
  const lower = part < 1 && a.after.heightM > 0;
  const measured: Observation = {
    id: done.heightId,
    plantId: stand.plantId,
    on: done.on,
    kind: "height",
    heightM: Math.max(0.02, round(done.heightM * part, 3)),
    note: "",
    where: null,
    lookedFor: null,
  };
  // Recorded for a day before the stems were counted, what is left still is the newest that is known.
  const countedOn = done.on < stand.on ? stand.on : done.on;
  const left = newStand(done.standId, stand.plantId, countedOn, stemsAfter(stand.stems, t.cuts, taxon));
  const same = stand.on === countedOn ? g.stands.filter((s) => s.id !== stand.id) : g.stands;
  const settled = same.map((s) => (s.id === stand.id ? { ...s, chosen: t.id } : s));
  const recorded = withVisit(g, visit);
  return {
    ...recorded,
    observations: lower ? [...recorded.observations, measured] : recorded.observations,
    stands: [...settled, left],
  };
}
