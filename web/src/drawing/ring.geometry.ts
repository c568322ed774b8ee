/** Numbers of the sawn end: where a share stands on the circle, and the uneven outlines of bark and rings. */

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A small deterministic noise, so that a plant's rings look the same every time. */
export function noise(seed: number): (angle: number) => number {
  const phase = [1, 2, 3, 5].map((k) => ((seed * 9301 + k * 49297) % 233280) / 233280);
  return (a) =>
    0.5 * Math.sin(2 * a + 6.28 * phase[0]!) +
    0.3 * Math.sin(3 * a + 6.28 * phase[1]!) +
    0.15 * Math.sin(5 * a + 6.28 * phase[2]!) +
    0.05 * Math.sin(9 * a + 6.28 * phase[3]!);
}

/** A seed from any text. */
export const seedOf = (text: string): number => Array.from(text).reduce((h, c) => (h * 31 + c.charCodeAt(0)) % 9973, 7);

/** Angle of a share: 0 stands at the top, a third at 120° clockwise. // => shareAngle(1/3) is 2π/3 */
export const shareAngle = (share: number): number => 2 * Math.PI * Math.min(1, Math.max(0, share));

/** Point on the circle at an angle from the top, clockwise. */
export const onCircle = (radius: number, angle: number): Point => ({
  x: radius * Math.sin(angle),
  y: -radius * Math.cos(angle),
});

const f = (n: number): string => n.toFixed(2);
const STEPS = 72;

/** A closed wobbling ring around the pith. */
export function ringPath(radius: number, wobble: number, seed: number): string {
  const n = noise(seed);
  const points = Array.from({ length: STEPS }, (_, i) => {
    const a = (2 * Math.PI * i) / STEPS;
    return onCircle(radius * (1 + wobble * n(a)), a);
  });
  return `M${points.map((p) => `${f(p.x)} ${f(p.y)}`).join("L")}Z`;
}

/** A part of the outermost ring between two shares, following its wobble. Empty when the two are the same. */
export function wedgePath(
  inner: number,
  outer: number,
  from: number,
  to: number,
  wobble: number,
  seed: number,
): string {
  const [a, b] = [shareAngle(from), shareAngle(to)];
  if (b - a < 1e-6) return "";
  const n = noise(seed);
  const steps = Math.max(2, Math.ceil(((b - a) / (2 * Math.PI)) * STEPS));
  const arc = (r: number): Point[] =>
    Array.from({ length: steps + 1 }, (_, i) => {
      const angle = a + ((b - a) * i) / steps;
      return onCircle(r * (1 + wobble * n(angle)), angle);
    });
  const line = [...arc(outer), ...arc(inner).reverse()];
  return `M${line.map((p) => `${f(p.x)} ${f(p.y)}`).join("L")}Z`;
}

/** The nick in the bark at the cap: a notch open to the outside, its point inwards. */
export function nickPath(radius: number, depth: number, cap: number): string {
  const a = shareAngle(cap);
  const half = 0.1;
  const [l, tip, r] = [onCircle(radius, a - half), onCircle(radius - depth, a), onCircle(radius, a + half)];
  return `M${f(l.x)} ${f(l.y)}L${f(tip.x)} ${f(tip.y)}L${f(r.x)} ${f(r.y)}`;
}
