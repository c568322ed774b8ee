/** "Is this normal?": what looks wrong and is not, and what looks normal and is a sign. Common practice. */
import type { Taxon } from "../catalogue/index.ts";

export interface SignRow {
  readonly looks: string;
  readonly means: string;
}

/** Looks normal, but is a sign. */
export const SIGNS: readonly SignRow[] = [
  {
    looks: "Long bare reaching branches",
    means: "Shade: it reaches for light. Open what shades it, or accept it; shortening does not help.",
  },
  { looks: "Ragged, bruised cut edges", means: "Blunt blades. Sharpen or change them before the next cut." },
  {
    looks: "Shoots thicker than a thumb after one or two years",
    means: "Overfed or overwatered: leave the feed away for a year.",
  },
  {
    looks: "Leaves smaller and fewer than last year",
    means: "Roots in trouble: look at water and soil before you cut.",
  },
  { looks: "Mushrooms at the foot or on a stem", means: "Rot inside. Cut nothing big; ask a licensed arborist." },
  {
    looks: "A ring of dead bark round a stem",
    means: "Canker or gnawing: everything above it is lost. Cut below it in dry weather, blades wiped.",
  },
  {
    looks: "Strange leaves on shoots from low down",
    means: "Suckers from below a graft: trace them to the root and pull them off.",
  },
  {
    looks: "Green shoots on a coloured or variegated plant",
    means: "It reverts: out at their origin, they grow faster than the rest.",
  },
];

/** Looks wrong, but is normal, for any plant. */
export const NORMAL_ANYWHERE: readonly string[] = [
  "a thin look after thinning: it fills by midsummer",
  "a soft flush in a warm autumn",
  "inner leaves or needles shed",
];

/** What looks wrong but is normal on a kind, its own first. */
export const normalFor = (taxon: Taxon): readonly string[] => [
  ...taxon.looksWrongButNormal,
  ...NORMAL_ANYWHERE.filter((x) => !taxon.looksWrongButNormal.includes(x)),
];
