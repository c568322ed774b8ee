/** What can be written down of a plant, in groups as somebody looks for it; what needs a number asks for it. */
import type { Observation, Taxon } from "@wren/core";

export interface SightPress {
  readonly label: string;
  readonly kind: Observation["kind"];
  readonly where: Observation["where"];
  /** What has to be said beside it. */
  readonly asks: readonly ("height" | "count" | "length")[];
  /** Kinds at which it can be seen. */
  readonly fits: (t: Taxon) => boolean;
}
interface SightGroup {
  readonly title: string;
  readonly presses: readonly SightPress[];
}

const always = (): boolean => true;
const press = (
  label: string,
  kind: Observation["kind"],
  more: Partial<Omit<SightPress, "label" | "kind">> = {},
): SightPress => ({ label, kind, where: null, asks: [], fits: always, ...more });
const flowers = (t: Taxon): boolean => t.displays.length > 0 || t.floweringWood !== "foliage";

export const SIGHT_GROUPS: readonly SightGroup[] = [
  {
    title: "Flowers",
    presses: [
      press("First flowers", "first-flower", { fits: flowers }),
      press("In flower", "in-flower", { fits: flowers }),
      press("Flowers over", "last-flower", { fits: flowers }),
      press("Did not flower this year", "no-flower", { fits: flowers }),
      press("First flowers, on side shoots of old stems", "first-flower", { where: "side-shoots", fits: flowers }),
      press("First flowers, at the ends of new shoots", "first-flower", { where: "new-shoot-ends", fits: flowers }),
    ],
  },
  {
    title: "Growth",
    presses: [
      press("First leaves", "first-leaf", { fits: (t) => t.leaf !== "evergreen" }),
      press("Growth at the base", "growth-seen", { where: "base" }),
      press("Growth on old stems", "growth-seen", { where: "old-stems" }),
      press("Candles are out", "candles-out", { fits: (t) => t.headOnlyWhileSoft }),
      press("New shoots are hard", "flush-hardened"),
      press("Leaves have fallen", "leaf-fall", { fits: (t) => t.leaf !== "evergreen" }),
      press("Suckers are up", "suckers-up"),
      press("The foot is dense", "foot-dense"),
    ],
  },
  {
    title: "Health",
    presses: [
      press("Frost has hurt it", "frost-damage"),
      press("Frost killed its buds", "buds-killed", { fits: flowers }),
      press("Scratched: green", "scratch-green"),
      press("Scratched: brown", "scratch-brown"),
      press("Disease", "disease-seen"),
    ],
  },
  {
    title: "Berries and birds",
    presses: [
      press("Berries or heads are ripe", "berries-ripe"),
      press("Berries are taken", "berries-gone"),
      press("Birds nest in it", "nest-seen"),
      press("The young have flown", "nest-empty"),
    ],
  },
  {
    title: "Measured",
    presses: [
      press("Height", "height", { asks: ["height"] }),
      press("Shoots at the cuts", "shoots-counted", { asks: ["count", "length"] }),
      press("How far in the green reaches", "leaf-depth", { asks: ["length"] }),
    ],
  },
];
