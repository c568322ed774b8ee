/** What is learned from the table of towns (towns/learn.ts) and kept in learned.ts. */
import type { SeasonDay } from "../calendar/index.ts";
import type { Celsius } from "../units/index.ts";

/** A covariance kept as its leading components and what each mean has for itself. */
export interface Spread {
  /** Each of 24 loadings, °C. */
  readonly parts: readonly (readonly number[])[];
  /** Variance of each mean beside them, °C². */
  readonly rest: readonly number[];
}

/** What the table of towns taught; made by towns/learn.ts. */
export interface Learned {
  /** Coefficients of the powers of latitude, each for 24 means. */
  readonly latitude: { readonly mean: readonly (readonly number[])[]; readonly spread: Spread };
  /** The same with the height in km as last column; what is left fades with distance. */
  readonly field: {
    readonly mean: readonly (readonly number[])[];
    readonly spread: Spread;
    readonly lengthKm: number;
    readonly nugget: number;
  };
  /** Mean minimum on a median frost date: a constant, so much per °C a day of rise, so much per degree from a latitude. */
  readonly frost: {
    readonly last: FrostRule;
    readonly first: FrostRule;
    readonly fromLatitude: number;
    /** The dates themselves beside the coldest night of a usual winter, and the middle of the months between them. */
    readonly usual: { readonly last: FrostDays; readonly first: FrostDays; readonly middle: FrostDays };
  };
  /** Yearly minimum from the mean minima of three winter months, and how far a zone is off it. */
  readonly zone: { readonly at: Celsius; readonly ofWinter: number; readonly sdC: number };
}
/** A season day that towns have in common: a constant, so much per °C of the coldest night, and how far towns are off. */
export interface FrostDays {
  readonly at: SeasonDay;
  readonly ofNight: number;
  readonly sdDays: number;
}
export interface FrostRule {
  readonly at: Celsius;
  readonly ofRise: number;
  readonly ofLatitude: number;
}
