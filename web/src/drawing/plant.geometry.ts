/** A plant drawn from its own measurements: outline by habit, stems, and what it wears on a day. */
import { growthDone, halfAt, inCycle, OUTLINES, type OutlineName, type PlantYear, type Taxon } from "@wren/core";
import { curveCatmullRomClosed, line } from "d3-shape";
import { noise, seedOf } from "./ring.geometry.ts";

export interface PlantSize {
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Closed outline of the crown; ground at y = 0, up is negative, middle at x = 0. */
export function crownPath(habit: OutlineName, { widthPx, heightPx }: PlantSize, seed: string): string {
  const n = noise(seedOf(seed));
  const profile = OUTLINES[habit];
  const side = (sign: 1 | -1): [number, number][] =>
    profile.map(([z, half], i) => {
      const jitter = 1 + 0.07 * n(i * 1.7 + (sign > 0 ? 0 : 2.3));
      return [(sign * half * jitter * widthPx) / 2, 0 - z * heightPx];
    });
  // A point in the middle of the foot keeps the curve from sagging below the ground.
  const foot: [number, number] = [0, 0 - profile[0]![0] * heightPx];
  return line().curve(curveCatmullRomClosed.alpha(0.6))([...side(-1), ...side(1).reverse(), foot]) ?? "";
}

export interface StemLine {
  readonly d: string;
  readonly width: number;
}

/** Outlines that stand on one axis. */
const TRUNKED: ReadonlySet<OutlineName> = new Set<OutlineName>(["column", "cone", "tree", "standard", "weeping"]);

/** A handful of stems from the foot into the crown, those of one thickness as one line: a list draws a hundred plants. */
export function stemLines(habit: OutlineName, { widthPx, heightPx }: PlantSize, seed: string): readonly StemLine[] {
  const n = noise(seedOf(seed) + 3);
  const count = habit === "tuft" ? 9 : TRUNKED.has(habit) ? 1 : 6;
  const foot = habit === "tuft" || habit === "mound" ? 0.12 : 0.06;
  const lines = new Map<number, string>();
  for (let i = 0; i < count; i++) {
    const t = count === 1 ? 0 : (i / (count - 1)) * 2 - 1;
    const reach = (0.68 + 0.12 * n(i)) * heightPx;
    const x0 = t * foot * widthPx;
    const x1 = t * 0.36 * widthPx * (1 + 0.2 * n(i + 4));
    const d = `M${x0.toFixed(1)} 0Q${(x0 * 1.4).toFixed(1)} ${(-reach * 0.55).toFixed(1)} ${x1.toFixed(1)} ${(-reach).toFixed(1)}`;
    const width = Math.max(0.8, (habit === "tuft" ? 0.012 : 0.03) * heightPx * (1 - 0.4 * Math.abs(t)));
    // Tenths of a pixel are no difference to the eye.
    const drawn = Math.round(width * 10) / 10;
    lines.set(drawn, (lines.get(drawn) ?? "") + d);
  }
  return Array.from(lines, ([width, d]) => ({ d, width }));
}

/** What a plant wears, in steps coarse enough that a drawing stays the same from one day to the next. */
export interface PlantLook {
  /** 0 bare to 1 in full leaf. */
  readonly leaf: number;
  /** Name of what is showing; null when there is nothing. */
  readonly showing: string | null;
  /** How full that is, 0 to 1. */
  readonly fullness: number;
}

const STEPS = 12;
const stepped = (x: number): number => Math.round(x * STEPS) / STEPS;

/** What a plant wears on a season day. */
export function lookOn(taxon: Taxon, year: PlantYear, seasonDay: number): PlantLook {
  const u = inCycle(year, seasonDay);
  const grown = Math.min(1, 0.25 + growthDone(year, u) * 1.6);
  const leaf = stepped(taxon.leaf === "evergreen" ? 1 : u >= year.dormant.day ? 0 : grown);
  for (const d of year.displays)
    for (const turn of [1, 0, -1]) {
      if (turn === d.lostCycle) continue;
      const day = seasonDay - turn * 365;
      const part = (day - d.opens.day) / (d.ends.day - d.opens.day);
      if (part >= 0 && part <= 1 && d.display.weight > 0.3)
        return {
          leaf,
          showing: d.display.name,
          fullness: stepped(Math.sin(Math.PI * Math.min(0.95, part + 0.05))),
        };
    }
  return { leaf, showing: null, fullness: 0 };
}

/** Places for flowers on the crown, seeded; in the crown's coordinates. */
export function flowerSpots(
  habit: OutlineName,
  { widthPx, heightPx }: PlantSize,
  seed: string,
  count: number,
): readonly (readonly [number, number])[] {
  const n = noise(seedOf(seed) + 11);
  return Array.from({ length: count }, (_, i) => {
    const z = 0.45 + 0.5 * ((i * 0.618) % 1);
    const x = ((((i * 0.7549 + 0.13) % 1) * 2 - 1) * 0.86 + 0.06 * n(i)) * halfAt(habit, z) * (widthPx / 2);
    return [x, 0 - z * heightPx] as const;
  });
}

/** Round dots as one path. */
export const dotsPath = (spots: readonly (readonly [x: number, y: number])[], r: number): string =>
  spots
    .map(([x, y]) => `M${(x - r).toFixed(1)} ${y.toFixed(1)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`)
    .join("");

/** Is it the bark of its young stems that shows, and no flower? */
export const stemsShow = (showing: PlantLook["showing"]): boolean => showing?.includes("stems") === true;
