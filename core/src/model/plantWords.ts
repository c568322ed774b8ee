/** The words a plant is told in. They stand apart from its schema, which the first screen can do without. */

/** How a plant does, as the gardener sees it. */
export const CONDITIONS = [
  "healthy",
  "stressed",
  "frosted",
  "dieback",
  "drought",
  "past-maturity",
  "unchecked",
] as const;
/** One of the conditions a plant can be in. */
export type Condition = (typeof CONDITIONS)[number];

/** What a gardener may want of a plant. */
export const GOALS = [
  "routine",
  "keep-size",
  "smaller",
  "wider",
  "fuller",
  "open",
  "upright",
  "large-flowers",
  "many-flowers",
  "screen",
  "view",
  "outline",
  "natural",
  "coloured-stems",
  "tree-form",
  "off-path",
  "ground",
  "keep-heads",
  "renew",
  "colony",
  "no-suckers",
  "tidy",
  "leave",
  "let-go",
] as const;
/** One of the wishes. */
export type GoalKind = (typeof GOALS)[number];

/** How a plant is grown. */
export const FORMS = ["many-stems", "trunk", "standard", "weeping", "trained", "clipped", "pollard"] as const;
/** One of the ways a plant is grown. */
export type Form = (typeof FORMS)[number];
/** Grown as a grafted head on a stem: what shoots from below it is the stock's. */
export const isGrafted = (plant: { readonly form: Form | null }): boolean =>
  plant.form === "standard" || plant.form === "weeping";
/** How strong a plant grows beside what its kind usually does. */
export const VIGOURS = ["dwarf", "compact", "usual", "vigorous"] as const;
/** How strong it grows beside its kind. */
export type Vigour = (typeof VIGOURS)[number];
/** What at a plant can hurt somebody, or is decided by law. */
export const DANGERS = [
  "hung-limb",
  "broken-limb",
  "split-limb",
  "dead-over-path",
  "dead-over-roof",
  "bird-nest",
  "insect-nest",
  "over-glass",
  "over-roof",
  "over-road",
  "over-water",
  "protected",
  "neighbours",
] as const;
/** One of the dangers that are asked about. */
export type Danger = (typeof DANGERS)[number];

export const STANCES = ["upright", "flopped", "leaning", "split"] as const;
export type Stance = (typeof STANCES)[number];
/** What a plant may stand against. */
export const TOUCHED = ["path", "fence", "wall", "window", "plant", "wire", "roof", "mower"] as const;
/** What a plant may be kept clear of. */
export const KEPT_CLEAR = [...TOUCHED, "passage", "ground"] as const;
export const SUPPORTS = ["sound", "broken-ties", "trapped", "rubbing"] as const;

export const VIEW_WANTS = ["hide", "clear", "show"] as const;
/** Sides of a plant, seen from the front of its bed. */
export const PLANT_SIDES = ["front", "back", "left", "right"] as const;
/** One of the sides. */
export type Side = (typeof PLANT_SIDES)[number];
