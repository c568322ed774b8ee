/**
 * The demo garden: an invented corner plot by a canal lock, five beds, about twenty plants that together
 * show every kind of case, and three years of invented records up to the day it is opened. No real people,
 * places, brands or cultivars.
 */
import type { Catalogue } from "../catalogue/index.ts";
import { NO_STEMS, stemsFromTally, type Tally, buildOf } from "../stems/index.ts";
import { date, makeDate, monthDay, partsOf, type PlainDate } from "../calendar/index.ts";
import {
  PLAIN_SIGHT,
  UNSAID_PLACE,
  inOrder,
  UNSAID_RULES,
  UNSURVEYED_BED,
  UNSURVEYED_PLANT,
  type Bed,
  type Hedge,
  type Condition,
  type Cut,
  type Garden,
  type GoalKind,
  type Observation,
  type Plant,
  type Programme,
  type Regime,
  type Stand,
  type Task,
  type Viewpoint,
  type Visit,
  wish,
} from "../model/index.ts";

/** Plants whose stems were counted on an autumn walk. */
const COUNTED: readonly { readonly plant: string; readonly tally: Tally; readonly note: string }[] = [
  { plant: "lilac-corner", tally: { ...NO_STEMS, thick: 6, middling: 5, thin: 3, dead: 2, crossing: 2, weak: 1 }, note: "Counted from the path side." },
  { plant: "panicle-seat", tally: { ...NO_STEMS, thick: 2, middling: 6, thin: 4, dead: 1, weak: 2 }, note: "" },
];

const BEDS: readonly (Omit<Bed, keyof typeof UNSURVEYED_BED> & Partial<Bed>)[] = [
  { id: "towpath", name: "Towpath Border", lengthM: 15, order: 0, note: "Full sun from ten o'clock; walkers brush past.", facesDeg: 180, sun: { morning: "part", midday: "sun", late: "sun" }, wind: "exposed", water: "hand" },
  { id: "lock-wall", name: "Lock Wall", lengthM: 10, order: 1, note: "Brick wall facing east, dry at the foot.", facesDeg: 90, sun: { morning: "sun", midday: "part", late: "shade" }, shadedBy: "the wall itself", wind: "sheltered", water: "none" },
  {
    id: "long-hedge",
    name: "Long Hedge",
    lengthM: 14,
    order: 2,
    note: "Along the lane; the far end is shaded.",
    facesDeg: 225,
    sun: { morning: "shade", midday: "sun", late: "part" },
    shadedBy: "the neighbour's ash, far end",
    shadeGrows: true,
    wind: "some",
    water: "none",
  },
  { id: "bin-screen", name: "Bin Screen", lengthM: 7, order: 3, note: "Must hide the bins from the kitchen window.", facesDeg: 270, sun: { morning: "shade", midday: "sun", late: "sun" }, wind: "some", water: "hand" },
  { id: "north-steps", name: "North Steps", lengthM: 8, order: 4, note: "Shade until three; steps stay clear.", facesDeg: 0, sun: { morning: "shade", midday: "shade", late: "part" }, shadedBy: "the house", wind: "sheltered", water: "hand" },
];

interface PlantSketch {
  readonly id: string;
  readonly bed: string;
  readonly taxon: string;
  readonly label: string;
  readonly at: number;
  readonly size: readonly [height: number, width: number];
  /** Years before the opening year, and the month and day; null when nobody knows. */
  readonly planted: readonly [yearsAgo: number, monthDay: string] | null;
  readonly goal: readonly [GoalKind, number | null];
  readonly condition?: Condition;
  readonly powerLineM?: number;
  readonly thickestMm?: number;
  readonly note: string;
  readonly more?: Partial<Plant>;
}

