/** What comes off a hedge from one section to another: depth, area, share of the live shell, and whether it passes the green. */
import type { Taxon } from "../catalogue/index.ts";
import { FACES, type Face } from "../model/index.ts";
import { clampShare, type Metres, type Share } from "../units/index.ts";
import {
  areaByStrips,
  sectionEdges,
  heightsOf,
  inset,
  outside,
  sumOfOutside,
  type Outside,
  type Section,
} from "./section.ts";

/** How deep leaf stands under the outline, m; ours, from common practice: the inside of a clipped hedge is bare. */
export const GREEN_DEPTH_M = { needled: 0.2, evergreen: 0.25, deciduous: 0.3 } as const;
/** Loose clippings of a cubic metre of what was cut off: shoots of one summer lie loosely, branches fill a bag less well; ours. */
export const LOOSE_OF_CUT = [0.25, 0.6] as const;

/** Depth of green of a kind grown as a hedge, m. */
export const greenDepthOf = (t: Pick<Taxon, "leaf" | "regrowthFromLeaflessWood">): Metres =>
  t.regrowthFromLeaflessWood === "no"
    ? GREEN_DEPTH_M.needled
    : t.leaf === "deciduous"
      ? GREEN_DEPTH_M.deciduous
      : GREEN_DEPTH_M.evergreen;

/** How deep a face or the top is cut, and how far it is from the wanted line where it has yet to grow. */
export interface Depths {
  /** Deepest cut, m, square to the face. */
  readonly deepestM: Metres;
  /** Furthest that is still to be grown, m. */
  readonly toGrowM: Metres;
}

/** What comes off from one section to another. */
export interface HedgeCut {
  /** Area off by where it sticks out, m³ for each metre of hedge. */
  readonly off: Outside;
  /** Share of the leafy shell that goes, in all and by face; the top is the rest. */
  readonly share: Share;
  readonly shareBy: Readonly<Record<Face | "top", Share>>;
  readonly depths: Readonly<Record<Face | "top", Depths>>;
  /** Where it goes deeper than the green. */
  readonly pastGreen: readonly (Face | "top")[];
}

const HEIGHTS = 40;
const RAD = Math.PI / 180;

function depthsAt(now: Section, wanted: Section, face: Face, shiftM: Metres): Depths {
  let [deepestM, toGrowM] = [0, 0];
  const [own, wished] = [sectionEdges(now), sectionEdges(wanted)];
  const square = Math.cos(wanted.batterDeg[face] * RAD);
  const side = face === "front" ? 0 : 1;
  for (let i = 0; i <= HEIGHTS; i++) {
    const z = (i / HEIGHTS) * Math.min(now.heightM, wanted.heightM);
    const [a, b] = [own(z), wished(z)];
    if (a === null || b === null) continue;
    // The crown is drawn in on purpose: its round shoulders are no cut into the face.
    const inwards = b[side] + shiftM - a[side];
    const off = (face === "front" ? inwards : 0 - inwards) * square;
    deepestM = Math.max(deepestM, off);
    toGrowM = Math.max(toGrowM, -off);
  }
  return { deepestM, toGrowM };
}

/**
 * A hedge brought from one section to another.
 * @param greenM depth of its green
 * @param shiftM how far the other's middle lies behind its own
 */
export function cutBetween(now: Section, wanted: Section, greenM: Metres, shiftM: Metres = 0): HedgeCut {
  const core = inset(now, greenM);
  // All over the same strips, so that the parts sum to the whole.
  const heights = heightsOf(now, wanted, core);
  const off = outside(now, wanted, shiftM, heights);
  const bare = core === null ? { front: 0, back: 0, top: 0 } : outside(core, wanted, shiftM, heights);
  const shell = areaByStrips(now, heights) - (core === null ? 0 : areaByStrips(core, heights));
  const part = (where: Face | "top"): Share => clampShare((off[where] - bare[where]) / shell);
  const shareBy = { front: part("front"), back: part("back"), top: part("top") };
  const top: Depths = {
    deepestM: Math.max(0, now.heightM - wanted.heightM),
    toGrowM: Math.max(0, wanted.heightM - now.heightM),
  };
  const depths = { front: depthsAt(now, wanted, "front", shiftM), back: depthsAt(now, wanted, "back", shiftM), top };
  return {
    off,
    share: clampShare((sumOfOutside(off) - sumOfOutside(bare)) / shell),
    shareBy,
    depths,
    pastGreen: ([...FACES, "top"] as const).filter((w) => depths[w].deepestM > greenM + 1e-9),
  };
}

/** Years until a face cut past its green is green again: kinds that answer from bare wood, slowly or well; null: never. Ours. */
export const yearsToGreen = (t: Pick<Taxon, "regrowthFromLeaflessWood">): readonly [number, number] | null => {
  const years = { yes: [1, 3], slow: [3, 5], no: null } as const;
  return years[t.regrowthFromLeaflessWood];
};
