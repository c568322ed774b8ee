/** What could hurt somebody, or what the law decides: it comes before everything else, whatever the task is called. */
import { addDays, daysBetween, seasonDate, type PlainDate, type SeasonDay } from "../calendar/index.ts";
import { heightOf } from "../garden/index.ts";
import { LIMITS, type Danger, type Plant } from "../model/index.ts";
import type { Days } from "../units/index.ts";
import { nearestWireM, proFromM, REACH_LIMITS, workHeight } from "../jobsite/index.ts";
import { deadheaded } from "../price/index.ts";
import { isLive, type Question } from "./question.ts";
import { finding, NOTHING, type Finding } from "./reasons.ts";

/** What a danger makes of a task. */
interface DangerRow {
  /** What stands on the chip. */
  readonly label: string;
  /**
   * "professional": nobody without training; "nest": until the young have flown; "height": a professional where the
   * work is above what is reached from the ground; "first": it comes off first, from the ground; "law": ask before any cut.
   */
  readonly makes: "professional" | "nest" | "height" | "first" | "law";
}

/** Common practice; what is protected, whose a branch is and what may be done near a nest is local law. */
export const DANGER_TABLE: Readonly<Record<Danger, DangerRow>> = {
  "hung-limb": { label: "A limb hangs loose in it", makes: "professional" },
  "broken-limb": { label: "A limb is broken", makes: "first" },
  "split-limb": { label: "A limb or fork is split", makes: "professional" },
  "dead-over-path": { label: "Dead wood over a path or seat", makes: "first" },
  "dead-over-roof": { label: "A dead limb over a roof", makes: "professional" },
  "bird-nest": { label: "Birds nest in it", makes: "nest" },
  "insect-nest": { label: "Bees, wasps or hornets nest in it", makes: "professional" },
  "over-glass": { label: "It stands over glass", makes: "height" },
  "over-roof": { label: "It stands over a roof", makes: "height" },
  "over-road": { label: "It stands over a road", makes: "height" },
  "over-water": { label: "It stands over water", makes: "height" },
  protected: { label: "It is a protected tree", makes: "law" },
  neighbours: { label: "It is a neighbour’s", makes: "law" },
};

/** From eggs to fledging, for the birds of gardens. */
const FLEDGES_DAYS: Days = 35;
/** By mid-October (mid-April in the south) the second brood has flown: a nest that nobody looked at since is an old one. */
const BROODS_END: SeasonDay = 290;
const isOldNest = (q: Question, noted: PlainDate): boolean => {
  const { seasonYear, seasonDay } = q.model.season(noted);
  const ends = seasonDate(seasonDay < BROODS_END ? seasonYear : seasonYear + 1, BROODS_END, q.model.climate.hemisphere);
  return q.on > ends && daysBetween(noted, q.on) > 2 * FLEDGES_DAYS;
};

/** What was named among the things that it touches, as a danger. */
const TOUCHED_DANGER: Readonly<Partial<Record<Plant["touches"][number]["what"], Danger>>> = {
  roof: "over-roof",
  window: "over-glass",
};
/** So near it is under the work, m. */
const NEAR_M = 1;

/** Everything dangerous that was said of a plant up to a day, each once. */
function dangersOn({ plant, on }: Question): ReadonlyMap<Danger, Plant["dangers"][number]["on"] | null> {
  const out = new Map<Danger, Plant["dangers"][number]["on"] | null>();
  for (const d of plant.dangers) if (d.on <= on) out.set(d.what, d.on);
  for (const t of plant.touches) {
    const danger = TOUCHED_DANGER[t.what];
    if (danger && t.distanceM <= NEAR_M && !out.has(danger)) out.set(danger, null);
  }
  return out;
}

function atHeight(q: Question, dangers: ReturnType<typeof dangersOn>): readonly Finding[] {
  const { heightM } = heightOf(q.model, q.plant, q.on);
  const workM = workHeight(q.plant, q.taxon, q.task, heightM);
  const limitM = proFromM(q.plant, q.taxon, q.task);
  if (workM >= limitM) return [finding("ask-a-pro", "out-of-reach", { heightM: workM, limitM }, "practice")];
  if (workM <= REACH_LIMITS.groundM) return NOTHING;
  const under = [...dangers.keys()].find((d) => DANGER_TABLE[d].makes === "height");
  return under
    ? [finding("ask-a-pro", "high-over", { danger: under, heightM: workM }, "practice")]
    : [finding("fine", "from-a-step", { heightM: workM, limitM: REACH_LIMITS.groundM }, "practice")];
}

function seenDangers(q: Question, dangers: ReturnType<typeof dangersOn>): readonly Finding[] {
  const out: Finding[] = [];
  for (const [what, on] of dangers) {
    switch (DANGER_TABLE[what].makes) {
      case "professional":
        out.push(finding("ask-a-pro", "danger", { danger: what }, "practice"));
        break;
      case "law":
        out.push(finding("ask-a-pro", "law-first", { danger: what }, "practice"));
        break;
      case "nest": {
        const empty = q.model.observationsOf(q.plant.id).findLast((o) => o.kind === "nest-empty" && o.on <= q.on);
        if (empty && on !== null && empty.on >= on) break;
        if (on !== null && isOldNest(q, on)) break;
        const expected = addDays(on ?? q.on, FLEDGES_DAYS);
        const opening = { by: "seen", what: "fledged", expected, latest: expected } as const;
        out.push(finding("wait", "bird-nest", { expected, flown: expected < q.on }, "practice", opening));
        break;
      }
      case "first":
        out.push(finding(q.task === "dead-only" ? "best" : "fine", "danger-first", { danger: what }, "practice"));
        break;
      case "height":
    }
  }
  return out;
}

/** Findings of danger at the plant itself. */
export function danger(q: Question): readonly Finding[] {
  const { plant, taxon, task } = q;
  if (task === "leave") return NOTHING;
  const out: Finding[] = [];
  const wire = nearestWireM(plant);
  if (wire !== null && wire < LIMITS.powerLineM)
    out.push(finding("ask-a-pro", "power-line", { distanceM: wire, limitM: LIMITS.powerLineM }, "z133"));
  if (plant.stance === "split" || (plant.stance === "leaning" && isLive(task)))
    out.push(finding("ask-a-pro", "leaning-trunk", { split: plant.stance === "split" }, "practice"));
  if (plant.thickestStemMm !== null && plant.thickestStemMm >= LIMITS.proStemMm && CUTS_STEMS.has(task))
    out.push(
      finding("ask-a-pro", "thick-stem", { diameterMm: plant.thickestStemMm, limitMm: LIMITS.proStemMm }, "practice"),
    );
  const dangers = dangersOn(q);
  out.push(...seenDangers(q, dangers));
  // Nobody climbs for what is not done to the kind at all.
  if (task !== "deadhead" || deadheaded(taxon)) out.push(...atHeight(q, dangers));
  return out;
}
/** Tasks that take whole stems: tips, shears and spent flowers never meet the thickest. */
const CUTS_STEMS: ReadonlySet<Question["task"]> = new Set([
  "dead-only",
  "shape",
  "thin",
  "renovate",
  "hard-cutback",
  "reduce-for-wind",
  "lift",
]);
