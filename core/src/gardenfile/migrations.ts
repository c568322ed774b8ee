/** Older files are brought up one version at a time; a step is never changed once it has shipped. */
import { UNSAID_PLACE } from "../model/index.ts";
import { ok, refused, type Result } from "../units/index.ts";

type Step = (file: Readonly<Record<string, unknown>>) => Record<string, unknown>;

const isRecord = (x: unknown): x is Record<string, unknown> => typeof x === "object" && x !== null && !Array.isArray(x);
/** The entries of a list; null where it is none, or holds anything else. */
const recordsOf = (x: unknown): Record<string, unknown>[] | null => (Array.isArray(x) && x.every(isRecord) ? x : null);
/** A plant without views from viewpoints that are gone. The browser's rows go the same way. */
export function seeing<T extends object>(plant: T, viewpoints: ReadonlySet<unknown>): T {
  const views: unknown = "views" in plant ? plant.views : null;
  if (!Array.isArray(views)) return plant;
  const stays = views.filter((v: unknown) => !isRecord(v) || viewpoints.has(v["viewpointId"]));
  return stays.length === views.length ? plant : { ...plant, views: stays };
}
const rows = (x: unknown, fill: object): unknown =>
  Array.isArray(x) ? x.map((r: unknown) => (isRecord(r) ? { ...fill, ...r } : r)) : x;

/** What a garden of version 1 did not say yet: nothing of it was surveyed. The browser's rows go the same way. */
export const SURVEY_FILL = {
  beds: {
    facesDeg: null,
    sun: { morning: null, midday: null, late: null },
    shadedBy: "",
    shadeGrows: false,
    wind: null,
    water: null,
  },
  plants: {
    plantedAbout: false,
    backM: 0,
    stance: "upright",
    plantsInOne: 1,
    touches: [],
    support: null,
    lastCutM: null,
    health: null,
    identity: null,
    views: [],
  },
  observations: { where: null },
} as const;

/** What version 2 did not say: schools of single plants, trials, and what was looked for in vain (growth). */
export const TIMING_FILL = {
  plants: { schools: {} },
  visits: { trialUntil: null },
  observations: { lookedFor: null },
} as const;

/** A step that fills rows up with what they did not say, and starts lists that did not exist. */
const filledWith =
  (fill: Readonly<Record<string, object>>, start: object): Step =>
  (file) => {
    const garden = file["garden"];
    if (!isRecord(garden)) return { ...file };
    const filled = Object.entries(fill).map(([list, row]) => [list, rows(garden[list], row)]);
    return { ...file, garden: { ...start, ...garden, ...Object.fromEntries(filled) } };
  };

const surveyed = filledWith(SURVEY_FILL, { viewpoints: [], photos: [], plans: [] });
const timed: Step = (file) => {
  const next = filledWith(TIMING_FILL, { weather: [], seasons: [] })(file);
  const { garden } = next;
  if (!isRecord(garden) || !isRecord(garden["place"])) return next;
  return { ...next, garden: { ...garden, place: { monthly: null, ...garden["place"] } } };
};

/** Version 3 knew no stems. */
const stemmed = filledWith({}, { stands: [] });

/** What version 4 did not say: hours of the gardener's own. */
export const OUTLOOK_FILL = { plants: { hours: { hold: null, move: null, replace: null } } } as const;
/** Prices of files that were written before there were any. */
export const PRICES_FILL = { prices: { hour: null, plant: null, haulM3: null } } as const;
const programmed: Step = (file) => {
  const next = filledWith(OUTLOOK_FILL, { programmes: [] })(file);
  const { garden } = next;
  if (!isRecord(garden) || !isRecord(garden["rules"])) return next;
  return { ...next, garden: { ...garden, rules: { ...PRICES_FILL, ...garden["rules"] } } };
};

/** Version 5 carried each picture as text inside its photo, and let a plant's view outlive the place it is seen from. */
const pictured: Step = (file) => {
  const { garden } = file;
  if (!isRecord(garden)) return { pictures: [], apart: [], ...file };
  const photos = recordsOf(garden["photos"]);
  const pictures = photos?.map((p) => ({ id: p["id"], jpeg: p["jpeg"] })) ?? [];
  const bare = photos?.map(({ jpeg: _, ...rest }) => rest) ?? garden["photos"];
  const viewpoints = new Set(recordsOf(garden["viewpoints"])?.map((v) => v["id"]));
  const plants = recordsOf(garden["plants"])?.map((p) => seeing(p, viewpoints)) ?? garden["plants"];
  return { pictures, apart: [], ...file, garden: { ...garden, photos: bare, plants } };
};

/** Version 6 knew a place by zone and frost dates alone; no dates meant that none were expected. */
export const placed = (place: Readonly<Record<string, unknown>>): Record<string, unknown> => ({
  ...UNSAID_PLACE,
  noFrost: place["monthly"] == null && place["lastFrost"] === null && place["firstFrost"] === null,
  ...place,
});
const located: Step = (file) => {
  const { garden } = file;
  if (!isRecord(garden) || !isRecord(garden["place"])) return file;
  return { ...file, garden: { ...garden, place: placed(garden["place"]) } };
};

