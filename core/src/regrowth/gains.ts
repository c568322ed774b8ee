/** What a set of cuts gains, and what leaving the plant alone would come to: the other side of what it costs. */
import type { Taxon } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { Amounts } from "../bench/index.ts";
import { growthToCome, grownTo } from "../amount/index.ts";
import { heightOf, plantsYear, type GardenModel } from "../garden/index.ts";
import { buildOf, THICKNESS_TABLE, type StemEffect } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { REGROWTH_ASSUMPTIONS, shootsAtCut } from "./follows.ts";

/** Few, usual, many. */
type Range = readonly [number, number, number];

export interface GainValues {
  /** Buds that wake below the cuts. */
  "shoots-woken": { readonly shoots: Range };
  /** Of the stems next winter so many are young ones, which are the coloured ones; against now. */
  "young-stems": { readonly now: Share; readonly then: readonly [Share, Share] };
  /** Each sheared end answers with several: the shell closes. */
  "denser-shell": { readonly ends: number; readonly shoots: Range };
  /** Light for what is left inside: branches that stood in the shade are out. */
  "light-inside": { readonly branches: number };
  /** Left alone it would stand so high when two seasons have grown. */
  "left-alone": { readonly heightM: readonly [Metres, Metres]; readonly wantedM: Metres | null };
}
export type GainCode = keyof GainValues;
/** One thing gained, with its numbers. */
export type Gain = { readonly [C in GainCode]: { readonly code: C; readonly values: GainValues[C] } }[GainCode];

const times = (n: number, [few, usual, many]: Range): Range =>
  [n * few, n * usual, n * many].map(Math.round) as unknown as Range;
/** Ends that were headed, of a stem and its branches; what was taken at its origin wakes nothing. */
const headed = (e: StemEffect): number =>
  (e.kept > 0 && e.kept < 1 && e.leader === null ? 1 : 0) + e.branchParts.filter((p) => p > 0 && p < 1).length;

const coloured = (t: Taxon): boolean => t.displays.some((d) => d.name.includes("coloured"));
/** Colour fades as stems thicken: young ones are like a pencil or a finger at most (common practice). */
const YOUNG_MM = THICKNESS_TABLE.middling.usualMm[0];

/** What the cuts of a try gain on a day. */
export function gainsOf(model: GardenModel, plantId: string, a: Amounts, on: PlainDate): readonly Gain[] {
  const plant = model.plant(plantId);
  const taxon = model.taxonOf(plant);
  const build = buildOf(taxon, plant.form);
  const live = a.effects.filter((e) => e.stem.state !== "dead");
  const standing = live.filter((e) => e.kept > 0);
  const ends = standing.reduce((n, e) => n + headed(e), 0);
  const out: Gain[] = [];
  const sheared = standing.some((e) => e.endsCut);
  if (ends > 0 && sheared && build.architecture === "shell")
    out.push({ code: "denser-shell", values: { ends, shoots: times(ends, shootsAtCut(model, plant)) } });
  else if (ends > 0) out.push({ code: "shoots-woken", values: { shoots: times(ends, shootsAtCut(model, plant)) } });
  if (coloured(taxon) && live.length > 0) {
    const young = (xs: readonly StemEffect[]): number => xs.filter((e) => e.stem.diameterMm <= YOUNG_MM).length;
    const gone = live.length - standing.length;
    const of = (per: number): Share => {
      const woken = gone * per + standing.filter((e) => e.kept < 1).length;
      return (young(standing.filter((e) => e.kept === 1)) + woken) / Math.max(1, standing.length + gone * per);
    };
    const [few, , many] = REGROWTH_ASSUMPTIONS.suckersPerStem;
    if (gone > 0 || ends > 0)
      out.push({
        code: "young-stems",
        values: { now: young(live) / live.length, then: [Math.min(1, of(few)), Math.min(1, of(many))] },
      });
  }
  const opened = standing.reduce(
    (n, e) =>
      n + [...e.branchesGone].filter((i) => e.stem.branches[i]!.at <= e.kept && !e.stem.branches[i]!.dead).length,
    0,
  );
  if (opened > 0 && !sheared) out.push({ code: "light-inside", values: { branches: opened } });
  const { heightM } = heightOf(model, plant, on);
  const seasons = growthToCome(plantsYear(model, plant, on), model.climate.hemisphere, on) + 1;
  const [slow, , strong] = taxon.growthM;
  if (a.after.heightM < a.before.heightM - LOWER_M)
    out.push({
      code: "left-alone",
      values: {
        heightM: [grownTo(taxon, heightM, slow, seasons), grownTo(taxon, heightM, strong, seasons)],
        wantedM: plant.goal.heightM,
      },
    });
  return out;
}
/** Less is no difference in height, m. */
const LOWER_M: Metres = 0.03;
