/** From what the gardener wants of a plant to the task it asks for, and what stands against the wish. */
import { cutHeightFor } from "../amount/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { LIMITS, TASK_TABLE, type GoalKind, type Plant, type Task } from "../model/index.ts";
import { perPlant, type GardenModel, likelyTaxa } from "../garden/index.ts";
import { isAdvisable, type Accepts } from "../price/index.ts";
import { felledBy } from "./felled.ts";
import { reason, type Reason } from "./reasons.ts";

export interface GoalRow {
  readonly label: string;
  /** Candidates in order; the first that is not wrong for the kind is taken. "routine" stands for the kind's own yearly care, "renewal" for the way it is renewed. */
  readonly tasks: readonly (Task | "routine" | "renewal")[];
  /** Comes with a wanted height. */
  readonly height: boolean;
  /** Worked in this order instead of the kind's own. */
  readonly passes: Taxon["passes"] | null;
  /** What the kind must be for the wish to make sense; null: any kind. */
  readonly needs: Need | null;
  /** What the wish gives up knowingly: it is told, and turns no good day into a dear one. */
  readonly accepts: Accepts;
}
type Need = "new-wood-flowers" | "flowers" | "coloured-stems" | "branches" | "rebuilds";

const row = (
  label: string,
  tasks: GoalRow["tasks"],
  more: Partial<Pick<GoalRow, "height" | "passes" | "needs" | "accepts">> = {},
): GoalRow => ({ label, tasks, height: false, passes: null, needs: null, accepts: "nothing", ...more });
const SIZED = { height: true } as const;

/** Common practice: what a wish comes down to. Goals about size on a kind cut to an outline ask for the shears. */
export const GOAL_TABLE: Readonly<Record<GoalKind, GoalRow>> = {
  routine: row("Its usual yearly care", ["routine"]),
  "keep-size": row("Keep it at a height", ["shape", "routine"], SIZED),
  smaller: row("Make it smaller", ["shape", "routine"], SIZED),
  wider: row("Wider, not taller: knit into a screen", ["shape", "routine"], SIZED),
  fuller: row("Fuller from below", ["candle", "shape", "routine"], { passes: "renewal" }),
  open: row("More open", ["thin", "shape", "routine"], { passes: "shaping" }),
  upright: row("Upright instead of flopping", ["shape", "routine"], { passes: "cutback" }),
  "large-flowers": row("Fewer but larger flowers, long stems for the vase", ["hard-cutback", "shape"], {
    passes: "cutback",
    needs: "new-wood-flowers",
    accepts: "flowers",
  }),
  "many-flowers": row("More but smaller flowers", ["shape", "routine"], { passes: "shaping", needs: "flowers" }),
  screen: row("A screen of a height", ["shape", "routine"], SIZED),
  view: row("Kept low for a view or for light", ["shape", "routine"], { ...SIZED, accepts: "flowers" }),
  outline: row("A clipped outline", ["shear", "shape", "routine"], SIZED),
  natural: row("Natural: it must not look cut", ["shape", "routine"], { passes: "shaping" }),
  "coloured-stems": row("Young coloured stems or leaves at eye level", ["hard-cutback", "shape"], {
    passes: "renewal",
    needs: "coloured-stems",
    accepts: "flowers",
  }),
  "tree-form": row("Tree form: three or four bare leaders", ["shape"], { passes: "shaping", needs: "branches" }),
  "off-path": row("Off the path, fence, wall or neighbour", ["shape", "routine"]),
  ground: row("Ground won back below it", ["shape", "routine"], { passes: "renewal" }),
  "keep-heads": row("Berries, seed heads or winter heads kept", ["routine"]),
  renew: row("Renew an old plant", ["renewal", "hard-cutback", "shape"], {
    passes: "renewal",
    needs: "rebuilds",
    accepts: "all",
  }),
  colony: row("A colony: let it spread", ["routine"]),
  "no-suckers": row("No suckers", ["thin-suckers", "shape", "routine"]),
  tidy: row("Only tidy: spent flowers", ["deadhead"]),
  leave: row("Looks good and fits: leave it", ["leave"]),
  "let-go": row("Let it go free", ["leave"]),
};

/** May a kind be grown as a small tree? It must have stems worth showing. */
export const mayBeTree = (t: Taxon): boolean =>
  t.matureHeightM[1] >= 2 && !["tuft", "mound", "climber"].includes(t.habit) && t.leaf !== "herbaceous";

const NEEDS: Readonly<Record<Need, (t: Taxon) => boolean>> = {
  "new-wood-flowers": (t) => t.displays.some((d) => d.on === "new" && d.weight >= 0.3),
  flowers: (t) => t.displays.length > 0,
  "coloured-stems": (t) =>
    t.group === "stem-colour" || t.stooled === true || t.displays.some((d) => /stem|leaf/.test(d.name)),
  branches: mayBeTree,
  rebuilds: (t) => t.regimes.some((r) => r === "renewal" || r === "cutback"),
};

