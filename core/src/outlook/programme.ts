/**
 * What a plant is brought to over years, step by step. The steps are worked out anew from what has been recorded:
 * a year that was missed, a cut that took more or less, a height measured, growth seen or not move all that follows.
 */
import { addDays, addYears, daysBetween, type PlainDate } from "../calendar/index.ts";
import type { Plant, Programme, ProgrammeWay, Stand, Stem, Task, Watched } from "../model/index.ts";
import { leafWeight, THICKNESS_TABLE } from "../stems/index.ts";
import { adviseOn, cheapestDay } from "../advice/index.ts";
import { TREE_FORM_ASSUMPTIONS, treeForm, type TreeForm } from "../bench/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import type { Days, Metres, Share } from "../units/index.ts";
import { heightTask, outlook } from "./ways.ts";
import { renewals, type RenewalDo, type RenewalWay, type RenewalYear } from "./renewal.ts";

export type StepDue =
  | { readonly by: "day"; readonly on: PlainDate }
  /** Not before it was seen; about the day on which that is looked for. */
  | { readonly by: "seen"; readonly what: Watched; readonly expected: PlainDate };

export type StepWhat =
  | { readonly do: "lower"; readonly fromM: Metres; readonly toM: Metres }
  /** The yearly cut that keeps it where it was brought. */
  | { readonly do: "hold"; readonly toM: Metres }
  | RenewalDo
  /** Clear of side branches up to there; null: no higher than it is. */
  | { readonly do: "tree"; readonly clearM: Metres | null }
  /** The leader that was left undecided. */
  | { readonly do: "look" };

/** A step of a programme with its days. */
export interface ProgrammeStep {
  readonly id: string;
  readonly plantId: string;
  readonly way: ProgrammeWay;
  readonly task: Task;
  readonly due: StepDue;
  readonly what: StepWhat;
  /** Stems it is about, where it is about single ones. */
  readonly stems: readonly Stem[];
  /** Live growth it takes; null where it takes none or nobody knows. */
  readonly share: Share | null;
  /** A first step whose day has gone by. */
  readonly overdue: boolean;
}

/** A programme laid out over its years. */
export interface ProgrammePlan {
  readonly programme: Programme;
  readonly steps: readonly ProgrammeStep[];
  /** Visits since it was begun that were steps of it. */
  readonly doneCount: number;
  /** Nothing can be said until its stems are counted. */
  readonly needsStems: boolean;
  /** What is aimed at is reached within the steps, or done. */
  readonly reached: boolean;
}

type Planned = Pick<ProgrammePlan, "steps" | "reached">;

/** Within so many days after a step the next one is not due: it is the same season's. */
const SAME_SEASON: Days = 200;
/** A step not done so long after its day goes to the next year's. */
const LET_GO: Days = 90;
const LOOK_AFTER: Days = 365;

/** The task a way is worked by, on a kind. */
function taskOf(model: GardenModel, plant: Plant, way: ProgrammeWay): Task {
  if (way === "down-to") return heightTask(model.taxonOf(plant));
  return way === "tree-form" ? "thin" : "renovate";
}

/** Tasks at whose visit a step of it counts as done. */
const DONE_BY: Readonly<Record<ProgrammeWay, readonly Task[]>> = {
  "down-to": ["shape", "shear", "hard-cutback", "tip"],
  thirds: ["renovate"],
  sides: ["renovate"],
  "at-once": ["renovate", "hard-cutback"],
  "foot-first": ["renovate"],
  "from-below": ["renovate", "shape", "hard-cutback"],
  "tree-form": ["thin", "lift", "shape"],
};
/** The opening cut that lets light to the foot. */
const OPENED_BY: readonly Task[] = ["shape", "thin", "hard-cutback"];

/** The newest stems of a plant, not later than a day. */
export const standOn = (model: GardenModel, plantId: string, on: PlainDate): Stand | null =>
  model.garden.stands.findLast((s) => s.plantId === plantId && s.on <= on && s.stems.length > 0) ?? null;

interface Setting {
  readonly model: GardenModel;
  readonly programme: Programme;
  readonly plant: Plant;
  readonly on: PlainDate;
  readonly task: Task;
  /** Days on which its steps were done. */
  readonly done: readonly PlainDate[];
  /** The foot first: the top was opened. */
  readonly opened: boolean;
  /** Day of the first step still to do. */
  readonly first: PlainDate;
  readonly overdue: boolean;
}