const PLANTS: readonly PlantSketch[] = [
  { id: "lilac-corner", bed: "towpath", taxon: "syringa-vulgaris", label: "Old lilac at the corner", at: 1.8, size: [2.6, 2.4], planted: [41, "10-20"], goal: ["keep-size", 3], thickestMm: 70, note: "Forty years old, flowers high up." },
  {
    id: "spirea-gate",
    bed: "towpath",
    taxon: "spiraea-japonica",
    label: "Spirea by the gate",
    at: 4,
    size: [0.8, 1],
    planted: [9, "04-12"],
    goal: ["routine", null],
    note: "Cut to a hand's height each spring.",
    more: { views: [{ viewpointId: "bench", want: "clear", targetM: 1, beyondM: 12 }] },
  },
  { id: "panicle-seat", bed: "towpath", taxon: "hydrangea-paniculata", label: "Panicle hydrangea by the seat", at: 6.2, size: [1.5, 1.5], planted: [6, "04-20"], goal: ["keep-size", 1.9], note: "Heads should clear the back of the seat." },
  {
    id: "butterfly-lamp",
    bed: "towpath",
    taxon: "buddleja-davidii",
    label: "Butterfly bush under the lamp",
    at: 9,
    size: [2.2, 2],
    planted: [7, "05-02"],
    goal: ["routine", null],
    note: "Leans over the path by August.",
    more: { touches: [{ what: "path", distanceM: 0.3 }], lastCutM: 0.5 },
  },
  { id: "rose-towpath", bed: "towpath", taxon: "rosa-repeat", label: "Red rose", at: 11.2, size: [1.1, 0.9], planted: [8, "03-28"], goal: ["routine", null], note: "" },
  { id: "lavender-row", bed: "towpath", taxon: "lavandula-angustifolia", label: "Lavender edge", at: 13.2, size: [0.5, 0.6], planted: [4, "05-10"], goal: ["routine", null], note: "Edge of the path, three plants cut as one." },
  {
    id: "climbing-wall",
    bed: "lock-wall",
    taxon: "hydrangea-anomala-petiolaris",
    label: "Climbing hydrangea",
    at: 1.6,
    size: [3.4, 2.4],
    planted: [14, "04-02"],
    goal: ["keep-size", 3],
    powerLineM: 2.2,
    note: "Reaches for the bracket of the power line.",
    more: {
      support: "rubbing",
      touches: [
        { what: "wall", distanceM: 0 },
        { what: "window", distanceM: 0.6 },
      ],
    },
  },
  {
    id: "unnamed-lock",
    bed: "lock-wall",
    taxon: "unknown-flowering-shrub",
    label: "Shrub nobody can name",
    at: 3.2,
    size: [1.2, 0.8],
    planted: null,
    goal: ["routine", null],
    note: "Came with the house. Watch where it flowers.",
    more: {
      identity: {
        by: "key",
        on: date("2023-11-01"),
        candidates: [
          { taxonId: "unknown-old-wood-spring", share: 0.5 },
          { taxonId: "unknown-new-wood", share: 0.35 },
          { taxonId: "unknown-old-wood-summer", share: 0.15 },
        ],
      },
    },
  },
  { id: "rose-unknown", bed: "lock-wall", taxon: "rosa-repeat", label: "Rose left by the last owner", at: 4.3, size: [1.6, 1.2], planted: null, condition: "unchecked", goal: ["routine", null], note: "Nobody knows what was done to it." },
  { id: "dogwood-lock", bed: "lock-wall", taxon: "cornus-sericea", label: "Red stems by the lock", at: 6.4, size: [1.7, 1.6], planted: [5, "11-05"], goal: ["routine", null], note: "For red stems seen from the kitchen." },
  { id: "grass-lock", bed: "lock-wall", taxon: "miscanthus-sinensis", label: "Tall grass", at: 8.6, size: [1.6, 1], planted: [5, "05-08"], goal: ["routine", null], note: "" },
  { id: "box-hedge", bed: "long-hedge", taxon: "buxus-sempervirens", label: "Box hedge, lane side", at: 2.6, size: [0.95, 4.8], planted: [12, "04-18"], goal: ["outline", 0.9], note: "String line at 90 cm." },
  { id: "yew-hedge", bed: "long-hedge", taxon: "taxus-media", label: "Yew hedge", at: 7.4, size: [1.8, 4], planted: [16, "04-18"], goal: ["outline", 1.7], note: "The shaded end thins." },
  { id: "yew-young", bed: "long-hedge", taxon: "taxus-media", label: "New yew in the gap", at: 10.4, size: [0.8, 0.6], planted: [0, "04-06"], goal: ["outline", 1.7], note: "Fills the gap where one died." },
  { id: "pine-end", bed: "long-hedge", taxon: "pinus-mugo", label: "Mountain pine", at: 12.4, size: [1.1, 1.6], planted: [11, "10-02"], goal: ["keep-size", 1.2], note: "" },
  {
    id: "arborvitae-bins",
    bed: "bin-screen",
    taxon: "thuja-occidentalis",
    label: "Arborvitae screen",
    at: 1.7,
    size: [2.2, 3],
    planted: [10, "04-24"],
    goal: ["screen", 2.2],
    note: "Hides the bins.",
    more: { views: [{ viewpointId: "deck", want: "hide", targetM: 1.2, beyondM: 1 }] },
  },
  { id: "smooth-bins", bed: "bin-screen", taxon: "hydrangea-arborescens", label: "Smooth hydrangea", at: 4.2, size: [1, 1.3], planted: [6, "04-30"], goal: ["routine", null], note: "Flops over the bins' lid if cut too low." },
  { id: "spirea-new", bed: "bin-screen", taxon: "spiraea-japonica", label: "Young spirea", at: 6, size: [0.45, 0.5], planted: [1, "04-16"], goal: ["keep-size", 0.8], note: "In its second year." },
  { id: "bigleaf-steps", bed: "north-steps", taxon: "hydrangea-macrophylla", label: "Blue bigleaf by the steps", at: 1, size: [1.2, 1.3], planted: [9, "05-06"], goal: ["tidy", null], note: "Old heads stay on all winter." },
  {
    id: "gift-steps",
    bed: "north-steps",
    taxon: "hydrangea-macrophylla",
    label: "Hydrangea from a neighbour",
    at: 1.95,
    size: [0.6, 0.5],
    planted: [3, "04-30"],
    goal: ["routine", null],
    note: "Planted as bare sticks; not yet flowered here.",
    more: {
      backM: 0.5,
      identity: {
        by: "key",
        on: date("2023-11-01"),
        candidates: [
          { taxonId: "hydrangea-macrophylla", share: 0.62 },
          { taxonId: "hydrangea-serrata", share: 0.2 },
          { taxonId: "hydrangea-arborescens", share: 0.13 },
          { taxonId: "hydrangea-paniculata", share: 0.05 },
        ],
      },
    },
  },
  { id: "oakleaf-steps", bed: "north-steps", taxon: "hydrangea-quercifolia", label: "Oakleaf hydrangea", at: 3, size: [1.6, 1.6], planted: [8, "05-06"], goal: ["leave", null], note: "Looks good and fits." },
  { id: "rhododendron-steps", bed: "north-steps", taxon: "rhododendron-large-leaved", label: "Rhododendron", at: 5.2, size: [1.9, 1.8], planted: [22, "10-15"], goal: ["keep-size", 2], thickestMm: 45, note: "" },
  {
    id: "pieris-steps",
    bed: "north-steps",
    taxon: "pieris-japonica",
    label: "Pieris on the landing",
    at: 7.2,
    size: [1.3, 1.1],
    planted: [10, "10-15"],
    goal: ["fuller", null],
    condition: "stressed",
    note: "Lost leaves in a dry summer; watch for new growth.",
  },
];

