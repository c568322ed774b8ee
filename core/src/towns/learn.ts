/**
 * What the table of towns teaches of places in general: how the months follow latitude and height, how they vary
 * together, how likeness fades with distance, how cold nights are about a frost date and what a zone says. Worked out
 * once by `npm run docs` into climate/learned.ts; a test compares.
 */
import {
  cholesky,
  dot,
  latitudePowers,
  matrix,
  MEANS,
  nightOn,
  riseOn,
  solveWith,
  WINTER_NIGHTS,
  zoneMinimumC,
  type FrostDays,
  type Learned,
  type Spread,
} from "../climate/index.ts";
import { frostDaysOf, kilometres, meansOf, type Town } from "./table.ts";

/** Likeness falls to a third over so far; of 1,000 to 2,500 km, towns left out in turn came out best with this. */
const LENGTH_KM = 2000;
/** What a town has for itself, and what its row is off by, against the field's variance. */
const NUGGET = 0.05;
/** Components kept: together 98 % of the variance; the rest is each mean's own. */
const PARTS = 7;
/** Added to each mean's variance where only the latitude is known, °C²: the curve through the latitudes is one of many. */
const OWN_C2 = 0.1;

/** Least squares: coefficients of the columns. */
function fit(x: readonly (readonly number[])[], y: readonly number[]): number[] {
  const n = x[0]!.length;
  const a = matrix(n, n, (i, j) => x.reduce((s, r) => s + r[i]! * r[j]!, 0) + (i === j ? 1e-9 : 0));
  return [
    ...solveWith(
      cholesky(a),
      Array.from({ length: n }, (_, i) => x.reduce((s, r, k) => s + r[i]! * y[k]!, 0)),
    ),
  ];
}

