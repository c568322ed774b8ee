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
  const c = [
    -1.26551223, 1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587, -0.82215223,
    0.17087277,
  ];
  const poly = c.reduceRight((sum, a) => sum * t + a, 0);
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

/**
 * P(X > h and Y > k) for standard normals with correlation rho (|rho| < 1).
 * Source: Z. Drezner & G. O. Wesolowsky (1990), J. Statist. Comput. Simul. 35: 101–107 (from memory).
 * // => bothAbove(0, 0, 0.5) is 1/3
 */
export function bothAbove(h: number, k: number, rho: number): number {
  const half = Math.asin(rho) / 2;
  let sum = 0;
  for (const [x, w] of LEGENDRE)
    for (const node of [x, -x]) {
      const theta = half * (1 + node);
      const s = Math.sin(theta);
      sum += w * Math.exp(-(h * h + k * k - 2 * h * k * s) / (2 * (1 - s * s)));
    }
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

/** E f(Z) for standard normal Z, exact for polynomials up to degree 17. */
export function expectation(f: (z: number) => number): number {
  let sum = 0;
  for (const [z, w] of HERMITE) sum += z === 0 ? w * f(0) : w * (f(z) + f(-z));
  return sum;
}
