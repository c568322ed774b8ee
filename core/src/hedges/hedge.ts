/** What a hedge of the garden answers on a day: how it stands, what is wrong, the section it should have, and what follows. */
import { type PlainDate, type SeasonDay } from "../calendar/index.ts";
import type { Taxon } from "../catalogue/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import { FACES, type Face, type Hedge, type Plant, type Task } from "../model/index.ts";
import {
  clippedOf,
  cutBetween,
  leanOf,
  LOOSE_OF_CUT,
  measuredSection,
  standingSection,
  sumOfOutside,
  topOf,
  type HedgeCut,
  type Section,
} from "../sections/index.ts";
import type { Degrees, Metres, Minutes, Share } from "../units/index.ts";
import { HEDGE_ASSUMPTIONS } from "./assumptions.ts";
import {
  leastBatter,
  looksTo,
  LOWER_THIRD,
  lowerSky,
  MOST_BATTER_DEG,
  pointAt,
  sunOn,
  topSky,
  type LeastBatter,
  type Screens,
} from "./light.ts";
import { evenPosts, stringsFor, type StringsAt } from "./strings.ts";
import { trimsOf, trimTask, type HedgeTrims } from "./trimYear.ts";
import { mayBeAtOnce, wayBack, WAYS_BACK, withinGreen, type BackPlan } from "./wayBack.ts";

/** Length of a hedge, m. */
export const lengthOf = (h: Pick<Hedge, "posts">): Metres => h.posts.at(-1)!.alongM - h.posts[0]!.alongM;

/** What is wrong with how a hedge stands. */
export type HedgeFault = "top-wider" | "upright" | "too-narrow" | "face-thin" | "face-bare" | "gap" | "out-of-reach";

/** Kinds of a hedge with their lengths. */
export interface Stretch {
  readonly taxon: Taxon;
  readonly fromM: Metres;
  readonly toM: Metres;
}

/** Light on a face, as it stands and as it would. */
export interface FaceLight {
  readonly face: Face;
  readonly looksToDeg: Degrees;
  /** Sky of the lower third beside the top's. */
  readonly now: Share;
  readonly then: Share;
  /** Direct sun on the lower third at midsummer, hours. */
  readonly sunNowH: number;
  readonly sunThenH: number;
  readonly least: LeastBatter;
}

/** How a hedge stands, whatever is wanted of it. */
export interface HedgeStands {
  readonly plant: Plant;
  readonly hedge: Hedge;
  readonly taxon: Taxon;
  readonly stretches: readonly Stretch[];
  /** Of its kinds the one that forgives least: a mixed hedge is cut no deeper than that bears. */
  readonly strictest: Taxon;
  readonly lengthM: Metres;
  /** The middling section, by the posts' measures. */
  readonly now: Section;
  readonly greenM: Metres;
  readonly faults: readonly HedgeFault[];
  readonly task: Task;
}

/** What bringing it to a section means. */
export interface HedgeTo {
  readonly wanted: Section;
  readonly light: readonly FaceLight[];
  readonly cut: HedgeCut;
  /** It passes the green of a kind whose bare wood stays bare. */
  readonly refused: boolean;
  /** Cut off in all, and as it lies loose; m³. */
  readonly cutM3: number;
  readonly looseM3: readonly [number, number];
  readonly barrows: readonly [number, number];
  readonly faceM2: number;
  readonly minutes: Readonly<Record<"hand" | "powered", readonly [Minutes, Minutes]>>;
  /** By the gardener's own trims of it that were timed; null: none was. */
  readonly ownMinutes: readonly [Minutes, Minutes] | null;
  /** What a trim takes: by those, else from powered to by hand. */
  readonly trimMinutes: readonly [Minutes, Minutes];
  readonly strings: readonly StringsAt[];
  /** The measured post that stands nearest to the section: the rest is cut to its line; null: fewer than two were measured. */
  readonly guide: { readonly alongM: Metres; readonly share: Share } | null;
  readonly ways: readonly BackPlan[];
}

const screensOf = (h: Hedge): Screens => ({ front: h.front.screen, back: h.back.screen });

/**
 * The section that is proposed: as high as is wished, a foot that is there or as wide as the top needs, each face leaned as
 * its lower third asks for, at least as is usual and at most fifteen degrees.
 */