/** Version 7 could not say all that is seen: what it says is said the same way. */
const seenMore: Step = (file) => file;

/** What version 8 did not say: how a plant is grown, its own size, and what of danger was seen. */
export const FORM_FILL = {
  plants: { form: null, vigour: "usual", ownSize: { heightM: null, growthM: null }, dangers: [] },
} as const;
const formed = filledWith(FORM_FILL, {});

/** Version 9 drew stems with bare side branches. A stand as it is drawn now; the browser's rows go the same way. */
export function branched(stand: Record<string, unknown>): Record<string, unknown> {
  const side = { riseDeg: 45, dead: false, leafFrom: null, shoots: [] };
  const stems = recordsOf(stand["stems"])?.map((s) => ({
    leafFrom: null,
    deadFrom: null,
    ...s,
    branches: rows(s["branches"], side),
  }));
  return stems ? { ...stand, stems } : stand;
}
/** Nor did it know a wanted width, lines to stay behind, or a pair. */
export function aimed(plant: Record<string, unknown>): Record<string, unknown> {
  const { goal } = plant;
  const single = { pairedWith: null, ...plant };
  return isRecord(goal) ? { ...single, goal: { widthM: null, lines: [], ...goal } } : single;
}
const built: Step = (file) => {
  const { garden } = file;
  if (!isRecord(garden)) return file;
  const stands = recordsOf(garden["stands"])?.map(branched) ?? garden["stands"];
  const plants = recordsOf(garden["plants"])?.map(aimed) ?? garden["plants"];
  return { ...file, garden: { ...garden, plants, ...(stands === undefined ? {} : { stands }) } };
};

/** What version 10 did not say: what a visit began, whose rooted branch a plant was; and it knew no hedges. */
export const BEGUN_FILL = { plants: { parentId: null }, visits: { begun: [] } } as const;

/** What version 11 did not say: how far along a hedge the trim is. */
export const TRIMMED_FILL = { hedges: { done: null } } as const;

/** What version 12 did not say: when there is time, what is owned, on which half of a day a plan lies; no work was under way. */
export const TIME_FILL = {
  rules: { time: { week: [], otherwise: [], easy: true }, tools: null },
  plans: { half: null, fixed: false },
} as const;
const timeTold: Step = (file) => {
  const next = filledWith({ plans: TIME_FILL.plans }, { works: [] })(file);
  const { garden } = next;
  if (!isRecord(garden) || !isRecord(garden["rules"])) return next;
  return { ...next, garden: { ...garden, rules: { ...TIME_FILL.rules, ...garden["rules"] } } };
};

/** What version 13 did not say: who did the work, how shoots answered, what is sure, which lessons are set aside; and it kept no corrections. */
export const TAUGHT_FILL = {
  rules: { setAside: [] },
  visits: { by: "", sure: false, planned: null },
  observations: { count: null, lengthM: null, sure: false },
} as const;
const taught: Step = (file) => {
  const next = filledWith(
    { visits: TAUGHT_FILL.visits, observations: TAUGHT_FILL.observations },
    { corrections: [] },
  )(file);
  const { garden } = next;
  if (!isRecord(garden) || !isRecord(garden["rules"])) return next;
  return { ...next, garden: { ...garden, rules: { ...TAUGHT_FILL.rules, ...garden["rules"] } } };
};

/** STEPS[n] turns version n into n + 1. Version 1 is the first. */
const STEPS: Readonly<Record<number, Step>> = {
  1: surveyed,
  2: timed,
  3: stemmed,
  4: programmed,
  5: pictured,
  6: located,
  7: seenMore,
  8: formed,
  9: built,
  10: filledWith(BEGUN_FILL, { hedges: [] }),
  11: filledWith(TRIMMED_FILL, {}),
  12: timeTold,
  13: taught,
  // Cuts say since then what they were proposed for; those of before leave it open.
  14: (file) => file,
  // Files say which states they descend from, and when they were written.
  15: (file) => ({ lineage: [], written: null, ...file }),
};
export const NEWEST = 16;

/** Brings a parsed file to the newest version. */
export function migrate(file: unknown): Result<unknown, "file-version"> {
  const version = isRecord(file) ? file["version"] : undefined;
  if (!isRecord(file) || typeof version !== "number" || !Number.isInteger(version) || version < 1 || version > NEWEST)
    return refused([
      {
        code: "file-version",
        path: ["version"],
        values: { got: typeof version === "number" ? version : "without a number", newest: NEWEST },
      },
    ]);
  let current: Record<string, unknown> = file;
  for (let v = version; v < NEWEST; v++) current = { ...STEPS[v]!(current), version: v + 1 };
  return ok(current);
}
