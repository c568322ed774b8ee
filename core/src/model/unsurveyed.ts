/** What a new row starts with where nobody has looked or said anything yet. Apart from the schemas, which more come without. */
import type { Bed, Place, Rules } from "./place.ts";
import type { Health, Plant } from "./plant.ts";
import type { Observation } from "./records.ts";

/** Prices nobody has said. */
export const NO_PRICES = { hour: null, plant: null, haulM3: null } as const;
/** Rules where nobody said anything: no time for the garden was told, nor what is owned. */
export const UNSAID_RULES = {
  units: "metric",
  schools: {},
  prices: NO_PRICES,
  time: { week: [], otherwise: [], easy: true },
  tools: null,
  setAside: [],
} satisfies Rules;
/** An entry says no more than what was seen. */
export const PLAIN_SIGHT = {
  heightM: null,
  note: "",
  where: null,
  lookedFor: null,
  count: null,
  lengthM: null,
  sure: false,
} as const satisfies Omit<Observation, "id" | "plantId" | "on" | "kind">;
/** Hours nobody has said. */
export const NO_HOURS = { hold: null, move: null, replace: null } as const;

/** A place of which nothing was said. */
export const UNSAID_PLACE = {
  near: null,
  zone: null,
  lastFrost: null,
  firstFrost: null,
  noFrost: false,
  coldestNightC: null,
  warmestC: null,
  nightsC: null,
  site: "usual",
  monthly: null,
} as const satisfies Partial<Place>;

/** A bed nobody has surveyed yet. */
export const UNSURVEYED_BED = {
  facesDeg: null,
  sun: { morning: null, midday: null, late: null },
  shadedBy: "",
  shadeGrows: false,
  wind: null,
  water: null,
} as const satisfies Partial<Bed>;

/** A look at the health that has looked at nothing yet. */
export const UNLOOKED_HEALTH = {
  scratch: "not-tried",
  growth: "not-looked",
  deadShare: 0,
  frost: false,
  disease: false,
  drought: false,
  weak: false,
  sparseFoot: false,
} as const satisfies Omit<Health, "on">;

/** What nobody has surveyed yet; a new row starts with it and an old file is filled up with it. */
export const UNSURVEYED_PLANT = {
  plantedAbout: false,
  backM: 0,
  stance: "upright",
  form: null,
  vigour: "usual",
  ownSize: { heightM: null, growthM: null },
  dangers: [],
  plantsInOne: 1,
  pairedWith: null,
  parentId: null,
  touches: [],
  support: null,
  lastCutM: null,
  health: null,
  identity: null,
  views: [],
  schools: {},
  hours: NO_HOURS,
} as const satisfies Partial<Plant>;
