/** What a careful worker minds at a cut, beyond where the blade goes. One row per note; common practice. */
import { isHard } from "../advice/index.ts";
import { oftenGrafted, type Taxon } from "../catalogue/index.ts";
import { isGrafted, type Plant, type Task } from "../model/index.ts";
import { toolsFor } from "./tools.ts";

interface Work {
  readonly plant: Plant;
  readonly taxon: Taxon;
  readonly task: Task;
  readonly tools: readonly string[];
}
interface NoteRow {
  readonly text: string;
  readonly when: (w: Work) => boolean;
}

/** What to mind, with when it is said. */
export const NOTE_ROWS = {
  "own-root": {
    text: "On its own roots or grafted? Look for a swelling low on the stem, and for shoots from below it with other leaves. Grafted: stay above the swelling, or what comes back is the stock.",
    when: ({ plant, taxon, task }) => isHard(task) && oftenGrafted(taxon) && !isGrafted(plant),
  },
  "rough-first": {
    text: "A heavy stem in two goes: a rough cut a hand's breadth higher takes the weight off, the second is the clean one.",
    when: ({ tools }) => tools.includes("pruning saw"),
  },
  "no-paint": {
    text: "No paint or tar on the cut: it closes by itself.",
    when: ({ taxon, tools }) => taxon.leaf !== "herbaceous" && tools.includes("loppers"),
  },
  "new-hedging": {
    text: "New hedging: bare-root hawthorn, privet and the like are cut by half when planted, to fill from the foot; beech, hornbeam and evergreens lose only the longest ends; no conifer loses its leader before it stands at the height you want.",
    when: ({ plant, taxon, task }) => taxon.outline && plant.plantedOn !== null && (task === "shear" || task === "tip"),
  },
} as const satisfies Readonly<Record<string, NoteRow>>;
export type NoteCode = keyof typeof NOTE_ROWS;
const CODES = Object.keys(NOTE_ROWS) as NoteCode[];

/** The notes that a task on a plant asks for, in the order of the table. */
export function notesFor(plant: Plant, taxon: Taxon, task: Task): readonly NoteCode[] {
  if (task === "leave") return [];
  const work: Work = { plant, taxon, task, tools: toolsFor(plant, taxon, task) };
  return CODES.filter((c) => NOTE_ROWS[c].when(work));
}
