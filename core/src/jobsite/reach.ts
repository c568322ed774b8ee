/** Where on a plant a task is done, and from where a person reaches that. */
import type { Taxon } from "../catalogue/index.ts";
import { TASK_TABLE, type Form, type Plant, type Task } from "../model/index.ts";
import type { Metres } from "../units/index.ts";

/** Common practice, for a grown person with hand tools. */
export const REACH_LIMITS = {
  /** From the ground, with long handles. */
  groundM: 2.5,
  /** From a ladder's or trestle's safe step, both feet low and both hands free; above it is a professional's. */
  stepM: 5,
  /** The same where limbs are sawn off: no heavy wood comes down beside a ladder. */
  sawM: 3.5,
  /** Shoulder height: no saw above it. */
  shoulderM: 1.5,
} as const;

/** Part of the plant's height at which a task is done: at the top, in the crown, or at the foot. */
const AT = { top: 1, crown: 0.8, foot: 0 } as const;
type Where = keyof typeof AT;
/** Grown from many stems a task is done where it is begun; on a trunk all but suckers and skirt is done in the crown. */
const WHERE: Readonly<Record<Task, readonly [manyStems: Where, onTrunk: Where]>> = {
  "dead-only": ["foot", "crown"],
  deadhead: ["top", "top"],
  tip: ["top", "top"],
  shape: ["top", "top"],
  thin: ["foot", "crown"],
  renovate: ["foot", "crown"],
  "hard-cutback": ["foot", "crown"],
  "reduce-for-wind": ["top", "top"],
  shear: ["top", "top"],
  candle: ["top", "top"],
  lift: ["foot", "foot"],
  "thin-suckers": ["foot", "foot"],
  leave: ["foot", "foot"],
};
/** The nearest wire: measured, or named among what the plant touches; null where there is none. */
export function nearestWireM(plant: Pick<Plant, "powerLineM" | "touches">): Metres | null {
  const named = plant.touches.filter((t) => t.what === "wire").map((t) => t.distanceM);
  const all = plant.powerLineM === null ? named : [plant.powerLineM, ...named];
  return all.length === 0 ? null : Math.min(...all);
}

const ON_TRUNK: ReadonlySet<Form> = new Set(["trunk", "standard", "weeping", "pollard"]);

/** Is the plant grown on a trunk? Where nobody said, a tree or a cone is. */
export const onTrunk = (plant: Pick<Plant, "form">, taxon: Taxon): boolean =>
  plant.form === null ? taxon.habit === "tree" || taxon.habit === "cone" : ON_TRUNK.has(plant.form);

/** From how high up a task is a professional's, m: lower where limbs of a tree are sawn off. */
export const proFromM = (plant: Pick<Plant, "form">, taxon: Taxon, task: Task): Metres =>
  task === "hard-cutback" && onTrunk(plant, taxon) ? REACH_LIMITS.sawM : REACH_LIMITS.stepM;

/** How high above the ground a task is done on a plant of a height, m; 0 where nothing is cut. */
export const workHeight = (plant: Pick<Plant, "form">, taxon: Taxon, task: Task, heightM: Metres): Metres =>
  TASK_TABLE[task].cuts[0] === "none" ? 0 : AT[WHERE[task][onTrunk(plant, taxon) ? 1 : 0]] * heightM;