interface VisitSketch {
  readonly plant: string;
  readonly on: string;
  /** Every year of the three unless a list is given: 1 is the first of them, 4 the opening year. */
  readonly years?: readonly number[];
  readonly task: Task;
  readonly regime?: Regime;
  readonly cut?: Cut;
  readonly hazard?: number;
  readonly dead?: number;
  readonly minutes: number;
  readonly note: string;
}
const share = (s: number): Cut => ({ by: "share", share: s });
const tops = (beforeM: number, afterM: number): Cut => ({ by: "height", beforeM, afterM });

const VISITS: readonly VisitSketch[] = [
  { plant: "lilac-corner", on: "06-08", years: [1], task: "shape", cut: { by: "stems", removedCount: 2, liveCount: 9 }, dead: 3, minutes: 70, note: "Two of the oldest stems out at the base." },
  { plant: "lilac-corner", on: "06-11", years: [2], task: "shape", cut: { by: "stems", removedCount: 2, liveCount: 9 }, dead: 1, minutes: 65, note: "" },
  { plant: "lilac-corner", on: "06-06", years: [3], task: "shape", cut: { by: "diameters", removedMm: [62, 18], keptMm: [55, 48, 40, 34, 30, 22, 20] }, dead: 0, minutes: 80, note: "The stem over the path." },
  { plant: "lilac-corner", on: "06-09", years: [4], task: "shape", cut: share(0.2), dead: 1, minutes: 50, note: "Tops over the path." },
  { plant: "spirea-gate", on: "03-20", task: "hard-cutback", regime: "cutback", cut: tops(0.8, 0.15), minutes: 12, note: "" },
  { plant: "panicle-seat", on: "03-18", years: [1, 2, 4], task: "shape", cut: share(0.3), minutes: 25, note: "To the framework at 70 cm." },
  { plant: "panicle-seat", on: "03-24", years: [3], task: "shape", cut: share(0.25), dead: 2, minutes: 30, note: "" },
  { plant: "butterfly-lamp", on: "05-06", task: "hard-cutback", regime: "cutback", cut: tops(2.4, 0.5), dead: 4, minutes: 35, note: "Growth from the base this time." },
  { plant: "rose-towpath", on: "03-30", task: "shape", cut: share(0.25), dead: 2, minutes: 20, note: "" },
  { plant: "rose-towpath", on: "08-02", years: [2, 3, 4], task: "deadhead", cut: share(0.02), minutes: 8, note: "" },
  { plant: "lavender-row", on: "08-08", task: "shear", cut: tops(0.55, 0.45), minutes: 15, note: "Spikes and a little leaf." },
  { plant: "climbing-wall", on: "07-12", years: [1, 3], task: "shape", cut: share(0.1), minutes: 60, note: "Before the line was moved nearer." },
  { plant: "dogwood-lock", on: "03-14", years: [1, 3], task: "hard-cutback", regime: "cutback", cut: tops(1.9, 0.2), minutes: 30, note: "" },
  { plant: "dogwood-lock", on: "03-16", years: [4], task: "hard-cutback", regime: "cutback", cut: tops(1.8, 0.2), minutes: 28, note: "" },
  { plant: "grass-lock", on: "03-22", task: "hard-cutback", regime: "cutback", cut: tops(1.6, 0.15), minutes: 18, note: "Tied first." },
  { plant: "box-hedge", on: "06-28", task: "shear", cut: share(0.18), minutes: 75, note: "" },
  { plant: "box-hedge", on: "08-18", years: [1, 3], task: "shear", cut: share(0.08), minutes: 50, note: "Second trim." },
  { plant: "yew-hedge", on: "07-04", task: "shear", cut: share(0.15), minutes: 90, note: "" },
  { plant: "pine-end", on: "05-20", years: [2, 3, 4], task: "shape", cut: share(0.08), minutes: 25, note: "Candles by half." },
  { plant: "arborvitae-bins", on: "06-30", task: "shear", cut: share(0.12), minutes: 55, note: "" },
  { plant: "smooth-bins", on: "03-26", task: "hard-cutback", regime: "cutback", cut: tops(1.1, 0.4), minutes: 15, note: "" },
  { plant: "bigleaf-steps", on: "04-22", task: "deadhead", cut: share(0.02), dead: 3, minutes: 20, note: "Down to the first fat buds." },
  { plant: "rhododendron-steps", on: "06-14", years: [1, 2], task: "deadhead", cut: share(0.02), minutes: 30, note: "Trusses snapped off." },
  { plant: "rhododendron-steps", on: "06-20", years: [3, 4], task: "shape", cut: share(0.15), minutes: 45, note: "" },
  { plant: "pieris-steps", on: "07-30", years: [3], task: "dead-only", dead: 5, hazard: 0.04, minutes: 20, note: "One torn branch, still green." },
  { plant: "rose-unknown", on: "03-31", years: [3], task: "dead-only", dead: 6, minutes: 25, note: "Only what was brown through." },
];

