/** What a half-day takes along: tools against those that are owned, protection, disinfectant, and what is carried off. */
import { invasiveIn } from "../catalogue/index.ts";
import { cautionsFor, thickestMet, toolsFor, type CautionCode } from "../craft/index.ts";
import type { GardenModel } from "../garden/index.ts";
import { hedgeStands, hedgeTo, wantedSection } from "../hedges/index.ts";
import { REACH_LIMITS, workHeight } from "../jobsite/index.ts";
import { TASK_TABLE, TOOLS, type Tool } from "../model/index.ts";
import { OUTLOOK_ASSUMPTIONS, outlineVolume } from "../outlook/index.ts";
import type { Millimetres } from "../units/index.ts";
import { isSuspect, type InHalf } from "./dayRun.ts";
import type { HalfDay } from "./halfDays.ts";
import { jobHeightM } from "./jobs.ts";

/** What a tool cuts where nobody said; steps and strings cut nothing. Virginia Cooperative Extension 430-455 for the first three (from memory). */
export const TOOL_CUTS_MM: Readonly<Record<Tool, Millimetres | null>> = {
  secateurs: 19,
  loppers: 40,
  "pruning-saw": 100,
  "hedge-shears": 10,
  trimmer: 20,
  steps: null,
  strings: null,
};
/** The names under which the craft speaks of tools. */
const BY_NAME: Readonly<Record<string, Tool>> = {
  secateurs: "secateurs",
  loppers: "loppers",
  "pruning saw": "pruning-saw",
  "hedge shears": "hedge-shears",
  shears: "hedge-shears",
};

/** A tool of the kit. */
export interface KitTool {
  readonly tool: Tool;
  /** null: nobody said what is owned. */
  readonly owned: boolean | null;
  readonly forJobs: readonly string[];
}
/** A stem that nothing that is owned cuts. */
export interface TooThick {
  readonly plantId: string;
  readonly mm: Millimetres;
  /** The most that is owned cuts. */
  readonly mostMm: Millimetres;
}
/** Where cuttings go. */
export type LoadKind = "compost" | "chips" | "bin" | "thorny";
/** A load of cuttings, loose, m³: least and most. */
export interface Load {
  readonly kind: LoadKind;
  readonly m3: readonly [number, number];
  /** Garden bags of a usual size. */
  readonly bags: readonly [number, number];
}
/** The kit of a half-day. */
export interface Kit {
  readonly tools: readonly KitTool[];
  readonly tooThick: readonly TooThick[];
  readonly cautions: readonly CautionCode[];
  /** Suspect plants, and how much disinfectant they take, l; null: none is suspect. */
  readonly disinfect: { readonly plants: number; readonly litres: number } | null;
  /** Blades are to be sharpened before. */
  readonly sharpen: boolean;
  readonly loads: readonly Load[];
}

/** Ours. */
export const KIT_ASSUMPTIONS = {
  litresPerSuspect: 0.25,
  /** Edges hold for so many minutes of cutting. */
  sharpMinutes: 90,
  bagM3: 0.12,
  /** Of what a task usually takes, more or less by so much. */
  loadRange: [0.6, 1.6],
  /** Thicker stems than this are chipped, not composted, mm. */
  chipsFromMm: 20,
} as const;

function loadOf(
  model: GardenModel,
  { job, pieces }: InHalf,
  half: HalfDay,
): { kind: LoadKind; m3: readonly [number, number] } {
  const plant = model.plant(job.plantId);
  const taxon = model.taxonOf(plant);
  const task = job.task!;
  const part = pieces / job.pieces;
  const hedge = model.garden.hedges.find((h) => h.plantId === plant.id);
  const stands = hedge && hedgeStands(model, hedge, half.on);
  const kind: LoadKind =
    isSuspect(model, plant.id) || invasiveIn(taxon.id).length > 0
      ? "bin"
      : taxon.hazards.includes("thorns")
        ? "thorny"
        : thickestMet(plant, task) > KIT_ASSUMPTIONS.chipsFromMm && taxon.leaf !== "herbaceous"
          ? "chips"
          : "compost";
  if (stands?.task === task) {
    const { looseM3 } = hedgeTo(model, stands, wantedSection(stands));
    return { kind, m3: [looseM3[0] * part, looseM3[1] * part] };
  }
  const all = outlineVolume(plant, taxon, jobHeightM(model, job, half.on));
  const usual = all * TASK_TABLE[task].usualShare * OUTLOOK_ASSUMPTIONS.debrisOfVolume * part;
  return { kind, m3: [usual * KIT_ASSUMPTIONS.loadRange[0], usual * KIT_ASSUMPTIONS.loadRange[1]] };
}

/** The kit for the jobs of a half-day. */
export function kitOf(model: GardenModel, half: HalfDay, jobs: readonly InHalf[]): Kit {
  const own = model.garden.rules.tools;
  const cutting = jobs.filter((j) => j.job.task !== null);
  const needs = new Map<Tool, string[]>();
  const need = (tool: Tool, id: string): void => void needs.set(tool, [...(needs.get(tool) ?? []), id]);
  const tooThick: TooThick[] = [];
  const mostMm = own === null ? Infinity : Math.max(0, ...own.map((t) => t.upToMm ?? TOOL_CUTS_MM[t.tool] ?? 0));
  for (const { job } of cutting) {
    const plant = model.plant(job.plantId);
    const taxon = model.taxonOf(plant);
    const task = job.task!;
    for (const name of toolsFor(plant, taxon, task)) {
      const tool = BY_NAME[name];
      if (tool) need(tool, job.id);
    }
    const heightM = jobHeightM(model, job, half.on);
    if (workHeight(plant, taxon, task, heightM) > REACH_LIMITS.groundM) need("steps", job.id);
    if (job.due.kind === "trim") need("strings", job.id);
    const mm = thickestMet(plant, task);
    if (mm > mostMm) tooThick.push({ plantId: plant.id, mm, mostMm });
  }
  const cautions = new Set(
    cutting.flatMap(({ job }) => {
      const plant = model.plant(job.plantId);
      return cautionsFor(plant, model.taxonOf(plant), job.task!, jobHeightM(model, job, half.on));
    }),
  );
  const suspects = new Set(cutting.filter(({ job }) => isSuspect(model, job.plantId)).map(({ job }) => job.plantId))
    .size;
  const loads = new Map<LoadKind, [number, number]>();
  for (const j of cutting) {
    const { kind, m3 } = loadOf(model, j, half);
    const sofar = loads.get(kind) ?? [0, 0];
    loads.set(kind, [sofar[0] + m3[0], sofar[1] + m3[1]]);
  }
  return {
    tools: TOOLS.filter((t) => needs.has(t)).map((tool) => ({
      tool,
      owned: own === null ? null : own.some((t) => t.tool === tool),
      forJobs: needs.get(tool)!,
    })),
    tooThick,
    cautions: [...cautions],
    disinfect: suspects > 0 ? { plants: suspects, litres: suspects * KIT_ASSUMPTIONS.litresPerSuspect } : null,
    sharpen: cutting.reduce((s, j) => s + j.minutes, 0) > KIT_ASSUMPTIONS.sharpMinutes,
    loads: [...loads].map(([kind, m3]) => ({
      kind,
      m3,
      bags: [m3[0] / KIT_ASSUMPTIONS.bagM3, m3[1] / KIT_ASSUMPTIONS.bagM3],
    })),
  };
}
