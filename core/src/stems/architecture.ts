/** How a plant is built: from stems, on trunks, in tiers, on a wall. It follows from the kind and from how the plant is grown. */
import type { Taxon } from "../catalogue/index.ts";
import type { Form } from "../model/index.ts";
import type { Metres, Share } from "../units/index.ts";
import type { Body, OutlineName } from "./outline.ts";

export const ARCHITECTURES = ["stems", "canes", "trunk", "tiers", "wall", "layers", "shell", "tuft"] as const;
/** One of the ways in which plants are built. */
export type Architecture = (typeof ARCHITECTURES)[number];

export interface ArchitectureRow {
  readonly label: string;
  /** What its main axes are called, one and several. */
  readonly mains: readonly [one: string, several: string];
  /** An example of how one says it, for the gardener to go by. */
  readonly say: string;
  /** The main axes are the plant itself: no pass takes them, and a cut that leaves nothing above is refused. */
  readonly keepsMains: boolean;
  /** One axis leads: shortened, the plant loses its form. */
  readonly leads: boolean;
}

/** Common words of the trade. */
export const ARCHITECTURE_TABLE: Readonly<Record<Architecture, ArchitectureRow>> = {
  stems: {
    label: "Stems from the base",
    mains: ["stem", "stems"],
    say: "14 stems: 5 thicker than thumb, 6 middling, 3 thin, 2 dead",
    keepsMains: false,
    leads: false,
  },
  canes: {
    label: "Canes by age",
    mains: ["cane", "canes"],
    say: "9 canes: 2 old, 4 middling, 3 young, 1 dead",
    keepsMains: false,
    leads: false,
  },
  trunk: {
    label: "A crown on a trunk",
    mains: ["trunk", "trunks"],
    say: "one trunk, 3 leaders, 8 branches, crown from 1.2 m, 2 dead inside",
    keepsMains: true,
    leads: false,
  },
  tiers: {
    label: "A leader with tiers",
    mains: ["trunk", "trunks"],
    say: "one trunk, seven tiers, green from 60 cm out, three dead inside",
    keepsMains: true,
    leads: true,
  },
  wall: {
    label: "A frame on a wall or wires",
    mains: ["arm", "arms"],
    say: "a fan of five, side shoots to a hand",
    keepsMains: true,
    leads: false,
  },
  layers: {
    label: "Spreading layers",
    mains: ["stem", "stems"],
    say: "10 stems: 3 thick, 7 middling, green from 40 cm out",
    keepsMains: false,
    leads: false,
  },
  shell: {
    label: "A clipped shell",
    mains: ["stem", "stems"],
    say: "8 stems: 6 middling, 2 thin, green to 15 cm in",
    keepsMains: false,
    leads: false,
  },
  tuft: {
    label: "A tuft",
    mains: ["shoot", "shoots"],
    say: "30 shoots, 10 dead",
    keepsMains: false,
    leads: false,
  },
};

const OF_FORM: Readonly<Record<Form, Architecture>> = {
  "many-stems": "stems",
  trunk: "trunk",
  standard: "trunk",
  weeping: "trunk",
  pollard: "trunk",
  trained: "wall",
  clipped: "shell",
};
const OUTLINE_OF_FORM: Partial<Record<Form, OutlineName>> = {
  trunk: "tree",
  standard: "standard",
  weeping: "weeping",
  pollard: "pollard",
  trained: "fan",
};

type KindFacts = Pick<
  Taxon,
  "habit" | "leaf" | "outline" | "passes" | "group" | "regrowthFromLeaflessWood" | "matureHeightM" | "matureWidthM"
>;
/** So many times as wide as high, and it lies in layers. */
const LIES = 1.9;
/** As its kind is usually grown: the first row that fits. */
const OF_KIND: readonly (readonly [Architecture, (t: KindFacts) => boolean])[] = [
  ["tuft", (t) => t.habit === "tuft" || t.leaf === "herbaceous"],
  // A climber that is cut down every year keeps no frame.
  ["wall", (t) => t.habit === "climber" && t.passes !== "cutback"],
  ["trunk", (t) => t.habit === "tree"],
  ["tiers", (t) => t.habit === "cone" || (t.habit === "column" && t.regrowthFromLeaflessWood === "no")],
  [
    "layers",
    (t) =>
      t.leaf === "evergreen" && t.regrowthFromLeaflessWood === "no" && t.matureWidthM[1] >= LIES * t.matureHeightM[1],
  ],
  ["shell", (t) => t.outline],
  ["canes", (t) => t.group === "rose"],
];

