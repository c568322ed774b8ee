/** What a proposal is made for: the plant on its day, the question, what it aims at and what may still go. */
import type { PlainDate } from "../calendar/index.ts";
import type { Aim, GardenModel } from "../garden/index.ts";
import type { Stem, StemCut } from "../model/index.ts";
import type { Build } from "../stems/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { amountsOf } from "./amounts.ts";
import type { TryQuestion } from "./tryOut.ts";

export interface SuggestQuestion extends Omit<TryQuestion, "cuts"> {
  /** A height it is to stand at instead of the one that was wished for. */
  readonly wantedM?: Metres | null;
}

export const wantedOf = (q: SuggestQuestion): Metres | null => q.wantedM ?? q.plant.goal.heightM;

/** A question with what stands behind it. */
export interface Setting {
  readonly model: GardenModel;
  readonly q: SuggestQuestion;
  readonly on: PlainDate;
  readonly build: Build;
  readonly aim: Aim;
  /** Heights of the drawing, of those of the plant. */
  readonly scale: number;
  /** Live growth that may still go; Infinity in a cutback and by count in a renewal. */
  readonly budget: Share;
  readonly thirdByCount: number | null;
}

/** Shares are compared so closely. */
export const EPSILON = 1e-9;
export const isLive = (s: Stem): boolean => s.state === "live";
/** Nobody takes the shears for less, m. */
export const LEAST_OFF_M: Metres = 0.01;
/** Where nothing grows back, no deeper into the green than this part of it. */
export const GREEN_DEPTH: Share = 0.9;

/** Live growth that cuts take of the stand. */
export const tried = (set: Setting, cuts: readonly StemCut[]): Share => amountsOf(set.q.stems, cuts, set.build).share;