/** Eigenvectors of a symmetric matrix, largest first (Jacobi's rotations). */
function components(cov: Float64Array, count: number): { readonly value: number; readonly vector: number[] }[] {
  const n = Math.sqrt(cov.length);
  const a = cov.slice();
  const v = matrix(n, n, (i, j) => (i === j ? 1 : 0)).of;
  for (let sweep = 0; sweep < 30; sweep++)
    for (let p = 0; p < n; p++)
      for (let q = p + 1; q < n; q++) {
        const apq = a[p * n + q]!;
        if (Math.abs(apq) < 1e-14) continue;
        const theta = (a[q * n + q]! - a[p * n + p]!) / (2 * apq);
        const t = Math.sign(theta || 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
        const c = 1 / Math.sqrt(t * t + 1);
        const s = t * c;
        const turn = (m: Float64Array, i: number, j: number): void => {
          const [x, y] = [m[i]!, m[j]!];
          m[i] = c * x - s * y;
          m[j] = s * x + c * y;
        };
        for (let k = 0; k < n; k++) turn(a, k * n + p, k * n + q);
        for (let k = 0; k < n; k++) turn(a, p * n + k, q * n + k);
        for (let k = 0; k < n; k++) turn(v, k * n + p, k * n + q);
      }
  return Array.from({ length: n }, (_, i) => ({
    value: a[i * n + i]!,
    vector: Array.from({ length: n }, (_unused, k) => v[k * n + i]!),
  }))
    .sort((x, y) => y.value - x.value)
    .slice(0, count);
}

/** A covariance from errors that each count so much, as components and a remainder. */
function spreadOf(errors: readonly Float64Array[], weights: readonly number[], own: number): Spread {
  const cov = new Float64Array(MEANS * MEANS);
  errors.forEach((e, k) => {
    for (let i = 0; i < MEANS; i++)
      for (let j = 0; j < MEANS; j++)
        cov[i * MEANS + j] = cov[i * MEANS + j]! + (e[i]! * e[j]! * weights[k]!) / errors.length;
  });
  const parts = components(cov, PARTS).map(({ value, vector }) => vector.map((x) => round(x * Math.sqrt(value), 4)));
  const rest = Array.from({ length: MEANS }, (_, i) =>
    round(Math.max(0, cov[i * MEANS + i]! - parts.reduce((s, p) => s + p[i]! ** 2, 0)) + own, 4),
  );
  return { parts, rest };
}

const round = (x: number, digits: number): number => Number(x.toFixed(digits));
const columns = (x: readonly (readonly number[])[], y: readonly Float64Array[]): number[][] => {
  const byMean = Array.from({ length: MEANS }, (_, m) =>
    fit(
      x,
      y.map((r) => r[m]!),
    ),
  );
  return x[0]!.map((_, i) => byMean.map((c) => round(c[i]!, 4)));
};

/**
 * Errors of the field at each town when that town is left out, and the variance the field says they have
 * (in closed form from the whole: the error is the projected value over its own weight).
 */
function leftOut(towns: readonly Town[], x: readonly (readonly number[])[], y: readonly Float64Array[]) {
  const n = towns.length;
  const l = cholesky(
    matrix(n, n, (i, j) => (i === j ? 1 + NUGGET : Math.exp(-kilometres(towns[i]!, towns[j]!) / LENGTH_KM))),
  );
  const solved = (column: readonly number[]): Float64Array => solveWith(l, column);
  const width = x[0]!.length;
  const kx = Array.from({ length: width }, (_, i) => solved(x.map((r) => r[i]!)));
  const ky = Array.from({ length: MEANS }, (_, m) => solved(y.map((r) => r[m]!)));
  const gram = cholesky(
    matrix(width, width, (i, j) =>
      dot(
        x.map((r) => r[i]!),
        kx[j]!,
      ),
    ),
  );
  const byMean = ky.map((k) =>
    solveWith(
      gram,
      Array.from({ length: width }, (_, i) =>
        dot(
          x.map((r) => r[i]!),
          k,
        ),
      ),
    ),
  );
  const coefficients = Array.from({ length: width }, (_, i) => byMean.map((c) => c[i]!));
  const own = Array.from({ length: n }, (_, i) => {
    const unit = solved(Array.from({ length: n }, (_unused, j) => (i === j ? 1 : 0)))[i]!;
    const h = kx.map((k) => k[i]!);
    return unit - dot(h, solveWith(gram, h));
  });
  const errors = towns.map((_, i) =>
    Float64Array.from(ky, (k, m) => (k[i]! - kx.reduce((s, c, j) => s + c[i]! * byMean[m]![j]!, 0)) / own[i]!),
  );
  return { coefficients, errors, variance: own.map((o) => 1 / o) };
}

/** Everything that climate/learned.ts holds. */
export function learn(towns: readonly Town[]): Learned {
  const y = towns.map(meansOf);
  const byLatitude = towns.map((t) => latitudePowers(t.latitudeDeg));
  const mean = columns(byLatitude, y);
  const off = y.map((r, k) => r.map((v, m) => v - byLatitude[k]!.reduce((s, p, i) => s + p * mean[i]![m]!, 0)));
  const placed = towns.map((t) => [...latitudePowers(t.latitudeDeg), t.altitudeM / 1000]);
  const field = leftOut(towns, placed, y);

  const frosty = towns.flatMap((t, k) => {
    const days = frostDaysOf(t);
    return days
      ? [{ days, means: y[k]!, coldest: zoneMinimumC(t.zone), latitude: Math.abs(t.latitudeDeg) - LATITUDE }]
      : [];
  });
  const frost = ([0, 1] as const).map((side) => {
    const rows = frosty.map((f) => [1, dot(riseOn(f.days[side]), f.means), f.latitude]);
    return fit(
      rows,
      frosty.map((f) => dot(nightOn(f.days[side]), f.means)),
    ).map((c) => round(c, 3));
  });
  const middles = frosty.map(({ days }) => [(days[0] + days[1]) / 2]);
  const frostAgainst = (x: readonly (readonly number[])[], days: readonly number[]): FrostDays => {
    const rows = x.map((r) => [1, ...r]);
    const [at, slope = 0] = fit(rows, days);
    const off = rows.reduce((s, r, k) => s + (days[k]! - at! - slope * (r[1] ?? 0)) ** 2, 0);
    return { at: round(at!, 2), ofNight: round(slope, 3), sdDays: round(Math.sqrt(off / (days.length - 2)), 2) };
  };
  const nights = frosty.map((f) => [f.coldest]);
  const winters = y.map((m) => dot(WINTER_NIGHTS, m));
  const zones = towns.map((t) => zoneMinimumC(t.zone));
  const [base, slope] = fit(
    winters.map((w) => [1, w]),
    zones,
  );
  const zoneSd = Math.sqrt(
    winters.reduce((s, w, k) => s + (zones[k]! - base! - slope! * w) ** 2, 0) / (winters.length - 2),
  );
  return {
    latitude: {
      mean,
      spread: spreadOf(
        off,
        off.map(() => 1),
        OWN_C2,
      ),
    },
    field: {
      mean: field.coefficients.map((row) => row.map((c) => round(c, 4))),
      spread: spreadOf(
        field.errors,
        field.variance.map((v) => 1 / v),
        0,
      ),
      lengthKm: LENGTH_KM,
      nugget: NUGGET,
    },
    frost: {
      last: { at: frost[0]![0]!, ofRise: frost[0]![1]!, ofLatitude: frost[0]![2]! },
      first: { at: frost[1]![0]!, ofRise: frost[1]![1]!, ofLatitude: frost[1]![2]! },
      fromLatitude: LATITUDE,
      usual: {
        last: frostAgainst(
          nights,
          frosty.map((f) => f.days[0]),
        ),
        first: frostAgainst(
          nights,
          frosty.map((f) => f.days[1]),
        ),
        middle: frostAgainst(
          middles.map(() => []),
          middles.flat(),
        ),
      },
    },
    zone: { at: round(base!, 3), ofWinter: round(slope!, 4), sdC: round(zoneSd, 2) },
  };
}
/** Where the frost rule's constant is read, degrees. */
const LATITUDE = 40;
