/** What is said of a cut at the bench: its line in the list, what stands against it, which limit binds. */
import type { CutLine, Remark, RemarkCode, TryResult } from "../bench/index.ts";
import type { Standing } from "../amount/index.ts";
import type { Gain } from "../regrowth/index.ts";
import type { Voice } from "./voice.ts";

type Values = Remark["values"];
const num = (v: Values, k: string): number => Number(v[k]);

const STANDING_WORDS: Readonly<Record<Standing, string>> = {
  healthy: "it is healthy",
  "first-season": "it is in its first season here",
  "second-season": "it is in its second season here",
  stressed: "it is under stress",
  frosted: "frost has hurt it",
  dieback: "much of it has died back",
  drought: "it stands dry",
  "past-maturity": "it is old and weak",
  unchecked: "nobody has looked at its health yet",
};

export const REMARK_TEXTS: Readonly<Record<RemarkCode, (v: Values, say: Voice) => string>> = {
  "live-waits": (v) =>
    `Dead wood only: ${STANDING_WORDS[v["standing"] as Standing]}. A live cut would take what it needs to recover.`,
  "dead-waits": (v) =>
    `Nothing yet, not even dead wood: ${STANDING_WORDS[v["standing"] as Standing]}. What looks dead may still be alive; look again when it grows.`,
  "past-green": () =>
    "No: nothing grows back from leafless wood. This stem would stay a bare stub; cut inside the green, or take it out at a union.",
  "green-line": (v, say) =>
    `No: below ${say.length(num(v, "belowM"))} there is no leaf, and bare wood stays bare. The outline has to stay above it.`,
  "stub-too-low": (v, say) =>
    `Too low: this kind breaks from stubs of ${say.length(num(v, "leastM"))} and more. A lower one is likely to die.`,
  "crown-too-short": (v, say) =>
    `No: cleared above ${say.length(num(v, "mostM"))} less than two thirds of its height stays as crown. Lift it in steps, a year apart.`,
  "trunk-stays": () => "No: this is the plant itself. What stands on it may be thinned or shortened; the trunk stays.",
  "leader-stays": () =>
    "No: the leader makes its form. Shortened, several others take its place; the side branches may be cut back within the green.",
  "no-crown-left": () => "No: below its lowest live branch nothing is left to feed the trunk.",
  "pro-wire": (v, say) =>
    `Call the line's owner or a licensed arborist: a power line is ${say.length(num(v, "distanceM"))} away. Local codes come first.`,
  "pro-limb": (v, say) =>
    `Call a professional: a limb of ${say.thickness(num(v, "diameterMm"))} is heavy enough to hurt someone.`,
  "pro-reach": (v, say) =>
    `Call a professional: at ${say.length(num(v, "heightM"))} this cut is out of reach from the ground.`,
  "pro-saw-overhead": (v, say) =>
    `Call a professional: it wants a saw at ${say.length(num(v, "heightM"))}, over shoulder height.`,
  "gap-stays": () => "Nothing grows back where it stood: the gap stays until its neighbours fill it.",
  "leader-thin": () => "The side branch is thinner than a third of the stem: it may not take over.",
  "three-cut": (v, say) =>
    `${say.thickness(num(v, "diameterMm"))}: in three cuts. Undercut about ${say.length(0.3)} out, top cut a little beyond, then the stub just outside the swollen collar.`,
};
/** The sentence of a remark. */
export const remarkText = (r: Remark, say: Voice): string => REMARK_TEXTS[r.code](r.values, say);

