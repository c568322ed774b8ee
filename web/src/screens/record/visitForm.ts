/** The visit form: one measure of what was taken, and how it becomes a visit. */
import {
  BOUNDS,
  LETTERS,
  MOST,
  TASKS,
  lengthInField,
  parseDate,
  shareOfVisit,
  TASK_TABLE,
  type Begun,
  type Cut,
  type PlainDate,
  type Rules,
  type Share,
  type Task,
  type Measured,
  type Visit,
} from "@wren/core";
import * as z from "zod";
import { bareUnit, lengthText, noteText, numberText, pastDate, PERCENT, readField } from "../../forms/fields.ts";

export const MEASURES = ["share", "height", "stems", "diameters"] as const;

/** Diameters as they are typed: numbers with anything between them. */
function diameters(text: string): number[] | null {
  const found = text
    .split(/[^\d.,]+|,\s+/)
    .filter(Boolean)
    .map((t) => Number(t.replace(",", ".")));
  const { from, to } = BOUNDS.millimetres;
  return found.every((n) => n >= from && n <= to) && found.length <= MOST.diameters ? found : null;
}
const DIAMETERS = `Expected at most ${MOST.diameters} thicknesses from ${BOUNDS.millimetres.from} to ${BOUNDS.millimetres.to} mm, like 32, 28, 25`;

type Problem = { readonly path: string; readonly message: string };

/** The measure a form holds, or what is wrong with it. */
function cutOf(v: RawMeasure, bare: "cm" | "in"): Cut | Problem {
  const read = <T>(path: string, schema: z.ZodType<T, string>, text: string): T | Problem => {
    const r = schema.safeParse(text);
    return r.success ? r.data : { path, message: r.error.issues[0]!.message };
  };
  const isProblem = (x: unknown): x is Problem => typeof x === "object" && x !== null && "message" in x;
  switch (v.measure) {
    case "share": {
      const p = read("percent", numberText(PERCENT), v.percent);
      return isProblem(p) ? p : { by: "share", share: p / 100 };
    }
    case "height": {
      const before = read("before", lengthText(bare, BOUNDS.heightM), v.before);
      if (isProblem(before)) return before;
      const after = read("after", lengthText(bare, BOUNDS.afterM), v.after);
      if (isProblem(after)) return after;
      return after > before
        ? { path: "after", message: "It cannot be taller after the cut than before" }
        : { by: "height", beforeM: before, afterM: after };
    }
    case "stems": {
      const live = read("live", numberText(BOUNDS.liveStemCount), v.live);
      if (isProblem(live)) return live;
      const removed = read("removed", numberText({ ...BOUNDS.stemCount, to: live }), v.removed);
      return isProblem(removed) ? removed : { by: "stems", removedCount: removed, liveCount: live };
    }
    case "diameters": {
      const [out, kept] = [diameters(v.removedMm), diameters(v.keptMm)];
      const message = DIAMETERS;
      if (!out || out.length === 0) return { path: "removedMm", message };
      if (!kept) return { path: "keptMm", message };
      return { by: "diameters", removedMm: out, keptMm: kept };
    }
  }
}

interface RawMeasure {
  readonly measure: (typeof MEASURES)[number];
  readonly percent: string;
  readonly before: string;
  readonly after: string;
  readonly live: string;
  readonly removed: string;
  readonly removedMm: string;
  readonly keptMm: string;
}

const begunOf = (v: { readonly stranger: boolean; readonly layers: boolean }): Begun[] => [
  ...(v.stranger ? (["stranger-cut"] as const) : []),
  ...(v.layers ? (["layers-severed"] as const) : []),
];