function settingOf(model: GardenModel, programme: Programme, on: PlainDate): Setting {
  const plant = model.plant(programme.plantId);
  const task = taskOf(model, plant, programme.way);
  const since = model.visitsOf(plant.id).filter((v) => v.on >= programme.on && v.on <= on);
  const opening = programme.way === "foot-first" ? since.find((v) => OPENED_BY.includes(v.task)) : undefined;
  const done = since.filter((v) => v === opening || DONE_BY[programme.way].includes(v.task)).map((v) => v.on);
  const last = done.at(-1);
  const best = (from: PlainDate): PlainDate => cheapestDay(model, plant, from, task).on;
  const meant = best(last === undefined ? programme.on : addDays(last, SAME_SEASON));
  const gone = meant < addDays(on, 0 - LET_GO);
  return {
    model,
    programme,
    plant,
    on,
    task,
    done,
    opened: opening !== undefined,
    first: gone ? best(on) : meant,
    overdue: !gone && meant < on,
  };
}

type Row = Pick<ProgrammeStep, "what" | "stems" | "share"> & Partial<Pick<ProgrammeStep, "task" | "due">>;

function numbered(set: Setting, rows: readonly Row[]): readonly ProgrammeStep[] {
  return rows.map((r, i) => ({
    id: `${set.programme.id}-${set.done.length + i + 1}`,
    plantId: set.plant.id,
    way: set.programme.way,
    task: set.task,
    due: { by: "day", on: addYears(set.first, i) },
    overdue: i === 0 && set.overdue && r.due?.by !== "seen",
    ...r,
  }));
}

function downTo(set: Setting): Planned {
  const { model, plant, first, programme } = set;
  // What stands on the day of the next step, grown since whatever was measured last.
  const { reduction, cap } = outlook(model, plant, first, programme.aimM ?? heightOf(model, plant, first).heightM);
  const already = reduction.steps.length === 1 && reduction.steps[0]!.beforeM <= reduction.steps[0]!.cutM + 0.01;
  const lower = already ? [] : reduction.steps;
  const hold: readonly Row[] =
    reduction.reached && (cap === null || reduction.holdShare <= cap + 1e-6)
      ? [{ what: { do: "hold", toM: reduction.holdCutM }, stems: [], share: reduction.holdShare }]
      : [];
  const rows = lower.map((s): Row => ({
    what: { do: "lower", fromM: s.beforeM, toM: s.cutM },
    stems: [],
    share: s.share,
  }));
  return { steps: numbered(set, [...rows, ...hold]), reached: reduction.reached };
}

/** The years of a renewal that are still to come, of the stems that stand now. */
function yearsLeft(set: Setting, stand: Stand): readonly RenewalYear[] {
  const { model, plant, on, programme, done } = set;
  const taxon = model.taxonOf(plant);
  const cap = adviseOn(model, plant.id, on, "shape").cap ?? 1;
  const way = programme.way as RenewalWay;
  const { heightM } = heightOf(model, plant, on);
  const waysWith = (years?: number): readonly RenewalYear[] =>
    renewals(stand.stems, taxon, plant, heightM, cap, years).find((w) => w.way === way)?.years ?? [];
  const all = waysWith();
  const left = all.length - done.length;
  if (left <= 0) return [];
  // Stems not recorded anew since: those of the years done are taken to be the first that were to go.
  if (done.length > 0 && stand.on < done.at(-1)!) return all.slice(done.length);
  if (way === "from-below" && done.length > 0)
    return waysWith(left).map((y, i) => ({ ...y, after: all[done.length + i]!.after }));
  // The top that was opened stands lower now: of the foot first what is left are thirds.
  const years = all
    .filter((y) => !set.opened || y.what.do !== "open")
    .slice(0, left)
    // What a step waits for hangs on which of them it is, not on the stems that are left for it.
    .map((y, i) => ({ ...y, after: all[done.length + i]!.after }));
  if (way !== "sides" || done.length === 0) return years;
  // Of two sides what still stands of old is the other one; what came again on the first stays.
  const live = stand.stems.filter((s) => s.state !== "dead");
  const older = live.filter((s) => !cameSince(s, done.length));
  const stems = older.length > 0 ? older : live;
  const leaf = (xs: readonly Stem[]): number => xs.reduce((n, s) => n + leafWeight(s, taxon.sapwoodMm), 0);
  const areaShare = leaf(live) > 0 ? leaf(stems) / leaf(live) : 0;
  return years.map((y) => ({ ...y, stems, countShare: stems.length / live.length, areaShare }));
}

/** Did a stem come after so many years' cuts? By its age where that is known, else a pencil is young beside a finger. */
const cameSince = (s: Stem, years: number): boolean =>
  s.ageYears === null ? s.diameterMm < THICKNESS_TABLE.middling.fromMm : s.ageYears <= years;

