/** A straight scale from one range to another, held at its ends when asked: all that the drawings need of scales. */
export const linear =
  ([a, b]: readonly [number, number], [from, to]: readonly [number, number], clamped = false) =>
  (x: number): number => {
    const part = (x - a) / (b - a);
    return from + (clamped ? Math.min(1, Math.max(0, part)) : part) * (to - from);
  };