const fulfils = (t: Taxon, g: GoalKind): boolean => {
  const { needs } = GOAL_TABLE[g];
  return needs === null || NEEDS[needs](t);
};
/** What a wish gives up knowingly on a kind; one that the kind cannot fulfil gives up nothing. */
export const accepted = (t: Taxon, g: GoalKind): Accepts => (fulfils(t, g) ? GOAL_TABLE[g].accepts : "nothing");

export const goalLabel = (g: GoalKind): string => GOAL_TABLE[g].label;
/** Goals that come with a height. */
export const goalHasHeight = (g: GoalKind): boolean => GOAL_TABLE[g].height;

const MOSTLY = 0.5;

/** A head or a trunk is shaped, whatever its kind usually gets and whatever is wished. */
function taskForTaxon(model: GardenModel, plant: Plant, taxon: Taxon): Task {
  const task = taskForKind(model, plant, taxon);
  return felledBy(plant, taxon, task) === null ? task : "shape";
}
function taskForKind(model: GardenModel, plant: Plant, taxon: Taxon): Task {
  const changes = model.schooling(plant, taxon).options.map((o) => o.changes);
  const fits = (t: Task): boolean =>
    isAdvisable(taxon, t) &&
    ((t !== "hard-cutback" && t !== "renovate") || taxon.regimes.some((r) => r === "cutback" || r === "renewal"));
  const routine = changes.flatMap((c) => c.routineTask ?? []).find(fits) ?? taxon.routineTask;
  const renewal = changes.find((c) => c.renewTask !== undefined)?.renewTask ?? "hard-cutback";
  const goal = GOAL_TABLE[plant.goal.kind];
  const wanted = goal.tasks.map((t) => (t === "routine" ? routine : t === "renewal" ? renewal : t));
  const sized = goal.height && wanted[0] === "shape" && taxon.outline && taxon.routineTask === "shear";
  // What is cut down every year gets its height by that, where a season's growth is most of what is wanted.
  const { heightM } = plant.goal;
  const mostlyNew = goal.height && heightM !== null && heightM - taxon.growthM[1] < MOSTLY * heightM;
  if (mostlyNew && taxon.passes === "cutback" && routine === "hard-cutback") return routine;
  return [sized ? "shear" : wanted[0]!, ...wanted.slice(1)].find(fits) ?? routine;
}

/** The task the plant's goal asks for; a school may change the routine. Of an uncertain plant the mildest that any likely kind asks for. */
export const taskForGoal = perPlant((model, plant): Task => {
  const tasks = likelyTaxa(model, plant).map((t) => taskForTaxon(model, plant, t));
  return tasks.reduce((a, b) => (TASK_TABLE[b].usualShare < TASK_TABLE[a].usualShare ? b : a));
});

/** Outlines that grow more than this part of their height in a year are trimmed twice. */
const TWICE_FROM = 0.25;

/**
 * What stands against the wish, each as a reason: a kind that cannot be held so low, that never grows so tall,
 * that needs two trims a year, or that has nothing of what is wanted. Empty when nothing does.
 */
export function goalNotes(model: GardenModel, plant: Plant): readonly Reason[] {
  const t = model.taxonOf(plant);
  const goal = GOAL_TABLE[plant.goal.kind];
  const out: Reason[] = [];
  const taxon = t.common[0]!;
  if (!fulfils(t, plant.goal.kind)) out.push(reason("goal-not-for-kind", { taxon, goal: goal.label }, t.sources[0]!));
  const wantedM = goal.height ? plant.goal.heightM : null;
  const [, growthM] = t.growthM;
  if (wantedM !== null) {
    const { holdableFromM } = cutHeightFor(wantedM, t.growthM, t.leastStubM);
    if (holdableFromM > wantedM)
      out.push(reason("cannot-hold", { taxon, wantedM, holdableFromM, growthM }, "practice"));
    else if (t.matureHeightM[0] > wantedM * LIMITS.outgrows)
      out.push(reason("outgrows", { taxon, wantedM, matureM: t.matureHeightM[0], growthM }, "practice"));
    if (t.matureHeightM[1] < wantedM)
      out.push(reason("never-so-tall", { taxon, wantedM, matureM: t.matureHeightM[1] }, "practice"));
    if (
      (plant.goal.kind === "screen" || plant.goal.kind === "outline") &&
      growthM > TWICE_FROM * wantedM &&
      growthM >= 0.2
    )
      out.push(reason("two-trims", { wantedM, growthM }, "practice"));
  }
  const near = plant.touches.filter((x) => x.distanceM < growthM && x.what !== "plant");
  if (plant.goal.kind === "let-go" && near.length > 0)
    out.push(reason("let-go-touches", { what: near.map((x) => x.what).join(", "), growthM }, "practice"));
  return out;
}