const SEEN: readonly { plant: string; on: string; kind: Observation["kind"]; years: readonly number[]; note: string; where?: Observation["where"] }[] = [
  { plant: "lilac-corner", on: "05-08", kind: "first-flower", years: [1, 3, 4], note: "" },
  { plant: "lilac-corner", on: "05-12", kind: "first-flower", years: [2], note: "Late spring." },
  { plant: "butterfly-lamp", on: "05-02", kind: "growth-seen", years: [1, 2, 3, 4], note: "", where: "base" },
  { plant: "pieris-steps", on: "05-20", kind: "not-yet", years: [4], note: "" },
];

const VIEWPOINTS: readonly Viewpoint[] = [
  { id: "deck", name: "Upstairs deck", bedId: "bin-screen", eyeHeightM: 4, distanceM: 8, alongM: 2 },
  { id: "kitchen", name: "Kitchen window", bedId: "bin-screen", eyeHeightM: 1.6, distanceM: 5, alongM: 4 },
  { id: "bench", name: "Bench on the terrace", bedId: "towpath", eyeHeightM: 1.2, distanceM: 5, alongM: 4.5 },
];

/** What is meant to be done next; always a day to come. */
const PLANNED: readonly { readonly plant: string; readonly on: string; readonly task: Task; readonly note: string }[] = [
  { plant: "panicle-seat", on: "03-19", task: "shape", note: "To the framework again." },
  { plant: "box-hedge", on: "06-29", task: "shear", note: "String line first." },
  { plant: "rhododendron-steps", on: "06-16", task: "deadhead", note: "" },
];

