/** What is changed at the bench: stems, tries, and what was carried out. Each is one change of the garden. */
import {
  MOST,
  PLAIN_SIGHT,
  standSize,
  stemsAsHigh,
  type Build,
  type Garden,
  type Metres,
  type Observation,
  type PlainDate,
  type Stand,
  type Stem,
  type StemCut,
  type Task,
  type Try,
} from "@wren/core";

/** The garden with a stand put in, in place of the one of its id. */
export const withStand = (g: Garden, stand: Stand): Garden => ({
  ...g,
  stands: [...g.stands.filter((s) => s.id !== stand.id), stand],
});

/** The last stand asked for, and as it was shown: a drawing must not be worked out anew with every press. */
const SHOWN = new WeakMap<Stand, { readonly stems: readonly Stem[]; readonly stand: Stand }>();
/** A stand as it stands now: its stems have grown with the plant since they were drawn. */
export function grownStand(kept: Stand, build: Build, heightM: Metres): Stand {
  const stems = stemsAsHigh(kept.stems, build, heightM);
  const shown = SHOWN.get(kept);
  if (shown?.stems === stems) return shown.stand;
  const stand = stems === kept.stems ? kept : { ...kept, stems: [...stems] };
  SHOWN.set(kept, { stems, stand });
  return stand;
}

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

type BranchCut = Extract<StemCut, { cut: "branch-off" | "branch-back" | "shoot-off" }>;
const ofBranch = (c: StemCut): c is BranchCut =>
  c.cut === "branch-off" || c.cut === "branch-back" || c.cut === "shoot-off";

/** Cuts with a stem's own cut replaced (null: put back). Side branches that go keep going unless the stem does. */
export function cutAt(cuts: readonly StemCut[], stemId: string, cut: StemCut | null): readonly StemCut[] {
  const stays = (c: StemCut): boolean => {
    if (!("stemId" in c) || c.stemId !== stemId) return true;
    if (cut === null || cut.cut === "remove") return false;
    if (!ofBranch(cut)) return ofBranch(c);
    if (!ofBranch(c)) return c.cut !== "remove";
    // One cut to a branch, and one to a shoot of it.
    return c.branch !== cut.branch || ("shoot" in c && "shoot" in cut && c.shoot !== cut.shoot);
  };
  return [...cuts.filter(stays), ...(cut ? [cut] : [])];
}

/** Cuts over the whole plant come once each. */
export const wholeCut = (cuts: readonly StemCut[], kind: StemCut["cut"], cut: StemCut | null): readonly StemCut[] => [
  ...cuts.filter((c) => c.cut !== kind),
  ...(cut ? [cut] : []),
];

/** Measured to less than this part of its height nobody has. */
const NEAR = 0.01;
/** A drawing corrected by hand; when it now stands higher or lower than its plant was known to, that is its height. */
export function withDrawn(
  g: Garden,
  stand: Stand,
  build: Build,
  { on, nowM, id }: { readonly on: PlainDate; readonly nowM: Metres; readonly id: string },
): Garden {
  const heightM = Math.round(standSize(stand.stems, build).heightM * 100) / 100;
  const drawn = withStand(g, stand);
  if (heightM <= 0 || Math.abs(heightM / nowM - 1) < NEAR) return drawn;
  const { plantId } = stand;
  const height: Observation = { ...PLAIN_SIGHT, id, plantId, on, kind: "height", heightM };
  return { ...drawn, observations: [...drawn.observations, height] };
}
