/** The normal distribution, as far as frost odds and expected degree-days need it. */

/** Density of the standard normal. */
export const density = (z: number): number => Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);

/**
 * Standard normal distribution function, error below 1.2e-7 in erfc relative terms.
 * Source: W. H. Press et al., Numerical Recipes, erfc by Chebyshev fit (from memory).
 */
export function cumulative(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.5 * x);
  // Written out: asked for thousands of times before the first answer, when nothing is compiled yet.
  let poly = 0.17087277;
  poly = poly * t - 0.82215223;
  poly = poly * t + 1.48851587;
  poly = poly * t - 1.13520398;
  poly = poly * t + 0.27886807;
  poly = poly * t - 0.18628806;
  poly = poly * t + 0.09678418;
  poly = poly * t + 0.37409196;
  poly = poly * t + 1.00002368;
  poly = poly * t - 1.26551223;
  const half = 0.5 * t * Math.exp(-x * x + poly);
  return z > 0 ? 1 - half : half;
}

/** Nodes and weights of ten-point Gauss–Legendre on [-1, 1] (half; symmetric). */
const LEGENDRE = [
  [0.1488743389816312, 0.2955242247147529],
  [0.4333953941292472, 0.2692667193099963],
  [0.6794095682990244, 0.219086362515982],
  [0.8650633666889845, 0.1494513491505806],
  [0.9739065285171717, 0.0666713443086881],
] as const;

/** Sines, their part of the exponent and weights at the ten nodes of a correlation: pairs of nights share one. */
interface Nodes {
  readonly rho: number;
  readonly half: number;
  readonly sine: Float64Array;
  readonly over: Float64Array;
  readonly weight: Float64Array;
}
let nodes: Nodes | null = null;

function nodesFor(rho: number): Nodes {
  if (nodes?.rho === rho) return nodes;
  const half = Math.asin(rho) / 2;
  const at = LEGENDRE.flatMap(([x, w]) => [x, -x].map((node) => [Math.sin(half * (1 + node)), w] as const));
  nodes = {
    rho,
    half,
    sine: Float64Array.from(at, ([s]) => s),
    over: Float64Array.from(at, ([s]) => 1 / (2 * (1 - s * s))),
    weight: Float64Array.from(at, ([, w]) => w),
  };
  return nodes;
}

/**
 * P(X > h and Y > k) for standard normals with correlation rho (|rho| < 1).
 * Source: Z. Drezner & G. O. Wesolowsky (1990), J. Statist. Comput. Simul. 35: 101–107 (from memory).
 * // => bothAbove(0, 0, 0.5) is 1/3
 */
export function bothAbove(h: number, k: number, rho: number): number {
  const { half, sine, over, weight } = nodesFor(rho);
  const [squares, twice] = [h * h + k * k, 2 * h * k];
  let sum = 0;
  for (let i = 0; i < sine.length; i++) sum += weight[i]! * Math.exp((twice * sine[i]! - squares) * over[i]!);
  return Math.max(0, cumulative(-h) * cumulative(-k) + (half * sum) / (2 * Math.PI));
}

/** Nodes and weights of nine-point Gauss–Hermite for an expectation over a standard normal (half; symmetric). */
const HERMITE = [
  [0, 0.406349206349206],
  [1.02325566378913, 0.244097502894939],
  [2.07684797867783, 0.0499164067652179],
  [3.20542900285647, 0.00278914132123177],
  [4.512745863399783, 2.234584400774658e-5],
] as const;

const HERMITE_AT = Float64Array.from(HERMITE.flatMap(([z]) => (z === 0 ? [0] : [z, -z])));
const HERMITE_WEIGHT = Float64Array.from(HERMITE.flatMap(([z, w]) => (z === 0 ? [w] : [w, w])));

/** E f(Z) for standard normal Z, exact for polynomials up to degree 17. */
export function expectation(f: (z: number) => number): number {
  let sum = 0;
  for (let i = 0; i < HERMITE_AT.length; i++) sum += HERMITE_WEIGHT[i]! * f(HERMITE_AT[i]!);
  return sum;
}
