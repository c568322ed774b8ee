/** The list to carry out: numbered, by pass and tool, each line saying where the blade goes. */
import type { Taxon } from "../catalogue/index.ts";
import type { Pass, Stem, StemCut, Task } from "../model/index.ts";
import { isNeedled, PASS_ROWS, passOrder, toolFor, type Worked } from "../craft/index.ts";
import { rubbingOf, type Build } from "../stems/index.ts";
import type { Metres } from "../units/index.ts";
import { BLADE, bladePlace, cutPlace } from "./blade.ts";
import { BENCH_LIMITS } from "./remarks.ts";

/** A line of the list to carry out. */
export interface CutLine {
  readonly no: number;
  readonly pass: Pass;
  readonly tool: string;
  readonly cut: StemCut;
  /** All that the line stands for: like cuts on one stem, of which the first is the one above. */
  readonly cuts: readonly StemCut[];
  readonly stem: Stem | null;
  /** Height of the lowest cut above the ground, of the highest, and the thickest wood; null for cuts over the whole plant. */
  readonly heightM: Metres | null;
  readonly toM: Metres | null;
  readonly diameterMm: number | null;
  /** What the blade stands above, and how far. */
  readonly blade: {
    readonly above: "ground" | "bud" | "side-shoot" | "branch" | "stem";
    readonly outward: boolean;
    readonly mm: number;
  } | null;
  readonly threeCuts: boolean;
}

/** A line before it has its number. */
type Line = Omit<CutLine, "no">;

/** The pass that a cut belongs to where no proposal says so; headings are about height. */
function passFor(c: StemCut, stem: Stem | null, order: readonly Pass[], build: Build): Pass {
  const first = (...passes: readonly Pass[]): Pass => passes.find((p) => order.includes(p)) ?? passes[0]!;
  if (stem === null) return c.cut === "lift" ? "lift" : c.cut === "top" ? first("height", "ends") : "ends";
  const b = "branch" in c ? stem.branches[c.branch] : undefined;
  switch (c.cut) {
    case "head":
    case "to-branch":
      return stem.deadFrom !== null ? "dead" : first("height", "off-path");
    case "remove":
      if (stem.state === "dead") return "dead";
      if (stem.state !== "live") return "hazard";
      if (stem.crosses !== null && order.includes("crossing")) return "crossing";
      return (
        (stem.faults.find((f) => order.includes(f)) as Pass | undefined) ?? first("oldest", "suckers", "wrong-way")
      );
    case "branch-off":
      if (b?.dead) return "dead";
      if (order.includes("crossing") && rubbingOf(stem, build).some((pair) => pair.includes(c.branch)))
        return "crossing";
      return first("rods", "leaders", "upright", "inside", "side-shoots", "off-path", "wrong-way");
    case "branch-back":
      return first("side-shoots", "off-path", "height", "wrong-way");
    default:
      return "shoot" in c && b?.shoots[c.shoot]?.dead ? "dead" : first("upright", "off-path", "inside");
  }
}

const WHOLE_TOOL: Readonly<Record<string, string>> = {
  shear: "hedge shears",
  tips: "secateurs",
  candles: "fingers",
  "dead-heads": "secateurs",
  top: "secateurs",
  lift: "loppers",
};

function bladeOf(c: StemCut, stem: Stem, taxon: Taxon): CutLine["blade"] {
  switch (c.cut) {
    case "remove":
      return { above: "ground", outward: true, mm: 0 };
    case "to-branch":
      return { above: "branch", outward: true, mm: BLADE.aboveBranchMm };
    case "branch-off":
    case "shoot-off":
      return { above: "stem", outward: true, mm: 0 };
    case "branch-back":
      return { above: "bud", outward: true, mm: BLADE.aboveBudMm };
    case "head": {
      const place = bladePlace(stem, c.keptM);
      if (isNeedled(taxon)) return { above: "side-shoot", outward: place.outward, mm: place.aboveMm };
      return { above: place.above, outward: place.outward, mm: place.aboveMm };
    }
    default:
      return null;
  }
}

/** So many like cuts on one stem are one line. */
const ALIKE = 3;
/** Lines of like cuts on one stem taken together, where their pass is worked so. */
function togetherAsOne(lines: readonly Line[]): readonly Line[] {
  const alike = new Map<string, Line[]>();
  for (const [i, l] of lines.entries()) {
    const { cut } = l;
    const key =
      PASS_ROWS[l.pass].together && "branch" in cut
        ? JSON.stringify([l.pass, cut.stemId, cut.cut, "keptM" in cut ? cut.keptM : null, l.tool])
        : String(i);
    alike.set(key, [...(alike.get(key) ?? []), l]);
  }
  return [...alike.values()].flatMap((group): readonly Line[] => {
    if (group.length < ALIKE) return group;
    const heights = group.map((l) => l.heightM!);
    return [
      {
        ...group[0]!,
        cuts: group.map((l) => l.cut),
        heightM: Math.min(...heights),
        toM: Math.max(...heights),
        diameterMm: Math.max(...group.map((l) => l.diameterMm!)),
      },
    ];
  });
}

/** Numbers the cuts as they are made: pass by pass, heavy before fine within a pass. */
export function cutList(
  stems: readonly Stem[],
  cuts: readonly StemCut[],
  taxon: Taxon,
  task: Task,
  plant: Worked,
  build: Build,
): readonly CutLine[] {
  const order = passOrder(taxon, task, plant);
  const byId = new Map(stems.map((s) => [s.id, s]));
  const rank = (p: Pass): number => (order.includes(p) ? order.indexOf(p) : order.length);
  const lines = cuts.map((cut): Line => {
    const stem = "stemId" in cut ? (byId.get(cut.stemId) ?? null) : null;
    const pass = cut.pass ?? passFor(cut, stem, order, build);
    if (stem === null)
      return {
        pass,
        tool: WHOLE_TOOL[cut.cut] ?? "secateurs",
        cut,
        cuts: [cut],
        stem,
        heightM: null,
        toM: null,
        diameterMm: null,
        blade: null,
        threeCuts: false,
      };
    const place = cutPlace(stem, cut, build);
    const heightM = place?.heightM ?? 0;
    const diameterMm = Math.max(1, Math.round(place?.diameterMm ?? stem.diameterMm));
    return {
      pass,
      tool: toolFor(diameterMm),
      cut,
      cuts: [cut],
      stem,
      heightM,
      toM: heightM,
      diameterMm,
      blade: bladeOf(cut, stem, taxon),
      threeCuts: diameterMm >= BENCH_LIMITS.threeCutMm,
    };
  });
  return togetherAsOne(lines)
    .toSorted((a, b) => rank(a.pass) - rank(b.pass) || (b.diameterMm ?? 0) - (a.diameterMm ?? 0))
    .map((l, i) => ({ no: i + 1, ...l }));
}