export function proposedSection(
  now: Section,
  wishedM: Metres | null,
  screens: Screens,
  t: Taxon,
  greenM: Metres,
): Section {
  const a = HEDGE_ASSUMPTIONS;
  const heightM = wishedM ?? now.heightM;
  const asked = (face: Face): Degrees => {
    const { batterDeg } = leastBatter({ ...now, heightM, crown: "flat" }, face, screens, a.wantedLight, a.leastTopM);
    return Math.min(MOST_BATTER_DEG, Math.max(a.usualBatterDeg, batterDeg ?? MOST_BATTER_DEG));
  };
  const deg = { front: asked("front"), back: asked("back") };
  const needs = a.leastTopM + heightM * (leanOf(deg.front) + leanOf(deg.back));
  // A foot wider than now has to grow.
  const footM = Math.max(now.footM, needs);
  const room = Math.max(0, footM - a.leastTopM) / heightM;
  const lean = leanOf(deg.front) + leanOf(deg.back);
  const part = lean > room ? room / lean : 1;
  const eased = (d: Degrees): Degrees => (Math.atan(leanOf(d) * part) * 180) / Math.PI;
  const best: Section = {
    heightM,
    footM,
    batterDeg: { front: eased(deg.front), back: eased(deg.back) },
    crown: "flat",
  };
  // Where bare wood stays bare it comes in no further than its green.
  return t.regrowthFromLeaflessWood === "no" ? withinGreen(now, best, greenM) : best;
}

function faultsOf(h: Hedge, now: Section): readonly HedgeFault[] {
  const out: HedgeFault[] = [];
  const lean = FACES.map((f) => now.batterDeg[f]);
  if (topOf(now) > now.footM + 0.02) out.push("top-wider");
  else if (Math.max(...lean) < 1) out.push("upright");
  if (now.footM < 0.35) out.push("too-narrow");
  if (FACES.some((f) => h[f].state === "bare")) out.push("face-bare");
  else if (FACES.some((f) => h[f].state === "thin")) out.push("face-thin");
  if (h.gaps.length > 0) out.push("gap");
  if (now.heightM > 2.5) out.push("out-of-reach");
  return out;
}

/** How much is forgiven of a cut into bare wood, least first. */
const FORGIVES = ["no", "slow", "yes"] as const satisfies readonly Taxon["regrowthFromLeaflessWood"][];
const strictestOf = (kinds: readonly Taxon[]): Taxon =>
  kinds.reduce((strict, t) =>
    FORGIVES.indexOf(t.regrowthFromLeaflessWood) < FORGIVES.indexOf(strict.regrowthFromLeaflessWood) ? t : strict,
  );

/** How a hedge stands on a day. */
export function hedgeStands(model: GardenModel, hedge: Hedge, on: PlainDate): HedgeStands {
  const plant = model.plant(hedge.plantId);
  const taxon = model.taxonOf(plant);
  const lengthM = lengthOf(hedge);
  const tall = heightOf(model, plant, on).heightM;
  const { now, greenM } = standingSection(hedge, taxon, tall);
  const stretches = hedge.stretches.flatMap((s, i): Stretch[] => {
    const kind = model.catalogue.byId(s.taxonId);
    return kind ? [{ taxon: kind, fromM: hedge.stretches[i - 1]?.toM ?? 0, toM: s.toM }] : [];
  });
  return {
    plant,
    hedge,
    taxon,
    strictest: strictestOf([taxon, ...stretches.map((s) => s.taxon)]),
    stretches: stretches.length > 0 ? stretches : [{ taxon, fromM: 0, toM: lengthM }],
    lengthM,
    now,
    greenM,
    faults: faultsOf(hedge, now),
    task: trimTask(taxon),
  };
}

/** The section a hedge is brought to: the one that was chosen, else the one that is proposed. */
export function wantedSection(s: HedgeStands): Section {
  const w = s.hedge.wanted;
  return w
    ? { heightM: w.heightM, footM: w.footM, batterDeg: { front: w.frontDeg, back: w.backDeg }, crown: w.crown }
    : proposedSection(s.now, s.plant.goal.heightM, screensOf(s.hedge), s.strictest, s.greenM);
}

/** A day about midsummer, of the hemisphere's year. */
const MIDSUMMER: SeasonDay = 171;

/** What bringing a hedge to a section means: quick enough to be asked at every step of a drag. */
export function hedgeTo(model: GardenModel, s: HedgeStands, wanted: Section): HedgeTo {
  const a = HEDGE_ASSUMPTIONS;
  const { hedge, now, greenM, strictest, lengthM } = s;
  const screens = screensOf(hedge);
  const cut = cutBetween(now, wanted, greenM);
  const cutM3 = sumOfOutside(cut.off) * lengthM;
  const loose = (part: number): number => cutM3 * LOOSE_OF_CUT[part]!;
  const faceM2 = clippedOf(wanted) * lengthM;
  const minutes = (tool: "hand" | "powered"): readonly [Minutes, Minutes] => [
    faceM2 * a.minutesPerM2[tool] * a.hands[0],
    faceM2 * a.minutesPerM2[tool] * a.hands[1],
  ];
  const [hand, powered, own] = [minutes("hand"), minutes("powered"), ownMinutes(model, s, faceM2)];
  const summer = {
    latitudeDeg: model.garden.place.latitudeDeg,
    hemisphere: model.climate.hemisphere,
    day: MIDSUMMER,
  };
  const light = FACES.map((face): FaceLight => {
    const looksToDeg = looksTo(hedge.facesDeg, face);
    const sun = (of: Section): number =>
      sunOn(pointAt(of, face, of.heightM * LOWER_THIRD), screens[face], { ...summer, azimuthDeg: looksToDeg }).hours;
    return {
      face,
      looksToDeg,
      now: lowerSky(now, face, screens[face]) / topSky(now, screens),
      then: lowerSky(wanted, face, screens[face]) / topSky(wanted, screens),
      sunNowH: sun(now),
      sunThenH: sun(wanted),
      least: leastBatter(now, face, screens, a.wantedLight, topOf(wanted)),
    };
  });
  const sunny: Face = light[0]!.sunNowH >= light[1]!.sunNowH ? "front" : "back";
  const posts = evenPosts(hedge.posts, Math.max(2, Math.min(MOST_STRINGS, Math.round(lengthM / POST_APART_M) + 1)));
  return {
    wanted,
    light,
    cut,
    refused: strictest.regrowthFromLeaflessWood === "no" && cut.pastGreen.length > 0,
    cutM3,
    looseM3: [loose(0), loose(1)],
    barrows: [loose(0) / a.barrowM3, loose(1) / a.barrowM3],
    faceM2,
    minutes: { hand, powered },
    ownMinutes: own,
    trimMinutes: own ?? [powered[0], hand[1]],
    strings: stringsFor(wanted, posts, hedge.wanted?.top ?? "follows"),
    guide: guideOf(hedge, wanted, greenM),
    ways: waysBack(now, wanted, strictest, greenM, sunny),
  };
}