/** How straight a habit's stems run: 0 straight, 1 the tip hangs level; ours, by eye. */
const BEND_OF_HABIT: Readonly<Record<Taxon["habit"], Share>> = {
  dome: 0.25,
  mound: 0.2,
  upright: 0.05,
  vase: 0.2,
  fountain: 0.6,
  cone: 0,
  column: 0,
  climber: 0.15,
  tuft: 0.5,
  tree: 0.1,
};

/** How far in leaf is found under the outline, m: the rest is too dark (ours; hedges show 15 to 30 cm of it). */
const SHELL_M: Readonly<Record<"needled" | "clipped" | "evergreen" | "deciduous" | "throughout", Metres>> = {
  needled: 0.3,
  clipped: 0.2,
  evergreen: 0.4,
  deciduous: 0.6,
  throughout: Infinity,
};

/** A kind as it is built: everything that stems, their leaf and their drawing ask of it. */
export interface Build {
  readonly architecture: Architecture;
  readonly outline: OutlineName;
  readonly bend: Share;
  readonly shellM: Metres;
  readonly bareFoot: Share;
  readonly sapwoodMm: number;
  readonly growthM: Taxon["growthM"];
  /** Nothing grows back where no green is left. */
  readonly greenOnly: boolean;
  readonly evergreen: boolean;
}

function shellOf(t: Taxon, architecture: Architecture): Metres {
  if (t.leaf === "herbaceous" || architecture === "tuft") return SHELL_M.throughout;
  if (t.leafDepthM !== undefined) return t.leafDepthM;
  if (architecture === "shell") return SHELL_M.clipped;
  if (t.regrowthFromLeaflessWood === "no") return SHELL_M.needled;
  return t.leaf === "deciduous" ? SHELL_M.deciduous : SHELL_M.evergreen;
}

/** Old subshrubs are bare below (common practice: cut within the leafy growth, never into the wood under it). */
const BARE_FOOT: Share = 0.25;

const KNOWN = new WeakMap<Taxon, Map<Form | null, Build>>();
/** How a kind is built when it is grown in a form; null: as it usually is. */
export function buildOf(taxon: Taxon, said: Form | null = null): Build {
  const form = said ?? taxon.usualForm ?? null;
  let forms = KNOWN.get(taxon);
  if (!forms) KNOWN.set(taxon, (forms = new Map<Form | null, Build>()));
  let build = forms.get(form);
  if (!build) {
    const architecture = form === null ? (OF_KIND.find(([, fits]) => fits(taxon))?.[0] ?? "stems") : OF_FORM[form];
    build = {
      architecture,
      outline: (form === null ? undefined : OUTLINE_OF_FORM[form]) ?? taxon.habit,
      bend: architecture === "trunk" || architecture === "tiers" ? 0 : BEND_OF_HABIT[taxon.habit],
      shellM: shellOf(taxon, architecture),
      bareFoot: taxon.group === "subshrub" && taxon.regrowthFromLeaflessWood !== "yes" ? BARE_FOOT : 0,
      sapwoodMm: taxon.sapwoodMm,
      growthM: taxon.growthM,
      greenOnly: taxon.regrowthFromLeaflessWood === "no",
      evergreen: taxon.leaf === "evergreen",
    };
    forms.set(form, build);
  }
  return build;
}

/** Of a small plant the shell is a part of its size: no deeper than so much of its half width or its height. */
const SHELL_OF_SIZE: Share = 0.5;
/** A plant's outline in its size. */
export const bodyOf = (
  build: Pick<Build, "outline" | "shellM" | "bareFoot">,
  heightM: Metres,
  widthM: Metres,
): Body => ({
  outline: build.outline,
  shellM: build.shellM === Infinity ? Infinity : Math.min(build.shellM, SHELL_OF_SIZE * Math.min(heightM, widthM / 2)),
  bareFoot: build.bareFoot,
  heightM,
  widthM,
});
