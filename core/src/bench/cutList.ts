/** The list to carry out: numbered, by pass and tool, each line saying where the blade goes. */
import type { Taxon } from "../catalogue/index.ts";
import type { GoalKind, Stem, StemCut, Task } from "../model/index.ts";
import { isNeedled, passOrder, toolFor, type Pass } from "../craft/index.ts";
import { alongStem } from "../stems/index.ts";
import type { Metres } from "../units/index.ts";
import { BLADE, bladePlace } from "./blade.ts";
import { effectOn, partLeft } from "./effects.ts";
import { stemsOf } from "./passes.ts";
import { BENCH_LIMITS } from "./remarks.ts";

/** A line of the list to carry out. */
export interface CutLine {
  readonly no: number;
  readonly pass: Pass;
  readonly tool: string;
  readonly cut: StemCut;
  readonly stem: Stem | null;
  /** Height of the cut above the ground, and the stem's thickness there; null for cuts over the whole plant. */
  readonly heightM: Metres | null;
  readonly diameterMm: number | null;
  /** What the blade stands above, and how far. */
  readonly blade: {
    readonly above: "ground" | "bud" | "side-shoot" | "branch" | "stem";
    readonly outward: boolean;
    readonly mm: number;
  } | null;
  readonly threeCuts: boolean;
}

/** The pass that asked for a cut: the first of the task's passes whose stems hold it; headings are about height. */
function passFor(c: StemCut, stems: readonly Stem[], order: readonly Pass[]): Pass {
  if (!("stemId" in c)) return c.cut === "lift" ? "lift" : "ends";
  if (c.cut === "head" || c.cut === "to-branch") return "height";
  const own = order.find((p) => stemsOf(p, stems).some((s) => s.id === c.stemId));
  return own ?? (c.cut === "branch-off" ? "wrong-way" : "oldest");
}

const WHOLE_TOOL: Readonly<Record<string, string>> = {
  shear: "hedge shears",
  tips: "secateurs",
  candles: "fingers",
  "dead-heads": "secateurs",
  lift: "loppers",
};

function bladeOf(c: StemCut, stem: Stem, taxon: Taxon): CutLine["blade"] {
  switch (c.cut) {
    case "remove":
      return { above: "ground", outward: true, mm: 0 };
    case "to-branch":
      return { above: "branch", outward: true, mm: BLADE.aboveBranchMm };
    case "branch-off":
      return { above: "stem", outward: true, mm: 0 };
    case "head": {
      const place = bladePlace(stem, c.keptM);
      if (isNeedled(taxon)) return { above: "side-shoot", outward: place.outward, mm: place.aboveMm };
      return { above: place.above, outward: place.outward, mm: place.aboveMm };
    }
    default:
      return null;
  }
}

/** Numbers the cuts as they are made: pass by pass, heavy before fine within a pass. */
export function cutList(
  stems: readonly Stem[],
  cuts: readonly StemCut[],
  taxon: Taxon,
  task: Task,
  goal: GoalKind,
): readonly CutLine[] {
  const order = passOrder(taxon, task, goal);
  const byId = new Map(stems.map((s) => [s.id, s]));
  const rank = (p: Pass): number => (order.includes(p) ? order.indexOf(p) : order.length);
  const lines = cuts.map((cut): Omit<CutLine, "no"> => {
    const stem = "stemId" in cut ? (byId.get(cut.stemId) ?? null) : null;
    const pass = passFor(cut, stems, order);
    if (stem === null)
      return {
        pass,
        tool: WHOLE_TOOL[cut.cut] ?? "secateurs",
        cut,
        stem,
        heightM: null,
        diameterMm: null,
        blade: null,
        threeCuts: false,
      };
    const branch = cut.cut === "branch-off" ? stem.branches[cut.branch] : undefined;
    const at = branch?.at ?? effectOn(stem, [cut], taxon).kept;
    const diameterMm = Math.round(branch?.diameterMm ?? stem.diameterMm * partLeft(at));
    return {
      pass,
      tool: toolFor(diameterMm),
      cut,
      stem,
      heightM: alongStem(stem, at, taxon).z,
      diameterMm,
      blade: bladeOf(cut, stem, taxon),
      threeCuts: diameterMm >= BENCH_LIMITS.threeCutMm,
    };
  });
  return lines
    .toSorted((a, b) => rank(a.pass) - rank(b.pass) || (b.diameterMm ?? 0) - (a.diameterMm ?? 0))
    .map((l, i) => ({ no: i + 1, ...l }));
}
