/** An old shrub renewed: which stems go in which year, from the ground or from below, or after its foot has filled. */
import { lowestTop } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { oldestFirst, renewalThird } from "../bench/index.ts";
import type { Plant, Stem, Watched } from "../model/index.ts";
import { buildOf, leafWeight, partAtHeight } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";

export const RENEWAL_WAYS = ["thirds", "sides", "at-once", "foot-first", "from-below"] as const;
export type RenewalWay = (typeof RENEWAL_WAYS)[number];

/** What happens to the stems of a year. */
export type RenewalDo =
  /** Out at the ground. */
  | { readonly do: "out" }
  /** Shortened to knee height, or to a low side branch: their own wood breaks there. */
  | { readonly do: "knee"; readonly fromM: Metres; readonly toM: Metres }
  /** The top let down so that light reaches the foot. */
  | { readonly do: "open"; readonly toM: Metres };

export interface RenewalYear {
  readonly what: RenewalDo;
  readonly stems: readonly Stem[];
  /** What must have been seen before it; null: the year alone decides. */
  readonly after: Watched | null;
  /** Of the live stems that stood at the start, and of the old leaf that still stands that year. */
  readonly countShare: Share;
  readonly areaShare: Share;
}
export interface Renewal {
  readonly way: RenewalWay;
  readonly years: readonly RenewalYear[];
}

const RENEWAL_YEARS = 3;
const HALF_TURN_DEG = 180;
/** Old stems without young ones beside them: at 45–60 cm instead of the ground (common practice). */
export const KNEE_M = [0.45, 0.6] as const;

/** Stems of one side: those that lean within a quarter turn of a direction. */
const side = (stems: readonly Stem[], deg: number): readonly Stem[] =>
  stems.filter((s) => (s.turnDeg - deg + 720) % 360 < HALF_TURN_DEG);

/** The cut through the middle that parts the stems most evenly. */
function halves(stems: readonly Stem[]): readonly (readonly Stem[])[] {
  let best = side(stems, 0);
  for (let deg = 15; deg < HALF_TURN_DEG; deg += 15) {
    const one = side(stems, deg);
    if (Math.abs(one.length - stems.length / 2) < Math.abs(best.length - stems.length / 2)) best = one;
  }
  return [best, stems.filter((s) => !best.includes(s))];
}

/** Thirds of the oldest, never more than a third of the stems in a year. */
const thirdsOf = (live: readonly Stem[], third: number): readonly (readonly Stem[])[] =>
  Array.from({ length: RENEWAL_YEARS }, (_, i) => live.slice(i * third, (i + 1) * third));

/** Parts that leave nothing over: wood that is shortened stays, so all of it may have had its turn. */
function evenParts(live: readonly Stem[], years: number): readonly (readonly Stem[])[] {
  const each = Math.ceil(live.length / years);
  return Array.from({ length: years }, (_, i) => live.slice(i * each, (i + 1) * each)).filter((g) => g.length > 0);
}
/** Stems that stand no higher have had their turn. */
const hadItsTurn = (s: Stem): boolean => s.lengthM <= KNEE_M[1] * 1.1;

/**
 * The ways a kind may be renewed. By thirds the oldest go first, never more than a third of the stems in a year: for each
 * that went at least one shoot has come by the next, so the count does not fall. Where the foot is bare it may be filled
 * first; an evergreen that breaks from old wood is brought back from below.
 * @param cap live growth that may go in a year with the first, opening cut
 * @param yearsLeft of a way back from below that was begun: over how many years the stems still tall are spread
 * @returns none where the kind is not renewed or has no third to take
 */
export function renewals(
  stems: readonly Stem[],
  taxon: Taxon,
  plant: Pick<Plant, "form" | "widthM">,
  heightM: Metres,
  cap: Share,
  yearsLeft: number = RENEWAL_YEARS,
): readonly Renewal[] {
  const build = buildOf(taxon, plant.form);
  const live = stems.filter((s) => s.state !== "dead").toSorted(oldestFirst);
  if (live.length === 0) return [];
  const weight = (xs: readonly Stem[]): number => xs.reduce((n, s) => n + leafWeight(s, taxon.sapwoodMm), 0);
  const yearly = (
    groups: readonly (readonly Stem[])[],
    what: RenewalDo = { do: "out" },
    after: (i: number) => Watched | null = () => null,
  ): readonly RenewalYear[] => {
    const gone = new Set<Stem>();
    return groups.map((group, i) => {
      const standing = weight(live.filter((s) => !gone.has(s)));
      for (const s of group) gone.add(s);
      return {
        what,
        stems: group,
        after: after(i),
        countShare: group.length / live.length,
        areaShare: standing === 0 ? 0 : weight(group) / standing,
      };
    });
  };
  const third = renewalThird(live.length);
  const renewed = taxon.regimes.includes("renewal") && taxon.never.renovate === undefined;
  const breaks = taxon.regrowthFromLeaflessWood !== "no";
  const out: Renewal[] = [];
  if (renewed && third > 0) out.push({ way: "thirds", years: yearly(thirdsOf(live, third)) });
  if (renewed && live.length > 1) out.push({ way: "sides", years: yearly(halves(live)) });
  if (renewed && third > 0 && breaks && cap > 0) {
    const toM = lowestTop({ taxon, plant, stems }, heightM, cap);
    const tall = live.filter((s) => partAtHeight(s, toM, build) < 1);
    const open: RenewalYear = {
      what: { do: "open", toM },
      stems: tall,
      after: null,
      countShare: tall.length / live.length,
      areaShare: cap,
    };
    const later = yearly(thirdsOf(live, third), { do: "out" }, (i) => (i === 0 ? "foot-dense" : null));
    out.push({ way: "foot-first", years: [open, ...later] });
  }
  if (breaks && taxon.leaf === "evergreen" && taxon.never.renovate === undefined && heightM > 2 * KNEE_M[1])
    out.push({
      way: "from-below",
      years: yearly(
        evenParts(
          live.filter((s) => !hadItsTurn(s)),
          yearsLeft,
        ),
        { do: "knee", fromM: KNEE_M[0], toM: KNEE_M[1] },
        (i) => (i === 0 ? null : "growth-seen"),
      ),
    });
  if (renewed && taxon.never["hard-cutback"] === undefined && taxon.regrowthFromLeaflessWood === "yes")
    out.push({ way: "at-once", years: yearly([live]) });
  return out;
}