/** What was begun for years, on the day the stems were counted. */
const BEGUN: readonly Pick<Programme, "plantId" | "way" | "aimM">[] = [{ plantId: "lilac-corner", way: "foot-first", aimM: null }];

/** Two half-days a week, and tools that take no thick stem. */
const DEMO_RULES: Garden["rules"] = {
  ...UNSAID_RULES,
  time: {
    week: [
      { weekday: 6, half: "morning", minutes: 60 },
      { weekday: 0, half: "afternoon", minutes: 60 },
    ],
    otherwise: [],
    easy: true,
  },
  tools: [
    { tool: "secateurs", upToMm: null },
    { tool: "loppers", upToMm: 35 },
    { tool: "pruning-saw", upToMm: 60 },
    { tool: "hedge-shears", upToMm: null },
  ],
};

const YEARS = [1, 2, 3, 4] as const;

/** The yew hedge as it was measured: a little wider at the top than at its foot, its shaded face thin. */
const HEDGED: Omit<Hedge, "on"> = {
  id: "hedge-yew",
  plantId: "yew-hedge",
  facesDeg: 0,
  posts: [
    { alongM: 0, groundM: 0, heightM: 1.8, footM: 0.7, topM: 0.85 },
    { alongM: 4, groundM: 0.1, heightM: 1.75, footM: 0.65, topM: 0.85 },
  ],
  stretches: [],
  gaps: [],
  front: { state: "thin", beside: "lane", screen: null },
  back: { state: "dense", beside: "bed", screen: null },
  boundary: true,
  wanted: null,
  formal: true,
  toleranceM: null,
  trims: null,
  birds: null,
  greenM: null,
  done: null,
  note: "",
};

/**
 * Builds the demo garden as it stands on a day: records reach back three years and stop the day before.
 * The same day gives the same garden, ids included.
 * @param drawn stems are drawn, which takes a while, for so many plants from the first on
 */
