/** Setting out: posts along a hedge, strings between them, and how far each line stands from a datum. */
import type { Top } from "../model/index.ts";
import type { Metres } from "../units/index.ts";
import { leanOf, shoulderOf, spanAt, type Section } from "../sections/index.ts";

/** A post of a run: where it stands, and the ground there over the run's lowest. */
export interface PostAt {
  readonly alongM: Metres;
  readonly groundM: Metres;
}

/** The lines at a post, m. */
export interface StringsAt {
  readonly alongM: Metres;
  readonly groundM: Metres;
  /** Height of the top over the ground there. */
  readonly topM: Metres;
  /** The same over the datum, the lowest ground of the run. */
  readonly overDatumM: Metres;
  /** Strings at the shoulder and half way: height over the ground, and how far from the middle line they stand. */
  readonly lines: readonly StringLine[];
}
/** A string: its height over the ground and its distance from the middle line, front (left) and back (right). */
export interface StringLine {
  readonly at: "shoulder" | "half" | "foot";
  readonly heightM: Metres;
  readonly frontM: Metres;
  readonly backM: Metres;
}

/** Ground at a place between two posts, straight from one to the next. */
export function groundAt(posts: readonly PostAt[], alongM: Metres): Metres {
  const i = posts.findIndex((p) => p.alongM >= alongM);
  if (i <= 0) return (i === 0 ? posts[0] : posts.at(-1))?.groundM ?? 0;
  const [a, b] = [posts[i - 1]!, posts[i]!];
  const part = (alongM - a.alongM) / (b.alongM - a.alongM);
  return a.groundM + part * (b.groundM - a.groundM);
}

/** Posts set evenly along a run, its ground as measured. // => five posts of 12 m stand 3 m apart */
export function evenPosts(posts: readonly PostAt[], count: number): readonly PostAt[] {
  const [from, to] = [posts[0]!.alongM, posts.at(-1)!.alongM];
  return Array.from({ length: count }, (_, i) => {
    const alongM = from + ((to - from) * i) / (count - 1);
    return { alongM, groundM: groundAt(posts, alongM) };
  });
}

/** How high a step is at the most: more than a hand's breadth is seen. */
export const STEP_M: Metres = 0.3;

/**
 * Height of the top over the datum at each post. A level top keeps its height over the highest ground; one that follows
 * keeps it everywhere; steps keep it at the upper end of each level stretch, none rising more than `STEP_M`.
 */
function topsOver(posts: readonly PostAt[], heightM: Metres, top: Top): readonly Metres[] {
  if (top === "follows") return posts.map((p) => p.groundM + heightM);
  const highest = Math.max(...posts.map((p) => p.groundM));
  if (top === "level") return posts.map(() => highest + heightM);
  return posts.map((p) => Math.ceil((p.groundM - 1e-9) / STEP_M) * STEP_M + heightM);
}

/** The strings of a section at posts along the ground. The section keeps its lean; where the top is higher over the ground, the foot there is wider. */
export function stringsFor(section: Section, posts: readonly PostAt[], top: Top): readonly StringsAt[] {
  const tops = topsOver(posts, section.heightM, top);
  return posts.map((p, i): StringsAt => {
    const overDatumM = tops[i]!;
    const topM = overDatumM - p.groundM;
    // The top is one line: from it the faces go down as they lean, however far the ground is.
    const here = stretched(section, topM);
    const shoulder = shoulderOf(here).heightM;
    const line = (at: StringLine["at"], heightM: Metres): StringLine => {
      const [front, back] = spanAt(here, heightM) ?? [0, 0];
      return { at, heightM, frontM: 0 - front, backM: back };
    };
    return {
      alongM: p.alongM,
      groundM: p.groundM,
      topM,
      overDatumM,
      lines: [line("shoulder", shoulder), line("half", shoulder / 2), line("foot", 0)],
    };
  });
}

/** The section at another height over the ground, top and lean kept. */
export function stretched(s: Section, heightM: Metres): Section {
  const lean = leanOf(s.batterDeg.front) + leanOf(s.batterDeg.back);
  return { ...s, heightM, footM: s.footM + (heightM - s.heightM) * lean };
}
