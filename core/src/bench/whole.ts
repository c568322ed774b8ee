/** Cuts over the whole plant: outline, tips, candles, spent heads, a lifted skirt. */
import type { GoalKind, Pass, StemCut } from "../model/index.ts";
import { ARCHITECTURE_TABLE, branchRun, leafOf, shootRun } from "../stems/index.ts";
import type { Metres } from "../units/index.ts";
import { BENCH_LIMITS } from "./remarks.ts";
import { EPSILON, GREEN_DEPTH, LEAST_OFF_M, tried, wantedOf, type Setting } from "./setting.ts";

export const SUGGEST_ASSUMPTIONS = {
  /** Tips: of a year's growth. */
  tipOfGrowth: 0.3,
  /** Candles: about a half, while soft. */
  candle: 0.5,
  /** Outline: of the present height and width, where none is wanted. */
  outlineKeeps: 0.9,
  /** A lifted skirt clears so much. */
  liftM: 0.4,
} as const;

/** What is too much is drawn back in so many steps. */
const DRAWN_BACK = 50;
/** Cuts over the whole plant for the tasks that end in them, drawn back until they fit. */
export function wholePlant(
  pass: Pass,
  set: Setting,
  before: readonly StemCut[],
  size: { heightM: Metres; widthM: Metres },
): StemCut[] {
  const a = SUGGEST_ASSUMPTIONS;
  const taxon = set.model.taxonOf(set.q.plant);
  const { task } = set.q;
  const scaled = (make: (t: number) => StemCut): StemCut[] => {
    const fits = (n: number): boolean => tried(set, [...before, make(n / DRAWN_BACK)]) <= set.budget + EPSILON;
    // A deeper cut never takes less: the deepest that fits is found by halving.
    let [most, tooMuch] = [0, DRAWN_BACK + 1];
    if (fits(DRAWN_BACK)) most = DRAWN_BACK;
    else
      while (tooMuch - most > 1) {
        const mid = Math.floor((most + tooMuch) / 2);
        if (fits(mid)) most = mid;
        else tooMuch = mid;
      }
    return most === 0 ? [] : [make(most / DRAWN_BACK)];
  };
  if (pass === "lift") {
    // From where it is clear already; what weeps comes down again by the summer's growth.
    const fromM = lowestM(set);
    const hangs = set.build.outline === "weeping" ? taxon.growthM[1] * set.aim.toCome : 0;
    const clearM = Math.min(fromM + a.liftM + hangs, (1 - BENCH_LIMITS.crownShare) * size.heightM);
    return clearM <= fromM ? [] : scaled((t) => ({ cut: "lift", clearM: fromM + (clearM - fromM) * t }));
  }
  if (pass === "old-heads") return [{ cut: "top", heightM: Math.max(LEAST_TOP_M, set.aim.height?.cutAtM ?? 0) }];
  if (task === "deadhead") return [{ cut: "dead-heads" }];
  if (task === "candle") return scaled((t) => ({ cut: "candles", share: a.candle * t }));
  if (task === "tip")
    return scaled((t) => ({ cut: "tips", offM: Math.max(0.01, taxon.growthM[1] * a.tipOfGrowth * t) }));
  const { height, widthM } = set.aim;
  const wished = wantedOf(set.q) !== null || widthM !== null;
  const { leads } = ARCHITECTURE_TABLE[set.build.architecture];
  // What has a leader grows as it will where nobody wants an outline of it.
  if (leads && task === "shape" && !wished && !OUTLINED.has(set.q.plant.goal.kind)) return [];
  // Without a wish a leader is left its height; where no hedge is made of the kind, with one too.
  const free = wished || leads ? 1 : a.outlineKeeps;
  const lowers = height !== null && set.aim.by === "wish" && (!leads || taxon.outline);
  const toM = lowers ? height.cutAtM * set.scale : size.heightM * free;
  const wideM = widthM === null ? (wished ? size.widthM : size.widthM * a.outlineKeeps) : widthM * set.scale;
  // Where only green may be cut, the outline stays within it.
  const green = set.build.greenOnly ? GREEN_DEPTH * leafOf(set.q.stems, set.build).body.shellM : Infinity;
  const offM = Math.min(green, Math.max(0, size.heightM - toM));
  const sideM = Math.min(2 * green, Math.max(0, size.widthM - wideM));
  if (offM < LEAST_OFF_M && sideM < LEAST_OFF_M) return [];
  return scaled((t) => ({ cut: "shear", heightM: size.heightM - offM * t, widthM: size.widthM - sideM * t }));
}
/** Where the lowest live branch, or what hangs of it, is, m. */
export const lowestM = ({ q, build }: Setting): Metres =>
  Math.min(
    ...q.stems
      .filter((s) => s.state === "live")
      .flatMap((s) =>
        s.branches.length === 0
          ? [0]
          : s.branches.flatMap((b) => {
              const run = branchRun(s, b, build);
              return b.dead ? [] : [...run, ...b.shoots.map((x) => shootRun(run, x)[1])].map((p) => p.z);
            }),
      ),
  );
/** A tuft is left so much over the ground at the least, m. */
const LEAST_TOP_M: Metres = 0.05;

/** Wishes that ask for an outline where no size is said. */
const OUTLINED: ReadonlySet<GoalKind> = new Set<GoalKind>([
  "outline",
  "fuller",
  "screen",
  "wider",
  "smaller",
  "keep-size",
]);
