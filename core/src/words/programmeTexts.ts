/** What is begun for years, in words: each way, and each of its steps. */
import type { ProgrammeWay, Stem } from "../model/index.ts";
import type { ProgrammeStep, StepWhat } from "../outlook/index.ts";
import { WATCHED_LABELS } from "./followUpTexts.ts";
import type { Voice } from "./voice.ts";

interface WayText {
  readonly title: string;
  /** What it is for, and what it asks. */
  readonly note: string;
}
/** Title and sentences of every programme. */
export const PROGRAMME_TEXTS: Readonly<Record<ProgrammeWay, WayText>> = {
  "down-to": { title: "Brought down", note: "In the fewest years its cap allows, then held there." },
  thirds: {
    title: "A third each year",
    note: "The oldest first, for three years; some flowers every year. No other live cut goes with it.",
  },
  sides: {
    title: "One side, then the other",
    note: "Half of it stays as a screen while the other half comes again.",
  },
  "at-once": {
    title: "All at once",
    note: "The quickest, and the hardest on the plant: only when it is healthy, and no flowers for a year or two.",
  },
  "foot-first": {
    title: "The foot first, then the old",
    note: "The top is let down so that light reaches the foot; the old stems stay until it has filled.",
  },
  "from-below": {
    title: "Back from below",
    note: "A third of the old stems a year to knee height or a low side branch; the next only when the last have broken.",
  },
  "tree-form": {
    title: "A small tree",
    note: "Three leaders stay, the others go worst first, and the stems are cleared a little higher each year.",
  },
};

type Of<D extends StepWhat["do"]> = Extract<StepWhat, { readonly do: D }>;
/** Names of stems as they stand on the drawing. */
type Names = (stems: readonly Stem[]) => string;
const SAY: { readonly [D in StepWhat["do"]]: (w: Of<D>, named: string, say: Voice) => string } = {
  lower: (w, _, say) => `From ${say.length(w.fromM)} down to ${say.length(w.toM)}`,
  hold: (w, _, say) => `Cut to ${say.length(w.toM)} each year: that holds it`,
  out: (_, named) => `Out at the ground: ${named}`,
  knee: (w, named, say) => `To ${say.length(w.fromM)}–${say.length(w.toM)}, or a low side branch: ${named}`,
  open: (w, _, say) => `The top down to ${say.length(w.toM)}, so that light reaches the foot`,
  tree: (w, named, say) =>
    [
      named === "" ? [] : `out at the ground: ${named}`,
      w.clearM === null ? [] : `the leaders cleared up to ${say.length(w.clearM)}`,
    ]
      .flat()
      .join("; ")
      .replace(/^./, (c) => c.toUpperCase()),
  look: (_, named) => `Look again at ${named}: keep it as a fourth leader, or take it out`,
};

/** One step in a sentence without its day. */
export function stepText(s: ProgrammeStep, say: Voice, names: Names): string {
  const say1 = SAY[s.what.do] as (w: StepWhat, named: string, say: Voice) => string;
  return say1(s.what, names(s.stems), say);
}

/** When a step is due: its day, or what has to be seen first. */
export const stepDueText = (s: ProgrammeStep, say: Voice): string =>
  s.due.by === "day"
    ? say.date(s.due.on)
    : `when seen: ${WATCHED_LABELS[s.due.what].toLowerCase()}; look about ${say.date(s.due.expected)}`;

/** Stems by their thickness, where there is no drawing to name them from. */
export const stemsText =
  (say: Voice): Names =>
  (stems) =>
    stems.length === 0
      ? ""
      : `${stems.length} ${stems.length === 1 ? "stem" : "stems"} (${stems.map((s) => say.thickness(s.diameterMm)).join(", ")})`;
