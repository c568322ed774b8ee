/**
 * Where practitioners differ, the choice is the user's. A school is a question with options; each says
 * what it suits, what it costs, and what it changes in the computation. The default follows the place.
 */
import type { Regime, Task } from "../model/index.ts";
import type { Celsius, Share } from "../units/index.ts";
import type { Taxon } from "./schema.ts";
import type { SourceId } from "./sources.ts";

export interface SchoolOption {
  readonly id: string;
  readonly label: string;
  /** What it suits, who would choose it. */
  readonly suits: string;
  readonly cost: string;
  readonly source: SourceId;
  readonly changes: {
    /** Upkeep cap. */
    readonly cap?: Share;
    /** The task a routine goal asks for. */
    readonly routineTask?: Task;
    /** The task that a goal of renewal asks for. */
    readonly renewTask?: Task;
    /** Share of the shoots that a renewal takes in one year. */
    readonly renewReach?: Share;
    /** A hard cut waits until growth has been seen or is due, or until midwinter is past. */
    readonly hardCutWaitsFor?: "growth" | "midwinter";
    /** The framework stands this much more cold, because tops or stubs are kept. */
    readonly frameShiftC?: Celsius;
    /** A first cut that is put right by the main one later (half height against wind, before winter). */
    readonly firstStage?: Task;
    /** A plant in its first season may be cut low while it sleeps, to build a base. */
    readonly buildsBase?: boolean;
    /** Seed heads and berries stay until the birds have had them. */
    readonly keepsHeads?: boolean;
    /** Trims of an outline in a year. */
    readonly trims?: 1 | 2;
  };
}

/** Which kinds a school is offered for; every condition that is named must hold. */
export interface SchoolReach {
  readonly ids?: readonly string[];
  readonly groups?: readonly Taxon["group"][];
  readonly regime?: Regime;
  readonly outline?: boolean;
  readonly evergreen?: boolean;
  readonly woody?: boolean;
  readonly flowersOnNewWood?: boolean;
}

/** A question on which practitioners differ, with its options. */
export interface School {
  readonly id: string;
  readonly question: string;
  readonly options: readonly SchoolOption[];
  readonly reach: SchoolReach;
  /** The option for a place whose mean yearly minimum is given. */
  readonly defaultFor: readonly { readonly warmerThanC: Celsius; readonly option: string }[];
  /** Why that is the default. */
  readonly because: string;
}

const anywhere = (option: string): School["defaultFor"] => [{ warmerThanC: -100, option }];