/** Of the posts that were measured whole, the one at which least comes off. */
function guideOf(hedge: Hedge, wanted: Section, greenM: Metres): HedgeTo["guide"] {
  const posts = hedge.posts.flatMap(({ alongM, heightM, footM, topM }) =>
    heightM === null || footM === null || topM === null
      ? []
      : [{ alongM, share: cutBetween(measuredSection(heightM, footM, topM), wanted, greenM).share }],
  );
  return posts.length < 2 ? null : posts.reduce((best, p) => (p.share < best.share ? p : best));
}
/** What the gardener's own trims took, for as much face; by how they differ. */
function ownMinutes(model: GardenModel, s: HedgeStands, faceM2: number): readonly [Minutes, Minutes] | null {
  const nowM2 = clippedOf(s.now) * s.lengthM;
  const timed = model.garden.visits.flatMap((v) =>
    v.plantId === s.plant.id && v.task === s.task && v.minutes !== null && v.minutes > 0 ? [v.minutes] : [],
  );
  if (timed.length === 0 || nowM2 <= 0) return null;
  const [least, most] = [Math.min(...timed), Math.max(...timed)];
  const slack = timed.length === 1 ? HEDGE_ASSUMPTIONS.oneTimed : HEDGE_ASSUMPTIONS.moreTimed;
  const times = faceM2 / nowM2;
  return [least * times * (1 - slack), most * times * (1 + slack)];
}
/** What is left of a trim under way, m; null: none is. */
export const leftToTrimM = (s: Pick<HedgeStands, "hedge" | "lengthM">): Metres | null =>
  s.hedge.done === null ? null : Math.max(0, s.lengthM - s.hedge.done.toM);

/** Posts are set about so far apart, and no more than this many. */
const POST_APART_M: Metres = 3;
const MOST_STRINGS = 9;

/** The ways back that differ from each other. */
function waysBack(now: Section, wanted: Section, t: Taxon, greenM: Metres, sunny: Face): readonly BackPlan[] {
  const named = new Set<string>();
  return WAYS_BACK.filter((way) => way !== "at-once" || mayBeAtOnce(t))
    .map((way) => wayBack(now, wanted, t, greenM, way, sunny))
    .filter((plan) => {
      const key = JSON.stringify(plan.steps.map((x) => [x.year, x.after]));
      const known = named.has(key);
      named.add(key);
      return !known;
    });
}

/** The same of a hedge. */
export const hedgeTrims = (model: GardenModel, s: HedgeStands, on: PlainDate): HedgeTrims =>
  trimsOf(model, s.plant, on, s.hedge);

/** How a plant becomes a hedge: its line as long as it is wide, its size as it was last measured, and nothing said of its sides. */
export function hedgeFrom(
  plant: Plant,
  taxon: Pick<Taxon, "outline">,
  id: string,
  on: PlainDate,
  facesDeg: Degrees,
): Hedge {
  const side = { state: "dense" as const, beside: "open" as const, screen: null };
  const foot = Math.min(1.2, Math.max(0.3, plant.heightM * 0.4));
  return {
    id,
    plantId: plant.id,
    on,
    facesDeg,
    posts: [
      { alongM: 0, groundM: 0, heightM: plant.heightM, footM: foot, topM: foot },
      { alongM: Math.max(0.5, plant.widthM), groundM: 0, heightM: null, footM: null, topM: null },
    ],
    stretches: [],
    gaps: [],
    front: side,
    back: side,
    boundary: false,
    wanted: null,
    formal: taxon.outline,
    toleranceM: null,
    trims: null,
    birds: null,
    greenM: null,
    done: null,
    note: "",
  };
}