/** @param planted the day of planting, before which there can be no visit; null when unknown */
export function visitSchema(units: Rules["units"], today: PlainDate, planted: PlainDate | null = null) {
  const text = z.string();
  return z
    .strictObject({
      task: z.enum(TASKS as readonly [Task, ...Task[]]),
      on: text,
      measure: z.enum(MEASURES),
      percent: text,
      before: text,
      after: text,
      live: text,
      removed: text,
      removedMm: text,
      keptMm: text,
      dead: text,
      hazard: text,
      minutes: text,
      trialUntil: text,
      stranger: z.boolean(),
      layers: z.boolean(),
      note: noteText(LETTERS.note),
      by: noteText(LETTERS.who),
    })
    .transform((v, ctx) => {
      const cuts: Cut[] = [];
      if (takesLive(v.task)) {
        const cut = cutOf(v, bareUnit(units));
        if ("message" in cut) ctx.addIssue({ code: "custom", path: [cut.path], message: cut.message });
        else cuts.push(cut);
      }
      const on = readField(ctx, "on", pastDate(today), v.on);
      if (on !== null && planted !== null && on < planted)
        ctx.addIssue({
          code: "custom",
          path: ["on"],
          message: `It was planted on ${planted}: expected that day or later`,
        });
      const dead = readField(ctx, "dead", numberText(BOUNDS.stemCount), v.dead);
      const hazard = readField(ctx, "hazard", numberText(PERCENT), v.hazard);
      const minutes = v.minutes === "" ? null : readField(ctx, "minutes", numberText(BOUNDS.minutes), v.minutes);
      const trialUntil = v.trialUntil === "" ? null : parseDate(v.trialUntil);
      if (v.trialUntil !== "" && (trialUntil === null || (on !== null && trialUntil <= on)))
        ctx.addIssue({ code: "custom", path: ["trialUntil"], message: "Expected a day after the visit, or nothing" });
      if (on === null || dead === null || hazard === null || ctx.issues.length > 0) return z.NEVER;
      return {
        task: v.task,
        on,
        cuts,
        dead,
        hazard: hazard / 100,
        minutes,
        trialUntil,
        begun: begunOf(v),
        note: v.note,
        by: v.by.trim(),
      };
    });
}
type Schema = ReturnType<typeof visitSchema>;
export type VisitInput = z.input<Schema>;
export type VisitValues = z.output<Schema>;

/** Does the task take live growth that is measured? */
export const takesLive = (task: Task): boolean => TASK_TABLE[task].live;

interface Start {
  readonly task: Task;
  readonly on: PlainDate;
  readonly percent: number | null;
}
export const visitInput = ({ task, on, percent }: Start): VisitInput => ({
  task,
  on,
  measure: "share",
  percent: percent === null ? "" : String(percent),
  // Left to be measured: what is reckoned would come back as if it had been read.
  before: "",
  after: "",
  live: "",
  removed: "",
  removedMm: "",
  keptMm: "",
  dead: "0",
  hazard: "0",
  minutes: "",
  trialUntil: "",
  stranger: false,
  layers: false,
  note: "",
  by: "",
});

/** A visit as it is typed; of several cuts the first, the others stay as they are. */
export function visitInputOf(v: Visit, units: Rules["units"]): VisitInput {
  const [cut] = v.cuts;
  const percent = (x: number): string => String(Math.round(x * 1e4) / 100);
  const length = (m: number): string => lengthInField(m, bareUnit(units));
  return {
    ...visitInput({ task: v.task, on: v.on, percent: null }),
    ...(cut?.by === "share" ? { measure: "share", percent: percent(cut.share) } : {}),
    ...(cut?.by === "height" ? { measure: "height", before: length(cut.beforeM), after: length(cut.afterM) } : {}),
    ...(cut?.by === "stems"
      ? { measure: "stems", removed: String(cut.removedCount), live: String(cut.liveCount) }
      : {}),
    ...(cut?.by === "diameters"
      ? { measure: "diameters", removedMm: cut.removedMm.join(", "), keptMm: cut.keptMm.join(", ") }
      : {}),
    dead: String(v.deadStemsCount),
    hazard: percent(v.hazardShare),
    minutes: v.minutes === null ? "" : String(v.minutes),
    trialUntil: v.trialUntil ?? "",
    stranger: v.begun.includes("stranger-cut"),
    layers: v.begun.includes("layers-severed"),
    note: v.note,
    by: v.by,
  };
}

/** A visit as it was changed in the form: what the form does not ask stays. */
export const visitChanged = (was: Visit, v: VisitValues, regime: Visit["regime"]): Visit => ({
  ...was,
  ...visitFrom(v, { id: was.id, plantId: was.plantId, regime }),
  cuts: [...v.cuts, ...(v.cuts.length > 0 ? was.cuts.slice(1) : [])],
  begun: [...v.begun, ...was.begun.filter((b) => b === "leader-halved")],
  planned: was.planned,
});

/** The share the form stands for while it is being filled in; null while it cannot be told. */
export function shareSoFar(v: RawMeasure, units: Rules["units"], measured: Measured): Share | null {
  const cut = cutOf(v, bareUnit(units));
  return "message" in cut ? null : shareOfVisit({ cuts: [cut] }, measured);
}

export const visitFrom = (v: VisitValues, rest: Pick<Visit, "id" | "plantId" | "regime">): Visit => ({
  ...rest,
  on: v.on,
  task: v.task,
  cuts: v.cuts,
  hazardShare: v.hazard,
  deadStemsCount: v.dead,
  trialUntil: v.trialUntil,
  begun: v.begun,
  minutes: v.minutes,
  note: v.note,
  by: v.by,
  sure: false,
  planned: null,
});