/** All of the questions, in the order they are asked. */
export const SCHOOLS: readonly School[] = [
  {
    id: "how-much",
    question: "How much live growth may go in twelve months?",
    options: [
      {
        id: "quarter",
        label: "A quarter",
        suits: "mature or slow plants, and anyone who would rather wait a year",
        cost: "an overgrown shrub takes four years or more to bring down",
        source: "a300",
        changes: { cap: 0.25 },
      },
      {
        id: "third",
        label: "A third",
        suits: "most established shrubs",
        cost: "a weak plant may answer with long soft shoots",
        source: "shrub-third",
        changes: { cap: 1 / 3 },
      },
      {
        id: "half",
        label: "A half",
        suits: "vigorous, established plants that are watered afterwards",
        cost: "thickets of new shoots to thin, and little margin in a dry summer",
        source: "practice",
        changes: { cap: 0.5 },
      },
    ],
    reach: {},
    defaultFor: anywhere("third"),
    because: "a third is what most guides print for established shrubs",
  },
  {
    id: "butterfly-bush",
    question: "When is the butterfly bush cut back?",
    options: [
      {
        id: "growth-shows",
        label: "When growth shows in spring",
        suits: "cold places: you see what lived, and the tops shelter the base",
        cost: "bare sticks to look at until May or June",
        source: "practice",
        changes: { hardCutWaitsFor: "growth" },
      },
      {
        id: "half-autumn",
        label: "Half in autumn against wind, the rest in spring",
        suits: "tall plants in exposed places",
        cost: "two visits; half of the shelter is gone",
        source: "practice",
        changes: { hardCutWaitsFor: "growth", frameShiftC: -4, firstStage: "reduce-for-wind" },
      },
      {
        id: "birds",
        label: "Left for the seed-eaters, then spring",
        suits: "gardens with finches",
        cost: "seedlings to weed out",
        source: "practice",
        changes: { hardCutWaitsFor: "growth", keepsHeads: true },
      },
      {
        id: "late-winter",
        label: "Hard, as winter ends",
        suits: "places where the stems live through most winters",
        cost: "a late frost may nip what it wakes",
        source: "rhs",
        changes: {},
      },
      {
        id: "autumn-stubs",
        label: "Stubs of 15–45 cm in autumn",
        suits: "mild places and tidy gardens",
        cost: "in a cold winter the stubs may die; tops left lying on them insulate",
        source: "practice",
        changes: { frameShiftC: -4, firstStage: "hard-cutback" },
      },
      {
        id: "grow-on",
        label: "Live stems grow on, or lose a third",
        suits: "mild places, where a tall bush is wanted",
        cost: "flowers sit high and the foot goes bare",
        source: "practice",
        changes: { routineTask: "shape" },
      },
    ],
    reach: { ids: ["buddleja-davidii"] },
    defaultFor: [
      { warmerThanC: -4, option: "grow-on" },
      { warmerThanC: -16, option: "late-winter" },
      { warmerThanC: -100, option: "growth-shows" },
    ],
    because:
      "where winters kill the tops the base must show what lived; where stems live, it is cut hard as winter ends; where it never sleeps, live stems need not go",
  },
  {
    id: "repeat-rose",
    question: "How are repeat roses pruned?",
    options: [
      {
        id: "spring-only",
        label: "Once, in early spring",
        suits: "sheltered places and cold ones: the tops shelter the canes",
        cost: "tall canes rock in winter gales",
        source: "rhs",
        changes: { hardCutWaitsFor: "midwinter" },
      },
      {
        id: "two-stage",
        label: "Half height in late autumn against wind, the real prune in early spring",
        suits: "tall bushes and climbers in wind; a slip at the first is put right at the second",
        cost: "two visits; the canes stand a little less cold",
        source: "rhs",
        changes: { firstStage: "reduce-for-wind", frameShiftC: 2, hardCutWaitsFor: "midwinter" },
      },
      {
        id: "winter-killed",
        label: "By half or more in spring, to live wood",
        suits: "places where canes die back every winter",
        cost: "the first flush comes a little later",
        source: "practice",
        changes: { routineTask: "hard-cutback", hardCutWaitsFor: "midwinter" },
      },
      {
        id: "in-winter",
        label: "In winter, when they rest least",
        suits: "gardens with hardly a frost, where roses never quite stop",
        cost: "what a mild spell wakes is hurt by the frost that follows",
        source: "practice",
        changes: {},
      },
    ],
    reach: { groups: ["rose"], flowersOnNewWood: true },
    defaultFor: [
      { warmerThanC: -4, option: "in-winter" },
      { warmerThanC: -21, option: "spring-only" },
      { warmerThanC: -100, option: "winter-killed" },
    ],
    because:
      "canes live through winters of about −21 °C; below that most die back and the cut follows the live wood; with hardly a frost there is nothing to shelter",
  },
  {
    id: "how-to-renew",
    question: "How is an old shrub renewed?",
    options: [
      {
        id: "thirds",
        label: "A third of the stems, oldest first, each year for three years",
        suits: "healthy established shrubs of many stems; it flowers all the while",
        cost: "three years",
        source: "shrub-renewal",
        changes: { renewTask: "renovate", renewReach: 1 / 3 },
      },
      {
        id: "sides",
        label: "One side this year, the other next",
        suits: "plants that screen something, or that stand against a path",
        cost: "lopsided for two years; half of the flowers each year",
        source: "practice",
        changes: { renewTask: "renovate", renewReach: 0.5 },
      },
      {
        id: "at-once",
        label: "All at once, to the ground",
        suits: "vigorous kinds that rebuild, and people who want it done",
        cost: "no flowers for a year or two on old-wood kinds",
        source: "shrub-renewal",
        changes: { renewTask: "hard-cutback" },
      },
    ],
    reach: { regime: "renewal", woody: true },
    defaultFor: anywhere("thirds"),
    because: "it keeps two thirds of the leaves and flowers each year",
  },
  {
    id: "thumb-or-thirds",
    question: "What goes in ordinary years?",
    options: [
      {
        id: "routine",
        label: "Its usual yearly care",
        suits: "gardeners who go round every year",
        cost: "a little every year",
        source: "shrub-calendar",
        changes: {},
      },
      {
        id: "thumb",
        label: "Every stem thicker than a thumb (25 mm), every three to five years",
        suits: "shrubs that are not past it, and gardeners with little time",
        cost: "a bare look in the year it is done",
        source: "practice",
        changes: { routineTask: "thin" },
      },
    ],
    reach: { regime: "renewal", woody: true, outline: false, evergreen: false },
    defaultFor: anywhere("routine"),
    because: "a yearly look costs least in flowers",
  },
  {
    id: "panicle-hydrangea",
    question: "How far is a panicle hydrangea cut?",
    options: [
      {
        id: "half",
        label: "By about half",
        suits: "most gardens: middling heads at eye level",
        cost: "it gains some height each year",
        source: "practice",
        changes: {},
      },
      {
        id: "framework",
        label: "To a framework at 30–60 cm, weak stems out",
        suits: "few large heads, small gardens",
        cost: "heavy heads that bend in rain; opens a little later",
        source: "practice",
        changes: { routineTask: "hard-cutback" },
      },
      {
        id: "light",
        label: "Lightly: spent heads and weak stems",
        suits: "many small heads, and shrubs that may grow tall",
        cost: "flowers rise out of sight",
        source: "practice",
        changes: { routineTask: "tip" },
      },
    ],
    reach: { ids: ["hydrangea-paniculata"] },
    defaultFor: anywhere("half"),
    because: "it keeps height and size of heads in the middle",
  },
  {
    id: "autumn-or-spring",
    question: "Cut back in autumn or in spring?",
    options: [
      {
        id: "bare",
        label: "Any time it is bare, from leaf fall to bud break",
        suits: "most gardens: the day you have time",
        cost: "tops cut in autumn shelter nothing in winter",
        source: "practice",
        changes: {},
      },
      {
        id: "spring",
        label: "Late winter to early spring",
        suits: "cold places, berries still good, seed heads for birds",
        cost: "dead tops to look at in winter",
        source: "practice",
        changes: { hardCutWaitsFor: "midwinter" },
      },
    ],
    reach: { ids: ["spiraea-japonica", "symphoricarpos-orbiculatus", "symphoricarpos-albus"] },
    defaultFor: anywhere("bare"),
    because: "the year's prices already say on which bare days frost would do harm",
  },
  {
    id: "outline",
    question: "Shears or single cuts?",
    options: [
      {
        id: "kind",
        label: "As the kind asks: shears for small leaves, single cuts for large",
        suits: "most outlines",
        cost: "nothing beyond the cut",
        source: "practice",
        changes: {},
      },
      {
        id: "shears",
        label: "Shears along the outline",
        suits: "formal lines and small leaves; fast",
        cost: "a shell of twigs that lets no light in",
        source: "practice",
        changes: { routineTask: "shear" },
      },
      {
        id: "single-cuts",
        label: "Single cuts with secateurs",
        suits: "a natural outline, larger leaves",
        cost: "three to five times the minutes",
        source: "practice",
        changes: { routineTask: "shape" },
      },
    ],
    reach: { outline: true },
    defaultFor: anywhere("kind"),
    because: "the size of the leaf decides: sliced large leaves turn brown",
  },
  {
    id: "trims",
    question: "How many trims of an outline in a year?",
    options: [
      {
        id: "one",
        label: "One, when the first flush has hardened",
        suits: "slow kinds and loose outlines",
        cost: "a shaggy line by autumn",
        source: "evergreen-pruning",
        changes: { trims: 1 },
      },
      {
        id: "two",
        label: "Two, the second in late summer",
        suits: "fast kinds and sharp lines",
        cost: "twice the minutes; the second must not wake growth before frost",
        source: "practice",
        changes: { trims: 2 },
      },
    ],
    reach: { outline: true, evergreen: true },
    defaultFor: anywhere("one"),
    because: "one trim is enough for most; growth tells when it is not",
  },
  {
    id: "weak-whip",
    question: "A weak young plant in its first season?",
    options: [
      {
        id: "leave",
        label: "Dead wood only",
        suits: "most plants: leaves feed roots",
        cost: "a thin plant for a year or two",
        source: "a300",
        changes: {},
      },
      {
        id: "build-base",
        label: "Cut low while it sleeps, to build a base",
        suits: "weak whips of kinds that flower on new wood",
        cost: "smaller in its first summer",
        source: "practice",
        changes: { buildsBase: true },
      },
    ],
    reach: { regime: "cutback", woody: true, flowersOnNewWood: true },
    defaultFor: anywhere("leave"),
    because: "it is the safe side",
  },
];
