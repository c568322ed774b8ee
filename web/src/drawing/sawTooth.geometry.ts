/** Height over years as a saw-tooth: straight down at each cut, up with each season, with the band of slow to strong growth. */

export interface Tooth {
  readonly before: number;
  readonly cut: number;
  readonly after: readonly [slow: number, usual: number, strong: number];
}
export interface SawToothPaths {
  readonly line: string;
  readonly band: string;
  readonly wantedY: number;
  readonly yearX: readonly number[];
}

const FOOT = 22;
/** Part of a year between a cut and the end of growth. */
const GROWING = 0.6;

export function sawTooth(
  teeth: readonly Tooth[],
  wantedM: number,
  box: { readonly width: number; readonly height: number },
): SawToothPaths {
  const top = 1.08 * Math.max(wantedM, ...teeth.flatMap((t) => [t.before, t.after[2]]));
  const y = (m: number): number => Math.round(10 * ((box.height - FOOT) * (1 - m / top))) / 10;
  const step = box.width / Math.max(1, teeth.length);
  const x = (years: number): number => Math.round(10 * years * step) / 10;
  const line = teeth
    .map(
      (t, i) =>
        `${i === 0 ? "M" : "L"}${x(i)} ${y(t.before)}V${y(t.cut)}L${x(i + GROWING)} ${y(t.after[1])}H${x(i + 1)}`,
    )
    .join("");
  const band = teeth
    .map(
      (t, i) =>
        `M${x(i)} ${y(t.cut)}L${x(i + GROWING)} ${y(t.after[2])}H${x(i + 1)}V${y(t.after[0])}H${x(i + GROWING)}Z`,
    )
    .join("");
  return { line, band, wantedY: y(wantedM), yearX: teeth.map((_, i) => x(i)) };
}