export function demoGardenBy(catalogue: Catalogue, today: PlainDate, drawn = Infinity): Garden {
  const { year } = partsOf(today);
  const day = (yearsAgo: number, md: string): PlainDate => makeDate(year - yearsAgo, Number(md.slice(0, 2)), Number(md.slice(3)));
  const dated = (yearNo: number, md: string): PlainDate | null => {
    const on = day(4 - yearNo, md);
    return on < today ? on : null;
  };
  // A garden opened early in the year has its youngest plants from the year before.
  const plantedOn = (p: PlantSketch): PlainDate | null => {
    if (p.planted === null) return null;
    const on = day(...p.planted);
    return on < today ? on : day(p.planted[0] + 1, p.planted[1]);
  };
  const measured = day(1, "11-01") < today ? day(1, "11-01") : today;
  const plants = PLANTS.map((p): Plant => {
    const planted = plantedOn(p);
    return {
      id: p.id,
      bedId: p.bed,
      taxonId: p.taxon,
      label: p.label,
      alongM: p.at,
      heightM: p.size[0],
      heightOn: planted !== null && planted > measured ? planted : measured,
      widthM: p.size[1],
      plantedOn: planted,
      condition: p.condition ?? "healthy",
      conditionOn: p.condition ? measured : null,
      goal: wish(p.goal[0], p.goal[1]),
      powerLineM: p.powerLineM ?? null,
      thickestStemMm: p.thickestMm ?? null,
      note: p.note,
      ...UNSURVEYED_PLANT,
      ...p.more,
    };
  });
  const plantById = new Map(plants.map((p) => [p.id, p]));
  const after = (id: string, on: PlainDate): boolean => (plantById.get(id)?.plantedOn ?? on) <= on;
  const visits = VISITS.flatMap((v) =>
    (v.years ?? YEARS).flatMap((n): Visit[] => {
      const on = dated(n, v.on);
      if (on === null || !after(v.plant, on)) return [];
      return [
        {
          id: `v-${v.plant}-${on}`,
          plantId: v.plant,
          on,
          task: v.task,
          regime: v.regime ?? "upkeep",
          cuts: v.cut ? [v.cut] : [],
          hazardShare: v.hazard ?? 0,
          deadStemsCount: v.dead ?? 0,
          minutes: v.minutes,
          note: v.note,
          trialUntil: null,
          begun: [],
          by: "",
          sure: false,
          planned: null,
        },
      ];
    }),
  );
  const observations = SEEN.flatMap((o) =>
    o.years.flatMap((n): Observation[] => {
      const on = dated(n, o.on);
      return on === null ? [] : [{ id: `o-${o.plant}-${on}`, plantId: o.plant, on, ...PLAIN_SIGHT, kind: o.kind, note: o.note, where: o.where ?? null, lookedFor: o.kind === "not-yet" ? "growth-seen" : null }];
    }),
  );
  const plans = PLANNED.map((p) => {
    const thisYear = day(0, p.on);
    const on = thisYear > today ? thisYear : day(-1, p.on);
    return { id: `plan-${p.plant}`, plantId: p.plant, on, task: p.task, madeOn: measured, half: null, fixed: false, note: p.note };
  });
  const garden = inOrder({
    id: "demo",
    name: "The plot by the lock",
    place: { name: "Lock-keeper's corner", ...UNSAID_PLACE, latitudeDeg: 41.2, zone: "6b", lastFrost: monthDay("04-20"), firstFrost: monthDay("10-20"), warmestC: 28 },
    rules: DEMO_RULES,
    beds: BEDS.map((b) => ({ ...UNSURVEYED_BED, ...b })),
    plants,
    visits,
    observations,
    viewpoints: [...VIEWPOINTS],
    photos: [],
    plans,
    programmes: BEGUN.map((p) => ({ ...p, id: `years-${p.plantId}`, on: measured })),
    stands: [],
    hedges: [{ ...HEDGED, on: measured }],
    works: [],
    corrections: [],
    weather: [],
    seasons: [],
  });
  const firsts = new Set(garden.plants.slice(0, drawn).map((p) => p.id));
  const stands = COUNTED.filter((c) => firsts.has(c.plant)).map((c): Stand => {
    const p = plantById.get(c.plant)!;
    const taxon = catalogue.byId(p.taxonId)!;
    return { id: `stems-${p.id}`, plantId: p.id, on: measured, stems: stemsFromTally(c.tally, p, buildOf(taxon, p.form)), tries: [], chosen: null, note: c.note };
  });
  return inOrder({ ...garden, stands });
}

/** A garden with nothing in it but a place. */
export function emptyGarden(id: string, place: Garden["place"]): Garden {
  return {
    id,
    name: "My garden",
    place,
    rules: UNSAID_RULES,
    beds: [{ id: "bed-1", name: "First bed", lengthM: 8, order: 0, note: "", ...UNSURVEYED_BED }],
    plants: [],
    visits: [],
    observations: [],
    viewpoints: [],
    photos: [],
    plans: [],
    programmes: [],
    stands: [],
    hedges: [],
    works: [],
    corrections: [],
    weather: [],
    seasons: [],
  };
}