/** Was something seen at the plant since a day? */
const seenSince = ({ model, plant, on }: Setting, what: Watched, since: PlainDate): boolean =>
  model.observationsOf(plant.id).some((o) => o.kind === what && o.on >= since && o.on <= on);

function renewal(set: Setting, stand: Stand): Planned {
  const lastDone = set.done.at(-1) ?? set.programme.on;
  let waiting = false;
  const rows = yearsLeft(set, stand).map((y, i): Row => {
    const day = addYears(set.first, i);
    const started = set.done.length > 0;
    // Only the step that comes next can have been seen to be ripe.
    const seen = i === 0 && started && y.after !== null && seenSince(set, y.after, lastDone);
    waiting ||= y.after !== null && !seen && (i > 0 || started);
    const due: StepDue =
      waiting && y.after !== null ? { by: "seen", what: y.after, expected: day } : { by: "day", on: day };
    const task: Task = y.what.do === "open" ? "shape" : set.task;
    return { what: y.what, stems: y.stems, share: y.areaShare, due, task };
  });
  return { steps: numbered(set, rows), reached: true };
}

/** How far the stems are clear of side branches; 0 where none are drawn. */
function clearOf(stand: Stand): Metres {
  const at = stand.stems.filter((s) => s.state === "live").flatMap((s) => s.branches.map((b) => b.at * s.lengthM));
  return at.length === 0 ? 0 : Math.min(...at);
}

/**
 * The tree form of a plant as its stems stand; null where its kind is none for it.
 * @param clearM how far they are known to be cleared, where no side branches are drawn
 */
export function treeFormOf(
  model: GardenModel,
  plant: Plant,
  on: PlainDate,
  stand: Stand,
  { aimM = null, clearM = 0 }: { readonly aimM?: Metres | null; readonly clearM?: Metres } = {},
): TreeForm | null {
  const cap = adviseOn(model, plant.id, on, "thin").cap ?? 1;
  const { heightM } = heightOf(model, plant, on);
  return treeForm(stand.stems, model.taxonOf(plant), { heightM, cap, clearM: clearOf(stand) || clearM, aimM });
}

function tree(set: Setting, stand: Stand): Planned {
  const { model, plant, on, programme } = set;
  const clearM = set.done.length * TREE_FORM_ASSUMPTIONS.liftM;
  const form = treeFormOf(model, plant, on, stand, { aimM: programme.aimM, clearM });
  if (form === null) return { steps: [], reached: false };
  const rows = form.years.map((y, i): Row => {
    const before = form.years[i - 1]?.clearM ?? form.clearM;
    return { what: { do: "tree", clearM: y.clearM > before + 0.01 ? y.clearM : null }, stems: y.out, share: y.share };
  });
  const due: StepDue = { by: "day", on: addDays(set.first, LOOK_AFTER) };
  const look: readonly Row[] =
    form.undecided === null ? [] : [{ what: { do: "look" }, stems: [form.undecided], share: null, due }];
  // The look comes a year after the first stems went.
  const steps = numbered(set, rows);
  const looks = numbered(set, look).map((s) => ({ ...s, id: `${set.programme.id}-look`, overdue: false }));
  return { steps: [...steps.slice(0, 1), ...looks, ...steps.slice(1)], reached: form.reached };
}

/** The steps of a programme that are still to come, from a day on. */
export function programmePlan(model: GardenModel, programme: Programme, on: PlainDate): ProgrammePlan {
  const set = settingOf(model, programme, on);
  const rest = { programme, doneCount: set.done.length, needsStems: false };
  if (programme.way === "down-to") return { ...rest, ...downTo(set) };
  const stand = standOn(model, programme.plantId, on);
  if (stand === null) return { ...rest, needsStems: true, steps: [], reached: false };
  return { ...rest, ...(programme.way === "tree-form" ? tree(set, stand) : renewal(set, stand)) };
}

/** Every programme of a garden, or of one plant of it, that was begun by a day. */
export const programmePlans = (model: GardenModel, on: PlainDate, plantId?: string): readonly ProgrammePlan[] =>
  model.garden.programmes
    .filter((p) => p.on <= on && (plantId === undefined || p.plantId === plantId))
    .map((p) => programmePlan(model, p, on));

/** The day a step is about. */
export const stepDay = (s: ProgrammeStep): PlainDate => (s.due.by === "day" ? s.due.on : s.due.expected);

/** So long before its day a step is worth a line among what comes next. */
const NEAR: Days = 21;
/** The step that comes next of everything begun, where its day is near or past. */
export const nextProgrammeSteps = (model: GardenModel, on: PlainDate): readonly ProgrammeStep[] =>
  programmePlans(model, on).flatMap((p) => p.steps.slice(0, 1).filter((s) => daysBetween(on, stepDay(s)) <= NEAR));
