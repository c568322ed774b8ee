/**
 * What many noisy numbers say of the parts they are sums of: a part they share (the place, a year, a gardener's hands)
 * and one each owner keeps (a plant, a job). Every part is normal around nothing with a stated doubt, every number is
 * the sum of its parts and an error. The answer is exact: owners know each other only through what is shared, so they
 * are eliminated one by one and a small matrix is left (Schur complement; Rue & Held 2005, ch. 2, from memory).
 */
import { cholesky, dot, matrix, solveWith } from "../climate/index.ts";

/** One number that was told, with what is left open of it when all its parts are known. */
export interface Told {
  readonly value: number;
  /** Standard deviation of its own error, of the same unit. */
  readonly sd: number;
  /** Parts that others share, by name. */
  readonly shared: readonly string[];
  /** The owner, whose part it has alone. */
  readonly own: string;
}

/** Doubts about parts before anything was told: standard deviations, 0 for a part that is known to be nothing. */
export interface PartDoubts {
  readonly shared: (name: string) => number;
  readonly own: (name: string) => number;
}

/** What is known of a number. */
export interface Normal {
  readonly mean: number;
  readonly sd: number;
}

/** The parts after everything was told. Of a part nobody told of the doubt from before holds. */
export interface Parts {
  readonly shared: (name: string) => Normal;
  readonly own: (name: string) => Normal;
  /** Parts taken together, with what they hold in common. */
  readonly sum: (shared: readonly string[], own: string) => Normal;
}

interface Owner {
  /** What its numbers say together: Σ 1/sd² and Σ value/sd², and the same by shared part. */
  precision: number;
  told: number;
  readonly with: Float64Array;
}

/** Parts whose doubt is nothing are nothing: a doubt of so little keeps the matrix sound. */
const LEAST_SD = 1e-9;

/** Solves for the parts. @returns normals; time grows with numbers, owners, and the square of shared parts */
export function partsFrom(told: readonly Told[], doubts: PartDoubts): Parts {
  const names = [...new Set(told.flatMap((t) => t.shared))];
  const at = new Map(names.map((n, i) => [n, i]));
  const k = names.length;
  const sdOf = (name: string): number => Math.max(LEAST_SD, doubts.shared(name));
  const ownSd = (name: string): number => Math.max(LEAST_SD, doubts.own(name));
  const full = new Float64Array(k * k);
  const right = new Float64Array(k);
  names.forEach((n, i) => (full[i * k + i] = 1 / sdOf(n) ** 2));
  const owners = new Map<string, Owner>();
  for (const t of told) {
    const w = 1 / t.sd ** 2;
    let o = owners.get(t.own);
    if (!o) owners.set(t.own, (o = { precision: 1 / ownSd(t.own) ** 2, told: 0, with: new Float64Array(k) }));
    o.precision += w;
    o.told += w * t.value;
    for (const a of t.shared) {
      const i = at.get(a)!;
      o.with[i] = o.with[i]! + w;
      right[i] = right[i]! + w * t.value;
      for (const b of t.shared) full[i * k + at.get(b)!] = full[i * k + at.get(b)!]! + w;
    }
  }
  for (const o of owners.values())
    for (let i = 0; i < k; i++) {
      if (o.with[i] === 0) continue;
      right[i] = right[i]! - (o.with[i]! * o.told) / o.precision;
      for (let j = 0; j < k; j++) full[i * k + j] = full[i * k + j]! - (o.with[i]! * o.with[j]!) / o.precision;
    }
  const l = k === 0 ? new Float64Array(0) : cholesky(matrix(k, k, (i, j) => full[i * k + j]!));
  const means = solveWith(l, right);
  /** A weighted sum of shared parts, as weights; and one owner's part on top of it. */
  const normal = (weights: Float64Array, own: string | null): Normal => {
    const o = own === null ? undefined : owners.get(own);
    let mean = 0;
    let variance = 0;
    const w = Float64Array.from(weights);
    if (o) {
      // Given the shared parts the owner's is told/precision − with·shared/precision.
      mean += o.told / o.precision;
      variance += 1 / o.precision;
      for (let i = 0; i < k; i++) w[i] = w[i]! - o.with[i]! / o.precision;
    } else if (own !== null) variance += ownSd(own) ** 2;
    if (k > 0) {
      mean += dot(w, means);
      variance += dot(w, solveWith(l, w));
    }
    return { mean, sd: Math.sqrt(Math.max(0, variance)) };
  };
  const weightsOf = (shared: readonly string[]): { readonly w: Float64Array; readonly untold: number } => {
    const w = new Float64Array(k);
    let untold = 0;
    for (const n of shared) {
      const i = at.get(n);
      if (i === undefined) untold += sdOf(n) ** 2;
      else w[i] = 1;
    }
    return { w, untold };
  };
  const taken = (shared: readonly string[], own: string | null): Normal => {
    const { w, untold } = weightsOf(shared);
    const n = normal(w, own);
    return { mean: n.mean, sd: Math.sqrt(n.sd ** 2 + untold) };
  };
  return { shared: (n) => taken([n], null), own: (n) => taken([], n), sum: taken };
}

/** A number so many standard deviations from what the others lead to expect is asked about before it is used (ours: one in two thousand). */
export const STRANGE_SDS = 3.5;

/** A number that does not fit the others, with what they would have led to expect. */
export interface Stranger<T extends Told> {
  readonly told: T;
  readonly expected: Normal;
}

/** Numbers parted into those that are used and those that are asked about first. */
export interface Sifted<T extends Told> {
  readonly used: readonly T[];
  readonly strangers: readonly Stranger<T>[];
  readonly parts: Parts;
}

/** More rounds than this no record needs that is worth anything. */
const MOST_ROUNDS = 12;

/**
 * Takes out what lies too far from what all the others say: in each round the strangest of every owner, since owners
 * hardly tell of each other.
 * @param sure numbers that somebody has vouched for: they always stay
 */
export function sifted<T extends Told>(told: readonly T[], doubts: PartDoubts, sure: (t: T) => boolean): Sifted<T> {
  let used = told;
  const strangers: Stranger<T>[] = [];
  for (let round = 0; ; round++) {
    const parts = partsFrom(used, doubts);
    const worst = new Map<string, { readonly stranger: Stranger<T>; readonly off: number }>();
    if (round < MOST_ROUNDS)
      for (const t of used) {
        if (sure(t)) continue;
        const expected = without(parts.sum(t.shared, t.own), t);
        const off = Math.abs(t.value - expected.mean) / Math.hypot(expected.sd, t.sd);
        if (off > STRANGE_SDS && off > (worst.get(t.own)?.off ?? 0))
          worst.set(t.own, { stranger: { told: t, expected }, off });
      }
    if (worst.size === 0) return { used, strangers, parts };
    const found = [...worst.values()].sort((a, b) => b.off - a.off).map((w) => w.stranger);
    strangers.push(...found);
    const out = new Set<T>(found.map((f) => f.told));
    used = used.filter((t) => !out.has(t));
  }
}

/** What was known of a number before it was told, from what is known with it. */
function without(known: Normal, t: Told): Normal {
  const precision = Math.max(1e-12, 1 / known.sd ** 2 - 1 / t.sd ** 2);
  return { mean: (known.mean / known.sd ** 2 - t.value / t.sd ** 2) / precision, sd: 1 / Math.sqrt(precision) };
}
