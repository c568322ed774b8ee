/**
 * The bounds of everything a garden holds, each written once: schemas, forms, tables, readers and sliders take them
 * from here. Generous: they catch a wrong unit or a slip, not an unusual plant.
 */
import { addDays, type PlainDate } from "../calendar/index.ts";

/** Both ends belong to it. */
export interface Bounds {
  readonly from: number;
  readonly to: number;
  readonly whole?: true;
}

/** What may be typed, measured or counted. Units stand in the names; shares are of 1, degrees of the circle. */
export const BOUNDS = {
  /** How tall a plant, a wish, a mark. */
  heightM: { from: 0.01, to: 40 },
  /** What is left after a cut: the ground is possible. */
  afterM: { from: 0, to: 40 },
  /** What a plant adds in a year. */
  growthM: { from: 0.01, to: 8 },
  widthM: { from: 0.01, to: 60 },
  share: { from: 0, to: 1 },
  millimetres: { from: 0.1, to: 600 },
  /** Along a stem or a branch. */
  lengthM: { from: 0.001, to: 40 },
  bedLengthM: { from: 0.1, to: 200 },
  alongM: { from: 0, to: 200 },
  backM: { from: 0, to: 50 },
  facesDeg: { from: 0, to: 359 },
  turnDeg: { from: 0, to: 360 },
  leanDeg: { from: 0, to: 85 },
  riseDeg: { from: -90, to: 90 },
  /** Along a hedge; the ground of a post over the lowest of the run. */
  runM: { from: 0, to: 1000 },
  groundM: { from: 0, to: 200 },
  /** Widths of a hedge at the ground and at its top. */
  footM: { from: 0.1, to: 8 },
  topM: { from: 0, to: 8 },
  /** Lean of a face; negative: it hangs out. */
  batterDeg: { from: -20, to: 30 },
  screenM: { from: 0.2, to: 100 },
  toleranceM: { from: 0, to: 1 },
  trims: { from: 1, to: 3, whole: true },
  greenM: { from: 0.02, to: 1 },
  order: { from: 0, to: 1000, whole: true },
  distanceM: { from: 0, to: 50 },
  powerLineM: { from: 0, to: 100 },
  plantsInOne: { from: 1, to: 100, whole: true },
  targetM: { from: 0, to: 100 },
  beyondM: { from: 0, to: 1000 },
  eyeHeightM: { from: 0.2, to: 60 },
  viewDistanceM: { from: 0.2, to: 300 },
  viewAlongM: { from: -100, to: 300 },
  hours: { from: 0, to: 1000 },
  price: { from: 0, to: 100_000 },
  stemCount: { from: 0, to: 2000, whole: true },
  liveStemCount: { from: 1, to: 2000, whole: true },
  stemAgeYears: { from: 0, to: 200, whole: true },
  base: { from: 0, to: 20, whole: true },
  branch: { from: 0, to: 79, whole: true },
  shoot: { from: 0, to: 11, whole: true },
  minutes: { from: 0, to: 2000 },
  shootsPerCut: { from: 0, to: 30 },
  weekday: { from: 0, to: 6, whole: true },
  /** A half-day, and hands beside the gardener's own. */
  halfMinutes: { from: 0, to: 480 },
  helpers: { from: 0, to: 5, whole: true },
  latitudeDeg: { from: -90, to: 90 },
  /** A monthly mean; a day's own temperature; the spread of days. */
  monthC: { from: -60, to: 50 },
  dayC: { from: -70, to: 60 },
  spreadC: { from: 0, to: 20 },
  /** The coldest night of a usual winter. */
  coldestNightC: { from: -60, to: 25 },
  altitudeM: { from: -430, to: 4500 },
  /** How much of the towns' spread is left. */
  doubt: { from: 0, to: 2 },
  kilometres: { from: 0, to: 20_100 },
  rainMm: { from: 0, to: 2000 },
  year: { from: 1850, to: 2200, whole: true },
  paceDays: { from: -60, to: 60 },
} as const satisfies Readonly<Record<string, Bounds>>;

/** Letters a text may have. */
export const LETTERS = {
  id: 64,
  name: 80,
  note: 2000,
  shortNote: 500,
  aside: 200,
  school: 40,
  who: 40,
  lesson: 140,
  zone: 3,
  /** A value that was not chosen when two copies were brought together. */
  kept: 2_000_000,
  /** A picture as base64. */
  picture: 600_000,
} as const;

/** How many of a kind one garden, or one row of it, may hold. */
export const MOST = {
  beds: 200,
  plants: 5000,
  visits: 100_000,
  observations: 100_000,
  viewpoints: 100,
  photos: 2000,
  plans: 20_000,
  programmes: 5000,
  stands: 5000,
  weather: 300,
  seasons: 300,
  candidates: 20,
  touches: 10,
  dangers: 13,
  views: 6,
  lines: 6,
  cutsInVisit: 20,
  diameters: 500,
  begun: 3,
  hedges: 1000,
  posts: 60,
  stretches: 20,
  gaps: 60,
  stems: 400,
  branches: 80,
  shoots: 12,
  tries: 3,
  cutsInTry: 2000,
  daysInYear: 366,
  schools: 100,
  weekHalves: 14,
  otherwise: 400,
  passes: 40,
  works: 100,
  finds: 40,
  corrections: 20_000,
  lineage: 400,
  setAside: 20_000,
} as const;

const FIRST_DAY = `${BOUNDS.year.from}-01-01` as PlainDate;
const LAST_DAY = `${BOUNDS.year.to}-12-31` as PlainDate;
/** The nearest day that can be asked about. // => dayWithin("9999-12-31") is "2200-12-31" */
export const dayWithin = (d: PlainDate): PlainDate => (d < FIRST_DAY ? FIRST_DAY : d > LAST_DAY ? LAST_DAY : d);

/**
 * The latest day a record may carry. East of here it is tomorrow already: what was written down there today must be
 * readable here. // => latestRecord("2026-03-01") is "2026-03-02"
 */
export const latestRecord = (today: PlainDate): PlainDate => addDays(today, 1);
