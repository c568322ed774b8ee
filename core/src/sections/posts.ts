/** The section a hedge has now, from what was measured at its posts. */
import type { Taxon } from "../catalogue/index.ts";
import type { Hedge, Post } from "../model/index.ts";
import type { Metres } from "../units/index.ts";
import { greenDepthOf } from "./cut.ts";
import { measuredSection, type Section } from "./section.ts";

/** A post with its measures filled in from its neighbours. */
export interface PostMeasured extends Post {
  readonly heightM: Metres;
  readonly footM: Metres;
  readonly topM: Metres;
}

/** Measures at every post: what was not taken at one lies between its neighbours', straight. @param fallback where none was taken at all */
export function measuredPosts(
  h: Pick<Hedge, "posts">,
  fallback: Readonly<Record<"heightM" | "footM" | "topM", Metres>>,
): readonly PostMeasured[] {
  const at = (key: "heightM" | "footM" | "topM", alongM: Metres): Metres => {
    const known = h.posts.filter((p) => p[key] !== null);
    const after = known.find((p) => p.alongM >= alongM);
    const before = known.findLast((p) => p.alongM <= alongM);
    if (!after || !before) return (after ?? before)?.[key] ?? fallback[key];
    const part = after === before ? 0 : (alongM - before.alongM) / (after.alongM - before.alongM);
    return before[key]! + part * (after[key]! - before[key]!);
  };
  return h.posts.map((p) => ({
    ...p,
    heightM: at("heightM", p.alongM),
    footM: at("footM", p.alongM),
    topM: at("topM", p.alongM),
  }));
}

/** The middle of a list of sizes. */
const middling = (xs: readonly number[]): number => xs.toSorted((a, b) => a - b)[Math.floor(xs.length / 2)]!;

/** A hedge as it is cut: its middling section, and how deep its green goes. */
export interface StandingSection {
  readonly now: Section;
  readonly greenM: Metres;
}
/** The section by the posts' measures. @param tallM height of the plant, where no post was measured */
export function standingSection(
  hedge: Pick<Hedge, "posts" | "greenM">,
  taxon: Pick<Taxon, "leaf" | "regrowthFromLeaflessWood">,
  tallM: Metres,
): StandingSection {
  const posts = measuredPosts(hedge, {
    heightM: tallM,
    footM: Math.max(0.4, tallM / 3),
    topM: Math.max(0.3, tallM / 3),
  });
  const of = (key: "heightM" | "footM" | "topM"): Metres => middling(posts.map((p) => p[key]));
  return {
    now: measuredSection(of("heightM"), of("footM"), of("topM")),
    greenM: hedge.greenM ?? greenDepthOf(taxon),
  };
}