/** One line of the list, without its number. */
export function cutLineText(l: CutLine, say: Voice): string {
  const [at, to] = [l.heightM, l.toM].map((m) => (m === null ? "" : say.length(m)));
  const thick = l.diameterMm === null ? "" : ` (${say.thickness(l.diameterMm)})`;
  if (l.cuts.length > 1) return severalText(l, at === to ? `at ${at}` : `from ${at} to ${to}`, say);
  switch (l.cut.cut) {
    case "remove":
      return l.stem?.state === "dead" ? `Dead stem out at the ground${thick}` : `Out at the ground${thick}`;
    case "head":
      return `Shorten to ${at}${thick}, ${say.thickness(l.blade?.mm ?? 0)} above ${l.blade?.above === "side-shoot" ? "a green side shoot" : l.blade?.outward ? "a bud that looks out" : "a bud"}, sloping away`;
    case "to-branch":
      return `Back to the side branch at ${at}${thick}, ${say.thickness(l.blade?.mm ?? 0)} above it, sloping away`;
    case "branch-off":
      if (l.pass === "rods") return `Rod off at its head, at ${at}${thick}`;
      return `${l.stem?.branches[l.cut.branch]?.dead ? "Dead side branch" : "Side branch"} off at ${at}${thick}, just outside its collar`;
    case "branch-back":
      return `Side branch back to ${say.length(l.cut.keptM)} from the stem, at ${at}${thick}, above a bud or a shoot`;
    case "shoot-off":
      return `Shoot off its branch at ${at}${thick}`;
    case "top":
      return `Take the top down to ${say.length(l.cut.heightM)}, level`;
    case "shear":
      return `Shear to ${say.length(l.cut.heightM)} high and ${say.length(l.cut.widthM)} wide, a little wider at the foot`;
    case "tips":
      return `Take ${say.length(l.cut.offM)} off every shoot's end, above a bud`;
    case "candles":
      return `Shorten each soft candle by ${say.percent(l.cut.share)}, with fingers, not through needles`;
    case "dead-heads":
      return "Spent heads off, just above the first good pair of buds";
    case "lift":
      return `Clear everything below ${say.length(l.cut.clearM)}, from the bottom up`;
  }
}

/** Like cuts on one stem, in one line. */
function severalText(l: CutLine, where: string, say: Voice): string {
  const n = l.cuts.length;
  const thick = say.thickness(l.diameterMm ?? 0);
  if (l.cut.cut === "branch-back")
    return `${n} side shoots back to ${say.length(l.cut.keptM)} from the stem, ${where} (${thick}), each above a bud or a shoot`;
  if (l.pass === "rods") return `${n} rods off at the head they grow from, ${where} (up to ${thick})`;
  return `${n} side shoots off ${where} (up to ${thick}), each just outside its collar`;
}

/** Which limit a try meets first, and how far the measures differ. */
export function bindsText(t: TryResult, say: Voice): string | null {
  if (t.removed === 0 || t.binds === null) return null;
  const share = `${t.removed} of ${t.live} stems ${t.removed === 1 ? "holds" : "hold"} ${say.percent(t.removedShare)} of the live growth`;
  return t.binds === "area"
    ? `${share}: the live growth is the limit you meet first, not the count.`
    : `${share}: the count is the limit you meet first.`;
}

/** The same cut by every measure, as far as each has an answer. */
export function measuresOf(t: TryResult): readonly (readonly [measure: string, share: number])[] {
  const out: [string, number][] = [["by thickness", t.share]];
  if (t.removed > 0) out.push(["by stems counted", t.countShare]);
  if (t.byOutline !== null) out.push(["by its outline", t.byOutline]);
  if (t.byHeight !== null) out.push(["by height alone", t.byHeight]);
  return out;
}

const between = (low: number, high: number): string => (low === high ? String(low) : `${low} to ${high}`);
/** A gain in a sentence. */
export function gainText(g: Gain, say: Voice): string {
  switch (g.code) {
    case "shoots-woken":
      return `Below the cuts ${between(g.values.shoots[0], g.values.shoots[2])} buds wake.`;
    case "young-stems": {
      const [low, high] = g.values.then.map(say.percent);
      return `Next winter ${low === high ? low : `${low} to ${high}`} of its stems are young and coloured, of ${say.percent(g.values.now)} now.`;
    }
    case "denser-shell":
      return `Each of ${g.values.ends} sheared ends answers with one to three shoots: the shell closes.`;
    case "light-inside":
      return `${g.values.branches} ${g.values.branches === 1 ? "branch" : "branches"} fewer in the others’ light.`;
    case "left-alone": {
      const [low, high] = g.values.heightM.map(say.length);
      const over = g.values.wantedM !== null && g.values.heightM[0] > g.values.wantedM;
      return `Left alone it stands ${low === high ? `at ${low}` : `between ${low} and ${high}`} in a year${over ? `, over the ${say.length(g.values.wantedM)} you want` : ""}.`;
    }
  }
}
