/** Short words for stems and their cuts. */
import {
  THICKNESS_TABLE,
  thicknessOf,
  type Horizon,
  type Stem,
  type StemCut,
  type StemFault,
  type StemState,
  type Voice,
} from "@wren/core";

export const STATE_LABELS: Readonly<Record<StemState, string>> = {
  live: "Live",
  damaged: "Torn or damaged",
  diseased: "Diseased",
  dead: "Dead",
};
export const FAULT_LABELS: Readonly<Record<StemFault, string>> = {
  low: "On the ground",
  weak: "Weak",
  "wrong-way": "Grows the wrong way",
};
export const HORIZON_LABELS: Readonly<Record<Horizon, string>> = {
  now: "Now",
  season: "End of season",
  year: "In a year",
  three: "In three",
};

/** A stem in words: how thick, how long, what is the matter with it. */
export function stemText(s: Stem, say: Voice, nameOf: (id: string) => string): string {
  const matters = [
    s.state === "live" ? null : STATE_LABELS[s.state].toLowerCase(),
    ...s.faults.map((f) => FAULT_LABELS[f].toLowerCase()),
    s.crosses === null ? null : `crosses ${nameOf(s.crosses).toLowerCase()}`,
  ].filter((x) => x !== null);
  const thick = `${THICKNESS_TABLE[thicknessOf(s.diameterMm)].label.toLowerCase()} (${say.thickness(s.diameterMm)})`;
  return [thick, say.length(s.lengthM), ...matters].join(", ");
}

/** Length a heading leaves of a stem; all of it where none is made. */
export const keptOf = (cuts: readonly StemCut[], s: Stem): number => {
  const head = cuts.find((c) => c.cut === "head" && c.stemId === s.id);
  return head?.cut === "head" ? head.keptM : s.lengthM;
};

/** What a try does to a stem. */
export function cutText(cuts: readonly StemCut[], s: Stem, say: Voice): string {
  const own = cuts.filter((c) => "stemId" in c && c.stemId === s.id);
  if (own.length === 0) return "stays";
  return own
    .map((c) => {
      if (c.cut === "remove") return "out at the ground";
      if (c.cut === "head") return `shortened to ${say.length(c.keptM)}`;
      if (c.cut === "to-branch") return `back to side branch ${c.branch + 1}`;
      if (c.cut === "branch-back") return `side branch ${c.branch + 1} back to ${say.length(c.keptM)}`;
      if (c.cut === "shoot-off") return `a shoot of side branch ${c.branch + 1} off`;
      return c.cut === "branch-off" ? `side branch ${c.branch + 1} off` : "";
    })
    .join(", ");
}
